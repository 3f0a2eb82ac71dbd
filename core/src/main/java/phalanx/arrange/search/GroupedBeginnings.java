package phalanx.arrange.search;

import java.util.Arrays;
import phalanx.cost.Effort;
import phalanx.lefthand.shape.Fingering;
import phalanx.lefthand.track.MoveMeter;

/**
 * Beginnings in groups: of the same position of the hand, with or without fingers that plucked, and of the same place of
 * notes that must ring over. What a group's ways on cost at least is told from its cheapest beginning, the shift, and
 * each finger's least move from any of its presses; where the hand shifts and no finger that plucked can stay, the hand
 * waits for these, which is mostly too dear. So few groups are looked at, and of these few changes: with k candidates in
 * g groups a step takes k * g bounds of five look-ups. The same serves endings, read backwards.
 */
final class GroupedBeginnings extends Beginnings {
    private final ChangeTable table;
    /** Whether the known layer is the one before. */
    private final boolean earlier;

    private final Layer known;
    private final Layer layer;
    private final long[] costs;
    private final int[] positions;
    private final int[] tunes;
    private final int[] basses;
    /** What the cheapest member of each group costs. */
    private final long[] firsts;

    /** Of each group, finger and press on the other side the least move. */
    private final int[][][] moves;

    /** Of each group, finger and press on the other side, whether a finger that plucked may stay there. */
    private final boolean[][][] stays;

    /** Of each group the most time that the hand of a member has, where the known layer is the one before. */
    private final int[] hands;

    private final boolean[] plucked;
    /** The groups, the cheapest first. */
    private final int[] inOrder;

    private final long[] leasts;
    private final Tree tree;
    private int groups;

    // of the candidate that is looked at
    private final int[] at = new int[Fingering.FINGERS];
    private final int[] rest = new int[Fingering.FINGERS + 1];
    private int target;
    private boolean shifts;
    private int shiftNeeds;
    private long ring;

    GroupedBeginnings(ChangeTable table, boolean earlier, long[] costs) {
        this.table = table;
        this.earlier = earlier;
        this.layer = earlier ? table.after() : table.before();
        this.known = earlier ? table.before() : table.after();
        this.costs = costs;
        this.positions = new int[known.count];
        this.firsts = new long[known.count];
        Arrays.fill(firsts, Long.MAX_VALUE);
        this.tunes = new int[known.count];
        this.basses = new int[known.count];
        this.hands = new int[known.count];
        this.plucked = new boolean[known.count];
        int[] groupOf = new int[known.count];
        for (int candidate = 0; candidate < known.count; candidate++) {
            groupOf[candidate] = group(candidate);
            firsts[groupOf[candidate]] = Math.min(firsts[groupOf[candidate]], costs[candidate]);
        }
        this.stays = new boolean[groups][Fingering.FINGERS][];
        this.moves = moves(groupOf);
        this.tree = new Tree(groupOf);
        this.leasts = new long[groups];
        this.inOrder = new int[groups];
        for (int group = 0; group < groups; group++) {
            int at = group;
            while (at > 0 && first(inOrder[at - 1]) > first(group)) {
                inOrder[at] = inOrder[at - 1];
                at--;
            }
            inOrder[at] = group;
        }
    }

    private int group(int candidate) {
        int tune = table.tuneRings() ? known.tunePlaces[candidate] : 0;
        int bass = table.bassRings() ? known.bassPlaces[candidate] : 0;
        int position = known.positions[candidate];
        boolean plucks = earlier && known.plucks[candidate] != 0;
        int hand = earlier ? table.hand(candidate) : 0;
        for (int group = 0; group < groups; group++) {
            if (positions[group] == position
                    && tunes[group] == tune
                    && basses[group] == bass
                    && plucked[group] == plucks) {
                hands[group] = Math.max(hands[group], hand);
                return group;
            }
        }
        plucked[groups] = plucks;
        hands[groups] = hand;
        positions[groups] = position;
        tunes[groups] = tune;
        basses[groups] = bass;
        return groups++;
    }

