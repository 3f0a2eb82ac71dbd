package phalanx.arrange.demand;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.FingeringFinder;
import phalanx.lefthand.shape.HeldShape;
import phalanx.lefthand.shape.Shape;
import phalanx.lefthand.shape.Ways;
import phalanx.song.ChordChange;
import phalanx.song.ChordFrets;
import phalanx.song.Song;
import phalanx.theory.ChordNamer;
import phalanx.theory.ChordSymbol;
import phalanx.theory.ChordTable;
import phalanx.theory.Key;

/** The chords that a chart gives as frets: what they are called on this guitar, and their shapes, held as by a lock. */
public final class ChartShapes {
    private final FingeringFinder finder;
    private final Instrument instrument;
    private final ChordNamer namer = new ChordNamer(ChordTable.standard());

    /** @param finder one for whole shapes */
    public ChartShapes(FingeringFinder finder) {
        this.finder = finder;
        this.instrument = finder.instrument();
    }

    /** The song with a name for each chord that has frets alone; without one where no name fits. */
    public Song named(Song song) {
        if (song.chart().stream()
                .allMatch(change -> change.chord().isPresent() || change.frets().isEmpty())) {
            return song;
        }
        return song.withChart(song.chart().stream()
                .map(change -> change.chord().isEmpty() && change.frets().isPresent()
                        ? name(change.frets().get(), song.key())
                                .map(change::named)
                                .orElse(change)
                        : change)
                .toList());
    }

    private Optional<ChordSymbol> name(ChordFrets frets, Key key) {
        if (!fits(frets)) {
            return Optional.empty();
        }
        return namer.names(new Shape(frets.frets()).midi(instrument), key).stream()
                .flatMap(name -> parsed(name).stream())
                .findFirst();
    }

    /** A name with words about what it lacks is not one that a chart can have. */
    private static Optional<ChordSymbol> parsed(String name) {
        try {
            return Optional.of(ChordSymbol.parse(name));
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    private boolean fits(ChordFrets frets) {
        return frets.frets().size() == instrument.strings()
                && frets.frets().stream().allMatch(fret -> fret <= instrument.highestFret());
    }

    /** The player's locks, and one for each chord with frets that none of them touches. */
    public List<Lock> with(List<? extends Lock> locks, Song song) {
        List<Lock> all = new ArrayList<>(locks);
        for (int index = 0; index < song.chart().size(); index++) {
            ChordChange change = song.chart().get(index);
            int end = song.chordEnd(index);
            change.frets()
                    .flatMap(this::held)
                    .map(held -> new ShapeLock(change.startTick(), end, held))
                    .filter(lock -> locks.stream().noneMatch(lock::contradicts))
                    .ifPresent(all::add);
        }
        return all;
    }

    /** The chords whose frets no hand can hold on this guitar. */
    public List<ChordChange> beyondTheHand(Song song) {
        return song.chart().stream()
                .filter(change ->
                        change.frets().filter(frets -> held(frets).isEmpty()).isPresent())
                .toList();
    }

    private Optional<HeldShape> held(ChordFrets frets) {
        if (!fits(frets)) {
            return Optional.empty();
        }
        int[] stopped = frets.frets().stream().mapToInt(Integer::intValue).toArray();
        Ways ways = finder.ways(stopped);
        return ways.count() == 0
                ? Optional.empty()
                : Optional.of(new HeldShape(new Shape(frets.frets()), ways.fingering(0)));
    }
}
