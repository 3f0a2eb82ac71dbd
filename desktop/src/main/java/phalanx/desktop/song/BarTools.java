package phalanx.desktop.song;

import static phalanx.words.Words.wording;

import java.util.List;
import java.util.Optional;
import java.util.function.IntConsumer;
import java.util.function.IntSupplier;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.FlowPane;
import phalanx.desktop.Workbench;
import phalanx.desktop.session.Message;
import phalanx.desktop.widget.Cards;
import phalanx.desktop.widget.Chip;
import phalanx.desktop.widget.ChoiceEditor;
import phalanx.project.Project;
import phalanx.song.Bar;
import phalanx.song.BarEdit;
import phalanx.song.Meter;
import phalanx.song.Song;

/** What is done with whole bars: put in, taken out, moved, split, joined, and given another meter. */
final class BarTools extends FlowPane {
    private static final List<String> METERS = List.of("4/4", "3/4", "2/4", "6/8", "12/8", "5/4", "7/8");

    /** All in one row. */
    private static final double WIDTH = 430;

    private final Workbench workbench;
    private final Selection selection;
    private final IntSupplier cursor;
    private final IntConsumer goTo;
    private final Chip meter =
            new Chip("bar-meter", wording("BarTools.meter"), wording("BarTools.meter-of-the-marked-bars"));

    /**
     * @param selection the marked stretch; without one the cursor's bar counts
     * @param goTo moves the cursor to a tick, with the marking as it is then
     */
    BarTools(Workbench workbench, Selection selection, IntSupplier cursor, IntConsumer goTo) {
        super(6, 4);
        setPrefWrapLength(WIDTH);
        this.workbench = workbench;
        this.selection = selection;
        this.cursor = cursor;
        this.goTo = goTo;
        setId("bar-tools");
        setAlignment(Pos.CENTER_LEFT);
        meter.getStyleClass().add("small");
        meter.setEditor(this::meterEditor);
        getChildren()
                .addAll(
                        small(
                                "insert-bar",
                                wording("BarTools.bar"),
                                wording("BarTools.an-empty-bar-before-the"),
                                this::insert),
                        small(
                                "delete-bar",
                                wording("BarTools.bar-2"),
                                wording("BarTools.takes-out-the-marked-bars"),
                                this::delete),
                        small(
                                "earlier",
                                wording("BarTools.bar-3"),
                                wording("BarTools.the-marked-bars-or-the"),
                                () -> move(-1)),
                        small(
                                "later",
                                wording("BarTools.bar-4"),
                                wording("BarTools.the-marked-bars-or-the-2"),
                                () -> move(1)),
                        small(
                                "split-bar",
                                wording("BarTools.split"),
                                wording("BarTools.two-bars-of-the-one"),
                                this::split),
                        small(
                                "join-bars",
                                wording("BarTools.join"),
                                wording("BarTools.one-bar-of-the-marked"),
                                this::join),
                        meter);
    }

    private static Button small(String id, String text, String help, Runnable action) {
        Button button = Cards.button(id, text, help, action);
        button.getStyleClass().add("small");
        return button;
    }

    /** Shows the meter of the bar at the cursor. */
    void show() {
        meter.valueProperty()
                .set(song().map(song -> shown(song.barAt(cursor.getAsInt())).toString())
                        .orElse(""));
    }

    /** A pickup has the meter of the bars after it. */
    private static Meter shown(Bar bar) {
        return bar.number() == 0 ? bar.meter() : bar.ownMeter();
    }

    /** Whether a key is one of these tools'. */
    boolean take(KeyEvent event) {
        if (event.isAltDown() && !event.isShortcutDown()) {
            boolean left = event.getCode() == KeyCode.LEFT;
            if (left || event.getCode() == KeyCode.RIGHT) {
                move(left ? -1 : 1);
                return true;
            }
        }
        if (!event.isShortcutDown()) {
            return false;
        }
        switch (event.getCode()) {
            case I -> insert();
            case D -> delete();
            case K -> split();
            case J -> join();
            case M -> meter.fire();
            default -> {
                return false;
            }
        }
        return true;
    }

    private Optional<Song> song() {
        return workbench.project().map(Project::song);
    }

    private int first(Song song) {
        return song.barIndexAt(selection.isEmpty() ? cursor.getAsInt() : selection.from());
    }

