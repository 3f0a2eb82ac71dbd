package phalanx.project;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import phalanx.arrange.demand.LimitLock;
import phalanx.arrange.demand.TuneUse;
import phalanx.guitar.NamedTuning;
import phalanx.righthand.Level;
import phalanx.righthand.School;

/**
 * A change that a player tries on the whole song, as a version beside the one that is shown.
 *
 * @param name of the version that comes of it
 * @param edit the change
 */
public record WhatIf(String name, UnaryOperator<Project> edit) {
    private static final int LOW_NECK = 5;

    /** What can be tried on a project, each of it a change of what is. */
    public static List<WhatIf> of(Project project) {
        int end = project.song().endTick();
        List<WhatIf> all = new ArrayList<>();
        all.add(new WhatIf(
                wording("WhatIf.without-barre"),
                now -> now.withLock(new LimitLock(0, end, OptionalInt.empty(), true))));
        all.add(new WhatIf(
                wording("WhatIf.up-to-fret", LOW_NECK),
                now -> now.withLock(new LimitLock(0, end, OptionalInt.of(LOW_NECK), false))));
        for (Level level : Level.values()) {
            all.add(new WhatIf(
                    wording("WhatIf.level", level.label()),
                    now -> now.withPicking(now.picking().withLevel(level))));
        }
        for (TuneUse use : TuneUse.values()) {
            all.add(new WhatIf(
                    wording("WhatIf.tune", use.label()),
                    now -> now.withWishes(now.wishes().withTune(use))));
        }
        for (School school : School.values()) {
            all.add(new WhatIf(
                    school.label(), now -> now.withPicking(now.picking().withSchool(school))));
        }
        for (NamedTuning tuning : NamedTuning.values()) {
            if (tuning.tuning().open().size() == project.instrument().strings()) {
                all.add(new WhatIf(wording("WhatIf.tuning", tuning.label()), now -> now.withInstrument(
                                now.instrument().withTuning(tuning.tuning()))
                        .lockedTo(List.of())));
            }
        }
        if (!project.locks().isEmpty()) {
            all.add(new WhatIf(wording("WhatIf.nothing-locked"), now -> now.lockedTo(List.of())));
        }
        return all.stream()
                .filter(one -> !one.edit.apply(project).equals(project))
                .toList();
    }

    /** The project with the change made in a version of its own, which is shown. */
    public Project asVersion(Project project) {
        return edit.apply(project.branched(free(name, project)));
    }

    /** The name, or with a number where a version has it. */
    private static String free(String name, Project project) {
        Set<String> taken = project.versions().stream().map(Version::name).collect(Collectors.toSet());
        String free = name;
        for (int number = 2; taken.contains(free); number++) {
            free = name + " " + number;
        }
        return free;
    }
}
