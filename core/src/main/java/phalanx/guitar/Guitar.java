package phalanx.guitar;

import static phalanx.words.Words.wording;

import java.util.Objects;
import phalanx.words.Words;

/**
 * The measures of a guitar, in millimetres.
 *
 * @param kind what strings it is built for
 * @param scaleMm nut to saddle, 300 to 1000
 * @param nutSpanMm between the outer strings at the nut
 * @param saddleSpanMm between the outer strings at the saddle
 * @param frets how many there are, 12 to 30
 * @param bodyJoint the fret at which the neck meets the body
 */
public record Guitar(Kind kind, double scaleMm, double nutSpanMm, double saddleSpanMm, int frets, int bodyJoint) {
    /** Where a fingertip stands behind its fret wire, at most. */
    private static final double TIP_BEHIND_WIRE_MM = 8;
    /** In narrow frets: this share of the fret's width behind the wire. */
    private static final double TIP_BEHIND_WIRE_SHARE = 0.3;

    /** A common steel-string guitar. */
    public static final Guitar STEEL = new Guitar(Kind.STEEL, 650, 37, 56, 20, 14);
    /** A common nylon-string guitar. */
    public static final Guitar NYLON = new Guitar(Kind.NYLON, 650, 43, 59, 19, 12);

    /** What strings a guitar is built for. */
    public enum Kind {
        STEEL,
        NYLON;

        /** What it is called on screen. */
        public String label() {
            return Words.name(this);
        }
    }

    public Guitar {
        Objects.requireNonNull(kind, "kind");
        if (!(scaleMm >= 300 && scaleMm <= 1000)) {
            throw new IllegalArgumentException(wording("Guitar.scale-length-mm-is-outside", scaleMm));
        }
        if (!(nutSpanMm > 0 && saddleSpanMm >= nutSpanMm && saddleSpanMm < scaleMm)) {
            throw new IllegalArgumentException(wording("Guitar.string-spans-mm-at-the", nutSpanMm, saddleSpanMm));
        }
        if (frets < 12 || frets > 30 || bodyJoint < 8 || bodyJoint > frets) {
            throw new IllegalArgumentException(wording("Guitar.a-neck-of-frets-that", frets, bodyJoint));
        }
    }

    public Guitar withScale(double newScaleMm) {
        return newScaleMm == scaleMm ? this : new Guitar(kind, newScaleMm, nutSpanMm, saddleSpanMm, frets, bodyJoint);
    }

    /** The same guitar with other distances between the outer strings. */
    public Guitar withSpans(double newNutSpanMm, double newSaddleSpanMm) {
        return new Guitar(kind, scaleMm, newNutSpanMm, newSaddleSpanMm, frets, bodyJoint);
    }

    /** The same guitar with another neck. */
    public Guitar withFrets(int newFrets, int newBodyJoint) {
        return new Guitar(kind, scaleMm, nutSpanMm, saddleSpanMm, newFrets, newBodyJoint);
    }

    /** Whether a string of this number is wound as a rule, so that a finger sliding on it squeaks. Common practice. */
    public boolean isWound(int string) {
        return string > (kind == Kind.STEEL ? 2 : 3);
    }

    /** Distance of a fret wire from the nut: {@code L * (1 - 2^(-n/12))}, equal temperament. */
    public double wireMm(double fret) {
        return scaleMm * (1 - Math.pow(2, -fret / 12));
    }

    /** Where a fingertip stands that presses at this fret: behind the wire by 8 mm or 0.3 of the fret's width. */
    public double fingertipMm(int fret) {
        double width = wireMm(fret) - wireMm(fret - 1);
        return wireMm(fret) - Math.min(TIP_BEHIND_WIRE_MM, TIP_BEHIND_WIRE_SHARE * width);
    }

    /**
     * Across the neck: the place of a string at a distance from the nut, measured from the middle of the neck,
     * positive towards string 1. Strings fan linearly from nut to saddle.
     */
    public double acrossMm(int string, int strings, double alongMm) {
        double span = nutSpanMm + (saddleSpanMm - nutSpanMm) * alongMm / scaleMm;
        return span * (0.5 - (string - 1) / (double) (strings - 1));
    }
}
