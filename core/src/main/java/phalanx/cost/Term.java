package phalanx.cost;

import phalanx.words.Words;

/** The named parts of a cost: of the hand and of the ear. */
public enum Term {
    STRETCH(Side.HAND, "stretch"),
    BUNCHING(Side.HAND, "fingers bunched"),
    FINGERS(Side.HAND, "fingers held"),
    LITTLE_FINGER(Side.HAND, "little finger"),
    BARRE(Side.HAND, "barre"),
    THUMB(Side.HAND, "thumb over"),
    CROWDING(Side.HAND, "crowding"),
    CROSSING(Side.HAND, "fingers crossed"),
    UP_THE_NECK(Side.HAND, "up the neck"),
    BODY_JOINT(Side.HAND, "past the body joint"),
    MUTING(Side.HAND, "silent strings"),
    OFF_POSITION(Side.HAND, "off its position"),
    PLACING(Side.HAND, "placing"),
    LIFTING(Side.HAND, "lifting"),
    ROLLING(Side.HAND, "rolling a barre"),
    SLIDING(Side.HAND, "sliding"),
    JUMPING(Side.HAND, "jumping"),
    SHIFTING(Side.HAND, "shifting"),
    REFINGERING(Side.HAND, "re-fingering"),
    HURRY(Side.HAND, "too little time"),
    THIN(Side.EAR, "thin"),
    COLOUR_MISSING(Side.EAR, "colour missing"),
    STROKE_LEFT(Side.EAR, "strokes left out"),
    SECOND_LEFT(Side.EAR, "second tune note left out"),
    OFF_ROW(Side.EAR, "off its row"),
    CONTOUR(Side.EAR, "contour lost"),
    REPEATED(Side.EAR, "repeated"),
    DOUBLES_TUNE(Side.EAR, "doubles the tune"),
    DOUBLES_BASS(Side.EAR, "doubles the bass"),
    TAKES_NEXT(Side.EAR, "tune's next note"),
    TAKES_BASS(Side.EAR, "thumb's next note"),
    ABOVE_TUNE(Side.EAR, "above the tune"),
    BARE_END(Side.EAR, "bare end"),
    MUDDY(Side.EAR, "muddy"),
    BASS_PLACE(Side.EAR, "bass out of place"),
    SHAPE(Side.EAR, "unusual shape"),
    HIGH(Side.EAR, "tune high up the neck"),
    LOW(Side.EAR, "tune low"),
    BASS_STEP(Side.EAR, "thumb's string"),
    BASS_CUT(Side.EAR, "bass cut short"),
    INNER_CUT(Side.EAR, "inner notes cut short");

    /** Whose judgement a term is. */
    public enum Side {
        HAND,
        EAR
    }

    private final Side side;
    private final String word;

    Term(Side side, String word) {
        this.side = side;
        this.word = word;
    }

    public Side side() {
        return side;
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
