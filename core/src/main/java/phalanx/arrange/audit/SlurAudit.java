package phalanx.arrange.audit;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.FindingKind;
import phalanx.guitar.Tuning;
import phalanx.technique.Attack;

/** Looks at slurs: a finger that is not free, a wrong direction, a string that no longer rings. */
final class SlurAudit {
    private final Arrangement arrangement;

    SlurAudit(Arrangement arrangement) {
        this.arrangement = arrangement;
    }

    List<Finding> findings() {
        SlurRules rules = new SlurRules(arrangement);
        List<Finding> findings = new ArrayList<>();
        ArrangedNote[] last = new ArrangedNote[Tuning.MOST_STRINGS + 1];
        for (ArrangedNote note : arrangement.notes()) {
            ArrangedNote before = last[note.string()];
            last[note.string()] = note;
            if (note.attack() instanceof Attack.Slur slur) {
                Optional<String> wrong = before == null
                        ? Optional.of(wording("SlurAudit.nothing-sounds-on-string-before", note.string()))
                        : rules.refusal(before, note, slur.kind());
                wrong.ifPresent(why -> findings.add(Finding.at(
                        arrangement.song(),
                        note.tick(),
                        FindingKind.SLUR_CONFLICT,
                        Finding.Severity.HIGH,
                        1,
                        0,
                        "slurs",
                        wording(
                                "SlurAudit.the-to-fret-on-string",
                                slur.kind().label(),
                                note.fret(),
                                note.string(),
                                why))));
            }
        }
        return findings;
    }
}
