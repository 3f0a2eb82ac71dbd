package phalanx.song;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/** The order in which written bars are played: repeats, endings, da capo, dal segno, coda and fine. */
public final class PlayingOrder {
    private final List<BarMarks> bars;
    private final List<Integer> order = new ArrayList<>();
    private int at;
    private int from;
    private int round = 1;
    private boolean jumped;
    private boolean inCoda;

    private PlayingOrder(List<BarMarks> bars) {
        this.bars = List.copyOf(bars);
    }

    /**
     * The indices of the bars as they are played.
     *
     * @throws IllegalArgumentException if that would be more than 2,000 bars, none, or a jump goes nowhere
     */
    public static List<Integer> of(List<BarMarks> bars) {
        return new PlayingOrder(bars).play();
    }

    private List<Integer> play() {
        while (at < bars.size()) {
            BarMarks bar = bars.get(at);
            if (bar.repeatStart() && from != at) {
                from = at;
                round = 1;
            }
            if (!bar.endings().isEmpty() && !bar.endings().contains(round())) {
                at++;
                beginAnewAfterEndings(true);
                continue;
            }
            order.add(at);
            if (order.size() > Song.MOST_BARS) {
                throw new IllegalArgumentException(wording("PlayingOrder.with-its-repeats-the-song", Song.MOST_BARS));
            }
            if (jumped && bar.has(BarMarks.Sign.FINE)) {
                break;
            }
            next(bar);
        }
        if (order.isEmpty()) {
            throw new IllegalArgumentException(wording("PlayingOrder.no-bar-is-ever-played"));
        }
        return List.copyOf(order);
    }

    /** After a jump only the last of the endings is played. */
    private int round() {
        if (!jumped) {
            return round;
        }
        int last = 0;
        for (int bar = at; bar < bars.size() && !bars.get(bar).endings().isEmpty(); bar++) {
            last = Math.max(last, greatest(bars.get(bar).endings()));
        }
        return last;
    }

    private static int greatest(Set<Integer> endings) {
        return endings.stream().max(Integer::compare).orElse(0);
    }

    private void next(BarMarks bar) {
        if (jumped && !inCoda && bar.has(BarMarks.Sign.TO_CODA)) {
            at = find(BarMarks.Sign.CODA);
            inCoda = true;
        } else if (!jumped && bar.timesToEnd() > 0 && again(bar)) {
            at = from;
            round++;
        } else if (!jumped && bar.jump().isPresent()) {
            jumped = true;
            at = bar.jump().get() == BarMarks.Jump.DA_CAPO ? 0 : find(BarMarks.Sign.SEGNO);
        } else {
            at++;
            beginAnewAfterEndings(bar.timesToEnd() > 0 || !bar.endings().isEmpty());
        }
    }

    private void beginAnewAfterEndings(boolean left) {
        if (left && !isEnding(at)) {
            from = at;
            round = 1;
        }
    }

    private boolean isEnding(int bar) {
        return bar >= 0 && bar < bars.size() && !bars.get(bar).endings().isEmpty();
    }

    private boolean again(BarMarks bar) {
        if (bar.endings().isEmpty()) {
            return round < bar.timesToEnd();
        }
        int first = at;
        while (isEnding(first - 1)) {
            first--;
        }
        int last = 0;
        for (int index = first; isEnding(index); index++) {
            last = Math.max(last, greatest(bars.get(index).endings()));
        }
        return round < last;
    }

    private int find(BarMarks.Sign sign) {
        for (int bar = 0; bar < bars.size(); bar++) {
            if (bars.get(bar).has(sign)) {
                return bar;
            }
        }
        throw new IllegalArgumentException(
                wording("PlayingOrder.a-jump-goes-to-a", sign.name().toLowerCase(Locale.ROOT)));
    }
}
