package phalanx.desktop.session;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.util.Objects;
import java.util.Optional;
import phalanx.project.Project;

/**
 * The project file that is open, and what stands in it.
 *
 * @param file the player's own project file, if there is one
 * @param saved the project as it was opened or saved last
 * @param stamp of the file as we left it
 */
public record Document(Optional<Path> file, Project saved, Optional<Stamp> stamp) {
    /** Size and time of a file, by which a change by another program is noticed. */
    public record Stamp(long size, FileTime time) {
        static Optional<Stamp> of(Path file) {
            try {
                return Optional.of(new Stamp(Files.size(file), Files.getLastModifiedTime(file)));
            } catch (IOException e) {
                return Optional.empty();
            }
        }
    }

    public Document {
        Objects.requireNonNull(file, "file");
        Objects.requireNonNull(saved, "saved");
        Objects.requireNonNull(stamp, "stamp");
    }

    /** A song that has no project file yet. */
    public static Document unnamed(Project project) {
        return new Document(Optional.empty(), project, Optional.empty());
    }

    /** One that stands in a file, as it is there now. */
    public static Document in(Path file, Project saved) {
        return new Document(Optional.of(file), saved, Stamp.of(file));
    }

    /** Whether another program has changed the file since, or taken it away. */
    public boolean changedOutside() {
        return file.isPresent() && !Stamp.of(file.get()).equals(stamp);
    }
}
