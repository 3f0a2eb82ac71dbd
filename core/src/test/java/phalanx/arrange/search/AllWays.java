package phalanx.arrange.search;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import phalanx.arrange.demand.BassEar;
import phalanx.arrange.demand.Ear;
import phalanx.arrange.demand.Labels;
import phalanx.arrange.demand.Request;
import phalanx.arrange.demand.Scene;
import phalanx.arrange.demand.Slot;
import phalanx.arrange.demand.TuneEar;
import phalanx.cost.Cost;
import phalanx.cost.Effort;
import phalanx.cost.Weights;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Finger;
import phalanx.lefthand.shape.Fingering;
import phalanx.lefthand.shape.FingeringFinder;
import phalanx.lefthand.shape.Position;
import phalanx.lefthand.shape.Press;
import phalanx.lefthand.track.Clock;
import phalanx.lefthand.track.MoveMeter;
import phalanx.lefthand.track.Pace;
import phalanx.lefthand.track.Posture;
import phalanx.lefthand.track.Stops;
import phalanx.righthand.InnerStroke;
import phalanx.song.Ticks;

/**
 * All ways through a small song by plain enumeration: every string, fret, finger and position of every slot, and every
 * change between them. It shares with the engine what a hold and a change cost, not how they are looked for.
 */
final class AllWays {
    private static final long UNPLAYABLE = 1L << 52;
    private static final long TUNE = 1L << 42;
    private static final int NOWHERE = 0;

    private final Request request;
    private final Instrument instrument;
    private final FingeringFinder finder;
    private final MoveMeter meter;
    private final int strings;
    private final long limit;

    /**
     * @param limit what some way is known to cost, as {@link #packed}; dearer ones need not be looked at
     */
    AllWays(Request request, Cost limit) {
        this.request = request;
        this.instrument = request.instrument();
        this.finder = FingeringFinder.forPlucking(instrument, request.hand());
        this.meter = new MoveMeter(instrument, request.hand());
        this.strings = instrument.strings();
        this.limit = packed(limit);
    }

    static long packed(Cost cost) {
        return cost.unplayable() * UNPLAYABLE
                + cost.tune() * TUNE
                + cost.effort().grains();
    }

    /** One way to serve a slot. */
    private record One(Posture posture, Stops stops, int tune, int bass, Ear.Placing placing, int plucks, long own) {
        int place(int string) {
            return string == NOWHERE ? 0 : string << 12 | stops.fret(string) << 6 | Stops.at(stops.fingers(), string);
        }
    }

    /** What the cheapest of all ways costs, as {@link #packed}. */
    long cheapest(List<Slot> slots) {
        List<List<One>> all = slots.stream().map(this::ones).toList();
        long[] rest = new long[slots.size() + 1];
        for (int at = slots.size() - 1; at >= 0; at--) {
            rest[at] = rest[at + 1] + all.get(at).get(0).own;
        }
        Clock clock = new Clock(request.song().tempo());
        List<Known> before = new ArrayList<>();
        all.get(0).forEach(one -> before.add(new Known(one, one.placing.last(), one.own)));
        for (int at = 1; at < slots.size(); at++) {
            Change change = new Change(slots.get(at - 1), slots.get(at), clock);
            before.sort(Comparator.comparingLong(Known::cost));
            List<Known> now = new ArrayList<>();
            for (One one : all.get(at)) {
                addWays(one, before, change, limit - rest[at + 1] - one.own + 1, now);
            }
            before.clear();
            before.addAll(now);
        }
        return before.stream().mapToLong(Known::cost).min().orElse(Long.MAX_VALUE);
    }

    /** A way to a slot: how it ends, the last inner stroke, and its cost. */
    private record Known(One one, int stroke, long cost) {}

    /** The best ways on to one, for each last inner stroke that a later one may repeat. */
    private static void addWays(One one, List<Known> before, Change change, long most, List<Known> now) {
        long repeat = (long) Ear.REPEATED * Effort.STEPS;
        Map<Integer, Long> best = new HashMap<>();
        long least = most;
        for (Known known : before) {
            if (known.cost >= least + repeat) {
                break;
            }
            long again = Labels.repeats(known.stroke, one.placing.first()) ? repeat : 0;
            long cost = known.cost + change.cost(known.one, one) + again;
            int stroke = one.placing.last() == Labels.NONE ? known.stroke : one.placing.last();
            best.merge(stroke, cost, Math::min);
            least = Math.min(least, cost);
        }
        for (Map.Entry<Integer, Long> entry : best.entrySet()) {
            if (entry.getValue() < most) {
                now.add(new Known(one, entry.getKey(), entry.getValue() + one.own));
            }
        }
    }

