package phalanx.righthand;

import java.util.Objects;
import java.util.Optional;

/**
 * A string to be plucked.
 *
 * @param tick when
 * @param string which, 1 at the treble side
 * @param bass whether it is the thumb's bass
 * @param wanted the digit that the pattern wants, if it names one
 * @param brush whether one stroke takes it together with others
 * @param decided whether the player wants that digit, whatever it costs
 */
public record Pluck(int tick, int string, boolean bass, Optional<Digit> wanted, boolean brush, boolean decided) {
    public Pluck {
        Objects.requireNonNull(wanted, "wanted");
    }

    /** One that the player has not decided about. */
    public Pluck(int tick, int string, boolean bass, Optional<Digit> wanted, boolean brush) {
        this(tick, string, bass, wanted, brush, false);
    }

    /** One that no pattern speaks about. */
    public Pluck(int tick, int string, boolean bass) {
        this(tick, string, bass, Optional.empty(), false);
    }
}
