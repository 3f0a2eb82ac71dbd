package phalanx.arrange.demand;

import java.util.Arrays;
import java.util.stream.IntStream;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Fingering;
import phalanx.lefthand.shape.Press;
import phalanx.lefthand.shape.Shape;
import phalanx.lefthand.track.Stops;
import phalanx.theory.ChordSymbol;

/**
 * What sounds in a slot, and what could.
 *
 * @param tune the tune's string, 0 where it has none
 * @param tuneMidi the tune's note, -1 where none sounds
 * @param bassMidi the bass's note, -1 where none sounds
 * @param free what each string from 1 gives an inner stroke, -1 where none may fall on it; entry 0 is unused
 * @param taken strings whose note the next note of the tune has, bit s for string s
 * @param belowMidi the tune's second note, 0 where it has none
 * @param below strings that sound it, bit s for string s
 */
public record Scene(int tune, int tuneMidi, int bassMidi, int[] free, int taken, int belowMidi, int below) {
    /** Strings that are the thumb's alone: the lowest two, so that the fingers have four. */
    private static final int THUMB_STRINGS = 2;

    private static final int FEWEST_OF_FINGERS = 3;
    private static final int NONE = -1;

    /** One in which the tune lies above all strings that are free and has no second note. */
    public Scene(int tuneMidi, int bassMidi, int[] free) {
        this(0, tuneMidi, bassMidi, free, 0, 0, 0);
    }

    /** What a string gives, -1 where no stroke may fall on it. */
    int midi(int string) {
        return (below >> string & 1) == 1 ? belowMidi : free[string];
    }

    boolean soundsBelow(int string) {
        return (below >> string & 1) == 1;
    }

    /** The strings for the fingers' rows, from the top: those below the tune; where these are few all that are free. */
    int[] lanes() {
        int[] below = lanesFrom(tune + 1);
        return below.length >= FEWEST_OF_FINGERS ? below : lanesFrom(1);
    }

    private int[] lanesFrom(int first) {
        return IntStream.range(first, free.length)
                .filter(string -> free[string] != NONE)
                .toArray();
    }

    /** Whether a stroke may fall on a string: below the tune, or above it where that is allowed. */
    boolean admits(int string, Slot.Ask ask) {
        return free[string] != NONE && (string > tune || free[string] < ask.ceiling());
    }

    int heard() {
        return (tuneMidi < 0 ? 0 : 1 << tuneMidi % 12) | (bassMidi < 0 ? 0 : 1 << bassMidi % 12);
    }

    /** The lowest string of the fingers. */
    private static int lowestOfFingers(int strings) {
        return Math.max(FEWEST_OF_FINGERS, strings - THUMB_STRINGS);
    }

    /**
     * What inner strokes find on each string: between bass and tune the tones of the chord below the tune, but for the
     * thumb's strings; beyond the tune's string those that some stroke may sound above it; -1 elsewhere.
     *
     * @param tune string of the tune's note, 0 where none sounds
     * @param bass string of the bass note, 0 where none sounds
     * @param silent strings on which none may fall
     */
    public static int[] free(Instrument instrument, Slot.Demand demand, Stops stops, int tune, int bass, int silent) {
        int tones = demand.chord().map(ChordSymbol::pitchClasses).orElse(0);
        int ceiling = demand.melody().orElse(Integer.MAX_VALUE);
        int above = demand.above();
        int[] free = new int[instrument.strings() + 1];
        Arrays.fill(free, -1);
        int below = Math.min(bass == 0 ? free.length : bass, lowestOfFingers(instrument.strings()) + 1);
        for (int string = above > 0 ? 1 : tune + 1; string < below; string++) {
            int midi = instrument.midi(string, stops.fret(string));
            if (string != tune
                    && midi < (string > tune ? ceiling : above)
                    && (tones >> midi % 12 & 1) == 1
                    && (silent >> string & 1) == 0) {
                free[string] = midi;
            }
        }
        return free;
    }

    /**
     * What sounds in a slot, and what could.
     *
     * @param tuneMidi the tune's note, -1 where none sounds
     * @param bassMidi the bass's note, -1 where none sounds
     * @see #free
     */
    public static Scene of(
            Instrument instrument,
            Slot.Demand demand,
            Stops stops,
            int tune,
            int tuneMidi,
            int bass,
            int bassMidi,
            int silent) {
        int[] free = free(instrument, demand, stops, tune, bass, silent);
        int midi = demand.below();
        int below = 0;
        for (int string = tune + 1; midi > 0 && string < (bass == 0 ? free.length : bass); string++) {
            boolean sounds = instrument.midi(string, stops.fret(string)) == midi && (silent >> string & 1) == 0;
            below |= sounds ? 1 << string : 0;
        }
        return new Scene(tune, tuneMidi, bassMidi, free, taken(demand, free), midi, below);
    }

    private static int taken(Slot.Demand demand, int[] free) {
        int taken = 0;
        for (int string = 1; string < free.length; string++) {
            if (free[string] != NONE && free[string] == demand.wanted().tuneSoon()) {
                taken |= 1 << string;
            }
        }
        return taken;
    }

    /** The strings that a locked shape leaves silent, or that no longer have its frets; bit s for string s. */
    public static int silent(Shape shape, Fingering fingering) {
        int silent = 0;
        for (int string = 1; string <= shape.strings(); string++) {
            int stopped = fingering.stopping(string).map(Press::fret).orElse(0);
            silent |= stopped == shape.fret(string) ? 0 : 1 << string;
        }
        return silent;
    }
}
