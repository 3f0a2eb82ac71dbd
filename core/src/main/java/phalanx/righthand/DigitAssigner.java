package phalanx.righthand;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import phalanx.song.Ticks;

/**
 * Gives every pluck a digit of the player's school: the thumb has the bass, digits of one moment stand in string order,
 * none repeats faster than it can where another is free, hands do not cross, fingers stay near home. The digits are an
 * exact shortest path over the moments. What a digit did is remembered for two moments, so the path runs over pairs of
 * neighbouring moments: with n moments of at most k ways each this takes n * k^3 steps.
 */
public final class DigitAssigner {
    private static final double TOO_FAST = 5;
    private static final double UPSTROKE = 1;
    private static final double BRISK = 0.6;
    private static final double SAME_STRING_REPEAT = 0.3;
    private static final double AWAY_FROM_HOME = 0.3;
    private static final double THUMB_OFF_BASS = 1.5;
    private static final double NOT_AS_WANTED = 2;
    /** More than all else of a moment. */
    private static final double NOT_AS_DECIDED = 1_000;

    private static final double CROSSING = 1;
    private static final double STRING_SKIP = 0.1;
    private static final int SHORTEST_RUN = 4;
    /** The order of a fast run on one string: it begins with the thumb, so that the hand ends gathered. */
    private static final Digit[] RUN = {Digit.P, Digit.A, Digit.M, Digit.I};

    private final School school;
    private final Speeds speeds;
    private final double tempo;
    private final Digit[] digits;

    /** @param tempo quarter notes a minute */
    public DigitAssigner(School school, Speeds speeds, double tempo) {
        this.school = school;
        this.speeds = speeds;
        this.tempo = tempo;
        this.digits = school.digits().toArray(Digit[]::new);
    }

    /**
     * A digit for each pluck, in the same order.
     *
     * @param plucks in order of tick, at one tick from the lowest string; more than the school has digits are a brush
     */
    public List<Digit> assign(List<Pluck> plucks) {
        List<Moment> moments = moments(withRuns(plucks));
        List<Digit> assigned = new ArrayList<>(plucks.size());
        int[] way = cheapest(moments);
        for (int i = 0; i < moments.size(); i++) {
            assigned.addAll(List.of(moments.get(i).choices.get(way[i])));
        }
        return assigned;
    }

    /**
     * What a whole assignment costs: the sum that {@link #assign} makes least. For checks.
     *
     * @param assigned a digit for each pluck
     */
    public double cost(List<Pluck> plucks, List<Digit> assigned) {
        List<Moment> moments = moments(withRuns(plucks));
        double cost = 0;
        int at = 0;
        Digit[][] chosen = new Digit[moments.size()][];
        for (int i = 0; i < moments.size(); i++) {
            Moment moment = moments.get(i);
            chosen[i] = assigned.subList(at, at + moment.plucks.size()).toArray(Digit[]::new);
            at += moment.plucks.size();
            cost += placeCost(moment, chosen[i]);
            if (i > 0) {
                cost += changeCost(moments.get(i - 1), chosen[i - 1], moment, chosen[i]);
            }
            if (i > 1) {
                cost += farCost(moments.get(i - 2), chosen[i - 2], chosen[i - 1], moment, chosen[i]);
            }
        }
        return cost;
    }

    /** All ways to give digits to the plucks of one moment. For checks. */
    public List<List<Digit>> ways(List<Pluck> together) {
        return moments(together).get(0).choices.stream().map(List::of).toList();
    }

    /** The plucks of one tick and the ways to give them digits. */
    private record Moment(List<Pluck> plucks, List<Digit[]> choices) {
        int tick() {
            return plucks.get(0).tick();
        }
    }

    /** A run on one string faster than two fingers alternate goes p a m i, from the thumb or up to a brush. */
    private List<Pluck> withRuns(List<Pluck> plucks) {
        List<Pluck> result = new ArrayList<>(plucks);
        boolean canRun = school.digits().containsAll(Arrays.asList(RUN));
        int from = 0;
        for (int i = 1; canRun && i <= plucks.size(); i++) {
            if (i == plucks.size() || !runsOn(plucks, i)) {
                int first = leadsIntoABrush(plucks, i) ? Math.floorMod(from - i, RUN.length) : 0;
                for (int k = from; k < i && i - from >= SHORTEST_RUN; k++) {
                    Pluck pluck = plucks.get(k);
                    Digit digit = RUN[(first + k - from) % RUN.length];
                    result.set(
                            k,
                            new Pluck(pluck.tick(), pluck.string(), pluck.bass(), Optional.of(digit), pluck.brush()));
                }
                from = i;
            }
        }
        return result;
    }

