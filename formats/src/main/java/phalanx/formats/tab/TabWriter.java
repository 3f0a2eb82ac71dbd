package phalanx.formats.tab;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.guitar.Instrument;
import phalanx.righthand.Counting;
import phalanx.song.Bar;
import phalanx.song.ChordChange;
import phalanx.song.Section;
import phalanx.song.Song;
import phalanx.technique.Attack;
import phalanx.technique.Hit;
import phalanx.theory.Key;
import phalanx.theory.Pitch;

/**
 * Writes an arrangement as plain-text tablature: above the strings the chords, below them the right hand's digits and
 * the count, and what is sung. Every bar has a column for each step of its grid; columns are as far apart in time as they
 * look, but for bars that would be wider than a line. At the end {@link TabTimes} says what spacing cannot.
 */
public final class TabWriter {
    private static final int WIDEST = 100;
    /** Stands behind a figure that is touched. */
    private static final String TOUCHED = "*";

    private static final String VIBRATO = "~";
    private static final String CURL = "^";
    /** Before a figure to which the finger slides, and which is plucked. */
    static final char SHIFT_SLIDE = 'S';

    private static final String SNAP = "!";

    private static final int COLUMN = 3;
    private static final int LABEL = 4;
    /** A beat has at most so many columns. */
    private static final int FINEST_SHARE = 24;

    /** Begins the row of left-hand fingers. */
    static final String LEFT_HAND = "LH";

    /** Begins the row of what is plucked just before a note of the tune. */
    static final String GRACES = "gr";

    /** Begins the row of hits. */
    static final String HITS = "hit";

    private final boolean fingers;

    /** Writes no left-hand fingers, as most players have it. */
    public TabWriter() {
        this(false);
    }

    /** @param fingers whether a row under the strings has the left hand's fingers, at one time from the bass side */
    public TabWriter(boolean fingers) {
        this.fingers = fingers;
    }

    /** The whole text, lines ended by \n. */
    public String write(Arrangement arrangement) {
        Song song = arrangement.song();
        StringBuilder text = new StringBuilder(song.title()).append('\n');
        text.append("tuning ")
                .append(arrangement.request().instrument().tuning().notes());
        int capo = arrangement.request().instrument().capo();
        text.append(capo > 0 ? ", capo " + capo : ", no capo")
                .append(", key ")
                .append(song.key())
                .append(", ")
                .append(song.bars().get(0).meter())
                .append(", ")
                .append(song.tempo())
                .append(" quarter notes a minute\n");
        if (!arrangement.hits().isEmpty()) {
            text.append("hits: ")
                    .append(arrangement.hits().stream()
                            .map(Hit::kind)
                            .distinct()
                            .sorted()
                            .map(kind -> kind.letter() + " " + kind.word())
                            .collect(Collectors.joining(", ")))
                    .append('\n');
        }
        String slurs = arrangement.notes().stream()
                .flatMap(note -> note.attack() instanceof Attack.Slur slur ? Stream.of(slur.kind()) : Stream.of())
                .distinct()
                .sorted()
                .map(kind -> kind.sign() + " " + kind.word())
                .collect(Collectors.joining(", "));
        if (!slurs.isEmpty()) {
            text.append("slurs: ").append(slurs).append(" (not plucked)\n");
        }
        if (arrangement.notes().stream().anyMatch(note -> note.attack() instanceof Attack.Graced)) {
            text.append("grace notes: frets in the row ")
                    .append(GRACES)
                    .append(" are plucked on the string of the tune, the left hand makes the note at once\n");
        }
        if (arrangement.notes().stream().anyMatch(note -> note.attack().equals(Attack.VIBRATO))) {
            text.append("vibrato: figures with ").append(VIBRATO).append('\n');
        }
        if (arrangement.notes().stream().anyMatch(note -> note.attack().equals(Attack.ARRIVED))) {
            text.append("shift slides: ").append(SHIFT_SLIDE).append(" before figures (slid to, then plucked)\n");
        }
        if (arrangement.notes().stream().anyMatch(note -> note.attack().equals(Attack.CURL))) {
            text.append("quarter bends: figures with ").append(CURL).append('\n');
        }
        if (arrangement.notes().stream().anyMatch(note -> note.attack().equals(Attack.SNAP))) {
            text.append("snapped: figures with ").append(SNAP).append('\n');
        }
        boolean natural = arrangement.notes().stream()
                .anyMatch(note -> note.fret() == 0 && note.attack() instanceof Attack.Touched);
        if (natural) {
            text.append("harmonics: figures in < > are touched over that fret of the open string\n");
        }
        arrangement.notes().stream()
                .flatMap(note -> note.fret() > 0 && note.attack() instanceof Attack.Touched touched
                        ? Stream.of(touched.node())
                        : Stream.of())
                .distinct()
                .sorted()
                .forEach(node -> text.append(String.format(
                        Locale.ROOT,
                        "harmonics: figures with %s sound %d semitones higher, the index touches %.0f frets above%n",
                        TOUCHED,
                        node.nearest(),
                        node.frets())));
        text.append('\n');
        List<BarText> line = new ArrayList<>();
        int width = LABEL;
        int from = 0;
        for (Bar bar : song.bars()) {
            int to = from;
            while (to < arrangement.notes().size()
                    && arrangement.notes().get(to).tick() < bar.endTick()) {
                to++;
            }
            BarText next = new BarText(arrangement, bar, arrangement.notes().subList(from, to), fingers);
            from = to;
            if (!line.isEmpty() && width + next.width() > WIDEST) {
                appendLine(arrangement, line, text);
                line.clear();
                width = LABEL;
            }
            line.add(next);
            width += next.width();
        }
        appendLine(arrangement, line, text);
        return text.append('\n').append(TabTimes.write(arrangement)).toString();
    }

