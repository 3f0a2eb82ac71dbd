package phalanx.desktop.shapes;

import static phalanx.words.Words.wording;

import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.scene.control.Button;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.VBox;
import phalanx.desktop.widget.Cards;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.HeldShape;
import phalanx.technique.Cascade;
import phalanx.technique.HarmonicChord;
import phalanx.technique.HarmonicNode;
import phalanx.theory.ChordSymbol;
import phalanx.theory.Key;
import phalanx.theory.Pitch;
import phalanx.words.Words;

/** The cascade of touched harmonics over a shape: its strings, what it sounds, where the index touches. */
final class CascadeCard extends VBox {
    private static final int MOST_NODES = 4;
    private static final int MOST_CHORDS = 2;

    private final Actions actions;
    private HarmonicNode node = HarmonicNode.OCTAVE;
    private boolean triplets;

    /** A cascade over a shape. */
    record Chosen(HeldShape held, HarmonicNode node, Cascade cascade) {}

    /**
     * What the buttons do.
     *
     * @param hear lets it sound
     * @param play puts it on the chord in the song
     * @param intro puts it into a bar before the song
     */
    record Actions(Consumer<Chosen> hear, Consumer<Chosen> play, Consumer<Chosen> intro) {}

    CascadeCard(Actions actions) {
        super(6);
        this.actions = actions;
        setId("cascade");
    }

    /**
     * @param chord that the shape is looked at for
     * @param inSong whether the chord stands in the song
     */
    void show(HeldShape held, ChordSymbol chord, Instrument instrument, Key key, boolean inSong) {
        getChildren()
                .setAll(
                        Cards.heading(wording("CascadeCard.touched-harmonics-over-it")),
                        nodes(held, chord, instrument, key, inSong));
        try {
            Cascade cascade = triplets
                    ? Cascade.triplets(instrument, held.shape().frets(), node, key)
                    : Cascade.usual(instrument, held.shape().frets(), node);
            show(new Chosen(held, node, cascade), key, inSong);
        } catch (IllegalArgumentException e) {
            getChildren().add(Cards.quiet(wording("CascadeCard.none-here", e.getMessage())));
        }
        HarmonicChord.of(instrument, chord).stream().limit(MOST_CHORDS).forEach(one -> getChildren()
                .add(Cards.line(wording("CascadeCard.open-strings"), one.words(key))));
    }

    private FlowPane nodes(HeldShape held, ChordSymbol chord, Instrument instrument, Key key, boolean inSong) {
        FlowPane box = new FlowPane(6, 6, Cards.before(wording("CascadeCard.frets-above")));
        ToggleGroup group = new ToggleGroup();
        for (int n = 2; n <= MOST_NODES; n++) {
            HarmonicNode each = new HarmonicNode(1, n);
            ToggleButton button = new ToggleButton(String.valueOf(Math.round(each.frets())));
            button.setId("cascade-" + Math.round(each.frets()));
            button.getStyleClass().addAll("plain", "small");
            button.setToggleGroup(group);
            button.setSelected(each.equals(node));
            button.setFocusTraversable(false);
            button.setOnAction(event -> {
                node = each;
                show(held, chord, instrument, key, inSong);
            });
            box.getChildren().add(button);
        }
        ToggleButton threes = new ToggleButton(wording("CascadeCard.in-threes"));
        threes.setId("cascade-triplets");
        threes.getStyleClass().addAll("plain", "small");
        threes.setTooltip(new Tooltip(wording("CascadeCard.the-plain-note-is-stopped")));
        threes.setSelected(triplets);
        threes.setFocusTraversable(false);
        threes.setOnAction(event -> {
            triplets = threes.isSelected();
            show(held, chord, instrument, key, inSong);
        });
        box.getChildren().add(threes);
        return box;
    }

    private void show(Chosen chosen, Key key, boolean inSong) {
        Cascade cascade = chosen.cascade;
        String line =
                cascade.line().stream().map(midi -> Pitch.printed(midi, key)).collect(Collectors.joining(" "));
        Optional<Cascade.Step> lowest =
                cascade.steps().stream().filter(Cascade.Step::touched).findFirst();
        getChildren()
                .addAll(
                        Cards.line(wording("CascadeCard.strings"), cascade.order()),
                        Cards.line(wording("CascadeCard.sounds"), line),
                        Cards.quiet(lowest.map(step -> String.format(
                                        Words.figures(),
                                        wording("CascadeCard.i-touches-string-over-fret"),
                                        step.string(),
                                        step.touchFret(),
                                        step.saddleMm()))
                                .orElse("")),
                        Cards.quiet(String.format(
                                Words.figures(),
                                wording("CascadeCard.touched-by-i-plucked-by"),
                                100 * node.strength())));
        Button play = Cards.button(
                "cascade-play",
                wording("CascadeCard.play-it-here"),
                wording("CascadeCard.in-place-of-what-is"),
                () -> actions.play.accept(chosen));
        play.setDisable(!inSong);
        getChildren()
                .add(new FlowPane(
                        8,
                        8,
                        Cards.button(
                                "cascade-hear",
                                wording("CascadeCard.hear"),
                                wording("CascadeCard.let-the-cascade-sound"),
                                () -> actions.hear.accept(chosen)),
                        play,
                        Cards.button(
                                "cascade-intro",
                                wording("CascadeCard.as-an-intro"),
                                wording("CascadeCard.a-bar-before-the-song"),
                                () -> actions.intro.accept(chosen))));
    }
}
