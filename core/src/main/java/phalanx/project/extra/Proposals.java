package phalanx.project.extra;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CancellationException;
import java.util.function.BooleanSupplier;
import java.util.function.IntConsumer;
import phalanx.arrange.score.Arrangement;
import phalanx.project.Project;
import phalanx.project.Solve;

/** What may be put before, after and into a song, each arranged and priced. */
public final class Proposals {
    /**
     * A proposal and what it does to the song.
     *
     * @param arrangement of the song with it, quickly arranged
     * @param moreEffort what the song costs more with it
     * @param ceiling the song's fastest tempo with it, in quarter notes a minute
     */
    public record Priced(Proposal proposal, Arrangement arrangement, double moreEffort, double ceiling) {}

    /** All proposals, not yet priced: intros, endings, bass runs, second times; none where written notes are kept. */
    public List<Proposal> of(Project project) {
        List<Proposal> all = new ArrayList<>();
        if (project.written().isPresent()) {
            return all;
        }
        all.addAll(new Intros(project).find());
        all.addAll(new Endings(project).find());
        all.addAll(new BassRuns(project).find());
        all.addAll(new SecondTimes(project).find());
        return all;
    }

    /**
     * Proposals for a project, priced one after the other.
     *
     * @param proposals for it
     * @param done told how many are priced
     * @throws CancellationException soon after the work is cancelled
     */
    public List<Priced> priced(Project project, List<Proposal> proposals, IntConsumer done, BooleanSupplier cancelled) {
        Solve solve = new Solve();
        double now = solve.quick(project, cancelled).effort();
        List<Priced> priced = new ArrayList<>();
        for (Proposal proposal : proposals) {
            Arrangement arrangement = solve.quick(proposal.project(), cancelled);
            priced.add(new Priced(
                    proposal,
                    arrangement,
                    arrangement.effort() - now,
                    arrangement.ceiling().tempo()));
            done.accept(priced.size());
        }
        return priced;
    }
}
