package phalanx.lefthand.track;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import java.util.stream.IntStream;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Fingering;
import phalanx.lefthand.shape.Neck;
import phalanx.lefthand.shape.Position;
import phalanx.lefthand.shape.Press;
import phalanx.song.Ticks;

/** Where a hand stands and waits, what it stops and how much time it has, against plain definitions. */
class HandInPlaceTest {
    private static final int STRINGS = 6;
    private static final int THUMB = Fingering.THUMB;

    private static int[] randomPresses(Random random) {
        return IntStream.range(0, Fingering.FINGERS)
                .map(finger -> {
                    int treble = 1 + random.nextInt(STRINGS);
                    int bass = treble + random.nextInt(STRINGS - treble + 1);
                    return random.nextInt(3) == 0 ? 0 : Press.pack(1 + random.nextInt(14), bass, treble);
                })
                .toArray();
    }

    @Property(tries = 300)
    void theHighestPressOnAStringStopsIt(@ForAll long seed) {
        int[] presses = randomPresses(new Random(seed));
        Stops stops = Stops.of(presses);
        long used = Stops.inUse(stops.fingers());
        for (int string = 1; string <= STRINGS; string++) {
            int fret = 0;
            int by = 0;
            for (int finger = 0; finger < presses.length; finger++) {
                int press = presses[finger];
                boolean on = press != 0 && Press.trebleString(press) <= string && string <= Press.bassString(press);
                if (on && Press.fret(press) > fret) {
                    fret = Press.fret(press);
                    by = finger + 1;
                }
            }
            assertThat(stops.fret(string)).isEqualTo(fret);
            assertThat(Stops.at(stops.fingers(), string)).isEqualTo(by);
            assertThat((used & Stops.bit(string)) != 0).isEqualTo(by != 0);
            assertThat(Stops.string(Stops.bit(string))).isEqualTo(string);
        }
        assertThat(Long.bitCount(used)).isLessThanOrEqualTo(STRINGS);
    }

    @Property(tries = 300)
    void aStringIsKeptByTheSameFingerAtTheSameFretOnly(@ForAll long seed) {
        Random random = new Random(seed);
        int[] before = randomPresses(random);
        int[] after = before.clone();
        int finger = random.nextInt(Fingering.FINGERS);
        after[finger] = randomPresses(random)[finger];
        Stops first = Stops.of(before);
        Stops next = Stops.of(after);
        for (int string = 1; string <= STRINGS; string++) {
            boolean same = first.fret(string) == next.fret(string)
                    && Stops.at(first.fingers(), string) == Stops.at(next.fingers(), string);
            assertThat(first.keeps(string, next)).isEqualTo(same);
        }
    }

    @Property(tries = 200)
    void theLaterOfTwoPlucksCounts(@ForAll long seed) {
        Random random = new Random(seed);
        int[] last = new int[Fingering.FINGERS];
        int packed = 0;
        for (int i = 0; i < 12; i++) {
            int finger = random.nextInt(Fingering.FINGERS);
            int pluck = random.nextInt(Pace.MOST_PLUCKS + 1);
            last[finger] = Math.max(last[finger], pluck);
            packed = Pace.withPluck(packed, finger, pluck);
        }
        for (int finger = 0; finger < last.length; finger++) {
            assertThat(Pace.pluck(packed, finger)).isEqualTo(last[finger]);
        }
    }

    /** The figures of {@link Clock}'s comment. */
    @Example
    void aFingerHasHalfOfItsLastNote() {
        Clock clock = new Clock(120);
        int eighth = Ticks.QUARTER / 2;
        assertThat(clock.us(eighth)).isEqualTo(250_000);
        Pace pace = new Pace(clock, 0, eighth, 0, eighth / 2);
        assertThat(pace.plucks()).isEqualTo(2);
        assertThat(pace.us(0)).as("plucked nothing").isEqualTo(250_000);
        assertThat(pace.us(1)).as("plucked at the beginning").isEqualTo(125_000);
        assertThat(pace.us(2)).as("plucked half way").isEqualTo(62_500);
        assertThat(pace).isEqualTo(new Pace(clock, eighth, 2 * eighth, eighth, eighth + eighth / 2));
        assertThat(pace).isNotEqualTo(new Pace(clock, 0, eighth, 0, eighth / 4));
        // what needs 125 ms fits into an eighth at 240 and no faster
        assertThat(Clock.tempo(eighth, 125_000)).isCloseTo(240, within(1e-9));
    }

