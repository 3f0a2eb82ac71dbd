package phalanx.formats;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.math.BigInteger;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.function.IntFunction;
import java.util.stream.IntStream;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import phalanx.arrange.Written;
import phalanx.formats.abc.AbcReader;
import phalanx.formats.midi.MidiReader;
import phalanx.formats.musicxml.MusicXmlReader;
import phalanx.formats.reading.FormatException;
import phalanx.formats.reading.Reading;
import phalanx.formats.tab.TabReader;
import phalanx.guitar.Guitar;
import phalanx.guitar.Instrument;
import phalanx.song.ChordChange;
import phalanx.song.Song;
import phalanx.song.Ticks;

/**
 * Tunes as other programs write them, by pens of the test's own that share nothing with ours and choose at random among
 * the spellings that the formats allow: from each the same tune is read. MusicXML 4.0, ABC 2.1 and Standard MIDI File 1.0
 * from memory; the tablature is common practice, no source.
 */
class OtherPensTest {
    /** Of the test's own clock to a quarter: sixteenths and triplets fit. */
    private static final int QUARTER = 12;

    private static final int SIXTEENTH = QUARTER / 4;

    private static final int[] OPEN = {64, 59, 55, 50, 45, 40};
    private static final String LETTERS = "CDEFGAB";
    private static final int[] PITCHES = {0, 2, 4, 5, 7, 9, 11};
    private static final String SHARPENED = "FCGDAEB";
    private static final int[][] FIGURES = {
        {12}, {6, 6}, {9, 3}, {3, 9}, {4, 4, 4}, {24}, {18, 6}, {3, 3, 3, 3}, {36}, {6, 12, 6}
    };

    /** A note as it is spelled; a rest has no letter. */
    private record Tone(int letter, int alter, int octave, int at, int length) {
        boolean isRest() {
            return letter < 0;
        }

        int midi() {
            return 12 * (octave + 1) + PITCHES[letter] + alter;
        }

        Tone part(int from, int ticks) {
            return new Tone(letter, alter, octave, from, ticks);
        }
    }

    /** What all pens write. */
    private record Piece(int fifths, int beats, List<List<Tone>> figures, List<String> chords) {
        int barLength() {
            return beats * QUARTER;
        }

        int bars() {
            return chords.size();
        }

        List<Tone> tones() {
            return figures.stream().flatMap(List::stream).toList();
        }

        /** What a reader should find: pitch, beginning and length of each note. */
        List<String> tune() {
            return tones().stream()
                    .filter(tone -> !tone.isRest())
                    .map(tone -> tone.midi() + "@" + tone.at() + "+" + tone.length())
                    .toList();
        }
    }

    private static int alterInKey(int fifths, int letter) {
        int order = SHARPENED.indexOf(LETTERS.charAt(letter));
        return fifths > 0 ? order < fifths ? 1 : 0 : 6 - order < -fifths ? -1 : 0;
    }

    private static Piece piece(Random random) {
        int fifths = random.nextInt(9) - 4;
        int beats = 2 + random.nextInt(4);
        int bars = 2 + random.nextInt(4);
        int end = bars * beats * QUARTER;
        List<List<Tone>> figures = new ArrayList<>();
        int at = 0;
        int degree = 30;
        while (at < end) {
            int[] lengths = FIGURES[random.nextInt(FIGURES.length)];
            int whole = Arrays.stream(lengths).sum();
            if (at + whole > end) {
                continue;
            }
            List<Tone> figure = new ArrayList<>();
            for (int length : lengths) {
                degree = Math.max(25, Math.min(37, degree + random.nextInt(7) - 3));
                int letter = degree % 7;
                int alter = alterInKey(fifths, letter) + (random.nextInt(6) == 0 ? random.nextBoolean() ? 1 : -1 : 0);
                boolean rest = random.nextInt(9) == 0 && !figures.isEmpty();
                figure.add(new Tone(rest ? -1 : letter, rest ? 0 : alter, degree / 7, at, length));
                at += length;
            }
            figures.add(figure);
        }
        // the last is a note: rests at the end are no part of a tune
        List<Tone> last = figures.get(figures.size() - 1);
        Tone end0 = last.get(last.size() - 1);
        last.set(last.size() - 1, new Tone(0, alterInKey(fifths, 0), 4, end0.at(), end0.length()));
        String[] kinds = {"G", "Em", "C", "D7", "F#m7", "Bbmaj7"};
        List<String> chords =
                random.ints(bars, 0, kinds.length).mapToObj(kind -> kinds[kind]).toList();
        return new Piece(fifths, beats, figures, chords);
    }

