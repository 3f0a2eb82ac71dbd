package phalanx.arrange.colour;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import phalanx.arrange.Arranger;
import phalanx.arrange.audit.Audit;
import phalanx.arrange.demand.Role;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.FindingKind;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Finger;
import phalanx.righthand.BassLine;
import phalanx.righthand.Digit;
import phalanx.righthand.Level;
import phalanx.righthand.PatternLibrary;
import phalanx.righthand.Picking;
import phalanx.righthand.Weight;
import phalanx.song.Bar;
import phalanx.song.Meter;
import phalanx.song.Song;
import phalanx.song.Songs;
import phalanx.song.Ticks;
import phalanx.technique.Attack;
import phalanx.technique.Groove;
import phalanx.technique.Grooves;
import phalanx.technique.Hit;
import phalanx.technique.HitKind;
import phalanx.technique.SlurKind;

/** Hits laid over arrangements: an independent replay of both hands, and what a player expects of a backbeat. */
class HitsTest {
    /** For so long a hand is busy with a hit, written down a second time. */
    private static final Map<HitKind, Integer> BUSY_MS = new EnumMap<>(Map.of(
            HitKind.HEEL,
            70,
            HitKind.KNOCK,
            70,
            HitKind.SLAP,
            110,
            HitKind.NAIL,
            90,
            HitKind.TAP,
            160,
            HitKind.CHUCK,
            110,
            HitKind.DEAD,
            70,
            HitKind.BELL,
            110,
            HitKind.STOP,
            80));

    private static Picking with(Groove groove, Optional<String> pattern, BassLine bass) {
        return Picking.PLAIN.withPlan(new Picking.Plan(
                pattern.map(PatternLibrary.standard()::get),
                bass,
                Level.EVEN,
                Picking.PLAIN.plan().strings(),
                Optional.of(groove)));
    }

    private static Picking with(String groove) {
        return with(Grooves.shipped().get(groove), Optional.empty(), BassLine.ALTERNATING);
    }

    private static Arrangement arranged(Song song, Picking picking) {
        return new Arranger(Instrument.STANDARD, Hand.AVERAGE).quick(song, picking, List.of(), () -> false);
    }

    @Property
    void noHitComesWhileItsHandIsBusyAndNothingRingsOnAStoppedString(@ForAll long seed) {
        Random random = new Random(seed);
        Song song = Songs.random(seed, 6).withTempo(60 + random.nextInt(140));
        List<Groove> fitting = Grooves.shipped().all().stream()
                .filter(groove -> groove.meter().equals(song.bars().get(0).meter()))
                .toList();
        Groove groove =
                fitting.isEmpty() ? Grooves.shipped().get("backbeat") : fitting.get(random.nextInt(fitting.size()));
        // sometimes every sound at random
        Groove wild = Groove.parse("wild | " + groove.meter() + " | 1 | "
                + "x"
                        .repeat(groove.meter().barTicks() / groove.meter().beatTicks())
                        .chars()
                        .mapToObj(sign -> String.valueOf("hksntcdbq.".charAt(random.nextInt(10))))
                        .reduce("", String::concat));
        Groove chosen = random.nextBoolean() ? groove : wild;
        BassLine bass = BassLine.values()[random.nextInt(BassLine.values().length)];
        Arrangement plain =
                arranged(song, Picking.PLAIN.withPlan(new Picking.Plan(Optional.empty(), bass, Level.EVEN)));
        Arrangement hit = arranged(song, with(chosen, Optional.empty(), bass));
        for (Hit one : hit.hits()) {
            replay(hit, one);
        }
        assertThat(tune(hit)).isEqualTo(tune(plain));
        assertThat(hit.cost()).isEqualTo(plain.cost());
        assertThat(hit.plain()).isEqualTo(plain.notes());
        assertThat(hit.notes())
                .filteredOn(note -> !isSlapped(note))
                .extracting(ArrangedNote::tick)
                .isEqualTo(plain.notes().stream().map(ArrangedNote::tick).toList());
        assertThat(hit.findings())
                .extracting(Finding::kind)
                .doesNotContain(FindingKind.HIT_CONFLICT, FindingKind.DAMPED_NOTE, FindingKind.HIT_TOO_FAST);
        long wanted = song.bars().stream()
                .filter(bar -> bar.meter().equals(chosen.meter()))
                .mapToLong(bar -> chosen.over(
                                bar,
                                bar.endTick() == song.endTick()
                                        || song.sections().stream()
                                                .anyMatch(section -> section.startTick() == bar.endTick()))
                        .size())
                .sum();
        long leftOut = hit.findings().stream()
                .filter(finding -> finding.kind() == FindingKind.HIT_NOT_LAID)
                .filter(finding -> finding.message().contains("left out:"))
                .mapToLong(finding -> (long) finding.measured())
                .sum();
        assertThat(hit.hits().size() + leftOut).isEqualTo(wanted);
    }

