package phalanx.song.build;

import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The rounds in which bars under a bracket are played, from what is written over it. */
public final class Endings {
    private static final Pattern ROUNDS = Pattern.compile("(\\d{1,2})(?:\\s*-\\s*(\\d{1,2}))?");
    private static final int MOST = 99;

    private Set<Integer> open = Set.of();
    private int last;

    /**
     * A bracket begins.
     *
     * @param text such as {@code 1}, {@code 1.}, {@code 1, 2} or {@code 1-3}; without a number it is the next round's
     */
    public void begin(String text) {
        TreeSet<Integer> rounds = new TreeSet<>();
        Matcher parts = ROUNDS.matcher(text);
        while (parts.find()) {
            int from = Integer.parseInt(parts.group(1));
            int to = parts.group(2) == null ? from : Integer.parseInt(parts.group(2));
            for (int round = Math.max(1, from); round <= Math.min(MOST, to); round++) {
                rounds.add(round);
            }
        }
        if (rounds.isEmpty()) {
            rounds.add(last + 1);
        }
        last = rounds.last();
        open = rounds;
    }

    /** The rounds of the present bar; empty for all. */
    public Set<Integer> open() {
        return Set.copyOf(open);
    }

    /** The bracket ends. */
    public void end() {
        open = Set.of();
    }

    /** A repeat begins: no bracket reaches into it, and rounds count anew. */
    public void again() {
        end();
        last = 0;
    }
}
