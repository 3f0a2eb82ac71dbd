package phalanx.arrange;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import phalanx.guitar.Instrument;
import phalanx.guitar.Tuning;
import phalanx.lefthand.Finger;
import phalanx.lefthand.Fingering;
import phalanx.lefthand.Press;
import phalanx.righthand.BassStroke;
import phalanx.righthand.Digit;
import phalanx.righthand.DigitAssigner;
import phalanx.righthand.HandPlace;
import phalanx.righthand.InnerStroke;
import phalanx.righthand.Joining;
import phalanx.righthand.Picking;
import phalanx.righthand.Pluck;
import phalanx.song.MelodyNote;
import phalanx.song.Song;
import phalanx.song.Ticks;

/**
 * Writes the notes of a solved song: melody and bass where the path put them, then inner notes on strings that are
 * free, each as long as it rings.
 */
final class NoteWriter {
    private static final int LONGEST_INNER = Ticks.WHOLE;
    private static final double COLOUR_WANTED = -1.0;
    private static final double SAME_STRING_AGAIN = 0.5;
    private static final double DOUBLES_MELODY = 0.4;
    private static final double FAR_FROM_HOME = 0.2;
    private static final double FAR_FROM_ROW = 1.6;
    private static final double CUT_SHORT = 0.6;
    private static final double THICK_LOW = 0.6;
    /** Below this an inner note near the bass sounds muddy: D3. Common practice, no source. */
    private static final int LOW_MIDI = 50;

    private static final int HOME_MIDDLE = 3;

    private final Song song;
    private final Picking picking;
    private final Instrument instrument;
    private final List<Slot> slots;
    private final List<Candidate> chosen;
    private final List<Fingering> fingerings;
    private final List<ArrangedNote> notes = new ArrayList<>();
    private final ArrangedNote[] melodyIn;
    private final ArrangedNote[] bassIn;
    private final Map<ArrangedNote, InnerStroke> asked = new IdentityHashMap<>();
    private int kept;
    private int moved;
    private int left;

    NoteWriter(Request request, List<Slot> slots, List<Candidate> chosen, List<Fingering> fingerings) {
        this.song = request.song();
        this.instrument = request.instrument();
        this.picking = request.picking();
        this.slots = slots;
        this.chosen = chosen;
        this.fingerings = fingerings;
        this.melodyIn = new ArrangedNote[slots.size()];
        this.bassIn = new ArrangedNote[slots.size()];
    }

    List<ArrangedNote> write() {
        for (int slot = 0; slot < slots.size(); slot++) {
            writeMelody(slot);
            writeBass(slot);
        }
        writeInner();
        notes.sort(Comparator.comparingInt(ArrangedNote::tick).thenComparingInt(note -> -note.string()));
        return withDigits(endAtNextPluck(notes));
    }

    private void writeMelody(int slot) {
        int string = chosen.get(slot).melodyString();
        if (slots.get(slot).melodyBegins() && string != Candidate.NONE) {
            MelodyNote tune = slots.get(slot).melody().orElseThrow();
            int last = slot;
            while (last + 1 < slots.size()
                    && slots.get(last + 1).melodyRingsOn()
                    && chosen.get(last + 1).melodyString() == string
                    && ringsInto(last + 1, string)) {
                last++;
            }
            ArrangedNote note = note(slot, string, last, tune.lengthTicks(), Role.MELODY);
            Arrays.fill(melodyIn, slot, last + 1, note);
            notes.add(note);
        }
    }

    private void writeBass(int slot) {
        int string = chosen.get(slot).bassString();
        if (slots.get(slot).bassBegins() && string != Candidate.NONE) {
            BassStroke stroke = slots.get(slot).bass().orElseThrow();
            int last = slot;
            while (last + 1 < slots.size()
                    && slots.get(last + 1).bassRingsOn()
                    && chosen.get(last + 1).bassString() == string
                    && ringsInto(last + 1, string)) {
                last++;
            }
            int wanted = stroke.endTick() - stroke.tick();
            // the heel on the bridge damps the bass
            int ringing = picking.place() == HandPlace.HEEL ? Math.max(1, wanted / 2) : wanted;
            ArrangedNote note = note(slot, string, last, ringing, Role.BASS);
            Arrays.fill(bassIn, slot, last + 1, note);
            notes.add(note);
        }
    }

    private ArrangedNote note(int slot, int string, int lastSlot, int wanted, Role role) {
        int tick = slots.get(slot).startTick();
        int length = Math.min(wanted, slots.get(lastSlot).endTick() - tick);
        return pluck(tick, length, wanted, string, slot, role);
    }

    private ArrangedNote pluck(int tick, int length, int wanted, int string, int slot, Role role) {
        Optional<Press> press = fingerings.get(slot).stopping(string);
        int fret = press.map(Press::fret).orElse(0);
        Optional<Finger> finger = press.map(Press::finger);
        int midi = instrument.midi(string, fret);
        return new ArrangedNote(tick, length, wanted, string, fret, midi, role, finger, Digit.P);
    }

