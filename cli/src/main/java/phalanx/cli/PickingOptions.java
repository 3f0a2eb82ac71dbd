package phalanx.cli;

import static phalanx.words.Words.wording;

import java.util.Optional;
import phalanx.righthand.BassLine;
import phalanx.righthand.BassStrings;
import phalanx.righthand.Level;
import phalanx.righthand.Pattern;
import phalanx.righthand.PatternLibrary;
import phalanx.righthand.Picking;
import phalanx.righthand.School;
import phalanx.technique.Groove;
import phalanx.technique.Grooves;
import picocli.CommandLine.Option;

/** The options that describe the right hand. */
final class PickingOptions {
    /** The name that stands for no pattern: inner notes fill where the tune leaves room. */
    private static final String NO_PATTERN = "pinch and fill";

    private static final String NO_GROOVE = "none";

    @Option(names = "--pattern", paramLabel = "NAME", description = "${bundle:PickingOptions.the-fingers-pattern}")
    private String pattern;

    @Option(names = "--school", paramLabel = "NAME", description = "${bundle:PickingOptions.the-right-hand-s-school}")
    private String school;

    @Option(
            names = "--bass",
            paramLabel = "NAME",
            description = "${bundle:PickingOptions.the-bass-line-alternating-round}")
    private String bass;

    @Option(names = "--level", paramLabel = "NAME", description = "${bundle:PickingOptions.how-much-is-played-plain}")
    private String level;

    @Option(
            names = "--bass-strings",
            paramLabel = "NAME",
            description = "${bundle:PickingOptions.where-the-thumb-goes-between}")
    private String strings;

    @Option(names = "--groove", paramLabel = "NAME", description = "${bundle:PickingOptions.hits-laid-over-the-song}")
    private String groove;

    /**
     * A right hand with the options that were given.
     *
     * @param base what holds where there is no option
     * @param changes told what is other than in the base
     */
    Picking over(Picking base, Changes changes) {
        try {
            Picking.Plan old = base.plan();
            Picking.Plan plan = new Picking.Plan(
                    pattern == null ? old.pattern() : pattern(),
                    bass == null ? old.bass() : BassLine.parse(bass),
                    level == null ? old.level() : Level.parse(level),
                    strings == null ? old.strings() : BassStrings.parse(strings),
                    groove == null ? old.groove() : groove());
            changes.tell(wording("PickingOptions.groove"), grooveName(old), grooveName(plan));
            changes.tell(wording("PickingOptions.pattern"), name(old.pattern()), name(plan.pattern()));
            changes.tell(
                    wording("PickingOptions.bass"),
                    old.bass().label(),
                    plan.bass().label());
            changes.tell(
                    wording("PickingOptions.level"),
                    old.level().label(),
                    plan.level().label());
            changes.tell(
                    wording("PickingOptions.bass-strings"),
                    old.strings().label(),
                    plan.strings().label());
            Picking picking = school == null ? base : base.withSchool(School.parse(school));
            changes.tell(
                    wording("PickingOptions.school"),
                    base.school().label(),
                    picking.school().label());
            boolean given = pattern != null || bass != null || level != null || strings != null || groove != null;
            if (given && !base.spans().isEmpty()) {
                changes.tell(
                        wording("PickingOptions.stretches-of-other-plans"),
                        String.valueOf(base.spans().size()),
                        "none");
            }
            return given ? picking.withPlan(plan) : picking;
        } catch (IllegalArgumentException e) {
            throw new BadInput(e.getMessage());
        }
    }

    private Optional<Pattern> pattern() {
        return pattern.equalsIgnoreCase(NO_PATTERN)
                ? Optional.empty()
                : Optional.of(PatternLibrary.standard().get(pattern));
    }

    private Optional<Groove> groove() {
        return groove.equalsIgnoreCase(NO_GROOVE)
                ? Optional.empty()
                : Optional.of(Grooves.shipped().get(groove));
    }

    private static String grooveName(Picking.Plan plan) {
        return plan.groove().map(Groove::name).orElse(NO_GROOVE);
    }

    private static String name(Optional<Pattern> pattern) {
        return pattern.map(Pattern::name).orElse(NO_PATTERN);
    }
}
