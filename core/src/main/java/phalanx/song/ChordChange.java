package phalanx.song;

import java.util.Objects;
import java.util.Optional;
import phalanx.theory.ChordSymbol;

/**
 * A chord symbol on its beat.
 *
 * @param startTick where it begins; it lasts to the next one
 * @param chord the chord, or nothing for N.C.
 */
public record ChordChange(int startTick, Optional<ChordSymbol> chord) {
    public ChordChange {
        Objects.requireNonNull(chord, "chord");
        if (startTick < 0) {
            throw new IllegalArgumentException("chord at tick " + startTick);
        }
    }

    /** What the chart shows. */
    public String symbol() {
        return chord.map(ChordSymbol::text).orElse(ChordSymbol.NO_CHORD);
    }
}
