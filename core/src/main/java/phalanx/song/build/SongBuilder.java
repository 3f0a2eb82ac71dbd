package phalanx.song.build;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.BiFunction;
import java.util.function.ToIntFunction;
import java.util.stream.IntStream;
import phalanx.song.Bar;
import phalanx.song.BarMarks;
import phalanx.song.ChordChange;
import phalanx.song.ChordProposal;
import phalanx.song.MelodyNote;
import phalanx.song.Meter;
import phalanx.song.Section;
import phalanx.song.Song;
import phalanx.song.Unfolding;
import phalanx.theory.Key;
import phalanx.theory.Pitch;

/**
 * Takes what one part of a song holds, bar after bar, and makes the song of one of its voices. The rules for bars, ties,
 * notes at once, repeats and chords are the same whatever the file; see {@link BarLengths} for how long bars are.
 */
public final class SongBuilder {
    /** Said of a song without a tune. */
    public static final String NO_TUNE = wording("SongBuilder.there-is-no-tune-the");
    /** Said of a song without chords. */
    public static final String NO_CHORDS = wording("SongBuilder.there-are-no-chord-symbols");

    /** Quarter notes a minute where no tempo is given. */
    public static final int DEFAULT_TEMPO = 90;

    private static final int LONGEST_UNIT = 32;
    private static final int MOST_BEATS = 32;
    /** From so many other notes for each of the tune on the harmony can be heard bar by bar. */
    private static final double RICH = 0.5;

    private final Report report = new Report();
    private final List<BarDraft> bars = new ArrayList<>();
    private BarDraft bar = new BarDraft(Meter.COMMON);
    private String place = "";
    private Optional<String> title = Optional.empty();
    private Optional<Key> key = Optional.empty();
    private Optional<Integer> tempo = Optional.empty();
    private List<String> order = List.of();
    private boolean hasChords;
    private Optional<Second> bass = Optional.empty();
    private Optional<Second> harmony = Optional.empty();
    /** All parts that sound with it, itself among them. */
    private final List<SongBuilder> parts = new ArrayList<>(List.of(this));

    /**
     * What was built.
     *
     * @param song in the order of playing
     * @param written as it stands on paper
     * @param order which written bars are played, one after the other
     * @param starts where each bar that was read begins on paper
     */
    public record Built(Song song, Song written, List<Integer> order, List<Integer> starts) {
        /**
         * What was read at written times, in the order of playing.
         *
         * @param things in order of time
         * @param tick says when one is
         * @param at makes the same at another time
         */
        public <T> List<T> inOrder(List<T> things, ToIntFunction<T> tick, BiFunction<T, Integer, T> at) {
            TreeMap<Integer, List<T>> sorted = new TreeMap<>();
            things.forEach(thing -> sorted.computeIfAbsent(tick.applyAsInt(thing), any -> new ArrayList<>())
                    .add(thing));
            List<T> played = new ArrayList<>();
            int start = 0;
            for (int index : order) {
                Bar bar = written.bars().get(index);
                int shift = start - bar.startTick();
                sorted.subMap(bar.startTick(), bar.endTick()).values().stream()
                        .flatMap(List::stream)
                        .forEach(thing -> played.add(at.apply(thing, tick.applyAsInt(thing) + shift)));
                start += bar.lengthTicks();
            }
            return played;
        }
    }

    /** A voice of a part that is taken besides the tune. */
    private record Second(SongBuilder part, String voice) {
        List<Tone> tones(int bar) {
            return bar < part.bars.size() ? part.bars.get(bar).tones(voice) : List.of();
        }
    }

    /** Names the place that is read from here on, for the report. */
    public void at(String newPlace) {
        place = newPlace;
    }

    /** Where the reader is. */
    public String place() {
        return place;
    }

    /** Takes what was changed or left out. */
    public Report report() {
        return report;
    }

    /** Says what was changed or left out here. */
    public void say(String what) {
        report.say(place, what);
    }

