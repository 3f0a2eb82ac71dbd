package phalanx.righthand;

import java.util.ArrayList;
import java.util.List;
import phalanx.lefthand.LayeredPath;
import phalanx.lefthand.PathCost;
import phalanx.song.Ticks;

/**
 * Gives every pluck a digit: the thumb has the bass, the others stand in string order p i m a, and no digit repeats
 * faster than it can where another is free. An exact shortest path over the moments; what a digit did is remembered
 * from one moment to the next.
 */
public final class DigitAssigner {
    /** One digit repeats comfortably about 5 times a second. From memory. */
    public static final double REPEAT_LIMIT_MS = 200;

    private static final double TOO_FAST = 5;
    private static final double BRISK = 0.6;
    private static final double SAME_STRING_REPEAT = 0.3;
    private static final double AWAY_FROM_HOME = 0.3;
    private static final double THUMB_OFF_BASS = 1.5;
    private static final Digit[] DIGITS = Digit.values();

    private final double tempo;

    /** @param tempo quarter notes a minute */
    public DigitAssigner(double tempo) {
        this.tempo = tempo;
    }

    /**
     * A digit for each pluck, in the same order.
     *
     * @param plucks in order of tick, at one tick from the lowest string; more than there are digits are a brush of the
     *     thumb
     */
    public List<Digit> assign(List<Pluck> plucks) {
        List<Moment> moments = moments(plucks);
        LayeredPath.Way way = new LayeredPath().cheapest(graph(moments));
        List<Digit> digits = new ArrayList<>(plucks.size());
        for (int i = 0; i < moments.size(); i++) {
            for (int digit : moments.get(i).choices.get(way.candidates().get(i))) {
                digits.add(DIGITS[digit]);
            }
        }
        return digits;
    }

    /** The plucks of one tick and the ways to give them digits. */
    private record Moment(List<Pluck> plucks, List<int[]> choices) {
        int tick() {
            return plucks.get(0).tick();
        }
    }

    private static List<Moment> moments(List<Pluck> plucks) {
        List<Moment> moments = new ArrayList<>();
        int from = 0;
        for (int i = 1; i <= plucks.size(); i++) {
            if (i == plucks.size() || plucks.get(i).tick() != plucks.get(from).tick()) {
                List<Pluck> together = plucks.subList(from, i);
                List<int[]> choices = new ArrayList<>();
                addChoices(together, 0, new int[together.size()], choices);
                if (choices.isEmpty()) {
                    choices.add(new int[together.size()]);
                }
                moments.add(new Moment(together, choices));
                from = i;
            }
        }
        return moments;
    }

    private static void addChoices(List<Pluck> plucks, int index, int[] digits, List<int[]> choices) {
        if (index == plucks.size()) {
            choices.add(digits.clone());
            return;
        }
        boolean bass = plucks.get(index).bass();
        int from = index == 0 ? 0 : digits[index - 1] + 1;
        for (int digit = from; digit < (bass ? 1 : DIGITS.length); digit++) {
            digits[index] = digit;
            addChoices(plucks, index + 1, digits, choices);
        }
    }

    private LayeredPath.Graph graph(List<Moment> moments) {
        return new LayeredPath.Graph() {
            @Override
            public int layers() {
                return moments.size();
            }

            @Override
            public int candidates(int layer) {
                return moments.get(layer).choices.size();
            }

            @Override
            public long cost(int layer, int candidate) {
                Moment moment = moments.get(layer);
                return PathCost.pack(0, 0, placeCost(moment.plucks, moment.choices.get(candidate)));
            }

            @Override
            public long change(int layer, int from, int to, long enough) {
                Moment before = moments.get(layer - 1);
                Moment after = moments.get(layer);
                return PathCost.pack(0, 0, repeatCost(before, before.choices.get(from), after, after.choices.get(to)));
            }
        };
    }

    private static double placeCost(List<Pluck> plucks, int[] digits) {
        double cost = 0;
        for (int i = 0; i < digits.length; i++) {
            Pluck pluck = plucks.get(i);
            if (digits[i] == 0) {
                cost += pluck.bass() ? 0 : THUMB_OFF_BASS;
            } else {
                int home = 4 - digits[i];
                cost += AWAY_FROM_HOME * Math.abs(pluck.string() - home);
            }
        }
        return cost;
    }

    private double repeatCost(Moment before, int[] earlier, Moment after, int[] later) {
        double gapMs = Ticks.milliseconds(after.tick() - before.tick(), tempo);
        double cost = 0;
        for (int i = 0; i < later.length; i++) {
            for (int j = 0; j < earlier.length; j++) {
                if (earlier[j] == later[i]) {
                    boolean sameString =
                            before.plucks.get(j).string() == after.plucks.get(i).string();
                    cost += gapMs < REPEAT_LIMIT_MS ? TOO_FAST : gapMs < 2 * REPEAT_LIMIT_MS ? BRISK : 0;
                    cost += sameString && later[i] != 0 ? SAME_STRING_REPEAT : 0;
                }
            }
        }
        return cost;
    }
}
