package phalanx.cli;

import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;
import phalanx.desktop.session.DataFolder;
import phalanx.formats.disk.SafeFile;
import phalanx.formats.log.LogExport;
import phalanx.formats.log.PracticeLog;
import phalanx.formats.reading.FormatException;
import phalanx.practice.LogEntry;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Spec;

/** The practice log, for other programs. */
@Command(
        name = "log",
        mixinStandardHelpOptions = true,
        description = "The practice log.",
        subcommands = LogCommand.Export.class)
final class LogCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Override
    public Integer call() {
        throw new ParameterException(spec.commandLine(), "say what to do with the log: export");
    }

    /** Writes it out. */
    @Command(
            name = "export",
            mixinStandardHelpOptions = true,
            description = "Writes what was practised, an entry for each pass, as JSON or CSV.")
    static final class Export implements Callable<Integer> {
        @Option(names = "-o", paramLabel = "OUT", description = "A .json or .csv file; without it JSON is printed.")
        private Path out;

        @Option(names = "--csv", description = "Print CSV in place of JSON; a file is what its ending says.")
        private boolean csv;

        @Spec
        private CommandSpec spec;

        @Override
        public Integer call() throws FormatException {
            boolean asCsv =
                    out == null ? csv : String.valueOf(out.getFileName()).endsWith(".csv");
            if (out != null && !String.valueOf(out.getFileName()).matches(".*\\.(csv|json)")) {
                throw new ParameterException(spec.commandLine(), out + ": a log is written as .csv or .json");
            }
            Path file = DataFolder.of(System.getenv(), Path.of(System.getProperty("user.home")))
                    .resolve("practice.db");
            List<LogEntry> entries = List.of();
            if (Files.exists(file)) {
                try (PracticeLog log = PracticeLog.open(file)) {
                    entries = log.entries();
                    log.aside().ifPresent(aside -> spec.commandLine()
                            .getErr()
                            .println("phalanx: the log was damaged and is kept as " + aside + "; a new one was begun"));
                }
            }
            String text = asCsv ? LogExport.csv(entries) : LogExport.json(entries);
            if (out == null) {
                PrintWriter printed = spec.commandLine().getOut();
                printed.println(text);
                printed.flush();
            } else {
                SafeFile.replace(out, text.getBytes(StandardCharsets.UTF_8));
            }
            return ExitCodes.DONE;
        }
    }
}
