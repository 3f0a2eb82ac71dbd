package phalanx.listening;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import phalanx.arrange.score.ArrangedNote;

/**
 * Whether a note that is asked for is what began at an onset: the spectrum after it, less what rang before, is compared at
 * the note's partials and at those of its neighbours, where they can be told apart. The thresholds were set on rendered takes.
 */
final class Pitches {
    private static final double STRETCH_SECONDS = 0.2;
    private static final double SHORTEST_SECONDS = 0.08;
    private static final double AFTER_SECONDS = 0.008;
    private static final int PADDED = 16_384;
    private static final double HIGHEST_HERTZ = 5000;
    private static final int MOST_PARTIALS = 24;
    /** Half the width of a partial under the window, times the stretch: a Hann window's main lobe is four bins wide. */
    private static final double HALF_LOBE = 1.3;

    /** Partials are compared by this power of their size, so that high ones count beside low ones. */
    private static final double COMPRESSED = 0.3;

    private static final double AROUND = Math.pow(2, 0.2 / 12);
    /** So much better a neighbour fits before the note counts as wrong. */
    private static final double BETTER = 1;
    /** The same for one further away than a whole tone, which other notes can feign. */
    private static final double MUCH_BETTER = 2;
    /** No ratio above it says more. */
    private static final double FITS_BEST = 100;
    /** Other notes are looked for so many semitones around. */
    private static final int NEIGHBOURS = 4;

    private static final int WHOLE_TONE = 2;

    private static final int FEWEST_PARTIALS = 2;

    /** Every second partial of a note is one of its octave's, every third of its twelfth's. */
    private static final Map<Integer, Integer> OCTAVE_PARTIALS = Map.of(12, 2, 19, 3, 24, 4);

    private final Take take;

    Pitches(Take take) {
        this.take = take;
    }

    /**
     * What a note's partials hold at an onset.
     *
     * @param strength of the note as asked, a mean over its own partials
     * @param other the neighbour that fits best, if one can be compared
     * @param otherStrength of that neighbour
     * @param fit how much better than the note as asked it fits, as a ratio; infinite where the note is hidden
     * @param raised of a hidden note: how large the partials are that it shares with a lower one, beside those of the lower
     *     one alone; infinite where that is not told
     */
    record Held(double strength, Optional<Integer> other, double otherStrength, double fit, double raised) {
        /** Whether all partials of the note as asked lie on those of notes that sound with it, as an octave's do. */
        boolean hidden() {
            return fit == Double.POSITIVE_INFINITY;
        }

        /** Whether another note than the one that is asked for is heard. */
        boolean isOther() {
            return fit > BETTER && !hidden();
        }
    }

    /**
     * @param together all notes that begin there
     * @param repeats whether its string has just sounded the same note, so that nothing of it need be new
     * @param before seconds since the onset before, and to the next
     */
    Held of(
            ArrangedNote note,
            List<ArrangedNote> together,
            boolean repeats,
            double onset,
            double before,
            double after) {
        double length = Math.max(SHORTEST_SECONDS, Math.min(STRETCH_SECONDS, after - 2 * AFTER_SECONDS));
        double earlier = Math.max(SHORTEST_SECONDS, Math.min(STRETCH_SECONDS, before - AFTER_SECONDS));
        double[] now = spectrum(onset + AFTER_SECONDS, length);
        double[] then = spectrum(onset - AFTER_SECONDS - earlier, earlier);
        double[] raw = now.clone();
        for (int bin = 0; bin < now.length; bin++) {
            now[bin] = Math.max(0, now[bin] - then[bin]);
        }
        double lobe = HALF_LOBE / length;
        double[] own = partials(note.midi(), note, together, now, lobe);
        if (Arrays.stream(own).noneMatch(Double::isFinite)) {
            return hidden(note, together, repeats, now, lobe);
        }
        double[] sounding = repeats ? partials(note.midi(), note, together, raw, lobe) : own;
        double best = 0;
        double strength = 0;
        int neighbour = note.midi();
        for (int by = -NEIGHBOURS; by <= NEIGHBOURS; by++) {
            int midi = note.midi() + by;
            if (by == 0 || isOfAnother(midi, note, together)) {
                continue;
            }
            double[] other = partials(midi, note, together, now, lobe);
            // partial beside partial, where both can be told apart: low ones are louder than high ones
            double ofOwn = 0;
            double ofOther = 0;
            int counted = 0;
            for (int k = 0; k < own.length; k++) {
                if (!Double.isNaN(sounding[k]) && !Double.isNaN(other[k]) && apart(k + 1, note, by, lobe)) {
                    ofOwn += sounding[k];
                    ofOther += other[k];
                    counted++;
                }
            }
            double better = Math.abs(by) > WHOLE_TONE ? BETTER / MUCH_BETTER : 1;
            if (counted >= FEWEST_PARTIALS && better * ofOther > best * ofOwn) {
                best = Math.min(FITS_BEST, better * ofOther / Math.max(1e-9, ofOwn));
                strength = ofOther / counted;
                neighbour = midi;
            }
        }
        return new Held(
                mean(own),
                best > 0 ? Optional.of(neighbour) : Optional.empty(),
                strength,
                best,
                Double.POSITIVE_INFINITY);
    }

