package phalanx.desktop.song;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiConsumer;
import javafx.geometry.VPos;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.control.ToggleButton;
import javafx.scene.control.ToggleGroup;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import phalanx.desktop.View;
import phalanx.desktop.widget.Drawing;
import phalanx.desktop.widget.Pens;
import phalanx.guitar.Instrument;
import phalanx.song.Ticks;
import phalanx.words.Words;

/** What the next note of the tune will be: its length and its string, and the neck to put it on by hand. */
final class TuneCard extends VBox {
    private static final double NECK = 96;
    private static final int FRETS = 15;

    /** The lengths, each with its key. */
    enum Length {
        WHOLE('w', Ticks.WHOLE),
        HALF('h', Ticks.WHOLE / 2),
        QUARTER('q', Ticks.QUARTER),
        EIGHTH('e', Ticks.QUARTER / 2),
        SIXTEENTH('s', Ticks.QUARTER / 4);

        private final char key;
        private final int ticks;

        Length(char key, int ticks) {
            this.key = key;
            this.ticks = ticks;
        }
    }

    private final List<ToggleButton> lengths = new ArrayList<>();
    private final ToggleButton dot = toggle("dot", wording("TuneCard.dot"), wording("TuneCard.half-as-long-again"));
    private final ToggleButton triplet =
            toggle("triplet", wording("TuneCard.triplet"), wording("TuneCard.three-in-the-time-of"));
    private final ToggleButton tens = toggle("tens", "10+", wording("TuneCard.the-next-digit-is-a"));
    private final ToggleButton bass =
            toggle("own-bass", wording("TuneCard.bass"), wording("TuneCard.notes-go-to-your-own"));
    private final ToggleButton neckShown =
            toggle("neck-shown", wording("TuneCard.neck"), wording("TuneCard.shows-the-neck-to-put"));
    private final Neck neck;
    private boolean neckWanted;
    private Length length = Length.QUARTER;
    private int string = 2;
    private int tensOfNext;

    /** @param onPlace takes string and fret of a click on the neck */
    TuneCard(BiConsumer<Integer, Integer> onPlace) {
        super(8);
        getStyleClass().add("card");
        ToggleGroup group = new ToggleGroup();
        FlowPane row = new FlowPane(6, 6, bass);
        for (Length one : Length.values()) {
            ToggleButton button =
                    toggle("length-" + one.key, Words.name(one), wording("TuneCard.length-of-the-next-note", one.key));
            button.setToggleGroup(group);
            button.setOnAction(event -> choose(one));
            lengths.add(button);
            row.getChildren().add(button);
        }
        row.getChildren().addAll(dot, triplet, tens);
        row.setRowValignment(VPos.CENTER);
        setMinWidth(0);
        tens.setOnAction(event -> moreTens());
        neck = new Neck(onPlace);
        row.getChildren().add(neckShown);
        getChildren().addAll(row, neck);
        neck.managedProperty().bind(neckShown.selectedProperty());
        neck.visibleProperty().bind(neckShown.selectedProperty());
        neckShown.setSelected(true);
        neckShown.setOnAction(event -> neckWanted = true);
        choose(Length.QUARTER);
    }

    private static ToggleButton toggle(String id, String text, String help) {
        ToggleButton button = new ToggleButton(text);
        button.setId(id);
        button.getStyleClass().addAll("plain", "small");
        button.setFocusTraversable(false);
        button.setMinWidth(Region.USE_PREF_SIZE);
        button.setTooltip(new Tooltip(help));
        return button;
    }

    /** Leaves the neck out where the window is low, unless the player has said otherwise. */
    void fit(boolean low) {
        if (!neckWanted) {
            neckShown.setSelected(!low);
        }
    }

    private void choose(Length next) {
        length = next;
        lengths.get(next.ordinal()).setSelected(true);
    }

    /** Takes a key that chooses a length; answers whether it was one. */
    boolean take(char key) {
        for (Length one : Length.values()) {
            if (one.key == key) {
                choose(one);
                return true;
            }
        }
        if (key == 'x') {
            moreTens();
            return true;
        }
        if (key == '.' || key == 't' || key == 'b') {
            ToggleButton other = key == '.' ? dot : key == 't' ? triplet : bass;
            other.setSelected(!other.isSelected());
            return true;
        }
        return false;
    }

