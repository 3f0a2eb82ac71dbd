package phalanx.cli;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import phalanx.guitar.Guitar;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.ReachCheck;
import phalanx.lefthand.ReachReport;
import phalanx.lefthand.Shape;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Measures the reach of a shape. */
@Command(
        name = "reach",
        mixinStandardHelpOptions = true,
        description = "Says whether a shape can be held, by which fingers, and how far they reach.")
final class ReachCommand implements Callable<Integer> {
    @Parameters(
            paramLabel = "FRETS|-",
            description = "Frets from the lowest string, such as \"x 3 2 0 1 0\" or x32010, or - for one a line.")
    private String frets;

    @Option(names = "--fingers", paramLabel = "F", description = "The fingers to use, such as \"0 3 2 0 1 0\".")
    private String fingers;

    @Option(names = "--scale", paramLabel = "MM", description = "Scale length in mm.", defaultValue = "650")
    private double scale;

    @Option(names = "--json", description = "Answer as JSON.")
    private boolean json;

    @Mixin
    private InstrumentOptions options;

    @Spec
    private CommandSpec spec;

    private final ObjectMapper mapper = new ObjectMapper();

    @Override
    public Integer call() {
        ReachCheck check = new ReachCheck(instrument(), Hand.AVERAGE);
        PrintWriter out = spec.commandLine().getOut();
        if (json || frets.equals("-")) {
            new Queries(out).answer(frets, query -> answer(report(query, check)));
        } else {
            printText(out, check);
        }
        return ExitCodes.DONE;
    }

    private Instrument instrument() {
        try {
            return options.instrument(Guitar.STEEL.withScale(scale));
        } catch (IllegalArgumentException e) {
            throw new BadInput("the guitar: " + e.getMessage());
        }
    }

    private ReachReport report(String query, ReachCheck check) {
        Shape shape = Shape.parse(query);
        return fingers == null ? check.check(shape) : check.check(shape, symbols());
    }

    private List<String> symbols() {
        String trimmed = fingers.trim();
        return Arrays.asList(trimmed.contains(" ") ? trimmed.split("\\s+") : trimmed.split(""));
    }

    private ObjectNode answer(ReachReport report) {
        ObjectNode root = mapper.createObjectNode();
        report.shape().frets().forEach(root.putArray("frets")::add);
        root.put("playable", report.playable());
        report.fingers().forEach(root.putArray("fingers")::add);
        ObjectNode reach = root.putObject("reachMm");
        report.reachMm().forEach((pair, mm) -> reach.put(pair.toString(), Queries.rounded(mm)));
        ObjectNode limits = root.putObject("limitMm");
        Hand.PAIRS.forEach(pair -> limits.put(pair.toString(), Queries.rounded(Hand.AVERAGE.greatestMm(pair))));
        root.put("effort", Queries.rounded(report.effort()));
        report.reasons().forEach(root.putArray("reasons")::add);
        return root;
    }

    private void printText(PrintWriter out, ReachCheck check) {
        try {
            ReachReport report = report(frets, check);
            out.println(report.shape() + (report.playable() ? "  playable" : "  not playable") + "  fingers "
                    + String.join(" ", report.fingers()));
            report.reachMm()
                    .forEach((pair, mm) -> out.printf(
                            Locale.ROOT, "  %s: %.0f of %.0f mm%n", pair, mm, Hand.AVERAGE.greatestMm(pair)));
            report.reasons().forEach(reason -> out.println("  " + reason));
        } catch (IllegalArgumentException e) {
            throw new BadInput(e.getMessage());
        }
    }
}