    /** Frets by twelve equal semitones of the 650 mm scale: from the nut to fret n 650 (1 - 2^(-n / 12)) mm. */
    @Example
    void freeFingersWaitOverTheirOwnFrets() {
        Neck neck = new Neck(Instrument.STANDARD);
        RestPlaces rests = new RestPlaces(neck);
        for (int finger = 0; finger < THUMB; finger++) {
            int over = 2 + finger;
            double offString = Math.abs(middleAt(neck, over) - neck.across(3, over));
            assertThat(rests.mm(finger, 2, Press.pack(over, 3, 3)))
                    .as("finger %d goes straight down", finger + 1)
                    .isCloseTo(offString, within(1e-9));
            double wires = 650 * (Math.pow(2, -over / 12.0) - Math.pow(2, -(over + 5) / 12.0));
            double far = rests.mm(finger, 2, Press.pack(over + 5, 3, 3));
            assertThat(far).as("five frets up, in mm").isCloseTo(Math.hypot(wires, offString), within(3.0));
            assertThat(rests.mm(finger, 3, Press.pack(over + 5, 3, 3))).isLessThan(far);
        }
        assertThat(rests.mm(THUMB, 4, Press.pack(4, 6, 6)))
                .as("the thumb waits behind the lowest string")
                .isCloseTo(13, within(1e-9));
        assertThat(rests.mm(THUMB, 4, Press.pack(4, 5, 5))).isGreaterThan(13);
    }

    private static double middleAt(Neck neck, int fret) {
        return (neck.across(1, fret) + neck.across(STRINGS, fret)) / 2;
    }

    @Example
    void aBarreIsAsFarAsItsNearestString() {
        RestPlaces rests = new RestPlaces(new Neck(Instrument.STANDARD));
        double nearest = IntStream.rangeClosed(1, STRINGS)
                .mapToDouble(string -> rests.mm(0, 3, Press.pack(3, string, string)))
                .min()
                .orElseThrow();
        assertThat(rests.mm(0, 3, Press.pack(3, STRINGS, 1))).isCloseTo(nearest, within(1e-9));
        assertThat(rests.mm(0, 3, Press.pack(3, 2, 1))).isEqualTo(rests.mm(0, 3, Press.pack(3, 2, 2)));
        assertThat(rests.mm(0, 3, Press.pack(3, 6, 5))).isEqualTo(rests.mm(0, 3, Press.pack(3, 5, 5)));
    }

    @Example
    void theLowestFingerThatIsDownSaysWhereTheHandStands() {
        assertThat(Position.natural(hand(0, 0, 0, 0, 0))).isZero();
        assertThat(Position.natural(hand(0, 0, 0, 0, 2)))
                .as("the thumb alone has no position")
                .isZero();
        assertThat(Position.natural(hand(5, 0, 7, 0, 0))).isEqualTo(5);
        assertThat(Position.natural(hand(0, 0, 7, 8, 0))).isEqualTo(5);
        assertThat(Position.natural(hand(0, 0, 0, 2, 0)))
                .as("never behind fret 1")
                .isEqualTo(1);
    }

    @Example
    void aHandStandsExactlyWhereFingerOneIsAndNearlyWhereOthersAre() {
        assertThat(positions(hand(5, 0, 7, 0, 0))).containsExactly(5);
        assertThat(positions(hand(0, 0, 7, 0, 0))).containsExactly(4, 5, 6);
        assertThat(positions(hand(0, 0, 0, 1, 0))).containsExactly(1, 2);
        // the thumb reaches from a fret below the position to two above
        assertThat(positions(hand(0, 0, 0, 0, 5))).containsExactly(3, 4, 5, 6);
        assertThat(positions(hand(0, 0, 7, 0, 8))).containsExactly(6);
        assertThat(Position.away(hand(0, 0, 7, 0, 0), 6)).isEqualTo(1);
        assertThat(Position.away(hand(0, 0, 0, 0, 5), 6)).isZero();
        assertThatThrownBy(() -> new Posture(Fingering.ofPacked(hand(0, 0, 0, 0, 0)), 0))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("position 0");
        assertThat(Posture.of(Fingering.ofPacked(hand(0, 0, 0, 0, 0))).position())
                .isEqualTo(1);
    }

    /** Fingers 1 to 4 and the thumb at frets, each on a string of its own; 0 where one is up. */
    private static int[] hand(int... frets) {
        return IntStream.range(0, frets.length)
                .map(finger -> {
                    int string = finger == THUMB ? STRINGS : finger + 1;
                    return frets[finger] == 0 ? 0 : Press.pack(frets[finger], string, string);
                })
                .toArray();
    }

    private static int[] positions(int[] presses) {
        return IntStream.rangeClosed(1, 12)
                .filter(position -> Position.admits(presses, position))
                .toArray();
    }

    /** Of barres that share strings a distance is that of one of these. */
    @Property(tries = 200)
    void distancesAreThoseOfTheNearestStrings(@ForAll long seed) {
        Neck neck = new Neck(Instrument.STANDARD);
        Random random = new Random(seed);
        int[] some = randomPresses(random);
        for (int i = 1; i < some.length; i++) {
            int one = some[i - 1];
            int other = some[i];
            if (one != 0 && other != 0) {
                double least = Double.MAX_VALUE;
                for (int a = Press.trebleString(one); a <= Press.bassString(one); a++) {
                    for (int b = Press.trebleString(other); b <= Press.bassString(other); b++) {
                        least = Math.min(least, neck.distance(a, Press.fret(one), b, Press.fret(other)));
                    }
                }
                // strings fan out a little, so that of shared ones another may be a hair nearer
                assertThat(neck.distance(one, other)).isBetween(least, least + 1.5);
                assertThat(neck.distance(one, other)).isEqualTo(neck.distance(other, one));
            }
        }
    }
}
