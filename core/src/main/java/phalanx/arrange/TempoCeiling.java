package phalanx.arrange;

import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import phalanx.song.Song;

/**
 * The fastest tempo at which every change and digit fits.
 *
 * @param tempo quarter notes a minute, at most that of the fastest song
 * @param tick where it is set
 * @param reason what sets it, one plain sentence
 */
public record TempoCeiling(double tempo, int tick, String reason) {
    public TempoCeiling {
        Objects.requireNonNull(reason, "reason");
    }

    static TempoCeiling of(List<SpeedLimit> limits) {
        return limits.stream()
                .min(Comparator.comparingDouble(SpeedLimit::tempo))
                .filter(limit -> limit.tempo() < Song.FASTEST)
                .map(limit -> new TempoCeiling(
                        limit.tempo(),
                        limit.tick(),
                        String.format(Locale.ROOT, "%s and needs about %.0f ms", limit.what(), limit.needsMs())))
                .orElse(new TempoCeiling(Song.FASTEST, 0, "nothing in the song sets a lower one"));
    }
}
