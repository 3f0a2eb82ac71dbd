package phalanx.desktop.arrange;

import static phalanx.words.Words.wording;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.paint.Color;
import javafx.scene.shape.ArcType;
import javafx.scene.text.Font;
import phalanx.arrange.demand.Lock;
import phalanx.arrange.demand.NoteLock;
import phalanx.arrange.demand.Role;
import phalanx.arrange.demand.TuneUse;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.ArrangedSlot;
import phalanx.arrange.score.Arrangement;
import phalanx.desktop.View;
import phalanx.desktop.widget.Pens;
import phalanx.formats.page.Staff;
import phalanx.lefthand.shape.Shape;
import phalanx.righthand.Counting;
import phalanx.righthand.Digit;
import phalanx.song.Bar;
import phalanx.song.ChordChange;
import phalanx.song.ChordFrets;
import phalanx.song.MelodyNote;
import phalanx.song.Section;
import phalanx.technique.Attack;
import phalanx.technique.Hit;
import phalanx.technique.SlurKind;
import phalanx.theory.Key;
import phalanx.theory.Note;
import phalanx.theory.Pitch;

/** Draws lines of the score. Voices differ in shape and colour together. */
final class ScorePainter {
    private static final double TILE = 19;
    private static final double PIN = 3.5;
    private static final double CORNER = 6;
    private static final double DOT = 9;
    private static final double HIT = 17;
    private static final double ARC = 7;
    /** Half waves over a note with vibrato, and how high each is. */
    private static final int WAVES = 4;

    private static final double WAVE = 2.5;
    private static final double CURL = 9;
    private static final double TRAIL = 3;
    private static final double OTHERWISE = 4;
    private static final double SHAPE_GAP = 9;

    private final Arrangement arrangement;
    private final List<Lock> decided;
    private final ScoreLayout layout;
    private final View view;
    private final Map<ArrangedNote, ArrangedNote> slurred;
    private final Map<ArrangedNote, ArrangedNote> shifted;
    private final NeckLanePainter neck;
    private final RepeatPainter repeats;
    private final Optional<Staff> staff;

    /**
     * @param decided by the player: what a file or the chart decides has no pins
     * @param notation on a staff above, if it is shown
     */
    ScorePainter(Arrangement arrangement, List<Lock> decided, Optional<Staff> notation, ScoreLayout layout, View view) {
        this.staff = notation;
        this.decided = decided;
        this.arrangement = arrangement;
        this.layout = layout;
        this.view = view;
        this.slurred = arrangement.slurred();
        this.shifted = arrangement.shifted();
        this.neck = new NeckLanePainter(arrangement, layout, view);
        this.repeats = new RepeatPainter(arrangement.song(), layout, view);
    }

    /** Draws one line; the graphics stand at the top left of the score. */
    void paint(GraphicsContext g, ScoreLayout.Line line) {
        paintLanes(g, line);
        neck.paint(g, line);
        staff.ifPresent(shown -> new StaffInk(g, view).paint(shown, layout, line, arrangement.song()));
        paintHeadings(g, line);
        if (arrangement.request().tune() == TuneUse.SUNG) {
            paintSung(g, line);
        }
        List<ArrangedNote> notes = arrangement.notes().stream()
                .filter(note -> note.endTick() > line.startTick() && note.tick() < line.endTick())
                .toList();
        notes.forEach(note -> paintTrail(g, line, note));
        notes.stream().filter(note -> note.tick() >= line.startTick()).forEach(note -> {
            paintFigure(g, line, note);
            if (note.attack() instanceof Attack.Slur slur) {
                paintSlur(g, line, note, slur.kind());
            } else {
                paintDigit(g, line, note);
            }
        });
        arrangement.hits().stream()
                .filter(hit -> hit.tick() >= line.startTick() && hit.tick() < line.endTick())
                .forEach(hit -> paintHit(g, line, hit));
        paintCount(g, line, notes);
        if (layout.hasWords()) {
            paintWords(g, line);
        }
        decided.forEach(lock -> paintPin(g, line, lock));
        repeats.paint(g, line);
    }

    /** A line over the lanes of bars, given by their places in the song, that another version has otherwise. */
    void paintOtherwise(GraphicsContext g, ScoreLayout.Line line, Set<Integer> bars) {
        for (Bar bar : line.bars()) {
            if (bars.contains(arrangement.song().barIndexAt(bar.startTick()))) {
                double from = layout.barX(line, bar);
                double to = layout.barEndX(line, bar);
                g.setFill(colour("ink"));
                g.fillRect(from, layout.lanesY(line) - OTHERWISE, to - from - 2, OTHERWISE);
            }
        }
    }

