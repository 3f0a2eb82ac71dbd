package phalanx.cli;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import java.io.PrintWriter;
import java.util.List;
import java.util.concurrent.Callable;
import phalanx.technique.Groove;
import phalanx.technique.Grooves;
import phalanx.technique.HitKind;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** Lists the grooves of hits. */
@Command(
        name = "grooves",
        mixinStandardHelpOptions = true,
        description = "${bundle:GroovesCommand.lists-the-grooves-of-hits}")
final class GroovesCommand implements Callable<Integer> {
    @Option(names = "--json", description = "${bundle:GroovesCommand.answer-as-json}")
    private boolean json;

    @Spec
    private CommandSpec spec;

    @Override
    public Integer call() {
        List<Groove> grooves = Grooves.shipped().all();
        PrintWriter out = spec.commandLine().getOut();
        if (json) {
            ArrayNode list = new ObjectMapper().createArrayNode();
            grooves.forEach(groove -> list.addObject()
                    .put("name", groove.name())
                    .put("meter", groove.meter().toString())
                    .put("stepsABeat", groove.grid())
                    .put("signs", groove.signs())
                    .put("text", groove.text()));
            out.println(list);
        } else {
            grooves.forEach(groove -> out.printf("%-18s %-5s %s%n", groove.label(), groove.meter(), groove.signs()));
            out.println(HitKind.legend());
        }
        out.flush();
        return ExitCodes.DONE;
    }
}
