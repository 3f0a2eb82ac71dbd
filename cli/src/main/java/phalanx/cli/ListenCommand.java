package phalanx.cli;

import static phalanx.words.Words.wording;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.Callable;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.formats.reading.FormatException;
import phalanx.listening.Click;
import phalanx.listening.Listener;
import phalanx.listening.TakeFile;
import phalanx.listening.TakeReport;
import phalanx.project.Solve;
import phalanx.song.Bar;
import phalanx.song.Song;
import phalanx.theory.Pitch;
import phalanx.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Tells what a recorded take was like. */
@Command(
        name = "listen",
        mixinStandardHelpOptions = true,
        description = "${bundle:ListenCommand.compares-a-recording-with-the}")
final class ListenCommand implements Callable<Integer> {
    private static final double SLOWEST = 20;
    private static final double FASTEST = 400;

    @Parameters(index = "0", paramLabel = "TAKE", description = "${bundle:ListenCommand.a-recording-of-one-guitar}")
    private Path recording;

    @Parameters(index = "1", paramLabel = "IN", description = "${bundle:ListenCommand.a-song-tablature-or-project}")
    private Path in;

    @Option(names = "--bars", paramLabel = "FROM-TO", description = "${bundle:ListenCommand.what-was-played-by-bar}")
    private String bars;

    @Option(names = "--click", paramLabel = "SECONDS", description = "${bundle:ListenCommand.it-was-played-to-a}")
    private Double click;

    @Option(names = "--tempo", paramLabel = "N", description = "${bundle:ListenCommand.of-the-click-quarter-notes}")
    private Double tempo;

    @Option(names = "--json", description = "${bundle:ListenCommand.answer-as-json}")
    private boolean json;

    @Spec
    private CommandSpec spec;

    @Override
    public Integer call() throws FormatException {
        checkTempo();
        Arrangement arrangement = Solve.of(Projects.open(in, this::say));
        Song song = arrangement.song();
        int from = 0;
        int to = song.endTick();
        if (bars != null) {
            BarRange range = BarRange.parse(bars, song, spec);
            from = song.bars().get(range.first()).startTick();
            to = song.bars().get(range.last()).endTick();
        }
        Optional<Click> beat =
                click == null ? Optional.empty() : Optional.of(new Click(click, tempo == null ? song.tempo() : tempo));
        TakeReport report = report(arrangement, from, to, beat);
        PrintWriter out = spec.commandLine().getOut();
        if (json) {
            out.println(new TakeJson().write(report, song));
        } else {
            print(out, report, song);
        }
        out.flush();
        return ExitCodes.DONE;
    }

    private void checkTempo() {
        if (tempo != null && !(tempo >= SLOWEST && tempo <= FASTEST)) {
            throw new ParameterException(spec.commandLine(), wording("ListenCommand.tempo-is-outside-20-to", tempo));
        }
        if (click != null && !Double.isFinite(click)) {
            throw new ParameterException(spec.commandLine(), wording("ListenCommand.click-is-no-time-in", click));
        }
    }

    private TakeReport report(Arrangement arrangement, int from, int to, Optional<Click> beat) {
        try {
            return new Listener(TakeFile.read(recording.toFile()), arrangement, from, to).report(beat);
        } catch (IOException | IllegalArgumentException e) {
            throw new BadInput(recording.getFileName() + ": " + e.getMessage());
        }
    }

    private static void print(PrintWriter out, TakeReport report, Song song) {
        out.printf(
                Words.figures(),
                wording("ListenCommand.of-strokes-heard-beside-them"),
                report.heard(),
                report.strokes(),
                report.extra(),
                report.tempo(),
                report.drift());
        if (report.clipped()) {
            out.println(wording("ListenCommand.the-recording-is-clipped-softer"));
        }
        for (TakeReport.Steadiness beat : report.thumb()) {
            out.printf(
                    Words.figures(),
                    wording("ListenCommand.thumb-on-ms-spread-ms"),
                    beat.beat() == Math.rint(beat.beat())
                            ? String.valueOf((int) beat.beat())
                            : (int) beat.beat() + " &",
                    Math.abs(beat.ms()),
                    beat.ms() < 0 ? wording("ListenCommand.early") : wording("ListenCommand.late"),
                    beat.spread(),
                    beat.errors().size());
        }
        for (TakeReport.Wrong wrong : report.wrong()) {
            out.println(wording(
                    "ListenCommand.heard-for-on-string",
                    place(wrong.note(), song),
                    Pitch.of(wrong.midi(), song.key()),
                    Pitch.of(wrong.note().midi(), song.key()),
                    wrong.note().string()));
        }
        for (ArrangedNote note : report.missing()) {
            out.println(wording(
                    "ListenCommand.not-heard-on-string",
                    place(note, song),
                    Pitch.of(note.midi(), song.key()),
                    note.string()));
        }
    }

    /** Such as {@code bar 3, beat 2.5}. */
    private static String place(ArrangedNote note, Song song) {
        Bar bar = song.barAt(note.tick());
        double beat = 1 + bar.offsetOf(note.tick()) / (double) bar.meter().beatTicks();
        return wording("ListenCommand.bar-beat", bar.number(), Words.figure(beat));
    }

    private void say(String line) {
        spec.commandLine().getErr().println("phalanx: " + in.getFileName() + ": " + line);
    }
}
