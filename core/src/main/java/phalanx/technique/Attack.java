package phalanx.technique;

import static phalanx.words.Words.wording;

import java.util.List;
import java.util.Objects;
import phalanx.song.Ticks;

/** How a note begins. */
public sealed interface Attack {
    /** By one digit. */
    Attack PLUCK = new Pluck(Stroke.DOWN);

    /** By the thumb on its way back. */
    Attack UPSTROKE = new Pluck(Stroke.UP);

    /** By one digit, and the finger that holds it rocks. */
    Attack VIBRATO = new Pluck(Stroke.WAVERING);

    /** By one digit, and the finger that holds the string pushes it up by a quarter tone. */
    Attack CURL = new Pluck(Stroke.CURLED);

    /** By one digit, where the finger that holds the string has just slid to from the note before on it. */
    Attack ARRIVED = new Pluck(Stroke.ARRIVED);

    /** By one digit that hooks under the string and lets it snap. */
    Attack SNAP = new Pluck(Stroke.SNAPPED);

    /** At once with others, by a digit each. */
    Attack BLOCK = new Block();

    /** One after another with others, the lowest first. */
    Attack ROLL = new Roll();

    /** In one stroke with other strings, towards the treble side. */
    Attack BRUSH = new Brush(false, false);

    /** From the note before on its string, by the finger that holds it. */
    Attack BEND = new Slur(SlurKind.BEND);

    /** Back from a bend, by the finger that has bent the string. */
    Attack RELEASE = new Slur(SlurKind.RELEASE);

    /** How one digit plucks one string. */
    enum Stroke {
        /** As it does mostly. */
        DOWN,
        /** By the thumb on its way back. */
        UP,
        /** And the finger that holds the string rocks. */
        WAVERING,
        /** And it pushes the string up by a quarter tone. */
        CURLED,
        /** After it has slid there along the ringing string: a shift slide. */
        ARRIVED,
        /** From under the string, which snaps against the frets. */
        SNAPPED
    }

    /** One digit plucks one string. */
    record Pluck(Stroke stroke) implements Attack {
        public Pluck {
            Objects.requireNonNull(stroke, "stroke");
        }

        @Override
        public String word() {
            return "pluck";
        }
    }

    /** Digits pluck a string each at once. */
    record Block() implements Attack {
        @Override
        public String word() {
            return "block";
        }
    }

    /** Digits pluck a string each, one just after the other. */
    record Roll() implements Attack {
        @Override
        public String word() {
            return "roll";
        }
    }

    /**
     * One stroke over several strings.
     *
     * @param up from the treble side to the bass
     * @param nails by the backs of the fingers; else by the flesh
     */
    record Brush(boolean up, boolean nails) implements Attack {
        @Override
        public String word() {
            return "brush";
        }
    }

    /** The left hand makes the note from the one before on its string; nothing is plucked. */
    record Slur(SlurKind kind) implements Attack {
        public Slur {
            Objects.requireNonNull(kind, "kind");
        }

        @Override
        public String word() {
            return kind.word();
        }
    }

    /**
     * Plucked on other frets of the string first, from which the left hand makes the note at once: grace notes, or a
     * slide into the note.
     *
     * @param frets that sound before the note's own, relative to the capo, 0 for open; the first is plucked
     * @param slid whether one finger travels; else fingers come down and leave
     */
    record Graced(List<Integer> frets, boolean slid) implements Attack {
        /** Each sounds so long, in milliseconds: our assumption, as long as a slide takes at least. */
        public static final double STEP_MS = 70;

        public Graced {
            frets = List.copyOf(frets);
            if (frets.isEmpty() || slid && frets.size() > 1) {
                throw new IllegalArgumentException(wording("Attack.nothing-is-before-the-note", frets.size()));
            }
        }

        /** How long each sounds, in ticks. */
        public int stepTicks(double tempo) {
            return Math.max(1, (int) Math.round(STEP_MS / Ticks.milliseconds(1, tempo)));
        }

        /** How long they sound together, in ticks. */
        public int ticks(double tempo) {
            return frets.size() * stepTicks(tempo);
        }

        /**
         * How the left hand goes on from one of its frets.
         *
         * @param fret of the note itself
         */
        public SlurKind kind(int at, int fret) {
            int next = at + 1 < frets.size() ? frets.get(at + 1) : fret;
            return slid ? SlurKind.SLIDE : next > frets.get(at) ? SlurKind.HAMMER : SlurKind.PULL;
        }

        /**
         * As it stands before the note's fret: {@code 5h} or {@code 5h7p}.
         *
         * @param fret of the note itself
         */
        public String figures(int fret) {
            StringBuilder text = new StringBuilder();
            for (int i = 0; i < frets.size(); i++) {
                text.append(frets.get(i)).append(kind(i, fret).sign());
            }
            return text.toString();
        }

        @Override
        public String word() {
            return "grace";
        }
    }

    /** A harmonic: a node above the held fret is touched while a digit plucks, or slapped. */
    record Touched(HarmonicNode node, Touch by) implements Attack {
        public Touched {
            Objects.requireNonNull(node, "node");
            Objects.requireNonNull(by, "by");
        }

        /** @param left touched by the left hand, on an open string; else by the right index */
        public Touched(HarmonicNode node, boolean left) {
            this(node, left ? Touch.LEFT : Touch.INDEX);
        }

        public boolean left() {
            return by == Touch.LEFT;
        }

        /** Whether one finger falls on several strings at once, which no digit plucks. */
        public boolean slapped() {
            return by == Touch.SLAP;
        }

        @Override
        public String word() {
            return left() ? "harmonic" : "touch";
        }
    }

    /** Who touches a node. */
    enum Touch {
        /** A finger of the left hand, on an open string. */
        LEFT,
        /** The right index, while another digit plucks. */
        INDEX,
        /** A finger of the right hand, which sounds the string by falling on it. */
        SLAP
    }

    /** The word for it in files. */
    String word();

    /** What it is called on screen. */
    default String label() {
        if (this instanceof Slur slur) {
            return slur.kind().label();
        }
        if (this instanceof Graced graced) {
            return graced.slid() ? wording("Attack.slide-into") : wording("Attack.grace");
        }
        if (equals(ARRIVED)) {
            return wording("Attack.shift-slide");
        }
        return equals(SNAP) ? wording("Attack.snap") : wording("Attack." + word());
    }

    /** Whether the right hand makes it. */
    default boolean plucked() {
        return !(this instanceof Slur);
    }

    /** Whether one stroke sounds several strings. */
    default boolean sweeps() {
        return this instanceof Brush || this instanceof Touched touched && touched.slapped();
    }

    /** Whether the stroke goes from the treble side to the bass. */
    default boolean goesUp() {
        return this.equals(UPSTROKE) || this instanceof Brush brush && brush.up;
    }
}
