package phalanx.technique;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import phalanx.guitar.Instrument;
import phalanx.guitar.NamedTuning;
import phalanx.theory.ChordSymbol;
import phalanx.theory.Key;
import phalanx.theory.Pitch;

/** Nodes against the physics of the ideal string, cascades against what players print. */
class HarmonicTest {
    /** Physics of the ideal string: fret 12 log2(n / (n - k)), pitch 12 log2(n) above the open string. */
    @ParameterizedTest
    @CsvSource({
        "1/2, 12.00, 12.00",
        "1/3, 7.02, 19.02",
        "1/4, 4.98, 24.00",
        "1/5, 3.86, 27.86",
        "2/5, 8.84, 27.86",
        "1/6, 3.16, 31.02",
        "3/4, 24.00, 24.00",
        "2/3, 19.02, 19.02"
    })
    void nodesLieAndSoundWherePhysicsSays(String text, double frets, double semitones) {
        HarmonicNode node = HarmonicNode.parse(text);
        assertThat(node.frets()).isCloseTo(frets, within(0.005));
        assertThat(node.semitones()).isCloseTo(semitones, within(0.005));
        assertThat(node.nearest() + node.cents() / 100).isCloseTo(node.semitones(), within(1e-9));
    }

    /** The length from the touch to the saddle is what rings: it holds n - k parts of n. */
    @Property(tries = 200)
    void theNodeDividesTheStringIntoWholeParts(
            @ForAll @IntRange(min = 1, max = 6) int string,
            @ForAll @IntRange(max = 12) int fret,
            @ForAll @IntRange(max = 7) int capo) {
        Instrument instrument = Instrument.STANDARD.withCapo(capo);
        double whole = instrument.guitar().scaleMm() * Math.pow(2, -(fret + capo) / 12.0);
        for (HarmonicNode node : HarmonicNode.all()) {
            Harmonic harmonic = Harmonic.of(instrument, string, fret, node);
            double parts = harmonic.saddleMm() / (whole / node.n());
            assertThat(parts).isCloseTo(node.n() - node.k(), within(1e-9));
            // the place over the neck and the length to the saddle agree
            double touched = instrument.guitar().scaleMm() - instrument.guitar().wireMm(capo + harmonic.touchFret());
            assertThat(touched).isCloseTo(harmonic.saddleMm(), within(1e-9));
            assertThat(harmonic.midi()).isEqualTo(instrument.midi(string, fret) + node.nearest());
        }
    }

    /** Over a barre at 5 the key of A minor has notes two frets above strings 4, 3 and 1, and three above string 2. */
    @Test
    void aCascadeInThreesPullsOffNotesOfTheKey() {
        List<Integer> barre = Collections.nCopies(6, 5);
        Cascade cascade = Cascade.triplets(Instrument.STANDARD, barre, HarmonicNode.OCTAVE, Key.parse("Am"));
        assertThat(cascade.order()).isEqualTo("6* 4+2 5* 3+2 4* 2+1 3* 1+2");
        assertThat(cascade.steps().stream().limit(6).map(Cascade.Step::midi).map(HarmonicTest::name))
                .containsExactly("A3", "A3", "G3", "D4", "D4", "C4");
        assertThat(cascade.units()).extracting(List::size).containsExactly(1, 2, 1, 2, 1, 2, 1, 2);
        assertThat(Cascade.of(Instrument.STANDARD, barre, HarmonicNode.OCTAVE, cascade.order()))
                .isEqualTo(cascade);
        assertThat(cascade.steps())
                .filteredOn(step -> step.above() > 0)
                .allMatch(step -> (Key.parse("Am").pitchClasses() >> step.midi() % 12 & 1) == 1);
        assertThatThrownBy(() ->
                        Cascade.of(Instrument.STANDARD, Collections.nCopies(6, 19), HarmonicNode.OCTAVE, "4+4 6*"))
                .hasMessageContaining("no fret 23 on string 4");
    }

    @Test
    void aCascadeOverABarreAtFiveIsAMinorPentatonic() {
        Cascade cascade = Cascade.usual(Instrument.STANDARD, Collections.nCopies(6, 5), HarmonicNode.OCTAVE);
        // common practice, no source: plain first, two strings apart
        assertThat(cascade.order()).isEqualTo("4 6* 3 5* 2 4* 1 3*");
        assertThat(cascade.line().stream().map(HarmonicTest::name))
                .containsExactly("G3", "A3", "C4", "D4", "E4", "G4", "A4", "C5");
        assertThat(cascade.steps()).filteredOn(Cascade.Step::touched).allMatch(step -> step.touchFret() == 17.0);
        assertThat(new CascadeFinder(Instrument.STANDARD).find())
                .filteredOn(found -> found.fret() == 5)
                .extracting(CascadeFinder.Found::scale)
                .contains("A minor pentatonic");
    }