    /** The same, the first time only. */
    public void once(String what) {
        report.once(place, what);
    }

    /** Takes the first title that is not blank. */
    public void title(String text) {
        title = title.or(() -> Optional.of(text).filter(some -> !some.isBlank()));
    }

    /** Takes the first key; later ones only spell. */
    public void key(Key newKey) {
        if (key.isEmpty()) {
            key = Optional.of(newKey);
        } else if (!key.get().equals(newKey)) {
            once(wording("SongBuilder.the-change-of-key-to", newKey));
        }
    }

    public Optional<Key> key() {
        return key;
    }

    /** Takes the first usable tempo, in quarter notes a minute. */
    public void tempo(double quarters) {
        long rounded = Math.round(quarters);
        if (rounded < Song.SLOWEST || rounded > Song.FASTEST) {
            say(wording("SongBuilder.tempo-is-outside-20-to", rounded, tempo.orElse(DEFAULT_TEMPO)));
        } else if (tempo.isEmpty()) {
            tempo = Optional.of((int) rounded);
        } else if (tempo.get() != rounded) {
            once(wording("SongBuilder.changes-of-tempo-are-not"));
        }
    }

    /** The meter from the present bar on. */
    public void meter(Meter meter) {
        bar.meter = Objects.requireNonNull(meter, "meter");
    }

    /** The same, as near as it can be had. */
    public void meter(long beats, long unit) {
        long shorter = beats;
        long longer = unit;
        while (longer > LONGEST_UNIT && shorter % 2 == 0 && longer % 2 == 0) {
            shorter /= 2;
            longer /= 2;
        }
        if (shorter < 1 || shorter > MOST_BEATS || longer < 1 || longer > LONGEST_UNIT || Long.bitCount(longer) != 1) {
            say(wording("SongBuilder.the-meter-is-not-used", beats, unit, bar.meter));
            return;
        }
        meter(new Meter((int) shorter, (int) longer));
    }

    public Meter meter() {
        return bar.meter;
    }

    /** How many bars are complete. */
    public int bars() {
        return bars.size();
    }

    /** Begins a section, if none begins there. */
    public void section(int onset, String name) {
        if (!name.isBlank()) {
            bar.sections.putIfAbsent(onset, name.strip());
        }
    }

    /** Puts a chord on its place in the bar; of two the later one stays. */
    public void chord(int onset, ChordChange chord) {
        if (bar.chords.put(onset, chord.at(0)) != null) {
            say(wording("SongBuilder.two-chord-symbols-stand-on"));
        }
    }

    /**
     * Puts a note into a voice of the bar.
     *
     * @param onset ticks since the beginning of the bar
     * @param length in ticks
     * @return the note, for what is read of it later; it is not kept where it has no length
     */
    public Tone note(String voice, int onset, int length, Pitch pitch) {
        Tone tone = new Tone(onset, length, pitch);
        if (length > 0) {
            bar.voices.computeIfAbsent(voice, any -> new ArrayList<>()).add(tone);
        } else {
            once(wording("SongBuilder.notes-without-length-were-left"));
        }
        return tone;
    }

    /**
     * Ends the bar.
     *
     * @param content how much of it was filled, in ticks
     * @param free whether it may be short without need of a reason
     * @throws IllegalArgumentException if there are more bars than a song has
     */
    public void endBar(int content, BarMarks marks, boolean free) {
        bar.place = place;
        bar.content = content;
        bar.marks = marks;
        bar.free = free;
        hasChords |= bar.chords.values().stream().anyMatch(change -> !change.isNoChord());
        bars.add(bar);
        if (bars.size() > Song.MOST_BARS) {
            throw new IllegalArgumentException(wording("SongBuilder.the-song-has-more-than", Song.MOST_BARS));
        }
        bar = new BarDraft(bar.meter);
    }

