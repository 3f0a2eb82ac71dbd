package phalanx.song;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import phalanx.theory.Key;
import phalanx.theory.Pitch;

/** Passages, sections that come again, words with chords, other chords, voices. */
class EditingTest {
    /** A passage put back where it came from changes nothing; put in elsewhere it is found there again. */
    @Property(tries = 200)
    void passagesArePutInWhole(@ForAll long seed, @ForAll @IntRange(min = 0, max = 5) int bar) {
        Song song = Songs.random(seed, 6);
        Random random = new Random(seed);
        int last = bar + random.nextInt(6 - bar);
        Passage whole = Passage.of(
                song, song.bars().get(bar).startTick(), song.bars().get(last).endTick());
        int to = song.bars().get(random.nextInt(6)).startTick();
        Song pasted = whole.into(song, to);
        Passage again = Passage.of(pasted, to, to + whole.lengthTicks());
        assertThat(again.tune()).isEqualTo(whole.tune());
        assertThat(chordAt(again)).isEqualTo(chordAt(whole));
        boolean cut = song.melody().stream()
                .anyMatch(note -> note.tick() < song.bars().get(last).endTick()
                        && note.endTick() > song.bars().get(last).endTick());
        if (!cut
                && song.melody().stream()
                        .noneMatch(note -> note.tick() < song.bars().get(bar).startTick()
                                && note.endTick() > song.bars().get(bar).startTick())) {
            assertThat(whole.into(song, song.bars().get(bar).startTick()).melody())
                    .isEqualTo(song.melody());
        }
    }

    private static List<String> chordAt(Passage passage) {
        return passage.chords().stream()
                .map(change -> change.startTick() + change.symbol())
                .toList();
    }

