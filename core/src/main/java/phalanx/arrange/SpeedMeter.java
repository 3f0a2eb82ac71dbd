package phalanx.arrange;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.Finger;
import phalanx.lefthand.Fingering;
import phalanx.righthand.Digit;
import phalanx.righthand.Speeds;

/**
 * Finds what sets the tempo. A finger that travels from one hold to the next needs the time of Fitts' law; it has the
 * stretch from half way through the last note it served to its new onset (how much of a note may be given up for a
 * change is an assumption of ours). A digit needs its repeat limit between two plucks.
 */
final class SpeedMeter {
    private final Instrument instrument;
    private final Hand hand;
    private final Speeds speeds;

    SpeedMeter(Request request) {
        this.instrument = request.instrument();
        this.hand = request.hand();
        this.speeds = request.picking().speeds();
    }

    /** All limits of a song, fingers first. */
    List<SpeedLimit> limits(List<ArrangedNote> notes, List<Hold> holds) {
        List<SpeedLimit> limits = new ArrayList<>();
        addFingers(notes, holds, limits);
        addDigits(notes, limits);
        return limits;
    }

    private void addFingers(List<ArrangedNote> notes, List<Hold> holds, List<SpeedLimit> limits) {
        Map<Finger, Hold> before = new EnumMap<>(Finger.class);
        Map<Hold, ArrangedNote> lastNotes = lastNotes(notes, holds);
        for (Hold hold : holds) {
            Hold left = before.put(hold.press().finger(), hold);
            if (left != null && !stays(left, hold)) {
                limits.add(travel(left, hold, lastNotes.get(left)));
            }
        }
    }

    /** Whether the finger stays on its fret, lifted and put down again or rolled into a barre. */
    private static boolean stays(Hold left, Hold next) {
        return left.press().fret() == next.press().fret()
                && left.press().bassString() >= next.press().trebleString()
                && next.press().bassString() >= left.press().trebleString();
    }

    private SpeedLimit travel(Hold left, Hold next, ArrangedNote lastNote) {
        double mm = Fingering.reach(left.press(), next.press(), instrument);
        int free = lastNote == null ? (left.tick() + left.endTick()) / 2 : lastNote.tick() + lastNote.lengthTicks() / 2;
        String who = "finger " + next.press().finger().symbol();
        int ticks = Math.max(1, next.tick() - free);
        return new SpeedLimit(next.tick(), ticks, hand.travelMs(mm), FindingKind.CHANGE_TOO_FAST, who, mm);
    }

    /** The last note that each hold serves. */
    private static Map<Hold, ArrangedNote> lastNotes(List<ArrangedNote> notes, List<Hold> holds) {
        Map<Hold, ArrangedNote> last = new IdentityHashMap<>();
        Map<Finger, Hold> current = new EnumMap<>(Finger.class);
        int next = 0;
        for (ArrangedNote note : notes) {
            while (next < holds.size() && holds.get(next).tick() <= note.tick()) {
                Hold hold = holds.get(next++);
                current.put(hold.press().finger(), hold);
            }
            note.left().map(current::get).ifPresent(hold -> last.put(hold, note));
        }
        return last;
    }

    /** One digit must come back to a string; different ones follow as fast as a roll. A brush is one stroke. */
    private void addDigits(List<ArrangedNote> notes, List<SpeedLimit> limits) {
        Map<Digit, ArrangedNote> before = new EnumMap<>(Digit.class);
        ArrangedNote last = null;
        for (ArrangedNote note : notes) {
            ArrangedNote earlier = before.put(note.right(), note);
            if (earlier != null && note.tick() > earlier.tick()) {
                limits.add(limit(
                        note,
                        note.tick() - earlier.tick(),
                        speeds.repeatMs(),
                        "digit " + note.right().symbol()));
            }
            if (last != null && note.tick() > last.tick() && last.right() != note.right()) {
                String who = "digit " + note.right().symbol() + " after "
                        + last.right().symbol();
                limits.add(limit(note, note.tick() - last.tick(), speeds.rollMs(), who));
            }
            last = note;
        }
    }

    private static SpeedLimit limit(ArrangedNote note, int ticks, double needsMs, String who) {
        return new SpeedLimit(note.tick(), ticks, needsMs, FindingKind.DIGIT_TOO_FAST, who, 0);
    }
}
