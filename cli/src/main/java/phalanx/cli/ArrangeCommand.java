package phalanx.cli;

import static phalanx.words.Words.wording;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;
import java.util.concurrent.Callable;
import phalanx.arrange.demand.Wishes;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.FindingKind;
import phalanx.desktop.Exports;
import phalanx.formats.SongFiles;
import phalanx.formats.events.EventsJson;
import phalanx.formats.library.Library;
import phalanx.formats.page.PageFiles;
import phalanx.formats.project.ProjectFile;
import phalanx.formats.reading.Choice;
import phalanx.formats.reading.FormatException;
import phalanx.formats.reading.Reading;
import phalanx.formats.tab.TabWriter;
import phalanx.guitar.Instrument;
import phalanx.project.Project;
import phalanx.project.Solve;
import phalanx.righthand.Picking;
import phalanx.sound.Layer;
import phalanx.sound.Mix;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Arranges a song from a file. */
@Command(
        name = "arrange",
        mixinStandardHelpOptions = true,
        description = "${bundle:ArrangeCommand.arranges-a-song-tablature-is}")
final class ArrangeCommand implements Callable<Integer> {
    @Parameters(paramLabel = "IN", description = "${bundle:ArrangeCommand.a-song-musicxml-xml-mxl}")
    private Path in;

    @Option(names = "-o", paramLabel = "OUT", description = "${bundle:ArrangeCommand.a-file-to-write-musicxml}")
    private List<Path> outs = new ArrayList<>();

    @Option(
            names = "--layers",
            paramLabel = "NAMES",
            split = ",",
            description = "${bundle:ArrangeCommand.what-is-heard-in-a}")
    private List<String> layers = List.of();

    @Option(names = "--json", description = "${bundle:ArrangeCommand.write-the-events-as-json}")
    private boolean json;

    @Option(names = "--tempo", paramLabel = "N", description = "${bundle:ArrangeCommand.quarter-notes-a-minute-20}")
    private Integer tempo;

    @Option(names = "--part", paramLabel = "N", description = "${bundle:ArrangeCommand.which-part-track-or-tune}")
    private Integer part;

    @Option(
            names = "--harmony-part",
            paramLabel = "N",
            description = "${bundle:ArrangeCommand.a-part-whose-notes-under}")
    private Integer harmonyPart;

    @Option(names = "--bass-part", paramLabel = "N", description = "${bundle:ArrangeCommand.a-part-that-is-the}")
    private Integer bassPart;

    @Option(names = "--anew", description = "${bundle:ArrangeCommand.arrange-the-tune-of-a}")
    private boolean anew;

    @Mixin
    private InstrumentOptions options;

    @Mixin
    private PickingOptions right;

    @Mixin
    private WishOptions wishes;

    @Mixin
    private PageOptions pages;

    @Mixin
    private ForceOption force;

    @Spec
    private CommandSpec spec;

    @Override
    public Integer call() throws FormatException {
        checkChoices();
        Mix mix = mix();
        outs.forEach(out -> force.check(in, out, spec));
        Project project = atTempo(project());
        long start = System.nanoTime();
        Arrangement arrangement = Solve.of(project);
        double millis = (System.nanoTime() - start) / 1e6;
        for (Path out : outs) {
            if (ProjectFile.isProject(out)) {
                new ProjectFile().write(project, out);
            } else {
                write(arrangement, project, out, mix);
            }
        }
        print(arrangement, millis);
        return ExitCodes.DONE;
    }

    private void write(Arrangement arrangement, Project project, Path out, Mix mix) throws FormatException {
        String lacks = Exports.cannotHold(out);
        if (!lacks.isEmpty()) {
            say(wording("ArrangeCommand.will-hold", out.getFileName(), lacks));
        }
        if (!PageFiles.isPages(out)) {
            Exports.write(arrangement, out, project.strings(), mix);
            return;
        }
        List<String> letters = PageFiles.lacking(arrangement);
        if (!letters.isEmpty()) {
            say(wording("ArrangeCommand.has-question-marks-for-letters", out.getFileName(), String.join(" ", letters)));
        }
        PageFiles.write(arrangement, pages.sheet(spec), pages.setup(out, spec), out);
    }

    /** A project has its own guitar, hand and picking; any other song gets those of the options. */
    private Project project() throws FormatException {
        if (ProjectFile.isProject(in)) {
            ProjectFile.Opened opened = new ProjectFile().open(in);
            opened.report().forEach(this::say);
            Project project = opened.project();
            Changes changes = new Changes();
            Project chosen = over(anew ? project.anew() : project, changes);
            if (tempo != null) {
                changes.tell(
                        wording("ArrangeCommand.tempo"),
                        String.valueOf(project.song().tempo()),
                        String.valueOf(tempo));
            }
            if (!changes.isEmpty()) {
                say(wording("ArrangeCommand.the-options-override-the-project", changes.words()));
            }
            return chosen;
        }
        Reading reading = SongFiles.read(in, new Choice(index(part), index(harmonyPart), index(bassPart)));
        reading.report().forEach(this::say);
        Project project = over(Project.of(reading.song(), Library.FIRST.setup()), new Changes());
        if (reading.written().isEmpty()) {
            return project;
        }
        Project written = project.withWritten(reading.written().get());
        if (!anew) {
            say(wording("ArrangeCommand.strings-frets-tuning-and-capo"));
        }
        return anew ? written.anew() : written;
    }

