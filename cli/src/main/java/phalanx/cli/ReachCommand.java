package phalanx.cli;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import phalanx.guitar.Guitar;
import phalanx.guitar.Hand;
import phalanx.guitar.Reach;
import phalanx.lefthand.shape.ReachCheck;
import phalanx.lefthand.shape.ReachReport;
import phalanx.lefthand.shape.Shape;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Measures the reach of a shape. */
@Command(
        name = "reach",
        mixinStandardHelpOptions = true,
        description = "Says whether a shape can be held, by which fingers, and how far they reach.")
final class ReachCommand extends QueryCommand {
    @Parameters(
            paramLabel = "FRETS|-",
            description = "Frets from the lowest string, such as \"x 3 2 0 1 0\" or x32010, or - for one a line.")
    private String frets;

    @Option(names = "--fingers", paramLabel = "F", description = "The fingers to use, such as \"0 3 2 0 1 0\".")
    private String fingers;

    @Option(names = "--scale", paramLabel = "MM", description = "Scale length in mm.", defaultValue = "650")
    private double scale;

    private ReachCheck check;

    @Override
    String query() {
        return frets;
    }

    @Override
    void prepare() {
        try {
            check = new ReachCheck(options().instrument(Guitar.STEEL.withScale(scale)), Hand.AVERAGE);
        } catch (IllegalArgumentException e) {
            throw new BadInput("the guitar: " + e.getMessage());
        }
    }

    private ReachReport report(String query) {
        Shape shape = Shape.parse(query);
        return fingers == null ? check.check(shape) : check.check(shape, symbols());
    }

    private List<String> symbols() {
        String trimmed = fingers.trim();
        return Arrays.asList(trimmed.contains(" ") ? trimmed.split("\\s+") : trimmed.split(""));
    }

    @Override
    ObjectNode answer(String query) {
        ReachReport report = report(query);
        ObjectNode root = object();
        report.shape().frets().forEach(root.putArray("frets")::add);
        root.put("playable", report.playable());
        report.fingers().forEach(root.putArray("fingers")::add);
        ObjectNode reach = root.putObject("reachMm");
        report.reachMm().forEach((pair, mm) -> reach.put(pair.toString(), Queries.rounded(mm)));
        ObjectNode limits = root.putObject("limitMm");
        Reach.PAIRS.forEach(pair -> limits.put(pair.toString(), Queries.rounded(Hand.AVERAGE.greatestMm(pair))));
        root.put("effort", Queries.rounded(report.effort()));
        report.reasons().forEach(root.putArray("reasons")::add);
        return root;
    }

    @Override
    void print(String query, PrintWriter out) {
        ReachReport report = report(query);
        out.println(report.shape() + (report.playable() ? "  playable" : "  not playable") + "  fingers "
                + String.join(" ", report.fingers()));
        report.reachMm()
                .forEach((pair, mm) ->
                        out.printf(Locale.ROOT, "  %s: %.0f of %.0f mm%n", pair, mm, Hand.AVERAGE.greatestMm(pair)));
        report.reasons().forEach(reason -> out.println("  " + reason));
    }
}
