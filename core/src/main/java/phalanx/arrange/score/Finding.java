package phalanx.arrange.score;

import java.util.Objects;

/**
 * One thing the audit measured and did not like.
 *
 * @param tick where
 * @param bar number of the bar
 * @param beat in units of the meter's lower number, from 1
 * @param kind of what kind
 * @param severity how much it matters
 * @param measured what was measured
 * @param limit what it should not pass
 * @param unit of both
 * @param message one plain sentence: where, what, how much, what helps
 */
public record Finding(
        int tick,
        int bar,
        double beat,
        FindingKind kind,
        Severity severity,
        double measured,
        double limit,
        String unit,
        String message) {
    /** How much a finding matters. */
    public enum Severity {
        LOW("low"),
        MEDIUM("medium"),
        HIGH("high");

        private final String label;

        Severity(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    public Finding {
        Objects.requireNonNull(kind, "kind");
        Objects.requireNonNull(severity, "severity");
    }
}