    /** Says how often a repeat that ends with the last bar is played, where that is told after it. */
    public void repeatAfterLast(int times) {
        if (!bars.isEmpty()) {
            BarDraft last = bars.get(bars.size() - 1);
            BarMarks marks = last.marks;
            last.marks = new BarMarks(marks.repeatStart(), times, marks.endings(), marks.signs(), marks.jump());
        }
    }

    /** Takes the order in which sections are played, each by its name. */
    public void playSections(List<String> names) {
        order = List.copyOf(names);
    }

    /** The voices that have notes, in order of their coming. */
    public List<String> voices() {
        Set<String> voices = new LinkedHashSet<>();
        bars.forEach(some -> voices.addAll(some.voices.keySet()));
        return List.copyOf(voices);
    }

    /** How many notes a voice has. */
    public int notes(String voice) {
        return bars.stream().mapToInt(some -> some.tones(voice).size()).sum();
    }

    /** How many notes of a voice have words. */
    public long syllables(String voice) {
        return bars.stream()
                .flatMap(some -> some.tones(voice).stream())
                .filter(tone -> tone.syllable().isPresent())
                .count();
    }

    public boolean hasChords() {
        return hasChords;
    }

    /** Takes over from another part of the song what this one does not say: title, tempo, chords, sections, jumps. */
    public void complete(SongBuilder other) {
        parts.add(other);
        title = title.or(() -> other.title);
        tempo = tempo.or(() -> other.tempo);
        key = key.or(() -> other.key);
        boolean chords = !hasChords() && other.hasChords();
        boolean sections = bars.stream().allMatch(some -> some.sections.isEmpty());
        boolean marks = bars.stream().allMatch(some -> some.marks.equals(BarMarks.NONE));
        for (int i = 0; i < Math.min(bars.size(), other.bars.size()); i++) {
            BarDraft own = bars.get(i);
            BarDraft theirs = other.bars.get(i);
            if (chords) {
                own.chords.clear();
                own.chords.putAll(theirs.chords);
            }
            if (sections) {
                own.sections.putAll(theirs.sections);
            }
            own.marks = marks ? theirs.marks : own.marks;
        }
        hasChords |= chords;
    }

    /** Takes a voice of a part for the song's own bass: of notes at once the lowest. */
    public void bass(SongBuilder part, String voice) {
        bass = Optional.of(new Second(part, voice));
    }

    /** Takes a voice of a part for a second voice under the tune: what of it begins with the tune's notes. */
    public void harmony(SongBuilder part, String voice) {
        harmony = Optional.of(new Second(part, voice));
    }

    /**
     * The song of a voice.
     *
     * @param fallbackTitle where none was given
     * @throws IllegalArgumentException if it has neither notes nor chords, or is longer than a song may be
     */
    public Built build(String voice, String fallbackTitle) {
        sayWhatIsMissing(voice);
        int[] lengths = new BarLengths(bars, report::say).find();
        List<Bar> laid = new ArrayList<>();
        List<BarMarks> marks = new ArrayList<>();
        List<Integer> starts = new ArrayList<>();
        List<Section> sections = new ArrayList<>();
        TreeMap<Integer, ChordChange> chart = new TreeMap<>();
        TuneLine tune = new TuneLine(report, false);
        TuneLine low = new TuneLine(report, true);
        Map<Integer, Pitch> second = new HashMap<>();
        int start = 0;
        for (int i = 0; i < lengths.length; i++) {
            BarDraft draft = bars.get(i);
            int index = i;
            int from = start;
            starts.add(start);
            lay(draft, start, lengths[i], laid, marks);
            tune.add(draft.tones(voice), start, draft.place);
            if (bass.isPresent()) {
                low.add(bass.get().tones(i), start, draft.place);
            }
            for (Tone tone : harmony.map(part -> part.tones(index)).orElse(List.of())) {
                second.merge(from + tone.onset(), tone.pitch(), SongBuilder::higher);
            }
            for (var entry : draft.chords.entrySet()) {
                int tick = start + entry.getKey();
                if (entry.getKey() < lengths[i]) {
                    chart.put(tick, entry.getValue().at(tick));
                } else {
                    chart.putIfAbsent(start + lengths[i], entry.getValue().at(start + lengths[i]));
                }
            }
            int length = lengths[i];
            draft.sections.forEach(
                    (onset, name) -> sections.add(new Section(name, from + Math.min(onset, length - 1))));
            start += length;
        }
        chart.tailMap(start, true).clear();
        List<MelodyNote> melody = under(tune.until(start), second);
        Song written = new Song(
                title.orElse(fallbackTitle),
                key.orElse(Key.C_MAJOR),
                tempo.orElse(DEFAULT_TEMPO),
                laid,
                sections.isEmpty() ? PartNames.of(laid, marks) : sections,
                List.copyOf(chart.values()),
                melody,
                low.until(start));
        written = hasChords ? written : withProposals(written, voice, starts);
        List<Integer> played = new OrderOfPlaying(written, marks, report).find(order);
        return new Built(unfolded(written, played), written, played, starts);
    }

