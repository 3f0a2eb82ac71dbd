package phalanx.arrange.search;

import java.util.Arrays;
import phalanx.cost.Effort;
import phalanx.lefthand.shape.Fingering;

/**
 * Beginnings in classes of the same place of notes that must ring over, and in these in groups of the same position of
 * the hand, with or without fingers that plucked; the cheapest first. What a group's ways on cost at least is told from
 * its cheapest beginning, the shift, and each finger's least move from any of its presses; where the hand shifts and no
 * finger that plucked can stay, the hand waits for these, which is mostly too dear. So few groups are looked at, and
 * within one no more than the cheapest beginnings, and of these few changes in full. With k candidates in g groups a step
 * takes k * g bounds of five look-ups. The same serves endings, read backwards.
 */
final class GroupedBeginnings extends Beginnings {
    private static final int INDEX_BITS = 16;
    private static final int INDEX = (1 << INDEX_BITS) - 1;
    private static final long DEAREST = (1L << Long.SIZE - 1 - INDEX_BITS) - 1;
    private static final int[] NONE = {};
    static final int NOWHERE = -1;

    private final ChangeTable table;
    /** Whether the known layer is the one before. */
    private final boolean earlier;

    private final Layer known;
    private final Layer layer;
    /** Of each finger how each of the layer's candidates goes on. */
    private final short[][] ownWays;

    private final long[] costs;

    // of each class
    private final int[] tunes;
    private final int[] basses;
    /** Its first group; those of a class lie together. */
    private final int[] firstGroups;

    private int classes;

    // of each pair of places on the other side the classes that there are ways from, and what becomes of their notes
    private final int[] firstLinks;
    private final int[] linkClasses;
    private final long[] linkRings;

    // of each group
    private final int[] positions;
    private final long[] firsts;
    /** The earliest last pluck of a member, where the known layer is the one before. */
    private final int[] lastPlucks;

    private int groups;

    /** By positions on the other side, made when one is wanted. */
    private final GroupShifts[] shifts = new GroupShifts[Layer.POSITIONS];

    /** Of each finger {@link LeastMoves#ofFinger}. */
    private final long[][] leastMoves = new long[Fingering.FINGERS][];

    private final long first;
    private final long[] leasts;

    /** Of each candidate its group; {@link #NOWHERE} where there is no way to it. */
    private final int[] groupOf;

    // of each member, group by group, the cheapest first; made when one is looked at
    private int[] starts = NONE;
    private int[] members;
    private long[] memberCosts;
    private byte[] memberBasses;
    private final short[][] memberWays = new short[Fingering.FINGERS][];

    // of the candidate that is looked at
    private final int[] bases = new int[Fingering.FINGERS];
    private int[] steps;

    GroupedBeginnings(ChangeTable table, boolean earlier, long[] costs) {
        this.table = table;
        this.earlier = earlier;
        this.layer = earlier ? table.after() : table.before();
        this.known = earlier ? table.before() : table.after();
        this.ownWays = earlier ? layer.arrivingAt : layer.leavingAt;
        this.costs = costs;
        int count = known.count;
        this.tunes = new int[count];
        this.basses = new int[count];
        this.groupOf = new int[count];
        this.first = Arrays.stream(costs).min().orElseThrow();
        for (int candidate = 0; candidate < count; candidate++) {
            boolean possible = costs[candidate] < LayeredGraph.IMPOSSIBLE || costs[candidate] == first;
            groupOf[candidate] = possible ? classOf(candidate) : NOWHERE;
        }
        this.firstLinks = new int[layer.pairs.length + 1];
        this.linkClasses = new int[layer.pairs.length * classes];
        this.linkRings = new long[linkClasses.length];
        listLinks();
        int[] keys = new int[classes * Layer.POSITIONS * 2];
        int[] raw = new int[count];
        for (int candidate = 0; candidate < count; candidate++) {
            if (groupOf[candidate] != NOWHERE) {
                int key = key(candidate);
                if (keys[key] == 0) {
                    raw[groups++] = candidate;
                    keys[key] = groups;
                }
                int group = keys[key] - 1;
                raw[group] = costs[candidate] < costs[raw[group]] ? candidate : raw[group];
            }
        }
        this.firstGroups = new int[classes + 1];
        this.positions = new int[groups];
        this.firsts = new long[groups];
        this.lastPlucks = new int[groups];
        this.leasts = new long[groups];
        order(raw, keys);
        tellGroups(keys);
        table.fill(earlier);
        LeastMoves least = new LeastMoves(table, earlier, groupOf, groups);
        for (int finger = 0; finger < Fingering.FINGERS; finger++) {
            leastMoves[finger] = least.ofFinger(finger);
        }
    }

