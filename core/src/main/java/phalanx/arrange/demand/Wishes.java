package phalanx.arrange.demand;

import static phalanx.words.Words.wording;

import java.util.Objects;
import java.util.OptionalInt;
import phalanx.song.Song;

/**
 * What the player wants of an arrangement besides locks and the right hand.
 *
 * @param tune who has the tune
 * @param octave in which it is played
 * @param holding what the left hand keeps down
 * @param fullEnds whether the ends of phrases sound fuller
 * @param highestFret no finger above it, from 1, if that is wanted
 * @param slurs whether slurs are put in where they let a bar go faster
 */
public record Wishes(
        TuneUse tune, Octave octave, Holding holding, boolean fullEnds, OptionalInt highestFret, boolean slurs) {
    /** A tune to be played where it lies best. */
    public static final Wishes USUAL =
            new Wishes(TuneUse.PLAYED, Octave.BEST, Holding.BY_TUNE, true, OptionalInt.empty(), false);

    public Wishes {
        Objects.requireNonNull(tune, "tune");
        Objects.requireNonNull(octave, "octave");
        Objects.requireNonNull(holding, "holding");
        Objects.requireNonNull(highestFret, "highestFret");
        if (highestFret.isPresent() && highestFret.getAsInt() < 1) {
            throw new IllegalArgumentException(wording("Wishes.no-higher-than-fret-it", highestFret.getAsInt()));
        }
    }

    /** Who has the tune of a song: nobody where it has none. */
    public TuneUse tuneOf(Song song) {
        return song.melody().isEmpty() ? TuneUse.NONE : tune;
    }

    /** Whether whole shapes are held in a song. */
    public boolean holdsChords(Song song) {
        return holding == Holding.CHORD || holding == Holding.BY_TUNE && tuneOf(song) != TuneUse.PLAYED;
    }

    public Wishes withTune(TuneUse newTune) {
        return new Wishes(newTune, octave, holding, fullEnds, highestFret, slurs);
    }

    public Wishes withOctave(Octave newOctave) {
        return new Wishes(tune, newOctave, holding, fullEnds, highestFret, slurs);
    }

    public Wishes withHolding(Holding newHolding) {
        return new Wishes(tune, octave, newHolding, fullEnds, highestFret, slurs);
    }

    public Wishes withFullEnds(boolean newFullEnds) {
        return new Wishes(tune, octave, holding, newFullEnds, highestFret, slurs);
    }

    public Wishes withHighestFret(OptionalInt fret) {
        return new Wishes(tune, octave, holding, fullEnds, fret, slurs);
    }

    public Wishes withSlurs(boolean newSlurs) {
        return new Wishes(tune, octave, holding, fullEnds, highestFret, newSlurs);
    }
}
