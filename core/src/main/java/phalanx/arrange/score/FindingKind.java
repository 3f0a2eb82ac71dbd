package phalanx.arrange.score;

import java.util.Arrays;

/** What the audit looks for. */
public enum FindingKind {
    REACH("reach"),
    FINGER_CONFLICT("finger conflict"),
    STRING_CLASH("string clash"),
    CUT_OFF("cut-off"),
    OUT_OF_RANGE("melody out of range"),
    MELODY_BURIED("melody buried"),
    OWN_BASS_NOT_KEPT("own bass not kept"),
    SHIFT_TOO_FAST("shift too fast"),
    PLACED_TOO_FAST("finger placed too fast"),
    MOVED_TOO_FAST("finger moved too fast"),
    REFINGERING_TOO_FAST("re-fingering too fast"),
    BARRE_TOO_FAST("barre too fast"),
    THUMB_OUT_OF_RANGE("thumb out of its range"),
    DIGIT_TOO_FAST("digit repeated too fast"),
    DIGITS_CROSSED("digits crossed"),
    HIT_TOO_FAST("hit too fast"),
    SLUR_TOO_FAST("slur too fast"),
    SLUR_CONFLICT("slur conflict"),
    HARMONIC_CONFLICT("harmonic conflict"),
    HIT_CONFLICT("hit conflict"),
    DAMPED_NOTE("damped note"),
    HIT_NOT_LAID("hit not laid"),
    TONE_MISSING("tone missing"),
    LOCK_NOT_KEPT("lock not kept"),
    STRAIN("strain");

    private final String label;

    FindingKind(String label) {
        this.label = label;
    }

    /** Whose matter a finding is. */
    public enum Side {
        LEFT,
        RIGHT,
        EAR
    }

    /** Which hand it concerns, or the ear. */
    public Side side() {
        return switch (this) {
            case DIGIT_TOO_FAST, DIGITS_CROSSED, HIT_TOO_FAST, HIT_CONFLICT, HIT_NOT_LAID, HARMONIC_CONFLICT ->
                Side.RIGHT;
            case CUT_OFF, OUT_OF_RANGE, MELODY_BURIED, TONE_MISSING, DAMPED_NOTE, STRING_CLASH, OWN_BASS_NOT_KEPT ->
                Side.EAR;
            case REACH,
                    FINGER_CONFLICT,
                    SHIFT_TOO_FAST,
                    PLACED_TOO_FAST,
                    MOVED_TOO_FAST,
                    REFINGERING_TOO_FAST,
                    BARRE_TOO_FAST,
                    THUMB_OUT_OF_RANGE,
                    SLUR_TOO_FAST,
                    SLUR_CONFLICT,
                    LOCK_NOT_KEPT,
                    STRAIN -> Side.LEFT;
        };
    }

    /** Whether it says that something has too little time. */
    public boolean isOfSpeed() {
        return switch (this) {
            case SHIFT_TOO_FAST,
                    PLACED_TOO_FAST,
                    MOVED_TOO_FAST,
                    REFINGERING_TOO_FAST,
                    BARRE_TOO_FAST,
                    DIGIT_TOO_FAST,
                    SLUR_TOO_FAST,
                    HIT_TOO_FAST -> true;
            default -> false;
        };
    }

    /**
     * By its label.
     *
     * @throws IllegalArgumentException if there is none such
     */
    public static FindingKind parse(String label) {
        return Arrays.stream(values())
                .filter(kind -> kind.label.equals(label))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("no kind of finding is called \"" + label + "\""));
    }

    public String label() {
        return label;
    }
}
