package phalanx.arrange;

import java.util.List;
import java.util.stream.IntStream;
import phalanx.arrange.demand.Labels;
import phalanx.arrange.demand.Request;
import phalanx.arrange.demand.Slot;
import phalanx.arrange.search.Candidate;
import phalanx.arrange.search.Solver;
import phalanx.cost.Effort;
import phalanx.righthand.BassStroke;
import phalanx.song.MelodyNote;
import phalanx.song.Ticks;

/**
 * The stretch of a song in which two ways through it can cost something else: the slots in which they differ, before them
 * those whose notes still ring or whose last inner stroke is looked at, after them those up to the next inner stroke.
 */
final class WayDifference {
    private final Solver.Answer one;
    private final Solver.Answer other;
    private final int from;
    private final int to;

    /** @param other a way through the same slots, or with another shape locked in some */
    WayDifference(Solver.Answer one, Solver.Answer other) {
        this.one = one;
        this.other = other;
        int[] differing = IntStream.range(0, one.graph().layers())
                .filter(at -> !one.isLike(other, at))
                .toArray();
        this.from = differing.length == 0 ? 0 : from(differing[0]);
        this.to = differing.length == 0 ? 0 : to(differing[differing.length - 1]);
    }

    private static Candidate at(Solver.Answer answer, int at) {
        return new Candidate(answer.graph().layer(at), answer.way().candidate(at));
    }

    /** The notes that may sound in a slot: tune and bass since they began, inner ones a whole note or as long as the chord. */
    private int from(int first) {
        List<Slot> slots = one.graph().slots();
        Slot slot = slots.get(first);
        int tick = slot.startTick() - Ticks.WHOLE;
        for (int before = first; before >= Math.max(0, first - 1); before--) {
            tick = Math.min(
                    tick, slots.get(before).melody().map(MelodyNote::tick).orElse(tick));
            tick = Math.min(tick, slots.get(before).bass().map(BassStroke::tick).orElse(tick));
        }
        int at = first;
        while (at > 0 && (slots.get(at).startTick() > tick || chordOf(at) == chordOf(first - 1))) {
            at--;
        }
        while (at > 0 && !strikes(at, first)) {
            at--;
        }
        return at;
    }

    private int chordOf(int at) {
        return one.graph().slots().get(Math.max(0, at)).chordIndex();
    }

    /** Whether an inner note is struck from one slot up to another, not included. */
    private boolean strikes(int at, int end) {
        return IntStream.range(at, end).anyMatch(i -> at(one, i).placing().last() != Labels.NONE);
    }

    private int to(int last) {
        int end = Math.min(one.graph().layers(), last + 2);
        while (end < one.graph().layers() && !strikes(last + 1, end)) {
            end++;
        }
        return end;
    }

    /** What the other way costs more, term by term. */
    Effort more(Pricing pricing, Request request) {
        return price(other, pricing, request).minus(price(one, pricing, request));
    }

    private Effort price(Solver.Answer answer, Pricing pricing, Request request) {
        List<Slot> slots = answer.graph().slots().subList(from, to);
        List<Candidate> candidates =
                IntStream.range(from, to).mapToObj(i -> at(answer, i)).toList();
        return pricing.effort(
                request, slots, candidates, new NoteWriter(request, slots, candidates).writeWithoutDigits());
    }
}
