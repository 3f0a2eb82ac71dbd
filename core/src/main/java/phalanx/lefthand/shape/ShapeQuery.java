package phalanx.lefthand.shape;

import static phalanx.words.Words.wording;

import java.util.Objects;
import java.util.Optional;
import java.util.OptionalInt;
import phalanx.theory.ChordSymbol;

/**
 * What a shape must sound.
 *
 * @param tones which pitch classes it must and may have
 * @param bass what its lowest note must be
 * @param top what its highest note must be, if anything
 * @param mustSound strings that must sound, bit s for string s
 * @param region where fingers may press
 */
public record ShapeQuery(Tones tones, Bass bass, Optional<Top> top, int mustSound, Region region) {
    private static final int ALL_CLASSES = 0xFFF;

    /**
     * Pitch classes as 12-bit sets with bit 0 for C.
     *
     * @param required those a shape must contain
     * @param allowed those it may contain
     */
    public record Tones(int required, int allowed) {
        public Tones {
            if ((required & ~allowed) != 0 || (allowed & ~ALL_CLASSES) != 0) {
                throw new IllegalArgumentException(wording("ShapeQuery.required-tones-must-be-among"));
            }
        }
    }

    /**
     * The lowest note.
     *
     * @param pitchClass 0 to 11; nothing when any tone will do
     * @param midi its exact pitch, if one is asked for
     */
    public record Bass(OptionalInt pitchClass, OptionalInt midi) {
        public static final Bass ANY = new Bass(OptionalInt.empty(), OptionalInt.empty());

        static Bass ofClass(int pitchClass) {
            return new Bass(OptionalInt.of(pitchClass), OptionalInt.empty());
        }

        boolean admits(int lowest) {
            return (pitchClass.isEmpty() || lowest % 12 == pitchClass.getAsInt())
                    && (midi.isEmpty() || lowest == midi.getAsInt());
        }
    }

    /**
     * The highest note.
     *
     * @param midi its exact pitch
     * @param string where it must lie, if that matters
     */
    public record Top(int midi, OptionalInt string) {}

    /**
     * Frets that fingers may press, relative to the capo; open strings are always allowed.
     *
     * @param lowest from 1
     * @param highest included
     */
    public record Region(int lowest, int highest) {
        private static final int USUAL_HIGHEST = 15;

        /** Up to fret 15. */
        public static final Region USUAL = new Region(1, USUAL_HIGHEST);

        public Region {
            if (lowest < 1 || highest < lowest) {
                throw new IllegalArgumentException(wording("ShapeQuery.frets-to-are-no-stretch", lowest, highest));
            }
        }

        boolean admits(int fret) {
            return fret == 0 || fret >= lowest && fret <= highest;
        }
    }

    public ShapeQuery {
        Objects.requireNonNull(tones, "tones");
        Objects.requireNonNull(bass, "bass");
        Objects.requireNonNull(top, "top");
        Objects.requireNonNull(region, "region");
    }

    /** All tones of a chord with its bass lowest, up to fret 15. */
    public static ShapeQuery of(ChordSymbol chord) {
        return new ShapeQuery(
                new Tones(chord.requiredPitchClasses(), chord.pitchClasses()),
                Bass.ofClass(chord.bass().pitchClass()),
                Optional.empty(),
                0,
                Region.USUAL);
    }

    /** The same with an exact highest note, which may be foreign to the chord: a melody note over it. */
    public ShapeQuery withTop(int midi) {
        return withTop(new Top(midi, OptionalInt.empty()));
    }

    public ShapeQuery withTop(Top newTop) {
        return new ShapeQuery(allowing(newTop.midi()), bass, Optional.of(newTop), mustSound, region);
    }

    public ShapeQuery withoutTop() {
        return new ShapeQuery(tones, bass, Optional.empty(), mustSound, region);
    }

    /** The same with an exact lowest note, which may be foreign to the chord. */
    public ShapeQuery withBass(int midi) {
        Bass exact = new Bass(OptionalInt.of(Math.floorMod(midi, 12)), OptionalInt.of(midi));
        return new ShapeQuery(allowing(midi), exact, top, mustSound, region);
    }

    /** The same with any lowest tone: a bass player, or the thumb elsewhere, has the root, so that it may go. */
    public ShapeQuery withAnyBass(int root) {
        return new ShapeQuery(
                new Tones(tones.required & ~(1 << root), tones.allowed), Bass.ANY, top, mustSound, region);
    }

    public ShapeQuery withMustSound(int strings) {
        return new ShapeQuery(tones, bass, top, strings, region);
    }

    public ShapeQuery withRegion(Region newRegion) {
        return new ShapeQuery(tones, bass, top, mustSound, newRegion);
    }

    /** The same with fewer or more tones required. */
    public ShapeQuery withRequired(int required) {
        return new ShapeQuery(new Tones(required, tones.allowed), bass, top, mustSound, region);
    }

    private Tones allowing(int midi) {
        return new Tones(tones.required, tones.allowed | 1 << Math.floorMod(midi, 12));
    }
}
