package phalanx.formats.musicxml;

import static phalanx.words.Words.wording;

import java.io.ByteArrayInputStream;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.IntStream;
import phalanx.arrange.Written;
import phalanx.formats.reading.Choice;
import phalanx.formats.reading.FormatException;
import phalanx.formats.reading.PartLine;
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
    private final Choice choice;
    private final Map<String, MeasureReader> parts = new LinkedHashMap<>();

    /** @param fallbackTitle the title of a score that has none */
    public MusicXmlReader(String fallbackTitle) {
        this(fallbackTitle, Choice.LIKELIEST);
    }

    /**
     * @param fallbackTitle the title of a score that has none
     * @param choice which voices of which parts are read
     */
    public MusicXmlReader(String fallbackTitle, Choice choice) {
        this.fallbackTitle = fallbackTitle;
        this.choice = choice;
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
            throw new FormatException("", wording("MusicXmlReader.this-is-xml-but-not", score.name()));
        }
        List<PartLine> lines = lines(score);
        if (lines.isEmpty()) {
            text.whole();
            throw new FormatException("", wording("MusicXmlReader.the-score-has-neither-notes"));
        }
        PartLine melody = Choice.of(lines, choice.tune(), PartLine.likeliest(lines));
        SongBuilder song = melody.song();
        title(score).ifPresent(song::title);
        text.broken().ifPresent(broken -> song.report()
                .say("", wording("MusicXmlReader.the-bars-before-that-are", broken.getMessage())));
        melody.join(lines, own(score) ? withOwnBass(lines) : choice);
        parts.values().stream()
                .map(MeasureReader::song)
                .filter(other -> other != song)
                .sorted(Comparator.comparing(other -> !other.hasChords()))
                .forEach(song::complete);
        List<String> names = lines.stream().map(PartLine::words).toList();
        try {
            SongBuilder.Built built = song.build(melody.voice(), fallbackTitle);
            Optional<Written> written = places(song)
                    .finish(
                            built,
                            parts.values().stream().map(MeasureReader::places).toList(),
                            song);
            return new Reading(built.song(), song.report().lines(), written, List.of(), 0)
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
                throw new FormatException("", wording("MusicXmlReader.the-score-has-more-than", MOST_PARTS));
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

    private static boolean own(XmlNode score) {
        return score.child("identification")
                .flatMap(node -> node.child("encoding"))
                .flatMap(node -> node.text("software"))
                .filter(MusicXmlWriter.SOFTWARE::equals)
                .isPresent();
    }

    /** The bass that a song was written with, unless something else was chosen. */
    private Choice withOwnBass(List<PartLine> lines) {
        OptionalInt bass = IntStream.range(0, lines.size())
                .filter(i -> lines.get(i).name().startsWith(MusicXmlWriter.BASS + " ("))
                .findFirst();
        return choice.equals(Choice.LIKELIEST) ? choice.withBass(bass) : choice;
    }

    private StaffPlaces places(SongBuilder song) {
        return parts.values().stream()
                .filter(part -> part.song() == song)
                .findFirst()
                .orElseThrow()
                .places();
    }

    /** The voices that have notes, part by part; where there are none, the parts that have chord symbols. */
    private List<PartLine> lines(XmlNode score) {
        List<PartLine> lines = new ArrayList<>();
        Map<String, String> names = names(score);
        boolean own = own(score);
        parts.forEach((id, measures) -> {
            // the upper voice of a staff has the smaller number, even where it comes in later
            List<String> voices = measures.song().voices().stream()
                    .sorted(Comparator.comparingInt(MusicXmlReader::number))
                    .toList();
            // an arrangement of chords alone has notes, but no tune
            boolean alone = own && !voices.contains("1") && measures.song().hasChords();
            for (String voice : measures.unpitched() || alone ? List.<String>of() : voices) {
                String name = names.getOrDefault(id, id);
                lines.add(new PartLine(
                        measures.song(),
                        voice,
                        voices.size() > 1 ? wording("MusicXmlReader.voice", name, voice) : name));
            }
        });
        if (lines.isEmpty()) {
            parts.forEach((id, measures) -> {
                if (measures.song().hasChords()) {
                    lines.add(new PartLine(measures.song(), "", names.getOrDefault(id, id)));
                }
            });
        }
        return lines;
    }

    /** Of a voice; one that is named otherwise comes last, as it was met. */
    private static int number(String voice) {
        return voice.matches("\\d{1,6}") ? Integer.parseInt(voice) : Integer.MAX_VALUE;
    }

    private static Map<String, String> names(XmlNode score) {
        Map<String, String> names = new LinkedHashMap<>();
        score.children("part-list").stream()
                .flatMap(list -> list.children("score-part").stream())
                .forEach(part -> part.text("part-name")
                        .ifPresent(name -> names.put(part.attribute("id"), name + " (" + part.attribute("id") + ")")));
        return names;
    }

    private static Optional<String> title(XmlNode score) {
        return score.text("movement-title").or(() -> score.child("work").flatMap(work -> work.text("work-title")));
    }
}
