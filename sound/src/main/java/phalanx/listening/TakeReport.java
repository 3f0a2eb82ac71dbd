package phalanx.listening;

import java.util.List;
import java.util.Optional;
import phalanx.arrange.score.ArrangedNote;

/**
 * What was heard in a take.
 *
 * @param strokes that were asked for, notes that begin together counting once
 * @param heard how many of them were found
 * @param tempo that was held, quarter notes a minute
 * @param drift by how much it was faster in the last third than in the first, percent
 * @param thumb how steady the thumb was, by beat of the bar, in order; beats without thumb are left out
 * @param all of the thumb together
 * @param wrong notes that sounded otherwise
 * @param missing notes that did not sound
 * @param extra onsets that belong to no stroke
 * @param clipped whether the take was recorded too loud
 */
public record TakeReport(
        int strokes,
        int heard,
        double tempo,
        double drift,
        List<Steadiness> thumb,
        Optional<Steadiness> all,
        List<Wrong> wrong,
        List<ArrangedNote> missing,
        int extra,
        boolean clipped) {
    /**
     * How a stroke sat on its beat.
     *
     * @param beat of the bar, from 1; with a half for what is plucked between
     * @param ms late on the average, early below nought
     * @param spread standard deviation in ms
     * @param errors of each stroke, in ms
     */
    public record Steadiness(double beat, double ms, double spread, List<Double> errors) {
        public Steadiness {
            errors = List.copyOf(errors);
        }
    }

    /**
     * A note that sounded otherwise.
     *
     * @param note as it was asked for
     * @param midi what was heard instead
     */
    public record Wrong(ArrangedNote note, int midi) {}

    public TakeReport {
        thumb = List.copyOf(thumb);
        wrong = List.copyOf(wrong);
        missing = List.copyOf(missing);
    }
}
