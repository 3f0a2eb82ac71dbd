package phalanx.cli;

/** What the process ends with. */
final class ExitCodes {
    static final int DONE = 0;
    static final int OUR_FAULT = 1;
    static final int WRONG_USAGE = 2;
    static final int BAD_INPUT = 3;

    private ExitCodes() {}
}
