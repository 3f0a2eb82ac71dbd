package phalanx.formats.page;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import phalanx.arrange.demand.TuneUse;
import phalanx.arrange.notation.Rhythm;
import phalanx.arrange.notation.StaffNotation;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.righthand.Counting;
import phalanx.righthand.Digit;
import phalanx.song.Bar;
import phalanx.song.ChordChange;
import phalanx.song.MelodyNote;
import phalanx.technique.Attack;
import phalanx.technique.Hit;
import phalanx.theory.Note;

/**
 * What stands in a bar and where: a column for each moment, as near to the one before as what is written in them allows,
 * and as far as goes well. All measures in spaces between two strings, from the bar line.
 */
final class BarColumns {
    private static final double EIGHTH = 840;
    private static final double AFTER_EIGHTH = 2.3;
    private static final double TIGHTEST = 1.45;
    /** A sign before a head of the staff, a head beside another, a dot: in spaces of the staff. */
    private static final double HEAD_SIGN = 1.25;

    private static final double HEAD_DOT = 0.95;

    /** A text in one of the rows over or under the strings. */
    record Word(int tick, String text, boolean struck) {}

    private final Arrangement arrangement;
    private final Bar bar;
    private final boolean meter;
    private final List<StaffNotation.Voice> staff;
    private final List<ArrangedNote> notes;
    private final Rhythm rhythm;
    private final List<Word> chords = new ArrayList<>();
    private final List<Word> fingers = new ArrayList<>();
    private final List<Word> digits = new ArrayList<>();
    private final List<Word> hits = new ArrayList<>();
    private final List<Word> counts = new ArrayList<>();
    private final List<Word> words = new ArrayList<>();
    private final TreeMap<Integer, Double> least = new TreeMap<>();
    private final TreeMap<Integer, Double> natural = new TreeMap<>();
    private double leastWidth;
    private double naturalWidth;

    /** What a column needs to its left and right in one row. */
    private record Need(int tick, double left, double right) {}

    /**
     * @param meter whether it is written in the bar
     * @param resumes whether the bar before is not printed: then the chord is named that holds on
     * @param staff the voices on a staff above, none where there is no staff
     */
    BarColumns(Arrangement arrangement, Bar bar, boolean meter, boolean resumes, List<StaffNotation.Voice> staff) {
        this.arrangement = arrangement;
        this.staff = List.copyOf(staff);
        this.bar = bar;
        this.meter = meter;
        this.notes = arrangement.notes().stream()
                .filter(note -> bar.contains(note.tick()))
                .toList();
        this.rhythm = Rhythm.of(arrangement, bar);
        read(resumes);
        place();
    }

    private void read(boolean resumes) {
        int holds = arrangement.song().chordIndexAt(bar.startTick());
        if (resumes && holds >= 0) {
            ChordChange change = arrangement.song().chart().get(holds);
            if (change.startTick() < bar.startTick()) {
                chords.add(new Word(bar.startTick(), Note.printed(change.name()), true));
            }
        }
        for (ChordChange change : arrangement.song().chart()) {
            if (bar.contains(change.startTick())) {
                chords.add(new Word(change.startTick(), Note.printed(change.name()), true));
            }
        }
        Map<Integer, String> landing = new TreeMap<>();
        arrangement.holds().stream()
                .filter(hold -> bar.contains(hold.tick()))
                .sorted(Comparator.comparingInt(hold -> -hold.press().bassString()))
                .forEach(
                        hold -> landing.merge(hold.tick(), hold.press().finger().symbol(), String::concat));
        landing.forEach((tick, text) -> fingers.add(new Word(tick, text, true)));
        Map<Integer, List<ArrangedNote>> plucked = notes.stream()
                .filter(note -> note.attack().plucked())
                .collect(Collectors.groupingBy(ArrangedNote::tick, TreeMap::new, Collectors.toList()));
        plucked.forEach((tick, struck) -> digits.add(new Word(tick, digits(struck), true)));
        for (Hit hit : arrangement.hits()) {
            if (bar.contains(hit.tick())) {
                hits.add(new Word(hit.tick(), String.valueOf(hit.kind().letter()), true));
            }
        }
        TreeSet<Integer> struck = notes.stream().map(ArrangedNote::tick).collect(Collectors.toCollection(TreeSet::new));
        hits.forEach(hit -> struck.add(hit.tick()));
        for (Counting.Count count : Counting.of(bar, struck)) {
            counts.add(new Word(count.tick(), count.word(), struck.contains(count.tick())));
        }
        boolean sung = arrangement.request().tune() == TuneUse.SUNG;
        for (MelodyNote note : arrangement.song().melodyBetween(bar.startTick(), bar.endTick())) {
            String text =
                    note.syllable().orElse(sung ? Note.printed(note.pitch().toString()) : "");
            if (bar.contains(note.tick()) && !text.isEmpty()) {
                words.add(new Word(note.tick(), text.replace('\u00a0', ' '), true));
            }
        }
    }

