package phalanx.formats.musicxml;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.w3c.dom.Element;
import phalanx.formats.FormatException;
import phalanx.formats.Reading;

/**
 * Reads a MusicXML lead sheet: one part, one voice, chord symbols. What it cannot keep yet (repeats, several voices or
 * parts, transposing instruments) is an error, smaller things are reported; nothing goes silently.
 */
public final class MusicXmlReader {
    private static final Set<String> JUMPS = Set.of("dacapo", "dalsegno", "segno", "coda", "tocoda", "fine");

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
        Element part = onlyPart(score);
        refuseForm(part);
        return new PartReader(title(score), part).read();
    }

    private static Element onlyPart(Element score) throws FormatException {
        List<Element> parts = Elements.children(score, "part");
        if (parts.stream()
                .anyMatch(part -> !Elements.descendants(part, "unpitched").isEmpty())) {
            throw new FormatException("", "a percussion part has no melody; give a file with the melody part alone");
        }
        List<Element> sounding = parts.stream()
                .filter(part -> !Elements.descendants(part, "pitch").isEmpty())
                .toList();
        if (sounding.isEmpty()) {
            throw new FormatException("", "the score has no notes; it needs a melody");
        }
        if (sounding.size() > 1) {
            String names =
                    sounding.stream().map(part -> part.getAttribute("id")).collect(Collectors.joining(", "));
            throw new FormatException(
                    "",
                    "the score has " + sounding.size() + " parts with notes (" + names
                            + "); give a file with the melody part alone");
        }
        return sounding.get(0);
    }

    private static void refuseForm(Element part) throws FormatException {
        for (Element measure : Elements.children(part, "measure")) {
            String place = "bar " + measure.getAttribute("number");
            boolean repeats = !Elements.descendants(measure, "repeat").isEmpty()
                    || !Elements.descendants(measure, "ending").isEmpty();
            boolean jumps = !Elements.descendants(measure, "segno").isEmpty()
                    || !Elements.descendants(measure, "coda").isEmpty()
                    || Elements.descendants(measure, "sound").stream()
                            .anyMatch(sound -> JUMPS.stream().anyMatch(sound::hasAttribute));
            if (repeats || jumps) {
                throw new FormatException(
                        place,
                        (repeats ? "repeats and endings" : "jumps (D.C., D.S., coda, fine)")
                                + " are not read yet; write the song out in full and open it again");
            }
        }
    }

    private String title(Element score) {
        return Elements.text(score, "movement-title")
                .or(() -> Elements.child(score, "work").flatMap(work -> Elements.text(work, "work-title")))
                .orElse(fallbackTitle);
    }
}
