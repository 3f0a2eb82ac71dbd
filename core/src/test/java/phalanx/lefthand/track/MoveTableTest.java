package phalanx.lefthand.track;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.HashSet;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import phalanx.cost.Weights;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Fingering;
import phalanx.lefthand.shape.Neck;
import phalanx.lefthand.shape.Press;

/**
 * Each word of the table against the same reckoned anew from millimetres: Fitts' law as the hand's measures have it
 * (P. Fitts, J. Exp. Psychol. 47, 1954, from memory), and the weights as their lines say.
 */
class MoveTableTest {
    private static final int STRINGS = 6;
    private static final Hand HAND = Hand.AVERAGE;
    /** Efforts are kept in thousandths. */
    private static final double ROUNDED = 0.5001;

    private final Instrument guitar = Instrument.STANDARD;
    private final Neck neck = new Neck(guitar);
    private final MoveTable table = new MoveTable(neck, new RestPlaces(neck), HAND);

    private static double fittsMs(double mm) {
        return HAND.speed().reactionMs()
                + HAND.speed().difficultyMs() * Math.log(mm / Hand.TIP_WIDTH_MM + 1) / Math.log(2);
    }

    private double mm(int string, int fret, int otherString, int otherFret) {
        return Math.hypot(
                guitar.alongMm(fret) - guitar.alongMm(otherFret),
                guitar.acrossMm(string, fret) - guitar.acrossMm(otherString, otherFret));
    }

    private int tip(int fret, int string) {
        return table.number(Press.pack(fret, string, string));
    }

    private int anyPress(Random random) {
        int treble = 1 + random.nextInt(STRINGS);
        int bass = random.nextBoolean() ? treble : treble + random.nextInt(STRINGS - treble + 1);
        return table.number(Press.pack(1 + random.nextInt(guitar.highestFret()), bass, treble));
    }

    @Example
    void everyPressHasANumberOfItsOwn() {
        Set<Integer> numbers = new HashSet<>();
        for (int fret = 1; fret <= guitar.highestFret(); fret++) {
            for (int bass = 1; bass <= STRINGS; bass++) {
                for (int treble = 1; treble <= bass; treble++) {
                    int press = Press.pack(fret, bass, treble);
                    int number = table.number(press);
                    assertThat(number).isPositive().isLessThan(table.numbers());
                    assertThat(table.packed(number)).isEqualTo(press);
                    numbers.add(number);
                }
            }
        }
        assertThat(numbers).hasSize(table.numbers() - 1);
        assertThat(table.number(0)).isZero();
    }

    /** The figures of the class comment. */
    @Example
    void theExampleOfTheComment() {
        long word = table.move(tip(3, 5), tip(3, 6));
        assertThat(mm(5, 3, 6, 3)).isCloseTo(8, within(0.5));
        assertThat(MoveTable.us(word) / 1000.0).isCloseTo(91, within(1.5));
        assertThat(MoveTable.effort(word) / 1000.0).isCloseTo(0.4, within(0.01));
        assertThat(MoveTable.slides(word)).isFalse();
    }

    @Property(tries = 400)
    void tipsSlideOnTheirStringAndJumpToAnother(@ForAll long seed) {
        Random random = new Random(seed);
        int string = 1 + random.nextInt(STRINGS);
        int otherString = random.nextBoolean() ? string : 1 + random.nextInt(STRINGS);
        int fret = 1 + random.nextInt(guitar.highestFret());
        int otherFret = 1 + random.nextInt(guitar.highestFret());
        long word = table.move(tip(fret, string), tip(otherFret, otherString));
        if (string == otherString && fret == otherFret) {
            assertThat(word).isZero();
            return;
        }
        boolean slides = string == otherString;
        double mm = mm(string, fret, otherString, otherFret);
        double effort = slides
                ? Weights.GUIDE + Weights.GUIDE_PER_100_MM * mm / 100
                : Weights.JUMP + Weights.JUMP_PER_100_MM * mm / 100;
        assertThat(MoveTable.slides(word)).isEqualTo(slides);
        assertThat((double) MoveTable.effort(word)).isCloseTo(1000 * effort, within(ROUNDED));
        assertThat((double) MoveTable.us(word)).isCloseTo(1000 * fittsMs(mm), within(ROUNDED));
    }

