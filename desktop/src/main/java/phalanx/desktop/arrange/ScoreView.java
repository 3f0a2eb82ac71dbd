package phalanx.desktop.arrange;

import static phalanx.words.Words.wording;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Consumer;
import java.util.function.IntConsumer;
import javafx.geometry.Orientation;
import javafx.scene.Group;
import javafx.scene.canvas.Canvas;
import javafx.scene.canvas.GraphicsContext;
import javafx.scene.control.ScrollBar;
import javafx.scene.input.MouseEvent;
import javafx.scene.layout.Region;
import javafx.scene.shape.Rectangle;
import phalanx.arrange.demand.Lock;
import phalanx.arrange.demand.TuneUse;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Folding;
import phalanx.desktop.View;
import phalanx.desktop.widget.Crisp;
import phalanx.formats.page.Staff;
import phalanx.song.Bar;
import phalanx.song.Moved;
import phalanx.song.Song;

/**
 * The score: lines of bars that scroll, or one that runs on bar by bar. The picture of the notes is one canvas of the size
 * of the window; selection and play cursor are small nodes above it, so that moving them repaints little.
 */
public final class ScoreView extends Region {
    private static final double BAR_WIDTH = 12;
    private static final double COLUMN = 30;
    private static final double NEARER = 1.2;
    private static final double NEAREST = 2.5;
    private static final double FARTHEST = 0.3;

    private final Canvas picture = new Canvas();
    private final Rectangle chosen = new Rectangle();
    private final Rectangle playing = new Rectangle();
    private final Group marks = new Group();
    private final ScrollBar scroll = new ScrollBar();
    private final ScrollBar along = new ScrollBar();
    private Consumer<List<Integer>> seen = ticks -> {};
    private View view = View.FIRST;
    private Optional<Arrangement> arrangement = Optional.empty();
    private List<Lock> decided = List.of();
    /** Places of bars that another version has otherwise. */
    private Set<Integer> otherwise = Set.of();

    private ScoreLayout layout;
    private boolean withStaff;
    /** What stands on the staff while it is shown. */
    private Optional<Staff> staff = Optional.empty();

    private TreeSet<Integer> moments = new TreeSet<>();
    private int selected;
    /** Where marking began; negative while nothing is marked. */
    private int anchor = -1;

    private int cursor = -1;
    private double zoom = 1;
    private boolean running;
    private boolean folded;
    private Optional<Folding> folding = Optional.empty();
    /** The place of the bar with which the running line begins. */
    private int first;

    /**
     * @param onPick told which tick is chosen
     * @param onMark told up to which tick bars are to be marked
     */
    public ScoreView(IntConsumer onPick, IntConsumer onMark) {
        scroll.setOrientation(Orientation.VERTICAL);
        scroll.valueProperty().addListener((property, before, now) -> repaint());
        along.valueProperty().addListener((property, before, now) -> beginAt((int) Math.round(now.doubleValue())));
        chosen.setArcWidth(8);
        chosen.setArcHeight(8);
        getChildren().addAll(picture, marks, chosen, playing, scroll, along);
        List.of(marks, chosen, playing).forEach(node -> {
            node.setManaged(false);
            node.setMouseTransparent(true);
        });
        setOnScroll(event -> {
            if (event.isShortcutDown()) {
                zoom(event.getDeltaY() > 0);
                event.consume();
            } else if (running) {
                beginAt(first + (event.getDeltaY() > 0 ? -1 : 1));
                event.consume();
            } else {
                double before = scroll.getValue();
                scrollTo(before - event.getDeltaY() / zoom);
                // at its end what it stands in may scroll
                if (scroll.getValue() != before) {
                    event.consume();
                }
            }
        });
        setOnMousePressed(event -> {
            if (layout != null) {
                (event.isShiftDown() ? onMark : onPick).accept(at(event));
            }
        });
        setOnMouseDragged(event -> {
            // a hand that trembles within a moment marks nothing
            if (layout != null && (anchor >= 0 || moment(at(event)) != selected)) {
                onMark.accept(at(event));
            }
        });
        setAccessibleText(wording("ScoreView.score"));
    }

