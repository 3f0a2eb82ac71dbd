package phalanx.cli;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.util.List;
import java.util.concurrent.Callable;
import phalanx.guitar.Instrument;
import phalanx.lefthand.Shape;
import phalanx.theory.ChordNamer;
import phalanx.theory.ChordTable;
import phalanx.theory.Key;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Names a shape. */
@Command(name = "name", mixinStandardHelpOptions = true, description = "Names the chord of a shape, best name first.")
final class NameCommand implements Callable<Integer> {
    @Parameters(
            paramLabel = "FRETS|-",
            description = "Frets from the lowest string, such as \"x 3 2 0 1 0\" or x32010, or - for one a line.")
    private String frets;

    @Option(names = "--key", paramLabel = "K", description = "The key to spell for.", defaultValue = "C")
    private String key;

    @Option(names = "--json", description = "Answer as JSON.")
    private boolean json;

    @Mixin
    private InstrumentOptions options;

    @Spec
    private CommandSpec spec;

    private final ObjectMapper mapper = new ObjectMapper();

    @Override
    public Integer call() {
        Instrument instrument = options.instrument();
        Key spelled = key();
        PrintWriter out = spec.commandLine().getOut();
        if (json || frets.equals("-")) {
            new Queries(out).answer(frets, query -> answer(query, instrument, spelled));
        } else {
            printText(out, instrument, spelled);
        }
        return ExitCodes.DONE;
    }

    private Key key() {
        try {
            return Key.parse(key);
        } catch (IllegalArgumentException e) {
            throw new BadInput(e.getMessage());
        }
    }

    private static List<String> names(Shape shape, Instrument instrument, Key key) {
        if (shape.strings() != instrument.strings()) {
            throw new IllegalArgumentException(
                    "shape " + shape + " has " + shape.strings() + " strings, the guitar " + instrument.strings());
        }
        return new ChordNamer(ChordTable.standard()).names(shape.midi(instrument), key);
    }

    private ObjectNode answer(String query, Instrument instrument, Key spelled) {
        Shape shape = Shape.parse(query);
        List<String> names = names(shape, instrument, spelled);
        ObjectNode root = mapper.createObjectNode();
        shape.frets().forEach(root.putArray("frets")::add);
        names.forEach(root.putArray("names")::add);
        return root;
    }

    private void printText(PrintWriter out, Instrument instrument, Key spelled) {
        try {
            out.println(String.join("  ", names(Shape.parse(frets), instrument, spelled)));
        } catch (IllegalArgumentException e) {
            throw new BadInput(e.getMessage());
        }
    }
}
