package phalanx.formats.page;

import static phalanx.words.Words.wording;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import phalanx.arrange.demand.Role;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Folding;
import phalanx.guitar.Instrument;
import phalanx.song.Bar;
import phalanx.song.Section;
import phalanx.technique.Attack;
import phalanx.technique.SlurKind;
import phalanx.theory.Key;
import phalanx.theory.Note;
import phalanx.theory.Pitch;

/** Draws a line of tablature with its rows: chords and fingers over it, digits, hits, the count and words under it. */
final class LinePainter {
    private static final int WAVES = 4;

    private static final double SECTION_ROW = 2.2;
    private static final double CHORD_ROW = 2.0;
    private static final double FINGER_ROW = 1.3;
    private static final double OVER = 1.1;
    private static final double UNDER = 1.7;
    private static final double ROW = 1.35;
    /** The row of the rhythm, where no staff has it. */
    private static final double RHYTHM_ROW = 2.1;
    /** From the lowest string to the tops of its stems: room for figures of tuplets. */
    private static final double RHYTHM_UNDER = 1.25;

    private static final double WORDS_ROW = 1.6;
    private static final double AFTER = 1.5;
    private static final double AFTER_STAFF = 0.6;
    private static final double ENDING_ROW = 1.5;
    /** From a thick bar line to the dots of a repeat. */
    private static final double DOTS = 0.22;

    private static final double DOT = 0.3;
    /** A repeat that says nothing is played so often. */
    private static final int TWICE = 2;

    private static final double FILLED_BAR = 0.12;
    private static final double END_BAR = 0.35;

    private final Arrangement arrangement;
    private final Instrument instrument;
    private final Map<ArrangedNote, ArrangedNote> slurred;
    private final Map<ArrangedNote, ArrangedNote> shifted;
    private final ScoreLine line;
    private final double s;
    private final boolean named;
    private final int first;
    private final Optional<Staff> staff;
    private final StaffPainter.Room room;
    private final Folding folding;
    private final boolean sections;
    private final boolean endings;
    private final boolean hits;
    private final boolean words;
    private Pen pen;
    private double top;

    /**
     * @param notation of the whole song, where a staff stands over the strings
     * @param folding which bars stand for others that are not shown
     * @param named whether the rows are called by their names, as in the first line of a page
     */
    LinePainter(
            Arrangement arrangement,
            Map<ArrangedNote, ArrangedNote> slurred,
            Map<ArrangedNote, ArrangedNote> shifted,
            ScoreLine line,
            Optional<Staff> notation,
            Folding folding,
            boolean named) {
        this.folding = folding;
        this.arrangement = arrangement;
        this.instrument = arrangement.request().instrument();
        this.slurred = slurred;
        this.shifted = shifted;
        this.line = line;
        this.s = line.space();
        this.named = named;
        this.first = arrangement.song().barIndexAt(line.startTick());
        this.staff = notation.map(all -> all.part(first, first + line.bars().size()));
        this.room = staff.map(shown -> StaffPainter.room(shown, bars(), new Ruler(), Sizes.STAFF * s))
                .orElse(new StaffPainter.Room(0, 0));
        this.sections = begun(arrangement, line).findAny().isPresent();
        this.hits = line.bars().stream().anyMatch(bar -> !bar.hits().isEmpty());
        this.endings = IntStream.range(first, first + line.bars().size())
                .anyMatch(bar -> folding.ending(bar).isPresent() || folding.timesToEnd(bar) > TWICE);
        this.words = line.bars().stream().anyMatch(bar -> !bar.words().isEmpty());
    }

    private static Stream<Section> begun(Arrangement arrangement, ScoreLine line) {
        return arrangement.song().sections().stream()
                .filter(section -> section.startTick() >= line.startTick() && section.startTick() < line.endTick());
    }

    private double staffTop() {
        return top + (overChords() + CHORD_ROW + staffRow() + FINGER_ROW + OVER) * s;
    }

    /** In spaces. */
    private double overChords() {
        return (sections ? SECTION_ROW : 0) + (endings ? ENDING_ROW : 0);
    }

    private double staffRow() {
        return staff.isEmpty() ? 0 : (room.above() + room.below()) / s + AFTER_STAFF;
    }

    private double stringY(int string) {
        return staffTop() + (string - 1) * s;
    }

    private double rowY(int row) {
        return stringY(instrument.strings()) + (UNDER + rhythmRow() + row * ROW) * s;
    }

