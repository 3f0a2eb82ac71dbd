package phalanx.song;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;
import phalanx.theory.Key;
import phalanx.theory.Pitch;

/** Changes the tune of a song, note by note; bars are added at the end where it needs them. */
public final class TuneEdit {
    private TuneEdit() {}

    /** A song that has no chords and no tune yet. */
    public static Song empty(String title, Key key, int tempo, Meter meter, int bars) {
        List<Bar> line = new ArrayList<>();
        for (int i = 0; i < bars; i++) {
            line.add(new Bar(i + 1, i * meter.barTicks(), meter.barTicks(), meter));
        }
        return new Song(title, key, tempo, line, List.of(), List.of(), List.of());
    }

    /** The song with another tune, and as many more bars of its last meter as that needs. */
    public static Song withTune(Song song, List<MelodyNote> tune) {
        return reaching(song, tune).withMelody(tune);
    }

    /** The song with another own bass, and as many more bars of its last meter as that needs. */
    public static Song withBass(Song song, List<MelodyNote> bass) {
        return reaching(song, bass).withBass(bass);
    }

    /** The song with as many more bars as a line needs. */
    private static Song reaching(Song song, List<MelodyNote> line) {
        int end = line.isEmpty() ? 0 : line.get(line.size() - 1).endTick();
        List<Bar> bars = new ArrayList<>(song.bars());
        while (bars.get(bars.size() - 1).endTick() < end) {
            Bar last = bars.get(bars.size() - 1);
            bars.add(new Bar(last.number() + 1, last.endTick(), last.meter().barTicks(), last.meter()));
        }
        return song.withBars(bars);
    }

    /** The song with its own bass in place of the tune, for looking at it and editing it as one. */
    public static Song bassAsTune(Song song) {
        return song.withMelody(song.bass()).withBass(List.of());
    }

    /** The song after an edit that was meant for its own bass, not for its tune. Of two notes at once the upper one goes. */
    public static Song onBass(Song song, UnaryOperator<Song> edit) {
        Song edited = edit.apply(bassAsTune(song));
        List<MelodyNote> bass = edited.melody().stream()
                .map(note -> new MelodyNote(
                        note.tick(), note.lengthTicks(), note.below().orElse(note.pitch())))
                .toList();
        return edited.withMelody(song.melody()).withBass(bass);
    }

    /** The song with a note put in; what it lies over ends where it begins, or goes. Words stay where they are. */
    public static Song put(Song song, MelodyNote note) {
        List<MelodyNote> tune = new ArrayList<>(cleared(song.melody(), note.tick(), note.endTick()));
        MelodyNote sung = note.syllable().isPresent() ? note : note.sung(syllableAt(song, note.tick()));
        int at = 0;
        while (at < tune.size() && tune.get(at).tick() < note.tick()) {
            at++;
        }
        tune.add(at, sung);
        return withTune(song, tune);
    }

    private static Optional<String> syllableAt(Song song, int tick) {
        return song.melodyBetween(tick, tick + 1).stream()
                .flatMap(note -> note.syllable().stream())
                .findFirst();
    }

    /** The song with silence in its tune from a tick to another. */
    public static Song clear(Song song, int from, int to) {
        return withTune(song, cleared(song.melody(), from, to));
    }

    /** A line with silence from a tick to another. */
    static List<MelodyNote> cleared(List<MelodyNote> tune, int from, int to) {
        List<MelodyNote> left = new ArrayList<>();
        for (MelodyNote note : tune) {
            if (note.endTick() <= from || note.tick() >= to) {
                left.add(note);
            } else if (note.tick() < from) {
                left.add(note.lasting(from - note.tick()));
            }
        }
        return left;
    }

    /** The song with the note that ends at a tick held so much longer; the song itself where none does. */
    public static Song lengthen(Song song, int tick, int ticks) {
        return song.melody().stream()
                .filter(note -> note.endTick() == tick)
                .findFirst()
                .map(note -> put(song, note.lasting(note.lengthTicks() + ticks)))
                .orElse(song);
    }

    /** The song with the notes that begin in a stretch moved by semitones. */
    public static Song transpose(Song song, int from, int to, int semitones) {
        List<MelodyNote> tune = song.melody().stream()
                .map(note -> note.tick() < from || note.tick() >= to
                        ? note
                        : note.pitched(Pitch.of(note.midi() + semitones, song.key()))
                                .graced(note.graces().stream()
                                        .map(grace -> Pitch.of(grace.midi() + semitones, song.key()))
                                        .toList()))
                .toList();
        return withTune(song, tune);
    }
}
