package phalanx.song;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import phalanx.words.Words;

/**
 * Puts whole bars into a song and takes them out, moves, splits and joins them, and gives them another meter: tune, own
 * bass, chords and sections move along.
 */
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
        return edited(song, lengths, meters, List.of(new Spliced(at, 0, count * meter.barTicks())));
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
            throw new IllegalArgumentException(wording("BarEdit.a-song-has-one-bar"));
        }
        int at = song.bars().get(from).startTick();
        int removed = song.bars().get(to - 1).endTick() - at;
        List<Integer> lengths = new ArrayList<>();
        List<Meter> meters = new ArrayList<>();
        take(song.bars().subList(0, from), lengths, meters);
        take(song.bars().subList(to, song.bars().size()), lengths, meters);
        return edited(song, lengths, meters, List.of(new Spliced(at, removed, 0)));
    }

    /**
     * The song with two stretches of bars, one after the other, in the other order. Notes that ring from one into another
     * end there; each begins with the chord that held there. A section's name goes along where all its bars do.
     *
     * @param middle index of the first bar of the second stretch
     * @param to index of the first bar after both
     * @throws IllegalArgumentException if one of them is empty or the pickup
     */
    public static Edited exchange(Song song, int from, int middle, int to) {
        if (from < 0 || middle <= from || to <= middle || to > song.bars().size()) {
            throw new IllegalArgumentException(wording("BarEdit.no-two-stretches-of-bars"));
        }
        if (from == 0 && isPickup(song)) {
            throw new IllegalArgumentException(wording("BarEdit.the-pickup-stays-where-it"));
        }
        List<Integer> lengths = new ArrayList<>();
        List<Meter> meters = new ArrayList<>();
        take(song.bars().subList(0, from), lengths, meters);
        take(song.bars().subList(middle, to), lengths, meters);
        take(song.bars().subList(from, middle), lengths, meters);
        take(song.bars().subList(to, song.bars().size()), lengths, meters);
        Exchanged moved = new Exchanged(
                song.bars().get(from).startTick(),
                song.bars().get(middle).startTick(),
                song.bars().get(to - 1).endTick());
        List<Bar> bars = bars(lengths, meters);
        return new Edited(
                with(
                        song,
                        bars,
                        sections(song, moved, bars),
                        chart(song, moved),
                        line(song.melody(), moved),
                        line(song.bass(), moved)),
                moved);
    }

    private static boolean isPickup(Song song) {
        return song.bars().get(0).number() == 0;
    }

    /**
     * The song with one bar in two; all that sounds stays where it is.
     *
     * @param tick within the bar, where the second begins
     * @throws IllegalArgumentException if it is the bar's beginning, or either part makes no meter
     */
    public static Song split(Song song, int tick) {
        int index = song.barIndexAt(tick);
        Bar bar = song.bars().get(index);
        if (tick <= bar.startTick() || tick >= bar.endTick()) {
            throw new IllegalArgumentException(wording("BarEdit.a-bar-is-split-within"));
        }
        if (index == 0 && isPickup(song)) {
            throw new IllegalArgumentException(wording("BarEdit.a-pickup-is-not-split"));
        }
        int first = tick - bar.startTick();
        return withBars(song, index, index + 1, List.of(first, bar.lengthTicks() - first));
    }

    /**
     * The song with some bars as one; all that sounds stays where it is.
     *
     * @param to index of the first bar after them
     * @throws IllegalArgumentException if there is one only, they make no meter, or one is the pickup
     */
    public static Song join(Song song, int from, int to) {
        if (to - from < 2) {
            throw new IllegalArgumentException(wording("BarEdit.two-bars-at-least-are"));
        }
        if (from == 0 && isPickup(song)) {
            throw new IllegalArgumentException(wording("BarEdit.a-pickup-is-not-joined"));
        }
        int length = song.bars().get(to - 1).endTick() - song.bars().get(from).startTick();
        return withBars(song, from, to, List.of(length));
    }

    /** Bars of given lengths in the place of some that were as long together. */
    private static Song withBars(Song song, int from, int to, List<Integer> newLengths) {
        int unit = song.bars().get(from).meter().unit();
        List<Integer> lengths = new ArrayList<>();
        List<Meter> meters = new ArrayList<>();
        take(song.bars().subList(0, from), lengths, meters);
        for (int length : newLengths) {
            lengths.add(length);
            meters.add(Meter.ofTicks(length, unit)
                    .orElseThrow(() -> new IllegalArgumentException(
                            wording("BarEdit.a-bar-of-quarter-notes", Words.figure(length / (double) Ticks.QUARTER)))));
        }
        take(song.bars().subList(to, song.bars().size()), lengths, meters);
        return with(song, bars(lengths, meters), song.sections(), song.chart(), song.melody(), song.bass());
    }

    /**
     * The song with some bars in another meter: their ends are cut off with what sounds there, or rests are put there. A
     * pickup stays as long as it is where it is shorter than the meter.
     *
     * @param from index of the first of them
     * @param to index of the first bar after them
     */
    public static Edited withMeter(Song song, int from, int to, Meter meter) {
        List<Integer> lengths = new ArrayList<>();
        List<Meter> meters = new ArrayList<>();
        take(song.bars(), lengths, meters);
        List<Spliced> splices = new ArrayList<>();
        for (int index = from; index < to; index++) {
            Bar bar = song.bars().get(index);
            boolean pickup = index == 0 && isPickup(song) && bar.lengthTicks() < meter.barTicks();
            int length = pickup ? bar.lengthTicks() : meter.barTicks();
            int more = length - bar.lengthTicks();
            if (more != 0) {
                int at = bar.startTick() + Math.min(length, bar.lengthTicks());
                splices.add(new Spliced(at, Math.max(0, -more), Math.max(0, more)));
            }
            lengths.set(index, length);
            meters.set(index, meter);
        }
        return edited(song, lengths, meters, splices);
    }

    private static void take(List<Bar> bars, List<Integer> lengths, List<Meter> meters) {
        bars.forEach(bar -> {
            lengths.add(bar.lengthTicks());
            meters.add(bar.meter());
        });
    }

    private static Edited edited(Song song, List<Integer> lengths, List<Meter> meters, List<Spliced> splices) {
        Respaced moved = new Respaced(splices);
        List<Bar> bars = bars(lengths, meters);
        int end = bars.get(bars.size() - 1).endTick();
        Song edited = with(
                song,
                bars,
                sections(song, moved, end),
                chart(song, moved, end),
                line(song.melody(), moved),
                line(song.bass(), moved));
        return new Edited(edited, moved);
    }

    private static List<Bar> bars(List<Integer> lengths, List<Meter> meters) {
        List<Bar> bars = new ArrayList<>();
        int start = 0;
        for (int i = 0; i < lengths.size(); i++) {
            boolean pickup = i == 0 && lengths.get(0) < meters.get(0).barTicks();
            int number = i == 0 ? pickup ? 0 : 1 : bars.get(i - 1).number() + 1;
            bars.add(new Bar(number, start, lengths.get(i), meters.get(i)));
            start += lengths.get(i);
        }
        return bars;
    }

    private static Song with(
            Song song,
            List<Bar> bars,
            List<Section> sections,
            List<ChordChange> chart,
            List<MelodyNote> melody,
            List<MelodyNote> bass) {
        return new Song(song.title(), song.key(), song.tempo(), bars, sections, chart, melody, bass);
    }

    private static List<MelodyNote> line(List<MelodyNote> line, Exchanged moved) {
        return line.stream()
                .map(note -> note.at(
                        moved.tick(note.tick()), Math.min(note.endTick(), moved.endOfPiece(note.tick())) - note.tick()))
                .sorted(Comparator.comparingInt(MelodyNote::tick))
                .toList();
    }

    private static List<ChordChange> chart(Song song, Exchanged moved) {
        TreeMap<Integer, ChordChange> before = new TreeMap<>();
        song.chart().forEach(change -> before.put(change.startTick(), change));
        TreeMap<Integer, ChordChange> chart = new TreeMap<>();
        for (ChordChange change : song.chart()) {
            int tick = moved.tick(change.startTick());
            chart.put(tick, change.at(tick));
        }
        List<Integer> begun = new ArrayList<>();
        for (int begins : List.of(moved.from(), moved.middle(), moved.to())) {
            int tick = moved.tick(begins);
            if (begins < song.endTick() && !chart.containsKey(tick)) {
                Map.Entry<Integer, ChordChange> holds = before.floorEntry(begins);
                begun.add(tick);
                chart.put(
                        tick,
                        holds == null
                                ? new ChordChange(tick, Optional.empty())
                                : holds.getValue().at(tick));
            }
        }
        for (int begins : List.of(moved.from(), moved.from() + moved.to() - moved.middle(), moved.to())) {
            ChordChange here = chart.get(begins);
            Map.Entry<Integer, ChordChange> last = chart.lowerEntry(begins);
            // a chord that holds on is not written again where only its bars were
            boolean told = begun.contains(begins) || last != null && begun.contains(last.getKey());
            if (here != null
                    && told
                    && (last == null ? here.isNoChord() : last.getValue().sameChord(here))) {
                chart.remove(begins);
            }
        }
        return List.copyOf(chart.values());
    }

    private static List<Section> sections(Song song, Exchanged moved, List<Bar> bars) {
        Set<Integer> beginnings = bars.stream().map(Bar::startTick).collect(Collectors.toSet());
        TreeMap<Integer, Section> sections = new TreeMap<>();
        List<Section> divided = new ArrayList<>();
        for (Section section : song.sections()) {
            if (song.sectionEnd(section.startTick()) <= moved.endOfPiece(section.startTick())) {
                put(sections, section, moved.tick(section.startTick()));
            } else {
                divided.add(section);
            }
        }
        for (Section section : divided) {
            int start = section.startTick();
            boolean stays = beginnings.contains(start) && !sections.containsKey(start);
            put(sections, section, stays ? start : moved.tick(start));
        }
        return List.copyOf(sections.values());
    }

    private static void put(TreeMap<Integer, Section> sections, Section section, int tick) {
        sections.put(tick, new Section(section.name(), tick, section.varied()));
    }

    private static List<MelodyNote> line(List<MelodyNote> line, Respaced moved) {
        List<MelodyNote> left = new ArrayList<>();
        for (MelodyNote note : line) {
            int last = moved.last(note.tick());
            boolean goes =
                    last >= 0 && note.tick() < endOfRemoved(moved.splices().get(last));
            if (!goes) {
                int end = last + 1 < moved.splices().size()
                        ? Math.min(note.endTick(), moved.splices().get(last + 1).at())
                        : note.endTick();
                left.add(note.at(moved.tick(note.tick()), end - note.tick()));
            }
        }
        return left;
    }

    private static int endOfRemoved(Spliced splice) {
        return splice.at() + splice.removed();
    }

    private static List<ChordChange> chart(Song song, Respaced moved, int end) {
        TreeMap<Integer, ChordChange> chart = new TreeMap<>();
        for (ChordChange change : song.chart()) {
            // of several that move to one place the last one holds
            int tick = moved.tick(change.startTick());
            chart.put(tick, change.at(tick));
        }
        chart.tailMap(end, true).clear();
        Set<Integer> changes = song.chart().stream().map(ChordChange::startTick).collect(Collectors.toSet());
        for (int i = moved.splices().size() - 1; i >= 0; i--) {
            Spliced splice = moved.splices().get(i);
            int at = moved.placeOf(i);
            ChordChange here = chart.get(at);
            boolean again = splice.removed() > 0
                    && here != null
                    && chart.lowerEntry(at) != null
                    && chart.lowerEntry(at).getValue().sameChord(here);
            if (again && !changes.contains(endOfRemoved(splice))) {
                chart.remove(at);
            }
        }
        return List.copyOf(chart.values());
    }

    private static List<Section> sections(Song song, Respaced moved, int end) {
        TreeMap<Integer, Section> sections = new TreeMap<>();
        for (Section section : song.sections()) {
            put(sections, section, moved.tick(section.startTick()));
        }
        sections.tailMap(end, true).clear();
        return List.copyOf(sections.values());
    }
}
