package phalanx.formats.musicxml;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.w3c.dom.Element;
import phalanx.formats.FormatException;
import phalanx.formats.Reading;
import phalanx.song.Bar;
import phalanx.song.BarMarks;
import phalanx.song.ChordChange;
import phalanx.song.MelodyNote;
import phalanx.song.Meter;
import phalanx.song.Section;
import phalanx.song.Song;
import phalanx.song.Ticks;
import phalanx.song.Unfolding;
import phalanx.theory.ChordSymbol;
import phalanx.theory.Key;
import phalanx.theory.Note;
import phalanx.theory.Pitch;
import phalanx.theory.Step;

/** Reads one part, bar by bar. */
final class PartReader {
    private static final int DEFAULT_TEMPO = 90;
    private static final int MOST_OCTAVES = 5;

    private final String title;
    private final Element part;
    private final List<String> report;
    private final List<BarMarks> marks = new ArrayList<>();
    private final FormReader form = new FormReader();
    private final StaffPlaces places = new StaffPlaces();
    private final List<Bar> bars = new ArrayList<>();
    private final List<Section> sections = new ArrayList<>();
    private final TreeMap<Integer, Optional<ChordSymbol>> chart = new TreeMap<>();
    private final List<MelodyNote> melody = new ArrayList<>();
    private final Set<String> reported = new HashSet<>();

    private double divisions = 1;
    private Meter meter = Meter.COMMON;
    private Key key;
    private Integer tempo;
    private int octaveShift;
    private int transposition;
    private final String voice;
    private boolean tieOpen;

    /** The bar being read: where it begins, and how far reading has come and reached in it, in ticks. */
    private String place = "";

    private int barStart;
    private double cursor;
    private double reached;
    private double lastOnset;

    /**
     * @param part to read
     * @param voice the one that is the melody
     * @param report takes a line for each thing changed or left out
     */
    PartReader(String title, Element part, String voice, List<String> report) {
        this.title = title;
        this.part = part;
        this.voice = voice;
        this.report = report;
    }

    Reading read() throws FormatException {
        List<Element> measures = Elements.children(part, "measure");
        if (measures.size() > Song.MOST_BARS) {
            throw new FormatException(
                    "", "the song has " + measures.size() + " bars; " + Song.MOST_BARS + " is the most");
        }
        for (Element measure : measures) {
            readMeasure(measure);
        }
        boolean noChords = chart.values().stream().allMatch(Optional::isEmpty);
        if (melody.isEmpty() && noChords) {
            throw new FormatException("", "the score has neither notes of a tune nor chord symbols");
        }
        if (melody.isEmpty()) {
            report.add(Reading.NO_TUNE);
        } else if (noChords) {
            report.add(Reading.NO_CHORDS);
        }
        try {
            List<ChordChange> changes = chart.entrySet().stream()
                    .map(entry -> new ChordChange(entry.getKey(), entry.getValue()))
                    .toList();
            Key songKey = key == null ? Key.C_MAJOR : key;
            int songTempo = tempo == null ? DEFAULT_TEMPO : tempo;
            Song written = new Song(title, songKey, songTempo, bars, sections, changes, melody);
            Song played = Unfolding.of(written, marks).transpose(transposition);
            return new Reading(played, report, places.finish(written, marks, transposition), List.of(), 0);
        } catch (IllegalArgumentException e) {
            throw new FormatException("", e.getMessage());
        }
    }

    private void readMeasure(Element measure) throws FormatException {
        place = "bar " + measure.getAttribute("number");
        cursor = 0;
        reached = 0;
        for (Element element : Elements.children(measure)) {
            switch (element.getTagName()) {
                case "attributes" -> {
                    readAttributes(element);
                    places.readDetails(element);
                }
                case "note" -> readNote(element);
                case "harmony" -> readHarmony(element);
                case "direction" -> readDirection(element);
                case "sound" -> readSound(element);
                case "backup" -> move(-ticks(element, "duration"));
                case "forward" -> move(ticks(element, "duration"));
                default -> {}
            }
        }
        addBar(measure);
        marks.add(form.read(measure, place));
    }

