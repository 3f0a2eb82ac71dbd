package phalanx.arrange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import phalanx.arrange.demand.Octave;
import phalanx.arrange.demand.Role;
import phalanx.arrange.demand.Wishes;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.FindingKind;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.righthand.BassLine;
import phalanx.righthand.BassStrings;
import phalanx.righthand.BassWriter;
import phalanx.righthand.Digit;
import phalanx.righthand.Level;
import phalanx.righthand.Pattern;
import phalanx.righthand.PatternLibrary;
import phalanx.righthand.PatternRow;
import phalanx.righthand.PatternStroke;
import phalanx.righthand.PatternText;
import phalanx.righthand.Picking;
import phalanx.righthand.School;
import phalanx.song.Bar;
import phalanx.song.Meter;
import phalanx.song.Song;
import phalanx.song.Songs;
import phalanx.song.Ticks;
import phalanx.technique.Attack;

/** Patterns, bass lines and schools joined with tunes on real shapes. */
class PickingTest {
    private static final PatternLibrary LIBRARY = PatternLibrary.standard();

    private static Picking picking(Random random, Meter meter) {
        List<Pattern> fitting = LIBRARY.all().stream()
                .filter(pattern -> pattern.meter().equals(meter))
                .toList();
        School school = School.values()[random.nextInt(School.values().length)];
        return Picking.PLAIN
                .withSchool(school)
                .withPlan(new Picking.Plan(
                        Optional.of(fitting.get(random.nextInt(fitting.size()))),
                        BassLine.values()[random.nextInt(BassLine.values().length)],
                        Level.values()[random.nextInt(Level.values().length)]));
    }

    /** Whatever the pattern: the tune is kept and on top, strings are free, digits are those of the school. */
    @Property
    void patternsNeverDisturbTheTune(@ForAll long seed) {
        Song song = Songs.random(seed, 6);
        Picking picking = picking(new Random(seed), song.bars().get(0).meter());
        Arrangement plain =
                new Arranger(Instrument.STANDARD, Hand.AVERAGE).quick(song, Picking.PLAIN, List.of(), () -> false);
        Arrangement arranged =
                new Arranger(Instrument.STANDARD, Hand.AVERAGE).quick(song, picking, List.of(), () -> false);
        assertThat(arranged.findings()).extracting(Finding::kind).doesNotContain(FindingKind.STRING_CLASH);
        for (ArrangedNote note : arranged.notes()) {
            assertThat(picking.school().digits()).contains(note.right());
            assertThat(arranged.notes().stream()
                            .filter(other -> other != note && other.string() == note.string())
                            .filter(other -> other.tick() <= note.tick() && other.endTick() > note.tick()))
                    .isEmpty();
            if (note.role() == Role.INNER) {
                assertThat(arranged.notes().stream()
                                .filter(tune -> tune.role() == Role.MELODY && tune.soundsAt(note.tick())))
                        .allMatch(tune -> tune.midi() > note.midi() && tune.string() < note.string()
                                || tune.tick() < note.tick() && passesAbove(note, arranged));
            }
            if (note.role() == Role.MELODY) {
                assertThat(arranged.notes().stream().filter(other -> other != note && other.soundsAt(note.tick())))
                        .allMatch(other -> other.midi() < note.midi());
            }
        }
        if (plain.movedBy() == 0 && plain.cost().tune() == 0 && arranged.cost().tune() == 0) {
            assertThat(arranged.notes().stream().filter(note -> note.role() == Role.MELODY))
                    .hasSameSizeAs(song.melody());
        }
        int accounted = arranged.joining().kept()
                + arranged.joining().byTune()
                + arranged.joining().moved()
                + arranged.joining().left();
        assertThat(accounted).isEqualTo(arranged.joining().asked());
        // the thumb keeps its beat
        assertThat(arranged.notes().stream().filter(note -> note.role() == Role.BASS))
                .extracting(ArrangedNote::tick)
                .isSubsetOf(new BassWriter(arranged.song(), picking)
                        .strokes().stream().map(stroke -> stroke.tick()).toList());
        assertThat(arranged.notes().stream().filter(note -> note.role() == Role.BASS))
                .allMatch(note -> note.right() == Digit.P);
    }

    /** Above the tune is room where it goes higher still, or rests on its note for a beat. */
    private static boolean passesAbove(ArrangedNote inner, Arrangement arranged) {
        return arranged.request().played().melody().stream()
                .filter(tune -> tune.tick() > inner.tick())
                .findFirst()
                .map(next -> next.midi() > inner.midi() || next.tick() >= inner.tick() + Ticks.QUARTER)
                .orElse(true);
    }

