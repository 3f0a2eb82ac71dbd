package phalanx.arrange.search;

/** Layers of candidates, what each costs and what each change costs. */
public interface LayeredGraph {
    /** A change that is not possible. Sums of costs stay far below it. */
    long IMPOSSIBLE = Long.MAX_VALUE / 8;

    int layers();

    /** How many candidates a layer has, at least one. */
    int candidates(int layer);

    /** Cost of a candidate by itself, not negative. */
    long cost(int layer, int candidate);

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
            public Changes changes(int layer) {
                return forward.changes(last - layer + 1).reversed();
            }
        };
    }
}
