package phalanx.project.extra;

import static phalanx.words.Words.wording;

import java.util.Objects;
import phalanx.arrange.demand.Added;
import phalanx.arrange.demand.AddedLock;
import phalanx.project.Project;

/**
 * Something that may be put into a song.
 *
 * @param name what it is, in a few words
 * @param place where it is heard, such as {@code bars 1 to 2}
 * @param project with it
 * @param fromTick from where it is heard in that project's song
 * @param toTick up to where, not included
 */
public record Proposal(String name, String place, Project project, int fromTick, int toTick) {
    public Proposal {
        Objects.requireNonNull(name, "name");
        Objects.requireNonNull(place, "place");
        Objects.requireNonNull(project, "project");
        if (fromTick < 0 || toTick <= fromTick) {
            throw new IllegalArgumentException(wording("Proposal.heard-from-tick-to", fromTick, toTick));
        }
    }

    /** One that puts in bars, given by their index, which can be taken out again. */
    static Proposal ofBars(String name, Project project, int from, int to) {
        var bars = project.song().bars();
        return of(name, project, bars.get(from).startTick(), bars.get(to).endTick(), new Added.Bars());
    }

    /** One that can be taken out again. */
    static Proposal of(String name, Project project, int fromTick, int toTick, Added what) {
        Project with = project.withLock(new AddedLock(fromTick, toTick, name, what));
        return inBars(name, with, with.song().barIndexAt(fromTick), with.song().barIndexAt(toTick - 1));
    }

    /** One that is heard in some bars, by their index. */
    static Proposal inBars(String name, Project project, int from, int to) {
        var bars = project.song().bars();
        int first = bars.get(from).number();
        int last = bars.get(to).number();
        String place = first == last ? wording("Proposal.bar", first) : wording("Proposal.bars-to", first, last);
        return new Proposal(
                name, place, project, bars.get(from).startTick(), bars.get(to).endTick());
    }
}
