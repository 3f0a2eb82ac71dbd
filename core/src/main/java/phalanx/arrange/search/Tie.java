package phalanx.arrange.search;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import java.util.stream.IntStream;
import phalanx.song.Reprises;

/**
 * Holds sections that come again as the first time. Their first and last slots stay free, to join with what is around
 * them; what lies between is one of the ways that a free solution has for any of the times, whichever makes the whole
 * song cheapest.
 */
final class Tie {
    private final SongGraph graph;
    /** The layers that must agree, each time of a section one list. */
    private final List<List<int[]>> groups = new ArrayList<>();

    Tie(SongGraph graph, List<Reprises.Reprise> reprises) {
        this.graph = graph;
        TreeMap<Integer, List<Reprises.Reprise>> byFirst = new TreeMap<>();
        reprises.forEach(reprise -> byFirst.computeIfAbsent(reprise.firstTick(), tick -> new ArrayList<>())
                .add(reprise));
        byFirst.values().forEach(this::addGroup);
    }

    private void addGroup(List<Reprises.Reprise> again) {
        int first = again.get(0).firstTick();
        int length =
                again.stream().mapToInt(Reprises.Reprise::lengthTicks).min().orElseThrow();
        List<Integer> starts = new ArrayList<>(List.of(first));
        again.forEach(reprise -> starts.add(reprise.startTick()));
        int from = layerFrom(first);
        int count = layerFrom(first + length) - from;
        List<int[]> times = new ArrayList<>();
        for (int start : starts) {
            int at = layerFrom(start);
            times.add(IntStream.range(at, at + count).toArray());
        }
        groups.add(times.stream().map(time -> inner(times, time)).toList());
    }

    /** Of one time the layers between first and last that are the same in all times. */
    private int[] inner(List<int[]> times, int[] time) {
        int[] first = times.get(0);
        return IntStream.range(1, time.length - 1)
                .filter(i -> times.stream()
                        .allMatch(other -> other[i] < graph.layers()
                                && graph.slots()
                                        .get(other[i])
                                        .demand()
                                        .equals(graph.slots().get(first[i]).demand())
                                && graph.slots().get(other[i]).startTick()
                                                - graph.slots().get(other[0]).startTick()
                                        == graph.slots().get(first[i]).startTick()
                                                - graph.slots().get(first[0]).startTick()))
                .map(i -> time[i])
                .toArray();
    }

    private int layerFrom(int tick) {
        int layer = 0;
        while (layer < graph.layers() && graph.slots().get(layer).startTick() < tick) {
            layer++;
        }
        return layer;
    }

    /** The song's cheapest way with one time of each section as the model of the others. */
    Solver.Answer hold(Solver.Answer free) {
        List<List<int[]>> apart =
                groups.stream().filter(times -> !agree(times, free)).toList();
        if (apart.isEmpty()) {
            return free;
        }
        Layer[] layers = graph.allLayers();
        for (int at = 0; at < layers.length; at++) {
            Layer whole = free.graph().layer(at);
            int chosen = free.way().candidate(at);
            layers[at] = layers[at].indexOf(whole, chosen) < 0 ? layers[at].with(whole, chosen) : layers[at];
        }
        for (List<int[]> times : groups) {
            if (!apart.contains(times)) {
                layers = tied(layers, free, times, 0);
            }
        }
        for (List<int[]> times : apart) {
            Layer[] best = layers;
            long least = Long.MAX_VALUE;
            for (int model = 0; model < times.size(); model++) {
                Layer[] tried = tied(layers, free, times, model);
                long cost = Sweep.through(graph.with(tried)).way().cost();
                if (cost < least) {
                    least = cost;
                    best = tried;
                }
            }
            layers = best;
        }
        SongGraph tied = graph.with(layers);
        return new Solver.Answer(tied, Sweep.through(tied).way());
    }

    /** Whether a solution holds every time of a section the same of itself. */
    private static boolean agree(List<int[]> times, Solver.Answer free) {
        int[] first = times.get(0);
        return times.stream().allMatch(time -> IntStream.range(0, time.length).allMatch(i -> {
            Layer own = free.graph().layer(time[i]);
            int chosen = free.way().candidate(first[i]);
            return own.indexOf(free.graph().layer(first[i]), chosen)
                    == free.way().candidate(time[i]);
        }));
    }

    private static Layer[] tied(Layer[] layers, Solver.Answer free, List<int[]> times, int model) {
        Layer[] tied = layers.clone();
        int[] as = times.get(model);
        for (int i = 0; i < as.length; i++) {
            Layer chosen = free.graph().layer(as[i]).only(free.way().candidate(as[i]));
            for (int[] time : times) {
                tied[time[i]] = chosen;
            }
        }
        return tied;
    }
}
