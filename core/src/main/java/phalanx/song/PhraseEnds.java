package phalanx.song;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.IntStream;

/**
 * Finds where the phrases of a song end: at tune notes that last, or have a rest or a leap after them, above all at the
 * end of every fourth bar. Without a tune, at the last chord of each section. The points were set on 11 tunes whose
 * ends were marked by hand; common practice, no source.
 */
public final class PhraseEnds {
    private static final double ENOUGH = 1.6;
    private static final double LEAST_BARS_APART = 1.5;
    private static final int LEAP = 5;

    private final Song song;
    private final TreeMap<Integer, ChordChange> chords = new TreeMap<>();

    public PhraseEnds(Song song) {
        this.song = Objects.requireNonNull(song, "song");
        song.chart().forEach(change -> chords.put(change.startTick(), change));
    }

    /** The ticks at which the last notes, or chords, of phrases begin; the song's last among them. */
    public TreeSet<Integer> find() {
        return song.melody().isEmpty() ? lastChords() : lastNotes();
    }

    private TreeSet<Integer> lastChords() {
        TreeSet<Integer> ends = new TreeSet<>();
        List<Integer> bounds =
                new ArrayList<>(song.sections().stream().map(Section::startTick).toList());
        bounds.add(song.endTick());
        for (int bound : bounds) {
            song.chart().stream()
                    .filter(change ->
                            change.startTick() < bound && change.chord().isPresent())
                    .mapToInt(ChordChange::startTick)
                    .max()
                    .ifPresent(ends::add);
        }
        return ends;
    }

    private TreeSet<Integer> lastNotes() {
        List<MelodyNote> tune = song.melody();
        int median = tune.stream()
                .mapToInt(MelodyNote::lengthTicks)
                .sorted()
                .skip(tune.size() / 2)
                .findFirst()
                .orElse(1);
        double[] points = IntStream.range(0, tune.size())
                .mapToDouble(i -> points(i, median))
                .toArray();
        TreeSet<Integer> ends = new TreeSet<>();
        ends.add(tune.get(tune.size() - 1).tick());
        IntStream.range(0, tune.size() - 1)
                .filter(i -> points[i] >= ENOUGH)
                .boxed()
                .sorted(Comparator.comparingDouble(i -> -points[i]))
                .map(i -> tune.get(i).tick())
                .filter(tick -> isApart(tick, ends))
                .forEach(ends::add);
        return ends;
    }

    private boolean isApart(int tick, TreeSet<Integer> ends) {
        double apart = LEAST_BARS_APART * song.barAt(tick).meter().barTicks();
        Integer before = ends.floor(tick);
        Integer after = ends.ceiling(tick);
        return (before == null || tick - before >= apart) && (after == null || after - tick >= apart);
    }

    private double points(int index, int median) {
        List<MelodyNote> tune = song.melody();
        MelodyNote note = tune.get(index);
        Bar bar = song.barAt(note.tick());
        double points = 0.5 * Math.max(0, Math.min(2, note.lengthTicks() / (double) median - 1));
        if (index + 1 < tune.size()) {
            MelodyNote next = tune.get(index + 1);
            points += next.tick() - note.endTick() >= bar.meter().beatTicks() / 2 ? 2 : 0;
            points += note.lengthTicks() >= 2 * next.lengthTicks() ? 0.4 : 0;
            points += Math.abs(next.midi() - note.midi()) >= LEAP ? 0.2 : 0;
        }
        points += index > 0 && note.lengthTicks() > tune.get(index - 1).lengthTicks() ? 0.3 : 0;
        int number = song.barAt(note.endTick() - 1).number();
        points += number % 4 == 0 && number > 0 ? 0.8 : number % 2 == 0 && number > 0 ? 0.3 : 0;
        return points + (isRoot(note) ? 0.2 : 0);
    }

    private boolean isRoot(MelodyNote note) {
        return Optional.ofNullable(chords.floorEntry(note.tick()))
                .flatMap(entry -> entry.getValue().chord())
                .filter(symbol -> symbol.root().pitchClass() == note.midi() % 12)
                .isPresent();
    }
}
