package phalanx.arrange.colour;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Predicate;
import phalanx.arrange.audit.SlurRules;
import phalanx.arrange.demand.Role;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Hold;
import phalanx.guitar.Instrument;
import phalanx.guitar.Tuning;
import phalanx.righthand.Digit;
import phalanx.technique.Attack;
import phalanx.technique.SlurKind;

/**
 * Hammers the notes that a pattern has hammered. Where one finger holds the fret under this stroke and the one before, it
 * comes down late: the stroke before sounds the open string, when that is a tone of the key or the chord up to four
 * semitones below and above the bass. What cannot be hammered is plucked.
 */
final class HammerLayer {
    private final Arrangement plain;
    private final Instrument instrument;
    private final Predicate<ArrangedNote> hammered;
    private final List<ArrangedNote> notes;
    private List<Hold> holds;
    private boolean changed;

    /** @param hammered whether the pattern wants a note so */
    HammerLayer(Arrangement plain, Predicate<ArrangedNote> hammered) {
        this.plain = plain;
        this.instrument = plain.request().instrument();
        this.hammered = hammered;
        this.notes = new ArrayList<>(plain.notes());
        this.holds = plain.holds();
    }

    /** @param wanted the digit that a pattern names for a note, if it does */
    Arrangement hammer(Function<ArrangedNote, Optional<Digit>> wanted) {
        int[] last = new int[Tuning.MOST_STRINGS + 1];
        for (int at = 0; at < notes.size(); at++) {
            ArrangedNote note = notes.get(at);
            int before = last[note.string()] - 1;
            last[note.string()] = at + 1;
            if (before >= 0 && note.role() == Role.INNER && hammered.test(note)) {
                hammer(before, at);
            }
        }
        if (!changed) {
            return plain;
        }
        DigitWriter digits =
                new DigitWriter(plain.request().picking(), plain.song().tempo());
        return plain.coloured(digits.write(DigitWriter.unstruck(notes), wanted), holds, List.of(), List.of());
    }

    private void hammer(int before, int at) {
        ArrangedNote from = notes.get(before);
        ArrangedNote note = notes.get(at);
        boolean plucked = from.attack().equals(Attack.PLUCK) || from.attack() instanceof Attack.Block;
        if (from.role() != Role.INNER || !plucked) {
            return;
        }
        boolean late = from.fret() == note.fret() && note.fret() > 0;
        Optional<List<Hold>> lifted = late ? lifted(from, note) : Optional.of(holds);
        ArrangedNote open = late ? open(from) : from;
        boolean can = lifted.isPresent()
                && (!late || sounds(open))
                && new SlurRules(plain, lifted.get(), false)
                        .refusal(open, note, SlurKind.HAMMER)
                        .isEmpty();
        if (can) {
            notes.set(before, open);
            notes.set(at, note.struck(new Attack.Slur(SlurKind.HAMMER), note.weight()));
            holds = lifted.get();
            changed = true;
        }
    }

    /** The holds with the finger up from one note to the other. */
    private Optional<List<Hold>> lifted(ArrangedNote from, ArrangedNote note) {
        Optional<Hold> under = holds.stream()
                .filter(hold -> hold.tick() <= from.tick()
                        && hold.endTick() > note.tick()
                        && hold.press().covers(note.string())
                        && !hold.press().isBarre())
                .findFirst();
        return under.map(hold -> {
            List<Hold> now = new ArrayList<>(holds);
            now.remove(hold);
            if (hold.tick() < from.tick()) {
                now.add(new Hold(hold.tick(), from.tick(), hold.press()));
            }
            now.add(new Hold(note.tick(), hold.endTick(), hold.press()));
            now.sort(Comparator.comparingInt(Hold::tick));
            return now;
        });
    }

    private ArrangedNote open(ArrangedNote note) {
        return new ArrangedNote(
                note.tick(),
                note.lengthTicks(),
                note.wantedTicks(),
                note.string(),
                0,
                instrument.midi(note.string(), 0),
                note.role(),
                Optional.empty(),
                note.right(),
                note.attack(),
                note.weight());
    }

    /** Whether the open string belongs there: to the key or the chord, and above the bass. */
    private boolean sounds(ArrangedNote open) {
        int pitchClass = open.midi() % 12;
        boolean inKey = (plain.song().key().pitchClasses() >> pitchClass & 1) == 1;
        boolean inChord = plain.song()
                .chordAt(open.tick())
                .filter(chord -> (chord.pitchClasses() >> pitchClass & 1) == 1)
                .isPresent();
        return (inKey || inChord)
                && notes.stream()
                        .filter(note -> note.role() == Role.BASS && note.soundsAt(open.tick()))
                        .allMatch(bass -> bass.midi() < open.midi());
    }
}