    @Property(tries = 400)
    void barresTakeTimeToLayAndToLift(@ForAll long seed) {
        Random random = new Random(seed);
        int from = table.packed(anyPress(random));
        int to = table.packed(anyPress(random));
        boolean fromBarre = Press.bassString(from) > Press.trebleString(from);
        boolean toBarre = Press.bassString(to) > Press.trebleString(to);
        boolean common =
                Press.trebleString(from) <= Press.bassString(to) && Press.trebleString(to) <= Press.bassString(from);
        boolean sameStrings =
                Press.bassString(from) == Press.bassString(to) && Press.trebleString(from) == Press.trebleString(to);
        if (from == to) {
            return;
        }
        long word = table.move(table.number(from), table.number(to));
        double barreMs = (toBarre ? 60 : 0) + (fromBarre ? 30 : 0);
        double barreEffort = (toBarre ? Weights.LAY_BARRE : 0) + (fromBarre ? Weights.LIFT_BARRE : 0);
        double effort;
        double ms;
        if (common && Press.fret(from) == Press.fret(to)) {
            effort = Weights.ROLL;
            ms = barreMs;
        } else {
            double nearest = Double.MAX_VALUE;
            for (int string = Press.trebleString(from); string <= Press.bassString(from); string++) {
                for (int other = Press.trebleString(to); other <= Press.bassString(to); other++) {
                    if (!common
                            || string == other && string == Math.min(Press.bassString(from), Press.bassString(to))) {
                        nearest = Math.min(nearest, mm(string, Press.fret(from), other, Press.fret(to)));
                    }
                }
            }
            effort = (common ? Weights.GUIDE : Weights.JUMP)
                    + (common ? Weights.GUIDE_PER_100_MM : Weights.JUMP_PER_100_MM) * nearest / 100
                    + (sameStrings ? 0 : barreEffort);
            ms = fittsMs(nearest) + (sameStrings ? 0 : barreMs);
        }
        assertThat((double) MoveTable.effort(word)).isCloseTo(1000 * effort, within(ROUNDED));
        assertThat((double) MoveTable.us(word)).isCloseTo(1000 * ms, within(ROUNDED));
    }

    /** Fingers wait over the middle of the strings, a fret each from the position on; the thumb behind the lowest string. */
    @Property(tries = 400)
    void fingersArePutDownFromWhereTheyWait(@ForAll long seed) {
        Random random = new Random(seed);
        int finger = random.nextInt(Fingering.FINGERS);
        int position = 1 + random.nextInt(12);
        int string = 1 + random.nextInt(STRINGS);
        int fret = 1 + random.nextInt(15);
        boolean thumb = finger == Fingering.THUMB;
        int over = Math.min(guitar.highestFret(), position + (thumb ? 0 : finger));
        double waits = thumb
                ? guitar.acrossMm(STRINGS, over) - 13
                : (guitar.acrossMm(1, over) + guitar.acrossMm(STRINGS, over)) / 2;
        double mm = Math.hypot(guitar.alongMm(over) - guitar.alongMm(fret), waits - guitar.acrossMm(string, fret));
        long word = table.place(finger, position, tip(fret, string));
        assertThat((double) MoveTable.effort(word))
                .isCloseTo(1000 * (Weights.PLACE + Weights.PLACE_PER_100_MM * mm / 100), within(ROUNDED));
        assertThat((double) MoveTable.us(word)).isCloseTo(1000 * fittsMs(mm), within(ROUNDED));
        assertThat(table.needsUs(finger, 0, position, tip(fret, string))).isEqualTo(MoveTable.us(word));
        int other = anyPress(random);
        int moved = tip(fret, string);
        assertThat(table.needsUs(finger, other, position, moved))
                .isEqualTo(other == moved ? 0 : MoveTable.us(table.move(other, moved)));
        assertThat(table.needsUs(finger, other, position, 0)).isZero();
    }

