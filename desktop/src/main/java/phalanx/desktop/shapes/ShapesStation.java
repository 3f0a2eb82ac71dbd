package phalanx.desktop.shapes;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Executor;
import java.util.concurrent.atomic.AtomicLong;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.TextInputControl;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import phalanx.arrange.demand.CascadeLock;
import phalanx.arrange.demand.ShapeLock;
import phalanx.arrange.score.Arrangement;
import phalanx.desktop.Playback;
import phalanx.desktop.View;
import phalanx.desktop.Workbench;
import phalanx.desktop.session.Message;
import phalanx.desktop.widget.Cards;
import phalanx.desktop.widget.Viewed;
import phalanx.desktop.widget.WhenShown;
import phalanx.formats.library.Library;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Fingering;
import phalanx.lefthand.shape.FingeringFinder;
import phalanx.lefthand.shape.HeldShape;
import phalanx.lefthand.shape.PricedShape;
import phalanx.lefthand.track.Change;
import phalanx.project.CascadeIntro;
import phalanx.song.MelodyNote;
import phalanx.technique.Cascade;
import phalanx.theory.ChordSymbol;
import phalanx.theory.Key;
import phalanx.theory.Note;
import phalanx.theory.NoteNames;
import phalanx.words.Words;

/**
 * The shapes station: the chords of the song at the left, the shapes of the chosen one as cards in the middle with the
 * change into it below, and the chosen shape in full at the right.
 */
public final class ShapesStation extends HBox implements Viewed {
    private static final double GAP = 12;
    private static final double LIST_WIDTH = 184;
    private static final int FIRST_CARDS = 24;
    /** A station lower than this tells changes in words alone. */
    private static final double LOW = 640;

    private static final int MORE_CARDS = 48;

    private final Workbench workbench;
    private final Playback playback;
    private final Executor background;
    private final Executor interfaceThread;
    private final AtomicLong latest = new AtomicLong();
    private final ListView<SongChord> chords = new ListView<>();
    private final TextField anyChord = new TextField();
    private final FilterBar filters;
    private final FlowPane grid = new FlowPane(8, 8);
    private final ScrollPane scroll = new ScrollPane(grid);
    private final Label count = Cards.quiet("");
    private final ChangeCard change = new ChangeCard();
    private final VBox middle = new VBox(8);
    private final ChainView chain;
    private final ShapeDrawer drawer;
    private View view = View.FIRST;
    private Optional<ChordSymbol> free = Optional.empty();
    private List<PricedShape> shapes = List.of();
    private List<ShapeCard> cards = List.of();
    private int selected = -1;
    private Optional<HeldShape> marked = Optional.empty();
    private Instrument instrument = Instrument.STANDARD;
    private Hand hand = Hand.AVERAGE;
    private int mostCards = FIRST_CARDS;

    /**
     * @param workbench the project
     * @param playback to hear shapes with
     * @param background runs searches, one after another
     * @param interfaceThread runs a job on the interface thread
     */
    public ShapesStation(Workbench workbench, Playback playback, Executor background, Executor interfaceThread) {
        super(GAP);
        this.workbench = workbench;
        this.playback = playback;
        this.background = background;
        this.interfaceThread = interfaceThread;
        this.filters = new FilterBar(workbench, filter -> search());
        this.drawer = new ShapeDrawer(
                new ShapeDrawer.Actions(
                        this::use, this::keep, this::hear, this::mark, this::refinger, this::take, this::release),
                new CascadeCard.Actions(this::hear, this::cascade, this::intro));
        setId("shapes-station");
        getStyleClass().add("station-content");
        setFocusTraversable(true);
        setAccessibleText(wording("ShapesStation.shapes-arrow-keys-move-enter"));
        chain = new ChainView(workbench, background, interfaceThread, change, () -> showChain(false));
        VBox.setVgrow(chain, Priority.ALWAYS);
        VBox.setVgrow(scroll, Priority.ALWAYS);
        HBox.setHgrow(middle, Priority.ALWAYS);
        scroll.setFitToWidth(true);
        scroll.setHbarPolicy(ScrollPane.ScrollBarPolicy.NEVER);
        scroll.getStyleClass().add("clear-scroll");
        scroll.setFocusTraversable(false);
        count.setId("shape-count");
        count.setWrapText(true);
        count.setMinHeight(Region.USE_PREF_SIZE);
        getChildren().addAll(songChords(), middle, drawer);
        showChain(false);
        addEventFilter(KeyEvent.KEY_PRESSED, this::onKey);
        drawer.showNone(wording("ShapesStation.open-a-song-or-type"));
        change.showNone(wording("ShapesStation.choose-a-shape-to-see"));
        heightProperty().addListener((property, before, now) -> change.setCompact(now.doubleValue() < LOW));
        WhenShown.follow(this, workbench.arrangementProperty(), (before, now) -> show(now));
    }

