package phalanx.cli;

import static phalanx.words.Words.wording;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import phalanx.arrange.score.Arrangement;
import phalanx.formats.events.LadderJson;
import phalanx.formats.reading.FormatException;
import phalanx.practice.Drills;
import phalanx.practice.Ladder;
import phalanx.practice.Step;
import phalanx.project.Solve;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Builds a song up for practice. */
@Command(
        name = "practice",
        mixinStandardHelpOptions = true,
        description = "${bundle:PracticeCommand.lists-the-steps-by-which}")
final class PracticeCommand implements Callable<Integer> {
    @Parameters(paramLabel = "IN", description = "${bundle:PracticeCommand.a-song-tablature-or-project}")
    private Path in;

    @Option(
            names = "--bars",
            paramLabel = "FROM-TO",
            description = "${bundle:PracticeCommand.these-bars-alone-by-their}")
    private String bars;

    @Option(names = "--drills", description = "${bundle:PracticeCommand.exercises-on-what-is-hard}")
    private boolean drills;

    @Option(names = "--json", description = "${bundle:PracticeCommand.answer-as-json}")
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
                out.printf(
                        "   %s: %s; %s%n",
                        drills ? wording("PracticeCommand.drill") : wording("PracticeCommand.new"),
                        step.adds(),
                        step.why());
                if (step.bars().size() == 1) {
                    out.printf(wording("PracticeCommand.count"), step.count());
                }
            }
            if (!steps.isEmpty() && !drills) {
                out.printf(
                        wording("PracticeCommand.each-in-a-loop-until"),
                        steps.get(0).clean());
            }
        }
        out.flush();
        return ExitCodes.DONE;
    }

    private List<Step> steps(Arrangement arrangement) {
        int first = 0;
        int last = arrangement.song().bars().size() - 1;
        if (bars != null) {
            BarRange range = BarRange.parse(bars, arrangement.song(), spec);
            first = range.first();
            last = range.last();
        }
        return drills ? Drills.of(arrangement, first, last) : Ladder.of(arrangement, first, last);
    }

    private void say(String line) {
        spec.commandLine().getErr().println("phalanx: " + in.getFileName() + ": " + line);
    }
}
