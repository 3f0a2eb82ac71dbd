package phalanx.project;

import java.util.Objects;
import phalanx.guitar.Guitar;
import phalanx.guitar.Hand;
import phalanx.guitar.StringSet;

/**
 * The guitar in the lap.
 *
 * @param guitar its measures
 * @param strings on it
 * @param hand that plays it
 */
public record Setup(Guitar guitar, StringSet strings, Hand hand) {
    public Setup {
        Objects.requireNonNull(guitar, "guitar");
        Objects.requireNonNull(strings, "strings");
        Objects.requireNonNull(hand, "hand");
    }
}
