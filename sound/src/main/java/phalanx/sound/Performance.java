package phalanx.sound;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import phalanx.arrange.demand.Role;
import phalanx.arrange.demand.TuneUse;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.guitar.StringSet;
import phalanx.righthand.Digit;
import phalanx.righthand.HandPlace;
import phalanx.song.Bar;
import phalanx.song.MelodyNote;
import phalanx.song.Ticks;
import phalanx.sound.guitar.GuitarSound;
import phalanx.sound.guitar.Pluck;
import phalanx.sound.guitar.Strings;
import phalanx.sound.guitar.Tone;
import phalanx.technique.Attack;
import phalanx.technique.Hit;
import phalanx.technique.HitKind;
import phalanx.technique.SlurKind;
import phalanx.theory.Pitch;

/**
 * An arrangement as what a guitar is told to do, in order of tick; at one tick strings are let go before they are plucked.
 *
 * @param strings of the guitar
 * @param acts in order
 * @param tempo quarter notes a minute, as written
 */
public record Performance(Strings strings, List<Act> acts, double tempo) {
    /** Beside the tune: by each voice, not by each note, for inner notes add up. */
    private static final double BASS = decibels(-4);

    private static final double INNER = decibels(-10);
    /** Where no tune is played the fingers carry the music. */
    private static final double INNER_ALONE = decibels(-4);

    private static final double GHOST = decibels(-7);
    private static final double ACCENT = decibels(2.5);
    private static final double UPSTROKE = decibels(-2);
    private static final double SNAP = decibels(3);
    /** So long after its pluck a string is pushed up by a quarter tone. */
    private static final double CURL_MS = 60;
    /** So long before it is plucked again a finger begins to slide: as long as a slide takes. */
    private static final double SLIDE_MS = 60;

    private static final double QUARTER_TONE = 0.5;

    /** A harmonic at the middle of the string sounds about as loud as it is written. */
    private static final double HARMONIC = 1.5;

    /** The last string of a block sounds so long after the first. */
    private static final double BLOCK_SECONDS = 0.005;

    private static final double ROLL_GAP_SECONDS = 0.022;
    private static final double BRUSH_GAP_SECONDS = 0.008;

    private static final double CLICK_HERTZ = 1600;
    private static final double ACCENT_HERTZ = 2200;
    private static final double CLICK_SECONDS = 0.03;
    private static final double CLICK = 0.2;
    private static final double VOICE = 0.06;
    private static final double OCTAVE = 0.3;
    private static final double SWELL_SECONDS = 0.03;

    /** Something that is done at a tick. */
    public sealed interface Act {
        int tick();

        Layer layer();

        /** Whether it only lets a string go. */
        default boolean isLet() {
            return this instanceof Let;
        }

        /** The string it is done to; 0 for none. */
        default int string() {
            return 0;
        }

        /**
         * Tells the guitar.
         *
         * @param frame at which
         * @param level of its layer, above 0
         * @param secondsATick for what lasts
         */
        void tell(GuitarSound guitar, long frame, double level, boolean nails, double secondsATick);
    }

    /**
     * A string is plucked.
     *
     * @param end where it is let go
     * @param later seconds after the tick
     */
    record Plucked(int tick, int end, Layer layer, int string, Pluck pluck, double later) implements Act {
        @Override
        public void tell(GuitarSound guitar, long frame, double level, boolean nails, double secondsATick) {
            guitar.pluck(frame, string, pluck.by(level, nails), later);
        }
    }

    /** A note is made from the one before on its string. */
    record Slurred(int tick, int end, Layer layer, int string, SlurKind kind, double hertz, double loud)
            implements Act {
        @Override
        public void tell(GuitarSound guitar, long frame, double level, boolean nails, double secondsATick) {
            guitar.slur(frame, string, kind, hertz, level * loud);
        }
    }

    /** A string is let go. */
    record Let(int tick, Layer layer, int string) implements Act {
        @Override
        public void tell(GuitarSound guitar, long frame, double level, boolean nails, double secondsATick) {
            guitar.lift(frame, string);
        }
    }

    record Struck(int tick, HitKind kind) implements Act {
        @Override
        public Layer layer() {
            return Layer.HITS;
        }

        @Override
        public void tell(GuitarSound guitar, long frame, double level, boolean nails, double secondsATick) {
            guitar.hit(frame, kind, level);
        }
    }

    record Sung(int tick, int end, double hertz) implements Act {
        @Override
        public Layer layer() {
            return Layer.VOICE;
        }

