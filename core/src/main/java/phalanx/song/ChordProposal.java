package phalanx.song;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeSet;
import phalanx.theory.ChordSymbol;
import phalanx.theory.Key;
import phalanx.theory.KeyFinder;
import phalanx.theory.Note;

/**
 * Proposes chords for a song that has none, from its tune and what else sounds with it: for each half bar a chord of the
 * key, the whole row the cheapest by how well each fits what sounds and how well they follow one another, as a hidden
 * Markov chain is decoded (after I. Simon, D. Morris, S. Basu, CHI 2008, from memory; the costs are set by hand,
 * not learned). Phrases close on the tonic or its dominant, the song on the tonic. A pickup has no chord.
 */
public final class ChordProposal {
    private static final double OUTSIDE = 1.6;
    private static final double MISSING_ROOT = 0.15;
    private static final double CHANGE_WITHIN_A_BAR = 0.6;
    private static final double SAME_OVER_THE_BAR = 0.12;
    private static final double END_NOT_TONIC = 1.5;
    private static final double BEGIN_NOT_TONIC = 0.5;
    private static final double CLOSES_ON_TONIC = -0.4;
    private static final double CLOSES_ON_DOMINANT = -0.25;
    /** Notes on a beat count so much more than others. */
    private static final double ON_THE_BEAT = 1.5;

    private static final int FIFTH = 7;
    private static final int FOURTH = 5;

    private final Song song;
    private final Key key;
    private final List<Candidate> candidates = new ArrayList<>();

    /** A chord of the key: what it costs beside the likeliest, and its degree from 1. */
    private record Candidate(ChordSymbol chord, int tones, int degree, double rarity) {}

    /** A stretch with one chord. */
    private record Stretch(int start, int end, boolean barBegins) {}

    /** A note that sounds with the tune. */
    public record Sounding(int tick, int endTick, int midi) {}

    /**
     * @param song without chords; its signature is trusted; whether one written as major is minor is heard
     * @throws IllegalArgumentException if it has no tune
     */
    public ChordProposal(Song song) {
        this.song = Objects.requireNonNull(song, "song");
        if (song.melody().isEmpty()) {
            throw new IllegalArgumentException(wording("ChordProposal.there-is-no-tune-to"));
        }
        Key heard = SongHarmony.of(song).key();
        // many programs write every signature as a major key
        boolean trusted = song.key().mode() != Key.Mode.MAJOR
                || heard.fifths() != song.key().fifths();
        this.key = trusted ? song.key() : heard;
        addCandidates();
    }

    /** The key that a tune is most likely in, where no signature is known. */
    public static Key keyOf(Song song) {
        return new KeyFinder(List.of(), SongHarmony.pitchClasses(song.melody())).find();
    }

    private void addCandidates() {
        boolean minor = key.mode().isMinor();
        double[] major = {0, 0.35, 0.7, 0.12, 0.08, 0.3, 1.5};
        double[] ofMinor = {0, 1.4, 0.3, 0.2, 0.35, 0.3, 0.2};
        List<Note> scale = key.scale();
        for (int degree = 1; degree <= 7; degree++) {
            Note root = scale.get(degree - 1);
            int third = above(root, scale.get((degree + 1) % 7));
            int fifth = above(root, scale.get((degree + 3) % 7));
            String kind = third == 3 ? fifth == 6 ? "dim" : "m" : "";
            if (third == 3 || third == 4) {
                add(root + kind, degree, (minor ? ofMinor : major)[degree - 1]);
            }
        }
        Note dominant = scale.get(4);
        add(dominant + "7", 5, 0.25);
        if (minor) {
            // the leading note of minor keys is raised
            add(dominant.toString(), 5, 0.2);
        }
    }

    private static int above(Note low, Note high) {
        return Math.floorMod(high.pitchClass() - low.pitchClass(), 12);
    }

    private void add(String chord, int degree, double rarity) {
        ChordSymbol symbol = ChordSymbol.parse(chord);
        candidates.add(new Candidate(symbol, symbol.pitchClasses(), degree, rarity));
    }

    /**
     * The song with chords, each marked as proposed.
     *
     * @param accompaniment what sounds with the tune, in any order; empty where nothing does
     */
    public Song propose(List<Sounding> accompaniment) {
        List<Stretch> stretches = stretches();
        double[][] weights = weights(stretches, accompaniment);
        TreeSet<Integer> ends = new PhraseEnds(song).find();
        int count = candidates.size();
        double[] costs = new double[count];
        int[][] from = new int[stretches.size()][count];
        for (int at = 0; at < stretches.size(); at++) {
            double[] next = new double[count];
            for (int to = 0; to < count; to++) {
                double own = fit(candidates.get(to), weights[at]) + place(candidates.get(to), stretches, at, ends);
                double best = at == 0 ? 0 : Double.POSITIVE_INFINITY;
                for (int before = 0; at > 0 && before < count; before++) {
                    double cost = costs[before]
                            + follows(candidates.get(before), candidates.get(to), stretches.get(at).barBegins);
                    if (cost < best) {
                        best = cost;
                        from[at][to] = before;
                    }
                }
                next[to] = best + own;
            }
            costs = next;
        }
        return song.withChart(chart(stretches, from, costs));
    }

