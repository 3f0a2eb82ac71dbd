package phalanx.guitar;

import static phalanx.words.Words.wording;

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
                    wording("PartialCapo.partial-capo-is-outside-fret", fret, Instrument.HIGHEST_CAPO));
        }
        if (trebleString < 1 || bassString < trebleString || bassString > Tuning.MOST_STRINGS) {
            throw new IllegalArgumentException(
                    wording("PartialCapo.a-partial-capo-cannot-cover", bassString, trebleString));
        }
    }

    public boolean covers(int string) {
        return string <= bassString && string >= trebleString;
    }

    /** In words, such as {@code fret 2 on strings 5 to 3}. */
    public String label() {
        return bassString == trebleString
                ? wording("PartialCapo.fret-on-string", fret, bassString)
                : wording("PartialCapo.fret-on-strings-to", fret, bassString, trebleString);
    }
}