    private final class Change {
        private final Slot slotBefore;
        private final Slot slot;
        private final Pace pace;

        Change(Slot slotBefore, Slot slot, Clock clock) {
            this.slotBefore = slotBefore;
            this.slot = slot;
            this.pace = SongGraph.pace(slotBefore, clock);
        }

        long cost(One from, One to) {
            long cost = 0;
            if (slot.melodyRingsOn() && from.place(from.tune) != to.place(to.tune)) {
                if (to.tune != NOWHERE) {
                    return Long.MAX_VALUE / 4;
                }
                cost += TUNE;
            }
            if (slot.bassRingsOn() && from.place(from.bass) != to.place(to.bass)) {
                if (to.bass != NOWHERE) {
                    return Long.MAX_VALUE / 4;
                }
                cost += grains(Weights.BASS_CUT);
            }
            if (slot.bassBegins() && from.bass != NOWHERE && to.bass != NOWHERE) {
                cost += (long) Effort.STEPS
                        * BassEar.bassStep(from.bass, to.bass, slot.bass().orElseThrow(), strings);
            }
            if (slot.chordIndex() == slotBefore.chordIndex() && slotBefore.lengthTicks() < Ticks.WHOLE) {
                cost += grains(Weights.INNER_CUT) * cuts(from, to);
            }
            if (slot.bassBegins()
                    && to.bass != NOWHERE
                    && slotBefore.inner().stream().noneMatch(InnerStroke::endsPhrase)
                    && strikes(from, instrument.midi(to.bass, to.stops.fret(to.bass)))) {
                cost += grains(Weights.TAKES_BASS);
            }
            return cost
                    + meter.change(from.posture, to.posture, from.plucks, pace)
                            .effort()
                            .grains();
        }

        private boolean strikes(One from, int midi) {
            return IntStream.rangeClosed(1, strings)
                    .filter(string -> (from.placing.struck() >> string & 1) == 1)
                    .anyMatch(string -> instrument.midi(string, from.stops.fret(string)) == midi);
        }

        private int cuts(One from, One to) {
            int cuts = 0;
            for (int string = 1; string <= strings; string++) {
                int midi = instrument.midi(string, from.stops.fret(string));
                boolean ends = (from.placing.struck() >> string & 1) == 1
                        && !from.stops.keeps(string, to.stops)
                        && !(slot.melodyBegins() && to.tune == string)
                        && !(slot.bassBegins() && to.bass == string)
                        && !struckAtOnce(to, string);
                boolean hidden = slot.melodyBegins()
                        && to.tune != NOWHERE
                        && slot.melody().orElseThrow().midi() <= midi;
                cuts += ends && !hidden ? 1 : 0;
            }
            return cuts;
        }

        private boolean struckAtOnce(One to, int string) {
            return !slot.inner().isEmpty()
                    && slot.inner().get(0).tick() == slot.startTick()
                    && (to.placing.moments()[0] >> string & 1) == 1;
        }
    }

    private static long grains(double effort) {
        return (long) Effort.thousandths(effort) * Effort.STEPS;
    }

    /** All ways to serve a slot, the cheapest by themselves first. */
    private List<One> ones(Slot slot) {
        List<One> found = new ArrayList<>();
        for (int tune : tunes(slot)) {
            for (int bass = 0; bass <= strings; bass++) {
                for (int bassFret = 0; bassFret <= (bass == 0 ? 0 : instrument.highestFret()); bassFret++) {
                    if (bass == 0 || isBass(slot, tune, bass, bassFret)) {
                        new Hands(slot, tune, bass, bassFret, found).press(0, new int[Fingering.FINGERS], 0);
                    }
                }
            }
        }
        found.sort(Comparator.comparingLong(One::own));
        return found;
    }

    private List<Integer> tunes(Slot slot) {
        List<Integer> tunes = new ArrayList<>(List.of(NOWHERE));
        slot.melody().ifPresent(note -> IntStream.rangeClosed(1, strings)
                .filter(string -> instrument.has(string, instrument.fretOf(string, note.midi())))
                .forEach(tunes::add));
        return tunes;
    }

