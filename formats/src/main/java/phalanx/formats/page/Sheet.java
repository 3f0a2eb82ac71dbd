package phalanx.formats.page;

import static phalanx.words.Words.wording;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import phalanx.arrange.score.Arrangement;
import phalanx.words.Words;

/** What can be printed of an arrangement. */
public enum Sheet {
    SCORE("score", wording("Sheet.the-whole-arrangement-tablature-with")),
    SHAPES("shapes", wording("Sheet.every-shape-of-the-song")),
    PRACTICE("practice", wording("Sheet.the-ladder-and-the-drills")),
    WORDS("words", wording("Sheet.words-and-chords-with-the"));

    private final String word;
    private final String words;

    Sheet(String word, String words) {
        this.word = word;
        this.words = words;
    }

    /** What files and commands call it, in every language. */
    public String word() {
        return word;
    }

    /** What it is called on screen. */
    public String label() {
        return Words.name(this);
    }

    /** What is on it. */
    public String words() {
        return words;
    }

    /** The sheet of a name. */
    public static Optional<Sheet> parse(String name) {
        return Stream.of(values())
                .filter(sheet -> sheet.word.equals(name.strip().toLowerCase(Locale.ROOT)))
                .findFirst();
    }

    /** Lays it out; at least one page. */
    public List<Page> pages(Arrangement arrangement, PageSetup setup) {
        return switch (this) {
            case SCORE -> new ScoreSheet(arrangement, setup).pages();
            case SHAPES -> new ShapeSheet(arrangement, setup).pages();
            case PRACTICE -> new PracticeSheet(arrangement, setup).pages();
            case WORDS -> new WordSheet(arrangement, setup).pages();
        };
    }
}
