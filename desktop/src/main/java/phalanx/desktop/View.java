package phalanx.desktop;

import static phalanx.words.Words.wording;

import java.util.Objects;
import java.util.Optional;
import javafx.scene.paint.Color;
import phalanx.formats.library.Looks;
import phalanx.theory.NoteNames;
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
 * @param notes what notes are called from the next start on
 */
public record View(
        Theme theme, int percent, boolean leftHanded, boolean still, Optional<Language> language, NoteNames notes) {
    /** What a first start has. */
    public static final View FIRST = of(Looks.FIRST);

    public View {
        Objects.requireNonNull(theme, "theme");
        Objects.requireNonNull(language, "language");
        Objects.requireNonNull(notes, "notes");
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
                Language.of(kept.language()),
                NoteNames.of(kept.notes()).orElse(NoteNames.ENGLISH));
    }

    Looks toKeep() {
        return new Looks(
                theme.word(),
                percent,
                leftHanded,
                still,
                language.map(Language::code).orElse(""),
                notes.word());
    }

    /** The colour of a token of the theme, such as {@code melody}. */
    public Color colour(String token) {
        return theme.colour(token);
    }

    View with(Theme other) {
        return new View(other, percent, leftHanded, still, language, notes);
    }

    /** Larger or smaller, within what goes. */
    View sized(int newPercent) {
        int possible = Math.max(Looks.SMALLEST, Math.min(Looks.LARGEST, newPercent));
        return new View(theme, possible, leftHanded, still, language, notes);
    }

    View leftHanded(boolean now) {
        return new View(theme, percent, now, still, language, notes);
    }

    View still(boolean now) {
        return new View(theme, percent, leftHanded, now, language, notes);
    }

    View naming(NoteNames other) {
        return new View(theme, percent, leftHanded, still, language, other);
    }

    View speaking(Optional<Language> other) {
        return new View(theme, percent, leftHanded, still, other, notes);
    }
}