    @Test
    void aNoteIsFoundOnTheStringsThatHaveItAsAHarmonic() {
        // E4: at the twelfth fret of the fourth string's neighbours there is none; string 6 has it at fret 5, 5 at fret
        // 7
        assertThat(Harmonic.sounding(Instrument.STANDARD, 64).stream()
                        .map(harmonic -> harmonic.string() + " " + Math.round(harmonic.touchFret())))
                .containsExactly("5 7", "6 5");
        // B4 over fret 12 of string 2, 7 of string 1 would be B5
        assertThat(Harmonic.sounding(Instrument.STANDARD, 71).get(0).string()).isEqualTo(2);
        assertThat(Harmonic.sounding(Instrument.STANDARD, 61)).isEmpty();
    }

    private static String name(int midi) {
        return Pitch.of(midi, phalanx.theory.Key.C_MAJOR).toString();
    }

    /** Every scale that is found is one, in any tuning: named notes from its tonic, no gap in the line. */
    @Test
    void foundScalesAreScales() {
        for (NamedTuning tuning : NamedTuning.values()) {
            for (CascadeFinder.Found found :
                    new CascadeFinder(Instrument.STANDARD.withTuning(tuning.tuning())).find()) {
                List<Integer> line = found.cascade().line();
                for (int i = 1; i < line.size(); i++) {
                    assertThat(line.get(i) - line.get(i - 1)).isBetween(1, 3);
                }
                assertThat(line.stream().map(midi -> midi % 12).distinct().count())
                        .isGreaterThanOrEqualTo(5);
            }
        }
    }

    @Test
    void whatCannotBeIsSaid() {
        Instrument guitar = Instrument.STANDARD;
        assertThatThrownBy(() -> HarmonicNode.parse("2/4")).hasMessageContaining("2/4 is no node");
        assertThatThrownBy(() -> HarmonicNode.parse("half")).hasMessageContaining("\"half\" is no node");
        assertThatThrownBy(() -> Cascade.usual(guitar, Collections.nCopies(6, 12), HarmonicNode.OCTAVE))
                .hasMessage("string 6 held at fret 12 is touched over fret 24.0, the fingerboard ends at 20;"
                        + " try another node");
        assertThatThrownBy(() -> Cascade.of(guitar, List.of(-1, 3, 2, 0, 1, 0), HarmonicNode.OCTAVE, "4 6* 3"))
                .hasMessage("string 6 does not sound in the shape");
        assertThatThrownBy(() -> Cascade.of(guitar, Collections.nCopies(6, 5), HarmonicNode.OCTAVE, "4 3 2"))
                .hasMessageContaining("needs plain and touched notes");
        assertThatThrownBy(() -> Cascade.of(guitar, Collections.nCopies(6, 5), HarmonicNode.OCTAVE, "4 six"))
                .hasMessageContaining("\"six\" is no string of a cascade");
    }

    /**
     * Open strings 4 3 2 are a G chord; so they are over fret 12, an octave higher, and over fret 7 a D chord: node 1/3
     * sounds a twelfth.
     */
    @Test
    void chordsAreLaidOverOneFret() {
        List<HarmonicChord> ofG = HarmonicChord.of(Instrument.STANDARD, ChordSymbol.parse("G"));
        HarmonicChord over12 = ofG.stream()
                .filter(one -> one.node().equals(HarmonicNode.OCTAVE))
                .findFirst()
                .orElseThrow();
        assertThat(over12.strings()).extracting(Harmonic::string).containsExactly(4, 3, 2);
        assertThat(over12.strings()).extracting(Harmonic::midi).containsExactly(62, 67, 71);
        assertThat(over12.missing()).isZero();
        assertThat(over12.words(Key.parse("G"))).isEqualTo("over fret 12, strings 4 3 2: D4 G4 B4");
        assertThat(HarmonicChord.of(Instrument.STANDARD, ChordSymbol.parse("D")))
                .filteredOn(one -> one.node().equals(HarmonicNode.parse("1/3")))
                .first()
                .satisfies(one ->
                        assertThat(one.strings()).extracting(Harmonic::midi).contains(69, 74, 78));
        for (HarmonicChord chord : ofG) {
            assertThat(chord.strings()).hasSizeGreaterThanOrEqualTo(2).allMatch(one -> one.node()
                    .equals(chord.node()));
            assertThat(chord.strings()).extracting(one -> one.midi() % 12).isSubsetOf(7, 11, 2);
            long heard = chord.strings().stream()
                    .map(one -> one.midi() % 12)
                    .distinct()
                    .count();
            // root and third are required, the fifth may be left out
            assertThat(chord.missing()).isBetween((int) (2 - heard), (int) (3 - heard));
        }
        assertThat(ofG).isSortedAccordingTo(Comparator.comparingInt(HarmonicChord::missing));
    }
}
