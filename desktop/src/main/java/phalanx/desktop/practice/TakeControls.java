package phalanx.desktop.practice;

import static phalanx.words.Words.wording;

import java.util.Optional;
import java.util.function.Supplier;
import javafx.scene.control.Button;
import phalanx.arrange.score.Arrangement;
import phalanx.desktop.widget.Cards;
import phalanx.listening.TakeReport;

/** Has the step compared with what the player plays: with a recording that is opened, or by the microphone. */
final class TakeControls {
    private static final String LISTEN = wording("TakeControls.microphone-r");
    private static final String LISTENING = wording("TakeControls.compare-r");

    private final Takes takes;
    private final Supplier<Optional<Asked>> step;
    private final Runnable silence;
    private final Runnable shown;
    private final TakePanel panel = new TakePanel();
    private final Button open = Cards.button(
            "practice-take-open",
            wording("TakeControls.take-w"),
            wording("TakeControls.open-a-recording-of-this"),
            this::open);
    private final Button microphone =
            Cards.button("practice-microphone", LISTEN, wording("TakeControls.play-the-step-into-the"), this::listen);

    /** What is to be played, from a tick up to another. */
    record Asked(Arrangement part, int from, int to) {}

    /**
     * @param step that is chosen, if any
     * @param silence stops what sounds: the microphone would hear it, too
     * @param shown told when a take has been compared and the panel tells of it
     */
    TakeControls(Takes takes, Supplier<Optional<Asked>> step, Runnable silence, Runnable shown) {
        this.takes = takes;
        this.step = step;
        this.silence = silence;
        this.shown = shown;
    }

    TakePanel panel() {
        return panel;
    }

    Button openButton() {
        return open;
    }

    Button microphoneButton() {
        return microphone;
    }

    /** Asks for a recording of the step and shows what it tells. */
    void open() {
        step.get().ifPresent(asked -> {
            silence.run();
            takes.hear(asked.part, asked.from, asked.to, report -> show(report, asked));
        });
    }

    /** Switches the microphone on; or off, and shows what it heard of the step. */
    void listen() {
        step.get().ifPresent(asked -> {
            if (microphone.getText().equals(LISTENING)) {
                microphone.setText(LISTEN);
                takes.compare(asked.part, asked.from, asked.to, report -> show(report, asked));
            } else {
                silence.run();
                microphone.setText(takes.listen() ? LISTENING : LISTEN);
            }
        });
    }

    /** Switches the microphone off, if it is on, and forgets what it heard. */
    void stopListening() {
        microphone.setText(LISTEN);
        takes.forget();
    }

    private void show(TakeReport report, Asked asked) {
        panel.show(report, asked.part.song());
        shown.run();
    }
}
