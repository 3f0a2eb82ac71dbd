package phalanx.righthand;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Shape;
import phalanx.theory.ChordSymbol;

/**
 * Which strings the thumb takes under a shape: the root's, and others of the three or so lowest for the strokes between.
 * An alternate should be the fifth, on the lower string where there is a choice; a silent string will do when it has a
 * tone of the chord open, or at the root's own fret, where the finger on the root moves across.
 */
public final class ThumbStrings {
    private static final int FIFTH = 7;

    private final Instrument instrument;
    private final Shape shape;
    private final ChordSymbol chord;

    public ThumbStrings(Instrument instrument, Shape shape, ChordSymbol chord) {
        this.instrument = instrument;
        this.shape = shape;
        this.chord = chord;
    }

    /** A string the thumb can take. */
    private record Choice(int string, int fret, int midi, boolean held, boolean inShape) {}

    /**
     * The strings of so many strokes, the root's first; empty when the shape has no bass of the chord.
     *
     * @param line steady lines stay on the root, the round takes three strings, all others alternate between two
     */
    public List<Integer> strings(BassLine line, int strokes) {
        List<Choice> choices = choices();
        Optional<Choice> root = choices.stream()
                .filter(choice ->
                        choice.held && choice.midi % 12 == chord.bass().pitchClass())
                .findFirst();
        if (root.isEmpty()) {
            return List.of();
        }
        List<Integer> round = round(line, root.get(), choices);
        List<Integer> strings = new ArrayList<>();
        for (int i = 0; i < strokes; i++) {
            strings.add(round.get(i % round.size()));
        }
        return strings;
    }

    private List<Integer> round(BassLine line, Choice root, List<Choice> choices) {
        int own = root.string;
        Comparator<Choice> liked = Comparator.comparing((Choice choice) -> !choice.inShape)
                .thenComparing(choice -> !choice.held)
                .thenComparing(choice -> !isFifth(choice))
                .thenComparing(choice -> -choice.string);
        List<Choice> others = choices.stream()
                .filter(choice -> choice.string != own && isTone(choice))
                .sorted(liked)
                .toList();
        if (others.isEmpty() || line == BassLine.STEADY || line == BassLine.ON_CHANGE || line == BassLine.PEDAL) {
            return List.of(own);
        }
        if (line == BassLine.ROUND) {
            List<Choice> above = others.stream()
                    .filter(choice -> choice.string < own && choice.held)
                    .toList();
            Optional<Choice> middle = above.stream()
                    .filter(choice -> choice.string == Math.min(own - 1, 4))
                    .findFirst()
                    .or(() -> above.stream().findFirst());
            Optional<Choice> low = others.stream()
                    .filter(choice -> middle.isEmpty() || choice.string != middle.get().string)
                    .max(Comparator.comparingInt(Choice::string));
            if (middle.isPresent() && low.isPresent()) {
                return List.of(own, middle.get().string, low.get().string, middle.get().string);
            }
        }
        // a held or open fifth, else a fifth by moving across, else what tone there is
        Choice alternate = others.stream()
                .filter(choice -> choice.held && isFifth(choice))
                .max(Comparator.comparingInt(Choice::string))
                .or(() -> others.stream().filter(this::isFifth).findFirst())
                .orElse(others.get(0));
        return List.of(own, alternate.string);
    }

    private boolean isFifth(Choice choice) {
        return choice.midi % 12 == (chord.root().pitchClass() + FIFTH) % 12;
    }

    private boolean isTone(Choice choice) {
        return (chord.pitchClasses() >> choice.midi % 12 & 1) == 1;
    }

    /** What each bass string can give, from the lowest. */
    private List<Choice> choices() {
        List<Choice> choices = new ArrayList<>();
        int strings = instrument.strings();
        int rootFret = -1;
        for (int string = strings; string > strings / 2; string--) {
            if (shape.sounds(string)) {
                int fret = shape.fret(string);
                choices.add(new Choice(string, fret, instrument.midi(string, fret), true, true));
                boolean root =
                        instrument.midi(string, fret) % 12 == chord.bass().pitchClass();
                rootFret = rootFret < 0 && root ? fret : rootFret;
            }
        }
        for (int string = strings; string > strings / 2; string--) {
            if (!shape.sounds(string)) {
                Choice open = new Choice(string, 0, instrument.midi(string, 0), true, false);
                if (isTone(open)) {
                    choices.add(open);
                } else if (rootFret > 0) {
                    choices.add(new Choice(string, rootFret, instrument.midi(string, rootFret), false, false));
                }
            }
        }
        choices.sort(Comparator.comparingInt(choice -> -choice.string));
        return choices;
    }
}
