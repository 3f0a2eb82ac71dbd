package phalanx.arrange;

import java.util.List;
import java.util.Optional;
import phalanx.lefthand.HeldShape;
import phalanx.righthand.BassStroke;
import phalanx.righthand.InnerStroke;
import phalanx.song.MelodyNote;
import phalanx.theory.ChordSymbol;

/**
 * A stretch of time in which the left hand need not change.
 *
 * @param startTick from
 * @param endTick up to, not included
 * @param chord the harmony, if any
 * @param melody the melody note that begins here or still sounds, if any
 * @param bass the bass stroke that begins here or still rings, if any
 * @param inner the inner strokes within
 * @param locked the shape that the player wants held, if any
 */
record Slot(
        int startTick,
        int endTick,
        Optional<ChordSymbol> chord,
        Optional<MelodyNote> melody,
        Optional<BassStroke> bass,
        List<InnerStroke> inner,
        Optional<HeldShape> locked) {
    boolean melodyBegins() {
        return melody.isPresent() && melody.get().tick() == startTick;
    }

    boolean melodyRingsOn() {
        return melody.isPresent() && melody.get().tick() < startTick;
    }

    boolean bassBegins() {
        return bass.isPresent() && bass.get().tick() == startTick;
    }

    boolean bassRingsOn() {
        return bass.isPresent() && bass.get().tick() < startTick;
    }

    int lengthTicks() {
        return endTick - startTick;
    }

    /** What a candidate must supply: slots that agree in it share their candidates. */
    Demand demand() {
        return new Demand(
                chord,
                melody.map(MelodyNote::midi),
                melodyBegins(),
                bass.map(BassStroke::allowed).orElse(0),
                bass.map(BassStroke::preferred).orElse(0),
                bassBegins(),
                innerWanted(),
                locked);
    }

    /** How many inner strings are wanted at once: of a pattern as many as it strikes, else one where a stroke falls. */
    private int innerWanted() {
        int most = inner.isEmpty() ? 0 : 1;
        int together = 0;
        int tick = -1;
        for (InnerStroke stroke : inner) {
            together = stroke.tick() == tick ? together + stroke.covers() : stroke.covers();
            tick = stroke.tick();
            most = Math.max(most, together);
        }
        return most;
    }

    /**
     * @param chord the harmony, if any
     * @param melody MIDI number of the melody note, if one sounds
     * @param melodyBegins whether it must be plucked here
     * @param bassAllowed pitch classes the bass may have, 0 if none is asked for
     * @param bassPreferred pitch classes it should have
     * @param bassBegins whether it must be plucked here
     * @param innerWanted how many inner strings are wanted at once, 0 where no stroke falls
     * @param locked the shape that must be held, if any
     */
    record Demand(
            Optional<ChordSymbol> chord,
            Optional<Integer> melody,
            boolean melodyBegins,
            int bassAllowed,
            int bassPreferred,
            boolean bassBegins,
            int innerWanted,
            Optional<HeldShape> locked) {
        /** Whether inner strokes fall here. */
        boolean inner() {
            return innerWanted > 0;
        }

        Demand unlocked() {
            return locked.isEmpty()
                    ? this
                    : new Demand(
                            chord,
                            melody,
                            melodyBegins,
                            bassAllowed,
                            bassPreferred,
                            bassBegins,
                            innerWanted,
                            Optional.empty());
        }
    }
}
