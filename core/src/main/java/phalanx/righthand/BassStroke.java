package phalanx.righthand;

/**
 * A thumb stroke that a bass line asks for.
 *
 * @param tick where
 * @param endTick up to where it should ring
 * @param chord index of its chord change in the chart
 * @param allowed pitch classes it may sound, a 12-bit set
 * @param preferred pitch classes it should sound if the hand allows, a subset of allowed
 */
public record BassStroke(int tick, int endTick, int chord, int allowed, int preferred) {
    public BassStroke {
        if (endTick <= tick || preferred == 0 || (preferred & ~allowed) != 0) {
            throw new IllegalArgumentException(
                    "bass stroke at " + tick + " to " + endTick + " of tones " + allowed + ", " + preferred);
        }
    }
}
