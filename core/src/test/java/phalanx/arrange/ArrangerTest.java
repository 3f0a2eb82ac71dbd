package phalanx.arrange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.CancellationException;
import java.util.stream.Collectors;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import phalanx.arrange.audit.Audit;
import phalanx.arrange.demand.Role;
import phalanx.arrange.demand.Wishes;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.ArrangedSlot;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.FindingKind;
import phalanx.arrange.score.Hold;
import phalanx.guitar.Guitar;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.guitar.NamedTuning;
import phalanx.lefthand.shape.Finger;
import phalanx.lefthand.shape.Fingering;
import phalanx.lefthand.shape.Press;
import phalanx.righthand.BassLine;
import phalanx.righthand.BassStroke;
import phalanx.righthand.BassWriter;
import phalanx.righthand.Digit;
import phalanx.righthand.Level;
import phalanx.righthand.Picking;
import phalanx.song.MelodyNote;
import phalanx.song.Meter;
import phalanx.song.Passage;
import phalanx.song.Reprises;
import phalanx.song.Section;
import phalanx.song.Song;
import phalanx.song.Songs;
import phalanx.song.Ticks;
import phalanx.song.TuneEdit;
import phalanx.theory.Pitch;

class ArrangerTest {
    private final Arranger arranger = new Arranger(Instrument.STANDARD, Hand.AVERAGE);

    @Property
    void whatEveryArrangementKeeps(@ForAll long seed, @ForAll NamedTuning tuning) {
        Instrument instrument = new Instrument(Guitar.STEEL, tuning.tuning(), (int) Math.floorMod(seed, 4L));
        Arrangement arrangement = new Arranger(instrument, Hand.AVERAGE)
                .quick(Songs.random(seed, 8), Picking.PLAIN, List.of(), () -> false);
        checkTune(arrangement);
        checkBass(arrangement);
        checkHands(arrangement);
        checkSounding(arrangement);
    }

    private static void checkTune(Arrangement arrangement) {
        Map<Integer, Integer> played = notes(arrangement, Role.MELODY).stream()
                .collect(Collectors.toMap(ArrangedNote::tick, ArrangedNote::midi));
        Map<Integer, Integer> tune =
                arrangement.song().melody().stream().collect(Collectors.toMap(MelodyNote::tick, MelodyNote::midi));
        assertThat(played).isEqualTo(tune);
    }

    private static void checkBass(Arrangement arrangement) {
        Map<Integer, ArrangedNote> played = new TreeMap<>();
        notes(arrangement, Role.BASS).forEach(note -> played.put(note.tick(), note));
        for (BassStroke stroke : new BassWriter(arrangement.song(), Picking.PLAIN).strokes()) {
            if (!played.containsKey(stroke.tick())) {
                // the tune itself is the bass
                int lowest = arrangement.request().instrument().lowestMidi();
                assertThat(notes(arrangement, Role.MELODY))
                        .anyMatch(note -> note.soundsAt(stroke.tick()) && note.midi() <= lowest + 19);
                continue;
            }
            assertThat(played.get(stroke.tick()).midi())
                    .isLessThanOrEqualTo(arrangement.request().instrument().lowestMidi() + 14);
            assertThat(stroke.allowed() >> played.get(stroke.tick()).midi() % 12 & 1)
                    .isEqualTo(1);
        }
    }

    private static void checkHands(Arrangement arrangement) {
        Instrument instrument = arrangement.request().instrument();
        boolean reachFound = arrangement.findings().stream().anyMatch(f -> f.kind() == FindingKind.REACH);
        for (Hold a : arrangement.holds()) {
            for (Hold b : arrangement.holds()) {
                if (a != b
                        && a.overlaps(b)
                        && a.press().finger() != Finger.THUMB
                        && b.press().finger() != Finger.THUMB) {
                    assertThat(a.press().finger()).isNotEqualTo(b.press().finger());
                    double limit = Hand.AVERAGE.greatestMm(
                            a.press().finger().number(), b.press().finger().number());
                    assertThat(reachFound || Fingering.reach(a.press(), b.press(), instrument) <= limit)
                            .isTrue();
                }
            }
        }
        for (ArrangedNote note : arrangement.notes()) {
            assertThat(instrument.midi(note.string(), note.fret())).isEqualTo(note.midi());
            for (int tick : new int[] {note.tick(), note.endTick() - 1}) {
                int stop = arrangement.holds().stream()
                        .filter(hold -> hold.tick() <= tick && hold.endTick() > tick)
                        .filter(hold -> hold.press().covers(note.string()))
                        .mapToInt(hold -> hold.press().fret())
                        .max()
                        .orElse(0);
                assertThat(stop).as("string %d at %d", note.string(), tick).isEqualTo(note.fret());
            }
        }
    }

