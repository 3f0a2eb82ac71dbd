package phalanx.cost;

/**
 * What makes a shape, a change or a sound dear, and how much: the one file of weights. The unit is effort, in which one
 * finger held for a beat is a quarter, unless a line says otherwise. All are assumptions of ours, set so that the
 * fingerings come out that handbooks print for open chords, barre chords, thumb shapes, guides and anchors.
 */
public final class Weights {
    // ---- holding a shape, for each beat that it is held ----

    /** A pair at its greatest reach; falls with the sixth power of reach over greatest, so open chords cost nothing. */
    public static final double STRETCH = 2;

    /** Each fret that a pair stands nearer than one finger a fret: the hand is built to spread. */
    public static final double BUNCHED_FRET = 0.1;
    /** The same where the index is one of the pair: it stands less well drawn back. */
    public static final double BUNCHED_FRET_OF_INDEX = 0.12;

    /** Each finger that is down. */
    public static final double FINGER = 0.25;
    /** The little finger besides: the weakest. */
    public static final double LITTLE_FINGER = 0.15;
    /** A barre besides its finger: more to press. */
    public static final double BARRE = 0.6;
    /** Each string of a barre after the first. */
    public static final double BARRE_STRING = 0.2;
    /** A barre by another finger than the index: it lies less flat. */
    public static final double BARRE_BY_OTHER = 0.7;
    /** An open string just past the treble end of a barre: the finger must not touch it. */
    public static final double OPEN_BESIDE_BARRE = 0.8;

    /** The thumb over the neck: the wrist turns. */
    public static final double THUMB = 0.5;
    /** Each fret between the thumb and the index. */
    public static final double THUMB_FRET = 0.2;
    /** The turned hand costs the little finger its place. */
    public static final double THUMB_WITH_LITTLE = 0.4;
    /** Each fret of the hand's position above the first: less sure, further from the open chords. */
    public static final double UP_THE_NECK = 0.05;
    /** Two tips on one fret with no room between them. */
    public static final double CROWDING = 0.3;
    /** A lower finger on a higher string of the same fret. */
    public static final double CROSSING = 0.5;
    /** Each finger past the body joint: the wrist bends round the body. */
    public static final double PAST_JOINT_FINGER = 0.4;
    /** Each fret that the hand stands away from where its fingers are: it is drawn out of its frame. */
    public static final double OFF_POSITION = 0.1;

    /** A silent string that a fingertip or a barre stops. */
    public static final double MUTED_BY_FINGER = 0.7;
    /** A silent string that is only left unplucked: it rings along when touched. */
    public static final double LEFT_UNPLUCKED = 0.9;
    /** A silent string below the lowest sounding one. */
    public static final double LEFT_OUT_BELOW = 0.3;
    /** A silent string above the highest sounding one. */
    public static final double LEFT_OUT_ABOVE = 0.4;

    /** A hold counts for at least so many beats: putting the hand down is work too. */
    public static final double SHORTEST_HOLD = 0.25;
    /** And for at most so many: a hand at rest on its strings tires slowly. */
    public static final double LONGEST_HOLD = 2;

    // ---- changing, each time ----

    /** A finger that was up is put down. */
    public static final double PLACE = 0.1;
    /** Each 100 mm from its rest place. */
    public static final double PLACE_PER_100_MM = 0.5;
    /** A finger that was down comes up. */
    public static final double LIFT = 0.05;
    /** A tip becomes a barre, or a barre a tip or a longer or shorter one, on its fret. */
    public static final double ROLL = 0.1;
    /** A finger comes down as a barre: all its strings at once. */
    public static final double LAY_BARRE = 0.15;
    /** A barre comes up, or goes elsewhere. */
    public static final double LIFT_BARRE = 0.05;
    /** A finger slides along its string: it finds its way by touch. */
    public static final double GUIDE = 0.1;
    /** Each 100 mm of the slide. */
    public static final double GUIDE_PER_100_MM = 0.3;
    /** A finger that slides though no other is down, before or after: it guides nothing, and a line of notes is broken. */
    public static final double LONE_SLIDE = 0.5;
    /** A finger goes to another string: it must be aimed. */
    public static final double JUMP = 0.3;
    /** Each 100 mm of the jump. */
    public static final double JUMP_PER_100_MM = 1.2;
    /** Each 100 mm by which the hand's position moves. */
    public static final double SHIFT_PER_100_MM = 1.5;
    /** The share of a shift that is left when a finger slides along with the hand and leads it. */
    public static final double GUIDED_SHIFT = 0.1;
    /** A string goes from one finger to another: one leaves what the other must find. */
    public static final double REFINGERING = 0.3;
    /** A move that needs more time than it has, for each time that it needs what it has. */
    public static final double TOO_FAST = 3;

    // ---- the order of a chord's printed shapes, besides the effort of holding ----

