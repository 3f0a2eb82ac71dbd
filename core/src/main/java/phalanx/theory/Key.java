package phalanx.theory;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;

/**
 * A key: tonic and mode.
 *
 * @param tonic the key note
 * @param mode major or minor; the other modes come with harmony analysis
 */
public record Key(Note tonic, Mode mode) {
    /** The two modes a key signature is usually read as, with their offset on the circle of fifths. */
    public enum Mode {
        MAJOR(0),
        MINOR(-3);

        private final int offset;

        Mode(int offset) {
            this.offset = offset;
        }
    }

    public static final Key C_MAJOR = new Key(new Note(Step.C, 0), Mode.MAJOR);

    /** Sharps and flats a signature may carry. */
    private static final int MOST_SIGNS = 7;

    private static final Step[] BY_FIFTHS = {Step.F, Step.C, Step.G, Step.D, Step.A, Step.E, Step.B};

    public Key {
        Objects.requireNonNull(tonic, "tonic");
        Objects.requireNonNull(mode, "mode");
        int fifths = tonic.fifths() + mode.offset;
        if (Math.abs(fifths) > MOST_SIGNS) {
            throw new IllegalArgumentException(tonic + " " + mode + " needs more than seven signs");
        }
    }

    /** The key of a signature with that many sharps (flats if negative), -7 to 7. */
    public static Key ofFifths(int fifths, Mode mode) {
        return new Key(noteAt(fifths - mode.offset), mode);
    }

    /**
     * Reads {@code G}, {@code F# minor}, {@code Bbm}, {@code Em}, {@code C major}.
     *
     * @throws IllegalArgumentException if the text is anything else
     */
    public static Key parse(String text) {
        String trimmed = text.trim();
        int end = Note.prefixLength(trimmed);
        if (end > 0) {
            Note tonic = Note.ofPrefix(trimmed, end);
            switch (trimmed.substring(end).trim()) {
                case "", "M", "maj", "major" -> {
                    return new Key(tonic, Mode.MAJOR);
                }
                case "m", "min", "minor" -> {
                    return new Key(tonic, Mode.MINOR);
                }
                default -> {}
            }
        }
        throw new IllegalArgumentException("\"" + text + "\" is not a key such as G, Bb major or F#m");
    }

    /** Sharps in the signature; flats are negative. */
    public int fifths() {
        return tonic.fifths() + mode.offset;
    }

    /** The key moved by semitones, spelled with the fewest signs. */
    public Key transpose(int semitones) {
        int pitchClass = Math.floorMod(tonic.pitchClass() + semitones, 12);
        if (pitchClass == tonic.pitchClass()) {
            return this;
        }
        return simplestSpellings(mode).stream()
                .filter(key -> key.tonic.pitchClass() == pitchClass)
                .findFirst()
                .orElseThrow();
    }

    private static List<Key> simplestSpellings(Mode mode) {
        List<Key> keys = new ArrayList<>();
        for (int signs = 0; signs <= MOST_SIGNS; signs++) {
            keys.add(ofFifths(-signs, mode));
            keys.add(ofFifths(signs, mode));
        }
        return keys;
    }

    /** Spells a pitch class (0 to 11) for this key: notes of the key as they are, the others by the nearest fifth. */
    public Note spell(int pitchClass) {
        // the window of twelve fifths around the signature: two flat-side, the seven of the key, three sharp-side
        for (int position = fifths() - 3; position < fifths() + 9; position++) {
            Note note = noteAt(position);
            if (note.pitchClass() == pitchClass) {
                return note;
            }
        }
        throw new IllegalArgumentException("pitch class " + pitchClass + " is not within 0 to 11");
    }

    private static Note noteAt(int fifths) {
        return new Note(BY_FIFTHS[Math.floorMod(fifths + 1, 7)], Math.floorDiv(fifths + 1, 7));
    }

    @Override
    public String toString() {
        return tonic + (mode == Mode.MINOR ? "m" : "");
    }
}
