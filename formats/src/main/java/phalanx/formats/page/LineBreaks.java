package phalanx.formats.page;

import java.util.ArrayList;
import java.util.List;
import java.util.function.IntPredicate;

/**
 * Breaks bars into lines so that their widths are as even as can be: the sum of the squares of what each line must be
 * stretched or pressed is least (after D. E. Knuth and M. F. Plass, Breaking paragraphs into lines, 1981, without
 * hyphens).
 */
final class LineBreaks {
    /** A last line may be as short as this share of the others without being stretched. */
    private static final double SHORT = 0.75;

    private LineBreaks() {}

    /**
     * The number of bars in each line.
     *
     * @param width of a line
     * @param most bars a line; 0 for any number
     * @param begins whether a line must begin with a bar
     */
    static List<Integer> of(List<BarColumns> bars, double width, int most, IntPredicate begins) {
        int count = bars.size();
        double[] cost = new double[count + 1];
        int[] from = new int[count + 1];
        for (int end = 1; end <= count; end++) {
            cost[end] = Double.POSITIVE_INFINITY;
            double least = 0;
            double natural = 0;
            for (int start = end - 1; start >= 0; start--) {
                least += bars.get(start).leastWidth();
                natural += bars.get(start).naturalWidth();
                boolean alone = start == end - 1;
                if (!alone && (least > width || most > 0 && end - start > most)) {
                    break;
                }
                boolean last = end == count || begins.test(end);
                double price = cost[start] + price(natural / width, last);
                if (price < cost[end]) {
                    cost[end] = price;
                    from[end] = start;
                }
                if (begins.test(start)) {
                    break;
                }
            }
        }
        List<Integer> lines = new ArrayList<>();
        for (int end = count; end > 0; end = from[end]) {
            lines.add(0, end - from[end]);
        }
        return lines;
    }

    /** Pressing is worse than stretching; a line costs a little, so that there are few. */
    private static double price(double share, boolean last) {
        double off = last && share < 1 ? 0.5 * Math.max(0, SHORT - share) : share - 1;
        return (off > 0 ? 4 : 1) * off * off + 0.05;
    }
}
