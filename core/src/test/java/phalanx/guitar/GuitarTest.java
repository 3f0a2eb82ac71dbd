package phalanx.guitar;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class GuitarTest {
    private final Guitar guitar = Guitar.STEEL;

    /** Wire to wire on a 650 mm scale; values of x(n) worked by hand. */
    @ParameterizedTest
    @CsvSource({"1, 4, 97.6", "1, 5, 126.6", "5, 8, 77.5"})
    void fourFretSpans(int from, int to, double mm) {
        assertThat(guitar.wireMm(to) - guitar.wireMm(from)).isCloseTo(mm, within(0.05));
    }

    @Test
    void capoShortensTheSameFourFrets() {
        assertThat(guitar.wireMm(4 + 4) - guitar.wireMm(1 + 4)).isCloseTo(77.5, within(0.05));
    }

    /** The workshop rule of fret making: each fret takes 1/17.817 of what is left. Common practice, from memory. */
    @Test
    void workshopRule() {
        double left = guitar.scaleMm();
        for (int fret = 1; fret <= guitar.frets(); fret++) {
            left -= left / 17.817;
            assertThat(guitar.wireMm(fret)).isCloseTo(guitar.scaleMm() - left, within(0.05));
        }
        assertThat(guitar.wireMm(12)).isCloseTo(325, within(1e-9));
    }

    @Test
    void fingertipsStandBehindTheWire() {
        assertThat(guitar.wireMm(1) - guitar.fingertipMm(1)).isCloseTo(8, within(1e-9));
        double width = guitar.wireMm(15) - guitar.wireMm(14);
        assertThat(guitar.wireMm(15) - guitar.fingertipMm(15)).isCloseTo(0.3 * width, within(1e-9));
        assertThat(guitar.acrossMm(1, 6, 0) - guitar.acrossMm(6, 6, 0)).isCloseTo(37, within(1e-9));
        assertThat(guitar.acrossMm(1, 6, 650) - guitar.acrossMm(6, 6, 650)).isCloseTo(56, within(1e-9));
    }

    @ParameterizedTest
    @CsvSource({
        "D A D G B E, 38 45 50 55 59 64",
        "DADGAD, 38 45 50 55 57 62",
        "open G, 38 43 50 55 59 62",
        "C2 G2 D3 G3 B3 E4, 36 43 50 55 59 64",
        "B E A D G B E, 35 40 45 50 55 59 64",
        "'E1 A1 D2 G2', 28 33 38 43"
    })
    void tuningsAsPlayersWriteThem(String text, String midi) {
        assertThat(Tuning.parse(text).open().toString().replaceAll("[\\[\\],]", ""))
                .isEqualTo(midi);
    }

    @Test
    void capoRaisesOpenStringsAndShortensTheNeck() {
        Instrument instrument = Instrument.STANDARD.withCapo(3);
        assertThat(instrument.midi(6, 0)).isEqualTo(43);
        assertThat(instrument.highestFret()).isEqualTo(17);
        assertThat(instrument.fretOf(1, 67)).isZero();
        assertThat(Tuning.STANDARD.label()).isEqualTo("standard");
        assertThat(Tuning.parse("E A D G C F").label()).isEqualTo("E A D G C F");
    }

    @Test
    void impossibleMeasuresAreRefusedWithTheirValue() {
        assertThatThrownBy(() -> Reach.ofSpan(400)).hasMessageContaining("400");
        assertThatThrownBy(() -> Reach.ofSpan(0)).hasMessageContaining("0.0 mm");
        assertThatThrownBy(() -> Instrument.STANDARD.withCapo(13)).hasMessageContaining("13");
        assertThatThrownBy(() -> Tuning.parse("E A D")).hasMessageContaining("3");
        assertThatThrownBy(() -> Tuning.parse("E A D G B H")).hasMessageContaining("H");
        assertThatThrownBy(() -> Guitar.STEEL.withScale(Double.NaN)).hasMessageContaining("NaN");
    }

    @Test
    void tuningsListedUpsideDownAreRefusedButOctaveStringingIsNot() {
        assertThatThrownBy(() -> Tuning.parse("E4 B3 G3 D3 A2 E2")).hasMessageContaining("from the lowest");
        assertThatThrownBy(() -> Tuning.parse("E9 A2 D3 G3 B3 E4")).hasMessageContaining("outside");
        assertThat(Tuning.parse("E3 A3 D4 G4 B3 E4").midi(3)).isEqualTo(67);
    }

    @Test
    void aPartialCapoRaisesTheStringsItCovers() {
        Instrument instrument = Instrument.STANDARD.withPartial(Optional.of(new PartialCapo(2, 5, 3)));
        assertThat(IntStream.rangeClosed(1, 6).map(string -> instrument.midi(7 - string, 0)))
                .containsExactly(40, 47, 52, 57, 59, 64);
        assertThat(instrument.has(4, 2)).isFalse();
        assertThat(instrument.has(4, 3)).isTrue();
        assertThat(instrument.has(6, 2)).isTrue();
        assertThat(instrument.fretOf(4, 52)).isZero();
        assertThat(instrument.has(4, instrument.fretOf(4, 51))).isFalse();
        assertThat(instrument.fretOf(4, 53)).isEqualTo(3);
        assertThatThrownBy(() -> instrument.withCapo(2)).hasMessageContaining("above the capo");
        assertThatThrownBy(() -> Instrument.STANDARD.withPartial(Optional.of(new PartialCapo(2, 6, 1))))
                .hasMessageContaining("does not cover some");
    }

    /** Finger 1 at fret 5 and finger 4 at fret 8 stand 77.5 mm of wires apart, less where the tips stand behind them. */
    @Test
    void reachIsTakenFromTwoMeasurementsAtTheGuitar() {
        Reach reach = Reach.measured(Instrument.STANDARD, 5, 8, 10);
        double toLittle = Instrument.STANDARD.alongMm(10) - Instrument.STANDARD.alongMm(5);
        double toRing = Instrument.STANDARD.alongMm(8) - Instrument.STANDARD.alongMm(5);
        assertThat(reach.spanMm()).isCloseTo(toLittle, within(1e-9));
        assertThat(toRing).isCloseTo(77.5, within(1.0));
        assertThat(reach.greatestMm(new Reach.Pair(1, 3))).isCloseTo(toRing, within(1e-9));
        assertThat(reach.greatestMm(new Reach.Pair(1, 2))).isCloseTo(0.75 * toRing, within(1e-9));
        assertThat(reach.greatestMm(new Reach.Pair(2, 4))).isCloseTo(0.72 * toLittle, within(1e-9));
        assertThat(reach.comfortableMm(new Reach.Pair(1, 4))).isCloseTo(0.8 * toLittle, within(1e-9));
        assertThat(reach.with(new Reach.Pair(3, 4), 55).greatestMm(new Reach.Pair(3, 4)))
                .isEqualTo(55);
        assertThatThrownBy(() -> Reach.measured(Instrument.STANDARD, 5, 5, 9)).hasMessageContaining("finger 3 at 5");
        assertThatThrownBy(() -> Reach.measured(Instrument.STANDARD, 5, 6, 6)).hasMessageContaining("outside 60");
        assertThatThrownBy(() -> reach.with(new Reach.Pair(1, 2), 3)).hasMessageContaining("3.0 mm");
    }
}
