package phalanx.arrange.score;

import java.util.Objects;
import phalanx.technique.SlurKind;

/**
 * A slur that was put in because it eases the right hand.
 *
 * @param tick where the slurred note begins
 * @param string which
 * @param kind how the left hand makes it
 * @param ceilingBefore the bar's tempo ceiling with every note plucked, in quarter notes a minute
 * @param ceilingAfter the same with all slurs
 */
public record SlurGain(int tick, int string, SlurKind kind, double ceilingBefore, double ceilingAfter) {
    public SlurGain {
        Objects.requireNonNull(kind, "kind");
    }
}