    /** @param told from now on the first and last tick on screen, whenever they may have changed */
    void onSeen(Consumer<List<Integer>> told) {
        seen = told;
    }

    /** @param locks that the player has set */
    public void show(Arrangement shown, List<Lock> locks) {
        arrangement = Optional.of(shown);
        decided = locks;
        moments = new TreeSet<>();
        shown.notes().stream().map(ArrangedNote::tick).forEach(moments::add);
        cursor = -1;
        engrave();
        fold();
        lay();
        select(selected);
    }

    /** Marks bars, by their places in the song, that another version has otherwise. */
    void markOtherwise(Set<Integer> bars) {
        if (!otherwise.equals(bars)) {
            otherwise = Set.copyOf(bars);
            repaint();
        }
    }

    public void useView(View next) {
        view = next;
        repaint();
    }

    /** Shows a staff above the lanes, or no longer. */
    boolean toggleStaff() {
        withStaff = !withStaff;
        engrave();
        lay();
        reveal(selected);
        return withStaff;
    }

    /** Shows one line that runs on, or lines below each other again. */
    boolean toggleRunning() {
        running = !running;
        lay();
        reveal(selected);
        return running;
    }

    /** Shows what comes again once, as it would be written, or all bars in order of playing again. */
    boolean toggleFolded() {
        folded = !folded;
        fold();
        lay();
        reveal(selected);
        return folded;
    }

    private void fold() {
        folding = folded ? arrangement.map(Folding::of) : Optional.empty();
    }

    /** Whether bars are folded away now. */
    boolean hidesBars() {
        return layout != null && layout.folding().hidesAny();
    }

    private void beginAt(int bar) {
        int last = arrangement.map(shown -> shown.song().bars().size() - 1).orElse(0);
        int next = Math.max(0, Math.min(last, bar));
        if (running && next != first) {
            first = next;
            lay();
        }
    }

    private void engrave() {
        staff = withStaff ? arrangement.map(Staff::of) : Optional.empty();
    }

    /** Shows everything a step larger, or smaller; the selected moment stays in sight. */
    public void zoom(boolean nearer) {
        zoomTo(Math.max(FARTHEST, Math.min(NEAREST, nearer ? zoom * NEARER : zoom / NEARER)));
    }

    /** Shows everything in its usual size. */
    void zoomBack() {
        zoomTo(1);
    }

    private void zoomTo(double times) {
        zoom = times;
        lay();
        reveal(selected);
    }

    /** The height of the window in the score's own pixels. */
    private double viewHeight() {
        return getHeight() / zoom;
    }

    /** Selects the moment at or before a tick, and scrolls to it. */
    public void select(int tick) {
        if (moments.isEmpty()) {
            return;
        }
        anchor = -1;
        go(tick);
    }

    /** Marks the bars from where the selection was to a tick, and selects the moment there. */
    void mark(int tick) {
        if (moments.isEmpty()) {
            return;
        }
        anchor = anchor < 0 ? selected : anchor;
        go(tick);
    }

    /** The marked bars, from the beginning of the first to the end of the last; nothing where none are. */
    Optional<Moved.Stretch> marked() {
        return arrangement.filter(shown -> anchor >= 0).map(shown -> {
            Song song = shown.song();
            int end = song.endTick() - 1;
            return new Moved.Stretch(
                    song.barAt(Math.min(end, Math.min(anchor, selected))).startTick(),
                    song.barAt(Math.min(end, Math.max(anchor, selected))).endTick());
        });
    }

    private int at(MouseEvent event) {
        return layout.tickAt(event.getX() / zoom, event.getY() / zoom + scroll.getValue());
    }

    private int moment(int tick) {
        Integer at = moments.floor(tick);
        return at == null ? moments.first() : at;
    }

    private void go(int tick) {
        selected = moment(tick);
        reveal(selected);
        paintMarks();
    }

    int selected() {
        return selected;
    }

