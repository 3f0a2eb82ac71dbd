package phalanx.arrange.search;

/** What shifts between one position of the hand and those of groups cost, in thousandths; nothing where it stays. */
final class GroupShifts {
    /** Of each group the slides that lead the hand. */
    final long[] leading;
    /** By the pluck after which the hand is free, of each group: with nothing that leads it. */
    final int[][] free;
    /** The same led by a finger. */
    final int[][] led;

    /**
     * @param position of the hand that is known
     * @param positions of the groups
     * @param groups how many there are
     * @param earlier whether the hand comes from the groups' positions
     */
    GroupShifts(ChangeTable table, int position, int[] positions, int groups, boolean earlier) {
        this.leading = new long[groups];
        this.free = new int[table.plucks() + 1][groups];
        this.led = new int[table.plucks() + 1][groups];
        for (int group = 0; group < groups; group++) {
            int from = earlier ? positions[group] : position;
            int to = earlier ? position : positions[group];
            if (from != to) {
                leading[group] = table.leading(from, to);
                for (int pluck = 0; pluck < free.length; pluck++) {
                    free[pluck][group] = table.shift(from, to, false, pluck);
                    led[pluck][group] = table.shift(from, to, true, pluck);
                }
            }
        }
    }
}
