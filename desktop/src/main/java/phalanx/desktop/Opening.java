package phalanx.desktop;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;

/**
 * What the window is to show first.
 *
 * @param song a file to open
 * @param demo whether to open the demo song
 * @param shots a folder for a picture of every main view, after which the window closes
 */
public record Opening(Optional<Path> song, boolean demo, Optional<Path> shots) {
    private static final String DEMO = "--demo";
    private static final String SHOT = "--shot=";
    private static final String SONG = "--song=";

    public Opening {
        Objects.requireNonNull(song, "song");
        Objects.requireNonNull(shots, "shots");
    }

    /** The same as arguments for a JavaFX application. */
    String[] toArguments() {
        List<String> arguments = new ArrayList<>();
        song.ifPresent(path -> arguments.add(SONG + path));
        shots.ifPresent(path -> arguments.add(SHOT + path));
        if (demo) {
            arguments.add(DEMO);
        }
        return arguments.toArray(String[]::new);
    }

    static Opening of(List<String> arguments) {
        return new Opening(path(arguments, SONG), arguments.contains(DEMO), path(arguments, SHOT));
    }

    private static Optional<Path> path(List<String> arguments, String prefix) {
        return arguments.stream()
                .filter(argument -> argument.startsWith(prefix))
                .map(argument -> Path.of(argument.substring(prefix.length())))
                .findFirst();
    }
}
