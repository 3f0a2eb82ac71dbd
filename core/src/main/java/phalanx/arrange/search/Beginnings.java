package phalanx.arrange.search;

/** The best ways to all candidates of a layer, ready to go on to those of the next; for one thread. */
abstract class Beginnings {
    /** What the best way found into a candidate costs, its own cost left out. */
    private long cheapest;

    /** Where it comes from, -1 where none is below the limit. */
    private int from;

    /**
     * Finds the cheapest way into a candidate of the next layer.
     *
     * @param limit only ways below it count
     * @return whether there is one
     */
    final boolean into(int to, long limit) {
        cheapest = limit;
        from = -1;
        look(to);
        return from >= 0;
    }

    /** Offers all ways that may be the cheapest. */
    abstract void look(int to);

    final void offer(int candidate, long cost) {
        if (cost < cheapest) {
            cheapest = cost;
            from = candidate;
        }
    }

    final long cheapest() {
        return cheapest;
    }

    final int from() {
        return from;
    }

    /** Those of any graph: every beginning is looked at. */
    static final class Plain extends Beginnings {
        private final LayeredGraph.Changes changes;
        private final long[] costs;

        Plain(LayeredGraph.Changes changes, long[] costs) {
            this.changes = changes;
            this.costs = costs;
        }

        @Override
        void look(int to) {
            for (int candidate = 0; candidate < costs.length; candidate++) {
                if (costs[candidate] < cheapest()) {
                    offer(candidate, costs[candidate] + changes.cost(candidate, to));
                }
            }
        }
    }
}
