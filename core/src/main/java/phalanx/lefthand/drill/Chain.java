package phalanx.lefthand.drill;

import static phalanx.words.Words.wording;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import phalanx.cost.Effort;
import phalanx.lefthand.shape.PricedShape;
import phalanx.lefthand.track.Change;

/**
 * Shapes one after another, a bar of four beats each, with the changes in its last beat: what a player drills.
 *
 * @param links in the order in which they are played, at least one
 */
public record Chain(List<Link> links) {
    /**
     * A shape of the chain.
     *
     * @param wanted what was asked for
     * @param shape held so
     * @param into the change into it; nothing for the first
     * @param why these fingers, in one sentence
     */
    public record Link(Wanted wanted, PricedShape shape, Optional<Change> into, String why) {
        public Link {
            Objects.requireNonNull(wanted, "wanted");
            Objects.requireNonNull(shape, "shape");
            Objects.requireNonNull(into, "into");
            Objects.requireNonNull(why, "why");
        }
    }

    /** So long each shape is held. */
    static final int BEATS = 4;

    public Chain {
        links = List.copyOf(links);
        if (links.isEmpty()) {
            throw new IllegalArgumentException(wording("Chain.a-chain-has-at-least"));
        }
    }

    /** Of holding each shape for its bar and of all changes, term by term. */
    public Effort effort() {
        Effort.Sum sum = new Effort.Sum();
        for (Link link : links) {
            sum.addHeld(link.shape.effort(), BEATS * Effort.STEPS);
            link.into.ifPresent(change -> sum.add(change.effort()));
        }
        return sum.done();
    }

    /** The fastest tempo at which every change is done within its beat; infinite where nothing moves. */
    public double tempoCeiling() {
        return links.stream()
                .flatMap(link -> link.into.stream())
                .mapToDouble(Change::tempoCeiling)
                .min()
                .orElse(Double.POSITIVE_INFINITY);
    }
}
