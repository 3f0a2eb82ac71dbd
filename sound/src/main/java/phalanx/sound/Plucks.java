package phalanx.sound;

import java.util.List;
import phalanx.sound.guitar.GuitarSound;
import phalanx.sound.guitar.Pluck;
import phalanx.sound.guitar.StringTone;
import phalanx.sound.guitar.Strings;
import phalanx.theory.Pitch;

/** Pitches plucked one after the other, each on a string of its own, all ringing on: to hear a shape, a note, a line. */
public final class Plucks implements SampleSource {
    private static final double RING_SECONDS = 2.2;
    /** As from one string to the next of a strum. */
    public static final double STRUM_SECONDS = 0.07;

    private static final StringTone TONE = new StringTone(5, 1.2);

    private final GuitarSound guitar;
    private long left;

    /**
     * @param midi in the order they are plucked
     * @param gapSeconds from one to the next
     */
    public Plucks(List<Integer> midi, double gapSeconds) {
        guitar = new GuitarSound(new Strings(
                true,
                midi.stream().map(Pitch::hertz).toList(),
                midi.stream().map(pitch -> TONE).toList()));
        for (int i = 0; i < midi.size(); i++) {
            long when = Math.round(i * gapSeconds * GuitarSound.RATE);
            guitar.pluck(when, i + 1, new Pluck(Pitch.hertz(midi.get(i)), 1, 1, true, false), 0);
        }
        left = Math.round((RING_SECONDS + gapSeconds * midi.size()) * GuitarSound.RATE);
        guitar.damp(left - GuitarSound.RATE / 5);
    }

    @Override
    public int read(float[] out, int frames) {
        int some = (int) Math.min(frames, left);
        guitar.read(out, 0, some);
        left -= some;
        return some;
    }
}
