package phalanx.cli;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.util.List;
import java.util.concurrent.Callable;
import phalanx.righthand.Pattern;
import phalanx.righthand.PatternLibrary;
import phalanx.righthand.PatternStroke;
import phalanx.righthand.PatternText;
import phalanx.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** Lists the patterns of the right hand. */
@Command(
        name = "patterns",
        mixinStandardHelpOptions = true,
        description = "${bundle:PatternsCommand.lists-the-patterns-of-the}")
final class PatternsCommand implements Callable<Integer> {
    @Option(names = "--json", description = "${bundle:PatternsCommand.answer-as-json}")
    private boolean json;

    @Spec
    private CommandSpec spec;

    @Override
    public Integer call() {
        List<Pattern> patterns = PatternLibrary.standard().all();
        PrintWriter out = spec.commandLine().getOut();
        if (json) {
            ArrayNode list = new ObjectMapper().createArrayNode();
            patterns.forEach(pattern -> add(pattern, list.addObject()));
            out.println(list);
        } else {
            String family = "";
            for (Pattern pattern : patterns) {
                if (!pattern.family().equals(family)) {
                    family = pattern.family();
                    out.println(family);
                }
                out.printf("  %-16s %-4s %s%n", pattern.name(), pattern.meter(), Words.shipped(pattern.serves()));
            }
        }
        out.flush();
        return ExitCodes.DONE;
    }

    private static void add(Pattern pattern, ObjectNode node) {
        node.put("name", pattern.name())
                .put("family", pattern.family())
                .put("serves", pattern.serves())
                .put("meter", pattern.meter().toString())
                .put("grid", pattern.grid())
                .put("bars", pattern.bars())
                .put("stepsABar", pattern.stepsABar());
        ArrayNode strokes = node.putArray("strokes");
        pattern.strokes().forEach(stroke -> addStroke(stroke, strokes.addObject()));
        pattern.variation().ifPresent(other -> {
            node.put("variationEvery", other.every());
            ArrayNode varied = node.putArray("variation");
            other.strokes().forEach(stroke -> addStroke(stroke, varied.addObject()));
        });
        node.put("text", PatternText.write(pattern));
    }

    private static void addStroke(PatternStroke stroke, ObjectNode node) {
        node.put("step", stroke.step()).put("row", stroke.row().word()).put("sign", stroke.sign());
    }
}
