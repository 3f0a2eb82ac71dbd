package phalanx.formats.reading;

import java.util.List;
import java.util.OptionalInt;

/** Which part, track or tune of a file is read. */
public final class Choice {
    /** Names of parts and tracks, in small letters, that say that they hold the tune. */
    public static final String NAMED_FOR_THE_TUNE = ".*(melody|voice|vocal|tune|lead|soprano|sing).*";

    private Choice() {}

    /**
     * The one that is asked for.
     *
     * @throws FormatException if the file has not so many
     */
    public static <T> T of(List<T> all, OptionalInt choice, T otherwise) throws FormatException {
        if (choice.isPresent() && (choice.getAsInt() < 0 || choice.getAsInt() >= all.size())) {
            throw new FormatException(
                    "",
                    "there is no part " + (choice.getAsInt() + 1) + "; the file has " + all.size() + " to choose from");
        }
        return choice.isPresent() ? all.get(choice.getAsInt()) : otherwise;
    }
}
