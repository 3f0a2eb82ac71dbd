package phalanx.song;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import phalanx.theory.Key;
import phalanx.theory.Pitch;

class SongTest {
    @ParameterizedTest
    @CsvSource({
        "4, 4, 6720, 1680, 840",
        "3, 4, 5040, 1680, 840",
        "6, 8, 5040, 2520, 840",
        "12, 8, 10080, 2520, 840",
        "2, 2, 6720, 3360, 1680",
        "7, 8, 5880, 1680, 840",
        "3, 8, 2520, 2520, 840"
    })
    void beatsAndStepsOfMeters(int beats, int unit, int bar, int beat, int step) {
        Meter meter = new Meter(beats, unit);
        assertThat(meter.barTicks()).isEqualTo(bar);
        assertThat(meter.beatTicks()).isEqualTo(beat);
        assertThat(meter.stepTicks()).isEqualTo(step);
    }

    @Test
    void beats() {
        Bar four = new Bar(3, 6720, 6720, Meter.COMMON);
        assertThat(four.beatOf(6720 + 2520)).isEqualTo(2.5);
        Bar pickup = new Bar(0, 0, 1680, Meter.COMMON);
        assertThat(pickup.beatOf(0)).isEqualTo(4);
    }

    @Property(tries = 100)
    void transposingIsUndoneByTheOppositeMove(
            @ForAll @IntRange(max = 500) int seed, @ForAll @IntRange(min = -12, max = 12) int semitones) {
        Song song = Songs.random(seed, 4);
        Song moved = song.transpose(semitones);
        assertThat(moved.melody()).hasSameSizeAs(song.melody());
        for (int i = 0; i < song.melody().size(); i++) {
            assertThat(moved.melody().get(i).midi())
                    .isEqualTo(song.melody().get(i).midi() + semitones);
        }
        Song back = moved.transpose(-semitones);
        assertThat(back.key().tonic().pitchClass()).isEqualTo(song.key().tonic().pitchClass());
        assertThat(back.melody())
                .extracting(MelodyNote::midi)
                .isEqualTo(song.melody().stream().map(MelodyNote::midi).toList());
    }

    @Property(tries = 100)
    void everyTickHasItsBarAndItsMelody(@ForAll @IntRange(max = 500) int seed) {
        Song song = Songs.random(seed, 5);
        for (int tick = 0; tick < song.endTick(); tick += 420) {
            assertThat(song.barAt(tick).contains(tick)).isTrue();
        }
        int middle = song.endTick() / 2;
        assertThat(song.melodyBetween(0, middle).size()
                        + song.melodyBetween(middle, song.endTick()).size())
                .isEqualTo(song.melody().size());
    }

    @Test
    void impossibleSongsAreRefusedWithTheReason() {
        List<Bar> one = List.of(new Bar(1, 0, 6720, Meter.COMMON));
        MelodyNote note = new MelodyNote(0, 6720, Pitch.parse("C4"));
        MelodyNote overlapping = new MelodyNote(840, 840, Pitch.parse("D4"));
        assertThatThrownBy(() -> song(one, 19, List.of())).hasMessageContaining("tempo 19");
        assertThatThrownBy(() -> song(List.of(), 90, List.of())).hasMessageContaining("not 0");
        assertThatThrownBy(() -> song(one, 90, List.of(note, overlapping))).hasMessageContaining("D4 at tick 840");
        assertThatThrownBy(() -> song(one, 90, List.of(new MelodyNote(6000, 840, Pitch.parse("C4")))))
                .hasMessageContaining("after the last bar");
        assertThatThrownBy(() -> song(List.of(new Bar(1, 5, 10, Meter.COMMON)), 90, List.of()))
                .hasMessageContaining("bar 1");
        assertThatThrownBy(() -> new Meter(4, 3)).hasMessageContaining("4/3");
    }

    private static Song song(List<Bar> bars, int tempo, List<MelodyNote> melody) {
        return new Song("x", Key.C_MAJOR, tempo, bars, List.of(), List.of(), melody);
    }
}
