package phalanx.arrange.search;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import java.util.stream.IntStream;
import phalanx.arrange.demand.Slot;
import phalanx.song.Reprises;

/**
 * Solves a song: a quick answer through the most promising candidates of each slot, then the full one through all.
 * Sections that come again are held as one of the times.
 */
public final class Solver {
    /**
     * In a song of so many slots one candidate of each kind is promising; more where it is shorter, by the square: it is
     * pairs of them that take the time.
     */
    private static final double ONE_OF_EACH_KIND = 256;

    private static final int MOST_OF_EACH_KIND = 10;

    /** The same for a rough answer: none but the best of all where a song is long. */
    private static final int OF_EACH_KIND_ROUGHLY = 60;

    private static final int MOST_OF_EACH_KIND_ROUGHLY = 2;

    private final LayerFinder finder;
    private final List<Reprises.Reprise> reprises;
    private final int ofEachKind;
    /** The promising candidates of each slot as they were found. */
    private final Layer[] found;
    /** The same, with those of earlier full answers among them. */
    private final SongGraph graph;

    private final NarrowPass narrow;

    private Solver(
            LayerFinder finder,
            List<Reprises.Reprise> reprises,
            int ofEachKind,
            Layer[] found,
            SongGraph graph,
            NarrowPass narrow) {
        this.finder = finder;
        this.reprises = reprises;
        this.ofEachKind = ofEachKind;
        this.found = found;
        this.graph = graph;
        this.narrow = narrow;
    }

    /** A way and the graph that it leads through. */
    public record Answer(SongGraph graph, Way way) {
        /** Whether another answer to the same slot has the hand and all strokes in the same places. */
        public boolean isLike(Answer other, int at) {
            return graph.slots().get(at) == other.graph.slots().get(at)
                    && graph.layer(at).same(way.candidate(at), other.graph.layer(at), other.way.candidate(at));
        }
    }

    /**
     * Solves quickly.
     *
     * @param slots of the song
     * @param tempo quarter notes a minute
     * @param reprises sections that come again
     * @param earlier a song solved before: what is the same in it is taken over
     * @param cancelled asked again and again while the work goes on
     */
    public static Solver quick(
            LayerFinder finder,
            List<Slot> slots,
            double tempo,
            List<Reprises.Reprise> reprises,
            Optional<Solver> earlier,
            BooleanSupplier cancelled) {
        double perSlot = ONE_OF_EACH_KIND / slots.size();
        int ofEachKind = (int) Math.max(1, Math.min(MOST_OF_EACH_KIND, perSlot * perSlot));
        return through(ofEachKind, finder, slots, tempo, reprises, earlier, cancelled);
    }

    /** Solves roughly, through few candidates: for comparing many ways to have a song. */
    public static Solver rough(LayerFinder finder, List<Slot> slots, double tempo, BooleanSupplier cancelled) {
        int ofEachKind = Math.min(MOST_OF_EACH_KIND_ROUGHLY, OF_EACH_KIND_ROUGHLY / slots.size());
        return through(ofEachKind, finder, slots, tempo, List.of(), Optional.empty(), cancelled);
    }

    private static Solver through(
            int ofEachKind,
            LayerFinder finder,
            List<Slot> slots,
            double tempo,
            List<Reprises.Reprise> reprises,
            Optional<Solver> earlier,
            BooleanSupplier cancelled) {
        List<Slot> kept = finder.keepable(slots);
        SongGraph check = new SongGraph(
                kept, tempo, new Layer[0], finder.meter(), finder.finder().instrument(), cancelled);
        Optional<Solver> before = earlier.filter(other -> other.found.length == kept.size());
        Layer[] found = found(ofEachKind, finder, kept, before, check::checkCancelled);
        Layer[] layers = found.clone();
        before.ifPresent(
                other -> Arrays.setAll(layers, at -> found[at] == other.found[at] ? other.graph.layer(at) : found[at]));
        SongGraph graph = check.with(layers).near();
        NarrowPass narrow = before.map(other -> again(other, graph)).orElseGet(() -> NarrowPass.through(graph));
        return new Solver(finder, reprises, ofEachKind, found, graph, narrow);
    }

