package phalanx.arrange;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import phalanx.guitar.Guitar;
import phalanx.guitar.Instrument;
import phalanx.guitar.Tuning;
import phalanx.technique.Hit;

/**
 * An arrangement as it stands on paper: where every note is played, but not by which finger and how long.
 *
 * @param tuning the strings it is written for
 * @param capo the fret of the capo, 0 for none
 * @param notes in order of tick, at one tick from the lowest string; a string has one note at a tick
 * @param hits in order of tick, one at a tick
 */
public record Written(Tuning tuning, int capo, List<WrittenNote> notes, List<Hit> hits) {
    public Written {
        Objects.requireNonNull(tuning, "tuning");
        List<WrittenNote> ordered = new ArrayList<>(notes);
        ordered.sort(Comparator.comparingInt(WrittenNote::tick).thenComparingInt(note -> -note.string()));
        for (int i = 0; i < ordered.size(); i++) {
            WrittenNote note = ordered.get(i);
            if (note.string() > tuning.strings()) {
                throw new IllegalArgumentException(wording("Written.string-of", note.string(), tuning.strings()));
            }
            if (i > 0
                    && ordered.get(i - 1).tick() == note.tick()
                    && ordered.get(i - 1).string() == note.string()) {
                throw new IllegalArgumentException(
                        wording("Written.string-has-two-notes-at", note.string(), note.tick()));
            }
        }
        notes = List.copyOf(ordered);
        List<Hit> inOrder = new ArrayList<>(hits);
        inOrder.sort(Comparator.comparingInt(Hit::tick));
        for (int i = 1; i < inOrder.size(); i++) {
            if (inOrder.get(i - 1).tick() == inOrder.get(i).tick()) {
                throw new IllegalArgumentException(
                        wording("Written.two-hits-at-tick", inOrder.get(i).tick()));
            }
        }
        hits = List.copyOf(inOrder);
    }

    /** One without hits. */
    public Written(Tuning tuning, int capo, List<WrittenNote> notes) {
        this(tuning, capo, notes, List.of());
    }

    /** A guitar set up for it. */
    public Instrument on(Guitar guitar) {
        return new Instrument(guitar, tuning, capo);
    }
}