    private static List<String> tune(Song song) {
        return song.melody().stream()
                .map(note -> note.midi() + "@" + own(note.tick()) + "+" + own(note.lengthTicks()))
                .toList();
    }

    private static String own(int ticks) {
        boolean whole = ticks * QUARTER % Ticks.QUARTER == 0;
        return whole ? String.valueOf(ticks * QUARTER / Ticks.QUARTER) : ticks + " ticks";
    }

    private static List<String> chords(Song song) {
        List<String> chords = new ArrayList<>();
        String before = "";
        for (ChordChange change : song.chart()) {
            if (!change.symbol().equals(before)) {
                chords.add(change.symbol() + "@" + own(change.startTick()));
            }
            before = change.symbol();
        }
        return chords;
    }

    /** A chord that goes on is said once or again. */
    private static List<String> chords(Piece piece) {
        List<String> chords = new ArrayList<>();
        for (int bar = 0; bar < piece.bars(); bar++) {
            if (bar == 0 || !piece.chords().get(bar).equals(piece.chords().get(bar - 1))) {
                chords.add(piece.chords().get(bar) + "@" + bar * piece.barLength());
            }
        }
        return chords;
    }

    // ---- MusicXML ----

    @Property(tries = 150)
    void musicXmlOfOtherPrograms(@ForAll long seed) throws FormatException {
        Random random = new Random(seed);
        Piece piece = piece(random);
        Reading reading = new MusicXmlReader("x").read(xml(piece, random).getBytes(StandardCharsets.UTF_8));
        assertThat(tune(reading.song())).isEqualTo(piece.tune());
        assertThat(chords(reading.song())).isEqualTo(chords(piece));
        assertThat(reading.song().key().fifths()).isEqualTo(piece.fifths());
        assertThat(reading.song().bars()).hasSize(piece.bars());
    }

    private static String xml(Piece piece, Random random) {
        int down = random.nextInt(3) == 0 ? 1 : 0;
        boolean second = random.nextBoolean();
        StringBuilder xml = new StringBuilder("<?xml version='1.0' encoding='UTF-8' standalone='no'?>\n<!-- a pen -->")
                .append("<score-partwise version='3.1'><part-list><score-part id='One'><part-name/></score-part>")
                .append("</part-list><part id='One'>");
        int divisions = 0;
        for (int bar = 0; bar < piece.bars(); bar++) {
            xml.append("<measure number='").append(bar + 1).append("'>");
            if (bar == 0 || random.nextInt(3) == 0) {
                divisions = QUARTER * (1 + random.nextInt(5));
                xml.append("<attributes><divisions>").append(divisions).append("</divisions>");
                if (bar == 0) {
                    xml.append("<key><fifths>").append(piece.fifths()).append("</fifths></key><time><beats>");
                    xml.append(piece.beats()).append("</beats><beat-type>4</beat-type></time>");
                    xml.append("<clef><sign>G</sign><line>2</line></clef>");
                    if (down > 0) {
                        xml.append("<transpose><chromatic>0</chromatic><octave-change>-1</octave-change></transpose>");
                    }
                }
                xml.append("</attributes>");
            }
            if (bar == 0
                    || random.nextBoolean()
                    || !piece.chords().get(bar).equals(piece.chords().get(bar - 1))) {
                xml.append(harmony(piece.chords().get(bar)));
            }
            int scale = divisions / QUARTER;
            bar(xml, piece, bar, scale, down, random);
            if (second) {
                int whole = piece.barLength() * scale;
                xml.append("<backup><duration>")
                        .append(whole)
                        .append("</duration></backup><note><pitch><step>E</step>");
                xml.append("<octave>")
                        .append(2 + down)
                        .append("</octave></pitch><duration>")
                        .append(whole);
                xml.append("</duration><voice>2</voice></note>");
            }
            xml.append("</measure>");
        }
        return xml.append("</part></score-partwise>").toString();
    }