    /** Whether a string keeps its fret and finger from the slot before into this one. */
    private boolean ringsInto(int slot, int string) {
        Optional<Press> before = fingerings.get(slot - 1).stopping(string);
        Optional<Press> after = fingerings.get(slot).stopping(string);
        return before.map(Press::fret).equals(after.map(Press::fret))
                && before.map(Press::finger).equals(after.map(Press::finger));
    }

    private void writeInner() {
        int chord = -1;
        int lastString = Candidate.NONE;
        int heard = 0;
        for (int slot = 0; slot < slots.size(); slot++) {
            while (chord + 1 < song.chart().size()
                    && song.chart().get(chord + 1).startTick()
                            <= slots.get(slot).startTick()) {
                chord++;
                heard = 0;
            }
            heard |= classOf(melodyIn[slot]) | classOf(bassIn[slot]);
            int tick = -1;
            int above = 0;
            for (InnerStroke stroke : slots.get(slot).inner()) {
                above = stroke.tick() == tick ? above : 0;
                tick = stroke.tick();
                int wanted = slots.get(slot).chord().orElseThrow().colourClasses() & ~heard;
                List<ArrangedNote> struck = stroke.isBrush()
                        ? brushed(slot, stroke, song.chordEnd(chord))
                        : bestInner(slot, stroke, song.chordEnd(chord), wanted, lastString, above).stream()
                                .toList();
                tally(stroke, struck);
                for (ArrangedNote note : struck) {
                    notes.add(note);
                    asked.put(note, stroke);
                    lastString = note.string();
                    above = note.string();
                    heard |= classOf(note);
                }
            }
        }
    }

    /** All strings of the chord that are free, in one stroke. */
    private List<ArrangedNote> brushed(int slot, InnerStroke stroke, int chordEnd) {
        List<ArrangedNote> brushed = new ArrayList<>();
        for (int string : freeStrings(slot)) {
            ArrangedNote note = ringing(slot, stroke.tick(), Math.min(chordEnd, stroke.tick() + LONGEST_INNER), string);
            if (isFree(slot, note)) {
                brushed.add(note.struck(Technique.BRUSH, stroke.weight()));
            }
        }
        return brushed;
    }

