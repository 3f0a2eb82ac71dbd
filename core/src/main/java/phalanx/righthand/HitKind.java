package phalanx.righthand;

import java.util.Arrays;
import java.util.Optional;

/** Percussive sounds of the right hand that a pattern can hold. */
public enum HitKind {
    KNOCK("knock", 'k'),
    SLAP("slap", 's'),
    TAP("tap", 't'),
    HEEL("heel", 'h'),
    CHUCK("chuck", 'c');

    private final String label;
    private final char letter;

    HitKind(String label, char letter) {
        this.label = label;
        this.letter = letter;
    }

    public String label() {
        return label;
    }

    public char letter() {
        return letter;
    }

    static Optional<HitKind> byLetter(char letter) {
        return Arrays.stream(values()).filter(kind -> kind.letter == letter).findFirst();
    }
}
