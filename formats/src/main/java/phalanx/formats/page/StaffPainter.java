package phalanx.formats.page;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import phalanx.arrange.demand.Role;
import phalanx.arrange.notation.Grouping;
import phalanx.arrange.notation.StaffNotation.Accidental;
import phalanx.arrange.notation.StaffNotation.Head;
import phalanx.arrange.notation.StaffNotation.Small;
import phalanx.arrange.notation.StaffNotation.Struck;
import phalanx.arrange.notation.StaffNotation.Voice;
import phalanx.song.Bar;

/** Draws a line of standard notation, each voice in its colour: tune with stems up, bass with stems down. */
public final class StaffPainter {
    private static final int TOP_LINE = Staff.TOP_LINE;
    private static final int MIDDLE_LINE = 4;
    /** Thickness of lines and lengths in staff spaces: the music font's own. */
    private static final double LINE = 0.13;

    private static final double BAR_LINE = 0.17;
    private static final double STEM = 0.18;
    private static final double STEM_LENGTH = 3.3;
    private static final double LEDGER = 0.4;
    private static final double BEFORE_HEAD = 0.25;
    /** A head in the way of another voice's stands so far aside. */
    static final double ASIDE = 1.3;
    /** A rest stands so many places above heads of other voices. */
    private static final int REST_CLEAR = 4;

    private static final double TUPLET = 1.57;
    /** An em of the music font is so many spaces; all signs are set in that size. */
    public static final double EM = 4;
    /** Where the sharps of a signature stand, the first first, and the flats. */
    private static final int[] SHARPS = {8, 5, 9, 6, 3, 7, 4};

    private static final int[] FLATS = {4, 7, 3, 6, 2, 5, 1};

    /**
     * What a line takes.
     *
     * @param above its lowest line, not negative
     * @param below its lowest line, not negative
     */
    record Room(double above, double below) {}

    /** How much room the marks of a line take. */
    static Room room(Staff staff, List<Bar> bars, Ruler ruler, double space) {
        List<Mark> marks = marks(staff, bars, 0, ruler, space, 0);
        double top =
                marks.stream().mapToDouble(mark -> mark.box().getMinY()).min().orElse(0);
        double bottom =
                marks.stream().mapToDouble(mark -> mark.box().getMaxY()).max().orElse(0);
        return new Room(-top, bottom);
    }

    /** Where along a line things stand. */
    public interface Ruler {
        /** Where the staff begins, with the clef. */
        double begin();

        /** Where the line of a bar stands. */
        double barX(Bar bar);

        /** Where a bar is over. */
        double barEnd(Bar bar);

        /** Where a moment of the line lies. */
        double x(int tick);

        /** The middle of a bar's meter, if it is written. */
        OptionalDouble meter(Bar bar);
    }

    /** Size of grace notes beside the others. */
    private static final double GRACE = 0.62;

    private static final double GRACE_STEP = 1.15;
    private static final double GRACE_STEM = 2.4;

    private final Staff staff;
    private final List<Bar> bars;
    private final Ruler ruler;
    private final double space;
    private final double lowestLine;
    private final List<Mark> marks = new ArrayList<>();

    private StaffPainter(Staff staff, List<Bar> bars, Ruler ruler, double space, double lowestLine) {
        this.staff = staff;
        this.bars = bars;
        this.ruler = ruler;
        this.space = space;
        this.lowestLine = lowestLine;
    }

    /**
     * The marks of a line.
     *
     * @param bars from left to right
     * @param first place of the first of them on the staff
     * @param space between two lines of the staff
     * @param lowestLine how far down its lowest line is
     */
    public static List<Mark> marks(
            Staff staff, List<Bar> bars, int first, Ruler ruler, double space, double lowestLine) {
        StaffPainter painter = new StaffPainter(staff, bars, ruler, space, lowestLine);
        painter.paint(first);
        return painter.marks;
    }

    /** How much room grace notes take before what they belong to. */
    static double gracesWidth(Struck struck) {
        return struck.heads().stream()
                .mapToDouble(head -> head.before().stream()
                        .mapToDouble(small -> GRACE_STEP + (small.sign().isPresent() ? GRACE_STEP : 0))
                        .sum())
                .max()
                .orElse(0);
    }

