package phalanx.desktop.session;

import java.nio.file.Path;
import java.util.Map;

/** Where the player's own things are kept: {@code PHALANX_HOME}, else the XDG data folder. */
public final class DataFolder {
    private DataFolder() {}

    /**
     * The folder.
     *
     * @param environment variables of the process
     * @param home the user's home folder
     */
    public static Path of(Map<String, String> environment, Path home) {
        String own = environment.getOrDefault("PHALANX_HOME", "");
        if (!own.isBlank()) {
            return Path.of(own);
        }
        String data = environment.getOrDefault("XDG_DATA_HOME", "");
        return (data.isBlank() ? home.resolve(".local/share") : Path.of(data)).resolve("phalanx");
    }
}
