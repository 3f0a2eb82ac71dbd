package phalanx.desktop.arrange;

import java.util.List;
import phalanx.arrange.notation.StaffNotation;
import phalanx.arrange.score.Arrangement;
import phalanx.theory.Key;

/**
 * The staff above the lanes: what stands on it, and the room that takes. Pixels; a staff space is {@value #SPACE} of them.
 *
 * @param bars the voices of each bar
 * @param key whose signature it has
 * @param above the lowest line, room for the highest note
 * @param below the lowest line, room for the lowest note
 */
record Staff(List<List<StaffNotation.Voice>> bars, Key key, double above, double below) {
    static final double SPACE = 7;
    /** Stems, beams and numbers reach so many spaces beyond a head. */
    private static final double STEM = 4.5;

    private static final int TOP_LINE = 8;
    /** Clef and meter, and each sign of the signature, in spaces. */
    private static final double CLEF = 5.6;

    static final double SIGN = 1.1;

    Staff {
        bars = List.copyOf(bars);
    }

    static Staff of(Arrangement arrangement) {
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
        return new Staff(bars, arrangement.song().key(), (highest / 2.0 + STEM) * SPACE, (STEM - lowest / 2.0) * SPACE);
    }

    double height() {
        return above + below;
    }

    /** What clef, signature and meter take before the first bar of a line. */
    double before() {
        return (CLEF + SIGN * Math.abs(key.fifths())) * SPACE;
    }
}
