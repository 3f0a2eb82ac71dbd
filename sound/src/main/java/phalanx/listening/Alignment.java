package phalanx.listening;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import phalanx.song.Bisection;
import phalanx.song.Ticks;

/** Which onset of a take is which stroke: to the click where there is one, else by following the player's own beat. */
final class Alignment {
    /** A stroke may be so far from where it is due. */
    private static final double REACH_SECONDS = 0.09;
    /** Of the time to the stroke before or after it, at most this share. */
    private static final double REACH_SHARE = 0.42;

    private static final double SLOWEST = 0.3;
    private static final double FASTEST = 1.7;
    private static final double TEMPO_STEP = 0.01;
    /** The tempo is looked for over so many strokes, any of the first onsets being the first of them. */
    private static final int TRIED_STROKES = 24;

    private static final int TRIED_ONSETS = 5;
    /** So much of an error is followed in place, and in pace. */
    private static final double FOLLOWED = 0.3;

    private static final double PACE_FOLLOWED = 0.06;

    private final List<Asked> asked;
    private final List<Double> onsets;
    /** The click counts from the passage's first tick, which may lie before the first stroke. */
    private final int start;

    private final double[] found;
    private int extra;

    /** One in which nothing is found yet. */
    Alignment(List<Asked> asked, List<Double> onsets, int start) {
        this.start = start;
        this.asked = asked;
        this.onsets = onsets;
        this.found = new double[asked.size()];
        Arrays.fill(found, Double.NaN);
    }

    /**
     * To a click.
     *
     * @param start first tick of the passage
     */
    static Alignment to(List<Asked> asked, List<Double> onsets, int start, Click click) {
        Alignment alignment = new Alignment(asked, onsets, start);
        if (!onsets.isEmpty()) {
            alignment.track(click, false);
        }
        return alignment;
    }

    /**
     * Without a click: one for each of the first onsets as the first stroke, at the tempo that fits it best. Where all
     * strokes are evenly apart rhythm alone does not tell them from each other.
     *
     * @param tempo written, quarter notes a minute
     */
    static List<Alignment> guesses(List<Asked> asked, List<Double> onsets, int start, double tempo) {
        List<Alignment> guesses = new ArrayList<>();
        for (int first = 0; first < Math.min(TRIED_ONSETS, onsets.size()); first++) {
            Alignment alignment = new Alignment(asked, onsets, start);
            alignment.track(alignment.guess(tempo, onsets.get(first)), true);
            guesses.add(alignment);
        }
        return guesses;
    }

    /** Seconds at which a stroke was heard; not a number where it was not. */
    double found(int stroke) {
        return found[stroke];
    }

    int heard() {
        return (int) Arrays.stream(found).filter(Double::isFinite).count();
    }

    /** Onsets between the first and the last stroke that are none of them. */
    int extra() {
        return extra;
    }

    private int from() {
        return asked.get(0).tick();
    }

    /** The tempo at which most strokes have an onset when one is the first of them, the nearest written tempo first. */
    private Click guess(double tempo, double onset) {
        Click best = new Click(onset, tempo);
        double most = Double.NEGATIVE_INFINITY;
        int some = Math.min(TRIED_STROKES, asked.size());
        for (double ratio = SLOWEST; ratio <= FASTEST; ratio += TEMPO_STEP) {
            Click tried = new Click(onset, tempo * ratio);
            double score = 0;
            for (int i = 0; i < some; i++) {
                double due = tried.at(asked.get(i).tick() - from());
                double near = onsets.get(nearest(due)) - due;
                double width = 0.25 * gap(tried, i);
                score += Math.max(0, 1 - Math.abs(near) / width);
            }
            // strokes twice as far apart hit as often: fewer onsets left over decide
            double end = tried.at(asked.get(some - 1).tick() - from());
            long between = onsets.stream()
                    .filter(one -> one >= tried.seconds() - 0.02 && one <= end + 0.02)
                    .count();
            score -= 0.5 * Math.abs(between - some) + 0.001 * Math.abs(Math.log(ratio));
            if (score > most) {
                most = score;
                best = tried;
            }
        }
        return best;
    }

    /** Seconds to the nearer neighbour of a stroke. */
    private double gap(Click click, int i) {
        double tick = Ticks.milliseconds(1, click.tempo()) / 1000;
        double before = i == 0
                ? Double.POSITIVE_INFINITY
                : asked.get(i).tick() - asked.get(i - 1).tick();
        double after = i + 1 == asked.size()
                ? Double.POSITIVE_INFINITY
                : asked.get(i + 1).tick() - asked.get(i).tick();
        return tick * Math.min(Math.min(before, after), 4 * Ticks.QUARTER);
    }

    private int nearest(double seconds) {
        int low = Bisection.first(onsets.size() - 1, index -> onsets.get(index) >= seconds);
        return low > 0 && seconds - onsets.get(low - 1) < onsets.get(low) - seconds ? low - 1 : low;
    }

    private void track(Click first, boolean follows) {
        double pace = Ticks.milliseconds(1, first.tempo()) / 1000;
        double due = first.at(follows ? 0 : asked.get(0).tick() - start);
        List<Integer> used = new ArrayList<>();
        for (int i = 0; i < asked.size(); i++) {
            if (i > 0) {
                due += (asked.get(i).tick() - asked.get(i - 1).tick()) * pace;
            }
            int near = nearest(due);
            double error = onsets.get(near) - due;
            double reach = Math.min(REACH_SECONDS, REACH_SHARE * gap(first, i));
            boolean taken = !used.isEmpty() && used.get(used.size() - 1) >= near;
            if (Math.abs(error) <= reach && !taken) {
                found[i] = onsets.get(near);
                used.add(near);
                if (follows) {
                    due += FOLLOWED * error;
                    int ticks = i == 0
                            ? Ticks.QUARTER
                            : asked.get(i).tick() - asked.get(i - 1).tick();
                    pace += PACE_FOLLOWED * error / Math.max(ticks, Ticks.QUARTER / 2);
                }
            }
        }
        extra = used.isEmpty() ? 0 : used.get(used.size() - 1) - used.get(0) + 1 - used.size();
    }
}
