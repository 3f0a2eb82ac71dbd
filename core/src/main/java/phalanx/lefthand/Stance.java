package phalanx.lefthand;

/** A fingering prepared once for measuring many changes from and to it. */
public final class Stance {
    final Grip grip;
    private final Fingering fingering;
    private final int position;

    /**
     * @param fingering who presses where
     * @param hover the fret over which finger 1 waits while no finger is down
     */
    public Stance(Fingering fingering, int hover) {
        this.fingering = fingering;
        this.grip = Grip.of(fingering);
        int held = grip.position();
        this.position = held == 0 ? hover : held;
    }

    public Fingering fingering() {
        return fingering;
    }

    /** The fret at which finger 1 stands, would stand or waits. */
    public int position() {
        return position;
    }
}
