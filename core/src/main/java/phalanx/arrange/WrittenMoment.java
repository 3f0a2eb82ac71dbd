package phalanx.arrange;

import java.util.List;

/**
 * A moment of a written arrangement.
 *
 * @param tick from
 * @param endTick up to the next moment
 * @param begin the notes plucked here
 * @param ring those plucked earlier that should still sound, on other strings
 */
record WrittenMoment(int tick, int endTick, List<ArrangedNote> begin, List<ArrangedNote> ring) {
    WrittenMoment {
        begin = List.copyOf(begin);
        ring = List.copyOf(ring);
    }
}
