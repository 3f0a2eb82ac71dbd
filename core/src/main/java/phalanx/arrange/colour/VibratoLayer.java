package phalanx.arrange.colour;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import phalanx.arrange.demand.AttackLock;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.Hold;
import phalanx.lefthand.shape.Finger;
import phalanx.song.Ticks;
import phalanx.technique.Attack;
import phalanx.technique.Vibrato;

/** Has notes waver where the player wants it: the finger that holds the string rocks on its fret. */
final class VibratoLayer {
    private final Arrangement arrangement;
    private final List<ArrangedNote> notes;
    private final List<Hold> holds;

    VibratoLayer(Arrangement arrangement, List<ArrangedNote> notes, List<Hold> holds) {
        this.arrangement = arrangement;
        this.notes = notes;
        this.holds = holds;
    }

    /** The notes, some of them wavering, and what could not be. */
    record Wavering(List<ArrangedNote> notes, List<Finding> findings) {}

    Wavering waver() {
        List<ArrangedNote> done = new ArrayList<>(notes);
        List<Finding> findings = new ArrayList<>();
        for (AttackLock lock : arrangement.request().attacks()) {
            if (lock.way() != AttackLock.Way.VIBRATO) {
                continue;
            }
            Optional<Integer> at = IntStream.range(0, notes.size())
                    .filter(i ->
                            notes.get(i).tick() == lock.tick() && notes.get(i).role() == lock.role())
                    .boxed()
                    .reduce((low, high) -> high);
            Optional<String> refused = at.map(i -> refusal(notes.get(i)))
                    .orElse(Optional.of(
                            wording("VibratoLayer.there-is-no-note", lock.role().label())));
            if (refused.isPresent()) {
                findings.add(Finding.lockLeft(
                        arrangement.song(),
                        lock.tick(),
                        wording("VibratoLayer.the-vibrato-is-left-out", refused.get())));
            } else {
                ArrangedNote note = notes.get(at.orElseThrow());
                done.set(at.get(), note.struck(Attack.VIBRATO, note.weight()));
            }
        }
        return new Wavering(done, findings);
    }

    /** Why a note cannot waver, or nothing. */
    Optional<String> refusal(ArrangedNote note) {
        boolean plucked = note.attack().equals(Attack.PLUCK) || note.attack() instanceof Attack.Block;
        if (!plucked) {
            return Optional.of(
                    wording("VibratoLayer.it-is-part-of-a", note.attack().label()));
        }
        if (note.left().isEmpty()) {
            return Optional.of(wording("VibratoLayer.its-string-is-open"));
        }
        if (note.left().get() == Finger.THUMB) {
            return Optional.of(wording("VibratoLayer.the-thumb-holds-it"));
        }
        boolean barred = holds.stream()
                .anyMatch(hold -> hold.tick() <= note.tick()
                        && hold.endTick() > note.tick()
                        && hold.press().covers(note.string())
                        && hold.press().finger() == note.left().get()
                        && hold.press().isBarre());
        if (barred) {
            return Optional.of(wording("VibratoLayer.its-finger-holds-several-strings"));
        }
        double ms = Ticks.milliseconds(note.lengthTicks(), arrangement.song().tempo());
        return ms < Vibrato.LEAST_MS
                ? Optional.of(
                        wording("VibratoLayer.it-rings-ms-and-needs", Math.round(ms), Math.round(Vibrato.LEAST_MS)))
                : Optional.empty();
    }
}
