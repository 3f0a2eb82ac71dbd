package phalanx.song.build;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import phalanx.song.MelodyNote;
import phalanx.theory.Pitch;

/** A note as it is written, while its song is put together: what a later sign may still change can be changed. */
public final class Tone {
    private final int onset;
    private final Pitch pitch;
    private int length;
    private boolean tied;
    private Optional<String> syllable = Optional.empty();
    private List<Pitch> graces = List.of();

    Tone(int onset, int length, Pitch pitch) {
        this.onset = onset;
        this.length = length;
        this.pitch = Objects.requireNonNull(pitch, "pitch");
    }

    /** Ticks since the beginning of its bar. */
    public int onset() {
        return onset;
    }

    /** In ticks; it may go on past its bar. */
    public int length() {
        return length;
    }

    public Pitch pitch() {
        return pitch;
    }

    /** Whether the next note of the same pitch only holds it. */
    public boolean tied() {
        return tied;
    }

    /** The short notes just before it. */
    public List<Pitch> graces() {
        return graces;
    }

    /** Puts short notes before it; of more than {@link MelodyNote#MOST_GRACES} the last. */
    public void grace(List<Pitch> pitches) {
        graces = List.copyOf(pitches.subList(Math.max(0, pitches.size() - MelodyNote.MOST_GRACES), pitches.size()));
    }

    public Optional<String> syllable() {
        return syllable;
    }

    /** Gives it another length in ticks. */
    public void last(int newLength) {
        length = newLength;
    }

    /** Ties it to the next note. */
    public void tie() {
        tied = true;
    }

    /** Puts a syllable under it; one that goes on in the next note ends with a hyphen. Blank ones are none. */
    public void sing(String text) {
        String word = text.strip().replaceAll("\\s+", "\u00a0");
        syllable = Optional.of(word).filter(some -> !some.isBlank() && !some.equals("-"));
    }
}
