package phalanx.formats.library;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * How the window looked last, and which songs were open.
 *
 * @param looks its colours and sizes
 * @param hearing how songs are played
 * @param x left edge on the screen
 * @param y upper edge
 * @param width of the window; 0 where it was never shown
 * @param height of the window
 * @param maximised whether it filled the screen
 * @param recent files of songs, the last one first
 * @param practiceKeys the player's own keys in Practice, by the names of actions and keys
 * @param toured whether the tour of a first start was taken or left
 */
public record Settings(
        Looks looks,
        Hearing hearing,
        double x,
        double y,
        double width,
        double height,
        boolean maximised,
        List<String> recent,
        Map<String, String> practiceKeys,
        boolean toured) {
    /** What a first start has. */
    public static final Settings FIRST =
            new Settings(Looks.FIRST, Hearing.FIRST, 0, 0, 0, 0, false, List.of(), Map.of(), false);

    private static final int MOST_RECENT = 10;

    public Settings {
        looks = looks == null ? Looks.FIRST : looks;
        hearing = hearing == null ? Hearing.FIRST : hearing;
        practiceKeys = practiceKeys == null ? Map.of() : Map.copyOf(practiceKeys);
        recent = recent == null ? List.of() : List.copyOf(recent);
    }

    /** The same after a song was opened or saved. */
    public Settings opened(Path file) {
        List<String> files = new ArrayList<>(recent);
        files.remove(file.toAbsolutePath().toString());
        files.add(0, file.toAbsolutePath().toString());
        return new Settings(
                looks,
                hearing,
                x,
                y,
                width,
                height,
                maximised,
                files.subList(0, Math.min(MOST_RECENT, files.size())),
                practiceKeys,
                toured);
    }

    /** The same, looking otherwise. */
    public Settings with(Looks newLooks) {
        return new Settings(newLooks, hearing, x, y, width, height, maximised, recent, practiceKeys, toured);
    }

    /** The same, played otherwise. */
    public Settings with(Hearing newHearing) {
        return new Settings(looks, newHearing, x, y, width, height, maximised, recent, practiceKeys, toured);
    }

    /** The same with other keys in Practice. */
    public Settings withKeys(Map<String, String> newKeys) {
        return new Settings(looks, hearing, x, y, width, height, maximised, recent, newKeys, toured);
    }

    /** The same after the tour. */
    public Settings afterTour() {
        return new Settings(looks, hearing, x, y, width, height, maximised, recent, practiceKeys, true);
    }

    /** The same with the window elsewhere; where it fills the screen its own place is kept. */
    public Settings at(double newX, double newY, double newWidth, double newHeight, boolean fills) {
        return fills
                ? new Settings(looks, hearing, x, y, width, height, true, recent, practiceKeys, toured)
                : new Settings(looks, hearing, newX, newY, newWidth, newHeight, false, recent, practiceKeys, toured);
    }
}
