package phalanx.theory;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import phalanx.words.Spoken;
import phalanx.words.Words;

/**
 * A key: tonic and mode.
 *
 * @param tonic the key note
 * @param mode major, minor or another mode of the same seven notes
 */
public record Key(Note tonic, Mode mode) implements Spoken {
    /** The modes, each with its offset on the circle of fifths from the major key of the same tonic. */
    public enum Mode {
        MAJOR(0, "major", Pattern.compile("|M|maj|major|ionian")),
        MINOR(-3, "minor", Pattern.compile("m|min|minor|aeolian|aeo")),
        DORIAN(-2, "dorian", Pattern.compile("dor|dorian")),
        MIXOLYDIAN(-1, "mixolydian", Pattern.compile("mix|mixolydian")),
        LYDIAN(1, "lydian", Pattern.compile("lyd|lydian")),
        PHRYGIAN(-4, "phrygian", Pattern.compile("phr|phrygian"));

        private final int offset;
        private final String word;
        private final Pattern words;

        Mode(int offset, String word, Pattern words) {
            this.offset = offset;
            this.word = word;
            this.words = words;
        }

        /** What files and commands call it, in every language. */
        public String word() {
            return word;
        }

        /** What it is called on screen. */
        public String label() {
            return Words.name(this);
        }

        /** Whether its third is minor. */
        public boolean isMinor() {
            return offset <= DORIAN.offset;
        }

        /** The mode that a word or its short form stands for; nothing for other words. */
        public static Optional<Mode> byWord(String word) {
            return Arrays.stream(values())
                    .filter(mode -> mode.words.matcher(word).matches())
                    .findFirst();
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
            throw new IllegalArgumentException(wording("Key.needs-more-than-seven-signs", tonic, mode));
        }
    }

    /** The key of a signature with that many sharps (flats if negative), -7 to 7. */
    public static Key ofFifths(int fifths, Mode mode) {
        return new Key(noteAt(fifths - mode.offset), mode);
    }

    /**
     * Reads {@code G}, {@code F# minor}, {@code Bbm}, {@code Em}, {@code C major}, {@code D dorian}.
     *
     * @throws IllegalArgumentException if the text is anything else
     */
    public static Key parse(String text) {
        String trimmed = text.trim();
        int end = Note.prefixLength(trimmed);
        if (end > 0) {
            Note tonic = Note.ofPrefix(trimmed, end);
            Optional<Mode> mode = Mode.byWord(trimmed.substring(end).trim());
            if (mode.isPresent()) {
                return new Key(tonic, mode.get());
            }
        }
        throw new IllegalArgumentException(wording("Key.is-not-a-key-such", text));
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
        throw new IllegalArgumentException(wording("Key.pitch-class-is-not-within", pitchClass));
    }

    private static Note noteAt(int fifths) {
        return new Note(BY_FIFTHS[Math.floorMod(fifths + 1, 7)], Math.floorDiv(fifths + 1, 7));
    }

    /** The seven notes from the tonic upwards. */
    public List<Note> scale() {
        return IntStream.range(0, BY_FIFTHS.length)
                .mapToObj(position -> noteAt(fifths() - 1 + position))
                .sorted(Comparator.comparingInt(note -> Math.floorMod(note.pitchClass() - tonic.pitchClass(), 12)))
                .toList();
    }

    /** Pitch classes of the scale as a 12-bit set, bit 0 for C. */
    public int pitchClasses() {
        return scale().stream().mapToInt(note -> 1 << note.pitchClass()).reduce(0, (a, b) -> a | b);
    }

    /** The same with the seventh a semitone below the tonic, as a dominant in minor has it. */
    public int pitchClassesWithLeadingNote() {
        int lowered = 1 << Math.floorMod(tonic.pitchClass() - 2, 12);
        return pitchClasses() & ~lowered | 1 << Math.floorMod(tonic.pitchClass() - 1, 12);
    }

    /** The key of another mode on the same tonic. */
    public Optional<Key> parallel(Mode other) {
        int fifths = tonic.fifths() + other.offset;
        return Math.abs(fifths) > MOST_SIGNS ? Optional.empty() : Optional.of(new Key(tonic, other));
    }

    /** As it is said, such as {@code F# minor}. */
    public String words() {
        return tonic.spoken() + " " + mode.label();
    }

    @Override
    public String spoken() {
        return Note.said(toString());
    }

    @Override
    public String toString() {
        return switch (mode) {
            case MAJOR -> tonic.toString();
            case MINOR -> tonic + "m";
            default -> tonic + " " + mode.word;
        };
    }
}
