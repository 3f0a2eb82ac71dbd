package phalanx.arrange.score;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import phalanx.arrange.demand.BassEar;
import phalanx.arrange.demand.Ear;
import phalanx.arrange.demand.Labels;
import phalanx.arrange.demand.Request;
import phalanx.arrange.demand.Role;
import phalanx.arrange.demand.Scene;
import phalanx.arrange.demand.ShapeEar;
import phalanx.arrange.demand.Slot;
import phalanx.arrange.demand.TuneEar;
import phalanx.cost.Cost;
import phalanx.cost.Effort;
import phalanx.cost.Term;
import phalanx.cost.Weights;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Finger;
import phalanx.lefthand.shape.Fingering;
import phalanx.lefthand.shape.FingeringFinder;
import phalanx.lefthand.shape.HeldShape;
import phalanx.lefthand.shape.Position;
import phalanx.lefthand.shape.Shape;
import phalanx.lefthand.shape.ShapeBook;
import phalanx.lefthand.shape.ShapeOrder;
import phalanx.lefthand.track.MoveMeter;
import phalanx.lefthand.track.Posture;
import phalanx.lefthand.track.Stops;
import phalanx.righthand.InnerStroke;
import phalanx.song.Ticks;

/**
 * Prices a written arrangement from its notes, holds and positions alone, slot by slot, term by term. What the search
 * minimised comes out to the last digit: the sum of the slots is the song's cost.
 */
public final class Scorer {
    private static final int BASS_LOST = 2;
    private static final int NONE = 0;

    private final Instrument instrument;
    private final FingeringFinder finder;
    private final MoveMeter meter;
    private final ShapeBook book;

    /**
     * @param finder for arranging
     * @param book the shapes that players print
     */
    public Scorer(FingeringFinder finder, MoveMeter meter, ShapeBook book) {
        this.book = book;
        this.instrument = finder.instrument();
        this.finder = finder;
        this.meter = meter;
    }

    /** The shapes that players print. */
    public ShapeBook book() {
        return book;
    }

    /** One for what an arrangement was asked for. */
    public static Scorer of(Request request) {
        return new Scorer(
                FingeringFinder.forPlucking(request.instrument(), request.hand()),
                new MoveMeter(request.instrument(), request.hand()),
                new ShapeBook(FingeringFinder.forShapes(request.instrument(), request.hand())));
    }

    /**
     * The cost of each slot with the change into it.
     *
     * @param slots what is asked for; a locked shape is one that is kept
     * @param tempo quarter notes a minute
     * @param notes in order of tick
     * @param holds in order of tick; each holds through whole slots
     * @param positions where the hand stands in each slot
     * @param shapes which of its chord's printed shapes it holds in each slot, if one
     */
    public List<Cost> costs(
            List<Slot> slots,
            double tempo,
            List<ArrangedNote> notes,
            List<Hold> holds,
            List<Integer> positions,
            List<Optional<Shape>> shapes) {
        List<Track.Span> spans = spans(slots, holds, positions);
        Track track = Track.of(spans, notes, tempo, meter);
        int[] firstNote = firsts(slots, notes);
        Sounding sounding = new Sounding(notes);
        List<Sounding> soundings = new ArrayList<>(slots.size());
        for (int i = 0; i < slots.size(); i++) {
            soundings.add(sounding.at(slots.get(i), notes.subList(firstNote[i], firstNote[i + 1])));
        }
        List<SlotCost> priced = IntStream.range(0, slots.size())
                .parallel()
                .mapToObj(i -> {
                    SlotCost cost = new SlotCost(slots.get(i), soundings.get(i), spans.get(i));
                    cost.own();
                    shapes.get(i).ifPresent(cost::shape);
                    slots.get(i).locked().ifPresent(cost::lockedShape);
                    if (i > 0) {
                        cost.sum.add(track.changes().get(i - 1).effort());
                        cost.step(soundings.get(i - 1));
                        cost.cuts(slots.get(i - 1));
                        cost.takesBass(slots.get(i - 1), soundings.get(i - 1));
                    }
                    return cost;
                })
                .toList();
        List<Cost> costs = new ArrayList<>(slots.size());
        int stroke = Labels.NONE;
        for (SlotCost cost : priced) {
            stroke = cost.after(stroke);
            costs.add(cost.done());
        }
        return costs;
    }

    private static int[] firsts(List<Slot> slots, List<ArrangedNote> notes) {
        int[] firsts = new int[slots.size() + 1];
        int at = 0;
        for (int i = 0; i < slots.size(); i++) {
            while (at < notes.size() && notes.get(at).tick() < slots.get(i).startTick()) {
                at++;
            }
            firsts[i] = at;
        }
        firsts[slots.size()] = notes.size();
        return firsts;
    }

