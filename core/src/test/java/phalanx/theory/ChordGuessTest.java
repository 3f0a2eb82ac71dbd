package phalanx.theory;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;

/** Chords heard in what sounds. */
class ChordGuessTest {
    private final ChordGuess guess = new ChordGuess(Key.C_MAJOR);

    private static double[] sounding(int root, int... semitones) {
        double[] weights = new double[12];
        for (int semitone : semitones) {
            weights[(root + semitone) % 12] += 1;
        }
        return weights;
    }

    private ChordSymbol heard(double[] weights, int bass) {
        return guess.guess(weights, bass).orElseThrow();
    }

    /** Semitones above the root as any book of harmony has them. */
    @Property(tries = 12)
    void plainChordsAreHeardInEveryKey(@ForAll @IntRange(max = 11) int root) {
        List<int[]> chords = List.of(
                new int[] {0, 4, 7},
                new int[] {0, 3, 7},
                new int[] {0, 4, 7, 10},
                new int[] {0, 3, 7, 10},
                new int[] {0, 4, 7, 11},
                new int[] {0, 3, 6},
                new int[] {0, 5, 7});
        List<String> kinds = List.of("", "m", "7", "m7", "maj7", "dim", "sus4");
        for (int i = 0; i < chords.size(); i++) {
            ChordSymbol chord = heard(sounding(root, chords.get(i)), root);
            assertThat(chord.root().pitchClass()).isEqualTo(root);
            assertThat(chord.toString()).isEqualTo(Key.C_MAJOR.spell(root) + kinds.get(i));
        }
    }

    @Property(tries = 100)
    void aPassingToneDoesNotChangeIt(@ForAll long seed) {
        Random random = new Random(seed);
        int root = random.nextInt(12);
        boolean minor = random.nextBoolean();
        double[] weights = sounding(root, 0, minor ? 3 : 4, 7);
        int passing = (root + new int[] {2, 5, 9}[random.nextInt(3)]) % 12;
        weights[passing] += 0.3;
        ChordSymbol chord = heard(weights, root);
        assertThat(chord.toString()).isEqualTo(Key.C_MAJOR.spell(root) + (minor ? "m" : ""));
    }

    /** Longer or louder by the same everywhere, or all a semitone higher: the same chord, or the one a semitone higher. */
    @Property(tries = 200)
    void onlyProportionsAndIntervalsCount(@ForAll long seed) {
        Random random = new Random(seed);
        double[] weights = new double[12];
        for (int i = 0; i < 3 + random.nextInt(4); i++) {
            weights[random.nextInt(12)] += 0.2 + random.nextDouble();
        }
        int bass = random.nextInt(12);
        double[] longer = new double[12];
        double[] higher = new double[12];
        for (int pitchClass = 0; pitchClass < 12; pitchClass++) {
            longer[pitchClass] = 8 * weights[pitchClass];
            higher[(pitchClass + 1) % 12] = weights[pitchClass];
        }
        ChordSymbol chord = heard(weights, bass);
        assertThat(heard(longer, bass)).isEqualTo(chord);
        ChordSymbol moved = heard(higher, (bass + 1) % 12);
        // of two that fit equally well either will do: the same of what sounds belongs to them
        int back = (moved.pitchClasses() >> 1 | moved.pitchClasses() << 11) & 0xFFF;
        int sounding = 0;
        for (int pitchClass = 0; pitchClass < 12; pitchClass++) {
            sounding |= weights[pitchClass] > 0 ? 1 << pitchClass : 0;
        }
        assertThat(back & sounding).isEqualTo(chord.pitchClasses() & sounding);
    }

    @Example
    void onlySoundingNotesAreHeardAsTheKeySpellsThem() {
        // C E G A: C with a sixth, or A minor seven
        double[] both = sounding(0, 0, 4, 7, 9);
        assertThat(heard(both, 9).toString()).isEqualTo("Am7");
        assertThat(heard(sounding(0, 0, 4, 9), 0).root().pitchClass())
                .as("A minor over its third")
                .isEqualTo(9);
        assertThat(guess.guess(new double[12], 0)).isEmpty();
        assertThat(new ChordGuess(Key.parse("Eb"))
                        .guess(sounding(3, 0, 4, 7), 3)
                        .orElseThrow()
                        .toString())
                .as("spelled by the key")
                .isEqualTo("Eb");
    }
}