    private static List<ArrangedNote> tune(Arrangement arrangement) {
        return arrangement.notes().stream()
                .filter(note -> note.role() == Role.MELODY)
                .toList();
    }

    static void replay(Arrangement arrangement, Hit hit) {
        double tempo = arrangement.song().tempo();
        int busy = BUSY_MS.get(hit.kind());
        boolean left = hit.kind() == HitKind.TAP;
        for (ArrangedNote note : arrangement.notes()) {
            double away = Math.abs(note.tick() - hit.tick()) * 60_000.0 / (Ticks.QUARTER * tempo);
            boolean slurred = note.attack() instanceof Attack.Slur;
            if (note.tick() == hit.tick() && !slurred) {
                switch (hit.kind()) {
                    case SLAP, NAIL, DEAD -> assertThat(note.right()).isEqualTo(Digit.P);
                    case BELL -> assertThat(isSlapped(note)).isTrue();
                    case CHUCK, STOP ->
                        assertThat(note)
                                .as("plucked with a hand on all strings")
                                .isNull();
                    default -> {}
                }
            } else if (!left && !slurred) {
                assertThat(away)
                        .as("%s at %d beside %s", hit.kind(), hit.tick(), note)
                        .isGreaterThanOrEqualTo(busy);
            }
            boolean falls =
                    switch (hit.kind()) {
                        case CHUCK, BELL, STOP -> true;
                        case SLAP -> note.string() >= 4;
                        case DEAD -> note.string() <= 3;
                        default -> false;
                    };
            if (falls && note.tick() < hit.tick()) {
                assertThat(note.endTick()).as("%s under %s", note, hit).isLessThanOrEqualTo(hit.tick());
            }
        }
        if (left) {
            assertThat(arrangement.holds()).noneMatch(hold -> hold.tick() <= hit.tick() && hold.endTick() > hit.tick());
        }
    }

    private static boolean isSlapped(ArrangedNote note) {
        return note.attack() instanceof Attack.Touched touched && touched.slapped();
    }

