package phalanx.arrange.audit;

import static phalanx.words.Words.wording;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Hold;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Finger;
import phalanx.lefthand.shape.Fingering;
import phalanx.song.Ticks;
import phalanx.technique.Attack;
import phalanx.technique.SlurKind;
import phalanx.words.Words;

/** Says whether the left hand alone can make a note from the one before on its string. */
public final class SlurRules {
    /**
     * A wound string is bent by so many semitones at most, and beyond it a string meets its neighbour: common practice, no
     * source.
     */
    private static final int WOUND_BEND = 1;
    /** A shift slide leads the hand an octave at most: our assumption. */
    private static final int MOST_SHIFTED = 12;

    private final Arrangement arrangement;
    private final double tempo;
    private final boolean prepares;
    private final List<Hold> all;
    private final Map<Finger, TreeMap<Integer, Hold>> holds = new EnumMap<>(Finger.class);

    /** For holds as they are. */
    public SlurRules(Arrangement arrangement) {
        this(arrangement, arrangement.holds(), false);
    }

    /**
     * @param arrangement whose positions count; its notes do not
     * @param down who holds what
     * @param prepares whether a finger may be put down earlier for a pull
     */
    public SlurRules(Arrangement arrangement, List<Hold> down, boolean prepares) {
        this.arrangement = arrangement;
        this.tempo = arrangement.song().tempo();
        this.prepares = prepares;
        this.all = down;
        for (Hold hold : down) {
            holds.computeIfAbsent(hold.press().finger(), finger -> new TreeMap<>())
                    .put(hold.tick(), hold);
        }
    }

    /** The kind that frets and fingers make of a step, if any. */
    public Optional<SlurKind> natural(ArrangedNote before, ArrangedNote note) {
        if (before.fret() == note.fret()) {
            return Optional.empty();
        }
        boolean sameFinger = before.left().isPresent() && before.left().equals(note.left());
        return Optional.of(sameFinger ? SlurKind.SLIDE : note.fret() > before.fret() ? SlurKind.HAMMER : SlurKind.PULL);
    }

    /**
     * Why a note cannot be slurred, or nothing.
     *
     * @param before the last note on a string before it
     */
    public Optional<String> refusal(ArrangedNote before, ArrangedNote note, SlurKind kind) {
        return refusal(before, note, kind, kind.mostFrets());
    }

    /**
     * Why a finger cannot slide from the note before to one that is plucked where it arrives, or nothing: as for a slide,
     * but further, for the pluck makes the note sound.
     *
     * @param before the last note on a string before it
     */
    public Optional<String> shiftRefusal(ArrangedNote before, ArrangedNote note) {
        return refusal(before, note, SlurKind.SLIDE, MOST_SHIFTED);
    }

    private Optional<String> refusal(ArrangedNote before, ArrangedNote note, SlurKind kind, int most) {
        if (before.string() != note.string()) {
            return Optional.of(wording("SlurRules.a-stays-on-its-string", kind.label(), before.string()));
        }
        if (before.endTick() < note.tick()) {
            return Optional.of(wording("SlurRules.string-no-longer-rings-there", note.string()));
        }
        if (before.attack() instanceof Attack.Touched) {
            return Optional.of(wording("SlurRules.the-note-before-is-a"));
        }
        int frets = note.midi() - before.midi();
        if (Math.abs(frets) > most || !kind.spans(Integer.signum(frets))) {
            String limit = Math.abs(frets) > most
                    ? wording("SlurRules.is-more-than-frets", most)
                    : wording("SlurRules.is-no", kind.label());
            return Optional.of(wording("SlurRules.fret-to", before.fret(), before.fret() + frets, limit));
        }
        double has = Ticks.milliseconds(note.tick() - before.tick(), tempo);
        if (has < kind.leastMs()) {
            return Optional.of(String.format(
                    Words.figures(), wording("SlurRules.the-note-before-sounds-ms"), has, kind.leastMs()));
        }
        boolean stopped = (before.fret() == 0 || before.left().isPresent())
                && (note.fret() == 0 || note.left().isPresent());
        if (!stopped) {
            // written chords may ask for more fingers than there are
            return Optional.of(wording("SlurRules.no-finger-is-left-to", note.string()));
        }
        return switch (kind) {
            case HAMMER -> hammer(before, note);
            case PULL -> pull(before, note);
            case SLIDE -> slide(before, note);
            case BEND -> bend(before, note);
            case RELEASE -> release(before, note);
        };
    }

