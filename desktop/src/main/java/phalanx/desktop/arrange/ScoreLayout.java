package phalanx.desktop.arrange;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
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

    private static final double LEAST_QUARTER = 42;
    private static final double WIDEST_QUARTER = 84;

    /**
     * A line of bars.
     *
     * @param bars from left to right
     * @param top of the line
     * @param tickWidth pixels of a tick
     */
    record Line(List<Bar> bars, double top, double tickWidth) {
        Line {
            bars = List.copyOf(bars);
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

    /** One without a staff. */
    ScoreLayout(Song song, int strings, int digits, boolean sung, double width) {
        this(song, strings, digits, sung, Optional.empty(), width, OptionalInt.empty());
    }

    /**
     * @param sung whether a tune that is sung stands above the lanes; else its words stand below the count
     * @param notation that stands on a staff above the lanes, if it is shown
     * @param running the place of the bar with which a running line begins
     */
    ScoreLayout(
            Song song,
            int strings,
            int digits,
            boolean sung,
            Optional<Staff> notation,
            double width,
            OptionalInt running) {
        this.staff = notation.map(Staff::height).orElse(0.0) * STAFF_SPACE;
        this.left = LEFT
                + notation.map(shown -> (shown.before() + Staff.METER) * STAFF_SPACE)
                        .orElse(0.0);
        this.heading = sung ? HEADING + SUNG : HEADING;
        this.words =
                !sung && song.melody().stream().anyMatch(note -> note.syllable().isPresent()) ? WORDS : 0;
        this.strings = strings;
        this.digits = digits;
        double room = Math.max(200, width - left - RIGHT);
        List<List<Bar>> rows = running.isPresent()
                ? rows(song.bars().subList(running.getAsInt(), song.bars().size()), room)
                        .subList(0, 1)
                : rows(song.bars(), room);
        for (int i = 0; i < rows.size(); i++) {
            lines.add(new Line(rows.get(i), i * lineHeight(), scale(rows.get(i), room) / Ticks.QUARTER));
        }
    }

    private static List<List<Bar>> rows(List<Bar> bars, double room) {
        List<List<Bar>> rows = new ArrayList<>();
        List<Bar> open = new ArrayList<>();
        double used = 0;
        for (Bar bar : bars) {
            double least = quarters(bar) * LEAST_QUARTER + BAR_PAD;
            if (!open.isEmpty() && used + least > room) {
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
        return lines.size() * lineHeight();
    }

    double lineHeight() {
        return heading + staff + NECK + LANE_GAP + stringLane() + LANE_GAP + digitLane() + COUNT + words + LINE_GAP;
    }

    double stringLane() {
        return (strings - 1) * STRING_GAP + 2 * LANE_PAD;
    }

    double digitLane() {
        return (digits - 1) * DIGIT_GAP + 2 * LANE_PAD - 8;
    }

    Line lineAt(int tick) {
        Line found = lines.get(0);
        for (Line line : lines) {
            if (line.startTick() <= tick) {
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
        int index = (int) Math.max(0, Math.min(lines.size() - 1.0, Math.floor(y / lineHeight())));
        Line line = lines.get(index);
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
