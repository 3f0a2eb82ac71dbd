package phalanx.arrange.score;

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
 * @param fret relative to the capo, 0 for open
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
                    "a note at tick " + tick + " rings " + lengthTicks + " of " + wantedTicks + " ticks");
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

    public ArrangedNote pluckedBy(Digit digit) {
        return new ArrangedNote(tick, lengthTicks, wantedTicks, string, fret, midi, role, left, digit, attack, weight);
    }

    public ArrangedNote struck(Attack newAttack, Weight newWeight) {
        return new ArrangedNote(
                tick, lengthTicks, wantedTicks, string, fret, midi, role, left, right, newAttack, newWeight);
    }
}