    private Optional<String> hammer(ArrangedNote before, ArrangedNote note) {
        Finger finger = note.left().orElseThrow();
        Optional<Hold> down = at(finger, note.tick());
        if (down.isEmpty()
                || down.get().tick() != note.tick()
                || down.get().press().isBarre()) {
            return Optional.of(wording("SlurRules.finger-cannot-come-down-there", finger.symbol()));
        }
        Map.Entry<Integer, Hold> earlier = holds.get(finger).lowerEntry(note.tick());
        if (earlier != null && earlier.getValue().endTick() > before.tick()) {
            return Optional.of(wording("SlurRules.finger-is-busy-before-it", finger.symbol()));
        }
        return shift(before, note);
    }

    private Optional<String> pull(ArrangedNote before, ArrangedNote note) {
        Finger leaves = before.left().orElseThrow();
        Optional<Hold> held = at(leaves, note.tick() - 1);
        if (held.isEmpty()
                || held.get().endTick() != note.tick()
                || held.get().press().isBarre()) {
            return Optional.of(wording("SlurRules.finger-cannot-leave-its-fret", leaves.symbol()));
        }
        if (!isReady(before, note) && (!prepares || early(before, note).isEmpty())) {
            return Optional.of(wording(
                    "SlurRules.finger-does-not-hold-the",
                    note.left().orElseThrow().symbol()));
        }
        return shift(before, note);
    }

    /** Whether what sounds after a pull is held, or open, while the note before sounds. */
    private boolean isReady(ArrangedNote before, ArrangedNote note) {
        return note.left().isEmpty()
                || at(note.left().get(), note.tick())
                        .filter(hold ->
                                hold.tick() <= before.tick() && hold.press().covers(note.string()))
                        .isPresent();
    }

    /**
     * A hold in place of others.
     *
     * @param hold the finger of a pull's lower fret, down in time, or of a bend
     * @param instead of these
     */
    public record Early(Hold hold, List<Hold> instead) {}

    /**
     * How the finger of a pull's lower fret can be down while the note before sounds: put down with it, or kept from a
     * time before; nothing where it is busy, or out of reach beside the fingers that are down then.
     */
    public Optional<Early> early(ArrangedNote before, ArrangedNote note) {
        if (note.left().isEmpty() || isReady(before, note)) {
            return Optional.empty();
        }
        Finger finger = note.left().get();
        Optional<Hold> late =
                at(finger, note.tick()).filter(hold -> hold.press().covers(note.string()));
        if (late.isEmpty()) {
            return Optional.empty();
        }
        Map.Entry<Integer, Hold> earlier =
                holds.get(finger).lowerEntry(late.get().tick());
        boolean overlaps = earlier != null && earlier.getValue().endTick() > before.tick();
        boolean touches = earlier != null
                && earlier.getValue().endTick() >= before.tick()
                && earlier.getValue().press().equals(late.get().press());
        if (overlaps && !touches) {
            return Optional.empty();
        }
        int from = touches ? earlier.getValue().tick() : before.tick();
        Hold hold = new Hold(from, late.get().endTick(), late.get().press());
        List<Hold> instead = touches ? List.of(earlier.getValue(), late.get()) : List.of(late.get());
        return isInReach(hold, before.tick(), note.tick(), instead)
                ? Optional.of(new Early(hold, instead))
                : Optional.empty();
    }

    /** Whether a finger can be down beside all others that are between two ticks, but for those it takes the place of. */
    public boolean isInReach(Hold hold, int from, int to, List<Hold> instead) {
        Instrument instrument = arrangement.request().instrument();
        Hand hand = arrangement.request().hand();
        for (Hold other : all) {
            boolean beside = other.press().finger() != hold.press().finger()
                    && other.tick() < to
                    && other.endTick() > from
                    && !instead.contains(other);
            if (!beside) {
                continue;
            }
            int order =
                    Integer.signum(other.press().finger().compareTo(hold.press().finger()));
            int frets = other.press().fret() - hold.press().fret();
            boolean thumb =
                    other.press().finger() == Finger.THUMB || hold.press().finger() == Finger.THUMB;
            Fingering both = new Fingering(List.of(other.press(), hold.press()));
            boolean reached = both.reaches(instrument).entrySet().stream()
                    .allMatch(reach -> reach.getValue() <= hand.greatestMm(reach.getKey()));
            if (!reached || !thumb && order * frets < 0) {
                return false;
            }
        }
        return true;
    }

