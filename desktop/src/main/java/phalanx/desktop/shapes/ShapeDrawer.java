package phalanx.desktop.shapes;

import static phalanx.words.Words.wording;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ScrollPane;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import phalanx.desktop.View;
import phalanx.desktop.widget.Cards;
import phalanx.desktop.widget.EffortBars;
import phalanx.formats.library.Library;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.guitar.Reach;
import phalanx.lefthand.shape.FingeringFinder;
import phalanx.lefthand.shape.HeldShape;
import phalanx.lefthand.shape.PricedShape;
import phalanx.lefthand.shape.SilentString;
import phalanx.lefthand.shape.Stretch;
import phalanx.righthand.BassLine;
import phalanx.righthand.ThumbStrings;
import phalanx.theory.ChordNamer;
import phalanx.theory.ChordSymbol;
import phalanx.theory.ChordTable;
import phalanx.theory.Key;
import phalanx.theory.Note;
import phalanx.theory.Pitch;
import phalanx.words.Words;

/** The chosen shape in figures and words, its other fingerings, and what can be done with it. */
final class ShapeDrawer extends ScrollPane {
    private static final double WIDTH = 284;
    private static final int MOST_FINGERINGS = 3;
    private static final int MOST_NAMES = 3;
    private static final String[] DEGREES = {"1", "b2", "2", "b3", "3", "4", "b5", "5", "#5", "6", "b7", "7"};

    /**
     * What the buttons do.
     *
     * @param use lock the shape into the song
     * @param keep put it among the player's own
     * @param hear let it sound
     * @param compare mark it for comparison
     * @param refinger take another fingering of it
     * @param take take one of the player's own shapes
     * @param release let the engine choose again
     */
    record Actions(
            Runnable use,
            Runnable keep,
            Runnable hear,
            Runnable compare,
            Consumer<PricedShape> refinger,
            Consumer<HeldShape> take,
            Runnable release) {}

    /**
     * What is shown about.
     *
     * @param chord whose shape it is
     * @param key to spell in
     * @param instrument the guitar
     * @param hand that holds it
     * @param inSong whether the chord stands in the song
     * @param locked whether a lock holds there
     */
    record About(ChordSymbol chord, Key key, Instrument instrument, Hand hand, boolean inSong, boolean locked) {}

    private final Actions actions;
    private final ChordNamer namer = new ChordNamer(ChordTable.standard());
    private final VBox content = new VBox(8);
    private final EffortBars effort = new EffortBars();
    private final CascadeCard cascade;

    ShapeDrawer(Actions actions, CascadeCard.Actions cascades) {
        this.actions = actions;
        this.cascade = new CascadeCard(cascades);
        content.getStyleClass().add("why");
        content.setId("shape-drawer");
        getStyleClass().add("why-drawer");
        setContent(content);
        setFitToWidth(true);
        setHbarPolicy(ScrollBarPolicy.NEVER);
        setPrefWidth(WIDTH);
        setMinWidth(WIDTH);
        setFocusTraversable(false);
    }

    void showNone(String why) {
        content.getChildren().setAll(Cards.quiet(why));
    }

    void show(PricedShape shape, About about, Library library, View view) {
        HeldShape held = new HeldShape(shape.shape(), shape.fingering());
        content.getChildren().setAll(Cards.heading(about.chord.spoken() + "   " + shape.shape()));
        content.getChildren().addAll(facts(shape, held, about));
        effort.show(shape.effort(), view);
        content.getChildren().add(effort);
        Stretch.of(shape.fingering().presses(), about.instrument, about.hand)
                .filter(Stretch::isStretched)
                .ifPresent(stretch -> content.getChildren().add(Cards.caution(stretch.words())));
        content.getChildren().addAll(Cards.heading(wording("ShapeDrawer.keep")), buttons(about));
        cascade.show(held, about.chord, about.instrument, about.key, about.inSong);
        content.getChildren().add(cascade);
        addFingerings(shape, about);
        addOwn(about, library);
    }

    private List<Node> facts(PricedShape shape, HeldShape held, About about) {
        List<Integer> midi = shape.shape().midi(about.instrument);
        String sounds =
                midi.stream().map(pitch -> Pitch.printed(pitch, about.key)).collect(Collectors.joining(" "));
        int root = about.chord.root().pitchClass();
        String tones = midi.stream()
                .map(pitch -> DEGREES[Math.floorMod(pitch - root, 12)])
                .collect(Collectors.joining(" "));
        String names = namer.names(midi, about.key).stream()
                .limit(MOST_NAMES)
                .map(Note::said)
                .collect(Collectors.joining(", "));
        String silent = SilentString.of(held).stream().map(SilentString::words).collect(Collectors.joining(", "));
        String free = IntStream.rangeClosed(1, 4)
                .filter(finger -> shape.fingering().presses().stream()
                        .noneMatch(press -> press.finger().number() == finger))
                .mapToObj(String::valueOf)
                .collect(Collectors.joining(" "));
        return List.of(
                Cards.line(wording("ShapeDrawer.sounds"), sounds),
                Cards.line(wording("ShapeDrawer.tones"), tones),
                Cards.line(wording("ShapeDrawer.names"), names),
                Cards.line(wording("ShapeDrawer.fingers"), fingers(shape)),
                Cards.line(wording("ShapeDrawer.free-fingers"), free.isEmpty() ? wording("ShapeDrawer.none") : free),
                Cards.line(wording("ShapeDrawer.silent"), silent.isEmpty() ? wording("ShapeDrawer.none") : silent),
                Cards.line(wording("ShapeDrawer.thumb-takes-strings"), thumb(shape, about)),
                Cards.line(wording("ShapeDrawer.reach"), reach(shape, about)));
    }

