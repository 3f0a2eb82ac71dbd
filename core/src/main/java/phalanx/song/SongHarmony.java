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
 * @param keys the key of each stretch, in order; one for the whole song where no section has a key of its own
 * @param chords the chart's chords and what they do, in order; N.C. has none
 * @param tune the notes of the tune and what they are to their chords
 * @param pedals basses held under changing chords
 */
public record SongHarmony(
        Key key, List<KeyStretch> keys, List<Placed> chords, List<TuneNote> tune, List<Pedal> pedals) {
    /** So many chords over one bass are a pedal point. */
    private static final int FEWEST_OVER_PEDAL = 3;

    /** A section has a key of its own when this much more of it belongs there. A weight of ours. */
    private static final double CLEARLY_BETTER = 0.3;

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

    /** From a tick on the song is in a key. */
    public record KeyStretch(int startTick, Key key) {
        public KeyStretch {
            Objects.requireNonNull(key, "key");
        }
    }

    public SongHarmony {
        Objects.requireNonNull(key, "key");
        keys = List.copyOf(keys);
        chords = List.copyOf(chords);
        tune = List.copyOf(tune);
        pedals = List.copyOf(pedals);
    }

    /** Reads a song. */
    public static SongHarmony of(Song song) {
        Key key = findKey(song, 0, song.endTick());
        List<KeyStretch> keys = keys(song, key);
        return new SongHarmony(key, keys, placed(song, keys), tune(song), pedals(song));
    }

    /** The key at a tick. */
    public Key keyAt(int tick) {
        return keyAt(keys, tick);
    }

    private static Key keyAt(List<KeyStretch> keys, int tick) {
        Key key = keys.get(0).key();
        for (KeyStretch stretch : keys) {
            if (stretch.startTick() <= tick) {
                key = stretch.key();
            }
        }
        return key;
    }

    /** A section is heard in another key when more of its chords belong there by a good share. */
    private static List<KeyStretch> keys(Song song, Key whole) {
        List<KeyStretch> keys = new ArrayList<>();
        keys.add(new KeyStretch(0, whole));
        for (int i = 0; i < song.sections().size(); i++) {
            int from = song.sections().get(i).startTick();
            int to = song.sectionEnd(from);
            Key own = to > from ? findKey(song, from, to) : whole;
            double better = belonging(song, own, from, to) - belonging(song, whole, from, to);
            Key key = better >= CLEARLY_BETTER ? own : whole;
            if (!keys.get(keys.size() - 1).key().equals(key)) {
                keys.add(new KeyStretch(from, key));
            }
        }
        if (keys.size() > 1 && keys.get(1).startTick() == 0) {
            keys.remove(0);
        }
        return keys;
    }

    /** The share of a stretch's chords, by length, that belong to a key. */
    private static double belonging(Song song, Key key, int from, int to) {
        Harmony harmony = new Harmony(key);
        double all = 0;
        double inside = 0;
        for (int i = 0; i < song.chart().size(); i++) {
            ChordChange change = song.chart().get(i);
            double length = Math.min(to, song.chordEnd(i)) - Math.max(from, change.startTick());
            if (length > 0 && change.chord().isPresent()) {
                all += length;
                inside +=
                        harmony.function(change.chord().get(), Optional.empty()).diatonic() ? length : 0;
            }
        }
        return all == 0 ? 0 : inside / all;
    }

    private static Key findKey(Song song, int from, int to) {
        List<KeyFinder.Weighted> chords = new ArrayList<>();
        for (int i = 0; i < song.chart().size(); i++) {
            ChordChange change = song.chart().get(i);
            double beats =
                    (Math.min(to, song.chordEnd(i)) - Math.max(from, change.startTick())) / (double) Ticks.QUARTER;
            if (beats > 0) {
                change.chord().ifPresent(chord -> chords.add(new KeyFinder.Weighted(chord, beats)));
            }
        }
        Key found = new KeyFinder(chords, pitchClasses(song.melodyBetween(from, to)))
                .find(song.key().fifths());
        // spelled as the song is, where that is the same key
        boolean same = found.mode() == song.key().mode()
                && found.tonic().pitchClass() == song.key().tonic().pitchClass();
        return same ? song.key() : found;
    }

    /** How long each pitch class sounds in a tune, from C. */
    static double[] pitchClasses(List<MelodyNote> tune) {
        double[] lengths = new double[12];
        tune.forEach(note -> lengths[note.midi() % 12] += note.lengthTicks());
        return lengths;
    }

    private static List<Placed> placed(Song song, List<KeyStretch> keys) {
        List<Placed> placed = new ArrayList<>();
        Key key = null;
        Harmony harmony = null;
        for (int i = 0; i < song.chart().size(); i++) {
            ChordChange change = song.chart().get(i);
            Key here = keyAt(keys, change.startTick());
            if (!here.equals(key)) {
                key = here;
                harmony = new Harmony(key);
            }
            Harmony heard = harmony;
            Optional<ChordSymbol> next =
                    i + 1 < song.chart().size() ? song.chart().get(i + 1).chord() : Optional.empty();
            change.chord()
                    .ifPresent(chord -> placed.add(new Placed(change.startTick(), chord, heard.function(chord, next))));
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
