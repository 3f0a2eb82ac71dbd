package phalanx.formats.library;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;

/**
 * How the window looked last, and which songs were open.
 *
 * @param looks its colours and sizes
 * @param x left edge on the screen
 * @param y upper edge
 * @param width of the window; 0 where it was never shown
 * @param height of the window
 * @param maximised whether it filled the screen
 * @param recent files of songs, the last one first
 * @param toured whether the tour of a first start was taken or left
 */
public record Settings(
        Looks looks,
        double x,
        double y,
        double width,
        double height,
        boolean maximised,
        List<String> recent,
        boolean toured) {
    /** What a first start has. */
    public static final Settings FIRST = new Settings(Looks.FIRST, 0, 0, 0, 0, false, List.of(), false);

    private static final int MOST_RECENT = 10;

    public Settings {
        looks = looks == null ? Looks.FIRST : looks;
        recent = recent == null ? List.of() : List.copyOf(recent);
    }

    /** The same after a song was opened or saved. */
    public Settings opened(Path file) {
        List<String> files = new ArrayList<>(recent);
        files.remove(file.toAbsolutePath().toString());
        files.add(0, file.toAbsolutePath().toString());
        return new Settings(
                looks, x, y, width, height, maximised, files.subList(0, Math.min(MOST_RECENT, files.size())), toured);
    }

    /** The same, looking otherwise. */
    public Settings with(Looks newLooks) {
        return new Settings(newLooks, x, y, width, height, maximised, recent, toured);
    }

    /** The same after the tour. */
    public Settings afterTour() {
        return new Settings(looks, x, y, width, height, maximised, recent, true);
    }

    /** The same with the window elsewhere; where it fills the screen its own place is kept. */
    public Settings at(double newX, double newY, double newWidth, double newHeight, boolean fills) {
        return fills
                ? new Settings(looks, x, y, width, height, true, recent, toured)
                : new Settings(looks, newX, newY, newWidth, newHeight, false, recent, toured);
    }
}
