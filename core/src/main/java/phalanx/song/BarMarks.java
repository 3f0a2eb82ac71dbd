package phalanx.song;

import static phalanx.words.Words.wording;

import java.util.Objects;
import java.util.Optional;
import java.util.Set;

/**
 * What stands at a written bar about the order of playing.
 *
 * @param repeatStart whether a repeat begins with it
 * @param timesToEnd how often the stretch that it ends is played; 0 where no repeat ends
 * @param endings the rounds in which it is played, as under a bracket; empty for all
 * @param signs the signs at it
 * @param jump where playing goes after it, the first time
 */
public record BarMarks(
        boolean repeatStart, int timesToEnd, Set<Integer> endings, Set<Sign> signs, Optional<Jump> jump) {
    public static final BarMarks NONE = new BarMarks(false, 0, Set.of(), Set.of(), Optional.empty());
    private static final int MOST_TIMES = 100;

    /** Signs for jumps; fine and to coda count after its last beat, segno and coda before its first. */
    public enum Sign {
        SEGNO,
        CODA,
        TO_CODA,
        FINE
    }

    /** The jumps, after which repeats are not taken again. */
    public enum Jump {
        DA_CAPO,
        DAL_SEGNO
    }

    public BarMarks {
        endings = Set.copyOf(endings);
        signs = Set.copyOf(signs);
        Objects.requireNonNull(jump, "jump");
        if (timesToEnd < 0 || timesToEnd > MOST_TIMES || endings.stream().anyMatch(ending -> ending < 1)) {
            throw new IllegalArgumentException(wording("BarMarks.a-repeat-of-times-with", timesToEnd, endings));
        }
    }

    public boolean has(Sign sign) {
        return signs.contains(sign);
    }
}
