package phalanx.practice;

import static phalanx.words.Words.wording;

import java.util.List;
import java.util.NavigableSet;
import java.util.Objects;
import java.util.TreeSet;
import java.util.stream.Collectors;
import phalanx.arrange.score.ArrangedNote;
import phalanx.righthand.Counting;
import phalanx.righthand.Digit;
import phalanx.song.Bar;
import phalanx.technique.Hit;
import phalanx.words.Said;
import phalanx.words.Words;

/**
 * One rung of a ladder: what to play in a loop until it is clean.
 *
 * @param called in a few words
 * @param bars that are played, in order
 * @param notes that are played, in order of tick
 * @param hits that are laid over them
 * @param tempo quarter notes a minute
 * @param tuneOut whether the tune is to be louder than the rest
 * @param adds the one thing that is new
 * @param clean when it is good enough to go on
 * @param why it comes now
 */
public record Step(
        Said called,
        List<Bar> bars,
        List<ArrangedNote> notes,
        List<Hit> hits,
        int tempo,
        boolean tuneOut,
        String adds,
        String clean,
        String why) {
    /** Who plays in it. */
    public enum Hands {
        THUMB("thumb"),
        FINGERS("fingers"),
        BOTH("both"),
        LEFT("left hand");

        private final String word;

        Hands(String word) {
            this.word = word;
        }

        /** What files and commands call it, in every language. */
        public String word() {
            return word;
        }

        /** What it is called on screen. */
        public String label() {
            return Words.name(this);
        }
    }

    /** What it is called on screen. */
    public String name() {
        return called.toString();
    }

    /** What records call it, in every language. */
    public String id() {
        return called.english();
    }

    public Step {
        Objects.requireNonNull(called, "called");
        bars = List.copyOf(bars);
        notes = List.copyOf(notes);
        hits = List.copyOf(hits);
        Objects.requireNonNull(adds, "adds");
        Objects.requireNonNull(clean, "clean");
        Objects.requireNonNull(why, "why");
        if (bars.isEmpty() || tempo <= 0) {
            throw new IllegalArgumentException(wording("Step.bars-at-bpm", bars.size(), tempo));
        }
    }

    public Hands hands() {
        if (notes.isEmpty()) {
            return Hands.LEFT;
        }
        long thumb = notes.stream().filter(note -> note.right() == Digit.P).count();
        return thumb == notes.size() ? Hands.THUMB : thumb == 0 ? Hands.FINGERS : Hands.BOTH;
    }

    /** What is counted: every beat, and between them what is struck; bars apart. */
    public String count() {
        return bars.stream()
                .map(bar -> counts(bar).stream().map(Counting.Count::word).collect(Collectors.joining(" ")))
                .collect(Collectors.joining(" | "));
    }

    /** What is counted in one of its bars. */
    public List<Counting.Count> counts(Bar bar) {
        NavigableSet<Integer> struck = new TreeSet<>();
        notes.forEach(note -> struck.add(note.tick()));
        hits.forEach(hit -> struck.add(hit.tick()));
        return Counting.of(bar, struck).stream()
                .filter(count -> struck.contains(count.tick())
                        || Character.isDigit(count.word().charAt(0)))
                .toList();
    }
}