    /** The next moment in a direction, or the selected one at the end. */
    int neighbour(boolean forward) {
        Integer next = forward ? moments.higher(selected) : moments.lower(selected);
        while (next != null && layout != null && layout.folding().hidesTick(next)) {
            next = forward ? moments.higher(next) : moments.lower(next);
        }
        return next == null ? selected : next;
    }

    /** Where the next moment begins, or the song ends. */
    int next() {
        Integer next = moments.higher(selected);
        return next != null
                ? next
                : arrangement.map(shown -> shown.song().endTick()).orElse(selected);
    }

    /** The moment one line further in a direction. */
    int lineAway(boolean forward) {
        if (layout == null) {
            return selected;
        }
        ScoreLayout.Line line = layout.lineAt(selected);
        if (running) {
            List<Bar> bars = arrangement.orElseThrow().song().bars();
            int shown = line.bars().size();
            return bars.get(Math.max(0, Math.min(bars.size() - 1, first + (forward ? shown : -shown))))
                    .startTick();
        }
        double x = layout.x(line, layout.folding().shown(selected));
        double y = forward ? layout.bottom(line) + 1 : line.top() - 1;
        return y < 0 || y > layout.height() ? selected : layout.tickAt(x + 1, y);
    }

    /** Moves the play cursor; negative hides it. */
    public void moveCursor(int tick) {
        // a picture that is to be still goes from note to note
        cursor = tick >= 0 && view.still() && !moments.isEmpty() ? moment(tick) : tick;
        if (tick >= 0) {
            reveal(tick);
        }
        paintMarks();
    }

    private void reveal(int tick) {
        if (layout == null) {
            return;
        }
        ScoreLayout.Line line = layout.lineAt(tick);
        if (running) {
            if (!isShown(line, tick)) {
                int bar = arrangement.orElseThrow().song().barIndexAt(tick);
                // the bar before stays in sight, where there is room for both
                beginAt(bar - 1);
                if (!isShown(layout.lineAt(tick), tick)) {
                    beginAt(bar);
                }
            }
            return;
        }
        double bottom = layout.bottom(line);
        if (line.top() < scroll.getValue() || bottom > scroll.getValue() + viewHeight() + ScoreLayout.LINE_GAP) {
            scrollTo(line.top());
        }
    }

    private void scrollTo(double top) {
        scroll.setValue(Math.max(0, Math.min(scroll.getMax(), top)));
    }

    /** The first and last tick on screen. */
    List<Integer> visible() {
        if (layout == null) {
            return List.of(0, 0);
        }
        int first = layout.tickAt(0, scroll.getValue() + layout.lineHeight() / 2);
        int last = layout.tickAt(Double.MAX_VALUE, scroll.getValue() + viewHeight() - layout.lineHeight() / 2);
        return List.of(first, last);
    }

    @Override
    protected void layoutChildren() {
        double width = getWidth();
        double height = getHeight();
        Crisp.fit(picture, width, height);
        along.resizeRelocate(0, height - BAR_WIDTH, width, BAR_WIDTH);
        scroll.resizeRelocate(width - BAR_WIDTH, 0, BAR_WIDTH, height);
        lay();
    }

    private void lay() {
        if (arrangement.isEmpty() || getWidth() <= 0 || getHeight() <= 0) {
            return;
        }
        Arrangement shown = arrangement.get();
        int strings = shown.request().instrument().strings();
        // another song may be shorter
        first = Math.min(first, shown.song().bars().size() - 1);
        layout = new ScoreLayout(
                shown.song(),
                strings,
                rows(shown),
                shown.request().tune() == TuneUse.SUNG,
                staff,
                (getWidth() - BAR_WIDTH) / zoom,
                running ? OptionalInt.of(first) : OptionalInt.empty(),
                folding.orElseGet(() -> Folding.none(shown.song())));
        double most = Math.max(0, layout.height() - viewHeight());
        scroll.setMax(most);
        scroll.setVisibleAmount(layout.height() == 0 ? 0 : most * viewHeight() / layout.height());
        scroll.setUnitIncrement(layout.lineHeight() / 3);
        scroll.setBlockIncrement(layout.lineHeight());
        scroll.setVisible(most > 0);
        scrollTo(scroll.getValue());
        int bars = shown.song().bars().size();
        along.setMax(bars - 1.0);
        along.setVisibleAmount(layout.lines().get(0).bars().size());
        along.setUnitIncrement(1);
        along.setBlockIncrement(along.getVisibleAmount());
        along.setVisible(running && along.getVisibleAmount() < bars);
        along.setValue(first);
        repaint();
    }

