package phalanx.cli;

import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.Callable;
import phalanx.desktop.Opening;
import phalanx.desktop.PhalanxWindow;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** The one entry to Phalanx: commands, or with no command the window. */
@Command(
        name = "phalanx",
        mixinStandardHelpOptions = true,
        version = "Phalanx 0.1.0",
        description = "Arranges songs for one fingerstyle guitar. Without a command it opens the window.",
        subcommands = {
            ArrangeCommand.class,
            AuditCommand.class,
            PracticeCommand.class,
            ListenCommand.class,
            LogCommand.class,
            ShapesCommand.class,
            ReachCommand.class,
            ChainCommand.class,
            NameCommand.class,
            AnalyseCommand.class,
            ConvertCommand.class,
            PatternsCommand.class,
            GroovesCommand.class,
            HarmonicsCommand.class,
        },
        exitCodeListHeading = "%nExit codes:%n",
        exitCodeList = {"0:done", "1:a fault of Phalanx", "2:wrong usage", "3:unreadable or impossible input"})
public final class Main implements Callable<Integer> {
    @Option(names = "--demo", description = "Open the demo song.")
    private boolean demo;

    @Option(names = "--shot", paramLabel = "DIR", description = "Write a picture of every main view to DIR and end.")
    private Path shots;

    @Parameters(arity = "0..1", paramLabel = "FILE", description = "A song to open.")
    private Path song;

    @Override
    public Integer call() {
        PhalanxWindow.open(new Opening(Optional.ofNullable(song), demo, Optional.ofNullable(shots)));
        return ExitCodes.DONE;
    }

    static CommandLine commandLine() {
        return new CommandLine(new Main())
                .setExecutionExceptionHandler(new ErrorReport())
                .setParameterExceptionHandler(ErrorReport::wrongUsage);
    }

    public static void main(String[] args) {
        // fonts are measured and pages drawn without a screen
        System.setProperty("java.awt.headless", "true");
        System.setOut(new PrintStream(System.out, true, StandardCharsets.UTF_8));
        System.setErr(new PrintStream(System.err, true, StandardCharsets.UTF_8));
        Thread.setDefaultUncaughtExceptionHandler(ErrorReport::uncaught);
        try {
            int code = commandLine()
                    .setExecutionExceptionHandler(new ErrorReport(ErrorReport::endTooLarge))
                    .execute(args);
            System.out.flush();
            System.exit(code);
        } catch (VirtualMachineError | NoClassDefFoundError e) {
            ErrorReport.uncaught(Thread.currentThread(), e);
            System.exit(ExitCodes.OUR_FAULT);
        }
    }
}
