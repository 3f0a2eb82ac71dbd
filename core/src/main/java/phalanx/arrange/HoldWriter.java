package phalanx.arrange;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import phalanx.lefthand.Finger;
import phalanx.lefthand.Fingering;
import phalanx.lefthand.Press;

/** Joins the presses of neighbouring slots into holds, as long as the notes that need them. */
final class HoldWriter {
    List<Hold> write(List<Slot> slots, List<Fingering> fingerings, List<ArrangedNote> notes) {
        List<Hold> holds = new ArrayList<>();
        for (Finger finger : Finger.values()) {
            int from = 0;
            for (int slot = 1; slot <= slots.size(); slot++) {
                Optional<Press> press = fingerings.get(from).press(finger);
                if (slot == slots.size() || !fingerings.get(slot).press(finger).equals(press)) {
                    int start = slots.get(from).startTick();
                    int end = slots.get(slot - 1).endTick();
                    press.ifPresent(held -> holds.add(new Hold(start, end, held)));
                    from = slot;
                }
            }
        }
        return trimmed(holds, notes);
    }

    /** Each hold from the first note it serves to the end of the last; one that serves none goes. */
    private static List<Hold> trimmed(List<Hold> holds, List<ArrangedNote> notes) {
        Map<Finger, List<Hold>> byFinger = new EnumMap<>(Finger.class);
        holds.forEach(hold -> byFinger.computeIfAbsent(hold.press().finger(), f -> new ArrayList<>())
                .add(hold));
        Map<Hold, int[]> needed = new HashMap<>();
        Map<Finger, Integer> at = new EnumMap<>(Finger.class);
        for (ArrangedNote note : notes) {
            note.left().ifPresent(finger -> {
                List<Hold> own = byFinger.get(finger);
                int index = at.getOrDefault(finger, 0);
                while (own.get(index).endTick() <= note.tick()) {
                    index++;
                }
                at.put(finger, index);
                extend(own, index, note, needed);
            });
        }
        return needed.entrySet().stream()
                .map(entry -> new Hold(
                        entry.getValue()[0], entry.getValue()[1], entry.getKey().press()))
                .sorted(Comparator.comparingInt(Hold::tick)
                        .thenComparing(hold -> hold.press().finger()))
                .toList();
    }

    /** A note may outlast a hold where a finger rolls into a barre; then it needs the next hold too. */
    private static void extend(List<Hold> own, int index, ArrangedNote note, Map<Hold, int[]> needed) {
        for (int i = index; i < own.size() && own.get(i).tick() < note.endTick(); i++) {
            Hold hold = own.get(i);
            int[] range = needed.computeIfAbsent(hold, h -> new int[] {Integer.MAX_VALUE, 0});
            range[0] = Math.min(range[0], Math.max(note.tick(), hold.tick()));
            range[1] = Math.max(range[1], Math.min(note.endTick(), hold.endTick()));
        }
    }
}
