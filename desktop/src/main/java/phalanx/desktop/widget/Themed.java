package phalanx.desktop.widget;

import phalanx.desktop.Theme;

/** A view with drawings of its own, which style sheets do not reach. */
public interface Themed {
    /** Paints in another theme's colours from now on. */
    void useTheme(Theme theme);
}
