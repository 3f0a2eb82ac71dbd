package phalanx.desktop.picking;

import static phalanx.words.Words.wording;

import java.util.Optional;
import java.util.function.Consumer;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.input.MouseEvent;
import javafx.scene.paint.Color;
import phalanx.desktop.widget.Drawing;
import phalanx.desktop.widget.Pens;
import phalanx.righthand.Counting;
import phalanx.righthand.Digit;
import phalanx.righthand.Manner;
import phalanx.righthand.Pattern;
import phalanx.righthand.PatternRow;
import phalanx.righthand.PatternStroke;
import phalanx.righthand.PatternText;
import phalanx.righthand.Weight;
import phalanx.song.Bar;
import phalanx.technique.HitKind;

/** A pattern as a grid, a row for each role and a column for each step, edited by keys and clicks. */
final class StepGrid extends Drawing {
    static final double LEFT = 76;
    private static final double ROW = 25;
    private static final double HEAD = 26;
    private static final double MARK = 21;

    private final Consumer<Pattern> onEdit;
    private Optional<Pattern> pattern = Optional.empty();
    private int step;
    private PatternRow row = PatternRow.BASS;

    /** @param onEdit takes the pattern after an edit */
    StepGrid(Consumer<Pattern> onEdit) {
        super(HEAD + PatternRow.values().length * ROW + 4);
        this.onEdit = onEdit;
        setId("step-grid");
        setFocusTraversable(true);
        setAccessibleText(wording("StepGrid.pattern-arrows-move-x-puts"));
        setOnMousePressed(this::onPress);
        focusedProperty().addListener((property, before, now) -> repaint());
        addEventHandler(KeyEvent.KEY_PRESSED, this::onKey);
        addEventHandler(KeyEvent.KEY_TYPED, this::onTyped);
    }

    void show(Pattern shown) {
        pattern = Optional.of(shown);
        step = Math.min(step, steps(shown) - 1);
        repaint();
    }

    private static int steps(Pattern shown) {
        return shown.stepsABar() * shown.bars();
    }

    private double column(Pattern shown) {
        return (getWidth() - LEFT - 8) / steps(shown);
    }

    private void onPress(MouseEvent event) {
        requestFocus();
        pattern.ifPresent(shown -> {
            int at = (int) ((event.getX() - LEFT) / column(shown));
            int line = (int) ((event.getY() - HEAD) / ROW);
            if (event.getX() >= LEFT && at < steps(shown) && line >= 0 && line < PatternRow.values().length) {
                step = at;
                row = PatternRow.values()[line];
                toggle(shown);
            }
        });
    }

    /** Puts a plain stroke, or takes out what is there. */
    private void toggle(Pattern shown) {
        put(shown.at(step, row).isPresent() ? Optional.empty() : Optional.of(plain()));
    }

    private PatternStroke plain() {
        return switch (row) {
            case HIT ->
                new PatternStroke(step, row, Optional.empty(), Weight.PLAIN, Manner.DOWN, Optional.of(HitKind.KNOCK));
            default -> PatternStroke.plain(step, row);
        };
    }

    private void put(Optional<PatternStroke> stroke) {
        pattern.ifPresent(shown -> {
            pattern = Optional.of(shown.with(step, row, stroke));
            repaint();
            onEdit.accept(pattern.get());
        });
    }

    private void onKey(KeyEvent event) {
        boolean handled = pattern.isPresent() && !event.isShortcutDown() && move(event.getCode(), pattern.get());
        if (handled) {
            event.consume();
        }
    }

    private boolean move(KeyCode code, Pattern shown) {
        int last = steps(shown) - 1;
        int lowest = PatternRow.values().length - 1;
        switch (code) {
            case RIGHT -> step = Math.min(last, step + 1);
            case LEFT -> step = Math.max(0, step - 1);
            case DOWN -> row = PatternRow.values()[Math.min(lowest, row.ordinal() + 1)];
            case UP -> row = PatternRow.values()[Math.max(0, row.ordinal() - 1)];
            case HOME -> step = 0;
            case END -> step = last;
            case DELETE, BACK_SPACE -> put(Optional.empty());
            default -> {
                return false;
            }
        }
        repaint();
        return true;
    }

    private void onTyped(KeyEvent event) {
        if (event.getCharacter().length() != 1 || event.isControlDown() || event.isMetaDown()) {
            return;
        }
        char key = event.getCharacter().charAt(0);
        if (key == '.') {
            put(Optional.empty());
            event.consume();
            return;
        }
        stroke(key).ifPresent(stroke -> {
            put(Optional.of(stroke));
            pattern.ifPresent(shown -> step = Math.min(steps(shown) - 1, step + 1));
            repaint();
            event.consume();
        });
    }

