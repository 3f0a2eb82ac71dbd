package phalanx.cli;

import static phalanx.words.Words.wording;

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
            description = "${bundle:PageOptions.what-a-pdf-svg-or}")
    private String sheet;

    @Option(names = "--paper", paramLabel = "SIZE", description = "${bundle:PageOptions.a4-letter-or-phone-without}")
    private String paper;

    @Option(names = "--margin", paramLabel = "MM", description = "${bundle:PageOptions.left-free-at-every-edge}")
    private Double margin;

    @Option(names = "--staff-size", paramLabel = "MM", description = "${bundle:PageOptions.between-two-strings-1-5}")
    private Double space;

    @Option(names = "--bars-per-line", paramLabel = "N", description = "${bundle:PageOptions.at-most-so-many-bars}")
    private Integer bars;

    @Option(names = "--left-handed", description = "${bundle:PageOptions.draws-necks-with-the-nut}")
    private boolean leftHanded;

    @Option(names = "--staff", description = "${bundle:PageOptions.sets-standard-notation-over-the}")
    private boolean staff;

    @Option(names = "--once", description = "${bundle:PageOptions.only-names-bars-of-sections}")
    private boolean once;

    /** What is to be on the pages. */
    Sheet sheet(CommandSpec spec) {
        return Sheet.parse(sheet)
                .orElseThrow(() -> new ParameterException(
                        spec.commandLine(),
                        wording(
                                "PageOptions.sheet-there-are",
                                sheet,
                                Arrays.stream(Sheet.values()).map(Sheet::word).collect(Collectors.joining(", ")))));
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
                .filter(size -> size.word().equalsIgnoreCase(paper.strip()))
                .findFirst()
                .orElseThrow(() -> new ParameterException(
                        spec.commandLine(),
                        wording(
                                "PageOptions.paper-there-are",
                                paper,
                                Arrays.stream(PageSetup.Paper.values())
                                        .map(size -> size.word().toLowerCase(Locale.ROOT))
                                        .collect(Collectors.joining(", ")))));
    }
}
