package phalanx.arrange;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import phalanx.guitar.Instrument;
import phalanx.guitar.Tuning;
import phalanx.lefthand.Finger;
import phalanx.lefthand.Fingering;
import phalanx.lefthand.Press;
import phalanx.righthand.BassStroke;
import phalanx.righthand.Digit;
import phalanx.righthand.DigitAssigner;
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
    private static final double CUT_SHORT = 0.6;
    private static final double THICK_LOW = 0.6;
    /** Below this an inner note near the bass sounds muddy: D3. Common practice, no source. */
    private static final int LOW_MIDI = 50;

    private static final int HOME_MIDDLE = 3;

    private final Song song;
    private final Instrument instrument;
    private final List<Slot> slots;
    private final List<Candidate> chosen;
    private final List<Fingering> fingerings;
    private final List<ArrangedNote> notes = new ArrayList<>();
    private final ArrangedNote[] melodyIn;
    private final ArrangedNote[] bassIn;

    NoteWriter(Song song, Instrument instrument, List<Slot> slots, List<Candidate> chosen, List<Fingering> fingerings) {
        this.song = song;
        this.instrument = instrument;
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
            ArrangedNote note = note(slot, string, last, stroke.endTick() - stroke.tick(), Role.BASS);
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
            for (int tick : slots.get(slot).inner()) {
                int wanted = slots.get(slot).chord().orElseThrow().colourClasses() & ~heard;
                Optional<ArrangedNote> best = bestInner(slot, tick, song.chordEnd(chord), wanted, lastString);
                if (best.isPresent()) {
                    notes.add(best.get());
                    lastString = best.get().string();
                    heard |= classOf(best.get());
                }
            }
        }
    }

    private static int classOf(ArrangedNote note) {
        return note == null ? 0 : 1 << note.midi() % 12;
    }

    private Optional<ArrangedNote> bestInner(int slot, int tick, int chordEnd, int wanted, int lastString) {
        int tones = slots.get(slot).chord().orElseThrow().pitchClasses();
        int top = melodyIn[slot] == null ? 0 : melodyIn[slot].string();
        int bottom = bassIn[slot] == null ? instrument.strings() : bassIn[slot].string();
        int ceiling = melodyIn[slot] == null ? Integer.MAX_VALUE : melodyIn[slot].midi();
        ArrangedNote best = null;
        double bestDislike = Double.POSITIVE_INFINITY;
        for (int string = bottom - 1; string > top; string--) {
            int limit = Math.min(chordEnd, tick + LONGEST_INNER);
            ArrangedNote note = ringing(slot, tick, limit, string);
            boolean tone = note.midi() < ceiling && (tones >> note.midi() % 12 & 1) == 1;
            if (tone && !chosen.get(slot).leavesSilent(string)) {
                double dislike = dislike(note, slot, wanted, lastString);
                if (dislike < bestDislike) {
                    best = note;
                    bestDislike = dislike;
                }
            }
        }
        return Optional.ofNullable(best);
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

    private double dislike(ArrangedNote note, int slot, int wanted, int lastString) {
        double dislike = FAR_FROM_HOME * Math.abs(note.string() - HOME_MIDDLE);
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
        List<Pluck> plucks = plucked.stream()
                .map(note -> new Pluck(note.tick(), note.string(), note.role() == Role.BASS))
                .toList();
        List<Digit> digits = new DigitAssigner(song.tempo()).assign(plucks);
        List<ArrangedNote> done = new ArrayList<>(plucked.size());
        for (int i = 0; i < plucked.size(); i++) {
            done.add(plucked.get(i).pluckedBy(digits.get(i)));
        }
        return done;
    }
}
