package phalanx.song;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import phalanx.theory.ChordSymbol;
import phalanx.theory.Key;

/**
 * Simple other chords that the tune allows: a relative, the fourth degree borrowed from minor, a secondary dominant or
 * its tritone substitute on the way to the next chord, a suspension. Every tune note over the chord that is longer
 * than an eighth must belong to the new chord, and every one that begins with it. Offered only; nothing is changed.
 */
public final class Reharmony {
    private static final int SHORT = Ticks.QUARTER / 2;

    private final Song song;
    private final Key key;

    public Reharmony(Song song, Key key) {
        this.song = Objects.requireNonNull(song, "song");
        this.key = Objects.requireNonNull(key, "key");
    }

    /**
     * Another chord for a place.
     *
     * @param chord in place of the one there
     * @param words what it is, in a few words
     */
    public record Hint(ChordSymbol chord, String words) {
        public Hint {
            Objects.requireNonNull(chord, "chord");
            Objects.requireNonNull(words, "words");
        }
    }

    /** What could stand in place of a chord of the chart, by its index; nothing for N.C. */
    public List<Hint> hints(int index) {
        Optional<ChordSymbol> here = song.chart().get(index).chord();
        if (here.isEmpty()) {
            return List.of();
        }
        List<Hint> hints = new ArrayList<>();
        ChordSymbol chord = here.get();
        int root = chord.root().pitchClass();
        boolean minor = isMinor(chord);
        offer(hints, index, chord, minor ? root + 3 : root + 9, minor ? "" : "m", wording("Reharmony.its-relative"));
        if (!minor) {
            offer(hints, index, chord, root + 4, "m", wording("Reharmony.shares-two-tones"));
        }
        next(index).ifPresent(following -> {
            int target = following.root().pitchClass();
            if (target != root) {
                offer(hints, index, chord, target + 7, "7", wording("Reharmony.leads-to", following));
                offer(hints, index, chord, target + 1, "7", wording("Reharmony.leads-down-to", following));
            }
        });
        int tonic = key.tonic().pitchClass();
        if (Math.floorMod(root - tonic, 12) == 5 && !minor) {
            offer(hints, index, chord, root, "m", wording("Reharmony.borrowed-from-minor"));
        }
        if (Math.floorMod(root - tonic, 12) == 7 && !minor) {
            offer(hints, index, chord, root, "7sus4", wording("Reharmony.suspends-it"));
        }
        return hints;
    }

    private Optional<ChordSymbol> next(int index) {
        return index + 1 < song.chart().size() ? song.chart().get(index + 1).chord() : Optional.empty();
    }

    private static boolean isMinor(ChordSymbol chord) {
        int root = chord.root().pitchClass();
        return (chord.pitchClasses() >> (root + 3) % 12 & 1) == 1 && (chord.pitchClasses() >> (root + 4) % 12 & 1) == 0;
    }

    private void offer(List<Hint> hints, int index, ChordSymbol now, int root, String kind, String words) {
        ChordSymbol chord = ChordSymbol.parse(key.spell(Math.floorMod(root, 12)) + kind);
        boolean same = chord.root().pitchClass() == now.root().pitchClass()
                && (chord.pitchClasses() & ~now.pitchClasses()) == 0;
        if (!same
                && allows(index, chord)
                && hints.stream().noneMatch(hint -> hint.chord().equals(chord))) {
            hints.add(new Hint(chord, words));
        }
    }

    /** Whether the tune over a chord's stretch can stand over another. */
    private boolean allows(int index, ChordSymbol chord) {
        int from = song.chart().get(index).startTick();
        int to = song.chordEnd(index);
        for (MelodyNote note : song.melody()) {
            int heard = Math.min(note.endTick(), to) - Math.max(note.tick(), from);
            boolean matters = heard > 0 && (heard > SHORT || note.tick() <= from);
            if (matters && (chord.pitchClasses() >> note.midi() % 12 & 1) == 0) {
                return false;
            }
        }
        return true;
    }
}