    private static void checkSounding(Arrangement arrangement) {
        Map<Integer, List<ArrangedNote>> onsets = arrangement.notes().stream()
                .collect(Collectors.groupingBy(ArrangedNote::tick, TreeMap::new, Collectors.toList()));
        List<ArrangedNote> sounding = new ArrayList<>();
        onsets.forEach((tick, struck) -> {
            sounding.removeIf(note -> note.endTick() <= tick);
            sounding.addAll(struck);
            assertThat(sounding).extracting(ArrangedNote::string).doesNotHaveDuplicates();
            assertThat(struck).extracting(ArrangedNote::right).doesNotHaveDuplicates();
            assertThat(struck).isSortedAccordingTo((a, b) -> a.right().compareTo(b.right()));
            for (ArrangedNote melody : struck) {
                if (melody.role() == Role.MELODY) {
                    assertThat(sounding).allMatch(other -> other == melody || other.midi() < melody.midi());
                }
            }
        });
        assertThat(arrangement.findings())
                .noneMatch(finding -> finding.kind() == FindingKind.STRING_CLASH
                        || finding.kind() == FindingKind.FINGER_CONFLICT
                        || finding.kind() == FindingKind.MELODY_BURIED);
    }

    private static List<ArrangedNote> notes(Arrangement arrangement, Role role) {
        return arrangement.notes().stream().filter(note -> note.role() == role).toList();
    }

    /** Inner notes are there, and do not hammer: at most 3 % repeat the one before, never four in a row. */
    @Test
    void innerNotesVary() {
        int asked = 0;
        int sounding = 0;
        int repeats = 0;
        for (long seed = 0; seed < 12; seed++) {
            Arrangement arrangement = arranger.quick(Songs.random(seed, 16), Picking.PLAIN, List.of(), () -> false);
            List<ArrangedNote> inner = notes(arrangement, Role.INNER);
            asked += arrangement.innerAsked();
            sounding += inner.size();
            int run = 0;
            for (int i = 1; i < inner.size(); i++) {
                boolean again = inner.get(i).midi() == inner.get(i - 1).midi();
                run = again ? run + 1 : 0;
                repeats += again ? 1 : 0;
                assertThat(run).isLessThan(3);
            }
        }
        assertThat(asked).isGreaterThan(200);
        assertThat(sounding).isGreaterThanOrEqualTo(asked * 6 / 10);
        assertThat(repeats).isLessThanOrEqualTo(sounding * 3 / 100);
    }

    /** A tune in thirds and sixths keeps both its notes, a foreign one among them, and the bass below. */
    @Test
    void aTuneInTwoKeepsBothNotes() {
        Song song = Songs.of(
                "C", Meter.COMMON, "C G F G C", "E5:1 F5:1 G5:2 D5:1 E5:1 F5:2 A4:1 C5:1 A4:2 B4:1 D5:1 G5:2 E5:4");
        String[] seconds = "C5 D5 E5 B4 C5 D5 F4 A4 F#4 G4 B4 B4 C5".split(" ");
        List<MelodyNote> tune = new ArrayList<>();
        for (int i = 0; i < seconds.length; i++) {
            tune.add(song.melody().get(i).with(Pitch.parse(seconds[i])));
        }
        for (Level level : Level.values()) {
            Picking picking = Picking.PLAIN.withPlan(new Picking.Plan(Optional.empty(), BassLine.ALTERNATING, level));
            Arrangement arranged = new Arranger(Instrument.STANDARD, Hand.AVERAGE)
                    .arrange(song.withMelody(tune), picking, List.of(), () -> false);
            checkBass(arranged);
            for (MelodyNote note : arranged.song().melody()) {
                List<Integer> struck = arranged.notes().stream()
                        .filter(one -> one.tick() == note.tick())
                        .map(ArrangedNote::midi)
                        .toList();
                assertThat(struck)
                        .as("%s and %s at %d", note.pitch(), note.below(), note.tick())
                        .contains(note.midi(), note.below().orElseThrow().midi());
            }
        }
    }

    @Test
    void aPlainWaltzStaysInOpenPosition() {
        Song song = Songs.of("C", new Meter(3, 4), "C . G7 C", "E4:2 G4:1 E4:3 D4:2 F4:1 E4:3");
        Arrangement arrangement = arranger.arrange(song);
        assertThat(arrangement.movedBy()).isZero();
        assertThat(arrangement.notes()).allMatch(note -> note.fret() <= 5);
        assertThat(arrangement.findings()).noneMatch(finding -> finding.kind() == FindingKind.CUT_OFF);
        ArrangedNote first = arrangement.notes().get(0);
        assertThat(first.role()).isEqualTo(Role.BASS);
        assertThat(first.midi()).isEqualTo(48);
    }

