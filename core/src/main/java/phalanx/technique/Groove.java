package phalanx.technique;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import phalanx.song.Bar;
import phalanx.song.Meter;
import phalanx.words.Words;

/**
 * Hits laid over every bar of a meter, and others over the last bar of a section. As text it is one line: name, meter,
 * steps a felt beat, then a sign for each step of the bar, a full stop where there is none; bars of steps may stand in
 * groups. A part after {@code fill} is for last bars:
 *
 * <pre>backbeat | 4/4 | 2 | ..s. ..s. | fill ..s. s.nn</pre>
 *
 * @param name as shown
 * @param meter of its bars
 * @param grid steps a felt beat, 1 to 4
 * @param steps the hits of a bar by step
 * @param fill the hits of a section's last bar by step; none where that is as any other
 */
public record Groove(
        String name, Meter meter, int grid, TreeMap<Integer, HitKind> steps, Optional<TreeMap<Integer, HitKind>> fill) {
    private static final int FINEST = 4;
    private static final int LONGEST_NAME = 60;
    private static final String FILL = "fill ";

    public Groove {
        Objects.requireNonNull(meter, "meter");
        if (name.isBlank() || name.length() > LONGEST_NAME || name.contains("|")) {
            throw new IllegalArgumentException(wording("Groove.a-groove-needs-a-name", LONGEST_NAME));
        }
        if (grid < 1 || grid > FINEST || meter.beatTicks() % grid != 0) {
            throw new IllegalArgumentException(wording("Groove.a-groove-has-1-to", FINEST, grid));
        }
        steps = new TreeMap<>(steps);
        fill = fill.map(TreeMap::new);
    }

    /** The signs, step by step, beats apart. */
    private static String signs(TreeMap<Integer, HitKind> hits, Meter meter, int grid) {
        StringBuilder text = new StringBuilder();
        for (int step = 0; step < stepsOf(meter, grid); step++) {
            text.append(step > 0 && step % grid == 0 ? " " : "")
                    .append(hits.containsKey(step) ? hits.get(step).letter() : '.');
        }
        return text.toString();
    }

    private static int stepsOf(Meter meter, int grid) {
        return meter.barTicks() / (meter.beatTicks() / grid);
    }

    /** What it is called in the player's language; files name it by its name. */
    public String label() {
        return Words.shipped(name);
    }

    /** The signs of a plain bar, beats apart. */
    public String signs() {
        return signs(steps, meter, grid);
    }

    /** The text form. */
    public String text() {
        return name + " | " + meter + " | " + grid + " | " + signs()
                + fill.map(hits -> " | " + FILL + signs(hits, meter, grid)).orElse("");
    }

    /**
     * Reads the text form.
     *
     * @throws IllegalArgumentException saying what is wrong
     */
    public static Groove parse(String line) {
        String[] parts = line.split("\\|");
        if (parts.length < 4 || parts.length > 5) {
            throw new IllegalArgumentException(wording("Groove.a-groove-has-a-name", line.trim()));
        }
        String[] meter = parts[1].trim().split("/");
        try {
            Meter own = new Meter(Integer.parseInt(meter[0]), Integer.parseInt(meter[meter.length - 1]));
            int grid = Integer.parseInt(parts[2].trim());
            Optional<TreeMap<Integer, HitKind>> fill = Optional.empty();
            if (parts.length == 5) {
                String signs = parts[4].trim();
                if (!signs.startsWith(FILL)) {
                    throw new IllegalArgumentException(wording("Groove.the-last-part-of-a"));
                }
                fill = Optional.of(hits(signs.substring(FILL.length()), own, grid));
            }
            return new Groove(parts[0].trim(), own, grid, hits(parts[3], own, grid), fill);
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException(wording("Groove.and-are-not-a-meter", parts[1].trim(), parts[2].trim()));
        }
    }

    private static TreeMap<Integer, HitKind> hits(String signs, Meter meter, int grid) {
        String closed = signs.replaceAll("\\s", "").toLowerCase(Locale.ROOT);
        int wanted = stepsOf(meter, Math.max(1, grid));
        if (closed.length() != wanted) {
            throw new IllegalArgumentException(
                    wording("Groove.a-bar-of-with-steps", meter, grid, wanted, closed.length()));
        }
        TreeMap<Integer, HitKind> hits = new TreeMap<>();
        for (int step = 0; step < wanted; step++) {
            char sign = closed.charAt(step);
            if (sign != '.') {
                hits.put(
                        step,
                        HitKind.byLetter(sign)
                                .orElseThrow(() -> new IllegalArgumentException(wording("Groove.is-no-hit", sign))));
            }
        }
        return hits;
    }

    /** Whether it can be laid over a bar. */
    public boolean fits(Bar bar) {
        return bar.meter().equals(meter);
    }

    /**
     * The hits of a bar that it fits.
     *
     * @param last whether the bar is the last of its section
     */
    public List<Hit> over(Bar bar, boolean last) {
        List<Hit> hits = new ArrayList<>();
        int missing = bar.offsetOf(bar.startTick());
        (last ? fill.orElse(steps) : steps).forEach((step, kind) -> {
            int tick = bar.startTick() + step * (meter.beatTicks() / grid) - missing;
            if (bar.contains(tick)) {
                hits.add(new Hit(tick, kind));
            }
        });
        return hits;
    }
}
