package phalanx.theory;

import static phalanx.words.Words.wording;

import java.util.Objects;
import phalanx.words.Spoken;

/**
 * A sounding pitch with its spelling. Middle C is C4, MIDI number 60; A4 is 440 Hz (ISO 16), equal temperament.
 *
 * @param note the spelling
 * @param octave the octave of the letter, so B#3 and C4 are one MIDI number
 */
public record Pitch(Note note, int octave) implements Spoken {
    private static final int A4_MIDI = 69;
    private static final double A4_HERTZ = 440.0;

    public Pitch {
        Objects.requireNonNull(note, "note");
        int midi = midi(note, octave);
        if (midi < 0 || midi > 127) {
            throw new IllegalArgumentException(wording("Pitch.lies-outside-midi-numbers-0", note, octave));
        }
    }

    /** The name of a sound in a key as it is printed, such as F♯4. */
    public static String printed(int midi, Key key) {
        return Note.printed(of(midi, key).toString());
    }

    /** The pitch of a MIDI number, spelled for the key. */
    public static Pitch of(int midi, Key key) {
        Note note = key.spell(Math.floorMod(midi, 12));
        int octave = Math.floorDiv(midi - note.step().semitones() - note.alter(), 12) - 1;
        return new Pitch(note, octave);
    }

    /**
     * Reads {@code F#4}, {@code Bb2}.
     *
     * @throws IllegalArgumentException if the text is not a note followed by an octave
     */
    public static Pitch parse(String text) {
        int end = Note.prefixLength(text);
        if (end == 0 || !text.substring(end).matches("-?\\d")) {
            throw new IllegalArgumentException(wording("Pitch.is-not-a-pitch-such", text));
        }
        return new Pitch(Note.ofPrefix(text, end), Integer.parseInt(text.substring(end)));
    }

    private static int midi(Note note, int octave) {
        return 12 * (octave + 1) + note.step().semitones() + note.alter();
    }

    public int midi() {
        return midi(note, octave);
    }

    /** Frequency of a MIDI number in hertz. */
    public static double hertz(double midi) {
        return A4_HERTZ * Math.pow(2, (midi - A4_MIDI) / 12);
    }

    @Override
    public String spoken() {
        return Note.said(toString());
    }

    @Override
    public String toString() {
        return note.toString() + octave;
    }
}
