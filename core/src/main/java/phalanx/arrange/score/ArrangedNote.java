package phalanx.arrange.score;

import static phalanx.words.Words.wording;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import phalanx.arrange.demand.Role;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Finger;
import phalanx.righthand.Digit;
import phalanx.righthand.Weight;
import phalanx.technique.Attack;

/**
 * A note of the arrangement.
 *
 * @param tick where it is plucked
 * @param lengthTicks how long it rings
 * @param wantedTicks how long it should ring
 * @param string 1 at the treble side
 * @param fret that is held, relative to the capo, 0 for open
 * @param midi what it sounds
 * @param role bass, inner or melody
 * @param left the finger that stops it; none on an open string
 * @param right the digit that plucks it
 * @param attack how it is struck
 * @param weight how loud it is meant beside the others of its role
 */
public record ArrangedNote(
        int tick,
        int lengthTicks,
        int wantedTicks,
        int string,
        int fret,
        int midi,
        Role role,
        Optional<Finger> left,
        Digit right,
        Attack attack,
        Weight weight) {
    public ArrangedNote {
        Objects.requireNonNull(role, "role");
        Objects.requireNonNull(left, "left");
        Objects.requireNonNull(right, "right");
        Objects.requireNonNull(attack, "attack");
        Objects.requireNonNull(weight, "weight");
        if (lengthTicks <= 0 || wantedTicks < lengthTicks) {
            throw new IllegalArgumentException(
                    wording("ArrangedNote.a-note-at-tick-rings", tick, lengthTicks, wantedTicks));
        }
    }

    /** A plain pluck. */
    public ArrangedNote(
            int tick,
            int lengthTicks,
            int wantedTicks,
            int string,
            int fret,
            int midi,
            Role role,
            Optional<Finger> left,
            Digit right) {
        this(tick, lengthTicks, wantedTicks, string, fret, midi, role, left, right, Attack.PLUCK, Weight.PLAIN);
    }

    /** The same stroke with another pitch, as of a finger that misses its fret. */
    public ArrangedNote sounding(int other) {
        return new ArrangedNote(tick, lengthTicks, wantedTicks, string, fret, other, role, left, right, attack, weight);
    }

    /** The same place on another guitar, where it sounds what that gives. */
    public ArrangedNote on(Instrument instrument) {
        return new ArrangedNote(
                tick,
                lengthTicks,
                wantedTicks,
                string,
                fret,
                instrument.midi(string, fret),
                role,
                left,
                right,
                attack,
                weight);
    }

    /** The same stroke on the open string. */
    public ArrangedNote open(Instrument instrument) {
        return new ArrangedNote(
                tick,
                lengthTicks,
                wantedTicks,
                string,
                0,
                instrument.midi(string, 0),
                role,
                Optional.empty(),
                right,
                Attack.PLUCK,
                weight);
    }

    /** The fret that is written: the held one, on an open string that of the node that is touched. */
    public int writtenFret() {
        return fret == 0 && attack instanceof Attack.Touched touched
                ? (int) Math.round(touched.node().frets())
                : fret;
    }

    /** The fret at which its string is plucked: the first of what is before it, else its own. */
    public int pluckedFret() {
        return attack instanceof Attack.Graced graced ? graced.frets().get(0) : fret;
    }

    /** The pitches that sound on its string before its own, in order. */
    public List<Integer> graces(Instrument instrument) {
        return attack instanceof Attack.Graced graced
                ? graced.frets().stream()
                        .map(other -> instrument.midi(string, other))
                        .toList()
                : List.of();
    }

    /** By how many semitones the string is bent above the held fret; 0 where it is not. */
    public int bentBy(Instrument instrument) {
        return attack.equals(Attack.BEND) ? midi - instrument.midi(string, fret) : 0;
    }

    public int endTick() {
        return tick + lengthTicks;
    }

    /** Whether it ends before it should. */
    public boolean cut() {
        return lengthTicks < wantedTicks;
    }

    public boolean soundsAt(int at) {
        return at >= tick && at < endTick();
    }

    public ArrangedNote ringing(int newLength) {
        return new ArrangedNote(tick, newLength, wantedTicks, string, fret, midi, role, left, right, attack, weight);
    }

    /** The note left to ring longer than it was asked for. */
    public ArrangedNote ringingOn(int newLength) {
        return new ArrangedNote(tick, newLength, newLength, string, fret, midi, role, left, right, attack, weight);
    }

    /** The note wanted no longer than to a tick, where its string is plucked again. */
    public ArrangedNote endingAt(int newEndTick) {
        int wanted = Math.min(wantedTicks, newEndTick - tick);
        return new ArrangedNote(
                tick, Math.min(lengthTicks, wanted), wanted, string, fret, midi, role, left, right, attack, weight);
    }

    /** The same pitch, by the finger and on the fret of the note before on its string. */
    public ArrangedNote bentFrom(ArrangedNote before) {
        return new ArrangedNote(
                tick, lengthTicks, wantedTicks, string, before.fret, midi, role, before.left, right, attack, weight);
    }

    public ArrangedNote pluckedBy(Digit digit) {
        return new ArrangedNote(tick, lengthTicks, wantedTicks, string, fret, midi, role, left, digit, attack, weight);
    }

    public ArrangedNote struck(Attack newAttack, Weight newWeight) {
        return new ArrangedNote(
                tick, lengthTicks, wantedTicks, string, fret, midi, role, left, right, newAttack, newWeight);
    }
}
