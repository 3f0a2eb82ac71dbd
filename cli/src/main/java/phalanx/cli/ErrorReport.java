package phalanx.cli;

import java.io.PrintWriter;
import phalanx.formats.FormatException;
import picocli.CommandLine;

/** Turns what went wrong into one line on standard error and an exit code. */
final class ErrorReport implements CommandLine.IExecutionExceptionHandler {
    @Override
    public int handleExecutionException(Exception e, CommandLine command, CommandLine.ParseResult parsed) {
        PrintWriter err = command.getErr();
        if (e instanceof FormatException || e instanceof BadInput) {
            err.println("phalanx: " + oneLine(e.getMessage()));
            return ExitCodes.BAD_INPUT;
        }
        err.println("phalanx: a fault of the program, please report it: " + oneLine(e.toString()));
        return ExitCodes.OUR_FAULT;
    }

    static int wrongUsage(CommandLine.ParameterException e, String[] args) {
        PrintWriter err = e.getCommandLine().getErr();
        err.println("phalanx: " + oneLine(e.getMessage()) + " (phalanx "
                + (e.getCommandLine().getParent() == null
                        ? ""
                        : e.getCommandLine().getCommandName() + " ")
                + "--help shows how)");
        return ExitCodes.WRONG_USAGE;
    }

    private static String oneLine(String message) {
        return String.valueOf(message).replaceAll("\\s+", " ");
    }
}