    /** A pin at a note that is decided; a bracket over a stretch that is. */
    private void paintPin(GraphicsContext g, ScoreLayout.Line line, Lock lock) {
        if (lock.endTick() <= line.startTick() || lock.startTick() >= line.endTick()) {
            return;
        }
        g.setFill(colour("ink"));
        if (lock instanceof NoteLock own) {
            List<ArrangedNote> held = arrangement.notes().stream()
                    .filter(note -> note.tick() == own.tick() && note.role() == own.role())
                    .toList();
            held.forEach(note -> paintPin(
                    g, layout.x(line, note.tick()) + TILE / 2, layout.stringY(line, note.string()) - TILE / 2));
            if (held.isEmpty()) {
                // what was dropped is pinned over the digits
                paintPin(g, layout.x(line, own.tick()), layout.digitLaneY(line) + PIN + 1);
            }
            return;
        }
        double from = lock.startTick() < line.startTick() ? layout.left() : layout.x(line, lock.startTick()) - TILE / 2;
        double to = lock.endTick() >= line.endTick()
                ? layout.lineEndX(line)
                : layout.x(line, lock.endTick()) - TILE / 2 - 2;
        double y = layout.stringLaneY(line) - 3;
        g.fillRect(from, y, to - from, 2);
        if (lock.startTick() >= line.startTick()) {
            g.fillRect(from, y, 2, 8);
            g.fillOval(from - PIN + 1, y - PIN, 2 * PIN, 2 * PIN);
        }
        if (lock.endTick() < line.endTick()) {
            g.fillRect(to - 2, y, 2, 8);
        }
    }

    private static void paintPin(GraphicsContext g, double x, double y) {
        g.fillOval(x - PIN, y - PIN, 2 * PIN, 2 * PIN);
        g.fillRect(x - 1, y, 2, PIN + 3);
    }

    private void paintHit(GraphicsContext g, ScoreLayout.Line line, Hit hit) {
        double x = layout.x(line, hit.tick());
        double y = layout.digitY(
                line, arrangement.request().picking().school().digits().size());
        g.setFill(colour("alarm"));
        g.fillRoundRect(x - HIT / 2, y - HIT / 2, HIT, HIT, 4, 4);
        Pens.centred(g, String.valueOf(hit.kind().letter()), x, y, Pens.monoBold(13), colour("on-colour"));
    }

    private void paintLanes(GraphicsContext g, ScoreLayout.Line line) {
        int strings = arrangement.request().instrument().strings();
        double end = layout.lineEndX(line);
        card(g, layout.neckLaneY(line), end, ScoreLayout.NECK);
        card(g, layout.stringLaneY(line), end, layout.stringLane());
        card(g, layout.digitLaneY(line), end, layout.digitLane());
        g.setLineWidth(1);
        for (int string = 1; string <= strings; string++) {
            double y = Math.round(layout.stringY(line, string)) + 0.5;
            g.setStroke(colour("rule"));
            g.strokeLine(layout.left(), y, end, y);
            int midi = arrangement.request().instrument().tuning().midi(string);
            String name = Pitch.of(midi, Key.C_MAJOR).note().spoken();
            Pens.centred(g, name, layout.labelX(), y, Pens.mono(13), colour("quiet"));
        }
        for (Digit digit : arrangement.request().picking().school().digits()) {
            double y = digitY(line, digit);
            g.setStroke(colour("rule"));
            g.strokeLine(layout.left(), Math.round(y) + 0.5, end, Math.round(y) + 0.5);
            Pens.centred(g, digit.symbol(), layout.labelX(), y, Pens.mono(13), colour("quiet"));
        }
        if (!arrangement.hits().isEmpty()) {
            double y = layout.digitY(
                    line, arrangement.request().picking().school().digits().size());
            Pens.centred(g, wording("ScorePainter.hit"), layout.labelX(), y, Pens.sans(12), colour("quiet"));
        }
        g.setStroke(colour("ink"));
        g.setLineWidth(1.4);
        for (Bar bar : line.bars()) {
            barLine(g, line, layout.barX(line, bar));
        }
        barLine(g, line, end);
    }

    private void barLine(GraphicsContext g, ScoreLayout.Line line, double x) {
        double top = layout.stringY(line, 1);
        int strings = arrangement.request().instrument().strings();
        g.strokeLine(x, top, x, layout.stringY(line, strings));
    }

