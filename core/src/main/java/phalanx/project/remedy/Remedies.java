package phalanx.project.remedy;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.concurrent.CancellationException;
import java.util.function.BooleanSupplier;
import java.util.function.UnaryOperator;
import phalanx.arrange.demand.AddedLock;
import phalanx.arrange.demand.LimitLock;
import phalanx.arrange.demand.Lock;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.FindingKind;
import phalanx.arrange.score.Hold;
import phalanx.project.Project;
import phalanx.project.Solve;
import phalanx.righthand.BassLine;
import phalanx.righthand.Level;
import phalanx.righthand.Picking;
import phalanx.song.Bar;

/** Tries what could help against a finding, each on the whole song, and keeps what does. */
public final class Remedies {
    /** No lower limit for the highest fret is tried. */
    private static final int LOWEST_LIMIT = 3;

    private static final int MOST = 3;

    /** A change to be tried. */
    private record Tried(String name, UnaryOperator<Project> edit) {}

    /**
     * What helps, the least additional effort first: with it the finding's kind is gone from its bar or less severe there,
     * and no more findings are as severe as it was in the whole song.
     *
     * @param project whose full answer is given
     * @param now the full answer
     * @param finding one of its own
     * @throws CancellationException soon after the work is cancelled
     */
    public List<Remedy> against(Project project, Arrangement now, Finding finding, BooleanSupplier cancelled) {
        List<Remedy> found = new ArrayList<>();
        for (Tried tried : candidates(project, now, finding)) {
            Solve solve = new Solve();
            Project changed = tried.edit.apply(project);
            Arrangement quick = solve.quick(changed, cancelled);
            Arrangement then = solve.full(cancelled).orElse(quick);
            if (helps(now, then, finding)) {
                found.add(new Remedy(
                        tried.name,
                        tried.edit,
                        then.effort() - now.effort(),
                        worst(then, finding).isEmpty()));
            }
        }
        found.sort(Comparator.comparingDouble(Remedy::moreEffort));
        return List.copyOf(found.subList(0, Math.min(MOST, found.size())));
    }

    private static boolean helps(Arrangement now, Arrangement then, Finding finding) {
        boolean same = then.movedBy() == now.movedBy()
                && then.cost().unplayable() <= now.cost().unplayable()
                && then.cost().tune() <= now.cost().tune();
        boolean less = worst(then, finding)
                .map(left -> left.compareTo(finding.severity()) < 0)
                .orElse(true);
        return same && less && asSevere(then, finding) <= asSevere(now, finding);
    }

    /** How severe findings of a kind are in its bar. */
    private static Optional<Finding.Severity> worst(Arrangement arrangement, Finding finding) {
        return arrangement.findings().stream()
                .filter(other -> other.kind() == finding.kind() && other.bar() == finding.bar())
                .map(Finding::severity)
                .max(Comparator.naturalOrder());
    }

    private static long asSevere(Arrangement arrangement, Finding finding) {
        return arrangement.findings().stream()
                .filter(other -> other.severity().compareTo(finding.severity()) >= 0)
                .count();
    }

    private static List<Tried> candidates(Project project, Arrangement now, Finding finding) {
        Bar bar = now.song().barAt(Math.min(finding.tick(), now.song().endTick() - 1));
        String here = wording("Remedies.in-bar", bar.number());
        List<Tried> all = new ArrayList<>();
        if (finding.kind() == FindingKind.LOCK_NOT_KEPT) {
            List<Lock> locks = project.locks().stream()
                    .filter(lock -> lock.startTick() < bar.endTick() && lock.endTick() > bar.startTick())
                    .filter(lock -> !(lock instanceof AddedLock))
                    .toList();
            locks.forEach(lock ->
                    all.add(new Tried(wording("Remedies.release", lock.words()), free -> free.withoutLock(lock))));
        }
        if (project.written().isPresent()) {
            return all;
        }
        Picking.Plan plan = project.picking().planAt(bar.startTick());
        if (plan.level() != Level.PLAIN) {
            Level lower = Level.values()[plan.level().ordinal() - 1];
            all.add(planned(
                    wording("Remedies.level", lower.label(), here),
                    bar,
                    new Picking.Plan(plan.pattern(), plan.bass(), lower, plan.strings(), plan.groove())));
        }
        if (plan.groove().isPresent() && finding.kind().side() != FindingKind.Side.EAR) {
            all.add(planned(
                    wording("Remedies.no-groove", here),
                    bar,
                    new Picking.Plan(plan.pattern(), plan.bass(), plan.level(), plan.strings(), Optional.empty())));
        }
        if (plan.bass() != BassLine.ON_CHANGE) {
            all.add(planned(
                    wording("Remedies.bass-on-the-change-alone", here),
                    bar,
                    new Picking.Plan(plan.pattern(), BassLine.ON_CHANGE, plan.level(), plan.strings(), plan.groove())));
        }
        if (finding.kind().side() == FindingKind.Side.LEFT) {
            addLimits(now, bar, here, all);
        }
        if (finding.kind().isOfSpeed()
                && finding.kind().side() == FindingKind.Side.RIGHT
                && !project.wishes().slurs()) {
            all.add(new Tried(
                    wording("Remedies.slurs-where-they-help"),
                    free -> free.withWishes(free.wishes().withSlurs(true))));
        }
        return all;
    }

    private static Tried planned(String name, Bar bar, Picking.Plan plan) {
        Picking.Span span = new Picking.Span(bar.startTick(), bar.endTick(), plan);
        return new Tried(name, free -> free.withPicking(free.picking().withSpan(span)));
    }

    private static void addLimits(Arrangement now, Bar bar, String here, List<Tried> all) {
        List<Hold> holds = now.holds().stream()
                .filter(hold -> hold.tick() < bar.endTick() && hold.endTick() > bar.startTick())
                .toList();
        if (holds.stream().anyMatch(hold -> hold.press().isBarre())) {
            all.add(limited(
                    wording("Remedies.no-barre", here),
                    new LimitLock(bar.startTick(), bar.endTick(), OptionalInt.empty(), true)));
        }
        int highest = holds.stream().mapToInt(hold -> hold.press().fret()).max().orElse(0);
        if (highest > LOWEST_LIMIT) {
            int limit = Math.max(LOWEST_LIMIT, highest - 2);
            all.add(limited(
                    wording("Remedies.not-above-fret", limit, here),
                    new LimitLock(bar.startTick(), bar.endTick(), OptionalInt.of(limit), false)));
        }
    }

    private static Tried limited(String name, LimitLock limit) {
        return new Tried(name, free -> free.withLock(limit));
    }
}
