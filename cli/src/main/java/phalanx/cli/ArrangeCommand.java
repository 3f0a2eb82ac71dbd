package phalanx.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;
import java.util.concurrent.Callable;
import phalanx.arrange.Arrangement;
import phalanx.arrange.Arranger;
import phalanx.arrange.Transcriber;
import phalanx.arrange.Written;
import phalanx.formats.ArrangementFiles;
import phalanx.formats.FormatException;
import phalanx.formats.Reading;
import phalanx.formats.SongFiles;
import phalanx.formats.events.EventsJson;
import phalanx.formats.tab.TabWriter;
import phalanx.guitar.Guitar;
import phalanx.guitar.Hand;
import phalanx.righthand.Picking;
import phalanx.song.Song;
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
        description =
                "Arranges a song; tablature is kept as written and given its fingers. Without -o and --json the tablature goes to standard output.")
final class ArrangeCommand implements Callable<Integer> {
    @Parameters(paramLabel = "IN", description = "A song: .musicxml, .xml, .mxl, .abc, .mid, or tablature: .tab.txt.")
    private Path in;

    @Option(
            names = "-o",
            paramLabel = "OUT",
            description = "A file to write: .musicxml, .tab.txt or .json. Repeatable.")
    private List<Path> outs = new ArrayList<>();

    @Option(names = "--json", description = "Write the events as JSON to standard output.")
    private boolean json;

    @Option(names = "--tempo", paramLabel = "N", description = "Quarter notes a minute, 20 to 400.")
    private Integer tempo;

    @Option(
            names = "--part",
            paramLabel = "N",
            description = "Which part, track or tune of the file, from 1; without it the likeliest melody.")
    private Integer part;

    @Option(
            names = "--anew",
            description = "Arrange the tune of a tablature afresh, in place of keeping its notes where they are.")
    private boolean anew;

    @Mixin
    private InstrumentOptions options;

    @Mixin
    private PickingOptions right;

    @Spec
    private CommandSpec spec;

    @Override
    public Integer call() throws FormatException {
        checkChoices();
        Picking picking = right.picking();
        Reading reading = SongFiles.read(in, part == null ? OptionalInt.empty() : OptionalInt.of(part - 1));
        reading.report()
                .forEach(line -> spec.commandLine().getErr().println("phalanx: " + in.getFileName() + ": " + line));
        Song song = atTempo(reading.song());
        long start = System.nanoTime();
        Arrangement arrangement = arrangement(reading, song, picking);
        double millis = (System.nanoTime() - start) / 1e6;
        for (Path out : outs) {
            ArrangementFiles.write(arrangement, out);
        }
        print(arrangement, millis);
        return ExitCodes.DONE;
    }

    /** Tablature is kept as it is written, unless the player wants it anew. */
    private Arrangement arrangement(Reading reading, Song song, Picking picking) {
        if (reading.written().isPresent() && !anew) {
            Written written = reading.written().get();
            return new Transcriber(written.on(Guitar.STEEL), Hand.AVERAGE).arrange(song, written, picking);
        }
        return new Arranger(options.instrument(), Hand.AVERAGE).arrange(song, picking, List.of(), () -> false);
    }

    private void checkChoices() {
        for (Path out : outs) {
            try {
                ArrangementFiles.checkEnding(out);
            } catch (FormatException e) {
                throw new ParameterException(spec.commandLine(), e.getMessage());
            }
        }
    }

    private Song atTempo(Song song) {
        try {
            return tempo == null ? song : song.withTempo(tempo);
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
        if (arrangement.joining().asked() > 0) {
            err.println("phalanx: pattern: " + arrangement.joining().words());
        }
        if (arrangement.movedBy() != 0) {
            err.println("phalanx: " + arrangement.findings().get(0).message());
        }
    }
}
