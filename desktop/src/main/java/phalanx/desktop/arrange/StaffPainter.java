package phalanx.desktop.arrange;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import javafx.scene.shape.ArcType;
import javafx.scene.text.Font;
import phalanx.arrange.demand.Role;
import phalanx.arrange.notation.Grouping;
import phalanx.arrange.notation.StaffNotation.Accidental;
import phalanx.arrange.notation.StaffNotation.Head;
import phalanx.arrange.notation.StaffNotation.Struck;
import phalanx.arrange.notation.StaffNotation.Voice;
import phalanx.desktop.View;
import phalanx.desktop.widget.Pens;
import phalanx.song.Bar;

/** Draws standard notation above the lanes, each voice in its colour: tune with stems up, bass with stems down. */
final class StaffPainter {
    private static final double SPACE = Staff.SPACE;
    private static final int TOP_LINE = 8;
    private static final int MIDDLE_LINE = 4;
    /** Thickness of lines and lengths in staff spaces: the music font's own. */
    private static final double LINE = 0.13;

    private static final double STEM = 0.18;
    private static final double BEAM = 0.5;
    private static final double NEXT_BEAM = 0.75;
    private static final double STEM_LENGTH = 3.3;
    private static final double LEDGER = 0.4;
    private static final double HOOK = 1.1;
    /** Where the sharps of a signature stand, the first first, and the flats. */
    private static final int[] SHARPS = {8, 5, 9, 6, 3, 7, 4};

    private static final int[] FLATS = {4, 7, 3, 6, 2, 5, 1};

    private final Staff staff;
    private final ScoreLayout layout;
    private final List<Bar> bars;
    private final View view;
    private final Font font = Pens.music(4 * SPACE);

    StaffPainter(Staff staff, ScoreLayout layout, List<Bar> bars, View view) {
        this.staff = staff;
        this.layout = layout;
        this.bars = bars;
        this.view = view;
    }

    /** @param first index of the line's first bar in the song */
    void paint(GraphicsContext g, ScoreLayout.Line line, int first) {
        double end = layout.lineEndX(line);
        g.setStroke(view.colour("quiet"));
        g.setLineWidth(LINE * SPACE);
        for (int place = 0; place <= TOP_LINE; place += 2) {
            g.strokeLine(ScoreLayout.LEFT, y(line, place), end, y(line, place));
        }
        g.setLineWidth(1.2);
        for (Bar bar : line.bars()) {
            double x = layout.barX(line, bar);
            g.strokeLine(x, y(line, TOP_LINE), x, y(line, 0));
        }
        g.strokeLine(end, y(line, TOP_LINE), end, y(line, 0));
        Color ink = view.colour("ink");
        double x = ScoreLayout.LEFT + SPACE / 2;
        glyph(g, Glyph.CLEF, x, y(line, 2), ink);
        x += 3.1 * SPACE;
        int signs = staff.key().fifths();
        for (int i = 0; i < Math.abs(signs); i++) {
            glyph(g, signs > 0 ? Glyph.SHARP : Glyph.FLAT, x, y(line, (signs > 0 ? SHARPS : FLATS)[i]), ink);
            x += Staff.SIGN * SPACE;
        }
        for (int i = 0; i < line.bars().size(); i++) {
            Bar bar = line.bars().get(i);
            boolean meter = first + i == 0 || !bars.get(first + i - 1).meter().equals(bar.meter());
            if (meter && (i == 0 || first + i > 0)) {
                paintMeter(g, line, bar, i == 0 ? x + 0.3 * SPACE : layout.barX(line, bar) + 1);
            }
            paintBar(g, line, staff.bars().get(first + i));
        }
    }

    private void paintMeter(GraphicsContext g, ScoreLayout.Line line, Bar bar, double x) {
        Color ink = view.colour("ink");
        Pens.left(g, Glyph.number(bar.meter().beats()), x, y(line, 6), font, ink);
        Pens.left(g, Glyph.number(bar.meter().unit()), x, y(line, 2), font, ink);
    }

    private double y(ScoreLayout.Line line, double place) {
        return Math.round(layout.lanesY(line) + staff.above()) + 0.5 - place * SPACE / 2;
    }

    private void glyph(GraphicsContext g, Glyph glyph, double x, double y, Color colour) {
        Pens.left(g, glyph.text(), x, y, font, colour);
    }