    /** Octaves of open strings and of a barre: physics of the string. Under D only two open strings are of the chord. */
    @Test
    void aSlappedHarmonicRingsOnStringsThatAreHeldAlike() {
        Groove bells = Groove.parse("bells | 4/4 | 1 | ...b");
        Picking alone = with(bells, Optional.empty(), BassLine.ON_CHANGE);
        Arrangement open = arranged(Songs.of("E minor", Meter.COMMON, "Em", ""), alone);
        assertThat(open.notes().stream().filter(HitsTest::isSlapped))
                .extracting(ArrangedNote::string, ArrangedNote::fret, ArrangedNote::midi, ArrangedNote::right)
                .containsExactly(
                        tuple(6, 0, 52, Digit.M),
                        tuple(3, 0, 67, Digit.M),
                        tuple(2, 0, 71, Digit.M),
                        tuple(1, 0, 76, Digit.M));
        Arrangement barred = arranged(Songs.of("F", Meter.COMMON, "F", ""), alone);
        assertThat(barred.notes().stream().filter(HitsTest::isSlapped))
                .extracting(ArrangedNote::string, ArrangedNote::fret)
                .containsExactly(tuple(6, 1), tuple(2, 1), tuple(1, 1));
        for (Arrangement made : List.of(open, barred)) {
            List<ArrangedNote> rung =
                    made.notes().stream().filter(HitsTest::isSlapped).toList();
            assertThat(rung).allMatch(note -> note.midi() == Instrument.STANDARD.midi(note.string(), note.fret()) + 12);
            assertThat(rung).allSatisfy(note -> assertThat(note.endTick())
                    .isEqualTo(made.notes().stream()
                            .filter(next -> next.string() == note.string() && next.tick() > note.tick())
                            .mapToInt(ArrangedNote::tick)
                            .min()
                            .orElse(4 * Ticks.QUARTER)));
            assertThat(made.findings())
                    .extracting(Finding::kind)
                    .doesNotContain(
                            FindingKind.HARMONIC_CONFLICT, FindingKind.DIGITS_CROSSED, FindingKind.HIT_CONFLICT);
        }
        assertThat(arranged(Songs.of("D", Meter.COMMON, "D", ""), alone).findings())
                .anyMatch(finding -> finding.message().contains("no three strings held alike belong to the chord"));
    }

    @Test
    void aBackbeatFallsOnTwoAndFourWithTheThumbAndStopsTheBass() {
        // chords alone: only the thumb plays on the beats
        Song song = Songs.of("C", Meter.COMMON, "C Am F C", "");
        Arrangement arrangement =
                arranged(song, with(Grooves.shipped().get("backbeat"), Optional.of("Milestone"), BassLine.ALTERNATING));
        List<Hit> plain = arrangement.hits().stream()
                .filter(hit -> song.barAt(hit.tick()).number() < 4)
                .toList();
        assertThat(plain).extracting(Hit::kind).containsOnly(HitKind.SLAP);
        assertThat(plain)
                .extracting(hit -> song.barAt(hit.tick()).beatOf(hit.tick()))
                .containsExactly(2.0, 4.0, 2.0, 4.0, 2.0, 4.0);
        // the slap carries the thumb's note and stops the one before
        Bar first = song.bars().get(0);
        assertThat(arrangement.notes())
                .filteredOn(note -> note.role() == Role.BASS && note.tick() == first.startTick())
                .allMatch(note -> note.endTick() == first.startTick() + Ticks.QUARTER);
        assertThat(arrangement.notes())
                .anyMatch(note -> note.tick() == first.startTick() + Ticks.QUARTER && note.right() == Digit.P);
    }

    @Test
    void whereTheTuneIsPluckedASlapMakesWayAndItIsSaid() {
        Song song = Songs.of("C", Meter.COMMON, "C", "E4:1 G4:1 E4:1 G4:1");
        Arrangement arrangement = arranged(song, with("backbeat"));
        assertThat(arrangement.hits()).extracting(Hit::kind).doesNotContain(HitKind.SLAP);
        assertThat(arrangement.findings())
                .filteredOn(finding -> finding.kind() == FindingKind.HIT_NOT_LAID)
                .anyMatch(finding -> finding.message()
                        .startsWith("Bar 1, beat 2: the slap on 2 and 4 is a knock instead: the fingers pluck"));
    }

