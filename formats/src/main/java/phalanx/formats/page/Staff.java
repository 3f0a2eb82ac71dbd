package phalanx.formats.page;

import java.util.List;
import phalanx.arrange.notation.StaffNotation;
import phalanx.arrange.score.Arrangement;
import phalanx.theory.Key;

/**
 * The staff above the tablature: what stands on it, and the room that takes, in spaces between two of its lines.
 *
 * @param bars the voices of each bar
 * @param key whose signature it has
 * @param above the lowest line, room for the highest note
 * @param below the lowest line, room for the lowest note
 */
public record Staff(List<List<StaffNotation.Voice>> bars, Key key, double above, double below) {
    /** Stems, beams and numbers reach so many spaces beyond a head. */
    private static final double STEM = 4.5;

    static final int TOP_LINE = 8;
    /** From the lowest line to the highest. */
    static final double LINES_APART = TOP_LINE / 2.0;
    /** What the clef takes, and each sign of the signature. */
    static final double CLEF = 3.6;

    static final double SIGN = 1.1;
    /** What a meter takes before the first note. */
    public static final double METER = 2;

    public Staff {
        bars = List.copyOf(bars);
    }

    /** The staff of a whole song. */
    public static Staff of(Arrangement arrangement) {
        List<List<StaffNotation.Voice>> bars = StaffNotation.of(arrangement);
        int highest = TOP_LINE;
        int lowest = 0;
        for (List<StaffNotation.Voice> voices : bars) {
            for (StaffNotation.Voice voice : voices) {
                for (StaffNotation.Struck struck : voice.struck()) {
                    for (StaffNotation.Head head : struck.heads()) {
                        highest = Math.max(highest, head.place());
                        lowest = Math.min(lowest, head.place());
                    }
                }
            }
        }
        return new Staff(bars, arrangement.song().key(), highest / 2.0 + STEM, STEM - lowest / 2.0);
    }

    /** Some of its bars. */
    Staff part(int from, int to) {
        return new Staff(bars.subList(from, to), key, above, below);
    }

    /** All its room. */
    public double height() {
        return above + below;
    }

    /** What clef and signature take before the first bar of a line. */
    public double before() {
        return CLEF + SIGN * Math.abs(key.fifths());
    }
}
