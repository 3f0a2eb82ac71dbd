package phalanx.cli;

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

    @Option(
            names = "--tune",
            paramLabel = "WHO",
            description = "Who has the tune: played (by the hand), sung (shown, not played), none (chords alone).")
    private String tune;

    @Option(
            names = "--octave",
            paramLabel = "WHERE",
            description = "The tune's octave: best (where the whole lies best), as-written, -1, +1.")
    private String octave;

    @Option(
            names = "--hold",
            paramLabel = "WHAT",
            description = "What stays down: chord (whole shapes), free (what is played), by tune (chord unless the"
                    + " hand plays the tune).")
    private String hold;

    @Option(names = "--ends", paramLabel = "HOW", description = "How phrases end: full (a roll or a block), plain.")
    private String ends;

    @Option(names = "--highest-fret", paramLabel = "N", description = "No finger above fret N where it can be helped.")
    private Integer highestFret;

    @Option(
            names = "--slurs",
            paramLabel = "HOW",
            description = "Whether notes are slurred where it lets a bar go faster: ease, none.")
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
            changes.tell("tune", base.tune().label(), wishes.tune().label());
            changes.tell("octave", base.octave().label(), wishes.octave().label());
            changes.tell("hold", base.holding().label(), wishes.holding().label());
            changes.tell("ends", ends(base), ends(wishes));
            changes.tell("slurs", slurs(base), slurs(wishes));
            changes.tell("highest fret", fret(base), fret(wishes));
            return wishes;
        } catch (IllegalArgumentException e) {
            throw new BadInput(e.getMessage());
        }
    }

    private boolean full() {
        if (!ends.equalsIgnoreCase("full") && !ends.equalsIgnoreCase("plain")) {
            throw new IllegalArgumentException("ends \"" + ends + "\" is not known; there are full and plain");
        }
        return ends.equalsIgnoreCase("full");
    }

    private boolean eased() {
        if (!slurs.equalsIgnoreCase(EASE) && !slurs.equalsIgnoreCase(NONE)) {
            throw new IllegalArgumentException("slurs \"" + slurs + "\" are not known; there are ease and none");
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
