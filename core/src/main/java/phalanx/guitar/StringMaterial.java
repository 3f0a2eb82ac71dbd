package phalanx.guitar;

import phalanx.words.Words;

/**
 * What a string is made of. Densities in kg for each cubic metre, from memory; fill and stretch are assumptions of
 * ours.
 */
public enum StringMaterial {
    PLAIN_STEEL(true, 7850, 0, 1),
    WOUND_BRONZE(true, 7850, 8800, 1),
    /** Nylon stretches by about a seventh on its way to pitch, and thins by as much. */
    PLAIN_NYLON(false, 1140, 0, 1 / 1.15),
    /** Silvered copper over a floss of nylon that leaves a third of its room empty. */
    WOUND_NYLON(false, 1140, 8960, 2.0 / 3);

    private final boolean steel;
    private final double coreDensity;
    private final double wrapDensity;
    private final double fill;

    StringMaterial(boolean steel, double coreDensity, double wrapDensity, double fill) {
        this.steel = steel;
        this.coreDensity = coreDensity;
        this.wrapDensity = wrapDensity;
        this.fill = fill;
    }

    /** What it is called on screen. */
    public String label() {
        return Words.name(this);
    }

    /** Whether its core is steel, so that it pulls as steel strings do. */
    public boolean isSteel() {
        return steel;
    }

    public boolean isWound() {
        return wrapDensity > 0;
    }

    /**
     * Mass for each metre, in kg. A round core weighs {@code density * pi/4 * d^2}. A wrap of wire w lies turn beside
     * turn, each {@code pi * (core + w)} long, so it weighs {@code density * pi^2/4 * w * (core + w)}.
     *
     * @param gaugeMm diameter of the whole string
     * @param coreMm diameter of the core; the gauge, when the string is plain
     */
    double kgPerMetre(double gaugeMm, double coreMm) {
        double core = coreMm / 1000;
        double wire = (gaugeMm - coreMm) / 2000;
        double ofCore = fill * coreDensity * Math.PI / 4 * core * core;
        return ofCore + wrapDensity * Math.PI * Math.PI / 4 * wire * (core + wire);
    }
}
