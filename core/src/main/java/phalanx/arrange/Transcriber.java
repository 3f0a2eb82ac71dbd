package phalanx.arrange;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.IntStream;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.ChangeMeter;
import phalanx.lefthand.Effort;
import phalanx.lefthand.EffortTerm;
import phalanx.lefthand.Fingering;
import phalanx.lefthand.FingeringFinder;
import phalanx.lefthand.HeldShape;
import phalanx.lefthand.LayeredPath;
import phalanx.lefthand.PathCost;
import phalanx.lefthand.Press;
import phalanx.lefthand.Shape;
import phalanx.righthand.Digit;
import phalanx.righthand.DigitAssigner;
import phalanx.righthand.Joining;
import phalanx.righthand.Picking;
import phalanx.righthand.Pluck;
import phalanx.song.Bar;
import phalanx.song.ChordChange;
import phalanx.song.MelodyNote;
import phalanx.song.Song;
import phalanx.song.Ticks;

/**
 * Finds the hands for an arrangement whose notes are written already: which finger stops each note, how long the notes
 * can ring and which digit plucks. The fingers are the cheapest way through the moments, exactly; at each moment the
 * hand may keep any of the notes that still sound, or let them go.
 */
public final class Transcriber {
    private static final int LONGEST = Ticks.WHOLE;

    private final Instrument instrument;
    private final FingeringFinder finder;
    private final ChangeMeter changes;
    private final Hand hand;

    public Transcriber(Instrument instrument, Hand hand) {
        this.instrument = instrument;
        this.hand = hand;
        this.finder = FingeringFinder.forPlucking(instrument, hand);
        this.changes = new ChangeMeter(instrument, hand);
    }

    /**
     * The arrangement that the notes are.
     *
     * @param song its bars, chords and tune; a written note of the tune's pitch where a tune note begins is the tune
     * @param notes the written ones
     * @param picking says which digits there are
     * @throws IllegalArgumentException if a note lies beyond the neck or the song
     */
    public Arrangement arrange(Song song, Written notes, Picking picking) {
        List<ArrangedNote> wanted = wanted(song, notes);
        if (wanted.isEmpty()) {
            throw new IllegalArgumentException("the tablature has no notes");
        }
        List<WrittenMoment> moments = moments(song, wanted);
        WrittenGraph graph = new WrittenGraph(moments, finder, changes, song.tempo());
        LayeredPath.Way way = new LayeredPath().cheapest(graph);
        List<Fingering> fingerings = IntStream.range(0, moments.size())
                .mapToObj(
                        layer -> graph.grasp(layer, way.candidates().get(layer)).fingering())
                .toList();
        List<ArrangedNote> ringing = ringing(moments, wanted, fingerings);
        List<ArrangedNote> done = withDigits(song, picking, ringing);
        List<Hold> holds = new HoldWriter().write(slots(moments), fingerings, done);
        Request request = new Request(song, instrument, hand, List.of(), picking);
        int inner =
                (int) done.stream().filter(note -> note.role() == Role.INNER).count();
        Arrangement bare = new Arrangement(
                request,
                0,
                done,
                holds,
                arrangedSlots(graph, way, moments, fingerings),
                inner,
                List.of(),
                Joining.NONE,
                List.of(),
                PathCost.unpack(way.cost()),
                TempoCeiling.of(new SpeedMeter(request).limits(done, holds)));
        return bare.with(new Audit().findings(bare));
    }

    /** The notes with their roles, each as long as it may ring. */
    private List<ArrangedNote> wanted(Song song, Written written) {
        Set<List<Integer>> tune = new HashSet<>();
        for (MelodyNote note : song.melody()) {
            tune.add(List.of(note.tick(), note.midi()));
        }
        List<ArrangedNote> notes = new ArrayList<>();
        int[] nextOnString = new int[instrument.strings() + 1];
        Arrays.fill(nextOnString, song.endTick());
        int nextBass = song.endTick();
        for (int i = written.notes().size() - 1; i >= 0; i--) {
            WrittenNote note = written.notes().get(i);
            check(song, note);
            int midi = instrument.midi(note.string(), note.fret());
            boolean lowest = i == 0 || written.notes().get(i - 1).tick() != note.tick();
            Role role = tune.contains(List.of(note.tick(), midi))
                    ? Role.MELODY
                    : lowest && isBass(song, note) ? Role.BASS : Role.INNER;
            int end = Math.min(nextOnString[note.string()], note.tick() + LONGEST);
            if (role == Role.MELODY) {
                end = Math.min(end, tuneEnd(song, note.tick()));
            } else {
                end = Math.min(end, Math.max(note.tick() + 1, chordEnd(song, note.tick())));
                end = role == Role.BASS ? Math.min(end, nextBass) : end;
            }
            nextOnString[note.string()] = note.tick();
            nextBass = role == Role.BASS ? note.tick() : nextBass;
            int length = end - note.tick();
            notes.add(
                    0,
                    new ArrangedNote(
                            note.tick(),
                            length,
                            length,
                            note.string(),
                            note.fret(),
                            midi,
                            role,
                            Optional.empty(),
                            Digit.P));
        }
        return notes;
    }

    /** On the lowest strings anywhere, on the next ones where the thumb falls: on a beat. */
    private boolean isBass(Song song, WrittenNote note) {
        Bar bar = song.barAt(note.tick());
        boolean onBeat = bar.offsetOf(note.tick()) % bar.meter().beatTicks() == 0;
        int half = instrument.strings() / 2;
        return note.string() > half + 1 || note.string() > half && onBeat;
    }

