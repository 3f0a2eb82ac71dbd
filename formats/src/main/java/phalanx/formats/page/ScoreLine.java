package phalanx.formats.page;

import static phalanx.words.Words.wording;

import java.util.List;
import phalanx.song.Bar;

/**
 * Bars that stand side by side, spread over their line.
 *
 * @param bars in order
 * @param begin the left end of its strings, in points
 * @param left where the first bar begins: behind clef and signature, where there is a staff
 * @param space between two strings, in points; smaller than usual where a bar alone is wider than the line
 * @param ease by which all are widened
 * @param stretch by which all that is stretched further
 */
record ScoreLine(List<BarColumns> bars, double begin, double left, double space, double ease, double stretch) {
    private static final double SHORT = 0.75;

    /**
     * Spreads bars.
     *
     * @param begin the left end of its strings, in points
     * @param before what stands before the first bar, in spaces
     * @param end the line's right end, in points
     * @param last whether no line follows that it should be as long as
     */
    static ScoreLine of(List<BarColumns> bars, double begin, double before, double end, double space, boolean last) {
        double least = bars.stream().mapToDouble(BarColumns::leastWidth).sum();
        double natural = bars.stream().mapToDouble(BarColumns::naturalWidth).sum();
        double room = (end - begin) / space - before;
        if (least > room) {
            double smaller = (end - begin) / (least + before);
            return new ScoreLine(bars, begin, begin + before * smaller, smaller, 0, 1);
        }
        double left = begin + before * space;
        if (natural > room) {
            double ease = natural > least ? (room - least) / (natural - least) : 1;
            return new ScoreLine(bars, begin, left, space, ease, 1);
        }
        boolean shortened = last && natural < SHORT * room;
        return new ScoreLine(bars, begin, left, space, 1, shortened ? 1 : room / natural);
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
        throw new IllegalArgumentException(wording("ScoreLine.the-bar-is-not-of"));
    }

    /** Where a bar of the song ends, and the next one or the line with it. */
    double barEnd(Bar of) {
        BarColumns bar = columns(of);
        return barX(bar) + width(bar);
    }

    BarColumns columns(Bar of) {
        return bars.stream().filter(bar -> bar.bar().equals(of)).findFirst().orElseThrow();
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
