package phalanx.lefthand;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;

/**
 * A change from one fingering to the next, finger by finger.
 *
 * @param moves in order of finger
 */
public record Change(List<FingerMove> moves) {
    /** The share of a beat in which fingers leave for the next shape. An assumption of ours. */
    private static final double SHARE_OF_BEAT = 0.5;

    private static final double MS_PER_MINUTE = 60_000;

    public Change {
        moves = List.copyOf(moves);
    }

    /** Measures a change on a guitar for a hand. */
    public static Change between(Fingering before, Fingering after, Instrument instrument, Hand hand) {
        List<FingerMove> moves = new ArrayList<>();
        for (Finger finger : Finger.values()) {
            Optional<Press> from = before.press(finger);
            Optional<Press> to = after.press(finger);
            if (from.isPresent() && to.isPresent()) {
                moves.add(move(finger, from.get(), to.get(), instrument, hand));
            } else if (from.isPresent() || to.isPresent()) {
                FingerMove.Kind kind = to.isPresent() ? FingerMove.Kind.PLACE : FingerMove.Kind.LIFT;
                moves.add(new FingerMove(finger, kind, from, to, 0, 0, false));
            }
        }
        return new Change(moves);
    }

    private static FingerMove move(Finger finger, Press from, Press to, Instrument instrument, Hand hand) {
        boolean overlap = from.bassString() >= to.trebleString() && to.bassString() >= from.trebleString();
        boolean sameFret = from.fret() == to.fret();
        if (overlap && sameFret) {
            FingerMove.Kind kind = from.equals(to) ? FingerMove.Kind.ANCHOR : FingerMove.Kind.ROLL;
            return new FingerMove(finger, kind, Optional.of(from), Optional.of(to), 0, 0, false);
        }
        FingerMove.Kind kind = overlap ? FingerMove.Kind.GUIDE : FingerMove.Kind.JUMP;
        double mm = Fingering.reach(from, to, instrument);
        boolean squeaks = overlap && instrument.guitar().isWound(Math.min(from.bassString(), to.bassString()));
        return new FingerMove(finger, kind, Optional.of(from), Optional.of(to), mm, hand.travelMs(mm), squeaks);
    }

    /** The moves of a kind. */
    public List<FingerMove> of(FingerMove.Kind kind) {
        return moves.stream().filter(move -> move.kind() == kind).toList();
    }

    /** The move that needs the most time, if any finger travels. */
    public Optional<FingerMove> slowest() {
        return moves.stream().filter(move -> move.needsMs() > 0).max(Comparator.comparingDouble(FingerMove::needsMs));
    }

    /** How long fingers have at a tempo, in milliseconds: half a beat. */
    public static double hasMs(double tempo) {
        return SHARE_OF_BEAT * MS_PER_MINUTE / tempo;
    }

    /** The fastest tempo, in beats a minute, at which every finger arrives in half a beat; infinite if none travels. */
    public double tempoCeiling() {
        return slowest()
                .map(move -> SHARE_OF_BEAT * MS_PER_MINUTE / move.needsMs())
                .orElse(Double.POSITIVE_INFINITY);
    }
}
