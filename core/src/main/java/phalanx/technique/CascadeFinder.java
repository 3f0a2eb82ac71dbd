package phalanx.technique;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import phalanx.guitar.Instrument;
import phalanx.theory.Key;
import phalanx.theory.Note;
import phalanx.words.Words;

/** Finds barres over which a cascade sounds a scale. */
public final class CascadeFinder {
    /** A scale by the semitones over its tonic. Common knowledge, no source. */
    private enum Scale {
        MINOR_PENTATONIC(0, 3, 5, 7, 10),
        MAJOR_PENTATONIC(0, 2, 4, 7, 9),
        MAJOR(0, 2, 4, 5, 7, 9, 11),
        MINOR(0, 2, 3, 5, 7, 8, 10);

        private final TreeSet<Integer> steps = new TreeSet<>();

        Scale(int... steps) {
            for (int step : steps) {
                this.steps.add(step);
            }
        }
    }

    /** The least different notes that make a scale. */
    private static final int LEAST = 5;

    private final Instrument instrument;

    public CascadeFinder(Instrument instrument) {
        this.instrument = instrument;
    }

    /**
     * A cascade over a barre, or over the open strings.
     *
     * @param fret of the barre, 0 for none
     * @param node where the strings are touched
     * @param scale that it sounds
     */
    public record Found(int fret, HarmonicNode node, Cascade cascade, String scale) {}

    /** Those whose notes are a scale without a gap, or at least five notes of one by steps; the lowest barre first. */
    public List<Found> find() {
        List<Found> found = new ArrayList<>();
        for (int fret = 0; fret <= instrument.highestFret(); fret++) {
            for (int n = 2; n <= 4; n++) {
                HarmonicNode node = new HarmonicNode(1, n);
                cascade(fret, node).filter(Cascade::isStepwise).ifPresent(cascade -> scale(cascade)
                        .ifPresent(scale -> found.add(new Found(fretOf(cascade), node, cascade, scale))));
            }
        }
        return found;
    }

    private static int fretOf(Cascade cascade) {
        return cascade.steps().get(0).fret();
    }

    private Optional<Cascade> cascade(int fret, HarmonicNode node) {
        try {
            return Optional.of(Cascade.usual(instrument, Collections.nCopies(instrument.strings(), fret), node));
        } catch (IllegalArgumentException e) {
            // no fret to aim at so high on the neck
            return Optional.empty();
        }
    }

    /** The first scale that is made of just these notes, else the first that has them all. */
    private static Optional<String> scale(Cascade cascade) {
        TreeSet<Integer> notes = new TreeSet<>();
        cascade.line().forEach(midi -> notes.add(midi % 12));
        if (notes.size() < LEAST) {
            return Optional.empty();
        }
        return named(cascade, notes, true).or(() -> named(cascade, notes, false));
    }

    private static Optional<String> named(Cascade cascade, TreeSet<Integer> notes, boolean whole) {
        for (Scale scale : Scale.values()) {
            for (int midi : cascade.line()) {
                TreeSet<Integer> over = new TreeSet<>();
                notes.forEach(note -> over.add(Math.floorMod(note - midi, 12)));
                if (whole ? over.equals(scale.steps) : scale.steps.containsAll(over)) {
                    Note tonic = Key.C_MAJOR.spell(midi % 12);
                    return Optional.of(tonic + " " + Words.name(scale));
                }
            }
        }
        return Optional.empty();
    }
}
