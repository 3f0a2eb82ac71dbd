package phalanx.theory;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Reads chords in a key: diatonic, dominant of another degree, or borrowed from another mode of the same tonic. A
 * dominant seventh is first tried as a dominant of the degree a fifth below; a plain triad only where it goes there.
 * Common practice, no source.
 */
public final class Harmony {
    private static final List<Key.Mode> BORROWED_FROM_IN_MAJOR = List.of(
            Key.Mode.MINOR, Key.Mode.MIXOLYDIAN, Key.Mode.DORIAN, Key.Mode.LYDIAN, Key.Mode.PHRYGIAN, Key.Mode.MAJOR);
    private static final List<Key.Mode> BORROWED_FROM_IN_MINOR = List.of(
            Key.Mode.MINOR, Key.Mode.MAJOR, Key.Mode.DORIAN, Key.Mode.PHRYGIAN, Key.Mode.MIXOLYDIAN, Key.Mode.LYDIAN);
    private static final int FIFTH = 7;

    private final Key key;

    public Harmony(Key key) {
        this.key = key;
    }

    /** The functions of chords in their order. */
    public List<ChordFunction> functions(List<ChordSymbol> chords) {
        List<ChordFunction> functions = new ArrayList<>();
        for (int i = 0; i < chords.size(); i++) {
            Optional<ChordSymbol> next = i + 1 < chords.size() ? Optional.of(chords.get(i + 1)) : Optional.empty();
            functions.add(function(chords.get(i), next));
        }
        return functions;
    }

    /** The function of one chord, given the next one. */
    public ChordFunction function(ChordSymbol chord, Optional<ChordSymbol> next) {
        if (belongs(chord, key)) {
            return plain(chord, true, Optional.empty());
        }
        boolean seventh = isDominantSeventh(chord);
        boolean goesThere =
                next.isPresent() && Math.floorMod(next.get().root().pitchClass() - targetOf(chord), 12) == 0;
        Optional<ChordFunction> secondary = seventh || goesThere ? secondary(chord) : Optional.empty();
        return secondary.or(() -> borrowed(chord)).orElseGet(() -> plain(chord, false, Optional.empty()));
    }

    private ChordFunction plain(ChordSymbol chord, boolean diatonic, Optional<Key> from) {
        return new ChordFunction(RomanNumeral.of(chord, key.tonic()).toString(), diatonic, from, false);
    }

    private static boolean belongs(ChordSymbol chord, Key to) {
        int tones = chord.pitchClasses();
        boolean natural = (tones & ~to.pitchClasses()) == 0;
        return natural || to.mode() == Key.Mode.MINOR && (tones & ~to.pitchClassesWithLeadingNote()) == 0;
    }

    private Optional<ChordFunction> borrowed(ChordSymbol chord) {
        return (key.mode().isMinor() ? BORROWED_FROM_IN_MINOR : BORROWED_FROM_IN_MAJOR)
                .stream()
                        .filter(mode -> mode != key.mode())
                        .flatMap(mode -> key.parallel(mode).stream())
                        .filter(from -> belongs(chord, from))
                        .findFirst()
                        .map(from -> plain(chord, false, Optional.of(from)));
    }

    private static boolean hasTone(ChordSymbol chord, String interval) {
        Interval wanted = Interval.parse(interval);
        return chord.tones().stream().anyMatch(tone -> tone.interval().equals(wanted));
    }

    private static boolean isDominantSeventh(ChordSymbol chord) {
        return hasTone(chord, "3") && hasTone(chord, "b7");
    }

    private static boolean isLeading(ChordSymbol chord) {
        return hasTone(chord, "b3") && hasTone(chord, "b5");
    }

    /** The pitch class that a dominant, or a diminished chord on a leading note, goes to. */
    private static int targetOf(ChordSymbol chord) {
        int root = chord.root().pitchClass();
        return Math.floorMod(isLeading(chord) ? root + 1 : root - FIFTH, 12);
    }

    private Optional<ChordFunction> secondary(ChordSymbol chord) {
        boolean leading = isLeading(chord);
        boolean dominant = hasTone(chord, "3") && !hasTone(chord, "7");
        int target = targetOf(chord);
        Optional<Note> goal =
                key.scale().stream().filter(note -> note.pitchClass() == target).findFirst();
        if (!leading && !dominant || goal.isEmpty() || goal.get().equals(key.tonic())) {
            return Optional.empty();
        }
        return goalNumeral(goal.get())
                .map(numeral -> new ChordFunction(
                        RomanNumeral.of(chord, goal.get()) + "/" + numeral, false, Optional.empty(), true));
    }

    /** The numeral of the triad on a degree; a diminished one has no dominant. */
    private Optional<String> goalNumeral(Note root) {
        int third = key.pitchClasses() >> Math.floorMod(root.pitchClass() + 4, 12) & 1;
        int fifth = key.pitchClasses() >> Math.floorMod(root.pitchClass() + FIFTH, 12) & 1;
        if (fifth == 0) {
            return Optional.empty();
        }
        ChordSymbol triad = ChordSymbol.parse(root + (third == 1 ? "" : "m"));
        return Optional.of(RomanNumeral.of(triad, key.tonic()).toString());
    }
}