    /**
     * The digits of a moment, the thumb first; a caret where the thumb goes back up, a dash where the nails
     * brush and an exclamation mark where a string snaps.
     */
    private static String digits(List<ArrangedNote> struck) {
        boolean up = struck.stream().anyMatch(note -> note.attack().equals(Attack.UPSTROKE));
        return struck.stream()
                        .map(ArrangedNote::right)
                        .distinct()
                        .sorted()
                        .map(Digit::symbol)
                        .collect(Collectors.joining())
                + (up ? "^" : "")
                + (struck.stream().anyMatch(note -> note.attack().equals(Attack.SNAP)) ? "!" : "")
                + (struck.stream().anyMatch(BarColumns::isByNails) ? "-" : "");
    }

    /** Whether the backs of the fingers brush it. */
    static boolean isByNails(ArrangedNote note) {
        return note.attack() instanceof Attack.Brush brush && brush.nails();
    }

    private void place() {
        List<List<Need>> rows = new ArrayList<>();
        Map<Integer, List<Need>> strings = new HashMap<>();
        for (ArrangedNote note : notes) {
            double half = width(note) / 2;
            strings.computeIfAbsent(note.string(), string -> new ArrayList<>())
                    .add(new Need(note.tick(), half + (isSwept(note) ? 0.5 : 0) + before(note), half));
        }
        rows.addAll(strings.values());
        rows.add(centred(fingers, Face.MONO, Sizes.FINGER));
        rows.add(centred(digits, Face.MONO, Sizes.DIGIT));
        rows.add(centred(hits, Face.MONO_BOLD, Sizes.DIGIT));
        rows.add(centred(counts, Face.MONO, Sizes.COUNT));
        rows.add(begun(words, Face.SANS, Sizes.WORDS));
        rows.add(staff.isEmpty() ? strokes() : heads());
        List<Need> named = begun(chords, Face.BOLD, Sizes.CHORD);
        rows.add(named);
        TreeSet<Integer> ticks = new TreeSet<>();
        rows.forEach(row -> row.forEach(need -> ticks.add(need.tick())));
        if (ticks.isEmpty()) {
            ticks.add(bar.startTick());
        }
        double before = Sizes.BEFORE + (meter ? Sizes.METER : 0);
        double number = Sizes.GAP + Face.SANS.width(String.valueOf(bar.number()), Sizes.NUMBER) + Sizes.GAP;
        leastWidth = place(least, ticks, rows, before, number, named, 0);
        naturalWidth = place(natural, ticks, rows, before, number, named, 1);
    }

    /** @param ease 0 for as tight as can be, 1 for as wide as goes well */
    private double place(
            TreeMap<Integer, Double> columns,
            TreeSet<Integer> ticks,
            List<List<Need>> rows,
            double before,
            double number,
            List<Need> named,
            double ease) {
        Integer last = null;
        for (int tick : ticks) {
            double x = last == null ? before : columns.get(last) + TIGHTEST + ease * room(tick - last);
            for (List<Need> row : rows) {
                double taken = row == named ? number : Sizes.GAP;
                for (Need need : row) {
                    if (need.tick() < tick) {
                        taken = columns.get(need.tick()) + need.right() + Sizes.GAP;
                    } else if (need.tick() == tick) {
                        x = Math.max(x, taken + need.left());
                    }
                }
            }
            columns.put(tick, x);
            last = tick;
        }
        double end = columns.get(last) + TIGHTEST + ease * room(bar.endTick() - last);
        for (List<Need> row : rows) {
            for (Need need : row) {
                end = Math.max(end, columns.get(need.tick()) + need.right() + Sizes.GAP);
            }
        }
        return Math.max(end, number);
    }