    private void listLinks() {
        int links = 0;
        for (int pair = 0; pair < layer.pairs.length; pair++) {
            for (int one = 0; one < classes; one++) {
                long ring = ring(one, layer.pairs[pair]);
                if (ring < LayeredGraph.IMPOSSIBLE) {
                    linkClasses[links] = one;
                    linkRings[links++] = ring;
                }
            }
            firstLinks[pair + 1] = links;
        }
    }

    /** One number for class, position and whether fingers plucked. */
    private int key(int candidate) {
        boolean plucks = earlier && known.plucks[candidate] != 0;
        return (groupOf[candidate] * Layer.POSITIONS + known.positions[candidate]) * 2 + (plucks ? 1 : 0);
    }

    /**
     * Puts the groups in order: those of a class together, the one with the cheapest beginning first.
     *
     * @param cheapest a cheapest candidate of each group
     * @param numbers of the groups by their keys, from 1; renewed
     */
    private void order(int[] cheapest, int[] numbers) {
        for (int group = 1; group < groups; group++) {
            int moved = cheapest[group];
            int to = group;
            while (to > 0 && isBefore(moved, cheapest[to - 1])) {
                cheapest[to] = cheapest[to - 1];
                to--;
            }
            cheapest[to] = moved;
        }
        for (int group = 0; group < groups; group++) {
            int candidate = cheapest[group];
            numbers[key(candidate)] = group + 1;
            positions[group] = known.positions[candidate];
            firsts[group] = costs[candidate];
            lastPlucks[group] = Integer.MAX_VALUE;
            firstGroups[groupOf[candidate] + 1] = group + 1;
        }
    }

    private boolean isBefore(int candidate, int other) {
        int order = Integer.compare(groupOf[candidate], groupOf[other]);
        return order == 0 ? costs[candidate] < costs[other] : order < 0;
    }

    /** Turns classes of candidates into groups. */
    private void tellGroups(int[] numbers) {
        for (int candidate = 0; candidate < groupOf.length; candidate++) {
            if (groupOf[candidate] != NOWHERE) {
                int group = numbers[key(candidate)] - 1;
                groupOf[candidate] = group;
                int pluck = earlier ? table.lastPluck(candidate) : 0;
                lastPlucks[group] = Math.min(lastPlucks[group], pluck);
            }
        }
    }

    /** Lists the members, for looking at them one by one; bounds need none. */
    private void list() {
        starts = new int[groups + 1];
        for (int group : groupOf) {
            if (group != NOWHERE) {
                starts[group + 1]++;
            }
        }
        for (int group = 0; group < groups; group++) {
            starts[group + 1] += starts[group];
        }
        int possible = starts[groups];
        long[] keys = new long[possible];
        int[] next = Arrays.copyOf(starts, groups);
        for (int candidate = 0; candidate < groupOf.length; candidate++) {
            int group = groupOf[candidate];
            if (group != NOWHERE) {
                keys[next[group]++] = Math.min(costs[candidate] - first, DEAREST) << INDEX_BITS | candidate;
            }
        }
        members = new int[possible];
        memberCosts = new long[possible];
        memberBasses = new byte[possible];
        for (int group = 0; group < groups; group++) {
            Arrays.sort(keys, starts[group], starts[group + 1]);
        }
        for (int at = 0; at < possible; at++) {
            int candidate = (int) keys[at] & INDEX;
            members[at] = candidate;
            memberCosts[at] = costs[candidate];
            memberBasses[at] = known.basses[candidate];
        }
        for (int finger = 0; finger < Fingering.FINGERS; finger++) {
            short[] ways = (earlier ? known.leavingAt : known.arrivingAt)[finger];
            memberWays[finger] = new short[possible];
            for (int at = 0; at < possible; at++) {
                memberWays[finger][at] = ways[members[at]];
            }
        }
    }

