package phalanx.cli;

import static phalanx.words.Words.wording;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import phalanx.arrange.score.Arrangement;
import phalanx.formats.events.EventsJson;
import phalanx.formats.reading.FormatException;
import phalanx.project.Project;
import phalanx.project.Solve;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Says what is hard or wrong in a song as it is arranged, or in tablature as it is written. */
@Command(
        name = "audit",
        mixinStandardHelpOptions = true,
        description = "${bundle:AuditCommand.lists-what-both-hands-find}")
final class AuditCommand implements Callable<Integer> {
    @Parameters(paramLabel = "IN", description = "${bundle:AuditCommand.a-song-tablature-or-project}")
    private Path in;

    @Option(names = "--json", description = "${bundle:AuditCommand.answer-as-json}")
    private boolean json;

    @Spec
    private CommandSpec spec;

    @Override
    public Integer call() throws FormatException {
        Project project = Projects.open(in, this::say);
        Arrangement arrangement = Solve.of(project);
        PrintWriter out = spec.commandLine().getOut();
        if (json) {
            out.println(new EventsJson().audit(arrangement, project.version()));
        } else {
            arrangement
                    .findings()
                    .forEach(finding -> out.println(finding.severity().label() + "  " + finding.message()
                            + project.version()
                                    .ignores(finding)
                                    .map(reason -> wording("AuditCommand.stands", reason))
                                    .orElse("")));
            out.printf(
                    wording("AuditCommand.findings-effort-ceiling-bpm"),
                    arrangement.findings().size(),
                    arrangement.effort(),
                    Math.floor(arrangement.ceiling().tempo()),
                    arrangement.ceiling().reason());
        }
        out.flush();
        return ExitCodes.DONE;
    }

    private void say(String line) {
        spec.commandLine().getErr().println("phalanx: " + in.getFileName() + ": " + line);
    }
}
