package phalanx.lefthand;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;

class ChangeTest {
    private final Instrument instrument = Instrument.STANDARD;
    private final FingeringFinder finder = FingeringFinder.forShapes(instrument, Hand.AVERAGE);
    private final ChangeMeter meter = new ChangeMeter(instrument, Hand.AVERAGE);
    private final Pace easy = new Pace(1000, 1000);

    private Stance stance(String frets) {
        return new Stance(finder.find(Shape.parse(frets)).get(0).fingering(), 1);
    }

    private double cost(String from, String to) {
        return meter.cost(stance(from), stance(to), easy, 0);
    }

    private static Stance press(Press... presses) {
        return new Stance(new Fingering(List.of(presses)), 1);
    }

    @Test
    void stayingCostsNothingAndAnchorsMakeAChangeCheap() {
        assertThat(cost("x32010", "x32010")).isZero();
        // two fingers stay between C and Am7, none between C and F
        assertThat(cost("x32010", "x02010")).isLessThan(cost("x32010", "133211"));
    }

    @Test
    void aGuideIsCheaperThanAJumpOfTheSameDistance() {
        Stance from = press(new Press(Finger.MIDDLE, 5, 3, 3));
        Stance guide = press(new Press(Finger.MIDDLE, 6, 3, 3));
        Stance jump = press(new Press(Finger.MIDDLE, 6, 4, 4));
        assertThat(meter.cost(from, guide, easy, 0)).isLessThan(meter.cost(from, jump, easy, 0));
    }

    @Test
    void lessTimeThanTheFingerNeedsIsDear() {
        Stance from = press(new Press(Finger.INDEX, 1, 6, 6));
        Stance to = press(new Press(Finger.INDEX, 7, 1, 1));
        Pace hurried = new Pace(1000, 60);
        double late = meter.cost(from, to, hurried, 1);
        assertThat(late).isGreaterThan(meter.cost(from, to, hurried, 0) + 3);
        assertThat(meter.cost(from, to, hurried, 0)).isEqualTo(meter.cost(from, to, easy, 1));
    }

    @Test
    void reachOfABarreCountsFromItsNearestString() {
        Press barre = new Press(Finger.INDEX, 5, 6, 1);
        Press over = new Press(Finger.RING, 7, 5, 5);
        Press beside = new Press(Finger.INDEX, 5, 3, 1);
        double along = instrument.alongMm(7) - instrument.alongMm(5);
        assertThat(Fingering.reach(barre, over, instrument))
                .isBetween(along, along + 0.5)
                .isEqualTo(Fingering.reach(over, barre, instrument));
        assertThat(Fingering.reach(beside, over, instrument)).isGreaterThan(along + 2);
    }

    @Test
    void anEffortIsTheSumOfItsTermsAndCanBeTakenApart() {
        Fingered f = finder.find(Shape.parse("133211")).get(0);
        assertThat(f.effort().terms()).containsKeys(EffortTerm.BARRE, EffortTerm.LITTLE_FINGER, EffortTerm.FINGERS);
        double sum = f.effort().terms().values().stream()
                .mapToDouble(Double::doubleValue)
                .sum();
        assertThat(f.effort().total()).isCloseTo(sum, within(1e-9));
        Effort more = f.effort().plus(EffortTerm.CHANGE, 2);
        assertThat(more.total()).isCloseTo(sum + 2, within(1e-9));
        assertThat(more).isGreaterThan(f.effort());
    }

    @Test
    void everyReasonAgainstAFingeringIsSaid() {
        ReachCheck check = new ReachCheck(instrument, Hand.AVERAGE);
        assertThat(check.check(Shape.parse("133211"), List.of("1", "3", "4", "2", "1", "1"))
                        .playable())
                .isTrue();
        assertThat(check.check(Shape.parse("103211"), List.of("1", "0", "4", "2", "1", "1"))
                        .reasons())
                .singleElement()
                .asString()
                .contains("string 5 at fret 0 lies under the barre");
        assertThat(check.check(Shape.parse("x32010"), List.of("0", "3", "0", "0", "1", "0"))
                        .reasons())
                .containsExactly("no finger is given for fret 2 of string 4");
        assertThat(check.check(Shape.parse("xx0232"), List.of("0", "0", "0", "T", "3", "2"))
                        .reasons())
                .singleElement()
                .asString()
                .contains("thumb");
    }

    private Fingering held(String frets) {
        return finder.find(Shape.parse(frets)).get(0).fingering();
    }

