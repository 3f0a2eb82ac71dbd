package phalanx.desktop.guitar;

import static phalanx.words.Words.wording;

import java.util.function.DoubleConsumer;
import phalanx.desktop.Workbench;
import phalanx.desktop.session.Message;
import phalanx.desktop.widget.Chip;
import phalanx.desktop.widget.ChoiceEditor;
import phalanx.words.Words;

/** A measure with its unit that opens its own editor; what is no number, or impossible, is refused with the reason. */
final class MeasureChip {
    private final Chip chip;
    private final String unit;
    private double value;

    /**
     * @param id for tests
     * @param name of the measure
     * @param unit after the number, may be empty
     * @param help what it is, and its range
     * @param usual values to choose
     * @param workbench to say why a number is refused
     * @param apply takes a new number, or throws an {@link IllegalArgumentException} with the reason why not
     */
    MeasureChip(
            String id,
            String name,
            String unit,
            String help,
            double[] usual,
            Workbench workbench,
            DoubleConsumer apply) {
        this.unit = unit;
        this.chip = new Chip(id, name, help);
        chip.getStyleClass().add("measure");
        chip.setEditor(() -> {
            ChoiceEditor editor = new ChoiceEditor(help, Words.figure(value), text -> take(text, workbench, apply));
            for (double one : usual) {
                editor.addChoice(with(one), Words.figure(one));
            }
            return editor;
        });
    }

    Chip chip() {
        return chip;
    }

    private void take(String text, Workbench workbench, DoubleConsumer apply) {
        String typed = text.trim().replace(',', '.');
        if (!typed.matches("\\d{1,6}(\\.\\d{1,4})?")) {
            workbench.say(Message.error(wording("MeasureChip.is-no-number-nothing-was", text.trim())));
            return;
        }
        try {
            apply.accept(Double.parseDouble(typed));
            chip.close();
        } catch (IllegalArgumentException e) {
            workbench.say(Message.error(wording("MeasureChip.nothing-was-changed", e.getMessage())));
        }
    }

    void show(double now) {
        value = now;
        chip.valueProperty().set(with(now));
    }

    private String with(double number) {
        return unit.isEmpty() ? Words.figure(number) : Words.figure(number) + " " + unit;
    }
}
