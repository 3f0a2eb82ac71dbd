package phalanx.lefthand.shape;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.testing.Deep;

/** The fingerings found beside every assignment of fingers to stopped strings. */
class AllFingeringsTest {
    private final Instrument instrument = Instrument.STANDARD;

    @Test
    void everyFingeringIsFoundAndNoOther() {
        Random random = new Random(5);
        for (int round = 0; round < Deep.of(400, 20_000); round++) {
            Hand hand = Hand.AVERAGE.withThumb(Hand.Thumb.values()[round % 3]);
            FingeringFinder finder = FingeringFinder.forShapes(instrument, hand);
            Shape shape = random(random);
            Set<Fingering> found = new HashSet<>();
            finder.find(shape).forEach(way -> found.add(way.fingering()));
            assertThat(found).as(shape.toString()).isEqualTo(all(shape, finder, hand));
        }
    }

    /** Of all fingerings the easiest comes first. */
    @Test
    void theEasiestComesFirst() {
        Random random = new Random(6);
        FingeringFinder finder = FingeringFinder.forShapes(instrument, Hand.AVERAGE);
        for (int round = 0; round < 200; round++) {
            Shape shape = random(random);
            List<PricedShape> found = finder.find(shape);
            for (Fingering other : all(shape, finder, Hand.AVERAGE)) {
                assertThat(found.get(0).effort()).isLessThanOrEqualTo(finder.effort(shape, other));
            }
        }
    }

    private static Shape random(Random random) {
        int low = 1 + random.nextInt(9);
        List<Integer> frets = new ArrayList<>();
        for (int string = 6; string >= 1; string--) {
            int kind = random.nextInt(5);
            frets.add(kind == 0 ? Shape.SILENT : kind == 1 ? 0 : low + random.nextInt(5));
        }
        return new Shape(frets);
    }

    private static Set<Fingering> all(Shape shape, FingeringFinder finder, Hand hand) {
        Set<Fingering> all = new HashSet<>();
        assign(shape, 6, new Finger[7], finder, hand, all);
        return all;
    }

    private static void assign(
            Shape shape, int string, Finger[] fingers, FingeringFinder finder, Hand hand, Set<Fingering> all) {
        if (string == 0) {
            List<Press> presses = presses(shape, fingers, hand);
            if (presses != null && finder.holds(new Fingering(presses))) {
                all.add(new Fingering(presses));
            }
            return;
        }
        if (shape.fret(string) <= 0) {
            assign(shape, string - 1, fingers, finder, hand, all);
            return;
        }
        for (Finger finger : Finger.values()) {
            fingers[string] = finger;
            assign(shape, string - 1, fingers, finder, hand, all);
        }
        fingers[string] = null;
    }

    /** What the fingers press, null where one would press two frets or a string that must sound lower. */
    private static List<Press> presses(Shape shape, Finger[] fingers, Hand hand) {
        List<Press> presses = new ArrayList<>();
        for (Finger finger : Finger.values()) {
            int bass = 0;
            int treble = 0;
            for (int string = 6; string >= 1; string--) {
                if (fingers[string] == finger) {
                    bass = bass == 0 ? string : bass;
                    treble = string;
                }
            }
            if (bass == 0) {
                continue;
            }
            int fret = shape.fret(bass);
            for (int string = treble; string <= bass; string++) {
                boolean own = fingers[string] == finger;
                boolean wrong =
                        own ? shape.fret(string) != fret : shape.fret(string) >= 0 && shape.fret(string) <= fret;
                if (wrong) {
                    return null;
                }
            }
            if (finger == Finger.THUMB && (bass != treble || bass <= 6 - hand.thumbStrings())) {
                return null;
            }
            presses.add(new Press(finger, fret, bass, treble));
        }
        return presses;
    }
}
