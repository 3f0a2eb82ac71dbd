package phalanx.lefthand.track;

import static phalanx.words.Words.wording;

import java.util.Objects;
import phalanx.lefthand.shape.Fingering;
import phalanx.lefthand.shape.Position;

/**
 * The left hand at one moment: who presses, and where the hand stands. Free fingers rest over their own frets of the
 * position, over the middle of the strings; the free thumb behind the lowest string.
 *
 * @param fingering who presses
 * @param position the fret over which finger 1 stands or waits, from 1
 */
public record Posture(Fingering fingering, int position) {
    public Posture {
        Objects.requireNonNull(fingering, "fingering");
        if (position < 1) {
            throw new IllegalArgumentException(wording("Posture.a-hand-at-position", position));
        }
    }

    /** A hand where its fingers are; at fret 1 when none is down. */
    public static Posture of(Fingering fingering) {
        return new Posture(fingering, Math.max(1, Position.natural(fingering.packed())));
    }
}
