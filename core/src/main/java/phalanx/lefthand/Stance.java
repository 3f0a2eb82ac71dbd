package phalanx.lefthand;

import phalanx.guitar.Tuning;

/** A hand position prepared once for measuring many changes from and to it. */
public final class Stance {
    static final int FINGERS = 8;

    final Grip grip;
    /** Fret and strings of each finger in one number, 0 where it is free: equal numbers mean an anchor. */
    final int[] presses;

    /** Fret and finger that stop each string, as {@code fret * 8 + finger}, 0 where none does; index 0 is not used. */
    final int[] stops;

    private final int position;

    /**
     * @param fingering who presses where
     * @param hover the fret over which finger 1 waits while no finger is down
     */
    public Stance(Fingering fingering, int hover) {
        this(Grip.of(fingering), hover);
    }

    /** The same of a grasp that a search found. */
    public Stance(Grasp grasp, int hover) {
        this(grasp.grip, hover);
    }

    private Stance(Grip grip, int hover) {
        this.grip = grip;
        int held = grip.position();
        this.position = held == 0 ? hover : held;
        this.presses = new int[grip.fret.length];
        this.stops = new int[Tuning.MOST_STRINGS + 1];
        for (int finger = 0; finger < presses.length; finger++) {
            if (grip.uses(finger)) {
                for (int string = grip.treble[finger]; string <= grip.bass[finger]; string++) {
                    stops[string] = Math.max(stops[string], grip.fret[finger] * FINGERS + finger);
                }
                presses[finger] = grip.fret[finger] << 8 | grip.bass[finger] << 4 | grip.treble[finger];
            }
        }
    }

    public Fingering fingering() {
        return grip.fingering();
    }

    /** The fret at which finger 1 stands, would stand or waits. */
    public int position() {
        return position;
    }
}
