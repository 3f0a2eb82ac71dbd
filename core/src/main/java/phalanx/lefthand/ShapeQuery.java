package phalanx.lefthand;

import java.util.Objects;
import java.util.OptionalInt;
import phalanx.theory.ChordSymbol;

/**
 * What a shape must sound.
 *
 * @param required pitch classes it must contain, a 12-bit set with bit 0 for C
 * @param allowed pitch classes it may contain, a 12-bit set
 * @param bassClass the pitch class of its lowest note, 0 to 11
 * @param topMidi the exact pitch of its highest note, if one is asked for
 * @param highestFret the last fret to look at, relative to the capo
 */
public record ShapeQuery(int required, int allowed, int bassClass, OptionalInt topMidi, int highestFret) {
    private static final int USUAL_HIGHEST_FRET = 15;
    private static final int ALL_CLASSES = 0xFFF;

    public ShapeQuery {
        Objects.requireNonNull(topMidi, "topMidi");
        if ((required & ~allowed) != 0 || (allowed & ~ALL_CLASSES) != 0) {
            throw new IllegalArgumentException("required tones must be among the allowed ones");
        }
        if (bassClass < 0 || bassClass > 11 || (allowed >> bassClass & 1) == 0) {
            throw new IllegalArgumentException("the bass, pitch class " + bassClass + ", must be an allowed tone");
        }
        if (highestFret < 0) {
            throw new IllegalArgumentException("highest fret " + highestFret + " is below 0");
        }
    }

    /** All tones of a chord with its bass lowest, up to fret 15. */
    public static ShapeQuery of(ChordSymbol chord) {
        return new ShapeQuery(
                chord.requiredPitchClasses(),
                chord.pitchClasses(),
                chord.bass().pitchClass(),
                OptionalInt.empty(),
                USUAL_HIGHEST_FRET);
    }

    /** The same with an exact highest note, which may be foreign to the chord: a melody note over it. */
    public ShapeQuery withTop(int midi) {
        int top = 1 << Math.floorMod(midi, 12);
        return new ShapeQuery(required, allowed | top, bassClass, OptionalInt.of(midi), highestFret);
    }

    /** The same looked for up to another fret. */
    public ShapeQuery withHighestFret(int fret) {
        return new ShapeQuery(required, allowed, bassClass, topMidi, fret);
    }
}
