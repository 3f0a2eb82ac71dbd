package phalanx.arrange.audit;

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
                ? note.pitch() + " is above the highest fret"
                : note.pitch() + " leaves no room for the bass below it";
        String how = semitones % 12 == 0
                ? "moved " + direction(semitones) + octaves(semitones)
                : "moved " + direction(semitones) + Math.abs(semitones) + " semitones to " + moved.key()
                        + ", the nearest key that fits";
        String message = "Bar " + bar.number() + ": " + why + ". The tune was " + how
                + "; with another tuning or capo it may fit as written.";
        return new Finding(
                note.tick(),
                bar.number(),
                bar.beatOf(note.tick()),
                FindingKind.OUT_OF_RANGE,
                Finding.Severity.LOW,
                note.midi(),
                limit,
                "MIDI number",
                message);
    }

    private static String direction(int semitones) {
        return semitones > 0 ? "up " : "down ";
    }

    private static String octaves(int semitones) {
        int octaves = Math.abs(semitones) / 12;
        return octaves == 1 ? "an octave" : octaves + " octaves";
    }
}
