package phalanx.arrange.audit;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.FindingKind;
import phalanx.righthand.Digit;
import phalanx.technique.Attack;
import phalanx.technique.Harmonic;
import phalanx.technique.HarmonicNode;

/**
 * Looks at harmonics: a string that is stopped, a left hand or an index that is busy, a node with no fret to aim at, one
 * too weak to be heard.
 */
final class HarmonicAudit {
    private final Arrangement arrangement;

    HarmonicAudit(Arrangement arrangement) {
        this.arrangement = arrangement;
    }

    List<Finding> findings() {
        List<Finding> findings = new ArrayList<>();
        for (ArrangedNote note : arrangement.notes()) {
            if (note.attack() instanceof Attack.Touched touched) {
                wrong(note, touched)
                        .ifPresent(why -> findings.add(Finding.at(
                                arrangement.song(),
                                note.tick(),
                                FindingKind.HARMONIC_CONFLICT,
                                Finding.Severity.HIGH,
                                1,
                                0,
                                "harmonics",
                                "the harmonic on string " + note.string() + " " + why)));
            }
        }
        return findings;
    }

    private Optional<String> wrong(ArrangedNote note, Attack.Touched touched) {
        HarmonicNode node = touched.node();
        Harmonic harmonic = Harmonic.of(arrangement.request().instrument(), note.string(), note.fret(), node);
        if (!harmonic.isOverFingerboard(arrangement.request().instrument())) {
            return Optional.of(String.format(
                    Locale.ROOT,
                    "lies over fret %.1f, beyond the end of the fingerboard. Touch a node nearer to the nut.",
                    harmonic.touchFret()));
        }
        Optional<String> stopped = note.fret() > 0
                ? Optional.empty()
                : new TouchRules(arrangement, arrangement.holds()).stopped(note.string(), note.tick(), note.endTick());
        if (stopped.isPresent()) {
            return Optional.of("does not sound: " + stopped.get() + ". Lift it.");
        }
        if (touched.left()) {
            return new TouchRules(arrangement, arrangement.holds())
                    .refusal(note.tick(), node)
                    .map(why -> "cannot be touched: " + why + ". Touch it with the right index.");
        }
        if (note.right() == Digit.I) {
            return Optional.of("is touched and plucked by the index. Pluck it with p.");
        }
        boolean busy = arrangement.notes().stream()
                .anyMatch(other -> other.tick() == note.tick() && other != note && other.right() == Digit.I);
        if (busy) {
            return Optional.of("needs the index, which plucks another string. Give that to m or a.");
        }
        return node.n() > HarmonicNode.HIGHEST
                ? Optional.of("is the " + node.n() + "th, too weak to be heard. Take a lower one.")
                : Optional.empty();
    }
}
