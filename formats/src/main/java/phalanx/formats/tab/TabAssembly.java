package phalanx.formats.tab;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.IntStream;
import phalanx.arrange.Written;
import phalanx.arrange.WrittenNote;
import phalanx.formats.reading.FormatException;
import phalanx.formats.reading.Reading;
import phalanx.guitar.Guitar;
import phalanx.guitar.Instrument;
import phalanx.guitar.Tuning;
import phalanx.song.Bar;
import phalanx.song.BarMarks;
import phalanx.song.ChordChange;
import phalanx.song.MelodyNote;
import phalanx.song.Meter;
import phalanx.song.Section;
import phalanx.song.Song;
import phalanx.song.Ticks;
import phalanx.song.build.SongBuilder;
import phalanx.song.build.Timeline;
import phalanx.technique.Hit;
import phalanx.theory.ChordSymbol;
import phalanx.theory.Key;
import phalanx.theory.KeyFinder;
import phalanx.theory.Pitch;

/** Makes a song and its written notes of the bars of a tablature, in the order of playing. */
final class TabAssembly {
    private static final int MOST_NOTES = 100_000;
    private static final String TUNE = "tune";

    private final String title;
    private final int tempo;
    private final Optional<Meter> namedMeter;
    private final Optional<Key> namedKey;
    private final Tuning tuning;
    private final int capo;
    private final List<String> report;
    private final Instrument instrument;

    private final List<Bar> bars = new ArrayList<>();
    private final List<Section> sections = new ArrayList<>();
    private final List<WrittenNote> notes = new ArrayList<>();
    private final TreeMap<Integer, Hit> hits = new TreeMap<>();
    private final TreeMap<Integer, Optional<ChordSymbol>> chords = new TreeMap<>();

    TabAssembly(
            String title,
            int tempo,
            Optional<Meter> meter,
            Optional<Key> key,
            Tuning tuning,
            int capo,
            List<String> report) {
        this.title = title;
        this.tempo = tempo;
        this.namedMeter = meter;
        this.namedKey = key;
        this.tuning = tuning;
        this.capo = capo;
        this.report = report;
        this.instrument = new Instrument(Guitar.STEEL, tuning, capo);
    }

    /** @param told what the file tells of its bars, if it does */
    Reading read(List<TabSystem> systems, TabTimes.Told told) throws FormatException {
        List<TabBar> written = new ArrayList<>();
        systems.forEach(system -> written.addAll(system.bars()));
        if (written.stream().allMatch(bar -> bar.cells().isEmpty())) {
            throw new FormatException("", wording("TabAssembly.the-tablature-has-no-fret"));
        }
        if (fit(told.bars(), written)) {
            return told(told, written);
        }
        if (!told.bars().isEmpty()) {
            report.add(wording("TabAssembly.the-lines-for-programs-do"));
        }
        Meter meter = namedMeter.orElseGet(() -> counted(written));
        boolean pickup = isPickup(written, meter);
        List<Meter> meters = new ArrayList<>();
        for (TabBar bar : written) {
            meters.add(bar.meter().orElse(meters.isEmpty() ? meter : meters.get(meters.size() - 1)));
        }
        TabSpacing spacing = new TabSpacing(written);
        for (int i = 0; i < written.size(); i++) {
            TabBar bar = written.get(i);
            boolean exact = addBar(bar, meters.get(i), spacing, pickup && bars.isEmpty());
            if (!exact) {
                report.add(wording(
                        "TabAssembly.bar-the-spacing-fits-no",
                        bars.get(bars.size() - 1).number()));
            }
        }
        if (notes.size() > MOST_NOTES) {
            throw new FormatException("", wording("TabAssembly.the-tablature-has-more-than", MOST_NOTES));
        }
        return song(marks(written));
    }

    private static boolean fit(List<TabTimes.Line> times, List<TabBar> written) {
        return times.size() == written.size()
                && IntStream.range(0, times.size())
                        .allMatch(i -> TabRhythm.moments(written.get(i)).size()
                                == times.get(i).times().size());
    }

    /** The song as it was written out by this program. */
    private Reading told(TabTimes.Told told, List<TabBar> written) throws FormatException {
        List<TabTimes.Line> times = told.bars();
        List<ChordChange> chart = new ArrayList<>();
        List<MelodyNote> tune = new ArrayList<>();
        List<MelodyNote> bass = new ArrayList<>();
        TabSpacing spacing = new TabSpacing(written);
        for (int i = 0; i < times.size(); i++) {
            TabTimes.Line line = times.get(i);
            TabBar bar = written.get(i);
            TreeMap<Integer, Integer> columns = new TreeMap<>();
            TabRhythm.moments(bar)
                    .forEach(column -> columns.put(column, line.times().get(columns.size())));
            bars.add(line.bar());
            sections.addAll(line.sections());
            for (TabBar.Cell cell : bar.cells()) {
                checkFret(bar, cell, line.bar().number());
                addNote(columns.floorEntry(cell.column()).getValue(), cell);
            }
            addHits(bar, line, columns, spacing);
            chart.addAll(line.chords());
            tune.addAll(line.tune());
            bass.addAll(line.bass());
        }
        try {
            Song song = new Song(told.title(), told.key(), told.tempo(), bars, sections, chart, tune, bass);
            return new Reading(
                    song,
                    report,
                    Optional.of(new Written(tuning, capo, notes, List.copyOf(hits.values()))),
                    List.of(),
                    0);
        } catch (IllegalArgumentException e) {
            throw new FormatException(wording("TabAssembly.the-lines-for-programs"), e.getMessage());
        }
    }

