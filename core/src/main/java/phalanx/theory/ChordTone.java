package phalanx.theory;

import java.util.Objects;

/**
 * One tone of a chord.
 *
 * @param interval above the root
 * @param required whether a shape must sound it; the plain fifth and unnamed tensions may go
 */
public record ChordTone(Interval interval, boolean required) {
    public ChordTone {
        Objects.requireNonNull(interval, "interval");
    }
}
