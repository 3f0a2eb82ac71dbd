package phalanx.formats.musicxml;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import phalanx.theory.ChordKind;
import phalanx.theory.ChordSymbol;
import phalanx.theory.ChordTable;
import phalanx.theory.ChordTone;
import phalanx.theory.Interval;
import phalanx.theory.Key;
import phalanx.theory.Note;
import phalanx.theory.Step;

/**
 * Reads a chord symbol from its root, kind, degrees and bass. Numerals and functions are read in the key; what is not
 * known leaves the chord that it stands in.
 */
final class HarmonyReader {
    /** Kinds that the standard names, as the chords that sound so (MusicXML 4.0, kind-value). */
    private static final Map<String, String> BY_SOUND = Map.of(
            "Neapolitan", "", "Italian", "7(no5)", "French", "7b5", "German", "7", "Tristan", "m7b5", "pedal", "5");

    /** Names that other programs write for kinds of the standard. */
    private static final Map<String, String> LIKE = Map.of(
            "minor-major", "major-minor",
            "dominant-seventh", "dominant",
            "min", "minor",
            "maj", "major",
            "augmented-ninth", "augmented-seventh");

    private static final List<String> NUMERALS = List.of("I", "II", "III", "IV", "V", "VI", "VII");
    private static final int MOST_DEGREES = 8;

    private final Key key;
    private final Consumer<String> say;

    /**
     * @param key that numerals are counted in
     * @param say takes what was mended
     */
    HarmonyReader(Key key, Consumer<String> say) {
        this.key = key;
        this.say = say;
    }

    /**
     * The chord, or nothing for N.C.
     *
     * @throws IllegalArgumentException naming what is not understood; the symbol says nothing then
     */
    Optional<ChordSymbol> read(XmlNode harmony) {
        Optional<XmlNode> kind = harmony.child("kind");
        String value = kind.map(XmlNode::text).orElse("major");
        String text = kind.map(node -> node.attribute("text")).orElse("");
        if (value.equals("none")) {
            return Optional.empty();
        }
        String root = root(harmony);
        String bass = harmony.child("bass").map(this::bass).orElse("");
        ChordSymbol triad = ChordSymbol.parse(root);
        String suffix = suffix(root, text, value);
        ChordSymbol plain = parsed(root + suffix + degrees(harmony) + bass)
                .or(() -> parsed(root + suffix + bass))
                .or(() -> parsed(root + suffix))
                .orElse(triad);
        return Optional.of(parsed(root + text + bass)
                // the writer's own spelling of the kind where it means the same
                .filter(written -> tones(written) == tones(plain))
                .or(() -> parsed(root + suffix + degrees(harmony).replaceAll("[(),]|add(?=[b#])", "") + bass)
                        .filter(brief -> intervals(brief).equals(intervals(plain))))
                .orElse(plain));
    }

    /** Pitch classes of the chord's own tones, without its bass. */
    private static int tones(ChordSymbol chord) {
        return chord.notes().stream().mapToInt(note -> 1 << note.pitchClass()).reduce(0, (a, b) -> a | b);
    }

    private static Set<Interval> intervals(ChordSymbol chord) {
        return chord.tones().stream().map(ChordTone::interval).collect(Collectors.toSet());
    }

    private Optional<ChordSymbol> parsed(String text) {
        try {
            return Optional.of(ChordSymbol.parse(text));
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    private String root(XmlNode harmony) {
        Optional<XmlNode> root = harmony.child("root");
        if (root.isPresent()) {
            return note(root.get(), "root").toString();
        }
        Optional<XmlNode> numeral = harmony.child("numeral");
        String number = numeral.flatMap(node -> node.text("numeral-root")).orElse("");
        if (number.matches("[1-7]")) {
            return degree(Integer.parseInt(number), alter(numeral.get(), "numeral-alter"));
        }
        String function = harmony.text("function").orElse("");
        String letters = function.replaceAll("[^IViv].*", "").toUpperCase(java.util.Locale.ROOT);
        if (NUMERALS.contains(letters)) {
            return degree(NUMERALS.indexOf(letters) + 1, 0);
        }
        throw new IllegalArgumentException(wording("HarmonyReader.a-chord-symbol-has-no"));
    }

    private String degree(int number, int alter) {
        Note note = key.scale().get(number - 1);
        return new Note(note.step(), note.alter() + alter).toString();
    }

    private String bass(XmlNode bass) {
        try {
            return "/" + note(bass, "bass");
        } catch (IllegalArgumentException e) {
            say.accept(e.getMessage());
            return "";
        }
    }

    private String suffix(String root, String text, String value) {
        Optional<ChordKind> known = ChordTable.standard().byExchangeName(LIKE.getOrDefault(value, value));
        if (known.isPresent()) {
            return known.get().name();
        }
        if (BY_SOUND.containsKey(value)) {
            return BY_SOUND.get(value);
        }
        Optional<String> written =
                Optional.of(text).filter(some -> parsed(root + some).isPresent());
        boolean triad = written.isEmpty() || !value.equals("other") && text.isEmpty();
        if (triad) {
            say.accept(wording("HarmonyReader.the-chord-kind-over-is", text.isEmpty() ? value : text, root));
        }
        return written.orElse("");
    }

    private String degrees(XmlNode harmony) {
        List<String> modifiers = new ArrayList<>();
        for (XmlNode degree : harmony.children("degree")) {
            String value = degree.text("degree-value").orElse("");
            int alter = alter(degree, "degree-alter");
            String type = degree.text("degree-type").orElse("add");
            // an added seventh counts from the minor seventh
            int fromMajor = type.equals("add") && value.equals("7") ? alter - 1 : alter;
            String signs = fromMajor >= 0 ? "#".repeat(fromMajor) : "b".repeat(-fromMajor);
            if (modifiers.size() < MOST_DEGREES) {
                modifiers.add(
                        switch (type) {
                            case "alter" -> signs + value;
                            case "subtract" -> "no" + value;
                            default -> "add" + signs + value;
                        });
            }
        }
        return modifiers.isEmpty() ? "" : "(" + String.join(",", modifiers) + ")";
    }

    private static Note note(XmlNode parent, String name) {
        Step step = parent.text(name + "-step")
                .filter(text -> text.matches("[A-G]"))
                .map(Step::valueOf)
                .orElseThrow(() -> new IllegalArgumentException(wording("HarmonyReader.a-chord-s-is-not", name)));
        return new Note(step, alter(parent, name + "-alter"));
    }

    private static int alter(XmlNode parent, String name) {
        String text = parent.text(name).orElse("0");
        return text.matches("-?\\d(\\.\\d+)?") ? (int) Math.rint(Double.parseDouble(text)) : 0;
    }
}
