package phalanx.righthand;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import phalanx.song.Meter;
import phalanx.song.Song;
import phalanx.song.Songs;
import phalanx.song.Ticks;

class RightHandTest {
    private static final int C = 1;
    private static final int E = 1 << 4;
    private static final int G = 1 << 7;

    /** The first bass note of a chord is its root, unless a slash names another. Common practice, no source. */
    @Test
    void theThumbAlternatesOnTheBeat() {
        List<BassStroke> strokes = bass(Songs.of("C", Meter.COMMON, "C C/E", ""));
        assertThat(strokes).extracting(stroke -> stroke.tick() / Ticks.QUARTER).containsExactly(0, 1, 2, 3, 4, 5, 6, 7);
        assertThat(strokes.get(0).allowed()).isEqualTo(C);
        assertThat(strokes.get(1).preferred()).isEqualTo(E | G);
        assertThat(strokes.get(2).preferred()).isEqualTo(C);
        assertThat(strokes.get(4).allowed()).isEqualTo(E);
    }

    @Test
    void compoundBarsHaveTwoBeatsAndThreesGoOnOverTheBarLine() {
        List<BassStroke> six = bass(Songs.of("C", new Meter(6, 8), "C G", ""));
        assertThat(six).extracting(BassStroke::tick).containsExactly(0, 2520, 5040, 7560);
        List<BassStroke> three = bass(Songs.of("C", new Meter(3, 4), "C .", ""));
        assertThat(three).hasSize(6);
        assertThat(three.get(3).preferred()).isEqualTo(E | G);
    }

    @Test
    void beatsOfAPickupBarCountFromItsEnd() {
        Song song = Songs.of("C", Meter.COMMON, Ticks.QUARTER / 2, "C", "G4:.5 C5:4");
        assertThat(bass(song)).extracting(BassStroke::tick).containsExactly(840, 2520, 4200, 5880);
    }

    @Test
    void fingersFillWhereTheTuneHoldsAndLeaveItAloneWhereItMoves() {
        Song held = Songs.of("C", Meter.COMMON, "C", "E4:4");
        assertThat(fills(held)).containsExactly(0, 840, 2520, 4200, 5880);
        Song busy = Songs.of("C", Meter.COMMON, "C", "E4:.5 G4:.5 E4:.5 G4:.5 E4:.5 G4:.5 E4:.5 G4:.5");
        assertThat(fills(busy)).as("a pinch where the bar begins").containsExactly(0);
        Song triplets = Songs.of("C", Meter.COMMON, "C", "E4:.333333 G4:.333333 E4:.333334 E4:3");
        assertThat(fills(triplets)).noneMatch(tick -> tick > 0 && tick < Ticks.QUARTER);
        Song silent = Songs.of("C", Meter.COMMON, "N.C.", "E4:4");
        assertThat(fills(silent)).isEmpty();
    }

    /** A repeated note on one string alternates two fingers. Common practice, no source. */
    @Test
    void quickRepeatsAlternateFingers() {
        List<Pluck> run = new ArrayList<>();
        for (int i = 0; i < 12; i++) {
            run.add(new Pluck(i * 420, 1, false));
        }
        List<Digit> digits = assigner(120).assign(run);
        for (int i = 1; i < digits.size(); i++) {
            assertThat(digits.get(i)).isNotEqualTo(digits.get(i - 1)).isNotEqualTo(Digit.P);
        }
    }

    /** From memory: p a m i for a run faster than two fingers alternate, from the thumb, or gathered at a brush. */
    @Test
    void aFastRunBeginsWithTheThumbOrEndsGatheredForABrush() {
        List<Pluck> run = new ArrayList<>();
        for (int i = 0; i < 6; i++) {
            run.add(new Pluck(i * 140, 1, false));
        }
        assertThat(assigner(120).assign(run)).containsExactly(Digit.P, Digit.A, Digit.M, Digit.I, Digit.P, Digit.A);
        for (int string = 4; string >= 1; string--) {
            run.add(new Pluck(5 * 140 + 1200, string, false, Optional.empty(), true));
        }
        assertThat(assigner(120).assign(run).subList(0, 6))
                .containsExactly(Digit.M, Digit.I, Digit.P, Digit.A, Digit.M, Digit.I);
    }

    /** Home: i on string 3, m on 2, a on 1. Common practice, no source. */
    @Test
    void slowArpeggioStaysAtHome() {
        List<Pluck> plucks = List.of(
                new Pluck(0, 5, true), new Pluck(840, 3, false), new Pluck(1680, 2, false), new Pluck(2520, 1, false));
        assertThat(assigner(80).assign(plucks)).containsExactly(Digit.P, Digit.I, Digit.M, Digit.A);
    }

    @Property(tries = 200)
    void digitsOfOneMomentStandInStringOrder(@ForAll long seed) {
        Random random = new Random(seed);
        List<Pluck> plucks = new ArrayList<>();
        for (int tick = 0; tick < 20 * 420; tick += 420 * (1 + random.nextInt(3))) {
            boolean bass = random.nextBoolean();
            if (bass) {
                plucks.add(new Pluck(tick, 4 + random.nextInt(3), true));
            }
            for (int string = 3; string >= 1; string--) {
                if (random.nextInt(3) == 0) {
                    plucks.add(new Pluck(tick, string, false));
                }
            }
        }
        List<Digit> digits = assigner(90).assign(plucks);
        assertThat(digits).hasSameSizeAs(plucks);
        Map<Integer, Digit> last = new HashMap<>();
        for (int i = 0; i < plucks.size(); i++) {
            Digit lower = last.put(plucks.get(i).tick(), digits.get(i));
            assertThat(lower == null || lower.compareTo(digits.get(i)) < 0).isTrue();
            assertThat(!plucks.get(i).bass() || digits.get(i) == Digit.P).isTrue();
        }
    }

    @Test
    void moreStringsThanDigitsAreABrushOfTheThumb() {
        List<Pluck> five = List.of(
                new Pluck(0, 5, false),
                new Pluck(0, 4, false),
                new Pluck(0, 3, false),
                new Pluck(0, 2, false),
                new Pluck(0, 1, false));
        assertThat(assigner(90).assign(five)).containsOnly(Digit.P);
    }

    private static DigitAssigner assigner(double tempo) {
        return new DigitAssigner(School.THUMB_AND_THREE, Speeds.USUAL, tempo);
    }

    private static List<BassStroke> bass(Song song) {
        return new BassWriter(song, Picking.PLAIN).strokes();
    }

    private static List<Integer> fills(Song song) {
        return new LevelFill(song, Picking.PLAIN)
                .strokes(bass(song)).stream().map(InnerStroke::tick).toList();
    }
}
