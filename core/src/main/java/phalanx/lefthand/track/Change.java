package phalanx.lefthand.track;

import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import phalanx.cost.Effort;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Fingering;
import phalanx.song.Ticks;

/**
 * A change from one posture to the next: what each finger and the hand do, and what it costs.
 *
 * @param moves in order of finger; those that are up before and after do nothing
 * @param shift of the hand, if its position changes
 * @param effort term by term
 */
public record Change(List<FingerMove> moves, Optional<Shift> shift, Effort effort) {
    public Change {
        moves = List.copyOf(moves);
        Objects.requireNonNull(shift, "shift");
        Objects.requireNonNull(effort, "effort");
    }

    /** A change from one beat to the next, both plucked with all fingers on the beat, at a tempo. */
    public static Change onTheBeat(Fingering before, Fingering after, Instrument instrument, Hand hand, double tempo) {
        int plucks = 0;
        for (int finger = 0; finger < Fingering.FINGERS; finger++) {
            plucks = Pace.withPluck(plucks, finger, 1);
        }
        Pace pace = new Pace(new Clock(tempo), 0, Ticks.QUARTER, 0);
        return new MoveMeter(instrument, hand).change(Posture.of(before), Posture.of(after), plucks, pace);
    }

    /** The moves of a kind. */
    public List<FingerMove> of(FingerMove.Kind kind) {
        return moves.stream().filter(move -> move.kind() == kind).toList();
    }

    /** The move that needs the greatest share of the time it has, if any finger travels. */
    public Optional<FingerMove> slowest() {
        return moves.stream()
                .filter(move -> move.needsMs() > 0)
                .max(Comparator.comparingDouble(move -> move.needsMs() / move.hadTicks()));
    }

    /** The fastest tempo, in quarter notes a minute, at which everything is done in time; infinite if nothing moves. */
    public double tempoCeiling() {
        Stream<Double> fingers = moves.stream()
                .filter(move -> move.needsMs() > 0)
                .map(move -> Ticks.tempo(move.hadTicks(), move.needsMs()));
        Stream<Double> hand = shift.stream().map(move -> Ticks.tempo(move.hadTicks(), move.needsMs()));
        return Stream.concat(fingers, hand).min(Comparator.naturalOrder()).orElse(Double.POSITIVE_INFINITY);
    }
}
