package phalanx.lefthand.track;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import phalanx.cost.Term;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Finger;
import phalanx.lefthand.shape.Fingering;
import phalanx.lefthand.shape.FingeringFinder;
import phalanx.lefthand.shape.Press;
import phalanx.lefthand.shape.PricedShape;
import phalanx.lefthand.shape.ReachCheck;
import phalanx.lefthand.shape.Shape;
import phalanx.song.Ticks;

/** What hands do from one posture to the next, and what that costs and takes. */
class ChangeTest {
    private static final int ALL_PLUCKED =
            IntStream.range(0, Fingering.FINGERS).reduce(0, (plucks, finger) -> Pace.withPluck(plucks, finger, 1));

    private final Instrument instrument = Instrument.STANDARD;
    private final FingeringFinder finder = FingeringFinder.forShapes(instrument, Hand.AVERAGE);
    private final MoveMeter meter = new MoveMeter(instrument, Hand.AVERAGE);
    private final Pace easy = new Pace(new Clock(20), 0, 4 * Ticks.WHOLE, 0);
    private final Pace eighth = new Pace(new Clock(120), 0, Ticks.QUARTER / 2, 0);

    private Fingering held(String frets) {
        return finder.find(Shape.parse(frets)).get(0).fingering();
    }

    private static Posture press(Press... presses) {
        return Posture.of(new Fingering(List.of(presses)));
    }

    private double cost(Posture from, Posture to) {
        return meter.change(from, to, ALL_PLUCKED, easy).effort().total();
    }

    private double cost(String from, String to) {
        return cost(Posture.of(held(from)), Posture.of(held(to)));
    }

    @Test
    void stayingCostsNothingAndAnchorsMakeAChangeCheap() {
        assertThat(cost("x32010", "x32010")).isZero();
        // two fingers stay between C and Am7, none between C and F
        assertThat(cost("x32010", "x02010")).isLessThan(cost("x32010", "133211"));
    }

    /** A finger that was up is put down from over its own fret: the further, the dearer and the longer. */
    @Test
    void aFingerIsPutDownFromItsRestPlace() {
        Posture open = new Posture(Fingering.OPEN, 5);
        Change near = meter.change(open, press(new Press(Finger.INDEX, 5, 3, 3)), 0, easy);
        Change far = meter.change(open, press(new Press(Finger.INDEX, 5, 6, 6)), 0, easy);
        FingerMove move = far.of(FingerMove.Kind.PLACE).get(0);
        // from the middle of six strings to the sixth at fret 5: 2.5 of five gaps of about 42 mm, common practice
        assertThat(move.mm()).isCloseTo(Math.abs(instrument.acrossMm(6, 5)), within(0.2));
        assertThat(move.needsMs()).isCloseTo(Hand.AVERAGE.travelMs(move.mm()), within(0.01));
        assertThat(far.effort()).isGreaterThan(near.effort());
        assertThat(far.shift()).isEmpty();
        Change away = meter.change(open, press(new Press(Finger.INDEX, 9, 3, 3)), 0, easy);
        assertThat(away.shift().orElseThrow().mm())
                .isCloseTo(instrument.alongMm(9) - instrument.alongMm(5), within(1e-9));
        assertThat(away.effort().term(Term.SHIFTING)).isPositive();
    }

    @Test
    void aGuideIsCheaperThanAJumpOfTheSameDistance() {
        Posture from = press(new Press(Finger.MIDDLE, 5, 3, 3));
        assertThat(cost(from, press(new Press(Finger.MIDDLE, 6, 3, 3))))
                .isLessThan(cost(from, press(new Press(Finger.MIDDLE, 6, 4, 4))));
    }

