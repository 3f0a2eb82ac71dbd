package phalanx.guitar;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

class StringsTest {
    /**
     * A high E string of 3.09e-4 kg/m under 56.40 N carries waves at 427.23 m/s; a low one of 5.78e-3 kg/m at the same
     * speed needs 1055 N. Worked example of OpenStax, University Physics volume 1, waves on a stretched string; from
     * memory.
     */
    @Test
    void mersennesLawAgainstAWorkedExample() {
        double scaleMm = 650;
        double hertz = 427.23 / (2 * scaleMm / 1000);
        GuitarString high = new GuitarString("high", StringMaterial.PLAIN_STEEL, 0.25, 3.09e-4);
        GuitarString low = new GuitarString("low", StringMaterial.WOUND_BRONZE, 1.2, 5.78e-3);
        assertThat(high.tensionNewtons(scaleMm, hertz)).isCloseTo(56.40, within(0.01));
        assertThat(low.tensionNewtons(scaleMm, hertz)).isCloseTo(1055, within(1.0));
    }

    /** A steel wire of 0.012 inch weighs 7850 * pi/4 * d^2 = 5.73e-4 kg/m; density of steel from memory. */
    @Test
    void plainStringsWeighWhatTheirWireWeighs() {
        GuitarString string = StringTable.standard().string("012 plain steel");
        assertThat(string.gaugeMm()).isCloseTo(0.3048, within(1e-9));
        assertThat(string.kgPerMetre()).isCloseTo(5.728e-4, within(1e-6));
        assertThat(StringTable.standard().strings()).hasSizeGreaterThan(30).doesNotHaveDuplicates();
        assertThatThrownBy(() -> StringTable.parse("012 odd | plain-steel | 12 | 9"))
                .hasMessageContaining("012 odd");
        assertThatThrownBy(() -> StringTable.standard().string("none")).hasMessageContaining("none");
    }

    /** A light steel set pulls about 70 to 76 kg in all, a nylon set about 36 to 42. Common practice, from memory. */
    @Test
    void setsPullAsTheyUsuallyDo() {
        double steel = pull(Guitar.STEEL, StringSet.Named.STEEL_LIGHT);
        double nylon = pull(Guitar.NYLON, StringSet.Named.NYLON_NORMAL);
        assertThat(steel / 9.81).isBetween(70.0, 76.0);
        assertThat(nylon / 9.81).isBetween(36.0, 42.0);
        assertThat(pull(Guitar.STEEL, StringSet.Named.STEEL_MEDIUM)).isGreaterThan(steel);
        assertThat(pull(Guitar.STEEL, StringSet.Named.STEEL_EXTRA_LIGHT)).isLessThan(steel);
        double shorter = TensionReport.of(
                        Guitar.STEEL.withScale(325), StringSet.Named.STEEL_LIGHT.set(), Tuning.STANDARD)
                .totalNewtons();
        assertThat(shorter).isCloseTo(steel / 4, within(1e-6));
    }

    private static double pull(Guitar guitar, StringSet.Named set) {
        return TensionReport.of(guitar, set.set(), Tuning.STANDARD).totalNewtons();
    }

    @Test
    void whatRisksStringOrGuitarIsSaid() {
        StringSet steel = StringSet.Named.STEEL_LIGHT.set();
        assertThat(TensionReport.of(Guitar.STEEL, steel, Tuning.STANDARD).warnings())
                .isEmpty();
        assertThat(TensionReport.of(Guitar.STEEL, steel, NamedTuning.OPEN_D.tuning())
                        .warnings())
                .isEmpty();
        assertThat(TensionReport.of(Guitar.STEEL, steel, Tuning.parse("E2 A2 D3 G3 B3 G4"))
                        .warnings())
                .singleElement()
                .asString()
                .contains("String 1", "3 semitones", "More than a tone", "capo");
        assertThat(TensionReport.of(Guitar.STEEL, steel, Tuning.parse("A1 A2 D3 G3 B3 E4"))
                        .warnings())
                .singleElement()
                .asString()
                .contains("String 6", "slack");
        assertThat(TensionReport.of(Guitar.NYLON, steel, Tuning.STANDARD).warnings())
                .singleElement()
                .asString()
                .contains("built for nylon", "wreck", "repairer");
        assertThatThrownBy(() -> TensionReport.of(Guitar.STEEL, steel, Tuning.parse("B E A D G B E")))
                .hasMessageContaining("7");
    }

    /** The checks that players use for lowered strings. Common practice, no source. */
    @Test
    void loweredStringsAreCheckedByOctaves() {
        assertThat(words(Tuning.STANDARD, NamedTuning.DROP_D.tuning()))
                .containsExactly("6 -2 an octave below string 4, both open");
        assertThat(words(Tuning.STANDARD, Tuning.parse("D G D G B E")))
                .containsExactly(
                        "6 -2 an octave below string 4, both open", "5 -2 an octave below string 3, both open");
        assertThat(words(NamedTuning.DROP_D.tuning(), Tuning.STANDARD))
                .containsExactly("6 2 two octaves below string 1, both open");
        assertThat(new Retuning(Tuning.STANDARD, Tuning.STANDARD)
                        .checks().values().stream().map(check -> check.map(RetuningStep.Check::words)
                                .orElse("-")))
                .containsExactly(
                        "-",
                        "a fourth above string 6: string 6 at fret 5 sounds the same",
                        "a fourth above string 5: string 5 at fret 5 sounds the same",
                        "a fourth above string 4: string 4 at fret 5 sounds the same",
                        "a major third above string 3: string 3 at fret 4 sounds the same",
                        "two octaves above string 6, both open");
        assertThatThrownBy(() -> new Retuning(Tuning.STANDARD, Tuning.parse("B E A D G B E")))
                .hasMessageContaining("7");
    }

    private static List<String> words(Tuning from, Tuning to) {
        return new Retuning(from, to)
                .steps().stream()
                        .map(step -> step.string() + " " + step.semitones() + " "
                                + step.check().map(RetuningStep.Check::words).orElse("-"))
                        .toList();
    }

    /** From any tuning to any other: all that moves once, down before up, each checked against one that is right. */
    @Property
    void everyRetuningArrives(@ForAll NamedTuning from, @ForAll NamedTuning to) {
        List<RetuningStep> steps = new Retuning(from.tuning(), to.tuning()).steps();
        List<Integer> open = new ArrayList<>(from.tuning().open());
        assertThat(steps).isSortedAccordingTo(Comparator.comparing(step -> step.semitones() > 0));
        for (RetuningStep step : steps) {
            int at = open.size() - step.string();
            assertThat(open.get(at)).isEqualTo(step.fromMidi());
            step.check().ifPresent(check -> {
                int other = open.get(open.size() - check.string());
                assertThat(other).isEqualTo(to.tuning().midi(check.string()));
                assertThat(step.toMidi() - other).isEqualTo(check.semitones());
                if (check.fret() > 0) {
                    int pressed = to.tuning().midi(check.pressed()) + check.fret();
                    assertThat(pressed).isEqualTo(Math.max(step.toMidi(), other));
                }
            });
            open.set(at, step.toMidi());
        }
        assertThat(open).isEqualTo(to.tuning().open());
        long unchecked = steps.stream().filter(step -> step.check().isEmpty()).count();
        boolean allMove = IntStream.rangeClosed(1, 6)
                .allMatch(string -> from.tuning().midi(string) != to.tuning().midi(string));
        assertThat(unchecked).isEqualTo(allMove ? 1 : 0);
    }
}
