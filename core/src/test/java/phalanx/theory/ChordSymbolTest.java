package phalanx.theory;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class ChordSymbolTest {
    /** Spellings that the reference library reads otherwise: it drops the fifth, or means another degree. */
    private static final Set<String> READ_OTHERWISE = Set.of(
            "M7b6",
            "mb6M7",
            "mb6b9",
            "7b13",
            "9b13",
            "M7add13",
            "maj#4",
            "6b5",
            "M6b5",
            "7#9b5",
            "7b5#9",
            "7b5b13",
            "7b5b9",
            "7b9b5",
            "7b5b9b13",
            "9b5b13");

    @Test
    void chordTonesAgreeWithAGeneralMusicTheoryLibrary() throws IOException {
        TreeMap<String, String> differing = new TreeMap<>();
        Set<Set<Integer>> agreedKinds = new HashSet<>();
        for (String row : reference()) {
            String suffix = row.substring(0, row.indexOf('|'));
            if (suffix.startsWith("b")) {
                continue; // would be read as a flat root
            }
            Set<Integer> expected = Arrays.stream(
                            row.substring(row.indexOf('|') + 1).split(" "))
                    .map(Integer::parseInt)
                    .collect(Collectors.toSet());
            try {
                ChordSymbol chord = ChordSymbol.parse("C" + suffix);
                Set<Integer> tones = chord.tones().stream()
                        .map(tone -> tone.interval().semitones() % 12)
                        .collect(Collectors.toSet());
                if (tones.equals(expected)) {
                    agreedKinds.add(expected);
                } else if (!READ_OTHERWISE.contains(suffix)) {
                    differing.put(suffix, tones + " instead of " + expected);
                }
            } catch (IllegalArgumentException e) {
                // a spelling that players here do not use; the count below keeps this honest
            }
        }
        assertThat(differing).isEmpty();
        assertThat(agreedKinds).hasSizeGreaterThanOrEqualTo(60);
    }

    private static List<String> reference() throws IOException {
        try (InputStream in = ChordSymbolTest.class.getResourceAsStream("reference-chords.txt")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .filter(line -> !line.startsWith("//"))
                    .toList();
        }
    }

    @ParameterizedTest
    @CsvSource({
        "Cmaj7, CM7, CΔ",
        "Am, Amin, A-",
        "F#m7b5, F#ø, F♯-7b5",
        "Bbdim7, Bb°7, B♭o7",
        "G7(b9), G7b9, G7-9",
        "D6/9, D69, D6add9",
        "Em(maj7), EmM7, E-Δ",
        "A7sus4, A7sus, A7sus4"
    })
    void spellingsOfOneChordMeanTheSame(String a, String b, String c) {
        assertThat(ChordSymbol.parse(b).tones()).isEqualTo(ChordSymbol.parse(a).tones());
        assertThat(ChordSymbol.parse(c).tones()).isEqualTo(ChordSymbol.parse(a).tones());
        assertThat(ChordSymbol.parse(c).root()).isEqualTo(ChordSymbol.parse(a).root());
    }

    @Test
    void thirdsAndNamedTensionsAreRequiredTheFifthMayGo() {
        ChordSymbol chord = ChordSymbol.parse("C13");
        assertThat(chord.requiredPitchClasses()).isEqualTo(bits(0, 4, 10, 9));
        assertThat(chord.pitchClasses()).isEqualTo(bits(0, 4, 7, 10, 2, 9));
        ChordSymbol slash = ChordSymbol.parse("D/F#");
        assertThat(slash.bass()).isEqualTo(Note.parse("F#"));
        assertThat(slash.requiredPitchClasses()).isEqualTo(bits(6));
    }

    @Test
    void tonesAreSpelledFromTheRoot() {
        assertThat(ChordSymbol.parse("D#7#9").notes()).hasToString("[D#, Fx, A#, C#, E##]".replace("Fx", "F##"));
        assertThat(ChordSymbol.parse("Ebm7").notes()).hasToString("[Eb, Gb, Bb, Db]");
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "H", "Cfoo", "C/H", "Cadd", "C7b", "cm", "C//E", "Csus4x", "N"})
    void whatIsNoChordIsSaidWithTheOffendingPart(String text) {
        assertThatThrownBy(() -> ChordSymbol.parse(text))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining(text);
    }

    @Property
    void transposingThereAndBackKeepsTheTones(
            @ForAll @IntRange(min = 0, max = 11) int root,
            @ForAll @IntRange(max = 43) int kind,
            @ForAll @IntRange(min = -11, max = 11) int semitones) {
        ChordKind row = ChordTable.standard()
                .kinds()
                .get(kind % ChordTable.standard().kinds().size());
        ChordSymbol chord = ChordSymbol.parse(Key.C_MAJOR.spell(root) + row.name() + "/E");
        ChordSymbol moved = chord.transpose(semitones, Key.C_MAJOR);
        int rotated = 0;
        for (int pitchClass = 0; pitchClass < 12; pitchClass++) {
            if ((chord.pitchClasses() >> pitchClass & 1) == 1) {
                rotated |= 1 << Math.floorMod(pitchClass + semitones, 12);
            }
        }
        assertThat(moved.pitchClasses()).isEqualTo(rotated);
        assertThat(ChordSymbol.parse(moved.text()).tones()).isEqualTo(chord.tones());
    }

    @Property
    void everyNameOfAnyPitchesReadsBackAsAChordThatHasThem(
            @ForAll @Size(min = 2, max = 6) List<@IntRange(min = 40, max = 76) Integer> midi) {
        List<String> names = new ChordNamer(ChordTable.standard()).names(midi, Key.parse("E"));
        assertThat(names).isNotEmpty();
        Set<Integer> classes = midi.stream().map(m -> m % 12).collect(Collectors.toSet());
        if (classes.size() > 1) {
            for (String name : names) {
                int tones = ChordSymbol.parse(name).pitchClasses();
                assertThat(classes).as(name).allMatch(c -> (tones >> c & 1) == 1);
                int bass = midi.stream().min(Integer::compare).orElseThrow() % 12;
                assertThat(ChordSymbol.parse(name).bass().pitchClass()).as(name).isEqualTo(bass);
            }
        }
    }

    private static int bits(int... classes) {
        return Arrays.stream(classes).map(c -> 1 << c).reduce(0, (a, b) -> a | b);
    }
}