    private boolean isBass(Slot slot, int tune, int string, int fret) {
        int midi = instrument.midi(string, fret);
        return string > tune
                && midi <= BassEar.highestBass(instrument)
                && slot.bass()
                        .map(stroke -> (stroke.allowed() >> midi % 12 & 1) == 1)
                        .orElse(false)
                && slot.melody().map(note -> midi < note.midi()).orElse(true);
    }

    /** Lays finger after finger on the neck. */
    private final class Hands {
        private final Slot slot;
        private final Slot.Demand demand;
        private final int tune;
        private final int bass;
        private final int bassFret;
        private final int tuneFret;
        private final List<One> found;
        private final int mostBesides;

        Hands(Slot slot, int tune, int bass, int bassFret, List<One> found) {
            this.slot = slot;
            this.demand = slot.demand();
            this.tune = tune;
            this.bass = bass;
            this.bassFret = bassFret;
            this.tuneFret = tune == NOWHERE
                    ? 0
                    : instrument.fretOf(tune, slot.melody().orElseThrow().midi());
            this.found = found;
            this.mostBesides = demand.inner() ? LayerFinder.MOST_STOPPED : LayerFinder.MOST_IDLE;
        }

        void press(int finger, int[] presses, int besides) {
            if (finger == Fingering.FINGERS) {
                finish(presses);
                return;
            }
            press(finger + 1, presses, besides);
            boolean isThumb = finger == Fingering.THUMB;
            for (int fret = 1; fret <= instrument.highestFret(); fret++) {
                for (int treble = 1; treble <= strings; treble++) {
                    for (int low = treble; low <= (isThumb ? treble : strings); low++) {
                        int more = besides + isBeside(low) + (low == treble ? 0 : isBeside(treble));
                        if (more <= mostBesides && mayStop(low, fret) && mayStop(treble, fret)) {
                            presses[finger] = Press.pack(fret, low, treble);
                            if (isThumb || inOrder(presses, finger)) {
                                press(finger + 1, presses, more);
                            }
                        }
                    }
                }
            }
            presses[finger] = 0;
        }

        private int isBeside(int string) {
            return string == tune || string == bass ? 0 : 1;
        }

        private boolean inOrder(int[] presses, int finger) {
            for (int lower = 0; lower < finger; lower++) {
                if (presses[lower] != 0 && Press.fret(presses[lower]) > Press.fret(presses[finger])) {
                    return false;
                }
            }
            return true;
        }

        /** A finger's end stops the tune, the bass, or besides them a tone of the chord below the tune, or above it where strokes may. */
        private boolean mayStop(int string, int fret) {
            if (string == tune || string == bass) {
                return fret == (string == tune ? tuneFret : bassFret);
            }
            int midi = instrument.midi(string, fret);
            boolean tone = slot.chord()
                    .map(chord -> (chord.pitchClasses() >> midi % 12 & 1) == 1)
                    .orElse(false);
            boolean belowBass = bass != NOWHERE && string > bass;
            boolean belowTune = slot.melody().map(note -> midi < note.midi()).orElse(true);
            return tone && (string > tune ? belowBass || belowTune : midi < demand.above());
        }

        private void finish(int[] presses) {
            Stops stops = Stops.of(presses);
            if (stops.fret(tune == NOWHERE ? 1 : tune) != tuneFret && tune != NOWHERE
                    || bass != NOWHERE && stops.fret(bass) != bassFret
                    || !everyEndStops(presses, stops)) {
                return;
            }
            Fingering fingering = Fingering.ofPacked(presses);
            if (finder.holds(fingering) && !(tune != NOWHERE && byThumb(stops, tune))) {
                add(presses, stops, fingering);
            }
        }

        private boolean byThumb(Stops stops, int string) {
            return Stops.at(stops.fingers(), string) == Finger.THUMB.ordinal() + 1;
        }