    /** A project with what the options say. */
    private static OptionalInt index(Integer part) {
        return part == null ? OptionalInt.empty() : OptionalInt.of(part - 1);
    }

    private Project over(Project project, Changes changes) {
        Instrument instrument = options.over(project.instrument(), changes);
        Picking picking = right.over(project.picking(), changes);
        Wishes wanted = wishes.over(project.wishes(), changes);
        Project chosen = project.withPicking(picking);
        chosen = instrument.equals(project.instrument()) ? chosen : chosen.withInstrument(instrument);
        return wanted.equals(project.wishes()) ? chosen : chosen.withWishes(wanted);
    }

    private void say(String line) {
        spec.commandLine().getErr().println("phalanx: " + in.getFileName() + ": " + line);
    }

    /** Tablature is kept as it is written, unless the player wants it anew. */
    private void checkChoices() {
        for (Path out : outs) {
            pages.sheet(spec);
            pages.setup(out, spec);
            try {
                if (!ProjectFile.isProject(out)) {
                    Exports.checkEnding(out);
                }
            } catch (FormatException e) {
                throw new ParameterException(spec.commandLine(), e.getMessage());
            }
        }
    }

    private Mix mix() {
        Mix mix = layers.isEmpty() ? Exports.HEARD : Mix.SILENT;
        for (String name : layers) {
            Layer layer = Layer.parse(name.trim())
                    .orElseThrow(() -> new ParameterException(
                            spec.commandLine(), wording("ArrangeCommand.layers-thumb-fingers-tune-hits", name)));
            mix = mix.with(layer, 1);
        }
        return mix;
    }

    private Project atTempo(Project project) {
        try {
            return tempo == null ? project : project.withSong(project.song().withTempo(tempo));
        } catch (IllegalArgumentException e) {
            throw new BadInput(e.getMessage());
        }
    }

    private void print(Arrangement arrangement, double millis) {
        PrintWriter out = spec.commandLine().getOut();
        if (json) {
            out.println(new EventsJson().write(arrangement, millis));
        } else if (outs.isEmpty()) {
            out.print(new TabWriter().write(arrangement));
        }
        out.flush();
        PrintWriter err = spec.commandLine().getErr();
        arrangement
                .request()
                .picking()
                .plan()
                .pattern()
                .filter(pattern -> pattern.bars() > arrangement.song().bars().size())
                .ifPresent(pattern -> err.println(
                        wording("ArrangeCommand.phalanx-pattern-has-bars-the", pattern.name(), pattern.bars())));
        if (arrangement.joining().asked() > 0) {
            err.println(wording(
                    "ArrangeCommand.phalanx-pattern", arrangement.joining().words()));
        }
        arrangement
                .slurs()
                .forEach(slur -> err.printf(
                        wording("ArrangeCommand.phalanx-bar-on-string-the"),
                        arrangement.song().barAt(slur.tick()).number(),
                        slur.kind().label(),
                        slur.string(),
                        Math.floor(slur.ceilingAfter()),
                        Math.floor(slur.ceilingBefore())));
        arrangement.findings().stream()
                .filter(finding -> finding.kind() == FindingKind.LOCK_NOT_KEPT)
                .forEach(finding -> err.println("phalanx: " + finding.message()));
        List<Finding> unlaid = arrangement.findings().stream()
                .filter(finding -> finding.kind() == FindingKind.HIT_NOT_LAID)
                .toList();
        if (!unlaid.isEmpty() || !arrangement.hits().isEmpty()) {
            err.println(wording(
                    "ArrangeCommand.phalanx-hits-laid-not-as",
                    arrangement.hits().size(),
                    unlaid.stream()
                            .mapToInt(finding -> (int) finding.measured())
                            .sum()));
            unlaid.forEach(finding -> err.println("phalanx:   " + finding.message()));
        }
        arrangement
                .octave()
                .filter(choice -> choice.octaves() != 0)
                .ifPresent(choice ->
                        err.println(wording("ArrangeCommand.phalanx-octave-as-written-keeps", choice.words())));
        arrangement.findings().stream()
                .filter(finding -> finding.kind() == FindingKind.OUT_OF_RANGE)
                .limit(1)
                .forEach(finding -> err.println("phalanx: " + finding.message()));
    }
}
