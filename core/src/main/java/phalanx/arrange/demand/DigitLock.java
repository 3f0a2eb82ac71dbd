package phalanx.arrange.demand;

import static phalanx.words.Words.wording;

import java.util.Objects;
import phalanx.righthand.Digit;

/**
 * The player's decision which digit plucks a note.
 *
 * @param tick where the note begins
 * @param role of it; of several inner notes the highest string's is meant
 * @param digit that plucks it
 */
public record DigitLock(int tick, Role role, Digit digit) implements NoteLock {
    public DigitLock {
        Objects.requireNonNull(role, "role");
        Objects.requireNonNull(digit, "digit");
        if (tick < 0) {
            throw new IllegalArgumentException(wording("DigitLock.a-note-at-tick", tick));
        }
    }

    @Override
    public DigitLock at(int newTick) {
        return new DigitLock(newTick, role, digit);
    }

    @Override
    public String words() {
        return wording("DigitLock.plucks-the-note", digit.symbol(), role.label());
    }
}