    private void move(double ticks) throws FormatException {
        cursor += ticks;
        if (cursor < -0.5) {
            throw new FormatException(place, "a backup goes back past the beginning of the bar");
        }
        reached = Math.max(reached, cursor);
    }

    private void addBar(Element measure) throws FormatException {
        int content = (int) Math.round(reached);
        int nominal = meter.barTicks();
        if (content > nominal) {
            throw new FormatException(
                    place,
                    "it holds " + quarters(content) + " quarter notes, its meter " + meter + " has room for "
                            + quarters(nominal));
        }
        boolean first = bars.isEmpty();
        boolean implicit = measure.getAttribute("implicit").equals("yes");
        boolean isShort = content > 0 && content < nominal;
        boolean pickup = first && isShort;
        int length = pickup || implicit && isShort ? content : nominal;
        int number = pickup ? 0 : first ? 1 : bars.get(bars.size() - 1).number() + 1;
        bars.add(new Bar(number, barStart, length, meter));
        barStart += length;
    }

    private static String quarters(int ticks) {
        double quarters = ticks / (double) Ticks.QUARTER;
        return quarters == Math.rint(quarters) ? String.valueOf((int) quarters) : String.format("%.2f", quarters);
    }

    private void readAttributes(Element attributes) throws FormatException {
        if (Elements.has(attributes, "divisions")) {
            divisions = number(attributes, "divisions");
            if (!(divisions > 0)) {
                throw new FormatException(place, "divisions " + divisions + " must be above 0");
            }
        }
        for (Element element : Elements.children(attributes, "key")) {
            readKey(element);
        }
        for (Element element : Elements.children(attributes, "time")) {
            readMeter(element);
        }
        for (Element element : Elements.children(attributes, "transpose")) {
            readTransposition(element);
        }
    }

    private void readTransposition(Element element) throws FormatException {
        int chromatic = (int) number(element, "chromatic");
        double octaves = Elements.has(element, "octave-change") ? number(element, "octave-change") : 0;
        octaveShift = (int) octaves + chromatic / 12;
        int rest = chromatic % 12;
        if (Math.abs(octaveShift) > MOST_OCTAVES || rest != transposition && !bars.isEmpty()) {
            throw new FormatException(
                    place,
                    "the instrument is transposed by " + chromatic + " semitones and " + octaves
                            + " octaves here; save the score at concert pitch");
        }
        if (rest != 0 && rest != transposition) {
            note("written for a transposing instrument; read at concert pitch, " + Math.abs(rest) + " semitones "
                    + (rest < 0 ? "lower" : "higher"));
        }
        transposition = rest;
    }

    private void readKey(Element element) throws FormatException {
        if (!Elements.has(element, "fifths")) {
            note("a key without a usual signature is not used");
            return;
        }
        int fifths = (int) number(element, "fifths");
        String mode = Elements.text(element, "mode").orElse("major");
        if (Math.abs(fifths) > 7) {
            throw new FormatException(place, "a key signature of " + fifths + " signs");
        }
        Optional<Key.Mode> known = Key.Mode.byWord(mode);
        Key read = Key.ofFifths(fifths, known.orElse(Key.Mode.MAJOR));
        if (known.isEmpty() && !mode.equals("none")) {
            note("mode " + mode + " is read as " + read);
        }
        if (key == null) {
            key = read;
        } else if (!key.equals(read)) {
            note("the change of key to " + read + " only spells notes; it is not shown yet");
        }
    }

    private void readMeter(Element element) throws FormatException {
        String beats = Elements.text(element, "beats").orElse("");
        String type = Elements.text(element, "beat-type").orElse("");
        if (!beats.matches("\\d{1,2}") || !type.matches("\\d{1,2}")) {
            throw new FormatException(place, "meter \"" + beats + "/" + type + "\" is not understood");
        }
        try {
            meter = new Meter(Integer.parseInt(beats), Integer.parseInt(type));
        } catch (IllegalArgumentException e) {
            throw new FormatException(place, e.getMessage());
        }
    }