    /** Only a finger that goes as far as the hand, on its own string, leads it. */
    @Test
    void aShiftIsLedOnlyByAFingerThatSlidesAlong() {
        Posture from = press(new Press(Finger.INDEX, 3, 3, 3), new Press(Finger.MIDDLE, 4, 2, 2));
        Change led = meter.change(from, press(new Press(Finger.INDEX, 8, 3, 3)), ALL_PLUCKED, easy);
        Change jumped = meter.change(from, press(new Press(Finger.INDEX, 8, 4, 4)), ALL_PLUCKED, easy);
        // finger 2 slides one fret while the hand goes five: it leads nothing
        Change idle = meter.change(
                press(new Press(Finger.MIDDLE, 4, 2, 2)),
                new Posture(new Fingering(List.of(new Press(Finger.MIDDLE, 5, 2, 2))), 5),
                ALL_PLUCKED,
                easy);
        assertThat(led.shift().orElseThrow().led()).isTrue();
        assertThat(jumped.shift().orElseThrow().led()).isFalse();
        assertThat(led.effort().term(Term.SHIFTING) * 3)
                .isLessThan(jumped.effort().term(Term.SHIFTING));
        assertThat(idle.shift().map(Shift::led)).isEqualTo(idle.shift().map(shift -> shift.to() - shift.from() <= 2));
    }

    @Test
    void lessTimeThanTheFingerNeedsIsDearAndSaid() {
        Posture from = press(new Press(Finger.INDEX, 1, 6, 6));
        Posture to = press(new Press(Finger.INDEX, 7, 1, 1));
        Change calm = meter.change(from, to, ALL_PLUCKED, easy);
        Change quick = meter.change(from, to, ALL_PLUCKED, eighth);
        assertThat(calm.effort().term(Term.HURRY)).isZero();
        // finger and hand, each at least once the weight
        assertThat(quick.effort().term(Term.HURRY)).isGreaterThan(6);
        FingerMove move = quick.moves().get(0);
        assertThat(move.tooFast()).isTrue();
        // an eighth at 120 lasts 250 ms, and the note may be cut to half of that
        assertThat(move.hasMs()).isEqualTo(125);
        // a finger that plucked nothing has all of it
        assertThat(meter.change(from, to, 0, eighth).moves().get(0).hasMs()).isEqualTo(250);
    }

    @Test
    void aBarreIsLaidAndLifted() {
        Posture open = new Posture(Fingering.OPEN, 5);
        Change tip = meter.change(open, press(new Press(Finger.INDEX, 5, 3, 3)), 0, easy);
        Change barre = meter.change(open, press(new Press(Finger.INDEX, 5, 6, 1)), 0, easy);
        assertThat(barre.moves().get(0).needsMs()).isCloseTo(tip.moves().get(0).needsMs() + 60, within(1.0));
        assertThat(barre.effort()).isGreaterThan(tip.effort());
        Posture laid = press(new Press(Finger.INDEX, 5, 6, 1));
        assertThat(cost(laid, open)).isGreaterThan(cost(press(new Press(Finger.INDEX, 5, 3, 3)), open));
        // on its fret it rolls, which takes time but no way
        Change roll = meter.change(press(new Press(Finger.INDEX, 5, 2, 2)), laid, ALL_PLUCKED, easy);
        assertThat(roll.moves().get(0).kind()).isEqualTo(FingerMove.Kind.ROLL);
        assertThat(roll.moves().get(0).needsMs()).isEqualTo(60);
        // a barre that slides along its strings leads the hand
        assertThat(meter.change(laid, press(new Press(Finger.INDEX, 7, 6, 1)), ALL_PLUCKED, easy)
                        .shift()
                        .orElseThrow()
                        .led())
                .isTrue();
    }

    /** One finger must be gone before another comes to the same string behind it. */
    @Test
    void aFingerWaitsForTheOneWhoseStringItTakesOver() {
        Posture from = press(new Press(Finger.RING, 5, 2, 2));
        Posture same = new Posture(new Fingering(List.of(new Press(Finger.LITTLE, 5, 2, 2))), 3);
        Posture behind = new Posture(new Fingering(List.of(new Press(Finger.INDEX, 3, 2, 2))), 3);
        Posture beyond = new Posture(
                new Fingering(List.of(new Press(Finger.RING, 5, 3, 3), new Press(Finger.LITTLE, 6, 2, 2))), 3);
        int ringPlucked = Pace.withPluck(0, Finger.RING.ordinal(), 1);
        FingerMove waits = meter.change(from, same, ringPlucked, eighth).moves().get(1);
        assertThat(waits.finger()).isEqualTo(Finger.LITTLE);
        assertThat(waits.takesOver()).contains(Finger.RING);
        assertThat(waits.hasMs()).isEqualTo(125);
        // the index is put down behind the ring finger while that sounds
        assertThat(meter.change(from, behind, ringPlucked, eighth)
                        .moves()
                        .get(0)
                        .takesOver())
                .isEmpty();
        FingerMove above =
                meter.change(from, beyond, ringPlucked, eighth).moves().get(1);
        assertThat(above.finger()).isEqualTo(Finger.LITTLE);
        assertThat(above.takesOver()).isEmpty();
        assertThat(above.hasMs()).isEqualTo(250);
        assertThat(meter.change(from, behind, ringPlucked, easy).effort().term(Term.REFINGERING))
                .isPositive();
    }