    private int classOf(int candidate) {
        int tune = table.tuneRings() ? known.tunePlaces[candidate] : 0;
        int bass = table.bassRings() ? known.bassPlaces[candidate] : 0;
        for (int one = 0; one < classes; one++) {
            if (tunes[one] == tune && basses[one] == bass) {
                return one;
            }
        }
        tunes[classes] = tune;
        basses[classes] = bass;
        return classes++;
    }

    /** What the way on to a candidate costs at least; something from the limit on where it is not below it. */
    long least(int to, long limit) {
        long least = limit;
        int pair = layer.pairAt[to];
        for (int at = firstLinks[pair]; at < firstLinks[pair + 1]; at++) {
            int one = linkClasses[at];
            if (firsts[firstGroups[one]] + linkRings[at] < least) {
                int end = bounds(one, to, linkRings[at], least, true);
                for (int group = firstGroups[one]; group < end; group++) {
                    least = Math.min(least, leasts[group]);
                }
            }
        }
        return least;
    }

    /** What the cheapest of all costs. */
    long first() {
        return first;
    }

    /**
     * What the way on from the groups of a class costs at least.
     *
     * @param ring what becomes of notes that should ring over
     * @param limit from where on groups are not looked at; those of a class are told by their cheapest, the first least
     * @param least whether only the least of all is wanted
     * @return the end of those that were
     */
    private int bounds(int one, int to, long ring, long limit, boolean least) {
        long[] moves0 = leastMoves[0];
        long[] moves1 = leastMoves[1];
        long[] moves2 = leastMoves[2];
        long[] moves3 = leastMoves[3];
        long[] moves4 = leastMoves[4];
        int base0 = way(0, to) * groups;
        int base1 = way(1, to) * groups;
        int base2 = way(2, to) * groups;
        int base3 = way(3, to) * groups;
        int base4 = way(4, to) * groups;
        GroupShifts shifts = shifts(layer.positions[to]);
        long[] leading = shifts.leading;
        int goes = earlier ? 0 : table.lastPluck(to);
        long end = limit;
        int group = firstGroups[one];
        for (; group < firstGroups[one + 1] && firsts[group] + ring < end; group++) {
            long move0 = moves0[base0 + group];
            long move1 = moves1[base1 + group];
            long move2 = moves2[base2 + group];
            long move3 = moves3[base3 + group];
            long move4 = moves4[base4 + group];
            long any = move0 | move1 | move2 | move3 | move4;
            boolean led = (any & leading[group]) != 0;
            int pluck = (any & LeastMoves.STAYS) != 0 ? 0 : earlier ? lastPlucks[group] : goes;
            int change = ((int) move0 & ChangeTable.EFFORT)
                    + ((int) move1 & ChangeTable.EFFORT)
                    + ((int) move2 & ChangeTable.EFFORT)
                    + ((int) move3 & ChangeTable.EFFORT)
                    + ((int) move4 & ChangeTable.EFFORT)
                    + (led ? shifts.led : shifts.free)[pluck][group];
            leasts[group] = firsts[group] + ring + (long) change * Effort.STEPS;
            end = least ? Math.min(end, leasts[group]) : end;
        }
        return group;
    }

    private GroupShifts shifts(int position) {
        GroupShifts known = shifts[position];
        if (known == null) {
            known = new GroupShifts(table, position, positions, groups, earlier);
            shifts[position] = known;
        }
        return known;
    }

