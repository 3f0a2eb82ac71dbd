package phalanx.formats.page;

import static phalanx.words.Words.wording;

import java.awt.Font;
import java.awt.FontFormatException;
import java.awt.Shape;
import java.awt.font.FontRenderContext;
import java.awt.font.GlyphVector;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/** The type that pages are set in; it is shipped with the program. */
public enum Face {
    SANS("IBMPlexSans_400Regular.ttf"),
    BOLD("IBMPlexSans_600SemiBold.ttf"),
    MONO("IBMPlexMono_400Regular.ttf"),
    MONO_BOLD("IBMPlexMono_600SemiBold.ttf"),
    /** Signs of music; what the others lack of them is taken from here. */
    MUSIC("Bravura.otf");

    /** Stands for what no face has. */
    private static final String UNKNOWN = "?";
    /** The signs of the music face are drawn for a staff; beside letters they are made a little smaller. */
    private static final double SIGN = 0.9;

    private static final double RAISED = 0.36;

    private static final FontRenderContext EXACT = new FontRenderContext(null, true, true);

    /** Letters are measured in type so large that nothing is lost in rounding. */
    private static final double FINE = 1000;

    private final String file;
    private final Map<Integer, Double> advances = new ConcurrentHashMap<>();

    Face(String file) {
        this.file = file;
    }

    /**
     * A part of a text that is set in one face.
     *
     * @param size of the type, in points
     * @param rise by how much it is set higher, in points
     */
    public record Run(String text, Face face, double size, double rise) {
        public double width() {
            return text.codePoints().mapToDouble(face::advance).sum() * size;
        }

        /** Its outline, on the base line from zero. */
        public Shape outline() {
            return glyphs().getOutline(0, (float) -rise);
        }

        private GlyphVector glyphs() {
            return face.font().deriveFont((float) size).createGlyphVector(EXACT, text);
        }
    }

    /** A stream of the font file. */
    public InputStream open() {
        return open(file);
    }

    /**
     * A stream of a shipped font.
     *
     * @throws IllegalArgumentException if there is none of that name
     */
    public static InputStream open(String name) {
        InputStream in = Face.class.getResourceAsStream("fonts/" + name);
        if (in == null) {
            throw new IllegalArgumentException(wording("Face.no-font-is-called", name));
        }
        return in;
    }

    private static final class Loaded {
        static final Map<Face, Font> FONTS = new EnumMap<>(Face.class);

        static {
            for (Face face : values()) {
                try (InputStream in = face.open()) {
                    FONTS.put(face, Font.createFont(Font.TRUETYPE_FONT, in));
                } catch (IOException e) {
                    throw new UncheckedIOException(e);
                } catch (FontFormatException e) {
                    throw new IllegalStateException(face.file + " cannot be read", e);
                }
            }
        }
    }

    /** How wide a letter is in type of one point; letters are set without kerning. */
    private double advance(int codePoint) {
        return advances.computeIfAbsent(
                codePoint,
                letter -> font().deriveFont((float) FINE)
                                .createGlyphVector(EXACT, Character.toString(letter))
                                .getGlyphMetrics(0)
                                .getAdvance()
                        / FINE);
    }

    private Font font() {
        return Loaded.FONTS.get(this);
    }

    private boolean has(int codePoint) {
        return !Character.isISOControl(codePoint) && font().canDisplay(codePoint);
    }

    /** How wide a text is set, in points. */
    public double width(String text, double size) {
        return runs(text, size).stream().mapToDouble(Run::width).sum();
    }

    /** The text in parts, signs of music in their own face, and a question mark for what there is no letter for. */
    List<Run> runs(String text, double size) {
        List<Run> runs = new ArrayList<>();
        StringBuilder part = new StringBuilder();
        Face of = this;
        for (int letter : text.codePoints().toArray()) {
            int codePoint = Character.isWhitespace(letter) ? ' ' : letter;
            Face next = has(codePoint) || !MUSIC.has(codePoint) ? this : MUSIC;
            if (next != of && !part.isEmpty()) {
                runs.add(run(part.toString(), of, size));
                part.setLength(0);
            }
            of = next;
            part.append(has(codePoint) || next == MUSIC ? Character.toString(codePoint) : UNKNOWN);
        }
        if (!part.isEmpty()) {
            runs.add(run(part.toString(), of, size));
        }
        return runs;
    }

    private Run run(String text, Face of, double size) {
        // signs of music lie about the line that they stand on; beside letters they are raised to the middle of these
        return of == MUSIC && this != MUSIC
                ? new Run(text, of, SIGN * size, RAISED * SIGN * size)
                : new Run(text, of, size, 0);
    }

    /** Letters of a text that cannot be set. */
    public static List<String> lacking(String text) {
        return text.codePoints()
                .filter(codePoint ->
                        !SANS.has(codePoint) && !MUSIC.has(codePoint) && !Character.isWhitespace(codePoint))
                .distinct()
                .mapToObj(Character::toString)
                .toList();
    }
}
