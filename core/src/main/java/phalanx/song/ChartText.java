package phalanx.song;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A chart typed in bars. A bar stands between bar lines; its entries share it evenly, a dot holds the chord before, a
 * single {@code %} is the bar before once more:
 *
 * <pre>
 * [A] | G . D/F# . | Em7 | % | 3/4 C . D | N.C. |
 * |: Am | F | 1. G :| 2. C |
 * </pre>
 *
 * Names in brackets begin sections, {@code |:} and {@code :|} repeat, {@code 1.} and {@code 2.} begin endings, a meter
 * holds from its bar on. Frets from the lowest string say how a chord shall be held, with its name or without:
 * {@code C(x32010)}, {@code x32010}, {@code x-10-12-12-12-x}. A first bar of at most half the next one's length is a pickup.
 *
 * @param bars as written
 * @param marks one for each bar, about the order of playing
 * @param chart as written
 * @param sections as written
 * @param mistakes what is not understood, in order of place; the bars around them are read all the same
 */
public record ChartText(
        List<Bar> bars, List<BarMarks> marks, List<ChordChange> chart, List<Section> sections, List<Mistake> mistakes) {
    private static final Pattern METER = Pattern.compile("(\\d{1,2})/(\\d{1,2})");
    private static final Pattern ENDING = Pattern.compile("([1-9])\\.");
    private static final Pattern WORD = Pattern.compile("\\[[^\\]\\n|]*\\]?|\\|+:?|:\\|+:?|[^\\s|\\[]+");
    private static final int BARS_A_LINE = 4;

    /**
     * A word that is not understood.
     *
     * @param from index of its first character
     * @param to index after its last one
     * @param message what is wrong and what helps
     */
    public record Mistake(int from, int to, String message) {
        public Mistake {
            Objects.requireNonNull(message, "message");
        }
    }

    public ChartText {
        bars = List.copyOf(bars);
        marks = List.copyOf(marks);
        chart = List.copyOf(chart);
        sections = List.copyOf(sections);
        mistakes = List.copyOf(mistakes);
    }

    /**
     * Reads a chart.
     *
     * @param meter of the first bar, unless one is written there
     */
    public static ChartText parse(String text, Meter meter) {
        return new Parser(meter).parse(text);
    }

    /**
     * The song with this chart in place of its own, written out in the order of playing. The tune stays where it is;
     * where it goes on after the chart, bars are added for it.
     *
     * @throws IllegalArgumentException if there are mistakes or no bars, or repeats lead nowhere
     */
    public Song over(Song song) {
        if (!mistakes.isEmpty()) {
            throw new IllegalArgumentException(mistakes.get(0).message());
        }
        if (bars.isEmpty()) {
            throw new IllegalArgumentException(wording("ChartText.the-chart-has-no-bars"));
        }
        Song bare = new Song(song.title(), song.key(), song.tempo(), bars, sections, chart, List.of());
        Song played = Unfolding.of(bare, marks);
        Song lines = aligned(song, played);
        return TuneEdit.withBass(TuneEdit.withTune(played, lines.melody()), lines.bass());
    }

    /**
     * The song with bars put in or taken out where the new chart has more or fewer between what is the same before and
     * after: its tune goes along with its chords.
     */
    private static Song aligned(Song song, Song played) {
        return moved(song, played)
                .map(moved -> {
                    int index = song.barIndexAt(moved.at());
                    index = moved.at() >= song.endTick() ? song.bars().size() : index;
                    if (moved.removed() > 0) {
                        int to = index;
                        while (song.bars().get(to).endTick() < moved.at() + moved.removed()) {
                            to++;
                        }
                        return BarEdit.delete(song, index, to + 1).song();
                    }
                    Song longer = song;
                    for (Bar bar : played.bars()) {
                        if (bar.startTick() >= moved.at() && bar.startTick() < moved.at() + moved.added()) {
                            longer = BarEdit.insert(longer, index++, 1, bar.ownMeter())
                                    .song();
                        }
                    }
                    return longer;
                })
                .orElse(song);
    }

    /** Which bars a song with the same tune has more or less than another one; nothing where it is as long. */
    public static Optional<Spliced> moved(Song before, Song after) {
        int more = after.bars().size() - before.bars().size();
        int least = Math.min(after.bars().size(), before.bars().size());
        int same = 0;
        while (same < least && content(before, same).equals(content(after, same))) {
            same++;
        }
        int tail = 0;
        while (tail < least - same
                && content(before, before.bars().size() - 1 - tail)
                        .equals(content(after, after.bars().size() - 1 - tail))) {
            tail++;
        }
        // what was changed at the end moves nothing
        if (more == 0 || tail == 0 || same + tail < least) {
            return Optional.empty();
        }
        Song longer = more > 0 ? after : before;
        int at = longer.bars().get(same).startTick();
        int ticks = longer.bars().get(same + Math.abs(more) - 1).endTick() - at;
        return Optional.of(more > 0 ? new Spliced(at, 0, ticks) : new Spliced(at, ticks, 0));
    }

    /** What a chart says of a bar: its length and meter, and the chords that begin in it. */
    private static List<Object> content(Song song, int index) {
        Bar bar = song.bars().get(index);
        List<Object> content = new ArrayList<>(List.of(bar.lengthTicks(), bar.meter()));
        song.chart().stream()
                .filter(change -> bar.contains(change.startTick()))
                .forEach(change -> content.add(change.at(change.startTick() - bar.startTick())));
        return content;
    }

    /** A song's chart as text, four bars a line. */
    public static String of(Song song) {
        StringBuilder text = new StringBuilder();
        Meter meter = Meter.COMMON;
        int inLine = 0;
        for (Bar bar : song.bars()) {
            Optional<Section> section = song.sections().stream()
                    .filter(one -> bar.contains(one.startTick()))
                    .findFirst();
            if (section.isPresent() || inLine == BARS_A_LINE) {
                text.append(inLine > 0 ? "|\n" : "");
                inLine = 0;
            }
            section.ifPresent(one -> text.append('[').append(one.name()).append("] "));
            text.append("| ");
            if (!bar.ownMeter().equals(meter) || bar == song.bars().get(0)) {
                meter = bar.ownMeter();
                text.append(meter).append(' ');
            }
            text.append(entries(song, bar)).append(' ');
            inLine++;
        }
        return text.append("|\n").toString();
    }

    private static String entries(Song song, Bar bar) {
        List<ChordChange> changes = song.chart().stream()
                .filter(change -> bar.contains(change.startTick()))
                .toList();
        if (changes.isEmpty()) {
            return ".";
        }
        int places = places(bar, changes);
        StringBuilder text = new StringBuilder();
        for (int place = 0; place < places; place++) {
            int tick = bar.startTick() + bar.lengthTicks() / places * place;
            String entry = changes.stream()
                    .filter(change -> change.startTick() == tick)
                    .map(ChordChange::symbol)
                    .findFirst()
                    .orElse(".");
            text.append(place > 0 ? " " : "").append(entry);
        }
        return text.toString();
    }

    /** The fewest even parts in which every change of the bar falls on one. */
    private static int places(Bar bar, List<ChordChange> changes) {
        for (int places = 1; places <= 4 * bar.meter().beats(); places++) {
            int part = bar.lengthTicks() / places;
            boolean usable = bar.lengthTicks() % places == 0
                    && (bar.meter().beats() % places == 0
                            || places % bar.meter().beats() == 0);
            if (usable && changes.stream().allMatch(change -> (change.startTick() - bar.startTick()) % part == 0)) {
                return places;
            }
        }
        return 4 * bar.meter().beats();
    }

    private static final class Parser {
        private final List<Bar> bars = new ArrayList<>();
        private final List<BarMarks> marks = new ArrayList<>();
        private final List<ChordChange> chart = new ArrayList<>();
        private final List<Section> sections = new ArrayList<>();
        private final List<Mistake> mistakes = new ArrayList<>();
        private final List<Entry> entries = new ArrayList<>();
        private Meter meter;
        private int at;
        private boolean repeatStart;
        private Set<Integer> endings = Set.of();
        private Optional<String> section = Optional.empty();

        Parser(Meter meter) {
            this.meter = meter;
        }

        private record Entry(String word, int from, int to) {}

        ChartText parse(String text) {
            Matcher words = WORD.matcher(text);
            while (words.find()) {
                Entry entry = new Entry(words.group(), words.start(), words.end());
                if (entry.word.contains("|")) {
                    barLine(entry.word);
                } else if (entry.word.startsWith("[")) {
                    openSection(entry);
                } else {
                    entries.add(entry);
                }
            }
            endBar(0);
            if (bars.size() > 1 && Bar.isPickup(bars.get(0).meter(), bars.get(1).meter())) {
                Bar first = bars.get(0);
                bars.set(0, new Bar(0, 0, first.lengthTicks(), bars.get(1).meter()));
                bars.replaceAll(bar -> bar.number() == 0
                        ? bar
                        : new Bar(bar.number() - 1, bar.startTick(), bar.lengthTicks(), bar.meter()));
            }
            return new ChartText(bars, marks, chart, sections, mistakes);
        }

        private void barLine(String line) {
            endBar(line.startsWith(":") ? 2 : 0);
            repeatStart |= line.endsWith(":");
        }

        private void openSection(Entry entry) {
            String name = entry.word.replaceAll("[\\[\\]]", "").trim();
            if (!entry.word.endsWith("]") || name.isEmpty()) {
                mistake(entry, wording("ChartText.a-section-needs-a-name"));
            } else {
                section = Optional.of(name);
            }
        }

        private void mistake(Entry entry, String what) {
            mistakes.add(new Mistake(entry.from, entry.to, what));
        }

        private void endBar(int timesToEnd) {
            takeMeterAndEnding();
            if (entries.isEmpty()) {
                if (timesToEnd > 0 && !marks.isEmpty()) {
                    BarMarks last = marks.remove(marks.size() - 1);
                    marks.add(new BarMarks(last.repeatStart(), timesToEnd, last.endings(), Set.of(), Optional.empty()));
                    endings = Set.of();
                }
                return;
            }
            Bar bar = new Bar(bars.size() + 1, at, meter.barTicks(), meter);
            section.ifPresent(name -> sections.add(new Section(name, bar.startTick())));
            section = Optional.empty();
            if (entries.size() == 1 && entries.get(0).word.equals("%")) {
                repeatBar(bar, entries.get(0));
            } else {
                addChords(bar);
            }
            bars.add(bar);
            marks.add(new BarMarks(repeatStart, timesToEnd, endings, Set.of(), Optional.empty()));
            repeatStart = false;
            endings = timesToEnd > 0 ? Set.of() : endings;
            at = bar.endTick();
            entries.clear();
        }

        private void takeMeterAndEnding() {
            while (!entries.isEmpty()) {
                Entry first = entries.get(0);
                Matcher written = METER.matcher(first.word);
                Matcher ending = ENDING.matcher(first.word);
                if (written.matches()) {
                    takeMeter(first, written);
                } else if (ending.matches()) {
                    endings = Set.of(Integer.parseInt(ending.group(1)));
                } else {
                    return;
                }
                entries.remove(0);
            }
        }

        private void takeMeter(Entry entry, Matcher written) {
            try {
                meter = new Meter(Integer.parseInt(written.group(1)), Integer.parseInt(written.group(2)));
            } catch (IllegalArgumentException e) {
                mistake(entry, e.getMessage());
            }
        }

        private void repeatBar(Bar bar, Entry entry) {
            if (bars.isEmpty()) {
                mistake(entry, wording("ChartText.there-is-no-bar-before"));
                return;
            }
            Bar before = bars.get(bars.size() - 1);
            List<ChordChange> again = chart.stream()
                    .filter(change -> before.contains(change.startTick()))
                    .toList();
            for (ChordChange change : again) {
                int tick = change.startTick() - before.startTick() + bar.startTick();
                if (tick < bar.endTick()) {
                    chart.add(change.at(tick));
                }
            }
        }

        private void addChords(Bar bar) {
            int places = entries.size();
            int beats = meter.beats();
            boolean felt = bar.lengthTicks() / meter.beatTicks() == places;
            if (beats % places != 0 && places % beats != 0 && !felt || bar.lengthTicks() % places != 0) {
                mistake(entries.get(places - 1), wording("ChartText.entries-do-not-share-beats", places, beats));
                return;
            }
            for (int place = 0; place < places; place++) {
                addChord(entries.get(place), bar.startTick() + bar.lengthTicks() / places * place);
            }
        }

        private void addChord(Entry entry, int tick) {
            if (entry.word.equals(".") || entry.word.equals("%")) {
                return;
            }
            try {
                chart.add(ChordChange.parse(tick, entry.word));
            } catch (IllegalArgumentException e) {
                mistake(entry, e.getMessage());
            }
        }
    }
}
