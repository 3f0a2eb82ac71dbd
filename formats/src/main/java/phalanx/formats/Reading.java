package phalanx.formats;

import java.util.List;
import java.util.Objects;
import phalanx.song.Song;

/**
 * A song read from a file, and what had to be changed or left out on the way.
 *
 * @param song what was kept
 * @param report one line for each thing changed or left out, with its bar; empty when nothing was
 */
public record Reading(Song song, List<String> report) {
    public Reading {
        Objects.requireNonNull(song, "song");
        report = List.copyOf(report);
    }
}