    /** Whether a brush follows within a beat: then the run ends with its last digit, the hand gathered. */
    private static boolean leadsIntoABrush(List<Pluck> plucks, int next) {
        return next < plucks.size()
                && plucks.get(next).tick() - plucks.get(next - 1).tick() <= Ticks.QUARTER
                && plucks.subList(next, plucks.size()).stream()
                        .takeWhile(pluck -> pluck.tick() == plucks.get(next).tick())
                        .anyMatch(Pluck::brush);
    }

    private boolean runsOn(List<Pluck> plucks, int index) {
        Pluck before = plucks.get(index - 1);
        Pluck pluck = plucks.get(index);
        double ms = Ticks.milliseconds(pluck.tick() - before.tick(), tempo);
        return ms > 0
                && 2 * ms < speeds.repeatMs()
                && pluck.string() == before.string()
                && !pluck.bass()
                && !before.bass()
                && pluck.wanted().isEmpty()
                && before.wanted().isEmpty();
    }

    private List<Moment> moments(List<Pluck> plucks) {
        List<Moment> moments = new ArrayList<>();
        int from = 0;
        for (int i = 1; i <= plucks.size(); i++) {
            if (i == plucks.size() || plucks.get(i).tick() != plucks.get(from).tick()) {
                List<Pluck> together = plucks.subList(from, i);
                moments.add(new Moment(together, choices(together)));
                from = i;
            }
        }
        return moments;
    }

    private List<Digit[]> choices(List<Pluck> together) {
        List<Digit[]> choices = new ArrayList<>();
        if (together.stream().noneMatch(Pluck::brush)) {
            addChoices(together, 0, new int[together.size()], choices);
        }
        if (choices.isEmpty()) {
            choices.add(brush(together));
        }
        return choices;
    }

    /** A brush is one stroke of the first finger, over a bass of the thumb; without a bass first in it, the thumb's. */
    private Digit[] brush(List<Pluck> together) {
        Digit finger = digits.length > 1 && together.stream().anyMatch(Pluck::brush) ? digits[1] : Digit.P;
        return together.stream().map(pluck -> pluck.bass() ? Digit.P : finger).toArray(Digit[]::new);
    }

    private void addChoices(List<Pluck> plucks, int index, int[] chosen, List<Digit[]> choices) {
        if (index == plucks.size()) {
            choices.add(Arrays.stream(chosen).mapToObj(digit -> digits[digit]).toArray(Digit[]::new));
            return;
        }
        int from = index == 0 ? 0 : chosen[index - 1] + 1;
        int to = plucks.get(index).bass() && !plucks.get(index).decided() ? 1 : digits.length;
        for (int digit = from; digit < to; digit++) {
            chosen[index] = digit;
            addChoices(plucks, index + 1, chosen, choices);
        }
    }

    /** The index of each moment's choice on the cheapest way. */
    private int[] cheapest(List<Moment> moments) {
        int count = moments.size();
        int[] way = new int[count];
        if (count == 0) {
            return way;
        }
        // best[i][j]: the cheapest way that ends with choice i of the moment before and choice j of this one
        double[][] best = {placeCosts(moments.get(0))};
        int[][][] back = new int[count][][];
        for (int t = 1; t < count; t++) {
            Moment before = moments.get(t - 1);
            Moment moment = moments.get(t);
            int rows = before.choices.size();
            double[] place = placeCosts(moment);
            double[][] next = new double[rows][place.length];
            back[t] = new int[rows][place.length];
            boolean near = t > 1
                    && Ticks.milliseconds(moment.tick() - moments.get(t - 2).tick(), tempo) < speeds.repeatMs();
            for (int i = 0; i < rows; i++) {
                int cheapest = least(best, i);
                for (int j = 0; j < place.length; j++) {
                    int from = cheapest;
                    double cost = best[from][i];
                    if (near) {
                        Digit[] later = moment.choices.get(j);
                        from = leastNear(best, i, moments.get(t - 2), before.choices.get(i), moment, later);
                        cost = best[from][i]
                                + farCost(
                                        moments.get(t - 2),
                                        moments.get(t - 2).choices.get(from),
                                        before.choices.get(i),
                                        moment,
                                        later);
                    }
                    back[t][i][j] = from;
                    next[i][j] =
                            cost + place[j] + changeCost(before, before.choices.get(i), moment, moment.choices.get(j));
                }
            }
            best = next;
        }
        int row = 0;
        int column = 0;
        for (int i = 0; i < best.length; i++) {
            for (int j = 0; j < best[i].length; j++) {
                if (best[i][j] < best[row][column]) {
                    row = i;
                    column = j;
                }
            }
        }
        for (int t = count - 1; t >= 0; t--) {
            way[t] = column;
            if (t > 0) {
                int earlier = back[t][row][column];
                column = row;
                row = earlier;
            }
        }
        return way;
    }

