package phalanx.formats.library;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.stream.Stream;
import phalanx.guitar.Guitar;
import phalanx.guitar.Hand;
import phalanx.guitar.StringSet;
import phalanx.guitar.Tuning;
import phalanx.lefthand.shape.HeldShape;
import phalanx.project.Setup;
import phalanx.righthand.Pattern;
import phalanx.righthand.PatternLibrary;
import phalanx.righthand.PatternText;
import phalanx.song.lick.Lick;
import phalanx.song.lick.Licks;

/**
 * What a player keeps beside the songs: the guitar in the lap, the hand, and things saved under a name.
 *
 * @param setup the guitar, strings and hand that new songs start with
 * @param guitars own guitars
 * @param tunings own tunings
 * @param shapes own shapes
 * @param patterns own patterns of the right hand
 * @param licks own licks
 */
public record Library(
        Setup setup,
        List<OwnGuitar> guitars,
        List<OwnTuning> tunings,
        List<OwnShape> shapes,
        List<OwnPattern> patterns,
        List<OwnLick> licks) {
    /** What a first start has. */
    public static final Library FIRST = new Library(
            new Setup(Guitar.STEEL, StringSet.Named.STEEL_LIGHT.set(), Hand.AVERAGE),
            List.of(),
            List.of(),
            List.of(),
            List.of(),
            List.of());

    /** A guitar under a name. */
    public record OwnGuitar(String name, Guitar guitar, StringSet strings) {
        public OwnGuitar {
            name = checked(name);
            Objects.requireNonNull(guitar, "guitar");
            Objects.requireNonNull(strings, "strings");
        }
    }

    /** A tuning under a name. */
    public record OwnTuning(String name, Tuning tuning) {
        public OwnTuning {
            name = checked(name);
            Objects.requireNonNull(tuning, "tuning");
        }
    }

    /** A shape under the name of its chord, for one tuning. */
    public record OwnShape(String name, Tuning tuning, HeldShape held) {
        public OwnShape {
            name = checked(name);
            Objects.requireNonNull(tuning, "tuning");
            Objects.requireNonNull(held, "held");
        }
    }

    /** A pattern of the right hand, in its text form. */
    public record OwnPattern(String text) {
        public OwnPattern {
            PatternText.parse(text);
        }

        public Pattern pattern() {
            return PatternText.parse(text);
        }
    }

    /** A lick, in its text form. */
    public record OwnLick(String text) {
        public OwnLick {
            Lick.parse(text);
        }

        public Lick lick() {
            return Lick.parse(text);
        }
    }

    public Library {
        Objects.requireNonNull(setup, "setup");
        guitars = List.copyOf(guitars);
        tunings = List.copyOf(tunings);
        shapes = List.copyOf(shapes);
        // a library kept before there were patterns or licks has none
        patterns = patterns == null ? List.of() : List.copyOf(patterns);
        licks = licks == null ? List.of() : List.copyOf(licks);
    }

    private static String checked(String name) {
        if (name == null || name.isBlank()) {
            throw new IllegalArgumentException(wording("Library.what-is-saved-needs-a"));
        }
        return name.trim();
    }

    public Library with(Setup newSetup) {
        return newSetup.equals(setup) ? this : new Library(newSetup, guitars, tunings, shapes, patterns, licks);
    }

    /** The library with a guitar more; one of the same name goes. */
    public Library with(OwnGuitar guitar) {
        List<OwnGuitar> more = new ArrayList<>(guitars);
        more.removeIf(other -> other.name().equals(guitar.name()));
        more.add(guitar);
        return new Library(setup, more, tunings, shapes, patterns, licks);
    }

    /** The library with a tuning more; one of the same name goes. */
    public Library with(OwnTuning tuning) {
        List<OwnTuning> more = new ArrayList<>(tunings);
        more.removeIf(other -> other.name().equals(tuning.name()));
        more.add(tuning);
        return new Library(setup, guitars, more, shapes, patterns, licks);
    }

    /** The library with a shape more; it stays the same when it has that shape. */
    public Library with(OwnShape shape) {
        if (shapes.contains(shape)) {
            return this;
        }
        List<OwnShape> more = new ArrayList<>(shapes);
        more.add(shape);
        return new Library(setup, guitars, tunings, more, patterns, licks);
    }

    public Library without(OwnShape shape) {
        List<OwnShape> fewer = new ArrayList<>(shapes);
        return fewer.remove(shape) ? new Library(setup, guitars, tunings, fewer, patterns, licks) : this;
    }

    /** The library with a pattern more; one of the same name goes. */
    public Library with(Pattern pattern) {
        List<OwnPattern> more = new ArrayList<>(patterns);
        more.removeIf(other -> other.pattern().name().equalsIgnoreCase(pattern.name()));
        more.add(new OwnPattern(PatternText.write(pattern)));
        return new Library(setup, guitars, tunings, shapes, more, licks);
    }

    /** The library with a lick more; one of the same name goes. */
    public Library with(Lick lick) {
        List<OwnLick> more = new ArrayList<>(licks);
        more.removeIf(other -> other.lick().name().equalsIgnoreCase(lick.name()));
        more.add(new OwnLick(lick.text()));
        return new Library(setup, guitars, tunings, shapes, patterns, more);
    }

    /** The player's own licks, then the shipped ones. */
    public List<Lick> allLicks() {
        return Stream.concat(licks.stream().map(OwnLick::lick), Licks.shipped().stream())
                .toList();
    }

    /** The shipped patterns with the player's own before them. */
    public PatternLibrary patternLibrary() {
        return PatternLibrary.standard()
                .withOwn(patterns.stream().map(OwnPattern::pattern).toList());
    }
}
