package phalanx.formats.page;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import phalanx.arrange.score.ArrangedSlot;
import phalanx.arrange.score.Arrangement;
import phalanx.lefthand.shape.FingeringFinder;
import phalanx.lefthand.shape.HeldShape;
import phalanx.lefthand.shape.Shape;
import phalanx.song.ChordChange;
import phalanx.song.ChordFrets;
import phalanx.theory.Note;

/** The shapes of a song side by side, each with its chord's name. */
final class ShapeRows {
    /** A shape, its chord, and the numbers of the bars in which that begins. */
    record Named(String name, HeldShape held, List<Integer> bars) {}

    private final Arrangement arrangement;
    private final PageSetup setup;
    private final double space;
    private final double least;
    private final double gap;
    private final FingeringFinder finder;
    private final Map<Shape, Optional<HeldShape>> fingered = new HashMap<>();

    /**
     * @param space between two strings of a diagram, in points
     * @param least width of a diagram, in points
     */
    ShapeRows(Arrangement arrangement, PageSetup setup, double space, double least) {
        this.arrangement = arrangement;
        this.setup = setup;
        this.space = space;
        this.least = least;
        this.gap = 2.2 * space;
        this.finder = FingeringFinder.forShapes(
                arrangement.request().instrument(), arrangement.request().hand());
    }

    /** Each chord with what is held of it, once, in the order of the song. */
    List<Named> shapes() {
        Map<List<Object>, Named> shapes = new LinkedHashMap<>();
        List<ChordChange> chart = arrangement.song().chart();
        for (int i = 0; i < chart.size(); i++) {
            ChordChange change = chart.get(i);
            HeldShape held = held(change.startTick(), arrangement.song().chordEnd(i));
            boolean sounds = held.shape().frets().stream().anyMatch(fret -> fret >= 0);
            if (sounds) {
                String name = Note.printed(change.name());
                shapes.computeIfAbsent(List.of(name, held), key -> new Named(name, held, new ArrayList<>()))
                        .bars()
                        .add(arrangement.song().barAt(change.startTick()).number());
            }
        }
        return List.copyOf(shapes.values());
    }

    /** What the hand holds of a chord: its printed shape where that is in hand, else the fullest of its shapes. */
    private HeldShape held(int from, int to) {
        ArrangedSlot first = arrangement.slotAt(from);
        Optional<HeldShape> printed = first.printed().flatMap(shape -> fingered.computeIfAbsent(shape, this::fingered));
        return printed.orElseGet(() -> arrangement.slots().stream()
                .filter(slot -> slot == first || slot.startTick() >= from && slot.startTick() < to)
                .map(ArrangedSlot::held)
                .max(Comparator.comparingLong(held ->
                        held.shape().frets().stream().filter(fret -> fret >= 0).count()))
                .orElseThrow());
    }

    private Optional<HeldShape> fingered(Shape shape) {
        return finder.find(shape).stream().findFirst().map(priced -> new HeldShape(shape, priced.fingering()));
    }

    int columns() {
        return Math.max(1, (int) ((setup.right() - setup.left() + gap) / (least + gap)));
    }

    double rowHeight(boolean detailed) {
        NeckDiagram any = new NeckDiagram(
                arrangement.request().instrument(),
                arrangement.slots().get(0).held(),
                space,
                least,
                setup.leftHanded());
        return any.height() + (detailed ? 5.4 : 2.6) * space;
    }

    /** Draws a row of shapes. */
    void draw(Pen pen, List<Named> row, double y, boolean detailed) {
        int columns = columns();
        double width = (setup.right() - setup.left() - (columns - 1) * gap) / columns;
        for (int i = 0; i < row.size(); i++) {
            Named shape = row.get(i);
            double x = setup.left() + i * (width + gap);
            double size = 1.6 * space;
            double base = y + 1.4 * space;
            String name = Type.cut(shape.name(), Face.BOLD, size, width);
            pen.left(name, x, base, Face.BOLD, size, Shade.INK);
            if (detailed) {
                String frets = new ChordFrets(shape.held().shape().frets()).toString();
                pen.left(frets, x, base + 1.5 * space, Face.MONO, space, Shade.QUIET);
                String bars = (shape.bars().size() == 1 ? wording("ShapeRows.bar") : wording("ShapeRows.bars"))
                        + numbers(shape.bars());
                pen.left(Type.cut(bars, Face.SANS, space, width), x, base + 2.9 * space, Face.SANS, space, Shade.QUIET);
            }
            new NeckDiagram(arrangement.request().instrument(), shape.held(), space, width, setup.leftHanded())
                    .draw(pen, x, y + (detailed ? 5.2 : 2.2) * space);
        }
    }

    private static String numbers(List<Integer> bars) {
        return String.join(", ", bars.stream().distinct().map(String::valueOf).toList());
    }
}
