package phalanx.arrange.audit;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.FindingKind;
import phalanx.arrange.score.Hold;
import phalanx.lefthand.shape.Press;
import phalanx.lefthand.shape.Stretch;
import phalanx.song.Ticks;
import phalanx.words.Words;

/** Looks for what can strain a hand though it can be played: stretches, and barres held for long. */
final class StrainAudit {
    /** A barre held longer asks for a rest. An assumption of ours. */
    private static final double LONGEST_BARRE_MS = 6000;

    private final Arrangement arrangement;
    private final List<Finding> findings = new ArrayList<>();
    private int lastStretchedBar = Integer.MIN_VALUE;

    StrainAudit(Arrangement arrangement) {
        this.arrangement = arrangement;
    }

    List<Finding> findings() {
        List<Hold> open = new ArrayList<>();
        List<Hold> holds = arrangement.holds();
        for (int i = 0; i < holds.size(); i++) {
            Hold hold = holds.get(i);
            open.removeIf(other -> other.endTick() <= hold.tick());
            open.add(hold);
            // fingers that come down together are measured when the last of them is down
            if (i + 1 == holds.size() || holds.get(i + 1).tick() > hold.tick()) {
                checkStretch(hold, open.stream().map(Hold::press).toList());
            }
            checkBarre(hold);
        }
        return findings;
    }

    /** One finding a bar is enough. */
    private void checkStretch(Hold hold, List<Press> held) {
        int bar = arrangement.song().barIndexAt(hold.tick());
        Optional<Stretch> stretch = Stretch.of(
                        held,
                        arrangement.request().instrument(),
                        arrangement.request().hand())
                .filter(Stretch::isStretched)
                .filter(found -> found.mm() <= found.limitMm());
        if (stretch.isPresent() && bar != lastStretchedBar) {
            lastStretchedBar = bar;
            Stretch found = stretch.get();
            add(hold.tick(), found.mm(), found.limitMm(), "mm", found.words());
        }
    }

    private void checkBarre(Hold hold) {
        double ms = Ticks.milliseconds(
                hold.endTick() - hold.tick(), arrangement.song().tempo());
        if (hold.press().isBarre() && ms > LONGEST_BARRE_MS) {
            String what = String.format(
                    Words.figures(),
                    wording("StrainAudit.the-barre-at-fret-is"),
                    hold.press().fret(),
                    ms / 1000);
            add(hold.tick(), ms / 1000, LONGEST_BARRE_MS / 1000, "s", what);
        }
    }

    private void add(int tick, double measured, double limit, String unit, String what) {
        findings.add(Finding.at(
                arrangement.song(), tick, FindingKind.STRAIN, Finding.Severity.LOW, measured, limit, unit, what));
    }
}
