package phalanx.desktop.widget;

import phalanx.desktop.View;

/** Something with drawings of its own, which style sheets do not reach. */
public interface Viewed {
    /** Paints as the player wants to see it from now on. */
    void useView(View view);
}