    private int[][][] moves(int[] groupOf) {
        int[][][] least = new int[groups][Fingering.FINGERS][];
        for (int finger = 0; finger < Fingering.FINGERS; finger++) {
            short[] which = earlier ? known.leavingAt[finger] : known.arrivingAt[finger];
            int theirs = (earlier ? known.leaving : known.arriving)[finger].length;
            int own = (earlier ? layer.arriving : layer.leaving)[finger].length;
            boolean[] seen = new boolean[groups * theirs];
            for (int group = 0; group < groups; group++) {
                least[group][finger] = new int[own];
                Arrays.fill(least[group][finger], Integer.MAX_VALUE);
                stays[group][finger] = new boolean[own];
            }
            for (int candidate = 0; candidate < known.count; candidate++) {
                int pair = groupOf[candidate] * theirs + which[candidate];
                if (!seen[pair]) {
                    seen[pair] = true;
                    fill(least[groupOf[candidate]][finger], finger, which[candidate]);
                    stay(stays[groupOf[candidate]][finger], finger, which[candidate]);
                }
            }
        }
        return least;
    }

    private void fill(int[] least, int finger, int their) {
        for (int own = 0; own < least.length; own++) {
            int move = earlier ? table.leastMove(finger, their, own) : table.leastMove(finger, own, their);
            least[own] = Math.min(least[own], move);
        }
    }

    private void stay(boolean[] stays, int finger, int their) {
        for (int own = 0; own < stays.length; own++) {
            stays[own] |= earlier ? table.stays(finger, their, own) : table.stays(finger, own, their);
        }
    }

    /** What the way on to a candidate costs at least; something from the limit on where it is not below it. */
    long least(int to, long limit) {
        long least = limit;
        for (int i = 0; i < groups && first(inOrder[i]) < least; i++) {
            least = Math.min(least, least(inOrder[i], to, least));
        }
        return least;
    }

    /** What the cheapest of all costs. */
    long first() {
        return first(inOrder[0]);
    }

    /** What its cheapest member costs. */
    private long first(int group) {
        return firsts[group];
    }

    private long least(int group, int to, long limit) {
        long least = first(group);
        if (table.tuneRings()) {
            least += ring(tunes[group], layer.tunePlaces[to], SongGraph.TUNE_CUT);
        }
        if (table.bassRings()) {
            least += ring(basses[group], layer.bassPlaces[to], SongGraph.BASS_CUT);
        }
        if (least >= limit) {
            return least;
        }
        short[][] at = earlier ? layer.arrivingAt : layer.leavingAt;
        int at0 = at[0][to];
        int at1 = at[1][to];
        int at2 = at[2][to];
        int at3 = at[3][to];
        int at4 = at[4][to];
        int[][] move = moves[group];
        int change = move[0][at0] + move[1][at1] + move[2][at2] + move[3][at3] + move[4][at4];
        int stands = layer.positions[to];
        if (stands != positions[group]) {
            boolean[][] stay = stays[group];
            boolean waits = !(stay[0][at0] || stay[1][at1] || stay[2][at2] || stay[3][at3] || stay[4][at4]);
            int hand = !waits ? Integer.MAX_VALUE : earlier ? hands[group] : table.hand(to);
            change += earlier
                    ? table.leastShift(positions[group], stands, hand)
                    : table.leastShift(stands, positions[group], hand);
        }
        return least + (long) change * Effort.STEPS;
    }

    private long ring(int there, int here, long cut) {
        return earlier ? ChangeTable.ring(there, here, cut) : ChangeTable.ring(here, there, cut);
    }

    @Override
    void look(int to) {
        int count = 0;
        int likeliest = -1;
        for (; count < groups && first(inOrder[count]) < cheapest(); count++) {
            leasts[count] = least(inOrder[count], to, cheapest());
            likeliest = likeliest < 0 || leasts[count] < leasts[likeliest] ? count : likeliest;
        }
        if (likeliest >= 0) {
            look(likeliest, to);
            for (int i = 0; i < count; i++) {
                if (i != likeliest) {
                    look(i, to);
                }
            }
        }
    }

