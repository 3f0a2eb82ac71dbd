package phalanx.arrange;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import phalanx.arrange.colour.DigitWriter;
import phalanx.arrange.demand.Request;
import phalanx.arrange.demand.Role;
import phalanx.arrange.demand.Slot;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.search.Candidate;
import phalanx.arrange.search.Layer;
import phalanx.guitar.Instrument;
import phalanx.guitar.Tuning;
import phalanx.lefthand.shape.Finger;
import phalanx.lefthand.shape.Fingering;
import phalanx.lefthand.shape.Press;
import phalanx.righthand.BassLine;
import phalanx.righthand.BassStroke;
import phalanx.righthand.Digit;
import phalanx.righthand.HandPlace;
import phalanx.righthand.InnerStroke;
import phalanx.righthand.Joining;
import phalanx.righthand.Manner;
import phalanx.righthand.Picking;
import phalanx.song.MelodyNote;
import phalanx.song.Reprises;
import phalanx.song.Song;
import phalanx.song.Ticks;
import phalanx.technique.Attack;

/** Writes down the notes of a way through the slots: where the path put them, each as long as it rings. */
final class NoteWriter {
    private static final int LONGEST_INNER = Ticks.WHOLE;

    private final Song song;
    private final Request request;
    private final Instrument instrument;
    private final List<Slot> slots;
    private final List<Candidate> chosen;
    private final List<Fingering> fingerings;
    private final List<ArrangedNote> notes = new ArrayList<>();
    private final Map<Integer, Digit> wanted = new HashMap<>();
    /** Places of the notes that the pattern has hammered. */
    private final Set<Integer> hammered = new HashSet<>();
    /** Up to where each bass note is asked for, by its place. */
    private final Map<Integer, Integer> askedEnds = new HashMap<>();

    private int kept;
    private int moved;
    private int left;

    NoteWriter(Request request, List<Slot> slots, List<Candidate> chosen) {
        this.song = request.song();
        this.request = request;
        this.instrument = request.instrument();
        this.slots = slots;
        this.chosen = chosen;
        this.fingerings = chosen.stream().map(Candidate::fingering).toList();
    }

    /** The notes that were written with their digits; what comes again is plucked as the first time. */
    List<ArrangedNote> withDigits(List<ArrangedNote> plain) {
        DigitWriter digits = new DigitWriter(request);
        List<ArrangedNote> done = digits.write(plain, this::wanted);
        List<Reprises.Reprise> again = new Reprises(song).find();
        if (again.isEmpty()) {
            return done;
        }
        again.forEach(reprise -> wantAsBefore(done, reprise));
        return digits.write(plain, this::wanted);
    }

    /** What comes again wants the digits of the first time, where the pattern names none. */
    private void wantAsBefore(List<ArrangedNote> first, Reprises.Reprise again) {
        int later = again.startTick() - again.firstTick();
        first.stream()
                .filter(note ->
                        note.tick() >= again.firstTick() && note.tick() < again.firstTick() + again.lengthTicks())
                .forEach(note -> wanted.putIfAbsent(place(note.tick() + later, note.string()), note.right()));
    }

    /** The notes without digits, which cost nothing. */
    List<ArrangedNote> writeWithoutDigits() {
        for (int slot = 0; slot < slots.size(); slot++) {
            writeMelody(slot);
            writeBass(slot);
            writeInner(slot);
        }
        notes.sort(Comparator.comparingInt(ArrangedNote::tick).thenComparingInt(note -> -note.string()));
        return endAtNextPluck(notes);
    }

    /** The digit that the pattern names for a note, or that plucked it the first time where it comes again. */
    Optional<Digit> wanted(ArrangedNote note) {
        return Optional.ofNullable(wanted.get(place(note)));
    }

    /** Whether the pattern has a note hammered. */
    boolean hammered(ArrangedNote note) {
        return hammered.contains(place(note));
    }

