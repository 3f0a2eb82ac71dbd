package phalanx.lefthand;

/** What an effort is made of. */
public enum EffortTerm {
    STRETCH("stretch"),
    BUNCHING("fingers bunched"),
    FINGERS("fingers held"),
    LITTLE_FINGER("little finger"),
    BARRE("barre"),
    THUMB("thumb over"),
    CROWDING("crowding"),
    CROSSING("fingers crossed"),
    UP_THE_NECK("up the neck"),
    BODY_JOINT("past the body joint"),
    MUTING("silent strings"),
    CHANGE("change into it"),
    INNER_LOST("inner notes lost");

    private final String label;

    EffortTerm(String label) {
        this.label = label;
    }

    /** The words shown to the player. */
    public String label() {
        return label;
    }
}