    private static List<Track.Span> spans(List<Slot> slots, List<Hold> holds, List<Integer> positions) {
        List<Track.Span> spans = new ArrayList<>(slots.size());
        List<Hold> open = new ArrayList<>();
        int next = 0;
        for (int i = 0; i < slots.size(); i++) {
            int start = slots.get(i).startTick();
            open.removeIf(hold -> hold.endTick() <= start);
            while (next < holds.size() && holds.get(next).tick() <= start) {
                open.add(holds.get(next++));
            }
            Fingering fingering = new Fingering(open.stream().map(Hold::press).toList());
            spans.add(new Track.Span(start, slots.get(i).endTick(), new Posture(fingering, positions.get(i))));
        }
        return spans;
    }

    /** The notes that sound in one slot after another. */
    private static final class Sounding {
        private final List<ArrangedNote> notes;
        private final List<ArrangedNote> ringing = new ArrayList<>();
        private List<ArrangedNote> ended = List.of();
        private List<ArrangedNote> struck = List.of();
        private int tune = NONE;
        private int bass = NONE;

        Sounding(List<ArrangedNote> notes) {
            this.notes = notes;
        }

        Sounding at(Slot slot, List<ArrangedNote> struck) {
            Sounding now = new Sounding(notes);
            now.struck = struck;
            now.ended = ringing.stream()
                    .filter(note -> note.endTick() <= slot.startTick())
                    .toList();
            ringing.removeIf(note -> note.endTick() <= slot.startTick());
            ringing.addAll(struck);
            for (ArrangedNote note : ringing) {
                boolean since = note.tick() <= slot.startTick();
                now.tune = since && note.role() == Role.MELODY ? note.string() : now.tune;
                now.bass = note.role() == Role.BASS && isAsked(slot, note) ? note.string() : now.bass;
            }
            return now;
        }

        /** Whether a bass note is the one asked for in a slot, and no earlier one that rings on. */
        private static boolean isAsked(Slot slot, ArrangedNote note) {
            return slot.bass().map(stroke -> stroke.tick() == note.tick()).orElse(false);
        }
    }

    /** Adds up one slot. */
    private final class SlotCost {
        private final Slot slot;
        private final Slot.Demand demand;
        private final Sounding sounding;
        private final List<ArrangedNote> struck;
        private final Track.Span span;
        private final Fingering fingering;
        private final Stops stops;
        private final Effort.Sum sum = new Effort.Sum();
        private Ear.Placing placing = Ear.Placing.NONE;
        private long unplayable;
        private long tune;

        SlotCost(Slot slot, Sounding sounding, Track.Span span) {
            this.slot = slot;
            this.demand = slot.demand();
            this.sounding = sounding;
            this.struck = sounding.struck;
            this.span = span;
            this.fingering = span.posture().fingering();
            this.stops = Stops.of(fingering.packed());
        }

        void own() {
            int steps = slot.holdSteps();
            sum.addHeld(finder.effort(frets(), fingering), steps);
            int away = Position.away(fingering.packed(), span.posture().position());
            sum.addGrains(Term.OFF_POSITION, (long) away * Effort.thousandths(Weights.OFF_POSITION) * steps);
            boolean thumbHasTune = fingering
                    .press(Finger.THUMB)
                    .filter(press -> sounding.tune != NONE
                            && press.covers(sounding.tune)
                            && press.fret() == stops.fret(sounding.tune))
                    .isPresent();
            boolean astray = struck.stream().anyMatch(note -> stops.fret(note.string()) != note.fret());
            boolean held = finder.holds(fingering, span.posture().position());
            unplayable += held && !astray && !thumbHasTune ? 0 : 1;
            if (slot.bassBegins() && sounding.bass == NONE) {
                if (sounding.tune != NONE && BassEar.tuneMayBeBass(instrument, demand)) {
                    sum.add(Term.BASS_PLACE, BassEar.tuneAsBass(instrument, demand));
                } else {
                    unplayable += BASS_LOST;
                }
            }
            if (slot.melodyBegins() && sounding.tune != NONE) {
                sum.add(Term.HIGH, TuneEar.tuneHigh(stops.fret(sounding.tune)));
                sum.add(Term.LOW, TuneEar.tuneLow(instrument, midi(sounding.tune)));
            }
            sum.add(Term.HIGH, TuneEar.aboveWish(fingering.packed(), demand));
            tune += slot.melodyBegins() && sounding.tune == NONE ? Cost.LOST : 0;
            if (slot.bass().isPresent() && sounding.bass != NONE) {
                int fret = stops.fret(sounding.bass);
                int midi = instrument.midi(sounding.bass, fret);
                sum.add(
                        Term.BASS_PLACE,
                        BassEar.bassPlace(
                                demand.bassPreferred(),
                                demand.wanted().bassMidi(),
                                sounding.bass,
                                fret,
                                midi,
                                instrument.strings()));
            }
            int sounding = (this.sounding.tune == NONE ? 0 : 1) + (this.sounding.bass == NONE ? 0 : 1);
            sum.addGrains(Term.THIN, (long) Ear.thin(demand, sounding, scene()) * steps);
            if (demand.inner()) {
                placing = new Ear(demand).price(scene(), strings(), sum);
            }
        }

