package phalanx.arrange;

import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import phalanx.lefthand.HeldShape;
import phalanx.lefthand.LayeredPath;
import phalanx.lefthand.PathCost;
import phalanx.lefthand.Trail;

/** Finds other ways to play a moment, by what the best way through the whole song costs with each. */
final class OtherWays {
    private final SlotGraph graph;
    private final Trail trail;
    private final LayeredPath.Way chosen;

    OtherWays(SlotGraph graph, Trail trail, LayeredPath.Way chosen) {
        this.graph = graph;
        this.trail = trail;
        this.chosen = chosen;
    }

    /** Those that lose no more of the tune and are no less playable than the chosen one. */
    List<OtherWay> at(int tick, int most) {
        int layer = layerAt(tick);
        long[] costs = trail.through(graph, layer);
        PathCost best = PathCost.unpack(chosen.cost());
        Set<HeldShape> seen = new HashSet<>();
        seen.add(graph.candidate(layer, chosen.candidates().get(layer)).held());
        return IntStream.range(0, costs.length)
                .boxed()
                .sorted(Comparator.comparingLong(candidate -> costs[candidate]))
                .filter(candidate -> keepsUp(PathCost.unpack(costs[candidate]), best))
                .filter(candidate -> seen.add(graph.candidate(layer, candidate).held()))
                .limit(most)
                .map(candidate ->
                        way(layer, candidate, PathCost.unpack(costs[candidate]).effort() - best.effort()))
                .toList();
    }

    private static boolean keepsUp(PathCost cost, PathCost best) {
        return cost.unplayable() <= best.unplayable() && cost.melody() <= best.melody();
    }

    private OtherWay way(int layer, int candidate, double more) {
        Slot slot = graph.slots().get(layer);
        return new OtherWay(
                slot.startTick(),
                slot.endTick(),
                graph.candidate(layer, candidate).held(),
                more);
    }

    private int layerAt(int tick) {
        int layer = 0;
        while (layer + 1 < graph.layers() && graph.slots().get(layer + 1).startTick() <= tick) {
            layer++;
        }
        return layer;
    }
}
