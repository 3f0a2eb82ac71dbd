package phalanx.desktop;

import atlantafx.base.theme.PrimerDark;
import atlantafx.base.theme.PrimerLight;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javafx.application.Application;
import javafx.scene.Scene;
import javafx.scene.paint.Color;
import javafx.scene.text.Font;
import phalanx.formats.page.Face;

/** The two themes. Colours are read from the style sheet, so that controls and drawings share one source. */
public enum Theme {
    SPRUCE("spruce.css", new PrimerLight().getUserAgentStylesheet()),
    ROSEWOOD("rosewood.css", new PrimerDark().getUserAgentStylesheet());

    private static final List<String> FONTS = List.of(
            "IBMPlexSans_400Regular.ttf",
            "IBMPlexSans_500Medium.ttf",
            "IBMPlexSans_600SemiBold.ttf",
            "IBMPlexMono_400Regular.ttf",
            "IBMPlexMono_600SemiBold.ttf");

    private final String sheet;
    private final String base;
    private final Map<String, Color> colours;

    Theme(String sheet, String base) {
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

    /** The colour of a token of the style sheet, such as {@code melody}. */
    public Color colour(String token) {
        Color colour = colours.get(token);
        if (colour == null) {
            throw new IllegalArgumentException(sheet + " has no colour -phalanx-" + token);
        }
        return colour;
    }

    /** Puts the theme on a scene, with the bundled fonts. */
    public void apply(Scene scene) {
        FONTS.forEach(Theme::load);
        Application.setUserAgentStylesheet(base);
        scene.getStylesheets().setAll(url(sheet), url("phalanx.css"));
    }

    private static void load(String font) {
        try (InputStream in = Face.open(font)) {
            if (Font.loadFont(in, 12) == null) {
                throw new IllegalStateException("font " + font + " cannot be loaded");
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String url(String resource) {
        return Theme.class.getResource(resource).toExternalForm();
    }

    Theme other() {
        return this == SPRUCE ? ROSEWOOD : SPRUCE;
    }
}