    private static List<BarMarks> marks(List<TabBar> written) {
        return written.stream()
                .map(bar ->
                        new BarMarks(bar.repeatStart(), bar.repeatEnd() ? 2 : 0, Set.of(), Set.of(), Optional.empty()))
                .toList();
    }

    /** The meter that the counting line goes up to; common time where there is none. */
    private Meter counted(List<TabBar> written) {
        int most = written.stream()
                .flatMap(bar -> bar.counts().stream())
                .filter(word -> Character.isDigit(word.text().charAt(0)))
                .mapToInt(word -> Integer.parseInt(word.text()))
                .max()
                .orElse(0);
        boolean between = written.stream()
                .flatMap(bar -> bar.counts().stream())
                .anyMatch(word -> !Character.isDigit(word.text().charAt(0)));
        if (most < 1 || most > 12) {
            report.add(wording("TabAssembly.no-meter-is-named-and"));
            return Meter.COMMON;
        }
        return new Meter(most, !between && most % 3 == 0 && most > 3 ? 8 : 4);
    }

    private static boolean isPickup(List<TabBar> written, Meter meter) {
        TabBar first = written.get(0);
        if (first.number().isPresent() && written.size() > 1) {
            return first.number().get() == 0;
        }
        if (!first.counts().isEmpty()) {
            return !first.counts().get(0).text().equals("1");
        }
        return written.size() > 1 && 2 * first.width() <= written.get(1).width() && meter.beats() > 1;
    }

    /** Adds a bar; says whether its columns fit a grid without rounding. */
    private boolean addBar(TabBar bar, Meter meter, TabSpacing spacing, boolean pickup) throws FormatException {
        int start = bars.isEmpty() ? 0 : bars.get(bars.size() - 1).endTick();
        int number =
                bars.isEmpty() ? (pickup ? 0 : 1) : bars.get(bars.size() - 1).number() + 1;
        int ticks = pickup ? pickupTicks(bar, meter) : meter.barTicks();
        if (bars.size() == Song.MOST_BARS) {
            throw new FormatException("", wording("TabAssembly.the-tablature-has-more-than-2", Song.MOST_BARS));
        }
        bars.add(new Bar(number, start, ticks, meter));
        bar.section().ifPresent(name -> sections.add(new Section(name, start)));
        TabRhythm.Times times = spacing.times(bar, meter, ticks);
        for (TabBar.Cell cell : bar.cells()) {
            checkFret(bar, cell, number);
            addNote(start + times.times().floorEntry(cell.column()).getValue(), cell);
        }
        addHits(bar, start, times.times());
        addChords(bar, start, ticks, spacing.pad(bar));
        return times.exact();
    }

    private void checkFret(TabBar bar, TabBar.Cell cell, int number) throws FormatException {
        if (!instrument.has(cell.string(), cell.fret())) {
            throw new FormatException(
                    wording("TabAssembly.line-bar", bar.line() + cell.string() - 1, number),
                    wording(
                            "TabAssembly.fret-is-beyond-the-neck",
                            cell.fret(),
                            instrument.highestFret(),
                            capo > 0 ? wording("TabAssembly.above-the-capo") : ""));
        }
    }

    private void addNote(int tick, TabBar.Cell cell) {
        boolean taken = notes.stream()
                .skip(Math.max(0, notes.size() - tuning.strings()))
                .anyMatch(note -> note.tick() == tick && note.string() == cell.string());
        if (!taken) {
            notes.add(new WrittenNote(tick, cell.string(), cell.fret(), cell.way()));
        }
    }

    private void addHits(TabBar bar, int start, TreeMap<Integer, Integer> times) {
        for (TabBar.HitSign hit : bar.hits()) {
            int tick = start + times.floorEntry(hit.column()).getValue();
            hits.put(tick, new Hit(tick, hit.kind()));
        }
    }

