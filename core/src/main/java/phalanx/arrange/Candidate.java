package phalanx.arrange;

import java.util.Arrays;
import phalanx.lefthand.Fingering;
import phalanx.lefthand.Grasp;
import phalanx.lefthand.HeldShape;
import phalanx.lefthand.Shape;
import phalanx.lefthand.Stance;

/** One way for the left hand to serve a slot. */
final class Candidate {
    /** A string number that stands for no string. */
    static final int NONE = 0;

    private final Grasp grasp;
    private final Stance stance;
    private final int melodyString;
    private final int bassString;
    private final int innerStrings;
    private final int silentStrings;
    private final int strings;
    private final long innerSet;
    private final int innerFingers;
    private final int unplayable;
    private final int melodyLost;
    private final double dislike;

    /** What a candidate plays apart from its fingering. */
    record Part(
            int melodyString,
            int bassString,
            int innerStrings,
            int silentStrings,
            int unplayable,
            int melodyLost,
            double dislike) {}

    /**
     * @param grasp who presses where
     * @param hover the fret over which finger 1 waits while no finger is down
     * @param strings how many the guitar has
     * @param part what it plays
     */
    Candidate(Grasp grasp, int hover, int strings, Part part) {
        this.grasp = grasp;
        this.stance = new Stance(grasp, hover);
        this.melodyString = part.melodyString();
        this.bassString = part.bassString();
        this.innerStrings = part.innerStrings();
        this.silentStrings = part.silentStrings();
        this.unplayable = part.unplayable();
        this.melodyLost = part.melodyLost();
        this.dislike = part.dislike();
        this.strings = strings;
        this.innerSet = Stance.stringSet(innerStrings);
        this.innerFingers = stance.fingersOn(innerStrings);
    }

    Stance stance() {
        return stance;
    }

    Fingering fingering() {
        return stance.fingering();
    }

    /** The strings it plays or can play an inner note on, and the fingers that hold them. */
    HeldShape held() {
        Integer[] frets = new Integer[strings];
        for (int string = 1; string <= strings; string++) {
            boolean plays = string == melodyString || string == bassString || (innerStrings >> string & 1) == 1;
            frets[frets.length - string] = plays ? stop(string) : Shape.SILENT;
        }
        return new HeldShape(new Shape(Arrays.asList(frets)), grasp.fingering());
    }

    Grasp grasp() {
        return grasp;
    }

    /** The string of the melody note, or {@link #NONE}. */
    int melodyString() {
        return melodyString;
    }

    /** The string of the bass note, or {@link #NONE}. */
    int bassString() {
        return bassString;
    }

    /** Strings on which an inner note of the chord can be plucked, bit s for string s. */
    int innerStrings() {
        return innerStrings;
    }

    /** Whether no inner note may be plucked on a string, because a locked shape leaves it silent. */
    boolean leavesSilent(int string) {
        return (silentStrings >> string & 1) == 1;
    }

    int unplayable() {
        return unplayable;
    }

    int melodyLost() {
        return melodyLost;
    }

    /** Effort-like cost of what it plays: a bass out of the way, inner notes that cannot sound. */
    double dislike() {
        return dislike;
    }

    /** Fingers that stop an inner string, bit n for the finger of ordinal n. */
    int innerFingers() {
        return innerFingers;
    }

    /** The fret a string is stopped at, 0 when it is open. */
    int stop(int string) {
        return stance.stop(string);
    }

    /** Whether a note on this string rings on into the next candidate: same fret, same finger. */
    boolean ringsInto(Candidate next, int string) {
        return stance.keeps(string, next.stance);
    }

    /** How many inner notes end where the next candidate begins. */
    int innerCutBy(Candidate next) {
        return Long.bitCount(innerSet & stance.stopsOtherwise(next.stance));
    }
}
