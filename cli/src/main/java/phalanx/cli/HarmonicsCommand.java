package phalanx.cli;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Shape;
import phalanx.technique.Cascade;
import phalanx.technique.CascadeFinder;
import phalanx.technique.Harmonic;
import phalanx.technique.HarmonicChord;
import phalanx.technique.HarmonicNode;
import phalanx.theory.ChordSymbol;
import phalanx.theory.Key;
import phalanx.theory.Pitch;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** Lists natural harmonics, or weaves touched ones over a shape. */
@Command(
        name = "harmonics",
        mixinStandardHelpOptions = true,
        description =
                "Lists the natural harmonics of every string; with --shape a cascade of touched harmonics over a"
                        + " held shape, with --chord where one finger laid over the open strings sounds a chord, with --scales the barres over which a cascade sounds a scale.")
final class HarmonicsCommand implements Callable<Integer> {
    @Option(names = "--json", description = "Answer as JSON.")
    private boolean json;

    @Option(names = "--shape", paramLabel = "FRETS", description = "A shape to play a cascade over, such as 555555.")
    private String shape;

    @Option(
            names = "--node",
            paramLabel = "K/N",
            description = "Where strings are touched in a cascade: 1/2 (12 frets above), 1/3 (7) or 1/4 (5).",
            defaultValue = "1/2")
    private String node;

    @Option(
            names = "--order",
            paramLabel = "STRINGS",
            description = "Strings of the cascade in the order of playing, touched ones with a star: \"4 6* 3 5*\".")
    private String order;

    @Option(names = "--chord", paramLabel = "CHORD", description = "Find this chord among the natural harmonics.")
    private String chord;

    @Option(names = "--scales", description = "Find barres over which a cascade sounds a scale.")
    private boolean scales;

    @Mixin
    private InstrumentOptions options;

    @Spec
    private CommandSpec spec;

    private final ObjectMapper mapper = new ObjectMapper();

    @Override
    public Integer call() {
        PrintWriter out = spec.commandLine().getOut();
        Instrument instrument = options.instrument();
        if (scales) {
            printScales(instrument, out);
        } else if (chord != null) {
            printChords(instrument, out);
        } else if (shape != null) {
            print(cascade(instrument), out);
        } else {
            printNatural(instrument, out);
        }
        out.flush();
        return ExitCodes.DONE;
    }

    private Cascade cascade(Instrument instrument) {
        try {
            List<Integer> frets = Shape.parse(shape).frets();
            HarmonicNode touched = HarmonicNode.parse(node);
            return order == null
                    ? Cascade.usual(instrument, frets, touched)
                    : Cascade.of(instrument, frets, touched, order);
        } catch (IllegalArgumentException e) {
            throw new BadInput(e.getMessage());
        }
    }

    private void printNatural(Instrument instrument, PrintWriter out) {
        List<Harmonic> natural = Harmonic.natural(instrument);
        if (json) {
            ArrayNode list = mapper.createArrayNode();
            natural.forEach(harmonic -> list.addObject()
                    .put("string", harmonic.string())
                    .put("node", harmonic.node().toString())
                    .put("fret", harmonic.touchFret())
                    .put("midi", harmonic.midi())
                    .put("cents", harmonic.node().cents()));
            out.println(list);
            return;
        }
        natural.forEach(harmonic -> out.println(String.format(
                Locale.ROOT,
                "string %d  node %s  fret %5.2f  %-4s %+5.1f cents",
                harmonic.string(),
                harmonic.node(),
                harmonic.touchFret(),
                name(harmonic.midi()),
                harmonic.node().cents())));
    }

    private void printChords(Instrument instrument, PrintWriter out) {
        List<HarmonicChord> found = HarmonicChord.of(instrument, symbol());
        if (json) {
            ArrayNode list = mapper.createArrayNode();
            for (HarmonicChord one : found) {
                ObjectNode node = list.addObject()
                        .put("node", one.node().toString())
                        .put("fret", one.node().frets())
                        .put("missing", one.missing());
                ArrayNode strings = node.putArray("strings");
                one.strings().forEach(string -> strings.addObject()
                        .put("string", string.string())
                        .put("midi", string.midi()));
            }
            out.println(list);
            return;
        }
        if (found.isEmpty()) {
            out.println("no two strings have tones of " + chord + " over one fret");
        }
        found.forEach(one -> out.println(one.words(Key.C_MAJOR)));
    }

    private ChordSymbol symbol() {
        try {
            return ChordSymbol.parse(chord);
        } catch (IllegalArgumentException e) {
            throw new BadInput(e.getMessage());
        }
    }

    private void print(Cascade cascade, PrintWriter out) {
        if (json) {
            out.println(object(cascade));
            return;
        }
        for (Cascade.Step step : cascade.steps()) {
            out.println(
                    step.touched()
                            ? String.format(
                                    Locale.ROOT,
                                    "string %d  fret %d, touched over fret %.1f, %.0f mm from the saddle: %s",
                                    step.string(),
                                    step.fret(),
                                    step.touchFret(),
                                    step.saddleMm(),
                                    name(step.midi()))
                            : "string " + step.string() + "  fret " + step.fret() + ", plain: " + name(step.midi()));
        }
        out.println("line: " + line(cascade));
    }

    private ObjectNode object(Cascade cascade) {
        ObjectNode root = mapper.createObjectNode().put("order", cascade.order());
        ArrayNode steps = root.putArray("steps");
        for (Cascade.Step step : cascade.steps()) {
            ObjectNode one = steps.addObject()
                    .put("string", step.string())
                    .put("fret", step.fret())
                    .put("touched", step.touched())
                    .put("midi", step.midi());
            if (step.touched()) {
                one.put("touchFret", step.touchFret()).put("saddleMm", step.saddleMm());
            }
        }
        cascade.line().forEach(root.putArray("line")::add);
        return root;
    }

    private void printScales(Instrument instrument, PrintWriter out) {
        List<CascadeFinder.Found> found = new CascadeFinder(instrument).find();
        if (json) {
            ArrayNode list = mapper.createArrayNode();
            found.forEach(one -> list.add(object(one.cascade())
                    .put("fret", one.fret())
                    .put("node", one.node().toString())
                    .put("scale", one.scale())));
            out.println(list);
            return;
        }
        found.forEach(one -> out.println(
                "barre " + one.fret() + ", node " + one.node() + ": " + one.scale() + "  " + line(one.cascade())));
    }

    private static String line(Cascade cascade) {
        return cascade.line().stream().map(HarmonicsCommand::name).collect(Collectors.joining(" "));
    }

    private static String name(int midi) {
        return Pitch.of(midi, Key.C_MAJOR).toString();
    }
}