    private double rhythmRow() {
        return staff.isEmpty() ? RHYTHM_ROW : 0;
    }

    /** The middle of the rhythm's heads. */
    private double rhythmY() {
        return stringY(instrument.strings()) + (RHYTHM_UNDER + RhythmPainter.HEIGHT * Sizes.RHYTHM) * s;
    }

    double height() {
        int rows = 2 + (hits ? 1 : 0);
        return (overChords()
                        + CHORD_ROW
                        + staffRow()
                        + FINGER_ROW
                        + OVER
                        + instrument.strings()
                        - 1
                        + UNDER
                        + rhythmRow()
                        + (rows - 1) * ROW
                        + (words ? WORDS_ROW : 0)
                        + AFTER)
                * s;
    }

    void paint(Pen on, double y) {
        pen = on;
        top = y;
        paintHeadings();
        staff.ifPresent(this::paintNotation);
        paintStrings();
        List<ArrangedNote> sounding = arrangement.notes().stream()
                .filter(note -> note.endTick() > line.startTick() && note.tick() < line.endTick())
                .toList();
        sounding.forEach(this::paintTrail);
        for (BarColumns bar : line.bars()) {
            paintSweeps(bar);
            // the frames of bass and tune over the ground of inner notes beside them
            bar.notes().stream()
                    .sorted(Comparator.comparing(note -> note.role() != Role.INNER))
                    .forEach(this::paintNote);
            paintRows(bar);
            if (staff.isEmpty()) {
                RhythmPainter.marks(
                                bar.rhythm(),
                                line::x,
                                line.barX(bar),
                                line.barEnd(bar.bar()),
                                rhythmY(),
                                Sizes.RHYTHM * s)
                        .forEach(pen::add);
            }
        }
        // over the figures, so that none hides them
        line.bars().forEach(bar -> bar.notes().forEach(note -> {
            if (note.attack() instanceof Attack.Slur slur) {
                paintSlur(note, slur.kind());
            }
        }));
    }

    private void paintHeadings() {
        begun(arrangement, line).forEach(section -> {
            double size = 1.1 * s;
            double x = section.startTick() == line.startTick() ? line.begin() : line.x(section.startTick()) - s;
            // to the next section of the line, or to its end
            double end = begun(arrangement, line)
                    .filter(next -> next.startTick() > section.startTick())
                    .mapToDouble(next -> line.x(next.startTick()) - 1.5 * s)
                    .min()
                    .orElse(line.endX());
            String name = Type.cut(section.name(), Face.BOLD, size, Math.max(s, end - x - s));
            double width = Face.BOLD.width(name, size) + s;
            pen.framed(x, top, width, 1.7 * s, 0.3 * s, 0.14 * s, Shade.INK);
            pen.centred(name, x + width / 2, top + 0.85 * s, Face.BOLD, size, Shade.INK);
        });
        double base = top + (overChords() + 1.4) * s;
        for (BarColumns bar : line.bars()) {
            if (bar.bar().number() > 0) {
                String number = String.valueOf(bar.bar().number());
                pen.left(number, line.barX(bar) + 0.2 * s, base, Face.SANS, Sizes.NUMBER * s, Shade.QUIET);
            }
            for (BarColumns.Word chord : bar.chords()) {
                pen.left(chord.text(), left(chord), base, Face.BOLD, Sizes.CHORD * s, Shade.INK);
            }
        }
    }

    /** Where a word begins that stands over or under a note. */
    private double left(BarColumns.Word word) {
        return line.x(word.tick()) - Sizes.TILE / 2 * s;
    }

    private void paintNotation(Staff shown) {
        double lowest = lowestLine();
        StaffPainter.marks(shown, bars(), 0, new Ruler(), Sizes.STAFF * s, lowest)
                .forEach(pen::add);
        // staff and strings are one line of music
        pen.line(line.begin(), lowest, line.begin(), stringY(1), FILLED_BAR * s, Shade.INK);
    }

    /** The lowest line of the staff. */
    private double lowestLine() {
        return top + (overChords() + CHORD_ROW) * s + room.above();
    }

    private List<Bar> bars() {
        return line.bars().stream().map(BarColumns::bar).toList();
    }

    /** The staff stands over the columns of the tablature. */
    private final class Ruler implements StaffPainter.Ruler {
        @Override
        public double begin() {
            return line.begin();
        }

        @Override
        public double barX(Bar bar) {
            return line.barX(line.columns(bar));
        }

        @Override
        public double barEnd(Bar bar) {
            return line.barEnd(bar);
        }

