package phalanx.song;

import java.util.Objects;
import phalanx.words.Words;

/**
 * What a note of the tune is to the chord under it.
 *
 * @param note the note
 * @param kind chord tone or how it stands outside the chord
 */
public record TuneNote(MelodyNote note, Kind kind) {
    /** The kinds that theory books name. Common practice, no source. */
    public enum Kind {
        CHORD_TONE,
        PASSING,
        NEIGHBOUR,
        SUSPENSION,
        APPOGGIATURA,
        ESCAPE,
        FREE,
        NO_CHORD;

        /** What it is called on screen. */
        public String label() {
            return Words.name(this);
        }
    }

    public TuneNote {
        Objects.requireNonNull(note, "note");
        Objects.requireNonNull(kind, "kind");
    }
}
