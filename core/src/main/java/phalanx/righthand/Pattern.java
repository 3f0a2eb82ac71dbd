package phalanx.righthand;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import phalanx.song.Meter;

/**
 * What the right hand does over a bar or two, in roles, not in strings.
 *
 * @param name as shown
 * @param family the kind it belongs to
 * @param serves where it serves, in a few words
 * @param meter of its bars
 * @param grid steps a felt beat, 1 to 8
 * @param bars how many bars it spans, 1 or 2
 * @param strokes in order of step, then from the top row
 * @param variation strokes in their place, each time that many rounds have gone by; empty where it has none
 */
public record Pattern(
        String name,
        String family,
        String serves,
        Meter meter,
        int grid,
        int bars,
        List<PatternStroke> strokes,
        Optional<Variation> variation) {
    public static final int FINEST_GRID = 8;

    /**
     * The same pattern once otherwise.
     *
     * @param every in how many rounds it comes once, as the last one; 2 to 16
     * @param strokes in place of the plain ones
     */
    public record Variation(int every, List<PatternStroke> strokes) {
        public Variation {
            strokes = ordered(strokes);
            if (every < 2 || every > 16) {
                throw new IllegalArgumentException(wording("Pattern.a-variation-comes-every-2", every));
            }
        }
    }

    public Pattern {
        Objects.requireNonNull(meter, "meter");
        Objects.requireNonNull(variation, "variation");
        if (name.isBlank() || family.isBlank()) {
            throw new IllegalArgumentException(wording("Pattern.a-pattern-needs-a-name"));
        }
        if (grid < 1 || grid > FINEST_GRID || bars < 1 || bars > 2) {
            throw new IllegalArgumentException(wording("Pattern.a-pattern-has-1-to", grid, bars));
        }
        strokes = ordered(strokes);
        int steps = stepsOf(meter, grid) * bars;
        if (meter.beatTicks() % grid != 0 || meter.barTicks() % (meter.beatTicks() / grid) != 0) {
            throw new IllegalArgumentException(wording("Pattern.a-bar-of-has-no", meter, grid));
        }
        Stream.concat(strokes.stream(), variation.stream().flatMap(other -> other.strokes().stream()))
                .filter(stroke -> stroke.step() >= steps)
                .findFirst()
                .ifPresent(stroke -> {
                    throw new IllegalArgumentException(
                            wording("Pattern.step-lies-outside-the-pattern", stroke.step() + 1, steps));
                });
    }

    private static List<PatternStroke> ordered(List<PatternStroke> strokes) {
        List<PatternStroke> ordered = new ArrayList<>(strokes);
        ordered.sort(Comparator.comparingInt(PatternStroke::step).thenComparing(PatternStroke::row));
        return List.copyOf(ordered);
    }

    static int stepsOf(Meter meter, int grid) {
        return meter.barTicks() * grid / meter.beatTicks();
    }

    public int stepTicks() {
        return meter.beatTicks() / grid;
    }

    /** How many strokes the fingers have. */
    public int fingerStrokes() {
        return (int) strokes.stream()
                .filter(stroke -> stroke.row().isInner() || stroke.row() == PatternRow.BRUSH)
                .count();
    }

    /** Steps in one of its bars. */
    public int stepsABar() {
        return stepsOf(meter, grid);
    }

    /** The strokes of a round, counted from 0. */
    public List<PatternStroke> strokes(int round) {
        return variation
                .filter(other -> round % other.every() == other.every() - 1)
                .map(Variation::strokes)
                .orElse(strokes);
    }

    public Pattern withName(String newName) {
        return new Pattern(newName, family, serves, meter, grid, bars, strokes, variation);
    }

    /** Without the strokes of a row at a step, and with another in their place where one is given. */
    public Pattern with(int step, PatternRow row, Optional<PatternStroke> stroke) {
        List<PatternStroke> next = new ArrayList<>(strokes);
        next.removeIf(old -> old.step() == step && old.row() == row);
        stroke.ifPresent(next::add);
        return new Pattern(name, family, serves, meter, grid, bars, next, variation);
    }

    /** The stroke of a row at a step, if any. */
    public Optional<PatternStroke> at(int step, PatternRow row) {
        return strokes.stream()
                .filter(stroke -> stroke.step() == step && stroke.row() == row)
                .findFirst();
    }
}
