package phalanx.theory;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/**
 * Hears a chord in sounding notes: of all plain chords the one that most of the sound belongs to, the bass counting
 * more. The weights are ours.
 */
public final class ChordGuess {
    private static final List<String> KINDS = List.of("", "m", "7", "m7", "maj7", "dim", "sus4");
    private static final double OUTSIDE = 0.7;
    private static final double ROOT_IN_BASS = 0.35;
    private static final double MISSING_TONE = 0.25;
    private static final double RARER_KIND = 0.02;

    private final List<Plain> chords = new ArrayList<>();

    /** A chord with its pitch classes, and what its kind costs. */
    private record Plain(ChordSymbol chord, int tones, double rarer) {}

    /** @param key spells the chord */
    public ChordGuess(Key key) {
        for (int root = 0; root < 12; root++) {
            for (int kind = 0; kind < KINDS.size(); kind++) {
                ChordSymbol chord = ChordSymbol.parse(key.spell(root) + KINDS.get(kind));
                chords.add(new Plain(chord, chord.pitchClasses(), RARER_KIND * kind));
            }
        }
    }

    /**
     * The likeliest chord; nothing where nothing sounds.
     *
     * @param weights how long each pitch class sounds, from C
     * @param bass the pitch class of the lowest note
     */
    public Optional<ChordSymbol> guess(double[] weights, int bass) {
        double all = Arrays.stream(weights).sum();
        if (!(all > 0)) {
            return Optional.empty();
        }
        ChordSymbol best = null;
        double most = Double.NEGATIVE_INFINITY;
        for (Plain plain : chords) {
            double rooted = plain.chord.root().pitchClass() == bass ? ROOT_IN_BASS : 0;
            double score = score(plain.tones, weights, all) - plain.rarer + rooted;
            if (score > most) {
                most = score;
                best = plain.chord;
            }
        }
        return Optional.ofNullable(best);
    }

    private static double score(int tones, double[] weights, double all) {
        double score = 0;
        for (int pitchClass = 0; pitchClass < 12; pitchClass++) {
            boolean inside = (tones >> pitchClass & 1) == 1;
            score += inside ? weights[pitchClass] / all : -OUTSIDE * weights[pitchClass] / all;
            score -= inside && weights[pitchClass] == 0 ? MISSING_TONE : 0;
        }
        return score;
    }
}
