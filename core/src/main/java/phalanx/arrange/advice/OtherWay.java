package phalanx.arrange.advice;

import java.util.Objects;
import java.util.Optional;
import phalanx.arrange.demand.ShapeLock;
import phalanx.cost.Effort;
import phalanx.cost.Term;
import phalanx.lefthand.shape.HeldShape;

/**
 * Another way to play a moment.
 *
 * @param startTick where its slot begins
 * @param endTick where its slot ends, not included
 * @param held the strings it needs and the fingers that hold them
 * @param moreEffort what the whole song costs more with it; the rest of the song makes the best of it
 * @param effort of the whole song with it; of several ways that cost the same, of one
 * @param decides the term that makes most of it; nothing where it costs the same
 */
public record OtherWay(
        int startTick, int endTick, HeldShape held, double moreEffort, Effort effort, Optional<Term> decides) {
    public OtherWay {
        Objects.requireNonNull(held, "held");
        Objects.requireNonNull(effort, "effort");
        Objects.requireNonNull(decides, "decides");
    }

    /** The lock that keeps the song to it. */
    public ShapeLock lock() {
        return new ShapeLock(startTick, endTick, held);
    }
}
