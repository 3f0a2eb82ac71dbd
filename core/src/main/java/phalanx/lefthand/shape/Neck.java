package phalanx.lefthand.shape;

import phalanx.guitar.Instrument;

/** Fingertip places of one instrument, computed once: the searches ask for them millions of times. */
public final class Neck {
    private final double[] along;
    private final double[][] across;

    public Neck(Instrument instrument) {
        int frets = instrument.highestFret();
        along = new double[frets + 1];
        across = new double[instrument.strings() + 1][frets + 1];
        for (int fret = 0; fret <= frets; fret++) {
            along[fret] = fret == 0 ? instrument.guitar().wireMm(instrument.capo()) : instrument.alongMm(fret);
            for (int string = 1; string <= instrument.strings(); string++) {
                across[string][fret] = instrument.acrossMm(string, fret);
            }
        }
    }

    /**
     * The straight distance between two packed presses in mm; of a barre its string nearest to the other counts.
     */
    public double distance(int press, int other) {
        int stringA;
        int stringB;
        if (Press.trebleString(press) > Press.bassString(other)) {
            stringA = Press.trebleString(press);
            stringB = Press.bassString(other);
        } else if (Press.trebleString(other) > Press.bassString(press)) {
            stringA = Press.bassString(press);
            stringB = Press.trebleString(other);
        } else {
            stringA = Math.min(Press.bassString(press), Press.bassString(other));
            stringB = stringA;
        }
        return distance(stringA, Press.fret(press), stringB, Press.fret(other));
    }

    public int strings() {
        return across.length - 1;
    }

    public int highestFret() {
        return along.length - 1;
    }

    public double along(int fret) {
        return along[fret];
    }

    public double across(int string, int fret) {
        return across[string][fret];
    }

    /** Straight distance between two fingertips, in mm. */
    public double distance(int stringA, int fretA, int stringB, int fretB) {
        double dx = along[fretA] - along[fretB];
        double dy = across[stringA][fretA] - across[stringB][fretB];
        return Math.sqrt(dx * dx + dy * dy);
    }
}
