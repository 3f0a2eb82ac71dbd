package phalanx.formats.musicxml;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.w3c.dom.Element;
import phalanx.theory.ChordKind;
import phalanx.theory.ChordSymbol;
import phalanx.theory.ChordTable;
import phalanx.theory.Note;
import phalanx.theory.Step;

/** Reads a chord symbol from its root, kind, degrees and bass. */
final class HarmonyReader {
    /**
     * The chord, or nothing for N.C.
     *
     * @throws IllegalArgumentException naming what is not understood
     */
    Optional<ChordSymbol> read(Element harmony) {
        Element kind = Elements.child(harmony, "kind")
                .orElseThrow(() -> new IllegalArgumentException("a chord symbol has no kind"));
        String value = kind.getTextContent().trim();
        if (value.equals("none")) {
            return Optional.empty();
        }
        Element root = Elements.child(harmony, "root")
                .orElseThrow(() -> new IllegalArgumentException(
                        "a chord symbol has no root; functions and numerals are not read, write the chord's letter"));
        String rootName = note(root, "root").toString();
        String bass = Elements.child(harmony, "bass")
                .map(element -> "/" + note(element, "bass"))
                .orElse("");
        ChordSymbol plain = ChordSymbol.parse(rootName + suffix(rootName, kind, value) + degrees(harmony) + bass);
        return Optional.of(asWritten(rootName + kind.getAttribute("text") + bass, plain));
    }

    /** The writer's own spelling of the kind where it means the same. */
    private static ChordSymbol asWritten(String text, ChordSymbol plain) {
        try {
            ChordSymbol written = ChordSymbol.parse(text);
            return written.pitchClasses() == plain.pitchClasses() ? written : plain;
        } catch (IllegalArgumentException e) {
            return plain;
        }
    }

    private static String suffix(String rootName, Element kind, String value) {
        Optional<ChordKind> known = ChordTable.standard().byExchangeName(value);
        if (known.isPresent()) {
            return known.get().name();
        }
        if (value.equals("other") && !kind.getAttribute("text").isEmpty()) {
            return kind.getAttribute("text");
        }
        throw new IllegalArgumentException("chord kind \"" + value + "\" over " + rootName + " is not known");
    }

    private static String degrees(Element harmony) {
        List<String> modifiers = new ArrayList<>();
        for (Element degree : Elements.children(harmony, "degree")) {
            String value = Elements.text(degree, "degree-value").orElse("");
            int alter = (int) Math.round(
                    Double.parseDouble(Elements.text(degree, "degree-alter").orElse("0")));
            String type = Elements.text(degree, "degree-type").orElse("");
            // an added seventh counts from the minor seventh
            int fromMajor = type.equals("add") && value.equals("7") ? alter - 1 : alter;
            String signs = fromMajor >= 0 ? "#".repeat(fromMajor) : "b".repeat(-fromMajor);
            modifiers.add(
                    switch (type) {
                        case "add" -> "add" + signs + value;
                        case "alter" -> signs + value;
                        case "subtract" -> "no" + value;
                        default -> throw new IllegalArgumentException("degree type \"" + type + "\" is not known");
                    });
        }
        return modifiers.isEmpty() ? "" : "(" + String.join(",", modifiers) + ")";
    }

    private static Note note(Element parent, String name) {
        Step step = Elements.text(parent, name + "-step")
                .filter(text -> text.matches("[A-G]"))
                .map(Step::valueOf)
                .orElseThrow(() -> new IllegalArgumentException("a chord's " + name + " is not a letter A to G"));
        double alter = Double.parseDouble(Elements.text(parent, name + "-alter").orElse("0"));
        return new Note(step, (int) Math.round(alter));
    }
}
