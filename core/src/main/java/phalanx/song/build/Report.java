package phalanx.song.build;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** What was changed or left out, a line for each, with its place. */
public final class Report {
    private final List<String> lines = new ArrayList<>();
    private final Set<String> said = new HashSet<>();

    /** Says what was done at a place; without one, to the whole. */
    public void say(String place, String what) {
        lines.add(place.isEmpty() ? what : place + ": " + what);
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

    public List<String> lines() {
        return List.copyOf(lines);
    }
}