    private VBox songChords() {
        chords.setId("song-chords");
        chords.setAccessibleText(wording("ShapesStation.chords-of-the-song"));
        chords.setCellFactory(view -> new ChordCell());
        chords.setPlaceholder(Cards.quiet(wording("ShapesStation.the-song-has-no-chords")));
        chords.getSelectionModel().selectedItemProperty().addListener((property, before, now) -> {
            if (now != null && (before == null || before.startTick() != now.startTick())) {
                free = Optional.empty();
                filters.forgetTop();
                search();
            }
        });
        VBox.setVgrow(chords, Priority.ALWAYS);
        anyChord.setId("any-chord");
        anyChord.setPromptText(wording("ShapesStation.any-chord-as-am7"));
        anyChord.setAccessibleText(wording("ShapesStation.any-chord"));
        anyChord.setOnAction(event -> showAny());
        VBox card = Cards.card(
                wording("ShapesStation.in-this-song"),
                Cards.small(wording("ShapesStation.at-the-right-effort-of")),
                chords,
                anyChord);
        card.getChildren()
                .add(Cards.button(
                        "open-chain",
                        wording("ShapesStation.a-chain-of-shapes"),
                        wording("ShapesStation.shapes-one-after-another-with"),
                        () -> showChain(true)));
        card.setPrefWidth(LIST_WIDTH);
        card.setMinWidth(LIST_WIDTH);
        return card;
    }

    /** A chord of the song: bar, name, what is played, effort. */
    private static final class ChordCell extends ListCell<SongChord> {
        @Override
        protected void updateItem(SongChord item, boolean empty) {
            super.updateItem(item, empty);
            if (empty || item == null) {
                setGraphic(null);
                return;
            }
            Label bar = new Label(String.valueOf(item.bar()));
            bar.getStyleClass().addAll("quiet", "mono");
            bar.setMinWidth(24);
            Label name = new Label(item.chord().spoken());
            name.getStyleClass().add("strong");
            Label effort = new Label(String.format(Words.figures(), "%.1f", item.effort()));
            effort.getStyleClass().add("mono");
            Label frets = new Label(item.lock()
                    .map(lock -> wording("ShapesStation.locked", lock.held().shape()))
                    .orElse(item.played()));
            frets.getStyleClass().addAll("mono", "caution");
            VBox words = new VBox(new HBox(name, Cards.space(), effort), frets);
            HBox.setHgrow(words, Priority.ALWAYS);
            setGraphic(new HBox(4, bar, words));
        }
    }

    private void show(Arrangement arrangement) {
        SongChord before = chords.getSelectionModel().getSelectedItem();
        boolean sameGuitar = instrument.equals(arrangement.request().instrument())
                && hand.equals(arrangement.request().hand());
        instrument = arrangement.request().instrument();
        hand = arrangement.request().hand();
        List<SongChord> now = SongChord.of(arrangement);
        chords.getItems().setAll(now);
        int index = 0;
        for (int i = 0; i < now.size(); i++) {
            if (before != null && now.get(i).startTick() == before.startTick()) {
                index = i;
            }
        }
        if (!sameGuitar) {
            marked = Optional.empty();
        }
        if (!now.isEmpty()) {
            chords.getSelectionModel().select(index);
        }
        boolean sameChord =
                before != null && !now.isEmpty() && now.get(index).chord().equals(before.chord());
        if (sameGuitar && sameChord && !shapes.isEmpty()) {
            showSelected();
        } else {
            search();
        }
    }

