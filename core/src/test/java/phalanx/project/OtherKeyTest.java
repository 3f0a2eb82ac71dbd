package phalanx.project;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import phalanx.guitar.Guitar;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.guitar.StringSet;
import phalanx.song.MelodyNote;
import phalanx.song.Meter;
import phalanx.song.Songs;
import phalanx.theory.Key;

/** A song taken to another key by what a player types. */
class OtherKeyTest {
    private static final List<String> TONICS = List.of("C", "C#", "D", "Eb", "E", "F", "F#", "G", "Ab", "A", "Bb", "B");

    private static Project in(String key, int capo) {
        Project project = Project.of(
                Songs.of(key, Meter.COMMON, "C", "C4:1 E4:1 G4:2"),
                new Setup(Guitar.STEEL, StringSet.Named.STEEL_LIGHT.set(), Hand.AVERAGE));
        return project.withInstrument(project.instrument().withCapo(capo));
    }

    private static int moved(Project before, Project after) {
        List<MelodyNote> one = before.song().melody();
        List<MelodyNote> other = after.song().melody();
        int by = other.get(0).midi() - one.get(0).midi();
        for (int i = 0; i < one.size(); i++) {
            assertThat(other.get(i).midi() - one.get(i).midi()).isEqualTo(by);
        }
        return by;
    }

    /** By the nearest way, half an octave at most, the same capo; the mode stays. */
    @Property
    void aSongGoesTheNearestWay(
            @ForAll @IntRange(max = 11) int from, @ForAll @IntRange(max = 11) int to, @ForAll boolean minor) {
        Project before = in(TONICS.get(from) + (minor ? " minor" : ""), 2);
        Project after = before.inKey(TONICS.get(to) + (minor && to % 2 == 0 ? "m" : ""));
        assertThat(after.song().key().tonic().pitchClass()).isEqualTo(to);
        assertThat(after.song().key().mode()).isEqualTo(before.song().key().mode());
        int by = moved(before, after);
        assertThat(Math.floorMod(by - (to - from), 12)).isZero();
        assertThat(by).isBetween(-5, 6);
        assertThat(after.instrument().capo()).isEqualTo(2);
    }

    /** By the capo the hand holds what it held: the song goes as far as the capo. */
    @Property
    void byTheCapoTheShapesStay(
            @ForAll @IntRange(max = 11) int from,
            @ForAll @IntRange(max = 11) int to,
            @ForAll @IntRange(max = 5) int capo) {
        Project before = in(TONICS.get(from), capo);
        int up = Math.floorMod(to - from, 12);
        boolean goes = capo + up <= Instrument.HIGHEST_CAPO || capo + up - 12 >= 0;
        if (!goes) {
            assertThatThrownBy(() -> before.inKey(TONICS.get(to) + " capo"))
                    .isInstanceOf(IllegalArgumentException.class)
                    .hasMessageContaining("capo");
            return;
        }
        Project after = before.inKey(TONICS.get(to) + " Capo ");
        assertThat(after.song().key().tonic().pitchClass()).isEqualTo(to);
        assertThat(moved(before, after)).isEqualTo(after.instrument().capo() - capo);
    }

    @Example
    void whatIsNoKeyIsRefused() {
        assertThatThrownBy(() -> in("C", 0).inKey("H sharp")).isInstanceOf(IllegalArgumentException.class);
        assertThat(in("C", 0).inKey("C").song().key()).isEqualTo(Key.C_MAJOR);
    }
}
