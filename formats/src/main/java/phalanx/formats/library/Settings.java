package phalanx.formats.library;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/**
 * How the window looked last, and which songs were open.
 *
 * @param dark whether the dark theme is on
 * @param x left edge on the screen
 * @param y upper edge
 * @param width of the window; 0 where it was never shown
 * @param height of the window
 * @param maximised whether it filled the screen
 * @param recent files of songs, the last one first
 */
public record Settings(
        boolean dark, double x, double y, double width, double height, boolean maximised, List<String> recent) {
    /** What a first start has. */
    public static final Settings FIRST = new Settings(false, 0, 0, 0, 0, false, List.of());

    private static final int MOST_RECENT = 10;

    public Settings {
        recent = recent == null ? List.of() : List.copyOf(recent);
    }

    /** The same after a song was opened or saved. */
    public Settings opened(Path file) {
        List<String> files = new ArrayList<>(recent);
        files.remove(file.toAbsolutePath().toString());
        files.add(0, file.toAbsolutePath().toString());
        return new Settings(
                dark, x, y, width, height, maximised, files.subList(0, Math.min(MOST_RECENT, files.size())));
    }

    /** The same in another theme. */
    public Settings withDark(boolean newDark) {
        return new Settings(newDark, x, y, width, height, maximised, recent);
    }

    /** The same with the window elsewhere; where it fills the screen its own place is kept. */
    public Settings at(double newX, double newY, double newWidth, double newHeight, boolean fills) {
        return fills
                ? new Settings(dark, x, y, width, height, true, recent)
                : new Settings(dark, newX, newY, newWidth, newHeight, false, recent);
    }
}
