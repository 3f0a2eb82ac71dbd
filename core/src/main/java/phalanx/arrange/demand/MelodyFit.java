package phalanx.arrange.demand;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.DoublePredicate;
import java.util.stream.IntStream;
import phalanx.guitar.Instrument;
import phalanx.righthand.BassStroke;
import phalanx.righthand.BassWriter;
import phalanx.righthand.Picking;
import phalanx.song.MelodyNote;
import phalanx.song.Song;

/**
 * Tells by how many semitones a tune may move to lie on the guitar. A note fits when some string has it, and, where
 * the bass is plucked with it, when the bass has a lower pitch or the tune lies low enough to be the bass itself.
 * It remembers the song it was asked about last, so it is for one thread.
 */
public final class MelodyFit {
    private static final int MOST_OCTAVES = 5;
    private static final int OCTAVE = 12;
    private static final int HALF_OCTAVE = 6;
    private static final int STANDARD_LOWEST = 40;

    /** A tune whose mean is no higher stays, if few of its notes are high and many would be low an octave lower. */
    private static final int HIGH_MEAN = 67;

    private static final int HIGH_NOTE = 71;
    private static final double FEW_HIGH = 0.1;
    private static final int LOW_NOTE = 55;
    private static final double MANY_LOW = 0.4;
    /** A tune whose mean is no lower has no better place an octave higher. */
    private static final int LOW_MEAN = 55;

    private final Instrument instrument;
    private final int lowestOpen;
    private final int highest;
    private Song last;
    private Map<Integer, Integer> lastBassAt = Map.of();

    public MelodyFit(Instrument instrument) {
        this.instrument = instrument;
        this.lowestOpen = instrument.lowestMidi();
        this.highest = IntStream.rangeClosed(1, instrument.strings())
                .map(string -> instrument.midi(string, instrument.highestFret()))
                .max()
                .orElseThrow();
    }

    /** The melody notes that do not fit when the song is moved by so many semitones. */
    public List<MelodyNote> misfits(Song song, int semitones) {
        Map<Integer, Integer> bassAt = bassAt(song);
        List<MelodyNote> misfits = new ArrayList<>();
        for (MelodyNote note : song.melody()) {
            int bass = bassAt.getOrDefault(note.tick(), 0);
            if (!fits(note.midi() + semitones, bass, semitones)) {
                misfits.add(note);
            }
        }
        return misfits;
    }

    /** The pitch classes that bass strokes may have, by tick. */
    private Map<Integer, Integer> bassAt(Song song) {
        if (song != last) {
            Map<Integer, Integer> bassAt = new HashMap<>();
            for (BassStroke stroke : new BassWriter(song, Picking.PLAIN).strokes()) {
                bassAt.put(stroke.tick(), stroke.allowed());
            }
            last = song;
            lastBassAt = bassAt;
        }
        return lastBassAt;
    }

    private boolean fits(int midi, int bass, int semitones) {
        if (midi < lowestOpen || midi > highest) {
            return false;
        }
        if (bass == 0) {
            return true;
        }
        int lowestBass = Integer.MAX_VALUE;
        for (int pitchClass = 0; pitchClass < 12; pitchClass++) {
            if ((bass >> pitchClass & 1) == 1) {
                int above = Math.floorMod(pitchClass + semitones - lowestOpen, 12);
                lowestBass = Math.min(lowestBass, lowestOpen + above);
            }
        }
        return midi > lowestBass || BassEar.isBassPitch(instrument, midi);
    }

    /**
     * The moves worth trying for a wish, in semitones: one where the octave is given or clear, several where arranging
     * must tell.
     */
    public List<Integer> moves(Song song, Octave wish) {
        if (wish.moved().isPresent()) {
            int semitones = 12 * wish.moved().getAsInt();
            return inMidiRange(song, semitones) && misfits(song, semitones).isEmpty()
                    ? List.of(semitones)
                    : moves(song).subList(0, 1);
        }
        List<Integer> octaves = new ArrayList<>();
        for (int semitones : new int[] {0, -12, 12, -24}) {
            boolean worth = semitones == 0 || isWorth(song, semitones);
            if (worth
                    && inMidiRange(song, semitones)
                    && misfits(song, semitones).isEmpty()) {
                octaves.add(semitones);
            }
        }
        return octaves.isEmpty() ? moves(song) : octaves;
    }

    /** Whether a tune may lie better so many semitones away: a quick bound by its pitches. */
    private boolean isWorth(Song song, int semitones) {
        double[] pitches =
                song.melody().stream().mapToDouble(note -> note.midi()).toArray();
        double mean = Arrays.stream(pitches).average().orElse(0) - lowestOpen + STANDARD_LOWEST;
        if (semitones > 0) {
            return mean < LOW_MEAN;
        }
        if (semitones < -OCTAVE) {
            return mean + semitones + OCTAVE > HIGH_MEAN;
        }
        double shift = STANDARD_LOWEST - lowestOpen + semitones + 12;
        double high = share(pitches, pitch -> pitch + shift > HIGH_NOTE);
        double low = share(pitches, pitch -> pitch + shift - 12 < LOW_NOTE);
        return mean + semitones + 12 > HIGH_MEAN || high >= FEW_HIGH || low < MANY_LOW;
    }

    private static double share(double[] pitches, DoublePredicate which) {
        return Arrays.stream(pitches).filter(which).count() / (double) Math.max(1, pitches.length);
    }

    /**
     * The moves worth trying, in semitones: none if the song fits; else the octaves that fit; else the nearest keys
     * that fit, a list of equally near ones; else the octave with the fewest misfits.
     */
    public List<Integer> moves(Song song) {
        if (misfits(song, 0).isEmpty()) {
            return List.of(0);
        }
        for (int key = 0; key <= HALF_OCTAVE; key++) {
            List<Integer> fitting = new ArrayList<>();
            for (int octave = -MOST_OCTAVES; octave <= MOST_OCTAVES; octave++) {
                addIfFitting(song, 12 * octave + key, fitting);
                if (key > 0 && key < HALF_OCTAVE) {
                    addIfFitting(song, 12 * octave - key, fitting);
                }
            }
            if (!fitting.isEmpty()) {
                return fitting;
            }
        }
        return List.of(leastMisfitting(song));
    }

    private void addIfFitting(Song song, int semitones, List<Integer> fitting) {
        if (inMidiRange(song, semitones) && misfits(song, semitones).isEmpty()) {
            fitting.add(semitones);
        }
    }

    private static boolean inMidiRange(Song song, int semitones) {
        return song.melody().stream().allMatch(note -> note.midi() + semitones >= 0 && note.midi() + semitones <= 127);
    }

    private int leastMisfitting(Song song) {
        int best = 0;
        for (int octave = -MOST_OCTAVES; octave <= MOST_OCTAVES; octave++) {
            if (inMidiRange(song, 12 * octave)
                    && misfits(song, 12 * octave).size() < misfits(song, best).size()) {
                best = 12 * octave;
            }
        }
        return best;
    }

    /** The highest pitch the guitar has. */
    public int highestMidi() {
        return highest;
    }

    /** The lowest pitch the guitar has. */
    public int lowestMidi() {
        return lowestOpen;
    }
}
