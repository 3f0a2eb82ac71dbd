package phalanx.arrange;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import phalanx.arrange.demand.AttackLock;
import phalanx.arrange.demand.Slot;
import phalanx.arrange.search.Layer;
import phalanx.arrange.search.LayeredGraph;
import phalanx.arrange.search.SongGraph;
import phalanx.arrange.search.Sweep;
import phalanx.arrange.search.Way;
import phalanx.lefthand.shape.Finger;
import phalanx.lefthand.shape.FingeringFinder;
import phalanx.lefthand.shape.Press;
import phalanx.lefthand.track.MoveMeter;
import phalanx.lefthand.track.Posture;

/** Leaves each moment those ways to hold it with which the slurs that are written can be played. */
final class WrittenSlurs {
    /** A finger for a slide is chosen by the moments around it, so many on each side. */
    private static final int AROUND = 3;

    /** A note is slurred from one so many moments before it at most: one longer ago does not ring any more. */
    private static final int MOST_BETWEEN = 16;

    private static final Finger[] TIPS = {Finger.INDEX, Finger.MIDDLE, Finger.RING, Finger.LITTLE};

    private final FingeringFinder finder;
    private final MoveMeter meter;
    private final double tempo;
    private final List<Moment> moments;
    private final Map<Integer, Integer> momentAt = new HashMap<>();
    private final List<Slot> slots;
    private final Layer[] layers;

    /**
     * @param layers the ways to hold each moment
     */
    WrittenSlurs(
            FingeringFinder finder,
            MoveMeter meter,
            double tempo,
            List<Moment> moments,
            List<Slot> slots,
            Layer[] layers) {
        this.finder = finder;
        this.meter = meter;
        this.tempo = tempo;
        this.moments = moments;
        for (int i = 0; i < moments.size(); i++) {
            momentAt.put(moments.get(i).tick(), i);
        }
        this.slots = slots;
        this.layers = layers;
    }

    /** Where no hand can play one so, its moments keep all their ways. */
    void prepare(Written written) {
        int strings = finder.instrument().strings();
        WrittenNote[] last = new WrittenNote[strings + 1];
        WrittenNote[] still = new WrittenNote[strings + 1];
        WrittenNote[] bentFrom = new WrittenNote[strings + 1];
        for (WrittenNote note : written.notes()) {
            int string = note.string();
            WrittenNote before = isNear(last[string], note) ? last[string] : null;
            last[string] = note;
            boolean stays = note.way() == AttackLock.Way.SLURRED || note.way() == AttackLock.Way.BENT;
            still[string] = stays && before != null ? still[string] : note;
            if (note.way() == AttackLock.Way.BENT && before != null) {
                bentFrom[string] = before;
                stand(before, moment(still[string]), moment(note));
            } else if (isRelease(before, note, bentFrom[string])) {
                stand(bentFrom[string], moment(still[string]), moment(note));
            } else if ((note.way() == AttackLock.Way.SLID || note.way() == AttackLock.Way.SHIFTED) && before != null) {
                slide(before, note);
            } else if (note.way() == AttackLock.Way.SLURRED && before != null && before.fret() != note.fret()) {
                slur(before, note);
            }
        }
    }

    private static boolean isRelease(WrittenNote before, WrittenNote note, WrittenNote bentFrom) {
        return note.way() == AttackLock.Way.SLURRED
                && before != null
                && before.way() == AttackLock.Way.BENT
                && bentFrom != null
                && bentFrom.fret() == note.fret();
    }

    private boolean isNear(WrittenNote before, WrittenNote note) {
        return before != null && moment(note) - moment(before) <= MOST_BETWEEN;
    }

    private int moment(WrittenNote note) {
        return momentAt.get(note.tick());
    }

    /** A bend needs a hand that stands still from the note it comes from, and from the pluck of that where it is slurred. */
    private void stand(WrittenNote before, int from, int to) {
        WrittenLayer finding = new WrittenLayer(finder, meter);
        Window window = new Window(from, to);
        // by the middle finger, the index, the ring finger, the little one
        for (int behind : new int[] {1, 0, 2, 3}) {
            int position = before.fret() - behind;
            List<Layer> there = moments.subList(from, to + 1).stream()
                    .flatMap(moment -> finding.at(moment, position).stream())
                    .toList();
            if (there.size() == to + 1 - from) {
                Layer[] some = window.now();
                for (int i = from; i <= to; i++) {
                    some[i - window.first] = there.get(i - from);
                }
                if (window.isPossible(some)) {
                    System.arraycopy(some, 0, layers, window.first, some.length);
                    return;
                }
            }
        }
    }