    private void card(GraphicsContext g, double y, double end, double height) {
        g.setFill(colour("raised"));
        g.fillRoundRect(layout.left(), y, end - layout.left(), height, CORNER * 2, CORNER * 2);
        g.setStroke(colour("rule"));
        g.setLineWidth(1);
        g.strokeRoundRect(layout.left(), y, end - layout.left(), height, CORNER * 2, CORNER * 2);
    }

    private double digitY(ScoreLayout.Line line, Digit digit) {
        List<Digit> digits = arrangement.request().picking().school().digits();
        return layout.digitY(line, digits.size() - 1 - Math.max(0, digits.indexOf(digit)));
    }

    private void paintHeadings(GraphicsContext g, ScoreLayout.Line line) {
        for (Bar bar : line.bars()) {
            if (bar.number() > 0) {
                double x = layout.barX(line, bar);
                Pens.left(g, String.valueOf(bar.number()), x + 1, line.top() + 14, Pens.sans(12), colour("quiet"));
            }
        }
        for (Section section : arrangement.song().sections()) {
            if (section.startTick() >= line.startTick() && section.startTick() < line.endTick()) {
                paintSection(g, line, section);
            }
        }
        List<ChordChange> chords = arrangement.song().chart().stream()
                .filter(change -> change.startTick() >= line.startTick() && change.startTick() < line.endTick())
                .toList();
        for (int i = 0; i < chords.size(); i++) {
            ChordChange change = chords.get(i);
            double x = layout.x(line, change.startTick()) - TILE / 2;
            Pens.left(g, shown(change), x, line.top() + 38, Pens.sansBold(18), colour("ink"));
            double next = i + 1 < chords.size()
                    ? layout.x(line, chords.get(i + 1).startTick()) - TILE / 2
                    : layout.lineEndX(line);
            paintShape(g, line, change, x + Pens.width(shown(change), Pens.sansBold(18)) + SHAPE_GAP, next);
        }
    }

    /** Above a capo the name by which the hand knows what it holds. */
    private String held(ChordChange change) {
        int capo = arrangement.request().instrument().capo();
        Key key = arrangement.song().key().transpose(-capo);
        return capo == 0
                ? ""
                : change.chord()
                        .map(chord -> Note.printed(chord.transpose(-capo, key).text()) + " ")
                        .orElse("");
    }

    /** The shape in hand where a chord begins, as players write it, where there is room beside the chord. */
    private void paintShape(GraphicsContext g, ScoreLayout.Line line, ChordChange change, double x, double end) {
        ArrangedSlot slot = arrangement.slotAt(change.startTick());
        Shape shape = arrangement.request().cascades().stream()
                .filter(cascade -> cascade.covers(change.startTick()))
                .findFirst()
                .map(cascade -> cascade.held().shape())
                .orElseGet(() -> slot.printed().orElse(slot.held().shape()));
        boolean silent = shape.frets().stream().allMatch(fret -> fret < 0);
        String frets = held(change) + (silent ? "" : new ChordFrets(shape.frets()).toString());
        if (x + Pens.width(frets, Pens.mono(12)) + SHAPE_GAP <= end) {
            Pens.left(g, frets, x, line.top() + 37, Pens.mono(12), colour("quiet"));
        }
    }

    /** What the voice sings: syllables where there are any, else pitches; a line as long as each lasts. */
    private void paintSung(GraphicsContext g, ScoreLayout.Line line) {
        double y = layout.lanesY(line) - ScoreLayout.SUNG / 2;
        for (MelodyNote note : arrangement.song().melodyBetween(line.startTick(), line.endTick())) {
            double x = layout.x(line, note.tick());
            double end = note.endTick() >= line.endTick()
                    ? layout.lineEndX(line)
                    : layout.x(line, note.endTick()) - TILE / 2;
            g.setFill(colour("melody").deriveColor(0, 1, 1, 0.55));
            g.fillRect(x - TILE / 2, y + 9, Math.max(TRAIL, end - x), TRAIL);
            String text = note.syllable().orElse(Note.printed(note.pitch().toString()));
            Pens.left(g, text, x - TILE / 2, y + 5, Pens.sans(14), colour("melody"));
        }
    }

    private static String shown(ChordChange change) {
        return Note.printed(change.name());
    }

    private void paintSection(GraphicsContext g, ScoreLayout.Line line, Section section) {
        double x = layout.x(line, section.startTick()) - TILE / 2 + 16;
        RepeatPainter.name(g, section.name(), x, line.top() + 1, colour("ink"));
    }

