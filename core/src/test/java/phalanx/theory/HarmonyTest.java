package phalanx.theory;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class HarmonyTest {
    private static List<String[]> rows(String resource) throws IOException {
        try (InputStream in = HarmonyTest.class.getResourceAsStream(resource)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8)
                    .lines()
                    .filter(line -> !line.isBlank() && !line.startsWith("//"))
                    .map(line -> line.split("\\s*\\|\\s*"))
                    .toList();
        }
    }

    private static List<ChordSymbol> chords(String text) {
        return Arrays.stream(text.split("\\s+")).map(ChordSymbol::parse).toList();
    }

    /** Diatonic triads and sevenths of 40 keys against a general music-theory library; see the head of the file. */
    @Test
    void numeralsAgreeWithAReferenceLibrary() throws IOException {
        int compared = 0;
        for (String[] row : rows("reference-numerals.txt")) {
            Key key = Key.parse(row[0]);
            List<ChordFunction> functions = new Harmony(key).functions(chords(row[1]));
            String[] numerals = row[2].split(" ");
            for (int i = 0; i < numerals.length; i++) {
                assertThat(functions.get(i).roman()).as("%s in %s", row[1], key).isEqualTo(ours(numerals[i]));
                assertThat(functions.get(i).diatonic()).isTrue();
                compared++;
            }
        }
        assertThat(compared).isGreaterThan(400);
    }

    /** The same numeral in our writing: small letters for minor, signs for diminished. */
    private static String ours(String numeral) {
        int letters = numeral.replaceAll("^[b#]*[IV]+", "").length();
        String degree = numeral.substring(0, numeral.length() - letters);
        String quality = numeral.substring(degree.length()).replace("Maj", "maj");
        return switch (quality) {
            case "m" -> lower(degree);
            case "dim" -> lower(degree) + "°";
            case "m7" -> lower(degree) + "7";
            case "m7b5" -> lower(degree) + "ø7";
            default -> degree + quality;
        };
    }

    private static String lower(String degree) {
        return degree.replace('I', 'i').replace('V', 'v');
    }

    /** Common practice, no source. */
    @ParameterizedTest
    @CsvSource({
        "C, D7 G7, V7/V, '', true",
        "C, D G, V/V, '', true",
        "C, E7 Am, V7/vi, '', true",
        "C, C7 F, V7/IV, '', true",
        "C, C#dim7 Dm, vii°7/ii, '', true",
        "C, Fm C, iv, C minor, false",
        "C, Bb F, bVII, C minor, false",
        "G, F C, bVII, G minor, false",
        "C, Abmaj7 G, bVImaj7, C minor, false",
        "C, Bdim7 C, vii°7, C minor, false",
        "C, F7 C, IV7, C dorian, false",
        "C, D Am, II, C lydian, false",
        "C, Db7 C, bII7, '', false",
        "A minor, A Dm, V/iv, '', true",
        "A minor, Bm7 E, ii7, A major, false",
        "D dorian, Bb Dm, bVI, D minor, false",
        "G, D/F# G, V6, '', false",
        "G, G/D D, I64, '', false",
        "G, D7/C G, V42, '', false",
        "G, C/D G, IV/5, '', false",
        "C, Gsus4 G, Vsus4, '', false",
        "C, F6 G, IVadd6, '', false",
        "C, G9 C, V9, '', false",
        "C, G7b9 C, V7b9, C minor, false"
    })
    void chordsOutsideTheKeyAreExplained(String key, String row, String roman, String borrowedFrom, boolean secondary) {
        ChordFunction function =
                new Harmony(Key.parse(key)).functions(chords(row)).get(0);
        assertThat(function.roman()).isEqualTo(roman);
        assertThat(function.borrowedFrom().map(Key::words))
                .isEqualTo(Optional.of(borrowedFrom).filter(text -> !text.isEmpty()));
        assertThat(function.secondary()).isEqualTo(secondary);
        assertThat(function.words().isEmpty()).isEqualTo(function.diatonic());
    }

    /** At least nine in ten of some fifty progressions whose key players agree on. */
    @Test
    void keysOfStockProgressionsAreFound() throws IOException {
        List<String[]> rows = rows("progressions.txt");
        List<String> missed = new ArrayList<>();
        for (String[] row : rows) {
            List<KeyFinder.Weighted> weighted = chords(row[1]).stream()
                    .map(chord -> new KeyFinder.Weighted(chord, 1))
                    .toList();
            Key found = new KeyFinder(weighted, new double[12]).find();
            if (found.mode() != Key.parse(row[0]).mode()
                    || found.tonic().pitchClass() != Key.parse(row[0]).tonic().pitchClass()) {
                missed.add(String.join(" | ", row) + " read as " + found);
            }
        }
        assertThat(rows).hasSizeGreaterThanOrEqualTo(40);
        assertThat(missed).hasSizeLessThanOrEqualTo(rows.size() / 10);
    }

    @Test
    void aTuneTellsWhatChordsLeaveOpen() {
        List<KeyFinder.Weighted> open = chords("G C Am G").stream()
                .map(chord -> new KeyFinder.Weighted(chord, 1))
                .toList();
        double[] tune = new double[12];
        for (int pitchClass : new int[] {7, 9, 11, 2, 5}) {
            tune[pitchClass] = 1;
        }
        assertThat(new KeyFinder(open, tune).find()).isEqualTo(Key.parse("G mixolydian"));
        assertThat(new KeyFinder(List.of(), new double[12]).find()).isEqualTo(Key.C_MAJOR);
        assertThatThrownBy(() -> new KeyFinder(List.of(), new double[3])).hasMessageContaining("3");
    }
}