    /**
     * The hits that a file tells; where its row of hits was changed, those of the row.
     *
     * @param columns when each column of notes sounds
     */
    private void addHits(TabBar bar, TabTimes.Line told, TreeMap<Integer, Integer> columns, TabSpacing spacing) {
        if (isAsTold(bar.hits(), told.hits(), columns)) {
            told.hits().forEach(hit -> hits.put(hit.tick(), hit));
            return;
        }
        int start = told.bar().startTick();
        TreeMap<Integer, Integer> times =
                spacing.times(bar, told.bar().meter(), told.bar().lengthTicks()).times();
        columns.forEach((column, tick) -> times.put(column, tick - start));
        addHits(bar, start, times);
    }

    /** Whether a row has the hits that are told, each under its notes where some begin with it. */
    private static boolean isAsTold(List<TabBar.HitSign> row, List<Hit> told, TreeMap<Integer, Integer> columns) {
        return row.size() == told.size()
                && IntStream.range(0, row.size())
                        .allMatch(i -> row.get(i).kind() == told.get(i).kind()
                                && (columns.containsValue(told.get(i).tick())
                                        ? Objects.equals(
                                                columns.get(row.get(i).column()),
                                                told.get(i).tick())
                                        : !columns.containsKey(row.get(i).column())));
    }

    private static int pickupTicks(TabBar bar, Meter meter) {
        int beat = meter.compound() ? meter.stepTicks() : meter.beatTicks();
        int lead = bar.beginsOffBeat() ? beat / 2 : 0;
        int missing =
                bar.firstNumber().map(first -> (first - 1) * beat).orElse(meter.barTicks() - (lead == 0 ? beat : 0));
        int ticks = meter.barTicks() - missing + lead;
        return ticks > 0 && ticks <= meter.barTicks() ? ticks : beat;
    }

    private void addChords(TabBar bar, int start, int ticks, int pad) {
        int beats = Math.max(1, ticks / bars.get(bars.size() - 1).meter().beatTicks());
        for (TabBar.Word word : bar.chords()) {
            double share = (word.column() - pad) / (double) Math.max(1, bar.width() - pad);
            int beat = (int) Math.max(0, Math.min(beats - 1, Math.round(share * beats)));
            Optional<ChordSymbol> chord =
                    ChordSymbol.isNoChord(word.text()) ? Optional.empty() : Optional.of(ChordSymbol.parse(word.text()));
            chords.put(start + ticks / beats * beat, chord);
        }
    }

    private Reading song(List<BarMarks> marks) throws FormatException {
        Key key = namedKey.orElseGet(this::foundKey);
        List<MelodyNote> tune = new TabTune(instrument, bars, key).of(notes);
        Timeline time = new Timeline(bars);
        Set<Long> ticks = new HashSet<>();
        for (MelodyNote note : tune) {
            time.note(TUNE, note.tick(), note.lengthTicks(), note.pitch(), Optional.empty());
            ticks.add((long) note.tick() << Byte.SIZE | note.midi());
        }
        for (WrittenNote note : notes) {
            int midi = note.midi(instrument);
            if (!ticks.contains((long) note.tick() << Byte.SIZE | midi)) {
                int left = bars.get(bars.size() - 1).endTick() - note.tick();
                time.note("others", note.tick(), Math.min(left, Ticks.QUARTER), Pitch.of(midi, key), Optional.empty());
            }
        }
        Optional<ChordSymbol> before = Optional.empty();
        for (Map.Entry<Integer, Optional<ChordSymbol>> entry : chords.entrySet()) {
            if (entry.getKey().equals(chords.firstKey()) || !entry.getValue().equals(before)) {
                time.chord(new ChordChange(entry.getKey(), entry.getValue()));
            }
            before = entry.getValue();
        }
        sections.forEach(section -> time.section(section.startTick(), section.name()));
        SongBuilder song = new SongBuilder();
        song.title(title);
        song.key(key);
        song.tempo(tempo);
        report.add(wording("TabAssembly.the-highest-notes-are-taken", tune.size(), notes.size()));
        report.forEach(line -> song.report().say("", line));
        try {
            time.fill(song, marks);
            SongBuilder.Built built = song.build(TUNE, title);
            return new Reading(
                    built.song(),
                    song.report().lines(),
                    Optional.of(new Written(
                            tuning,
                            capo,
                            built.inOrder(notes, WrittenNote::tick, WrittenNote::at),
                            built.inOrder(List.copyOf(hits.values()), Hit::tick, Hit::at))),
                    List.of(),
                    0);
        } catch (IllegalArgumentException e) {
            throw new FormatException("", e.getMessage());
        }
    }

    private Key foundKey() {
        List<KeyFinder.Weighted> weighted = chords.values().stream()
                .flatMap(Optional::stream)
                .map(chord -> new KeyFinder.Weighted(chord, 1))
                .toList();
        double[] heard = new double[12];
        new TabTune(instrument, bars, Key.C_MAJOR)
                .of(notes)
                .forEach(note -> heard[note.midi() % 12] += note.lengthTicks());
        return new KeyFinder(weighted, heard).find();
    }
}