    private static String harmony(String chord) {
        String kind = Map.of(
                        "G",
                        "major",
                        "Em",
                        "minor",
                        "C",
                        "major",
                        "D7",
                        "dominant",
                        "F#m7",
                        "minor-seventh",
                        "Bbmaj7",
                        "major-seventh")
                .get(chord);
        String alter = chord.startsWith("F#") ? "1" : chord.startsWith("Bb") ? "-1" : "";
        return "<harmony><root><root-step>" + chord.charAt(0) + "</root-step>"
                + (alter.isEmpty() ? "" : "<root-alter>" + alter + "</root-alter>") + "</root><kind>" + kind
                + "</kind></harmony>";
    }

    private static void bar(StringBuilder xml, Piece piece, int bar, int scale, int down, Random random) {
        int start = bar * piece.barLength();
        int end = start + piece.barLength();
        for (Tone tone : piece.tones()) {
            int from = Math.max(start, tone.at());
            int to = Math.min(end, tone.at() + tone.length());
            if (from >= to) {
                continue;
            }
            int duration = (to - from) * scale;
            if (tone.isRest() && random.nextBoolean()) {
                xml.append("<forward><duration>").append(duration).append("</duration></forward>");
                continue;
            }
            if (!tone.isRest() && tone.at() == from && random.nextInt(6) == 0) {
                xml.append("<note><grace slash='yes'/>")
                        .append(pitch(tone, down))
                        .append("<voice>1</voice></note>");
            }
            xml.append("<note>").append(tone.isRest() ? "<rest/>" : pitch(tone, down));
            xml.append("<duration>").append(duration).append("</duration>");
            boolean stops = !tone.isRest() && tone.at() < from;
            boolean starts = !tone.isRest() && tone.at() + tone.length() > to;
            xml.append(stops ? "<tie type='stop'/>" : "").append(starts ? "<tie type='start'/>" : "");
            xml.append("<voice>1</voice>");
            if (stops || starts) {
                xml.append("<notations>").append(stops ? "<tied type='stop'/>" : "");
                xml.append(starts ? "<tied type='start'/>" : "").append("</notations>");
            }
            xml.append("</note>");
        }
    }

    private static String pitch(Tone tone, int down) {
        return "<pitch><step>" + LETTERS.charAt(tone.letter()) + "</step>"
                + (tone.alter() == 0 ? "" : "<alter>" + tone.alter() + "</alter>") + "<octave>"
                + (tone.octave() + down) + "</octave></pitch>";
    }

    // ---- ABC ----

    @Property(tries = 150)
    void abcOfOtherPrograms(@ForAll long seed) throws FormatException {
        Random random = new Random(seed);
        Piece piece = piece(random);
        Reading reading = new AbcReader("x").read(abc(piece, random).getBytes(StandardCharsets.UTF_8));
        assertThat(tune(reading.song())).isEqualTo(piece.tune());
        assertThat(chords(reading.song())).isEqualTo(chords(piece));
        assertThat(reading.song().bars()).hasSize(piece.bars());
    }

