package phalanx.arrange.audit;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.LongRange;
import org.junit.jupiter.api.Test;
import phalanx.arrange.Arranger;
import phalanx.arrange.demand.Request;
import phalanx.arrange.demand.Role;
import phalanx.arrange.demand.ShapeLock;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.FindingKind;
import phalanx.arrange.score.Hold;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Finger;
import phalanx.lefthand.shape.Fingering;
import phalanx.lefthand.shape.FingeringFinder;
import phalanx.lefthand.shape.HeldShape;
import phalanx.lefthand.shape.Press;
import phalanx.lefthand.shape.Shape;
import phalanx.righthand.Digit;
import phalanx.righthand.Picking;
import phalanx.song.Meter;
import phalanx.song.Song;
import phalanx.song.Songs;
import phalanx.song.Ticks;
import phalanx.technique.Attack;

/** The audit against arrangements that were spoilt on purpose, one way each: it must find just that kind. */
public class AuditTest {
    private static Arrangement good(long seed) {
        return new Arranger(Instrument.STANDARD, Hand.AVERAGE)
                .quick(Songs.random(seed, 4), Picking.PLAIN, List.of(), () -> false);
    }

    private static Arrangement with(Arrangement from, List<ArrangedNote> notes, List<Hold> holds, Request request) {
        return new Arrangement(
                request,
                0,
                notes,
                holds,
                from.slots(),
                from.innerAsked(),
                from.hits(),
                from.joining(),
                List.of(),
                from.cost(),
                from.ceiling());
    }

    private static Arrangement notes(Arrangement from, List<ArrangedNote> notes) {
        return with(from, notes, from.holds(), from.request());
    }

    private static Arrangement changed(Arrangement from, int index, UnaryOperator<ArrangedNote> change) {
        List<ArrangedNote> notes = new ArrayList<>(from.notes());
        notes.set(index, change.apply(notes.get(index)));
        return notes(from, notes);
    }

    private static List<FindingKind> kinds(Arrangement arrangement) {
        return Audit.of(arrangement).findings(arrangement).stream()
                .map(Finding::kind)
                .toList();
    }

    private static int first(Arrangement from, Role role) {
        return IntStream.range(0, from.notes().size())
                .filter(i -> from.notes().get(i).role() == role)
                .findFirst()
                .orElse(-1);
    }

    @Property
    void aGoodArrangementIsAuditedTheSameAgain(@ForAll @LongRange(min = 0, max = 5000) long seed) {
        Arrangement good = good(seed);
        List<Finding> again = Audit.of(good).findings(good);
        assertThat(good.findings()).containsAll(again);
        assertThat(again)
                .extracting(Finding::kind)
                .doesNotContain(FindingKind.DIGITS_CROSSED, FindingKind.STRING_CLASH);
    }

    @Property
    void aNoteThatNoFingerStopsIsAStringClash(@ForAll @LongRange(min = 0, max = 5000) long seed) {
        Arrangement good = good(seed);
        Arrangement spoilt = changed(
                good,
                0,
                note -> new ArrangedNote(
                        note.tick(),
                        note.lengthTicks(),
                        note.wantedTicks(),
                        note.string(),
                        note.fret() + 1,
                        note.midi() + 1,
                        note.role(),
                        note.left(),
                        note.right()));
        assertThat(kinds(good)).doesNotContain(FindingKind.STRING_CLASH);
        assertThat(kinds(spoilt)).contains(FindingKind.STRING_CLASH);
    }

    @Property
    void aTuneNoteThatIsCutOrLeftOutIsMissed(@ForAll @LongRange(min = 0, max = 5000) long seed) {
        Arrangement good = good(seed);
        int tune = first(good, Role.MELODY);
        if (tune < 0) {
            return;
        }
        long cuts =
                kinds(good).stream().filter(kind -> kind == FindingKind.CUT_OFF).count();
        boolean wasCut = good.notes().get(tune).cut();
        Arrangement cut = changed(good, tune, note -> note.ringing(1));
        assertThat(kinds(cut).stream()
                        .filter(kind -> kind == FindingKind.CUT_OFF)
                        .count())
                .isEqualTo(wasCut ? cuts : cuts + 1);
        List<ArrangedNote> fewer = new ArrayList<>(good.notes());
        fewer.remove(tune);
        long before = kinds(good).stream()
                .filter(kind -> kind == FindingKind.OUT_OF_RANGE)
                .count();
        assertThat(kinds(notes(good, fewer)).stream()
                        .filter(kind -> kind == FindingKind.OUT_OF_RANGE)
                        .count())
                .isEqualTo(before + 1);
    }

