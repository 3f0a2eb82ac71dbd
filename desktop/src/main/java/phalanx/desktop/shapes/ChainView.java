package phalanx.desktop.shapes;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.stream.Collectors;
import javafx.css.PseudoClass;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import phalanx.desktop.View;
import phalanx.desktop.Workbench;
import phalanx.desktop.session.Message;
import phalanx.desktop.widget.Cards;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.drill.Chain;
import phalanx.lefthand.drill.ChainText;
import phalanx.lefthand.drill.Drill;
import phalanx.lefthand.drill.Pacing;
import phalanx.lefthand.track.Change;
import phalanx.lefthand.track.FingerMove;
import phalanx.project.Project;
import phalanx.theory.Note;
import phalanx.theory.NoteNames;
import phalanx.words.Words;

/** A chain of shapes as a drill: each shape with its fingers and why, and between them what the change asks. */
final class ChainView extends VBox {
    private static final double USUAL_TEMPO = 90;
    private static final PseudoClass SELECTED = PseudoClass.getPseudoClass("selected");

    private final Workbench workbench;
    private final Executor background;
    private final Executor interfaceThread;
    private final ChangeCard change;
    private final Runnable close;
    private final TextField field = new TextField();
    private final Label troubles = Cards.small("");
    private final FlowPane row = new FlowPane(8, 8);
    private final ScrollPane scroll = new ScrollPane();
    private final Label why = Cards.quiet("");
    private final Label sum = Cards.quiet("");
    private final HBox better = new HBox(8);
    private final List<VBox> cards = new ArrayList<>();
    private Optional<Chain> chain = Optional.empty();
    private Instrument instrument = Instrument.STANDARD;
    private View view = View.FIRST;
    private int selected;

    /**
     * @param workbench with the song, its guitar and hand
     * @param background works chains out
     * @param interfaceThread runs a job on the interface thread
     * @param change shows the change into the chosen shape
     * @param close goes back to the shapes of one chord
     */
    ChainView(Workbench workbench, Executor background, Executor interfaceThread, ChangeCard change, Runnable close) {
        super(8);
        this.workbench = workbench;
        this.background = background;
        this.interfaceThread = interfaceThread;
        this.change = change;
        this.close = close;
        setId("chain");
        field.setId("chain-field");
        field.setPromptText("C x02210 133211:134211");
        field.setAccessibleText(wording("ChainView.a-chain-of-shapes-chords"));
        field.setOnAction(event -> work(field.getText()));
        HBox.setHgrow(field, Priority.ALWAYS);
        HBox line = new HBox(
                8,
                Cards.before(wording("ChainView.chain")),
                field,
                Cards.button(
                        "chain-song",
                        wording("ChainView.the-song-s-own"),
                        wording("ChainView.the-shapes-of-this-song"),
                        this::showSongs),
                Cards.button(
                        "chain-close",
                        wording("ChainView.one-chord"),
                        wording("ChainView.back-to-the-shapes-of"),
                        close));
        line.setAlignment(Pos.CENTER_LEFT);
        troubles.setId("chain-troubles");
        sum.setId("chain-sum");
        why.setId("chain-why");
        scroll.setContent(row);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.getStyleClass().add("clear-scroll");
        scroll.setFocusTraversable(false);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        better.setAlignment(Pos.CENTER_LEFT);
        getChildren().addAll(line, troubles, scroll, why, sum, better);
        setOnKeyPressed(event -> {
            if (event.getCode() == KeyCode.ESCAPE) {
                close.run();
                event.consume();
            }
        });
        showTroubles(List.of());
        sum.setText(wording("ChainView.chords-frets-from-the-lowest"));
    }

    /** Gives the keys to the field. */
    void begin() {
        field.requestFocus();
        field.selectAll();
        if (chain.isPresent()) {
            select(selected);
        } else {
            change.showNone(wording("ChainView.work-out-a-chain-to"));
        }
    }

    /** Keys that do not go to the field. */
    void onKey(KeyEvent event) {
        switch (event.getCode()) {
            case RIGHT -> select(selected + 1);
            case LEFT -> select(selected - 1);
            case ESCAPE -> close.run();
            default -> {
                return;
            }
        }
        event.consume();
    }

    private void work(String text) {
        Instrument on = workbench.project().map(Project::instrument).orElse(Instrument.STANDARD);
        Hand by = workbench.project().map(Project::hand).orElse(Hand.AVERAGE);
        double tempo = tempo();
        background.execute(() -> {
            Drill drill = Drill.of(NoteNames.current().english(text), on, by, tempo);
            interfaceThread.execute(() -> {
                show(drill, on, tempo);
                Cards.leave(field);
            });
        });
    }

    private double tempo() {
        return workbench
                .project()
                .map(project -> (double) project.song().tempo())
                .orElse(USUAL_TEMPO);
    }

    private void showSongs() {
        workbench
                .arrangement()
                .ifPresentOrElse(
                        shown -> {
                            field.setText(Note.said(SongChain.text(shown)));
                            work(field.getText());
                        },
                        () -> workbench.say(Message.plain(wording("ChainView.open-a-song-first-its"))));
    }

