package phalanx.arrange.audit;

import static phalanx.words.Words.wording;

import phalanx.arrange.demand.MelodyFit;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.FindingKind;
import phalanx.song.Bar;
import phalanx.song.MelodyNote;
import phalanx.song.Song;

/** Says why a tune was moved and by how much. */
public final class MoveFinding {
    private final MelodyFit fit;

    public MoveFinding(MelodyFit fit) {
        this.fit = fit;
    }

    public Finding of(Song asked, Song moved, int semitones) {
        MelodyNote note = fit.misfits(asked, 0).get(0);
        Bar bar = asked.barAt(note.tick());
        boolean high = note.midi() > fit.highestMidi();
        int limit = high ? fit.highestMidi() : fit.lowestMidi();
        String why = high
                ? wording("MoveFinding.is-above-the-highest-fret", note.pitch())
                : wording("MoveFinding.leaves-no-room-for-the", note.pitch());
        String how = semitones % 12 == 0
                ? wording("MoveFinding.moved", direction(semitones), octaves(semitones))
                : wording(
                        "MoveFinding.moved-semitones-to-the-nearest",
                        direction(semitones),
                        Math.abs(semitones),
                        moved.key());
        String message = wording("MoveFinding.bar-the-tune-was-with", bar.number(), why, how);
        return new Finding(
                note.tick(),
                bar.number(),
                bar.beatOf(note.tick()),
                FindingKind.OUT_OF_RANGE,
                Finding.Severity.LOW,
                note.midi(),
                limit,
                wording("MoveFinding.midi-number"),
                message);
    }

    private static String direction(int semitones) {
        return semitones > 0 ? wording("MoveFinding.up") : wording("MoveFinding.down");
    }

    private static String octaves(int semitones) {
        int octaves = Math.abs(semitones) / 12;
        return octaves == 1 ? wording("MoveFinding.an-octave") : wording("MoveFinding.octaves", octaves);
    }
}
