package phalanx.formats.reading;

import java.util.Optional;
import phalanx.technique.HitKind;

/** What a reader says of crosses on strings. */
public final class DeadStrokes {
    private DeadStrokes() {}

    /** One line for the report. */
    public static String words(Optional<HitKind> read) {
        return "dead strokes (x) "
                + read.map(kind -> switch (kind) {
                            case CHUCK -> "over three strings or more are read as a chuck";
                            default -> "on bass strings are read as a " + kind.label();
                        })
                        .orElse("on single treble strings are left out");
    }
}
