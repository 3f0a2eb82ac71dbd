package phalanx.desktop;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Optional;
import phalanx.formats.project.Project;

/** Earlier and later states of the project, each with the words for the step that led away from it. */
final class History {
    private static final int MOST = 200;

    /**
     * A step that can be taken back or again.
     *
     * @param project the state to go to
     * @param what the step in words
     */
    record Step(Project project, String what) {}

    private final Deque<Step> earlier = new ArrayDeque<>();
    private final Deque<Step> later = new ArrayDeque<>();

    void remember(Project before, String what) {
        earlier.push(new Step(before, what));
        later.clear();
        if (earlier.size() > MOST) {
            earlier.removeLast();
        }
    }

    Optional<Step> undo(Project now) {
        return move(earlier, later, now);
    }

    Optional<Step> redo(Project now) {
        return move(later, earlier, now);
    }

    private static Optional<Step> move(Deque<Step> from, Deque<Step> to, Project now) {
        if (from.isEmpty()) {
            return Optional.empty();
        }
        Step step = from.pop();
        to.push(new Step(now, step.what()));
        return Optional.of(step);
    }
}
