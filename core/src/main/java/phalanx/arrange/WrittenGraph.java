package phalanx.arrange;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import phalanx.lefthand.ChangeMeter;
import phalanx.lefthand.Finger;
import phalanx.lefthand.Fingering;
import phalanx.lefthand.FingeringFinder;
import phalanx.lefthand.Grasp;
import phalanx.lefthand.LayeredPath;
import phalanx.lefthand.Pace;
import phalanx.lefthand.PathCost;
import phalanx.lefthand.Press;
import phalanx.lefthand.Shape;
import phalanx.lefthand.Stance;
import phalanx.song.Ticks;

/**
 * The moments of a written arrangement as a graph: a candidate holds the notes that begin and some of those that still
 * ring. With r ringing notes there are 2^r sets to keep, r being at most one less than the strings.
 */
final class WrittenGraph implements LayeredPath.Graph {
    private static final double SHORTEST_WEIGHT = 0.25;
    private static final double LONGEST_WEIGHT = 2;
    private static final double BASS_CUT = 1.0;
    private static final double INNER_CUT = 0.3;
    private static final double TIME_TO_CHANGE = 0.5;
    private static final Finger[] IN_ORDER = {Finger.INDEX, Finger.MIDDLE, Finger.RING, Finger.LITTLE};

    private final List<WrittenMoment> moments;
    private final FingeringFinder finder;
    private final ChangeMeter changes;
    private final double tempo;
    private final List<List<Held>> layers = new ArrayList<>();

    /** A way to hold a moment: what is kept, bit n for the n-th ringing note. */
    private record Held(Grasp grasp, Stance stance, int kept, int unplayable) {}

    WrittenGraph(List<WrittenMoment> moments, FingeringFinder finder, ChangeMeter changes, double tempo) {
        this.moments = moments;
        this.finder = finder;
        this.changes = changes;
        this.tempo = tempo;
        moments.forEach(moment -> layers.add(ways(moment)));
    }

    private List<Held> ways(WrittenMoment moment) {
        List<Held> ways = new ArrayList<>();
        for (int kept = 0; kept < 1 << moment.ring().size(); kept++) {
            int[] frets = frets(moment, kept);
            for (Grasp grasp : finder.easiest(frets)) {
                ways.add(held(grasp, kept, 0));
            }
        }
        if (ways.isEmpty()) {
            int[] frets = frets(moment, 0);
            ways.add(held(finder.grasp(frets, forced(frets)), 0, 1));
        }
        return ways;
    }

    private static Held held(Grasp grasp, int kept, int unplayable) {
        return new Held(grasp, new Stance(grasp, 1), kept, unplayable);
    }

    private int[] frets(WrittenMoment moment, int kept) {
        int strings = finder.instrument().strings();
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

    /** Fingers in order of fret, though no hand reaches: the audit then says how far it is. */
    private static Fingering forced(int[] frets) {
        Map<Integer, int[]> spans = new HashMap<>();
        for (int i = 0; i < frets.length; i++) {
            int string = frets.length - i;
            if (frets[i] > 0) {
                int[] span = spans.computeIfAbsent(frets[i], fret -> new int[] {string, string});
                span[1] = string;
            }
        }
        List<Integer> inOrder = spans.keySet().stream().sorted().toList();
        List<Press> presses = new ArrayList<>();
        for (int i = 0; i < inOrder.size(); i++) {
            int[] span = spans.get(inOrder.get(i));
            boolean last = i == inOrder.size() - 1;
            Finger finger = last && i > 0 ? Finger.LITTLE : IN_ORDER[Math.min(i, IN_ORDER.length - 1)];
            presses.add(new Press(finger, inOrder.get(i), span[0], span[1]));
        }
        return new Fingering(presses);
    }

    Grasp grasp(int layer, int candidate) {
        return layers.get(layer).get(candidate).grasp;
    }

    @Override
    public int layers() {
        return layers.size();
    }

    @Override
    public int candidates(int layer) {
        return layers.get(layer).size();
    }

    @Override
    public long cost(int layer, int candidate) {
        WrittenMoment moment = moments.get(layer);
        Held held = layers.get(layer).get(candidate);
        double beats = (moment.endTick() - moment.tick()) / (double) Ticks.QUARTER;
        double weight = Math.max(SHORTEST_WEIGHT, Math.min(LONGEST_WEIGHT, beats));
        int melody = 0;
        double effort = held.grasp.effort() * weight;
        for (int i = 0; i < moment.ring().size(); i++) {
            if ((held.kept >> i & 1) == 0) {
                melody += moment.ring().get(i).role() == Role.MELODY ? 1 : 0;
                effort += cutCost(moment.ring().get(i));
            }
        }
        return PathCost.pack(held.unplayable, melody, effort);
    }

    private static double cutCost(ArrangedNote note) {
        return switch (note.role()) {
            case MELODY -> 0;
            case BASS -> BASS_CUT;
            default -> INNER_CUT;
        };
    }

    @Override
    public long change(int layer, int from, int to, long enough) {
        WrittenMoment moment = moments.get(layer);
        Held before = layers.get(layer - 1).get(from);
        Held after = layers.get(layer).get(to);
        int melody = 0;
        double effort = changeEffort(layer, from, to);
        for (int i = 0; i < moment.ring().size(); i++) {
            ArrangedNote note = moment.ring().get(i);
            if ((after.kept >> i & 1) == 1 && !before.stance.keeps(note.string(), after.stance)) {
                melody += note.role() == Role.MELODY ? 1 : 0;
                effort += cutCost(note);
            }
        }
        return PathCost.pack(0, melody, effort);
    }

    /** What the change into a layer costs the hand. */
    double changeEffort(int layer, int from, int to) {
        WrittenMoment before = moments.get(layer - 1);
        double hasMs = TIME_TO_CHANGE * Ticks.milliseconds(before.endTick() - before.tick(), tempo);
        return changes.cost(
                layers.get(layer - 1).get(from).stance, layers.get(layer).get(to).stance, new Pace(hasMs, hasMs), 0);
    }
}
