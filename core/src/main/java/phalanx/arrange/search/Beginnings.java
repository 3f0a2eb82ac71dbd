package phalanx.arrange.search;

/** The best ways to all candidates of a layer, ready to go on to those of the next; for one thread. */
abstract class Beginnings {
    /** Where no beginning costs more than was told. */
    static final long[] NOTHING = {};

    /** What the best way found into a candidate costs, its own cost left out; ways from here on are not looked for. */
    private long cheapest;

    /** Where it comes from, -1 where none is below the limit. */
    private int from;

    /** What each beginning costs more than was told, or nothing. */
    private long[] extra = NOTHING;

    private Offers offers;

    /** Takes ways into a candidate as they are found. */
    interface Offers {
        /**
         * Whether a way may count.
         *
         * @param candidate of the layer before
         * @param change what the change from it costs at least
         */
        boolean wants(int candidate, long change);

        /**
         * Looks at a way.
         *
         * @param candidate of the layer before
         * @param change what the change from it costs
         * @return from which cost on ways are not looked for any more, by the cost that was told of their beginning
         */
        long take(int candidate, long change);
    }

    /**
     * Finds the cheapest way into a candidate of the next layer.
     *
     * @param limit only ways below it count
     * @return whether there is one
     */
    final boolean into(int to, long limit) {
        return into(to, NOTHING, limit);
    }

    /**
     * The same when beginnings cost more before this candidate.
     *
     * @param more what each costs more, or nothing at all
     */
    final boolean into(int to, long[] more, long limit) {
        cheapest = limit;
        from = -1;
        extra = more;
        offers = null;
        look(to);
        return from >= 0;
    }

    /** Offers all ways into a candidate that may count. */
    final void all(int to, Offers taker, long limit) {
        cheapest = limit;
        from = -1;
        extra = NOTHING;
        offers = taker;
        look(to);
    }

    /** Offers all ways that may be the cheapest. */
    abstract void look(int to);

    /**
     * A way.
     *
     * @param begun what its beginning costs
     * @param change what the change costs
     */
    final void offer(int candidate, long begun, long change) {
        if (offers != null) {
            cheapest = offers.take(candidate, change);
            return;
        }
        long cost = begun + change + (extra.length == 0 ? 0 : extra[candidate]);
        if (cost < cheapest) {
            cheapest = cost;
            from = candidate;
        }
    }

    /** Whether a way whose change costs at least so much may count. */
    final boolean wants(int candidate, long begun, long change) {
        return offers != null
                ? offers.wants(candidate, change)
                : begun + change + (extra.length == 0 ? 0 : extra[candidate]) < cheapest;
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
                    offer(candidate, costs[candidate], changes.cost(candidate, to));
                }
            }
        }
    }
}