    /** A slide needs one finger on both frets; the one with which the moments around cost least. */
    private void slide(WrittenNote before, WrittenNote note) {
        Window window = new Window(moment(before), moment(note));
        window.keep(Arrays.stream(TIPS)
                .map(finger -> window.only((layer, way, at) -> {
                    int fret = at < window.to ? before.fret() : note.fret();
                    return layer.fingering(way)
                            .stopping(note.string())
                            .filter(press -> isTip(press, finger, fret))
                            .isPresent();
                })));
    }

    private static boolean isTip(Press press, Finger finger, int fret) {
        return press.finger() == finger && press.fret() == fret && !press.isBarre();
    }

    /**
     * A hammer-on or pull-off needs two fingers, or one and the open string, and a hand that stands still: as in the
     * cheapest way around where that has it so, else as in the cheapest that has.
     */
    private void slur(WrittenNote before, WrittenNote note) {
        Window window = new Window(moment(before), moment(note));
        int string = note.string();
        Layer[] now = window.now();
        Way way = window.way(now);
        Posture from = window.posture(now, way, window.from);
        Posture to = window.posture(now, way, window.to);
        Optional<Finger> first = from.fingering().stopping(string).map(Press::finger);
        Optional<Finger> second = to.fingering().stopping(string).map(Press::finger);
        if (from.position() == to.position() && (first.isEmpty() || !first.equals(second))) {
            window.keep(Stream.of(slurred(window, string, from.position(), second)));
        } else {
            window.keep(IntStream.rangeClosed(1, finder.instrument().highestFret())
                    .boxed()
                    .flatMap(position ->
                            Arrays.stream(TIPS).map(tip -> slurred(window, string, position, Optional.of(tip)))));
        }
    }

    /** With the hand at a position, and a finger on the string at the end of the window alone. */
    private static Optional<Layer[]> slurred(Window window, int string, int position, Optional<Finger> tip) {
        return window.only((layer, way, at) -> layer.posture(way).position() == position
                && (tip.isEmpty() || at < window.to ^ stops(layer, way, string, tip.get())));
    }

    private static boolean stops(Layer layer, int way, int string, Finger finger) {
        return layer.fingering(way)
                .stopping(string)
                .filter(press -> press.finger() == finger)
                .isPresent();
    }

    /** Says whether a moment can be held in one of its ways. */
    private interface Wanted {
        boolean is(Layer layer, int way, int at);
    }

    /** The moments from one note to another on its string, and some around them. */
    private final class Window {
        private final int from;
        private final int to;
        private final int first;
        private final int end;

        Window(int from, int to) {
            this.from = from;
            this.to = to;
            this.first = Math.max(0, from - AROUND);
            this.end = Math.min(layers.length, to + AROUND + 1);
        }

        Layer[] now() {
            return Arrays.copyOfRange(layers, first, end);
        }

        /** With only some ways to hold the moments from the one note to the other; nothing where one has none. */
        Optional<Layer[]> only(Wanted wanted) {
            Layer[] some = now();
            for (int at = from; at <= to; at++) {
                int own = at;
                Layer layer = layers[at];
                int[] ways = IntStream.range(0, layer.count())
                        .filter(way -> wanted.is(layer, way, own))
                        .toArray();
                if (ways.length == 0) {
                    return Optional.empty();
                }
                some[at - first] = layer.only(ways);
            }
            return Optional.of(some);
        }

        Way way(Layer[] some) {
            List<Slot> own = new ArrayList<>(slots.subList(first, end));
            SongGraph graph = new SongGraph(own, tempo, some, meter, finder.instrument(), () -> false);
            return Sweep.through(graph).way();
        }

        /** Whether a hand can go through, from what is before and on to what is after. */
        boolean isPossible(Layer[] some) {
            return way(some).cost() < LayeredGraph.IMPOSSIBLE;
        }

        Posture posture(Layer[] some, Way way, int at) {
            return some[at - first].posture(way.candidate(at - first));
        }

        /** Takes the cheapest of what was tried, if any. */
        void keep(Stream<Optional<Layer[]>> tried) {
            tried.flatMap(Optional::stream)
                    .filter(this::isPossible)
                    .map(some -> new Tried(some, way(some).cost()))
                    .min(Comparator.comparingLong(Tried::cost))
                    .ifPresent(best -> System.arraycopy(best.some, 0, layers, first, best.some.length));
        }
    }

    /** Some ways to hold the moments of a window, and what the cheapest through them costs. */
    private record Tried(Layer[] some, long cost) {}
}
