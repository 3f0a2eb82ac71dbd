package phalanx.desktop.song;

import static phalanx.words.Words.wording;

import java.util.IntSummaryStatistics;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntConsumer;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javafx.scene.canvas.GraphicsContext;
import phalanx.desktop.widget.Drawing;
import phalanx.desktop.widget.Pens;
import phalanx.song.Bar;
import phalanx.song.ChordChange;
import phalanx.song.MelodyNote;
import phalanx.song.Section;
import phalanx.song.Song;
import phalanx.song.SongHarmony;
import phalanx.song.TuneNote;
import phalanx.theory.Note;
import phalanx.theory.Pitch;

/** The song bar by bar: chords with their numerals above, the tune below, its height by pitch, and the entry cursor. */
final class BarsView extends Drawing {
    private static final int BARS_A_ROW = 4;
    private static final double ROW = 128;
    private static final double TUNE_TOP = 58;
    private static final double TUNE_HEIGHT = 38;
    private static final double LEFT = 8;
    private static final double NOTE = 14;
    private static final double GRACE = 7;

    /** Room for the own bass, where there is one. */
    private static final double BASS_LANE = 18;

    private Optional<Song> song = Optional.empty();
    private Optional<SongHarmony> harmony = Optional.empty();
    /** Drawings much taller than a screen cannot be painted; longer songs are shown so many rows at a time. */
    private static final int MOST_ROWS = 40;

    private int firstRow;
    private int cursor;
    private int selectedFrom;
    private int selectedTo;
    private int low = 60;
    private int high = 72;

    /**
     * @param onPick takes the tick that was clicked
     * @param onReach takes the tick up to which the selection was drawn or clicked with Shift
     */
    BarsView(IntConsumer onPick, IntConsumer onReach) {
        super(ROW);
        setId("bars");
        setFocusTraversable(true);
        setAccessibleText(wording("BarsView.tune-digits-put-frets-up"));
        setOnMousePressed(event -> {
            requestFocus();
            tickAt(event.getX(), event.getY()).ifPresent((event.isShiftDown() ? onReach : onPick)::accept);
        });
        setOnMouseDragged(event -> tickAt(event.getX(), event.getY()).ifPresent(onReach::accept));
        focusedProperty().addListener((property, before, now) -> repaint());
    }

    void show(Song shown, SongHarmony heard) {
        song = Optional.of(shown);
        harmony = Optional.of(heard);
        IntSummaryStatistics heights = shown.melody().stream()
                .flatMap(note -> Stream.of(Stream.of(note.pitch()), note.below().stream(), note.graces().stream())
                        .flatMap(some -> some))
                .mapToInt(Pitch::midi)
                .summaryStatistics();
        low = heights.getCount() == 0 ? 60 : heights.getMin();
        high = Math.max(low + 5, heights.getCount() == 0 ? 72 : heights.getMax());
        moveCursor(cursor);
    }

    void moveCursor(int tick) {
        cursor = tick;
        song.ifPresent(shown -> {
            firstRow = row(shown, tick) / MOST_ROWS * MOST_ROWS;
            int rows = (shown.bars().size() + BARS_A_ROW - 1) / BARS_A_ROW;
            double height = Math.min(MOST_ROWS, rows - firstRow) * rowHeight();
            setMinHeight(height);
            setPrefHeight(height);
        });
        repaint();
    }

    /** Marks a stretch; an empty one marks nothing. */
    void select(int from, int to) {
        selectedFrom = from;
        selectedTo = to;
        repaint();
    }

    private void paintSelection(GraphicsContext g, Song shown) {
        for (Bar bar : shown.bars()) {
            int from = Math.max(bar.startTick(), selectedFrom);
            int to = Math.min(bar.endTick(), selectedTo);
            if (from < to && isShown(shown, bar.startTick())) {
                double x = x(shown, from);
                double width = (to - from) / (double) bar.lengthTicks() * barWidth();
                g.setFill(view().colour("melody").deriveColor(0, 1, 1, 0.16));
                g.fillRect(x, top(shown, from) + 20, width, rowHeight() - 38);
            }
        }
    }

    private double rowHeight() {
        return ROW + (song.filter(shown -> !shown.bass().isEmpty()).isPresent() ? BASS_LANE : 0);
    }

    private static int row(Song shown, int tick) {
        return shown.barIndexAt(tick) / BARS_A_ROW;
    }

