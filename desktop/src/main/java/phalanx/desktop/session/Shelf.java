package phalanx.desktop.session;

import static phalanx.words.Words.wording;

import java.nio.file.Path;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import phalanx.formats.library.Library;
import phalanx.formats.library.LibraryFile;
import phalanx.formats.reading.FormatException;
import phalanx.guitar.Tuning;
import phalanx.theory.NoteNames;

/** What the player keeps beside the songs, on disk as soon as it changes. For the interface thread. */
public final class Shelf {
    private final LibraryFile file;
    private final Executor background;
    private final Executor interfaceThread;
    private final Consumer<Message> say;
    private final ReadOnlyObjectWrapper<Library> library = new ReadOnlyObjectWrapper<>(Library.FIRST);

    /**
     * Reads the library; a broken one is left alone and a fresh one is used until it is mended.
     *
     * @param background writes the file
     * @param say shows a line at the bottom of the window
     */
    public Shelf(LibraryFile file, Executor background, Executor interfaceThread, Consumer<Message> say) {
        this.file = file;
        this.background = background;
        this.interfaceThread = interfaceThread;
        this.say = say;
        library.set(read());
    }

    private Library read() {
        try {
            return file.read().orElse(Library.FIRST);
        } catch (FormatException e) {
            say.accept(Message.error(wording(
                    "Shelf.your-saved-things-are-not",
                    e.getMessage(),
                    file.setAside().map(Path::toString).orElse(wording("Shelf.it-is")))));
            return Library.FIRST;
        }
    }

    public ReadOnlyObjectProperty<Library> libraryProperty() {
        return library.getReadOnlyProperty();
    }

    public Library library() {
        return library.get();
    }

    /** Keeps a changed library, on disk in the background. */
    public void keep(Library changed) {
        if (changed.equals(library.get())) {
            return;
        }
        library.set(changed);
        background.execute(() -> {
            try {
                file.write(changed);
            } catch (FormatException e) {
                interfaceThread.execute(() -> say.accept(Message.error(e.getMessage())));
            }
        });
    }

    /**
     * A tuning by its notes, by a known name or by a name of the player's own.
     *
     * @throws IllegalArgumentException if it is none
     */
    public Tuning tuning(String text) {
        return library.get().tunings().stream()
                .filter(own -> own.name().equalsIgnoreCase(text.trim()))
                .map(Library.OwnTuning::tuning)
                .findFirst()
                .orElseGet(() -> Tuning.parse(NoteNames.current().english(text)));
    }
}