    @Test
    void pickupIsPlayedAloneAndTheBassBeginsWithTheFirstChord() {
        Song song = Songs.of("Am", Meter.COMMON, Ticks.QUARTER, "Am E7", "E4:1 A4:2 C5:2 B4:4");
        Arrangement arrangement = arranger.arrange(song);
        assertThat(arrangement.notes().get(0).role()).isEqualTo(Role.MELODY);
        assertThat(notes(arrangement, Role.BASS).get(0).tick()).isEqualTo(Ticks.QUARTER);
        assertThat(song.bars().get(0).beatOf(0)).isEqualTo(4.0);
    }

    @Test
    void aTuneBelowTheGuitarMovesUpByOctaves() {
        Song song = Songs.of("C", Meter.COMMON, "C F", "C2:2 E2:2 F2:4");
        Arrangement arrangement = arranger.arrange(song);
        assertThat(arrangement.movedBy()).isPositive();
        assertThat(arrangement.movedBy() % 12).isZero();
        assertThat(arrangement.song().key()).isEqualTo(song.key());
        checkTune(arrangement);
        assertThat(arrangement.findings().get(0).message()).contains("octave");
    }

    @Test
    void aTuneTooWideForItsKeyGoesToTheNearestKeyThatFits() {
        // from D#2, a semitone below the guitar, to two below the highest fret: no octave fits
        Song song = Songs.of("C", Meter.COMMON, "N.C. .", "D#2:4 A#5:4");
        Arrangement arrangement = arranger.arrange(song);
        assertThat(arrangement.movedBy() % 12).isNotZero();
        assertThat(arrangement.findings())
                .anyMatch(f -> f.kind() == FindingKind.OUT_OF_RANGE && f.severity() == Finding.Severity.HIGH
                        || f.message().contains("nearest key"));
    }

    @Test
    void aTuneNoKeyCanHoldSaysWhichNotesAreLeftOut() {
        Song song = Songs.of("C", Meter.COMMON, "C", "C2:1 C5:1 C8:2");
        Arrangement arrangement = arranger.arrange(song);
        assertThat(arrangement.findings())
                .filteredOn(finding -> finding.kind() == FindingKind.OUT_OF_RANGE)
                .anyMatch(finding -> finding.message().contains("left out"));
        assertThat(notes(arrangement, Role.MELODY)).isNotEmpty();
    }

    @Test
    void aBusyTuneStillLetsTheThirdBeHeard() {
        Song song = Songs.of("C", Meter.COMMON, "C G7", "G4:.5 A4:.5 G4:.5 A4:.5 G4:.5 A4:.5 G4:.5 A4:.5 D4:4");
        assertThat(arranger.arrange(song).findings())
                .noneMatch(
                        f -> f.kind() == FindingKind.TONE_MISSING && f.message().contains("without E"));
    }

    /** Fitts' law with a 50 ms, b 60 ms, W 13 mm: 92 mm need 50 + 60 * log2(92 / 13 + 1) = 231 ms. */
    @Test
    void theTempoCeilingIsTheTempoAtWhichNothingIsTooFast() {
        assertThat(Hand.AVERAGE.travelMs(92)).isCloseTo(231, within(0.5));
        Song song = Songs.random(17, 8);
        for (int tempo : new int[] {60, 120, 240}) {
            Arrangement arrangement = arranger.arrange(song.withTempo(tempo));
            boolean tooFast =
                    arrangement.findings().stream().anyMatch(f -> f.kind().isOfSpeed());
            assertThat(tooFast).isEqualTo(arrangement.ceiling().tempo() < tempo);
        }
    }

    @Test
    void theWorkStopsWhenItIsCancelled() {
        assertThatThrownBy(() -> arranger.arrange(Songs.random(3, 8), List.of(), () -> true))
                .isInstanceOf(CancellationException.class);
    }

    @Test
    void silenceOfTheHarmonyHasNoBass() {
        Arrangement arrangement = arranger.arrange(Songs.of("G", Meter.COMMON, "G N.C. G", "D4:12"));
        assertThat(notes(arrangement, Role.BASS))
                .noneMatch(note -> note.tick() >= 4 * Ticks.QUARTER && note.tick() < 8 * Ticks.QUARTER);
        assertThat(notes(arrangement, Role.MELODY)).singleElement().satisfies(note -> assertThat(note.cut())
                .isFalse());
    }

