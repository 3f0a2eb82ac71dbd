package phalanx.arrange;

import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import phalanx.arrange.audit.Audit;
import phalanx.arrange.colour.Colouring;
import phalanx.arrange.colour.HitsAsked;
import phalanx.arrange.demand.Request;
import phalanx.arrange.demand.Slot;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.ArrangedSlot;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Hold;
import phalanx.arrange.score.Scorer;
import phalanx.arrange.score.TempoCeiling;
import phalanx.arrange.search.Candidate;
import phalanx.arrange.search.SideBySide;
import phalanx.arrange.search.SongGraph;
import phalanx.arrange.search.Way;
import phalanx.cost.Cost;
import phalanx.cost.Effort;
import phalanx.lefthand.shape.Shape;
import phalanx.lefthand.track.MoveMeter;
import phalanx.righthand.Digit;
import phalanx.righthand.Joining;

/** The last stages: holds, price and audit of what was written. */
final class Pricing {
    /** With {@code -Dphalanx.check=true} what was written must cost what the path said. */
    private static final boolean CHECKED = Boolean.getBoolean("phalanx.check");

    private final Scorer scorer;
    private final Audit audit;
    private final Colouring colouring;

    Pricing(Scorer scorer, MoveMeter meter) {
        this.scorer = scorer;
        this.audit = new Audit(meter);
        this.colouring = new Colouring(audit, meter);
    }

    /**
     * A way through a song's slots and what it costs by the path.
     *
     * @param graph the slots with their candidates
     * @param way through them
     * @param candidates the chosen ones
     */
    record Chosen(SongGraph graph, Way way, List<Candidate> candidates) {
        Chosen(SongGraph graph, Way way) {
            this(
                    graph,
                    way,
                    IntStream.range(0, graph.layers())
                            .mapToObj(at -> new Candidate(graph.layer(at), way.candidate(at)))
                            .toList());
        }

        List<Slot> slots() {
            return graph.slots();
        }
    }

    /**
     * What the right hand does besides the notes.
     *
     * @param hits those of the patterns, or written ones; nothing at all where the notes are to stay plain
     * @param wanted the digit that the pattern names for a note, if it does
     * @param hammered whether the pattern has a note hammered
     */
    record RightHand(
            int innerAsked,
            Optional<HitsAsked> hits,
            Joining joining,
            Function<ArrangedNote, Optional<Digit>> wanted,
            Predicate<ArrangedNote> hammered) {}

    /**
     * The finished arrangement.
     *
     * @param movedBy semitones that the song was moved by
     * @param plain the notes in order, without digits
     * @param digits gives the same with digits
     */
    Arrangement finish(
            Request request,
            int movedBy,
            Chosen chosen,
            List<ArrangedNote> plain,
            UnaryOperator<List<ArrangedNote>> digits,
            RightHand right) {
        List<Candidate> candidates = chosen.candidates();
        List<Hold> holds = holds(chosen.slots(), candidates);
        List<Optional<Shape>> printed = printed(chosen.slots(), candidates);
        Arrangement written = SideBySide.of(
                () -> costs(request, chosen.slots(), candidates, plain, holds, printed),
                () -> digits.apply(plain),
                (costs, notes) -> {
                    Cost cost = costs.stream().reduce(Cost.NONE, Cost::plus);
                    check(chosen, cost);
                    return new Arrangement(
                            request,
                            movedBy,
                            notes,
                            holds,
                            slots(request, chosen.slots(), candidates, costs, printed),
                            right.innerAsked(),
                            List.of(),
                            right.joining(),
                            List.of(),
                            cost,
                            TempoCeiling.NONE);
                });
        return right.hits()
                .map(hits -> colouring.colour(written, hits, right.wanted(), right.hammered()))
                .orElseGet(() -> audit.audited(written));
    }

    /** The effort of some slots in a row alone. */
    Effort effort(Request request, List<Slot> slots, List<Candidate> candidates, List<ArrangedNote> notes) {
        List<Optional<Shape>> printed = printed(slots, candidates);
        return costs(request, slots, candidates, notes, holds(slots, candidates), printed).stream()
                .reduce(Cost.NONE, Cost::plus)
                .effort();
    }

    private static List<Hold> holds(List<Slot> slots, List<Candidate> candidates) {
        return new HoldWriter()
                .write(slots, candidates.stream().map(Candidate::fingering).toList());
    }

    private List<Cost> costs(
            Request request,
            List<Slot> slots,
            List<Candidate> candidates,
            List<ArrangedNote> notes,
            List<Hold> holds,
            List<Optional<Shape>> printed) {
        return scorer.costs(
                slots,
                request.song().tempo(),
                notes,
                holds,
                candidates.stream().map(one -> one.posture().position()).toList(),
                printed);
    }

    /**
     * An arrangement with the same frets and fingers, priced for a guitar whose capo is elsewhere.
     *
     * @param request the song moved with the capo
     * @param slots its slots, of the same lengths
     */
    Arrangement moved(Arrangement arrangement, Request request, List<Slot> slots) {
        List<ArrangedSlot> held = arrangement.slots();
        List<ArrangedNote> notes = arrangement.notes().stream()
                .map(note -> note.on(request.instrument()))
                .toList();
        List<Cost> costs = scorer.costs(
                slots,
                request.song().tempo(),
                notes,
                arrangement.holds(),
                held.stream().map(slot -> slot.posture().position()).toList(),
                held.stream().map(ArrangedSlot::printed).toList());
        List<ArrangedSlot> priced = IntStream.range(0, held.size())
                .mapToObj(i -> held.get(i).with(costs.get(i).effort()))
                .toList();
        return audit.audited(new Arrangement(
                request,
                0,
                notes,
                arrangement.holds(),
                priced,
                arrangement.innerAsked(),
                arrangement.hits(),
                arrangement.joining(),
                List.of(),
                costs.stream().reduce(Cost.NONE, Cost::plus),
                TempoCeiling.NONE));
    }

    private List<Optional<Shape>> printed(List<Slot> slots, List<Candidate> candidates) {
        return IntStream.range(0, slots.size())
                .mapToObj(i -> candidates.get(i).printed(scorer.book(), slots.get(i)))
                .toList();
    }

    private static void check(Chosen chosen, Cost cost) {
        long path = chosen.way().cost();
        boolean same = cost.unplayable() == chosen.graph().unplayable()
                && cost.tune() == SongGraph.tune(path)
                && cost.effort().grains() == SongGraph.grains(path);
        if (CHECKED && !same) {
            throw new IllegalStateException("the path costs " + chosen.graph().unplayable() + ", "
                    + SongGraph.tune(path) + ", " + SongGraph.grains(path) / (double) Effort.GRAINS
                    + ", what was written " + cost);
        }
    }

    private static List<ArrangedSlot> slots(
            Request request,
            List<Slot> slots,
            List<Candidate> candidates,
            List<Cost> costs,
            List<Optional<Shape>> printed) {
        return IntStream.range(0, slots.size())
                .parallel()
                .mapToObj(i -> new ArrangedSlot(
                        slots.get(i).startTick(),
                        slots.get(i).endTick(),
                        candidates
                                .get(i)
                                .held(request.instrument(), slots.get(i).demand(), printed.get(i)),
                        printed.get(i),
                        candidates.get(i).posture(),
                        costs.get(i).effort()))
                .toList();
    }
}
