package phalanx.formats;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import phalanx.arrange.Written;
import phalanx.song.Song;

/**
 * A song read from a file, and what had to be changed or left out on the way.
 *
 * @param song what was kept
 * @param report one line for each thing changed or left out, with its bar; empty when nothing was
 * @param written where every note is played, if the file is a finished arrangement
 */
public record Reading(Song song, List<String> report, Optional<Written> written) {
    public Reading {
        Objects.requireNonNull(song, "song");
        Objects.requireNonNull(written, "written");
        report = List.copyOf(report);
    }

    /** A song without an arrangement. */
    public Reading(Song song, List<String> report) {
        this(song, report, Optional.empty());
    }
}