    private void writeMelody(int slot) {
        int string = chosen.get(slot).tune();
        if (slots.get(slot).melodyBegins() && string != Layer.NONE) {
            MelodyNote tune = slots.get(slot).melody().orElseThrow();
            int last = slot;
            while (last + 1 < slots.size()
                    && slots.get(last + 1).melodyRingsOn()
                    && chosen.get(last + 1).tune() == string) {
                last++;
            }
            notes.add(note(slot, string, last, tune.lengthTicks(), Role.MELODY));
        }
    }

    private void writeBass(int slot) {
        int string = chosen.get(slot).bass();
        if (slots.get(slot).bassBegins() && string != Layer.NONE) {
            BassStroke stroke = slots.get(slot).bass().orElseThrow();
            int last = slot;
            while (last + 1 < slots.size()
                    && slots.get(last + 1).bassRingsOn()
                    && chosen.get(last + 1).bass() == string) {
                last++;
            }
            ArrangedNote asked = note(slot, string, last, stroke.endTick() - stroke.tick(), Role.BASS);
            askedEnds.put(place(asked), stroke.endTick());
            notes.add(ringsOn(stroke, asked) ? ringingFrom(last, asked) : asked);
        }
    }

    /** Whether a bass note goes on sounding under the next ones: nobody damps it, and it belongs to the chord. */
    private boolean ringsOn(BassStroke stroke, ArrangedNote asked) {
        Picking picking = request.picking();
        return !asked.cut()
                && picking.place() != HandPlace.HEEL
                && picking.planAt(asked.tick()).bass() != BassLine.WALKING
                && (stroke.allowed() >> asked.midi() % 12 & 1) == 1;
    }

    /** A bass note as long as its string keeps its fret after the last slot that asks for it, at most as its chord. */
    private ArrangedNote ringingFrom(int last, ArrangedNote asked) {
        int end = Math.max(asked.endTick(), song.chordEnd(slots.get(last).chordIndex()));
        for (int next = last + 1; next < slots.size() && slots.get(next).startTick() < end; next++) {
            if (isTaken(next, asked.string())
                    || isHidden(next, asked.midi())
                    || !chosen.get(next - 1).keeps(asked.string(), chosen.get(next))) {
                end = Math.max(asked.endTick(), slots.get(next).startTick());
            }
        }
        return asked.ringingOn(end - asked.tick());
    }

    private ArrangedNote note(int slot, int string, int lastSlot, int wantedTicks, Role role) {
        int tick = slots.get(slot).startTick();
        int length = Math.min(wantedTicks, slots.get(lastSlot).endTick() - tick);
        return pluck(tick, length, wantedTicks, string, slot, role);
    }

    private ArrangedNote pluck(int tick, int length, int wantedTicks, int string, int slot, Role role) {
        Optional<Press> press = fingerings.get(slot).stopping(string);
        int fret = press.map(Press::fret).orElse(0);
        Optional<Finger> finger = press.map(Press::finger);
        int midi = instrument.midi(string, fret);
        return new ArrangedNote(tick, length, wantedTicks, string, fret, midi, role, finger, Digit.P);
    }

    private void writeInner(int slot) {
        int[] sets = chosen.get(slot).placing().moments();
        int[][] strings = chosen.get(slot).placing().strings();
        int moment = -1;
        int stroke = 0;
        int tick = -1;
        for (InnerStroke asked : slots.get(slot).inner()) {
            if (asked.tick() != tick) {
                tick = asked.tick();
                moment++;
                stroke = 0;
            }
            int set = asked.isBrush() ? sets[moment] : 1 << strings[moment][stroke] & ~1;
            tally(asked, set, slot);
            for (int rest = set; rest != 0; rest &= rest - 1) {
                addInner(slot, asked, Integer.numberOfTrailingZeros(rest));
            }
            stroke++;
        }
    }

    private void addInner(int slot, InnerStroke asked, int string) {
        Attack attack = asked.isBrush()
                ? new Attack.Brush(asked.up(), asked.manner() == Manner.NAILS)
                : asked.kind() == InnerStroke.Kind.END_ROLL
                        ? Attack.ROLL
                        : asked.manner() == Manner.SNAPPED ? Attack.SNAP : Attack.PLUCK;
        ArrangedNote note = ringing(slot, asked.tick(), string).struck(attack, asked.weight());
        notes.add(note);
        asked.digit().ifPresent(digit -> wanted.put(place(note), digit));
        if (asked.manner() == Manner.HAMMERED) {
            hammered.add(place(note));
        }
    }

