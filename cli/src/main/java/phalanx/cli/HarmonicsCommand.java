package phalanx.cli;

import static phalanx.words.Words.wording;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.util.List;
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
import phalanx.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** Lists natural harmonics, or weaves touched ones over a shape. */
@Command(
        name = "harmonics",
        mixinStandardHelpOptions = true,
        description = "${bundle:HarmonicsCommand.lists-the-natural-harmonics-of}")
final class HarmonicsCommand implements Callable<Integer> {
    @Option(names = "--json", description = "${bundle:HarmonicsCommand.answer-as-json}")
    private boolean json;

    @Option(names = "--shape", paramLabel = "FRETS", description = "${bundle:HarmonicsCommand.a-shape-to-play-a}")
    private String shape;

    @Option(
            names = "--node",
            paramLabel = "K/N",
            description = "${bundle:HarmonicsCommand.where-strings-are-touched-in}",
            defaultValue = "1/2")
    private String node;

    @Option(
            names = "--order",
            paramLabel = "STRINGS",
            description = "${bundle:HarmonicsCommand.strings-of-the-cascade-in}")
    private String order;

    @Option(
            names = "--in-threes",
            paramLabel = "KEY",
            description = "${bundle:HarmonicsCommand.a-cascade-of-three-notes}")
    private String threes;

    @Option(
            names = "--chord",
            paramLabel = "CHORD",
            description = "${bundle:HarmonicsCommand.find-this-chord-among-the}")
    private String chord;

    @Option(names = "--scales", description = "${bundle:HarmonicsCommand.find-barres-over-which-a}")
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
            if (threes != null) {
                return Cascade.triplets(instrument, frets, touched, Key.parse(threes));
            }
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
                Words.figures(),
                wording("HarmonicsCommand.string-node-fret-4s-5"),
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
            out.println(wording("HarmonicsCommand.no-two-strings-have-tones", chord));
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
                                    Words.figures(),
                                    wording("HarmonicsCommand.string-fret-touched-over-fret"),
                                    step.string(),
                                    step.fret(),
                                    step.touchFret(),
                                    step.saddleMm(),
                                    name(step.midi()))
                            : step.pulled()
                                    ? wording(
                                            "HarmonicsCommand.string-fret-pulled",
                                            step.string(),
                                            step.fret(),
                                            name(step.midi()))
                                    : wording(
                                            "HarmonicsCommand.string-fret-plain",
                                            step.string(),
                                            step.fret(),
                                            name(step.midi())));
        }
        out.println(wording("HarmonicsCommand.line", line(cascade)));
    }

    private ObjectNode object(Cascade cascade) {
        ObjectNode root = mapper.createObjectNode().put("order", cascade.order());
        ArrayNode steps = root.putArray("steps");
        for (Cascade.Step step : cascade.steps()) {
            ObjectNode one = steps.addObject()
                    .put("string", step.string())
                    .put("fret", step.fret())
                    .put("touched", step.touched())
                    .put("pulled", step.pulled())
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
                wording("HarmonicsCommand.barre-node", one.fret(), one.node(), one.scale(), line(one.cascade()))));
    }

    private static String line(Cascade cascade) {
        return cascade.line().stream().map(HarmonicsCommand::name).collect(Collectors.joining(" "));
    }

    private static String name(int midi) {
        return Pitch.of(midi, Key.C_MAJOR).toString();
    }
}
