package phalanx.song;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import phalanx.theory.ChordFunction;
import phalanx.theory.ChordSymbol;
import phalanx.theory.Harmony;
import phalanx.theory.Key;
import phalanx.theory.KeyFinder;
import phalanx.theory.Note;

/**
 * How the harmony of a song is heard.
 *
 * @param key found from chords, tune and signature
 * @param chords the chart's chords and what they do, in order; N.C. has none
 * @param tune the notes of the tune and what they are to their chords
 * @param pedals basses held under changing chords
 */
public record SongHarmony(Key key, List<Placed> chords, List<TuneNote> tune, List<Pedal> pedals) {
    /** So many chords over one bass are a pedal point. */
    private static final int FEWEST_OVER_PEDAL = 3;

    /** From so many semitones on a melodic step is a leap. */
    private static final int SMALLEST_LEAP = 3;

    /** A chord on its place and what it does there. */
    public record Placed(int startTick, ChordSymbol chord, ChordFunction function) {
        public Placed {
            Objects.requireNonNull(chord, "chord");
            Objects.requireNonNull(function, "function");
        }
    }

    /** A bass that stays while chords change over it, from tick to tick. */
    public record Pedal(int startTick, int endTick, Note bass) {
        public Pedal {
            Objects.requireNonNull(bass, "bass");
        }
    }

    public SongHarmony {
        Objects.requireNonNull(key, "key");
        chords = List.copyOf(chords);
        tune = List.copyOf(tune);
        pedals = List.copyOf(pedals);
    }

    /** Reads a song. */
    public static SongHarmony of(Song song) {
        Key key = findKey(song);
        return new SongHarmony(key, placed(song, key), tune(song), pedals(song));
    }

    private static Key findKey(Song song) {
        List<KeyFinder.Weighted> chords = new ArrayList<>();
        for (int i = 0; i < song.chart().size(); i++) {
            double beats = (song.chordEnd(i) - song.chart().get(i).startTick()) / (double) Ticks.QUARTER;
            song.chart().get(i).chord().ifPresent(chord -> chords.add(new KeyFinder.Weighted(chord, beats)));
        }
        double[] tune = new double[12];
        for (MelodyNote note : song.melody()) {
            tune[note.midi() % 12] += note.lengthTicks();
        }
        Key found = new KeyFinder(chords, tune).find(song.key().fifths());
        // spelled as the song is, where that is the same key
        boolean same = found.mode() == song.key().mode()
                && found.tonic().pitchClass() == song.key().tonic().pitchClass();
        return same ? song.key() : found;
    }

    private static List<Placed> placed(Song song, Key key) {
        Harmony harmony = new Harmony(key);
        List<Placed> placed = new ArrayList<>();
        for (int i = 0; i < song.chart().size(); i++) {
            ChordChange change = song.chart().get(i);
            Optional<ChordSymbol> next =
                    i + 1 < song.chart().size() ? song.chart().get(i + 1).chord() : Optional.empty();
            change.chord()
                    .ifPresent(
                            chord -> placed.add(new Placed(change.startTick(), chord, harmony.function(chord, next))));
        }
        return placed;
    }

    private static List<TuneNote> tune(Song song) {
        List<TuneNote> tune = new ArrayList<>();
        List<MelodyNote> notes = song.melody();
        int chord = -1;
        for (int i = 0; i < notes.size(); i++) {
            MelodyNote note = notes.get(i);
            while (chord + 1 < song.chart().size()
                    && song.chart().get(chord + 1).startTick() <= note.tick()) {
                chord++;
            }
            Optional<MelodyNote> before = i > 0 ? Optional.of(notes.get(i - 1)) : Optional.empty();
            Optional<MelodyNote> after = i + 1 < notes.size() ? Optional.of(notes.get(i + 1)) : Optional.empty();
            tune.add(new TuneNote(note, kind(song, chord, note, before, after)));
        }
        return tune;
    }

    private static TuneNote.Kind kind(
            Song song, int chord, MelodyNote note, Optional<MelodyNote> before, Optional<MelodyNote> after) {
        Optional<ChordSymbol> under =
                chord < 0 ? Optional.empty() : song.chart().get(chord).chord();
        if (under.isEmpty()) {
            return TuneNote.Kind.NO_CHORD;
        }
        int from = before.map(one -> note.midi() - one.midi()).orElse(Integer.MAX_VALUE);
        int to = after.map(one -> one.midi() - note.midi()).orElse(Integer.MAX_VALUE);
        if (isTone(under.get(), note)) {
            return heldOver(song, chord, note) && to < 0 && -to < SMALLEST_LEAP
                    ? TuneNote.Kind.SUSPENSION
                    : TuneNote.Kind.CHORD_TONE;
        }
        boolean stepIn = from != Integer.MAX_VALUE && from != 0 && Math.abs(from) < SMALLEST_LEAP;
        boolean stepOut = to != Integer.MAX_VALUE && to != 0 && Math.abs(to) < SMALLEST_LEAP;
        if (from == 0 && stepOut && to < 0) {
            return TuneNote.Kind.SUSPENSION;
        }
        if (stepIn && stepOut) {
            return Integer.signum(from) == Integer.signum(to) ? TuneNote.Kind.PASSING : turned(from, to);
        }
        return stepOut ? TuneNote.Kind.APPOGGIATURA : stepIn ? TuneNote.Kind.ESCAPE : TuneNote.Kind.FREE;
    }

    private static TuneNote.Kind turned(int from, int to) {
        return Math.abs(from + to) <= 1 ? TuneNote.Kind.NEIGHBOUR : TuneNote.Kind.APPOGGIATURA;
    }

    private static boolean isTone(ChordSymbol chord, MelodyNote note) {
        return (chord.pitchClasses() >> note.midi() % 12 & 1) == 1;
    }

    /** Whether a note sounds on into a chord that it does not belong to. */
    private static boolean heldOver(Song song, int chord, MelodyNote note) {
        return chord + 1 < song.chart().size()
                && song.chart().get(chord + 1).startTick() < note.endTick()
                && song.chart()
                        .get(chord + 1)
                        .chord()
                        .filter(next -> !isTone(next, note))
                        .isPresent();
    }

    private static List<Pedal> pedals(Song song) {
        List<Pedal> pedals = new ArrayList<>();
        int from = 0;
        for (int i = 1; i <= song.chart().size(); i++) {
            if (i == song.chart().size() || !sameBass(song, from, i)) {
                Optional<ChordSymbol> first = song.chart().isEmpty()
                        ? Optional.empty()
                        : song.chart().get(from).chord();
                long roots = song.chart().subList(from, i).stream()
                        .flatMap(change -> change.chord().stream())
                        .map(chord -> chord.root().pitchClass())
                        .distinct()
                        .count();
                if (i - from >= FEWEST_OVER_PEDAL && roots > 1 && first.isPresent()) {
                    pedals.add(new Pedal(
                            song.chart().get(from).startTick(),
                            song.chordEnd(i - 1),
                            first.get().bass()));
                }
                from = i;
            }
        }
        return pedals;
    }

    private static boolean sameBass(Song song, int a, int b) {
        Optional<ChordSymbol> first = song.chart().get(a).chord();
        Optional<ChordSymbol> other = song.chart().get(b).chord();
        return first.isPresent()
                && other.isPresent()
                && first.get().bass().pitchClass() == other.get().bass().pitchClass();
    }
}
