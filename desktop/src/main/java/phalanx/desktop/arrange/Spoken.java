package phalanx.desktop.arrange;

import static phalanx.words.Words.wording;

import java.util.Comparator;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.song.Bar;
import phalanx.song.Song;
import phalanx.technique.Attack;
import phalanx.technique.Hit;
import phalanx.theory.Pitch;
import phalanx.words.Words;

/** A moment of the score in words, for who hears the screen and does not see it. */
final class Spoken {
    private Spoken() {}

    /**
     * What happens at a moment: place, chord, then each note from the top with its string, fret, finger and digit, hits and
     * findings.
     */
    static String moment(Arrangement arrangement, int tick) {
        Song song = arrangement.song();
        String place = place(song.barAt(tick), tick);
        Stream<String> chord =
                song.chordAt(tick).filter(now -> changes(song, tick)).map(now -> wording("Spoken.chord", now)).stream();
        List<ArrangedNote> struck =
                arrangement.notes().stream().filter(note -> note.tick() == tick).toList();
        // from the top, as the eye goes
        Stream<String> notes = struck.stream()
                .sorted(Comparator.comparingInt(ArrangedNote::string))
                .map(note -> note(song, note));
        Stream<String> hits = arrangement.hits().stream()
                .filter(hit -> hit.tick() == tick)
                .map(Hit::kind)
                .map(kind -> wording("Spoken.hit", kind.label()));
        Stream<String> findings = arrangement.findings().stream()
                .filter(finding -> finding.tick() == tick)
                .map(Finding::message)
                .map(message -> wording("Spoken.finding", message));
        return Stream.of(Stream.of(place), chord, notes, hits, findings)
                .flatMap(words -> words)
                .collect(Collectors.joining(". ", "", "."));
    }

    /** Where a moment is, such as bar 3, beat 2.5. */
    static String place(Bar bar, int tick) {
        return wording("Spoken.bar-beat", bar.number(), Words.figure(bar.beatOf(tick)));
    }

    private static boolean changes(Song song, int tick) {
        return song.chart().stream().anyMatch(change -> change.startTick() == tick);
    }

    private static String note(Song song, ArrangedNote note) {
        String fret = note.fret() == 0 ? wording("Spoken.open") : wording("Spoken.fret", note.fret());
        String finger =
                note.left().map(left -> wording("Spoken.finger", left.symbol())).orElse("");
        String how = note.attack() instanceof Attack.Slur slur
                ? wording("Spoken.from-the-note-before", slur.label())
                : note.attack() instanceof Attack.Graced graced
                        ? wording(
                                "Spoken.after-frets",
                                graced.label(),
                                graced.figures(note.fret()),
                                note.right().symbol())
                        : wording(
                                "Spoken.by", note.attack().label(), note.right().symbol());
        return String.format(
                Words.figures(),
                wording("Spoken.string"),
                note.role().label(),
                Pitch.of(note.midi(), song.key()).spoken(),
                note.string(),
                fret,
                finger,
                how);
    }
}
