package phalanx.cli;

import static phalanx.words.Words.wording;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.concurrent.Callable;
import phalanx.formats.SongFiles;
import phalanx.formats.reading.FormatException;
import phalanx.formats.reading.Reading;
import phalanx.song.Bar;
import phalanx.song.Song;
import phalanx.song.SongHarmony;
import phalanx.theory.Key;
import phalanx.words.Words;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Reads the harmony of a song. */
@Command(name = "analyse", mixinStandardHelpOptions = true, description = "${bundle:AnalyseCommand.finds-the-key-of-a}")
final class AnalyseCommand implements Callable<Integer> {
    @Parameters(paramLabel = "IN", description = "${bundle:AnalyseCommand.the-song}")
    private Path in;

    @Option(names = "--json", description = "${bundle:AnalyseCommand.answer-as-json}")
    private boolean json;

    @Spec
    private CommandSpec spec;

    @Override
    public Integer call() throws FormatException {
        Reading reading = SongFiles.read(in);
        Song song = reading.song();
        SongHarmony harmony = SongHarmony.of(song);
        PrintWriter out = spec.commandLine().getOut();
        if (json) {
            out.println(json(song, harmony));
        } else {
            print(song, harmony, out);
        }
        out.flush();
        reading.report()
                .forEach(line -> spec.commandLine().getErr().println("phalanx: " + in.getFileName() + ": " + line));
        return ExitCodes.DONE;
    }

    private static ObjectNode json(Song song, SongHarmony harmony) {
        ObjectNode root = new ObjectMapper().createObjectNode();
        root.put("key", harmony.key().tonic().toString());
        root.put("mode", harmony.key().mode().word());
        ArrayNode chords = root.putArray("chords");
        for (SongHarmony.Placed placed : harmony.chords()) {
            Bar bar = song.barAt(placed.startTick());
            chords.addObject()
                    .put("bar", bar.number())
                    .put("beat", Queries.rounded(bar.beatOf(placed.startTick())))
                    .put("symbol", placed.chord().text())
                    .put("roman", placed.function().roman())
                    .put("diatonic", placed.function().diatonic())
                    .put(
                            "borrowedFrom",
                            placed.function().borrowedFrom().map(Key::words).orElse(null));
        }
        return root;
    }

    private static void print(Song song, SongHarmony harmony, PrintWriter out) {
        out.println(wording("AnalyseCommand.key", harmony.key().words()));
        for (SongHarmony.Placed placed : harmony.chords()) {
            Bar bar = song.barAt(placed.startTick());
            out.printf(
                    Words.figures(),
                    wording("AnalyseCommand.bar-beat-4s-10s-8s"),
                    bar.number(),
                    Queries.rounded(bar.beatOf(placed.startTick())),
                    placed.chord().text(),
                    placed.function().roman(),
                    placed.function().words());
        }
    }
}
