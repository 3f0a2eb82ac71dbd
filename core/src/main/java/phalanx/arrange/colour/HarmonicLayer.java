package phalanx.arrange.colour;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import phalanx.arrange.audit.TouchRules;
import phalanx.arrange.demand.AttackLock;
import phalanx.arrange.demand.Role;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.Hold;
import phalanx.guitar.Instrument;
import phalanx.righthand.Digit;
import phalanx.technique.Attack;
import phalanx.technique.Harmonic;

/**
 * Plays notes as natural harmonics where the player wants them: the pitch stays, on an open string that sounds it. The
 * left hand touches the node where it holds nothing and has the time for the way; else the right index does, and the
 * thumb or the ring finger plucks.
 */
final class HarmonicLayer {
    private final Arrangement arrangement;
    private final Instrument instrument;
    private final List<ArrangedNote> notes;
    private final List<Finding> findings = new ArrayList<>();
    private List<Hold> holds;

    /**
     * @param notes in order of tick
     * @param holds in order of tick
     */
    HarmonicLayer(Arrangement arrangement, List<ArrangedNote> notes, List<Hold> holds) {
        this.arrangement = arrangement;
        this.instrument = arrangement.request().instrument();
        this.notes = new ArrayList<>(notes);
        this.holds = holds;
    }

    /** The notes with harmonics, the holds without the fingers that they need no longer, and what could not be. */
    record Belled(List<ArrangedNote> notes, List<Hold> holds, List<Finding> findings) {}

    /**
     * A way to play a note as a harmonic.
     *
     * @param left touched by the left hand
     * @param digit that plucks
     * @param holds what is held then
     */
    private record Way(Harmonic harmonic, boolean left, Digit digit, List<Hold> holds) {}

    /** A way, or the reason why there is none. */
    record Found(Optional<ArrangedNote> note, List<Hold> holds, String refusal) {}

    Belled ring() {
        for (AttackLock lock : arrangement.request().attacks()) {
            if (lock.way() == AttackLock.Way.HARMONIC) {
                ring(lock);
            }
        }
        notes.sort(Comparator.comparingInt(ArrangedNote::tick).thenComparingInt(note -> -note.string()));
        return new Belled(List.copyOf(notes), holds, findings);
    }

    private void ring(AttackLock lock) {
        int at = IntStream.range(0, notes.size())
                .filter(i -> notes.get(i).tick() == lock.tick() && notes.get(i).role() == lock.role())
                .reduce((low, high) -> high)
                .orElse(-1);
        Found found = at < 0
                ? new Found(
                        Optional.empty(),
                        holds,
                        wording("HarmonicLayer.there-is-no-note", lock.role().label()))
                : find(at);
        if (found.note.isEmpty() && at >= 0 && isWritten(notes.get(at))) {
            // it stays what it is; the audit says what is wrong with it
            return;
        }
        if (found.note.isEmpty()) {
            findings.add(Finding.lockLeft(
                    arrangement.song(), lock.tick(), wording("HarmonicLayer.the-harmonic-is-left-out", found.refusal)));
            return;
        }
        ArrangedNote rung = found.note.get();
        notes.set(at, rung);
        notes.replaceAll(note -> note != rung
                        && note.string() == rung.string()
                        && note.tick() < rung.tick()
                        && note.endTick() > rung.tick()
                ? note.endingAt(rung.tick())
                : note);
        holds = found.holds;
    }

    /** How a note can be a harmonic: by the left hand rather than by the right, then the strongest. */
    Found find(int at) {
        ArrangedNote note = notes.get(at);
        if (!(note.attack() instanceof Attack.Pluck || note.attack() instanceof Attack.Block || isWritten(note))) {
            return new Found(
                    Optional.empty(),
                    holds,
                    wording("HarmonicLayer.it-is-a", note.attack().label()));
        }
        List<Harmonic> sounding = note.attack() instanceof Attack.Touched written
                ? List.of(Harmonic.of(instrument, note.string(), 0, written.node()))
                : Harmonic.sounding(instrument, note.midi());
        String refusal = wording("HarmonicLayer.no-open-string-has-this");
        Way best = null;
        for (Harmonic harmonic : sounding) {
            List<Hold> free = released(note);
            Optional<String> why = stringRefusal(note, harmonic, free);
            if (why.isEmpty()) {
                TouchRules rules = new TouchRules(arrangement, free);
                why = rules.refusal(note.tick(), harmonic.node());
                Optional<Digit> digit = inOrder(note, harmonic) ? Optional.of(note.right()) : Optional.empty();
                if (why.isEmpty() && digit.isPresent()) {
                    best = new Way(harmonic, true, digit.get(), free);
                    break;
                }
                Optional<Digit> plucks = besideIndex(note, harmonic);
                if (plucks.isPresent() && best == null) {
                    best = new Way(harmonic, false, plucks.get(), free);
                }
                why = Optional.of(wording(
                        "HarmonicLayer.and-the-right-hand-has",
                        why.orElse(wording("HarmonicLayer.the-digits-would-cross"))));
            }
            if (harmonic == sounding.get(0)) {
                refusal = why.orElseThrow();
            }
        }
        return best == null
                ? new Found(Optional.empty(), holds, refusal)
                : new Found(Optional.of(rung(note, best)), best.holds, "");
    }

