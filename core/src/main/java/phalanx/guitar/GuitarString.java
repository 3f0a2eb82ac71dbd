package phalanx.guitar;

import static phalanx.words.Words.wording;

import java.util.Objects;

/**
 * A string.
 *
 * @param name as a player asks for it
 * @param material what it is made of
 * @param gaugeMm its diameter, 0.1 to 3 mm
 * @param kgPerMetre its mass at pitch
 */
public record GuitarString(String name, StringMaterial material, double gaugeMm, double kgPerMetre) {
    private static final double THINNEST_MM = 0.1;
    private static final double THICKEST_MM = 3;

    public GuitarString {
        Objects.requireNonNull(name, "name");
        Objects.requireNonNull(material, "material");
        if (!(gaugeMm >= THINNEST_MM && gaugeMm <= THICKEST_MM) || !(kgPerMetre > 0)) {
            throw new IllegalArgumentException(wording("GuitarString.string-of-mm-and-kg", name, gaugeMm, kgPerMetre));
        }
    }

    /**
     * Its pull at a frequency: Mersenne's law {@code T = mu * (2 L f)^2}.
     *
     * @param scaleMm sounding length
     * @param hertz of the open string
     * @return newtons
     */
    public double tensionNewtons(double scaleMm, double hertz) {
        double waveSpeed = 2 * scaleMm / 1000 * hertz;
        return kgPerMetre * waveSpeed * waveSpeed;
    }
}