    /** Shows a drill that was worked out. */
    private void show(Drill drill, Instrument on, double tempo) {
        instrument = on;
        chain = drill.chain();
        showTroubles(drill.troubles());
        better.getChildren().clear();
        drill.refingered().ifPresent(other -> offer("chain-fingers", wording("ChainView.better-fingers"), other));
        drill.reordered().ifPresent(other -> offer("chain-order", wording("ChainView.better-order-if-it-is"), other));
        selected = 0;
        showCards();
        if (chain.isEmpty()) {
            why.setText("");
            sum.setText(wording("ChainView.no-shape-to-show"));
            return;
        }
        double ceiling = chain.get().tempoCeiling();
        sum.setText(String.format(
                Words.figures(),
                wording("ChainView.shapes-effort-at-bpm-arrow"),
                chain.get().links().size(),
                chain.get().effort().total(),
                Double.isFinite(ceiling)
                        ? String.format(Words.figures(), wording("ChainView.in-time-up-to-bpm"), Math.floor(ceiling))
                        : wording("ChainView.nothing-moves"),
                tempo));
        select(Math.min(1, chain.get().links().size() - 1));
    }

    private void showTroubles(List<String> all) {
        troubles.setText(all.isEmpty() ? "" : wording("ChainView.left-out", String.join(". ", all)));
        troubles.setVisible(!all.isEmpty());
        troubles.setManaged(!all.isEmpty());
    }

    private void offer(String id, String words, Chain other) {
        String saves = String.format(
                Words.figures(),
                wording("ChainView.effort"),
                words,
                other.effort().total());
        better.getChildren().add(Cards.button(id, saves, wording("ChainView.puts-it-into-the-field"), () -> {
            String text = other.links().stream()
                    .map(link -> id.equals("chain-order")
                            ? link.wanted().text()
                            : ChainText.word(link.shape().held()))
                    .collect(Collectors.joining(" "));
            field.setText(Note.said(text));
            work(field.getText());
        }));
    }

    private void showCards() {
        cards.clear();
        chain.ifPresent(shown -> {
            for (int i = 0; i < shown.links().size(); i++) {
                cards.add(card(shown.links().get(i), i));
            }
        });
        row.getChildren().setAll(cards);
    }

    private VBox card(Chain.Link link, int index) {
        Label into = new Label(link.into().map(ChainView::moves).orElse(wording("ChainView.begins")));
        into.getStyleClass().add("caution");
        Label pace = new Label(link.into()
                .flatMap(Pacing::of)
                .map(pacing -> String.format(
                        Words.figures(), wording("ChainView.mm-of-ms"), pacing.mm(), pacing.needsMs(), pacing.hasMs()))
                .orElse("-"));
        pace.getStyleClass().add("caution");
        if (link.into().flatMap(Pacing::of).filter(Pacing::tooFast).isPresent()) {
            pace.getStyleClass().add("alarm");
        }
        Label name = new Label(Note.said(link.wanted().text()));
        name.getStyleClass().add("strong");
        name.setMinWidth(0);
        Label fingers = new Label(dashed(link));
        fingers.getStyleClass().addAll("mono", "strong-mono");
        fingers.setMinWidth(Region.USE_PREF_SIZE);
        VBox card = new VBox(
                into,
                pace,
                new ShapeDrawing(instrument, link.shape().held(), view),
                new HBox(8, name, Cards.space(), fingers));
        card.getStyleClass().add("shape-card");
        card.setPrefWidth(ShapeCard.WIDTH);
        card.setMinWidth(ShapeCard.WIDTH);
        card.setMaxWidth(ShapeCard.WIDTH);
        card.setAccessibleText(
                wording("ChainView.fingers", Note.said(link.wanted().text()), dashed(link)));
        card.setOnMousePressed(event -> select(index));
        return card;
    }

    private static String dashed(Chain.Link link) {
        return String.join(" ", link.shape().fingers()).replace('0', '-');
    }

    /** What fingers do, each kind once: {@code 1 2 stay, 3 slides, 4 down}. */
    private static String moves(Change change) {
        List<String> parts = new ArrayList<>();
        for (FingerMove.Kind kind : FingerMove.Kind.values()) {
            List<String> fingers =
                    change.of(kind).stream().map(move -> move.finger().symbol()).toList();
            if (!fingers.isEmpty() && kind != FingerMove.Kind.LIFT) {
                String verb = wording("ChainView." + (fingers.size() == 1 ? "one" : "many") + "." + kind.name());
                parts.add(String.join(" ", fingers) + " " + verb);
            }
        }
        return parts.isEmpty() ? wording("ChainView.no-finger-moves") : String.join(", ", parts);
    }

    private void select(int index) {
        if (chain.isEmpty()) {
            return;
        }
        selected = Math.max(0, Math.min(cards.size() - 1, index));
        for (int i = 0; i < cards.size(); i++) {
            cards.get(i).pseudoClassStateChanged(SELECTED, i == selected);
        }
        Cards.scrollTo(scroll, row, cards.get(selected));
        Chain.Link link = chain.get().links().get(selected);
        why.setText(Note.said(link.wanted().text()) + ": " + link.why() + ".");
        link.into()
                .ifPresentOrElse(
                        into -> change.show(
                                wording(
                                        "ChainView.from-to",
                                        Note.said(chain.get()
                                                .links()
                                                .get(selected - 1)
                                                .wanted()
                                                .text()),
                                        Note.said(link.wanted().text())),
                                into,
                                instrument,
                                tempo()),
                        () -> change.showNone(wording("ChainView.the-chain-begins-here")));
    }

    void useView(View next) {
        view = next;
        showCards();
        if (getParent() != null) {
            select(selected);
        }
    }
}
