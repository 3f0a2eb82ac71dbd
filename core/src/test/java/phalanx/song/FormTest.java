package phalanx.song;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FormTest {
    /** Bars by letter with marks: {@code |:} before, {@code :|} or {@code :|3} after, {@code 1} or {@code 1,2} endings. */
    private static List<BarMarks> marks(String text) {
        return Arrays.stream(text.split(" ")).map(FormTest::mark).toList();
    }

    private static BarMarks mark(String word) {
        Set<Integer> endings = Arrays.stream(word.replaceAll("[^0-9,\\[]", " ").split("\\s+"))
                .filter(part -> part.startsWith("["))
                .flatMap(part -> Arrays.stream(part.substring(1).split(",")))
                .map(Integer::parseInt)
                .collect(Collectors.toSet());
        Set<BarMarks.Sign> signs = Arrays.stream(BarMarks.Sign.values())
                .filter(sign -> word.contains("{" + sign + "}"))
                .collect(Collectors.toSet());
        Optional<BarMarks.Jump> jump = Arrays.stream(BarMarks.Jump.values())
                .filter(one -> word.contains("{" + one + "}"))
                .findFirst();
        int times = word.contains(":|3") ? 3 : word.contains(":|") ? 2 : 0;
        return new BarMarks(word.startsWith("|:"), times, endings, signs, jump);
    }

    /** How players read these marks; common practice, no source. */
    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "a b c; 0 1 2",
                "a b:|; 0 1 0 1",
                "a |:b c:| d; 0 1 2 1 2 3",
                "a b:|3 c; 0 1 0 1 0 1 2",
                "|:a b [1c:| [2d e; 0 1 2 0 1 3 4",
                "|:a [1,2b:| [3c d; 0 1 0 1 0 2 3",
                "|:a [1b:| [2c |:d e:|; 0 1 0 2 3 4 3 4",
                "a b{FINE} c d{DA_CAPO}; 0 1 2 3 0 1",
                "a {SEGNO}b c{TO_CODA} d{DAL_SEGNO} {CODA}e f; 0 1 2 3 1 2 4 5",
                "|:a b:| c{FINE} d{DA_CAPO}; 0 1 0 1 2 3 0 1 2",
                "|:a [1b:| [2c{FINE} d{DA_CAPO}; 0 1 0 2 3 0 2",
                "a{DA_CAPO} b; 0 0 1"
            })
    void barsArePlayedInTheirOrder(String written, String played) {
        assertThat(PlayingOrder.of(marks(written.trim())).stream()
                        .map(String::valueOf)
                        .collect(Collectors.joining(" ")))
                .isEqualTo(played.trim());
    }

    @Test
    void marksThatLeadNowhereAreRefused() {
        assertThatThrownBy(() -> PlayingOrder.of(marks("a b{DAL_SEGNO}"))).hasMessageContaining("segno");
        assertThatThrownBy(() -> PlayingOrder.of(marks("a {SEGNO}b{TO_CODA} c{DAL_SEGNO}")))
                .hasMessageContaining("coda");
        assertThatThrownBy(() -> PlayingOrder.of(marks("[2a [2b"))).hasMessageContaining("no bar");
        assertThatThrownBy(() -> new BarMarks(false, 1000, Set.of(), Set.of(), Optional.empty()))
                .hasMessageContaining("1000");
        assertThatThrownBy(() -> Unfolding.of(Songs.random(1, 4), List.of())).hasMessageContaining("marks");
    }

    /** Any marks at all: an order within the song or one clear refusal, never a hang. */
    @Property(tries = 500)
    void anyMarksEnd(@ForAll @Size(min = 1, max = 12) List<@IntRange(min = 0, max = 4095) Integer> codes) {
        List<BarMarks> marks = codes.stream().map(FormTest::fromBits).toList();
        try {
            List<Integer> order = PlayingOrder.of(marks);
            assertThat(order).isNotEmpty().allMatch(bar -> bar >= 0 && bar < marks.size());
        } catch (IllegalArgumentException e) {
            assertThat(e.getMessage()).isNotBlank();
        }
    }

    private static BarMarks fromBits(int bits) {
        List<BarMarks.Sign> signs = new ArrayList<>();
        for (BarMarks.Sign sign : BarMarks.Sign.values()) {
            if ((bits >> 4 + sign.ordinal() & 1) == 1) {
                signs.add(sign);
            }
        }
        Set<Integer> endings = (bits >> 8 & 3) == 0 ? Set.of() : Set.of(bits >> 8 & 3);
        int jump = bits >> 10 & 3;
        return new BarMarks(
                (bits & 1) == 1,
                bits >> 1 & 3,
                endings,
                Set.copyOf(signs),
                jump < 2 ? Optional.empty() : Optional.of(BarMarks.Jump.values()[jump - 2]));
    }

    @Test
    void aSongIsWrittenOutWithItsChordsAndHeldNotes() {
        Song written = Songs.of("C", Meter.COMMON, "C . G F", "C4:4 D4:6 E4:2 F4:4");
        Song played = Unfolding.of(written, marks("a |:b [1c:| [2d"));
        assertThat(played.bars()).extracting(Bar::number).containsExactly(1, 2, 3, 4, 5);
        assertThat(played.chart()).extracting(ChordChange::symbol).containsExactly("C", "G", "C", "F");
        assertThat(played.chart().get(2).startTick()).isEqualTo(3 * Ticks.WHOLE);
        assertThat(played.melody())
                .extracting(note -> note.pitch() + ":" + note.lengthTicks() / (double) Ticks.QUARTER)
                .containsExactly("C4:4.0", "D4:6.0", "E4:2.0", "D4:4.0", "F4:4.0");
        assertThat(Unfolding.of(written, marks("a b c d"))).isSameAs(written);
    }

    /** Common practice, no source. */
    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "C; E4:1 D4:1 C4:2; chord tone, passing, chord tone",
                "C; C4:1 D4:1 C4:2; chord tone, neighbour, chord tone",
                "F; C4:1 G4:1 F4:2; chord tone, appoggiatura, chord tone",
                "G; D4:1 E4:1 B4:2; chord tone, escape, chord tone",
                "C G; C5:6 B4:2; suspension, chord tone",
                "C G; C5:4 C5:2 B4:2; chord tone, suspension, chord tone",
                "N.C.; C4:4; no chord",
                "C; F4:4; outside the chord"
            })
    void notesOutsideTheChordAreNamed(String chords, String tune, String kinds) {
        Song song = Songs.of("C", Meter.COMMON, chords.trim(), tune.trim());
        assertThat(SongHarmony.of(song).tune().stream()
                        .map(note -> note.kind().label())
                        .collect(Collectors.joining(", ")))
                .isEqualTo(kinds.trim());
    }

    @Test
    void aHeldBassUnderChangingChordsIsAPedal() {
        SongHarmony harmony = SongHarmony.of(Songs.of("C", Meter.COMMON, "F C G/C F/C C", "F4:4"));
        assertThat(harmony.pedals()).singleElement().satisfies(pedal -> {
            assertThat(pedal.startTick()).isEqualTo(Ticks.WHOLE);
            assertThat(pedal.endTick()).isEqualTo(5 * Ticks.WHOLE);
            assertThat(pedal.bass()).hasToString("C");
        });
        assertThat(harmony.key()).hasToString("C");
        assertThat(harmony.chords())
                .extracting(placed -> placed.function().roman())
                .containsExactly("IV", "I", "V/1", "IV64", "I");
    }
}
