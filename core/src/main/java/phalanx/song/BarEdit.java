package phalanx.song;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;

/** Puts whole bars into a song and takes them out: tune, own bass, chords and sections after them move along. */
public final class BarEdit {
    private BarEdit() {}

    /**
     * A song with other bars.
     *
     * @param moved where what is anchored to the song stands now
     */
    public record Edited(Song song, Moved moved) {}

    /**
     * The song with empty bars put in; the chord before them holds on.
     *
     * @param index of the bar that they stand before; the number of bars puts them at the end
     * @throws IllegalArgumentException if the song gets too long
     */
    public static Edited insert(Song song, int index, int count, Meter meter) {
        int at = index < song.bars().size() ? song.bars().get(index).startTick() : song.endTick();
        List<Integer> lengths = new ArrayList<>();
        List<Meter> meters = new ArrayList<>();
        take(song.bars().subList(0, index), lengths, meters);
        for (int i = 0; i < count; i++) {
            lengths.add(meter.barTicks());
            meters.add(meter);
        }
        take(song.bars().subList(index, song.bars().size()), lengths, meters);
        return edited(song, lengths, meters, new Moved(at, 0, count * meter.barTicks()));
    }

    /**
     * The song without some bars. The chord that holds at their end goes on, a section that begins in them begins after
     * them.
     *
     * @param to index of the first bar that stays after them
     * @throws IllegalArgumentException if none would be left
     */
    public static Edited delete(Song song, int from, int to) {
        if (to - from >= song.bars().size()) {
            throw new IllegalArgumentException("a song has one bar at least");
        }
        int at = song.bars().get(from).startTick();
        int removed = song.bars().get(to - 1).endTick() - at;
        List<Integer> lengths = new ArrayList<>();
        List<Meter> meters = new ArrayList<>();
        take(song.bars().subList(0, from), lengths, meters);
        take(song.bars().subList(to, song.bars().size()), lengths, meters);
        return edited(song, lengths, meters, new Moved(at, removed, 0));
    }

    private static void take(List<Bar> bars, List<Integer> lengths, List<Meter> meters) {
        bars.forEach(bar -> {
            lengths.add(bar.lengthTicks());
            meters.add(bar.meter());
        });
    }

    private static Edited edited(Song song, List<Integer> lengths, List<Meter> meters, Moved moved) {
        List<Bar> bars = new ArrayList<>();
        int start = 0;
        for (int i = 0; i < lengths.size(); i++) {
            boolean pickup = i == 0 && lengths.get(0) < meters.get(0).barTicks();
            int number = i == 0 ? pickup ? 0 : 1 : bars.get(i - 1).number() + 1;
            bars.add(new Bar(number, start, lengths.get(i), meters.get(i)));
            start += lengths.get(i);
        }
        Song edited = new Song(
                song.title(),
                song.key(),
                song.tempo(),
                bars,
                sections(song, moved, start),
                chart(song, moved, start),
                line(song.melody(), moved),
                line(song.bass(), moved));
        return new Edited(edited, moved);
    }

    private static List<MelodyNote> line(List<MelodyNote> line, Moved moved) {
        List<MelodyNote> left = new ArrayList<>();
        for (MelodyNote note : line) {
            if (note.tick() < moved.at()) {
                left.add(note.endTick() > moved.at() ? note.lasting(moved.at() - note.tick()) : note);
            } else if (note.tick() >= moved.at() + moved.removed()) {
                left.add(note.at(moved.tick(note.tick()), note.lengthTicks()));
            }
        }
        return left;
    }

    private static List<ChordChange> chart(Song song, Moved moved, int end) {
        TreeMap<Integer, ChordChange> chart = new TreeMap<>();
        for (ChordChange change : song.chart()) {
            // of several that move to one place the last one holds
            int tick = moved.tick(change.startTick());
            chart.put(tick, change.at(tick));
        }
        chart.tailMap(end, true).clear();
        ChordChange here = chart.get(moved.at());
        boolean again = moved.removed() > 0
                && here != null
                && chart.lowerEntry(moved.at()) != null
                && chart.lowerEntry(moved.at()).getValue().sameChord(here);
        if (again && song.chart().stream().noneMatch(change -> change.startTick() == moved.at() + moved.removed())) {
            chart.remove(moved.at());
        }
        return List.copyOf(chart.values());
    }

    private static List<Section> sections(Song song, Moved moved, int end) {
        TreeMap<Integer, Section> sections = new TreeMap<>();
        for (Section section : song.sections()) {
            int tick = moved.tick(section.startTick());
            sections.put(tick, new Section(section.name(), tick, section.varied()));
        }
        sections.tailMap(end, true).clear();
        return List.copyOf(sections.values());
    }
}
