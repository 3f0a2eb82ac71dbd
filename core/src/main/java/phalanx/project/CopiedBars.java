package phalanx.project;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import phalanx.arrange.demand.AddedLock;
import phalanx.arrange.demand.Lock;
import phalanx.righthand.Picking;
import phalanx.song.Bar;
import phalanx.song.Spliced;

/**
 * What was decided about some bars, to be put on others: the locks that stand wholly in them, and the picking.
 *
 * @param ticks how long the bars are
 * @param locks from their beginning on
 * @param spans of picking from their beginning on, without gaps
 */
public record CopiedBars(int ticks, List<Lock> locks, List<Picking.Span> spans) {
    public CopiedBars {
        if (ticks <= 0) {
            throw new IllegalArgumentException(wording("CopiedBars.bars-of-ticks", ticks));
        }
        locks = List.copyOf(locks);
        spans = List.copyOf(spans);
    }

    /**
     * Those of a stretch.
     *
     * @param from where a bar begins
     * @param to where one ends
     */
    public static CopiedBars of(Project project, int from, int to) {
        List<Lock> locks = project.locks().stream()
                .filter(lock -> lock.startTick() >= from && lock.endTick() <= to && !(lock instanceof AddedLock))
                .flatMap(lock -> shifted(lock, -from).stream())
                .toList();
        List<Picking.Span> spans = new ArrayList<>();
        for (Bar bar : project.song().bars()) {
            if (bar.startTick() >= from && bar.endTick() <= to) {
                Picking.Plan plan = project.picking().planAt(bar.startTick());
                Picking.Span last = spans.isEmpty() ? null : spans.get(spans.size() - 1);
                if (last != null && last.plan().equals(plan)) {
                    spans.set(spans.size() - 1, new Picking.Span(last.startTick(), bar.endTick() - from, plan));
                } else {
                    spans.add(new Picking.Span(bar.startTick() - from, bar.endTick() - from, plan));
                }
            }
        }
        return new CopiedBars(to - from, locks, spans);
    }

    /**
     * A project with the same decided from a bar on, in place of what was; what would go beyond the song's end is left out.
     *
     * @param at where the bar begins
     */
    public Project onto(Project project, int at) {
        Objects.requireNonNull(project, "project");
        int end = Math.min(at + ticks, project.song().endTick());
        Project free = project;
        for (Lock lock : project.locks()) {
            if (lock.startTick() >= at && lock.endTick() <= end && !(lock instanceof AddedLock)) {
                free = free.withoutLock(lock);
            }
        }
        for (Lock lock : locks) {
            for (Lock there : shifted(lock, at)) {
                free = there.endTick() <= end ? free.withLock(there) : free;
            }
        }
        Picking picking = free.picking();
        for (Picking.Span span : spans) {
            int spanEnd = Math.min(at + span.endTick(), end);
            boolean same = picking.planAt(at + span.startTick()).equals(span.plan())
                    && picking.spans().isEmpty();
            if (at + span.startTick() < spanEnd && !same) {
                picking = picking.withSpan(new Picking.Span(at + span.startTick(), spanEnd, span.plan()));
            }
        }
        return free.withPicking(picking);
    }

    private static List<Lock> shifted(Lock lock, int by) {
        return lock.moved(by < 0 ? new Spliced(0, -by, 0) : new Spliced(0, 0, by));
    }
}
