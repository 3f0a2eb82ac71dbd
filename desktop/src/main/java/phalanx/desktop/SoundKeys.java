package phalanx.desktop;

import static phalanx.words.Words.wording;

import java.util.function.Consumer;
import javafx.scene.input.KeyEvent;
import phalanx.sound.Layer;
import phalanx.sound.Mix;

/** Keys by which the player changes what is heard while it plays. */
public final class SoundKeys {
    private static final int STEP = 5;

    private final Playback playback;
    private final Consumer<String> tell;

    /** @param tell takes what has changed, in words */
    public SoundKeys(Playback playback, Consumer<String> tell) {
        this.playback = playback;
        this.tell = tell;
    }

    /** 1 to 4 turn a layer off and on, with Shift it is heard alone; C is the click. */
    public boolean layers(KeyEvent event) {
        Layer layer =
                switch (event.getCode()) {
                    case DIGIT1 -> Layer.THUMB;
                    case DIGIT2 -> Layer.FINGERS;
                    case DIGIT3 -> Layer.TUNE;
                    case DIGIT4 -> Layer.HITS;
                    default -> null;
                };
        if (layer == null) {
            return false;
        }
        Playback.Habits now = playback.habitsProperty().get();
        if (event.isShiftDown()) {
            Mix alone = now.mix().solo(layer);
            boolean was = alone.equals(now.mix());
            playback.habitsProperty().set(now.with(was ? all(now.mix()) : alone));
            tell.accept(
                    was
                            ? wording("SoundKeys.everything-is-heard-again")
                            : wording("SoundKeys.the-alone", layer.label()));
        } else {
            toggle(layer);
        }
        return true;
    }

    private static Mix all(Mix mix) {
        Mix full = mix;
        for (Layer layer : Layer.values()) {
            full = layer.isUsual() ? full.with(layer, 1) : full;
        }
        return full;
    }

    /** Turns a layer off or on. */
    public void toggle(Layer layer) {
        Playback.Habits now = playback.habitsProperty().get();
        boolean on = now.mix().level(layer) == 0;
        playback.habitsProperty().set(now.with(layer, on ? 1 : 0));
        tell.accept(wording(
                "SoundKeys.the", layer.label(), on ? wording("SoundKeys.is-heard") : wording("SoundKeys.is-silent")));
    }

    /** L turns the loop on and off, C the click. */
    public boolean loopOrClick(KeyEvent event) {
        Playback.Habits now = playback.habitsProperty().get();
        switch (event.getCode()) {
            case L -> {
                playback.habitsProperty().set(now.looped(!now.loop()));
                tell.accept(
                        now.loop()
                                ? wording("SoundKeys.playing-goes-on-to-the")
                                : wording("SoundKeys.the-marked-bars-or-the"));
            }
            case C -> toggle(Layer.CLICK);
            default -> {
                return false;
            }
        }
        return true;
    }

    /** Plays faster or slower by a twentieth of the tempo. */
    public void faster(boolean more) {
        Playback.Habits now = playback.habitsProperty().get();
        Playback.Habits changed = now.atPercent(now.percent() + (more ? STEP : -STEP));
        playback.habitsProperty().set(changed);
        tell.accept(wording("SoundKeys.played-at-of-the-tempo", changed.percent()));
    }
}
