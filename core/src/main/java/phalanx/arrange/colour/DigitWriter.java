package phalanx.arrange.colour;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import phalanx.arrange.demand.Request;
import phalanx.arrange.demand.Role;
import phalanx.arrange.score.ArrangedNote;
import phalanx.guitar.Tuning;
import phalanx.righthand.Digit;
import phalanx.righthand.DigitAssigner;
import phalanx.righthand.Picking;
import phalanx.righthand.Pluck;
import phalanx.song.Ticks;
import phalanx.technique.Attack;

/** Gives notes their digits, and says from these how they are struck: what one digit takes at once is a brush. */
public final class DigitWriter {
    private final Picking picking;
    private final double tempo;
    /** What the player has decided, by tick and role, as far as the school has the digit. */
    private final Map<List<?>, Digit> decided = new HashMap<>();

    /** Of a song with what is decided about it. */
    public DigitWriter(Request request) {
        this.picking = request.picking();
        this.tempo = request.song().tempo();
        request.digits().stream()
                .filter(lock -> picking.school().digits().contains(lock.digit()))
                .forEach(lock -> decided.put(List.of(lock.tick(), lock.role()), lock.digit()));
    }

    /**
     * The notes with digits.
     *
     * @param notes in order of tick, at one tick from the lowest string
     * @param wanted the digit that the pattern names for a note, if it does
     */
    public List<ArrangedNote> write(List<ArrangedNote> notes, Function<ArrangedNote, Optional<Digit>> wanted) {
        List<ArrangedNote> plucked =
                notes.stream().filter(note -> note.attack().plucked()).toList();
        return plucked.size() == notes.size() ? struck(notes, wanted) : withSlurs(notes, struck(plucked, wanted));
    }

    /** The notes with blocks and upstrokes taken back: they are found anew among what is still plucked. */
    static List<ArrangedNote> unstruck(List<ArrangedNote> notes) {
        return notes.stream()
                .map(note -> note.attack() instanceof Attack.Block
                                || note.attack() instanceof Attack.Pluck
                                        && !note.attack().equals(Attack.SNAP)
                        ? note.struck(Attack.PLUCK, note.weight())
                        : note)
                .toList();
    }

    /** All notes in order again; one that is slurred has the digit whose pluck it lives on. */
    private static List<ArrangedNote> withSlurs(List<ArrangedNote> notes, List<ArrangedNote> plucked) {
        Digit[] last = new Digit[Tuning.MOST_STRINGS + 1];
        List<ArrangedNote> all = new ArrayList<>(notes.size());
        int next = 0;
        for (ArrangedNote note : notes) {
            Digit before = last[note.string()];
            ArrangedNote done =
                    note.attack().plucked() ? plucked.get(next++) : before == null ? note : note.pluckedBy(before);
            last[note.string()] = done.right();
            all.add(done);
        }
        return all;
    }

    private List<ArrangedNote> struck(List<ArrangedNote> notes, Function<ArrangedNote, Optional<Digit>> wanted) {
        List<Pluck> plucks = new ArrayList<>(notes.size());
        for (int i = 0; i < notes.size(); i++) {
            ArrangedNote note = notes.get(i);
            Optional<Digit> own = decided(notes, i);
            plucks.add(new Pluck(
                    note.tick(),
                    note.string(),
                    note.role() == Role.BASS,
                    own.or(() -> wanted.apply(note)),
                    note.attack() instanceof Attack.Brush,
                    own.isPresent()));
        }
        List<Digit> digits = new DigitAssigner(picking.school(), picking.speeds(), tempo).assign(plucks);
        Map<Integer, Map<Digit, Integer>> uses = new HashMap<>();
        Map<Integer, Integer> fingers = new HashMap<>();
        for (int i = 0; i < notes.size(); i++) {
            int tick = notes.get(i).tick();
            uses.computeIfAbsent(tick, t -> new EnumMap<>(Digit.class)).merge(digits.get(i), 1, Integer::sum);
            fingers.merge(tick, notes.get(i).role() == Role.BASS ? 0 : 1, Integer::sum);
        }
        List<ArrangedNote> done = new ArrayList<>(notes.size());
        for (int i = 0; i < notes.size(); i++) {
            ArrangedNote note = notes.get(i).pluckedBy(digits.get(i));
            boolean shared = uses.get(note.tick()).get(note.right()) > 1;
            boolean brush = shared || note.attack() instanceof Attack.Brush;
            boolean roll = note.attack() instanceof Attack.Roll;
            boolean touched = note.attack() instanceof Attack.Touched;
            boolean alone = touched || note.attack().equals(Attack.SNAP);
            boolean block = !roll && !alone && note.role() != Role.BASS && fingers.get(note.tick()) > 1;
            done.add(
                    brush
                            ? note.struck(
                                    note.attack() instanceof Attack.Brush ? note.attack() : Attack.BRUSH, note.weight())
                            : block ? note.struck(Attack.BLOCK, note.weight()) : note);
        }
        return withUpstrokes(done);
    }

    /** The digit that is decided for a note; of inner notes at once for the last, on the highest string. */
    private Optional<Digit> decided(List<ArrangedNote> notes, int at) {
        ArrangedNote note = notes.get(at);
        Digit digit = decided.isEmpty() ? null : decided.get(List.of(note.tick(), note.role()));
        boolean last = true;
        for (int i = at + 1; digit != null && i < notes.size() && notes.get(i).tick() == note.tick(); i++) {
            last &= notes.get(i).role() != note.role();
        }
        return Optional.ofNullable(last ? digit : null);
    }

    /** A thumb that must pluck again sooner than it can go round does so on its way back, on its string or the next. */
    private List<ArrangedNote> withUpstrokes(List<ArrangedNote> notes) {
        List<ArrangedNote> done = new ArrayList<>(notes);
        ArrangedNote down = null;
        for (int i = 0; i < done.size(); i++) {
            ArrangedNote note = done.get(i);
            if (note.right() != Digit.P) {
                continue;
            }
            boolean back = down != null
                    && note.attack().equals(Attack.PLUCK)
                    && Ticks.milliseconds(note.tick() - down.tick(), tempo)
                            < picking.speeds().repeatMs()
                    && Math.abs(note.string() - down.string()) <= 1;
            if (back) {
                done.set(i, note.struck(Attack.UPSTROKE, note.weight()));
            }
            down = back || note.attack() instanceof Attack.Brush ? null : note;
        }
        return done;
    }
}
