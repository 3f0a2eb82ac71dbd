package phalanx.song;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Collectors;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import phalanx.theory.Pitch;

/** Bars put in and taken out: everything after them goes along, everything before them stays. */
class BarEditTest {
    private static final int BAR = Ticks.WHOLE;

    private static String tune(Song song) {
        return song.melody().stream()
                .map(note -> note.pitch() + "@" + note.tick() / (double) Ticks.QUARTER)
                .collect(Collectors.joining(" "));
    }

    private static Optional<ChordChange> chordAt(Song song, int tick) {
        return song.chart().stream()
                .filter(change -> change.startTick() <= tick)
                .reduce((first, second) -> second)
                .map(change -> change.at(0));
    }

    private static Song song() {
        return Songs.of("C", Meter.COMMON, "C F . G7", "C4:4 E4:2 F4:4 G4:2 A4:4");
    }

    @Example
    void anEmptyBarGoesInAndTheTuneThatRangOverItIsCut() {
        Song song = song().withSections(List.of(new Section("A", 0), new Section("B", 2 * BAR)));
        BarEdit.Edited edited = BarEdit.insert(song, 2, 1, Meter.COMMON);
        assertThat(edited.song().bars()).extracting(Bar::number).containsExactly(1, 2, 3, 4, 5);
        assertThat(tune(edited.song())).isEqualTo("C4@0.0 E4@4.0 F4@6.0 G4@14.0 A4@16.0");
        assertThat(edited.song().melody().get(2).lengthTicks()).isEqualTo(2 * Ticks.QUARTER);
        assertThat(edited.song().chart()).extracting(ChordChange::startTick).containsExactly(0, BAR, 4 * BAR);
        assertThat(edited.song().sections()).extracting(Section::startTick).containsExactly(0, 3 * BAR);
        assertThat(edited.moved().stretch(BAR, 4 * BAR)).contains(new Moved.Stretch(BAR, 5 * BAR));
    }

    @Example
    void aBarGoesOutAndItsChordHoldsOnWhereItHeld() {
        BarEdit.Edited edited = BarEdit.delete(song(), 1, 2);
        assertThat(tune(edited.song())).isEqualTo("C4@0.0 G4@6.0 A4@8.0");
        assertThat(edited.song().chart()).extracting(ChordChange::symbol).containsExactly("C", "F", "G7");
        assertThat(edited.song().chart()).extracting(ChordChange::startTick).containsExactly(0, BAR, 2 * BAR);
        assertThat(edited.moved().stretch(BAR, 2 * BAR)).isEmpty();
        assertThat(edited.moved().stretch(BAR, 3 * BAR)).contains(new Moved.Stretch(BAR, 2 * BAR));
        assertThatThrownBy(() -> BarEdit.delete(song(), 0, 4)).hasMessageContaining("one bar at least");
    }

    @Property(tries = 200)
    void takingOutWhatWasPutInGivesTheSameSong(@ForAll long seed) {
        Song song = Songs.random(seed, 8);
        Random random = new Random(seed);
        int index = random.nextInt(song.bars().size() + 1);
        int count = 1 + random.nextInt(3);
        Meter meter = random.nextBoolean() ? new Meter(3, 4) : Meter.COMMON;
        BarEdit.Edited longer = BarEdit.insert(song, index, count, meter);
        Song again = BarEdit.delete(longer.song(), index, index + count).song();
        int at = longer.moved().at();
        assertThat(again.bars()).isEqualTo(song.bars());
        assertThat(again.sections()).isEqualTo(song.sections());
        assertThat(again.chart()).isEqualTo(song.chart());
        assertThat(again.melody())
                .isEqualTo(song.melody().stream()
                        .map(note -> note.tick() < at && note.endTick() > at ? note.lasting(at - note.tick()) : note)
                        .toList());
    }

    @Property(tries = 200)
    void everyBarThatStaysKeepsItsChordAndItsTune(@ForAll long seed) {
        Song song = Songs.random(seed, 8);
        Random random = new Random(seed);
        int from = random.nextInt(song.bars().size());
        int to = Math.min(song.bars().size(), from + 1 + random.nextInt(3));
        if (to - from == song.bars().size()) {
            return;
        }
        Song shorter = BarEdit.delete(song, from, to).song();
        for (int i = 0; i < shorter.bars().size(); i++) {
            Bar old = song.bars().get(i < from ? i : i + to - from);
            Bar bar = shorter.bars().get(i);
            assertThat(bar.lengthTicks()).isEqualTo(old.lengthTicks());
            assertThat(chordAt(shorter, bar.startTick()))
                    .as("chord of bar " + bar.number())
                    .isEqualTo(chordAt(song, old.startTick()));
            assertThat(shorter.melodyBetween(bar.startTick(), bar.endTick()))
                    .extracting(note -> note.tick() - bar.startTick(), MelodyNote::pitch)
                    .isEqualTo(song.melodyBetween(old.startTick(), old.endTick()).stream()
                            .map(note -> tuple(note.tick() - old.startTick(), note.pitch()))
                            .toList());
        }
    }

    @Example
    void aBarTypedIntoTheChartTakesTheTuneAlong() {
        Song song = song();
        Song longer = ChartText.parse("| C | Am | F | . | G7 |", Meter.COMMON).over(song);
        assertThat(tune(longer)).isEqualTo("C4@0.0 E4@8.0 F4@10.0 G4@14.0 A4@16.0");
        assertThat(ChartText.moved(song, longer)).contains(new Moved(BAR, 0, BAR));
        Song shorter = ChartText.parse("| C | F | G7 |", Meter.COMMON).over(song);
        assertThat(tune(shorter)).isEqualTo("C4@0.0 E4@4.0 F4@6.0 A4@8.0");
        Song other = ChartText.parse("| C | F | . | Am |", Meter.COMMON).over(song);
        assertThat(tune(other)).as("another chord moves nothing").isEqualTo(tune(song));
        Song after = ChartText.parse("| C | F | . | G7 | C |", Meter.COMMON).over(song);
        assertThat(tune(after)).as("a bar at the end moves nothing").isEqualTo(tune(song));
    }

    @Example
    void wordsStayWhereTheyAreWhenANoteIsPutInTheirPlace() {
        Song song = song();
        Song sung = song.withMelody(song.melody().stream()
                .map(note -> note.tick() == 0 ? note.sung(Optional.of("weir")) : note)
                .toList());
        Song other = TuneEdit.put(sung, new MelodyNote(0, Ticks.QUARTER, Pitch.parse("E4")));
        assertThat(other.melody().get(0).syllable()).contains("weir");
    }
}