    /** Ten frets more for the next digit, twenty, or none. */
    private void moreTens() {
        showTens((tensOfNext + 10) % 30);
    }

    private void showTens(int frets) {
        tensOfNext = frets;
        tens.setSelected(frets > 0);
        tens.setText(frets > 10 ? "20+" : "10+");
    }

    /** How many frets are added to the digit that comes now; the next one has none. */
    int takeTens() {
        int frets = tensOfNext;
        showTens(0);
        return frets;
    }

    /** How long the next note is. */
    int ticks() {
        int ticks = dot.isSelected() ? length.ticks * 3 / 2 : length.ticks;
        return triplet.isSelected() ? ticks * 2 / 3 : ticks;
    }

    /** Whether notes go to the song's own bass. */
    boolean isBass() {
        return bass.isSelected();
    }

    int string() {
        return string;
    }

    void moveString(int by, int strings) {
        string = Math.max(1, Math.min(strings, string + by));
        neck.draw();
    }

    void show(Instrument instrument) {
        string = Math.min(string, instrument.strings());
        neck.instrument = Optional.of(instrument);
        neck.draw();
    }

    void useView(View view) {
        neck.useView(view);
    }

    /** The neck up to fret 15, true to scale along; the chosen string stands out. */
    private final class Neck extends Drawing {
        /** How far the nut is from its edge, and the last fret from its. */
        private static final double NUT = 40;

        private static final double END = 10;

        private Optional<Instrument> instrument = Optional.empty();

        Neck(BiConsumer<Integer, Integer> onPlace) {
            super(NECK);
            setId("tune-neck");
            setAccessibleText(wording("TuneCard.the-neck-click-to-put"));
            setOnMousePressed(event -> instrument.ifPresent(shown -> {
                int clicked = 1 + (int) Math.round((event.getY() - 10) / gap(shown));
                string = Math.max(1, Math.min(shown.strings(), clicked));
                onPlace.accept(string, fretAt(shown, event.getX()));
                draw();
            }));
        }

        private void draw() {
            repaint();
        }

        private double gap(Instrument shown) {
            return (NECK - 30) / (shown.strings() - 1);
        }

        private double x(Instrument shown, int fret) {
            double whole =
                    shown.guitar().wireMm(shown.capo() + FRETS) - shown.guitar().wireMm(shown.capo());
            double mm =
                    shown.guitar().wireMm(shown.capo() + fret) - shown.guitar().wireMm(shown.capo());
            double along = NUT + mm / whole * (getWidth() - NUT - END);
            return view().leftHanded() ? getWidth() - along : along;
        }

        private int fretAt(Instrument shown, double x) {
            int fret = 0;
            int towardsBody = view().leftHanded() ? -1 : 1;
            while (fret < FRETS && towardsBody * (x - x(shown, fret)) > 0) {
                fret++;
            }
            return fret;
        }

        @Override
        protected void paint(GraphicsContext g) {
            instrument.ifPresent(shown -> {
                for (int fret = 0; fret <= FRETS; fret++) {
                    g.setStroke(view().colour(fret == 0 ? "ink" : "wood"));
                    g.setLineWidth(fret == 0 ? 4 : 1.2);
                    g.strokeLine(x(shown, fret), 10, x(shown, fret), NECK - 20);
                    if (fret > 0) {
                        double middle = (x(shown, fret) + x(shown, fret - 1)) / 2;
                        Pens.centred(g, "" + fret, middle, NECK - 8, Pens.mono(12), view().colour("quiet"));
                    }
                }
                for (int each = 1; each <= shown.strings(); each++) {
                    double y = 10 + (each - 1) * gap(shown);
                    g.setStroke(view().colour(each == string ? "melody" : "ink"));
                    g.setLineWidth(each == string ? 2.6 : 1);
                    g.strokeLine(x(shown, 0), y, x(shown, FRETS), y);
                    double before = view().leftHanded() ? getWidth() - NUT / 2 : NUT / 2;
                    Pens.centred(
                            g, "" + each, before, y, Pens.mono(12), view().colour(each == string ? "melody" : "quiet"));
                }
            });
        }
    }
}