    private void showAny() {
        try {
            free = Optional.of(ChordSymbol.parse(
                    NoteNames.current().english(anyChord.getText().trim())));
            chords.getSelectionModel().clearSelection();
            filters.forgetTop();
            search();
            requestFocus();
        } catch (IllegalArgumentException e) {
            workbench.say(Message.error(wording("ShapesStation.the-shapes-shown-are-as", e.getMessage())));
        }
    }

    private Optional<SongChord> inSong() {
        return free.isPresent()
                ? Optional.empty()
                : Optional.ofNullable(chords.getSelectionModel().getSelectedItem());
    }

    private Optional<ChordSymbol> chord() {
        return free.or(() -> inSong().map(SongChord::chord));
    }

    private void search() {
        if (chord().isEmpty()) {
            return;
        }
        ChordSymbol chord = chord().get();
        filters.show(chord, tuneOver());
        Optional<Fingering> before = inSong().flatMap(SongChord::before);
        ShapeFinder.Wish wish = new ShapeFinder.Wish(chord, filters.filter(), instrument, hand, before);
        long ticket = latest.incrementAndGet();
        background.execute(() -> {
            if (latest.get() == ticket) {
                ShapeFinder.Found found = new ShapeFinder().find(wish);
                interfaceThread.execute(() -> {
                    if (latest.get() == ticket) {
                        found(chord, found);
                    }
                });
            }
        });
    }

    private List<Integer> tuneOver() {
        return inSong().map(shown ->
                        workbench
                                .arrangement()
                                .orElseThrow()
                                .song()
                                .melodyBetween(shown.startTick(), shown.endTick())
                                .stream()
                                .map(MelodyNote::midi)
                                .distinct()
                                .toList())
                .orElse(List.of());
    }

    private void found(ChordSymbol chord, ShapeFinder.Found found) {
        shapes = found.shapes();
        mostCards = FIRST_CARDS;
        showCards();
        scroll.setVvalue(0);
        if (shapes.isEmpty()) {
            selected = -1;
            String why = chord.spoken() + ": " + found.advice().orElseThrow().words() + ".";
            grid.getChildren().setAll(Cards.quiet(why));
            count.setText(wording("ShapesStation.no-shape"));
            drawer.showNone(why);
            if (!isChainShown()) {
                change.showNone(wording("ShapesStation.nothing-to-change-to"));
            }
            return;
        }
        count.setText(String.format(
                Words.figures(),
                wording("ShapesStation.shape-in-ms-arrows-move"),
                chord.spoken(),
                shapes.size() == 1
                        ? wording("ShapesStation.one-shape")
                        : wording("ShapesStation.shapes", shapes.size()),
                found.millis()));
        select(0);
    }

    private void showCards() {
        List<ShapeCard> made = new ArrayList<>();
        for (int i = 0; i < Math.min(mostCards, shapes.size()); i++) {
            ShapeCard card = new ShapeCard(shapes.get(i), instrument, hand, view);
            int index = i;
            card.setOnMousePressed(event -> {
                requestFocus();
                select(index);
            });
            made.add(card);
        }
        cards = made;
        grid.getChildren().setAll(made);
        int more = shapes.size() - made.size();
        if (more > 0) {
            grid.getChildren()
                    .add(Cards.button(
                            "more-shapes",
                            wording("ShapesStation.more-harder-or-further-on", more),
                            wording("ShapesStation.show-more-shapes"),
                            () -> {
                                mostCards += MORE_CARDS;
                                showCards();
                                showSelected();
                            }));
        }
    }

    private void select(int index) {
        if (shapes.isEmpty()) {
            return;
        }
        selected = Math.max(0, Math.min(cards.size() - 1, index));
        showSelected();
        Cards.scrollTo(scroll, grid, cards.get(selected));
    }

