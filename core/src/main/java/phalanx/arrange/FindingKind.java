package phalanx.arrange;

/** What the audit looks for. */
public enum FindingKind {
    REACH("reach"),
    FINGER_CONFLICT("finger conflict"),
    STRING_CLASH("string clash"),
    CUT_OFF("cut-off"),
    OUT_OF_RANGE("melody out of range"),
    MELODY_BURIED("melody buried"),
    CHANGE_TOO_FAST("change too fast"),
    DIGIT_TOO_FAST("digit repeated too fast"),
    DIGITS_CROSSED("digits crossed"),
    TONE_MISSING("tone missing"),
    LOCK_NOT_KEPT("lock not kept"),
    STRAIN("strain");

    private final String label;

    FindingKind(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }
}