    private static void appendLine(Arrangement arrangement, List<BarText> bars, StringBuilder text) {
        int strings = arrangement.request().instrument().strings();
        appendRow(text, "", bars, bar -> bar.heading, " ");
        appendRow(text, "", bars, bar -> bar.chords, " ");
        for (int string = 1; string <= strings; string++) {
            int row = string;
            Pitch open = Pitch.of(arrangement.request().instrument().tuning().midi(string), Key.C_MAJOR);
            String label = string == 1
                    ? open.note().toString().toLowerCase(Locale.ROOT)
                    : open.note().toString();
            appendRow(text, label, bars, bar -> bar.strings[row], "|");
        }
        if (bars.stream().anyMatch(bar -> !bar.fingers.isEmpty())) {
            appendRow(text, LEFT_HAND, bars, bar -> bar.left, " ");
        }
        if (bars.stream().anyMatch(bar -> !bar.graces.isEmpty())) {
            appendRow(text, GRACES, bars, bar -> bar.before, " ");
        }
        appendRow(text, "", bars, bar -> bar.digits, " ");
        if (bars.stream().anyMatch(bar -> bar.isHit)) {
            appendRow(text, HITS, bars, bar -> bar.hits, " ");
        }
        appendRow(text, "", bars, bar -> bar.count, " ");
        if (bars.stream().anyMatch(bar -> !bar.syllables.isEmpty())) {
            appendRow(text, "", bars, bar -> bar.words, " ");
        }
        text.append('\n');
    }

    private interface Row {
        char[] of(BarText bar);
    }

    private static void appendRow(StringBuilder text, String label, List<BarText> bars, Row row, String separator) {
        StringBuilder line = new StringBuilder(String.format("%-" + (LABEL - 1) + "s", label)).append(separator);
        for (BarText bar : bars) {
            line.append(row.of(bar)).append(separator);
        }
        text.append(line.toString().stripTrailing()).append('\n');
    }

    /** The text rows of one bar. */
    private static final class BarText {
        private final Bar bar;
        private final Instrument instrument;
        private final List<Counting.Count> counts;
        private final int step;
        private final char[] heading;
        private final char[] chords;
        private final char[][] strings;
        private final char[] digits;
        private final char[] count;
        private final char[] words;
        private final TreeMap<Integer, String> syllables = new TreeMap<>();
        private final char[] left;
        /** The fingers of each moment in which something is stopped. */
        private final TreeMap<Integer, String> fingers = new TreeMap<>();

        private final char[] before;
        /** Frets before the notes of a moment, with the signs of how the left hand goes on. */
        private final TreeMap<Integer, String> graces = new TreeMap<>();

        private final char[] hits;
        private boolean isHit;
        /** The ticks that have a column each, where there is no room for even ones. */
        private final TreeMap<Integer, Integer> uneven = new TreeMap<>();