    /** The stroke that a key stands for in the cursor's row; a capital is an accent. */
    private Optional<PatternStroke> stroke(char key) {
        return PatternText.stroke(step, row, row == PatternRow.BRUSH && key == 'x' ? 'd' : key);
    }

    @Override
    protected void paint(GraphicsContext g) {
        pattern.ifPresent(shown -> {
            paintGround(g, shown);
            shown.strokes().forEach(stroke -> paintStroke(g, shown, stroke));
            g.setStroke(view().colour(isFocused() ? "alarm" : "quiet"));
            g.setLineWidth(isFocused() ? 2.5 : 1.2);
            g.strokeRoundRect(
                    LEFT + step * column(shown) + 1,
                    HEAD + row.ordinal() * ROW + 1,
                    Math.max(4, column(shown) - 2),
                    ROW - 2,
                    8,
                    8);
        });
    }

    private void paintGround(GraphicsContext g, Pattern shown) {
        Bar bar = new Bar(1, 0, shown.meter().barTicks(), shown.meter());
        for (int at = 0; at < steps(shown); at++) {
            double x = LEFT + at * column(shown);
            int inBar = at % shown.stepsABar();
            if (inBar / shown.grid() % 2 == 0) {
                g.setFill(view().colour("rule").deriveColor(0, 1, 1, 0.28));
                g.fillRect(x, HEAD, column(shown), PatternRow.values().length * ROW);
            }
            String word = Counting.syllable(bar, inBar * shown.stepTicks(), shown.grid());
            boolean onBeat = inBar % shown.grid() == 0;
            Pens.centred(
                    g,
                    word,
                    x + column(shown) / 2,
                    HEAD / 2,
                    onBeat ? Pens.monoBold(14) : Pens.mono(12),
                    view().colour(onBeat ? "ink" : "quiet"));
            if (inBar == 0) {
                g.setStroke(view().colour("ink"));
                g.setLineWidth(1.4);
                g.strokeLine(x, HEAD, x, HEAD + PatternRow.values().length * ROW);
            }
        }
        for (PatternRow each : PatternRow.values()) {
            double y = HEAD + each.ordinal() * ROW + ROW / 2;
            g.setStroke(view().colour("rule"));
            g.setLineWidth(1);
            g.strokeLine(LEFT, y, getWidth() - 8, y);
            Pens.left(g, each.label(), 6, y + 5, Pens.sans(14), view().colour(each == row ? "ink" : "quiet"));
        }
    }

    private void paintStroke(GraphicsContext g, Pattern shown, PatternStroke stroke) {
        double x = LEFT + (stroke.step() + 0.5) * column(shown);
        double y = HEAD + stroke.row().ordinal() * ROW + ROW / 2;
        double size = stroke.weight() == Weight.GHOST ? MARK * 0.6 : MARK;
        Color colour = view().colour(token(stroke.row()));
        g.setFill(colour);
        if (stroke.row() == PatternRow.BASS) {
            g.fillRect(x - size / 2, y - size / 2, size, size);
        } else if (stroke.row() == PatternRow.BRUSH) {
            g.setStroke(colour);
            g.setLineWidth(3);
            double lean = stroke.up() ? -1 : 1;
            g.strokeLine(x - 6, y - lean * size / 2, x + 6, y + lean * size / 2);
            if (stroke.manner() == Manner.NAILS) {
                g.strokeLine(x, y - size / 2, x + 12, y + size / 2);
            }
        } else if (stroke.row() == PatternRow.HIT) {
            g.fillPolygon(
                    new double[] {x, x + size / 2 + 2, x, x - size / 2 - 2},
                    new double[] {y - size / 2 - 2, y, y + size / 2 + 2, y},
                    4);
        } else {
            g.fillOval(x - size / 2, y - size / 2, size, size);
        }
        if (stroke.weight() == Weight.ACCENT) {
            g.setFill(view().colour("ink"));
            g.fillRect(x - size / 2, y - size / 2 - 4, size, 2.5);
        }
        String sign = stroke.digit()
                .map(Digit::symbol)
                .orElse(stroke.hit().isPresent() || isMarked(stroke.manner()) ? stroke.sign() : "");
        if (!sign.isEmpty()) {
            Pens.centred(g, sign, x, y, Pens.monoBold(14), view().colour("on-colour"));
        }
    }

    private static boolean isMarked(Manner manner) {
        return manner == Manner.HAMMERED || manner == Manner.SNAPPED;
    }

    private static String token(PatternRow row) {
        return switch (row) {
            case BASS -> "bass";
            case HIT -> "alarm";
            default -> "inner";
        };
    }
}
