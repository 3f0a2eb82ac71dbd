package phalanx.arrange;

import java.util.Arrays;
import java.util.List;

/** The best few of many drafts, in order; of equal ones the earlier stays first. */
final class Shortlist {
    private final Draft[] drafts;
    private final double[] ranks;
    private int size;

    Shortlist(int most) {
        this.drafts = new Draft[most];
        this.ranks = new double[most];
    }

    /** Whether a draft of this rank would not be kept. */
    boolean isBeyond(double rank) {
        return size == drafts.length && rank >= ranks[size - 1];
    }

    void add(Draft draft) {
        double rank = draft.rank();
        if (isBeyond(rank)) {
            return;
        }
        int at = size == drafts.length ? size - 1 : size++;
        while (at > 0 && ranks[at - 1] > rank) {
            drafts[at] = drafts[at - 1];
            ranks[at] = ranks[at - 1];
            at--;
        }
        drafts[at] = draft;
        ranks[at] = rank;
    }

    boolean hasPlayable() {
        return size > 0 && Draft.playable(ranks[0]);
    }

    List<Draft> best() {
        return Arrays.asList(drafts).subList(0, size);
    }
}
