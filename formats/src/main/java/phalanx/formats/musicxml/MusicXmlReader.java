package phalanx.formats.musicxml;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.w3c.dom.Element;
import phalanx.formats.FormatException;
import phalanx.formats.Reading;

/**
 * Reads a MusicXML lead sheet: the part with chord symbols, its first voice, written out in the order of playing. What
 * is left out or changed is reported; nothing goes silently.
 */
public final class MusicXmlReader {
    private final String fallbackTitle;

    /** @param fallbackTitle the title of a score that has none */
    public MusicXmlReader(String fallbackTitle) {
        this.fallbackTitle = fallbackTitle;
    }

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
        List<String> report = new ArrayList<>();
        return new PartReader(title(score), melodyPart(score, report), report).read();
    }

    /** The one with notes; of several the first that carries chord symbols, else the first. */
    private static Element melodyPart(Element score, List<String> report) throws FormatException {
        List<Element> sounding = Elements.children(score, "part").stream()
                .filter(part -> Elements.descendants(part, "unpitched").isEmpty())
                .filter(part -> !Elements.descendants(part, "pitch").isEmpty())
                .toList();
        if (sounding.isEmpty()) {
            throw new FormatException("", "the score has no notes; it needs a melody");
        }
        Element chosen = sounding.stream()
                .filter(part -> !Elements.descendants(part, "harmony").isEmpty())
                .findFirst()
                .orElse(sounding.get(0));
        if (sounding.size() > 1) {
            String others = sounding.stream()
                    .filter(part -> part != chosen)
                    .map(part -> part.getAttribute("id"))
                    .collect(Collectors.joining(", "));
            report.add("the score has " + sounding.size() + " parts with notes; " + chosen.getAttribute("id")
                    + " is taken for the melody, " + others + " left out");
        }
        return chosen;
    }

    private String title(Element score) {
        return Elements.text(score, "movement-title")
                .or(() -> Elements.child(score, "work").flatMap(work -> Elements.text(work, "work-title")))
                .orElse(fallbackTitle);
    }
}