        /** No finger lies under another where it ends, nor on a place that another has, nor over what must sound lower. */
        private boolean everyEndStops(int[] presses, Stops stops) {
            int below = 0;
            for (int finger = 0; finger < Fingering.FINGERS; finger++) {
                if (presses[finger] == 0) {
                    continue;
                }
                int ownFret = Press.fret(presses[finger]);
                for (int string = Press.trebleString(presses[finger]);
                        string <= Press.bassString(presses[finger]);
                        string++) {
                    boolean own = Stops.at(stops.fingers(), string) == finger + 1;
                    boolean end = string == Press.trebleString(presses[finger])
                            || string == Press.bassString(presses[finger]);
                    if (end && !own || !own && stops.fret(string) == ownFret) {
                        return false;
                    }
                    below += end && bass != NOWHERE && string > bass ? 1 : 0;
                }
            }
            return below <= 1;
        }

        private void add(int[] presses, Stops stops, Fingering fingering) {
            int[] frets = new int[strings];
            Arrays.fill(frets, -1);
            int beginning = 0;
            if (tune != NOWHERE) {
                frets[strings - tune] = tuneFret;
                beginning |= slot.melodyBegins() ? 1 << tune : 0;
            }
            if (bass != NOWHERE) {
                frets[strings - bass] = bassFret;
                beginning |= slot.bassBegins() ? 1 << bass : 0;
            }
            int tuneMidi = tune == NOWHERE ? -1 : instrument.midi(tune, tuneFret);
            int bassMidi = bass == NOWHERE ? -1 : instrument.midi(bass, bassFret);
            Scene scene = Scene.of(instrument, demand, stops, tune, tuneMidi, bass, bassMidi, 0);
            List<Ear.Placing> placings = demand.inner() ? new Ear(demand).places(scene) : List.of(Ear.Placing.NONE);
            int sounding = (tune == NOWHERE ? 0 : 1) + (bass == NOWHERE ? 0 : 1);
            long thin = (long) Ear.thin(demand, sounding, scene) * slot.holdSteps();
            for (Ear.Placing placing : placings) {
                int[] sounds = frets.clone();
                for (int string = 1; string <= strings; string++) {
                    boolean open = (placing.struck() >> string & 1) == 1 && stops.fret(string) == 0;
                    sounds[strings - string] = open ? 0 : sounds[strings - string];
                }
                long own = finder.effort(sounds, fingering).grains() / Effort.STEPS * slot.holdSteps()
                        + thin
                        + (long) Effort.STEPS * (placing.thousandths() + places(bassMidi));
                own += slot.melodyBegins() && tune == NOWHERE ? Cost.LOST * TUNE : 0;
                own += slot.bassBegins() && bass == NOWHERE && !tuneIsBass() ? 2 * UNPLAYABLE : 0;
                add(presses, stops, fingering, placing, plucks(stops, beginning, placing), own);
            }
        }

        private boolean tuneIsBass() {
            return tune != NOWHERE && BassEar.tuneMayBeBass(instrument, demand);
        }

        /** What the places of tune and bass cost the ear, in thousandths. */
        private int places(int bassMidi) {
            int high = slot.melodyBegins() && tune != NOWHERE ? TuneEar.tunePlace(instrument, tune, tuneFret) : 0;
            if (bass != NOWHERE) {
                return high
                        + BassEar.bassPlace(
                                demand.bassPreferred(), demand.wanted().bassMidi(), bass, bassFret, bassMidi, strings);
            }
            return high + (slot.bassBegins() && tuneIsBass() ? BassEar.tuneAsBass(instrument, demand) : 0);
        }

        private void add(int[] presses, Stops stops, Fingering fingering, Ear.Placing placing, int plucks, long own) {
            for (int position = 1; position <= instrument.highestFret(); position++) {
                if (Position.admits(presses, position)) {
                    long off = grains(Weights.OFF_POSITION)
                            / Effort.STEPS
                            * Position.away(presses, position)
                            * slot.holdSteps();
                    if (own + off <= limit) {
                        found.add(new One(
                                new Posture(fingering, position), stops, tune, bass, placing, plucks, own + off));
                    }
                }
            }
        }

        private int plucks(Stops stops, int beginning, Ear.Placing placing) {
            int plucks = 0;
            for (int string = 1; string <= strings; string++) {
                int finger = Stops.at(stops.fingers(), string) - 1;
                for (int moment = 0; finger >= 0 && moment <= placing.moments().length; moment++) {
                    int struck = moment == 0 ? beginning : placing.moments()[moment - 1];
                    if ((struck >> string & 1) == 1) {
                        plucks = Pace.withPluck(plucks, finger, moment + 1);
                    }
                }
            }
            return plucks;
        }
    }
}
