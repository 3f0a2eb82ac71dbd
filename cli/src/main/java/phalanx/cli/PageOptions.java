package phalanx.cli;

import java.nio.file.Path;
import java.util.Arrays;
import java.util.Locale;
import java.util.stream.Collectors;
import phalanx.formats.page.PageFiles;
import phalanx.formats.page.PageSetup;
import phalanx.formats.page.Sheet;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;

/** How pages are laid out that are written as .pdf, .svg or .png. */
final class PageOptions {
    @Option(
            names = "--sheet",
            paramLabel = "NAME",
            defaultValue = "score",
            description =
                    "What a .pdf, .svg or .png holds: score, shapes, practice (ladder and drills with boxes to tick)"
                            + " or words (with chords, for a singer). Default: ${DEFAULT-VALUE}.")
    private String sheet;

    @Option(
            names = "--paper",
            paramLabel = "SIZE",
            description = "A4, letter or phone. Without it A4, in a .png phone.")
    private String paper;

    @Option(names = "--margin", paramLabel = "MM", description = "Left free at every edge, 5 to 40 mm.")
    private Double margin;

    @Option(
            names = "--staff-size",
            paramLabel = "MM",
            description = "Between two strings, 1.5 to 5 mm; all else follows it.")
    private Double space;

    @Option(
            names = "--bars-per-line",
            paramLabel = "N",
            description = "At most so many bars a line, 1 to 12; without it as many as go well.")
    private Integer bars;

    @Option(names = "--left-handed", description = "Draws necks with the nut at the right.")
    private boolean leftHanded;

    @Option(names = "--staff", description = "Sets standard notation over the tablature of the score.")
    private boolean staff;

    @Option(
            names = "--once",
            description = "Only names bars of sections that come again with the very same notes, in the score.")
    private boolean once;

    /** What is to be on the pages. */
    Sheet sheet(CommandSpec spec) {
        return Sheet.parse(sheet)
                .orElseThrow(() -> new ParameterException(
                        spec.commandLine(),
                        "--sheet \"" + sheet + "\": there are "
                                + Arrays.stream(Sheet.values())
                                        .map(Sheet::label)
                                        .collect(Collectors.joining(", "))));
    }

    /** The lay-out for a file. */
    PageSetup setup(Path file, CommandSpec spec) {
        try {
            PageSetup setup =
                    PageSetup.USUAL.forLeftHanded(leftHanded).withStaff(staff).withOnce(once);
            if (paper != null) {
                setup = setup.on(paper(spec));
            } else if (PageFiles.isPicture(file)) {
                setup = setup.on(PageSetup.Paper.PHONE);
            }
            setup = margin == null ? setup : setup.withMargin(margin);
            setup = space == null ? setup : setup.withSpace(space);
            return bars == null ? setup : setup.withBars(bars);
        } catch (IllegalArgumentException e) {
            throw new ParameterException(spec.commandLine(), e.getMessage());
        }
    }

    private PageSetup.Paper paper(CommandSpec spec) {
        return Arrays.stream(PageSetup.Paper.values())
                .filter(size -> size.label().equalsIgnoreCase(paper.strip()))
                .findFirst()
                .orElseThrow(() -> new ParameterException(
                        spec.commandLine(),
                        "--paper \"" + paper + "\": there are "
                                + Arrays.stream(PageSetup.Paper.values())
                                        .map(size -> size.label().toLowerCase(Locale.ROOT))
                                        .collect(Collectors.joining(", "))));
    }
}
