package phalanx.arrange.audit;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import phalanx.arrange.demand.Role;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.ArrangedSlot;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.FindingKind;
import phalanx.guitar.Hand;
import phalanx.lefthand.shape.Finger;
import phalanx.lefthand.shape.Position;
import phalanx.lefthand.shape.Press;

/** Looks whether the thumb over the neck keeps to its strings and its range, and leaves the tune to the fingers. */
final class ThumbAudit {
    private final Arrangement arrangement;
    private final Hand hand;
    private final int strings;

    ThumbAudit(Arrangement arrangement) {
        this.arrangement = arrangement;
        this.hand = arrangement.request().hand();
        this.strings = arrangement.request().instrument().strings();
    }

    /** One finding for each stretch in which it is astray. */
    List<Finding> findings() {
        List<Finding> findings = new ArrayList<>();
        Optional<Press> before = Optional.empty();
        for (ArrangedSlot slot : arrangement.slots()) {
            Optional<Press> thumb = slot.fingering().press(Finger.THUMB);
            if (!thumb.equals(before)) {
                thumb.ifPresent(press -> check(slot, press, findings));
            }
            before = thumb;
        }
        for (ArrangedNote note : arrangement.notes()) {
            if (note.role() == Role.MELODY
                    && note.left().filter(Finger.THUMB::equals).isPresent()) {
                add(
                        note.tick(),
                        note.string(),
                        1,
                        "string",
                        wording("ThumbAudit.the-tune-s-note-on", note.string()),
                        findings);
            }
        }
        return findings;
    }

    private void check(ArrangedSlot slot, Press press, List<Finding> findings) {
        int position = slot.posture().position();
        int lowest = strings - hand.thumbStrings() + 1;
        if (press.trebleString() < lowest) {
            add(
                    slot.startTick(),
                    press.trebleString(),
                    lowest,
                    "string",
                    wording("ThumbAudit.the-thumb-is-asked-for", press.trebleString(), lowest),
                    findings);
        } else if (!Position.thumbReaches(press.fret(), position)) {
            add(
                    slot.startTick(),
                    press.fret(),
                    position,
                    "fret",
                    wording("ThumbAudit.the-thumb-is-asked-for-2", press.fret(), position),
                    findings);
        }
    }

    private void add(int tick, double measured, double limit, String unit, String what, List<Finding> findings) {
        findings.add(Finding.at(
                arrangement.song(),
                tick,
                FindingKind.THUMB_OUT_OF_RANGE,
                Finding.Severity.HIGH,
                measured,
                limit,
                unit,
                what));
    }
}