    private static int least(double[][] best, int column) {
        int least = 0;
        for (int row = 1; row < best.length; row++) {
            least = best[row][column] < best[least][column] ? row : least;
        }
        return least;
    }

    /** The same where the moments are so near that a digit of the first one may not be free again. */
    private int leastNear(double[][] best, int column, Moment first, Digit[] between, Moment last, Digit[] later) {
        int least = 0;
        double cost = Double.POSITIVE_INFINITY;
        for (int row = 0; row < best.length; row++) {
            double own = best[row][column] + farCost(first, first.choices.get(row), between, last, later);
            if (own < cost) {
                cost = own;
                least = row;
            }
        }
        return least;
    }

    private double[] placeCosts(Moment moment) {
        return moment.choices.stream()
                .mapToDouble(choice -> placeCost(moment, choice))
                .toArray();
    }

    private double placeCost(Moment moment, Digit[] chosen) {
        double cost = 0;
        for (int i = 0; i < chosen.length; i++) {
            Pluck pluck = moment.plucks.get(i);
            if (chosen[i] == Digit.P) {
                cost += pluck.bass() ? 0 : THUMB_OFF_BASS;
            } else {
                cost += AWAY_FROM_HOME * Math.abs(pluck.string() - school.home(chosen[i]));
            }
            Digit wanted = pluck.wanted().orElse(chosen[i]);
            cost += wanted == chosen[i] ? 0 : pluck.decided() ? NOT_AS_DECIDED : NOT_AS_WANTED;
        }
        return cost;
    }

    /** From one moment to the next: repeats, crossing, skips. */
    private double changeCost(Moment before, Digit[] earlier, Moment after, Digit[] later) {
        double ms = Ticks.milliseconds(after.tick() - before.tick(), tempo);
        double cost = 0;
        for (int i = 0; i < later.length; i++) {
            int string = after.plucks.get(i).string();
            for (int j = 0; j < earlier.length; j++) {
                int stringBefore = before.plucks.get(j).string();
                if (earlier[j] == later[i]) {
                    boolean back = later[i] == Digit.P && ms >= speeds.upMs() && Math.abs(string - stringBefore) <= 1;
                    double soon = back ? UPSTROKE : TOO_FAST;
                    cost += ms < speeds.repeatMs() ? soon : ms < 2 * speeds.repeatMs() ? BRISK : 0;
                    cost += string == stringBefore && later[i] != Digit.P ? SAME_STRING_REPEAT : 0;
                    cost += later[i] == Digit.P ? 0 : STRING_SKIP * Math.abs(string - stringBefore);
                } else if (crosses(earlier[j], stringBefore, later[i], string)) {
                    cost += ms < 2 * speeds.repeatMs() ? CROSSING : CROSSING / 2;
                }
            }
        }
        return cost;
    }

    /** Whether a lower digit goes to a string above that of a higher one, or the other way. */
    private static boolean crosses(Digit earlier, int stringBefore, Digit later, int string) {
        return later.compareTo(earlier) < 0 ? string < stringBefore : string > stringBefore;
    }

    /** A digit that plucks again after one moment between; of the thumb an upstroke may lie there. */
    private double farCost(Moment first, Digit[] earliest, Digit[] between, Moment last, Digit[] later) {
        double ms = Ticks.milliseconds(last.tick() - first.tick(), tempo);
        if (ms >= speeds.repeatMs()) {
            return 0;
        }
        double cost = 0;
        for (Digit digit : later) {
            boolean before = digit != Digit.P && Arrays.asList(between).contains(digit);
            cost += !before && Arrays.asList(earliest).contains(digit) ? TOO_FAST : 0;
        }
        return cost;
    }
}
