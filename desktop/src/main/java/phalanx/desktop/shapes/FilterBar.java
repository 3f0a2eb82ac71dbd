package phalanx.desktop.shapes;

import static phalanx.words.Words.wording;

import java.util.List;
import java.util.OptionalInt;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javafx.scene.layout.FlowPane;
import phalanx.desktop.Workbench;
import phalanx.desktop.session.Message;
import phalanx.desktop.widget.Chip;
import phalanx.desktop.widget.ChoiceEditor;
import phalanx.lefthand.shape.ShapeQuery;
import phalanx.lefthand.shape.Voicing;
import phalanx.theory.ChordSymbol;
import phalanx.theory.Key;
import phalanx.theory.NoteNames;
import phalanx.theory.Pitch;

/** The filters as chips, each with its own small editor. */
final class FilterBar extends FlowPane {
    private static final double GAP = 8;

    private final Workbench workbench;
    private final Consumer<ShapeFilter> changed;
    private final Chip bass =
            new Chip("filter-bass", wording("FilterBar.bass"), wording("FilterBar.the-lowest-note-the-chord"));
    private final Chip top =
            new Chip("filter-top", wording("FilterBar.top"), wording("FilterBar.the-highest-note-as-for"));
    private final Chip strings =
            new Chip("filter-strings", wording("FilterBar.sound"), wording("FilterBar.strings-that-must-sound-as"));
    private final Chip frets =
            new Chip("filter-frets", wording("FilterBar.frets"), wording("FilterBar.the-stretch-of-the-neck"));
    private final Chip thumb =
            new Chip("filter-thumb", wording("FilterBar.thumb"), wording("FilterBar.whether-the-thumb-may-press"));
    private final Chip kind =
            new Chip("filter-kind", wording("FilterBar.kind"), wording("FilterBar.any-shapes-whole-ones-or"));
    private final Chip order =
            new Chip("filter-order", wording("FilterBar.by"), wording("FilterBar.how-the-shapes-are-sorted"));
    private ShapeFilter filter = ShapeFilter.NONE;
    private List<Integer> tune = List.of();

    FilterBar(Workbench workbench, Consumer<ShapeFilter> changed) {
        super(GAP, GAP);
        getStyleClass().add("filters");
        this.workbench = workbench;
        this.changed = changed;
        getChildren().addAll(bass, top, strings, frets, thumb, kind, order);
        bass.setEditor(this::bassEditor);
        top.setEditor(this::topEditor);
        strings.setEditor(this::stringsEditor);
        frets.setEditor(this::fretsEditor);
        thumb.setEditor(this::thumbEditor);
        kind.setEditor(this::kindEditor);
        order.setEditor(this::orderEditor);
    }

    ShapeFilter filter() {
        return filter;
    }

    /**
     * Shows the filter for a chord.
     *
     * @param chord whose bass is named
     * @param tuneOver pitches of the tune over it, offered as top notes
     */
    void show(ChordSymbol chord, List<Integer> tuneOver) {
        tune = List.copyOf(tuneOver);
        bass.valueProperty().set(filter.bass().label(chord));
        top.valueProperty().set(filter.top().label());
        strings.valueProperty().set(filter.mustSound() == 0 ? wording("FilterBar.any") : words(filter.mustSound()));
        frets.valueProperty()
                .set(
                        filter.region().lowest() == 1
                                ? wording("FilterBar.0-to", filter.region().highest())
                                : wording(
                                        "FilterBar.to",
                                        filter.region().lowest(),
                                        filter.region().highest()));
        thumb.valueProperty().set(filter.thumb() ? wording("FilterBar.yes") : wording("FilterBar.no"));
        kind.valueProperty().set(filter.voicing().label());
        order.valueProperty().set(filter.order().label());
    }

    private static String words(int strings) {
        return IntStream.rangeClosed(1, 10)
                .map(i -> 11 - i)
                .filter(string -> (strings >> string & 1) == 1)
                .mapToObj(String::valueOf)
                .collect(Collectors.joining(" "));
    }

    /** Puts the top back to any; the next chord has another tune. */
    void forgetTop() {
        filter = filter.with(ShapeFilter.TopNote.ANY);
    }

    private void set(ShapeFilter next, Chip chip) {
        chip.close();
        filter = next;
        changed.accept(next);
    }

    private interface Entry {
        ShapeFilter parse(String text);
    }

    private ChoiceEditor editor(Chip chip, String prompt, String value, Entry entry) {
        return new ChoiceEditor(prompt, value, text -> {
            try {
                set(entry.parse(text.trim()), chip);
            } catch (IllegalArgumentException e) {
                chip.close();
                workbench.say(Message.error(wording("FilterBar.the-filter-is-as-it", e.getMessage())));
            }
        });
    }

