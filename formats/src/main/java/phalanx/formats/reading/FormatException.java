package phalanx.formats.reading;

import java.nio.file.Path;
import java.util.Objects;

/** A file that cannot be read or written; its message names the file, the place and the reason in one line. */
public final class FormatException extends Exception {
    private static final long serialVersionUID = 1;

    private final String place;
    private final String reason;

    /**
     * @param place where in the file, such as {@code bar 3} or {@code line 12}; empty for the file as a whole
     * @param reason what is wrong and what helps
     */
    public FormatException(String place, String reason) {
        this("", place, reason, null);
    }

    private FormatException(String file, String place, String reason, Throwable cause) {
        super((file.isEmpty() ? "" : file + ": ") + (place.isEmpty() ? "" : place + ": ") + reason, cause);
        this.place = Objects.requireNonNull(place, "place");
        this.reason = Objects.requireNonNull(reason, "reason");
    }

    /** The same error with the file's name in front. */
    public FormatException in(Path file) {
        return new FormatException(String.valueOf(file.getFileName()), place, reason, this);
    }
}