    private void readNote(Element element) throws FormatException {
        if (Elements.has(element, "grace")) {
            note("a grace note was left out");
            return;
        }
        if (Elements.has(element, "cue")) {
            note("a cue note was left out");
            move(ticks(element, "duration"));
            return;
        }
        boolean inChord = Elements.has(element, "chord");
        double length = ticks(element, "duration");
        double onset = inChord ? lastOnset : cursor;
        if (!inChord) {
            lastOnset = cursor;
            move(length);
        }
        if (!ties(element, "stop")) {
            places.readNote(element, tick(onset));
        }
        Optional<Element> pitch = Elements.child(element, "pitch");
        if (pitch.isPresent() && inMelodyVoice(element)) {
            addNote(element, pitch(pitch.get()), onset, length, inChord);
        }
    }

    /** Whether a note belongs to the voice that is the melody. */
    private boolean inMelodyVoice(Element element) {
        String own = Elements.text(element, "voice").orElse("1");
        if (!own.equals(voice)) {
            once(
                    "voice " + own,
                    "notes of voice " + own + " were left out from here on; voice " + voice
                            + " is taken for the melody");
        }
        return own.equals(voice);
    }

    private void addNote(Element element, Pitch pitch, double onset, double length, boolean inChord)
            throws FormatException {
        int tick = tick(onset);
        int end = tick(onset + length);
        if (end <= tick) {
            throw new FormatException(place, "note " + pitch + " has no length");
        }
        boolean stops = ties(element, "stop");
        MelodyNote last = melody.isEmpty() ? null : melody.get(melody.size() - 1);
        if (inChord && last != null && last.endTick() > tick) {
            addAtOnce(last, pitch, tick, end);
            return;
        }
        if (stops && tieOpen && last != null && last.endTick() == tick && last.midi() == pitch.midi()) {
            melody.set(melody.size() - 1, last.lasting(end - last.tick()));
        } else if (last != null && last.endTick() > tick) {
            throw new FormatException(
                    place, "note " + pitch + " begins before the note before it ends; a melody has one note at a time");
        } else {
            melody.add(new MelodyNote(tick, end - tick, pitch, syllable(element)));
        }
        tieOpen = ties(element, "start");
    }

    /** Another note of a chord: the two highest are the tune's. */
    private void addAtOnce(MelodyNote last, Pitch pitch, int tick, int end) {
        boolean known = last.midi() == pitch.midi()
                || last.below().filter(below -> below.midi() == pitch.midi()).isPresent();
        if (!known && (last.below().isPresent() || last.tick() < tick)) {
            once("three notes", "of more than two notes at once the two highest are kept");
        }
        if (last.tick() == tick) {
            MelodyNote both = last.with(pitch);
            melody.set(melody.size() - 1, both.midi() == last.midi() ? both : both.lasting(end - tick));
        }
    }

    /** What is sung in the first verse. */
    private Optional<String> syllable(Element element) {
        List<Element> lyrics = Elements.children(element, "lyric");
        if (lyrics.size() > 1) {
            once("verses", "of several verses the first is kept");
        }
        return lyrics.stream()
                .findFirst()
                .flatMap(lyric -> Elements.text(lyric, "text").map(text -> {
                    String syllabic = Elements.text(lyric, "syllabic").orElse("single");
                    boolean goesOn = syllabic.equals("begin") || syllabic.equals("middle");
                    return text.strip().replaceAll("\\s+", "\u00a0") + (goesOn ? "-" : "");
                }))
                .filter(text -> !text.isBlank() && !text.equals("-"));
    }

    private static boolean ties(Element element, String type) {
        return Elements.children(element, "tie").stream()
                .anyMatch(tie -> tie.getAttribute("type").equals(type));
    }

