package phalanx.arrange;

import static phalanx.words.Words.wording;

import java.util.Objects;
import java.util.Optional;
import phalanx.arrange.demand.AttackLock;
import phalanx.guitar.Instrument;
import phalanx.technique.HarmonicNode;

/**
 * A note that is given with its place, as in tablature.
 *
 * @param tick where it is plucked
 * @param string 1 at the treble side
 * @param fret relative to the capo, 0 for open; of a natural harmonic the one under its node, of a bend the one it sounds
 *     like
 * @param way how it is to begin
 */
public record WrittenNote(int tick, int string, int fret, AttackLock.Way way) {
    public WrittenNote {
        Objects.requireNonNull(way, "way");
        if (tick < 0 || string < 1 || fret < 0) {
            throw new IllegalArgumentException(wording("WrittenNote.a-written-note-at-tick", tick, string, fret));
        }
        if (way == AttackLock.Way.HARMONIC && HarmonicNode.over(fret).isEmpty()) {
            throw new IllegalArgumentException(wording("WrittenNote.no-harmonic-lies-over-fret", fret));
        }
    }

    /** One that is plucked. */
    public WrittenNote(int tick, int string, int fret) {
        this(tick, string, fret, AttackLock.Way.PLUCKED);
    }

    /** The same at another time. */
    public WrittenNote at(int newTick) {
        return new WrittenNote(newTick, string, fret, way);
    }

    /** Where a natural harmonic is touched; nothing for other notes. */
    public Optional<HarmonicNode> node() {
        return way == AttackLock.Way.HARMONIC ? HarmonicNode.over(fret) : Optional.empty();
    }

    /** What it sounds on a guitar that has its place. */
    public int midi(Instrument instrument) {
        return node().map(node -> instrument.midi(string, 0) + node.nearest())
                .orElseGet(() -> instrument.midi(string, fret));
    }
}