        @Override
        public void tell(GuitarSound guitar, long frame, double level, boolean nails, double secondsATick) {
            double seconds = (end - tick) * secondsATick;
            guitar.tone(frame, new Tone(hertz, seconds, VOICE * level, OCTAVE, SWELL_SECONDS));
        }
    }

    record Clicked(int tick, boolean accent) implements Act {
        @Override
        public Layer layer() {
            return Layer.CLICK;
        }

        @Override
        public void tell(GuitarSound guitar, long frame, double level, boolean nails, double secondsATick) {
            double hertz = accent ? ACCENT_HERTZ : CLICK_HERTZ;
            guitar.tone(frame, new Tone(hertz, CLICK_SECONDS, CLICK * level, 0, CLICK_SECONDS / 8));
        }
    }

    public Performance {
        acts = List.copyOf(acts);
        if (!(tempo > 0)) {
            throw new IllegalArgumentException(tempo + " bpm");
        }
    }

    private static double decibels(double db) {
        return Math.pow(10, db / 20);
    }

    /** On the usual strings. */
    public static Performance of(Arrangement arrangement) {
        return of(arrangement, Strings.usual(arrangement.request().instrument()));
    }

    /** On the strings that are on the guitar. */
    public static Performance of(Arrangement arrangement, StringSet set) {
        return of(arrangement, Strings.of(arrangement.request().instrument(), set));
    }

    private static Performance of(Arrangement arrangement, Strings strings) {
        List<Act> acts = new ArrayList<>();
        boolean tune = arrangement.notes().stream().anyMatch(note -> note.role() == Role.MELODY);
        boolean heel = arrangement.request().picking().place() == HandPlace.HEEL;
        Map<Integer, List<ArrangedNote>> strokes = new HashMap<>();
        arrangement.notes().forEach(note -> strokes.computeIfAbsent(note.tick(), tick -> new ArrayList<>())
                .add(note));
        for (ArrangedNote note : arrangement.notes()) {
            Layer layer = layer(note);
            int end = note.tick() + note.lengthTicks();
            double level = level(note, tune);
            if (note.attack() instanceof Attack.Slur slur) {
                acts.add(new Slurred(
                        note.tick(), end, layer, note.string(), slur.kind(), Pitch.hertz(note.midi()), level));
            } else {
                boolean damped = heel && note.right() == Digit.P && note.role() == Role.BASS;
                double later = later(note, strokes.get(note.tick()));
                acts.add(new Plucked(
                        note.tick(),
                        end,
                        layer,
                        note.string(),
                        pluck(note, struckMidi(note, arrangement), level, damped),
                        later));
                addGraces(note, arrangement, end, layer, level, acts);
                if (note.attack().equals(Attack.ARRIVED)) {
                    int glide = (int)
                            (SLIDE_MS / Ticks.milliseconds(1, arrangement.song().tempo()));
                    acts.add(new Slurred(
                            note.tick() - glide,
                            note.tick(),
                            layer,
                            note.string(),
                            SlurKind.SLIDE,
                            Pitch.hertz(note.midi()),
                            level));
                }
                if (note.attack().equals(Attack.CURL)) {
                    int tick = note.tick()
                            + (int) (CURL_MS
                                    / Ticks.milliseconds(1, arrangement.song().tempo()));
                    double hertz = Pitch.hertz(note.midi()) * Math.pow(2, QUARTER_TONE / 12);
                    acts.add(new Slurred(tick, end, layer, note.string(), SlurKind.BEND, hertz, level));
                }
            }
        }
        for (Hit hit : arrangement.hits()) {
            acts.add(new Struck(hit.tick(), hit.kind()));
        }
        if (arrangement.request().tune() == TuneUse.SUNG) {
            for (MelodyNote note : arrangement.song().melody()) {
                acts.add(new Sung(note.tick(), note.tick() + note.lengthTicks(), Pitch.hertz(note.midi())));
            }
        }
        for (Bar bar : arrangement.song().bars()) {
            acts.addAll(clicks(bar, bar.startTick()));
        }
        return new Performance(strings, inOrder(acts), arrangement.song().tempo());
    }