    private static Pitch higher(Pitch one, Pitch other) {
        return one.midi() >= other.midi() ? one : other;
    }

    private List<MelodyNote> under(List<MelodyNote> tune, Map<Integer, Pitch> second) {
        if (harmony.isEmpty()) {
            return tune;
        }
        List<MelodyNote> inTwo = tune.stream()
                .map(note -> second.containsKey(note.tick())
                                && second.get(note.tick()).midi() < note.midi()
                        ? note.with(second.get(note.tick()))
                        : note)
                .toList();
        long taken = inTwo.stream().filter(note -> note.below().isPresent()).count();
        report.say("", wording("SongBuilder.of-the-part-taken-as", taken));
        return inTwo;
    }

    private Song withProposals(Song song, String voice, List<Integer> starts) {
        Song inKey = key.isPresent() ? song : song.inKey(ChordProposal.keyOf(song));
        List<ChordProposal.Sounding> accompaniment = new ArrayList<>();
        for (SongBuilder part : parts) {
            for (int i = 0; i < Math.min(starts.size(), part.bars.size()); i++) {
                int start = starts.get(i);
                part.bars.get(i).voices.forEach((name, tones) -> {
                    if (part != this || !name.equals(voice)) {
                        tones.forEach(tone -> accompaniment.add(new ChordProposal.Sounding(
                                start + tone.onset(),
                                start + tone.onset() + tone.length(),
                                tone.pitch().midi())));
                    }
                });
            }
        }
        boolean rich = accompaniment.size() >= RICH * song.melody().size();
        return rich ? HeardChords.over(inKey, accompaniment) : new ChordProposal(inKey).propose(accompaniment);
    }

    private void sayWhatIsMissing(String voice) {
        boolean noTune = bars.stream().allMatch(some -> some.tones(voice).isEmpty());
        if (noTune && !hasChords()) {
            throw new IllegalArgumentException(wording("SongBuilder.there-are-neither-notes-of"));
        }
        if (noTune) {
            report.say("", NO_TUNE);
        } else if (!hasChords()) {
            report.say("", NO_CHORDS);
        }
    }

    private static void lay(BarDraft draft, int start, int length, List<Bar> laid, List<BarMarks> marks) {
        List<Integer> ends = draft.ends(length);
        int from = 0;
        for (int i = 0; i < ends.size(); i++) {
            int own = ends.get(i) - from;
            boolean pickup = laid.isEmpty() && own < draft.meter.barTicks();
            int number =
                    laid.isEmpty() ? pickup ? 0 : 1 : laid.get(laid.size() - 1).number() + 1;
            laid.add(new Bar(number, start + from, own, draft.meter));
            marks.add(draft.marksOf(i == 0, i + 1 == ends.size()));
            from = ends.get(i);
        }
    }

    private static Song unfolded(Song written, List<Integer> order) {
        boolean asWritten =
                order.equals(IntStream.range(0, written.bars().size()).boxed().toList());
        return asWritten ? written : Unfolding.ofBars(written, order);
    }
}
