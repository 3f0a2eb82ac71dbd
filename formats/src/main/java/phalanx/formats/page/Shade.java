package phalanx.formats.page;

/** The colours of a page, made for white paper. Voices differ in shape as well, so that a page may be printed in black. */
public enum Shade {
    INK(0x22262B),
    QUIET(0x6B6A66),
    RULE(0xBDB7AC),
    BASS(0xA4630F),
    TUNE(0x2F4B8F),
    INNER(0x4A5A50),
    HIT(0xA23B2A),
    HARMONIC(0x3F6A2E),
    PAPER(0xFFFFFF);

    private final int rgb;

    Shade(int rgb) {
        this.rgb = rgb;
    }

    /** Red, green and blue, eight bits each. */
    public int rgb() {
        return rgb;
    }
}
