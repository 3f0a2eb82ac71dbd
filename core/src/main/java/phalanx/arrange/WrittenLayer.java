package phalanx.arrange;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.IntStream;
import phalanx.arrange.demand.BassEar;
import phalanx.arrange.demand.Ear;
import phalanx.arrange.demand.Labels;
import phalanx.arrange.demand.Role;
import phalanx.arrange.demand.TuneEar;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.search.Layer;
import phalanx.arrange.search.LayerBuilder;
import phalanx.cost.Effort;
import phalanx.cost.Weights;
import phalanx.lefthand.shape.Fingering;
import phalanx.lefthand.shape.FingeringFinder;
import phalanx.lefthand.shape.Position;
import phalanx.lefthand.shape.Press;
import phalanx.lefthand.shape.Shape;
import phalanx.lefthand.shape.Ways;
import phalanx.lefthand.track.MoveMeter;
import phalanx.lefthand.track.Stops;

/**
 * The ways to hold a moment whose notes are given: those that begin, and any of those that still ring. With r ringing
 * notes there are 2^r sets to keep, r being at most one less than the strings.
 */
final class WrittenLayer {
    /** Ways this much dearer than the cheapest are left out, in effort. */
    private static final double MOST_DEARER = 20;

    /** Whatever the position. */
    private static final int ANY = 0;

    private final FingeringFinder finder;
    private final MoveMeter meter;
    private final int strings;

    WrittenLayer(FingeringFinder finder, MoveMeter meter) {
        this.finder = finder;
        this.meter = meter;
        this.strings = finder.instrument().strings();
    }

    Layer of(Moment moment) {
        LayerBuilder found = played(moment, ANY);
        if (found.isEmpty()) {
            addWithThumb(moment, found);
        }
        if (found.isEmpty()) {
            found.admits(1, 0);
            int[] presses = forced(frets(moment, 0));
            add(moment, open(moment, presses), presses, ANY, found);
        }
        return found.all(MOST_DEARER);
    }

    /** The notes of open strings that ring on: nothing stops them. */
    private static int open(Moment moment, int[] presses) {
        Stops stops = Stops.of(presses);
        return IntStream.range(0, moment.ring().size())
                .filter(i -> moment.ring().get(i).fret() == 0
                        && stops.fret(moment.ring().get(i).string()) == 0)
                .map(i -> 1 << i)
                .sum();
    }

    /** Those with the hand at a position; nothing where it can't hold the moment there. */
    Optional<Layer> at(Moment moment, int position) {
        LayerBuilder found = played(moment, position);
        return found.isEmpty() ? Optional.empty() : Optional.of(found.all(MOST_DEARER));
    }

    private LayerBuilder played(Moment moment, int position) {
        LayerBuilder found = new LayerBuilder(meter.table());
        for (int kept = 0; kept < 1 << moment.ring().size(); kept++) {
            Ways ways = finder.ways(frets(moment, kept));
            for (int way = 0; way < ways.count(); way++) {
                if (!thumbHasTune(moment, kept, ways.press(way, Fingering.THUMB))) {
                    found.admits(0, 0);
                    add(moment, kept, ways.presses(way), position, found);
                }
            }
        }
        return found;
    }

    /**
     * Where no fingering serves by where its fingers stand of themselves, the hand may stand a fret beside that while
     * finger 1 is up, and the thumb has the lowest string from there.
     */
    private void addWithThumb(Moment moment, LayerBuilder found) {
        int[] frets = frets(moment, 0);
        int string = strings;
        int fret = frets[0];
        if (fret <= 0 || !finder.hand().thumbOver() || string == string(moment, 0, Role.MELODY)) {
            return;
        }
        frets[0] = Shape.SILENT;
        Ways ways = finder.ways(frets);
        for (int way = 0; way < ways.count(); way++) {
            int[] presses = ways.presses(way);
            if (presses[0] == 0 && presses[Fingering.THUMB] == 0) {
                presses[Fingering.THUMB] = Press.pack(fret, string, string);
                int natural = Position.natural(presses);
                if (Position.admits(presses, natural - 1) || Position.admits(presses, natural + 1)) {
                    found.admits(0, 0);
                    add(moment, open(moment, presses), presses, ANY, found);
                }
            }
        }
    }

    private int[] frets(Moment moment, int kept) {
        int[] frets = new int[strings];
        Arrays.fill(frets, Shape.SILENT);
        for (ArrangedNote note : moment.begin()) {
            frets[strings - note.string()] = note.fret();
        }
        for (int i = 0; i < moment.ring().size(); i++) {
            if ((kept >> i & 1) == 1) {
                ArrangedNote note = moment.ring().get(i);
                frets[strings - note.string()] = note.fret();
            }
        }
        return frets;
    }

