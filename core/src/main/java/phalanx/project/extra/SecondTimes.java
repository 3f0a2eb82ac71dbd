package phalanx.project.extra;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import phalanx.arrange.demand.Added;
import phalanx.project.Project;
import phalanx.righthand.Level;
import phalanx.righthand.Picking;
import phalanx.song.Reprises;
import phalanx.song.Section;
import phalanx.song.Song;
import phalanx.technique.Groove;
import phalanx.technique.Grooves;

/** A section that comes again played a step otherwise: a level fuller or plainer, or with hits. */
final class SecondTimes {
    private final Project project;
    private final Song song;

    SecondTimes(Project project) {
        this.project = project;
        this.song = project.song();
    }

    List<Proposal> find() {
        List<Proposal> found = new ArrayList<>();
        for (Reprises.Reprise reprise : new Reprises(song).find()) {
            Picking.Plan now = project.picking().planAt(reprise.startTick());
            String name = wording(
                    "SecondTimes.the-second-time",
                    sectionAt(reprise.startTick()).name());
            Level other = now.level() == Level.FULL
                    ? Level.EVEN
                    : Level.values()[now.level().ordinal() + 1];
            found.add(varied(
                    name + (now.level() == Level.FULL ? wording("SecondTimes.plainer") : wording("SecondTimes.fuller")),
                    reprise,
                    plan -> new Picking.Plan(plan.pattern(), plan.bass(), other, plan.strings(), plan.groove())));
            groove(reprise, now)
                    .ifPresent(groove -> found.add(varied(
                            wording("SecondTimes.with-hits", name, groove.label()),
                            reprise,
                            plan -> new Picking.Plan(
                                    plan.pattern(), plan.bass(), plan.level(), plan.strings(), Optional.of(groove)))));
        }
        return found;
    }

    private Section sectionAt(int tick) {
        return song.sections().stream()
                .filter(section -> section.startTick() == tick)
                .findFirst()
                .orElseThrow();
    }

    private Optional<Groove> groove(Reprises.Reprise reprise, Picking.Plan now) {
        return now.groove().isPresent()
                ? Optional.empty()
                : Grooves.shipped().all().stream()
                        .filter(groove -> groove.fits(song.barAt(reprise.startTick())))
                        .findFirst();
    }

    private Proposal varied(String name, Reprises.Reprise reprise, UnaryOperator<Picking.Plan> change) {
        int end = song.sectionEnd(reprise.startTick());
        Picking.Plan now = project.picking().planAt(reprise.startTick());
        Picking.Plan plan = change.apply(now);
        List<Section> sections = song.sections().stream()
                .map(section -> section.startTick() == reprise.startTick()
                        ? new Section(section.name(), section.startTick(), true)
                        : section)
                .toList();
        Project with = project.withSong(song.withSections(sections))
                .withPicking(project.picking().withSpan(new Picking.Span(reprise.startTick(), end, plan)));
        return Proposal.of(name, with, reprise.startTick(), end, new Added.Picked(now));
    }
}
