package phalanx.desktop;

import static phalanx.words.Words.wording;

import java.io.File;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.regex.Pattern;
import javafx.stage.FileChooser;
import javafx.stage.FileChooser.ExtensionFilter;
import javafx.stage.Window;
import phalanx.formats.ArrangementFiles;
import phalanx.formats.project.ProjectFile;

/** Asks the player for files. */
public interface FileDialogs {
    /** A song to open, or nothing if the player changed their mind. */
    Optional<Path> open();

    /** A recording to listen to, or nothing. */
    Optional<Path> take();

    /**
     * A file to write.
     *
     * @param title of the song, to suggest a name
     */
    Optional<Chosen> save(String title);

    /**
     * A file to write pages to.
     *
     * @param name that is suggested
     */
    Optional<Chosen> savePages(String name);

    /**
     * A project to save.
     *
     * @param title of the song, to suggest a name
     */
    Optional<Chosen> saveProject(String title);

    /**
     * A file to write.
     *
     * @param asked whether the player was asked already about a file that is there
     */
    record Chosen(Path file, boolean asked) {}

    /** The system's own dialogs over a window. */
    static FileDialogs system(Supplier<Window> window) {
        return new SystemDialogs(window);
    }

    /** The system's own dialogs. */
    final class SystemDialogs implements FileDialogs {
        private static final ExtensionFilter LEAD_SHEETS = new ExtensionFilter(
                wording("FileDialogs.songs"),
                "*.musicxml",
                "*.xml",
                "*.mxl",
                "*.abc",
                "*.mid",
                "*.midi",
                "*.tab.txt",
                "*.txt",
                "*" + ProjectFile.ENDING);
        private static final ExtensionFilter RECORDINGS =
                new ExtensionFilter(wording("FileDialogs.recordings"), "*.wav");
        private static final ExtensionFilter PROJECTS =
                new ExtensionFilter(wording("FileDialogs.projects"), "*" + ProjectFile.ENDING);
        private static final List<ExtensionFilter> PAGES = List.of(
                new ExtensionFilter("PDF", "*.pdf"),
                new ExtensionFilter("SVG", "*.svg"),
                new ExtensionFilter(wording("FileDialogs.picture"), "*.png"));

        private static final List<ExtensionFilter> ARRANGEMENTS = List.of(
                new ExtensionFilter(wording("FileDialogs.musicxml-with-tablature"), "*.musicxml"),
                new ExtensionFilter(wording("FileDialogs.plain-text-tablature"), "*.tab.txt"),
                new ExtensionFilter(
                        wording("FileDialogs.tablature-with-left-hand-fingers"), "*" + ArrangementFiles.WITH_FINGERS),
                new ExtensionFilter("MIDI", "*.mid"),
                new ExtensionFilter(wording("FileDialogs.sound"), "*.wav"),
                new ExtensionFilter(wording("FileDialogs.events"), "*.json"));

        /** A name that says what kind of file it is; one that cannot be written is refused, not lengthened. */
        private static final Pattern OTHER_ENDING = Pattern.compile("\\.[A-Za-z]{2,5}$");

        private final Supplier<Window> window;

        private SystemDialogs(Supplier<Window> window) {
            this.window = window;
        }

        @Override
        public Optional<Path> open() {
            return open(wording("FileDialogs.open-a-song"), LEAD_SHEETS);
        }

        @Override
        public Optional<Path> take() {
            return open(wording("FileDialogs.open-a-recording"), RECORDINGS);
        }

        private Optional<Path> open(String title, ExtensionFilter files) {
            FileChooser chooser = new FileChooser();
            chooser.setTitle(title);
            chooser.getExtensionFilters().add(files);
            return Optional.ofNullable(chooser.showOpenDialog(window.get())).map(File::toPath);
        }

        @Override
        public Optional<Chosen> save(String title) {
            return save(wording("FileDialogs.write-the-arrangement"), title, ARRANGEMENTS);
        }

        @Override
        public Optional<Chosen> savePages(String name) {
            return save(wording("FileDialogs.write-the-pages"), name, PAGES);
        }

        private Optional<Chosen> save(String heading, String title, List<ExtensionFilter> kinds) {
            FileChooser chooser = new FileChooser();
            chooser.setTitle(heading);
            chooser.getExtensionFilters().addAll(kinds);
            chooser.setInitialFileName(fileName(title));
            return Optional.ofNullable(chooser.showSaveDialog(window.get()))
                    .map(file ->
                            chosen(file.toPath(), withEnding(file.toPath(), chooser.getSelectedExtensionFilter())));
        }

        @Override
        public Optional<Chosen> saveProject(String title) {
            FileChooser chooser = new FileChooser();
            chooser.setTitle(wording("FileDialogs.save-the-project"));
            chooser.getExtensionFilters().add(PROJECTS);
            chooser.setInitialFileName(fileName(title) + ProjectFile.ENDING);
            return Optional.ofNullable(chooser.showSaveDialog(window.get()))
                    .map(file -> chosen(file.toPath(), asProject(file.toPath())));
        }

        /** The system asks about the name that was typed. */
        private static Chosen chosen(Path typed, Path file) {
            return new Chosen(file, typed.equals(file));
        }

        private static Path asProject(Path file) {
            String name = file.getFileName().toString();
            return name.endsWith(ProjectFile.ENDING) ? file : file.resolveSibling(name + ProjectFile.ENDING);
        }

        private static String fileName(String title) {
            return title.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-").replaceAll("^-|-$", "");
        }

        private static Path withEnding(Path file, ExtensionFilter filter) {
            String name = file.getFileName().toString();
            boolean known = Exports.ENDINGS.stream().anyMatch(name::endsWith)
                    || OTHER_ENDING.matcher(name).find();
            String ending =
                    filter == null ? ".musicxml" : filter.getExtensions().get(0).substring(1);
            return known ? file : file.resolveSibling(name + ending);
        }
    }
}
