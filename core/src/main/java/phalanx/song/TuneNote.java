package phalanx.song;

import java.util.Objects;

/**
 * What a note of the tune is to the chord under it.
 *
 * @param note the note
 * @param kind chord tone or how it stands outside the chord
 */
public record TuneNote(MelodyNote note, Kind kind) {
    /** The kinds that theory books name. Common practice, no source. */
    public enum Kind {
        CHORD_TONE("chord tone"),
        PASSING("passing"),
        NEIGHBOUR("neighbour"),
        SUSPENSION("suspension"),
        APPOGGIATURA("appoggiatura"),
        ESCAPE("escape"),
        FREE("outside the chord"),
        NO_CHORD("no chord");

        private final String label;

        Kind(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    public TuneNote {
        Objects.requireNonNull(note, "note");
        Objects.requireNonNull(kind, "kind");
    }
}
