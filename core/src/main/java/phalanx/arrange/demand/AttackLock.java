package phalanx.arrange.demand;

import java.util.Arrays;
import java.util.Objects;
import java.util.stream.Collectors;

/**
 * The player's decision how a note begins.
 *
 * @param tick where the note begins
 * @param role which of the notes that begin there
 * @param way how
 */
public record AttackLock(int tick, Role role, Way way) implements NoteLock {
    public AttackLock {
        Objects.requireNonNull(role, "role");
        Objects.requireNonNull(way, "way");
        if (tick < 0) {
            throw new IllegalArgumentException("a note at tick " + tick);
        }
    }

    /** How a note can be made to begin. */
    public enum Way {
        /** From the note before on its string, as frets and fingers have it. */
        SLURRED("slurred"),
        /** From the note before on its string, by the finger that holds it: it travels. */
        SLID("slid"),
        /** Though a slur would help. */
        PLUCKED("plucked"),
        /** From the note before on its string, by the finger that holds it. */
        BENT("bent"),
        /** On an open string. */
        HARMONIC("harmonic");

        private final String label;

        Way(String label) {
            this.label = label;
        }

        /** The word for it in files. */
        public String label() {
            return label;
        }

        /**
         * The way of a label.
         *
         * @throws IllegalArgumentException if there is none
         */
        public static Way parse(String label) {
            return Arrays.stream(values())
                    .filter(way -> way.label.equals(label))
                    .findFirst()
                    .orElseThrow(() -> new IllegalArgumentException("\"" + label + "\" is none of "
                            + Arrays.stream(values()).map(Way::label).collect(Collectors.joining(", "))));
        }
    }

    @Override
    public AttackLock at(int newTick) {
        return new AttackLock(newTick, role, way);
    }

    @Override
    public String words() {
        return "the " + role.label() + " note " + way.label();
    }
}