    private void check(Song song, WrittenNote note) {
        if (!instrument.has(note.string(), note.fret())) {
            throw new IllegalArgumentException("string " + note.string() + " has no fret " + note.fret()
                    + "; the last one is " + instrument.highestFret());
        }
        if (note.tick() >= song.endTick()) {
            throw new IllegalArgumentException("a note stands after the last bar");
        }
    }

    private static int tuneEnd(Song song, int tick) {
        return song.melodyBetween(tick, tick + 1).get(0).endTick();
    }

    private static int chordEnd(Song song, int tick) {
        return song.chart().stream()
                .mapToInt(ChordChange::startTick)
                .filter(start -> start > tick)
                .findFirst()
                .orElse(song.endTick());
    }

    private List<WrittenMoment> moments(Song song, List<ArrangedNote> notes) {
        TreeMap<Integer, List<ArrangedNote>> onsets = new TreeMap<>();
        onsets.put(0, new ArrayList<>());
        notes.forEach(note ->
                onsets.computeIfAbsent(note.tick(), tick -> new ArrayList<>()).add(note));
        List<WrittenMoment> moments = new ArrayList<>();
        ArrangedNote[] last = new ArrangedNote[instrument.strings() + 1];
        for (int tick : onsets.keySet()) {
            List<ArrangedNote> begin = onsets.get(tick);
            begin.forEach(note -> last[note.string()] = null);
            List<ArrangedNote> ring = Arrays.stream(last)
                    .filter(note -> note != null && note.endTick() > tick)
                    .toList();
            Integer next = onsets.higherKey(tick);
            moments.add(new WrittenMoment(tick, next == null ? song.endTick() : next, begin, ring));
            begin.forEach(note -> last[note.string()] = note);
        }
        return moments;
    }

    /** Each note with its finger, as long as that stays and nothing else stops its string. */
    private static List<ArrangedNote> ringing(
            List<WrittenMoment> moments, List<ArrangedNote> wanted, List<Fingering> fingerings) {
        List<ArrangedNote> ringing = new ArrayList<>();
        int moment = 0;
        for (ArrangedNote note : wanted) {
            while (moments.get(moment).tick() < note.tick()) {
                moment++;
            }
            Optional<Press> press = stopping(fingerings.get(moment), note);
            int end = note.endTick();
            for (int next = moment + 1;
                    next < moments.size() && moments.get(next).tick() < end;
                    next++) {
                Optional<Press> later = fingerings.get(next).stopping(note.string());
                if (!later.map(Press::finger).equals(press.map(Press::finger))
                        || !later.map(Press::fret).equals(press.map(Press::fret))) {
                    end = moments.get(next).tick();
                }
            }
            ringing.add(new ArrangedNote(
                    note.tick(),
                    end - note.tick(),
                    note.wantedTicks(),
                    note.string(),
                    note.fret(),
                    note.midi(),
                    note.role(),
                    press.map(Press::finger),
                    note.right()));
        }
        return ringing;
    }

    private static Optional<Press> stopping(Fingering fingering, ArrangedNote note) {
        return note.fret() == 0 ? Optional.empty() : fingering.stopping(note.string());
    }

    private static List<ArrangedNote> withDigits(Song song, Picking picking, List<ArrangedNote> notes) {
        List<Pluck> plucks = new ArrayList<>();
        for (ArrangedNote note : notes) {
            plucks.add(new Pluck(note.tick(), note.string(), note.role() == Role.BASS));
        }
        List<Digit> digits = new DigitAssigner(picking.school(), picking.speeds(), song.tempo()).assign(plucks);
        return Strokes.withBrushes(IntStream.range(0, notes.size())
                .mapToObj(i -> notes.get(i).pluckedBy(digits.get(i)))
                .toList());
    }

    private static List<Slot> slots(List<WrittenMoment> moments) {
        return moments.stream()
                .map(moment -> new Slot(
                        moment.tick(),
                        moment.endTick(),
                        Optional.empty(),
                        Optional.empty(),
                        Optional.empty(),
                        List.of(),
                        Optional.empty()))
                .toList();
    }

    private List<ArrangedSlot> arrangedSlots(
            WrittenGraph graph, LayeredPath.Way way, List<WrittenMoment> moments, List<Fingering> fingerings) {
        List<ArrangedSlot> slots = new ArrayList<>();
        for (int layer = 0; layer < moments.size(); layer++) {
            int chosen = way.candidates().get(layer);
            Effort effort = finder.effort(graph.grasp(layer, chosen));
            if (layer > 0) {
                effort = effort.plus(
                        EffortTerm.CHANGE,
                        graph.changeEffort(layer, way.candidates().get(layer - 1), chosen));
            }
            WrittenMoment moment = moments.get(layer);
            HeldShape held = new HeldShape(shape(moment, fingerings.get(layer)), fingerings.get(layer));
            slots.add(new ArrangedSlot(moment.tick(), moment.endTick(), held, fingerings.get(layer), effort));
        }
        return slots;
    }

    /** What its strings sound under the fingers: where no hand reaches that may differ from what is written. */
    private Shape shape(WrittenMoment moment, Fingering fingering) {
        Integer[] frets = new Integer[instrument.strings()];
        Arrays.fill(frets, Shape.SILENT);
        for (ArrangedNote note : moment.begin()) {
            frets[frets.length - note.string()] =
                    fingering.stopping(note.string()).map(Press::fret).orElse(0);
        }
        return new Shape(Arrays.asList(frets));
    }
}