    private ChoiceEditor bassEditor() {
        ChoiceEditor editor = editor(bass, wording("FilterBar.lowest-note-such-as-f"), "", text -> switch (text) {
            case "written", "" -> filter.with(ShapeFilter.Bass.WRITTEN);
            case "any" -> filter.with(ShapeFilter.Bass.ANY);
            default -> filter.with(ShapeFilter.Bass.of(pitch(text).midi()));
        });
        editor.addChoice(wording("FilterBar.as-the-chord-says"), "written");
        editor.addChoice(wording("FilterBar.any-tone-the-root-may"), "any");
        return editor;
    }

    private ChoiceEditor topEditor() {
        ChoiceEditor editor = editor(top, wording("FilterBar.highest-note-such-as-d5"), "", this::parseTop);
        editor.addChoice(wording("FilterBar.any"), "any");
        tune.forEach(midi -> {
            String pitch = Pitch.of(midi, Key.C_MAJOR).spoken();
            editor.addChoice(wording("FilterBar.in-the-tune", pitch), pitch);
        });
        return editor;
    }

    private ShapeFilter parseTop(String text) {
        if (text.isEmpty() || any(text)) {
            return filter.with(ShapeFilter.TopNote.ANY);
        }
        String[] parts = text.split("[\\s,]+");
        OptionalInt string =
                parts.length > 1 ? OptionalInt.of(number(parts[1], wording("FilterBar.string"))) : OptionalInt.empty();
        string.ifPresent(this::checkString);
        return filter.with(
                new ShapeFilter.TopNote(OptionalInt.of(pitch(parts[0]).midi()), string));
    }

    private static Pitch pitch(String typed) {
        return Pitch.parse(NoteNames.current().english(typed));
    }

    private static boolean any(String text) {
        return text.equals("any") || text.equals(wording("FilterBar.any"));
    }

    private void checkString(int string) {
        int most = workbench
                .project()
                .map(project -> project.instrument().strings())
                .orElse(6);
        if (string < 1 || string > most) {
            throw new IllegalArgumentException(wording("FilterBar.string-is-outside-1-to", string, most));
        }
    }

    private static int number(String text, String what) {
        if (!text.matches("\\d{1,2}")) {
            throw new IllegalArgumentException(wording("FilterBar.is-not-the-number-of", text, what));
        }
        return Integer.parseInt(text);
    }

    private ChoiceEditor stringsEditor() {
        ChoiceEditor editor =
                editor(strings, wording("FilterBar.strings-such-as-6-4"), words(filter.mustSound()), text -> {
                    int set = 0;
                    for (String word : text.isEmpty() || any(text) ? new String[0] : text.split("[\\s,]+")) {
                        int string = number(word, wording("FilterBar.string"));
                        checkString(string);
                        set |= 1 << string;
                    }
                    return filter.withMustSound(set);
                });
        editor.addChoice(wording("FilterBar.any"), "any");
        List.of("6 4", "5 4", "6 4 3", "5 4 3 2").forEach(each -> editor.addChoice(each, each));
        return editor;
    }

    private ChoiceEditor fretsEditor() {
        ChoiceEditor editor = editor(frets, wording("FilterBar.from-fret-to-fret-such"), "", text -> {
            if (text.isEmpty()) {
                return filter.with(ShapeQuery.Region.USUAL);
            }
            String[] parts = text.split("[\\s,-]+");
            int low = number(parts[0], wording("FilterBar.fret"));
            int high = parts.length > 1 ? number(parts[1], wording("FilterBar.fret")) : low;
            return filter.with(new ShapeQuery.Region(Math.max(1, low), Math.max(1, high)));
        });
        List.of("0 15", "0 4", "3 7", "5 9", "7 12", "10 15")
                .forEach(each -> editor.addChoice(
                        each.replaceFirst("(\\d+) (\\d+)", wording("FilterBar.to", "$1", "$2")), each));
        return editor;
    }

    private ChoiceEditor thumbEditor() {
        ChoiceEditor editor = editor(
                thumb,
                wording("FilterBar.thumb-over-the-neck-yes"),
                filter.thumb() ? wording("FilterBar.yes") : wording("FilterBar.no"),
                text -> filter.withThumb(!text.equalsIgnoreCase("no")));
        editor.addChoice(wording("FilterBar.yes-where-the-hand-allows"), "yes");
        editor.addChoice(wording("FilterBar.no"), "no");
        return editor;
    }

    private ChoiceEditor kindEditor() {
        ChoiceEditor editor = editor(
                kind,
                wording("FilterBar.kind-of-shapes"),
                filter.voicing().label(),
                text -> filter.with(Voicing.parse(text)));
        for (Voicing one : Voicing.values()) {
            editor.addChoice(one.label(), one.label());
        }
        return editor;
    }

    private ChoiceEditor orderEditor() {
        ChoiceEditor editor =
                editor(order, wording("FilterBar.order"), filter.order().label(), text -> {
                    for (ShapeFilter.Order one : ShapeFilter.Order.values()) {
                        if (one.label().equals(text)) {
                            return filter.with(one);
                        }
                    }
                    throw new IllegalArgumentException(wording("FilterBar.is-not-an-order-use", text));
                });
        for (ShapeFilter.Order one : ShapeFilter.Order.values()) {
            editor.addChoice(one.label(), one.label());
        }
        return editor;
    }
}
