package phalanx.arrange;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import phalanx.arrange.colour.DigitWriter;
import phalanx.arrange.colour.HitsAsked;
import phalanx.arrange.demand.AttackLock;
import phalanx.arrange.demand.Lock;
import phalanx.arrange.demand.Request;
import phalanx.arrange.demand.Role;
import phalanx.arrange.demand.Slot;
import phalanx.arrange.demand.Wishes;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Scorer;
import phalanx.arrange.search.Candidate;
import phalanx.arrange.search.Layer;
import phalanx.arrange.search.SongGraph;
import phalanx.arrange.search.Sweep;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Fingering;
import phalanx.lefthand.shape.FingeringFinder;
import phalanx.lefthand.shape.Press;
import phalanx.lefthand.shape.ShapeBook;
import phalanx.lefthand.track.MoveMeter;
import phalanx.righthand.BassStroke;
import phalanx.righthand.Digit;
import phalanx.righthand.Joining;
import phalanx.righthand.Picking;
import phalanx.righthand.Weight;
import phalanx.song.Bar;
import phalanx.song.ChordChange;
import phalanx.song.MelodyNote;
import phalanx.song.Song;
import phalanx.song.Ticks;
import phalanx.technique.Attack;
import phalanx.theory.Pitch;

/**
 * Finds the hands for an arrangement whose notes are written already: which finger stops each note, how long the notes
 * can ring and which digit plucks. The fingers are the cheapest way through the moments, exactly; at each moment the
 * hand may keep any of the notes that still sound, or let them go.
 */
public final class Transcriber {
    private static final int LONGEST = Ticks.WHOLE;

    private final Instrument instrument;
    private final FingeringFinder finder;
    private final MoveMeter meter;
    private final Hand hand;

    public Transcriber(Instrument instrument, Hand hand) {
        this.instrument = instrument;
        this.hand = hand;
        this.finder = FingeringFinder.forPlucking(instrument, hand);
        this.meter = new MoveMeter(instrument, hand);
    }

    /**
     * The arrangement that the notes are.
     *
     * @param song its bars, chords and tune; a written note of the tune's pitch where a tune note begins is the tune
     * @param notes the written ones
     * @param picking says which digits there are
     * @param wishes says whether there are slurs where they help
     * @param locks what is decided on slurs
     * @throws IllegalArgumentException if a note lies beyond the neck or the song, or a hit after it
     */
    public Arrangement arrange(Song song, Written notes, Picking picking, Wishes wishes, List<Lock> locks) {
        List<ArrangedNote> wanted = wanted(song, notes);
        if (wanted.isEmpty()) {
            throw new IllegalArgumentException(wording("Transcriber.the-tablature-has-no-notes"));
        }
        if (notes.hits().stream().anyMatch(hit -> hit.tick() >= song.endTick())) {
            throw new IllegalArgumentException(wording("Transcriber.a-hit-stands-after-the"));
        }
        List<Moment> moments = moments(song, wanted);
        List<Slot> slots = moments.stream().map(moment -> slot(song, moment)).toList();
        Layer[] layers = moments.stream()
                .map(moment -> new WrittenLayer(finder, meter).of(moment))
                .toArray(Layer[]::new);
        new WrittenSlurs(finder, meter, song.tempo(), moments, slots, layers).prepare(notes);
        SongGraph graph = new SongGraph(slots, song.tempo(), layers, meter, instrument, () -> false);
        Pricing.Chosen chosen = new Pricing.Chosen(graph, Sweep.through(graph).way());
        List<Fingering> fingerings =
                chosen.candidates().stream().map(Candidate::fingering).toList();
        List<ArrangedNote> ringing = ringing(moments, wanted, fingerings);
        Request request = new Request(
                song,
                instrument,
                hand,
                withAttacks(locks, notes, ringing),
                picking,
                Wishes.USUAL.withSlurs(wishes.slurs()));
        int inner =
                (int) ringing.stream().filter(note -> note.role() == Role.INNER).count();
        return new Pricing(new Scorer(finder, meter, new ShapeBook(FingeringFinder.forShapes(instrument, hand))), meter)
                .finish(
                        request,
                        0,
                        chosen,
                        ringing,
                        plain -> new DigitWriter(request).write(plain, note -> Optional.empty()),
                        new Pricing.RightHand(
                                inner,
                                Optional.of(new HitsAsked(notes.hits(), true)),
                                Joining.NONE,
                                note -> Optional.empty(),
                                note -> false));
    }

