package phalanx.arrange.audit;

import static phalanx.words.Words.wording;

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
                    wording(
                            "HitAudit.the-and-digit-on-string",
                            hit.kind().label(),
                            note.right().symbol(),
                            note.string(),
                            hit.kind().with().label()));
        }
    }

    private void checkLeft(Hit hit) {
        arrangement.holds().stream()
                .filter(hold -> hold.tick() <= hit.tick() && hold.endTick() > hit.tick())
                .findFirst()
                .ifPresent(hold -> conflict(
                        hit,
                        wording(
                                "HitAudit.the-left-hand-taps-while",
                                hold.press().finger().symbol(),
                                hold.press().fret())));
    }

    private void conflict(Hit hit, String what) {
        findings.add(Finding.at(
                arrangement.song(),
                hit.tick(),
                FindingKind.HIT_CONFLICT,
                Finding.Severity.HIGH,
                2,
                1,
                wording("HitAudit.uses-of-a-hand"),
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
                wording(
                        "HitAudit.the-stops-string-whose-note",
                        hit.kind().label(),
                        note.string(),
                        note.role().label())));
    }
}
