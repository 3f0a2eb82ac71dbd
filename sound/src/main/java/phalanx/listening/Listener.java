package phalanx.listening;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.righthand.Digit;
import phalanx.song.Bar;
import phalanx.song.Ticks;
import phalanx.technique.Attack;
import phalanx.theory.Pitch;

/** Compares a take with the passage it is meant to be. */
public final class Listener {
    /** So many strokes tell where the player begins. */
    private static final int TRIED_STROKES = 24;

    /** Fewer strokes found than this share: another song. */
    private static final double SAME_SONG = 0.5;
    /** Less than this share of what the string usually holds, in powers of 0.3: it did not sound. */
    private static final double MISSING = 0.5;

    /** The same for a note that is plucked alone: its onset was found, so that something sounded. */
    private static final double MISSING_ALONE = 0.2;
    /** The same for a note of a roll, which begins a little after its stroke. */
    private static final double MISSING_IN_ROLL = 0.3;
    /** A note that is plucked alone is another from this fit of its neighbour on: nothing else can feign it. */
    private static final double OTHER_ALONE = 0.72;
    /** A note hidden in a lower one raises the partials that both have; below this it did not sound. */
    private static final double RAISED = 0.9;

    /** A neighbour of a note that cannot be told itself is wrong from this share on. */
    private static final double HIDDEN = 0.95;

    /** Semitones between notes of which one has many of the other's partials. */
    private static final Set<Integer> HARMONIC = Set.of(0, 12, 19, 24);

    /** So much sooner a lower note is believed than a higher one: it has all that the higher one has. */
    private static final double LOWER = 1.3;

    private final Take take;
    private final Arrangement arrangement;
    private final int from;
    private final int to;

    /**
     * @param from first tick of the passage
     * @param to the tick before which it ends
     */
    public Listener(Take take, Arrangement arrangement, int from, int to) {
        this.take = take;
        this.arrangement = arrangement;
        this.from = from;
        this.to = to;
    }

    /**
     * What the take tells.
     *
     * @param click it was played to; without one the thumb is measured against the player's own even beat
     * @throws IllegalArgumentException with the reason in words, where nothing can be told: silence, another song
     */
    public TakeReport report(Optional<Click> click) {
        if (take.isSilent()) {
            throw new IllegalArgumentException(wording("Listener.the-take-is-silent"));
        }
        List<Asked> asked = Asked.of(arrangement, from, to);
        if (asked.isEmpty()) {
            throw new IllegalArgumentException(wording("Listener.nothing-is-plucked-in-these"));
        }
        Flux flux = new Flux(take);
        List<Double> onsets = flux.onsets();
        int tempo = arrangement.song().tempo();
        Alignment alignment = click.map(own -> Alignment.to(asked, onsets, from, own))
                .orElseGet(() -> likeliest(asked, onsets, tempo));
        if (alignment.heard() < SAME_SONG * asked.size()) {
            throw new IllegalArgumentException(
                    wording("Listener.only-of-strokes-are-found", alignment.heard(), asked.size()));
        }
        Line line = Line.through(asked, alignment);
        Line due = click.map(own -> new Line(own.at(-from), Ticks.milliseconds(1, own.tempo()) / 1000))
                .orElse(line);
        List<ArrangedNote> missing = IntStream.range(0, asked.size())
                .filter(stroke -> Double.isNaN(alignment.found(stroke)))
                .boxed()
                .flatMap(stroke -> asked.get(stroke).notes().stream())
                .collect(Collectors.toCollection(ArrayList::new));
        Judged judged = judge(heard(asked, alignment));
        missing.addAll(judged.missing());
        Set<ArrangedNote> gone = Set.copyOf(missing);
        Map<Double, List<Double>> errors = new TreeMap<>();
        Thumb told = new Thumb(new Pinch(flux), judged.wrong());
        for (int i = 0; i < asked.size(); i++) {
            double onset = alignment.found(i);
            Asked stroke = asked.get(i).without(gone);
            for (ArrangedNote note : stroke.notes()) {
                if (note.right() == Digit.P) {
                    told.begins(note, stroke.notes(), onset)
                            .ifPresent(exact -> errors.computeIfAbsent(beat(note.tick()), beat -> new ArrayList<>())
                                    .add(1000 * (exact - due.at(note.tick()))));
                }
            }
        }
        missing.sort((a, b) -> Integer.compare(a.tick(), b.tick()));
        List<TakeReport.Steadiness> thumb = errors.entrySet().stream()
                .map(entry -> steadiness(entry.getKey(), entry.getValue()))
                .toList();
        List<Double> every = errors.values().stream().flatMap(List::stream).toList();
        return new TakeReport(
                asked.size(),
                alignment.heard(),
                60 / (line.pace() * Ticks.QUARTER),
                drift(asked, alignment),
                thumb,
                every.isEmpty() ? Optional.empty() : Optional.of(steadiness(0, every)),
                judged.wrong(),
                missing,
                alignment.extra(),
                take.isClipped());
    }

