package phalanx.cli;

import phalanx.guitar.Guitar;
import phalanx.guitar.Instrument;
import phalanx.guitar.Tuning;
import picocli.CommandLine.Option;

/** The options that describe the guitar. */
final class InstrumentOptions {
    @Option(
            names = "--tuning",
            paramLabel = "NOTES",
            description = "Open strings from the lowest, such as \"D A D G B E\", or a name such as \"drop D\".",
            defaultValue = "standard")
    private String tuning;

    @Option(names = "--capo", paramLabel = "N", description = "Fret of the capo, 0 to 12.", defaultValue = "0")
    private int capo;

    Instrument instrument() {
        return instrument(Guitar.STEEL);
    }

    Instrument instrument(Guitar guitar) {
        try {
            return new Instrument(guitar, Tuning.parse(tuning), capo);
        } catch (IllegalArgumentException e) {
            throw new BadInput("the guitar: " + e.getMessage());
        }
    }
}
