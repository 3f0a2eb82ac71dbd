package phalanx.lefthand.track;

import phalanx.lefthand.shape.Fingering;
import phalanx.lefthand.shape.Neck;
import phalanx.lefthand.shape.Press;

/** Where free fingers wait, and how far it is from there. */
final class RestPlaces {
    /** How far behind the edge of the lowest string the thumb waits, in mm. An assumption of ours. */
    private static final double THUMB_BEHIND_MM = 13;

    private final Neck neck;

    RestPlaces(Neck neck) {
        this.neck = neck;
    }

    /**
     * From where a finger waits to a place, in mm: fingers 1 to 4 wait over the middle of the strings, finger 1 over the
     * position, the others over the frets after it; the thumb waits behind the neck at the position.
     *
     * @param finger from 0, the thumb as the last
     * @param position of the hand
     * @param press packed
     */
    double mm(int finger, int position, int press) {
        int string = nearest(finger, press);
        int fret = Math.min(neck.highestFret(), finger == Fingering.THUMB ? position : position + finger);
        double along = neck.along(fret) - neck.along(Press.fret(press));
        double from = finger == Fingering.THUMB
                ? neck.across(neck.strings(), fret) - THUMB_BEHIND_MM
                : (neck.across(1, fret) + neck.across(neck.strings(), fret)) / 2;
        double across = from - neck.across(string, Press.fret(press));
        return Math.sqrt(along * along + across * across);
    }

    /** Of a barre the string nearest to where the finger waits. */
    private int nearest(int finger, int press) {
        int wanted = finger == Fingering.THUMB ? neck.strings() : (neck.strings() + 1) / 2;
        return Math.max(Press.trebleString(press), Math.min(Press.bassString(press), wanted));
    }
}
