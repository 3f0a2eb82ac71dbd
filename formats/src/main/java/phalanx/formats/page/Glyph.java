package phalanx.formats.page;

import java.util.Optional;

/** Signs of the music font, by their code points in the open standard for such fonts (SMuFL), and how wide they are. */
enum Glyph {
    CLEF(0xE052, 2.684),
    WHOLE(0xE0A2, 1.688),
    HALF(0xE0A3, 1.18),
    BLACK(0xE0A4, 1.18),
    DIAMOND(0xE0DD, 1.0),
    DIAMOND_BLACK(0xE0DB, 1.0),
    FLAT(0xE260, 0.904),
    NATURAL(0xE261, 0.672),
    SHARP(0xE262, 0.996),
    DOUBLE_SHARP(0xE263, 0.988),
    DOUBLE_FLAT(0xE264, 1.644),
    REST_WHOLE(0xE4E3, 1.128),
    REST_HALF(0xE4E4, 1.128),
    REST_QUARTER(0xE4E5, 1.08),
    REST_EIGHTH(0xE4E6, 0.988),
    REST_16TH(0xE4E7, 1.28),
    REST_32ND(0xE4E8, 1.452),
    REST_64TH(0xE4E9, 1.692),
    FLAG_8TH_UP(0xE240, 1.056),
    FLAG_8TH_DOWN(0xE241, 1.224),
    FLAG_16TH_UP(0xE242, 1.116),
    FLAG_16TH_DOWN(0xE243, 1.164),
    FLAG_32ND_UP(0xE244, 1.044),
    FLAG_32ND_DOWN(0xE245, 1.092),
    FLAG_64TH_UP(0xE246, 1.044),
    FLAG_64TH_DOWN(0xE247, 1.092),
    DOT(0xE1E7, 0.4),
    ZERO(0xE080, 1.8);

    private static final int DIGIT_ZERO = 0xE080;

    private final String text;
    private final double width;

    /** @param width to the right edge of its box in staff spaces, from the font's own table */
    Glyph(int codePoint, double width) {
        this.text = Character.toString(codePoint);
        this.width = width;
    }

    String text() {
        return text;
    }

    double width() {
        return width;
    }

    /** The head of a note of some value, by its English name. */
    static Glyph head(String type) {
        return switch (type) {
            case "whole" -> WHOLE;
            case "half" -> HALF;
            default -> BLACK;
        };
    }

    /** The rest of some value, by its English name. */
    static Glyph rest(String type) {
        return switch (type) {
            case "whole" -> REST_WHOLE;
            case "half" -> REST_HALF;
            case "quarter" -> REST_QUARTER;
            case "eighth" -> REST_EIGHTH;
            case "16th" -> REST_16TH;
            case "32nd" -> REST_32ND;
            default -> REST_64TH;
        };
    }

    /**
     * The flag of a note that stands alone.
     *
     * @param beams how many it would have under a beam
     * @param up whether its stem points upwards
     */
    static Optional<Glyph> flag(int beams, boolean up) {
        return switch (beams) {
            case 1 -> Optional.of(up ? FLAG_8TH_UP : FLAG_8TH_DOWN);
            case 2 -> Optional.of(up ? FLAG_16TH_UP : FLAG_16TH_DOWN);
            case 3 -> Optional.of(up ? FLAG_32ND_UP : FLAG_32ND_DOWN);
            case 4 -> Optional.of(up ? FLAG_64TH_UP : FLAG_64TH_DOWN);
            default -> Optional.empty();
        };
    }

    /** The figures of a number in a meter. */
    static String number(int number) {
        StringBuilder text = new StringBuilder();
        String.valueOf(number).chars().forEach(digit -> text.appendCodePoint(DIGIT_ZERO + digit - '0'));
        return text.toString();
    }
}
