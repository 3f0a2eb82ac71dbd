package phalanx.theory;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.stream.Stream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;

class PitchTest {
    /** ISO 16:1975: A4 is 440 Hz. Middle C at 261.63 Hz is the equal-tempered value, from memory. */
    @Test
    void concertPitch() {
        assertThat(Pitch.parse("A4").midi()).isEqualTo(69);
        assertThat(Pitch.hertz(69)).isEqualTo(440.0);
        assertThat(Pitch.hertz(Pitch.parse("C4").midi())).isCloseTo(261.63, within(0.005));
    }

    @Test
    void spellingCrossesTheOctaveAtC() {
        assertThat(Pitch.parse("B#3").midi()).isEqualTo(Pitch.parse("C4").midi());
        assertThat(Pitch.parse("Cb4").midi()).isEqualTo(Pitch.parse("B3").midi());
        assertThat(Pitch.of(61, Key.parse("Ab"))).hasToString("Db4");
        assertThat(Pitch.of(61, Key.parse("D"))).hasToString("C#4");
    }

    @Property
    void everyPitchInEveryKeyKeepsItsNumber(
            @ForAll @IntRange(max = 120) int midi, @ForAll @IntRange(min = -7, max = 7) int fifths) {
        for (Key.Mode mode : Key.Mode.values()) {
            Key key = Key.ofFifths(fifths, mode);
            assertThat(Pitch.of(midi, key).midi()).isEqualTo(midi);
            assertThat(key.fifths()).isEqualTo(fifths);
            assertThat(Key.parse(key.toString())).isEqualTo(key);
        }
    }

    @Test
    void badTextIsNamed() {
        assertThatThrownBy(() -> Pitch.parse("H4")).hasMessageContaining("H4");
        assertThatThrownBy(() -> Pitch.parse("C")).hasMessageContaining("octave");
        assertThatThrownBy(() -> Key.parse("Q")).hasMessageContaining("\"Q\"");
        assertThatThrownBy(() -> Interval.parse("##b3")).hasMessageContaining("##b3");
    }

    @Test
    void namesArePrintedWithTheirSigns() {
        assertThat(Stream.of("F#4", "Bb2", "Ebb3", "C##5", "Bb minor", "Dbm7/Ab", "Bdim"))
                .extracting(Note::printed)
                .containsExactly("F♯4", "B♭2", "E♭♭3", "C♯♯5", "B♭ minor", "D♭m7/A♭", "Bdim");
    }
}