    /** Of several ways to follow the player's own beat the one whose first strokes sound most as they are written. */
    private Alignment likeliest(List<Asked> asked, List<Double> onsets, int tempo) {
        Alignment best = new Alignment(asked, onsets, from);
        double most = Double.NEGATIVE_INFINITY;
        for (Alignment guess : Alignment.guesses(asked, onsets, from, tempo)) {
            double fit = guess.heard() / (double) asked.size();
            int tried = Math.min(TRIED_STROKES, asked.size());
            for (int i = 0; i < tried; i++) {
                if (!Double.isNaN(guess.found(i))) {
                    fit += right(asked, guess, i) / tried;
                }
            }
            if (fit > most) {
                most = fit;
                best = guess;
            }
        }
        return best;
    }

    /** The share of a stroke's notes that no neighbour fits better. */
    private double right(List<Asked> asked, Alignment alignment, int i) {
        double onset = alignment.found(i);
        List<ArrangedNote> notes = asked.get(i).notes();
        double before = i == 0 ? 1 : onset - last(alignment, i);
        double after = next(alignment, asked, i, onset);
        return notes.stream()
                        .filter(note -> !new Pitches(take)
                                .of(note, notes, false, onset, before, after)
                                .isOther())
                        .count()
                / (double) notes.size();
    }

    private record Heard(ArrangedNote note, boolean alone, Pitches.Held held) {}

    /** What each note holds that was asked for where an onset was found. */
    private List<Heard> heard(List<Asked> asked, Alignment alignment) {
        List<Heard> heard = new ArrayList<>();
        Map<Integer, Integer> last = new TreeMap<>();
        Pitches pitches = new Pitches(take);
        for (int i = 0; i < asked.size(); i++) {
            double onset = alignment.found(i);
            if (Double.isNaN(onset)) {
                continue;
            }
            List<ArrangedNote> together = asked.get(i).notes();
            double before = i == 0 ? 1 : onset - last(alignment, i);
            double after = next(alignment, asked, i, onset);
            for (ArrangedNote note : together) {
                boolean repeats = Integer.valueOf(note.midi()).equals(last.put(note.string(), note.midi()));
                heard.add(new Heard(
                        note, together.size() == 1, pitches.of(note, together, repeats, onset, before, after)));
            }
        }
        return heard;
    }

    private record Judged(List<TakeReport.Wrong> wrong, List<ArrangedNote> missing) {}

    private static double last(Alignment alignment, int i) {
        for (int before = i - 1; before >= 0; before--) {
            if (!Double.isNaN(alignment.found(before))) {
                return alignment.found(before);
            }
        }
        return Double.NEGATIVE_INFINITY;
    }

    private static double next(Alignment alignment, List<Asked> asked, int i, double onset) {
        for (int after = i + 1; after < asked.size(); after++) {
            if (!Double.isNaN(alignment.found(after))) {
                return alignment.found(after) - onset;
            }
        }
        return 1;
    }

    /** Whether each note sounded, and as what, beside what its string usually has. */
    private static Judged judge(List<Heard> heard) {
        Map<List<?>, Double> usual = heard.stream()
                .filter(one -> !one.held().hidden())
                .collect(Collectors.groupingBy(
                        one -> kind(one.note()),
                        Collectors.collectingAndThen(
                                Collectors.mapping(one -> one.held().strength(), Collectors.toList()),
                                Listener::median)));
        double any = usual.isEmpty() ? Double.POSITIVE_INFINITY : median(List.copyOf(usual.values()));
        List<ArrangedNote> missing = new ArrayList<>();
        List<Heard> beside = new ArrayList<>();
        for (Heard one : heard) {
            double own = usual.getOrDefault(kind(one.note()), any);
            if (isWrong(one, own)) {
                beside.add(one);
            } else if (isMissing(one, own)) {
                missing.add(one.note());
            }
        }
        List<TakeReport.Wrong> wrong = beside.stream()
                .filter(one -> beside.stream().noneMatch(other -> explains(other, one)))
                .map(one -> new TakeReport.Wrong(one.note(), one.held().other().orElseThrow()))
                .toList();
        return new Judged(wrong, missing);
    }

