package phalanx.practice;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import phalanx.arrange.demand.Role;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.ArrangedSlot;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Finger;
import phalanx.lefthand.shape.Press;
import phalanx.lefthand.shape.ReachCheck;
import phalanx.lefthand.shape.Shape;
import phalanx.righthand.Digit;
import phalanx.righthand.School;
import phalanx.song.Bar;
import phalanx.theory.Key;

/**
 * A shape of a song moved along the neck over an open bass string, a beat at each place: away, further, and back. Common
 * practice, no source.
 *
 * @param shapes how it is held at each place, the pedal open and nothing else sounding
 * @param presses the fingers that hold it, where the song has it
 * @param pedal the open string
 */
record MovedShape(List<Shape> shapes, List<Press> presses, int pedal) {
    /** Frets from where the song holds it. */
    private static final List<Integer> WAY = List.of(0, 2, 4, 2);

    /** The pedal is one of the lowest strings, the shape lies above it. */
    private static final int STRINGS_ABOVE = 4;

    private static final int LEAST_FINGERS = 2;

    MovedShape {
        shapes = List.copyOf(shapes);
        presses = List.copyOf(presses);
    }

    /** What a slot's shape gives, if it has two fingers above an open bass string that belongs to the key. */
    static Optional<MovedShape> of(ArrangedSlot slot, Key key, Instrument instrument, Hand hand) {
        List<Press> presses = slot.fingering().presses().stream()
                .filter(press -> press.bassString() <= STRINGS_ABOVE)
                .toList();
        if (presses.size() < LEAST_FINGERS) {
            return Optional.empty();
        }
        int lowest = presses.stream().mapToInt(Press::bassString).max().orElseThrow();
        return pedal(lowest, key, instrument).flatMap(pedal -> {
            ReachCheck check = new ReachCheck(instrument, hand);
            for (int direction : new int[] {1, -1}) {
                List<Shape> shapes = WAY.stream()
                        .map(frets -> shape(presses, direction * frets, pedal, instrument.strings()))
                        .toList();
                boolean held = shapes.stream()
                        .allMatch(shape -> lies(shape, presses, instrument)
                                && check.check(shape, symbols(shape, presses)).playable());
                if (held) {
                    return Optional.of(new MovedShape(shapes, presses, pedal));
                }
            }
            return Optional.empty();
        });
    }

    /** The lowest string below the shape that sounds the keynote when open, else its fifth. */
    private static Optional<Integer> pedal(int above, Key key, Instrument instrument) {
        int tonic = key.tonic().pitchClass();
        for (int wanted : new int[] {tonic, (tonic + 7) % 12}) {
            for (int string = instrument.strings(); string > above; string--) {
                if (Math.floorMod(instrument.midi(string, 0), 12) == wanted) {
                    return Optional.of(string);
                }
            }
        }
        return Optional.empty();
    }

    private static Shape shape(List<Press> presses, int moved, int pedal, int strings) {
        String[] frets = new String[strings];
        for (int string = 1; string <= strings; string++) {
            frets[strings - string] = string == pedal ? "0" : "x";
        }
        for (Press press : presses) {
            for (int string = press.trebleString(); string <= press.bassString(); string++) {
                frets[strings - string] = String.valueOf(Math.max(0, press.fret() + moved));
            }
        }
        return Shape.parse(String.join(" ", frets));
    }

    /** On the neck, and no finger off it at the nut. */
    private static boolean lies(Shape shape, List<Press> presses, Instrument instrument) {
        return presses.stream().allMatch(press -> {
            int fret = shape.fret(press.trebleString());
            return fret > 0 && fret <= instrument.highestFret();
        });
    }

    private static List<String> symbols(Shape shape, List<Press> presses) {
        return IntStream.iterate(shape.strings(), string -> string - 1)
                .limit(shape.strings())
                .mapToObj(string -> finger(presses, string).map(Finger::symbol).orElse("0"))
                .toList();
    }

    private static Optional<Finger> finger(List<Press> presses, int string) {
        return presses.stream()
                .filter(press -> press.trebleString() <= string && string <= press.bassString())
                .map(Press::finger)
                .findFirst();
    }

    /** The shape where the song has it. */
    Shape first() {
        return shapes.get(0);
    }

    /** A bar of it, a place a beat, the thumb on the pedal and the fingers above. */
    List<ArrangedNote> notes(Bar bar, School school, Instrument instrument) {
        List<Digit> fingers = new ArrayList<>(school.digits());
        fingers.remove(Digit.P);
        Collections.reverse(fingers);
        List<ArrangedNote> notes = new ArrayList<>();
        int beat = bar.meter().beatTicks();
        for (int at = 0; at * beat < bar.lengthTicks(); at++) {
            int tick = bar.startTick() + at * beat;
            int length = Math.min(beat, bar.endTick() - tick);
            Shape shape = shapes.get(at % shapes.size());
            List<Integer> strings = IntStream.rangeClosed(1, instrument.strings())
                    .filter(string -> string != pedal && shape.fret(string) > 0)
                    .boxed()
                    .limit(fingers.size())
                    .collect(Collectors.toList());
            Collections.reverse(strings);
            notes.add(note(tick, length, pedal, 0, Role.BASS, Digit.P, instrument));
            for (int i = 0; i < strings.size(); i++) {
                int string = strings.get(i);
                Digit digit = fingers.get(strings.size() - 1 - i);
                notes.add(note(tick, length, string, shape.fret(string), Role.INNER, digit, instrument));
            }
        }
        return notes;
    }

    private ArrangedNote note(
            int tick, int length, int string, int fret, Role role, Digit digit, Instrument instrument) {
        return new ArrangedNote(
                tick,
                length,
                length,
                string,
                fret,
                instrument.midi(string, fret),
                role,
                fret == 0 ? Optional.empty() : finger(presses, string),
                digit);
    }
}
