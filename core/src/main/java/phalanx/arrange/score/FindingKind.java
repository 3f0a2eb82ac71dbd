package phalanx.arrange.score;

import static phalanx.words.Words.wording;

import java.util.Arrays;
import phalanx.words.Words;

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
    GRACE_LEFT("grace note left out"),
    TONE_MISSING("tone missing"),
    LOCK_NOT_KEPT("lock not kept"),
    STRAIN("strain");

    private final String word;

    FindingKind(String word) {
        this.word = word;
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
            case CUT_OFF,
                    OUT_OF_RANGE,
                    MELODY_BURIED,
                    TONE_MISSING,
                    DAMPED_NOTE,
                    STRING_CLASH,
                    OWN_BASS_NOT_KEPT,
                    GRACE_LEFT -> Side.EAR;
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
     * By its word.
     *
     * @throws IllegalArgumentException if there is none such
     */
    public static FindingKind parse(String word) {
        return Arrays.stream(values())
                .filter(kind -> kind.word.equals(word))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException(wording("FindingKind.no-kind-of-finding-is", word)));
    }

    /** What files and commands call it, in every language. */
    public String word() {
        return word;
    }

    /** What it is called on screen. */
    public String label() {
        return Words.name(this);
    }
}
