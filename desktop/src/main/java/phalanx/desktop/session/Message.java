package phalanx.desktop.session;

import java.util.Objects;

/**
 * The line at the bottom of the window.
 *
 * @param text what just happened and what to do about it
 * @param error whether something was refused
 */
public record Message(String text, boolean error) {
    public Message {
        Objects.requireNonNull(text, "text");
    }

    public static Message plain(String text) {
        return new Message(text, false);
    }

    public static Message error(String text) {
        return new Message(text, true);
    }
}
