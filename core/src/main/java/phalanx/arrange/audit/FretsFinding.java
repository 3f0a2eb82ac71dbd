package phalanx.arrange.audit;

import static phalanx.words.Words.wording;

import phalanx.arrange.score.Finding;
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
                ? wording("FretsFinding.are-beyond-the-hand-or")
                : wording("FretsFinding.are-for-strings-the-guitar", given, strings);
        String rest = change.chord().isPresent()
                ? wording("FretsFinding.it-is-played-as-the")
                : wording("FretsFinding.only-bass-and-tune-can");
        return Finding.lockLeft(song, change.startTick(), wording("FretsFinding.the-chart-s-frets", frets, why, rest));
    }
}