    /** The promising candidates of slots; those of the very same slots are taken over. */
    private static Layer[] found(
            int ofEachKind, LayerFinder finder, List<Slot> slots, Optional<Solver> before, Runnable check) {
        Layer[] found = new Layer[slots.size()];
        before.ifPresent(other ->
                Arrays.setAll(found, at -> slots.get(at) == other.graph.slots().get(at) ? other.found[at] : null));
        int[] missing =
                IntStream.range(0, found.length).filter(at -> found[at] == null).toArray();
        Layer[] others =
                finder.promising(Arrays.stream(missing).mapToObj(slots::get).toList(), ofEachKind, check);
        for (int i = 0; i < missing.length; i++) {
            found[missing[i]] = others[i];
        }
        return found;
    }

    /** The promising candidates of a slot, as many as this song's have. */
    Layer promising(Slot slot) {
        return finder.promising(List.of(slot), ofEachKind, graph::checkCancelled)[0];
    }

    private static NarrowPass again(Solver before, SongGraph graph) {
        int[] edited = IntStream.range(0, graph.layers())
                .filter(at -> !graph.sameAt(at, before.graph))
                .toArray();
        return edited.length == 0
                ? before.narrow.over(graph)
                : before.narrow.again(graph, edited[0], edited[edited.length - 1]);
    }

    /** The same, to be given up on another request. */
    public Solver withCancel(BooleanSupplier cancelled) {
        SongGraph own = graph.withCancel(cancelled);
        return new Solver(finder, reprises, ofEachKind, found, own, narrow.over(own));
    }

    public LayerFinder finder() {
        return finder;
    }

    /** The slots with their promising candidates. */
    public SongGraph graph() {
        return graph;
    }

    /** The pass through promising candidates, complete. */
    NarrowPass narrow() {
        ready();
        return narrow;
    }

    /** Gets ready for edits: what differs alone is then swept again. */
    public void ready() {
        narrow.complete();
    }

    /** The quick answer. */
    public Answer quick() {
        return tied(new Answer(graph, narrow.way()));
    }

    /** The full answer; it begins from the candidates as they were found, so that it does not depend on what came before. */
    public Answer full() {
        SongGraph first = graph.with(found);
        NarrowPass pass = Arrays.equals(found, graph.allLayers()) ? narrow : NarrowPass.through(first);
        pass.complete();
        Answer full = new FullPass(graph, finder, new Answer(first, pass.way()), pass).answer();
        Answer quick = new Answer(graph, narrow.way());
        return tied(full.way.cost() <= quick.way.cost() ? full : quick);
    }

    /** The same solver with an answer's candidates among the promising ones, so that edits begin from it. */
    public Solver keeping(Answer full) {
        Layer[] layers = graph.allLayers();
        int[] missing = IntStream.range(0, layers.length)
                .filter(at -> layers[at].indexOf(full.graph.layer(at), full.way.candidate(at)) < 0)
                .toArray();
        if (missing.length == 0) {
            return this;
        }
        for (int at : missing) {
            layers[at] = layers[at].with(full.graph.layer(at), full.way.candidate(at));
        }
        SongGraph more = graph.with(layers);
        NarrowPass again = narrow.again(more, missing[0], missing[missing.length - 1]);
        return new Solver(finder, reprises, ofEachKind, found, more, again);
    }

    /** Holds sections that come again as one of the times, unless that would cost tune notes. */
    private Answer tied(Answer free) {
        if (reprises.isEmpty()) {
            return free;
        }
        Answer held = new Tie(graph, reprises).hold(free);
        return SongGraph.tune(held.way.cost()) > SongGraph.tune(free.way.cost()) ? free : held;
    }
}
