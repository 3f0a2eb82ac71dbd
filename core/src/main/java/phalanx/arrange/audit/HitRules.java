package phalanx.arrange.audit;

import phalanx.arrange.demand.Role;
import phalanx.arrange.score.ArrangedNote;
import phalanx.righthand.Digit;
import phalanx.technique.Attack;
import phalanx.technique.HitKind;

/** Says what may sound with a hit. */
public final class HitRules {
    private HitRules() {}

    /** Whether the hands can make a hit and pluck a note at once. */
    public static boolean mayGoTogether(HitKind kind, ArrangedNote note) {
        if (note.attack() instanceof Attack.Touched touched && touched.slapped()) {
            return kind == HitKind.BELL;
        }
        if (note.attack() instanceof Attack.Touched touched && touched.left() == (kind.side() == HitKind.Side.LEFT)) {
            // the hand that touches a node is where no hit can be made
            return false;
        }
        return switch (kind.with()) {
            case PLUCKS -> true;
            case THUMB -> note.role() == Role.BASS && note.right() == Digit.P;
            case NOTHING -> false;
        };
    }
}