    /** Counts what became of a stroke of a pattern. */
    private void tally(InnerStroke stroke, List<ArrangedNote> struck) {
        if (stroke.row().isEmpty()) {
            return;
        }
        if (stroke.isBrush()) {
            int heard = Math.min(stroke.covers(), struck.size());
            kept += heard;
            left += stroke.covers() - heard;
            return;
        }
        boolean own = struck.stream()
                .anyMatch(note -> note.string() == stroke.row().get().string());
        if (struck.isEmpty()) {
            left++;
        } else if (own) {
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

    private static int classOf(ArrangedNote note) {
        return note == null ? 0 : 1 << note.midi() % 12;
    }

    /** The strings between bass and tune, from the lowest. */
    private List<Integer> freeStrings(int slot) {
        int top = melodyIn[slot] == null ? 0 : melodyIn[slot].string();
        int bottom = bassIn[slot] == null ? instrument.strings() : bassIn[slot].string();
        List<Integer> strings = new ArrayList<>();
        for (int string = bottom - 1; string > top; string--) {
            strings.add(string);
        }
        return strings;
    }

    /** Whether a note is a tone of the chord, below the tune, on a string that a locked shape does not silence. */
    private boolean isFree(int slot, ArrangedNote note) {
        int tones = slots.get(slot).chord().orElseThrow().pitchClasses();
        int ceiling = melodyIn[slot] == null ? Integer.MAX_VALUE : melodyIn[slot].midi();
        return note.midi() < ceiling
                && (tones >> note.midi() % 12 & 1) == 1
                && !chosen.get(slot).leavesSilent(note.string());
    }

    /** The best string for a stroke, below one that was struck at the same moment. */
    private Optional<ArrangedNote> bestInner(
            int slot, InnerStroke stroke, int chordEnd, int wanted, int lastString, int above) {
        ArrangedNote best = null;
        double bestDislike = Double.POSITIVE_INFINITY;
        int limit = Math.min(chordEnd, stroke.tick() + LONGEST_INNER);
        for (int string : freeStrings(slot)) {
            ArrangedNote note = ringing(slot, stroke.tick(), limit, string);
            if (string > above && isFree(slot, note)) {
                double dislike = dislike(note, slot, wanted, lastString, stroke);
                if (dislike < bestDislike) {
                    best = note;
                    bestDislike = dislike;
                }
            }
        }
        return Optional.ofNullable(best).map(note -> note.struck(Technique.PLUCK, stroke.weight()));
    }

    /** An inner note as long as its string keeps its fret and no lower melody note begins. */
    private ArrangedNote ringing(int slot, int tick, int limit, int string) {
        int wantedEnd = limit;
        int end = limit;
        int midi = pluck(tick, 1, 1, string, slot, Role.INNER).midi();
        for (int next = slot + 1; next < slots.size() && slots.get(next).startTick() < wantedEnd; next++) {
            int at = slots.get(next).startTick();
            if (taken(next, string) || slots.get(next).melodyBegins() && isNotAbove(melodyIn[next], midi)) {
                wantedEnd = at;
                end = Math.min(end, at);
            } else if (!ringsInto(next, string)) {
                end = Math.min(end, at);
            }
        }
        return pluck(tick, end - tick, wantedEnd - tick, string, slot, Role.INNER);
    }

    /** Whether melody or bass is plucked on the string where the slot begins. */
    private boolean taken(int slot, int string) {
        boolean byMelody =
                slots.get(slot).melodyBegins() && melodyIn[slot] != null && melodyIn[slot].string() == string;
        boolean byBass = slots.get(slot).bassBegins() && bassIn[slot] != null && bassIn[slot].string() == string;
        return byMelody || byBass;
    }

    private static boolean isNotAbove(ArrangedNote melody, int midi) {
        return melody != null && melody.midi() <= midi;
    }

    private double dislike(ArrangedNote note, int slot, int wanted, int lastString, InnerStroke stroke) {
        double dislike = stroke.row()
                .map(row -> FAR_FROM_ROW * Math.abs(note.string() - row.string()))
                .orElse(FAR_FROM_HOME * Math.abs(note.string() - HOME_MIDDLE));
        if ((wanted >> note.midi() % 12 & 1) == 1) {
            dislike += COLOUR_WANTED;
        }
        if (note.string() == lastString) {
            dislike += SAME_STRING_AGAIN;
        }
        if (melodyIn[slot] != null && (melodyIn[slot].midi() - note.midi()) % 12 == 0) {
            dislike += DOUBLES_MELODY;
        }
        if (note.cut()) {
            dislike += CUT_SHORT;
        }
        if (bassIn[slot] != null && note.midi() < LOW_MIDI + 5 && note.midi() - bassIn[slot].midi() < 5) {
            dislike += THICK_LOW;
        }
        return dislike;
    }

    /** Ends each note where its string is plucked again; an inner note wants no more than that. */
    private static List<ArrangedNote> endAtNextPluck(List<ArrangedNote> notes) {
        List<ArrangedNote> ended = new ArrayList<>(notes);
        int[] latest = new int[Tuning.MOST_STRINGS + 1];
        Arrays.fill(latest, -1);
        for (int i = 0; i < notes.size(); i++) {
            int string = notes.get(i).string();
            int before = latest[string];
            latest[string] = i;
            if (before >= 0 && ended.get(before).endTick() > notes.get(i).tick()) {
                ended.set(before, shortened(ended.get(before), notes.get(i).tick()));
            }
        }
        return ended;
    }

    private static ArrangedNote shortened(ArrangedNote note, int endTick) {
        return note.role() == Role.INNER ? note.endingAt(endTick) : note.ringing(endTick - note.tick());
    }

    private List<ArrangedNote> withDigits(List<ArrangedNote> plucked) {
        Map<Integer, InnerStroke> strokes = new HashMap<>();
        asked.forEach((note, stroke) -> {
            if (stroke.digit().isPresent()) {
                strokes.put(place(note), stroke);
            }
        });
        Set<Integer> brushed = plucked.stream()
                .filter(note -> note.technique() == Technique.BRUSH)
                .map(ArrangedNote::tick)
                .collect(Collectors.toSet());
        List<Pluck> plucks = plucked.stream()
                .map(note -> new Pluck(
                        note.tick(),
                        note.string(),
                        note.role() == Role.BASS,
                        Optional.ofNullable(strokes.get(place(note))).flatMap(InnerStroke::digit),
                        brushed.contains(note.tick()) && note.role() != Role.BASS))
                .toList();
        List<Digit> digits = new DigitAssigner(picking.school(), picking.speeds(), song.tempo()).assign(plucks);
        Map<Integer, Long> fingers = plucked.stream()
                .filter(note -> note.role() != Role.BASS)
                .collect(Collectors.groupingBy(ArrangedNote::tick, Collectors.counting()));
        List<ArrangedNote> done = new ArrayList<>(plucked.size());
        for (int i = 0; i < plucked.size(); i++) {
            ArrangedNote note = plucked.get(i).pluckedBy(digits.get(i));
            boolean block =
                    note.role() != Role.BASS && note.technique() == Technique.PLUCK && fingers.get(note.tick()) > 1;
            done.add(
                    brushed.contains(note.tick()) && note.role() != Role.BASS
                            ? note.struck(Technique.BRUSH, note.weight())
                            : block ? note.struck(Technique.BLOCK, note.weight()) : note);
        }
        return Strokes.withBrushes(done);
    }

    private static int place(ArrangedNote note) {
        return note.tick() * (Tuning.MOST_STRINGS + 1) + note.string();
    }
}