        BarText(Arrangement arrangement, Bar bar, List<ArrangedNote> notes, boolean withFingers) {
            this.instrument = arrangement.request().instrument();
            this.bar = bar;
            TreeSet<Integer> struck =
                    notes.stream().map(ArrangedNote::tick).collect(Collectors.toCollection(TreeSet::new));
            this.counts = Counting.of(bar, struck);
            arrangement.hits().stream().map(Hit::tick).filter(bar::contains).forEach(struck::add);
            arrangement.song().melodyBetween(bar.startTick(), bar.endTick()).forEach(note -> note.syllable()
                    .ifPresent(text -> syllables.put(note.tick(), text.replace('\u00a0', ' '))));
            if (withFingers) {
                notes.stream()
                        .sorted(Comparator.comparingInt(note -> -note.string()))
                        .forEach(note -> note.left()
                                .ifPresent(finger -> fingers.merge(
                                        note.tick(),
                                        finger.symbol(),
                                        (one, other) -> one.contains(other) ? one : one + other)));
            }
            notes.forEach(note -> {
                if (note.attack() instanceof Attack.Graced graced) {
                    graces.put(note.tick(), graced.figures(note.fret()));
                }
            });
            this.step = roomyStep(finestStep(struck, bar), arrangement.song());
            Song song = arrangement.song();
            int width = columns(step) * COLUMN + 1;
            width = width > WIDEST - LABEL ? unevenWidth(struck, song) : width;
            words = filled(width, ' ');
            left = filled(width, ' ');
            before = filled(width, ' ');
            hits = filled(width, ' ');
            heading = filled(width, ' ');
            chords = filled(width, ' ');
            digits = filled(width, ' ');
            count = filled(width, ' ');
            strings = new char[arrangement.request().instrument().strings() + 1][];
            for (int string = 1; string < strings.length; string++) {
                strings[string] = filled(width, '-');
            }
            writeHeading(song);
            for (ChordChange change : song.chart()) {
                if (bar.contains(change.startTick())) {
                    put(chords, change.startTick(), change.name());
                }
            }
            writeCount();
            notes.forEach(this::writeNote);
            writeHits(arrangement);
            syllables.forEach((tick, syllable) -> put(words, tick, syllable));
            fingers.forEach((tick, text) -> put(left, tick, text));
            graces.forEach((tick, text) -> put(before, tick, text));
        }

        private void writeHits(Arrangement arrangement) {
            for (Hit hit : arrangement.hits()) {
                if (bar.contains(hit.tick())) {
                    put(hits, hit.tick(), String.valueOf(hit.kind().letter()));
                    isHit = true;
                }
            }
        }

        /** Gives each tick at which something stands a column of its own, and room for its words. */
        private int unevenWidth(TreeSet<Integer> struck, Song song) {
            TreeMap<Integer, Integer> room = new TreeMap<>();
            room.put(bar.startTick(), COLUMN);
            struck.forEach(tick -> room.put(tick, COLUMN));
            counts.forEach(
                    word -> room.merge(word.tick(), Math.max(COLUMN, word.word().length() + 1), Math::max));
            song.chart().stream()
                    .filter(change -> bar.contains(change.startTick()))
                    .forEach(change -> room.merge(
                            change.startTick(), Math.max(COLUMN, change.name().length() + 1), Math::max));
            List.of(syllables, fingers, graces)
                    .forEach(row -> row.forEach(
                            (tick, text) -> room.merge(tick, Math.max(COLUMN, text.length() + 1), Math::max)));
            int column = 1;
            for (Map.Entry<Integer, Integer> entry : room.entrySet()) {
                uneven.put(entry.getKey(), column);
                column += entry.getValue();
            }
            return Math.max(column, heading(song).length() + 2);
        }

        int width() {
            return heading.length + 1;
        }

        private int columns(int step) {
            return (bar.lengthTicks() + step - 1) / step;
        }

        /** The step, halved until heading and chords have room. */
        private int roomyStep(int finest, Song song) {
            int step = finest;
            while (step % 2 == 0 && step > bar.meter().beatTicks() / FINEST_SHARE && !hasRoom(step, song)) {
                step /= 2;
            }
            return step;
        }

        private boolean hasRoom(int step, Song song) {
            int from = bar.startTick();
            int room = 0;
            for (ChordChange change : song.chart()) {
                if (bar.contains(change.startTick())) {
                    if (change.startTick() > bar.startTick() && (change.startTick() - from) * COLUMN / step <= room) {
                        return false;
                    }
                    from = change.startTick();
                    room = change.name().length();
                }
            }
            return (bar.endTick() - from) * COLUMN / step >= room
                    && columns(step) * COLUMN >= heading(song).length()
                    && countHasRoom(step)
                    && haveRoom(syllables, step)
                    && haveRoom(fingers, step)
                    && haveRoom(graces, step);
        }