    /** @param i which group in order */
    private void look(int i, int to) {
        if (leasts[i] >= cheapest()) {
            return;
        }
        int group = inOrder[i];
        target = to;
        int stands = layer.positions[to];
        shifts = stands != positions[group];
        shiftNeeds = shifts ? table.shiftNeedsUs(positions[group], stands) : 0;
        int shift = earlier ? table.ledShift(positions[group], stands) : table.ledShift(stands, positions[group]);
        ring = (table.tuneRings() ? ring(tunes[group], layer.tunePlaces[to], SongGraph.TUNE_CUT) : 0)
                + (table.bassRings() ? ring(basses[group], layer.bassPlaces[to], SongGraph.BASS_CUT) : 0);
        rest[Fingering.FINGERS] = 0;
        for (int finger = Fingering.FINGERS - 1; finger >= 0; finger--) {
            at[finger] = (earlier ? layer.arrivingAt : layer.leavingAt)[finger][to];
            rest[finger] = rest[finger + 1] + moves[group][finger][at[finger]];
        }
        descend(tree.root(group), 0, shift, table.whole());
    }

    /** Goes down the branches that may hold the cheapest: finger after finger is known. */
    private void descend(int first, int finger, int known, int handUs) {
        for (int node = first; node >= 0; node = tree.next[node]) {
            int their = tree.key[node];
            long move = earlier ? table.moveOf(finger, their, at[finger]) : table.moveOf(finger, at[finger], their);
            int cost = known + (int) move;
            int hand = move == 0 ? handUs : Math.min(handUs, table.hasUs(finger, earlier ? their : at[finger]));
            int hurry = shifts && hand < shiftNeeds ? MoveMeter.hurry(shiftNeeds, hand) : 0;
            if (tree.least[node] + (long) (cost + hurry + rest[finger + 1]) * Effort.STEPS + ring < cheapest()) {
                if (finger + 1 < Fingering.FINGERS) {
                    descend(tree.child[node], finger + 1, cost, hand);
                } else {
                    for (int member = tree.child[node]; member >= 0; member = tree.sibling[member]) {
                        if (costs[member] < cheapest()) {
                            offer(
                                    member,
                                    costs[member]
                                            + (earlier ? table.cost(member, target) : table.cost(target, member)));
                        }
                    }
                }
            }
        }
    }

    /** The members of all groups by what their fingers do, one finger a level: what is alike is looked at once. */
    private final class Tree {
        private final int[] roots;
        private int[] key = new int[64];
        private int[] next = new int[64];
        private int[] child = new int[64];
        private long[] least = new long[64];
        /** Of members that are alike in all fingers the next one. */
        private final int[] sibling = new int[known.count];

        private int nodes;

        Tree(int[] groupOf) {
            roots = new int[groups];
            Arrays.fill(roots, -1);
            for (int candidate = 0; candidate < known.count; candidate++) {
                insert(groupOf[candidate], candidate);
            }
        }

        int root(int group) {
            return roots[group];
        }

        private void insert(int group, int candidate) {
            int parent = -1;
            for (int finger = 0; finger < Fingering.FINGERS; finger++) {
                int theirs = (earlier ? known.leavingAt : known.arrivingAt)[finger][candidate];
                int first = parent < 0 ? roots[group] : child[parent];
                int node = first;
                while (node >= 0 && key[node] != theirs) {
                    node = next[node];
                }
                if (node < 0) {
                    node = add(theirs, first);
                    if (parent < 0) {
                        roots[group] = node;
                    } else {
                        child[parent] = node;
                    }
                }
                least[node] = Math.min(least[node], costs[candidate]);
                parent = node;
            }
            sibling[candidate] = child[parent];
            child[parent] = candidate;
        }

        private int add(int theirs, int before) {
            if (nodes == key.length) {
                key = Arrays.copyOf(key, 2 * nodes);
                next = Arrays.copyOf(next, 2 * nodes);
                child = Arrays.copyOf(child, 2 * nodes);
                least = Arrays.copyOf(least, 2 * nodes);
            }
            key[nodes] = theirs;
            next[nodes] = before;
            child[nodes] = -1;
            least[nodes] = Long.MAX_VALUE;
            return nodes++;
        }
    }
}
