package phalanx.arrange.audit;

import phalanx.arrange.score.Finding;
import phalanx.arrange.score.FindingKind;
import phalanx.song.ChordChange;
import phalanx.song.ChordFrets;
import phalanx.song.Song;

/** Says that a chart gives frets for a chord that no hand can hold on this guitar. */
public final class FretsFinding {
    private FretsFinding() {}

    /**
     * The finding.
     *
     * @param change one with frets
     * @param strings of the guitar
     */
    public static Finding of(Song song, ChordChange change, int strings) {
        ChordFrets frets = change.frets().orElseThrow();
        int given = frets.frets().size();
        String why = given == strings
                ? " are beyond the hand or the neck. "
                : " are for " + given + " strings, the guitar has " + strings + ". ";
        String rest = change.chord().isPresent()
                ? "It is played as the engine finds best."
                : "Only bass and tune can be played there; give the chord a name.";
        return Finding.at(
                song,
                change.startTick(),
                FindingKind.LOCK_NOT_KEPT,
                Finding.Severity.MEDIUM,
                1,
                0,
                "locks left",
                "the chart's frets " + frets + why + rest);
    }
}
