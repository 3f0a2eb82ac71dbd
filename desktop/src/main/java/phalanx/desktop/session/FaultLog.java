package phalanx.desktop.session;

import static phalanx.words.Words.wording;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.logging.FileHandler;
import java.util.logging.Level;
import java.util.logging.Logger;
import java.util.logging.SimpleFormatter;
import java.util.stream.Collectors;

/**
 * Keeps faults of ours, for whoever mends them: what kind, and where in the program. Nothing of the player's goes there,
 * no songs, names or places of files. Two files of at most {@value #MOST_BYTES} bytes each, the older one overwritten.
 */
public final class FaultLog implements AutoCloseable {
    static final int MOST_BYTES = 256 * 1024;
    static final int FILES = 2;

    private static final Logger LOGGER = Logger.getLogger("phalanx");

    private FileHandler file;

    /**
     * Begins to keep faults, those of threads that end by them among them.
     *
     * @param folder for the files; where it cannot be written nothing is kept
     */
    public FaultLog(Path folder) {
        LOGGER.setUseParentHandlers(false);
        try {
            Files.createDirectories(folder);
            file = new FileHandler(pattern(folder), MOST_BYTES, FILES, true);
            file.setFormatter(new SimpleFormatter());
            LOGGER.addHandler(file);
        } catch (IOException e) {
            // it is a help for mending only
            file = null;
        }
        Thread.setDefaultUncaughtExceptionHandler((thread, fault) -> {
            keep(fault);
            fault.printStackTrace();
        });
    }

    /** A per cent sign in the place of the folder is no pattern of the log's. */
    private static String pattern(Path folder) {
        return folder.toString().replace("%", "%%") + "/faults-%g.log";
    }

    /** Keeps a fault. Its message may name what is the player's, so it stays out. */
    public static void keep(Throwable fault) {
        StringBuilder words = new StringBuilder();
        for (Throwable one = fault; one != null; one = one.getCause()) {
            String where = Arrays.stream(one.getStackTrace())
                    .map(frame -> wording("FaultLog.at", frame))
                    .collect(Collectors.joining("\n"));
            words.append(one.getClass().getName()).append('\n').append(where).append('\n');
        }
        LOGGER.log(Level.SEVERE, () -> words.toString());
    }

    @Override
    public void close() {
        if (file != null) {
            LOGGER.removeHandler(file);
            file.close();
        }
    }
}
