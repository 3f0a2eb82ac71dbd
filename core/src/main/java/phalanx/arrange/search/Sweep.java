package phalanx.arrange.search;

import static phalanx.words.Words.wording;

import java.util.Arrays;
import java.util.BitSet;
import phalanx.arrange.demand.Labels;

/**
 * The cheapest beginnings of all ways through a graph: for each candidate of each layer what the best way to it costs,
 * itself included, and where it comes from, once for each {@link Labels label} that may still make it the better one.
 * Exact (A. Viterbi, IEEE Trans. Inform. Theory 13, 1967, from memory): with n layers of at most k candidates with l
 * labels it asks for at most n * l * k * k changes, in practice a fraction, because a lower bound of each change is told
 * first and only what it leaves open is looked at. A label is dropped where the candidate is cheaper with another by more
 * than a repeated stroke costs.
 *
 * <p>A sweep is kept so that a small edit of the graph need not be solved from the start. Swept over the graph and over
 * its reverse, the cheapest way through any candidate is the sum of both less its own cost, where no label is repeated.
 */
public final class Sweep {
    private final KeptNodes[] nodes;
    /** The nodes of the layer that was swept last, ready to go on from. */
    private Open open = new Open(-1, null);

    /** So many layers are settled, and which candidates of them. */
    private int settled;

    private final int[] settledWay;

    private record Open(int layer, Nodes nodes) {}

    private Sweep(int layers) {
        nodes = new KeptNodes[layers];
        settledWay = new int[layers];
    }

    /**
     * Through a whole graph.
     *
     * @throws IllegalArgumentException if a layer is empty
     */
    public static Sweep through(LayeredGraph graph) {
        return upTo(graph, graph.layers());
    }

    /** Through its first layers only; {@link #complete} goes on. */
    static Sweep upTo(LayeredGraph graph, int layers) {
        Sweep sweep = new Sweep(graph.layers());
        for (int layer = 0; layer < layers; layer++) {
            sweep.extend(graph, layer);
        }
        return sweep;
    }

    /**
     * Through a graph that differs from this sweep's graph only in some layers and in the changes into and out of them.
     * Layers before the first of these are taken over. After the last, the work ends as soon as all best costs of a
     * layer differ from the earlier ones by the same amount: from there on every choice is as it was.
     *
     * @param graph with as many layers
     * @param firstEdited the first layer that differs
     * @param lastEdited the last one
     */
    Sweep again(LayeredGraph graph, int firstEdited, int lastEdited) {
        if (graph.layers() != nodes.length) {
            throw new IllegalArgumentException(wording("Sweep.layers-instead-of", graph.layers(), nodes.length));
        }
        Sweep sweep = new Sweep(nodes.length);
        for (int layer = 0; layer < nodes.length; layer++) {
            if (layer < firstEdited) {
                sweep.nodes[layer] = nodes[layer];
                continue;
            }
            sweep.extend(graph, layer);
            if (layer > lastEdited && sweep.nodes[layer].runsAlong(nodes[layer])) {
                long difference = sweep.nodes[layer].cheapest() - nodes[layer].cheapest();
                for (int later = layer + 1; later < nodes.length; later++) {
                    sweep.nodes[later] = nodes[later].plus(difference);
                }
                return sweep;
            }
        }
        return sweep;
    }

    /** As far as a layer of a graph that differs from this sweep's graph nowhere before it. */
    Sweep withLayer(LayeredGraph graph, int layer) {
        Sweep sweep = new Sweep(nodes.length);
        System.arraycopy(nodes, 0, sweep.nodes, 0, layer);
        sweep.extend(graph, layer);
        return sweep;
    }

    /** Goes on until all layers are swept. */
    void complete(LayeredGraph graph) {
        for (int layer = 0; layer < nodes.length; layer++) {
            if (nodes[layer] == null) {
                extend(graph, layer);
            }
        }
    }

    boolean isComplete() {
        return nodes.length == 0 || nodes[nodes.length - 1] != null;
    }

    /** Goes on through one more layer. */
    void extend(LayeredGraph graph, int layer) {
        extend(graph, layer, Beginnings.NOTHING);
    }

    /**
     * The same with limits.
     *
     * @param limits of each candidate; only ways into it below that count, its own cost left out. Nothing at all where
     *     there is none.
     */
    void extend(LayeredGraph graph, int layer, long[] limits) {
        int count = graph.candidates(layer);
        if (count == 0) {
            throw new IllegalArgumentException(wording("Sweep.layer-has-no-candidates", layer));
        }
        Nodes.Collector found = new Nodes.Collector(count);
        Entries entries = layer == 0 ? null : new Entries(graph.changes(layer), nodes(layer - 1), graph.repeat());
        Near near = new Near(graph, layer);
        for (int to = 0; to < count; to++) {
            found.next();
            long own = graph.cost(layer, to);
            int first = graph.firstStroke(layer, to);
            if (entries == null) {
                found.add(graph.lastStroke(layer, to), own, 0);
                continue;
            }
            long limit = near.limit(to) - own;
            if (limits.length > 0) {
                limit = Math.min(limit, limits[to]);
            }
            long into = first != Labels.NONE || entries.count() == 1
                    ? addCheapest(graph, layer, to, own, limit, entries, found)
                    : addEach(to, own, limit, entries, found);
            near.add(to, into + own);
        }
        open = new Open(layer, found.done());
        nodes[layer] = KeptNodes.of(open.nodes);
    }

