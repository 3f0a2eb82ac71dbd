package phalanx.arrange;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import phalanx.lefthand.Finger;
import phalanx.lefthand.Fingering;
import phalanx.lefthand.FingeringFinder;
import phalanx.lefthand.Press;
import phalanx.song.Ticks;

/**
 * Keeps fingers down that would only lift to come back to the same place, where nothing in between needs them or
 * their string: a player holds the shape.
 */
final class HoldKeeper {
    private static final int LONGEST_GAP = Ticks.WHOLE;

    private final FingeringFinder finder;

    HoldKeeper(FingeringFinder finder) {
        this.finder = finder;
    }

    /** The fingerings of all slots with such gaps closed. */
    List<Fingering> keep(List<Slot> slots, List<Candidate> chosen) {
        List<Fingering> kept =
                new ArrayList<>(chosen.stream().map(Candidate::fingering).toList());
        Map<Finger, Integer> lastUse = new EnumMap<>(Finger.class);
        for (int slot = 0; slot < slots.size(); slot++) {
            for (Press press : chosen.get(slot).fingering().presses()) {
                Integer before = lastUse.put(press.finger(), slot);
                if (before != null && slot - before > 1) {
                    close(slots, chosen, kept, press, before, slot);
                }
            }
        }
        return kept;
    }

    private void close(
            List<Slot> slots, List<Candidate> chosen, List<Fingering> kept, Press press, int before, int after) {
        boolean same = chosen.get(before).fingering().press(press.finger()).equals(Optional.of(press));
        int gap = slots.get(after).startTick() - slots.get(before).endTick();
        if (!same || gap > LONGEST_GAP) {
            return;
        }
        List<Fingering> closed = new ArrayList<>();
        for (int slot = before + 1; slot < after; slot++) {
            Fingering with = kept.get(slot).with(press);
            if (disturbs(slots.get(slot), chosen.get(slot), press) || !finder.holds(with)) {
                return;
            }
            closed.add(with);
        }
        for (int i = 0; i < closed.size(); i++) {
            kept.set(before + 1 + i, closed.get(i));
        }
    }

    /** Whether the press would stop a string that melody, bass or a locked shape needs lower down. */
    private static boolean disturbs(Slot slot, Candidate candidate, Press press) {
        boolean lockLost = slot.locked()
                .filter(held -> press.strings().stream()
                        .anyMatch(string ->
                                held.shape().sounds(string) && held.shape().fret(string) < press.fret()))
                .isPresent();
        return lockLost
                || blocks(candidate, candidate.melodyString(), press)
                || blocks(candidate, candidate.bassString(), press);
    }

    private static boolean blocks(Candidate candidate, int string, Press press) {
        return string != Candidate.NONE && press.covers(string) && candidate.stop(string) <= press.fret();
    }
}
