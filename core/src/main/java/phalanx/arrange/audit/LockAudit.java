package phalanx.arrange.audit;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import phalanx.arrange.demand.DigitLock;
import phalanx.arrange.demand.InnerLock;
import phalanx.arrange.demand.LimitLock;
import phalanx.arrange.demand.Lock;
import phalanx.arrange.demand.PlaceLock;
import phalanx.arrange.demand.Role;
import phalanx.arrange.demand.ShapeLock;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Shape;
import phalanx.technique.Attack;

/** Looks whether notes and fingers keep to what the player decided. */
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
        addPins(findings);
        return findings;
    }

    /** One finding for each note that is not where it was decided, and for each limit that a finger goes beyond. */
    private void addPins(List<Finding> findings) {
        for (PlaceLock place : arrangement.request().places()) {
            Optional<ArrangedNote> note = arrangement.notes().stream()
                    .filter(one -> one.tick() == place.tick() && one.role() == place.role())
                    .findFirst();
            if (note.isEmpty()) {
                findings.add(left(place.tick(), place, wording("LockAudit.no-such-note-begins-there")));
            } else if (!isAt(note.get(), place)) {
                findings.add(left(place.tick(), place, wording("LockAudit.no-hand-can-have-it")));
            }
        }
        for (DigitLock lock : arrangement.request().digits()) {
            // of inner notes at once the last, on the highest string
            Optional<ArrangedNote> note = arrangement.notes().stream()
                    .filter(one -> one.tick() == lock.tick() && one.role() == lock.role())
                    .reduce((lower, higher) -> higher);
            if (note.isEmpty()) {
                findings.add(left(lock.tick(), lock, wording("LockAudit.no-such-note-begins-there")));
            } else if (note.get().right() != lock.digit() || note.get().attack() instanceof Attack.Slur) {
                findings.add(left(lock.tick(), lock, why(note.get(), lock)));
            }
        }
        arrangement.request().inners().forEach((tick, wanted) -> {
            int heard = inner(tick);
            if (heard != wanted) {
                findings.add(left(
                        tick,
                        new InnerLock(tick, wanted),
                        heard < wanted
                                ? wording("LockAudit.there-is-no-chord-no", heard)
                                : wording("LockAudit.are-heard", heard)));
            }
        });
        for (LimitLock limit : arrangement.request().limits()) {
            arrangement.holds().stream()
                    .filter(hold -> hold.tick() < limit.endTick() && hold.endTick() > limit.startTick())
                    .filter(hold -> limit.noBarre() && hold.press().isBarre()
                            || hold.press().fret() > limit.highestFret().orElse(Integer.MAX_VALUE))
                    .findFirst()
                    .ifPresent(hold -> findings.add(left(
                            Math.max(hold.tick(), limit.startTick()),
                            limit,
                            wording(
                                    "LockAudit.finger-holds-fret",
                                    hold.press().finger().symbol(),
                                    hold.press().fret(),
                                    hold.press().isBarre() ? wording("LockAudit.over-several-strings") : ""))));
        }
    }

    private String why(ArrangedNote note, DigitLock lock) {
        boolean has = arrangement.request().picking().school().digits().contains(lock.digit());
        return !has
                ? wording("LockAudit.this-hand-plays-without-it")
                : note.attack() instanceof Attack.Slur
                        ? wording("LockAudit.the-note-is-not-plucked")
                        : wording("LockAudit.digits-at-once-keep-their-order");
    }

    /** How many inner notes begin at a tick, a brush as one, the tune's second note not among them. */
    private int inner(int tick) {
        List<ArrangedNote> there = arrangement.notes().stream()
                .filter(note -> note.tick() == tick && note.role() == Role.INNER)
                .toList();
        long brushed = there.stream()
                .filter(note -> note.attack() instanceof Attack.Brush)
                .count();
        boolean second = arrangement.request().played().melodyBetween(tick, tick + 1).stream()
                .filter(note -> note.tick() == tick)
                .flatMap(note -> note.below().stream())
                .anyMatch(below -> there.stream().anyMatch(note -> note.midi() == below.midi()));
        return there.size() - (int) Math.max(0, brushed - 1) - (second ? 1 : 0);
    }

    /** A harmonic is where its node is. */
    private static boolean isAt(ArrangedNote note, PlaceLock place) {
        boolean harmonic = note.fret() == 0 && note.attack() instanceof Attack.Touched;
        return harmonic
                || note.string() == place.string()
                        && (note.fret() == 0
                                || place.finger().isEmpty()
                                || place.finger().equals(note.left()));
    }

    private Finding left(int tick, Lock lock, String why) {
        return Finding.lockLeft(
                arrangement.song(), tick, wording("LockAudit.decided-not-kept-release-it", lock.words(), why));
    }

    private Optional<ArrangedNote> firstAstray(ShapeLock lock) {
        return arrangement.notes().stream()
                .filter(note -> lock.covers(note.tick())
                        && !isOfCascade(note)
                        && strays(lock.held().shape(), note))
                .findFirst();
    }

    /** A cascade looks to its shape itself, and pulls off to it from frets above. */
    private boolean isOfCascade(ArrangedNote note) {
        return arrangement.request().cascades().stream().anyMatch(lock -> lock.covers(note.tick()));
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
        String message = wording(
                "LockAudit.the-locked-shape-cannot-be",
                lock.held().shape(),
                note.role().label(),
                note.string(),
                note.fret());
        return Finding.lockLeft(arrangement.song(), note.tick(), message);
    }
}
