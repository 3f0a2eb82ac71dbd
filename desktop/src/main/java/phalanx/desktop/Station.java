package phalanx.desktop;

import phalanx.words.Words;

/** The places of the window, in working order; the digits leave room for those still to come. */
enum Station {
    GUITAR("Guitar", 1, "M0 2 H24 M0 9 H24 M0 16 H24 M6 -2 V20 M12 -2 V20 M18 -2 V20"),
    SONG("Song", 2, "M0 2 H24 M0 9 H15 M0 16 H20"),
    SHAPES(
            "Shapes",
            3,
            "M2 18 a3 3 0 1 0 6 0 a3 3 0 1 0 -6 0 M9 11 a3 3 0 1 0 6 0 a3 3 0 1 0 -6 0 "
                    + "M16 4 a3 3 0 1 0 6 0 a3 3 0 1 0 -6 0"),
    PICKING(
            "Picking",
            4,
            "M0 4 H6 V10 H0 Z M9 4 H15 V10 H9 Z M18 4 H24 V10 H18 Z M0 14 H6 V20 H0 Z M9 14 H15 V20 H9 Z"
                    + " M18 14 H24 V20 H18 Z"),
    SCORE("Score", 5, "M0 4 H24 M0 10 H24 M0 16 H24 M4 20 V24 M12 20 V24 M20 20 V24"),
    PRACTICE("Practice", 6, "M0 22 H6 V16 H12 V10 H18 V4 H24 M18 0 H24 V6");

    private final String word;
    private final int digit;
    private final String icon;

    Station(String word, int digit, String icon) {
        this.word = word;
        this.digit = digit;
        this.icon = icon;
    }

    /** What files and commands call it, in every language. */
    String word() {
        return word;
    }

    /** What it is called on screen. */
    String label() {
        return Words.name(this);
    }

    /** With Ctrl, the key that goes there. */
    int digit() {
        return digit;
    }

    String icon() {
        return icon;
    }
}
