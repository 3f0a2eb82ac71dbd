package phalanx.arrange.search;

import java.util.Arrays;
import phalanx.lefthand.track.MoveTable;

/** What each finger's moves between groups of candidates and the candidates of the other layer take at least. */
final class LeastMoves {
    /** Marks that a finger that plucked may stay. */
    static final long STAYS = 1L << MoveTable.EFFORT_BITS;

    private static final long SLIDES = -1L << Integer.SIZE;

    private final ChangeTable table;
    private final boolean earlier;
    private final Layer known;
    private final Layer layer;
    private final int[] groupOf;
    private final int groups;

    /**
     * @param table filled
     * @param earlier whether the groups are in the layer before
     * @param groupOf of each of their candidates its group, {@link GroupedBeginnings#NOWHERE} where it takes no part
     * @param groups how many there are
     */
    LeastMoves(ChangeTable table, boolean earlier, int[] groupOf, int groups) {
        this.table = table;
        this.earlier = earlier;
        this.known = earlier ? table.before() : table.after();
        this.layer = earlier ? table.after() : table.before();
        this.groupOf = groupOf;
        this.groups = groups;
    }

    /**
     * Of each way of a finger on the other side, and in it of each group: the least effort of any of its moves, all slides
     * together, and {@link #STAYS}.
     */
    long[] ofFinger(int finger) {
        short[] ways = (earlier ? known.leavingAt : known.arrivingAt)[finger];
        int theirs = (earlier ? known.leaving : known.arriving)[finger].length;
        int own = (earlier ? layer.arriving : layer.leaving)[finger].length;
        int stride = earlier ? table.strideAfter(finger) : table.strideBefore(finger);
        int theirStride = earlier ? table.strideBefore(finger) : table.strideAfter(finger);
        long[] moves = table.moves(finger);
        long[] least = new long[own * groups];
        Arrays.fill(least, ChangeTable.EFFORT);
        boolean[] seen = new boolean[theirs * groups];
        for (int candidate = 0; candidate < groupOf.length; candidate++) {
            int group = groupOf[candidate];
            int their = ways[candidate];
            if (group != GroupedBeginnings.NOWHERE && !seen[their * groups + group]) {
                seen[their * groups + group] = true;
                int from = their * theirStride;
                for (int to = group; to < least.length; to += groups) {
                    long move = moves[from];
                    long effort = Math.min(least[to] & ChangeTable.EFFORT, move & ChangeTable.EFFORT);
                    least[to] = (least[to] | move) & SLIDES | effort;
                    from += stride;
                }
            }
        }
        markStaying(finger, seen, least);
        return least;
    }

    /** Marks where a finger may stay where it plucked. */
    private void markStaying(int finger, boolean[] seen, long[] least) {
        int[] leaving = table.before().leaving[finger];
        int[] arriving = table.after().arriving[finger];
        for (int from = 0; from < leaving.length; from++) {
            for (int to = 0; to < arriving.length && Layer.pluck(leaving[from]) > 0; to++) {
                if (table.stays(finger, from, to)) {
                    int way = earlier ? to : from;
                    int their = earlier ? from : to;
                    for (int group = 0; group < groups; group++) {
                        least[way * groups + group] |= seen[their * groups + group] ? STAYS : 0;
                    }
                }
            }
        }
    }
}
