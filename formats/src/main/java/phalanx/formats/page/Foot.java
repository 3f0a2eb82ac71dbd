package phalanx.formats.page;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import phalanx.arrange.demand.Role;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.technique.Attack;
import phalanx.technique.HitKind;
import phalanx.technique.SlurKind;
import phalanx.words.Words;

/** What stands at the foot of every page: what the signs mean that occur, and the number of the page. */
final class Foot {
    private static final double SIZE = 8;
    private static final double LEADING = 13;
    private static final double GAP = 14;
    private static final double SIGN = 10;
    /** From the middle of a line of type down to its base line. */
    private static final double CENTRE = Type.CAPITAL * SIZE / 2;

    private interface Sign {
        void draw(Pen pen, double x, double y);
    }

    private record Entry(Sign sign, double width, String words) {
        double total() {
            return width + 4 + Face.SANS.width(words, SIZE);
        }
    }

    private final PageSetup setup;
    private final List<List<Entry>> rows = new ArrayList<>();

    private Foot(PageSetup setup, List<Entry> entries) {
        this.setup = setup;
        double width = setup.right() - setup.left();
        double used = 0;
        rows.add(new ArrayList<>());
        for (Entry whole : entries) {
            Entry entry = new Entry(
                    whole.sign(), whole.width(), Type.cut(whole.words(), Face.SANS, SIZE, width - whole.width() - 4));
            if (used > 0 && used + entry.total() > width) {
                rows.add(new ArrayList<>());
                used = 0;
            }
            rows.get(rows.size() - 1).add(entry);
            used += entry.total() + GAP;
        }
    }

    /** One without signs. */
    static Foot plain(PageSetup setup) {
        return new Foot(setup, List.of());
    }

    /** For the signs of an arrangement. */
    static Foot of(Arrangement arrangement, PageSetup setup) {
        List<Entry> entries = new ArrayList<>();
        if (has(arrangement, Role.BASS)) {
            entries.add(entry(
                    (pen, x, y) -> {
                        pen.framed(x, y - SIGN / 2, SIGN, SIGN, 1.2, 1, Shade.BASS);
                        pen.centred("2", x + SIGN / 2, y, Face.MONO_BOLD, SIZE, Shade.INK);
                    },
                    wording("Foot.bass")));
        }
        if (has(arrangement, Role.MELODY)) {
            entries.add(entry(
                    (pen, x, y) -> {
                        pen.framed(x, y - SIGN / 2, SIGN, SIGN, SIGN / 2, 1, Shade.TUNE);
                        pen.centred("3", x + SIGN / 2, y, Face.MONO_BOLD, SIZE, Shade.INK);
                    },
                    wording("Foot.tune")));
        }
        if (has(arrangement, Role.INNER)) {
            entries.add(entry(
                    (pen, x, y) -> pen.centred("2", x + SIGN / 2, y, Face.MONO_BOLD, SIZE, Shade.INNER),
                    wording("Foot.inner")));
        }
        entries.add(entry((pen, x, y) -> pen.line(x, y, x + SIGN, y, 1.4, Shade.TUNE), wording("Foot.rings-on")));
        if (arrangement.notes().stream().anyMatch(note -> note.attack() instanceof Attack.Touched)) {
            entries.add(entry(
                    (pen, x, y) -> pen.diamond(x + SIGN / 2, y, SIGN / 2, 1, Shade.HARMONIC),
                    wording("Foot.harmonic-touched-over-that-fret")));
            arrangement.notes().stream()
                    .filter(note -> note.fret() > 0)
                    .map(ArrangedNote::attack)
                    .filter(attack -> attack instanceof Attack.Touched touched && !touched.slapped())
                    .map(attack -> ((Attack.Touched) attack).node())
                    .distinct()
                    .sorted()
                    .forEach(node -> entries.add(word(
                            "",
                            String.format(
                                    Words.figures(),
                                    wording("Foot.held-and-touched-frets-above"),
                                    node.frets(),
                                    node.nearest()))));
        }
        TreeSet<SlurKind> slurs = new TreeSet<>();
        arrangement.notes().forEach(note -> {
            if (note.attack() instanceof Attack.Slur slur) {
                slurs.add(slur.kind());
            }
        });
        slurs.forEach(kind -> entries.add(entry(
                (pen, x, y) -> {
                    pen.arc(x, x + SIGN, y + 3, 4, 1, Shade.INK);
                    pen.centred(kind.sign(), x + SIGN / 2, y - 3, Face.BOLD, 6, Shade.INK);
                },
                wording("Foot.not-plucked", kind.label()))));
        if (arrangement.notes().stream().anyMatch(note -> note.attack() instanceof Attack.Graced)) {
            entries.add(word("5h", wording("Foot.plucked-just-before-the-left-hand")));
        }
        if (arrangement.notes().stream().anyMatch(note -> note.attack().equals(Attack.ARRIVED))) {
            entries.add(entry(
                    (pen, x, y) -> pen.line(x, y + 3, x + SIGN, y - 3, 1, Shade.INK),
                    wording("Foot.slid-to-and-plucked")));
        }
        if (arrangement.notes().stream().anyMatch(note -> note.attack().equals(Attack.CURL))) {
            entries.add(entry((pen, x, y) -> LinePainter.curl(pen, x, y + 4, 8, 1), wording("Foot.quarter-bend")));
        }
        if (arrangement.notes().stream().anyMatch(note -> note.attack().equals(Attack.VIBRATO))) {
            entries.add(entry((pen, x, y) -> LinePainter.wave(pen, x, y, SIGN, 1), wording("Foot.vibrato")));
        }
        if (arrangement.notes().stream().anyMatch(note -> note.attack() instanceof Attack.Brush)) {
            entries.add(entry(
                    (pen, x, y) -> {
                        pen.line(x + 5, y - 5, x + 5, y + 5, 1, Shade.INK);
                        pen.line(x + 5, y - 5, x + 3.5, y - 2.5, 1, Shade.INK);
                        pen.line(x + 5, y - 5, x + 6.5, y - 2.5, 1, Shade.INK);
                    },
                    wording("Foot.brush-as-the-arrow-goes")));
        }
        if (arrangement.notes().stream().anyMatch(note -> note.attack() instanceof Attack.Roll)) {
            entries.add(
                    entry((pen, x, y) -> pen.line(x + 5, y - 5, x + 5, y + 5, 1, Shade.INK), wording("Foot.rolled")));
        }
        if (arrangement.notes().stream().anyMatch(note -> note.attack().equals(Attack.UPSTROKE))) {
            entries.add(word("p^", wording("Foot.thumb-back-up")));
        }
        if (arrangement.notes().stream().anyMatch(note -> note.attack().equals(Attack.SNAP))) {
            entries.add(word("!", wording("Foot.snapped")));
        }
        if (arrangement.notes().stream().anyMatch(BarColumns::isByNails)) {
            entries.add(word("-", wording("Foot.by-the-nails")));
        }
        TreeSet<HitKind> hits = new TreeSet<>();
        arrangement.hits().forEach(hit -> hits.add(hit.kind()));
        hits.forEach(kind -> entries.add(new Entry(
                (pen, x, y) -> pen.left(String.valueOf(kind.letter()), x, y + CENTRE, Face.MONO_BOLD, SIZE, Shade.HIT),
                Face.MONO_BOLD.width(String.valueOf(kind.letter()), SIZE),
                kind.label())));
        entries.add(word("13", wording("Foot.fingers-where-they-land-bass")));
        arrangement.notes().stream()
                .map(ArrangedNote::right)
                .distinct()
                .sorted()
                .forEach(digit -> entries.add(word(digit.symbol(), digit.word())));
        return new Foot(setup, entries);
    }

