package phalanx.desktop.song;

import static phalanx.words.Words.wording;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import javafx.geometry.Pos;
import javafx.scene.control.Label;
import javafx.scene.control.TextArea;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import phalanx.desktop.widget.Cards;
import phalanx.song.ChartText;
import phalanx.song.LyricSheet;
import phalanx.song.Meter;
import phalanx.theory.ChordKind;
import phalanx.theory.ChordTable;
import phalanx.theory.Note;
import phalanx.theory.NoteNames;

/** The chart as text: read while it is typed, with mistakes marked under their word and endings offered for chords. */
final class ChartCard extends VBox {
    private static final int MOST_OFFERED = 6;
    private static final double AREA = 84;
    private static final double LOW_AREA = 40;
    private static final int ROWS = 3;

    private final TextArea area = new TextArea();
    private final Label below = new Label();
    private final Label status = Cards.small("");
    private final TextField words = new TextField();
    private final Consumer<ChartText> apply;
    private String shown = "";
    /** Whether the window is low. */
    private boolean low;

    /**
     * @param apply takes a chart without mistakes that was changed
     * @param sing takes words to go under the tune from the cursor on
     */
    ChartCard(Consumer<ChartText> apply, Consumer<String> sing) {
        super(6);
        this.apply = apply;
        getStyleClass().add("card");
        area.setId("chart-text");
        area.getStyleClass().add("mono");
        area.setAccessibleText(wording("ChartCard.chart-in-bars"));
        area.setPromptText(wording("ChartCard.a-g-d-f-em7"));
        fit(false);
        area.focusedProperty().addListener((property, before, now) -> fit(low));
        VBox.setVgrow(area, Priority.ALWAYS);
        below.setId("chart-mistake");
        below.getStyleClass().addAll("mono", "alarm", "chart-below");
        below.managedProperty().bind(below.visibleProperty());
        status.setId("chart-status");
        status.setWrapText(false);
        words.setId("words");
        words.setPromptText(wording("ChartCard.words-from-the-cursor-on"));
        words.setAccessibleText(wording("ChartCard.words-under-the-tune-from"));
        words.setOnAction(event -> {
            sing.accept(words.getText());
            words.clear();
        });
        HBox.setHgrow(words, Priority.ALWAYS);
        HBox head = new HBox(12, Cards.heading(wording("ChartCard.chart-as-text")), words, status);
        head.setAlignment(Pos.CENTER_LEFT);
        getChildren().addAll(head, area, below);
        area.textProperty().addListener((property, before, now) -> {
            // words with chords, pasted in, not typed: their chords as bars
            boolean pasted = now.length() > before.length() + 1;
            Optional<String> bars = pasted ? LyricSheet.toChart(now) : Optional.empty();
            bars.ifPresentOrElse(area::setText, this::check);
        });
        area.caretPositionProperty().addListener((property, before, now) -> check());
        area.focusedProperty().addListener((property, before, now) -> {
            if (!now) {
                take();
            }
        });
        area.addEventFilter(KeyEvent.KEY_PRESSED, this::onKey);
    }

    /** Leaves more room to the bars where the window is low and nobody types here. */
    void fit(boolean isLow) {
        low = isLow;
        boolean narrow = low && !area.isFocused();
        area.setPrefRowCount(narrow ? 1 : ROWS);
        area.setMinHeight(narrow ? LOW_AREA : AREA);
    }

    void focusWords() {
        words.requestFocus();
    }

    void focus() {
        area.requestFocus();
    }

    /** The same with the text chosen, so that typing replaces it. */
    void begin() {
        area.setText(shown);
        area.requestFocus();
        area.selectAll();
    }

    /** Shows a song's chart. While that has not changed, what the player has typed stays, mistakes and all. */
    void show(String english) {
        String text = Note.said(english);
        if (!text.equals(shown)) {
            shown = text;
            int caret = area.getCaretPosition();
            area.setText(text);
            area.positionCaret(Math.min(caret, text.length()));
        }
        check();
    }

    private void onKey(KeyEvent event) {
        if (event.getCode() == KeyCode.ENTER && event.isShortcutDown()) {
            take();
            event.consume();
        } else if (event.getCode() == KeyCode.TAB
                && !event.isShiftDown()
                && !offered().isEmpty()) {
            String word = word();
            String root = root(word);
            int caret = area.getCaretPosition();
            area.replaceText(caret - word.length(), caret, root + offered().get(0));
            event.consume();
        }
    }

    private ChartText read() {
        return ChartText.parse(NoteNames.current().english(area.getText()), Meter.COMMON);
    }

    private void take() {
        ChartText chart = read();
        if (!area.getText().equals(shown)
                && chart.mistakes().isEmpty()
                && !chart.bars().isEmpty()) {
            apply.accept(chart);
        }
    }

    private void check() {
        ChartText chart = read();
        below.setVisible(!chart.mistakes().isEmpty());
        below.setText(chart.mistakes().isEmpty() ? "" : marked(chart.mistakes().get(0)));
        List<String> offered = offered();
        String root = root(word());
        String bars =
                chart.bars().size() + (chart.bars().size() == 1 ? wording("ChartCard.bar") : wording("ChartCard.bars"));
        String changed = area.getText().equals(shown) ? "" : wording("ChartCard.ctrl-enter-puts-it-into");
        status.setText(
                offered.isEmpty()
                        ? bars + changed
                        : wording(
                                "ChartCard.tab",
                                offered.stream().map(kind -> root + kind).collect(Collectors.joining("  "))));
    }

    /** The line of a mistake, carets under its word, and what is wrong. */
    private String marked(ChartText.Mistake mistake) {
        String text = area.getText();
        int first = NoteNames.current().typedPlace(text, mistake.from());
        int last = Math.max(first, NoteNames.current().typedPlace(text, mistake.to()));
        int start = text.lastIndexOf('\n', Math.max(0, first - 1)) + 1;
        int end = text.indexOf('\n', first);
        String line = text.substring(start, end < 0 ? text.length() : end);
        int from = Math.max(0, first - start);
        return line + "\n" + " ".repeat(from) + "^".repeat(last - first) + " " + mistake.message();
    }

    /** The word before the caret, while the caret stands at its end. */
    private String word() {
        int caret = Math.min(area.getCaretPosition(), area.getText().length());
        int start = caret;
        while (start > 0
                && !Character.isWhitespace(area.getText().charAt(start - 1))
                && area.getText().charAt(start - 1) != '|') {
            start--;
        }
        return area.isFocused() ? area.getText().substring(start, caret) : "";
    }

    /** The note that a word begins with, as it was typed; empty where there is none. */
    private static String root(String word) {
        String english = NoteNames.current().english(word);
        int prefix = Note.prefixLength(english);
        return prefix == 0 ? "" : word.substring(0, word.length() - (english.length() - prefix));
    }

    /** Suffixes that go on from what stands behind the chord's root. */
    private List<String> offered() {
        String word = word();
        int prefix = root(word).length();
        if (prefix == 0 || word.contains("/") || word.length() == prefix) {
            return List.of();
        }
        String suffix = word.substring(prefix);
        return ChordTable.standard().kinds().stream()
                .map(ChordKind::name)
                .filter(name -> name.startsWith(suffix) && !name.equals(suffix))
                .limit(MOST_OFFERED)
                .toList();
    }
}