    /**
     * Under one long tune note a bar, from F4 to D5, at least 85 % of the strokes of all patterns are heard, and in 95 % of
     * bars as many different strings sound as a pattern has rows, less one.
     */
    @Test
    void patternsSoundUnderLongNotes() {
        int asked = 0;
        double heard = 0;
        int bars = 0;
        int full = 0;
        Arranger arranger = new Arranger(Instrument.STANDARD, Hand.AVERAGE);
        for (Pattern pattern : LIBRARY.all()) {
            Meter meter = pattern.meter();
            double bar = meter.barTicks() / (double) Ticks.QUARTER;
            String tune = Stream.of("G4", "A4", "A4", "B4", "C5", "C5", "C5", "B4")
                    .map(pitch -> pitch + ":" + bar)
                    .collect(Collectors.joining(" "));
            Song song = Songs.of("C", meter, "C Am F G7 Am F C G7", tune);
            Picking picking =
                    Picking.PLAIN.withPlan(new Picking.Plan(Optional.of(pattern), BassLine.ALTERNATING, Level.EVEN));
            Wishes wishes = Wishes.USUAL.withOctave(Octave.AS_WRITTEN).withFullEnds(false);
            Arrangement arranged = arranger.quick(song, picking, wishes, List.of(), () -> false);
            asked += arranged.joining().asked();
            heard += arranged.joining().heardShare() * arranged.joining().asked();
            long rows = pattern.strokes().stream()
                    .map(PatternStroke::row)
                    .filter(PatternRow::isInner)
                    .distinct()
                    .count();
            for (Bar one : song.bars()) {
                bars++;
                full += arranged.notes().stream()
                                        .filter(note -> one.contains(note.tick()) && note.role() != Role.BASS)
                                        .map(ArrangedNote::string)
                                        .distinct()
                                        .count()
                                >= rows - 1
                        ? 1
                        : 0;
            }
        }
        assertThat(heard / asked).as("share of " + asked + " strokes").isGreaterThanOrEqualTo(0.85);
        assertThat(full).isGreaterThanOrEqualTo(95 * bars / 100);
    }

    /** The thumb goes where the player sends it, where the hand can. */
    @Test
    void theThumbGoesToTheStringsThatAreAskedFor() {
        Song song = diatonic(3, Meter.COMMON);
        for (BassStrings wish : BassStrings.values()) {
            Picking picking =
                    Picking.PLAIN.withPlan(new Picking.Plan(Optional.empty(), BassLine.ALTERNATING, Level.EVEN, wish));
            assertThat(agreeing(song, picking, wish))
                    .as(wish.label())
                    .isGreaterThanOrEqualTo(agreeing(song, Picking.PLAIN, wish));
        }
        Picking low = Picking.PLAIN.withPlan(
                new Picking.Plan(Optional.empty(), BassLine.ALTERNATING, Level.EVEN, BassStrings.LOWEST));
        assertThat(agreeing(song, low, BassStrings.LOWEST))
                .isGreaterThan(agreeing(song, Picking.PLAIN, BassStrings.LOWEST));
    }

    /** How many steps of the thumb away from a root are as they are wished. */
    private static long agreeing(Song song, Picking picking, BassStrings wish) {
        List<ArrangedNote> bass = new Arranger(Instrument.STANDARD, Hand.AVERAGE)
                .quick(song, picking, List.of(), () -> false).notes().stream()
                        .filter(note -> note.role() == Role.BASS)
                        .toList();
        long agreeing = 0;
        for (int i = 1; i < bass.size(); i++) {
            boolean root = bass.get(i).tick() % Meter.COMMON.barTicks() == 0;
            agreeing +=
                    !root && wish.agrees(bass.get(i - 1).string(), bass.get(i).string(), 6) ? 1 : 0;
        }
        return agreeing;
    }

    /** An ordinary tune over chords of its key: long and short notes in the upper octave. */
    private static Song diatonic(int seed, Meter meter) {
        Random random = new Random(seed);
        String[] chords = {"C", "Am", "F", "G7", "Dm", "G", "Em", "C"};
        String[] notes = {"C5", "E5", "A4", "G4", "B4", "D5", "E5", "C5", "G4", "A4"};
        StringBuilder melody = new StringBuilder();
        double left = chords.length * meter.barTicks() / (double) Ticks.QUARTER;
        while (left > 0.01) {
            double length = Math.min(left, new double[] {1, 2, 0.5, 1.5}[random.nextInt(4)]);
            melody.append(notes[random.nextInt(notes.length)])
                    .append(':')
                    .append(length)
                    .append(' ');
            left -= length;
        }
        return Songs.of("C", meter, String.join(" ", chords), melody.toString());
    }