    /** Counts what became of a stroke of a pattern. */
    private void tally(InnerStroke stroke, int set, int slot) {
        if (stroke.kind() != InnerStroke.Kind.PATTERN || stroke.row().isEmpty()) {
            return;
        }
        if (stroke.isBrush()) {
            int heard = Math.min(stroke.covers(), Integer.bitCount(set));
            kept += heard;
            left += stroke.covers() - heard;
        } else if (set == 0) {
            left++;
        } else if (chosen.get(slot).placing().isOwn(stroke.row().get().rank(), Integer.numberOfTrailingZeros(set))) {
            kept++;
        } else {
            moved++;
        }
    }

    /** What became of the pattern, strings looked at. */
    Joining joining(Joining planned) {
        Joining placed = planned.placing(kept, moved);
        return left == 0 ? placed : placed.dropping(Joining.Reason.NO_FREE_STRING, left);
    }

    /** An inner note as long as its string keeps its fret and no lower tune note begins, at most as its chord. */
    private ArrangedNote ringing(int slot, int tick, int string) {
        int limit = Math.min(song.chordEnd(slots.get(slot).chordIndex()), tick + LONGEST_INNER);
        int wantedEnd = limit;
        int end = limit;
        int midi = pluck(tick, 1, 1, string, slot, Role.INNER).midi();
        for (int next = slot + 1; next < slots.size() && slots.get(next).startTick() < wantedEnd; next++) {
            int at = slots.get(next).startTick();
            if (isTaken(next, string) || isHidden(next, midi)) {
                wantedEnd = at;
                end = Math.min(end, at);
            } else if (!chosen.get(next - 1).keeps(string, chosen.get(next))) {
                end = Math.min(end, at);
            }
        }
        return pluck(tick, end - tick, wantedEnd - tick, string, slot, Role.INNER);
    }

    /** Whether tune or bass is plucked on the string where the slot begins. */
    private boolean isTaken(int slot, int string) {
        return slots.get(slot).melodyBegins() && chosen.get(slot).tune() == string
                || slots.get(slot).bassBegins() && chosen.get(slot).bass() == string;
    }

    /** Whether a tune note begins there that is no higher. */
    private boolean isHidden(int slot, int midi) {
        return slots.get(slot).melodyBegins()
                && chosen.get(slot).tune() != Layer.NONE
                && slots.get(slot).melody().orElseThrow().midi() <= midi;
    }

    /** Ends each note where its string is plucked again; what is not asked for longer wants no more than that. */
    private List<ArrangedNote> endAtNextPluck(List<ArrangedNote> notes) {
        List<ArrangedNote> ended = new ArrayList<>(notes);
        int[] latest = new int[Tuning.MOST_STRINGS + 1];
        Arrays.fill(latest, -1);
        for (int i = 0; i < notes.size(); i++) {
            int string = notes.get(i).string();
            int before = latest[string];
            latest[string] = i;
            if (before >= 0
                    && ended.get(before).tick() + ended.get(before).wantedTicks()
                            > notes.get(i).tick()) {
                ended.set(before, shortened(ended.get(before), notes.get(i).tick()));
            }
        }
        return ended;
    }

    private ArrangedNote shortened(ArrangedNote note, int endTick) {
        int length = Math.min(note.lengthTicks(), endTick - note.tick());
        boolean enough = note.role() == Role.INNER || note.role() == Role.BASS && askedEnds.get(place(note)) <= endTick;
        return enough ? note.endingAt(endTick) : note.ringing(length);
    }

    private static int place(ArrangedNote note) {
        return place(note.tick(), note.string());
    }

    private static int place(int tick, int string) {
        return tick * (Tuning.MOST_STRINGS + 1) + string;
    }
}
