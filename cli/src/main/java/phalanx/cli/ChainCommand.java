package phalanx.cli;

import static phalanx.words.Words.wording;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.util.Locale;
import phalanx.guitar.Hand;
import phalanx.lefthand.drill.Chain;
import phalanx.lefthand.drill.Drill;
import phalanx.lefthand.drill.Pacing;
import phalanx.song.Song;
import phalanx.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Works out a chain of shapes as a drill. */
@Command(
        name = "chain",
        mixinStandardHelpOptions = true,
        description = "${bundle:ChainCommand.chooses-the-fingers-for-shapes}")
final class ChainCommand extends QueryCommand {
    @Parameters(paramLabel = "SHAPES|-", description = "${bundle:ChainCommand.chords-frets-or-frets-with}")
    private String shapes;

    @Option(
            names = "--tempo",
            paramLabel = "BPM",
            description = "${bundle:ChainCommand.quarter-notes-a-minute-a}",
            defaultValue = "80")
    private double tempo;

    @Override
    String query() {
        return shapes;
    }

    @Override
    void prepare() {
        instrument();
        if (!(tempo >= Song.SLOWEST && tempo <= Song.FASTEST)) {
            throw new BadInput(wording("ChainCommand.tempo-is-outside-to", tempo, Song.SLOWEST, Song.FASTEST));
        }
    }

    private Drill drill(String text) {
        Drill drill = Drill.of(text, instrument(), Hand.AVERAGE, tempo);
        if (drill.chain().isEmpty()) {
            throw new IllegalArgumentException(
                    drill.troubles().isEmpty()
                            ? wording("ChainCommand.no-shape-is-given")
                            : String.join("; ", drill.troubles()));
        }
        return drill;
    }

    @Override
    ObjectNode answer(String query) {
        Drill drill = drill(query);
        ObjectNode root = object();
        drill.troubles().forEach(root.putArray("leftOut")::add);
        drill.chain().ifPresent(chain -> put(chain, root.putObject("chain")));
        drill.refingered().ifPresent(chain -> put(chain, root.putObject("refingered")));
        drill.reordered().ifPresent(chain -> put(chain, root.putObject("reordered")));
        return root;
    }

    private static void put(Chain chain, ObjectNode node) {
        node.put("effort", Queries.rounded(chain.effort().total()));
        if (Double.isFinite(chain.tempoCeiling())) {
            node.put("ceilingBpm", Math.floor(chain.tempoCeiling()));
        }
        ArrayNode shapes = node.putArray("shapes");
        for (Chain.Link link : chain.links()) {
            ObjectNode one = shapes.addObject();
            link.shape().shape().frets().forEach(one.putArray("frets")::add);
            link.shape().fingers().forEach(one.putArray("fingers")::add);
            one.put("why", link.why());
            link.into().ifPresent(change -> {
                one.put("change", Queries.rounded(change.effort().total()));
                Pacing.of(change).ifPresent(pacing -> {
                    ObjectNode slowest = one.putObject("pace");
                    slowest.put("what", pacing.words());
                    slowest.put("mm", Queries.rounded(pacing.mm()));
                    slowest.put("needsMs", Queries.rounded(pacing.needsMs()));
                    slowest.put("hasMs", Queries.rounded(pacing.hasMs()));
                    slowest.put("ceilingBpm", Math.floor(change.tempoCeiling()));
                });
            });
        }
    }

    @Override
    void print(String query, PrintWriter out) {
        Drill drill = drill(query);
        drill.troubles().forEach(trouble -> out.println(wording("ChainCommand.left-out", trouble)));
        drill.chain().ifPresent(chain -> print(chain, out));
        drill.refingered().ifPresent(chain -> {
            out.println(wording("ChainCommand.with-better-fingers"));
            print(chain, out);
        });
        drill.reordered().ifPresent(chain -> {
            out.println(wording("ChainCommand.in-a-better-order-if"));
            print(chain, out);
        });
    }

    private static void print(Chain chain, PrintWriter out) {
        for (Chain.Link link : chain.links()) {
            link.into().flatMap(Pacing::of).ifPresent(pacing -> out.println("    " + pacing.sentence()));
            out.printf(
                    Locale.ROOT,
                    "%-18s %-12s %s%n",
                    link.shape().shape(),
                    String.join(" ", link.shape().fingers()),
                    link.why());
        }
        out.printf(
                Words.figures(), wording("ChainCommand.effort"), chain.effort().total(), ceiling(chain));
    }

    private static String ceiling(Chain chain) {
        double ceiling = chain.tempoCeiling();
        return Double.isFinite(ceiling)
                ? String.format(Words.figures(), wording("ChainCommand.in-time-up-to-bpm"), Math.floor(ceiling))
                : "";
    }
}
