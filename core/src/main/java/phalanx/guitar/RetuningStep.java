package phalanx.guitar;

import static phalanx.words.Words.wording;

import java.util.Objects;
import java.util.Optional;

/**
 * One string to be retuned.
 *
 * @param string which, 1 at the treble side
 * @param fromMidi its pitch before
 * @param toMidi its pitch after
 * @param check how to hear that it is right, by a string that is right already; none when no other is
 */
public record RetuningStep(int string, int fromMidi, int toMidi, Optional<Check> check) {
    public RetuningStep {
        Objects.requireNonNull(check, "check");
        if (fromMidi == toMidi) {
            throw new IllegalArgumentException(wording("RetuningStep.string-stays-where-it-is", string));
        }
    }

    /** How far it goes, in semitones; negative is down. */
    public int semitones() {
        return toMidi - fromMidi;
    }

    /**
     * A comparison with another string.
     *
     * @param string the string to compare with
     * @param fret where the lower of the two is pressed so that both sound alike; 0 when both are open
     * @param pressed the string that is pressed
     * @param semitones from the other string up to this one, both open
     */
    public record Check(int string, int fret, int pressed, int semitones) {
        private static final String[] INTERVALS = {
            wording("RetuningStep.unison"),
            wording("RetuningStep.semitone"),
            wording("RetuningStep.tone"),
            wording("RetuningStep.minor-third"),
            wording("RetuningStep.major-third"),
            wording("RetuningStep.fourth"),
            wording("RetuningStep.tritone"),
            wording("RetuningStep.fifth"),
            wording("RetuningStep.minor-sixth"),
            wording("RetuningStep.major-sixth"),
            wording("RetuningStep.minor-seventh"),
            wording("RetuningStep.major-seventh"),
        };

        /** In words, such as {@code an octave below string 4} or {@code a fourth above string 5}. */
        public String words() {
            int size = Math.abs(semitones);
            String name = size % 12 == 0 && size > 0 ? wording("RetuningStep.octave") : INTERVALS[size % 12];
            String octaves = size == 24
                    ? wording("RetuningStep.two-octaves")
                    : size > 24 ? wording("RetuningStep.octaves", size / 12) : name;
            String interval = size > 12 && size % 12 != 0 ? wording("RetuningStep.an-octave-and", name) : octaves;
            String place = size == 0
                    ? wording("RetuningStep.with-string")
                    : semitones < 0 ? wording("RetuningStep.below-string") : wording("RetuningStep.above-string");
            String fretted = fret == 0
                    ? wording("RetuningStep.both-open")
                    : wording("RetuningStep.string-at-fret-sounds-the", pressed, fret);
            return interval + place + string + fretted;
        }

        /** As {@link #words}, but only the fret where there is one: {@code string 6 at fret 5 sounds the same}. */
        public String brief() {
            return fret == 0 ? words() : wording("RetuningStep.string-at-fret-sounds-the-2", pressed, fret);
        }
    }
}
