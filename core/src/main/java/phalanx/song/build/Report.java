package phalanx.song.build;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** What was changed or left out, a line for each, with its place. */
public final class Report {
    private static final Pattern NUMBER = Pattern.compile("\\d{1,9}");

    private final List<Line> lines = new ArrayList<>();
    private final Set<String> said = new HashSet<>();

    private record Line(String place, String what) {
        /** The first number of the place; what has none comes first. */
        int order() {
            Matcher number = NUMBER.matcher(place);
            return number.find() ? Integer.parseInt(number.group()) : -1;
        }

        String text() {
            return place.isEmpty() ? what : place + ": " + what;
        }
    }

    /** Says what was done at a place; without one, to the whole. */
    public void say(String place, String what) {
        lines.add(new Line(place, what));
    }

    /** The same, where it was not said of an earlier place. */
    public void once(String place, String what) {
        once(place, what, what);
    }

    /**
     * The same for things of one kind.
     *
     * @param about the kind
     */
    public void once(String place, String about, String what) {
        if (said.add(about)) {
            say(place, what);
        }
    }

    /** What is said of the whole, then the rest in order of bars or lines. */
    public List<String> lines() {
        return lines.stream()
                .sorted(Comparator.comparingInt(Line::order))
                .map(Line::text)
                .toList();
    }
}
