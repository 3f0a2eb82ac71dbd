package phalanx.lefthand.shape;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.guitar.Reach;

/** Answers whether a shape can be held, by given fingers or by the easiest ones, and if not, why. */
public final class ReachCheck {
    private final Instrument instrument;
    private final Hand hand;
    private final FingeringFinder finder;

    public ReachCheck(Instrument instrument, Hand hand) {
        this.instrument = instrument;
        this.hand = hand;
        this.finder = FingeringFinder.forShapes(instrument, hand);
    }

    /** The easiest way to hold a shape; if there is none, what stands in the way. */
    public ReachReport check(Shape shape) {
        List<PricedShape> ways = finder.find(shape);
        if (!ways.isEmpty()) {
            return playable(ways.get(0));
        }
        Hand largest = hand.withReach(Reach.ofSpan(Reach.LARGEST_SPAN_MM));
        List<PricedShape> stretched =
                FingeringFinder.forShapes(instrument, largest).find(shape);
        if (stretched.isEmpty()) {
            String reason = "no four fingers"
                    + (hand.thumbOver() ? " and thumb" : "")
                    + " can press these frets at once: too many places, too far apart, or an open string under a barre";
            return new ReachReport(shape, false, List.of(), Map.of(), 0, List.of(reason));
        }
        return report(shape, stretched.get(0).fingering());
    }

    /**
     * Whether given fingers hold a shape.
     *
     * @param symbols a symbol for each string from the lowest: 1 to 4, T, or 0 for none
     * @throws IllegalArgumentException if a symbol is none of these or their number is wrong
     */
    public ReachReport check(Shape shape, List<String> symbols) {
        if (symbols.size() != shape.strings()) {
            throw new IllegalArgumentException(
                    "fingers for " + symbols.size() + " strings, the shape has " + shape.strings());
        }
        finder.find(shape);
        List<String> reasons = new ArrayList<>();
        Fingering fingering = fingering(shape, symbols, reasons);
        if (!reasons.isEmpty()) {
            return new ReachReport(shape, false, symbols, Map.of(), 0, reasons);
        }
        return report(shape, fingering);
    }

    private ReachReport playable(PricedShape way) {
        return new ReachReport(
                way.shape(),
                true,
                way.fingers(),
                way.fingering().reaches(instrument),
                way.effort().total(),
                caution(way.fingering()));
    }

    /** A stretch is playable; what it asks of the hand is said all the same. */
    private List<String> caution(Fingering fingering) {
        return Stretch.of(fingering.presses(), instrument, hand)
                .filter(Stretch::isStretched)
                .map(Stretch::words)
                .stream()
                .toList();
    }

    private ReachReport report(Shape shape, Fingering fingering) {
        List<String> reasons = new ArrayList<>();
        addWrongOrder(fingering, reasons);
        Map<Reach.Pair, Double> reaches = fingering.reaches(instrument);
        reaches.forEach((pair, mm) -> {
            if (mm > hand.greatestMm(pair)) {
                reasons.add(String.format(
                        Locale.ROOT,
                        "fingers %d and %d must reach %.0f mm, the limit is %.0f mm",
                        pair.low(),
                        pair.high(),
                        mm,
                        hand.greatestMm(pair)));
            }
        });
        if (reasons.isEmpty() && !finder.holds(fingering)) {
            reasons.add("the thumb cannot stand there: it works on the lowest string, from one fret below the index "
                    + "to two above");
        }
        return new ReachReport(
                shape,
                reasons.isEmpty(),
                fingering.symbols(shape),
                reaches,
                finder.effort(shape, fingering).total(),
                reasons.isEmpty() ? caution(fingering) : reasons);
    }

    private static void addWrongOrder(Fingering fingering, List<String> reasons) {
        for (Press low : fingering.presses()) {
            for (Press high : fingering.presses()) {
                boolean fingers = low.finger() != Finger.THUMB && high.finger() != Finger.THUMB;
                if (fingers && low.finger().number() < high.finger().number() && low.fret() > high.fret()) {
                    reasons.add("finger " + high.finger().symbol() + " on fret " + high.fret()
                            + " would stand below finger " + low.finger().symbol() + " on fret " + low.fret());
                }
            }
        }
    }

    private static Fingering fingering(Shape shape, List<String> symbols, List<String> reasons) {
        Map<Finger, List<Integer>> strings = new TreeMap<>();
        for (int i = 0; i < symbols.size(); i++) {
            int string = shape.strings() - i;
            boolean none = symbols.get(i).equals("0") || symbols.get(i).equalsIgnoreCase("x");
            if (!none) {
                strings.computeIfAbsent(Finger.of(symbols.get(i)), finger -> new ArrayList<>())
                        .add(string);
            } else if (shape.fret(string) > 0) {
                reasons.add("no finger is given for fret " + shape.fret(string) + " of string " + string);
            }
        }
        List<Press> presses = new ArrayList<>();
        strings.forEach((finger, own) -> addPress(shape, finger, own, presses, reasons));
        return new Fingering(presses);
    }

    private static void addPress(
            Shape shape, Finger finger, List<Integer> strings, List<Press> presses, List<String> reasons) {
        int bass = strings.get(0);
        int treble = strings.get(strings.size() - 1);
        int fret = shape.fret(bass);
        if (strings.stream().anyMatch(string -> shape.fret(string) != fret) || fret < 1) {
            reasons.add("finger " + finger.symbol() + " cannot press " + strings.size()
                    + " strings that are not at one fret");
            return;
        }
        for (int string = treble; string <= bass; string++) {
            int sounds = shape.fret(string);
            if (sounds >= 0 && sounds < fret) {
                reasons.add("string " + string + " at fret " + sounds + " lies under the barre of finger "
                        + finger.symbol() + " at fret " + fret);
            }
        }
        presses.add(new Press(finger, fret, bass, treble));
    }
}
