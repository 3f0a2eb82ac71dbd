package phalanx.project.extra;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import phalanx.guitar.Instrument;
import phalanx.project.Project;
import phalanx.theory.Key;

/** Bass notes by steps of a song's key, on the bass strings of its guitar. */
final class ScaleSteps {
    /** The lowest string that has no bass any more is the fourth from the lowest. */
    private static final int BASS_STRINGS = 3;

    private final int scale;
    private final int lowest;
    private final int highest;

    ScaleSteps(Project project) {
        Key key = project.song().key();
        Instrument instrument = project.instrument();
        this.scale = key.pitchClasses();
        this.lowest = instrument.lowestMidi();
        this.highest = instrument.midi(Math.max(1, instrument.strings() - BASS_STRINGS + 1), 0) + 4;
    }

    /**
     * Notes by steps of the scale down to one of a pitch class, which comes last.
     *
     * @param steps how many come before it
     * @return nothing where the bass strings have not so many
     */
    Optional<List<Integer>> downTo(int pitchClass, int steps) {
        for (int root = lowest; root <= highest; root++) {
            if (root % 12 == pitchClass) {
                List<Integer> up = new ArrayList<>(List.of(root));
                while (up.size() <= steps) {
                    up.add(step(up.get(up.size() - 1), 1));
                }
                Collections.reverse(up);
                return up.get(0) <= highest ? Optional.of(up) : Optional.empty();
            }
        }
        return Optional.empty();
    }

    /** The next note of the scale above or below one. */
    int step(int midi, int direction) {
        int next = midi + direction;
        while ((scale >> Math.floorMod(next, 12) & 1) == 0) {
            next += direction;
        }
        return next;
    }

    /** The note of a pitch class nearest to another, on the bass strings. */
    OptionalInt nearest(int pitchClass, int midi) {
        OptionalInt best = OptionalInt.empty();
        for (int note = lowest; note <= highest; note++) {
            boolean nearer = best.isEmpty() || Math.abs(note - midi) < Math.abs(best.getAsInt() - midi);
            if (note % 12 == pitchClass && nearer) {
                best = OptionalInt.of(note);
            }
        }
        return best;
    }

    /** The lowest note of a pitch class. */
    int low(int pitchClass) {
        return lowest + Math.floorMod(pitchClass - lowest, 12);
    }

    boolean has(int midi) {
        return midi >= lowest && midi <= highest;
    }
}
