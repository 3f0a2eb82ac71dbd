package phalanx.lefthand.shape;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.guitar.Reach;
import phalanx.words.Words;

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
            String reason = wording(
                    "ReachCheck.no-four-fingers-can-press", hand.thumbOver() ? wording("ReachCheck.and-thumb") : "");
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
                    wording("ReachCheck.fingers-for-strings-the-shape", symbols.size(), shape.strings()));
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
                        Words.figures(),
                        wording("ReachCheck.fingers-and-must-reach-mm"),
                        pair.low(),
                        pair.high(),
                        mm,
                        hand.greatestMm(pair)));
            }
        });
        if (reasons.isEmpty() && !finder.holds(fingering)) {
            reasons.add(wording("ReachCheck.the-thumb-cannot-stand-there"));
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
                    reasons.add(wording(
                            "ReachCheck.finger-on-fret-would-stand",
                            high.finger().symbol(),
                            high.fret(),
                            low.finger().symbol(),
                            low.fret()));
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
                reasons.add(wording("ReachCheck.no-finger-is-given-for", shape.fret(string), string));
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
            reasons.add(wording("ReachCheck.finger-cannot-press-strings-that", finger.symbol(), strings.size()));
            return;
        }
        for (int string = treble; string <= bass; string++) {
            int sounds = shape.fret(string);
            if (sounds >= 0 && sounds < fret) {
                reasons.add(wording("ReachCheck.string-at-fret-lies-under", string, sounds, finger.symbol(), fret));
            }
        }
        presses.add(new Press(finger, fret, bass, treble));
    }
}
