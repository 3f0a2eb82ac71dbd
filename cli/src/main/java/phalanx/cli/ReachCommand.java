package phalanx.cli;

import static phalanx.words.Words.wording;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.util.Arrays;
import java.util.List;
import phalanx.guitar.Guitar;
import phalanx.guitar.Hand;
import phalanx.guitar.Reach;
import phalanx.lefthand.shape.ReachCheck;
import phalanx.lefthand.shape.ReachReport;
import phalanx.lefthand.shape.Shape;
import phalanx.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Measures the reach of a shape. */
@Command(
        name = "reach",
        mixinStandardHelpOptions = true,
        description = "${bundle:ReachCommand.says-whether-a-shape-can}")
final class ReachCommand extends QueryCommand {
    @Parameters(paramLabel = "FRETS|-", description = "${bundle:ReachCommand.frets-from-the-lowest-string}")
    private String frets;

    @Option(names = "--fingers", paramLabel = "F", description = "${bundle:ReachCommand.the-fingers-to-use-such}")
    private String fingers;

    @Option(
            names = "--scale",
            paramLabel = "MM",
            description = "${bundle:ReachCommand.scale-length-in-mm}",
            defaultValue = "650")
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
            throw new BadInput(wording("ReachCommand.the-guitar", e.getMessage()));
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
        out.println(wording(
                "ReachCommand.fingers",
                report.shape()
                        + (report.playable() ? wording("ReachCommand.playable") : wording("ReachCommand.not-playable")),
                String.join(" ", report.fingers())));
        report.reachMm()
                .forEach((pair, mm) -> out.printf(
                        Words.figures(), wording("ReachCommand.of-mm"), pair, mm, Hand.AVERAGE.greatestMm(pair)));
        report.reasons().forEach(reason -> out.println("  " + reason));
    }
}