    private void paint(int first) {
        double end = ruler.barEnd(bars.get(bars.size() - 1));
        for (int place = 0; place <= TOP_LINE; place += 2) {
            line(ruler.begin(), y(place), end, y(place), LINE, Shade.QUIET);
        }
        for (int i = 1; i < bars.size(); i++) {
            barLine(ruler.barX(bars.get(i)));
        }
        barLine(ruler.begin());
        barLine(end);
        double x = ruler.begin() + space / 2;
        glyph(Glyph.CLEF, x, 2, Shade.INK);
        x += 3.1 * space;
        int signs = staff.key().fifths();
        for (int i = 0; i < Math.abs(signs); i++) {
            glyph(signs > 0 ? Glyph.SHARP : Glyph.FLAT, x, (signs > 0 ? SHARPS : FLATS)[i], Shade.INK);
            x += Staff.SIGN * space;
        }
        for (int i = 0; i < bars.size(); i++) {
            Bar bar = bars.get(i);
            ruler.meter(bar).ifPresent(middle -> paintMeter(bar, middle));
            paintBar(bar, staff.bars().get(first + i));
        }
    }

    private void paintMeter(Bar bar, double middle) {
        paintNumber(bar.meter().beats(), middle, 6);
        paintNumber(bar.meter().unit(), middle, 2);
    }

    private void paintNumber(int number, double middle, int place) {
        String figures = Glyph.number(number);
        text(figures, middle - Face.MUSIC.width(figures, EM * space) / 2, y(place), Face.MUSIC, EM, Shade.INK);
    }

    private double y(double place) {
        return lowestLine - place * space / 2;
    }

    private void barLine(double x) {
        line(x, y(TOP_LINE), x, y(0), BAR_LINE, Shade.QUIET);
    }

    private void line(double x1, double y1, double x2, double y2, double width, Shade shade) {
        marks.add(new Mark.Line(x1, y1, x2, y2, width * space, shade));
    }

    private void glyph(Glyph glyph, double x, int place, Shade shade) {
        glyph(glyph, x, y(place), shade);
    }

    private void glyph(Glyph glyph, double x, double y, Shade shade) {
        text(glyph.text(), x, y, Face.MUSIC, EM, shade);
    }

    private void text(String text, double x, double y, Face face, double size, Shade shade) {
        marks.add(new Mark.Text(x, y, text, face, size * space, shade));
    }

    private void paintBar(Bar bar, List<Voice> voices) {
        // where heads of the voices before stand, by their tick: the next voice keeps clear of them
        Map<Integer, List<Integer>> taken = new HashMap<>();
        List<VoicePainter> painters = new ArrayList<>();
        Signs signs = new Signs(voices);
        for (Voice voice : voices) {
            Map<Integer, List<Integer>> before = new HashMap<>();
            taken.forEach((tick, places) -> before.put(tick, List.copyOf(places)));
            // the tune on top of all
            painters.add(0, new VoicePainter(bar, voices, voice, before, signs));
            for (Struck struck : voice.struck()) {
                struck.heads()
                        .forEach(head -> taken.computeIfAbsent(struck.value().onset(), tick -> new ArrayList<>())
                                .add(head.place()));
            }
        }
        painters.forEach(VoicePainter::paint);
    }

    /** Draws one voice in one bar. */
    private final class VoicePainter {
        private final Bar bar;
        private final List<Voice> all;
        private final Voice voice;
        private final Map<Integer, List<Integer>> taken;
        private final Signs signs;
        private final Shade shade;

        VoicePainter(Bar bar, List<Voice> all, Voice voice, Map<Integer, List<Integer>> taken, Signs signs) {
            this.signs = signs;
            this.bar = bar;
            this.all = all;
            this.voice = voice;
            this.taken = taken;
            this.shade = LinePainter.shade(voice.role());
        }

        void paint() {
            boolean[] beamed = new boolean[voice.struck().size()];
            for (Grouping.Run run : voice.beams()) {
                paintBeam(run);
                for (int i = run.first(); i <= run.last(); i++) {
                    beamed[i] = true;
                }
            }
            for (int i = 0; i < voice.struck().size(); i++) {
                Struck struck = voice.struck().get(i);
                if (struck.heads().isEmpty()) {
                    paintRest(struck);
                } else {
                    paintHeads(struck, i);
                    if (!beamed[i]) {
                        paintStem(struck, up(i, i));
                    }
                }
            }
            voice.tuplets().forEach(this::paintTuplet);
        }

        /** Inner notes have their stems up but where the tune is struck with one of them. */
        private boolean up(int first, int last) {
            if (voice.role() != Role.INNER) {
                return voice.role() == Role.MELODY;
            }
            return voice.struck().subList(first, last + 1).stream()
                    .noneMatch(struck -> taken.containsKey(struck.value().onset()));
        }

        /** Aside where a head of another voice is in the way. */
        private double x(Struck struck) {
            List<Integer> others = taken.getOrDefault(struck.value().onset(), List.of());
            boolean inTheWay = struck.heads().stream()
                    .anyMatch(head -> others.stream().anyMatch(place -> Math.abs(place - head.place()) <= 1));
            return headX(struck) + (inTheWay ? ASIDE * space : 0);
        }

