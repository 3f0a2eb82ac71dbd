package phalanx.theory;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.OptionalInt;

/**
 * Finds the key and mode of a row of chords and of a tune over them. Every tonic in every mode is weighed by how much of
 * the harmony lies within it, by the weight of its tonic chord, by what stands first and last, and by cadences. The
 * weights are ours, set on common progressions.
 */
public final class KeyFinder {
    /** A chord outside the scale counts so much less for each foreign tone. */
    /** All keys, the commoner modes first: of equally likely ones the first is taken. */
    private static final List<Key> CANDIDATES = List.copyOf(candidates());

    private static final double FOREIGN_TONE = 0.45;
    /** A raised seventh in minor is hardly foreign. */
    private static final double LEADING_NOTE = 0.05;

    private static final double TUNE_SHARE = 0.35;
    private static final double LAST_IS_TONIC = 0.26;
    private static final double FIRST_IS_TONIC = 0.2;
    private static final double TONIC_SHARE = 0.3;
    private static final double CADENCE = 0.12;
    private static final double WRONG_THIRD = -0.1;
    private static final double SIGNATURE = 0.15;
    /** Modes other than major and minor are rarer. */
    private static final double RARE_MODE = -0.06;

    private static final double RARER_MODE = -0.08;
    private static final int FIFTH = 7;

    /**
     * A chord and how long it sounds.
     *
     * @param chord which
     * @param weight such as its ticks, above 0
     */
    public record Weighted(ChordSymbol chord, double weight) {
        public Weighted {
            Objects.requireNonNull(chord, "chord");
            if (!(weight > 0)) {
                throw new IllegalArgumentException(wording("KeyFinder.chord-of-weight", chord, weight));
            }
        }
    }

    private final List<Weighted> chords;
    private final double[] tune;
    private final double chordWeight;
    private final double tuneWeight;

    /**
     * @param chords in order
     * @param tune how long each pitch class sounds in the tune, from C; all nought where there is none
     */
    public KeyFinder(List<Weighted> chords, double[] tune) {
        if (tune.length != 12) {
            throw new IllegalArgumentException(wording("KeyFinder.a-tune-has-twelve-pitch", tune.length));
        }
        this.chords = List.copyOf(chords);
        this.tune = tune.clone();
        double sum = 0;
        for (double weight : tune) {
            sum += weight;
        }
        this.tuneWeight = sum;
        this.chordWeight = chords.stream().mapToDouble(Weighted::weight).sum();
    }

    /**
     * The likeliest key; C major where nothing sounds.
     *
     * @param fifths the signature that is written, counted in sharps; it tells between keys that fit about equally
     */
    public Key find(int fifths) {
        return best(OptionalInt.of(fifths));
    }

    /** The likeliest key of harmony and tune alone. */
    public Key find() {
        return best(OptionalInt.empty());
    }

    private Key best(OptionalInt signature) {
        Key best = Key.C_MAJOR;
        double most = Double.NEGATIVE_INFINITY;
        for (Key key : CANDIDATES) {
            boolean written = signature.isPresent() && key.fifths() == signature.getAsInt();
            double score = score(key) + (written ? SIGNATURE : 0);
            if (score > most) {
                most = score;
                best = key;
            }
        }
        return best;
    }

    /** One spelling of each tonic in each mode, the one with the fewest signs, C major first. */
    private static List<Key> candidates() {
        List<Key> keys = new ArrayList<>();
        for (Key.Mode mode : Key.Mode.values()) {
            for (int tonic = 0; tonic < 12; tonic++) {
                keys.add(Key.ofFifths(0, mode).transpose(tonic));
            }
        }
        return keys;
    }

    private double score(Key key) {
        double score = rarity(key.mode());
        if (chordWeight > 0) {
            score += chordFit(key) + TONIC_SHARE * tonicShare(key) + ends(key) + cadences(key);
        }
        if (tuneWeight > 0) {
            score += TUNE_SHARE * tuneFit(key);
        }
        return score;
    }

