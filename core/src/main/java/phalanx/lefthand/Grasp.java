package phalanx.lefthand;

/**
 * A way to hold some frets, measured but not yet put into words: what searches keep while they compare thousands. Its
 * terms and presses are worked out when asked for.
 */
public final class Grasp {
    final int[] frets;
    final Grip grip;
    private final double effort;
    private final int[] stops;

    /** Takes the arrays as its own. */
    Grasp(int[] frets, Grip grip, double effort) {
        this.frets = frets;
        this.grip = grip;
        this.effort = effort;
        this.stops = new int[frets.length + 1];
        for (int finger = 0; finger < grip.fret.length; finger++) {
            if (grip.uses(finger)) {
                for (int string = grip.treble[finger]; string <= grip.bass[finger]; string++) {
                    stops[string] = Math.max(stops[string], grip.fret[finger]);
                }
            }
        }
    }

    /** The total effort of holding it. */
    public double effort() {
        return effort;
    }

    /** Whether no finger is down. */
    public boolean isOpen() {
        return grip.isFree();
    }

    public Fingering fingering() {
        return grip.fingering();
    }

    /** The fret at which a string is stopped, 0 when no finger is on it. */
    public int stop(int string) {
        return stops[string];
    }
}
