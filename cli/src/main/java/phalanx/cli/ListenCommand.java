package phalanx.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.Locale;
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
        description =
                "Compares a recording with the song it is of: how steady the thumb was, wrong and missing notes, the tempo held.")
final class ListenCommand implements Callable<Integer> {
    private static final double SLOWEST = 20;
    private static final double FASTEST = 400;

    @Parameters(index = "0", paramLabel = "TAKE", description = "A recording of one guitar: a .wav file.")
    private Path recording;

    @Parameters(
            index = "1",
            paramLabel = "IN",
            description = "A song, tablature or project, as \"phalanx arrange\" takes it.")
    private Path in;

    @Option(names = "--bars", paramLabel = "FROM-TO", description = "What was played, by bar numbers, such as 5-8.")
    private String bars;

    @Option(
            names = "--click",
            paramLabel = "SECONDS",
            description =
                    "It was played to a click: where in the recording the first bar begins. Without it the thumb is measured against the player's own even beat.")
    private Double click;

    @Option(names = "--tempo", paramLabel = "N", description = "Of the click, quarter notes a minute; else the song's.")
    private Double tempo;

    @Option(names = "--json", description = "Answer as JSON.")
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
            throw new ParameterException(spec.commandLine(), "--tempo " + tempo + " is outside 20 to 400");
        }
        if (click != null && !Double.isFinite(click)) {
            throw new ParameterException(spec.commandLine(), "--click " + click + " is no time in seconds");
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
                Locale.ROOT,
                "%d of %d strokes heard, %d beside them; tempo %.1f bpm, %+.1f %% from the first third to the last%n",
                report.heard(),
                report.strokes(),
                report.extra(),
                report.tempo(),
                report.drift());
        if (report.clipped()) {
            out.println("The recording is clipped: softer, or further from the microphone, tells more.");
        }
        for (TakeReport.Steadiness beat : report.thumb()) {
            out.printf(
                    Locale.ROOT,
                    "thumb on %s: %.0f ms %s, spread %.0f ms, %d strokes%n",
                    beat.beat() == Math.rint(beat.beat())
                            ? String.valueOf((int) beat.beat())
                            : (int) beat.beat() + " &",
                    Math.abs(beat.ms()),
                    beat.ms() < 0 ? "early" : "late",
                    beat.spread(),
                    beat.errors().size());
        }
        for (TakeReport.Wrong wrong : report.wrong()) {
            out.println(place(wrong.note(), song) + ": heard " + Pitch.of(wrong.midi(), song.key()) + " for "
                    + Pitch.of(wrong.note().midi(), song.key()) + " on string "
                    + wrong.note().string());
        }
        for (ArrangedNote note : report.missing()) {
            out.println(place(note, song) + ": not heard: " + Pitch.of(note.midi(), song.key()) + " on string "
                    + note.string());
        }
    }

    /** Such as {@code bar 3, beat 2.5}. */
    private static String place(ArrangedNote note, Song song) {
        Bar bar = song.barAt(note.tick());
        double beat = 1 + bar.offsetOf(note.tick()) / (double) bar.meter().beatTicks();
        return "bar " + bar.number() + ", beat "
                + (beat == Math.rint(beat) ? String.valueOf((int) beat) : String.format(Locale.ROOT, "%.2f", beat));
    }

    private void say(String line) {
        spec.commandLine().getErr().println("phalanx: " + in.getFileName() + ": " + line);
    }
}
