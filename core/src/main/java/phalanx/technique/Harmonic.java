package phalanx.technique;

import static phalanx.words.Words.wording;

import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import phalanx.guitar.Instrument;

/**
 * A harmonic on a string of a guitar.
 *
 * @param string 1 at the treble side
 * @param fret that is held, relative to the capo; 0 on the open string
 * @param node where it is touched
 * @param midi the nearest note
 * @param saddleMm how far from the saddle it is touched
 */
public record Harmonic(int string, int fret, HarmonicNode node, int midi, double saddleMm) {
    /** More is heard as wrong, in cents: our assumption, it takes the fifth harmonic in. */
    private static final int OUT_OF_TUNE = 15;

    public Harmonic {
        Objects.requireNonNull(node, "node");
    }

    /**
     * The harmonic of a string at a node.
     *
     * @throws IllegalArgumentException if the guitar has no such place to hold
     */
    public static Harmonic of(Instrument instrument, int string, int fret, HarmonicNode node) {
        if (string < 1 || string > instrument.strings() || !instrument.has(string, fret)) {
            throw new IllegalArgumentException(wording("Harmonic.string-has-no-fret", string, fret));
        }
        int from = Math.max(fret, instrument.openFret(string)) + instrument.capo();
        double sounding = instrument.guitar().scaleMm() * Math.pow(2, -from / 12.0);
        return new Harmonic(
                string,
                fret,
                node,
                instrument.midi(string, fret) + node.nearest(),
                sounding * (node.n() - node.k()) / node.n());
    }

    /** All natural ones whose node lies over the fingerboard, string 6 first, then the lowest harmonic. */
    public static List<Harmonic> natural(Instrument instrument) {
        return IntStream.iterate(instrument.strings(), string -> string > 0, string -> string - 1)
                .boxed()
                .flatMap(string -> HarmonicNode.all().stream().map(node -> of(instrument, string, 0, node)))
                .filter(harmonic -> harmonic.isOverFingerboard(instrument))
                .toList();
    }

    /**
     * The natural ones that sound a note, at most {@value #OUT_OF_TUNE} cents beside it: one a string, nearest to the nut,
     * the strongest first.
     */
    public static List<Harmonic> sounding(Instrument instrument, int midi) {
        return natural(instrument).stream()
                .filter(harmonic -> harmonic.midi == midi && Math.abs(harmonic.node.cents()) <= OUT_OF_TUNE)
                .collect(Collectors.toMap(Harmonic::string, harmonic -> harmonic, (near, far) -> near))
                .values()
                .stream()
                .sorted(Comparator.comparing(Harmonic::node).thenComparing(Harmonic::string))
                .toList();
    }

    /** The fret over which it is touched, relative to the capo, with its fraction. */
    public double touchFret() {
        return fret + node.frets();
    }

    /** Whether there is a fret to aim at. */
    public boolean isOverFingerboard(Instrument instrument) {
        return touchFret() <= instrument.highestFret();
    }
}
