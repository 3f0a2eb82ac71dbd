package phalanx.words;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Locale;
import org.junit.jupiter.api.Test;

class WordsTest {
    private final Words english = new Words(Locale.ROOT);
    private final Words italian = new Words(Locale.ITALIAN);

    @Test
    void theSameKeySaysTheSameInEachLanguage() {
        assertThat(english.say("Passage.bars-to-of", 3, 5, 8)).isEqualTo("bars 3 to 5 of 8");
        assertThat(italian.say("Passage.bars-to-of", 3, 5, 8)).isEqualTo("battute da 3 a 5 di 8");
        assertThat(english.say("Ladder.all-bars")).isEqualTo("all bars");
    }

    /** Texts are joined elsewhere: a space at an end belongs to the sentence. */
    @Test
    void spacesAtTheEndsStay() {
        assertThat(english.say("FingerMove.finger", 2)).isEqualTo("finger 2 ");
        assertThat(italian.say("LockAudit.over-several-strings")).isEqualTo(" su più corde");
    }

    @Test
    void whatHasNoWordsOrNoValueIsAFault() {
        assertThatThrownBy(() -> english.say("Passage.nothing"))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("Passage.nothing");
        assertThatThrownBy(() -> english.say("Passage.bars-to-of", 3))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("bars");
    }

    /** What a value holds is never taken for a place. */
    @Test
    void valuesAreSaidAsTheyAre() {
        assertThat(english.say("PatternText.line", "{1}", "{0} \\ %s")).isEqualTo("line {1}: {0} \\ %s");
    }

    @Test
    void aSentenceThatIsKeptIsKnownByItsEnglish() {
        Said bar = Said.of("Passage.bar", 7);
        Said said = Said.of("Ladder.thumb-alone", Said.of("Passage.over", bar, "D/F#"));
        assertThat(said.english()).isEqualTo("bar 7 (D/F#), thumb alone");
        assertThat(said).isEqualTo(Said.of("Ladder.thumb-alone", Said.of("Passage.over", bar, "D/F#")));
    }

    @Test
    void languagesAreNamedByTheirLettersWithOrWithoutACountry() {
        assertThat(Language.of("it_CH.UTF-8")).hasValue(Language.ITALIAN);
        assertThat(Language.of("EN-gb")).hasValue(Language.ENGLISH);
        assertThat(Language.of("fr")).isEmpty();
        assertThat(Language.of("")).isEmpty();
    }
}
