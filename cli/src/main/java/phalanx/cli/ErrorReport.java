package phalanx.cli;

import static phalanx.words.Words.wording;

import java.io.PrintWriter;
import phalanx.formats.reading.FormatException;
import picocli.CommandLine;

/** Turns what went wrong into one line on standard error and an exit code. */
final class ErrorReport implements CommandLine.IExecutionExceptionHandler {
    private static final String TOO_LARGE = wording("ErrorReport.phalanx-there-is-not-enough");

    private final Runnable tooLarge;

    /** One that goes on after an error, as in a test. */
    ErrorReport() {
        this(() -> {});
    }

    /** @param tooLarge run where memory has run out; may end the program */
    ErrorReport(Runnable tooLarge) {
        this.tooLarge = tooLarge;
    }

    /** Whether memory or stack ran out, in this thread or one that worked for it. */
    static boolean isTooLarge(Throwable e) {
        for (Throwable cause = e; cause != null; cause = cause.getCause()) {
            if (cause instanceof VirtualMachineError) {
                return true;
            }
        }
        return false;
    }

    /**
     * What a worker thread dies of: where memory has run out it may not even be able to tell the one that waits for it, which
     * would wait for ever. Then the program ends here.
     */
    static void uncaught(Thread thread, Throwable error) {
        if (isTooLarge(error) || isJdkClassThatCannotBegin(error)) {
            endTooLarge();
        }
        error.printStackTrace();
    }

    /** A class of the JDK fails to begin only for want of memory. */
    private static boolean isJdkClassThatCannotBegin(Throwable error) {
        return error instanceof NoClassDefFoundError
                && String.valueOf(error.getMessage()).startsWith("Could not initialize class java.");
    }

    /**
     * Says it, and ends at once: what runs at the end of a program needs memory, too. Of several threads that come here
     * one speaks.
     */
    static synchronized void endTooLarge() {
        System.err.println(TOO_LARGE);
        Runtime.getRuntime().halt(ExitCodes.BAD_INPUT);
    }

    @Override
    public int handleExecutionException(Exception e, CommandLine command, CommandLine.ParseResult parsed) {
        PrintWriter err = command.getErr();
        if (e instanceof FormatException || e instanceof BadInput) {
            err.println("phalanx: " + oneLine(e.getMessage()));
            return ExitCodes.BAD_INPUT;
        }
        if (isTooLarge(e)) {
            tooLarge.run();
            err.println(TOO_LARGE);
            return ExitCodes.BAD_INPUT;
        }
        err.println(wording("ErrorReport.phalanx-a-fault-of-the", oneLine(e.toString())));
        return ExitCodes.OUR_FAULT;
    }

    static int wrongUsage(CommandLine.ParameterException e, String[] args) {
        PrintWriter err = e.getCommandLine().getErr();
        err.println(wording(
                "ErrorReport.phalanx-phalanx-help-shows-how",
                oneLine(UsageWords.of(e)),
                e.getCommandLine().getParent() == null ? "" : e.getCommandLine().getCommandName() + " "));
        return ExitCodes.WRONG_USAGE;
    }

    private static String oneLine(String message) {
        return String.valueOf(message).replaceAll("\\s+", " ");
    }
}
