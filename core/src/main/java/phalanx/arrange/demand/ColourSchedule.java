package phalanx.arrange.demand;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import phalanx.righthand.BassStroke;
import phalanx.righthand.InnerStroke;
import phalanx.song.MelodyNote;
import phalanx.song.Song;
import phalanx.song.Ticks;
import phalanx.theory.ChordSymbol;
import phalanx.theory.ChordTone;

/**
 * Says for each slot which colours of its chord should be heard there: the third first, each named tone in the first
 * strokes of the chord that have room for it. What the tune sounds within two beats of the change needs no stroke. Under
 * a pattern all that it strikes within these two beats counts together: the shape must have the colours where they are
 * struck. It says, too, what bass and tune sound next, and what the
 * player has decided of the places.
 */
final class ColourSchedule {
    private static final int BEATS = 2;

    private final Request request;
    private final Song song;
    /** Where the player has decided the places of notes. */
    private final Map<Integer, Pins> places = new HashMap<>();

    private final List<LimitLock> limits;

    ColourSchedule(Request request) {
        this.request = request;
        this.song = request.played();
        this.limits = request.limits();
        request.places()
                .forEach(place ->
                        places.merge(place.tick(), Pins.NONE.with(place), (before, one) -> before.with(place)));
    }

    List<Slot> of(List<Slot> slots) {
        List<Slot> done = new ArrayList<>(slots.size());
        for (int from = 0; from < slots.size(); ) {
            int to = from;
            while (to < slots.size()
                    && slots.get(to).chordIndex() == slots.get(from).chordIndex()) {
                to++;
            }
            addChord(slots.subList(from, to), done);
            from = to;
        }
        return done;
    }

    private void addChord(List<Slot> slots, List<Slot> done) {
        Slot first = slots.get(0);
        List<Integer> left = first.chord().map(chord -> colours(chord, first)).orElse(List.of());
        for (int i = 0; i < slots.size(); i++) {
            Slot slot = slots.get(i);
            int colours = 0;
            int rows = 0;
            if (!slot.inner().isEmpty() && !left.isEmpty()) {
                boolean patterned =
                        slot.inner().stream().anyMatch(stroke -> stroke.row().isPresent());
                int now = patterned
                        ? left.size()
                        : Math.min(left.size(), slot.inner().size());
                for (int colour : left.subList(0, now)) {
                    colours |= 1 << colour;
                }
                left = left.subList(now, left.size());
                rows = patterned ? rows(slots.subList(i + 1, slots.size()), first.startTick()) : 0;
            }
            done.add(slot.wanting(new Slot.Wanted(
                    slot.chord().isPresent() && request.wishes().holdsChords(song),
                    slot.chord().isPresent()
                            ? request.picking().planAt(slot.startTick()).level().strings()
                            : 0,
                    colours,
                    rows,
                    highestFret(slot.startTick()),
                    slot.inner().isEmpty() ? 0 : tuneSoon(slot),
                    slot.bass().map(BassStroke::midi).orElse(0),
                    pins(slot.startTick()))));
        }
    }

    private Pins pins(int tick) {
        Pins pins = places.getOrDefault(tick, Pins.NONE);
        return limits.stream().anyMatch(limit -> limit.noBarre() && limit.covers(tick)) ? pins.withoutBarre() : pins;
    }

    /** The lowest of the wishes and limits that hold at a tick. */
    private int highestFret(int tick) {
        int wished = request.wishes().highestFret().orElse(Slot.Wanted.ANY_FRET);
        return limits.stream()
                .filter(limit -> limit.covers(tick) && limit.highestFret().isPresent())
                .mapToInt(limit -> limit.highestFret().getAsInt())
                .reduce(wished, Math::min);
    }

    /** The next tune note, where it begins within a beat after the slot. */
    private static int tuneSoon(Slot slot) {
        return slot.next()
                .filter(note -> note.tick() < slot.endTick() + Ticks.QUARTER)
                .map(MelodyNote::midi)
                .orElse(0);
    }

    /** Pitch classes that strokes should sound, the third first. */
    private List<Integer> colours(ChordSymbol chord, Slot first) {
        int until = first.startTick() + window(first.startTick());
        int tune = song.melodyBetween(first.startTick(), until).stream()
                .mapToInt(note -> 1 << note.midi() % 12)
                .reduce(0, (a, b) -> a | b);
        List<Integer> colours = new ArrayList<>();
        for (ChordTone tone : chord.colourTones()) {
            int pitchClass = chord.noteOf(tone).pitchClass();
            if ((tune >> pitchClass & 1) == 0 && pitchClass != chord.bass().pitchClass()) {
                colours.add(pitchClass);
            }
        }
        return colours;
    }

    private int window(int tick) {
        return BEATS * song.barAt(tick).meter().beatTicks();
    }

    /** The rows that are struck in later slots of the first two beats. */
    private int rows(List<Slot> later, int start) {
        int until = start + window(start);
        int rows = 0;
        for (Slot slot : later) {
            for (InnerStroke stroke : slot.inner()) {
                if (stroke.tick() < until) {
                    rows |= stroke.isBrush()
                            ? -1
                            : 1 << stroke.row().map(row -> row.rank()).orElse(0);
                }
            }
        }
        return rows & ~1;
    }
}