    private int way(int finger, int to) {
        return ownWays[finger][to];
    }

    /** What becomes of notes that should ring over from a class. */
    private long ring(int one, int to) {
        long tune = table.tuneRings() ? ring(tunes[one], layer.tunePlaces[to], SongGraph.TUNE_CUT) : 0;
        return table.bassRings() ? tune + ring(basses[one], layer.bassPlaces[to], SongGraph.BASS_CUT) : tune;
    }

    private long ring(int there, int here, long cut) {
        return earlier ? ChangeTable.ring(there, here, cut) : ChangeTable.ring(here, there, cut);
    }

    @Override
    void look(int to) {
        if (starts.length == 0) {
            list();
        }
        for (int finger = 0; finger < Fingering.FINGERS; finger++) {
            bases[finger] = way(finger, to) * (earlier ? table.strideAfter(finger) : table.strideBefore(finger));
        }
        steps = table.bassSteps(earlier, layer.basses[to]);
        int pair = layer.pairAt[to];
        for (int at = firstLinks[pair]; at < firstLinks[pair + 1]; at++) {
            int one = linkClasses[at];
            if (firsts[firstGroups[one]] + linkRings[at] < cheapest()) {
                look(one, to, linkRings[at]);
            }
        }
    }

    /** Looks at the groups of a class, the likeliest first. */
    private void look(int one, int to, long ring) {
        int begin = firstGroups[one];
        int end = bounds(one, to, ring, cheapest(), false);
        int likeliest = begin;
        for (int group = begin; group < end; group++) {
            likeliest = leasts[group] < leasts[likeliest] ? group : likeliest;
        }
        lookAt(likeliest, to, ring);
        for (int group = begin; group < end; group++) {
            if (group != likeliest) {
                lookAt(group, to, ring);
            }
        }
    }

    /** Looks at the members of a group, the cheapest first, until what is still to come is too dear. */
    private void lookAt(int group, int to, long ring) {
        if (leasts[group] >= cheapest()) {
            return;
        }
        long more = leasts[group] - firsts[group];
        GroupShifts shifts = shifts(layer.positions[to]);
        long leading = shifts.leading[group];
        boolean shifted = layer.positions[to] != positions[group];
        long[] moves0 = table.moves(0);
        long[] moves1 = table.moves(1);
        long[] moves2 = table.moves(2);
        long[] moves3 = table.moves(3);
        long[] moves4 = table.moves(4);
        short[] ways0 = memberWays[0];
        short[] ways1 = memberWays[1];
        short[] ways2 = memberWays[2];
        short[] ways3 = memberWays[3];
        short[] ways4 = memberWays[4];
        for (int at = starts[group]; at < starts[group + 1] && memberCosts[at] + more < cheapest(); at++) {
            long word0 = moves0[bases[0] + ways0[at]];
            long word1 = moves1[bases[1] + ways1[at]];
            long word2 = moves2[bases[2] + ways2[at]];
            long word3 = moves3[bases[3] + ways3[at]];
            long word4 = moves4[bases[4] + ways4[at]];
            long words = word0 | word1 | word2 | word3 | word4;
            int member = members[at];
            int change = ((int) word0 & ChangeTable.EFFORT)
                    + ((int) word1 & ChangeTable.EFFORT)
                    + ((int) word2 & ChangeTable.EFFORT)
                    + ((int) word3 & ChangeTable.EFFORT)
                    + ((int) word4 & ChangeTable.EFFORT)
                    + steps[memberBasses[at]];
            if (shifted) {
                boolean led = (words & leading) != 0;
                change += (led ? shifts.led : shifts.free)[ChangeTable.latest(words)][group];
            }
            long begun = memberCosts[at];
            long told = ring + (long) change * Effort.STEPS;
            if (begun + told < cheapest() && wants(member, begun, told)) {
                offer(
                        member,
                        begun,
                        ring
                                + (earlier
                                        ? table.cost(member, to, change, words)
                                        : table.cost(to, member, change, words)));
            }
        }
    }
}