    @Property
    void aNoteOverTheTuneBuriesIt(@ForAll @LongRange(min = 0, max = 5000) long seed) {
        Arrangement good = good(seed);
        int tune = first(good, Role.MELODY);
        if (tune < 0 || good.notes().get(tune).string() == 1) {
            return;
        }
        ArrangedNote melody = good.notes().get(tune);
        List<ArrangedNote> more = new ArrayList<>(good.notes());
        more.add(tune + 1, new ArrangedNote(melody.tick(), 10, 10, 1, 20, 84, Role.INNER, Optional.empty(), Digit.A));
        assertThat(kinds(good)).doesNotContain(FindingKind.MELODY_BURIED);
        assertThat(kinds(notes(good, more))).contains(FindingKind.MELODY_BURIED);
    }

    @Property
    void fingersTooFarApartOrInTwoPlacesAreFound(@ForAll @LongRange(min = 0, max = 5000) long seed) {
        Arrangement good = good(seed);
        List<Hold> far = List.of(
                new Hold(0, 1680, new Press(Finger.INDEX, 1, 6, 6)),
                new Hold(0, 1680, new Press(Finger.LITTLE, 9, 1, 1)));
        List<Hold> twice = List.of(
                new Hold(0, 1680, new Press(Finger.RING, 3, 6, 6)),
                new Hold(840, 1680, new Press(Finger.RING, 3, 2, 2)));
        List<Hold> crossed = List.of(
                new Hold(0, 1680, new Press(Finger.INDEX, 4, 6, 6)),
                new Hold(0, 1680, new Press(Finger.MIDDLE, 2, 2, 2)));
        assertThat(kinds(with(good, good.notes(), far, good.request()))).contains(FindingKind.REACH);
        assertThat(kinds(with(good, good.notes(), twice, good.request()))).contains(FindingKind.FINGER_CONFLICT);
        assertThat(kinds(with(good, good.notes(), crossed, good.request()))).contains(FindingKind.FINGER_CONFLICT);
    }

    @Property
    void digitsThatCrossOrHaveTwoStringsAreFound(@ForAll @LongRange(min = 0, max = 5000) long seed) {
        Arrangement good = good(seed);
        int pinch = IntStream.range(1, good.notes().size())
                .filter(i ->
                        good.notes().get(i).tick() == good.notes().get(i - 1).tick())
                .findFirst()
                .orElse(-1);
        if (pinch < 0) {
            return;
        }
        Digit lower = good.notes().get(pinch - 1).right();
        assertThat(kinds(changed(good, pinch, note -> note.pluckedBy(lower)))).contains(FindingKind.DIGITS_CROSSED);
        Arrangement crossed = changed(good, pinch - 1, note -> note.pluckedBy(Digit.C));
        assertThat(kinds(crossed)).contains(FindingKind.DIGITS_CROSSED);
        // in one brush the same digits are one stroke
        List<ArrangedNote> brushed = good.notes().stream()
                .map(note -> note.tick() == good.notes().get(pinch).tick()
                        ? note.pluckedBy(Digit.I).struck(Attack.BRUSH, note.weight())
                        : note)
                .toList();
        assertThat(kinds(notes(good, brushed))).doesNotContain(FindingKind.DIGITS_CROSSED);
    }

