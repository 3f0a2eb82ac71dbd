package phalanx.formats.reading;

import static phalanx.words.Words.wording;

import java.util.List;
import java.util.Objects;
import java.util.OptionalInt;

/**
 * Which parts, voices, tracks or tunes of a file are read, each from 0 as {@link Reading#choices()} lists them.
 *
 * @param tune the likeliest where none is chosen
 * @param harmony one whose notes under the tune's are kept with it; none where none is chosen
 * @param bass one that is the song's own bass; none where none is chosen
 */
public record Choice(OptionalInt tune, OptionalInt harmony, OptionalInt bass) {
    /** What looks most like a tune, alone. */
    public static final Choice LIKELIEST = ofTune(OptionalInt.empty());

    /** Names of parts and tracks, in small letters, that say that they hold the tune. */
    public static final String NAMED_FOR_THE_TUNE = ".*(melody|voice|vocal|tune|lead|soprano|sing).*";

    public Choice {
        Objects.requireNonNull(tune, "tune");
        Objects.requireNonNull(harmony, "harmony");
        Objects.requireNonNull(bass, "bass");
    }

    /** One part alone. */
    public static Choice ofTune(OptionalInt tune) {
        return new Choice(tune, OptionalInt.empty(), OptionalInt.empty());
    }

    /** The same with another tune. */
    public Choice withTune(int newTune) {
        return new Choice(OptionalInt.of(newTune), harmony, bass);
    }

    /** The same with a part for harmony, or none. */
    public Choice withHarmony(OptionalInt newHarmony) {
        return new Choice(tune, newHarmony, bass);
    }

    /** The same with a part for the bass, or none. */
    public Choice withBass(OptionalInt newBass) {
        return new Choice(tune, harmony, newBass);
    }

    /**
     * The same among the parts that sound together with the tune.
     *
     * @param all as {@link Reading#choices()} lists them; null what belongs to another tune of the file
     * @throws FormatException if one is asked for that does not belong to this tune
     */
    public <T> Choice within(List<T> all, List<T> together) throws FormatException {
        return new Choice(tune, within(harmony, all, together), within(bass, all, together));
    }

    private static <T> OptionalInt within(OptionalInt one, List<T> all, List<T> together) throws FormatException {
        if (one.isEmpty()) {
            return one;
        }
        int index = together.indexOf(of(all, one, null));
        if (index < 0) {
            throw new FormatException("", wording("Choice.part-belongs-to-another-tune", one.getAsInt() + 1));
        }
        return OptionalInt.of(index);
    }

    /**
     * The one that is asked for.
     *
     * @throws FormatException if the file has not so many
     */
    public static <T> T of(List<T> all, OptionalInt choice, T otherwise) throws FormatException {
        if (choice.isPresent() && (choice.getAsInt() < 0 || choice.getAsInt() >= all.size())) {
            throw new FormatException("", wording("Choice.there-is-no-part-the", choice.getAsInt() + 1, all.size()));
        }
        return choice.isPresent() ? all.get(choice.getAsInt()) : otherwise;
    }
}
