package phalanx.desktop;

import javafx.application.Application;

/** Opens the window; returns when it is closed. */
public final class PhalanxWindow {
    private PhalanxWindow() {}

    public static void open(Opening opening) {
        Application.launch(PhalanxApp.class, opening.toArguments());
    }
}
