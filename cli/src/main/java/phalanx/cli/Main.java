package phalanx.cli;

import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.Callable;
import phalanx.desktop.Opening;
import phalanx.desktop.PhalanxWindow;
import phalanx.desktop.session.DataFolder;
import phalanx.formats.library.Looks;
import phalanx.formats.library.SettingsFile;
import phalanx.theory.NoteNames;
import phalanx.words.Language;
import phalanx.words.Words;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** The one entry to Phalanx: commands, or with no command the window. */
@Command(
        name = "phalanx",
        mixinStandardHelpOptions = true,
        version = "Phalanx 0.1.0",
        description = "${bundle:Main.arranges-songs-for-one-fingerstyle}",
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
        exitCodeListHeading = "${bundle:Main.nexit-codes-n}",
        exitCodeList = {
            "${bundle:Main.0-done}",
            "${bundle:Main.1-a-fault-of-phalanx}",
            "${bundle:Main.2-wrong-usage}",
            "${bundle:Main.3-unreadable-or-impossible-input}"
        })
public final class Main implements Callable<Integer> {
    @Option(names = "--demo", description = "${bundle:Main.open-the-demo-song}")
    private boolean demo;

    @Option(names = "--shot", paramLabel = "DIR", description = "${bundle:Main.write-a-picture-of-every}")
    private Path shots;

    @Parameters(arity = "0..1", paramLabel = "FILE", description = "${bundle:Main.a-song-to-open}")
    private Path song;

    @Override
    public Integer call() {
        PhalanxWindow.open(new Opening(Optional.ofNullable(song), demo, Optional.ofNullable(shots)));
        return ExitCodes.DONE;
    }

    static CommandLine commandLine() {
        return new CommandLine(new Main())
                .setResourceBundle(Words.of("cli"))
                .setExecutionExceptionHandler(new ErrorReport())
                .setParameterExceptionHandler(ErrorReport::wrongUsage);
    }

    /** In the language and with the names that were chosen in the window, unless the process is told others. */
    private static void speak() {
        Path home = DataFolder.of(System.getenv(), Path.of(System.getProperty("user.home")));
        Path settings = home.resolve("settings.json");
        if (Files.exists(settings)) {
            Looks looks = new SettingsFile(settings).read().looks();
            Language.of(looks.language()).ifPresent(one -> tell(Words.PROPERTY, Words.VARIABLE, one.code()));
            tell(NoteNames.PROPERTY, NoteNames.VARIABLE, looks.notes());
        }
    }

    private static void tell(String property, String variable, String value) {
        if (System.getProperty(property) == null && System.getenv(variable) == null) {
            System.setProperty(property, value);
        }
    }

    public static void main(String[] args) {
        // fonts are measured and pages drawn without a screen
        System.setProperty("java.awt.headless", "true");
        System.setOut(new PrintStream(System.out, true, StandardCharsets.UTF_8));
        System.setErr(new PrintStream(System.err, true, StandardCharsets.UTF_8));
        speak();
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
