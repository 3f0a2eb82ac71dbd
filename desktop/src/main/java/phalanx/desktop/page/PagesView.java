package phalanx.desktop.page;

import static phalanx.words.Words.wording;

import java.util.List;
import java.util.concurrent.Executor;
import java.util.function.BiConsumer;
import java.util.function.Function;
import java.util.function.Supplier;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.Group;
import javafx.scene.control.Button;
import javafx.scene.control.CheckBox;
import javafx.scene.control.ComboBox;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.StackPane;
import javafx.scene.layout.VBox;
import phalanx.arrange.score.Arrangement;
import phalanx.desktop.View;
import phalanx.desktop.Workbench;
import phalanx.desktop.session.Message;
import phalanx.desktop.widget.Cards;
import phalanx.desktop.widget.Choices;
import phalanx.desktop.widget.NumberField;
import phalanx.desktop.widget.Viewed;
import phalanx.desktop.widget.WhenShown;
import phalanx.formats.page.Page;
import phalanx.formats.page.PageFiles;
import phalanx.formats.page.PageSetup;
import phalanx.formats.page.Sheet;

/** What will be printed, page under page, with its lay-out beside it. */
public final class PagesView extends StackPane implements Viewed {
    private static final double GAP = 12;
    private static final double SIDE = 300;
    private static final double WIDEST = 760;
    private static final String NOTHING = wording("PagesView.nothing-to-print-yet-open");

    private final Workbench workbench;
    private final Executor background;
    private final Executor interfaceThread;
    private final ComboBox<Sheet> sheet = new ComboBox<>();
    private final ComboBox<PageSetup.Paper> paper = new ComboBox<>();
    private final ComboBox<Integer> bars = new ComboBox<>();
    private final NumberField margin;
    private final NumberField space;
    private final CheckBox once = new CheckBox(wording("PagesView.bars-that-come-again-only"));
    private final CheckBox staff = new CheckBox(wording("PagesView.notation-over-the-tablature"));
    private final Label holds = Cards.small("");
    private final Label count = Cards.quiet("");
    private final ListView<Page> pages = new ListView<>();
    private final HBox content;
    private final VBox empty = new VBox(Cards.heading(NOTHING));
    private PageSetup setup = PageSetup.USUAL;
    /** Counts the lay-outs that were asked for: only the last one is shown. */
    private int asked;

    private boolean filling;

    /**
     * @param background lays pages out
     * @param interfaceThread runs a job on the interface thread
     * @param save asks for a file and writes it
     * @param back goes to where the player was
     */
    public PagesView(
            Workbench workbench,
            Executor background,
            Executor interfaceThread,
            BiConsumer<Sheet, PageSetup> save,
            Runnable back) {
        this.workbench = workbench;
        this.background = background;
        this.interfaceThread = interfaceThread;
        setId("pages-view");
        choices(
                sheet,
                "page-sheet",
                wording("PagesView.what-is-printed"),
                List.of(Sheet.values()),
                Sheet::label,
                Sheet.SCORE);
        choices(
                paper,
                "page-paper",
                wording("PagesView.paper"),
                List.of(PageSetup.Paper.values()),
                PageSetup.Paper::label,
                setup.paper());
        choices(
                bars,
                "page-bars",
                wording("PagesView.bars-a-line"),
                List.of(0, 1, 2, 3, 4, 5, 6, 8),
                most -> most == 0 ? wording("PagesView.as-many-as-go-well") : wording("PagesView.at-most", most),
                0);
        margin = new NumberField(
                "page-margin",
                wording("PagesView.margin"),
                "mm",
                wording("PagesView.left-free-at-every-edge"),
                mm -> take(() -> setup.withMargin(mm)));
        space = new NumberField(
                "page-space",
                wording("PagesView.between-two-strings"),
                "mm",
                wording("PagesView.the-size-of-the-tablature"),
                mm -> take(() -> setup.withSpace(mm)));
        sheet.setOnAction(event -> layOut());
        paper.setOnAction(event -> take(() -> setup.on(paper.getValue())));
        bars.setOnAction(event -> take(() -> setup.withBars(bars.getValue())));
        staff.setId("page-staff");
        staff.setOnAction(event -> take(() -> setup.withStaff(staff.isSelected())));
        once.setId("page-once");
        once.setWrapText(true);
        once.setOnAction(event -> take(() -> setup.withOnce(once.isSelected())));
        Button write = Cards.button(
                "page-save",
                wording("PagesView.save-as-pdf-svg-or"),
                wording("PagesView.write-these-pages-to-a"),
                () -> save.accept(sheet.getValue(), setup));
        write.getStyleClass().add("accent");
        VBox side = Cards.card(
                wording("PagesView.pages-word"),
                Cards.quiet(wording("PagesView.what-is-printed")),
                sheet,
                holds,
                Cards.quiet(wording("PagesView.paper")),
                paper,
                margin,
                space,
                Cards.quiet(wording("PagesView.bars-a-line")),
                bars,
                staff,
                once,
                write,
                Cards.button(
                        "page-back", wording("PagesView.back-esc"), wording("PagesView.go-back-to-where-you"), back),
                count);
        side.setPrefWidth(SIDE);
        side.setMinWidth(SIDE);
        pages.setId("pages");
        pages.setAccessibleText(wording("PagesView.the-pages-as-they-will"));
        pages.getStyleClass().add("page-list");
        pages.setCellFactory(view -> new PageCell());
        pages.widthProperty().addListener((property, before, now) -> pages.refresh());
        HBox.setHgrow(pages, Priority.ALWAYS);
        content = new HBox(GAP, side, pages);
        content.setPadding(new Insets(GAP));
        empty.getStyleClass().add("empty");
        getChildren().addAll(empty, content);
        addEventHandler(KeyEvent.KEY_PRESSED, event -> {
            if (event.getCode() == KeyCode.ESCAPE) {
                event.consume();
                back.run();
            }
        });
        content.setVisible(false);
        WhenShown.follow(this, workbench.arrangementProperty(), (before, now) -> layOut());
        showSetup();
    }

