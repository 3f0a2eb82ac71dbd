package phalanx.guitar;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import phalanx.words.Words;

/** Tunings players expect by name. Common practice, no source. */
public enum NamedTuning {
    STANDARD("standard", 40, 45, 50, 55, 59, 64),
    DROP_D("drop D", 38, 45, 50, 55, 59, 64),
    DOUBLE_DROP_D("double drop D", 38, 45, 50, 55, 59, 62),
    DADGAD("D A D G A D", 38, 45, 50, 55, 57, 62),
    OPEN_D("open D", 38, 45, 50, 54, 57, 62),
    OPEN_G("open G", 38, 43, 50, 55, 59, 62),
    OPEN_C("open C", 36, 43, 48, 55, 60, 64),
    DGDGBE("D G D G B E", 38, 43, 50, 55, 59, 64),
    SEMITONE_DOWN("down a semitone", 39, 44, 49, 54, 58, 63),
    TONE_DOWN("down a tone", 38, 43, 48, 53, 57, 62);

    private final String word;
    private final Tuning tuning;

    NamedTuning(String word, Integer... open) {
        this.word = word;
        this.tuning = new Tuning(List.of(open));
    }

    /** What it is called on screen. */
    public String label() {
        return Words.name(this);
    }

    public Tuning tuning() {
        return tuning;
    }

    static Optional<NamedTuning> byName(String text) {
        String wanted = text.trim();
        return Arrays.stream(values())
                .filter(named -> Words.means(named, named.word, wanted))
                .findFirst();
    }

    static Optional<NamedTuning> of(Tuning tuning) {
        return Arrays.stream(values())
                .filter(named -> named.tuning.equals(tuning))
                .findFirst();
    }
}
