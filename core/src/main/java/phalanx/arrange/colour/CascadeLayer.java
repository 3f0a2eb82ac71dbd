package phalanx.arrange.colour;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import phalanx.arrange.demand.CascadeLock;
import phalanx.arrange.demand.Role;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.ArrangedSlot;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.FindingKind;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Press;
import phalanx.righthand.Digit;
import phalanx.righthand.School;
import phalanx.righthand.Weight;
import phalanx.technique.Attack;
import phalanx.technique.Cascade;

/**
 * Plays cascades where the player wants them: the thumb plucks what the index touches, another digit the plain notes, a
 * step of the meter each, up and down as long as it lasts. What else was plucked there is left out.
 */
final class CascadeLayer {
    private final Arrangement arrangement;
    private final Instrument instrument;
    private final List<ArrangedNote> notes;
    private final List<Finding> findings = new ArrayList<>();

    /** @param notes in order of tick */
    CascadeLayer(Arrangement arrangement, List<ArrangedNote> notes) {
        this.arrangement = arrangement;
        this.instrument = arrangement.request().instrument();
        this.notes = new ArrayList<>(notes);
    }

    /** The notes with cascades, and what could not be. */
    record Cascaded(List<ArrangedNote> notes, List<Finding> findings) {}

    Cascaded cascade() {
        arrangement.request().cascades().forEach(this::play);
        notes.sort(Comparator.comparingInt(ArrangedNote::tick).thenComparingInt(note -> -note.string()));
        return new Cascaded(List.copyOf(notes), findings);
    }

    private void play(CascadeLock lock) {
        try {
            Cascade cascade = Cascade.of(instrument, lock.held().shape().frets(), lock.node(), lock.order());
            Optional<String> refused = refusal(lock, cascade);
            if (refused.isEmpty()) {
                write(lock, cascade);
            } else {
                refuse(lock, refused.get());
            }
        } catch (IllegalArgumentException e) {
            refuse(lock, e.getMessage());
        }
    }

    private void refuse(CascadeLock lock, String why) {
        findings.add(Finding.at(
                arrangement.song(),
                lock.startTick(),
                FindingKind.LOCK_NOT_KEPT,
                Finding.Severity.MEDIUM,
                1,
                0,
                wording("CascadeLayer.locks-left"),
                wording("CascadeLayer.the-cascade-over-is-left", lock.held().shape(), why)));
    }

    private Optional<String> refusal(CascadeLock lock, Cascade cascade) {
        boolean tune = notes.stream()
                .anyMatch(note -> note.role() == Role.MELODY
                        && note.tick() < lock.endTick()
                        && note.endTick() > lock.startTick());
        if (tune) {
            return Optional.of(wording("CascadeLayer.the-tune-is-played-there"));
        }
        if (plainDigit().isEmpty()) {
            return Optional.of(wording(
                    "CascadeLayer.thumb-and-index-touch-and",
                    arrangement.request().picking().school().label()));
        }
        for (ArrangedSlot slot : arrangement.slots()) {
            boolean there = slot.startTick() < lock.endTick() && slot.endTick() > lock.startTick();
            if (there && !cascade.steps().stream().allMatch(step -> stopped(slot, step.string()) == step.fret())) {
                return Optional.of(wording("CascadeLayer.the-shape-cannot-be-held"));
            }
        }
        return Optional.empty();
    }

    private static int stopped(ArrangedSlot slot, int string) {
        return slot.fingering().stopping(string).map(Press::fret).orElse(0);
    }

    /** The ring finger where there is one, else the middle finger. */
    private Optional<Digit> plainDigit() {
        School school = arrangement.request().picking().school();
        return school.digits().contains(Digit.A)
                ? Optional.of(Digit.A)
                : school.digits().stream().filter(digit -> digit == Digit.M).findFirst();
    }

    private void write(CascadeLock lock, Cascade cascade) {
        notes.removeIf(note -> note.tick() >= lock.startTick() && note.tick() < lock.endTick());
        notes.replaceAll(note -> note.tick() < lock.startTick() && note.endTick() > lock.startTick()
                ? note.endingAt(lock.startTick())
                : note);
        int step = arrangement.song().barAt(lock.startTick()).meter().stepTicks();
        int[] next = new int[instrument.strings() + 1];
        Arrays.fill(next, lock.endTick());
        int count = (lock.endTick() - lock.startTick() + step - 1) / step;
        for (int i = count - 1; i >= 0; i--) {
            Cascade.Step played =
                    cascade.steps().get(upAndDown(i, cascade.steps().size()));
            int tick = lock.startTick() + i * step;
            notes.add(note(lock, played, tick, next[played.string()] - tick));
            next[played.string()] = tick;
        }
    }

    /** Place of the i-th note when a row is played up and down again and again. */
    private static int upAndDown(int i, int size) {
        int round = Math.max(1, 2 * size - 2);
        int at = i % round;
        return at < size ? at : round - at;
    }

    private ArrangedNote note(CascadeLock lock, Cascade.Step step, int tick, int ticks) {
        ArrangedNote note = new ArrangedNote(
                tick,
                ticks,
                ticks,
                step.string(),
                step.fret(),
                step.midi(),
                Role.INNER,
                lock.held().fingering().stopping(step.string()).map(Press::finger),
                step.touched() ? Digit.P : plainDigit().orElseThrow());
        return step.touched() ? note.struck(new Attack.Touched(lock.node(), false), Weight.PLAIN) : note;
    }
}