    @Example
    void aHandThatShiftsPaysForTheWayAndLessWhenItIsLed() {
        for (int from = 1; from <= 12; from++) {
            for (int to = 1; to <= 12; to++) {
                double mm = Math.abs(guitar.alongMm(from) - guitar.alongMm(to));
                double effort = 1000 * Weights.SHIFT_PER_100_MM * mm / 100;
                assertThat((double) table.shift(from, to, false)).isCloseTo(effort, within(ROUNDED));
                if (from != to) {
                    assertThat((double) table.shiftNeedsUs(from, to)).isCloseTo(1000 * fittsMs(mm), within(ROUNDED));
                }
                for (int slid = -9; slid <= 9; slid++) {
                    // a slide of so many frets on string 2, as the rows of moves give it
                    int before = tip(slid < 0 ? 10 - slid : 10, 2);
                    int after = tip(slid < 0 ? 10 : 10 + slid, 2);
                    long slide = table.within(500_000).moves(1, before)[after] & -1L << Integer.SIZE;
                    boolean leads =
                            slid != 0 && (slid > 0) == (to > from) && from != to && Math.abs(slid - (to - from)) <= 1;
                    double led = leads ? effort * Weights.GUIDED_SHIFT : effort;
                    boolean told = (slide & table.leading(from, to)) != 0;
                    assertThat((double) table.shift(from, to, told)).isCloseTo(led, within(1.0));
                    assertThat(table.leads(1, before, after, to - from)).isEqualTo(leads);
                    assertThat(table.leads(Fingering.THUMB, before, after, to - from))
                            .as("the thumb leads no hand")
                            .isFalse();
                }
            }
        }
    }

    /** Rows for a given time hold the same moves, with the hurry in them. */
    @Property(tries = 60)
    void rowsForATimeAreTheMovesWithTheirHurry(@ForAll long seed) {
        Random random = new Random(seed);
        int hasUs = 5_000 + random.nextInt(400_000);
        MoveTable.Timed timed = table.within(hasUs);
        int from = anyPress(random);
        int finger = random.nextInt(Fingering.FINGERS);
        long[] moves = timed.moves(finger, from);
        boolean barre = Press.isBarre(table.packed(from));
        assertThat(moves[0]).isEqualTo(Math.round(1000 * (Weights.LIFT + (barre ? Weights.LIFT_BARRE : 0))));
        assertThat(moves[from]).isZero();
        int position = 1 + random.nextInt(12);
        long[] places = timed.places(finger, position);
        assertThat(places[0]).isZero();
        for (int i = 0; i < 50; i++) {
            int to = anyPress(random);
            if (to != from) {
                long word = table.move(from, to);
                assertThat(moves[to] & (1L << MoveTable.EFFORT_BITS) - 1).isEqualTo(hurried(word, hasUs));
                boolean told = finger != Fingering.THUMB && MoveTable.slides(word);
                assertThat(moves[to] >>> Integer.SIZE != 0)
                        .isEqualTo(
                                told && Math.abs(Press.fret(table.packed(to)) - Press.fret(table.packed(from))) <= 15);
            }
            assertThat(places[to]).isEqualTo(hurried(table.place(finger, position, to), hasUs));
        }
        int shifted = 1 + random.nextInt(12);
        assertThat((long) timed.hurryOfShift(position, shifted))
                .isEqualTo(hurry(table.shiftNeedsUs(position, shifted), hasUs));
        assertThat(table.within(hasUs)).isSameAs(timed);
    }

    private static long hurried(long word, int hasUs) {
        return MoveTable.effort(word) + hurry(MoveTable.us(word), hasUs);
    }

    /** Three for each time that it needs what it has; no less than 10 ms count. */
    private static long hurry(int needsUs, int hasUs) {
        return needsUs <= hasUs ? 0 : (long) (1000 * Weights.TOO_FAST * needsUs / Math.max(hasUs, 10_000));
    }

    @Property(tries = 200)
    void lessTimeIsNeverCheaper(@ForAll long seed) {
        Random random = new Random(seed);
        int needs = 1 + random.nextInt(400_000);
        int before = Integer.MAX_VALUE;
        for (int has = 1_000; has < 450_000; has += 7_000) {
            int hurry = MoveTable.hurry(needs, has);
            assertThat(hurry).isLessThanOrEqualTo(before).isGreaterThanOrEqualTo(0);
            assertThat(hurry == 0).isEqualTo(needs <= has);
            before = hurry;
        }
    }

    /** On one fret, or where the one would have to cross the other, the string must be left first. */
    @Example
    void aFingerWaitsForTheOneWhosePlaceItTakes() {
        for (int finger = 0; finger < Fingering.FINGERS; finger++) {
            for (int next = 0; next < Fingering.FINGERS; next++) {
                boolean thumb = finger == Fingering.THUMB || next == Fingering.THUMB;
                assertThat(MoveTable.waits(finger, 5, next, 5)).isTrue();
                assertThat(MoveTable.waits(finger, 5, next, 6))
                        .as("before the one that sounds")
                        .isFalse();
                assertThat(MoveTable.waits(finger, 5, next, 4)).isEqualTo(thumb || next > finger);
            }
        }
    }
}
