package phalanx.arrange.audit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import phalanx.arrange.demand.Role;
import phalanx.arrange.demand.ShapeLock;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.FindingKind;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Shape;

/** Looks whether the notes keep to the shapes that the player locked. */
final class LockAudit {
    private final Arrangement arrangement;
    private final Instrument instrument;

    LockAudit(Arrangement arrangement) {
        this.arrangement = arrangement;
        this.instrument = arrangement.request().instrument();
    }

    /** One finding for each lock that is not kept, at the first note that leaves it. */
    List<Finding> findings() {
        List<Finding> findings = new ArrayList<>();
        for (ShapeLock lock : arrangement.request().shapes()) {
            firstAstray(lock).ifPresent(note -> findings.add(finding(lock, note)));
        }
        return findings;
    }

    private Optional<ArrangedNote> firstAstray(ShapeLock lock) {
        return arrangement.notes().stream()
                .filter(note -> lock.covers(note.tick()) && strays(lock.held().shape(), note))
                .findFirst();
    }

    private boolean strays(Shape shape, ArrangedNote note) {
        if (shape.strings() != instrument.strings()) {
            return true;
        }
        boolean inPlace = shape.fret(note.string()) == note.fret();
        return !inPlace && (note.role() != Role.MELODY || hasPitch(shape, note.midi()));
    }

    private boolean hasPitch(Shape shape, int midi) {
        return IntStream.rangeClosed(1, shape.strings())
                .anyMatch(string -> shape.sounds(string) && instrument.midi(string, shape.fret(string)) == midi);
    }

    private Finding finding(ShapeLock lock, ArrangedNote note) {
        String message = "the locked shape " + lock.held().shape() + " cannot be held with the "
                + note.role().label() + " note on string " + note.string() + ", fret " + note.fret()
                + ". It is left there; release the lock or choose another shape.";
        return Finding.at(
                arrangement.song(),
                note.tick(),
                FindingKind.LOCK_NOT_KEPT,
                Finding.Severity.MEDIUM,
                1,
                0,
                "locks left",
                message);
    }
}