    @Test
    void theAuditFindsWhatIsWrong() {
        Arrangement good = arranger.arrange(Songs.of("C", Meter.COMMON, "C", "E4:2 G4:2"));
        ArrangedNote first = notes(good, Role.MELODY).get(0);
        List<ArrangedNote> notes = new ArrayList<>(good.notes());
        notes.set(
                notes.indexOf(first),
                new ArrangedNote(first.tick(), 100, 3360, 6, 1, 41, Role.MELODY, Optional.empty(), first.right()));
        Hold wide = new Hold(0, 6720, new Press(Finger.INDEX, 1, 4, 4));
        Hold far = new Hold(0, 6720, new Press(Finger.MIDDLE, 7, 3, 3));
        Hold crossed = new Hold(0, 6720, new Press(Finger.RING, 2, 3, 3));
        Hold twice = new Hold(840, 6720, new Press(Finger.INDEX, 3, 1, 1));
        Arrangement broken = new Arrangement(
                good.request(),
                0,
                notes,
                List.of(wide, far, crossed, twice),
                good.slots(),
                0,
                List.of(),
                good.joining(),
                List.of(),
                good.cost(),
                good.ceiling());
        assertThat(Audit.of(broken).findings(broken))
                .extracting(Finding::kind)
                .contains(
                        FindingKind.REACH,
                        FindingKind.FINGER_CONFLICT,
                        FindingKind.STRING_CLASH,
                        FindingKind.CUT_OFF,
                        FindingKind.MELODY_BURIED);
        assertThat(Audit.of(good).findings(good)).isEqualTo(good.findings());
    }

    /**
     * A section that comes again is held as the first time, for little more effort; varied it is free. What holding it
     * alike costs has no bound in one song, so the sum over several is looked at.
     */
    @Test
    void aSectionThatComesAgainIsArrangedOnce() {
        double free = 0;
        double tied = 0;
        for (long seed = 1; seed <= 6; seed++) {
            double[] efforts = effortsOfASectionThatComesAgain(seed);
            free += efforts[0];
            tied += efforts[1];
        }
        assertThat(tied).isLessThan(1.05 * free);
    }

    private static double[] effortsOfASectionThatComesAgain(long seed) {
        Song once = Songs.random(seed, 4);
        int length = once.endTick();
        Song twice = Passage.of(once, 0, length).into(once, length);
        boolean ending = seed % 2 == 0;
        int last = twice.bars().get(twice.bars().size() - 1).startTick();
        // a second ending: what comes before it is still arranged once
        Song song = ending ? TuneEdit.transpose(twice, last, twice.endTick(), 2) : twice;
        Song again = song.withSections(List.of(new Section("A", 0), new Section("A", length)));
        Arrangement free = withPlainEnds(song);
        Arrangement tied = withPlainEnds(again);
        assertThat(new Reprises(again).find()).hasSize(1);
        int end = length + new Reprises(again).find().get(0).lengthTicks();
        assertThat(end).isEqualTo(ending ? last : 2 * length);
        assertThat(tied.cost().unplayable()).isEqualTo(free.cost().unplayable());
        assertThat(tied.cost().tune()).isEqualTo(free.cost().tune());
        assertThat(tied.effort()).isGreaterThan(0.998 * free.effort());
        List<ArrangedSlot> slots = tied.slots();
        long inside = slots.stream()
                .filter(slot -> slot.startTick() > length && slot.endTick() < end)
                .filter(slot -> {
                    ArrangedSlot first = tied.slotAt(slot.startTick() - length);
                    return first.startTick() == slot.startTick() - length
                            && first.held().equals(slot.held());
                })
                .count();
        Map<Integer, List<ArrangedNote>> struck =
                tied.notes().stream().collect(Collectors.groupingBy(ArrangedNote::tick));
        List<Integer> alike = struck.keySet().stream()
                .filter(tick -> tick > length
                        && tick < end
                        && strings(struck.get(tick)).equals(strings(struck.get(tick - length))))
                .toList();
        assertThat(alike)
                .as("struck alike, it is plucked by the same digits")
                .isNotEmpty()
                .allMatch(tick -> digits(struck.get(tick)).equals(digits(struck.get(tick - length))));
        long all = slots.stream()
                .filter(slot -> slot.startTick() > length && slot.endTick() < end)
                .count();
        assertThat(inside).isGreaterThanOrEqualTo(all - 1);
        if (seed == 1) {
            Song varied = song.withSections(List.of(new Section("A", 0), new Section("A", length, true)));
            assertThat(withPlainEnds(varied).effort()).isEqualTo(free.effort());
        }
        return new double[] {free.effort(), tied.effort()};
    }

    private static List<Integer> strings(List<ArrangedNote> notes) {
        return notes == null
                ? List.of()
                : notes.stream().map(ArrangedNote::string).toList();
    }

    private static List<Digit> digits(List<ArrangedNote> notes) {
        return notes.stream().map(ArrangedNote::right).toList();
    }

    /** The end of the song is no other than that of the first time. */
    private static Arrangement withPlainEnds(Song song) {
        return new Arranger(Instrument.STANDARD, Hand.AVERAGE)
                .arrange(song, Picking.PLAIN, Wishes.USUAL.withFullEnds(false), List.of(), () -> false);
    }
}