    @Override
    public void useView(View view) {
        if (setup.leftHanded() != view.leftHanded()) {
            setup = setup.forLeftHanded(view.leftHanded());
            layOut();
        }
        pages.refresh();
    }

    private static <T> void choices(
            ComboBox<T> box, String id, String name, List<T> values, Function<T, String> words, T first) {
        box.setId(id);
        box.setAccessibleText(name);
        box.setMaxWidth(Double.MAX_VALUE);
        box.getItems().setAll(values);
        Choices.shownAs(box, words);
        box.setValue(first);
    }

    private void take(Supplier<PageSetup> next) {
        if (!filling) {
            try {
                change(next.get());
            } catch (IllegalArgumentException e) {
                showSetup();
                workbench.say(Message.error(e.getMessage()));
            }
        }
    }

    private void change(PageSetup next) {
        setup = next;
        showSetup();
        layOut();
    }

    private void showSetup() {
        filling = true;
        paper.setValue(setup.paper());
        bars.setValue(setup.barsPerLine());
        margin.show(setup.marginMm());
        space.show(setup.spaceMm());
        staff.setSelected(setup.staff());
        once.setSelected(setup.once());
        filling = false;
    }

    private void layOut() {
        holds.setText(sheet.getValue().words());
        staff.setDisable(sheet.getValue() != Sheet.SCORE);
        once.setDisable(sheet.getValue() != Sheet.SCORE);
        if (workbench.arrangement().isEmpty()) {
            return;
        }
        empty.setVisible(false);
        content.setVisible(true);
        Arrangement arrangement = workbench.arrangement().get();
        Sheet wanted = sheet.getValue();
        PageSetup on = setup;
        int ticket = ++asked;
        count.setText(wording("PagesView.laying-out"));
        background.execute(() -> {
            List<Page> laid = wanted.pages(arrangement, on);
            List<String> lacking = PageFiles.lacking(arrangement);
            interfaceThread.execute(() -> show(laid, lacking, ticket));
        });
    }

    private void show(List<Page> laid, List<String> lacking, int ticket) {
        if (ticket != asked) {
            return;
        }
        pages.getItems().setAll(laid);
        count.setText((laid.size() == 1 ? wording("PagesView.1-page") : wording("PagesView.pages", laid.size()))
                + (lacking.isEmpty() ? "." : wording("PagesView.the-type-has-no-letters", String.join(" ", lacking))));
    }

    /** A page as wide as there is room. */
    private final class PageCell extends ListCell<Page> {
        private final PageCanvas canvas = new PageCanvas();
        /** As large as the page is seen. */
        private final Group framed = new Group(canvas);

        PageCell() {
            setAlignment(Pos.CENTER);
            setPadding(new Insets(6));
        }

        @Override
        protected void updateItem(Page page, boolean none) {
            super.updateItem(page, none);
            if (none || page == null) {
                setGraphic(null);
                return;
            }
            double times = pages.getLocalToSceneTransform().getMxx();
            canvas.show(page, Math.max(200, Math.min(WIDEST, pages.getWidth() - 60)), times);
            setAccessibleText(wording("PagesView.page", getIndex() + 1));
            setGraphic(framed);
        }
    }
}
