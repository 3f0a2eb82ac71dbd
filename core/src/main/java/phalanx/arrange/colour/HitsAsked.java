package phalanx.arrange.colour;

import java.util.List;
import phalanx.technique.Hit;

/**
 * Hits that come with the notes, before grooves add theirs.
 *
 * @param hits in order of tick
 * @param written whether they stand on paper beside these very notes: there they may stop the tune
 */
public record HitsAsked(List<Hit> hits, boolean written) {
    public HitsAsked {
        hits = List.copyOf(hits);
    }

    /** Those of patterns. */
    public static HitsAsked ofPatterns(List<Hit> hits) {
        return new HitsAsked(hits, false);
    }
}
