package phalanx.desktop.shapes;

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
import phalanx.theory.Pitch;

/** The filters as chips, each with its own small editor. */
final class FilterBar extends FlowPane {
    private static final double GAP = 8;

    private final Workbench workbench;
    private final Consumer<ShapeFilter> changed;
    private final Chip bass =
            new Chip("filter-bass", "bass", "The lowest note: the chord's own, any tone, or an exact pitch");
    private final Chip top =
            new Chip("filter-top", "top", "The highest note, as for a melody note, and perhaps its string");
    private final Chip strings =
            new Chip("filter-strings", "sound", "Strings that must sound, as the thumb's pattern needs them");
    private final Chip frets = new Chip("filter-frets", "frets", "The stretch of the neck that fingers may press");
    private final Chip thumb = new Chip("filter-thumb", "thumb", "Whether the thumb may press over the neck");
    private final Chip kind =
            new Chip("filter-kind", "kind", "Any shapes, whole ones, or triads on three strings over a bass");
    private final Chip order = new Chip("filter-order", "by", "How the shapes are sorted");
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
        strings.valueProperty().set(filter.mustSound() == 0 ? "any" : words(filter.mustSound()));
        frets.valueProperty()
                .set(
                        filter.region().lowest() == 1
                                ? "0 to " + filter.region().highest()
                                : filter.region().lowest() + " to "
                                        + filter.region().highest());
        thumb.valueProperty().set(filter.thumb() ? "yes" : "no");
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
                workbench.say(Message.error(e.getMessage() + ". The filter is as it was."));
            }
        });
    }

    private ChoiceEditor bassEditor() {
        ChoiceEditor editor = editor(bass, "Lowest note, such as F#2", "", text -> switch (text) {
            case "written", "" -> filter.with(ShapeFilter.Bass.WRITTEN);
            case "any" -> filter.with(ShapeFilter.Bass.ANY);
            default -> filter.with(ShapeFilter.Bass.of(Pitch.parse(text).midi()));
        });
        editor.addChoice("as the chord says", "written");
        editor.addChoice("any tone, the root may go", "any");
        return editor;
    }

    private ChoiceEditor topEditor() {
        ChoiceEditor editor = editor(top, "Highest note, such as D5 or D5 2 for string 2", "", this::parseTop);
        editor.addChoice("any", "any");
        tune.forEach(midi -> {
            String pitch = Pitch.of(midi, Key.C_MAJOR).toString();
            editor.addChoice(pitch + ", in the tune", pitch);
        });
        return editor;
    }

    private ShapeFilter parseTop(String text) {
        if (text.isEmpty() || text.equals("any")) {
            return filter.with(ShapeFilter.TopNote.ANY);
        }
        String[] parts = text.split("[\\s,]+");
        OptionalInt string = parts.length > 1 ? OptionalInt.of(number(parts[1], "string")) : OptionalInt.empty();
        string.ifPresent(this::checkString);
        return filter.with(
                new ShapeFilter.TopNote(OptionalInt.of(Pitch.parse(parts[0]).midi()), string));
    }

    private void checkString(int string) {
        int most = workbench
                .project()
                .map(project -> project.instrument().strings())
                .orElse(6);
        if (string < 1 || string > most) {
            throw new IllegalArgumentException("string " + string + " is outside 1 to " + most);
        }
    }

    private static int number(String text, String what) {
        if (!text.matches("\\d{1,2}")) {
            throw new IllegalArgumentException("\"" + text + "\" is not the number of a " + what);
        }
        return Integer.parseInt(text);
    }

    private ChoiceEditor stringsEditor() {
        ChoiceEditor editor = editor(strings, "Strings, such as 6 4 3", words(filter.mustSound()), text -> {
            int set = 0;
            for (String word : text.isEmpty() || text.equals("any") ? new String[0] : text.split("[\\s,]+")) {
                int string = number(word, "string");
                checkString(string);
                set |= 1 << string;
            }
            return filter.withMustSound(set);
        });
        editor.addChoice("any", "any");
        List.of("6 4", "5 4", "6 4 3", "5 4 3 2").forEach(each -> editor.addChoice(each, each));
        return editor;
    }

    private ChoiceEditor fretsEditor() {
        ChoiceEditor editor = editor(frets, "From fret to fret, such as 5 9; open strings always", "", text -> {
            if (text.isEmpty()) {
                return filter.with(ShapeQuery.Region.USUAL);
            }
            String[] parts = text.split("[\\s,-]+");
            int low = number(parts[0], "fret");
            int high = parts.length > 1 ? number(parts[1], "fret") : low;
            return filter.with(new ShapeQuery.Region(Math.max(1, low), Math.max(1, high)));
        });
        List.of("0 15", "0 4", "3 7", "5 9", "7 12", "10 15")
                .forEach(each -> editor.addChoice(each.replace(" ", " to "), each));
        return editor;
    }

    private ChoiceEditor thumbEditor() {
        ChoiceEditor editor = editor(
                thumb,
                "Thumb over the neck: yes or no",
                filter.thumb() ? "yes" : "no",
                text -> filter.withThumb(!text.equalsIgnoreCase("no")));
        editor.addChoice("yes, where the hand allows it", "yes");
        editor.addChoice("no", "no");
        return editor;
    }

    private ChoiceEditor kindEditor() {
        ChoiceEditor editor =
                editor(kind, "Kind of shapes", filter.voicing().label(), text -> filter.with(Voicing.parse(text)));
        for (Voicing one : Voicing.values()) {
            editor.addChoice(one.label(), one.label());
        }
        return editor;
    }

    private ChoiceEditor orderEditor() {
        ChoiceEditor editor = editor(order, "Order", filter.order().label(), text -> {
            for (ShapeFilter.Order one : ShapeFilter.Order.values()) {
                if (one.label().equals(text)) {
                    return filter.with(one);
                }
            }
            throw new IllegalArgumentException(
                    "\"" + text + "\" is not an order: use, effort, reach, place or way from before");
        });
        for (ShapeFilter.Order one : ShapeFilter.Order.values()) {
            editor.addChoice(one.label(), one.label());
        }
        return editor;
    }
}
