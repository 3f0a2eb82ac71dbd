package phalanx.arrange.demand;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import phalanx.guitar.Instrument;
import phalanx.righthand.BassStroke;
import phalanx.righthand.BassWriter;
import phalanx.righthand.Picking;
import phalanx.song.MelodyNote;
import phalanx.song.Song;

/**
 * Tells by how many semitones a tune must move to lie on the guitar. A note fits when some string has it, and, where
 * the bass is plucked with it, when the bass has a lower pitch on another string.
 */
public final class MelodyFit {
    private static final int MOST_OCTAVES = 5;
    private static final int HALF_OCTAVE = 6;

    private final int lowestOpen;
    private final int secondLowestOpen;
    private final int highest;

    public MelodyFit(Instrument instrument) {
        List<Integer> open = IntStream.rangeClosed(1, instrument.strings())
                .map(string -> instrument.midi(string, 0))
                .sorted()
                .boxed()
                .toList();
        this.lowestOpen = open.get(0);
        this.secondLowestOpen = open.get(1);
        this.highest = IntStream.rangeClosed(1, instrument.strings())
                .map(string -> instrument.midi(string, instrument.highestFret()))
                .max()
                .orElseThrow();
    }

    /** The melody notes that do not fit when the song is moved by so many semitones. */
    public List<MelodyNote> misfits(Song song, int semitones) {
        Map<Integer, Integer> bassAt = new HashMap<>();
        for (BassStroke stroke : new BassWriter(song, Picking.PLAIN).strokes()) {
            bassAt.put(stroke.tick(), stroke.allowed());
        }
        List<MelodyNote> misfits = new ArrayList<>();
        for (MelodyNote note : song.melody()) {
            int bass = bassAt.getOrDefault(note.tick(), 0);
            if (!fits(note.midi() + semitones, bass, semitones)) {
                misfits.add(note);
            }
        }
        return misfits;
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
        return midi > lowestBass && midi >= secondLowestOpen;
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
