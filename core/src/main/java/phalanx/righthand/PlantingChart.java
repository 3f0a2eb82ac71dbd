package phalanx.righthand;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import phalanx.words.Words;

/**
 * When each finger can wait on its next string. In an ascending run, in which every next digit is a higher one on a
 * higher string, all of them can be put down together as it begins and leave one by one; elsewhere a finger lands just
 * in time, with the moment before its own. A string that still carries a tune note is left alone until that ends.
 */
public final class PlantingChart {
    /** How fingers come to their strings. */
    public enum Manner {
        FULL,
        ONE_BY_ONE;

        /** What it is called on screen. */
        public String label() {
            return Words.name(this);
        }
    }

    /**
     * A finger waiting on a string.
     *
     * @param digit which
     * @param string where
     * @param fromTick when it can land
     * @param pluckTick when it plucks
     */
    public record Plant(Digit digit, int string, int fromTick, int pluckTick) {
        public Plant {
            Objects.requireNonNull(digit, "digit");
        }
    }

    /**
     * A pluck with its digit.
     *
     * @param tick when
     * @param string which
     * @param digit by
     * @param tuneUntil up to when it must ring as a tune note; its own tick where it need not
     */
    public record Played(int tick, int string, Digit digit, int tuneUntil) {
        public Played {
            Objects.requireNonNull(digit, "digit");
        }
    }

    private final Manner manner;

    public PlantingChart(Manner manner) {
        this.manner = Objects.requireNonNull(manner, "manner");
    }

    /**
     * The plants of a passage, by the time they begin.
     *
     * @param played in order of tick; brushes left out
     */
    public List<Plant> plants(List<Played> played) {
        List<Integer> ticks = played.stream().map(Played::tick).distinct().toList();
        List<Plant> plants = new ArrayList<>();
        for (Played pluck : played) {
            int at = ticks.indexOf(pluck.tick());
            if (pluck.digit() != Digit.P && at > 0) {
                int from = at - 1;
                while (manner == Manner.FULL && from > 0 && ascends(played, ticks.get(from), ticks.get(from + 1))) {
                    from--;
                }
                int tick = Math.max(ticks.get(from), Math.max(lastOf(played, pluck), tuneOn(played, pluck)));
                if (tick < pluck.tick()) {
                    plants.add(new Plant(pluck.digit(), pluck.string(), tick, pluck.tick()));
                }
            }
        }
        plants.sort(Comparator.comparingInt(Plant::fromTick).thenComparing(Plant::digit));
        return plants;
    }

    /** Whether from one moment to the next only higher digits go to only higher strings. */
    private static boolean ascends(List<Played> played, int tick, int next) {
        List<Played> before = played.stream().filter(one -> one.tick() == tick).toList();
        List<Played> after = played.stream().filter(one -> one.tick() == next).toList();
        // the run begins on the thumb: what comes before it is another
        return before.stream().noneMatch(one -> one.digit() == Digit.P)
                && before.stream().allMatch(low -> after.stream()
                        .allMatch(high -> high.digit().compareTo(low.digit()) > 0 && high.string() < low.string()));
    }

    /** When the finger itself plucked last: it cannot wait elsewhere before that. */
    private static int lastOf(List<Played> played, Played pluck) {
        return played.stream()
                .filter(one -> one.tick() < pluck.tick() && one.digit() == pluck.digit())
                .mapToInt(Played::tick)
                .max()
                .orElse(0);
    }

    /** When the tune is done with the string. */
    private static int tuneOn(List<Played> played, Played pluck) {
        return played.stream()
                .filter(one -> one.tick() < pluck.tick() && one.string() == pluck.string())
                .mapToInt(Played::tuneUntil)
                .max()
                .orElse(0);
    }
}