    /** A snap needs a digit of its own and time to get under its string; the nails are the fingers', on the way down alone. */
    @Test
    void stringsSnapAndNailsBrushWhereAPatternSaysSo() {
        Song song = Songs.of("C", Meter.COMMON, "C Am", "").withTempo(80);
        List<ArrangedNote> snapped = picked("Snapped Twine", song).notes().stream()
                .filter(note -> note.attack().equals(Attack.SNAP))
                .toList();
        assertThat(snapped)
                .extracting(note -> note.tick() % (4 * Ticks.QUARTER))
                .containsExactly(Ticks.QUARTER, 3 * Ticks.QUARTER, Ticks.QUARTER, 3 * Ticks.QUARTER);
        assertThat(snapped).allMatch(note -> note.role() == Role.INNER && note.right() != Digit.P);
        Arrangement brushed = picked("Tin Eaves", song);
        assertThat(brushed.notes())
                .filteredOn(note -> note.attack().equals(new Attack.Brush(false, true)))
                .isNotEmpty()
                .allMatch(note -> note.right() != Digit.P && note.tick() % (2 * Ticks.QUARTER) == Ticks.QUARTER);
        assertThat(brushed.notes())
                .filteredOn(note -> note.attack().equals(new Attack.Brush(true, false)))
                .isNotEmpty();
        // by one digit 230 ms apart: plucks may come so soon, a snap may not
        for (String sign : List.of("i", "s")) {
            Pattern own = PatternText.parse(
                    "Own\nfamily: own\nmeter: 2/4\ngrid: 2\nserves: a test\nmiddle i " + sign + " i " + sign);
            assertThat(own.strokes()).extracting(PatternStroke::sign).containsExactly("i", sign, "i", sign);
            Picking index = Picking.PLAIN
                    .withSchool(School.THUMB_AND_INDEX)
                    .withPlan(new Picking.Plan(Optional.of(own), BassLine.ON_CHANGE, Level.FULL));
            Song quick = Songs.of("C", new Meter(2, 4), "C Am", "").withTempo(130);
            boolean late = new Arranger(Instrument.STANDARD, Hand.AVERAGE)
                    .quick(quick, index, List.of(), () -> false).findings().stream()
                            .anyMatch(finding -> finding.kind() == FindingKind.DIGIT_TOO_FAST);
            assertThat(late).isEqualTo(sign.equals("s"));
        }
        assertThatThrownBy(() -> PatternText.parse("Low\nfamily: own\nmeter: 2/4\ngrid: 1\nserves: a test\nbass s x\n"))
                .hasMessageContaining("s");
    }

    private static Arrangement picked(String pattern, Song song) {
        Picking picking =
                Picking.PLAIN.withPlan(new Picking.Plan(LIBRARY.find(pattern), BassLine.ALTERNATING, Level.FULL));
        return new Arranger(Instrument.STANDARD, Hand.AVERAGE).quick(song, picking, List.of(), () -> false);
    }

    /**
     * The double thumb of five even notes: the second is the way back. Common practice, no source: at 80 quarter notes a
     * minute it is played, at 160 it is not.
     */
    @Test
    void theThumbStrokesDownAndUp() {
        Picking gulls =
                Picking.PLAIN.withPlan(new Picking.Plan(LIBRARY.find("Five Gulls"), BassLine.ALTERNATING, Level.FULL));
        Song song = Songs.of("C", Meter.COMMON, "C Am", "");
        for (int tempo : new int[] {80, 160}) {
            Arrangement arranged = new Arranger(Instrument.STANDARD, Hand.AVERAGE)
                    .quick(song.withTempo(tempo), gulls, List.of(), () -> false);
            List<ArrangedNote> thumb = arranged.notes().stream()
                    .filter(note -> note.right() == Digit.P)
                    .toList();
            assertThat(thumb.stream().filter(note -> note.tick() % Ticks.QUARTER == 0))
                    .noneMatch(note -> note.attack().equals(Attack.UPSTROKE));
            assertThat(thumb.stream().filter(note -> note.tick() % Ticks.QUARTER != 0))
                    .isNotEmpty()
                    .allMatch(note -> note.attack().equals(Attack.UPSTROKE));
            List<FindingKind> kinds =
                    arranged.findings().stream().map(Finding::kind).toList();
            if (tempo == 80) {
                assertThat(kinds).as(arranged.findings().toString()).doesNotContain(FindingKind.DIGIT_TOO_FAST);
            } else {
                assertThat(kinds).contains(FindingKind.DIGIT_TOO_FAST);
            }
        }
    }
}
