package phalanx.desktop;

import static phalanx.words.Words.wording;

import java.util.Objects;
import java.util.Optional;
import javafx.scene.paint.Color;
import phalanx.formats.library.Looks;
import phalanx.words.Language;

/**
 * How the player wants to see everything.
 *
 * @param theme its colours
 * @param percent how large all of it is, in hundredths of its usual size, {@value Looks#SMALLEST} to
 *     {@value Looks#LARGEST}
 * @param leftHanded whether necks are drawn as a player sees them who frets with the right hand: the nut at the right
 * @param still whether nothing moves but what the player moves
 * @param language what is spoken from the next start on; that of the system where none is chosen
 */
public record View(Theme theme, int percent, boolean leftHanded, boolean still, Optional<Language> language) {
    /** What a first start has. */
    public static final View FIRST = of(Looks.FIRST);

    public View {
        Objects.requireNonNull(theme, "theme");
        Objects.requireNonNull(language, "language");
        if (percent < Looks.SMALLEST || percent > Looks.LARGEST) {
            throw new IllegalArgumentException(wording("View.a-size-of-to-go", percent, Looks.SMALLEST, Looks.LARGEST));
        }
    }

    /** What was kept; a theme that is not known is the first. */
    static View of(Looks kept) {
        return new View(
                Theme.named(kept.theme()),
                kept.percent(),
                kept.leftHanded(),
                kept.still(),
                Language.of(kept.language()));
    }

    Looks toKeep() {
        return new Looks(
                theme.word(),
                percent,
                leftHanded,
                still,
                language.map(Language::code).orElse(""));
    }

    /** The colour of a token of the theme, such as {@code melody}. */
    public Color colour(String token) {
        return theme.colour(token);
    }

    View with(Theme other) {
        return new View(other, percent, leftHanded, still, language);
    }

    /** Larger or smaller, within what goes. */
    View sized(int newPercent) {
        int possible = Math.max(Looks.SMALLEST, Math.min(Looks.LARGEST, newPercent));
        return new View(theme, possible, leftHanded, still, language);
    }

    View leftHanded(boolean now) {
        return new View(theme, percent, now, still, language);
    }

    View still(boolean now) {
        return new View(theme, percent, leftHanded, now, language);
    }

    View speaking(Optional<Language> other) {
        return new View(theme, percent, leftHanded, still, other);
    }
}
