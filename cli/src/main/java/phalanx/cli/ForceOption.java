package phalanx.cli;

import static phalanx.words.Words.wording;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;

/** Keeps a command from overwriting its own input unasked. */
final class ForceOption {
    @Option(names = "--force", description = "${bundle:ForceOption.overwrite-the-input-itself-where}")
    private boolean force;

    /** @throws ParameterException if the output is the input, by whatever name, and that was not asked for */
    void check(Path in, Path out, CommandSpec spec) {
        try {
            if (!force && Files.exists(out) && Files.exists(in) && Files.isSameFile(in, out)) {
                throw new ParameterException(
                        spec.commandLine(), wording("ForceOption.is-the-input-itself-force", out.getFileName()));
            }
        } catch (IOException e) {
            // reading or writing it will say what is wrong
        }
    }
}
