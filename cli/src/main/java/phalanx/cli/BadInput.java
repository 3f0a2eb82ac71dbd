package phalanx.cli;

/** Input that was understood as a command but cannot be served; the message is shown as it is. */
final class BadInput extends RuntimeException {
    private static final long serialVersionUID = 1;

    BadInput(String message) {
        super(message);
    }
}