    private static boolean has(Arrangement arrangement, Role role) {
        return arrangement.notes().stream().anyMatch(note -> note.role() == role);
    }

    private static Entry entry(Sign sign, String words) {
        return new Entry(sign, SIGN, words);
    }

    private static Entry word(String sign, String words) {
        return new Entry(
                (pen, x, y) -> pen.left(sign, x, y + CENTRE, Face.MONO_BOLD, SIZE, Shade.INK),
                Face.MONO_BOLD.width(sign, SIZE),
                words);
    }

    double height() {
        return (rows.size() + 1) * LEADING + 10;
    }

    /** The lowest place for anything else. */
    double top() {
        return setup.bottom() - height();
    }

    /** A place with room under it: the one that is given, or the top of a new page. */
    double room(Pen pen, double y, double height) {
        if (y + height <= top()) {
            return y;
        }
        pen.turn();
        return setup.top();
    }

    /** Draws it on all pages. */
    void draw(Pen pen, String title) {
        int count = pen.page();
        for (int page = 1; page <= count; page++) {
            int number = page;
            pen.on(page, () -> draw(pen, title, number, count));
        }
    }

    private void draw(Pen pen, String title, int page, int count) {
        double y = (setup.paper().strip() ? pen.lowest() : top()) + 6;
        pen.line(setup.left(), y, setup.right(), y, 0.6, Shade.RULE);
        y += LEADING * 0.75;
        for (List<Entry> row : rows) {
            double x = setup.left();
            for (Entry entry : row) {
                entry.sign().draw(pen, x, y);
                double words = x + entry.width() + 4;
                pen.left(entry.words(), words, y + CENTRE, Face.SANS, SIZE, Shade.QUIET);
                x += entry.total() + GAP;
            }
            y += LEADING;
        }
        String number = wording("Foot.page-of", page, count);
        double room = setup.right() - setup.left() - Face.SANS.width(number, SIZE) - GAP;
        pen.left(Type.cut(title, Face.SANS, SIZE, room), setup.left(), y + CENTRE, Face.SANS, SIZE, Shade.QUIET);
        pen.right(number, setup.right(), y + CENTRE, Face.SANS, SIZE, Shade.QUIET);
    }
}