    private Optional<PricedShape> chosen() {
        return selected >= 0 && selected < shapes.size() ? Optional.of(shapes.get(selected)) : Optional.empty();
    }

    private void showSelected() {
        if (isChainShown()) {
            return;
        }
        chosen().ifPresent(shape -> {
            for (int i = 0; i < cards.size(); i++) {
                cards.get(i).setSelected(i == selected);
                cards.get(i)
                        .setMarked(marked.map(held -> held.shape())
                                .equals(Optional.of(shapes.get(i).shape())));
            }
            boolean locked = inSong().flatMap(SongChord::lock).isPresent();
            drawer.show(
                    shape,
                    new ShapeDrawer.About(chord().orElseThrow(), key(), instrument, hand, inSong().isPresent(), locked),
                    workbench.shelf().libraryProperty().get(),
                    view);
            showChange(shape);
        });
    }

    private Key key() {
        return workbench.arrangement().map(shown -> shown.song().key()).orElse(Key.C_MAJOR);
    }

    private double tempo() {
        return workbench
                .project()
                .map(project -> (double) project.song().tempo())
                .orElse(90.0);
    }

    private void showChange(PricedShape shape) {
        double tempo = tempo();
        if (marked.isPresent()) {
            HeldShape from = marked.get();
            change.show(
                    wording("ShapesStation.from-to", from.shape(), shape.shape()),
                    Change.onTheBeat(from.fingering(), shape.fingering(), instrument, hand, tempo),
                    instrument,
                    tempo);
            return;
        }
        Optional<Fingering> before = inSong().flatMap(SongChord::before);
        if (before.isEmpty()) {
            change.showNone(wording("ShapesStation.no-chord-leads-into-this"));
            return;
        }
        int index = chords.getSelectionModel().getSelectedIndex();
        String from = index > 0
                ? wording(
                        "ShapesStation.as-played",
                        chords.getItems().get(index - 1).chord())
                : wording("ShapesStation.the-bar-before");
        change.show(
                wording("ShapesStation.from-to", from, shape.shape()),
                Change.onTheBeat(before.get(), shape.fingering(), instrument, hand, tempo),
                instrument,
                tempo);
    }

    /** Shows a chain in the place of one chord's shapes, or these again. */
    private void showChain(boolean shown) {
        if (shown) {
            middle.getChildren().setAll(chain, change);
            chain.begin();
        } else {
            middle.getChildren().setAll(filters, scroll, count, change);
            showSelected();
            requestFocus();
        }
        drawer.setVisible(!shown);
        drawer.setManaged(!shown);
    }

    private boolean isChainShown() {
        return chain.getParent() != null;
    }

    private void use() {
        chosen().ifPresent(shape -> inSong().ifPresentOrElse(
                        at -> workbench.lock(new ShapeLock(at.startTick(), at.endTick(), held(shape))),
                        () -> workbench.say(Message.plain(wording("ShapesStation.choose-a-chord-of-the")))));
    }

    private void release() {
        inSong().flatMap(SongChord::lock)
                .ifPresentOrElse(
                        workbench::release,
                        () -> workbench.say(Message.plain(wording("ShapesStation.no-lock-holds-on-this"))));
    }

    private static HeldShape held(PricedShape shape) {
        return shape.held();
    }

    private void keep() {
        chosen().ifPresent(shape -> {
            String name = chord().orElseThrow().text();
            Library.OwnShape own = new Library.OwnShape(name, instrument.tuning(), held(shape));
            Library library = workbench.shelf().libraryProperty().get();
            boolean there = library.shapes().contains(own);
            workbench.shelf().keep(there ? library.without(own) : library.with(own));
            workbench.say(Message.plain(wording(
                    "ShapesStation.among-your-shapes-of-m",
                    shape.shape() + (there ? wording("ShapesStation.is-no-longer") : wording("ShapesStation.is-now")),
                    Note.said(name),
                    there ? wording("ShapesStation.keeps-it") : wording("ShapesStation.takes-it-out"))));
            showSelected();
        });
    }

