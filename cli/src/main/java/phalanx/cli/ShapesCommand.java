package phalanx.cli;

import static phalanx.words.Words.wording;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.util.List;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.FingeringFinder;
import phalanx.lefthand.shape.PricedShape;
import phalanx.lefthand.shape.ShapeAdvice;
import phalanx.lefthand.shape.ShapeOrder;
import phalanx.lefthand.shape.ShapeQuery;
import phalanx.lefthand.shape.ShapeSearch;
import phalanx.lefthand.shape.Voicing;
import phalanx.theory.ChordNamer;
import phalanx.theory.ChordSymbol;
import phalanx.theory.ChordTable;
import phalanx.theory.Key;
import phalanx.theory.Pitch;
import phalanx.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Lists the playable shapes of a chord. */
@Command(
        name = "shapes",
        mixinStandardHelpOptions = true,
        description = "${bundle:ShapesCommand.lists-every-playable-shape-of}")
final class ShapesCommand extends QueryCommand {
    @Parameters(paramLabel = "CHORD|-", description = "${bundle:ShapesCommand.a-chord-such-as-d}")
    private String chord;

    @Option(names = "--top", paramLabel = "PITCH", description = "${bundle:ShapesCommand.the-exact-highest-note-such}")
    private String top;

    @Option(
            names = "--kind",
            paramLabel = "KIND",
            description = "${bundle:ShapesCommand.any-whole-shapes-triad-on}",
            defaultValue = "any")
    private String kind;

    @Option(
            names = "--max",
            paramLabel = "N",
            description = "${bundle:ShapesCommand.at-most-so-many-shapes}",
            defaultValue = "2147483647")
    private int max;

    private ShapeSearch search;

    @Override
    String query() {
        return chord;
    }

    @Override
    void prepare() {
        if (max < 1) {
            throw new BadInput(wording("ShapesCommand.max-asks-for-no-shapes", max));
        }
        search = new ShapeSearch(FingeringFinder.forShapes(instrument(), Hand.AVERAGE));
    }

    private List<PricedShape> shapes(ChordSymbol symbol) {
        ShapeQuery chord = ShapeQuery.of(symbol);
        ShapeQuery query = top == null ? chord : chord.withTop(Pitch.parse(top).midi());
        Voicing voicing = Voicing.parse(kind);
        List<PricedShape> found = search.find(query).stream()
                .filter(shape -> voicing.admits(shape.shape(), instrument()))
                .toList();
        if (found.isEmpty()) {
            throw new IllegalArgumentException(symbol.text() + ": "
                    + ShapeAdvice.on(query, instrument(), Hand.AVERAGE).words());
        }
        List<PricedShape> ordered = new ShapeOrder(instrument(), symbol).asPrinted(found);
        return ordered.subList(0, Math.min(max, ordered.size()));
    }

    @Override
    ObjectNode answer(String text) {
        Instrument instrument = instrument();
        ChordSymbol symbol = ChordSymbol.parse(text);
        ChordNamer namer = new ChordNamer(ChordTable.standard());
        ObjectNode root = object().put("chord", symbol.text());
        ArrayNode list = root.putArray("shapes");
        for (PricedShape shape : shapes(symbol)) {
            ObjectNode node = list.addObject();
            shape.shape().frets().forEach(node.putArray("frets")::add);
            shape.fingers().forEach(node.putArray("fingers")::add);
            List<Integer> midi = shape.shape().midi(instrument);
            midi.forEach(node.putArray("midi")::add);
            node.put("reachMm", Queries.rounded(widestReach(shape, instrument)));
            node.put("effort", Queries.rounded(shape.effort().total()));
            namer.names(midi, keyOf(symbol)).forEach(node.putArray("names")::add);
        }
        return root;
    }

    /** Names are spelled like the chord that was asked for. */
    private static Key keyOf(ChordSymbol symbol) {
        return Key.ofFifths(Math.max(-7, Math.min(7, symbol.root().fifths())), Key.Mode.MAJOR);
    }

    private static double widestReach(PricedShape shape, Instrument instrument) {
        return shape.fingering().reaches(instrument).values().stream()
                .mapToDouble(Double::doubleValue)
                .max()
                .orElse(0);
    }

    @Override
    void print(String text, PrintWriter out) {
        for (PricedShape shape : shapes(ChordSymbol.parse(text))) {
            out.printf(
                    Words.figures(),
                    wording("ShapesCommand.18s-12s-mm-effort"),
                    shape.shape(),
                    String.join(" ", shape.fingers()),
                    widestReach(shape, instrument()),
                    shape.effort().total());
        }
    }
}