    private boolean isShown(Song shown, int tick) {
        int row = row(shown, tick);
        return row >= firstRow && row < firstRow + MOST_ROWS;
    }

    /** The top and the bottom of the row that the cursor stands in. */
    double[] cursorRow() {
        int row = song.map(shown -> row(shown, cursor) - firstRow).orElse(0);
        return new double[] {row * rowHeight(), (row + 1) * rowHeight()};
    }

    private double barWidth() {
        return (getWidth() - 2 * LEFT) / BARS_A_ROW;
    }

    private Optional<Integer> tickAt(double x, double y) {
        return song.map(shown -> {
            int column = Math.max(0, Math.min(BARS_A_ROW - 1, (int) ((x - LEFT) / barWidth())));
            int index = Math.min(shown.bars().size() - 1, (firstRow + (int) (y / rowHeight())) * BARS_A_ROW + column);
            Bar bar = shown.bars().get(index);
            double share = Math.max(0, Math.min(1, (x - LEFT) / barWidth() - column));
            int step = bar.meter().stepTicks();
            return bar.startTick() + (int) (share * bar.lengthTicks() / step) * step;
        });
    }

    private double x(Song shown, int tick) {
        int index = shown.barIndexAt(tick);
        Bar bar = shown.bars().get(index);
        double share = Math.min(1, (tick - bar.startTick()) / (double) bar.lengthTicks());
        return LEFT + (index % BARS_A_ROW + share) * barWidth();
    }

    private double top(Song shown, int tick) {
        return (row(shown, tick) - firstRow) * rowHeight();
    }

    @Override
    protected void paint(GraphicsContext g) {
        song.ifPresent(shown -> {
            paintSelection(g, shown);
            paintBars(g, shown);
            harmony.ifPresent(heard -> paintChords(g, shown, heard));
            paintFrets(g, shown);
            harmony.ifPresent(heard -> heard.tune().stream()
                    .filter(note -> isShown(shown, note.note().tick()))
                    .forEach(note -> paintNote(g, shown, note)));
            shown.bass().stream()
                    .filter(note -> isShown(shown, note.tick()))
                    .forEach(note -> paintBass(g, shown, note));
            paintCursor(g, shown);
        });
    }

    private void paintBars(GraphicsContext g, Song shown) {
        for (Bar bar : shown.bars()) {
            if (!isShown(shown, bar.startTick())) {
                continue;
            }
            double x = x(shown, bar.startTick());
            double top = top(shown, bar.startTick());
            g.setStroke(view().colour("ink"));
            g.setLineWidth(1.2);
            g.strokeLine(x, top + 20, x, top + rowHeight() - 18);
            Pens.left(g, String.valueOf(bar.number()), x + 2, top + 14, Pens.mono(12), view().colour("quiet"));
            boolean changes = bar == shown.bars().get(0)
                    || !shown.barAt(bar.startTick() - 1).meter().equals(bar.meter());
            if (changes) {
                Pens.left(g, bar.meter().toString(), x + 30, top + 14, Pens.mono(12), view().colour("quiet"));
            }
        }
        for (Section section : shown.sections()) {
            if (!isShown(shown, section.startTick())) {
                continue;
            }
            double x = x(shown, section.startTick()) + 64;
            Pens.left(
                    g,
                    section.name(),
                    x,
                    top(shown, section.startTick()) + 14,
                    Pens.sansBold(13),
                    view().colour("bass"));
        }
    }

    /** Chords that the chart gives as frets alone. */
    private void paintFrets(GraphicsContext g, Song shown) {
        for (ChordChange change : shown.chart()) {
            if (change.chord().isEmpty() && change.frets().isPresent() && isShown(shown, change.startTick())) {
                double x = x(shown, change.startTick()) + 6;
                double y = top(shown, change.startTick()) + 36;
                Pens.left(g, Note.said(change.symbol()), x, y, Pens.monoBold(14), view().colour("ink"));
            }
        }
    }

    private void paintChords(GraphicsContext g, Song shown, SongHarmony heard) {
        Set<Integer> proposed = shown.chart().stream()
                .filter(ChordChange::proposed)
                .map(ChordChange::startTick)
                .collect(Collectors.toSet());
        for (SongHarmony.Placed placed : heard.chords()) {
            if (!isShown(shown, placed.startTick())) {
                continue;
            }
            double x = x(shown, placed.startTick()) + 6;
            double top = top(shown, placed.startTick());
            boolean only = proposed.contains(placed.startTick());
            String name = Note.printed(placed.chord().text()) + (only ? "?" : "");
            Pens.left(g, name, x, top + 36, Pens.sansBold(17), view().colour(only ? "quiet" : "ink"));
            boolean own = placed.function().diatonic();
            Pens.left(
                    g,
                    placed.function().roman() + (own ? "" : " *"),
                    x,
                    top + 54,
                    own ? Pens.mono(13) : Pens.monoBold(13),
                    view().colour(own ? "quiet" : "alarm"));
        }
    }