    /** More than the least for a longer time, less than in proportion. */
    private static double room(int ticks) {
        return Math.max(0, AFTER_EIGHTH * Math.sqrt(ticks / EIGHTH) - TIGHTEST);
    }

    /** What the staff needs at each moment: all its voices together, signs before heads and heads beside each other. */
    private List<Need> heads() {
        Map<Integer, Double> left = new TreeMap<>();
        Map<Integer, Double> right = new TreeMap<>();
        Signs signs = new Signs(staff);
        for (StaffNotation.Voice voice : staff) {
            for (StaffNotation.Struck struck : voice.struck()) {
                int tick = struck.value().onset();
                double half = Glyph.BLACK.width() / 2;
                left.merge(
                        tick,
                        half + HEAD_SIGN * signs.columnsBefore(struck) + StaffPainter.gracesWidth(struck),
                        Math::max);
                double beside = right.containsKey(tick) ? StaffPainter.ASIDE : 0;
                right.merge(tick, half + beside + struck.value().value().dots() * HEAD_DOT, Math::max);
            }
        }
        return left.keySet().stream()
                .map(tick -> new Need(tick, Sizes.STAFF * left.get(tick), Sizes.STAFF * right.get(tick)))
                .toList();
    }

    /** The signs of the rhythm; a rest of a whole bar stands in its middle and needs no column. */
    private List<Need> strokes() {
        double half = Glyph.BLACK.width() / 2;
        return rhythm.strokes().stream()
                .map(Rhythm.Stroke::value)
                .filter(value -> !value.rest() || value.value().ticks() < bar.lengthTicks())
                .map(value -> new Need(
                        value.onset(),
                        Sizes.RHYTHM * half,
                        Sizes.RHYTHM * (half + value.value().dots() * HEAD_DOT)))
                .toList();
    }

    private static List<Need> centred(List<Word> words, Face face, double size) {
        return words.stream()
                .map(word ->
                        new Need(word.tick(), face.width(word.text(), size) / 2, face.width(word.text(), size) / 2))
                .toList();
    }

    /** Words that begin where the sign of a note does. */
    private static List<Need> begun(List<Word> words, Face face, double size) {
        return words.stream()
                .map(word -> new Need(word.tick(), Sizes.TILE / 2, face.width(word.text(), size) - Sizes.TILE / 2))
                .toList();
    }

    /** How wide the sign of a note is. */
    static double width(ArrangedNote note) {
        boolean diamond = note.attack() instanceof Attack.Touched;
        return note.writtenFret() > 9 || diamond ? Sizes.WIDE_TILE : Sizes.TILE;
    }

    /** How wide what stands before the sign of a note is. */
    private static double before(ArrangedNote note) {
        return note.attack() instanceof Attack.Graced graced
                ? Face.MONO_BOLD.width(graced.figures(note.fret()), Sizes.GRACE)
                : 0;
    }

    /** Whether a line stands before it, of a brush or a roll. */
    static boolean isSwept(ArrangedNote note) {
        return note.attack() instanceof Attack.Brush || note.attack() instanceof Attack.Roll;
    }

    Bar bar() {
        return bar;
    }

    boolean hasMeter() {
        return meter;
    }

    double leastWidth() {
        return leastWidth;
    }

    double naturalWidth() {
        return naturalWidth;
    }

    List<ArrangedNote> notes() {
        return notes;
    }

    Rhythm rhythm() {
        return rhythm;
    }

    List<Word> chords() {
        return chords;
    }

    List<Word> fingers() {
        return fingers;
    }

    List<Word> digits() {
        return digits;
    }

    List<Word> hits() {
        return hits;
    }

    List<Word> counts() {
        return counts;
    }

    List<Word> words() {
        return words;
    }

    /**
     * Where a moment lies.
     *
     * @param ease 0 for the least width, 1 for the natural one
     */
    double x(int tick, double ease) {
        Integer at = least.floorKey(tick);
        Integer next = least.higherKey(tick);
        if (at == null) {
            return at(next, ease);
        }
        double from = at(at, ease);
        double to = next == null ? leastWidth + ease * (naturalWidth - leastWidth) : at(next, ease);
        int end = next == null ? bar.endTick() : next;
        return from + (to - from) * (tick - at) / (end - at);
    }

    private double at(int tick, double ease) {
        return least.get(tick) + ease * (natural.get(tick) - least.get(tick));
    }
}