    private List<ChordChange> chart(List<Stretch> stretches, int[][] from, double[] costs) {
        int chosen = 0;
        for (int candidate = 1; candidate < costs.length; candidate++) {
            chosen = costs[candidate] < costs[chosen] ? candidate : chosen;
        }
        int[] row = new int[stretches.size()];
        for (int at = row.length - 1; at >= 0; at--) {
            row[at] = chosen;
            chosen = from[at][chosen];
        }
        List<ChordChange> chart = new ArrayList<>();
        for (int at = 0; at < row.length; at++) {
            if (at == 0 || row[at] != row[at - 1]) {
                ChordSymbol chord = candidates.get(row[at]).chord;
                chart.add(new ChordChange(stretches.get(at).start, Optional.of(chord)).asProposed());
            }
        }
        return chart;
    }

    /** Half bars where a bar has an even number of beats, more than two of them or two of three parts; else whole bars. */
    private List<Stretch> stretches() {
        List<Stretch> stretches = new ArrayList<>();
        for (Bar bar : song.bars()) {
            if (bar.number() == 0) {
                continue;
            }
            int beats = bar.meter().barTicks() / bar.meter().beatTicks();
            boolean halves = beats % 2 == 0
                    && (beats > 2 || bar.meter().compound())
                    && bar.lengthTicks() == bar.meter().barTicks();
            int middle = halves ? bar.startTick() + bar.lengthTicks() / 2 : bar.endTick();
            stretches.add(new Stretch(bar.startTick(), middle, true));
            if (halves) {
                stretches.add(new Stretch(middle, bar.endTick(), false));
            }
        }
        if (stretches.isEmpty()) {
            stretches.add(new Stretch(0, song.endTick(), true));
        }
        return stretches;
    }

    /** How long each pitch class sounds in each stretch, notes on beats more. */
    private double[][] weights(List<Stretch> stretches, List<Sounding> accompaniment) {
        double[][] weights = new double[stretches.size()][12];
        for (MelodyNote note : song.melody()) {
            add(new Sounding(note.tick(), note.endTick(), note.midi()), stretches, weights);
            note.below()
                    .ifPresent(
                            below -> add(new Sounding(note.tick(), note.endTick(), below.midi()), stretches, weights));
        }
        accompaniment.forEach(note -> add(note, stretches, weights));
        return weights;
    }

    private void add(Sounding note, List<Stretch> stretches, double[][] weights) {
        Bar bar = song.barAt(note.tick);
        boolean onBeat = bar.offsetOf(note.tick) % bar.meter().beatTicks() == 0;
        for (int at = firstAt(stretches, note.tick);
                at < stretches.size() && stretches.get(at).start < note.endTick;
                at++) {
            Stretch stretch = stretches.get(at);
            int within = Math.min(note.endTick, stretch.end) - Math.max(note.tick, stretch.start);
            if (within > 0) {
                weights[at][Math.floorMod(note.midi, 12)] += within * (onBeat ? ON_THE_BEAT : 1);
            }
        }
    }

    private static int firstAt(List<Stretch> stretches, int tick) {
        return Bisection.first(stretches.size() - 1, index -> stretches.get(index).end > tick);
    }

    /** What a chord costs by what sounds: the share outside it, and a root that is nowhere. */
    private static double fit(Candidate candidate, double[] weights) {
        double all = Arrays.stream(weights).sum();
        if (all == 0) {
            return candidate.rarity;
        }
        double outside = 0;
        for (int pitchClass = 0; pitchClass < weights.length; pitchClass++) {
            outside += (candidate.tones >> pitchClass & 1) == 1 ? 0 : weights[pitchClass];
        }
        boolean rooted = weights[candidate.chord.root().pitchClass()] > 0;
        return OUTSIDE * outside / all + (rooted ? 0 : MISSING_ROOT) + candidate.rarity;
    }

    private double place(Candidate candidate, List<Stretch> stretches, int at, TreeSet<Integer> ends) {
        boolean tonic = candidate.degree == 1;
        double cost = 0;
        if (at == stretches.size() - 1) {
            cost += tonic ? 0 : END_NOT_TONIC;
        } else if (!ends.subSet(stretches.get(at).start, stretches.get(at).end).isEmpty()) {
            cost += tonic ? CLOSES_ON_TONIC : candidate.degree == 5 ? CLOSES_ON_DOMINANT : 0;
        }
        return at == 0 && !tonic ? cost + BEGIN_NOT_TONIC : cost;
    }

    /** What it costs that one chord follows another: changes fall on bar lines, roots like to fall by fifths. */
    private static double follows(Candidate before, Candidate now, boolean barBegins) {
        if (before == now) {
            return barBegins ? SAME_OVER_THE_BAR : 0;
        }
        double change = barBegins ? 0 : CHANGE_WITHIN_A_BAR;
        int step = above(before.chord.root(), now.chord.root());
        double motion =
                switch (step) {
                    case FOURTH -> -0.15;
                    case FIFTH -> -0.05;
                    case 0 -> 0.1;
                    case 2, 9 -> 0;
                    default -> 0.15;
                };
        boolean retrogression = before.degree == 5 && (now.degree == 4 || now.degree == 2);
        return change + motion + (retrogression ? 0.3 : 0);
    }
}
