package phalanx.arrange.audit;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.FindingKind;
import phalanx.arrange.score.Hold;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Finger;
import phalanx.lefthand.shape.Fingering;
import phalanx.words.Words;

/** Looks at the holds: reach between fingers, fingers in two places, fingers out of order. */
final class HoldAudit {
    private final Arrangement arrangement;
    private final Instrument instrument;
    private final Hand hand;
    private final List<Finding> findings = new ArrayList<>();

    HoldAudit(Arrangement arrangement) {
        this.arrangement = arrangement;
        this.instrument = arrangement.request().instrument();
        this.hand = arrangement.request().hand();
    }

    List<Finding> findings() {
        List<Hold> open = new ArrayList<>();
        for (Hold hold : arrangement.holds()) {
            open.removeIf(other -> other.endTick() <= hold.tick());
            open.forEach(other -> compare(other, hold));
            open.add(hold);
        }
        return findings;
    }

    private void compare(Hold other, Hold hold) {
        Finger a = other.press().finger();
        Finger b = hold.press().finger();
        if (a == b) {
            add(
                    hold,
                    FindingKind.FINGER_CONFLICT,
                    2,
                    1,
                    "places",
                    wording(
                            "HoldAudit.finger-is-needed-at-fret",
                            a.symbol(),
                            other.press().fret(),
                            hold.press().fret()));
        } else if (a != Finger.THUMB && b != Finger.THUMB) {
            compareFingers(other, hold);
        }
    }

    private void compareFingers(Hold other, Hold hold) {
        boolean inOrder =
                other.press().finger().number() < hold.press().finger().number();
        Hold low = inOrder ? other : hold;
        Hold high = inOrder ? hold : other;
        String pair = wording(
                "HoldAudit.and",
                low.press().finger().symbol(),
                high.press().finger().symbol());
        if (low.press().fret() > high.press().fret()) {
            add(
                    hold,
                    FindingKind.FINGER_CONFLICT,
                    low.press().fret(),
                    high.press().fret(),
                    "fret",
                    wording(
                            "HoldAudit.fingers-stand-in-the-wrong",
                            pair,
                            low.press().fret(),
                            high.press().fret()));
        }
        double reach = Fingering.reach(low.press(), high.press(), instrument);
        double limit = hand.greatestMm(
                low.press().finger().number(), high.press().finger().number());
        if (reach > limit) {
            add(
                    hold,
                    FindingKind.REACH,
                    reach,
                    limit,
                    "mm",
                    String.format(
                            Words.figures(), wording("HoldAudit.fingers-must-reach-mm-your"), pair, reach, limit));
        }
    }

    private void add(Hold at, FindingKind kind, double measured, double limit, String unit, String what) {
        findings.add(
                Finding.at(arrangement.song(), at.tick(), kind, Finding.Severity.HIGH, measured, limit, unit, what));
    }
}
