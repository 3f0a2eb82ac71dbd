package phalanx.song;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.TreeMap;

/**
 * A stretch of a song taken out to be put in elsewhere. One of whole bars takes its chords and its own bass along; a shorter
 * one is tune alone.
 *
 * @param lengthTicks how long it is
 * @param chords its chord changes, ticks from its start; empty where it is tune alone
 * @param withChords whether chords are replaced where it is put in
 * @param tune its notes, ticks from its start
 * @param bass those of its own bass, ticks from its start
 */
public record Passage(
        int lengthTicks, List<ChordChange> chords, boolean withChords, List<MelodyNote> tune, List<MelodyNote> bass) {
    public Passage {
        chords = List.copyOf(chords);
        tune = List.copyOf(tune);
        bass = List.copyOf(bass);
        if (lengthTicks <= 0) {
            throw new IllegalArgumentException(wording("Passage.a-passage-of-ticks", lengthTicks));
        }
    }

    /** The passage from a tick up to another, not included; notes that reach beyond it end with it. */
    public static Passage of(Song song, int from, int to) {
        boolean whole = song.bars().get(song.barIndexAt(from)).startTick() == from
                && song.bars().get(song.barIndexAt(to - 1)).endTick() == to;
        List<ChordChange> chords = new ArrayList<>();
        if (whole) {
            List<ChordChange> chart = song.chart();
            int first = Bisection.last(chart.size(), i -> chart.get(i).startTick() <= from);
            for (int i = Math.max(0, first); i < chart.size() && chart.get(i).startTick() < to; i++) {
                if (song.chordEnd(i) > from) {
                    chords.add(chart.get(i).at(Math.max(0, chart.get(i).startTick() - from)));
                }
            }
        }
        List<MelodyNote> bass = whole ? taken(song.bassBetween(from, to), from, to) : List.of();
        return new Passage(to - from, chords, whole, taken(song.melodyBetween(from, to), from, to), bass);
    }

    private static List<MelodyNote> taken(List<MelodyNote> line, int from, int to) {
        return line.stream()
                .map(note -> note.at(note.tick() - from, Math.min(note.endTick(), to) - note.tick()))
                .toList();
    }

    /** The song with this passage in place of what stands from a tick on; bars are added where it needs them. */
    public Song into(Song song, int at) {
        Song longer = lengthened(song, at + lengthTicks);
        Song withTune = TuneEdit.withTune(longer, put(tune, longer.melody(), at));
        if (!withChords) {
            return withTune;
        }
        return withChords(withTune.withBass(put(bass, longer.bass(), at)), at);
    }

    private List<MelodyNote> put(List<MelodyNote> notes, List<MelodyNote> line, int at) {
        List<MelodyNote> all = new ArrayList<>(TuneEdit.cleared(line, at, at + lengthTicks));
        notes.forEach(note -> all.add(note.at(note.tick() + at, note.lengthTicks())));
        all.sort(Comparator.comparingInt(MelodyNote::tick));
        return all;
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