    private static String abc(Piece piece, Random random) {
        int unit = new int[] {3, 6, 12, 24}[random.nextInt(4)];
        String[] majors = {"Ab", "Eb", "Bb", "F", "C", "G", "D", "A", "E"};
        String[] minors = {"Fm", "C min", "Gm", "Dminor", "Amin", "Em", "B Minor", "F#m", "C#m"};
        String key = (random.nextBoolean() ? majors : minors)[piece.fifths() + 4];
        StringBuilder abc = new StringBuilder("%abc-2.1\nX: 7\nT: A pen % not part of it\nM:")
                .append(piece.beats() == 4 && random.nextBoolean() ? "C" : piece.beats() + "/4")
                .append("\nL:1/" + 48 / unit)
                .append("\nK:" + key + "\n");
        Map<Integer, Integer> bar = new HashMap<>();
        for (List<Tone> figure : piece.figures()) {
            boolean triplet = figure.size() == 3 && figure.get(0).length() == 4;
            boolean slur = random.nextInt(5) == 0;
            abc.append(slur ? "(" : "");
            for (int i = 0; i < figure.size(); i++) {
                Tone tone = figure.get(i);
                int start = tone.at();
                int end = tone.at() + tone.length();
                while (start < end) {
                    int next = Math.min(end, (start / piece.barLength() + 1) * piece.barLength());
                    if (start % piece.barLength() == 0) {
                        bar.clear();
                        int number = start / piece.barLength();
                        abc.append(number == 0 ? "" : random.nextInt(3) == 0 ? " |\n" : " | ");
                        abc.append("\"").append(piece.chords().get(number)).append("\"");
                    }
                    if (triplet && i == 0) {
                        abc.append(new String[] {"(3", "(3:2:3", "(3::"}[random.nextInt(3)]);
                    }
                    int written = triplet ? 6 : next - start;
                    boolean dotted = figure.size() == 2 && figure.get(0).length() == 9 && random.nextBoolean();
                    abc.append(note(piece, tone, written, unit, bar, random));
                    abc.append(next < end && !tone.isRest() ? "-" : "");
                    start = next;
                    if (dotted && i == 0) {
                        // both as eighths with a dot between
                        abc.setLength(abc.length() - length(written, unit).length());
                        abc.append(length(6, unit)).append(">");
                        abc.append(note(piece, figure.get(1), 6, unit, bar, random));
                        i++;
                    }
                }
                abc.append(random.nextInt(3) == 0 ? " " : "");
            }
            abc.append(slur ? ")" : "");
        }
        return abc.append(" |]\n").toString();
    }

    private static String note(
            Piece piece, Tone tone, int written, int unit, Map<Integer, Integer> bar, Random random) {
        if (tone.isRest()) {
            return (random.nextBoolean() ? "z" : "x") + length(written, unit);
        }
        String before = new String[] {"", "", "", "!mf!", ".", "~", "{c}", "!trill!", "\"^slowly\""}[random.nextInt(9)];
        int holds = bar.getOrDefault(tone.letter(), alterInKey(piece.fifths(), tone.letter()));
        String sign = "";
        if (holds != tone.alter() || random.nextInt(8) == 0) {
            sign = new String[] {"__", "_", "=", "^", "^^"}[tone.alter() + 2];
            bar.put(tone.letter(), tone.alter());
        }
        String letter = String.valueOf(LETTERS.charAt(tone.letter()));
        String place = tone.octave() >= 5
                ? letter.toLowerCase(Locale.ROOT) + "'".repeat(tone.octave() - 5)
                : letter + ",".repeat(4 - tone.octave());
        return before + sign + place + length(written, unit);
    }

    private static String length(int written, int unit) {
        int over = written / unit;
        if (over * unit == written) {
            return over == 1 ? "" : String.valueOf(over);
        }
        int below = 2;
        while (written * below % unit != 0) {
            below *= 2;
        }
        int above = written * below / unit;
        return (above == 1 ? "" : String.valueOf(above)) + "/" + (below == 2 && above == 1 ? "" : below);
    }

    // ---- MIDI ----

    @Property(tries = 150)
    void midiFilesOfOtherPrograms(@ForAll long seed) throws Exception {
        Random random = new Random(seed);
        Piece piece = piece(random);
        boolean played = random.nextBoolean();
        Reading reading = new MidiReader("x").read(midi(piece, random, played));
        if (played) {
            // what is played late or early belongs to the grid; how long it sounds is up to the player
            assertThat(reading.song().melody().stream().map(note -> note.midi() + "@" + own(note.tick())))
                    .containsExactlyElementsOf(piece.tune().stream()
                            .map(note -> note.substring(0, note.indexOf('+')))
                            .toList());
        } else {
            assertThat(tune(reading.song())).isEqualTo(piece.tune());
            assertThat(reading.song().key().fifths()).isEqualTo(piece.fifths());
        }
        assertThat(reading.song().bars()).hasSize(piece.bars());
        assertThat(reading.song().bars().get(0).meter().beats()).isEqualTo(piece.beats());
    }