    /** Of a note that cannot be told from those that sound with it: what sounds next to it. */
    private Held hidden(ArrangedNote note, List<ArrangedNote> together, boolean repeats, double[] now, double lobe) {
        double strength = 0;
        int neighbour = note.midi();
        for (int by = -WHOLE_TONE; by <= WHOLE_TONE; by++) {
            int midi = note.midi() + by;
            if (by == 0 || isOfAnother(midi, note, together)) {
                continue;
            }
            double[] other = partials(midi, note, together, now, lobe);
            boolean told = Arrays.stream(other).filter(Double::isFinite).count() >= FEWEST_PARTIALS;
            if (told && mean(other) > strength) {
                strength = mean(other);
                neighbour = midi;
            }
        }
        return new Held(
                0,
                strength > 0 ? Optional.of(neighbour) : Optional.empty(),
                strength,
                Double.POSITIVE_INFINITY,
                repeats ? Double.POSITIVE_INFINITY : raised(note, together, now, lobe));
    }

    /** By how much a note raises every second, third or fourth partial of a lower one above the partials beside them. */
    private double raised(ArrangedNote note, List<ArrangedNote> together, double[] now, double lobe) {
        for (ArrangedNote low : together) {
            int every = OCTAVE_PARTIALS.getOrDefault(note.midi() - low.midi(), 0);
            if (every > 0) {
                List<ArrangedNote> others =
                        together.stream().filter(one -> one != note).toList();
                double[] partials = IntStream.rangeClosed(1, MOST_PARTIALS)
                        .mapToDouble(k -> partial(k * Asked.hertz(low), low, others, now, lobe))
                        .toArray();
                double shared = 0;
                double alone = 0;
                for (int k = every; k < partials.length; k += every) {
                    double beside = mean(new double[] {partials[k - 2], partials[k]});
                    if (!Double.isNaN(partials[k - 1]) && beside > 0) {
                        shared += partials[k - 1];
                        alone += beside;
                    }
                }
                return alone > 0 ? shared / alone : Double.POSITIVE_INFINITY;
            }
        }
        return Double.POSITIVE_INFINITY;
    }

    /** Whether a pitch is one that is asked for, or lies nearer to another note that is: then it is that one's. */
    private static boolean isOfAnother(int midi, ArrangedNote note, List<ArrangedNote> together) {
        return together.stream()
                .filter(other -> other != note)
                .anyMatch(other -> Math.abs(other.midi() - midi) < Math.abs(note.midi() - midi));
    }

    /** Whether a partial of the note is none of the neighbour's, nor the other way round. */
    private static boolean apart(int k, ArrangedNote note, int by, double lobe) {
        double own = Asked.hertz(note);
        double other = own * Math.pow(2, by / 12.0);
        double reach = lobe + (AROUND - 1) * k * Math.max(own, other);
        return beside(k * own, other) > reach && beside(k * other, own) > reach;
    }

    /** How far a frequency lies from the nearest multiple of another. */
    private static double beside(double hertz, double base) {
        return Math.abs(Math.max(1, Math.round(hertz / base)) * base - hertz);
    }

    private static double mean(double[] partials) {
        return Arrays.stream(partials).filter(Double::isFinite).average().orElse(0);
    }

    private double[] spectrum(double from, double seconds) {
        int window = (int) (seconds * take.rate());
        return new Spectra(take, window, Math.max(PADDED, Integer.highestOneBit(2 * window - 1)))
                .at((int) (from * take.rate()));
    }

    /** The partials of a pitch, none where they do not stand apart from other notes or from its neighbours. */
    private double[] partials(int midi, ArrangedNote note, List<ArrangedNote> together, double[] sizes, double lobe) {
        double base = Asked.hertz(note) * Math.pow(2, (midi - note.midi()) / 12.0);
        double[] partials = new double[MOST_PARTIALS];
        Arrays.fill(partials, Double.NaN);
        for (int k = 1; k <= MOST_PARTIALS; k++) {
            double hertz = k * base;
            boolean resolved = hertz * (Math.pow(2, 1 / 12.0) - 1) > lobe;
            if (resolved) {
                partials[k - 1] = partial(hertz, note, together, sizes, lobe);
            }
        }
        return partials;
    }

    /** How large one partial is; not a number where it does not stand apart from those of other notes. */
    private double partial(double hertz, ArrangedNote note, List<ArrangedNote> together, double[] sizes, double lobe) {
        return hertz < HIGHEST_HERTZ && standsApart(hertz, note, together, lobe)
                ? Math.pow(loudest(sizes, hertz), COMPRESSED)
                : Double.NaN;
    }

    private static boolean standsApart(double hertz, ArrangedNote note, List<ArrangedNote> together, double lobe) {
        for (ArrangedNote other : together) {
            if (other != note && beside(hertz, Asked.hertz(other)) < lobe + (AROUND - 1) * hertz) {
                return false;
            }
        }
        return true;
    }

    private double loudest(double[] sizes, double hertz) {
        double perBin = take.rate() / (2.0 * sizes.length);
        int low = (int) Math.floor(hertz / AROUND / perBin);
        int high = Math.min(sizes.length - 1, (int) Math.ceil(hertz * AROUND / perBin));
        double loudest = 0;
        for (int bin = low; bin <= high; bin++) {
            loudest = Math.max(loudest, sizes[bin]);
        }
        return loudest;
    }
}
