package phalanx.formats.page;

import java.util.List;

/**
 * Bars that stand side by side, spread over their line.
 *
 * @param bars in order
 * @param left the staff's left end, in points
 * @param space between two strings, in points; smaller than usual where a bar alone is wider than the line
 * @param ease by which all are widened
 * @param stretch by which all that is stretched further
 */
record ScoreLine(List<BarColumns> bars, double left, double space, double ease, double stretch) {
    private static final double SHORT = 0.75;

    /**
     * Spreads bars.
     *
     * @param width of the line, in points
     * @param last whether no line follows that it should be as long as
     */
    static ScoreLine of(List<BarColumns> bars, double left, double width, double space, boolean last) {
        double least = bars.stream().mapToDouble(BarColumns::leastWidth).sum();
        double natural = bars.stream().mapToDouble(BarColumns::naturalWidth).sum();
        double room = width / space;
        if (least > room) {
            return new ScoreLine(bars, left, width / least, 0, 1);
        }
        if (natural > room) {
            double ease = natural > least ? (room - least) / (natural - least) : 1;
            return new ScoreLine(bars, left, space, ease, 1);
        }
        boolean shortened = last && natural < SHORT * room;
        return new ScoreLine(bars, left, space, 1, shortened ? 1 : room / natural);
    }

    int startTick() {
        return bars.get(0).bar().startTick();
    }

    int endTick() {
        return bars.get(bars.size() - 1).bar().endTick();
    }

    private double width(BarColumns bar) {
        return (bar.leastWidth() + ease * (bar.naturalWidth() - bar.leastWidth())) * stretch * space;
    }

    /** Where a bar begins. */
    double barX(BarColumns bar) {
        double x = left;
        for (BarColumns before : bars) {
            if (before == bar) {
                return x;
            }
            x += width(before);
        }
        throw new IllegalArgumentException("the bar is not of this line");
    }

    double endX() {
        BarColumns end = bars.get(bars.size() - 1);
        return barX(end) + width(end);
    }

    /** Where a moment of the line lies. */
    double x(int tick) {
        for (BarColumns bar : bars) {
            if (bar.bar().contains(tick)) {
                return barX(bar) + bar.x(tick, ease) * stretch * space;
            }
        }
        return tick < startTick() ? left : endX();
    }
}
