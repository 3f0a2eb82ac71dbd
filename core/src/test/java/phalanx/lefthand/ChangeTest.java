package phalanx.lefthand;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
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
}
