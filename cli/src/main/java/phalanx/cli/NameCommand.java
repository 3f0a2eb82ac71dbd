package phalanx.cli;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.util.List;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Shape;
import phalanx.theory.ChordNamer;
import phalanx.theory.ChordTable;
import phalanx.theory.Key;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Names a shape. */
@Command(name = "name", mixinStandardHelpOptions = true, description = "Names the chord of a shape, best name first.")
final class NameCommand extends QueryCommand {
    @Parameters(
            paramLabel = "FRETS|-",
            description = "Frets from the lowest string, such as \"x 3 2 0 1 0\" or x32010, or - for one a line.")
    private String frets;

    @Option(names = "--key", paramLabel = "K", description = "The key to spell for.", defaultValue = "C")
    private String key;

    private Key spelled;

    @Override
    String query() {
        return frets;
    }

    @Override
    void prepare() {
        instrument();
        try {
            spelled = Key.parse(key);
        } catch (IllegalArgumentException e) {
            throw new BadInput(e.getMessage());
        }
    }

    private List<String> names(Shape shape) {
        Instrument instrument = instrument();
        if (shape.strings() != instrument.strings()) {
            throw new IllegalArgumentException(
                    "shape " + shape + " has " + shape.strings() + " strings, the guitar " + instrument.strings());
        }
        return new ChordNamer(ChordTable.standard()).names(shape.midi(instrument), spelled);
    }

    @Override
    ObjectNode answer(String query) {
        Shape shape = Shape.parse(query);
        List<String> names = names(shape);
        ObjectNode root = object();
        shape.frets().forEach(root.putArray("frets")::add);
        names.forEach(root.putArray("names")::add);
        return root;
    }

    @Override
    void print(String query, PrintWriter out) {
        out.println(String.join("  ", names(Shape.parse(query))));
    }
}
