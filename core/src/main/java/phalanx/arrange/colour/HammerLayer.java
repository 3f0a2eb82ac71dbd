package phalanx.arrange.colour;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import phalanx.arrange.audit.SlurRules;
import phalanx.arrange.demand.AttackLock;
import phalanx.arrange.demand.NoteLock;
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
 * semitones below and above the bass. What cannot be hammered, or
 * what the player wants otherwise, is plucked.
 */
final class HammerLayer {
    private final Arrangement plain;
    private final Instrument instrument;
    private final Predicate<ArrangedNote> hammered;
    private final List<ArrangedNote> notes;
    private final List<Hold> holds;
    private final Set<Integer> plucked;
    private boolean changed;

    /** @param hammered whether the pattern wants a note so */
    HammerLayer(Arrangement plain, Predicate<ArrangedNote> hammered) {
        this.plain = plain;
        this.instrument = plain.request().instrument();
        this.hammered = hammered;
        this.notes = new ArrayList<>(plain.notes());
        this.holds = new ArrayList<>(plain.holds());
        Stream<AttackLock> notSlurred =
                plain.request().attacks().stream().filter(lock -> lock.way() != AttackLock.Way.SLURRED);
        this.plucked = Stream.concat(notSlurred, plain.request().digits().stream())
                .filter(lock -> lock.role() == Role.INNER)
                .map(NoteLock::tick)
                .collect(Collectors.toSet());
    }

    /** @param wanted the digit that a pattern names for a note, if it does */
    Arrangement hammer(Function<ArrangedNote, Optional<Digit>> wanted) {
        int[] last = new int[Tuning.MOST_STRINGS + 1];
        for (int at = 0; at < notes.size(); at++) {
            ArrangedNote note = notes.get(at);
            int before = last[note.string()] - 1;
            last[note.string()] = at + 1;
            if (before >= 0 && note.role() == Role.INNER && hammered.test(note) && !plucked.contains(note.tick())) {
                hammer(before, at);
            }
        }
        if (!changed) {
            return plain;
        }
        DigitWriter digits = new DigitWriter(plain.request());
        holds.sort(Comparator.comparingInt(Hold::tick));
        return plain.coloured(digits.write(DigitWriter.unstruck(notes), wanted), holds, List.of(), List.of());
    }

    private void hammer(int before, int at) {
        ArrangedNote from = notes.get(before);
        ArrangedNote note = notes.get(at);
        boolean pluck = from.attack().equals(Attack.PLUCK) || from.attack() instanceof Attack.Block;
        if (from.role() != Role.INNER || !pluck) {
            return;
        }
        boolean late = from.fret() == note.fret() && note.fret() > 0;
        Optional<Hold> under = late ? under(from, note) : Optional.empty();
        ArrangedNote open = late ? open(from) : from;
        boolean can = (!late || under.isPresent() && sounds(open))
                && new SlurRules(plain, around(from, note, under), false)
                        .refusal(open, note, SlurKind.HAMMER)
                        .isEmpty();
        if (can) {
            notes.set(before, open);
            notes.set(at, note.struck(new Attack.Slur(SlurKind.HAMMER), note.weight()));
            under.ifPresent(hold -> {
                holds.remove(hold);
                holds.addAll(lifted(hold, from, note));
            });
            changed = true;
        }
    }

    /** The finger that holds both notes, alone on its string. */
    private Optional<Hold> under(ArrangedNote from, ArrangedNote note) {
        return holds.stream()
                .filter(hold -> hold.tick() <= from.tick()
                        && hold.endTick() > note.tick()
                        && hold.press().covers(note.string())
                        && !hold.press().isBarre())
                .findFirst();
    }

    /** A hold with its finger up from one note to the other. */
    private static List<Hold> lifted(Hold hold, ArrangedNote from, ArrangedNote note) {
        Hold later = new Hold(note.tick(), hold.endTick(), hold.press());
        return hold.tick() < from.tick()
                ? List.of(new Hold(hold.tick(), from.tick(), hold.press()), later)
                : List.of(later);
    }

    /** What is held from one note to the other: the rules need no more, and the song may be long. */
    private List<Hold> around(ArrangedNote from, ArrangedNote note, Optional<Hold> under) {
        List<Hold> near = new ArrayList<>();
        for (Hold hold : holds) {
            if (hold.tick() <= note.tick() && hold.endTick() > from.tick() && !under.equals(Optional.of(hold))) {
                near.add(hold);
            }
        }
        under.ifPresent(hold -> near.addAll(lifted(hold, from, note)));
        return near;
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