    /** The first bar after the marked ones. */
    private int end(Song song) {
        return song.barIndexAt(selection.isEmpty() ? cursor.getAsInt() : selection.to() - 1) + 1;
    }

    private static String words(Song song, int from, int to) {
        int first = song.bars().get(from).number();
        return to - from == 1
                ? wording("BarTools.bar-5", first)
                : wording("BarTools.bars-to", first, song.bars().get(to - 1).number());
    }

    /** An empty bar before the one that the cursor stands in; at the end after the last one. */
    private void insert() {
        song().ifPresent(song -> {
            int at = cursor.getAsInt();
            int index = at >= song.endTick() ? song.bars().size() : song.barIndexAt(at);
            Bar like = song.bars().get(Math.min(index, song.bars().size() - 1));
            workbench.editBars(
                    wording(
                            "BarTools.an-empty-bar",
                            index < song.bars().size()
                                    ? song.bars().get(index).number()
                                    : song.bars().get(index - 1).number() + 1),
                    now -> BarEdit.insert(now, index, 1, like.meter()));
            goTo.accept(song().map(now -> now.bars().get(index).startTick()).orElse(0));
        });
    }

    /** The marked bars, whole; else the one that the cursor stands in. */
    private void delete() {
        song().ifPresent(song -> {
            int from = first(song);
            int to = end(song);
            workbench.editBars(
                    wording("BarTools.the-song-without", words(song, from, to)), now -> BarEdit.delete(now, from, to));
            unmark(song, from);
        });
    }

    private void move(int by) {
        song().ifPresent(song -> {
            int from = first(song);
            int to = end(song);
            int last = song.bars().size();
            boolean marked = !selection.isEmpty();
            if (by < 0 ? from == 0 : to == last) {
                workbench.say(Message.plain(wording(
                        "BarTools.nothing-is",
                        by < 0 ? wording("BarTools.before") : wording("BarTools.after"),
                        words(song, from, to))));
                return;
            }
            workbench.editBars(
                    words(song, from, to)
                            + (by < 0 ? wording("BarTools.a-bar-earlier") : wording("BarTools.a-bar-later")),
                    now -> by < 0
                            ? BarEdit.exchange(now, from - 1, from, to)
                            : BarEdit.exchange(now, from, to, to + 1));
            song().filter(now -> !now.equals(song)).ifPresent(now -> {
                int start = now.bars().get(from + by).startTick();
                selection.clear();
                if (marked) {
                    selection.reach(start, now.bars().get(to + by - 1).endTick());
                }
                goTo.accept(marked ? selection.to() : start);
            });
        });
    }

    private void split() {
        int at = cursor.getAsInt();
        song().ifPresent(song -> {
            String what = wording("BarTools.bar-in-two", song.barAt(at).number());
            workbench.editSong(what, now -> BarEdit.split(now, at));
            goTo.accept(at);
        });
    }

    private void join() {
        song().ifPresent(song -> {
            int from = first(song);
            int to = end(song);
            workbench.editSong(
                    wording("BarTools.as-one-bar", words(song, from, to)), now -> BarEdit.join(now, from, to));
            unmark(song, from);
        });
    }

    private ChoiceEditor meterEditor() {
        String now = meter.valueProperty().get();
        ChoiceEditor editor = new ChoiceEditor(wording("BarTools.meter-such-as-3-4"), now, this::takeMeter);
        METERS.forEach(one -> editor.addChoice(one, one));
        return editor;
    }

    private void takeMeter(String text) {
        meter.close();
        song().ifPresent(song -> {
            int from = first(song);
            int to = selection.isEmpty() ? endOfMeter(song, from) : end(song);
            workbench.decide(
                    wording("BarTools.in", text.strip(), words(song, from, to)),
                    now -> now.withMeter(from, to, Meter.parse(text.strip())));
            unmark(song, from);
        });
    }

    /** After an edit: the cursor goes to a bar. Where the edit was refused, the song is as before and so is what is marked. */
    private void unmark(Song before, int bar) {
        song().filter(now -> !now.equals(before)).ifPresent(now -> {
            selection.clear();
            goTo.accept(bar < now.bars().size() ? now.bars().get(bar).startTick() : now.endTick());
        });
    }

    /** The first bar after one that is in another meter. */
    private static int endOfMeter(Song song, int from) {
        int to = from + 1;
        while (to < song.bars().size()
                && song.bars().get(to).meter().equals(song.bars().get(from).meter())) {
            to++;
        }
        return to;
    }
}