    private static double rarity(Key.Mode mode) {
        return switch (mode) {
            case MAJOR, MINOR -> 0;
            case DORIAN, MIXOLYDIAN -> RARE_MODE;
            case LYDIAN, PHRYGIAN -> RARER_MODE;
        };
    }

    private double chordFit(Key key) {
        double fit = 0;
        int scale = key.pitchClasses();
        for (Weighted one : chords) {
            fit += one.weight * (1 - foreign(one.chord, key, scale));
        }
        return fit / chordWeight;
    }

    private static double foreign(ChordSymbol chord, Key key, int scale) {
        int outside = chord.pitchClasses() & ~scale;
        int leading = 1 << Math.floorMod(key.tonic().pitchClass() - 1, 12);
        boolean raised = key.mode() == Key.Mode.MINOR && isDominant(chord, key);
        double foreign = raised && (outside & leading) != 0 ? LEADING_NOTE : 0;
        return Math.min(1, foreign + FOREIGN_TONE * Integer.bitCount(raised ? outside & ~leading : outside));
    }

    private static boolean isDominant(ChordSymbol chord, Key key) {
        int above = Math.floorMod(chord.root().pitchClass() - key.tonic().pitchClass(), 12);
        return above == FIFTH || above == 11;
    }

    /** 1 where the chord stands on the tonic with the mode's third, less with none, below nought with the other. */
    private static double tonic(ChordSymbol chord, Key key) {
        if (chord.root().pitchClass() != key.tonic().pitchClass()) {
            return 0;
        }
        int minorThird = chord.pitchClasses() >> Math.floorMod(chord.root().pitchClass() + 3, 12) & 1;
        int majorThird = chord.pitchClasses() >> Math.floorMod(chord.root().pitchClass() + 4, 12) & 1;
        int own = key.mode().isMinor() ? minorThird : majorThird;
        return own == 1 ? 1 : minorThird + majorThird == 0 ? 0.5 : WRONG_THIRD;
    }

    private double tonicShare(Key key) {
        return chords.stream()
                        .mapToDouble(one -> one.weight * tonic(one.chord, key))
                        .sum()
                / chordWeight;
    }

    private double ends(Key key) {
        double last = tonic(chords.get(chords.size() - 1).chord, key);
        double first = tonic(chords.get(0).chord, key);
        return LAST_IS_TONIC * last + FIRST_IS_TONIC * first;
    }

    /** Some of the chords before a tonic are the dominant, or the modal one beside it. */
    private double cadences(Key key) {
        double best = 0;
        for (int i = 0; i < chords.size(); i++) {
            ChordSymbol goal = chords.get(i).chord;
            ChordSymbol before = chords.get(Math.floorMod(i - 1, chords.size())).chord;
            if (tonic(goal, key) == 1) {
                best = Math.max(best, leadsHome(before, key));
            }
        }
        return CADENCE * best;
    }

    private static double leadsHome(ChordSymbol chord, Key key) {
        int above = Math.floorMod(chord.root().pitchClass() - key.tonic().pitchClass(), 12);
        int majorThird = chord.pitchClasses() >> Math.floorMod(chord.root().pitchClass() + 4, 12) & 1;
        boolean dominantSeventh = majorThird == 1
                && (chord.pitchClasses() >> Math.floorMod(chord.root().pitchClass() + 10, 12) & 1) == 1;
        return switch (above) {
            case FIFTH -> majorThird == 0 ? 0.2 : dominantSeventh ? 1 : 0.8;
            case 5 -> 0.35;
            case 10 -> majorThird == 1 && key.mode() != Key.Mode.MAJOR ? 0.6 : 0;
            case 1 -> key.mode() == Key.Mode.PHRYGIAN && majorThird == 1 ? 1 : 0;
            case 2 -> key.mode() == Key.Mode.LYDIAN && majorThird == 1 ? 1 : 0;
            default -> 0;
        };
    }

    private double tuneFit(Key key) {
        double inside = 0;
        int scale = key.pitchClasses();
        for (int pitchClass = 0; pitchClass < 12; pitchClass++) {
            inside += (scale >> pitchClass & 1) == 1 ? tune[pitchClass] : -tune[pitchClass] / 2;
        }
        return inside / tuneWeight;
    }
}