        private boolean haveRoom(TreeMap<Integer, String> words, int step) {
            Map.Entry<Integer, String> before = null;
            for (Map.Entry<Integer, String> entry : words.entrySet()) {
                int from = before == null ? entry.getKey() : before.getKey();
                int length = before == null ? -1 : before.getValue().length();
                if ((entry.getKey() - from) * COLUMN / step <= length) {
                    return false;
                }
                before = entry;
            }
            return before == null
                    || (bar.endTick() - before.getKey()) * COLUMN / step
                            >= before.getValue().length();
        }

        private boolean countHasRoom(int step) {
            for (int i = 0; i + 1 < counts.size(); i++) {
                int columns = (counts.get(i + 1).tick() - counts.get(i).tick()) * COLUMN / step;
                if (columns <= counts.get(i).word().length()) {
                    return false;
                }
            }
            return true;
        }

        private void writeHeading(Song song) {
            put(heading, bar.startTick(), heading(song));
        }

        private String heading(Song song) {
            StringBuilder text = new StringBuilder(String.valueOf(bar.number()));
            if (bar.startTick() > 0 && !song.barAt(bar.startTick() - 1).meter().equals(bar.meter())) {
                text.append(' ').append(bar.meter());
            }
            for (Section section : song.sections()) {
                if (bar.contains(section.startTick())) {
                    text.append(" [").append(section.name()).append(']');
                }
            }
            return text.toString();
        }

        private void writeNote(ArrangedNote note) {
            int column = column(note.tick());
            put(strings[note.string()], note.tick(), String.valueOf(note.fret() + note.bentBy(instrument)));
            if (note.attack() instanceof Attack.Touched) {
                boolean natural = note.fret() == 0;
                put(strings[note.string()], note.tick(), note.writtenFret() + (natural ? ">" : TOUCHED));
                if (natural) {
                    putBefore(note, '<');
                }
            }
            if (note.attack().equals(Attack.SNAP)) {
                put(strings[note.string()], note.tick(), note.fret() + SNAP);
            }
            if (note.attack().equals(Attack.CURL)) {
                put(strings[note.string()], note.tick(), note.fret() + CURL);
            }
            if (note.attack().equals(Attack.VIBRATO)) {
                put(strings[note.string()], note.tick(), note.fret() + VIBRATO);
            }
            if (note.attack() instanceof Attack.Slur slur) {
                putBefore(note, slur.kind().sign().charAt(0));
                return;
            }
            if (note.attack().equals(Attack.ARRIVED)) {
                putBefore(note, SHIFT_SLIDE);
            }
            char digit = note.right().symbol().charAt(0);
            // one stroke over several strings is one letter
            int shift = digits[column] == ' ' || digits[column] == digit ? 0 : 1;
            if (column + shift < digits.length) {
                digits[column + shift] = digit;
            }
        }

        private void putBefore(ArrangedNote note, char sign) {
            char[] row = strings[note.string()];
            int before = column(note.tick()) - 1;
            if (row[before] == '-') {
                row[before] = sign;
            }
        }

        private void writeCount() {
            counts.forEach(word -> put(count, word.tick(), word.word()));
        }

        private int column(int tick) {
            return uneven.isEmpty()
                    ? 1 + (int) ((long) (tick - bar.startTick()) * COLUMN / step)
                    : uneven.floorEntry(tick).getValue();
        }

        private void put(char[] row, int tick, String text) {
            int column = column(tick);
            for (int i = 0; i < text.length() && column + i < row.length; i++) {
                row[column + i] = text.charAt(i);
            }
        }

        private static char[] filled(int width, char with) {
            char[] row = new char[width];
            Arrays.fill(row, with);
            return row;
        }

        /** The largest step of the beat on which all notes and hits of the bar fall. */
        private static int finestStep(TreeSet<Integer> struck, Bar bar) {
            int step = bar.meter().stepTicks();
            for (int tick : struck) {
                step = gcd(step, tick - bar.startTick());
            }
            return Math.max(step, bar.meter().beatTicks() / FINEST_SHARE);
        }

        private static int gcd(int a, int b) {
            return b == 0 ? a : gcd(b, a % b);
        }
    }
}
