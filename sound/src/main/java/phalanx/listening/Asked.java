package phalanx.listening;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeMap;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.technique.Attack;
import phalanx.theory.Pitch;

/**
 * Notes that are to begin together.
 *
 * @param tick when
 * @param notes that are plucked; slurred ones begin too softly to be told
 */
record Asked(int tick, List<ArrangedNote> notes) {
    /** What a stretch of an arrangement asks for, in order. */
    static List<Asked> of(Arrangement arrangement, int from, int to) {
        TreeMap<Integer, List<ArrangedNote>> byTick = new TreeMap<>();
        for (ArrangedNote note : arrangement.notes()) {
            if (note.tick() >= from && note.tick() < to && note.attack().plucked()) {
                byTick.computeIfAbsent(note.tick(), tick -> new ArrayList<>()).add(note);
            }
        }
        return byTick.entrySet().stream()
                .map(entry -> new Asked(entry.getKey(), List.copyOf(entry.getValue())))
                .toList();
    }

    /** The same but for some notes; none may be left. */
    Asked without(Set<ArrangedNote> gone) {
        return new Asked(
                tick, notes.stream().filter(note -> !gone.contains(note)).toList());
    }

    /** The pitch whose multiples a note sounds: a harmonic's own, else the string's. */
    static double hertz(ArrangedNote note) {
        double cents =
                note.attack() instanceof Attack.Touched touched ? touched.node().cents() : 0;
        return Pitch.hertz(note.midi()) * Math.pow(2, cents / 1200);
    }
}
