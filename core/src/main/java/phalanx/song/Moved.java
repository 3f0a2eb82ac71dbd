package phalanx.song;

import java.util.List;

/** Where in a song things stand after its bars were edited. */
public sealed interface Moved permits Spliced, Respaced, Exchanged {
    /** A stretch of ticks, the end not included. */
    record Stretch(int from, int to) {}

    /** Where a tick is now; one that was taken out is where what followed it begins. */
    int tick(int old);

    /**
     * What is left of a stretch, in order: longer where bars were put into it, in pieces where bars went elsewhere.
     * Nothing where all of it was taken out.
     *
     * @param to its end, not included
     */
    List<Stretch> stretches(int from, int to);
}
