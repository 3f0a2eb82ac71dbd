package phalanx.desktop.session;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import phalanx.project.Project;

/**
 * The project with its earlier and later states; each step has its words and where the player was. A value: stopping an
 * edit goes back to the history before it, whole.
 *
 * @param now the project as it is
 * @param tick where the player is in the song
 * @param earlier steps that can be taken back, the last one first
 * @param later steps that can be done again, the next one first
 */
public record History(Project now, int tick, List<Step> earlier, List<Step> later) {
    private static final int MOST = 200;

    /**
     * A step that can be taken or taken back.
     *
     * @param project the state to go to
     * @param tick where the player was in it
     * @param what the step in words
     */
    public record Step(Project project, int tick, String what) {}

    public History {
        earlier = List.copyOf(earlier);
        later = List.copyOf(later);
    }

    /** A project nothing was done to yet. */
    public static History of(Project project) {
        return new History(project, 0, List.of(), List.of());
    }

    /** After a step; what could be done again is gone. */
    public History then(Project next, String what) {
        return new History(next, tick, first(new Step(now, tick, what), earlier), List.of());
    }

    /** The same with the player elsewhere in the song. */
    public History at(int newTick) {
        return new History(now, newTick, earlier, later);
    }

    /** One step back; nothing where there is none. */
    public Optional<History> back() {
        return earlier.stream()
                .findFirst()
                .map(step -> new History(
                        step.project,
                        step.tick,
                        earlier.subList(1, earlier.size()),
                        first(new Step(now, tick, step.what), later)));
    }

    /** One step forth; nothing where there is none. */
    public Optional<History> again() {
        return later.stream()
                .findFirst()
                .map(step -> new History(
                        step.project,
                        step.tick,
                        first(new Step(now, tick, step.what), earlier),
                        later.subList(1, later.size())));
    }

    private static List<Step> first(Step step, List<Step> rest) {
        List<Step> all = new ArrayList<>();
        all.add(step);
        all.addAll(rest.subList(0, Math.min(rest.size(), MOST - 1)));
        return all;
    }
}
