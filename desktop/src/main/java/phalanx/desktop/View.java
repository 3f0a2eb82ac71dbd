package phalanx.desktop;

import java.util.Objects;
import javafx.scene.paint.Color;
import phalanx.formats.library.Looks;

/**
 * How the player wants to see everything.
 *
 * @param theme its colours
 * @param percent how large all of it is, in hundredths of its usual size, {@value Looks#SMALLEST} to
 *     {@value Looks#LARGEST}
 * @param leftHanded whether necks are drawn as a player sees them who frets with the right hand: the nut at the right
 * @param still whether nothing moves but what the player moves
 */
public record View(Theme theme, int percent, boolean leftHanded, boolean still) {
    /** What a first start has. */
    public static final View FIRST = of(Looks.FIRST);

    public View {
        Objects.requireNonNull(theme, "theme");
        if (percent < Looks.SMALLEST || percent > Looks.LARGEST) {
            throw new IllegalArgumentException(
                    "a size of " + percent + " %: " + Looks.SMALLEST + " to " + Looks.LARGEST + " go");
        }
    }

    /** What was kept; a theme that is not known is the first. */
    static View of(Looks kept) {
        return new View(Theme.named(kept.theme()), kept.percent(), kept.leftHanded(), kept.still());
    }

    Looks toKeep() {
        return new Looks(theme.label(), percent, leftHanded, still);
    }

    /** The colour of a token of the theme, such as {@code melody}. */
    public Color colour(String token) {
        return theme.colour(token);
    }

    View with(Theme other) {
        return new View(other, percent, leftHanded, still);
    }

    /** Larger or smaller, within what goes. */
    View sized(int newPercent) {
        int possible = Math.max(Looks.SMALLEST, Math.min(Looks.LARGEST, newPercent));
        return new View(theme, possible, leftHanded, still);
    }

    View leftHanded(boolean now) {
        return new View(theme, percent, now, still);
    }

    View still(boolean now) {
        return new View(theme, percent, leftHanded, now);
    }
}
