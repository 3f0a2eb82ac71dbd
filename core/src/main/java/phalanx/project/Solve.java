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
 * anew from there, and full answers found before. It is not safe for use by several threads at once.
 */
public final class Solve {
    private final Answers answers;
    private Optional<Arranger> arranger = Optional.empty();
    private Project arrangerIsFor;
    /** What was asked for last. */
    private Project asked;
    /** Whether the answer to it was known, and the arranger has not seen it. */
    private boolean known;

    public Solve() {
        this(new Answers());
    }

    /** @param answers found before, to which new ones are added */
    public Solve(Answers answers) {
        this.answers = answers;
    }

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
     * The quick answer, or the full one where it was found before.
     *
     * @throws IllegalArgumentException if written notes lie beyond the neck
     * @throws CancellationException soon after the work is cancelled
     */
    public Arrangement quick(Project project, BooleanSupplier cancelled) {
        asked = project;
        known = false;
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
        Optional<Arrangement> before = answers.to(project);
        known = before.isPresent();
        return before.orElseGet(() -> arrange(cancelled));
    }

    private Arrangement arrange(BooleanSupplier cancelled) {
        return arrangerFor(asked).quick(asked.song(), asked.picking(), asked.wishes(), asked.locks(), cancelled);
    }

    /** Whether the first answer to what was asked for last is final: no full one follows. */
    public boolean isFinal() {
        return known || asked != null && asked.written().isPresent();
    }

    /**
     * The full answer to what was solved quickly last; nothing where the first answer is final.
     *
     * @throws CancellationException soon after the work is cancelled
     */
    public Optional<Arrangement> full(BooleanSupplier cancelled) {
        if (isFinal()) {
            return Optional.empty();
        }
        Optional<Arrangement> full = arranger.map(own -> own.full(cancelled));
        full.ifPresent(one -> answers.keep(asked, one));
        return full;
    }

    /** Has the arranger see what was answered from memory. */
    private void catchUp(BooleanSupplier cancelled) {
        if (known) {
            arrange(cancelled);
            arranger.orElseThrow().full(cancelled);
            known = false;
        }
    }

    /**
     * Gets ready for edits of what was solved last; when there is nothing else to do.
     *
     * @throws CancellationException soon after the work is cancelled
     */
    public void ready(BooleanSupplier cancelled) {
        // what the arranger saw last is a few decisions away from an answer known before
        if (!isFinal()) {
            arranger.ifPresent(own -> own.ready(cancelled));
        }
    }

    /** Forgets what edits of the song solved last do not need, to give memory back; it is found again. */
    public void rest() {
        arranger.ifPresent(Arranger::rest);
    }

    /**
     * Other ways to play a moment of the song solved last; none where written notes are kept.
     *
     * @param most how many
     * @throws CancellationException soon after the work is cancelled
     */
    public List<OtherWay> otherWays(int tick, int most, BooleanSupplier cancelled) {
        catchUp(cancelled);
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
