package phalanx.song.build;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.IntStream;
import phalanx.song.Bar;
import phalanx.song.BarMarks;
import phalanx.song.ChordChange;
import phalanx.song.ChordProposal;
import phalanx.song.MelodyNote;
import phalanx.song.Meter;
import phalanx.song.PlayingOrder;
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
    public static final String NO_TUNE = "there is no tune; the chords are arranged alone";
    /** Said of a song without chords. */
    public static final String NO_CHORDS =
            "there are no chord symbols; chords are proposed from what sounds, with a question mark: take, change or remove"
                    + " them";

    /** Quarter notes a minute where no tempo is given. */
    public static final int DEFAULT_TEMPO = 90;

    private static final int LONGEST_UNIT = 32;
    private static final int MOST_BEATS = 32;

    private final Report report = new Report();
    private final List<BarDraft> bars = new ArrayList<>();
    private BarDraft bar = new BarDraft(Meter.COMMON);
    private String place = "";
    private Optional<String> title = Optional.empty();
    private Optional<Key> key = Optional.empty();
    private Optional<Integer> tempo = Optional.empty();
    private List<String> order = List.of();
    private boolean hasChords;
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
    public record Built(Song song, Song written, List<Integer> order, List<Integer> starts) {}

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
            once("the change of key to " + newKey + " only spells notes; it is not shown yet");
        }
    }

    public Optional<Key> key() {
        return key;
    }

    /** Takes the first usable tempo, in quarter notes a minute. */
    public void tempo(double quarters) {
        long rounded = Math.round(quarters);
        if (rounded < Song.SLOWEST || rounded > Song.FASTEST) {
            say("tempo " + rounded + " is outside 20 to 400; " + tempo.orElse(DEFAULT_TEMPO) + " is used");
        } else if (tempo.isEmpty()) {
            tempo = Optional.of((int) rounded);
        } else if (tempo.get() != rounded) {
            once("changes of tempo are not used yet");
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
            say("the meter " + beats + "/" + unit + " is not used; bars are counted in " + bar.meter);
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
            say("two chord symbols stand on one beat; the last one is kept");
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
            once("notes without length were left out");
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
            throw new IllegalArgumentException("the song has more than " + Song.MOST_BARS + " bars");
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
        TuneLine tune = new TuneLine(report);
        int start = 0;
        for (int i = 0; i < lengths.length; i++) {
            BarDraft draft = bars.get(i);
            starts.add(start);
            lay(draft, start, lengths[i], laid, marks);
            tune.add(draft.tones(voice), start, draft.place);
            for (var entry : draft.chords.entrySet()) {
                int tick = start + entry.getKey();
                if (entry.getKey() < lengths[i]) {
                    chart.put(tick, entry.getValue().at(tick));
                } else {
                    chart.putIfAbsent(start + lengths[i], entry.getValue().at(start + lengths[i]));
                }
            }
            int from = start;
            int length = lengths[i];
            draft.sections.forEach(
                    (onset, name) -> sections.add(new Section(name, from + Math.min(onset, length - 1))));
            start += length;
        }
        chart.tailMap(start, true).clear();
        List<MelodyNote> melody = tune.until(start);
        Song written = new Song(
                title.orElse(fallbackTitle),
                key.orElse(Key.C_MAJOR),
                tempo.orElse(DEFAULT_TEMPO),
                laid,
                sections,
                List.copyOf(chart.values()),
                melody);
        written = hasChords ? written : withProposals(written, voice, starts);
        List<Integer> played = order(written, marks);
        return new Built(unfolded(written, played), written, played, starts);
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
        return new ChordProposal(inKey).propose(accompaniment);
    }

    private void sayWhatIsMissing(String voice) {
        boolean noTune = bars.stream().allMatch(some -> some.tones(voice).isEmpty());
        if (noTune && !hasChords()) {
            throw new IllegalArgumentException("there are neither notes of a tune nor chord symbols");
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

    /** The order of playing; as written where its signs lead nowhere. No bar is passed over in all rounds. */
    private List<Integer> order(Song written, List<BarMarks> marks) {
        try {
            if (!order.isEmpty()) {
                return bySections(written, marks);
            }
            List<Integer> played = PlayingOrder.of(marks);
            List<BarMarks> reached = new ArrayList<>(marks);
            Set<Integer> all = new HashSet<>(played);
            for (int i = 0; i < marks.size(); i++) {
                if (!all.contains(i)) {
                    BarMarks bar = marks.get(i);
                    reached.set(
                            i, new BarMarks(bar.repeatStart(), bar.timesToEnd(), Set.of(), bar.signs(), bar.jump()));
                    report.once("bar " + written.bars().get(i).number(), "an ending that is never reached is played");
                }
            }
            return all.size() == marks.size() ? played : PlayingOrder.of(reached);
        } catch (IllegalArgumentException e) {
            report.say("", e.getMessage() + "; the bars are taken as they stand, without repeats");
            return IntStream.range(0, marks.size()).boxed().toList();
        }
    }

    private List<Integer> bySections(Song written, List<BarMarks> marks) {
        List<Section> sections = written.sections();
        List<Integer> all = new ArrayList<>();
        for (String name : order) {
            int index = IntStream.range(0, sections.size())
                    .filter(i -> sections.get(i).name().equals(name))
                    .findFirst()
                    .orElseThrow(() -> new IllegalArgumentException(
                            "the order of playing names a section " + name + " that is not"));
            int from = written.barIndexAt(sections.get(index).startTick());
            int to = index + 1 < sections.size()
                    ? written.barIndexAt(sections.get(index + 1).startTick())
                    : marks.size();
            PlayingOrder.of(marks.subList(from, Math.max(from, to))).forEach(at -> all.add(from + at));
            if (all.size() > Song.MOST_BARS) {
                throw new IllegalArgumentException(
                        "with its repeats the song has more than " + Song.MOST_BARS + " bars");
            }
        }
        return all;
    }

    private static Song unfolded(Song written, List<Integer> order) {
        boolean asWritten =
                order.equals(IntStream.range(0, written.bars().size()).boxed().toList());
        return asWritten ? written : Unfolding.ofBars(written, order);
    }
}