    private Pitch pitch(Element element) throws FormatException {
        try {
            Step step = Step.valueOf(Elements.text(element, "step").orElse(""));
            int alter = Elements.has(element, "alter") ? (int) number(element, "alter") : 0;
            return new Pitch(new Note(step, alter), (int) number(element, "octave") + octaveShift);
        } catch (IllegalArgumentException e) {
            throw new FormatException(place, "a note has no usable pitch (" + e.getMessage() + ")");
        }
    }

    private void readHarmony(Element element) throws FormatException {
        double offset = Elements.has(element, "offset") ? number(element, "offset") * Ticks.QUARTER / divisions : 0;
        int tick = tick(Math.max(0, cursor + offset));
        Optional<ChordSymbol> chord;
        try {
            chord = new HarmonyReader().read(element);
        } catch (IllegalArgumentException e) {
            throw new FormatException(place, e.getMessage());
        }
        if (chart.put(tick, chord) != null) {
            note("two chord symbols stand on one beat; the last one is kept");
        }
    }

    private void readDirection(Element direction) throws FormatException {
        for (Element type : Elements.children(direction, "direction-type")) {
            for (Element rehearsal : Elements.children(type, "rehearsal")) {
                addSection(rehearsal.getTextContent().trim());
            }
            for (Element metronome : Elements.children(type, "metronome")) {
                readMetronome(metronome);
            }
        }
        for (Element sound : Elements.children(direction, "sound")) {
            readSound(sound);
        }
    }

    private void addSection(String name) {
        int start = tick(cursor);
        boolean taken = sections.stream().anyMatch(section -> section.startTick() == start);
        if (!name.isBlank() && !taken) {
            sections.add(new Section(name, start));
        }
    }

    private void readMetronome(Element metronome) {
        String perMinute = Elements.text(metronome, "per-minute").orElse("");
        String unit = Elements.text(metronome, "beat-unit").orElse("");
        double quarters =
                switch (unit) {
                    case "half" -> 2;
                    case "quarter" -> 1;
                    case "eighth" -> 0.5;
                    default -> 0;
                };
        if (Elements.has(metronome, "beat-unit-dot")) {
            quarters *= 1.5;
        }
        if (perMinute.matches("\\d{1,3}(\\.\\d+)?") && quarters > 0) {
            setTempo(Double.parseDouble(perMinute) * quarters);
        } else {
            note("the tempo mark \"" + perMinute + "\" is not understood");
        }
    }

    private void readSound(Element sound) {
        String value = sound.getAttribute("tempo");
        if (value.matches("\\d{1,4}(\\.\\d+)?")) {
            setTempo(Double.parseDouble(value));
        }
    }

    private void setTempo(double value) {
        int rounded = (int) Math.round(value);
        if (tempo == null && rounded >= Song.SLOWEST && rounded <= Song.FASTEST) {
            tempo = rounded;
        } else if (tempo == null) {
            note("tempo " + rounded + " is outside 20 to 400; " + DEFAULT_TEMPO + " is used");
        } else if (tempo != rounded) {
            note("the change of tempo to " + rounded + " is not used yet");
        }
    }

    private double ticks(Element element, String name) throws FormatException {
        double value = number(element, name);
        if (!(value >= 0) || value > 1e9) {
            throw new FormatException(place, "a duration of " + value + " divisions");
        }
        return value * Ticks.QUARTER / divisions;
    }

    private double number(Element element, String name) throws FormatException {
        String text = Elements.text(element, name).orElse("");
        try {
            return Double.parseDouble(text);
        } catch (NumberFormatException e) {
            throw new FormatException(
                    place, "<" + element.getTagName() + "> needs a number in <" + name + ">, not \"" + text + "\"");
        }
    }

    private int tick(double inBar) {
        double exact = barStart + inBar;
        if (Math.abs(exact - Math.rint(exact)) > 1e-3) {
            once("rounding", "times finer than 1/1680 of a quarter note were rounded");
        }
        return (int) Math.round(exact);
    }

    private void note(String what) {
        report.add(place + ": " + what);
    }

    private void once(String about, String what) {
        if (reported.add(about)) {
            note(what);
        }
    }
}
