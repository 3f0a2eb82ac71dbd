package phalanx.song;

import static phalanx.words.Words.wording;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import phalanx.theory.ChordSymbol;
import phalanx.theory.Key;

/**
 * A song: chart and melody on one line of bars.
 *
 * @param title as shown
 * @param key its key
 * @param tempo quarter notes a minute, 20 to 400
 * @param bars in order, without gaps, at most 2,000
 * @param sections in order of their start
 * @param chart chord changes in order of their start
 * @param melody notes in order; none begins before the one before it ends
 * @param bass what the thumb plays where the player wrote its line: notes in order, one at a time, without words. In
 *     bars with such notes the bass line of the picking is silent
 */
public record Song(
        String title,
        Key key,
        int tempo,
        List<Bar> bars,
        List<Section> sections,
        List<ChordChange> chart,
        List<MelodyNote> melody,
        List<MelodyNote> bass) {
    public static final int MOST_BARS = 2000;
    public static final int SLOWEST = 20;
    public static final int FASTEST = 400;
    private static final int OCTAVE = 12;

    public Song {
        Objects.requireNonNull(title, "title");
        Objects.requireNonNull(key, "key");
        bars = List.copyOf(bars);
        sections = List.copyOf(sections);
        chart = List.copyOf(chart);
        melody = List.copyOf(melody);
        bass = List.copyOf(bass);
        if (tempo < SLOWEST || tempo > FASTEST) {
            throw new IllegalArgumentException(wording("Song.tempo-is-outside-20-to", tempo));
        }
        if (bars.isEmpty() || bars.size() > MOST_BARS) {
            throw new IllegalArgumentException(wording("Song.a-song-has-1-to", MOST_BARS, bars.size()));
        }
        checkBars(bars);
        int end = bars.get(bars.size() - 1).endTick();
        checkLine(wording("Song.melody"), melody, end);
        checkLine(wording("Song.bass"), bass, end);
        if (bass.stream()
                .anyMatch(note -> note.syllable().isPresent()
                        || note.below().isPresent()
                        || !note.graces().isEmpty())) {
            throw new IllegalArgumentException(wording("Song.the-bass-has-words-or"));
        }
        checkChart(chart, end);
    }

    /** One whose bass the picking plays. */
    public Song(
            String title,
            Key key,
            int tempo,
            List<Bar> bars,
            List<Section> sections,
            List<ChordChange> chart,
            List<MelodyNote> melody) {
        this(title, key, tempo, bars, sections, chart, melody, List.of());
    }

    private static void checkBars(List<Bar> bars) {
        int at = 0;
        for (Bar bar : bars) {
            if (bar.startTick() != at) {
                throw new IllegalArgumentException(wording("Song.bar-does-not-begin-where", bar.number()));
            }
            at = bar.endTick();
        }
    }

    private static void checkLine(String name, List<MelodyNote> line, int end) {
        int at = 0;
        for (MelodyNote note : line) {
            if (note.tick() < at) {
                throw new IllegalArgumentException(
                        wording("Song.note-at-tick-begins-before", name, note.pitch(), note.tick()));
            }
            at = note.endTick();
        }
        if (at > end) {
            throw new IllegalArgumentException(wording("Song.the-ends-after-the-last", name));
        }
    }

    private static void checkChart(List<ChordChange> chart, int end) {
        int at = -1;
        for (ChordChange change : chart) {
            if (change.startTick() <= at || change.startTick() >= end) {
                throw new IllegalArgumentException(
                        wording("Song.chord-at-tick-is-out", change.symbol(), change.startTick()));
            }
            at = change.startTick();
        }
    }

    public int endTick() {
        return bars.get(bars.size() - 1).endTick();
    }

    /** The bar that sounds at a tick; the last one for ticks beyond the end. */
    public Bar barAt(int tick) {
        return bars.get(barIndexAt(tick));
    }

    /** Index in {@link #bars()} of the bar that sounds at a tick. */
    public int barIndexAt(int tick) {
        return Math.max(0, Bisection.last(bars.size(), index -> bars.get(index).startTick() <= tick));
    }

    /** The melody notes that begin from a tick up to another, not included. */
    public List<MelodyNote> melodyBetween(int from, int to) {
        return melody.subList(firstFrom(melody, from), firstFrom(melody, to));
    }

    /** The notes of the own bass that begin from a tick up to another, not included. */
    public List<MelodyNote> bassBetween(int from, int to) {
        return bass.subList(firstFrom(bass, from), firstFrom(bass, to));
    }

    private static int firstFrom(List<MelodyNote> line, int tick) {
        return Bisection.first(line.size(), index -> line.get(index).tick() >= tick);
    }

    /** Index in {@link #chart()} of the chord that holds at a tick; -1 before the first. */
    public int chordIndexAt(int tick) {
        return Bisection.last(chart.size(), index -> chart.get(index).startTick() <= tick);
    }

    /** Where a chord change's stretch ends: at the next change or the end of the song. */
    public int chordEnd(int index) {
        return index + 1 < chart.size() ? chart.get(index + 1).startTick() : endTick();
    }

    /** Where the section that has a tick ends: at the next section or the end of the song. */
    public int sectionEnd(int tick) {
        int next = Bisection.first(sections.size(), index -> sections.get(index).startTick() > tick);
        return next < sections.size() ? sections.get(next).startTick() : endTick();
    }

    /** The chord that holds at a tick; nothing before the first one and where none is to sound. */
    public Optional<ChordSymbol> chordAt(int tick) {
        return chart.stream()
                .filter(change -> change.startTick() <= tick)
                .reduce((before, later) -> later)
                .flatMap(ChordChange::chord);
    }

    /**
     * The song that many semitones higher: melody, chords and key, respelled unless it is whole octaves. An own bass goes
     * to the same notes the near way: it lies low whatever the tune does.
     */
    public Song transpose(int semitones) {
        if (semitones == 0) {
            return this;
        }
        Key newKey = key.transpose(semitones);
        List<ChordChange> newChart = chart.stream()
                .map(change -> change.transpose(semitones, newKey))
                .toList();
        List<MelodyNote> newMelody =
                melody.stream().map(note -> note.transpose(semitones, newKey)).toList();
        int near = Math.floorMod(semitones + OCTAVE / 2, OCTAVE) - OCTAVE / 2;
        List<MelodyNote> newBass =
                bass.stream().map(note -> note.transpose(near, newKey)).toList();
        return new Song(title, newKey, tempo, bars, sections, newChart, newMelody, newBass);
    }

    public Song withBars(List<Bar> newBars) {
        return new Song(title, key, tempo, newBars, sections, chart, melody, bass);
    }

    public Song withSections(List<Section> newSections) {
        return new Song(title, key, tempo, bars, newSections, chart, melody, bass);
    }

    public Song withChart(List<ChordChange> newChart) {
        return new Song(title, key, tempo, bars, sections, newChart, melody, bass);
    }

    public Song withMelody(List<MelodyNote> newMelody) {
        return new Song(title, key, tempo, bars, sections, chart, newMelody, bass);
    }

    /** The song with an own bass in place of the one it has. */
    public Song withBass(List<MelodyNote> newBass) {
        return new Song(title, key, tempo, bars, sections, chart, melody, newBass);
    }

    public Song withTitle(String newTitle) {
        return newTitle.equals(title) ? this : new Song(newTitle, key, tempo, bars, sections, chart, melody, bass);
    }

    /** The same notes and chords, said to be in another key. */
    public Song inKey(Key newKey) {
        return newKey.equals(key) ? this : new Song(title, newKey, tempo, bars, sections, chart, melody, bass);
    }

    public Song withTempo(int newTempo) {
        return newTempo == tempo ? this : new Song(title, key, newTempo, bars, sections, chart, melody, bass);
    }
}