    private void paintNote(GraphicsContext g, Song shown, TuneNote tuneNote) {
        int tick = tuneNote.note().tick();
        int end = tuneNote.note().endTick();
        double upper = TUNE_TOP + height(tuneNote.note().pitch());
        boolean first = true;
        while (tick < end) {
            Bar bar = shown.barAt(tick);
            int to = Math.min(end, bar.endTick());
            double x = x(shown, tick) + 2;
            double width = Math.max(4, (to - tick) / (double) bar.lengthTicks() * barWidth() - 4);
            double y = top(shown, tick) + upper;
            boolean inChord = tuneNote.kind() == TuneNote.Kind.CHORD_TONE || tuneNote.kind() == TuneNote.Kind.NO_CHORD;
            g.setFill(view().colour("melody").deriveColor(0, 1, 1, inChord ? 1 : 0.55));
            g.fillRoundRect(x, y, width, NOTE, NOTE, NOTE);
            if (tuneNote.note().below().isPresent()) {
                double second = height(tuneNote.note().below().get());
                g.fillRoundRect(x, top(shown, tick) + TUNE_TOP + second, width, NOTE / 2, NOTE, NOTE);
            }
            for (int i = 0; first && i < tuneNote.note().graces().size(); i++) {
                double at = top(shown, tick)
                        + TUNE_TOP
                        + height(tuneNote.note().graces().get(i));
                double before = GRACE * (tuneNote.note().graces().size() - i);
                g.fillOval(x - before, at + (NOTE - GRACE) / 2, GRACE, GRACE);
            }
            String name = Note.printed(tuneNote.note().pitch().note().toString());
            if (first && width > 20) {
                Pens.left(g, name, x + 6, y + 11, Pens.sansBold(11), view().colour("on-colour"));
            }
            double lane = top(shown, tick) + rowHeight() - 6;
            if (first && tuneNote.note().syllable().isPresent()) {
                Pens.left(g, tuneNote.note().syllable().get(), x, lane, Pens.sans(13), view().colour("ink"));
            } else if (first && !inChord) {
                Pens.left(g, tuneNote.kind().label(), x, lane, Pens.sans(12), view().colour("quiet"));
            }
            first = false;
            tick = to;
        }
    }

    /** A note of the own bass in a lane of its own under the tune, by name and octave. */
    private void paintBass(GraphicsContext g, Song shown, MelodyNote note) {
        Bar bar = shown.barAt(note.tick());
        int to = Math.min(note.endTick(), bar.endTick());
        double width = Math.max(4, (to - note.tick()) / (double) bar.lengthTicks() * barWidth() - 4);
        double x = x(shown, note.tick()) + 2;
        double y = top(shown, note.tick()) + TUNE_TOP + TUNE_HEIGHT + NOTE + 2;
        g.setFill(view().colour("bass"));
        g.fillRoundRect(x, y, width, NOTE, NOTE, NOTE);
        if (width > 26) {
            Pens.left(
                    g,
                    Note.printed(note.pitch().toString()),
                    x + 6,
                    y + 11,
                    Pens.sansBold(11),
                    view().colour("on-colour"));
        }
    }

    /** How far below the top of the tune's room a pitch stands. */
    private double height(Pitch pitch) {
        return (1 - (pitch.midi() - low) / (double) (high - low)) * TUNE_HEIGHT;
    }

    private void paintCursor(GraphicsContext g, Song shown) {
        int tick = Math.min(cursor, shown.endTick());
        boolean beyond = tick >= shown.endTick();
        int place = beyond ? shown.endTick() - 1 : tick;
        double x = beyond ? x(shown, place) + 1 : x(shown, place);
        g.setStroke(view().colour(isFocused() ? "alarm" : "quiet"));
        g.setLineWidth(isFocused() ? 2.5 : 1.5);
        g.strokeLine(x, top(shown, place) + TUNE_TOP - 4, x, top(shown, place) + TUNE_TOP + TUNE_HEIGHT + NOTE + 2);
    }
}