    private static byte[] midi(Piece piece, Random random, boolean played)
            throws InvalidMidiDataException, IOException {
        int quarter = new int[] {96, 120, 192, 384, 480, 960}[random.nextInt(6)];
        Sequence sequence = new Sequence(Sequence.PPQ, quarter);
        Track head = sequence.createTrack();
        head.add(new MidiEvent(new MetaMessage(0x58, new byte[] {(byte) piece.beats(), 2, 24, 8}, 4), 0));
        head.add(new MidiEvent(new MetaMessage(0x59, new byte[] {(byte) piece.fifths(), 0}, 2), 0));
        head.add(new MidiEvent(new MetaMessage(0x51, new byte[] {0x07, (byte) 0xA1, 0x20}, 3), 0));
        boolean oneTrack = random.nextBoolean();
        boolean drums = random.nextBoolean();
        Track tune = oneTrack ? head : sequence.createTrack();
        Track low = oneTrack ? head : sequence.createTrack();
        int scale = quarter / QUARTER;
        for (Tone tone : piece.tones()) {
            if (!tone.isRest()) {
                int late = played ? late(tone.at(), quarter, random) : 0;
                int from = Math.max(0, tone.at() * scale + late);
                int shorter = played ? tone.length() * scale / 10 : 0;
                strike(tune, 2, tone.midi(), from, tone.at() * scale + tone.length() * scale - shorter, random);
            }
        }
        for (int bar = 0; bar < piece.bars(); bar++) {
            int from = bar * piece.barLength() * scale;
            strike(low, 1, 40, from, from + piece.barLength() * scale, random);
            if (drums) {
                strike(low, 9, 81, from, from + scale, random);
            }
        }
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        MidiSystem.write(sequence, sequence.getTracks().length == 1 ? 0 : 1, bytes);
        return bytes.toByteArray();
    }

    /** So far from where it belongs as a player may be, but on no grid by chance. */
    private static int late(int at, int quarter, Random random) {
        while (true) {
            int late = random.nextInt(quarter / 20 + 1) - quarter / 40;
            double ticks = at * Ticks.QUARTER / (double) QUARTER + late * Ticks.QUARTER / (double) quarter;
            if (off(ticks, Ticks.QUARTER / 60) > 3 && off(ticks, Ticks.QUARTER / 28) > 3) {
                return late;
            }
        }
    }

    private static double off(double ticks, int grid) {
        return Math.abs(ticks - grid * Math.rint(ticks / grid));
    }

