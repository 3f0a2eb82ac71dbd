package phalanx.desktop.shapes;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import phalanx.arrange.demand.ShapeLock;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.ArrangedSlot;
import phalanx.arrange.score.Arrangement;
import phalanx.lefthand.shape.Fingering;
import phalanx.song.ChordChange;
import phalanx.theory.ChordSymbol;

/**
 * A chord of the song as the arrangement plays it.
 *
 * @param bar its number
 * @param startTick where it begins
 * @param endTick up to where it lasts
 * @param chord its symbol
 * @param played the frets plucked first on each string, from the lowest; x where none is
 * @param before the fingering that leads into it, if anything does
 * @param effort of the bar's slots under it
 * @param lock that holds at its start, if any
 */
record SongChord(
        int bar,
        int startTick,
        int endTick,
        ChordSymbol chord,
        String played,
        Optional<Fingering> before,
        double effort,
        Optional<ShapeLock> lock) {
    /** All chords of an arranged song in order. */
    static List<SongChord> of(Arrangement arrangement) {
        List<SongChord> chords = new ArrayList<>();
        List<ChordChange> chart = arrangement.song().chart();
        for (int i = 0; i < chart.size(); i++) {
            int start = chart.get(i).startTick();
            int end = arrangement.song().chordEnd(i);
            chart.get(i).chord().ifPresent(chord -> chords.add(of(arrangement, chord, start, end)));
        }
        return chords;
    }

    private static SongChord of(Arrangement arrangement, ChordSymbol chord, int start, int end) {
        double effort = arrangement.slots().stream()
                .filter(slot -> slot.startTick() >= start && slot.startTick() < end)
                .map(ArrangedSlot::effort)
                .mapToDouble(slot -> slot.total())
                .max()
                .orElse(0);
        Optional<Fingering> before = start == 0
                ? Optional.empty()
                : Optional.of(arrangement.slotAt(start - 1).fingering());
        Optional<ShapeLock> lock = arrangement.request().shapes().stream()
                .filter(one -> one.covers(start))
                .findFirst();
        int bar = arrangement.song().barAt(start).number();
        return new SongChord(bar, start, end, chord, played(arrangement, start, end), before, effort, lock);
    }

    private static String played(Arrangement arrangement, int start, int end) {
        String[] frets = new String[arrangement.request().instrument().strings()];
        Arrays.fill(frets, "x");
        for (ArrangedNote note : arrangement.notes()) {
            int at = frets.length - note.string();
            if (note.tick() >= start && note.tick() < end && frets[at].equals("x")) {
                frets[at] = String.valueOf(note.fret());
            }
        }
        return Arrays.stream(frets).collect(Collectors.joining(" "));
    }
}
