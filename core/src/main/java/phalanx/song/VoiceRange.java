package phalanx.song;

import static phalanx.words.Words.wording;

import java.util.Optional;
import phalanx.theory.Pitch;

/**
 * What a singer sings with ease.
 *
 * @param lowMidi the lowest pitch
 * @param highMidi the highest
 */
public record VoiceRange(int lowMidi, int highMidi) {
    public VoiceRange {
        if (lowMidi < 0 || highMidi > 127 || lowMidi >= highMidi) {
            throw new IllegalArgumentException(wording("VoiceRange.a-voice-goes-from-a", lowMidi, highMidi));
        }
    }

    /**
     * Reads {@code A2 to D4}, or two pitches with a dash or a blank between.
     *
     * @throws IllegalArgumentException saying what is not understood
     */
    public static VoiceRange parse(String text) {
        String[] ends = text.trim().split("\\s*(?:\\bto\\b|-|\\u2013|\\s)\\s*");
        if (ends.length != 2) {
            throw new IllegalArgumentException(wording("VoiceRange.is-not-a-range-write", text.trim()));
        }
        return new VoiceRange(Pitch.parse(ends[0]).midi(), Pitch.parse(ends[1]).midi());
    }

    /** The octaves by which a tune must be sung higher to lie within; nothing where it fits in none. */
    public Optional<Integer> octavesFor(int lowestMidi, int highestMidi) {
        for (int octaves = 0; octaves <= 4; octaves++) {
            for (int sign = -1; sign <= 1; sign += 2) {
                int moved = sign * octaves;
                if (lowestMidi + 12 * moved >= lowMidi && highestMidi + 12 * moved <= highMidi) {
                    return Optional.of(moved);
                }
            }
        }
        return Optional.empty();
    }
}