        @Override
        public double x(int tick) {
            return line.x(tick);
        }

        @Override
        public OptionalDouble meter(Bar bar) {
            BarColumns columns = line.columns(bar);
            return columns.hasMeter() ? OptionalDouble.of(meterX(columns)) : OptionalDouble.empty();
        }
    }

    private double meterX(BarColumns bar) {
        return line.barX(bar) + (0.45 + Sizes.METER / 2) * s;
    }

    private void paintStrings() {
        double end = line.endX();
        for (int string = 1; string <= instrument.strings(); string++) {
            double y = stringY(string);
            pen.line(line.begin(), y, end, y, 0.07 * s, Shade.RULE);
            String name = Note.printed(Pitch.of(instrument.tuning().midi(string), Key.C_MAJOR)
                    .note()
                    .toString());
            double x = line.begin() - 0.5 * s - Face.MONO.width(name, 0.9 * s);
            pen.left(name, x, y + 0.3 * s, Face.MONO, 0.9 * s, Shade.QUIET);
        }
        for (BarColumns bar : line.bars()) {
            barLine(bar == line.bars().get(0) ? line.begin() : line.barX(bar), FILLED_BAR);
            if (bar.hasMeter()) {
                paintMeter(bar);
            }
        }
        if (line.endTick() >= arrangement.song().endTick()) {
            barLine(end - 0.6 * s, FILLED_BAR);
            barLine(end - END_BAR / 2 * s, END_BAR);
        } else {
            barLine(end - FILLED_BAR / 2 * s, FILLED_BAR);
        }
        for (int i = 0; i < line.bars().size(); i++) {
            paintRepeats(first + i, line.bars().get(i));
        }
    }

    private void paintRepeats(int bar, BarColumns columns) {
        double from = columns == line.bars().get(0) ? line.begin() : line.barX(columns);
        double to = line.barEnd(columns.bar());
        double y = top + (sections ? SECTION_ROW : 0) * s;
        if (folding.beginsRepeat(bar)) {
            repeatSign(from + END_BAR / 2 * s, from + (END_BAR + DOTS) * s);
        }
        int times = folding.timesToEnd(bar);
        if (times > 0) {
            repeatSign(to - END_BAR / 2 * s, to - (END_BAR + DOTS) * s);
        }
        if (times > TWICE) {
            pen.right(times + "×", to - 0.3 * s, y + 1.1 * s, Face.BOLD, Sizes.COUNT * s, Shade.INK);
        }
        folding.ending(bar).ifPresent(ending -> {
            double over = y + 0.2 * s;
            double left = line.barX(columns) + 0.2 * s;
            pen.line(left, over, to - 0.3 * s, over, FILLED_BAR * s, Shade.INK);
            if (bar == ending.from()) {
                pen.line(left, over, left, over + s, FILLED_BAR * s, Shade.INK);
                pen.left(ending.round() + ".", left + 0.3 * s, over + s, Face.BOLD, Sizes.COUNT * s, Shade.INK);
            }
            if (bar == ending.to() - 1 && ending.round() == 1) {
                pen.line(to - 0.3 * s, over, to - 0.3 * s, over + s, FILLED_BAR * s, Shade.INK);
            }
        });
    }

    /** A thick bar line, and dots between strings in the middle. */
    private void repeatSign(double x, double dots) {
        barLine(x, END_BAR);
        double middle = (stringY(1) + stringY(instrument.strings())) / 2;
        double half = DOT / 2 * s;
        for (double apart : new double[] {-s, s}) {
            pen.filled(dots - half, middle + apart - half, 2 * half, 2 * half, half, Shade.INK);
        }
    }

    private void barLine(double x, double width) {
        pen.line(x, stringY(1), x, stringY(instrument.strings()), width * s, Shade.INK);
        if (staff.isPresent()) {
            double lowest = lowestLine();
            pen.line(x, lowest - Staff.LINES_APART * Sizes.STAFF * s, x, lowest, width * s, Shade.INK);
        }
    }

    private void paintMeter(BarColumns bar) {
        Bar of = bar.bar();
        double x = meterX(bar);
        double middle = (stringY(1) + stringY(instrument.strings())) / 2;
        double size = Math.min(2.2, (instrument.strings() - 1) * 0.44) * s;
        pen.centred(String.valueOf(of.meter().beats()), x, middle - 0.42 * size, Face.BOLD, size, Shade.INK);
        pen.centred(String.valueOf(of.meter().unit()), x, middle + 0.42 * size, Face.BOLD, size, Shade.INK);
    }