    @Test
    void theThumbHasItsOwnTravel() {
        Posture open = new Posture(Fingering.OPEN, 2);
        Posture thumb = new Posture(new Fingering(List.of(new Press(Finger.THUMB, 2, 6, 6))), 2);
        FingerMove over = meter.change(open, thumb, 0, easy).moves().get(0);
        assertThat(over.kind()).isEqualTo(FingerMove.Kind.PLACE);
        assertThat(over.mm()).isCloseTo(13, within(0.5));
        Posture up = new Posture(new Fingering(List.of(new Press(Finger.THUMB, 4, 6, 6))), 3);
        FingerMove along = meter.change(thumb, up, ALL_PLUCKED, easy).moves().get(0);
        assertThat(along.mm()).isCloseTo(instrument.alongMm(4) - instrument.alongMm(2), within(1.0));
        assertThat(meter.change(thumb, up, ALL_PLUCKED, easy)
                        .shift()
                        .orElseThrow()
                        .led())
                .isFalse();
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
    void anEffortIsTheSumOfItsTermsToTheLastDigit() {
        PricedShape f = finder.find(Shape.parse("133211")).get(0);
        assertThat(f.effort().terms()).containsKeys(Term.BARRE, Term.LITTLE_FINGER, Term.FINGERS);
        double sum = f.effort().terms().values().stream()
                .mapToDouble(Double::doubleValue)
                .sum();
        assertThat(f.effort().total()).isCloseTo(sum, within(1e-9));
        assertThat(f.effort().side(Term.Side.HAND) + f.effort().side(Term.Side.EAR))
                .isCloseTo(sum, within(1e-9));
        assertThat(f.effort().plus(f.effort()).grains())
                .isEqualTo(2 * f.effort().grains());
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

    private List<String> moves(String from, String to) {
        return Change.onTheBeat(held(from), held(to), instrument, Hand.AVERAGE, 90).moves().stream()
                .map(move -> move.finger().symbol() + " " + move.kind().label())
                .toList();
    }

    /** The chain of five shapes on the middle strings: what stays and what goes. Common practice, no source. */
    @Test
    void theChainMovesAsFewFingersAsItCan() {
        assertThat(moves("x 7 5 7 7 x", "x 6 5 6 7 x")).containsExactly("1 stays", "2 slides", "3 slides", "4 stays");
        assertThat(moves("x 6 5 6 7 x", "x 6 5 7 6 x")).startsWith("1 stays", "2 stays");
        Change third = Change.onTheBeat(held("x 7 5 7 7 x"), held("x 6 5 6 7 x"), instrument, Hand.AVERAGE, 90);
        double fret = instrument.alongMm(7) - instrument.alongMm(6);
        assertThat(third.of(FingerMove.Kind.GUIDE))
                .hasSize(2)
                .allSatisfy(move -> assertThat(move.mm()).isCloseTo(fret, within(0.5)))
                .anySatisfy(move -> assertThat(move.squeaks()).isTrue());
        assertThat(third.shift()).isEmpty();
    }

    @Test
    void aChangeSaysWhatItNeedsAndHas() {
        Fingering from = new Fingering(List.of(new Press(Finger.MIDDLE, 3, 6, 6)));
        Fingering to = new Fingering(List.of(new Press(Finger.MIDDLE, 3, 1, 1), new Press(Finger.RING, 3, 2, 2)));
        Change change = Change.onTheBeat(from, to, instrument, Hand.AVERAGE, 100);
        FingerMove jump = change.slowest().orElseThrow();
        assertThat(jump.kind()).isEqualTo(FingerMove.Kind.JUMP);
        assertThat(jump.words()).isEqualTo("finger 2 goes from string 6, fret 3 to string 1, fret 3");
        assertThat(jump.needsMs()).isCloseTo(Hand.AVERAGE.travelMs(jump.mm()), within(0.001));
        assertThat(jump.hasMs()).isEqualTo(300);
        // the figures of the package comment
        assertThat(jump.mm()).isCloseTo(40, within(0.5));
        assertThat(jump.needsMs()).isCloseTo(171, within(0.5));
        FingerMove placed = change.of(FingerMove.Kind.PLACE).get(0);
        assertThat(placed.mm()).isCloseTo(33, within(0.5));
        assertThat(placed.needsMs()).isCloseTo(159, within(0.5));
        assertThat(placed.hasMs()).isEqualTo(600);
        Change faster = Change.onTheBeat(from, to, instrument, Hand.AVERAGE, Math.floor(change.tempoCeiling()));
        assertThat(faster.moves()).noneMatch(FingerMove::tooFast);
        Change tooFast = Change.onTheBeat(from, to, instrument, Hand.AVERAGE, Math.floor(change.tempoCeiling()) + 1);
        assertThat(tooFast.moves()).anyMatch(FingerMove::tooFast);
        assertThat(change.of(FingerMove.Kind.PLACE))
                .extracting(FingerMove::words)
                .containsExactly("finger 3 comes down on string 2, fret 3");
        assertThat(Change.onTheBeat(from, from, instrument, Hand.AVERAGE, 100).tempoCeiling())
                .isInfinite();
    }

    /**
     * Two notes a time on strings 3 and 1 down the neck, quickly over an open bass: once on its way finger 2 stays on
     * string 3 as a guide, and string 1 takes finger 1 where its fret is lower. Common practice, no source.
     */
    @Test
    void pairsOnTwoStringsAreLedByOneGuide() {
        FingeringFinder plucking = FingeringFinder.forPlucking(instrument, Hand.AVERAGE);
        List<String> pairs = List.of("12 x 11", "10 x 10", "8 x 8", "7 x 6", "3 x 3", "5 x 4");
        List<List<PricedShape>> ways = pairs.stream()
                .map(pair -> plucking.find(Shape.parse("0 x x " + pair)))
                .toList();
        Pace quick = new Pace(new Clock(120), 0, Ticks.QUARTER, 0);
        double[] best =
                ways.get(0).stream().mapToDouble(way -> way.effort().total()).toArray();
        int[][] back = new int[ways.size()][];
        for (int at = 1; at < ways.size(); at++) {
            double[] next = new double[ways.get(at).size()];
            back[at] = new int[next.length];
            for (int to = 0; to < next.length; to++) {
                next[to] = Double.POSITIVE_INFINITY;
                for (int from = 0; from < best.length; from++) {
                    double cost = best[from]
                            + meter.change(
                                            Posture.of(
                                                    ways.get(at - 1).get(from).fingering()),
                                            Posture.of(ways.get(at).get(to).fingering()),
                                            ALL_PLUCKED,
                                            quick)
                                    .effort()
                                    .total()
                            + ways.get(at).get(to).effort().total();
                    if (cost < next[to]) {
                        next[to] = cost;
                        back[at][to] = from;
                    }
                }
            }
            best = next;
        }
        int end = 0;
        for (int i = 0; i < best.length; i++) {
            end = best[i] < best[end] ? i : end;
        }
        List<String> fingers = new ArrayList<>();
        for (int at = ways.size() - 1; at >= 0; at--) {
            Fingering way = ways.get(at).get(end).fingering();
            fingers.add(
                    0,
                    way.stopping(3).orElseThrow().finger().symbol()
                            + way.stopping(1).orElseThrow().finger().symbol());
            end = at == 0 ? 0 : back[at][end];
        }
        assertThat(fingers.subList(1, fingers.size())).allMatch(pair -> pair.startsWith("2"));
        assertThat(fingers).endsWith("21").contains("23");
    }
}
