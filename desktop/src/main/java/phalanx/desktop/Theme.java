package phalanx.desktop;

import static phalanx.words.Words.wording;

import atlantafx.base.theme.PrimerDark;
import atlantafx.base.theme.PrimerLight;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import javafx.application.Application;
import javafx.scene.Scene;
import javafx.scene.paint.Color;
import phalanx.desktop.widget.Fonts;
import phalanx.words.Words;

/** The themes. Colours are read from the style sheet, so that controls and drawings share one source. */
public enum Theme {
    SPRUCE("Spruce", wording("Theme.light"), "spruce.css", new PrimerLight().getUserAgentStylesheet()),
    ROSEWOOD("Rosewood", wording("Theme.dark"), "rosewood.css", new PrimerDark().getUserAgentStylesheet()),
    EBONY(
            "Ebony",
            wording("Theme.black-on-white-the-strongest"),
            "ebony.css",
            new PrimerLight().getUserAgentStylesheet());

    /** The size of plain text in lists that open over the window, in px. */
    private static final int PLAIN = 15;

    private final String word;
    private final String about;
    private final String sheet;
    private final String base;
    private final Map<String, Color> colours;

    Theme(String word, String about, String sheet, String base) {
        this.word = word;
        this.about = about;
        this.sheet = sheet;
        this.base = base;
        this.colours = read(sheet);
    }

    private static Map<String, Color> read(String sheet) {
        try (InputStream in = Theme.class.getResourceAsStream(sheet)) {
            Pattern colour = Pattern.compile("-phalanx-([a-z-]+):\\s*(#[0-9A-Fa-f]{6})");
            Matcher matcher = colour.matcher(new String(in.readAllBytes(), StandardCharsets.UTF_8));
            Map<String, Color> colours = new TreeMap<>();
            while (matcher.find()) {
                colours.put(matcher.group(1), Color.web(matcher.group(2)));
            }
            return colours;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The theme of a name; the first where there is none. */
    static Theme named(String label) {
        return Stream.of(values())
                .filter(theme -> theme.word.equals(label))
                .findFirst()
                .orElse(SPRUCE);
    }

    /** What files and commands call it, in every language. */
    String word() {
        return word;
    }

    /** What it is called on screen. */
    String label() {
        return Words.name(this);
    }

    /** What it is like, in a few words. */
    String about() {
        return about;
    }

    /** The colour of a token of the style sheet, such as {@code melody}. */
    public Color colour(String token) {
        Color colour = colours.get(token);
        if (colour == null) {
            throw new IllegalArgumentException(wording("Theme.has-no-colour-phalanx", sheet, token));
        }
        return colour;
    }

    /**
     * Puts the theme on a scene, with the bundled fonts.
     *
     * @param percent how large what opens over the window is; it stands in a window of its own
     */
    void apply(Scene scene, int percent) {
        Fonts.loadLetters();
        Application.setUserAgentStylesheet(base);
        String over = ".tooltip, .context-menu, .combo-box-popup .list-cell { -fx-font-size: %dpx; }"
                .formatted(PLAIN * percent / 100);
        scene.getStylesheets().setAll(url(sheet), url("phalanx.css"));
        if (percent != View.FIRST.percent()) {
            scene.getStylesheets().add("data:text/css;base64," + encoded(over));
        }
    }

    private static String encoded(String sheet) {
        return Base64.getEncoder().encodeToString(sheet.getBytes(StandardCharsets.UTF_8));
    }

    private static String url(String resource) {
        return Theme.class.getResource(resource).toExternalForm();
    }

    /** The one after it, round and round. */
    Theme next() {
        return values()[(ordinal() + 1) % values().length];
    }
}