    /** Hits put where no hand can make them, by hand: each has its finding. */
    @Test
    void hitsThatCannotBeAreFound() {
        Arrangement good = arranged(Songs.of("C", Meter.COMMON, "C Am", "E4:2 C4:2 A4:4"), Picking.PLAIN);
        ArrangedNote tune = tune(good).get(0);
        ArrangedNote finger = good.notes().stream()
                .filter(note -> note.role() != Role.BASS && note.tick() > 0)
                .findFirst()
                .orElseThrow();
        assertThat(found(good, new Hit(finger.tick(), HitKind.SLAP)))
                .anyMatch(finding -> finding.kind() == FindingKind.HIT_CONFLICT
                        && finding.message()
                                .contains("the slap and digit " + finger.right().symbol()));
        Finding stopped = found(good, new Hit(tune.tick() + 1, HitKind.CHUCK)).stream()
                .filter(finding -> finding.kind() == FindingKind.DAMPED_NOTE
                        && finding.message().contains("melody"))
                .findFirst()
                .orElseThrow();
        assertThat(stopped.severity()).isEqualTo(Finding.Severity.MEDIUM);
        assertThat(stopped.message()).contains("the chuck stops string " + tune.string());
        int held = good.holds().get(0).tick() + 1;
        assertThat(found(good, new Hit(held, HitKind.TAP)))
                .anyMatch(finding -> finding.kind() == FindingKind.HIT_CONFLICT
                        && finding.message().contains("the left hand taps while finger"));
        // a heel thump goes with every pluck
        assertThat(found(good, new Hit(finger.tick(), HitKind.HEEL)))
                .noneMatch(finding -> finding.kind() == FindingKind.HIT_CONFLICT);
    }

    private static List<Finding> found(Arrangement good, Hit hit) {
        Arrangement hurt = good.coloured(good.notes(), good.holds(), List.of(hit), List.of());
        return Audit.of(hurt).findings(hurt);
    }

    @Test
    void aSlapLeavesANoteThatIsSlurredOnAlone() {
        Song song = Songs.of("C", Meter.COMMON, "C", "");
        ArrangedNote low = new ArrangedNote(0, 2520, 2520, 4, 0, 50, Role.INNER, Optional.empty(), Digit.I);
        ArrangedNote high = new ArrangedNote(
                        2520, 2520, 2520, 4, 2, 52, Role.INNER, Optional.of(Finger.MIDDLE), Digit.I)
                .struck(new Attack.Slur(SlurKind.HAMMER), Weight.PLAIN);
        Hit slap = new Hit(Ticks.QUARTER, HitKind.SLAP);
        HitLayer.Laid laid = new HitLayer(List.of(low, high), List.of(), Instrument.STANDARD, song, Digit.M, false)
                .lay(List.of(slap));
        assertThat(laid.notes()).containsExactly(low, high);
        assertThat(laid.omissions())
                .extracting(HitLayer.Omission::reason)
                .containsExactly("it would stop a note that is slurred on");
        // plucked, it is stopped
        ArrangedNote plucked = high.struck(Attack.PLUCK, Weight.PLAIN);
        assertThat(new HitLayer(List.of(low, plucked), List.of(), Instrument.STANDARD, song, Digit.M, false)
                        .lay(List.of(slap))
                        .notes()
                        .get(0)
                        .endTick())
                .isEqualTo(Ticks.QUARTER);
    }

    @Test
    void aGrooveOfAnotherMeterIsLeftOutAndSaid() {
        Song song = Songs.of("C", new Meter(3, 4), "C G", "E4:3 D4:3");
        Arrangement arrangement = arranged(song, with("backbeat"));
        assertThat(arrangement.hits()).isEmpty();
        assertThat(arrangement.findings()).anyMatch(finding -> finding.message()
                .contains("made for another meter than 3/4 and left out of 2 bars"));
    }

    @Test
    void aTextThatIsNoGrooveSaysWhy() {
        for (Groove groove : Grooves.shipped().all()) {
            assertThat(Groove.parse(groove.text())).isEqualTo(groove);
        }
        assertThatThrownBy(() -> Groove.parse("short | 4/4 | 2 | s.s."))
                .hasMessage("a bar of 4/4 with 2 steps a beat has 8 steps, not 4");
        assertThatThrownBy(() -> Groove.parse("odd | 4/4 | 2 | s.z.s.s.")).hasMessage("\"z\" is no hit");
        assertThatThrownBy(() -> Groove.parse("none | four | 2 | s.s.")).hasMessageContaining("are not a meter");
        assertThatThrownBy(() -> Groove.parse("nothing at all")).hasMessageContaining("parted by |");
        assertThatThrownBy(() -> Grooves.shipped().get("polka")).hasMessageContaining("there are backbeat, heartbeat");
    }
}
