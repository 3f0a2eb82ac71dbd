package phalanx.desktop.arrange;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import phalanx.arrange.score.Comeback;
import phalanx.arrange.score.Folding;
import phalanx.formats.page.Staff;
import phalanx.song.Bar;
import phalanx.song.Song;
import phalanx.song.Ticks;

/**
 * Where everything stands in the score: bars broken into lines of one time scale, each line with a neck lane over a string
 * lane over a digit lane. Pixels from the top left of the whole score. Or one running line, of as many bars as there is
 * room for.
 */
final class ScoreLayout {
    static final double LEFT = 44;
    static final double RIGHT = 10;
    /** How far before the bars the names of strings and digits stand. */
    private static final double LABEL = 18;
    /** Height of the neck lane. */
    static final double NECK = 104;

    static final double STRING_GAP = 22;
    static final double DIGIT_GAP = 18;
    static final double HEADING = 44;
    /** What a sung tune takes above the lanes. */
    static final double SUNG = 24;

    /** Between two lines of the staff. */
    static final double STAFF_SPACE = 7;

    static final double LANE_PAD = 14;
    static final double LANE_GAP = 8;
    static final double COUNT = 22;
    /** What words under the count take. */
    static final double WORDS = 20;

    static final double LINE_GAP = 10;
    /** Room before the first note of a bar, so that its tile clears the bar line. */
    static final double BAR_PAD = 14;

    /** What brackets over endings take above the lanes. */
    static final double ENDING = 18;

    /** A line that says what is not shown again. */
    static final double FOLD = 30;

    private static final double LEAST_QUARTER = 42;
    private static final double WIDEST_QUARTER = 84;

    /**
     * A line of bars.
     *
     * @param bars from left to right
     * @param top of the line
     * @param tickWidth pixels of a tick
     * @param again what comes after them that they or earlier ones stand for, said below them
     */
    record Line(List<Bar> bars, double top, double tickWidth, List<Comeback> again) {
        Line {
            bars = List.copyOf(bars);
            again = List.copyOf(again);
        }

        int startTick() {
            return bars.get(0).startTick();
        }

        int endTick() {
            return bars.get(bars.size() - 1).endTick();
        }
    }

    private final List<Line> lines = new ArrayList<>();
    private final int strings;
    private final int digits;
    private final double heading;
    private final double words;
    private final double left;
    private final double staff;
    private final Folding folding;

    /** One without a staff. */
    ScoreLayout(Song song, int strings, int digits, boolean sung, double width) {
        this(song, strings, digits, sung, Optional.empty(), width, OptionalInt.empty(), Folding.none(song));
    }

    /**
     * @param sung whether a tune that is sung stands above the lanes; else its words stand below the count
     * @param notation that stands on a staff above the lanes, if it is shown
     * @param running the place of the bar with which a running line begins
     * @param folding which bars are not shown again; a running line shows all
     */
    ScoreLayout(
            Song song,
            int strings,
            int digits,
            boolean sung,
            Optional<Staff> notation,
            double width,
            OptionalInt running,
            Folding folding) {
        this.folding = running.isPresent() ? Folding.none(song) : folding;
        this.staff = notation.map(Staff::height).orElse(0.0) * STAFF_SPACE;
        this.left = LEFT
                + notation.map(shown -> (shown.before() + Staff.METER) * STAFF_SPACE)
                        .orElse(0.0);
        this.heading = HEADING + (sung ? SUNG : 0) + (this.folding.hasEndings() ? ENDING : 0);
        this.words =
                !sung && song.melody().stream().anyMatch(note -> note.syllable().isPresent()) ? WORDS : 0;
        this.strings = strings;
        this.digits = digits;
        double room = Math.max(200, width - left - RIGHT);
        List<List<Bar>> rows = running.isPresent()
                ? rows(song.bars().subList(running.getAsInt(), song.bars().size()), room)
                        .subList(0, 1)
                : rows(
                        song.bars().stream()
                                .filter(bar -> !folding.hidesTick(bar.startTick()))
                                .toList(),
                        room);
        double top = 0;
        for (List<Bar> row : rows) {
            List<Comeback> again = this.folding.after(row.get(row.size() - 1));
            lines.add(new Line(row, top, scale(row, room) / Ticks.QUARTER, again));
            top = bottom(lines.get(lines.size() - 1));
        }
    }