        private double headX(Struck struck) {
            return ruler.x(struck.value().onset()) - space * Glyph.BLACK.width() / 2;
        }

        private void paintRest(Struck struck) {
            Grouping.Value value = struck.value();
            boolean wholeBar = value.value().type().equals("whole");
            Glyph glyph = Glyph.rest(value.value().type());
            // a bar of silence has its rest in the middle
            double at = wholeBar ? (ruler.x(value.onset()) + ruler.barEnd(bar)) / 2 : ruler.x(value.onset());
            double x = at - space / 2;
            int place = restPlace(value, wholeBar ? MIDDLE_LINE + 2 : MIDDLE_LINE);
            glyph(glyph, x, place, shade);
            paintDots(value.value().dots(), x + glyph.width() * space, place);
        }

        /** In the middle of the staff, or above what other voices have meanwhile. */
        private int restPlace(Grouping.Value rest, int usual) {
            int highest = all.stream()
                    .filter(other -> other != voice)
                    .flatMap(other -> other.struck().stream())
                    .filter(struck -> struck.value().onset() < rest.end()
                            && struck.value().end() > rest.onset())
                    .flatMap(struck -> struck.heads().stream())
                    .mapToInt(Head::place)
                    .max()
                    .orElse(Integer.MIN_VALUE);
            int clear = usual;
            while (clear < highest + REST_CLEAR) {
                clear += 2;
            }
            return clear;
        }

        private void paintDots(int dots, double x, int place) {
            for (int dot = 0; dot < dots; dot++) {
                // in the space beside, never on a line
                double at = y(Math.floorMod(place, 2) == 0 ? place + 1 : place);
                glyph(Glyph.DOT, x + (0.35 + 0.6 * dot) * space, at, shade);
            }
        }

        private void paintHeads(Struck struck, int index) {
            String type = struck.value().value().type();
            double x = x(struck);
            // the highest head of each column beside the stem
            List<Integer> highest = new ArrayList<>();
            for (Head head : struck.heads()) {
                Glyph glyph = head(head, type);
                // the upper of two neighbours, or of two on one pitch, goes to the other side of the stem
                int column = 0;
                while (column < highest.size() && head.place() - highest.get(column) <= 1) {
                    column++;
                }
                if (column == highest.size()) {
                    highest.add(head.place());
                } else {
                    highest.set(column, head.place());
                }
                double at = x + column * Glyph.BLACK.width() * space;
                paintLedgers(head.place(), at);
                if (head.sign().isPresent()) {
                    Glyph sign = sign(head.sign().get());
                    double gap = sign.width() + BEFORE_HEAD + signs.column(head) * Signs.COLUMN;
                    glyph(sign, headX(struck) - gap * space, y(head.place()), shade);
                }
                glyph(glyph, at, y(head.place()), shade);
                paintGraces(struck, head);
                paintDots(struck.value().value().dots(), at + glyph.width() * space, head.place());
                if (head.tiedTo()) {
                    paintTie(struck, head, index);
                }
            }
        }

        /** Small heads with stems up, before the signs of what is struck; one alone has a stroke through its stem. */
        private void paintGraces(Struck struck, Head head) {
            double right = headX(struck) - signs.columnsBefore(struck) * Signs.COLUMN * space;
            for (int i = head.before().size() - 1; i >= 0; i--) {
                Small small = head.before().get(i);
                right -= GRACE_STEP * space;
                double foot = right + GRACE * Glyph.BLACK.width() * space;
                double y = y(small.place());
                text(Glyph.BLACK.text(), right, y, Face.MUSIC, GRACE * EM, shade);
                line(foot, y, foot, y - GRACE_STEM * space, LINE, shade);
                if (head.before().size() == 1) {
                    double half = GRACE_STEM * space / 2;
                    line(foot - half / 2, y - half, foot + half / 2, y - half - half / 2, LINE, shade);
                }
                paintLedgers(small.place(), right);
                if (small.sign().isPresent()) {
                    Glyph sign = sign(small.sign().get());
                    right -= GRACE * (sign.width() + BEFORE_HEAD) * space;
                    text(sign.text(), right, y, Face.MUSIC, GRACE * EM, shade);
                }
            }
        }

        private void paintLedgers(int place, double x) {
            double to = x + (Glyph.BLACK.width() + LEDGER) * space;
            for (int at = -2; at >= place; at -= 2) {
                line(x - LEDGER * space, y(at), to, y(at), LINE, Shade.QUIET);
            }
            for (int at = TOP_LINE + 2; at <= place; at += 2) {
                line(x - LEDGER * space, y(at), to, y(at), LINE, Shade.QUIET);
            }
        }

