package phalanx.lefthand;

import phalanx.guitar.Instrument;

/** Fingertip places of one instrument, computed once: the searches ask for them millions of times. */
final class Neck {
    private final double[] along;
    private final double[][] across;

    Neck(Instrument instrument) {
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

    int highestFret() {
        return along.length - 1;
    }

    double along(int fret) {
        return along[fret];
    }

    double across(int string, int fret) {
        return across[string][fret];
    }

    /** Straight distance between two fingertips, in mm. */
    double distance(int stringA, int fretA, int stringB, int fretB) {
        double dx = along[fretA] - along[fretB];
        double dy = across[stringA][fretA] - across[stringB][fretB];
        return Math.sqrt(dx * dx + dy * dy);
    }
}
