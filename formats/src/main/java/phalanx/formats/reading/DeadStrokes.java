package phalanx.formats.reading;

import static phalanx.words.Words.wording;

import java.util.Optional;
import phalanx.technique.HitKind;

/** What a reader says of crosses on strings. */
public final class DeadStrokes {
    private DeadStrokes() {}

    /** One line for the report. */
    public static String words(Optional<HitKind> read) {
        return wording(
                "DeadStrokes.dead-strokes-x",
                read.map(kind -> switch (kind) {
                            case CHUCK -> wording("DeadStrokes.over-three-strings-or-more");
                            default -> wording("DeadStrokes.on-bass-strings-are-read", kind.label());
                        })
                        .orElse(wording("DeadStrokes.on-single-treble-strings-are")));
    }
}
