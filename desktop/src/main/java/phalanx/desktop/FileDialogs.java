package phalanx.desktop;

import java.io.File;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Supplier;
import javafx.stage.FileChooser;
import javafx.stage.FileChooser.ExtensionFilter;
import javafx.stage.Window;
import phalanx.formats.ArrangementFiles;

/** Asks the player for files. */
public interface FileDialogs {
    /** A song to open, or nothing if the player changed their mind. */
    Optional<Path> open();

    /**
     * A file to write.
     *
     * @param title of the song, to suggest a name
     */
    Optional<Path> save(String title);

    /** The system's own dialogs over a window. */
    static FileDialogs system(Supplier<Window> window) {
        return new SystemDialogs(window);
    }

    /** The system's own dialogs. */
    final class SystemDialogs implements FileDialogs {
        private static final ExtensionFilter LEAD_SHEETS = new ExtensionFilter(
                "Songs", "*.musicxml", "*.xml", "*.mxl", "*.abc", "*.mid", "*.midi", "*.tab.txt", "*.txt");
        private static final List<ExtensionFilter> ARRANGEMENTS = List.of(
                new ExtensionFilter("MusicXML with tablature", "*.musicxml"),
                new ExtensionFilter("Plain-text tablature", "*.tab.txt"),
                new ExtensionFilter("Events", "*.json"));

        private final Supplier<Window> window;

        private SystemDialogs(Supplier<Window> window) {
            this.window = window;
        }

        @Override
        public Optional<Path> open() {
            FileChooser chooser = new FileChooser();
            chooser.setTitle("Open a song");
            chooser.getExtensionFilters().add(LEAD_SHEETS);
            return Optional.ofNullable(chooser.showOpenDialog(window.get())).map(File::toPath);
        }

        @Override
        public Optional<Path> save(String title) {
            FileChooser chooser = new FileChooser();
            chooser.setTitle("Write the arrangement");
            chooser.getExtensionFilters().addAll(ARRANGEMENTS);
            chooser.setInitialFileName(fileName(title));
            return Optional.ofNullable(chooser.showSaveDialog(window.get()))
                    .map(file -> withEnding(file.toPath(), chooser.getSelectedExtensionFilter()));
        }

        private static String fileName(String title) {
            return title.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-").replaceAll("^-|-$", "");
        }

        private static Path withEnding(Path file, ExtensionFilter filter) {
            String name = file.getFileName().toString();
            boolean known = ArrangementFiles.ENDINGS.stream().anyMatch(name::endsWith);
            String ending =
                    filter == null ? ".musicxml" : filter.getExtensions().get(0).substring(1);
            return known ? file : file.resolveSibling(name + ending);
        }
    }
}