        void shape(Shape shape) {
            List<ShapeOrder.Placed> printed = book.of(slot.chord().orElseThrow());
            int place = IntStream.range(0, printed.size())
                    .filter(index -> printed.get(index).shape().shape().equals(shape))
                    .findFirst()
                    .orElseThrow();
            sum.addGrains(Term.SHAPE, (long) ShapeEar.shape(printed, place) * slot.holdSteps());
        }

        void lockedShape(HeldShape locked) {
            sum.addGrains(Term.SHAPE, (long) ShapeEar.lockedShape(instrument, demand, locked, book) * slot.holdSteps());
        }

        /** What sounds of tune and bass, and the open strings that inner strokes fall on. */
        private int[] frets() {
            int[] frets = new int[instrument.strings()];
            Arrays.fill(frets, Shape.SILENT);
            struck.stream()
                    .filter(note -> note.role() == Role.INNER && stops.fret(note.string()) == 0)
                    .forEach(note -> frets[frets.length - note.string()] = 0);
            for (int string : new int[] {sounding.tune, sounding.bass}) {
                if (string != NONE) {
                    frets[frets.length - string] = stops.fret(string);
                }
            }
            return frets;
        }

        private Scene scene() {
            int silent = slot.locked()
                    .map(held -> Scene.silent(held.shape(), fingering))
                    .orElse(0);
            return Scene.of(
                    instrument,
                    demand,
                    stops,
                    sounding.tune,
                    midi(sounding.tune),
                    sounding.bass,
                    midi(sounding.bass),
                    silent);
        }

        private int midi(int string) {
            return string == NONE ? -1 : instrument.midi(string, stops.fret(string));
        }

        /** The strings of the inner strokes of each tick. */
        private int[] strings() {
            int[] ticks =
                    slot.inner().stream().mapToInt(InnerStroke::tick).distinct().toArray();
            return IntStream.of(ticks)
                    .map(tick -> struck.stream()
                            .filter(note -> note.tick() == tick && note.role() == Role.INNER)
                            .mapToInt(note -> 1 << note.string())
                            .reduce(0, (a, b) -> a | b))
                    .toArray();
        }

        /** Looks at the last inner stroke before, and says what it is after this slot. */
        int after(int stroke) {
            if (Labels.repeats(stroke, placing.first())) {
                sum.add(Term.REPEATED, Ear.REPEATED);
            }
            return placing.last() == Labels.NONE ? stroke : placing.last();
        }

        void step(Sounding before) {
            if (slot.bassBegins() && before.bass != NONE && sounding.bass != NONE) {
                sum.add(
                        Term.BASS_STEP,
                        BassEar.bassStep(before.bass, sounding.bass, slot.bass().orElseThrow(), instrument.strings()));
            }
        }

        /** Inner notes of the slot before on the pitch of the bass that begins. */
        void takesBass(Slot slotBefore, Sounding before) {
            boolean takes = BassEar.takesNext(slotBefore, slot)
                    && sounding.bass != NONE
                    && before.struck.stream()
                            .filter(note -> note.role() == Role.INNER)
                            .anyMatch(note -> note.midi() == midi(sounding.bass));
            sum.add(Term.TAKES_BASS, takes ? Effort.thousandths(Weights.TAKES_BASS) : 0);
        }

        /** Notes that end with the slot before though they should ring on. */
        void cuts(Slot slotBefore) {
            for (ArrangedNote note : sounding.ended) {
                if (note.cut() && note.endTick() == slot.startTick()) {
                    switch (note.role()) {
                        case MELODY -> tune++;
                        case BASS -> sum.add(Term.BASS_CUT, Effort.thousandths(Weights.BASS_CUT));
                        default -> {
                            boolean atOnce = note.tick() >= slotBefore.startTick();
                            if (atOnce && slotBefore.lengthTicks() < Ticks.WHOLE) {
                                sum.add(Term.INNER_CUT, Effort.thousandths(Weights.INNER_CUT));
                            }
                        }
                    }
                }
            }
        }

        Cost done() {
            return new Cost(unplayable, tune, sum.done());
        }
    }
}
