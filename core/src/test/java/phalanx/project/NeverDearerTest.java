package phalanx.project;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import phalanx.arrange.demand.LimitLock;
import phalanx.arrange.demand.Octave;
import phalanx.arrange.demand.Wishes;
import phalanx.arrange.score.Arrangement;
import phalanx.guitar.Guitar;
import phalanx.guitar.Hand;
import phalanx.guitar.Reach;
import phalanx.guitar.StringSet;
import phalanx.song.MelodyNote;
import phalanx.song.Song;
import phalanx.song.Songs;
import phalanx.theory.Key;
import phalanx.theory.Pitch;

/**
 * What must hold between two answers whatever the weights are: how notes are spelled does not matter, and what makes
 * playing easier, or takes a limit away, never makes the answer dearer. Songs of up to twelve slots are
 * answered exactly, so that any difference is a fault of the search or of a cost.
 */
class NeverDearerTest {
    private static final int EXACT = 12;
    private static final Setup SETUP = new Setup(Guitar.STEEL, StringSet.Named.STEEL_LIGHT.set(), Hand.AVERAGE);

    private static Project project(Song song, Setup setup) {
        return Project.of(song, setup).withWishes(Wishes.USUAL.withOctave(Octave.AS_WRITTEN));
    }

    /** A song of few slots; others are cut to the notes that keep it so. */
    private static Song small(long seed) {
        Song song = Songs.random(seed, 2);
        List<MelodyNote> first = song.melody().stream().limit(8).toList();
        return song.withMelody(first);
    }

    private static Setup with(Hand hand) {
        return new Setup(Guitar.STEEL, SETUP.strings(), hand);
    }

    private static void assertNotDearer(Arrangement easier, Arrangement harder) {
        assertThat(harder.slots()).hasSameSizeAs(easier.slots());
        if (easier.slots().size() <= EXACT) {
            assertThat(easier.cost()).isLessThanOrEqualTo(harder.cost());
        }
    }

    @Property
    void whatMakesPlayingEasierNeverMakesItDearer(@ForAll long seed) {
        Song song = small(seed);
        Arrangement usual = Solve.of(project(song, SETUP));
        Hand hand = Hand.AVERAGE;
        double span = hand.spanMm();
        Map<String, Hand> easier = Map.of(
                "reaches further", hand.withReach(Reach.ofSpan(1.1 * span)),
                "thumb on two strings", hand.withThumb(Hand.Thumb.STRINGS_6_AND_5),
                "a strong little finger", hand.withComfort(new Hand.Comfort(0.5, 1)),
                "barres come easily", hand.withComfort(new Hand.Comfort(1, 0.5)),
                "moves faster", hand.withSpeed(new Hand.Speed(40, 48)));
        List<String> names = List.copyOf(easier.keySet());
        String name = names.get(new Random(seed).nextInt(names.size()));
        assertNotDearer(Solve.of(project(song, with(easier.get(name)))), usual);
        assertNotDearer(usual, Solve.of(project(song, with(hand.withThumb(Hand.Thumb.NEVER)))));
        assertNotDearer(Solve.of(project(song.withTempo(song.tempo() * 2 / 3), SETUP)), usual);
    }

    @Property
    void aLimitNeverMakesItCheaper(@ForAll long seed, @ForAll @IntRange(min = 2, max = 7) int fret) {
        Song song = small(seed);
        Project free = project(song, SETUP);
        Arrangement usual = Solve.of(free);
        Arrangement low = Solve.of(free.withWishes(free.wishes().withHighestFret(OptionalInt.of(fret))));
        Arrangement plain = Solve.of(free.withLock(new LimitLock(0, song.endTick(), OptionalInt.empty(), true)));
        assertNotDearer(usual, low);
        assertNotDearer(usual, plain);
    }

    /** F sharp or G flat: the hand does not care how a note is spelled. */
    @Property
    void spellingDoesNotMatter(@ForAll long seed) {
        Song song = small(seed);
        Song sharp = spelled(song, Key.parse("F#"));
        Song flat = spelled(song, Key.parse("Gb"));
        Arrangement one = Solve.of(project(sharp, SETUP));
        Arrangement other = Solve.of(project(flat, SETUP));
        assertThat(one.effort()).isCloseTo(other.effort(), within(1e-6));
        assertThat(one.holds()).isEqualTo(other.holds());
    }

    private static Song spelled(Song song, Key key) {
        return song.withMelody(song.melody().stream()
                .map(note -> new MelodyNote(note.tick(), note.lengthTicks(), Pitch.of(note.midi(), key)))
                .toList());
    }
}
