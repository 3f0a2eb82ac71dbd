package phalanx.righthand;

/** How loud a stroke is meant beside the others of its voice. */
public enum Weight {
    GHOST,
    PLAIN,
    ACCENT
}
