package phalanx.song.build;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.BiConsumer;
import phalanx.song.Bar;
import phalanx.song.BarMarks;
import phalanx.song.ChordChange;
import phalanx.theory.Pitch;

/** Sorts what a file says at absolute times into the bars of a song that is built. What lies beyond them goes. */
public final class Timeline {
    private final List<Bar> bars;
    private final TreeMap<Integer, List<BiConsumer<SongBuilder, Integer>>> events = new TreeMap<>();

    /** @param bars in order, without gaps */
    public Timeline(List<Bar> bars) {
        this.bars = List.copyOf(bars);
    }

    /** Puts a note into a voice; it may ring over bar lines. */
    public void note(String voice, int tick, int length, Pitch pitch, Optional<String> syllable) {
        add(tick, (song, onset) -> {
            Tone tone = song.note(voice, onset, length, pitch);
            syllable.ifPresent(tone::sing);
        });
    }

    public void chord(ChordChange change) {
        add(change.startTick(), (song, onset) -> song.chord(onset, change));
    }

    public void section(int tick, String name) {
        add(tick, (song, onset) -> song.section(onset, name));
    }

    private void add(int tick, BiConsumer<SongBuilder, Integer> event) {
        events.computeIfAbsent(tick, at -> new ArrayList<>()).add(event);
    }

    /**
     * Fills a song with the bars.
     *
     * @param marks one for each bar
     */
    public void fill(SongBuilder song, List<BarMarks> marks) {
        for (int i = 0; i < bars.size(); i++) {
            Bar bar = bars.get(i);
            song.at(wording("Timeline.bar", bar.number()));
            song.meter(bar.meter());
            events.subMap(bar.startTick(), bar.endTick())
                    .forEach((tick, there) -> there.forEach(event -> event.accept(song, tick - bar.startTick())));
            song.endBar(bar.lengthTicks(), marks.get(i), true);
        }
        song.at("");
    }
}
