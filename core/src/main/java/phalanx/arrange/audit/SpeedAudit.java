package phalanx.arrange.audit;

import java.util.List;
import java.util.Locale;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.song.Bar;

/** Looks for changes and digits that do not fit at the song's tempo. */
final class SpeedAudit {
    /** From this share of the needed time on it is rather a matter of practice. An assumption of ours. */
    private static final double NEARLY = 0.8;

    private final Arrangement arrangement;

    SpeedAudit(Arrangement arrangement) {
        this.arrangement = arrangement;
    }

    List<Finding> findings(List<SpeedLimit> limits) {
        return limits.stream()
                .filter(limit -> limit.tempo() < arrangement.song().tempo())
                .map(this::finding)
                .toList();
    }

    private Finding finding(SpeedLimit limit) {
        Bar bar = arrangement.song().barAt(limit.tick());
        double beat = bar.beatOf(limit.tick());
        double has = limit.hasMs(arrangement.song().tempo());
        String message = Places.at(bar, beat)
                + String.format(
                        Locale.ROOT,
                        "%s in %.0f ms; needs about %.0f. It fits at %.0f bpm; another place for the note before may help.",
                        limit.what(),
                        has,
                        limit.needsMs(),
                        Math.floor(limit.tempo()));
        Finding.Severity severity = has < NEARLY * limit.needsMs() ? Finding.Severity.HIGH : Finding.Severity.MEDIUM;
        return new Finding(
                limit.tick(), bar.number(), beat, limit.kind(), severity, has, limit.needsMs(), "ms", message);
    }
}
