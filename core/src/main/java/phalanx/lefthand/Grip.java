package phalanx.lefthand;

import java.util.ArrayList;
import java.util.List;

/** The five fingers' places while a search tries them; index 0 to 3 for fingers 1 to 4, 4 for the thumb. */
final class Grip {
    static final int THUMB = 4;
    private static final Finger[] FINGERS = Finger.values();

    /** The fret of each finger, 0 where it is free. */
    final int[] fret = new int[FINGERS.length];

    final int[] bass = new int[FINGERS.length];
    final int[] treble = new int[FINGERS.length];

    static Grip of(Fingering fingering) {
        Grip grip = new Grip();
        for (Press press : fingering.presses()) {
            grip.put(press.finger().ordinal(), press.fret(), press.bassString(), press.trebleString());
        }
        return grip;
    }

    Grip copy() {
        Grip copy = new Grip();
        System.arraycopy(fret, 0, copy.fret, 0, fret.length);
        System.arraycopy(bass, 0, copy.bass, 0, bass.length);
        System.arraycopy(treble, 0, copy.treble, 0, treble.length);
        return copy;
    }

    void put(int finger, int atFret, int bassString, int trebleString) {
        fret[finger] = atFret;
        bass[finger] = bassString;
        treble[finger] = trebleString;
    }

    void free(int finger) {
        fret[finger] = 0;
    }

    /** Whether no finger is down. */
    boolean isFree() {
        for (int at : fret) {
            if (at > 0) {
                return false;
            }
        }
        return true;
    }

    boolean uses(int finger) {
        return fret[finger] > 0;
    }

    int span(int finger) {
        return bass[finger] - treble[finger] + 1;
    }

    /** The fret at which finger 1 stands or would stand; 0 when no finger 1 to 4 is down. */
    int position() {
        for (int finger = 0; finger < THUMB; finger++) {
            if (uses(finger)) {
                return Math.max(1, fret[finger] - finger);
            }
        }
        return 0;
    }

    /** Distance between two fingers in use, in mm; barres count with their nearest string. */
    double reach(int a, int b, Neck neck) {
        int stringA;
        int stringB;
        if (treble[a] > bass[b]) {
            stringA = treble[a];
            stringB = bass[b];
        } else if (treble[b] > bass[a]) {
            stringA = bass[a];
            stringB = treble[b];
        } else {
            stringA = Math.min(bass[a], bass[b]);
            stringB = stringA;
        }
        return neck.distance(stringA, fret[a], stringB, fret[b]);
    }

    Fingering fingering() {
        List<Press> presses = new ArrayList<>(FINGERS.length);
        for (int finger = 0; finger < fret.length; finger++) {
            if (uses(finger)) {
                presses.add(new Press(FINGERS[finger], fret[finger], bass[finger], treble[finger]));
            }
        }
        return new Fingering(presses);
    }
}