    /** Whether it is a natural harmonic already, as tablature has it. */
    private static boolean isWritten(ArrangedNote note) {
        return note.fret() == 0 && note.attack() instanceof Attack.Touched;
    }

    private static ArrangedNote rung(ArrangedNote note, Way way) {
        return new ArrangedNote(
                note.tick(),
                note.lengthTicks(),
                note.wantedTicks(),
                way.harmonic.string(),
                0,
                note.midi(),
                note.role(),
                Optional.empty(),
                way.digit,
                new Attack.Touched(way.harmonic.node(), way.left),
                note.weight());
    }

    /** The holds without the finger that is put down for a note alone. */
    private List<Hold> released(ArrangedNote note) {
        Optional<Hold> own = holds.stream()
                .filter(hold -> hold.tick() == note.tick()
                        && hold.press().covers(note.string())
                        && !hold.press().isBarre())
                .filter(hold -> notes.stream()
                        .noneMatch(other -> other.string() == note.string()
                                && other.tick() > note.tick()
                                && other.tick() < hold.endTick()))
                .findFirst();
        return own.map(hold -> holds.stream().filter(other -> other != hold).toList())
                .orElse(holds);
    }

    private Optional<String> stringRefusal(ArrangedNote note, Harmonic harmonic, List<Hold> free) {
        int string = harmonic.string();
        if (isSlurredAfter(note, string) || isSlurredAfter(note, note.string())) {
            return Optional.of(wording("HarmonicLayer.the-next-note-on-its"));
        }
        for (ArrangedNote other : notes) {
            boolean there = other != note
                    && other.string() == string
                    && other.tick() < note.endTick()
                    && other.endTick() > note.tick();
            if (there && other.tick() >= note.tick()) {
                return Optional.of(wording("HarmonicLayer.string-is-plucked-before-it", string));
            }
            if (there && other.role() == Role.MELODY) {
                return Optional.of(wording("HarmonicLayer.the-tune-sounds-on-string", string));
            }
        }
        return new TouchRules(arrangement, free).stopped(string, note.tick(), note.endTick());
    }

    /** Whether the first note on a string after another is slurred: from what sounds there now. */
    private boolean isSlurredAfter(ArrangedNote note, int string) {
        return notes.stream()
                .filter(next -> next.string() == string && next.tick() > note.tick())
                .findFirst()
                .filter(next -> !next.attack().plucked())
                .isPresent();
    }

    /** Whether the digits that pluck at once stay in the order of their strings. */
    private boolean inOrder(ArrangedNote note, Harmonic harmonic) {
        return notes.stream()
                .filter(other -> other != note && other.tick() == note.tick())
                .allMatch(other -> Integer.signum(other.string() - note.string())
                        == Integer.signum(other.string() - harmonic.string()));
    }

    /** The digit that plucks while the index touches: the ring finger above all others, or the thumb alone or below them. */
    private Optional<Digit> besideIndex(ArrangedNote note, Harmonic harmonic) {
        boolean lowest = true;
        boolean highest = true;
        boolean brushed = false;
        boolean index = false;
        boolean thumb = false;
        boolean ring = false;
        for (ArrangedNote other : notes) {
            if (other != note && other.tick() == note.tick()) {
                lowest &= other.string() < harmonic.string();
                highest &= other.string() > harmonic.string();
                brushed |= other.attack() instanceof Attack.Brush;
                index |= other.right() == Digit.I;
                thumb |= other.right() == Digit.P;
                ring |= other.right() == Digit.A;
            }
        }
        if (index || brushed) {
            return Optional.empty();
        }
        if (lowest && !thumb) {
            return Optional.of(Digit.P);
        }
        boolean hasRing = arrangement.request().picking().school().digits().contains(Digit.A);
        return highest && !ring && hasRing ? Optional.of(Digit.A) : Optional.empty();
    }
}
