package phalanx.song;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.Collectors;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import phalanx.song.build.SongBuilder;
import phalanx.theory.Key;
import phalanx.theory.Pitch;

class ChordProposalTest {
    /** A tune of quarter notes, bar by bar; a dot holds. */
    private static Song tune(String key, Meter meter, String text) {
        SongBuilder builder = new SongBuilder();
        builder.key(Key.parse(key));
        builder.meter(meter);
        for (String bar : text.strip().split("\\|")) {
            int onset = 0;
            List<phalanx.song.build.Tone> tones = new ArrayList<>();
            for (String word : bar.strip().split("\\s+")) {
                if (word.equals(".")) {
                    tones.get(tones.size() - 1).last(tones.get(tones.size() - 1).length() + Ticks.QUARTER);
                } else {
                    tones.add(builder.note("1", onset, Ticks.QUARTER, Pitch.parse(word)));
                }
                onset += Ticks.QUARTER;
            }
            builder.endBar(onset, BarMarks.NONE, true);
        }
        return builder.build("1", "Tune").written().withChart(List.of());
    }

    private static String words(Song song) {
        return song.bars().stream()
                .map(bar -> song.chart().stream()
                        .filter(change -> bar.contains(change.startTick()))
                        .map(ChordChange::symbol)
                        .collect(Collectors.joining(" ")))
                .collect(Collectors.joining("|"));
    }

    /** Tunes on the tones of plain chords, of our own. */
    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "C; C4 E4 G4 E4|A4 F4 A4 C5|B4 D5 G4 B4|C5 . . .; C?|F?|G?|C?",
                "G; G4 B4 D5 B4|C5 E5 C5 G4|D5 F#5 A5 C5|B4 G4 G4 .; G?|C?|D7?|G?",
                "Am; A4 C5 E5 C5|D5 F5 A5 F5|E5 G#5 B5 G#5|A5 . . .; Am?|Dm?|E?|Am?",
                "D; A4 F#4 D4 F#4|E4 G4 B4 G4|A4 C#5 E5 C#5|D5 . . .; D?|Em?|A?|D?"
            })
    void plainChordsAreHeard(String key, String notes, String chords) {
        Song song = tune(key, Meter.COMMON, notes);
        assertThat(words(new ChordProposal(song).propose(List.of()))).isEqualTo(chords.strip());
    }

    @Test
    void whatSoundsWithTheTuneDecides() {
        Song song = tune("C", Meter.COMMON, "E4 . . .|E4 . . .|E4 . . .|C4 . . .");
        assertThat(words(new ChordProposal(song).propose(List.of()))).isEqualTo("C?|||");
        int bar = Meter.COMMON.barTicks();
        List<ChordProposal.Sounding> minor = new ArrayList<>();
        for (int midi : new int[] {45, 52, 57, 60}) {
            minor.add(new ChordProposal.Sounding(bar, 2 * bar, midi));
        }
        assertThat(words(new ChordProposal(song).propose(minor))).isEqualTo("C?|Am?|C?|");
    }

    @Test
    void aPickupHasNoChordAndAKeyIsFoundWhereNoneIsGiven() {
        SongBuilder builder = new SongBuilder();
        builder.note("1", 0, Ticks.QUARTER, Pitch.parse("D4"));
        builder.endBar(Ticks.QUARTER, BarMarks.NONE, true);
        for (String text : List.of("G4", "C5", "E4", "D4", "B4", "A4", "F#4", "G4")) {
            builder.note("1", 0, 2 * Ticks.QUARTER, Pitch.parse(text));
            builder.note("1", 2 * Ticks.QUARTER, 2 * Ticks.QUARTER, Pitch.parse("G4"));
            builder.endBar(Meter.COMMON.barTicks(), BarMarks.NONE, false);
        }
        Song song = builder.build("1", "x").song();
        assertThat(song.key()).hasToString("G");
        assertThat(song.chart().get(0).startTick()).isEqualTo(Ticks.QUARTER);
        assertThat(song.chart()).allMatch(ChordChange::proposed);
        assertThat(builder.report().lines()).contains(SongBuilder.NO_CHORDS);
    }

    /** Any tune: chords on half bars, from the first whole bar on, the tonic last where it has the last note. */
    @Property(tries = 100)
    void proposalsKeepToGridAndKey(@ForAll long seed) {
        Random random = new Random(seed);
        Key key = Key.ofFifths(random.nextInt(9) - 4, random.nextBoolean() ? Key.Mode.MAJOR : Key.Mode.MINOR);
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < 32; i++) {
            int midi = 60 + random.nextInt(20);
            text.append(Pitch.of(midi, key)).append(i % 4 == 3 ? "|" : " ");
        }
        Song song = new ChordProposal(tune(key.toString(), Meter.COMMON, text.toString())).propose(List.of());
        int half = Meter.COMMON.barTicks() / 2;
        assertThat(song.chart()).allMatch(change -> change.startTick() % half == 0 && change.proposed());
        assertThat(song.chart().get(0).startTick()).isZero();
        int last = song.melody().get(song.melody().size() - 1).midi() % 12;
        int end = song.chart()
                .get(song.chart().size() - 1)
                .chord()
                .orElseThrow()
                .root()
                .pitchClass();
        Key major = Key.ofFifths(key.fifths(), Key.Mode.MAJOR);
        Key minor = Key.ofFifths(key.fifths(), Key.Mode.MINOR);
        boolean inBoth = List.of(major, minor).stream().allMatch(one -> List.of(0, 2, 4).stream()
                .anyMatch(step -> one.scale().get(step).pitchClass() == last));
        if (inBoth) {
            assertThat(end).isIn(major.tonic().pitchClass(), minor.tonic().pitchClass());
        }
    }

    @Test
    void aMarkIsTakenByRemovingIt() {
        ChordChange asked = ChordChange.parse(0, "Am7/G?");
        assertThat(asked.proposed()).isTrue();
        assertThat(asked.symbol()).isEqualTo("Am7/G?");
        assertThat(asked.name()).isEqualTo("Am7/G");
        assertThat(asked.taken()).isEqualTo(ChordChange.parse(0, "Am7/G"));
        assertThat(asked.at(7).transpose(2, Key.parse("D")).symbol()).isEqualTo("Bm7/A?");
        Song song = tune("C", Meter.COMMON, "C4 E4 G4 E4|C4 . . .");
        Song proposed = new ChordProposal(song).propose(List.of());
        ChartText typed = ChartText.parse(ChartText.of(proposed), Meter.COMMON);
        assertThat(typed.mistakes()).isEmpty();
        assertThat(typed.over(song).chart()).isEqualTo(proposed.chart());
    }
}
