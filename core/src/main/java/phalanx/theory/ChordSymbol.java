package phalanx.theory;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import phalanx.words.Spoken;

/**
 * A chord as players write it: root, tones and, after a slash, another bass.
 *
 * @param text as written
 * @param root the root
 * @param tones root first, in order of their number
 * @param slashBass the note after the slash, if any
 */
public record ChordSymbol(String text, Note root, List<ChordTone> tones, Optional<Note> slashBass) implements Spoken {
    /** What a chart writes where no chord is to sound. */
    public static final String NO_CHORD = "N.C.";

    public ChordSymbol {
        Objects.requireNonNull(text, "text");
        Objects.requireNonNull(root, "root");
        Objects.requireNonNull(slashBass, "slashBass");
        tones = tones.stream()
                .sorted(Comparator.comparingInt(tone -> tone.interval().number()))
                .toList();
        if (tones.isEmpty()) {
            throw new IllegalArgumentException(wording("ChordSymbol.chord-has-no-tones", text));
        }
    }

    /**
     * Reads a symbol such as {@code C}, {@code F#m7b5}, {@code Bbmaj9}, {@code D/F#}, {@code G7(b9,#11)}.
     *
     * @throws IllegalArgumentException naming the part that is not understood
     */
    public static ChordSymbol parse(String text) {
        return new ChordParser(ChordTable.standard()).parse(text);
    }

    /** Whether the text stands for silence of the harmony: {@code N.C.}, {@code NC}, {@code n.c.}. */
    public static boolean isNoChord(String text) {
        return text.trim().replace(".", "").equalsIgnoreCase("NC");
    }

    /** The note the bass plays first: the slash bass, else the root. */
    public Note bass() {
        return slashBass.orElse(root);
    }

    /** Pitch classes of all tones and of the slash bass as a 12-bit set, bit 0 for C. */
    public int pitchClasses() {
        return toneMask(false) | 1 << bass().pitchClass();
    }

    /**
     * Pitch classes that a shape must sound, as a 12-bit set. A root stays out of it when a slash gives the bass
     * elsewhere, except in chords of two tones.
     */
    public int requiredPitchClasses() {
        int required = toneMask(true) | 1 << bass().pitchClass();
        if (slashBass.isPresent() && tones.size() > 2 && bass().pitchClass() != root.pitchClass()) {
            required &= ~(1 << root.pitchClass());
        }
        return required;
    }

    private int toneMask(boolean requiredOnly) {
        int mask = 0;
        for (ChordTone tone : tones) {
            mask |= tone.required() || !requiredOnly ? 1 << pitchClass(tone) : 0;
        }
        return mask;
    }

    private int pitchClass(ChordTone tone) {
        return Math.floorMod(root.pitchClass() + tone.interval().semitones(), 12);
    }

    /** Pitch classes of the {@link #colourTones()} as a 12-bit set. */
    public int colourClasses() {
        return colourTones().stream().mapToInt(tone -> 1 << pitchClass(tone)).reduce(0, (a, b) -> a | b);
    }

    /** The third (or what is suspended in its place) and the tones named in the suffix. */
    public List<ChordTone> colourTones() {
        return tones.stream()
                .filter(tone -> tone.required() && tone.interval().number() != 1)
                .toList();
    }

    /** The note that spells a tone of this chord. */
    public Note noteOf(ChordTone tone) {
        return root.plus(tone.interval());
    }

    /** The same chord that many semitones higher, its roots spelled for the key. */
    public ChordSymbol transpose(int semitones, Key key) {
        if (Math.floorMod(semitones, 12) == 0) {
            return this;
        }
        Note movedRoot = key.spell(Math.floorMod(root.pitchClass() + semitones, 12));
        Optional<Note> movedBass = slashBass.map(note -> key.spell(Math.floorMod(note.pitchClass() + semitones, 12)));
        int suffixStart = Note.prefixLength(text);
        int suffixEnd = slashBass.isPresent() ? text.lastIndexOf('/') : text.length();
        String moved = movedRoot
                + text.substring(suffixStart, suffixEnd)
                + movedBass.map(note -> "/" + note).orElse("");
        return new ChordSymbol(moved, movedRoot, tones, movedBass);
    }

    /** The tones without repeats of a pitch class, as notes. */
    public List<Note> notes() {
        return new ArrayList<>(tones.stream().map(this::noteOf).distinct().toList());
    }

    @Override
    public String spoken() {
        return Note.said(toString());
    }

    @Override
    public String toString() {
        return text;
    }
}