    /** Each silent string below the bass. */
    public static final double PRINTED_SILENT_BELOW = 0.65;
    /** Each silent string above it. */
    public static final double PRINTED_SILENT_ABOVE = 1.75;
    /** Each open string, for each fret of the highest finger above the third: they sound apart. */
    public static final double PRINTED_OPEN_BELOW_FRET = 1;
    /** Each fret of the lowest finger above the first. */
    public static final double PRINTED_FRET = 0.28;
    /** Each open string: it cannot be damped by lifting. */
    public static final double PRINTED_OPEN = 0.35;
    /** No root or fifth besides the bass on the lower strings, for an alternating thumb. */
    public static final double PRINTED_NO_ALTERNATE = 0.55;
    /** A higher string that sounds lower. */
    public static final double PRINTED_NOT_RISING = 1.5;
    /** Two strings that sound the same. */
    public static final double PRINTED_UNISON = 0.7;
    /** The thumb over the neck: not everybody's. */
    public static final double PRINTED_THUMB = 1.3;
    /** The third twice: it stands out. */
    public static final double PRINTED_DOUBLED_THIRD = 0.3;
    /** The seventh twice. */
    public static final double PRINTED_DOUBLED_SEVENTH = 0.4;
    /** No fifth. */
    public static final double PRINTED_NO_FIFTH = 0.15;

    // ---- the ear ----

    /** Each string fewer than the level asks for, for each beat. */
    public static final double THIN_STRING = 0.4;
    /** A third or a named tension that nothing sounds where strokes fall. */
    public static final double COLOUR_MISSING = 1.0;
    /** A stroke that finds no string. */
    public static final double STROKE_LEFT = 1.2;
    /** An inner note that the player has decided on and that finds no string. */
    public static final double DECIDED_LEFT = 12;
    /** The second note of a tune in two that finds no string. */
    public static final double SECOND_LEFT = 12;
    /** A stroke of a pattern on another string than its row's. */
    public static final double OFF_ROW = 0.1;
    /** A stroke of a pattern that goes the other way than its rows do. */
    public static final double CONTOUR = 0.5;
    /** Each string that a free stroke is away from the middle of the strings. */
    public static final double OFF_MIDDLE = 0.05;
    /** A stroke on the string struck just before, where the pattern does not want it. */
    public static final double REPEATED = 1.6;
    /** A stroke that sounds the tune's note in an octave. */
    public static final double DOUBLES_TUNE = 0.15;
    /** A stroke that sounds the bass note's tone in another octave. */
    public static final double DOUBLES_BASS = 0.1;
    /** A stroke that sounds what the tune sings next: that comes stale. Not in chords at ends. */
    public static final double TAKES_NEXT = 0.4;
    /** A stroke on the pitch that the thumb plays as the next slot begins: none is better. Not in chords at ends. */
    public static final double TAKES_BASS = 1.9;
    /** A stroke above a tune note that still sounds. */
    public static final double ABOVE_TUNE = 0.2;
    /** A stroke that the end of a phrase lacks. */
    public static final double BARE_END = 1.5;
    /** A stroke a third or less above a low bass. */
    public static final double MUDDY = 0.3;
    /** A tune so low that it is the bass. */
    public static final double TUNE_IS_BASS = 1.0;
    /** And another tone than the bass line asks for. */
    public static final double TUNE_IS_OTHER_BASS = 2.0;
    /** And each semitone that it lies above the highest note of the thumb: it sounds less and less as a bass. */
    public static final double TUNE_IS_HIGH_BASS = 0.6;
    /** Each fret of a tune note above the fifth: it sings less. */
    public static final double TUNE_HIGH_FRET = 0.25;
    /** Each semitone of a tune note below the third string: it sinks among what goes with it. */
    public static final double TUNE_LOW_SEMITONE = 0.06;
    /** Each fret of a finger above the highest that the player wants. */
    public static final double ABOVE_WISHED_FRET = 1.0;
    /** What speaks against a printed shape beside others of its chord, as a share, for each beat. */
    public static final double SHAPE_SHARE = 1.0;
    /** Each string that the bass is away from the lower half of the strings: those are the fingers'. */
    public static final double BASS_ON_INNER_STRING = 2.0;
    /** Each fret of the bass: low ones sound fuller. */
    public static final double BASS_FRET = 0.06;
    /** A bass that is not the tone the line asks for. */
    public static final double BASS_NOT_PREFERRED = 2.0;
    /** A walking bass or a bass of the player's own that leaves its line. */
    public static final double BASS_OFF_LINE = 8.0;
    /** The alternating thumb wants another string than the stroke before. */
    public static final double BASS_STRING_AGAIN = 0.8;
    /** Each string that it skips: best is the neighbour. */
    public static final double BASS_STRING_SKIPPED = 0.2;
    /** The player said where the thumb goes, and it is elsewhere. */
    public static final double BASS_NOT_WHERE_WANTED = 2.5;
    /** A bass note that ends before it should: a hole in the bass. */
    public static final double BASS_CUT = 1.0;
    /** An inner note that ends with the stretch in which it was struck though its chord goes on. */
    public static final double INNER_CUT = 0.3;

    private Weights() {}
}
