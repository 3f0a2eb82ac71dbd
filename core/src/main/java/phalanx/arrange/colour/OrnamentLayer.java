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

/** Has notes waver, or rise by a quarter tone, where the player wants it: by the finger that holds the string. */
final class OrnamentLayer {
    /** For so long a note that is bent by a quarter tone must ring: our assumption. */
    private static final double CURL_MS = 150;

    private final Arrangement arrangement;
    private final List<ArrangedNote> notes;
    private final List<Hold> holds;

    OrnamentLayer(Arrangement arrangement, List<ArrangedNote> notes, List<Hold> holds) {
        this.arrangement = arrangement;
        this.notes = notes;
        this.holds = holds;
    }

    /** The notes with what fingers do to them, and what could not be. */
    record Ornamented(List<ArrangedNote> notes, List<Finding> findings) {}

    Ornamented ornament() {
        List<ArrangedNote> done = new ArrayList<>(notes);
        List<Finding> findings = new ArrayList<>();
        for (AttackLock lock : arrangement.request().attacks()) {
            boolean wavers = lock.way() == AttackLock.Way.VIBRATO;
            if (!wavers && lock.way() != AttackLock.Way.CURLED) {
                continue;
            }
            Optional<Integer> at = IntStream.range(0, notes.size())
                    .filter(i ->
                            notes.get(i).tick() == lock.tick() && notes.get(i).role() == lock.role())
                    .boxed()
                    .reduce((low, high) -> high);
            Optional<String> refused = at.map(i -> refusal(notes.get(i), lock.way()))
                    .orElse(Optional.of(wording(
                            "OrnamentLayer.there-is-no-note", lock.role().label())));
            if (refused.isPresent()) {
                findings.add(Finding.lockLeft(
                        arrangement.song(),
                        lock.tick(),
                        wording(
                                "OrnamentLayer.is-left-out",
                                wavers
                                        ? wording("OrnamentLayer.the-vibrato")
                                        : wording("OrnamentLayer.the-quarter-bend"),
                                refused.get())));
            } else {
                ArrangedNote note = notes.get(at.orElseThrow());
                done.set(at.get(), note.struck(wavers ? Attack.VIBRATO : Attack.CURL, note.weight()));
            }
        }
        return new Ornamented(done, findings);
    }

    /** Why a note cannot waver or be curled, or nothing. */
    Optional<String> refusal(ArrangedNote note, AttackLock.Way way) {
        boolean plucked = note.attack().equals(Attack.PLUCK) || note.attack() instanceof Attack.Block;
        if (!plucked) {
            return Optional.of(
                    wording("OrnamentLayer.it-is-part-of-a", note.attack().label()));
        }
        if (note.left().isEmpty()) {
            return Optional.of(wording("OrnamentLayer.its-string-is-open"));
        }
        if (note.left().get() == Finger.THUMB) {
            return Optional.of(wording("OrnamentLayer.the-thumb-holds-it"));
        }
        boolean barred = holds.stream()
                .anyMatch(hold -> hold.tick() <= note.tick()
                        && hold.endTick() > note.tick()
                        && hold.press().covers(note.string())
                        && hold.press().finger() == note.left().get()
                        && hold.press().isBarre());
        if (barred) {
            return Optional.of(wording("OrnamentLayer.its-finger-holds-several-strings"));
        }
        double least = way == AttackLock.Way.VIBRATO ? Vibrato.LEAST_MS : CURL_MS;
        double ms = Ticks.milliseconds(note.lengthTicks(), arrangement.song().tempo());
        return ms < least
                ? Optional.of(wording("OrnamentLayer.it-rings-ms-and-needs", Math.round(ms), Math.round(least)))
                : Optional.empty();
    }
}
