package phalanx.project;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.Hold;
import phalanx.words.Words;

/** Two versions of a song beside each other, bar by bar. */
public final class Comparison {
    private Comparison() {}

    /** In what a bar differs. */
    public enum Part {
        NOTES,
        STRINGS,
        FINGERS,
        DIGITS,
        HITS;

        /** What it is called on screen. */
        public String label() {
            return Words.name(this);
        }
    }

    /**
     * A bar that differs.
     *
     * @param bar its place in the song, from 0
     * @param in in what, in the order of {@link Part}
     * @param effort of the first version's slots that begin in it
     * @param otherEffort of the other's
     * @param findings of the first version in it
     * @param otherFindings of the other's
     */
    public record BarPair(int bar, List<Part> in, double effort, double otherEffort, int findings, int otherFindings) {
        public BarPair {
            in = List.copyOf(in);
        }
    }

    /**
     * The bars that differ, in order; where the notes differ, so do their strings and digits, which is not said again.
     *
     * @throws IllegalArgumentException if the songs have other bars
     */
    public static List<BarPair> of(Arrangement one, Arrangement other) {
        if (!one.song().bars().equals(other.song().bars())) {
            throw new IllegalArgumentException(wording("Comparison.the-versions-have-other-bars"));
        }
        List<Map<Part, Set<Object>>> ours = bars(one);
        List<Map<Part, Set<Object>>> theirs = bars(other);
        List<Double> efforts = one.barEfforts();
        List<Double> otherEfforts = other.barEfforts();
        List<BarPair> pairs = new ArrayList<>();
        for (int bar = 0; bar < ours.size(); bar++) {
            List<Part> in = differences(ours.get(bar), theirs.get(bar));
            if (!in.isEmpty()) {
                pairs.add(new BarPair(
                        bar, in, efforts.get(bar), otherEfforts.get(bar), findings(one, bar), findings(other, bar)));
            }
        }
        return pairs;
    }

    private static List<Part> differences(Map<Part, Set<Object>> ours, Map<Part, Set<Object>> theirs) {
        List<Part> in = new ArrayList<>();
        for (Part difference : Part.values()) {
            boolean said = in.contains(Part.NOTES) && (difference == Part.STRINGS || difference == Part.DIGITS);
            if (!said && !ours.get(difference).equals(theirs.get(difference))) {
                in.add(difference);
            }
        }
        return in;
    }

    private static int findings(Arrangement arrangement, int bar) {
        int number = arrangement.song().bars().get(bar).number();
        return (int) arrangement.findings().stream()
                .map(Finding::bar)
                .filter(at -> at == number)
                .count();
    }

    /** What is played in each bar, taken apart. */
    private static List<Map<Part, Set<Object>>> bars(Arrangement arrangement) {
        List<Map<Part, Set<Object>>> bars = arrangement.song().bars().stream()
                .map(bar -> {
                    Map<Part, Set<Object>> parts = new HashMap<>();
                    for (Part difference : Part.values()) {
                        parts.put(difference, new HashSet<>());
                    }
                    return parts;
                })
                .toList();
        for (ArrangedNote note : arrangement.notes()) {
            Map<Part, Set<Object>> parts = bars.get(arrangement.song().barIndexAt(note.tick()));
            parts.get(Part.NOTES).add(List.of(note.tick(), note.midi(), note.role(), note.lengthTicks()));
            parts.get(Part.STRINGS).add(List.of(note.tick(), note.midi(), note.string()));
            parts.get(Part.DIGITS).add(List.of(note.tick(), note.string(), note.right(), note.attack()));
        }
        for (Hold hold : arrangement.holds()) {
            bars.get(arrangement.song().barIndexAt(hold.tick()))
                    .get(Part.FINGERS)
                    .add(List.of(hold.tick(), hold.press()));
        }
        arrangement.hits().forEach(hit -> bars.get(arrangement.song().barIndexAt(hit.tick()))
                .get(Part.HITS)
                .add(hit));
        return bars;
    }
}
