package phalanx.lefthand.drill;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.FingeringFinder;
import phalanx.lefthand.shape.HeldShape;
import phalanx.lefthand.shape.PricedShape;
import phalanx.lefthand.shape.ReachCheck;
import phalanx.lefthand.shape.Shape;
import phalanx.lefthand.shape.ShapeBook;
import phalanx.lefthand.shape.ShapeOrder;
import phalanx.song.ChordFrets;
import phalanx.theory.ChordSymbol;

/**
 * A chain as it is typed: words parted by blanks, commas or bar lines. A word is a chord ({@code Am7}), frets from the
 * lowest string ({@code x32010}, {@code x-10-12-12-12-x}), or frets with a finger for each string ({@code
 * x32010:032010}, 0 where none presses).
 */
public final class ChainText {
    /** So many fingerings of each printed shape of a chord take part. */
    private static final int WAYS_OF_A_CHORD = 3;

    private final FingeringFinder finder;
    private final ShapeBook book;

    /**
     * What was read.
     *
     * @param wanted the shapes, in order
     * @param troubles one sentence for each word that was left out, with its place
     */
    public record Reading(List<Wanted> wanted, List<String> troubles) {
        public Reading {
            wanted = List.copyOf(wanted);
            troubles = List.copyOf(troubles);
        }
    }

    public ChainText(Instrument instrument, Hand hand) {
        this.finder = FingeringFinder.forShapes(instrument, hand);
        this.book = new ShapeBook(finder);
    }

    /** Reads a chain; a word that is no shape, or one that nobody holds, is left out with a sentence. */
    public Reading read(String text) {
        List<String> words = Arrays.stream(text.split("[\\s,|]+"))
                .filter(word -> !word.isEmpty())
                .toList();
        List<Wanted> wanted = new ArrayList<>();
        List<String> troubles = new ArrayList<>();
        for (int i = 0; i < words.size(); i++) {
            try {
                wanted.add(word(words.get(i)));
            } catch (IllegalArgumentException e) {
                troubles.add(wording("ChainText.shape", i + 1, words.get(i), e.getMessage()));
            }
        }
        return new Reading(wanted, troubles);
    }

    /** A held shape as a word that reads back as the same. */
    public static String word(HeldShape held) {
        String parting = held.shape().frets().stream().anyMatch(fret -> fret > 9) ? "-" : "";
        String frets = held.shape().frets().stream()
                .map(fret -> fret < 0 ? "x" : fret.toString())
                .collect(Collectors.joining(parting));
        return frets + ":" + String.join("", held.fingers());
    }

    private Wanted word(String word) {
        String[] parts = word.split(":", -1);
        if (parts.length > 2) {
            throw new IllegalArgumentException(wording("ChainText.one-colon-parts-frets-from"));
        }
        var frets = ChordFrets.parse(parts[0]);
        if (frets.isEmpty()) {
            if (parts.length == 2) {
                throw new IllegalArgumentException(wording("ChainText.fingers-are-for-frets-such"));
            }
            return chord(word, ChordSymbol.parse(word));
        }
        Shape shape = new Shape(frets.get().frets());
        List<PricedShape> ways = finder.find(shape);
        if (parts.length == 2) {
            ways = fingered(shape, ways, List.of(parts[1].split("")));
        }
        if (ways.isEmpty()) {
            throw new IllegalArgumentException(reasons(new ReachCheck(finder.instrument(), finder.hand())
                    .check(shape)
                    .reasons()));
        }
        return new Wanted(word, ways, ways.stream().map(way -> 0).toList());
    }

    private List<PricedShape> fingered(Shape shape, List<PricedShape> ways, List<String> fingers) {
        List<String> wanted = fingers.stream()
                .map(finger ->
                        finger.equals("-") || finger.equalsIgnoreCase("x") ? "0" : finger.toUpperCase(Locale.ROOT))
                .toList();
        List<PricedShape> own =
                ways.stream().filter(way -> way.fingers().equals(wanted)).toList();
        if (own.isEmpty()) {
            List<String> reasons = new ReachCheck(finder.instrument(), finder.hand())
                    .check(shape, wanted)
                    .reasons();
            throw new IllegalArgumentException(
                    reasons.isEmpty() ? wording("ChainText.these-fingers-do-not-lie") : reasons(reasons));
        }
        return own;
    }

    private static String reasons(List<String> reasons) {
        return String.join("; ", reasons);
    }

    private Wanted chord(String word, ChordSymbol chord) {
        List<PricedShape> ways = new ArrayList<>();
        List<Integer> besides = new ArrayList<>();
        for (ShapeOrder.Placed placed : book.of(chord)) {
            finder.find(placed.shape().shape()).stream().limit(WAYS_OF_A_CHORD).forEach(way -> {
                ways.add(way);
                besides.add(placed.besides());
            });
        }
        if (ways.isEmpty()) {
            throw new IllegalArgumentException(wording("ChainText.no-shape-of-four-strings"));
        }
        return new Wanted(word, ways, besides);
    }
}
