package phalanx.arrange.audit;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.words.Words;

/** Looks for changes and digits that do not fit at the song's tempo. */
final class SpeedAudit {
    /** From this share of the needed time on it is rather a matter of practice. An assumption of ours. */
    private static final double NEARLY = 0.8;

    private final Arrangement arrangement;

    SpeedAudit(Arrangement arrangement) {
        this.arrangement = arrangement;
    }

    /** One for each hand and moment: what needs the greatest share of its time stands for all that is late there. */
    List<Finding> findings(List<SpeedLimit> limits) {
        Map<Integer, List<SpeedLimit>> left = new TreeMap<>();
        Map<Integer, List<SpeedLimit>> right = new TreeMap<>();
        limits.stream()
                .filter(limit -> limit.tempo() < arrangement.song().tempo())
                .forEach(limit -> (limit.isOfRightHand() ? right : left)
                        .computeIfAbsent(limit.tick(), tick -> new ArrayList<>())
                        .add(limit));
        return Stream.concat(left.values().stream(), right.values().stream())
                .map(this::finding)
                .toList();
    }

    private Finding finding(List<SpeedLimit> late) {
        SpeedLimit limit =
                late.stream().min(Comparator.comparingDouble(SpeedLimit::tempo)).orElseThrow();
        double has = limit.hasMs(arrangement.song().tempo());
        String more = late.size() == 1
                ? ""
                : wording(
                        "SpeedAudit.late-with-it",
                        late.size() - 1,
                        late.size() == 2 ? wording("SpeedAudit.other-move-is") : wording("SpeedAudit.other-moves-are"));
        String message = String.format(
                Words.figures(),
                wording("SpeedAudit.in-ms-needs-about-it"),
                limit.what(),
                has,
                limit.needsMs(),
                more,
                Math.floor(limit.tempo()));
        Finding.Severity severity = has < NEARLY * limit.needsMs() ? Finding.Severity.HIGH : Finding.Severity.MEDIUM;
        return Finding.at(
                arrangement.song(), limit.tick(), limit.kind(), severity, has, limit.needsMs(), "ms", message);
    }
}