    private List<String> moves(String from, String to) {
        return Change.between(held(from), held(to), instrument, Hand.AVERAGE).moves().stream()
                .map(move -> move.finger().symbol() + " " + move.kind().label())
                .toList();
    }

    /** The chain of five shapes on the middle strings: what stays and what goes. Common practice, no source. */
    @Test
    void theChainMovesAsFewFingersAsItCan() {
        assertThat(moves("x 7 5 7 7 x", "x 6 5 6 7 x")).containsExactly("1 stays", "2 slides", "3 slides", "4 stays");
        assertThat(moves("x 6 5 6 7 x", "x 6 5 7 6 x")).startsWith("1 stays", "2 stays");
        Change third = Change.between(held("x 7 5 7 7 x"), held("x 6 5 6 7 x"), instrument, Hand.AVERAGE);
        double fret = instrument.alongMm(7) - instrument.alongMm(6);
        assertThat(third.of(FingerMove.Kind.GUIDE))
                .hasSize(2)
                .allSatisfy(move -> assertThat(move.travelMm()).isCloseTo(fret, within(0.5)))
                .anySatisfy(move -> assertThat(move.squeaks()).isTrue());
    }

    @Test
    void aChangeSaysWhatItNeedsAndHas() {
        Fingering from = new Fingering(List.of(new Press(Finger.MIDDLE, 3, 6, 6)));
        Fingering to = new Fingering(List.of(new Press(Finger.MIDDLE, 3, 1, 1), new Press(Finger.RING, 3, 2, 2)));
        Change change = Change.between(from, to, instrument, Hand.AVERAGE);
        FingerMove jump = change.slowest().orElseThrow();
        assertThat(jump.kind()).isEqualTo(FingerMove.Kind.JUMP);
        assertThat(jump.words()).isEqualTo("finger 2 goes from string 6, fret 3 to string 1, fret 3");
        assertThat(jump.needsMs()).isCloseTo(Hand.AVERAGE.travelMs(jump.travelMm()), within(1e-9));
        assertThat(Change.hasMs(change.tempoCeiling())).isCloseTo(jump.needsMs(), within(1e-6));
        assertThat(change.of(FingerMove.Kind.PLACE))
                .extracting(FingerMove::words)
                .containsExactly("finger 3 comes down on string 2, fret 3");
        assertThat(Change.between(from, from, instrument, Hand.AVERAGE).tempoCeiling())
                .isInfinite();
        assertThat(Change.between(from, Fingering.OPEN, instrument, Hand.AVERAGE)
                        .moves())
                .extracting(FingerMove::words)
                .containsExactly("finger 2 lifts from string 6, fret 3");
    }

    /**
     * Two notes a time on strings 3 and 1 up and down the neck, quickly over an open bass: one finger stays on its
     * string as a guide, the other string changes fingers. Common practice, no source.
     */
    @Test
    void pairsOnTwoStringsAreLedByOneGuide() {
        FingeringFinder plucking = FingeringFinder.forPlucking(instrument, Hand.AVERAGE);
        List<List<Fingered>> ways = Stream.of("12 x 11", "10 x 10", "8 x 8", "7 x 6", "3 x 3", "5 x 4")
                .map(pair -> plucking.find(Shape.parse("0 x x " + pair)))
                .toList();
        Pace quick = new Pace(250, 250);
        LayeredPath.Way way = new LayeredPath().cheapest(new LayeredPath.Graph() {
            @Override
            public int layers() {
                return ways.size();
            }

            @Override
            public int candidates(int layer) {
                return ways.get(layer).size();
            }

            @Override
            public long cost(int layer, int candidate) {
                return PathCost.pack(
                        0, 0, ways.get(layer).get(candidate).effort().total());
            }

            @Override
            public long change(int layer, int from, int to, long enough) {
                Stance before = new Stance(ways.get(layer - 1).get(from).fingering(), 1);
                return PathCost.pack(
                        0,
                        0,
                        meter.cost(before, new Stance(ways.get(layer).get(to).fingering(), 1), quick, 0));
            }
        });
        List<Integer> guides = new ArrayList<>();
        for (int string : new int[] {1, 3}) {
            long fingers = IntStream.range(0, ways.size())
                    .mapToObj(at -> ways.get(at)
                            .get(way.candidates().get(at))
                            .fingering()
                            .stopping(string)
                            .orElseThrow()
                            .finger())
                    .distinct()
                    .count();
            if (fingers == 1) {
                guides.add(string);
            }
        }
        assertThat(guides).hasSize(1);
    }
}
