package phalanx.cli;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import phalanx.arrange.score.ArrangedNote;
import phalanx.listening.TakeReport;
import phalanx.song.Bar;
import phalanx.song.Song;

/** What a take told, as JSON; times in ms, late above nought. */
final class TakeJson {
    private static final double TENTHS = 10;

    private final ObjectMapper mapper = new ObjectMapper();

    String write(TakeReport report, Song song) {
        ObjectNode root = mapper.createObjectNode()
                .put("strokes", report.strokes())
                .put("heard", report.heard())
                .put("extra", report.extra())
                .put("tempo", tenths(report.tempo()))
                .put("driftPercent", tenths(report.drift()))
                .put("clipped", report.clipped());
        report.all().ifPresent(all -> steadiness(root.putObject("thumb"), all));
        ArrayNode beats = root.putArray("thumbByBeat");
        report.thumb().forEach(beat -> steadiness(beats.addObject().put("beat", beat.beat()), beat));
        ArrayNode wrong = root.putArray("wrong");
        report.wrong().forEach(one -> place(wrong.addObject(), one.note(), song).put("heardMidi", one.midi()));
        ArrayNode missing = root.putArray("missing");
        report.missing().forEach(note -> place(missing.addObject(), note, song));
        return root.toPrettyString();
    }

    private static void steadiness(ObjectNode node, TakeReport.Steadiness steadiness) {
        node.put("strokes", steadiness.errors().size())
                .put("lateMs", tenths(steadiness.ms()))
                .put("spreadMs", tenths(steadiness.spread()));
    }

    private static ObjectNode place(ObjectNode node, ArrangedNote note, Song song) {
        Bar bar = song.barAt(note.tick());
        return node.put("bar", bar.number())
                .put(
                        "beat",
                        1 + bar.offsetOf(note.tick()) / (double) bar.meter().beatTicks())
                .put("tick", note.tick())
                .put("string", note.string())
                .put("fret", note.fret())
                .put("midi", note.midi());
    }

    private static double tenths(double value) {
        return Math.round(TENTHS * value) / TENTHS;
    }
}