    private void paintRows(BarColumns bar) {
        double over = stringY(1) - OVER * s - 0.15 * s;
        bar.fingers()
                .forEach(word ->
                        pen.centred(word.text(), line.x(word.tick()), over, Face.MONO, Sizes.FINGER * s, Shade.QUIET));
        int row = 0;
        for (BarColumns.Word word : bar.digits()) {
            pen.centred(word.text(), line.x(word.tick()), rowY(row), Face.MONO, Sizes.DIGIT * s, Shade.INK);
        }
        if (hits) {
            row++;
            for (BarColumns.Word word : bar.hits()) {
                pen.centred(word.text(), line.x(word.tick()), rowY(row), Face.MONO_BOLD, Sizes.DIGIT * s, Shade.HIT);
            }
        }
        row++;
        for (BarColumns.Word word : bar.counts()) {
            Face face = Character.isDigit(word.text().charAt(0)) ? Face.MONO_BOLD : Face.MONO;
            Shade shade = word.struck() ? Shade.INK : Shade.RULE;
            pen.centred(word.text(), line.x(word.tick()), rowY(row), face, Sizes.COUNT * s, shade);
        }
        double base = rowY(row) + WORDS_ROW * s;
        bar.words().forEach(word -> pen.left(word.text(), left(word), base, Face.SANS, Sizes.WORDS * s, Shade.INK));
        if (named && bar == line.bars().get(0)) {
            nameRow(wording("LinePainter.finger"), over);
            if (staff.isEmpty()) {
                nameRow(wording("LinePainter.rhythm"), rhythmY());
            }
            nameRow(wording("LinePainter.digit"), rowY(0));
            if (hits) {
                nameRow(wording("LinePainter.hit"), rowY(1));
            }
            nameRow(wording("LinePainter.count"), rowY(row));
        }
    }

    private void nameRow(String name, double y) {
        double size = Sizes.LABEL * s;
        pen.right(name, line.begin() - 0.3 * s, y + Type.CAPITAL * size / 2, Face.SANS, size, Shade.QUIET);
    }

    private void paintTrail(ArrangedNote note) {
        boolean before = note.tick() < line.startTick();
        double from = before ? line.left() : line.x(note.tick()) + BarColumns.width(note) / 2 * s;
        double to = note.endTick() >= line.endTick() ? line.endX() : line.x(note.endTick()) - 0.75 * s;
        if (to > from + 0.2 * s) {
            double y = stringY(note.string());
            pen.line(from, y, to, y, (note.role() == Role.INNER ? 0.12 : 0.2) * s, shade(note.role()));
        }
    }

    private void paintNote(ArrangedNote note) {
        double x = line.x(note.tick());
        double y = stringY(note.string());
        double width = BarColumns.width(note) * s;
        double height = Sizes.TILE * s;
        String figure = String.valueOf(note.writtenFret());
        if (note.attack() instanceof Attack.Touched) {
            pen.diamond(x, y, width / 2, 0.13 * s, Shade.HARMONIC);
            pen.centred(figure, x, y, Face.MONO_BOLD, 0.8 * Sizes.FIGURE * s, Shade.HARMONIC);
            return;
        }
        Shade shade = shade(note.role());
        if (note.role() == Role.INNER) {
            pen.filled(x - width / 2, y - height / 2, width, height, 0, Shade.PAPER);
        } else {
            double corner = note.role() == Role.MELODY ? height / 2 : 0.15 * s;
            pen.framed(x - width / 2, y - height / 2, width, height, corner, 0.13 * s, shade);
        }
        Shade ink = note.role() == Role.INNER ? shade : Shade.INK;
        pen.centred(figure, x, y, Face.MONO_BOLD, Sizes.FIGURE * s, ink);
        if (note.attack() instanceof Attack.Graced graced) {
            String before = graced.figures(note.fret());
            pen.right(before, x - width / 2, y - 0.15 * s, Face.MONO_BOLD, Sizes.GRACE * s, Shade.INK);
        }
        if (note.attack().equals(Attack.ARRIVED)) {
            ArrangedNote before = shifted.get(note);
            double rise = before != null && before.fret() > note.fret() ? -0.3 * s : 0.3 * s;
            double to = x - width / 2 - 0.1 * s;
            pen.line(to - 0.8 * s, y + rise, to, y - rise, 0.13 * s, Shade.INK);
        }
        if (note.attack().equals(Attack.CURL)) {
            curl(pen, x + width / 2 + 0.1 * s, y - 0.1 * s, 0.45 * s, 0.12 * s);
        }
        if (note.attack().equals(Attack.VIBRATO)) {
            wave(pen, x + width / 2 + 0.1 * s, y - 0.35 * s, width, 0.12 * s);
        }
    }