    /** The strings of an alternating thumb under the shape, a bar of four. */
    private static String thumb(PricedShape shape, About about) {
        List<Integer> strings =
                new ThumbStrings(about.instrument, shape.shape(), about.chord).strings(BassLine.ALTERNATING, 4);
        return strings.isEmpty()
                ? wording("ShapeDrawer.no-root-on-a-bass")
                : strings.stream().map(String::valueOf).collect(Collectors.joining(" "));
    }

    private static String fingers(PricedShape shape) {
        return String.join(" ", shape.fingers()).replace('0', '-');
    }

    private static String reach(PricedShape shape, About about) {
        Map<Reach.Pair, Double> reaches = shape.fingering().reaches(about.instrument);
        Optional<Reach.Pair> widest = reaches.keySet().stream()
                .max((a, b) -> Double.compare(
                        reaches.get(a) / about.hand.greatestMm(a), reaches.get(b) / about.hand.greatestMm(b)));
        return widest.map(pair -> String.format(
                        Words.figures(),
                        wording("ShapeDrawer.of-mm"),
                        pair.low(),
                        pair.high(),
                        reaches.get(pair),
                        about.hand.greatestMm(pair)))
                .orElse(wording("ShapeDrawer.one-finger-or-none"));
    }

    private Node buttons(About about) {
        Button use = Cards.button(
                "use-shape",
                wording("ShapeDrawer.use-and-lock"),
                wording("ShapeDrawer.hold-this-shape-for-the"),
                actions.use);
        use.getStyleClass().add("main");
        use.setDisable(!about.inSong);
        Button keep = Cards.button(
                "keep-shape",
                wording("ShapeDrawer.to-my-shapes"),
                wording("ShapeDrawer.keep-it-in-your-own"),
                actions.keep);
        Button hear = Cards.button(
                "hear-shape", wording("ShapeDrawer.hear"), wording("ShapeDrawer.let-it-sound-h"), actions.hear);
        Button compare = Cards.button(
                "compare-shape",
                wording("ShapeDrawer.compare-from-here"),
                wording("ShapeDrawer.show-changes-from-this-shape"),
                actions.compare);
        VBox lines = new VBox(8, new FlowPane(8, 8, use, keep, hear, compare));
        if (about.locked) {
            lines.getChildren()
                    .add(Cards.button(
                            "release",
                            wording("ShapeDrawer.release-the-lock"),
                            wording("ShapeDrawer.let-the-engine-choose-again"),
                            actions.release));
        }
        return lines;
    }

    private void addFingerings(PricedShape shape, About about) {
        List<PricedShape> others = FingeringFinder.forShapes(about.instrument, about.hand).find(shape.shape()).stream()
                .filter(way -> !way.fingering().equals(shape.fingering()))
                .limit(MOST_FINGERINGS)
                .toList();
        if (others.isEmpty()) {
            content.getChildren().add(Cards.quiet(wording("ShapeDrawer.no-other-fingers-can-hold")));
            return;
        }
        content.getChildren().add(Cards.heading(wording("ShapeDrawer.other-fingers")));
        for (PricedShape other : others) {
            String text = String.format(
                    Words.figures(), "%s   %.1f", fingers(other), other.effort().total());
            Button button = Cards.button(
                    "refinger",
                    text,
                    wording("ShapeDrawer.hold-it-with-these-fingers"),
                    () -> actions.refinger.accept(other));
            button.getStyleClass().add("mono");
            content.getChildren().add(button);
        }
    }

    private void addOwn(About about, Library library) {
        List<Library.OwnShape> own = library.shapes().stream()
                .filter(shape -> shape.tuning().equals(about.instrument.tuning()))
                .filter(shape -> shape.name().equals(about.chord.text()))
                .toList();
        content.getChildren().add(Cards.heading(wording("ShapeDrawer.my-shapes-of", about.chord)));
        if (own.isEmpty()) {
            content.getChildren().add(Cards.quiet(wording("ShapeDrawer.none-yet-m-keeps-the")));
        }
        for (Library.OwnShape shape : own) {
            String text =
                    shape.held().shape() + "   " + String.join(" ", shape.held().fingers());
            Button button = Cards.button(
                    "own-shape",
                    text,
                    wording("ShapeDrawer.choose-this-shape"),
                    () -> actions.take.accept(shape.held()));
            button.getStyleClass().add("mono");
            content.getChildren().add(button);
        }
    }
}
