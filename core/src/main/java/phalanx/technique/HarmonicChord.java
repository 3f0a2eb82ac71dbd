package phalanx.technique;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import phalanx.guitar.Instrument;
import phalanx.theory.ChordSymbol;
import phalanx.theory.Key;
import phalanx.theory.Pitch;
import phalanx.words.Words;

/**
 * Natural harmonics of a chord under one straight finger: all strings that sound a tone of it over one fret.
 *
 * @param node where the finger lies
 * @param strings from the lowest string
 * @param missing how many required tones are not among them
 */
public record HarmonicChord(HarmonicNode node, List<Harmonic> strings, int missing) {
    /** A finger laid over higher nodes than the fourth leaves some strings silent: common practice, no source. */
    private static final int HIGHEST = 4;

    private static final int FEWEST = 2;

    public HarmonicChord {
        Objects.requireNonNull(node, "node");
        strings = List.copyOf(strings);
    }

    /** All with two strings or more, the fullest first, then the loudest. */
    public static List<HarmonicChord> of(Instrument instrument, ChordSymbol chord) {
        Map<HarmonicNode, List<Harmonic>> byNode = new LinkedHashMap<>();
        for (Harmonic harmonic : Harmonic.natural(instrument)) {
            boolean tone = (chord.pitchClasses() >> harmonic.midi() % 12 & 1) == 1;
            if (tone && harmonic.node().n() <= HIGHEST) {
                byNode.computeIfAbsent(harmonic.node(), node -> new ArrayList<>())
                        .add(harmonic);
            }
        }
        return byNode.entrySet().stream()
                .filter(entry -> entry.getValue().size() >= FEWEST)
                .map(entry -> new HarmonicChord(entry.getKey(), entry.getValue(), missing(chord, entry.getValue())))
                .sorted(Comparator.comparingInt((HarmonicChord one) -> one.missing)
                        .thenComparing(one -> -one.strings.size())
                        .thenComparing(HarmonicChord::node))
                .toList();
    }

    /** Where and what, in a line. */
    public String words(Key key) {
        return String.format(
                Words.figures(),
                wording("HarmonicChord.over-fret-strings"),
                node.frets(),
                strings.stream().map(one -> String.valueOf(one.string())).collect(Collectors.joining(" ")),
                strings.stream().map(one -> Pitch.of(one.midi(), key).spoken()).collect(Collectors.joining(" ")),
                missing == 0
                        ? ""
                        : missing == 1
                                ? wording("HarmonicChord.one-tone-missing")
                                : wording("HarmonicChord.tones-missing", missing));
    }

    private static int missing(ChordSymbol chord, List<Harmonic> strings) {
        int heard =
                strings.stream().mapToInt(harmonic -> 1 << harmonic.midi() % 12).reduce(0, (a, b) -> a | b);
        return Integer.bitCount(chord.requiredPitchClasses() & ~heard);
    }
}
