package phalanx.cli;

import java.nio.file.Path;
import java.util.concurrent.Callable;
import phalanx.formats.SongFiles;
import phalanx.formats.reading.FormatException;
import phalanx.formats.reading.Reading;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Writes a song as another kind of file. */
@Command(
        name = "convert",
        mixinStandardHelpOptions = true,
        description = "${bundle:ConvertCommand.reads-a-song-and-writes}")
final class ConvertCommand implements Callable<Integer> {
    @Parameters(index = "0", paramLabel = "IN", description = "${bundle:ConvertCommand.the-song-musicxml-xml-mxl}")
    private Path in;

    @Parameters(index = "1", paramLabel = "OUT", description = "${bundle:ConvertCommand.the-file-to-write-musicxml}")
    private Path out;

    @Mixin
    private ForceOption force;

    @Spec
    private CommandSpec spec;

    @Override
    public Integer call() throws FormatException {
        try {
            SongFiles.checkEnding(out);
        } catch (FormatException e) {
            throw new ParameterException(spec.commandLine(), e.getMessage());
        }
        force.check(in, out, spec);
        Reading reading = SongFiles.read(in);
        SongFiles.write(reading.song(), out);
        reading.report()
                .forEach(line -> spec.commandLine().getErr().println("phalanx: " + in.getFileName() + ": " + line));
        return ExitCodes.DONE;
    }
}
