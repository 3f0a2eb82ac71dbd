package phalanx.cli;

import static phalanx.words.Words.wording;

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
        description = "${bundle:LogCommand.the-practice-log}",
        subcommands = LogCommand.Export.class)
final class LogCommand implements Callable<Integer> {
    @Spec
    private CommandSpec spec;

    @Override
    public Integer call() {
        throw new ParameterException(spec.commandLine(), wording("LogCommand.say-what-to-do-with"));
    }

    /** Writes it out. */
    @Command(
            name = "export",
            mixinStandardHelpOptions = true,
            description = "${bundle:LogCommand.writes-what-was-practised-an}")
    static final class Export implements Callable<Integer> {
        @Option(names = "-o", paramLabel = "OUT", description = "${bundle:LogCommand.a-json-or-csv-file}")
        private Path out;

        @Option(names = "--csv", description = "${bundle:LogCommand.print-csv-in-place-of}")
        private boolean csv;

        @Spec
        private CommandSpec spec;

        @Override
        public Integer call() throws FormatException {
            boolean asCsv =
                    out == null ? csv : String.valueOf(out.getFileName()).endsWith(".csv");
            if (out != null && !String.valueOf(out.getFileName()).matches(".*\\.(csv|json)")) {
                throw new ParameterException(spec.commandLine(), wording("LogCommand.a-log-is-written-as", out));
            }
            Path file = DataFolder.of(System.getenv(), Path.of(System.getProperty("user.home")))
                    .resolve("practice.db");
            List<LogEntry> entries = List.of();
            if (Files.exists(file)) {
                try (PracticeLog log = PracticeLog.open(file)) {
                    entries = log.entries();
                    log.aside().ifPresent(aside -> spec.commandLine()
                            .getErr()
                            .println(wording("LogCommand.phalanx-the-log-was-damaged", aside)));
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