    private void paintTrail(GraphicsContext g, ScoreLayout.Line line, ArrangedNote note) {
        double y = layout.stringY(line, note.string());
        double from = note.tick() < line.startTick() ? layout.left() : layout.x(line, note.tick()) + TILE / 2;
        double to = note.endTick() >= line.endTick()
                ? layout.lineEndX(line)
                : layout.x(line, note.endTick()) - TILE / 2 - 2;
        if (to > from) {
            g.setFill(colour(token(note.role())).deriveColor(0, 1, 1, note.role() == Role.INNER ? 0.35 : 0.55));
            g.fillRect(from, y - TRAIL / 2, to - from, TRAIL);
        }
        if (note.role() != Role.INNER && note.cut() && note.endTick() < line.endTick()) {
            g.setStroke(colour("alarm"));
            g.setLineWidth(2);
            double hook = Math.max(from, to);
            g.strokeArc(hook - 6, y, 12, 12, 0, 90, ArcType.OPEN);
        }
    }

    private void paintFigure(GraphicsContext g, ScoreLayout.Line line, ArrangedNote note) {
        double x = layout.x(line, note.tick());
        double y = layout.stringY(line, note.string());
        if (note.attack() instanceof Attack.Touched) {
            paintHarmonic(g, x, y, note);
            return;
        }
        double round = note.role() == Role.MELODY ? TILE : 4;
        double width = note.fret() > 9 ? TILE + 6 : TILE;
        g.setFill(colour(note.role() == Role.INNER ? "raised" : token(note.role())));
        g.fillRoundRect(x - width / 2, y - TILE / 2, width, TILE, round, round);
        Color ink = colour(note.role() == Role.INNER ? "inner" : "on-colour");
        Pens.centred(g, String.valueOf(note.fret()), x, y, Pens.monoBold(15), ink);
        if (note.attack() instanceof Attack.Graced graced) {
            paintGraces(g, x - width / 2, y - TILE / 2, graced.figures(note.fret()));
        }
        if (note.attack().equals(Attack.ARRIVED)) {
            paintArrival(g, x - width / 2, y, note);
        }
        if (note.attack().equals(Attack.CURL)) {
            paintCurl(g, x + width / 2 + 2, y - 2);
        }
        if (note.attack().equals(Attack.VIBRATO)) {
            paintWave(g, x + width / 2 + 1, y - WAVE - 3);
        }
    }

    /** Small figures before and above the note's own, with the signs of how the left hand goes on. */
    private void paintGraces(GraphicsContext g, double right, double top, String figures) {
        Font font = Pens.monoBold(11);
        double width = Pens.width(figures, font) + 2;
        g.setFill(colour("raised"));
        g.fillRect(right - width, top - 5, width, 13);
        Pens.centred(g, figures, right - width / 2, top + 1, font, colour("ink"));
    }

    /** A slanted line before the figure, as the finger goes. */
    private void paintArrival(GraphicsContext g, double x, double y, ArrangedNote note) {
        ArrangedNote before = shifted.get(note);
        double half = before != null && before.fret() > note.fret() ? -TILE / 3 : TILE / 3;
        g.setStroke(colour("ink"));
        g.setLineWidth(2);
        g.strokeLine(x - TILE, y + half, x - 2, y - half);
    }

    /** An arrow that curves up after the figure. */
    private void paintCurl(GraphicsContext g, double x, double y) {
        g.setStroke(colour("ink"));
        g.setLineWidth(1.6);
        g.beginPath();
        g.moveTo(x, y);
        g.quadraticCurveTo(x + CURL, y, x + CURL, y - CURL);
        g.moveTo(x + CURL - 3, y - CURL + 4);
        g.lineTo(x + CURL, y - CURL);
        g.lineTo(x + CURL + 3, y - CURL + 4);
        g.stroke();
    }

    /** After the figure, over what rings on. */
    private void paintWave(GraphicsContext g, double x, double y) {
        g.setStroke(colour("ink"));
        g.setLineWidth(1.6);
        g.beginPath();
        g.moveTo(x, y);
        for (int half = 0; half < WAVES; half++) {
            double from = x + half * TILE / WAVES;
            double tip = half % 2 == 0 ? -WAVE : WAVE;
            g.quadraticCurveTo(from + TILE / WAVES / 2, y + 2 * tip, from + TILE / WAVES, y);
        }
        g.stroke();
    }