    private Optional<String> slide(ArrangedNote before, ArrangedNote note) {
        boolean same = before.left().isPresent() && before.left().equals(note.left());
        if (!same) {
            return Optional.of(wording("SlurRules.a-slide-needs-the-same"));
        }
        Finger finger = note.left().get();
        Optional<Hold> from = at(finger, note.tick() - 1);
        Optional<Hold> to = at(finger, note.tick());
        boolean alone = from.isPresent()
                && to.isPresent()
                && !from.get().press().isBarre()
                && !to.get().press().isBarre()
                && from.get().press().fret() == before.fret()
                && to.get().press().fret() == note.fret()
                && finger != Finger.THUMB;
        return alone
                ? Optional.empty()
                : Optional.of(wording("SlurRules.finger-cannot-travel-there-alone", finger.symbol()));
    }

    private Optional<String> bend(ArrangedNote before, ArrangedNote note) {
        int string = note.string();
        Optional<Hold> pushes =
                before.left().filter(finger -> finger != Finger.THUMB).flatMap(finger -> at(finger, note.tick() - 1));
        if (pushes.isEmpty() || pushes.get().press().isBarre()) {
            return Optional.of(wording("SlurRules.no-finger-alone-on-its"));
        }
        int semitones = note.midi() - before.midi();
        Instrument instrument = arrangement.request().instrument();
        if (semitones > WOUND_BEND && instrument.guitar().isWound(string)) {
            return Optional.of(wording("SlurRules.string-is-wound-it-bends", string));
        }
        int beside = string <= instrument.strings() / 2 ? string + 1 : string - 1;
        boolean meets = semitones > WOUND_BEND
                && arrangement.notes().stream()
                        .anyMatch(other -> other.string() == beside && other.soundsAt(note.tick()));
        if (meets) {
            return Optional.of(wording("SlurRules.the-string-would-be-pushed", beside));
        }
        boolean made = note.fret() == before.fret();
        boolean held =
                made ? pushes.get().endTick() > note.tick() : bent(before, note).isPresent();
        return held
                ? shift(before, note)
                : Optional.of(wording(
                        "SlurRules.finger-cannot-stay-there",
                        before.left().get().symbol()));
    }

    /** @param before with the fret and the finger that bends it */
    private Optional<String> release(ArrangedNote before, ArrangedNote note) {
        boolean same = before.left().isPresent()
                && before.left().equals(note.left())
                && before.fret() == note.fret()
                && at(note.left().get(), note.tick())
                        .filter(hold -> hold.press().fret() == note.fret()
                                && hold.press().covers(note.string())
                                && !hold.press().isBarre())
                        .isPresent();
        return same ? shift(before, note) : Optional.of(wording("SlurRules.another-finger-holds-the-note"));
    }

    /**
     * The hold of the finger that bends a string from one note to the next, for as long as that sounds, in place of its
     * own and the next note's; nothing where it is wanted elsewhere.
     */
    public Optional<Early> bent(ArrangedNote before, ArrangedNote note) {
        Optional<Hold> pushes = before.left().flatMap(finger -> at(finger, note.tick() - 1));
        Optional<Hold> idle = note.left().flatMap(finger -> at(finger, note.tick()));
        boolean alone = pushes.isPresent()
                && idle.isPresent()
                && idle.get().tick() == note.tick()
                && idle.get().endTick() <= note.endTick()
                && !idle.get().press().isBarre();
        if (!alone) {
            return Optional.empty();
        }
        Hold hold = new Hold(
                pushes.get().tick(),
                Math.max(pushes.get().endTick(), note.endTick()),
                pushes.get().press());
        boolean wanted = all.stream()
                .anyMatch(other -> other.press().finger() == hold.press().finger()
                        && !other.equals(pushes.get())
                        && !other.equals(idle.get())
                        && other.overlaps(hold));
        List<Hold> instead = List.of(pushes.get(), idle.get());
        return wanted || !isInReach(hold, note.tick(), note.endTick(), instead)
                ? Optional.empty()
                : Optional.of(new Early(hold, instead));
    }

    /** A finger is hammered or pulled by a hand that stands still. */
    private Optional<String> shift(ArrangedNote before, ArrangedNote note) {
        int from = arrangement.slotAt(before.tick()).posture().position();
        int to = arrangement.slotAt(note.tick()).posture().position();
        return from == to ? Optional.empty() : Optional.of(wording("SlurRules.the-hand-shifts-there"));
    }

    private Optional<Hold> at(Finger finger, int tick) {
        return Optional.ofNullable(holds.get(finger))
                .map(own -> own.floorEntry(tick))
                .map(Map.Entry::getValue)
                .filter(hold -> hold.endTick() > tick);
    }
}
