package phalanx.arrange.search;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import phalanx.arrange.Arranger;
import phalanx.arrange.demand.Request;
import phalanx.arrange.demand.Slot;
import phalanx.arrange.demand.SongDemand;
import phalanx.arrange.score.Arrangement;
import phalanx.guitar.Guitar;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.guitar.Tuning;
import phalanx.song.Meter;
import phalanx.song.Song;
import phalanx.song.Songs;
import phalanx.testing.Deep;
import phalanx.theory.Key;
import phalanx.theory.Pitch;

/** The full answer beside plain enumeration of all ways through small songs. */
class EnumerationTest {
    private static final Guitar TWELVE_FRETS = new Guitar(Guitar.Kind.STEEL, 650, 37, 56, 12, 12);
    private static final Instrument FOUR_STRINGS_SEVEN_FRETS =
            new Instrument(TWELVE_FRETS, Tuning.parse("A2 D3 G3 B3"), 5);
    /** Songs in which a narrower search missed the cheapest way: over wide stretches, by the thumb, far dearer alone. */
    private static final List<Integer> HARD = List.of(100, 129, 284, 365, 607, 702, 706, 1126, 1311);

    private static final Instrument SIX_STRINGS_FIVE_FRETS = new Instrument(TWELVE_FRETS, Tuning.STANDARD, 7);

    @Test
    void onFourStringsNoWayIsCheaper() {
        check(
                FOUR_STRINGS_SEVEN_FRETS,
                IntStream.concat(
                        IntStream.range(0, Deep.of(12, 2000)), HARD.stream().mapToInt(seed -> seed)));
    }

    @Test
    void onSixStringsNoWayIsCheaper() {
        check(SIX_STRINGS_FIVE_FRETS, IntStream.range(0, Deep.of(2, 200)));
    }

    private static void check(Instrument instrument, IntStream seeds) {
        List<String> wrong = seeds.parallel()
                .mapToObj(seed -> wrong(instrument, seed))
                .filter(told -> !told.isEmpty())
                .toList();
        assertThat(wrong).isEmpty();
    }

    /** What is wrong; nothing if nothing is. */
    private static String wrong(Instrument instrument, long seed) {
        Hand hand = Hand.AVERAGE.withThumb(Hand.Thumb.values()[(int) (seed % 3)]);
        Song song = small(seed, instrument, hand);
        Arrangement arranged = new Arranger(instrument, hand).arrange(song);
        List<Slot> slots = SongDemand.of(arranged.request()).slots();
        long cheapest = new AllWays(arranged.request(), arranged.cost()).cheapest(slots);
        long ours = AllWays.packed(arranged.cost());
        return cheapest == ours
                ? ""
                : "seed " + seed + ": " + arranged.cost() + " is " + (ours - cheapest) / 60000.0 + " dearer";
    }

    /** A song of 2 to 4 slots with a tune within the neck; chords alone are held as printed shapes, see ChordsAloneTest. */
    private static Song small(long seed, Instrument instrument, Hand hand) {
        Random random = new Random(seed);
        while (true) {
            Song song = made(random, instrument);
            int slots = SongDemand.of(new Request(song, instrument, hand, List.of(), phalanx.righthand.Picking.PLAIN))
                    .slots()
                    .size();
            if (slots >= 2 && slots <= 4 && !song.melody().isEmpty()) {
                return song;
            }
        }
    }

    private static Song made(Random random, Instrument instrument) {
        Key key = Key.ofFifths(random.nextInt(7) - 3, Key.Mode.MAJOR);
        String[] kinds = {"", "", "m", "7", "maj7", "m7", "sus4", "add9", "m7b5"};
        int bars = 1 + random.nextInt(2);
        Meter meter = random.nextBoolean() ? new Meter(2, 4) : new Meter(3, 4);
        StringBuilder chords = new StringBuilder();
        StringBuilder tune = new StringBuilder();
        int low = instrument.midi(2, 0);
        int high = instrument.midi(1, instrument.highestFret());
        for (int bar = 0; bar < bars; bar++) {
            chords.append(' ').append(key.spell(random.nextInt(12))).append(kinds[random.nextInt(kinds.length)]);
            double left = meter.beats();
            while (left > 0) {
                double length = Math.min(left, 0.5 * (1 + random.nextInt(4)));
                int midi = low + random.nextInt(high - low + 1);
                String name = random.nextInt(5) == 0 ? "r" : Pitch.of(midi, key).toString();
                tune.append(' ').append(name).append(':').append(length);
                left -= length;
            }
        }
        return Songs.of(key.toString(), meter, chords.toString(), tune.toString())
                .withTempo(50 + random.nextInt(150));
    }
}
