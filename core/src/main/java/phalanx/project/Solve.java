package phalanx.project;

import java.util.List;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.function.BooleanSupplier;
import phalanx.arrange.Arranger;
import phalanx.arrange.Transcriber;
import phalanx.arrange.advice.OtherWay;
import phalanx.arrange.advice.OtherWays;
import phalanx.arrange.score.Arrangement;

/**
 * From a project to its arrangement: notes that were written are kept where they are and fingered, all others arranged,
 * quickly first and then in full. It remembers what it has seen for the last guitar and hand, so that an edit is solved
 * anew from there. It is not safe for use by several threads at once.
 */
public final class Solve {
    private Optional<Arranger> arranger = Optional.empty();
    private Project arrangerIsFor;

    /**
     * The full answer, to the end.
     *
     * @throws IllegalArgumentException if written notes lie beyond the neck
     */
    public static Arrangement of(Project project) {
        Solve solve = new Solve();
        Arrangement quick = solve.quick(project, () -> false);
        return solve.full(() -> false).orElse(quick);
    }

    /**
     * The quick answer.
     *
     * @throws IllegalArgumentException if written notes lie beyond the neck
     * @throws CancellationException soon after the work is cancelled
     */
    public Arrangement quick(Project project, BooleanSupplier cancelled) {
        if (project.written().isPresent()) {
            arranger = Optional.empty();
            return new Transcriber(project.instrument(), project.hand())
                    .arrange(
                            project.song(),
                            project.written().get(),
                            project.picking(),
                            project.wishes(),
                            project.locks());
        }
        return arrangerFor(project)
                .quick(project.song(), project.picking(), project.wishes(), project.locks(), cancelled);
    }

    /**
     * The full answer to what was solved quickly last; nothing where written notes are kept, whose first answer is final.
     *
     * @throws CancellationException soon after the work is cancelled
     */
    public Optional<Arrangement> full(BooleanSupplier cancelled) {
        return arranger.map(own -> own.full(cancelled));
    }

    /**
     * Gets ready for edits of what was solved last; when there is nothing else to do.
     *
     * @throws CancellationException soon after the work is cancelled
     */
    public void ready(BooleanSupplier cancelled) {
        arranger.ifPresent(own -> own.ready(cancelled));
    }

    /**
     * Other ways to play a moment of the song solved last; none where written notes are kept.
     *
     * @param most how many
     * @throws CancellationException soon after the work is cancelled
     */
    public List<OtherWay> otherWays(int tick, int most, BooleanSupplier cancelled) {
        return arranger.filter(own -> own.solved().isPresent())
                .map(own -> new OtherWays(own, cancelled).at(tick, most))
                .orElse(List.of());
    }

    private Arranger arrangerFor(Project next) {
        boolean same = arranger.isPresent()
                && arrangerIsFor.instrument().equals(next.instrument())
                && arrangerIsFor.hand().equals(next.hand());
        if (!same) {
            arranger = Optional.of(new Arranger(next.instrument(), next.hand()));
            arrangerIsFor = next;
        }
        return arranger.get();
    }
}
