package phalanx.formats.project;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import phalanx.formats.reading.FormatException;
import phalanx.song.Bar;
import phalanx.song.ChordChange;
import phalanx.song.MelodyNote;
import phalanx.song.Meter;
import phalanx.song.Section;
import phalanx.song.Song;
import phalanx.theory.Key;
import phalanx.theory.Pitch;

/** A song within a project file: bars, sections, chart and melody in order, chords and pitches as players write them. */
final class SongJson {

    void write(Song song, ObjectNode root) {
        root.put("title", song.title()).put("key", song.key().toString()).put("tempo", song.tempo());
        ArrayNode bars = root.putArray("bars");
        for (Bar bar : song.bars()) {
            bars.addObject()
                    .put("number", bar.number())
                    .put("lengthTicks", bar.lengthTicks())
                    .put("meter", bar.meter().toString());
        }
        ArrayNode sections = root.putArray("sections");
        for (Section section : song.sections()) {
            sections.addObject()
                    .put("name", section.name())
                    .put("startTick", section.startTick())
                    .put("varied", section.varied());
        }
        ArrayNode chart = root.putArray("chart");
        for (ChordChange change : song.chart()) {
            chart.addObject().put("startTick", change.startTick()).put("symbol", change.symbol());
        }
        write(song.melody(), root.putArray("melody"));
        if (!song.bass().isEmpty()) {
            write(song.bass(), root.putArray("bass"));
        }
    }

    static void write(List<MelodyNote> line, ArrayNode notes) {
        for (MelodyNote note : line) {
            ObjectNode node = notes.addObject()
                    .put("tick", note.tick())
                    .put("lengthTicks", note.lengthTicks())
                    .put("pitch", note.pitch().toString());
            note.syllable().ifPresent(syllable -> node.put("syllable", syllable));
            note.below().ifPresent(below -> node.put("below", below.toString()));
            if (!note.graces().isEmpty()) {
                ArrayNode graces = node.putArray("graces");
                note.graces().forEach(grace -> graces.add(grace.toString()));
            }
        }
    }

    Song read(JsonPlace root) throws FormatException {
        String title = root.child("title").text();
        int tempo = root.child("tempo").integer();
        String key = root.child("key").text();
        Key ownKey = root.child("key").checked(() -> Key.parse(key));
        List<Bar> bars = bars(root);
        List<Section> sections = new ArrayList<>();
        for (JsonPlace section : root.child("sections").items()) {
            String name = section.child("name").text();
            int start = section.child("startTick").integer();
            boolean varied = section.child("varied").flag();
            sections.add(section.checked(() -> new Section(name, start, varied)));
        }
        List<ChordChange> chart = new ArrayList<>();
        for (JsonPlace change : root.child("chart").items()) {
            int start = change.child("startTick").integer();
            String symbol = change.child("symbol").text();
            chart.add(change.checked(() -> ChordChange.parse(start, symbol)));
        }
        List<MelodyNote> melody = line(root.child("melody"));
        List<MelodyNote> bass = root.has("bass") ? line(root.child("bass")) : List.of();
        return root.checked(() -> new Song(title, ownKey, tempo, bars, sections, chart, melody, bass));
    }

    static List<MelodyNote> line(JsonPlace notes) throws FormatException {
        List<MelodyNote> line = new ArrayList<>();
        for (JsonPlace note : notes.items()) {
            int tick = note.child("tick").integer();
            int length = note.child("lengthTicks").integer();
            String pitch = note.child("pitch").text();
            Optional<String> syllable =
                    note.has("syllable") ? Optional.of(note.child("syllable").text()) : Optional.empty();
            Optional<String> below =
                    note.has("below") ? Optional.of(note.child("below").text()) : Optional.empty();
            List<String> graces = new ArrayList<>();
            if (note.has("graces")) {
                for (JsonPlace grace : note.child("graces").items()) {
                    graces.add(grace.text());
                }
            }
            line.add(note.checked(() -> new MelodyNote(
                    tick,
                    length,
                    Pitch.parse(pitch),
                    syllable,
                    below.map(Pitch::parse),
                    graces.stream().map(Pitch::parse).toList())));
        }
        return line;
    }

    private static List<Bar> bars(JsonPlace root) throws FormatException {
        List<Bar> bars = new ArrayList<>();
        for (JsonPlace bar : root.child("bars").items()) {
            int start = bars.isEmpty() ? 0 : bars.get(bars.size() - 1).endTick();
            int number = bar.child("number").integer();
            int length = bar.child("lengthTicks").integer();
            String meter = bar.child("meter").text();
            bars.add(bar.checked(() -> new Bar(number, start, length, Meter.parse(meter))));
        }
        return bars;
    }
}
