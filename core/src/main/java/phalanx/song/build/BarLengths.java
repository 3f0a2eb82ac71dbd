package phalanx.song.build;

import static phalanx.words.Words.wording;

import java.util.List;
import java.util.function.BiConsumer;
import phalanx.song.Ticks;
import phalanx.words.Words;

/**
 * How long written bars are. A bar that is fuller than its meter is as long as it is, and divided where it holds more
 * than two; a shorter one is as long as it is at the beginning and the end, at signs of repeats and jumps, at double bar
 * lines and changes of meter, where it says so, and where it and its neighbour make a whole one. Other short bars get a
 * rest at their end.
 */
final class BarLengths {
    private final List<BarDraft> bars;
    private final BiConsumer<String, String> say;

    /** @param say takes a place and what was done there */
    BarLengths(List<BarDraft> bars, BiConsumer<String, String> say) {
        this.bars = bars;
        this.say = say;
    }

    int[] find() {
        int[] lengths = new int[bars.size()];
        for (int i = 0; i < lengths.length; i++) {
            lengths[i] = length(i);
        }
        return lengths;
    }

    private int length(int index) {
        BarDraft bar = bars.get(index);
        int nominal = bar.meter.barTicks();
        if (bar.content > 2 * nominal) {
            say.accept(
                    bar.place, wording("BarLengths.it-holds-quarter-notes-without", quarters(bar.content), bar.meter));
            return bar.content;
        }
        if (bar.content > nominal) {
            say.accept(
                    bar.place,
                    wording(
                            "BarLengths.it-holds-quarter-notes-its",
                            quarters(bar.content),
                            bar.meter,
                            quarters(nominal)));
            return bar.content;
        }
        if (!bar.isShort() || mayBeShort(index)) {
            return bar.content == 0 ? nominal : bar.content;
        }
        say.accept(
                bar.place, wording("BarLengths.it-holds-of-quarter-notes", quarters(bar.content), quarters(nominal)));
        return nominal;
    }

    private boolean mayBeShort(int index) {
        BarDraft bar = bars.get(index);
        boolean first = index == 0;
        boolean last = index + 1 == bars.size();
        return bar.free
                || first
                || last
                || bar.opens()
                || bar.closes()
                || bars.get(index - 1).closes()
                || !bars.get(index - 1).meter.equals(bar.meter)
                || bars.get(index + 1).opens()
                || !bars.get(index + 1).marks.endings().equals(bar.marks.endings())
                || makeOne(bars.get(index - 1), bar)
                || makeOne(bar, bars.get(index + 1));
    }

    private static boolean makeOne(BarDraft one, BarDraft other) {
        return one.isShort() && other.isShort() && one.content + other.content == other.meter.barTicks();
    }

    static String quarters(int ticks) {
        return Words.figure(ticks / (double) Ticks.QUARTER);
    }
}
