package phalanx.desktop.practice;

import static phalanx.words.Words.wording;

import java.io.IOException;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import java.util.function.Supplier;
import phalanx.arrange.score.Arrangement;
import phalanx.desktop.session.Message;
import phalanx.listening.Listener;
import phalanx.listening.Microphone;
import phalanx.listening.Take;
import phalanx.listening.TakeFile;
import phalanx.listening.TakeReport;

/**
 * Compares what the player plays with a passage, in the background: a recording that is asked for, or what the microphone
 * hears. Nothing of it is kept.
 */
public final class Takes {
    private final Supplier<Optional<Path>> dialog;
    private final Microphone microphone;
    private final Executor background;
    private final Executor interfaceThread;
    private final Consumer<Message> say;

    /**
     * @param dialog asks the player for a WAV file
     * @param microphone off until the player switches it on
     * @param background runs one job after another
     * @param interfaceThread runs a job on the interface thread
     * @param say shows a line at the bottom of the window
     */
    public Takes(
            Supplier<Optional<Path>> dialog,
            Microphone microphone,
            Executor background,
            Executor interfaceThread,
            Consumer<Message> say) {
        this.dialog = dialog;
        this.microphone = microphone;
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
            String name = String.valueOf(file.getFileName());
            say.accept(Message.plain(wording("Takes.listening-to", name)));
            background.execute(() -> {
                try {
                    compare(name, TakeFile.read(file.toFile()), passage, from, to, told);
                } catch (IOException e) {
                    fail(name, e.getMessage());
                }
            });
        });
    }

    /** Switches the microphone on; answers whether there is one. */
    boolean listen() {
        boolean on = microphone.start();
        say.accept(
                on
                        ? Message.plain(wording("Takes.the-microphone-is-on-play"))
                        : Message.error(wording("Takes.no-microphone-was-found-record")));
        return on;
    }

    /** Switches the microphone off and compares what it heard, as {@link #hear} does. */
    void compare(Arrangement passage, int from, int to, Consumer<TakeReport> told) {
        // at once: what waits in the background must not keep it on
        microphone.stop().ifPresent(take -> {
            say.accept(Message.plain(wording("Takes.the-microphone-is-off-comparing")));
            background.execute(() -> compare(wording("Takes.what-was-heard"), take, passage, from, to, told));
        });
    }

    /** Switches the microphone off, if it is on, and forgets what it heard. */
    void forget() {
        if (microphone.isOn()) {
            microphone.off();
            say.accept(Message.plain(wording("Takes.the-microphone-is-off-what")));
        }
    }

    private void compare(String name, Take take, Arrangement passage, int from, int to, Consumer<TakeReport> told) {
        try {
            TakeReport report = new Listener(take, passage, from, to).report(Optional.empty());
            interfaceThread.execute(() -> {
                say.accept(Message.plain(wording("Takes.of-strokes-heard", name, report.heard(), report.strokes())));
                told.accept(report);
            });
        } catch (IllegalArgumentException e) {
            fail(name, e.getMessage());
        }
    }

    private void fail(String name, String why) {
        interfaceThread.execute(() -> say.accept(Message.error(wording("Takes.nothing-was-kept", name, why))));
    }
}
