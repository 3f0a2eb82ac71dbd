package phalanx.song;

import static phalanx.words.Words.wording;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import phalanx.theory.Key;
import phalanx.theory.Pitch;

/**
 * A note of the tune.
 *
 * @param tick where it begins
 * @param lengthTicks how long it should ring
 * @param pitch what it sounds
 * @param syllable what is sung to it; one that goes on in the next note ends with a hyphen
 * @param below a second note of the tune, struck with it, lower
 * @param graces short notes just before it, which take their time from it; at most {@value #MOST_GRACES}
 */
public record MelodyNote(
        int tick, int lengthTicks, Pitch pitch, Optional<String> syllable, Optional<Pitch> below, List<Pitch> graces) {
    public static final int MOST_GRACES = 3;

    public MelodyNote {
        Objects.requireNonNull(pitch, "pitch");
        graces = List.copyOf(graces);
        if (tick < 0 || lengthTicks <= 0) {
            throw new IllegalArgumentException(
                    wording("MelodyNote.melody-note-at-tick-ticks", pitch, tick, lengthTicks));
        }
        if (syllable.isPresent() && (syllable.get().isBlank() || syllable.get().contains(" "))) {
            throw new IllegalArgumentException(wording("MelodyNote.is-not-a-syllable", syllable.get()));
        }
        if (below.isPresent() && below.get().midi() >= pitch.midi()) {
            throw new IllegalArgumentException(wording("MelodyNote.the-second-note-is-not", below.get(), pitch));
        }
        if (graces.size() > MOST_GRACES) {
            throw new IllegalArgumentException(
                    wording("MelodyNote.grace-notes-before-one", graces.size(), MOST_GRACES));
        }
    }

    /** One that begins at once. */
    public MelodyNote(int tick, int lengthTicks, Pitch pitch, Optional<String> syllable, Optional<Pitch> below) {
        this(tick, lengthTicks, pitch, syllable, below, List.of());
    }

    /** One note alone. */
    public MelodyNote(int tick, int lengthTicks, Pitch pitch, Optional<String> syllable) {
        this(tick, lengthTicks, pitch, syllable, Optional.empty());
    }

    /** A note without words. */
    public MelodyNote(int tick, int lengthTicks, Pitch pitch) {
        this(tick, lengthTicks, pitch, Optional.empty());
    }

    public int endTick() {
        return tick + lengthTicks;
    }

    public int midi() {
        return pitch.midi();
    }

    /** The same note at another time. */
    public MelodyNote at(int newTick, int newLength) {
        return new MelodyNote(newTick, newLength, pitch, syllable, below, graces);
    }

    public MelodyNote lasting(int newLength) {
        return at(tick, newLength);
    }

    /** The same with another pitch, and the second note as far as it is still below. */
    public MelodyNote pitched(Pitch newPitch) {
        return new MelodyNote(
                tick, lengthTicks, newPitch, syllable, below.filter(second -> second.midi() < newPitch.midi()), graces);
    }

    /** The same with one more note at once: the two highest of all are kept. */
    public MelodyNote with(Pitch other) {
        if (other.midi() == midi()) {
            return this;
        }
        Pitch high = other.midi() > midi() ? other : pitch;
        Pitch low = other.midi() > midi() ? pitch : other;
        Pitch second = below.filter(own -> own.midi() > low.midi()).orElse(low);
        return new MelodyNote(tick, lengthTicks, high, syllable, Optional.of(second), graces);
    }

    public MelodyNote sung(Optional<String> newSyllable) {
        return new MelodyNote(tick, lengthTicks, pitch, newSyllable, below, graces);
    }

    /** The same with other grace notes before it. */
    public MelodyNote graced(List<Pitch> newGraces) {
        return new MelodyNote(tick, lengthTicks, pitch, syllable, below, newGraces);
    }

    /** The same so many semitones higher, spelled for a key unless it is whole octaves. */
    MelodyNote transpose(int semitones, Key newKey) {
        return new MelodyNote(
                tick,
                lengthTicks,
                moved(pitch, semitones, newKey),
                syllable,
                below.map(second -> moved(second, semitones, newKey)),
                graces.stream().map(grace -> moved(grace, semitones, newKey)).toList());
    }

    private static Pitch moved(Pitch pitch, int semitones, Key key) {
        return semitones % 12 == 0
                ? new Pitch(pitch.note(), pitch.octave() + semitones / 12)
                : Pitch.of(pitch.midi() + semitones, key);
    }
}
