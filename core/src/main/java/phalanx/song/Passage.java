package phalanx.song;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;

/**
 * A stretch of a song taken out to be put in elsewhere. One of whole bars takes its chords along; a shorter one is tune
 * alone.
 *
 * @param lengthTicks how long it is
 * @param chords its chord changes, ticks from its start; empty where it is tune alone
 * @param withChords whether chords are replaced where it is put in
 * @param tune its notes, ticks from its start
 */
public record Passage(int lengthTicks, List<ChordChange> chords, boolean withChords, List<MelodyNote> tune) {
    public Passage {
        chords = List.copyOf(chords);
        tune = List.copyOf(tune);
        if (lengthTicks <= 0) {
            throw new IllegalArgumentException("a passage of " + lengthTicks + " ticks");
        }
    }

    /** The passage from a tick up to another, not included; notes that reach beyond it end with it. */
    public static Passage of(Song song, int from, int to) {
        boolean whole = song.bars().stream().anyMatch(bar -> bar.startTick() == from)
                && song.bars().stream().anyMatch(bar -> bar.endTick() == to);
        List<ChordChange> chords = new ArrayList<>();
        if (whole) {
            for (int i = 0; i < song.chart().size(); i++) {
                ChordChange change = song.chart().get(i);
                if (change.startTick() < to && song.chordEnd(i) > from) {
                    chords.add(change.at(Math.max(0, change.startTick() - from)));
                }
            }
        }
        List<MelodyNote> tune = song.melodyBetween(from, to).stream()
                .map(note -> note.at(note.tick() - from, Math.min(note.endTick(), to) - note.tick()))
                .toList();
        return new Passage(to - from, chords, whole, tune);
    }

    /** The song with this passage in place of what stands from a tick on; bars are added where it needs them. */
    public Song into(Song song, int at) {
        List<MelodyNote> shifted = tune.stream()
                .map(note -> note.at(note.tick() + at, note.lengthTicks()))
                .toList();
        Song cleared = TuneEdit.clear(song, at, at + lengthTicks);
        List<MelodyNote> all = new ArrayList<>(cleared.melody());
        int place = 0;
        while (place < all.size() && all.get(place).tick() < at) {
            place++;
        }
        all.addAll(place, shifted);
        Song withTune = TuneEdit.withTune(lengthened(cleared, at + lengthTicks), all);
        return withChords ? withChords(withTune, at) : withTune;
    }

    private static Song lengthened(Song song, int end) {
        Song longer = song;
        while (longer.endTick() < end) {
            List<Bar> bars = new ArrayList<>(longer.bars());
            Bar last = bars.get(bars.size() - 1);
            bars.add(new Bar(last.number() + 1, last.endTick(), last.meter().barTicks(), last.meter()));
            longer = longer.withBars(bars);
        }
        return longer;
    }

    private Song withChords(Song song, int at) {
        int end = at + lengthTicks;
        TreeMap<Integer, ChordChange> chart = new TreeMap<>();
        for (int i = 0; i < song.chart().size(); i++) {
            ChordChange change = song.chart().get(i);
            if (change.startTick() < at || change.startTick() >= end) {
                chart.put(change.startTick(), change);
            } else if (song.chordEnd(i) > end) {
                // what held at the end of the stretch goes on after it
                chart.put(end, change.at(end));
            }
        }
        chords.forEach(change -> chart.put(change.startTick() + at, change.at(change.startTick() + at)));
        return song.withChart(List.copyOf(chart.values()));
    }
}