    /** What is plucked is the first of the notes before; each of the next, and the note itself, is made from it. */
    private static void addGraces(
            ArrangedNote note, Arrangement arrangement, int end, Layer layer, double level, List<Act> acts) {
        if (!(note.attack() instanceof Attack.Graced graced)) {
            return;
        }
        List<Integer> row = new ArrayList<>(note.graces(arrangement.request().instrument()));
        row.add(note.midi());
        int step = graced.stepTicks(arrangement.song().tempo());
        for (int i = 1; i < row.size(); i++) {
            acts.add(new Slurred(
                    note.tick() + i * step,
                    end,
                    layer,
                    note.string(),
                    graced.kind(i - 1, note.fret()),
                    Pitch.hertz(row.get(i)),
                    level));
        }
    }

    /** The beats of a bar that begins at a tick, the first of a whole bar with an accent. */
    static List<Act> clicks(Bar bar, int from) {
        List<Act> clicks = new ArrayList<>();
        int step = bar.meter().beatTicks();
        int first = Math.floorMod(-bar.offsetOf(bar.startTick()), step);
        for (int tick = first; tick < bar.lengthTicks(); tick += step) {
            clicks.add(new Clicked(from + tick, bar.offsetOf(bar.startTick() + tick) == 0));
        }
        return clicks;
    }

    /** Strings are let go where the last note on them ends, unless it is taken up there. */
    private static List<Act> inOrder(List<Act> acts) {
        List<Act> all = new ArrayList<>(acts);
        for (Act act : acts) {
            if (act instanceof Plucked plucked) {
                all.add(new Let(plucked.end, plucked.layer, plucked.string));
            } else if (act instanceof Slurred slurred) {
                all.add(new Let(slurred.end, slurred.layer, slurred.string));
            }
        }
        // a string that a slur takes on is not let go before it
        Set<List<Integer>> takenOn = new HashSet<>();
        for (Act act : acts) {
            if (act instanceof Slurred slurred) {
                takenOn.add(List.of(slurred.tick, slurred.string));
            }
        }
        all.removeIf(act -> act instanceof Let let && takenOn.contains(List.of(let.tick, let.string)));
        // a hit stops what rang before it, not what is plucked with it
        all.sort(Comparator.comparingInt(Act::tick)
                .thenComparing(act -> !(act instanceof Let))
                .thenComparing(act -> !(act instanceof Struck)));
        return all;
    }

    private static Layer layer(ArrangedNote note) {
        return note.role() == Role.MELODY ? Layer.TUNE : note.right() == Digit.P ? Layer.THUMB : Layer.FINGERS;
    }

    private static double level(ArrangedNote note, boolean tune) {
        double role =
                switch (note.role()) {
                    case MELODY -> 1;
                    case BASS -> BASS;
                    case INNER -> tune ? INNER : INNER_ALONE;
                };
        double weight =
                switch (note.weight()) {
                    case GHOST -> GHOST;
                    case PLAIN -> 1;
                    case ACCENT -> ACCENT;
                };
        double stroke = note.attack().equals(Attack.SNAP) ? SNAP : note.attack().goesUp() ? UPSTROKE : 1;
        return role * weight * stroke;
    }

    private static int struckMidi(ArrangedNote note, Arrangement arrangement) {
        return note.graces(arrangement.request().instrument()).stream()
                .findFirst()
                .orElse(note.midi());
    }

    private static Pluck pluck(ArrangedNote note, int midi, double level, boolean damped) {
        boolean nail = note.right() != Digit.P || note.attack().equals(Attack.SNAP);
        if (note.attack() instanceof Attack.Touched touched) {
            int n = touched.node().n();
            double string = Pitch.hertz(note.midi() - touched.node().nearest());
            return new Pluck(string, n, level * touched.node().strength() * HARMONIC, nail, damped);
        }
        Pluck plain = new Pluck(Pitch.hertz(midi), 1, level, nail, damped);
        return note.attack().equals(Attack.VIBRATO) ? plain.wavering() : plain;
    }

    private static double later(ArrangedNote note, List<ArrangedNote> stroke) {
        List<Integer> together = stroke.stream()
                .filter(other -> other.attack().getClass() == note.attack().getClass()
                        && other.attack().plucked())
                .map(ArrangedNote::string)
                .sorted(note.attack().goesUp() ? Comparator.naturalOrder() : Comparator.reverseOrder())
                .toList();
        int place = Math.max(0, together.indexOf(note.string()));
        if (note.attack() instanceof Attack.Roll) {
            return place * ROLL_GAP_SECONDS;
        }
        if (note.attack() instanceof Attack.Brush) {
            return place * BRUSH_GAP_SECONDS;
        }
        return note.attack() instanceof Attack.Block && together.size() > 1
                ? place * BLOCK_SECONDS / (together.size() - 1)
                : 0;
    }
}
