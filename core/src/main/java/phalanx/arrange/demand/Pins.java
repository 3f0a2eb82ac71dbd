package phalanx.arrange.demand;

import phalanx.lefthand.shape.Fingering;
import phalanx.lefthand.shape.Press;
import phalanx.lefthand.track.Stops;

/**
 * What the player has decided of the places in a slot.
 *
 * @param tuneString on which the tune note that begins here is played, 0 for any
 * @param tuneFinger the finger that stops it, by its place among all fingers from 1, 0 for any
 * @param bassString on which the bass note that begins here is played, 0 for any
 * @param bassFinger the finger that stops that
 * @param noBarre whether no finger lies over several strings
 */
public record Pins(int tuneString, int tuneFinger, int bassString, int bassFinger, boolean noBarre) {
    public static final Pins NONE = new Pins(0, 0, 0, 0, false);

    /** With the place of a note decided, too. */
    Pins with(PlaceLock place) {
        int finger = place.finger().map(own -> own.ordinal() + 1).orElse(0);
        return place.role() == Role.MELODY
                ? new Pins(place.string(), finger, bassString, bassFinger, noBarre)
                : new Pins(tuneString, tuneFinger, place.string(), finger, noBarre);
    }

    Pins withoutBarre() {
        return new Pins(tuneString, tuneFinger, bassString, bassFinger, true);
    }

    /** Whether fingers keep to it, with tune and bass on these strings. */
    public boolean allow(int[] presses, Stops stops, int tune, int bass) {
        if (this == NONE) {
            return true;
        }
        for (int finger = 0; noBarre && finger < Fingering.FINGERS; finger++) {
            if (presses[finger] != 0 && Press.isBarre(presses[finger])) {
                return false;
            }
        }
        return stoppedBy(stops, tune, tuneFinger) && stoppedBy(stops, bass, bassFinger);
    }

    /** A finger means nothing on an open string. */
    private static boolean stoppedBy(Stops stops, int string, int finger) {
        return finger == 0
                || string == 0
                || Stops.at(stops.fingers(), string) == 0
                || Stops.at(stops.fingers(), string) == finger;
    }
}
