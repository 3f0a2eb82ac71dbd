package phalanx.desktop.session;

import static phalanx.words.Words.wording;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import phalanx.formats.project.ProjectFile;
import phalanx.formats.reading.Choice;
import phalanx.formats.reading.FormatException;
import phalanx.project.Project;

/**
 * The file of the open song: what it was read from, the project file that it belongs to, whether it has changed there or
 * here. For the interface thread.
 */
public final class OpenDocument {
    private final Executor background;
    private final Executor interfaceThread;
    private final Rescue rescue;
    private final Consumer<Message> say;
    private final ReadOnlyObjectWrapper<Source> source = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyObjectWrapper<Document> document = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyStringWrapper title = new ReadOnlyStringWrapper("Phalanx");
    /** The document whose change by another program was told. */
    private Document noticed;

    /**
     * @param background writes files
     * @param rescue keeps what is not saved
     * @param say shows a line at the bottom of the window
     */
    public OpenDocument(Executor background, Executor interfaceThread, Rescue rescue, Consumer<Message> say) {
        this.background = background;
        this.interfaceThread = interfaceThread;
        this.rescue = rescue;
        this.say = say;
    }

    /**
     * The file that was opened last.
     *
     * @param file where
     * @param choices its parts, tracks or tunes by name; empty where there is one
     * @param chosen which of them are open
     * @param report what was mended or left out, a line for each
     */
    public record Source(Path file, List<String> choices, Choice chosen, List<String> report) {
        public Source {
            choices = List.copyOf(choices);
            report = List.copyOf(report);
        }

        /** A project file. */
        public static Source project(Path file, List<String> report) {
            return new Source(file, List.of(), Choice.LIKELIEST, report);
        }
    }

    public Optional<Source> source() {
        return Optional.ofNullable(source.get());
    }

    public ReadOnlyObjectProperty<Source> sourceProperty() {
        return source.getReadOnlyProperty();
    }

    /** What was opened comes from there. */
    public void readFrom(Source from) {
        source.set(from);
    }

    /** What was opened comes from no file. */
    public void readFromNone() {
        source.set(null);
    }

    /** Another document is open from now on. */
    public void begin(Document opened) {
        document.set(opened);
    }

    /** What is open, and where it stands. */
    public ReadOnlyObjectProperty<Document> documentProperty() {
        return document.getReadOnlyProperty();
    }

    /** The project file, if the song was opened from one or saved to one. */
    public Optional<Path> projectFile() {
        return Optional.ofNullable(document.get()).flatMap(Document::file);
    }

    /** The song's title, marked where it has unsaved changes. */
    public ReadOnlyStringProperty titleProperty() {
        return title.getReadOnlyProperty();
    }

    /** Whether a project differs from what is saved. */
    public boolean isChanged(Project now) {
        return !now.equals(document.get().saved());
    }

    /** Takes the state that is shown: the title says whether it is saved, and what is not is kept for the next start. */
    public void tell(Project now) {
        boolean changed = isChanged(now);
        title.set(wording("OpenDocument.phalanx", now.song().title() + (changed ? " *" : "")));
        if (changed) {
            rescue.changed(now, document.get().file());
        } else {
            rescue.saved();
        }
    }

    /** Whether another program has changed the project file since it was opened or saved. */
    public boolean isChangedOutside() {
        return document.get() != null && document.get().changedOutside();
    }

    /** Says once when another program or window has changed the project file. */
    public void noticeOthers() {
        Document now = document.get();
        if (now != null && now.changedOutside() && !now.equals(noticed)) {
            noticed = now;
            String name = String.valueOf(now.file().orElseThrow().getFileName());
            say.accept(Message.plain(wording("OpenDocument.was-changed-by-another-program", name)));
        }
    }

    /**
     * Saves a project in the background; it is what is open in that file then.
     *
     * @param then done on the interface thread once it is saved; not when it could not be
     */
    public void save(Project now, Path to, Runnable then) {
        background.execute(() -> {
            try {
                new ProjectFile().write(now, to);
                interfaceThread.execute(() -> {
                    document.set(Document.in(to, now));
                    source.set(Source.project(to, List.of()));
                    then.run();
                });
            } catch (FormatException e) {
                interfaceThread.execute(() -> say.accept(Message.error(e.getMessage())));
            }
        });
    }
}