        /** To the next value, or to the end of the bar. */
        private void paintTie(Struck struck, Head head, int index) {
            double from = x(struck) + Glyph.BLACK.width() * space;
            boolean last = index + 1 >= voice.struck().size();
            double to = last ? tieEnd(struck) : x(voice.struck().get(index + 1));
            boolean above = !up(index, index);
            double y = y(head.place()) + (above ? -1 : 1) * 0.7 * space;
            double height = (above ? 1 : -1) * 0.6 * space;
            marks.add(new Mark.Arc(from, Math.max(from + 0.6 * space, to), y, height, STEM * space, shade));
        }

        /** In the line after, or before the bar line. */
        private double tieEnd(Struck struck) {
            boolean over = struck.value().end() >= bar.endTick();
            return (over ? ruler.barEnd(bar) : ruler.x(struck.value().end())) - 0.6 * space;
        }

        private double stemX(Struck struck, boolean up) {
            return x(struck) + (up ? (Glyph.BLACK.width() - STEM / 2) * space : STEM / 2 * space);
        }

        private int lowest(Struck struck) {
            return struck.heads().get(0).place();
        }

        private int highest(Struck struck) {
            return struck.heads().get(struck.heads().size() - 1).place();
        }

        private void paintStem(Struck struck, boolean up) {
            if (struck.value().value().type().equals("whole")) {
                return;
            }
            double end = up ? y(highest(struck)) - STEM_LENGTH * space : y(lowest(struck)) + STEM_LENGTH * space;
            stem(struck, up, end);
            Glyph.flag(struck.value().beams(), up)
                    .ifPresent(flag -> glyph(flag, stemX(struck, up) - STEM / 2 * space, end, shade));
        }

        private void stem(Struck struck, boolean up, double end) {
            double x = stemX(struck, up);
            line(x, y(up ? lowest(struck) : highest(struck)), x, end, STEM, shade);
        }

        private void paintBeam(Grouping.Run run) {
            boolean up = up(run.first(), run.last());
            List<Struck> group = voice.struck().subList(run.first(), run.last() + 1);
            double end = up
                    ? group.stream().mapToDouble(one -> y(highest(one))).min().orElseThrow() - STEM_LENGTH * space
                    : group.stream().mapToDouble(one -> y(lowest(one))).max().orElseThrow() + STEM_LENGTH * space;
            group.forEach(struck -> stem(struck, up, end));
            double[] stems =
                    group.stream().mapToDouble(struck -> stemX(struck, up)).toArray();
            int[] beams =
                    group.stream().mapToInt(struck -> struck.value().beams()).toArray();
            marks.addAll(Beams.of(stems, beams, end, up, space, shade));
        }

        private void paintTuplet(Grouping.Run run) {
            boolean up = up(run.first(), run.last());
            List<Struck> group = voice.struck().subList(run.first(), run.last() + 1);
            double middle = (ruler.x(group.get(0).value().onset())
                            + ruler.x(group.get(group.size() - 1).value().onset()))
                    / 2;
            double beyond = (STEM_LENGTH + 0.9) * space;
            double y = up
                    ? group.stream()
                                    .flatMap(struck -> struck.heads().stream())
                                    .mapToDouble(head -> y(head.place()))
                                    .min()
                                    .orElse(y(TOP_LINE))
                            - beyond
                    : group.stream()
                                    .flatMap(struck -> struck.heads().stream())
                                    .mapToDouble(head -> y(head.place()))
                                    .max()
                                    .orElse(y(0))
                            + beyond;
            String number = String.valueOf(group.get(0).value().value().actual());
            double size = TUPLET * space;
            text(
                    number,
                    middle - Face.BOLD.width(number, size) / 2,
                    y + Type.CAPITAL * size / 2,
                    Face.BOLD,
                    TUPLET,
                    shade);
        }

        private static Glyph head(Head head, String type) {
            boolean open = type.equals("whole") || type.equals("half");
            if (head.isHarmonic()) {
                return open ? Glyph.DIAMOND : Glyph.DIAMOND_BLACK;
            }
            return Glyph.head(type);
        }

        private static Glyph sign(Accidental accidental) {
            return switch (accidental) {
                case DOUBLE_FLAT -> Glyph.DOUBLE_FLAT;
                case FLAT -> Glyph.FLAT;
                case NATURAL -> Glyph.NATURAL;
                case SHARP -> Glyph.SHARP;
                case DOUBLE_SHARP -> Glyph.DOUBLE_SHARP;
            };
        }
    }
}
