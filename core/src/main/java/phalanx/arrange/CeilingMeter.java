package phalanx.arrange;

import java.util.EnumMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.Finger;
import phalanx.lefthand.Fingering;
import phalanx.righthand.Digit;
import phalanx.righthand.DigitAssigner;
import phalanx.song.Song;
import phalanx.song.Ticks;

/**
 * Finds the tempo ceiling. A finger that travels from one hold to the next needs the time of Fitts' law; it has the
 * stretch from half way through the last note it served to its new onset (how much of a note may be given up for a
 * change is an assumption of ours). A digit needs its repeat limit between two plucks.
 */
final class CeilingMeter {
    private final Instrument instrument;
    private final Hand hand;

    CeilingMeter(Instrument instrument, Hand hand) {
        this.instrument = instrument;
        this.hand = hand;
    }

    TempoCeiling measure(List<ArrangedNote> notes, List<Hold> holds) {
        TempoCeiling fingers = fingers(notes, holds);
        return fingers.lower(digits(notes));
    }

    private TempoCeiling fingers(List<ArrangedNote> notes, List<Hold> holds) {
        TempoCeiling ceiling = new TempoCeiling(Song.FASTEST, 0, "nothing in the song sets a lower one");
        Map<Finger, Hold> before = new EnumMap<>(Finger.class);
        Map<Hold, ArrangedNote> lastNotes = lastNotes(notes, holds);
        for (Hold hold : holds) {
            Hold left = before.put(hold.press().finger(), hold);
            if (left != null && !stays(left, hold)) {
                ceiling = ceiling.lower(travel(left, hold, lastNotes.get(left)));
            }
        }
        return ceiling;
    }

    /** Whether the finger stays on its fret, lifted and put down again or rolled into a barre. */
    private static boolean stays(Hold left, Hold next) {
        return left.press().fret() == next.press().fret()
                && left.press().bassString() >= next.press().trebleString()
                && next.press().bassString() >= left.press().trebleString();
    }

    private TempoCeiling travel(Hold left, Hold next, ArrangedNote lastNote) {
        double mm = Fingering.reach(left.press(), next.press(), instrument);
        double needs = hand.travelMs(mm);
        int given =
                lastNote == null ? (left.tick() + left.endTick()) / 2 : lastNote.tick() + lastNote.lengthTicks() / 2;
        double tempo = Ticks.tempo(Math.max(1, next.tick() - given), needs);
        String reason = String.format(
                Locale.ROOT,
                "finger %s travels %.0f mm and needs about %.0f ms",
                next.press().finger().symbol(),
                mm,
                needs);
        return new TempoCeiling(tempo, next.tick(), reason);
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

    private TempoCeiling digits(List<ArrangedNote> notes) {
        TempoCeiling ceiling = new TempoCeiling(Song.FASTEST, 0, "nothing in the song sets a lower one");
        Map<Digit, ArrangedNote> before = new EnumMap<>(Digit.class);
        for (ArrangedNote note : notes) {
            ArrangedNote earlier = before.put(note.right(), note);
            if (earlier != null && note.tick() > earlier.tick()) {
                double tempo = Ticks.tempo(note.tick() - earlier.tick(), DigitAssigner.REPEAT_LIMIT_MS);
                String reason = String.format(
                        Locale.ROOT,
                        "digit %s plucks again and needs about %.0f ms",
                        note.right().symbol(),
                        DigitAssigner.REPEAT_LIMIT_MS);
                ceiling = ceiling.lower(new TempoCeiling(tempo, note.tick(), reason));
            }
        }
        return ceiling;
    }
}
