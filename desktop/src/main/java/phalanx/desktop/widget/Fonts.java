package phalanx.desktop.widget;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.text.Font;
import phalanx.formats.disk.SafeFile;
import phalanx.formats.page.Face;
import phalanx.formats.reading.FormatException;

/**
 * Makes the bundled fonts known to the toolkit. It reads a font from a file as it is, but of one from a stream it makes a
 * temporary file, which stays when the program is killed: hence copies in the player's own folder.
 */
public final class Fonts {
    private static final List<String> LETTERS = List.of(
            "IBMPlexSans_400Regular.ttf",
            "IBMPlexSans_500Medium.ttf",
            "IBMPlexSans_600SemiBold.ttf",
            "IBMPlexMono_400Regular.ttf",
            "IBMPlexMono_600SemiBold.ttf");

    private static final String MUSIC = "Bravura.otf";
    private static final String MUSIC_FAMILY = "Bravura";
    private static final double ANY_SIZE = 12;

    private Fonts() {}

    /** Loads all of them from copies in a folder, which are made where they are missing or of another size. */
    public static void load(Path folder) {
        LETTERS.forEach(font -> load(folder, font));
        load(folder, MUSIC);
    }

    /** Loads those of letters, where they are not known yet. */
    public static void loadLetters() {
        String last = "IBM Plex Mono SemiBold";
        if (!Font.font(last, ANY_SIZE).getFamily().equals(last)) {
            LETTERS.forEach(Fonts::load);
        }
    }

    /** The family of the music font, which is loaded if it is not known yet. */
    static String music() {
        if (!Font.font(MUSIC_FAMILY, ANY_SIZE).getFamily().equals(MUSIC_FAMILY)) {
            load(MUSIC);
        }
        return MUSIC_FAMILY;
    }

    private static void load(Path folder, String font) {
        try (InputStream in = Face.open(font)) {
            Path copy = folder.resolve(font);
            byte[] bytes = in.readAllBytes();
            if (!Files.isRegularFile(copy) || Files.size(copy) != bytes.length) {
                Files.createDirectories(folder);
                SafeFile.replace(copy, bytes);
            }
            // the toolkit takes the path as it stands: nothing of it may be encoded
            if (Font.loadFont("file:" + copy.toAbsolutePath(), ANY_SIZE) == null) {
                load(font);
            }
        } catch (IOException | FormatException e) {
            // a folder that cannot be written is no reason to go without letters
            load(font);
        }
    }

    private static void load(String font) {
        try (InputStream in = Face.open(font)) {
            if (Font.loadFont(in, ANY_SIZE) == null) {
                throw new IllegalStateException("font " + font + " cannot be loaded");
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