    /** The locks, and the slurs, bends and harmonics that are written where none of them says otherwise. */
    private static List<Lock> withAttacks(List<Lock> locks, Written written, List<ArrangedNote> notes) {
        Map<List<Integer>, Role> roles = new HashMap<>();
        notes.forEach(note -> roles.put(List.of(note.tick(), note.string()), note.role()));
        List<Lock> all = new ArrayList<>(locks);
        written.notes().stream()
                .filter(note -> note.way() != AttackLock.Way.PLUCKED)
                .map(note -> new AttackLock(note.tick(), roles.get(List.of(note.tick(), note.string())), note.way()))
                .filter(slur -> locks.stream().noneMatch(slur::contradicts))
                .forEach(all::add);
        return all;
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
            int midi = note.midi(instrument);
            boolean lowest = i == 0 || written.notes().get(i - 1).tick() != note.tick();
            // of two strings at one pitch the higher one has the tune
            Role role = tune.remove(List.of(note.tick(), midi))
                    ? Role.MELODY
                    : lowest && isBass(song, note) ? Role.BASS : Role.INNER;
            int end = Math.min(nextOnString[note.string()], note.tick() + LONGEST);
            if (role == Role.MELODY) {
                end = Math.min(end, tuneEnd(song, note.tick()));
            } else {
                end = Math.min(end, Math.max(note.tick() + 1, chordEnd(song, note.tick())));
                end = role == Role.BASS ? Math.min(end, nextBass) : Math.min(end, hidden(notes, note.tick(), midi));
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
                            note.node().isPresent() ? 0 : note.fret(),
                            midi,
                            role,
                            Optional.empty(),
                            Digit.P,
                            note.node()
                                    .<Attack>map(node -> new Attack.Touched(node, false))
                                    .orElse(Attack.PLUCK),
                            Weight.PLAIN));
        }
        return notes;
    }

    /** Where a tune note begins that is no higher: an inner note should ring no further. */
    private static int hidden(List<ArrangedNote> later, int tick, int midi) {
        return later.stream()
                .filter(note -> note.role() == Role.MELODY && note.tick() > tick && note.midi() <= midi)
                .mapToInt(ArrangedNote::tick)
                .findFirst()
                .orElse(Integer.MAX_VALUE);
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
            throw new IllegalArgumentException(wording(
                    "Transcriber.string-has-no-fret-the", note.string(), note.fret(), instrument.highestFret()));
        }
        if (note.tick() >= song.endTick()) {
            throw new IllegalArgumentException(wording("Transcriber.a-note-stands-after-the"));
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

    private List<Moment> moments(Song song, List<ArrangedNote> notes) {
        TreeMap<Integer, List<ArrangedNote>> onsets = new TreeMap<>();
        onsets.put(0, new ArrayList<>());
        notes.forEach(note ->
                onsets.computeIfAbsent(note.tick(), tick -> new ArrayList<>()).add(note));
        List<Moment> moments = new ArrayList<>();
        ArrangedNote[] last = new ArrangedNote[instrument.strings() + 1];
        for (int tick : onsets.keySet()) {
            List<ArrangedNote> begin = onsets.get(tick);
            begin.forEach(note -> last[note.string()] = null);
            List<ArrangedNote> ring = Arrays.stream(last)
                    .filter(note -> note != null && note.endTick() > tick)
                    .toList();
            Integer next = onsets.higherKey(tick);
            moments.add(new Moment(tick, next == null ? song.endTick() : next, begin, ring));
            begin.forEach(note -> last[note.string()] = note);
        }
        return moments;
    }

    /** Each note with its finger, as long as that stays and nothing else stops its string. */
    private static List<ArrangedNote> ringing(
            List<Moment> moments, List<ArrangedNote> wanted, List<Fingering> fingerings) {
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
                    note.right(),
                    note.attack(),
                    note.weight()));
        }
        return ringing;
    }

    private static Optional<Press> stopping(Fingering fingering, ArrangedNote note) {
        return note.fret() == 0 ? Optional.empty() : fingering.stopping(note.string());
    }

    /** What a moment asks for, as the slots of songs that are arranged do. */
    private Slot slot(Song song, Moment moment) {
        Optional<MelodyNote> tune = moment.sounding(Role.MELODY)
                .map(note -> new MelodyNote(note.tick(), note.wantedTicks(), Pitch.of(note.midi(), song.key())));
        Optional<BassStroke> bass = moment.sounding(Role.BASS).map(note -> {
            // of a harmonic the string that is held
            int wanted = 1 << instrument.midi(note.string(), note.fret()) % 12;
            return new BassStroke(note.tick(), note.tick() + note.wantedTicks(), 0, wanted, wanted);
        });
        int chord = (int) song.chart().stream()
                        .filter(change -> change.startTick() <= moment.tick())
                        .count()
                - 1;
        return new Slot(
                moment.tick(), moment.endTick(), chord, Optional.empty(), tune, bass, List.of(), Optional.empty());
    }
}
