package phalanx.desktop.widget;

import java.util.function.Function;
import javafx.scene.control.ComboBox;
import javafx.util.StringConverter;

/** Choosers whose values are shown in words. Nothing is typed in them. */
public final class Choices {
    private Choices() {}

    /** Shows each value by these words, and nothing where there is none. */
    public static <T> void shownAs(ComboBox<T> box, Function<? super T, String> words) {
        box.setConverter(new StringConverter<>() {
            @Override
            public String toString(T value) {
                return value == null ? "" : words.apply(value);
            }

            @Override
            public T fromString(String text) {
                throw new UnsupportedOperationException();
            }
        });
    }
}
