package phalanx.formats.musicxml;

import java.io.ByteArrayInputStream;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import phalanx.formats.reading.Choice;
import phalanx.formats.reading.FormatException;
import phalanx.formats.reading.Reading;
import phalanx.song.build.SongBuilder;

/**
 * Reads a MusicXML score, by parts or by bars: the voice with words, else the likeliest one, with the chord symbols of
 * its part or another, written out in the order of playing. What is mended, left out or changed is reported; nothing goes
 * silently.
 */
public final class MusicXmlReader {
    private static final String PART = "part";
    private static final String MEASURE = "measure";
    private static final int MOST_PARTS = 2_000;

    private final String fallbackTitle;
    private final OptionalInt choice;
    private final Map<String, MeasureReader> parts = new LinkedHashMap<>();

    /** @param fallbackTitle the title of a score that has none */
    public MusicXmlReader(String fallbackTitle) {
        this(fallbackTitle, OptionalInt.empty());
    }

    /**
     * @param fallbackTitle the title of a score that has none
     * @param choice which voice of which part is the melody, from 0; the likeliest where none is chosen
     */
    public MusicXmlReader(String fallbackTitle, OptionalInt choice) {
        this.fallbackTitle = fallbackTitle;
        this.choice = choice;
    }

    /** A voice of a part; its name is what a player reads. */
    private record Line(String part, MeasureReader measures, String voice, String name) {
        /** Its name and what it holds. */
        String words() {
            int notes = measures.song().notes(voice);
            return name + ": " + notes + (notes == 1 ? " note" : " notes") + (syllables() > 0 ? ", with words" : "");
        }

        long syllables() {
            return measures.song().syllables(voice);
        }
    }

    /**
     * Reads a score.
     *
     * @throws FormatException naming place and reason
     */
    public Reading read(byte[] bytes) throws FormatException {
        return read(new ByteArrayInputStream(bytes));
    }

    /**
     * Reads a score from a stream, once.
     *
     * @throws FormatException naming place and reason
     */
    public Reading read(InputStream in) throws FormatException {
        XmlReader.Text text = new XmlReader().read(in, this::take);
        // what was read before a text breaks off is used, if there is anything
        XmlNode score = parts.isEmpty() ? text.whole() : text.root();
        if (!score.name().startsWith("score-")) {
            throw new FormatException(
                    "", "this is XML but not a MusicXML score (it begins with <" + score.name() + ">)");
        }
        List<Line> lines = lines(score);
        if (lines.isEmpty()) {
            text.whole();
            throw new FormatException("", "the score has neither notes of a tune nor chord symbols");
        }
        Line melody = Choice.of(lines, choice, likeliest(lines));
        SongBuilder song = melody.measures.song();
        title(score).ifPresent(song::title);
        text.broken()
                .ifPresent(broken -> song.report().say("", broken.getMessage() + "; the bars before that are read"));
        reportParts(lines, melody);
        parts.values().stream()
                .map(MeasureReader::song)
                .filter(other -> other != song)
                .sorted(Comparator.comparing(other -> !other.hasChords()))
                .forEach(song::complete);
        List<String> names = lines.stream().map(Line::words).toList();
        try {
            SongBuilder.Built built = song.build(melody.voice, fallbackTitle);
            return new Reading(
                            built.song(),
                            song.report().lines(),
                            melody.measures.places().finish(built),
                            List.of(),
                            0)
                    .of(names, lines.indexOf(melody));
        } catch (IllegalArgumentException e) {
            throw new FormatException("", e.getMessage());
        }
    }

    /** Reads a measure of a part, or a part of a measure, as soon as it is complete. */
    private boolean take(XmlNode node, XmlNode parent) throws FormatException {
        boolean byParts = node.name().equals(MEASURE) && parent.name().equals(PART);
        boolean byBars = node.name().equals(PART) && parent.name().equals(MEASURE);
        if (byParts || byBars) {
            XmlNode measure = byParts ? node : withAttributes(parent, node);
            String id = (byParts ? parent : node).attribute("id");
            if (!parts.containsKey(id) && parts.size() >= MOST_PARTS) {
                throw new FormatException("", "the score has more than " + MOST_PARTS + " parts");
            }
            parts.computeIfAbsent(id, any -> new MeasureReader()).read(measure);
        }
        return byParts || byBars;
    }

    private static XmlNode withAttributes(XmlNode measure, XmlNode part) {
        XmlNode whole = new XmlNode(MEASURE);
        for (String name : List.of("number", "implicit")) {
            whole.put(name, measure.attribute(name));
        }
        part.children().forEach(whole::add);
        return whole;
    }

    /** The voices that have notes, part by part; where there are none, the parts that have chord symbols. */
    private List<Line> lines(XmlNode score) {
        List<Line> lines = new ArrayList<>();
        Map<String, String> names = names(score);
        boolean own = score.child("identification")
                .flatMap(node -> node.child("encoding"))
                .flatMap(node -> node.text("software"))
                .filter(MusicXmlWriter.SOFTWARE::equals)
                .isPresent();
        parts.forEach((id, measures) -> {
            List<String> voices = measures.song().voices();
            // an arrangement of chords alone has notes, but no tune
            boolean alone = own && !voices.contains("1") && measures.song().hasChords();
            for (String voice : measures.unpitched() || alone ? List.<String>of() : voices) {
                String name = names.getOrDefault(id, id);
                lines.add(new Line(id, measures, voice, voices.size() > 1 ? name + ", voice " + voice : name));
            }
        });
        if (lines.isEmpty()) {
            parts.forEach((id, measures) -> {
                if (measures.song().hasChords()) {
                    lines.add(new Line(id, measures, "", names.getOrDefault(id, id)));
                }
            });
        }
        return lines;
    }

    private static Map<String, String> names(XmlNode score) {
        Map<String, String> names = new LinkedHashMap<>();
        score.children("part-list").stream()
                .flatMap(list -> list.children("score-part").stream())
                .forEach(part -> part.text("part-name")
                        .ifPresent(name -> names.put(part.attribute("id"), name + " (" + part.attribute("id") + ")")));
        return names;
    }

    /** The first that is sung, or named for it, or has chord symbols over it; else the first. */
    private static Line likeliest(List<Line> lines) {
        long most = lines.stream().mapToLong(Line::syllables).max().orElse(0);
        Optional<Line> sung = lines.stream()
                .filter(line -> most > 0 && 2 * line.syllables() >= most)
                .findFirst();
        return sung.or(() -> lines.stream()
                        .filter(line -> line.name.toLowerCase(Locale.ROOT).matches(Choice.NAMED_FOR_THE_TUNE))
                        .findFirst())
                .or(() -> lines.stream()
                        .filter(line -> line.measures.song().hasChords())
                        .findFirst())
                .orElse(lines.get(0));
    }

    private static void reportParts(List<Line> lines, Line melody) {
        if (lines.size() > 1) {
            List<String> others = lines.stream()
                    .filter(line -> line != melody)
                    .map(Line::name)
                    .toList();
            int shown = Math.min(4, others.size());
            melody.measures
                    .song()
                    .report()
                    .say(
                            "",
                            melody.name + " is taken for the tune; left out: "
                                    + String.join("; ", others.subList(0, shown))
                                    + (others.size() > shown ? " and " + (others.size() - shown) + " more" : ""));
        }
    }

    private static Optional<String> title(XmlNode score) {
        return score.text("movement-title").or(() -> score.child("work").flatMap(work -> work.text("work-title")));
    }
}
