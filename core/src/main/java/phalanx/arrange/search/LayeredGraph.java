package phalanx.arrange.search;

import phalanx.arrange.demand.Labels;

/** Layers of candidates, what each costs and what each change costs. */
public interface LayeredGraph {
    /** A change that is not possible. Sums of costs stay far below it. */
    long IMPOSSIBLE = Long.MAX_VALUE / 8;

    int layers();

    /** How many candidates a layer has, at least one. */
    int candidates(int layer);

    /** Cost of a candidate by itself, not negative. */
    long cost(int layer, int candidate);

    /** The {@link Labels label} of a candidate's first inner stroke, {@link Labels#NONE} where it has none. */
    default int firstStroke(int layer, int candidate) {
        return Labels.NONE;
    }

    /** The label of its last one. */
    default int lastStroke(int layer, int candidate) {
        return Labels.NONE;
    }

    /** What it costs that a stroke repeats the one before. */
    default long repeat() {
        return 0;
    }

    /**
     * What of a candidate sounds on into the next layer, as one number: a candidate with another number cannot stand in
     * for it.
     */
    default long ringsOn(int layer, int candidate) {
        return 0;
    }

    /** What of it has sounded on from the layer before. */
    default long hasRungOn(int layer, int candidate) {
        return 0;
    }

    /** Ways to a candidate that are this much dearer than the cheapest to one that can stand in for it are left out. */
    default long furthest() {
        return IMPOSSIBLE;
    }

    /** The changes from the layer before into a layer; for one thread. */
    Changes changes(int layer);

    /** What changes between two layers cost, none of them negative. */
    interface Changes {
        long cost(int from, int to);

        /**
         * The ways on from the layer before.
         *
         * @param costs what the best way to each of its candidates costs
         */
        default Beginnings beginnings(long[] costs) {
            return new Beginnings.Plain(this, costs);
        }

        /** The same changes read from the end. */
        default Changes reversed() {
            return (from, to) -> cost(to, from);
        }
    }

    /** The same graph read from its end. */
    default LayeredGraph reversed() {
        LayeredGraph forward = this;
        int last = layers() - 1;
        return new LayeredGraph() {
            @Override
            public int layers() {
                return forward.layers();
            }

            @Override
            public int candidates(int layer) {
                return forward.candidates(last - layer);
            }

            @Override
            public long cost(int layer, int candidate) {
                return forward.cost(last - layer, candidate);
            }

            @Override
            public int firstStroke(int layer, int candidate) {
                return forward.lastStroke(last - layer, candidate);
            }

            @Override
            public int lastStroke(int layer, int candidate) {
                return forward.firstStroke(last - layer, candidate);
            }

            @Override
            public long ringsOn(int layer, int candidate) {
                return forward.hasRungOn(last - layer, candidate);
            }

            @Override
            public long hasRungOn(int layer, int candidate) {
                return forward.ringsOn(last - layer, candidate);
            }

            @Override
            public long furthest() {
                return forward.furthest();
            }

            @Override
            public long repeat() {
                return forward.repeat();
            }

            @Override
            public Changes changes(int layer) {
                return forward.changes(last - layer + 1).reversed();
            }
        };
    }
}
