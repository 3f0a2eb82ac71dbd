package phalanx.cli;

import java.util.Optional;
import phalanx.righthand.BassLine;
import phalanx.righthand.BassStrings;
import phalanx.righthand.Density;
import phalanx.righthand.Pattern;
import phalanx.righthand.PatternLibrary;
import phalanx.righthand.Picking;
import phalanx.righthand.School;
import picocli.CommandLine.Option;

/** The options that describe the right hand. */
final class PickingOptions {
    /** The name that stands for no pattern: inner notes fill where the tune leaves room. */
    private static final String NO_PATTERN = "pinch and fill";

    @Option(
            names = "--pattern",
            paramLabel = "NAME",
            description = "The fingers' pattern, as \"phalanx patterns\" lists them, or: " + NO_PATTERN + ".",
            defaultValue = NO_PATTERN)
    private String pattern;

    @Option(
            names = "--school",
            paramLabel = "NAME",
            description = "The right hand's school: thumb and two, thumb and three, thumb and four, thumb and index,"
                    + " pick and fingers.",
            defaultValue = "thumb and three")
    private String school;

    @Option(
            names = "--bass",
            paramLabel = "NAME",
            description = "The bass line: alternating, round of three, steady root, half notes, on the change, pedal,"
                    + " octaves, walking, push.",
            defaultValue = "alternating")
    private String bass;

    @Option(
            names = "--density",
            paramLabel = "NAME",
            description = "How much of the pattern: thin, as written, full.",
            defaultValue = "as written")
    private String density;

    @Option(
            names = "--bass-strings",
            paramLabel = "NAME",
            description = "Where the thumb goes between the roots: as it lies, neighbour above, neighbour below,"
                    + " lowest string.",
            defaultValue = "as it lies")
    private String strings;

    Picking picking() {
        try {
            Optional<Pattern> chosen = pattern.equalsIgnoreCase(NO_PATTERN)
                    ? Optional.empty()
                    : Optional.of(PatternLibrary.standard().get(pattern));
            return Picking.PLAIN
                    .withSchool(School.parse(school))
                    .withPlan(new Picking.Plan(
                            chosen, BassLine.parse(bass), Density.parse(density), BassStrings.parse(strings)));
        } catch (IllegalArgumentException e) {
            throw new BadInput(e.getMessage());
        }
    }
}
