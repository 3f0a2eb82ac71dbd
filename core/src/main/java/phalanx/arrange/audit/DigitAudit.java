package phalanx.arrange.audit;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.TreeMap;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.FindingKind;
import phalanx.righthand.Digit;

/** Looks at the digits of each moment: one digit has one string, and higher digits have higher strings. */
final class DigitAudit {
    private final Arrangement arrangement;

    DigitAudit(Arrangement arrangement) {
        this.arrangement = arrangement;
    }

    /** At most one finding a moment; what one stroke sounds over several strings is left out. */
    List<Finding> findings() {
        TreeMap<Integer, List<ArrangedNote>> moments = new TreeMap<>();
        for (ArrangedNote note : arrangement.notes()) {
            if (note.attack().plucked() && !note.attack().sweeps()) {
                moments.computeIfAbsent(note.tick(), tick -> new ArrayList<>()).add(note);
            }
        }
        List<Finding> findings = new ArrayList<>();
        moments.forEach((tick, notes) -> {
            List<ArrangedNote> upwards = new ArrayList<>(notes);
            upwards.sort(Comparator.comparingInt(note -> -note.string()));
            for (int i = 1; i < upwards.size(); i++) {
                if (upwards.get(i).right().compareTo(upwards.get(i - 1).right()) <= 0) {
                    findings.add(finding(upwards.get(i - 1), upwards.get(i)));
                    return;
                }
            }
        });
        return findings;
    }

    private Finding finding(ArrangedNote low, ArrangedNote high) {
        Digit lower = low.right();
        Digit upper = high.right();
        String what = lower == upper
                ? wording("DigitAudit.digit-is-asked-for-strings", lower.symbol(), low.string(), high.string())
                : wording(
                        "DigitAudit.digits-and-cross-on-strings",
                        upper.symbol(),
                        lower.symbol(),
                        high.string(),
                        low.string());
        return Finding.at(
                arrangement.song(),
                low.tick(),
                FindingKind.DIGITS_CROSSED,
                Finding.Severity.HIGH,
                upper.ordinal(),
                lower.ordinal(),
                "digit",
                what);
    }
}