    private void paintBar(GraphicsContext g, ScoreLayout.Line line, List<Voice> voices) {
        // where heads of the voices before stand, by their tick: the next voice keeps clear of them
        Map<Integer, List<Integer>> taken = new HashMap<>();
        List<VoicePainter> painters = new ArrayList<>();
        for (Voice voice : voices) {
            Map<Integer, List<Integer>> before = new HashMap<>();
            taken.forEach((tick, places) -> before.put(tick, List.copyOf(places)));
            // the tune on top of all
            painters.add(0, new VoicePainter(g, line, voice, before));
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
        private final GraphicsContext g;
        private final ScoreLayout.Line line;
        private final Voice voice;
        private final Map<Integer, List<Integer>> taken;
        private final Color colour;

        VoicePainter(GraphicsContext g, ScoreLayout.Line line, Voice voice, Map<Integer, List<Integer>> taken) {
            this.g = g;
            this.line = line;
            this.voice = voice;
            this.taken = taken;
            this.colour = view.colour(ScorePainter.token(voice.role()));
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
            return layout.x(line, struck.value().onset())
                    - SPACE * Glyph.BLACK.width() / 2
                    + (inTheWay ? 1.3 * SPACE : 0);
        }

        private void paintRest(Struck struck) {
            Grouping.Value value = struck.value();
            boolean wholeBar = value.value().type().equals("whole");
            Glyph glyph =
                    switch (value.value().type()) {
                        case "whole" -> Glyph.REST_WHOLE;
                        case "half" -> Glyph.REST_HALF;
                        case "quarter" -> Glyph.REST_QUARTER;
                        case "eighth" -> Glyph.REST_EIGHTH;
                        case "16th" -> Glyph.REST_16TH;
                        case "32nd" -> Glyph.REST_32ND;
                        default -> Glyph.REST_64TH;
                    };
            // a bar of silence has its rest in the middle
            double at = wholeBar
                    ? (layout.x(line, value.onset()) + layout.x(line, value.end()) - ScoreLayout.BAR_PAD) / 2
                    : layout.x(line, value.onset());
            double x = at - SPACE / 2;
            int place = wholeBar ? MIDDLE_LINE + 2 : MIDDLE_LINE;
            glyph(g, glyph, x, y(line, place), colour);
            paintDots(value.value().dots(), x + glyph.width() * SPACE, MIDDLE_LINE);
        }

        private void paintDots(int dots, double x, int place) {
            for (int dot = 0; dot < dots; dot++) {
                // in the space beside, never on a line
                double at = y(line, Math.floorMod(place, 2) == 0 ? place + 1 : place);
                glyph(g, Glyph.DOT, x + (0.35 + 0.6 * dot) * SPACE, at, colour);
            }
        }

        private void paintHeads(Struck struck, int index) {
            String type = struck.value().value().type();
            double x = x(struck);
            int before = Integer.MIN_VALUE;
            boolean aside = false;
            double signs = 0;
            for (Head head : struck.heads()) {
                Glyph glyph = head(head, type);
                // the upper of two neighbours goes to the other side of the stem
                aside = head.place() - before == 1 && !aside;
                double at = x + (aside ? Glyph.BLACK.width() * SPACE : 0);
                paintLedgers(head.place(), at);
                signs = head.place() - before < 6 && signs > 0 ? signs + 1.1 : 0;
                if (head.sign().isPresent()) {
                    Glyph sign = sign(head.sign().get());
                    glyph(g, sign, x - (sign.width() + 0.25 + signs) * SPACE, y(line, head.place()), colour);
                    signs = Math.max(signs, 0.01);
                }
                glyph(g, glyph, at, y(line, head.place()), colour);
                paintDots(struck.value().value().dots(), at + glyph.width() * SPACE, head.place());
                if (head.tiedTo()) {
                    paintTie(struck, head, index);
                }
                before = head.place();
            }
        }

        private void paintLedgers(int place, double x) {
            g.setStroke(view.colour("quiet"));
            g.setLineWidth(LINE * SPACE);
            double to = x + (Glyph.BLACK.width() + LEDGER) * SPACE;
            for (int at = -2; at >= place; at -= 2) {
                g.strokeLine(x - LEDGER * SPACE, y(line, at), to, y(line, at));
            }
            for (int at = TOP_LINE + 2; at <= place; at += 2) {
                g.strokeLine(x - LEDGER * SPACE, y(line, at), to, y(line, at));
            }
        }

        /** To the next value, or to the end of the bar. */
        private void paintTie(Struck struck, Head head, int index) {
            double from = x(struck) + Glyph.BLACK.width() * SPACE;
            boolean last = index + 1 >= voice.struck().size();
            double to = last
                    ? layout.x(line, Math.min(struck.value().end(), line.endTick())) - SPACE * 0.6
                    : x(voice.struck().get(index + 1));
            boolean above = !up(index, index);
            double y = y(line, head.place()) + (above ? -1 : 1) * 0.7 * SPACE;
            g.setStroke(colour);
            g.setLineWidth(1.3);
            g.strokeArc(from, y - SPACE * 0.6, Math.max(4, to - from), 1.2 * SPACE, above ? 0 : 180, 180, ArcType.OPEN);
        }

        private double stemX(Struck struck, boolean up) {
            return x(struck) + (up ? (Glyph.BLACK.width() - STEM / 2) * SPACE : STEM / 2 * SPACE);
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
            double end =
                    up ? y(line, highest(struck)) - STEM_LENGTH * SPACE : y(line, lowest(struck)) + STEM_LENGTH * SPACE;
            stem(struck, up, end);
            flag(struck.value().beams(), up)
                    .ifPresent(flag -> glyph(g, flag, stemX(struck, up) - STEM / 2 * SPACE, end, colour));
        }

        private void stem(Struck struck, boolean up, double end) {
            g.setStroke(colour);
            g.setLineWidth(STEM * SPACE);
            double x = stemX(struck, up);
            g.strokeLine(x, y(line, up ? lowest(struck) : highest(struck)), x, end);
        }

        private static Optional<Glyph> flag(int beams, boolean up) {
            return switch (beams) {
                case 1 -> Optional.of(up ? Glyph.FLAG_8TH_UP : Glyph.FLAG_8TH_DOWN);
                case 2 -> Optional.of(up ? Glyph.FLAG_16TH_UP : Glyph.FLAG_16TH_DOWN);
                case 3 -> Optional.of(up ? Glyph.FLAG_32ND_UP : Glyph.FLAG_32ND_DOWN);
                case 4 -> Optional.of(up ? Glyph.FLAG_64TH_UP : Glyph.FLAG_64TH_DOWN);
                default -> Optional.empty();
            };
        }

        private void paintBeam(Grouping.Run run) {
            boolean up = up(run.first(), run.last());
            List<Struck> group = voice.struck().subList(run.first(), run.last() + 1);
            double end = up
                    ? group.stream()
                                    .mapToDouble(one -> y(line, highest(one)))
                                    .min()
                                    .orElseThrow()
                            - STEM_LENGTH * SPACE
                    : group.stream()
                                    .mapToDouble(one -> y(line, lowest(one)))
                                    .max()
                                    .orElseThrow()
                            + STEM_LENGTH * SPACE;
            group.forEach(struck -> stem(struck, up, end));
            g.setFill(colour);
            for (int i = 0; i < group.size(); i++) {
                for (int level = 1; level <= group.get(i).value().beams(); level++) {
                    double y = end + (level - 1) * NEXT_BEAM * SPACE * (up ? 1 : -1) - (up ? 0 : BEAM * SPACE);
                    double x = stemX(group.get(i), up);
                    boolean next =
                            i + 1 < group.size() && group.get(i + 1).value().beams() >= level;
                    boolean before = i > 0 && group.get(i - 1).value().beams() >= level;
                    if (next) {
                        g.fillRect(x, y, stemX(group.get(i + 1), up) - x, BEAM * SPACE);
                    } else if (!before) {
                        g.fillRect(i > 0 ? x - HOOK * SPACE : x, y, HOOK * SPACE, BEAM * SPACE);
                    }
                }
            }
        }

        private void paintTuplet(Grouping.Run run) {
            boolean up = up(run.first(), run.last());
            List<Struck> group = voice.struck().subList(run.first(), run.last() + 1);
            double middle = (layout.x(line, group.get(0).value().onset())
                            + layout.x(line, group.get(group.size() - 1).value().onset()))
                    / 2;
            double beyond = (STEM_LENGTH + 0.9) * SPACE;
            double y = up
                    ? group.stream()
                                    .flatMap(struck -> struck.heads().stream())
                                    .mapToDouble(head -> y(line, head.place()))
                                    .min()
                                    .orElse(y(line, TOP_LINE))
                            - beyond
                    : group.stream()
                                    .flatMap(struck -> struck.heads().stream())
                                    .mapToDouble(head -> y(line, head.place()))
                                    .max()
                                    .orElse(y(line, 0))
                            + beyond;
            String number = String.valueOf(group.get(0).value().value().actual());
            Pens.centred(g, number, middle, y, Pens.sansBold(11), colour);
        }

        private static Glyph head(Head head, String type) {
            boolean open = type.equals("whole") || type.equals("half");
            if (head.isHarmonic()) {
                return open ? Glyph.DIAMOND : Glyph.DIAMOND_BLACK;
            }
            return type.equals("whole") ? Glyph.WHOLE : open ? Glyph.HALF : Glyph.BLACK;
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
