package phalanx.righthand;

import static phalanx.words.Words.wording;

import java.util.EnumMap;
import java.util.Map;
import java.util.stream.Collectors;
import phalanx.words.Words;

/**
 * What became of a pattern's finger strokes when they were joined with the tune.
 *
 * @param asked how many strokes the pattern has in the bars that were played
 * @param kept on their own string
 * @param byTune taken by a tune note that is plucked with them
 * @param moved to another inner string
 * @param dropped left out, and why
 */
public record Joining(int asked, int kept, int byTune, int moved, Map<Reason, Integer> dropped) {
    public static final Joining NONE = new Joining(0, 0, 0, 0, Map.of());

    /** Why a stroke is left out. */
    public enum Reason {
        NO_FREE_STRING,
        NO_DIGIT,
        THINNED,
        PLAYER,
        PHRASE_END,
        OTHER_METER;

        public String words() {
            return Words.name(this);
        }
    }

    public Joining {
        dropped = Map.copyOf(dropped);
    }

    public int left() {
        return dropped.values().stream().mapToInt(Integer::intValue).sum();
    }

    /** The share of strokes that are heard, on whatever string; 1 where none were asked for. */
    public double heardShare() {
        return asked == 0 ? 1 : (kept + byTune + moved) / (double) asked;
    }

    /** In one line. */
    public String words() {
        if (asked == 0) {
            return wording("Joining.no-strokes-of-a-pattern");
        }
        String reasons = dropped.entrySet().stream()
                .filter(entry -> entry.getValue() > 0)
                .sorted(Map.Entry.comparingByKey())
                .map(entry -> entry.getValue() + ": " + entry.getKey().words())
                .collect(Collectors.joining("; "));
        return wording(
                "Joining.strokes-on-their-own-string",
                asked,
                kept,
                asked - byTune,
                byTune,
                moved,
                left(),
                reasons.isEmpty() ? "" : " (" + reasons + ")");
    }

    /** With strokes dropped for a reason added. */
    public Joining dropping(Reason reason, int count) {
        Map<Reason, Integer> more = new EnumMap<>(Reason.class);
        more.putAll(dropped);
        more.merge(reason, count, Integer::sum);
        return new Joining(asked, kept, byTune, moved, more);
    }

    /** With strokes that found a string added. */
    public Joining placing(int moreKept, int moreMoved) {
        return new Joining(asked, kept + moreKept, byTune, moved + moreMoved, dropped);
    }
}