    /** @param usual what its string usually has */
    private static boolean isWrong(Heard one, double usual) {
        Pitches.Held held = one.held();
        if (held.other().isEmpty()) {
            return false;
        }
        if (held.hidden()) {
            return held.otherStrength() > HIDDEN * usual;
        }
        boolean other = one.alone() ? held.fit() > OTHER_ALONE : held.isOther();
        return other && held.otherStrength() > MISSING * usual;
    }

    private static boolean isMissing(Heard one, double usual) {
        return one.held().hidden() ? one.held().raised() < RAISED : one.held().strength() < floor(one) * usual;
    }

    /** How weak a note is that did not sound, as a share of what its string usually has. */
    private static double floor(Heard one) {
        if (one.alone()) {
            return MISSING_ALONE;
        }
        return one.note().attack() instanceof Attack.Roll ? MISSING_IN_ROLL : MISSING;
    }

    /** Whether what seems wrong in a note are partials of another note that is wrong for certain. */
    private static boolean explains(Heard other, Heard one) {
        int above = one.held().other().orElseThrow() - other.held().other().orElseThrow();
        double lower = above > 0 ? LOWER : above < 0 ? 1 / LOWER : 1;
        boolean moreCertain = !other.held().hidden()
                && (one.held().hidden()
                        || lower * other.held().fit() > one.held().fit());
        return other.note().tick() == one.note().tick() && moreCertain && HARMONIC.contains(Math.abs(above));
    }

    private static List<?> kind(ArrangedNote note) {
        return List.of(note.string(), note.role());
    }

    private static double median(List<Double> values) {
        double[] sorted = values.stream().mapToDouble(value -> value).sorted().toArray();
        return sorted[sorted.length / 2];
    }

    /** When the thumb's notes begin, whatever they sounded as. */
    private record Thumb(Pinch pinch, List<TakeReport.Wrong> wrong) {
        /** @param sounded all notes that began together */
        OptionalDouble begins(ArrangedNote note, List<ArrangedNote> sounded, double onset) {
            if (sounded.size() == 1) {
                return OptionalDouble.of(onset);
            }
            double[] others = sounded.stream()
                    .filter(other -> other != note)
                    .mapToDouble(this::hertz)
                    .toArray();
            return pinch.begins(hertz(note), others, onset);
        }

        private double hertz(ArrangedNote note) {
            return wrong.stream()
                    .filter(one -> one.note() == note)
                    .mapToDouble(one -> Pitch.hertz(one.midi()))
                    .findFirst()
                    .orElseGet(() -> Asked.hertz(note));
        }
    }

    private double beat(int tick) {
        Bar bar = arrangement.song().barAt(tick);
        double beats = bar.offsetOf(tick) / (double) bar.meter().beatTicks();
        return 1 + Math.round(2 * beats) / 2.0;
    }

    private static TakeReport.Steadiness steadiness(double beat, List<Double> errors) {
        double mean = errors.stream().mapToDouble(error -> error).average().orElseThrow();
        double squares = errors.stream()
                .mapToDouble(error -> (error - mean) * (error - mean))
                .sum();
        double spread = errors.size() > 1 ? Math.sqrt(squares / (errors.size() - 1)) : 0;
        return new TakeReport.Steadiness(beat, mean, spread, errors);
    }

    private double drift(List<Asked> asked, Alignment alignment) {
        int third = asked.size() / 3;
        if (third < 3) {
            return 0;
        }
        double first = Line.through(asked, alignment, 0, third).pace();
        double last = Line.through(asked, alignment, asked.size() - third, asked.size())
                .pace();
        return 100 * (first / last - 1);
    }

    /**
     * An even beat: the line through onsets, by least squares.
     *
     * @param zero seconds at tick 0
     * @param pace seconds a tick
     */
    private record Line(double zero, double pace) {
        static Line through(List<Asked> asked, Alignment alignment) {
            return through(asked, alignment, 0, asked.size());
        }

        static Line through(List<Asked> asked, Alignment alignment, int first, int end) {
            double n = 0;
            double x = 0;
            double y = 0;
            double xx = 0;
            double xy = 0;
            double origin = asked.get(first).tick();
            for (int i = first; i < end; i++) {
                if (!Double.isNaN(alignment.found(i))) {
                    double tick = asked.get(i).tick() - origin;
                    n++;
                    x += tick;
                    y += alignment.found(i);
                    xx += tick * tick;
                    xy += tick * alignment.found(i);
                }
            }
            double spread = n * xx - x * x;
            double pace = spread == 0 ? 1.0 / Ticks.QUARTER : (n * xy - x * y) / spread;
            double at = n == 0 ? 0 : (y - pace * x) / n;
            return new Line(at - pace * origin, pace);
        }

        double at(int tick) {
            return zero + pace * tick;
        }
    }
}
