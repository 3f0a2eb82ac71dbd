package phalanx.arrange.audit;

import java.util.ArrayList;
import java.util.List;
import phalanx.arrange.demand.Role;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.FindingKind;
import phalanx.arrange.score.NoteTimes;
import phalanx.song.Ticks;
import phalanx.technique.Hit;
import phalanx.technique.HitKind;

/** Looks at hits: what is plucked with them that cannot be, what they stop, and left-hand taps under held strings. */
final class HitAudit {
    private final Arrangement arrangement;
    private final int strings;
    private final NoteTimes times;
    private final List<Finding> findings = new ArrayList<>();

    HitAudit(Arrangement arrangement) {
        this.arrangement = arrangement;
        this.strings = arrangement.request().instrument().strings();
        this.times = new NoteTimes(arrangement.notes());
    }

    List<Finding> findings() {
        for (Hit hit : arrangement.hits()) {
            List<ArrangedNote> around =
                    arrangement.notes().subList(times.sounding(hit.tick()), times.from(hit.tick() + 1));
            for (ArrangedNote note : around) {
                if (note.tick() == hit.tick() && note.attack().plucked()) {
                    checkTogether(hit, note);
                } else if (note.soundsAt(hit.tick())
                        && note.tick() < hit.tick()
                        && hit.kind().damps(note.string(), strings)) {
                    damped(hit, note);
                }
            }
            if (hit.kind().side() == HitKind.Side.LEFT) {
                checkLeft(hit);
            }
        }
        return findings;
    }

    private void checkTogether(Hit hit, ArrangedNote note) {
        if (!HitRules.mayGoTogether(hit.kind(), note)) {
            conflict(
                    hit,
                    "the " + hit.kind().label() + " and digit " + note.right().symbol() + " on string " + note.string()
                            + " need the right hand at once; with it may sound "
                            + hit.kind().with().label() + ".");
        }
    }

    private void checkLeft(Hit hit) {
        arrangement.holds().stream()
                .filter(hold -> hold.tick() <= hit.tick() && hold.endTick() > hit.tick())
                .findFirst()
                .ifPresent(hold -> conflict(
                        hit,
                        "the left hand taps while finger "
                                + hold.press().finger().symbol() + " holds fret "
                                + hold.press().fret() + ". Leave the tap out, or let the strings be open."));
    }

    private void conflict(Hit hit, String what) {
        findings.add(Finding.at(
                arrangement.song(),
                hit.tick(),
                FindingKind.HIT_CONFLICT,
                Finding.Severity.HIGH,
                2,
                1,
                "uses of a hand",
                what));
    }

    private void damped(Hit hit, ArrangedNote note) {
        findings.add(Finding.at(
                arrangement.song(),
                hit.tick(),
                FindingKind.DAMPED_NOTE,
                note.role() == Role.MELODY ? Finding.Severity.MEDIUM : Finding.Severity.LOW,
                (hit.tick() - note.tick()) / (double) Ticks.QUARTER,
                note.lengthTicks() / (double) Ticks.QUARTER,
                "beats",
                "the " + hit.kind().label() + " stops string " + note.string() + ", whose "
                        + note.role().label() + " note should ring on. Leave the hit out, or end the note there."));
    }
}
