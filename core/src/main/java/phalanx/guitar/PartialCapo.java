package phalanx.guitar;

/**
 * A capo that covers only some neighbouring strings, beside a full capo or none.
 *
 * @param fret where it sits, counted from the nut like the full capo, 1 to 12
 * @param bassString the covered string of highest number
 * @param trebleString the covered string of lowest number
 */
public record PartialCapo(int fret, int bassString, int trebleString) {
    public PartialCapo {
        if (fret < 1 || fret > Instrument.HIGHEST_CAPO) {
            throw new IllegalArgumentException(
                    "partial capo " + fret + " is outside fret 1 to " + Instrument.HIGHEST_CAPO);
        }
        if (trebleString < 1 || bassString < trebleString || bassString > Tuning.MOST_STRINGS) {
            throw new IllegalArgumentException(
                    "a partial capo cannot cover strings " + bassString + " to " + trebleString);
        }
    }

    public boolean covers(int string) {
        return string <= bassString && string >= trebleString;
    }

    /** In words, such as {@code fret 2 on strings 5 to 3}. */
    public String label() {
        return bassString == trebleString
                ? "fret " + fret + " on string " + bassString
                : "fret " + fret + " on strings " + bassString + " to " + trebleString;
    }
}
