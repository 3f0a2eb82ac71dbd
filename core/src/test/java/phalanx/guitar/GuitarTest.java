package phalanx.guitar;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

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
}