    @Property
    void whatIsTooFastIsFoundAndTheCeilingSaysSo(@ForAll @LongRange(min = 0, max = 5000) long seed) {
        Arrangement good = good(seed);
        Song fast = good.song().withTempo(Song.FASTEST);
        Request request = new Request(
                fast,
                good.request().instrument(),
                good.request().hand(),
                List.of(),
                good.request().picking());
        boolean found =
                kinds(with(good, good.notes(), good.holds(), request)).stream().anyMatch(FindingKind::isOfSpeed);
        assertThat(found).isEqualTo(good.ceiling().tempo() < Song.FASTEST);
        List<ArrangedNote> oneFinger = good.notes().stream()
                .map(note -> note.role() == Role.BASS ? note : note.pluckedBy(Digit.I))
                .toList();
        boolean near = IntStream.range(1, oneFinger.size())
                .anyMatch(i -> oneFinger.get(i).right() == Digit.I
                        && oneFinger.get(i - 1).right() == Digit.I
                        && oneFinger.get(i).tick() > oneFinger.get(i - 1).tick()
                        && oneFinger.get(i).tick() - oneFinger.get(i - 1).tick() <= 840);
        if (near) {
            // an eighth at 400 quarter notes a minute takes 75 ms, one digit needs 200
            assertThat(kinds(with(good, oneFinger, good.holds(), request))).contains(FindingKind.DIGIT_TOO_FAST);
        }
    }

    @Property
    void aLockThatIsLeftIsFound(@ForAll @LongRange(min = 0, max = 5000) long seed) {
        Arrangement good = good(seed);
        HeldShape far =
                new HeldShape(Shape.parse("x x 12 x x x"), new Fingering(List.of(new Press(Finger.INDEX, 12, 4, 4))));
        ShapeLock lock = new ShapeLock(0, good.song().endTick(), far);
        Request request = new Request(
                good.song(),
                good.request().instrument(),
                good.request().hand(),
                List.of(lock),
                good.request().picking());
        assertThat(kinds(with(good, good.notes(), good.holds(), request))).contains(FindingKind.LOCK_NOT_KEPT);
    }

    @Property
    void chordTonesThatAreNeverHeardAreNamed(@ForAll @LongRange(min = 0, max = 5000) long seed) {
        Arrangement good = good(seed);
        List<ArrangedNote> rootsAlone = good.notes().stream()
                .filter(note -> note.role() == Role.BASS)
                .filter(note -> good.song().chart().stream()
                        .filter(change -> change.startTick() <= note.tick())
                        .reduce((a, b) -> b)
                        .flatMap(change -> change.chord())
                        .filter(chord -> chord.bass().pitchClass() == note.midi() % 12)
                        .isPresent())
                .toList();
        long chords = good.song().chart().stream()
                .filter(change -> change.chord()
                        .filter(chord -> chord.colourTones().stream()
                                .anyMatch(tone -> chord.noteOf(tone).pitchClass()
                                        != chord.bass().pitchClass()))
                        .isPresent())
                .count();
        assertThat(kinds(notes(good, rootsAlone)).stream()
                        .filter(kind -> kind == FindingKind.TONE_MISSING)
                        .count())
                .isEqualTo(chords);
    }

    /** What strains a hand though it can be played: deliberately hard holds. */
    @Test
    void stretchesAndLongBarresAreFound() {
        Song song = Songs.of("C", Meter.COMMON, "C . . .", "E4:16").withTempo(60);
        Arrangement good = new Arranger(Instrument.STANDARD, Hand.AVERAGE).arrange(song);
        Fingering wide = FingeringFinder.forShapes(Instrument.STANDARD, Hand.AVERAGE)
                .find(Shape.parse("x 4 6 2 0 0"))
                .get(0)
                .fingering();
        Fingering barre = FingeringFinder.forShapes(Instrument.STANDARD, Hand.AVERAGE)
                .find(Shape.parse("8 10 10 9 8 8"))
                .get(0)
                .fingering();
        List<Hold> holds = new ArrayList<>();
        wide.presses().forEach(press -> holds.add(new Hold(0, Ticks.WHOLE, press)));
        barre.presses().forEach(press -> holds.add(new Hold(Ticks.WHOLE, 3 * Ticks.WHOLE, press)));
        Arrangement hard = new Arrangement(
                good.request(),
                0,
                List.of(),
                holds,
                good.slots(),
                0,
                List.of(),
                good.joining(),
                List.of(),
                good.cost(),
                good.ceiling());
        assertThat(new StrainAudit(hard).findings())
                .extracting(Finding::message)
                .satisfiesExactly(
                        stretch -> assertThat(stretch).contains("Bar 1", "stretch", "120 of 125 mm", "warm hand"),
                        longHeld -> assertThat(longHeld).contains("barre at fret 8", "8 s"));
    }
}
