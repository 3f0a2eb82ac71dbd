package phalanx.arrange;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import phalanx.arrange.demand.Role;
import phalanx.arrange.score.ArrangedNote;

/**
 * A moment of an arrangement that is given with its strings and frets.
 *
 * @param tick from
 * @param endTick up to the next moment
 * @param begin the notes plucked here
 * @param ring those plucked earlier that should still sound, on other strings
 */
record Moment(int tick, int endTick, List<ArrangedNote> begin, List<ArrangedNote> ring) {
    Moment {
        begin = List.copyOf(begin);
        ring = List.copyOf(ring);
    }

    /** The note of a role that begins here or should still sound. */
    Optional<ArrangedNote> sounding(Role role) {
        return Stream.concat(begin.stream(), ring.stream())
                .filter(note -> note.role() == role)
                .findFirst();
    }
}