    private static boolean thumbHasTune(Moment moment, int kept, int thumb) {
        int string = string(moment, kept, Role.MELODY);
        return thumb != 0 && string == Press.bassString(thumb);
    }

    /** The string of a role's note that begins or is kept. */
    private static int string(Moment moment, int kept, Role role) {
        for (ArrangedNote note : moment.begin()) {
            if (note.role() == role) {
                return note.string();
            }
        }
        for (int i = 0; i < moment.ring().size(); i++) {
            if ((kept >> i & 1) == 1 && moment.ring().get(i).role() == role) {
                return moment.ring().get(i).string();
            }
        }
        return Layer.NONE;
    }

    private void add(Moment moment, int kept, int[] presses, int only, LayerBuilder found) {
        int tune = string(moment, kept, Role.MELODY);
        int bass = string(moment, kept, Role.BASS);
        int beginning = 0;
        int inner = 0;
        for (ArrangedNote note : moment.begin()) {
            beginning |= 1 << note.string();
            inner |= note.role() == Role.INNER ? 1 << note.string() : 0;
        }
        Stops stops = Stops.of(presses);
        Ear.Placing placing = inner == 0
                ? Ear.Placing.NONE
                : new Ear.Placing(0, new int[] {inner}, new int[][] {{0}}, new int[0], Labels.NONE, Labels.NONE);
        int plucks = Layer.plucks(stops, beginning, Ear.Placing.NONE);
        int hold = hold(presses, stops, tune, bass) + finder.besideBarres(presses, stops.open(inner));
        boolean tuneBegins = moment.begin().stream().anyMatch(note -> note.role() == Role.MELODY);
        int sound = (bass == Layer.NONE ? 0 : bassPlace(bass, stops.fret(bass)))
                + (tuneBegins ? TuneEar.tunePlace(finder.instrument(), tune, stops.fret(tune)) : 0);
        int natural = Math.max(1, Position.natural(presses));
        boolean free = Position.natural(presses) == 0;
        int highest = finder.instrument().highestFret();
        int added = 0;
        for (int position = free ? 1 : natural - 1;
                position <= (free ? highest : Math.min(highest, natural + 1));
                position++) {
            if (Position.admits(presses, position) && (only == ANY || only == position)) {
                int away = Effort.thousandths(Weights.OFF_POSITION) * Position.away(presses, position);
                found.add(presses, stops, position, tune, bass, hold + away, sound, plucks, placing, Layer.NO_SHAPE, 0);
                added++;
            }
        }
        if (added == 0 && only == ANY) {
            // a hand that is forced stands somewhere all the same
            found.add(presses, stops, natural, tune, bass, hold, sound, plucks, placing, Layer.NO_SHAPE, 0);
        }
    }

    /** A given bass is the one that is wanted. */
    private int bassPlace(int string, int fret) {
        int midi = finder.instrument().midi(string, fret);
        return BassEar.bassPlace(1 << midi % 12, 0, string, fret, midi, strings);
    }

    private int hold(int[] presses, Stops stops, int tune, int bass) {
        int[] frets = new int[strings];
        Arrays.fill(frets, Shape.SILENT);
        for (int string : new int[] {tune, bass}) {
            if (string != Layer.NONE) {
                frets[strings - string] = stops.fret(string);
            }
        }
        return (int) (finder.effort(frets, Fingering.ofPacked(presses)).grains() / Effort.STEPS);
    }

    /** Fingers in order of fret, though no hand reaches: the audit then says how far it is, or what is not stopped. */
    private static int[] forced(int[] frets) {
        List<Integer> inOrder = new ArrayList<>();
        for (int i = 0; i < frets.length; i++) {
            int string = frets.length - i;
            int fret = frets[i];
            int lower = IntStream.range(0, i)
                    .filter(before -> frets[before] >= 0 && frets[before] < fret)
                    .max()
                    .orElse(-1);
            OptionalInt wide = IntStream.range(0, inOrder.size())
                    .filter(one -> Press.fret(inOrder.get(one)) == fret
                            && Press.trebleString(inOrder.get(one)) < frets.length - lower)
                    .findFirst();
            if (fret > 0 && wide.isPresent()) {
                int press = inOrder.get(wide.getAsInt());
                inOrder.set(wide.getAsInt(), Press.pack(fret, Press.bassString(press), string));
            } else if (fret > 0) {
                inOrder.add(Press.pack(fret, string, string));
            }
        }
        inOrder.sort(Comparator.comparingInt(Press::fret));
        int[] presses = new int[Fingering.FINGERS];
        for (int i = 0; i < inOrder.size(); i++) {
            boolean last = i == inOrder.size() - 1;
            int finger = last && i > 0 ? Fingering.THUMB - 1 : Math.min(i, Fingering.THUMB - 2);
            presses[finger] = inOrder.get(i);
        }
        return presses;
    }
}