    private void hear() {
        chosen().ifPresent(shape -> {
            playback.hear(shape.shape().midi(instrument));
            if (!playback.audible()) {
                workbench.say(Message.plain(wording("ShapesStation.no-sound-card-the-shape")));
            }
        });
    }

    private void hear(CascadeCard.Chosen chosen) {
        playback.hearOneByOne(
                chosen.cascade().steps().stream().map(Cascade.Step::midi).toList());
        if (!playback.audible()) {
            workbench.say(Message.plain(wording("ShapesStation.no-sound-card-the-cascade")));
        }
    }

    private void cascade(CascadeCard.Chosen chosen) {
        inSong().ifPresent(at -> workbench.decide(
                wording("ShapesStation.cascade-over-in-bar", chosen.held().shape(), at.bar()),
                now -> now.withLock(new CascadeLock(
                        at.startTick(),
                        at.endTick(),
                        chosen.held(),
                        chosen.node(),
                        chosen.cascade().order()))));
    }

    private void intro(CascadeCard.Chosen chosen) {
        chord().ifPresent(chord -> workbench.decide(
                wording("ShapesStation.a-cascade-over-before-the", chosen.held().shape()),
                new CascadeIntro(
                        chord, chosen.held(), chosen.node(), chosen.cascade().order())::before));
    }

    private void mark() {
        chosen().ifPresent(shape -> {
            boolean same = marked.equals(Optional.of(held(shape)));
            marked = same ? Optional.empty() : Optional.of(held(shape));
            workbench.say(Message.plain(
                    same
                            ? wording("ShapesStation.changes-are-shown-from-the")
                            : wording("ShapesStation.changes-are-shown-from-c", shape.shape())));
            showSelected();
        });
    }

    private void refinger(PricedShape way) {
        List<PricedShape> changed = new ArrayList<>(shapes);
        changed.set(selected, way);
        shapes = changed;
        showCards();
        showSelected();
    }

    private void take(HeldShape own) {
        for (int i = 0; i < shapes.size(); i++) {
            if (shapes.get(i).shape().equals(own.shape())) {
                mostCards = Math.max(mostCards, i + 1);
                PricedShape way = new PricedShape(
                        own, FingeringFinder.forShapes(instrument, hand).effort(own.shape(), own.fingering()));
                selected = i;
                refinger(way);
                select(i);
                return;
            }
        }
        workbench.say(Message.plain(wording("ShapesStation.does-not-pass-the-filters", own.shape())));
    }

    private void onKey(KeyEvent event) {
        if (event.getTarget() instanceof TextInputControl || event.isShortcutDown()) {
            return;
        }
        if (isChainShown()) {
            chain.onKey(event);
            return;
        }
        if (event.getCode() == KeyCode.D) {
            showChain(true);
            event.consume();
        }
        if (shapes.isEmpty()) {
            return;
        }
        boolean inList = event.getTarget() == chords;
        int columns = Math.max(1, (int) ((grid.getWidth() + 8) / (ShapeCard.WIDTH + 8)));
        boolean handled = true;
        switch (event.getCode()) {
            case RIGHT -> select(selected + 1);
            case LEFT -> select(selected - 1);
            case DOWN -> {
                if (inList) {
                    return;
                }
                select(selected + columns);
            }
            case UP -> {
                if (inList) {
                    return;
                }
                select(selected - columns);
            }
            case ENTER, K -> handled = useByKey(event);
            case U -> release();
            case H -> hear();
            case C -> mark();
            case M -> keep();
            case CLOSE_BRACKET -> chords.getSelectionModel().selectNext();
            case OPEN_BRACKET -> chords.getSelectionModel().selectPrevious();
            default -> handled = false;
        }
        if (handled) {
            event.consume();
        }
    }

    /** Enter on a button or chip is that button's own. */
    private boolean useByKey(KeyEvent event) {
        if (event.getTarget() instanceof ButtonBase) {
            return false;
        }
        use();
        return true;
    }

    @Override
    public void useView(View next) {
        view = next;
        change.useView(next);
        chain.useView(next);
        showCards();
        showSelected();
    }
}
