package phalanx.formats.reading;

import static phalanx.words.Words.wording;

import phalanx.technique.HitKind;

/** What a reader says of crosses on strings. */
public final class DeadStrokes {
    private DeadStrokes() {}

    /** One line for the report. */
    public static String words(HitKind read) {
        return wording(
                "DeadStrokes.dead-strokes-x",
                switch (read) {
                    case CHUCK -> wording("DeadStrokes.over-three-strings-or-more");
                    case DEAD -> wording("DeadStrokes.on-single-treble-strings-are");
                    default -> wording("DeadStrokes.on-bass-strings-are-read", read.label());
                });
    }
}