    /** The fret that is held, or that is touched on an open string, in a diamond. */
    private void paintHarmonic(GraphicsContext g, double x, double y, ArrangedNote note) {
        double half = TILE / 2 + 3;
        double[] xs = {x, x + half, x, x - half};
        double[] ys = {y - half, y, y + half, y};
        g.setFill(colour("raised"));
        g.fillPolygon(xs, ys, 4);
        g.setStroke(colour("good"));
        g.setLineWidth(2);
        g.strokePolygon(xs, ys, 4);
        Pens.centred(g, String.valueOf(note.writtenFret()), x, y, Pens.monoBold(13), colour("good"));
    }

    /** An arc from the note it is slurred from, with its letter over it; from the edge where that is on another line. */
    private void paintSlur(GraphicsContext g, ScoreLayout.Line line, ArrangedNote note, SlurKind kind) {
        ArrangedNote before = slurred.get(note);
        double to = layout.x(line, note.tick());
        double from = before == null || before.tick() < line.startTick()
                ? Math.max(layout.left(), to - 2 * TILE)
                : layout.x(line, before.tick());
        double y = layout.stringY(line, note.string()) - TILE / 2 - 1;
        g.setStroke(colour("ink"));
        g.setLineWidth(1.6);
        g.strokeArc(from, y - ARC, to - from, 2 * ARC, 0, 180, ArcType.OPEN);
        double middle = (from + to) / 2;
        g.setFill(colour("raised"));
        g.fillOval(middle - ARC, y - 2 * ARC, 2 * ARC, 2 * ARC);
        Pens.centred(g, kind.sign(), middle, y - ARC, Pens.sansBold(12), colour("ink"));
    }

    private void paintDigit(GraphicsContext g, ScoreLayout.Line line, ArrangedNote note) {
        double x = layout.x(line, note.tick());
        double y = digitY(line, note.right());
        g.setFill(colour(token(note.role())));
        if (note.attack() instanceof Attack.Brush brush) {
            g.setStroke(colour(token(note.role())));
            g.setLineWidth(2.5);
            // as on the grid of patterns: it leans the other way on the way back
            double lean = brush.up() ? -DOT : DOT;
            g.strokeLine(x - DOT / 2, y - lean, x + DOT / 2, y + lean);
            if (brush.nails()) {
                g.strokeLine(x - DOT / 2 + 4, y - lean, x + DOT / 2 + 4, y + lean);
            }
        } else if (note.attack().equals(Attack.SNAP)) {
            g.fillOval(x - DOT / 2 - 0.5, y - DOT / 2 - 0.5, DOT + 1, DOT + 1);
            g.setStroke(colour(token(note.role())));
            g.setLineWidth(2);
            g.strokeLine(x, y - DOT - 1, x, y);
        } else if (note.attack().equals(Attack.UPSTROKE)) {
            g.fillPolygon(
                    new double[] {x - DOT / 2, x, x + DOT / 2},
                    new double[] {y + DOT / 2, y - DOT / 2, y + DOT / 2},
                    3);
        } else if (note.right() == Digit.P) {
            g.fillRect(x - DOT / 2, y - DOT / 2, DOT, DOT);
        } else {
            g.fillOval(x - DOT / 2 - 0.5, y - DOT / 2 - 0.5, DOT + 1, DOT + 1);
        }
    }

    private void paintCount(GraphicsContext g, ScoreLayout.Line line, List<ArrangedNote> notes) {
        TreeSet<Integer> struck = new TreeSet<>();
        notes.forEach(note -> struck.add(note.tick()));
        arrangement.hits().forEach(hit -> struck.add(hit.tick()));
        for (Bar bar : line.bars()) {
            for (Counting.Count count : Counting.of(bar, struck)) {
                Color colour = colour(struck.contains(count.tick()) ? "ink" : "rule");
                double x = layout.x(line, count.tick());
                Pens.centred(g, count.word(), x, layout.countY(line) - 4, Pens.mono(13), colour);
            }
        }
    }

    /** The words of a tune that is played, each under its note. */
    private void paintWords(GraphicsContext g, ScoreLayout.Line line) {
        for (MelodyNote note : arrangement.song().melodyBetween(line.startTick(), line.endTick())) {
            if (note.tick() >= line.startTick() && note.syllable().isPresent()) {
                double x = layout.x(line, note.tick()) - TILE / 2;
                Pens.left(g, note.syllable().get(), x, layout.wordsY(line), Pens.sans(14), colour("melody"));
            }
        }
    }

    static String token(Role role) {
        return switch (role) {
            case BASS -> "bass";
            case INNER -> "inner";
            case MELODY -> "melody";
        };
    }

    private Color colour(String token) {
        return view.colour(token);
    }
}
