package phalanx.formats.musicxml;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;
import java.util.stream.Collectors;
import org.w3c.dom.Element;
import phalanx.formats.FormatException;
import phalanx.formats.Reading;
import phalanx.formats.SongFiles;

/**
 * Reads a MusicXML lead sheet: the part with chord symbols, its first voice, written out in the order of playing. What
 * is left out or changed is reported; nothing goes silently.
 */
public final class MusicXmlReader {
    private final String fallbackTitle;

    private final OptionalInt choice;

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
    private record Line(Element part, String voice, String name) {}

    /**
     * Reads a score.
     *
     * @throws FormatException naming place and reason
     */
    public Reading read(byte[] bytes) throws FormatException {
        Element score = new SecureXml().parse(bytes);
        if (score.getTagName().equals("score-timewise")) {
            throw new FormatException("", "the score is laid out by bars (score-timewise); save it as score-partwise");
        }
        if (!score.getTagName().equals("score-partwise")) {
            throw new FormatException(
                    "", "this is XML but not a MusicXML score (it begins with <" + score.getTagName() + ">)");
        }
        List<Line> lines = lines(score);
        if (lines.isEmpty()) {
            lines = charts(score);
        }
        if (lines.isEmpty()) {
            throw new FormatException("", "the score has neither notes of a tune nor chord symbols");
        }
        Line likeliest = lines.stream()
                .filter(line -> !Elements.descendants(line.part, "harmony").isEmpty())
                .findFirst()
                .orElse(lines.get(0));
        Line melody = SongFiles.chosen(lines, choice, likeliest);
        List<String> report = new ArrayList<>();
        reportParts(lines, melody, report);
        List<String> names = lines.stream().map(Line::name).toList();
        int index = lines.indexOf(melody);
        return new PartReader(title(score), melody.part, melody.voice, report)
                .read()
                .of(names, index);
    }

    /** The voices that have notes, part by part. */
    private static List<Line> lines(Element score) {
        List<Line> lines = new ArrayList<>();
        for (Element part : Elements.children(score, "part")) {
            if (!Elements.descendants(part, "unpitched").isEmpty()) {
                continue;
            }
            List<String> voices = Elements.descendants(part, "note").stream()
                    .filter(note -> Elements.child(note, "pitch").isPresent())
                    .map(note -> Elements.text(note, "voice").orElse("1"))
                    .distinct()
                    .toList();
            for (String voice : voices) {
                String name = partName(score, part.getAttribute("id"));
                lines.add(new Line(part, voice, voices.size() > 1 ? name + ", voice " + voice : name));
            }
        }
        return lines;
    }

    /** The parts that have chord symbols, where none has a tune. */
    private static List<Line> charts(Element score) {
        return Elements.children(score, "part").stream()
                .filter(part -> !Elements.descendants(part, "harmony").isEmpty())
                .map(part -> new Line(part, "1", partName(score, part.getAttribute("id"))))
                .toList();
    }

    private static String partName(Element score, String id) {
        return Elements.descendants(score, "score-part").stream()
                .filter(part -> part.getAttribute("id").equals(id))
                .flatMap(part -> Elements.text(part, "part-name").stream())
                .filter(name -> !name.isBlank())
                .map(name -> name + " (" + id + ")")
                .findFirst()
                .orElse(id);
    }

    private static void reportParts(List<Line> lines, Line melody, List<String> report) {
        List<String> ids = lines.stream()
                .map(line -> line.part.getAttribute("id"))
                .distinct()
                .toList();
        if (ids.size() > 1) {
            String own = melody.part.getAttribute("id");
            String others = ids.stream().filter(id -> !id.equals(own)).collect(Collectors.joining(", "));
            report.add("the score has " + ids.size() + " parts with notes; " + own + " is taken for the melody, "
                    + others + " left out");
        }
    }

    private String title(Element score) {
        return Elements.text(score, "movement-title")
                .or(() -> Elements.child(score, "work").flatMap(work -> Elements.text(work, "work-title")))
                .orElse(fallbackTitle);
    }
}