    private void repaint() {
        GraphicsContext g = picture.getGraphicsContext2D();
        g.clearRect(0, 0, getWidth(), getHeight());
        if (layout != null && arrangement.isPresent()) {
            ScorePainter painter = new ScorePainter(arrangement.get(), decided, staff, layout, view);
            g.save();
            g.scale(zoom, zoom);
            g.translate(0, -scroll.getValue());
            layout.lines().stream().filter(this::onScreen).forEach(line -> {
                painter.paintOtherwise(g, line, otherwise);
                painter.paint(g, line);
            });
            g.restore();
        }
        paintMarks();
        seen.accept(visible());
    }

    private boolean onScreen(ScoreLayout.Line line) {
        return line.top() < scroll.getValue() + viewHeight() && layout.bottom(line) > scroll.getValue();
    }

    private void paintMarks() {
        boolean shown = layout != null && arrangement.isPresent();
        marks.getChildren().clear();
        chosen.setVisible(false);
        playing.setVisible(false);
        if (!shown) {
            return;
        }
        marked().ifPresent(this::paintMarked);
        ScoreLayout.Line line = layout.lineAt(selected);
        int at = layout.folding().shown(selected);
        if (isShown(line, at)) {
            double x = layout.x(line, at);
            place(chosen, x - COLUMN / 2, x + COLUMN / 2, layout.lanesY(line) - 2, layout.countY(line) + 6, 0.14);
        }
        ScoreLayout.Line played = layout.lineAt(cursor);
        int sounding = layout.folding().shown(cursor);
        if (cursor >= 0 && isShown(played, sounding)) {
            double x = layout.x(played, sounding);
            place(playing, x - 1, x + 1, layout.lanesY(played), layout.countY(played), 1);
            playing.setFill(view.colour("alarm"));
        }
    }

    /** A running line is one alone; the end of the song stands at the end of the last. */
    private boolean isShown(ScoreLayout.Line line, int tick) {
        int end = arrangement.orElseThrow().song().endTick();
        return tick >= line.startTick() && (tick < line.endTick() || line.endTick() >= end);
    }

    /** Puts a mark between places of the score, where that is in sight. */
    private void place(Rectangle mark, double from, double to, double top, double bottom, double opacity) {
        double up = scroll.getValue();
        double high = Math.max(0, top - up);
        double low = Math.min(viewHeight(), bottom - up);
        mark.setVisible(low > high);
        mark.setX(from * zoom);
        mark.setWidth((to - from) * zoom);
        mark.setY(high * zoom);
        mark.setHeight(Math.max(0, low - high) * zoom);
        mark.setFill(view.colour("melody").deriveColor(0, 1, 1, opacity));
    }

    private void paintMarked(Moved.Stretch bars) {
        for (ScoreLayout.Line line : layout.lines()) {
            if (onScreen(line) && line.startTick() < bars.to() && line.endTick() > bars.from()) {
                double from = bars.from() <= line.startTick()
                        ? layout.left()
                        : layout.x(line, bars.from()) - ScoreLayout.BAR_PAD;
                double to = layout.x(line, bars.to()) - (bars.to() < line.endTick() ? ScoreLayout.BAR_PAD : 0);
                Rectangle mark = new Rectangle();
                marks.getChildren().add(mark);
                place(mark, from, to, layout.lanesY(line), layout.countY(line) + 4, 0.1);
            }
        }
    }

    /** Rows of the digit lane: the school's digits, and one for hits where there are any. */
    private static int rows(Arrangement shown) {
        return shown.request().picking().school().digits().size()
                + (shown.hits().isEmpty() ? 0 : 1);
    }
}
