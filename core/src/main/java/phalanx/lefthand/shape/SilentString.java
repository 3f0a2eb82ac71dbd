package phalanx.lefthand.shape;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;

/**
 * A string that must not sound.
 *
 * @param string which
 * @param by the finger that damps it; nothing when it is only left unplucked
 */
public record SilentString(int string, Optional<Finger> by) {
    public SilentString {
        Objects.requireNonNull(by, "by");
    }

    /** In words, such as {@code 5 damped by 2} or {@code 1 not plucked}. */
    public String words() {
        return by.map(finger -> wording("SilentString.damped-by", string, finger.symbol()))
                .orElse(wording("SilentString.not-plucked", string));
    }

    /**
     * The silent strings of a shape, from the lowest. One between sounding strings is damped by the thumb beside it, by
     * the underside of finger 1 where that lies behind all fingers it passes, or by the tip of the finger on the next
     * lower string; the rest are left unplucked.
     */
    public static List<SilentString> of(HeldShape held) {
        Shape shape = held.shape();
        List<SilentString> silent = new ArrayList<>();
        for (int string = shape.strings(); string >= 1; string--) {
            if (!shape.sounds(string)) {
                boolean between = soundsBelow(shape, string) && soundsAbove(shape, string);
                silent.add(new SilentString(string, between ? damper(held, string) : Optional.empty()));
            }
        }
        return silent;
    }

    private static boolean soundsBelow(Shape shape, int string) {
        for (int lower = string + 1; lower <= shape.strings(); lower++) {
            if (shape.sounds(lower)) {
                return true;
            }
        }
        return false;
    }

    private static boolean soundsAbove(Shape shape, int string) {
        for (int higher = string - 1; higher >= 1; higher--) {
            if (shape.sounds(higher)) {
                return true;
            }
        }
        return false;
    }

    private static Optional<Finger> damper(HeldShape held, int string) {
        Optional<Press> index = held.fingering().press(Finger.INDEX).filter(press -> liesOver(press, held, string));
        if (index.isPresent()) {
            return Optional.of(Finger.INDEX);
        }
        return held.fingering().presses().stream()
                .filter(press -> press.trebleString() == string + 1)
                .map(Press::finger)
                .findFirst();
    }

    /** Whether finger 1, laid flat from where it presses, meets only strings that are stopped above it. */
    private static boolean liesOver(Press index, HeldShape held, int string) {
        if (index.bassString() < string) {
            return false;
        }
        for (int passed = string + 1; passed < index.trebleString(); passed++) {
            if (held.shape().sounds(passed) && held.shape().fret(passed) < index.fret()) {
                return false;
            }
        }
        return !index.covers(string) || index.isBarre();
    }
}