    private static void strike(Track track, int channel, int midi, int from, int to, Random random)
            throws InvalidMidiDataException {
        boolean silentOn = random.nextBoolean();
        track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_ON, channel, midi, 40 + random.nextInt(80)), from));
        track.add(new MidiEvent(
                new ShortMessage(silentOn ? ShortMessage.NOTE_ON : ShortMessage.NOTE_OFF, channel, midi, 0), to));
    }

    // ---- plain-text tablature ----

    @Property(tries = 150)
    void tablatureWithEvenSpaces(@ForAll long seed) throws FormatException {
        Random random = new Random(seed);
        Piece piece = piece(random);
        tablature(piece, random, evenly(piece, random));
    }

    @Property(tries = 150)
    void tablatureWithACount(@ForAll long seed) throws FormatException {
        Random random = new Random(seed);
        tablature(piece(random), random, counted(random));
    }

    private static void tablature(Piece piece, Random random, Spacing spacing) throws FormatException {
        String text = tab(piece, spacing, random);
        Reading reading = new TabReader("x").read(text.getBytes(StandardCharsets.UTF_8));
        Written written = reading.written().orElseThrow();
        Instrument guitar = written.on(Guitar.STEEL);
        assertThat(written.notes().stream().map(note -> note.midi(guitar) + "@" + own(note.tick())))
                .describedAs(text)
                .containsExactlyElementsOf(piece.tones().stream()
                        .filter(OtherPensTest::isTyped)
                        .map(tone -> tone.midi() + "@" + tone.at())
                        .toList());
        assertThat(reading.song().bars()).hasSize(piece.bars());
    }

    /** What falls between sixteenths is left out. */
    private static boolean isTyped(Tone tone) {
        return !tone.isRest() && tone.at() % SIXTEENTH == 0;
    }

    /** Where each sixteenth of a bar stands, the bar's end last; and whether a count stands under it. */
    private record Spacing(IntFunction<int[]> columns, boolean isCounted) {}

    /**
     * Two to four columns to a sixteenth after none to two at each bar's beginning; some off its end, where enough notes
     * stand to tell the steps by.
     */
    private static Spacing evenly(Piece piece, Random random) {
        int step = 2 + random.nextInt(3);
        int pad = random.nextInt(3);
        int apart = piece.tones().stream()
                .filter(OtherPensTest::isTyped)
                .map(tone -> BigInteger.valueOf(tone.at() % piece.barLength() / SIXTEENTH))
                .reduce(BigInteger.ZERO, BigInteger::gcd)
                .intValue();
        boolean told = apart > 0 && piece.beats() * 4 % apart == 0;
        int cut = told && random.nextBoolean() ? random.nextInt(step - 1) : 0;
        return new Spacing(
                sixteenths -> {
                    int[] columns = new int[sixteenths + 1];
                    Arrays.setAll(columns, at -> pad + at * step - (at == sixteenths ? cut : 0));
                    return columns;
                },
                false);
    }

    /** As it comes, with a word of the count under each sixteenth. */
    private static Spacing counted(Random random) {
        return new Spacing(
                sixteenths -> {
                    int[] columns = new int[sixteenths + 1];
                    columns[0] = random.nextInt(3);
                    for (int at = 1; at < columns.length; at++) {
                        columns[at] = columns[at - 1] + 2 + random.nextInt(3);
                    }
                    return columns;
                },
                true);
    }

    private static String tab(Piece piece, Spacing spacing, Random random) {
        String[] names = {"e", "B", "G", "D", "A", "E"};
        StringBuilder text = new StringBuilder("A pen\nTime: " + piece.beats() + "/4, tempo 96\n\n");
        int perLine = 1 + random.nextInt(2);
        boolean named = random.nextBoolean();
        for (int first = 0; first < piece.bars(); first += perLine) {
            StringBuilder[] lines = new StringBuilder[OPEN.length + 1];
            for (int string = 0; string < OPEN.length; string++) {
                lines[string] = new StringBuilder((named ? names[string] : "") + "|");
            }
            lines[OPEN.length] = new StringBuilder(named ? "  " : " ");
            for (int bar = first; bar < Math.min(piece.bars(), first + perLine); bar++) {
                int[] columns = spacing.columns().apply(piece.beats() * 4);
                char[][] cells = new char[OPEN.length + 1][columns[columns.length - 1]];
                for (char[] row : cells) {
                    Arrays.fill(row, '-');
                }
                Arrays.fill(cells[OPEN.length], ' ');
                for (int at = 0; spacing.isCounted() && at < columns.length - 1; at++) {
                    cells[OPEN.length][columns[at]] = at % 4 == 0 ? (char) ('1' + at / 4) : " e&a".charAt(at % 4);
                }
                for (Tone tone : piece.tones()) {
                    int at = tone.at() - bar * piece.barLength();
                    if (isTyped(tone) && at >= 0 && at < piece.barLength()) {
                        place(cells, tone.midi(), columns[at / SIXTEENTH], random);
                    }
                }
                for (int line = 0; line < lines.length; line++) {
                    lines[line].append(cells[line]).append(line < OPEN.length ? '|' : ' ');
                }
            }
            for (StringBuilder line : lines) {
                text.append(line).append('\n');
            }
            text.append('\n');
        }
        return text.toString();
    }

    private static void place(char[][] cells, int midi, int column, Random random) {
        int[] strings = IntStream.range(0, OPEN.length)
                .filter(string -> midi >= OPEN[string] && midi <= OPEN[string] + 17)
                .toArray();
        int string = strings[random.nextInt(strings.length)];
        String fret = String.valueOf(midi - OPEN[string]);
        for (int i = 0; i < fret.length(); i++) {
            cells[string][column + i] = fret.charAt(i);
        }
    }
}
