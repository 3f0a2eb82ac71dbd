package phalanx.lefthand;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import phalanx.guitar.Instrument;
import phalanx.guitar.Reach;

/**
 * Which fingers hold a shape.
 *
 * @param presses in order of finger number, the thumb last
 */
public record Fingering(List<Press> presses) {
    public static final Fingering OPEN = new Fingering(List.of());

    public Fingering {
        presses = List.copyOf(presses);
    }

    /** The same with one more press. */
    public Fingering with(Press press) {
        List<Press> more = new ArrayList<>(presses);
        more.add(press);
        more.sort(Comparator.comparing(Press::finger));
        return new Fingering(more);
    }

    /** The press of a finger, if it is used. */
    public Optional<Press> press(Finger finger) {
        return presses.stream().filter(press -> press.finger() == finger).findFirst();
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
            Optional<Press> low = press(Finger.values()[pair.low() - 1]);
            Optional<Press> high = press(Finger.values()[pair.high() - 1]);
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
        return Math.hypot(along, across);
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
