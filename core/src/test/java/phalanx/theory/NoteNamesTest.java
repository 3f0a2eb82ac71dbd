package phalanx.theory;

import static org.assertj.core.api.Assertions.assertThat;
import static phalanx.theory.NoteNames.ENGLISH;
import static phalanx.theory.NoteNames.GERMAN;
import static phalanx.theory.NoteNames.SOLFA;

import java.util.Locale;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.Combinators;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** German: H and B for B and B flat; sol-fa: fixed, C is Do. Common practice, no source. */
class NoteNamesTest {
    @ParameterizedTest
    @CsvSource({
        "Bm7, Hm7, Sim7",
        "Bb, B, Sib",
        "Bbmaj9/D, Bmaj9/D, Sibmaj9/Re",
        "G/B, G/H, Sol/Si",
        "F#m7b5, F#m7b5, Fa#m7b5",
        "Ebsus4, Ebsus4, Mibsus4",
        "Cadd9, Cadd9, Doadd9",
        "Fadd9, Fadd9, Faadd9",
        "B4, H4, Si4",
        "B♭, B, Si♭",
        "E A D G B E, E A D G H E, Mi La Re Sol Si Mi",
        "N.C., N.C., N.C.",
        "D minor, D minor, Re minor",
        "x24432, x24432, x24432",
        "[B] | Bb . | B7 % |, [B] | B . | H7 % |, [B] | Sib . | Si7 % |",
        "[Solo] | G |, [Solo] | G |, [Solo] | Sol |",
    })
    void namesAreShown(String english, String german, String solfa) {
        assertThat(ENGLISH.said(english)).isEqualTo(english);
        assertThat(GERMAN.said(english)).isEqualTo(german);
        assertThat(SOLFA.said(english)).isEqualTo(solfa);
    }

    @ParameterizedTest
    @CsvSource({
        "GERMAN, Hm7, Bm7",
        "GERMAN, B, Bb",
        "GERMAN, Bb7, Bb7",
        "GERMAN, Fism/Cis, F#m/C#",
        "GERMAN, Es, Eb",
        "GERMAN, As7/Es, Ab7/Eb",
        "GERMAN, Asus4, Asus4",
        "GERMAN, Esus4, Esus4",
        "GERMAN, Des Ges Ces Fes, Db Gb Cb Fb",
        "GERMAN, His, B#",
        "GERMAN, Dis, D#",
        "GERMAN, Dim, Dim",
        "SOLFA, Sib, Bb",
        "SOLFA, Fa#m/Do#, F#m/C#",
        "SOLFA, Ré, D",
        "SOLFA, Fadd9, Fadd9",
        "SOLFA, Am7, Am7",
        "SOLFA, Sol capo, G capo",
        "ENGLISH, Sol, Sol",
        "ENGLISH, H, H",
    })
    void namesAreTyped(NoteNames names, String typed, String english) {
        assertThat(names.english(typed)).isEqualTo(english);
    }

    /** Any chord that is known comes back from its name. */
    @Property(tries = 500)
    void whatIsShownCanBeTyped(@ForAll NoteNames names, @ForAll("chords") String one, @ForAll("chords") String other) {
        String chart = "[B Do] | " + one + " . " + other + " | x02210 % | N.C. |";
        String shown = names.said(chart);
        assertThat(names.english(shown)).isEqualTo(chart);
        assertThat(ChordSymbol.parse(names.english(names.said(one)))).isEqualTo(ChordSymbol.parse(one));
        // a mistake in the English of a chart is marked where it was typed
        int place = chart.indexOf(other, 8 + one.length());
        assertThat(names.typedPlace(shown, place))
                .isEqualTo(names.said(chart.substring(0, place)).length());
    }

    @Provide
    Arbitrary<String> chords() {
        Arbitrary<String> notes = Combinators.combine(
                        Arbitraries.of("A", "B", "C", "D", "E", "F", "G"), Arbitraries.of("", "#", "b", "bb"))
                .as((letter, sign) -> letter + sign);
        return Combinators.combine(
                        notes,
                        Arbitraries.of(ChordTable.standard().kinds().stream()
                                .map(ChordKind::name)
                                .filter(kind -> !kind.startsWith("b") && !kind.startsWith("#"))
                                .toList()),
                        notes.map(bass -> "/" + bass).optional().map(bass -> bass.orElse("")))
                .as((root, kind, bass) -> root + kind + bass);
    }

    @Test
    void settingsNameThemByAWord() {
        for (NoteNames names : NoteNames.values()) {
            assertThat(NoteNames.of(names.word().toUpperCase(Locale.ROOT))).hasValue(names);
        }
        assertThat(NoteNames.of("russian")).isEmpty();
        assertThat(NoteNames.current()).isEqualTo(ENGLISH);
    }
}
