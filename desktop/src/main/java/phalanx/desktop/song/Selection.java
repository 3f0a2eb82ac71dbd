package phalanx.desktop.song;

import static phalanx.words.Words.wording;

import java.util.Optional;
import phalanx.song.Passage;
import phalanx.song.Song;

/** The stretch of the song that is marked, and what was copied from one. */
final class Selection {
    private Optional<Integer> anchor = Optional.empty();
    private int cursor;
    private Optional<Passage> copied = Optional.empty();

    /** The cursor goes on and takes the marking along, from where it stood. */
    void reach(int from, int tick) {
        anchor = anchor.or(() -> Optional.of(from));
        cursor = tick;
    }

    void clear() {
        anchor = Optional.empty();
    }

    void all(Song song) {
        anchor = Optional.of(0);
        cursor = song.endTick();
    }

    boolean isEmpty() {
        return anchor.isEmpty() || anchor.get() == cursor;
    }

    int from() {
        return anchor.map(tick -> Math.min(tick, cursor)).orElse(0);
    }

    int to() {
        return anchor.map(tick -> Math.max(tick, cursor)).orElse(0);
    }

    /** Keeps what is marked for putting in; answers in words what it was. */
    String copy(Song song) {
        Passage passage = Passage.of(song, from(), to());
        copied = Optional.of(passage);
        int notes = passage.tune().size();
        String tune = notes == 1 ? wording("Selection.1-note") : wording("Selection.notes", notes);
        return passage.withChords() ? wording("Selection.and-the-chords", tune) : tune;
    }

    Optional<Passage> copied() {
        return copied;
    }
}
