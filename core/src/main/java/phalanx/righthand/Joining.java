package phalanx.righthand;

import java.util.EnumMap;
import java.util.Map;
import java.util.stream.Collectors;

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
        NO_FREE_STRING("no inner string of the chord is free"),
        NO_DIGIT("the school has no digit left"),
        THINNED("thinned out beside the tune"),
        PLAYER("left out by the player"),
        PHRASE_END("the phrase ends there with a fuller sound"),
        OTHER_METER("the bar's beats are divided otherwise than the pattern's");

        private final String words;

        Reason(String words) {
            this.words = words;
        }

        public String words() {
            return words;
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
            return "no strokes of a pattern";
        }
        String reasons = dropped.entrySet().stream()
                .filter(entry -> entry.getValue() > 0)
                .sorted(Map.Entry.comparingByKey())
                .map(entry -> entry.getValue() + ": " + entry.getKey().words())
                .collect(Collectors.joining("; "));
        return asked + " strokes: on their own string " + kept + " of " + (asked - byTune) + ", " + byTune
                + " taken by the tune, " + moved + " on another string, " + left()
                + " left out" + (reasons.isEmpty() ? "" : " (" + reasons + ")");
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