    /** An arrow up, as after a note that is bent by a quarter tone. */
    static void curl(Pen pen, double x, double y, double size, double weight) {
        pen.line(x, y, x + size, y - size, weight, Shade.INK);
        pen.line(x + size, y - size, x + size / 2, y - size, weight, Shade.INK);
        pen.line(x + size, y - size, x + size, y - size / 2, weight, Shade.INK);
    }

    /** A wavy line of so many bows, as over a note with vibrato. */
    static void wave(Pen pen, double x, double y, double width, double weight) {
        double step = width / WAVES;
        for (int half = 0; half < WAVES; half++) {
            double from = x + half * step;
            double tip = y + (half % 2 == 0 ? -step / 2 : step / 2);
            pen.line(from, y, from + step / 2, tip, weight, Shade.INK);
            pen.line(from + step / 2, tip, from + step, y, weight, Shade.INK);
        }
    }

    /** A bow from the note it is slurred from, with its letter over it. */
    private void paintSlur(ArrangedNote note, SlurKind kind) {
        ArrangedNote before = slurred.get(note);
        double to = line.x(note.tick());
        double from = before == null || before.tick() < line.startTick()
                ? Math.max(line.left(), to - 2.5 * s)
                : line.x(before.tick());
        double y = stringY(note.string()) - 0.68 * s;
        pen.arc(from, to, y, 0.5 * s, 0.13 * s, Shade.INK);
        double size = 0.75 * s;
        double width = Face.BOLD.width(kind.sign(), size);
        double middle = clearOf(note.string() - 1, from, to, width / 2);
        pen.filled(middle - width / 2 - 0.1 * s, y - 0.85 * s, width + 0.2 * s, 0.75 * s, 0, Shade.PAPER);
        pen.centred(kind.sign(), middle, y - 0.48 * s, Face.BOLD, size, Shade.INK);
    }

    /** Where a letter over a bow stands, as near to its middle as the signs of the string above let it. */
    private double clearOf(int string, double from, double to, double half) {
        List<ArrangedNote> beside = line.bars().stream()
                .flatMap(bar -> bar.notes().stream())
                .filter(note -> note.string() == string)
                .toList();
        double middle = (from + to) / 2;
        double step = 0.1 * s;
        for (double off = 0; off < (to - from) / 2; off += step) {
            for (double at : new double[] {middle + off, middle - off}) {
                if (beside.stream()
                        .allMatch(note ->
                                Math.abs(line.x(note.tick()) - at) > half + 0.1 * s + BarColumns.width(note) / 2 * s)) {
                    return at;
                }
            }
        }
        return middle;
    }

    /** A line before what is brushed, with a head where the stroke goes, and without one before what is rolled. */
    private void paintSweeps(BarColumns bar) {
        Map<Integer, List<ArrangedNote>> swept = bar.notes().stream()
                .filter(BarColumns::isSwept)
                .collect(Collectors.groupingBy(ArrangedNote::tick, TreeMap::new, Collectors.toList()));
        swept.forEach((tick, notes) -> {
            int low = notes.stream().mapToInt(ArrangedNote::string).max().orElseThrow();
            int high = notes.stream().mapToInt(ArrangedNote::string).min().orElseThrow();
            double x = line.x(tick) - (Sizes.TILE / 2 + 0.3) * s;
            double from = stringY(high) - 0.4 * s;
            double to = stringY(low) + 0.4 * s;
            pen.line(x, from, x, to, 0.13 * s, Shade.INK);
            if (notes.get(0).attack() instanceof Attack.Brush brush) {
                double tip = brush.up() ? to : from;
                double back = tip + (brush.up() ? -0.35 : 0.35) * s;
                pen.line(x, tip, x - 0.22 * s, back, 0.13 * s, Shade.INK);
                pen.line(x, tip, x + 0.22 * s, back, 0.13 * s, Shade.INK);
            }
        });
    }

    static Shade shade(Role role) {
        return switch (role) {
            case BASS -> Shade.BASS;
            case MELODY -> Shade.TUNE;
            case INNER -> Shade.INNER;
        };
    }
}
