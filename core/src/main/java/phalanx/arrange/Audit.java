package phalanx.arrange;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * Measures an arrangement from its notes and holds alone, without trust in how it was made, and says what it does not
 * like.
 */
public final class Audit {
    /** All findings in order of tick. */
    public List<Finding> findings(Arrangement arrangement) {
        List<Finding> findings = new ArrayList<>();
        findings.addAll(new HoldAudit(arrangement).findings());
        findings.addAll(new NoteAudit(arrangement).findings());
        findings.addAll(new LockAudit(arrangement).findings());
        findings.addAll(new StrainAudit(arrangement).findings());
        findings.addAll(new SpeedAudit(arrangement).findings());
        findings.addAll(new DigitAudit(arrangement).findings());
        findings.sort(Comparator.comparingInt(Finding::tick));
        return findings;
    }
}
