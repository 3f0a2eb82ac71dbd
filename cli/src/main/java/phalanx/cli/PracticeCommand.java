package phalanx.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import phalanx.arrange.score.Arrangement;
import phalanx.formats.events.LadderJson;
import phalanx.formats.reading.FormatException;
import phalanx.practice.Ladder;
import phalanx.practice.Step;
import phalanx.project.Solve;
import phalanx.song.Song;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Builds a song up for practice. */
@Command(
        name = "practice",
        mixinStandardHelpOptions = true,
        description = "Lists the steps by which a song, or some bars of it, is learnt: each adds one thing.")
final class PracticeCommand implements Callable<Integer> {
    private static final Pattern RANGE = Pattern.compile("(\\d{1,4})(?:-(\\d{1,4}))?");

    @Parameters(paramLabel = "IN", description = "A song, tablature or project, as \"phalanx arrange\" takes it.")
    private Path in;

    @Option(names = "--bars", paramLabel = "FROM-TO", description = "These bars alone, by their numbers, such as 5-8.")
    private String bars;

    @Option(names = "--json", description = "Answer as JSON.")
    private boolean json;

    @Spec
    private CommandSpec spec;

    @Override
    public Integer call() throws FormatException {
        Arrangement arrangement = Solve.of(Projects.open(in, this::say));
        List<Step> steps = steps(arrangement);
        PrintWriter out = spec.commandLine().getOut();
        if (json) {
            out.println(new LadderJson().write(steps));
        } else {
            for (int i = 0; i < steps.size(); i++) {
                Step step = steps.get(i);
                out.printf("%d. %s, %d bpm%n", i + 1, step.name(), step.tempo());
                out.printf("   new: %s; %s%n", step.adds(), step.why());
                if (step.bars().size() == 1) {
                    out.printf("   count: %s%n", step.count());
                }
            }
            if (!steps.isEmpty()) {
                out.printf(
                        "Each in a loop until it is clean: %s.%n", steps.get(0).clean());
            }
        }
        out.flush();
        return ExitCodes.DONE;
    }

    private List<Step> steps(Arrangement arrangement) {
        if (bars == null) {
            return Ladder.of(arrangement);
        }
        Matcher range = RANGE.matcher(bars.trim());
        if (!range.matches()) {
            throw wrong("is not a bar such as 5 or bars such as 5-8");
        }
        int from = Integer.parseInt(range.group(1));
        int to = range.group(2) == null ? from : Integer.parseInt(range.group(2));
        Song song = arrangement.song();
        int[] inside = IntStream.range(0, song.bars().size())
                .filter(bar -> song.bars().get(bar).number() >= from
                        && song.bars().get(bar).number() <= to)
                .toArray();
        if (inside.length == 0) {
            throw wrong("names no bar of the song, which has bars "
                    + song.bars().get(0).number() + " to "
                    + song.bars().get(song.bars().size() - 1).number());
        }
        return Ladder.of(arrangement, inside[0], inside[inside.length - 1]);
    }

    private ParameterException wrong(String why) {
        return new ParameterException(spec.commandLine(), "--bars \"" + bars + "\" " + why);
    }

    private void say(String line) {
        spec.commandLine().getErr().println("phalanx: " + in.getFileName() + ": " + line);
    }
}
