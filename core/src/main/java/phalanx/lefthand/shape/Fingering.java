package phalanx.lefthand.shape;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import phalanx.guitar.Instrument;
import phalanx.guitar.Reach;

/**
 * Which fingers press where at one moment: each of the five at most once.
 *
 * @param presses in order of finger number, the thumb last
 */
public record Fingering(List<Press> presses) {
    /** How many fingers there are, the thumb as the last. */
    public static final int FINGERS = Finger.values().length;

    /** The thumb's place among them, from 0. */
    public static final int THUMB = Finger.THUMB.ordinal();

    public static final Fingering OPEN = new Fingering(List.of());

    private static final Finger[] ALL = Finger.values();

    /**
     * @param presses in any order
     * @throws IllegalArgumentException if a finger has two of them
     */
    public Fingering {
        List<Press> ordered = new ArrayList<>(presses);
        ordered.sort(Comparator.comparing(Press::finger));
        for (int i = 1; i < ordered.size(); i++) {
            if (ordered.get(i).finger() == ordered.get(i - 1).finger()) {
                throw new IllegalArgumentException(wording(
                        "Fingering.finger-presses-in-two-places",
                        ordered.get(i).finger().symbol()));
            }
        }
        presses = List.copyOf(ordered);
    }

    /**
     * Of packed presses.
     *
     * @param presses that of each finger, 0 where it is up
     */
    public static Fingering ofPacked(int[] presses) {
        List<Press> all = new ArrayList<>(FINGERS);
        for (int finger = 0; finger < FINGERS; finger++) {
            if (presses[finger] != 0) {
                all.add(Press.of(ALL[finger], presses[finger]));
            }
        }
        return new Fingering(all);
    }

    /** The packed press of a finger by its number from 0, 0 where it is up; see {@link Press#pack}. */
    public int packed(int finger) {
        return packed()[finger];
    }

    /** The packed presses of all fingers. */
    public int[] packed() {
        int[] packed = new int[FINGERS];
        for (Press press : presses) {
            packed[press.finger().ordinal()] = press.packed();
        }
        return packed;
    }

    /** The same with one more press. */
    public Fingering with(Press press) {
        List<Press> more = new ArrayList<>(presses);
        more.add(press);
        return new Fingering(more);
    }

    /** The press of a finger, if it is used. */
    public Optional<Press> press(Finger finger) {
        for (Press press : presses) {
            if (press.finger() == finger) {
                return Optional.of(press);
            }
        }
        return Optional.empty();
    }

    /** The press that stops a string at the fret it sounds: the highest one on it. */
    public Optional<Press> stopping(int string) {
        Press best = null;
        for (Press press : presses) {
            if (press.covers(string) && (best == null || press.fret() > best.fret())) {
                best = press;
            }
        }
        return Optional.ofNullable(best);
    }

    /** The distances of all pairs of fingers 1 to 4 in use, in mm. */
    public Map<Reach.Pair, Double> reaches(Instrument instrument) {
        Map<Reach.Pair, Double> reaches = new LinkedHashMap<>();
        for (Reach.Pair pair : Reach.PAIRS) {
            Optional<Press> low = press(ALL[pair.low() - 1]);
            Optional<Press> high = press(ALL[pair.high() - 1]);
            if (low.isPresent() && high.isPresent()) {
                reaches.put(pair, reach(low.get(), high.get(), instrument));
            }
        }
        return reaches;
    }

    /** The straight distance between two fingertips in mm; of a barre, its string nearest to the other finger counts. */
    public static double reach(Press a, Press b, Instrument instrument) {
        int gap = Math.max(0, Math.max(a.trebleString() - b.bassString(), b.trebleString() - a.bassString()));
        int stringOfA = gap == 0 ? Math.min(a.bassString(), b.bassString()) : nearEnd(a, b);
        int stringOfB = gap == 0 ? stringOfA : nearEnd(b, a);
        double along = instrument.alongMm(a.fret()) - instrument.alongMm(b.fret());
        double across = instrument.acrossMm(stringOfA, a.fret()) - instrument.acrossMm(stringOfB, b.fret());
        return Math.sqrt(along * along + across * across);
    }

    private static int nearEnd(Press of, Press to) {
        return of.trebleString() > to.bassString() ? of.trebleString() : of.bassString();
    }

    /** Finger symbols from the lowest string to string 1, "0" where no finger stops the string. */
    public List<String> symbols(Shape shape) {
        List<String> symbols = new ArrayList<>();
        for (int string = shape.strings(); string >= 1; string--) {
            boolean stopped = shape.fret(string) > 0;
            symbols.add(stopped ? stopping(string).map(p -> p.finger().symbol()).orElse("0") : "0");
        }
        return symbols;
    }
}
