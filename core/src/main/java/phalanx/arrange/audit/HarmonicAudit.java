package phalanx.arrange.audit;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.FindingKind;
import phalanx.righthand.Digit;
import phalanx.technique.Attack;
import phalanx.technique.Harmonic;
import phalanx.technique.HarmonicNode;
import phalanx.words.Words;

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
                                wording("HarmonicAudit.the-harmonic-on-string", note.string(), why))));
            }
        }
        return findings;
    }

    private Optional<String> wrong(ArrangedNote note, Attack.Touched touched) {
        HarmonicNode node = touched.node();
        Harmonic harmonic = Harmonic.of(arrangement.request().instrument(), note.string(), note.fret(), node);
        if (!harmonic.isOverFingerboard(arrangement.request().instrument())) {
            return Optional.of(String.format(
                    Words.figures(), wording("HarmonicAudit.lies-over-fret-beyond-the"), harmonic.touchFret()));
        }
        Optional<String> stopped = note.fret() > 0
                ? Optional.empty()
                : new TouchRules(arrangement, arrangement.holds()).stopped(note.string(), note.tick(), note.endTick());
        if (stopped.isPresent()) {
            return Optional.of(wording("HarmonicAudit.does-not-sound-lift-it", stopped.get()));
        }
        if (touched.left()) {
            return new TouchRules(arrangement, arrangement.holds())
                    .refusal(note.tick(), node)
                    .map(why -> wording("HarmonicAudit.cannot-be-touched-touch-it", why));
        }
        if (touched.slapped()) {
            return Optional.empty();
        }
        if (note.right() == Digit.I) {
            return Optional.of(wording("HarmonicAudit.is-touched-and-plucked-by"));
        }
        boolean busy = arrangement.notes().stream()
                .anyMatch(other -> other.tick() == note.tick() && other != note && other.right() == Digit.I);
        if (busy) {
            return Optional.of(wording("HarmonicAudit.needs-the-index-which-plucks"));
        }
        return node.n() > HarmonicNode.HIGHEST
                ? Optional.of(wording("HarmonicAudit.is-the-th-too-weak", node.n()))
                : Optional.empty();
    }
}
