package phalanx.cli;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.util.concurrent.Callable;
import phalanx.guitar.Instrument;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** A command that answers queries about one guitar, as text or as JSON, one or a line each from standard input. */
abstract class QueryCommand implements Callable<Integer> {
    @Option(names = "--json", description = "${bundle:QueryCommand.answer-as-json}")
    private boolean json;

    @Mixin
    private InstrumentOptions options;

    @Spec
    private CommandSpec spec;

    private final ObjectMapper mapper = new ObjectMapper();

    /** The query as given, {@code -} for standard input. */
    abstract String query();

    /** Reads the other options, once; may throw {@link BadInput}. */
    abstract void prepare();

    /** Answers one query; an {@link IllegalArgumentException} carries the reason why it can't. */
    abstract ObjectNode answer(String query);

    /** Answers one query for people. */
    abstract void print(String query, PrintWriter out);

    final InstrumentOptions options() {
        return options;
    }

    final Instrument instrument() {
        return options.instrument();
    }

    final ObjectNode object() {
        return mapper.createObjectNode();
    }

    @Override
    public final Integer call() {
        prepare();
        PrintWriter out = spec.commandLine().getOut();
        try {
            if (json || query().equals("-")) {
                new Queries(out).answer(query(), this::answer);
            } else {
                print(query(), out);
            }
        } catch (IllegalArgumentException e) {
            throw new BadInput(e.getMessage());
        }
        out.flush();
        return ExitCodes.DONE;
    }
}
