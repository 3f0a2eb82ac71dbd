package phalanx.formats.page;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import phalanx.arrange.score.Arrangement;

/** What can be printed of an arrangement. */
public enum Sheet {
    SCORE("score", "the whole arrangement: tablature with fingers, rhythm, digits, count and words"),
    SHAPES("shapes", "every shape of the song on one neck after the other"),
    PRACTICE("practice", "the ladder and the drills with boxes to tick"),
    WORDS("words", "words and chords with the shapes, for a singer");

    private final String label;
    private final String words;

    Sheet(String label, String words) {
        this.label = label;
        this.words = words;
    }

    public String label() {
        return label;
    }

    /** What is on it. */
    public String words() {
        return words;
    }

    /** The sheet of a name. */
    public static Optional<Sheet> parse(String name) {
        return Stream.of(values())
                .filter(sheet -> sheet.label.equals(name.strip().toLowerCase(Locale.ROOT)))
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
