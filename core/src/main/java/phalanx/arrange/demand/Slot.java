package phalanx.arrange.demand;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import phalanx.cost.Effort;
import phalanx.cost.Weights;
import phalanx.lefthand.shape.HeldShape;
import phalanx.righthand.BassStroke;
import phalanx.righthand.InnerStroke;
import phalanx.righthand.PatternRow;
import phalanx.song.MelodyNote;
import phalanx.song.Ticks;
import phalanx.theory.ChordSymbol;

/**
 * A stretch of time in which the left hand need not change.
 *
 * @param startTick from
 * @param endTick up to, not included
 * @param chordIndex which chord change of the chart holds, from 0; -1 before the first
 * @param chord the harmony, if any
 * @param melody the melody note that begins here or still sounds, if any
 * @param bass the bass stroke that begins here or still rings, if any
 * @param inner the inner strokes within, in order of tick, at one tick from the top row
 * @param locked the shape that the player wants held, if any
 * @param wanted what is wanted of the chord besides
 * @param next the melody note that begins after this one, if any
 */
public record Slot(
        int startTick,
        int endTick,
        int chordIndex,
        Optional<ChordSymbol> chord,
        Optional<MelodyNote> melody,
        Optional<BassStroke> bass,
        List<InnerStroke> inner,
        Optional<HeldShape> locked,
        Wanted wanted,
        Optional<MelodyNote> next) {
    /** What a stroke between tune notes may sound where nothing above it follows soon. */
    private static final int ANY_PITCH = 128;
    /** So long before the next tune note a stroke may lie above the tune: the ear is back with the tune by then. */
    private static final int PASSES = Ticks.QUARTER;
    /** A step of the tune leaves no room for a tone of the chord above it. */
    private static final int WIDER_THAN_A_STEP = 3;

    /**
     * What is wanted of a chord in a slot.
     *
     * @param wholeShapes whether the hand holds a whole shape of it
     * @param strings how many strings should sound
     * @param colours pitch classes that should be heard here
     * @param rowsHeard rows of a pattern that are struck soon after, bit r for row r: what they strike is heard, too
     * @param highestFret no finger above it; {@link #ANY_FRET} where that does not matter
     * @param tuneSoon MIDI number of the next tune note, 0 where none is near
     * @param bassMidi the very pitch of a bass note here, 0 where any octave will do
     * @param pins what the player has decided of the places
     */
    public record Wanted(
            boolean wholeShapes,
            int strings,
            int colours,
            int rowsHeard,
            int highestFret,
            int tuneSoon,
            int bassMidi,
            Pins pins) {
        public static final int ANY_FRET = 99;
        static final Wanted NOTHING = of(Optional.empty());

        Wanted unpinned() {
            return new Wanted(wholeShapes, strings, colours, rowsHeard, highestFret, tuneSoon, bassMidi, Pins.NONE);
        }

        /** All colours of a chord at once, however it is held. */
        static Wanted of(Optional<ChordSymbol> chord) {
            return new Wanted(false, 0, chord.map(ChordSymbol::colourClasses).orElse(0), 0, ANY_FRET, 0, 0, Pins.NONE);
        }
    }

    /** One in which all colours of the chord should be heard, however it is held. */
    public Slot(
            int startTick,
            int endTick,
            int chordIndex,
            Optional<ChordSymbol> chord,
            Optional<MelodyNote> melody,
            Optional<BassStroke> bass,
            List<InnerStroke> inner,
            Optional<HeldShape> locked) {
        this(startTick, endTick, chordIndex, chord, melody, bass, inner, locked, Wanted.of(chord), Optional.empty());
    }

    public boolean melodyBegins() {
        return melody.isPresent() && melody.get().tick() == startTick;
    }

    public boolean melodyRingsOn() {
        return melody.isPresent() && melody.get().tick() < startTick;
    }

    public boolean bassBegins() {
        return bass.isPresent() && bass.get().tick() == startTick;
    }

    public boolean bassRingsOn() {
        return bass.isPresent() && bass.get().tick() < startTick;
    }

    public int lengthTicks() {
        return endTick - startTick;
    }

    /** The same with no shape to be held. */
    public Slot unlocked() {
        return new Slot(startTick, endTick, chordIndex, chord, melody, bass, inner, Optional.empty(), wanted, next);
    }

    /** The same with every place free. */
    public Slot unpinned() {
        return wanting(wanted.unpinned());
    }

    /** The same with a shape held. */
    public Slot with(HeldShape held) {
        return new Slot(startTick, endTick, chordIndex, chord, melody, bass, inner, Optional.of(held), wanted, next);
    }

    Slot wanting(Wanted newWanted) {
        return new Slot(startTick, endTick, chordIndex, chord, melody, bass, inner, locked, newWanted, next);
    }

    /** How long a hold counts here, in {@link Effort#STEPS} to a beat. */
    public int holdSteps() {
        double beats = lengthTicks() / (double) Ticks.QUARTER;
        double held = Math.max(Weights.SHORTEST_HOLD, Math.min(Weights.LONGEST_HOLD, beats));
        return (int) Math.round(held * Effort.STEPS);
    }

    /** Whether inner notes struck in the slot before should ring on into this one: their chord goes on. */
    public boolean innerRingsOnFrom(Slot before) {
        return chordIndex == before.chordIndex && before.lengthTicks() < Ticks.WHOLE;
    }

    /** What a candidate must supply: slots that agree in it share their candidates. */
    public Demand demand() {
        return new Demand(
                chord,
                melody.map(MelodyNote::midi),
                melodyBegins(),
                bass.map(BassStroke::allowed).orElse(0),
                bass.map(BassStroke::preferred).orElse(0),
                bassBegins(),
                moments(),
                locked,
                wanted);
    }

    /** The strokes of each tick together, in order. */
    private List<List<Ask>> moments() {
        List<List<Ask>> moments = new ArrayList<>();
        int tick = -1;
        for (InnerStroke stroke : inner) {
            if (stroke.tick() != tick) {
                tick = stroke.tick();
                moments.add(new ArrayList<>());
            }
            moments.get(moments.size() - 1)
                    .add(new Ask(
                            stroke.row().map(PatternRow::rank).orElse(0),
                            stroke.isBrush(),
                            stroke.endsPhrase(),
                            stroke.midi(),
                            ceiling(stroke),
                            stroke.decided()));
        }
        return moments.stream().map(List::copyOf).toList();
    }

    /** Above the tune only after its onset, and where the next tune note is higher still or a beat away. */
    private int ceiling(InnerStroke stroke) {
        boolean after = melody.filter(note -> note.tick() < stroke.tick()).isPresent();
        if (!after || stroke.midi() > 0) {
            return 0;
        }
        if (next.filter(note -> note.tick() - stroke.tick() < PASSES).isEmpty()) {
            return ANY_PITCH;
        }
        int soon = next.get().midi();
        return soon >= melody.get().midi() + WIDER_THAN_A_STEP ? soon : 0;
    }

    /**
     * An inner stroke as far as its place is concerned.
     *
     * @param row which of the fingers' strings it is meant for, 1 at the top; 0 where any will do
     * @param brush whether it takes all strings that are free
     * @param end whether it makes the end of a phrase fuller
     * @param midi what it must sound, the tune's second note; 0 for any tone
     * @param ceiling above the tune it must lie below this; 0 where it must not lie above the tune
     * @param decided whether the player wants it by name
     */
    public record Ask(int row, boolean brush, boolean end, int midi, int ceiling, boolean decided) {
        /** One below the tune that ends no phrase. */
        public Ask(int row, boolean brush) {
            this(row, brush, false, 0, 0, false);
        }

        boolean isOfTune() {
            return midi > 0;
        }
    }

    /**
     * @param chord the harmony, if any
     * @param melody MIDI number of the melody note, if one sounds
     * @param melodyBegins whether it must be plucked here
     * @param bassAllowed pitch classes the bass may have, 0 if none is asked for
     * @param bassPreferred pitch classes it should have
     * @param bassBegins whether it must be plucked here
     * @param moments the inner strokes, those of one tick together
     * @param locked the shape that must be held, if any
     * @param wanted what is wanted of the chord besides
     */
    public record Demand(
            Optional<ChordSymbol> chord,
            Optional<Integer> melody,
            boolean melodyBegins,
            int bassAllowed,
            int bassPreferred,
            boolean bassBegins,
            List<List<Ask>> moments,
            Optional<HeldShape> locked,
            Wanted wanted) {
        /** One in which all colours of the chord should be heard, however it is held. */
        public Demand(
                Optional<ChordSymbol> chord,
                Optional<Integer> melody,
                boolean melodyBegins,
                int bassAllowed,
                int bassPreferred,
                boolean bassBegins,
                List<List<Ask>> moments,
                Optional<HeldShape> locked) {
            this(
                    chord,
                    melody,
                    melodyBegins,
                    bassAllowed,
                    bassPreferred,
                    bassBegins,
                    moments,
                    locked,
                    Wanted.of(chord));
        }

        /** Whether inner strokes fall here. */
        public boolean inner() {
            return !moments.isEmpty();
        }

        /** The tune's second note that begins here, 0 where none does. */
        public int below() {
            return moments.isEmpty() ? 0 : moments.get(0).get(0).midi();
        }

        /** Above the tune inner strokes must lie below this; 0 where none may lie above the tune. */
        public int above() {
            int above = 0;
            for (List<Ask> moment : moments) {
                for (Ask ask : moment) {
                    above = Math.max(above, ask.ceiling());
                }
            }
            return above;
        }

        /** Whether a pattern says which strings its strokes are for. */
        public boolean hasRows() {
            return moments.stream().flatMap(List::stream).anyMatch(ask -> ask.row() > 0 || ask.brush());
        }

        public Demand unlocked() {
            return locked.isEmpty()
                    ? this
                    : new Demand(
                            chord,
                            melody,
                            melodyBegins,
                            bassAllowed,
                            bassPreferred,
                            bassBegins,
                            moments,
                            Optional.empty(),
                            wanted);
        }
    }
}
