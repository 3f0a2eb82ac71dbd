package phalanx.cli;

import static phalanx.words.Words.wording;

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
@Command(name = "name", mixinStandardHelpOptions = true, description = "${bundle:NameCommand.names-the-chord-of-a}")
final class NameCommand extends QueryCommand {
    @Parameters(paramLabel = "FRETS|-", description = "${bundle:NameCommand.frets-from-the-lowest-string}")
    private String frets;

    @Option(
            names = "--key",
            paramLabel = "K",
            description = "${bundle:NameCommand.the-key-to-spell-for}",
            defaultValue = "C")
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
                    wording("NameCommand.shape-has-strings-the-guitar", shape, shape.strings(), instrument.strings()));
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
