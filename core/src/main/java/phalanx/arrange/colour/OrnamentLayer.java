package phalanx.arrange.colour;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import phalanx.arrange.audit.SlurRules;
import phalanx.arrange.demand.AttackLock;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.Hold;
import phalanx.lefthand.shape.Finger;
import phalanx.song.Ticks;
import phalanx.technique.Attack;
import phalanx.technique.Vibrato;

/**
 * Has notes waver, rise by a quarter tone or be slid to before they are plucked, where the player wants it: by the finger
 * that holds the string.
 */
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
            Optional<Attack> wanted = attack(lock.way());
            if (wanted.isEmpty()) {
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
                                switch (lock.way()) {
                                    case VIBRATO -> wording("OrnamentLayer.the-vibrato");
                                    case CURLED -> wording("OrnamentLayer.the-quarter-bend");
                                    default -> wording("OrnamentLayer.the-shift-slide");
                                },
                                refused.get())));
            } else {
                ArrangedNote note = notes.get(at.orElseThrow());
                done.set(at.get(), note.struck(wanted.get(), note.weight()));
            }
        }
        return new Ornamented(done, findings);
    }

    private static Optional<Attack> attack(AttackLock.Way way) {
        return switch (way) {
            case VIBRATO -> Optional.of(Attack.VIBRATO);
            case CURLED -> Optional.of(Attack.CURL);
            case SHIFTED -> Optional.of(Attack.ARRIVED);
            default -> Optional.empty();
        };
    }

    /** Why a note cannot begin so, or nothing. */
    Optional<String> refusal(ArrangedNote note, AttackLock.Way way) {
        boolean plucked = note.attack().equals(Attack.PLUCK) || note.attack() instanceof Attack.Block;
        if (!plucked) {
            return Optional.of(
                    wording("OrnamentLayer.it-is-part-of-a", note.attack().label()));
        }
        if (way == AttackLock.Way.SHIFTED) {
            return before(note)
                    .map(before -> new SlurRules(arrangement, holds, false).shiftRefusal(before, note))
                    .orElse(Optional.of(wording("OrnamentLayer.nothing-sounds-on-its-string")));
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

    /** The last note on a note's string before it. */
    Optional<ArrangedNote> before(ArrangedNote note) {
        return notes.stream()
                .filter(other -> other.string() == note.string() && other.tick() < note.tick())
                .reduce((first, last) -> last);
    }
}
