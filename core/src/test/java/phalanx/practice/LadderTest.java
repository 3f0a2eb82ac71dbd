package phalanx.practice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import phalanx.arrange.Arranger;
import phalanx.arrange.demand.Wishes;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.righthand.BassLine;
import phalanx.righthand.Digit;
import phalanx.righthand.Level;
import phalanx.righthand.Pattern;
import phalanx.righthand.PatternLibrary;
import phalanx.righthand.Picking;
import phalanx.song.ChartText;
import phalanx.song.Meter;
import phalanx.song.Song;
import phalanx.song.Songs;
import phalanx.song.TuneEdit;
import phalanx.technique.Attack;
import phalanx.theory.Key;

class LadderTest {
    private static final int SONGS = Boolean.getBoolean("phalanx.deep") ? 50 : 8;

    private static Arrangement arranged(Song song, Picking picking, Wishes wishes) {
        return new Arranger(Instrument.STANDARD, Hand.AVERAGE).quick(song, picking, wishes, List.of(), () -> false);
    }

    /** In what two steps differ. */
    private static List<String> differences(Step before, Step now) {
        List<String> differences = new ArrayList<>();
        if (!before.bars().equals(now.bars())) {
            differences.add("bars");
        } else {
            Set<ArrangedNote> more = new HashSet<>(now.notes());
            before.notes().forEach(more::remove);
            Set<ArrangedNote> gone = new HashSet<>(before.notes());
            now.notes().forEach(gone::remove);
            if (gone.isEmpty() && more.size() == 1) {
                differences.add("a note");
            } else if (!more.isEmpty() || !gone.isEmpty()) {
                differences.add("the way they are made");
            }
        }
        if (!before.hits().equals(now.hits())) {
            differences.add("hits");
        }
        if (before.tuneOut() != now.tuneOut()) {
            differences.add("tune out");
        }
        if (before.tempo() != now.tempo()) {
            differences.add("tempo");
        }
        return differences;
    }

    /** Every ladder ends in the arrangement itself, at its tempo or the hands' ceiling; each step differs by one thing. */
    @Test
    void eachStepAddsOneThingAndTheLastIsTheArrangement() {
        for (long seed = 0; seed < SONGS; seed++) {
            Song song = Songs.random(seed, 6);
            Arrangement arrangement = arranged(song, Picking.PLAIN, Wishes.USUAL.withSlurs(seed % 2 == 0));
            List<Step> steps = Ladder.of(arrangement);
            for (int i = 1; i < steps.size(); i++) {
                assertThat(differences(steps.get(i - 1), steps.get(i)))
                        .as(
                                "seed %d: %s, then %s",
                                seed, steps.get(i - 1).name(), steps.get(i).name())
                        .hasSize(1);
                assertThat(steps.get(i).count()).isNotBlank();
            }
            Step last = steps.get(steps.size() - 1);
            assertThat(last.notes()).isEqualTo(arrangement.notes());
            assertThat(last.hits()).isEqualTo(arrangement.hits());
            assertThat(last.bars()).isEqualTo(arrangement.song().bars());
            assertThat((double) last.tempo())
                    .isEqualTo(Math.min(
                            song.tempo(), Math.floor(arrangement.ceiling().tempo())));
            assertThat(steps.get(0).tempo()).isLessThanOrEqualTo(last.tempo());
        }
    }

    /**
     * Over C: thumb alone 5 4 5 4, then the pinch on 2, then i and m between: "1 2 3 & 4 &". Common practice, no source.
     */
    @Test
    void theAlternatingPatternOverCIsBuiltUp() {
        Picking.Plan plan =
                new Picking.Plan(PatternLibrary.standard().find("Ferry Rope"), BassLine.ALTERNATING, Level.EVEN);
        Song song = ChartText.parse("| C(x32010) | C(x32010) |", Meter.COMMON)
                .over(TuneEdit.empty("C", Key.C_MAJOR, 90, Meter.COMMON, 2));
        List<Step> steps = Ladder.of(arranged(song, Picking.PLAIN.withPlan(plan), Wishes.USUAL), 0, 0);
        Step thumb = steps.get(0);
        assertThat(thumb.hands()).isEqualTo(Step.Hands.THUMB);
        assertThat(thumb.notes()).extracting(ArrangedNote::string).containsExactly(5, 4, 5, 4);
        assertThat(thumb.count()).isEqualTo("1 2 3 4");
        Step pinch = steps.get(1);
        assertThat(pinch.notes())
                .filteredOn(note -> note.right() != Digit.P)
                .singleElement()
                .satisfies(note -> {
                    assertThat(note.right()).isEqualTo(Digit.M);
                    assertThat(note.string()).isEqualTo(2);
                });
        assertThat(pinch.adds()).contains("on 2", "with the thumb");
        assertThat(steps.get(2).adds()).contains("i on string 3 on 3&", "between");
        assertThat(steps.get(3).count()).isEqualTo("1 2 3 & 4 &");
    }

    @Test
    void someBarsAloneAndBarsThatAreNotThere() {
        Arrangement arrangement =
                arranged(Songs.of("C", Meter.COMMON, "C F G C", "E4:4 F4:4 G4:4 E4:4"), Picking.PLAIN, Wishes.USUAL);
        List<Step> steps = Ladder.of(arrangement, 1, 2);
        assertThat(steps)
                .allMatch(step -> step.bars().stream().allMatch(bar -> bar.number() == 2 || bar.number() == 3));
        assertThatThrownBy(() -> Ladder.of(arrangement, 3, 4)).hasMessageContaining("bars 3 to 4 of 4");
    }

    /** A brush is one stroke, however many strings it takes: no step has a name twice, no brush is begun in part. */
    @Test
    void aBrushComesInOneStep() {
        Song song = ChartText.parse("| C | G | Am | F |", Meter.COMMON)
                .over(TuneEdit.empty("C", Key.C_MAJOR, 90, Meter.COMMON, 4));
        int brushes = 0;
        for (Pattern pattern : PatternLibrary.standard().all()) {
            Picking.Plan plan = new Picking.Plan(Optional.of(pattern), BassLine.ALTERNATING, Level.EVEN);
            Arrangement arrangement = arranged(song, Picking.PLAIN.withPlan(plan), Wishes.USUAL);
            List<ArrangedNote> brushed = arrangement.notes().stream()
                    .filter(note -> note.attack() instanceof Attack.Brush && note.right() != Digit.P)
                    .toList();
            if (brushed.isEmpty()) {
                continue;
            }
            brushes++;
            List<Step> steps = Ladder.of(arrangement);
            assertThat(steps).extracting(Step::name).as(pattern.name()).doesNotHaveDuplicates();
            for (Step step : steps) {
                for (ArrangedNote note : brushed) {
                    List<ArrangedNote> whole = brushed.stream()
                            .filter(one -> one.tick() == note.tick())
                            .toList();
                    assertThat(step.notes().contains(note))
                            .as(pattern.name() + ", " + step.name())
                            .isEqualTo(step.notes().containsAll(whole));
                }
            }
        }
        assertThat(brushes).isPositive();
    }
}
