package phalanx.desktop.picking;

import static phalanx.words.Words.wording;

import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import javafx.scene.canvas.GraphicsContext;
import phalanx.desktop.widget.Drawing;
import phalanx.desktop.widget.Pens;
import phalanx.righthand.Digit;
import phalanx.righthand.PlantingChart;
import phalanx.righthand.School;
import phalanx.song.Bar;

/** One bar of the song as the hand plays it: where each finger waits, then the digits of every school side by side. */
final class HandView extends Drawing {
    private static final double LEFT = 138;
    private static final double LANE = 20;
    private static final double TOP = 8;
    private static final List<Digit> FINGERS = List.of(Digit.C, Digit.A, Digit.M, Digit.I);

    private Optional<BarReading> reading = Optional.empty();
    private PlantingChart.Manner manner = PlantingChart.Manner.FULL;
    private School own = School.THUMB_AND_THREE;

    HandView() {
        super(2 * TOP + (FINGERS.size() + School.values().length) * LANE + 8);
        setId("hand-view");
    }

    void show(BarReading shown, School school, PlantingChart.Manner how) {
        reading = Optional.of(shown);
        own = school;
        manner = how;
        double height = 2 * TOP + (fingers().size() + School.values().length) * LANE + 6;
        setMinHeight(height);
        setPrefHeight(height);
        setAccessibleText(
                wording("HandView.digits", String.join(" ", shown.digits(school).values())));
        repaint();
    }

    private double x(Bar bar, int tick) {
        return LEFT + 14 + (tick - bar.startTick()) / (double) bar.lengthTicks() * (getWidth() - LEFT - 24);
    }

    @Override
    protected void paint(GraphicsContext g) {
        reading.ifPresent(shown -> {
            paintPlants(g, shown);
            double top = TOP + fingers().size() * LANE + 6;
            for (School school : School.values()) {
                paintSchool(g, shown, school, top + school.ordinal() * LANE + LANE / 2);
            }
        });
    }

    /** The fingers of the player's school, the highest on top. */
    private List<Digit> fingers() {
        return FINGERS.stream().filter(own.digits()::contains).toList();
    }

    private void paintPlants(GraphicsContext g, BarReading shown) {
        List<Digit> digits = fingers();
        for (int i = 0; i < digits.size(); i++) {
            double y = TOP + i * LANE + LANE / 2;
            Pens.left(
                    g,
                    wording("HandView.waits", own.word(digits.get(i))),
                    6,
                    y + 5,
                    Pens.sans(13),
                    view().colour("quiet"));
            g.setStroke(view().colour("rule"));
            g.setLineWidth(1);
            g.strokeLine(LEFT, y, getWidth() - 8, y);
        }
        for (PlantingChart.Plant plant : shown.plants(manner)) {
            double y = TOP + digits.indexOf(plant.digit()) * LANE + LANE / 2;
            double from = x(shown.bar(), plant.fromTick());
            double to = x(shown.bar(), plant.pluckTick());
            g.setStroke(view().colour("inner"));
            g.setLineWidth(5);
            g.strokeLine(from + 6, y, Math.max(from + 7, to - 10), y);
            Pens.centred(g, String.valueOf(plant.string()), to, y, Pens.monoBold(13), view().colour("ink"));
        }
    }

    private void paintSchool(GraphicsContext g, BarReading shown, School school, double y) {
        boolean mine = school == own;
        Pens.left(
                g,
                school.label(),
                6,
                y + 5,
                mine ? Pens.sansBold(13) : Pens.sans(13),
                view().colour(mine ? "ink" : "quiet"));
        TreeMap<Integer, String> digits = shown.digits(school);
        digits.forEach((tick, text) -> Pens.centred(
                g,
                text,
                x(shown.bar(), tick),
                y,
                mine ? Pens.monoBold(14) : Pens.mono(14),
                view().colour(mine ? "ink" : "quiet")));
    }
}