    /** @return what the cheapest way costs, or the limit */
    private static long addCheapest(
            LayeredGraph graph, int layer, int to, long own, long limit, Entries entries, Nodes.Collector found) {
        int first = graph.firstStroke(layer, to);
        long cost = entries.into(to, first, limit);
        int label = first == Labels.NONE ? entries.label(0) : graph.lastStroke(layer, to);
        if (cost < limit) {
            found.add(label, cost + own, entries.node());
        } else {
            found.add(label, LayeredGraph.IMPOSSIBLE, 0);
        }
        return cost;
    }

    /** Where no inner stroke falls the last one is remembered, as far as it may still matter. */
    private static long addEach(int to, long own, long limit, Entries entries, Nodes.Collector found) {
        long cost = entries.intoEach(to, limit);
        if (cost >= limit) {
            found.add(Labels.NONE, LayeredGraph.IMPOSSIBLE, 0);
            return cost;
        }
        for (int entry = 0; entry < entries.count(); entry++) {
            if (entries.counts(entry)) {
                found.add(entries.label(entry), entries.cost(entry) + own, entries.node(entry));
            }
        }
        return cost;
    }

    /** From which cost on ways to the candidates of a layer are left out. */
    private static final class Near {
        private final LayeredGraph graph;
        private final int layer;
        private long[] kinds = new long[8];
        private long[] cheapest = new long[8];
        private int count;

        Near(LayeredGraph graph, int layer) {
            this.graph = graph;
            this.layer = layer;
        }

        long limit(int candidate) {
            if (graph.furthest() >= LayeredGraph.IMPOSSIBLE) {
                return LayeredGraph.IMPOSSIBLE;
            }
            int kind = kind(candidate);
            long best = cheapest[kind];
            return best >= LayeredGraph.IMPOSSIBLE ? best : best + graph.furthest();
        }

        void add(int candidate, long cost) {
            if (graph.furthest() < LayeredGraph.IMPOSSIBLE) {
                int kind = kind(candidate);
                cheapest[kind] = Math.min(cheapest[kind], cost);
            }
        }

        private int kind(int candidate) {
            long number = graph.ringsOn(layer, candidate);
            for (int kind = 0; kind < count; kind++) {
                if (kinds[kind] == number) {
                    return kind;
                }
            }
            if (count == kinds.length) {
                kinds = Arrays.copyOf(kinds, 2 * count);
                cheapest = Arrays.copyOf(cheapest, 2 * count);
            }
            kinds[count] = number;
            cheapest[count] = LayeredGraph.IMPOSSIBLE;
            return count++;
        }
    }

    int layers() {
        return nodes.length;
    }

    Nodes nodes(int layer) {
        Open last = open;
        return last.layer == layer ? last.nodes : nodes[layer].open();
    }

    /** What the cheapest way to each candidate of a layer costs, itself included. */
    long[] costs(int layer) {
        return nodes(layer).best;
    }

    /** The cheapest candidate of a layer. */
    int cheapest(int layer) {
        long[] best = costs(layer);
        int cheapest = 0;
        for (int candidate = 1; candidate < best.length; candidate++) {
            cheapest = best[candidate] < best[cheapest] ? candidate : cheapest;
        }
        return cheapest;
    }

    /** The candidates of the cheapest way to one of a layer, from the first layer on. */
    int[] wayTo(int layer, int candidate) {
        return wayToNode(layer, nodes(layer).cheapestNode(candidate));
    }

    /** The candidates of the way to a node of a layer, from the first layer on. */
    int[] wayToNode(int layer, int node) {
        int[] way = new int[layer + 1];
        int at = node;
        for (int i = layer; i >= 0; i--) {
            if (i < settled) {
                System.arraycopy(settledWay, 0, way, 0, i + 1);
                break;
            }
            way[i] = nodes[i].candidate(at);
            at = nodes[i].from(at);
        }
        return way;
    }

    /** Takes over a layer through which all ways lead alike. */
    interface Settler {
        /** Keeps one candidate of a layer; answers its number from now on. */
        int keep(int layer, int candidate);
    }

    /**
     * Settles the first layers, as far as all ways to a layer lead through the same candidates of them, and forgets what
     * else was swept there: a long song needs little room so.
     */
    void settle(int layer, Settler settler) {
        KeptNodes end = nodes[layer];
        BitSet alive = new BitSet(end.count());
        for (int node = 0; node < end.count(); node++) {
            alive.set(node, end.isReached(node));
        }
        int at = layer;
        while (at > settled && alive.cardinality() > 1) {
            BitSet before = new BitSet();
            KeptNodes from = nodes[at];
            alive.stream().forEach(node -> before.set(from.from(node)));
            alive = before;
            at--;
        }
        if (at <= settled || alive.cardinality() != 1) {
            return;
        }
        // the layer where they meet stays, for the ways beyond
        int node = nodes[at].from(alive.nextSetBit(0));
        for (int i = at - 1; i >= settled; i--) {
            settledWay[i] = settler.keep(i, nodes[i].candidate(node));
            node = nodes[i].from(node);
            nodes[i] = null;
        }
        settled = at;
    }

    /** The cheapest way through the whole graph. */
    public Way way() {
        int last = nodes.length - 1;
        int end = cheapest(last);
        return new Way(wayTo(last, end), costs(last)[end]);
    }
}
