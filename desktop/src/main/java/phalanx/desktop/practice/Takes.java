package phalanx.desktop.practice;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import java.util.function.Supplier;
import phalanx.arrange.score.Arrangement;
import phalanx.desktop.session.Message;
import phalanx.listening.Listener;
import phalanx.listening.TakeFile;
import phalanx.listening.TakeReport;

/** Asks for a recording and compares it with a passage in the background; nothing of it is kept. */
public final class Takes {
    private final Supplier<Optional<Path>> dialog;
    private final Executor background;
    private final Executor interfaceThread;
    private final Consumer<Message> say;

    /**
     * @param dialog asks the player for a WAV file
     * @param background runs one job after another
     * @param interfaceThread runs a job on the interface thread
     * @param say shows a line at the bottom of the window
     */
    public Takes(
            Supplier<Optional<Path>> dialog, Executor background, Executor interfaceThread, Consumer<Message> say) {
        this.dialog = dialog;
        this.background = background;
        this.interfaceThread = interfaceThread;
        this.say = say;
    }

    /**
     * Hears a recording of a passage, of whatever tempo and without its click.
     *
     * @param told takes the report on the interface thread; not told where nothing can be made of the recording
     */
    void hear(Arrangement passage, int from, int to, Consumer<TakeReport> told) {
        dialog.get().ifPresent(file -> {
            say.accept(Message.plain("Listening to " + file.getFileName() + "."));
            background.execute(() -> {
                try {
                    TakeReport report =
                            new Listener(TakeFile.read(file.toFile()), passage, from, to).report(Optional.empty());
                    interfaceThread.execute(() -> {
                        say.accept(Message.plain(file.getFileName() + ": " + report.heard() + " of " + report.strokes()
                                + " strokes heard."));
                        told.accept(report);
                    });
                } catch (IOException | IllegalArgumentException e) {
                    interfaceThread.execute(() -> say.accept(
                            Message.error(file.getFileName() + ": " + e.getMessage() + ". Nothing was kept.")));
                }
            });
        });
    }
}
