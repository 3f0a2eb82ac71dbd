package phalanx.arrange;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import phalanx.arrange.demand.Slot;
import phalanx.arrange.score.Hold;
import phalanx.lefthand.shape.Finger;
import phalanx.lefthand.shape.Fingering;
import phalanx.lefthand.shape.Press;

/** Joins the presses of neighbouring slots into holds. */
final class HoldWriter {
    List<Hold> write(List<Slot> slots, List<Fingering> fingerings) {
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
        holds.sort(Comparator.comparingInt(Hold::tick)
                .thenComparing(hold -> hold.press().finger()));
        return holds;
    }
}