    @Test
    void aShortPassageLeavesTheChordsAndTheSongGrowsWhereItMust() {
        Song song = Songs.of("C", Meter.COMMON, "C F", "C5:1 D5:1 E5:2 F5:4");
        Passage two = Passage.of(song, 0, 2 * Ticks.QUARTER);
        assertThat(two.withChords()).isFalse();
        Song longer = two.into(song, 8 * Ticks.QUARTER);
        assertThat(longer.bars()).hasSize(3);
        assertThat(longer.chart()).isEqualTo(song.chart());
        assertThat(longer.melody()).hasSize(6);
        Song bars = Passage.of(song, 0, song.endTick()).into(song, song.endTick());
        assertThat(bars.chart()).extracting(ChordChange::symbol).containsExactly("C", "F", "C", "F");
        assertThatThrownBy(() -> Passage.of(song, 5, 5)).hasMessageContaining("0 ticks");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "[G]Down by the [D/F#]weir we [Em]stood~[C]waiting for the [D7]tide;| G | D/F# | Em |~| C | D7 |",
                "Verse:~G       D~Down by the weir~[Bridge]~Am7   N.C.~nobody came;[Verse]~| G | D |~[Bridge]~| Am7 | N.C. |",
                "G D Em C G D~one two three four;| G | D | Em | C |~| G | D |",
                "no chords in here at all;",
                "| G | C |;",
                "G C D;"
            })
    void wordsWithChordsBecomeAChart(String text, String chart) {
        assertThat(LyricSheet.toChart(text.replace('~', '\n'))
                        .map(String::strip)
                        .orElse(null))
                .isEqualTo(chart == null ? null : chart.replace('~', '\n'));
        if (chart != null) {
            assertThat(ChartText.parse(chart.replace('~', '\n'), Meter.COMMON).mistakes())
                    .isEmpty();
        }
    }

    private static Song sectioned() {
        Song song = Songs.of("C", Meter.COMMON, "C F C G C F C F", "C5:4 A4:4 E5:4 D5:4 C5:4 A4:4 E5:4 D5:4");
        int bar = Meter.COMMON.barTicks();
        return song.withSections(List.of(
                new Section("A", 0), new Section("A", 2 * bar), new Section("A", 4 * bar), new Section("A", 6 * bar)));
    }

    @Test
    void sectionsThatAreWrittenTheSameComeAgain() {
        Song song = sectioned();
        int bar = Meter.COMMON.barTicks();
        assertThat(new Reprises(song).find()).containsExactly(new Reprises.Reprise(0, 4 * bar, 2 * bar));
        assertThat(new Reprises(song).comesAgain(1)).isFalse();
        List<Section> varied = List.of(
                song.sections().get(0),
                song.sections().get(1),
                new Section("A", 4 * bar, true),
                song.sections().get(3));
        assertThat(new Reprises(song.withSections(varied)).find()).isEmpty();
        assertThat(new Reprises(song.withSections(varied)).comesAgain(2)).isTrue();
    }

    /** Whatever is offered, the long tune notes and those that begin with the chord belong to it. */
    @Property(tries = 150)
    void everyOtherChordThatIsOfferedAgreesWithTheTune(@ForAll long seed) {
        Song song = Songs.random(seed, 6);
        Reharmony reharmony = new Reharmony(song, song.key());
        for (int i = 0; i < song.chart().size(); i++) {
            int from = song.chart().get(i).startTick();
            int to = song.chordEnd(i);
            for (Reharmony.Hint hint : reharmony.hints(i)) {
                assertThat(hint.chord().pitchClasses())
                        .isNotEqualTo(song.chart().get(i).chord().orElseThrow().pitchClasses());
                assertThat(song.melodyBetween(from, to).stream()
                                .filter(note -> note.tick() == from
                                        || Math.min(note.endTick(), to) - note.tick() > Ticks.QUARTER / 2))
                        .allMatch(note -> (hint.chord().pitchClasses() >> note.midi() % 12 & 1) == 1);
            }
        }
    }

    /** Substitutions of the usual kinds. Common practice, no source. */
    @Test
    void usualOtherChordsAreOffered() {
        Song song = Songs.of("C", Meter.COMMON, "C F G7 C", "E5:4 C5:4 G4:4 C5:4");
        Reharmony reharmony = new Reharmony(song, Key.C_MAJOR);
        assertThat(reharmony.hints(0))
                .extracting(hint -> hint.chord().text())
                .contains("Am", "Em")
                .doesNotContain("Gb7");
        assertThat(reharmony.hints(1)).extracting(hint -> hint.chord().text()).contains("Fm", "Am", "D7");
        assertThat(reharmony.hints(2)).extracting(hint -> hint.chord().text()).contains("G7sus4", "Em");
    }

    @Test
    void aSectionInAnotherKeyHasItsOwnNumerals() {
        Song song = Songs.of("C", Meter.COMMON, "C F G7 C Eb Ab Bb7 Eb", "C5:4 C5:4 B4:4 C5:4 Bb4:4 C5:4 D5:4 Eb5:4");
        int bar = Meter.COMMON.barTicks();
        SongHarmony one = SongHarmony.of(song);
        assertThat(one.keys()).hasSize(1);
        SongHarmony two = SongHarmony.of(song.withSections(List.of(new Section("A", 0), new Section("B", 4 * bar))));
        assertThat(two.keyAt(0)).isEqualTo(Key.C_MAJOR);
        assertThat(two.keyAt(5 * bar)).isEqualTo(Key.parse("Eb"));
        assertThat(two.chords())
                .extracting(placed -> placed.function().roman())
                .containsExactly("I", "IV", "V7", "I", "I", "IV", "V7", "I");
    }

    @ParameterizedTest
    @CsvSource({"A2 to D4, 45, 62", "C3-C5, 48, 72", "g3 e5, 55, 76"})
    void voicesAreRead(String text, int low, int high) {
        assertThat(VoiceRange.parse(text.toUpperCase(java.util.Locale.ROOT).replace("TO", "to")))
                .isEqualTo(new VoiceRange(low, high));
    }

    @Test
    void aTuneIsSungInTheOctaveThatFits() {
        VoiceRange low = VoiceRange.parse("A2 to D4");
        assertThat(low.octavesFor(Pitch.parse("B3").midi(), Pitch.parse("D5").midi()))
                .contains(-1);
        assertThat(low.octavesFor(Pitch.parse("B2").midi(), Pitch.parse("C4").midi()))
                .contains(0);
        assertThat(low.octavesFor(Pitch.parse("B3").midi(), Pitch.parse("F5").midi()))
                .isEmpty();
        assertThatThrownBy(() -> VoiceRange.parse("high")).hasMessageContaining("is not a range");
        assertThatThrownBy(() -> VoiceRange.parse("D4 to A2")).hasMessageContaining("lower pitch");
    }

    /** Words go under the notes and stay with them when the tune is moved, copied, written out. */
    @Test
    void wordsStayWithTheirNotes() {
        Song song = Songs.of("C", Meter.COMMON, "C F", "C5:1 D5:1 E5:2 F5:2 E5:2");
        Song sung = Words.under(song, Ticks.QUARTER, "Har-bour _ lights");
        assertThat(Words.of(sung, 0)).isEqualTo("_ Har-bour _ lights");
        assertThat(Words.of(sung.transpose(3), 0)).isEqualTo("_ Har-bour _ lights");
        assertThat(Words.of(Passage.of(sung, 0, 6720).into(sung, sung.endTick()), sung.endTick()))
                .isEqualTo("_ Har-bour");
        assertThat(Words.of(Words.under(sung, 0, "_ _"), 0)).isEqualTo("_ _ bour _ lights");
        Song repeated = Unfolding.of(
                sung,
                List.of(
                        new BarMarks(true, 0, java.util.Set.of(), java.util.Set.of(), java.util.Optional.empty()),
                        new BarMarks(false, 2, java.util.Set.of(), java.util.Set.of(), java.util.Optional.empty())));
        assertThat(Words.of(repeated, 0)).isEqualTo("_ Har-bour _ lights _ Har-bour _ lights");
        assertThatThrownBy(() -> song.melody().get(0).sung(java.util.Optional.of("two words")))
                .hasMessageContaining("not a syllable");
    }
}
