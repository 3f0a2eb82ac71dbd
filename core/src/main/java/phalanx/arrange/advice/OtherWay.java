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
 * @param more what the whole song costs more with it, term by term; the rest of the song makes the best of it; of
 *     several ways that cost the same, of one
 */
public record OtherWay(int startTick, int endTick, HeldShape held, Effort more) {
    public OtherWay {
        Objects.requireNonNull(held, "held");
        Objects.requireNonNull(more, "more");
    }

    /** What the whole song costs more with it. */
    public double moreEffort() {
        return more.total();
    }

    /** The term that makes most of it; nothing where it costs the same. */
    public Optional<Term> decides() {
        return more.decides();
    }

    /** The lock that keeps the song to it. */
    public ShapeLock lock() {
        return new ShapeLock(startTick, endTick, held);
    }
}
