package phalanx.theory;

import static phalanx.words.Words.wording;

import java.util.Objects;
import java.util.Optional;

/**
 * What a chord does in its key.
 *
 * @param roman its numeral; of a dominant of another chord both, such as {@code V7/ii}
 * @param diatonic whether all its tones belong to the key; in minor the raised seventh does
 * @param borrowedFrom the key on the same tonic that it comes from, if it is borrowed
 * @param secondary whether it is the dominant of another chord of the key
 */
public record ChordFunction(String roman, boolean diatonic, Optional<Key> borrowedFrom, boolean secondary) {
    public ChordFunction {
        Objects.requireNonNull(roman, "roman");
        Objects.requireNonNull(borrowedFrom, "borrowedFrom");
    }

    /** In words why it is there; empty for a chord of the key. */
    public String words() {
        if (diatonic) {
            return "";
        }
        if (secondary) {
            return wording("ChordFunction.dominant-of", roman.substring(roman.indexOf('/') + 1));
        }
        return borrowedFrom
                .map(key -> wording("ChordFunction.from", key.words()))
                .orElse(wording("ChordFunction.chromatic"));
    }
}
