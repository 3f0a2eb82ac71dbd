package phalanx.theory;

import static phalanx.words.Words.wording;

import java.util.List;
import java.util.Objects;

/**
 * A row of the chord table: a suffix players write, its other spellings, and its tones.
 *
 * @param name the suffix Phalanx writes, such as {@code m7}; empty for the major triad
 * @param aliases other suffixes that mean the same
 * @param tones root first, in order of their number
 * @param exchangeName the kind's name in MusicXML
 */
public record ChordKind(String name, List<String> aliases, List<ChordTone> tones, String exchangeName) {
    public ChordKind {
        Objects.requireNonNull(name, "name");
        aliases = List.copyOf(aliases);
        tones = List.copyOf(tones);
        if (tones.size() < 2) {
            throw new IllegalArgumentException(wording("ChordKind.chord-kind-needs-at-least", name));
        }
    }
}