    private static List<List<Bar>> rows(List<Bar> bars, double room) {
        List<List<Bar>> rows = new ArrayList<>();
        List<Bar> open = new ArrayList<>();
        double used = 0;
        for (Bar bar : bars) {
            double least = quarters(bar) * LEAST_QUARTER + BAR_PAD;
            boolean goesOn = !open.isEmpty() && open.get(open.size() - 1).endTick() == bar.startTick();
            if (!open.isEmpty() && (used + least > room || !goesOn)) {
                rows.add(open);
                open = new ArrayList<>();
                used = 0;
            }
            open.add(bar);
            used += least;
        }
        rows.add(open);
        return rows;
    }

    private static double quarters(Bar bar) {
        return bar.lengthTicks() / (double) Ticks.QUARTER;
    }

    /** Pixels of a quarter note: so that the line fills the room, but no wider than reads well. */
    private static double scale(List<Bar> row, double room) {
        double total = row.stream().mapToDouble(ScoreLayout::quarters).sum();
        return Math.min(WIDEST_QUARTER, (room - row.size() * BAR_PAD) / total);
    }

    List<Line> lines() {
        return lines;
    }

    double height() {
        return bottom(lines.get(lines.size() - 1));
    }

    /** Where a line ends, with what is said below it. */
    double bottom(Line line) {
        return line.top() + lineHeight() + line.again().size() * FOLD;
    }

    int strings() {
        return strings;
    }

    Folding folding() {
        return folding;
    }

    /** Of a line without what is said below it. */
    double lineHeight() {
        return heading + staff + NECK + LANE_GAP + stringLane() + LANE_GAP + digitLane() + COUNT + words + LINE_GAP;
    }

    double stringLane() {
        return (strings - 1) * STRING_GAP + 2 * LANE_PAD;
    }

    double digitLane() {
        return (digits - 1) * DIGIT_GAP + 2 * LANE_PAD - 8;
    }

    /** The line that has a tick, or the bar that is like its. */
    Line lineAt(int tick) {
        Line found = lines.get(0);
        int shown = folding.shown(tick);
        for (Line line : lines) {
            if (line.startTick() <= shown) {
                found = line;
            }
        }
        return found;
    }

    /** Where a bar's line stands. */
    double barX(Line line, Bar bar) {
        int before = line.bars().indexOf(bar);
        return left + (bar.startTick() - line.startTick()) * line.tickWidth() + before * BAR_PAD;
    }

    double lineEndX(Line line) {
        return left
                + (line.endTick() - line.startTick()) * line.tickWidth()
                + line.bars().size() * BAR_PAD;
    }

    /** Where a tick of the line stands; ticks past its end stand at the end. */
    double x(Line line, int tick) {
        if (tick >= line.endTick()) {
            return lineEndX(line);
        }
        int index = 0;
        while (index + 1 < line.bars().size() && line.bars().get(index + 1).startTick() <= tick) {
            index++;
        }
        return left + (tick - line.startTick()) * line.tickWidth() + (index + 1) * BAR_PAD;
    }

    /** The tick at a place in the score. */
    int tickAt(double x, double y) {
        Line line = lines.get(0);
        for (Line next : lines) {
            line = next.top() <= y ? next : line;
        }
        Bar bar = line.bars().get(0);
        for (Bar next : line.bars()) {
            if (barX(line, next) <= x) {
                bar = next;
            }
        }
        double inBar = (x - barX(line, bar) - BAR_PAD) / line.tickWidth();
        return bar.startTick() + (int) Math.max(0, Math.min(bar.lengthTicks() - 1.0, inBar));
    }

    double stringY(Line line, int string) {
        return stringLaneY(line) + LANE_PAD + (string - 1) * STRING_GAP;
    }

    double neckLaneY(Line line) {
        return lanesY(line) + staff;
    }

    /** Where the lanes begin, a staff among them. */
    double lanesY(Line line) {
        return line.top() + heading;
    }

    /** Where a bar ends, before what stands before the next. */
    double barEndX(Line line, Bar bar) {
        return bar.endTick() >= line.endTick() ? lineEndX(line) : x(line, bar.endTick()) - BAR_PAD;
    }

    /** Where bars begin. */
    double left() {
        return left;
    }

    /** The middle of what stands before a lane. */
    double labelX() {
        return left - LABEL;
    }

    double stringLaneY(Line line) {
        return neckLaneY(line) + NECK + LANE_GAP;
    }

    double digitLaneY(Line line) {
        return stringLaneY(line) + stringLane() + LANE_GAP;
    }

    /** Row 0 is the highest. */
    double digitY(Line line, int row) {
        return digitLaneY(line) + LANE_PAD - 4 + row * DIGIT_GAP;
    }

    boolean hasWords() {
        return words > 0;
    }

    double wordsY(Line line) {
        return countY(line) + WORDS - 4;
    }

    double countY(Line line) {
        return digitLaneY(line) + digitLane() + 16;
    }
}
