package phalanx.lefthand;

/** A fingering prepared once for measuring many changes from and to it. */
public final class Stance {
    final Grip grip;
    private final Fingering fingering;

    public Stance(Fingering fingering) {
        this.fingering = fingering;
        this.grip = Grip.of(fingering);
    }

    public Fingering fingering() {
        return fingering;
    }

    /** The fret at which finger 1 stands or would stand; 0 when no finger is down. */
    public int position() {
        return grip.position();
    }
}
