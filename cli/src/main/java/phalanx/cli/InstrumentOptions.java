package phalanx.cli;

import static phalanx.words.Words.wording;

import phalanx.guitar.Guitar;
import phalanx.guitar.Instrument;
import phalanx.guitar.Tuning;
import picocli.CommandLine.Option;

/** The options that describe the guitar. */
final class InstrumentOptions {
    @Option(
            names = "--tuning",
            paramLabel = "NOTES",
            description = "${bundle:InstrumentOptions.open-strings-from-the-lowest}")
    private String tuning;

    @Option(names = "--capo", paramLabel = "N", description = "${bundle:InstrumentOptions.fret-of-the-capo-0}")
    private Integer capo;

    Instrument instrument() {
        return instrument(Guitar.STEEL);
    }

    Instrument instrument(Guitar guitar) {
        try {
            return new Instrument(
                    guitar, tuning == null ? Tuning.STANDARD : Tuning.parse(tuning), capo == null ? 0 : capo);
        } catch (IllegalArgumentException e) {
            throw new BadInput(wording("InstrumentOptions.the-guitar", e.getMessage()));
        }
    }

    /**
     * A guitar with the options that were given.
     *
     * @param base what holds where there is no option
     * @param changes told what is other than in the base
     */
    Instrument over(Instrument base, Changes changes) {
        try {
            Instrument tuned = tuning == null ? base : base.withTuning(Tuning.parse(tuning));
            Instrument guitar = capo == null ? tuned : tuned.withCapo(capo);
            changes.tell(
                    wording("InstrumentOptions.tuning"),
                    base.tuning().label(),
                    guitar.tuning().label());
            changes.tell(wording("InstrumentOptions.capo"), String.valueOf(base.capo()), String.valueOf(guitar.capo()));
            return guitar;
        } catch (IllegalArgumentException e) {
            throw new BadInput(wording("InstrumentOptions.the-guitar", e.getMessage()));
        }
    }
}
