package phalanx.cli;

import static phalanx.words.Words.wording;

import java.util.OptionalInt;
import phalanx.arrange.demand.Holding;
import phalanx.arrange.demand.Octave;
import phalanx.arrange.demand.TuneUse;
import phalanx.arrange.demand.Wishes;
import picocli.CommandLine.Option;

/** The options that say what is wanted of the arrangement. */
final class WishOptions {
    private static final String NONE = "none";
    private static final String EASE = "ease";

    @Option(names = "--tune", paramLabel = "WHO", description = "${bundle:WishOptions.who-has-the-tune-played}")
    private String tune;

    @Option(names = "--octave", paramLabel = "WHERE", description = "${bundle:WishOptions.the-tune-s-octave-best}")
    private String octave;

    @Option(names = "--hold", paramLabel = "WHAT", description = "${bundle:WishOptions.what-stays-down-chord-whole}")
    private String hold;

    @Option(names = "--ends", paramLabel = "HOW", description = "${bundle:WishOptions.how-phrases-end-full-a}")
    private String ends;

    @Option(names = "--highest-fret", paramLabel = "N", description = "${bundle:WishOptions.no-finger-above-fret-n}")
    private Integer highestFret;

    @Option(
            names = "--slurs",
            paramLabel = "HOW",
            description = "${bundle:WishOptions.whether-notes-are-slurred-where}")
    private String slurs;

    /**
     * Wishes with the options that were given.
     *
     * @param base what holds where there is no option
     * @param changes told what is other than in the base
     */
    Wishes over(Wishes base, Changes changes) {
        try {
            Wishes wishes = new Wishes(
                    tune == null ? base.tune() : TuneUse.parse(tune),
                    octave == null ? base.octave() : Octave.parse(octave),
                    hold == null ? base.holding() : Holding.parse(hold),
                    ends == null ? base.fullEnds() : full(),
                    highestFret == null ? base.highestFret() : OptionalInt.of(highestFret),
                    slurs == null ? base.slurs() : eased());
            changes.tell(
                    wording("WishOptions.tune"),
                    base.tune().label(),
                    wishes.tune().label());
            changes.tell(
                    wording("WishOptions.octave"),
                    base.octave().label(),
                    wishes.octave().label());
            changes.tell(
                    wording("WishOptions.hold"),
                    base.holding().label(),
                    wishes.holding().label());
            changes.tell(wording("WishOptions.ends"), ends(base), ends(wishes));
            changes.tell(wording("WishOptions.slurs"), slurs(base), slurs(wishes));
            changes.tell(wording("WishOptions.highest-fret"), fret(base), fret(wishes));
            return wishes;
        } catch (IllegalArgumentException e) {
            throw new BadInput(e.getMessage());
        }
    }

    private boolean full() {
        if (!ends.equalsIgnoreCase("full") && !ends.equalsIgnoreCase("plain")) {
            throw new IllegalArgumentException(wording("WishOptions.ends-is-not-known-there", ends));
        }
        return ends.equalsIgnoreCase("full");
    }

    private boolean eased() {
        if (!slurs.equalsIgnoreCase(EASE) && !slurs.equalsIgnoreCase(NONE)) {
            throw new IllegalArgumentException(wording("WishOptions.slurs-are-not-known-there", slurs));
        }
        return slurs.equalsIgnoreCase(EASE);
    }

    private static String slurs(Wishes wishes) {
        return wishes.slurs() ? EASE : NONE;
    }

    private static String ends(Wishes wishes) {
        return wishes.fullEnds() ? "full" : "plain";
    }

    private static String fret(Wishes wishes) {
        return wishes.highestFret().isPresent()
                ? String.valueOf(wishes.highestFret().getAsInt())
                : NONE;
    }
}
