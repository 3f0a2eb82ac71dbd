package phalanx.arrange.demand;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import phalanx.cost.Effort;
import phalanx.theory.ChordSymbol;

/** Where inner strokes go, beside every way to lay them. */
class EarTest {
    private static final String[] CHORDS = {"C", "C7", "Cm9", "Cmaj7", "Csus4"};

    @Property(tries = 300)
    void noOtherWayToLayTheStrokesIsCheaper(@ForAll long seed) {
        Random random = new Random(seed);
        List<List<Slot.Ask>> moments = new ArrayList<>();
        for (int tick = 0; tick < 1 + random.nextInt(3); tick++) {
            List<Slot.Ask> asks = new ArrayList<>();
            int ceiling = tick == 0 ? 0 : random.nextInt(85);
            for (int stroke = 0; stroke < 1 + random.nextInt(2); stroke++) {
                asks.add(new Slot.Ask(random.nextInt(5), false, false, 0, ceiling, random.nextInt(8) == 0));
            }
            moments.add(asks);
        }
        ChordSymbol chord = ChordSymbol.parse(CHORDS[random.nextInt(CHORDS.length)]);
        Slot.Demand demand =
                new Slot.Demand(Optional.of(chord), Optional.of(76), true, 1, 1, true, moments, Optional.empty());
        int[] free = {-1, -1, -1, -1, -1, -1, -1};
        for (int string = 2; string <= 5; string++) {
            free[string] = random.nextInt(3) == 0 ? -1 : 76 - 5 * string - random.nextInt(4);
        }
        Ear ear = new Ear(demand);
        int tune = random.nextInt(4);
        int midi = tune == 0 ? 76 : 81 - 5 * tune;
        free[tune] = -1;
        for (int string = 1; string < tune; string++) {
            free[string] = random.nextInt(3) == 0 ? -1 : midi + 5 * (tune - string) - random.nextInt(4);
        }
        int taken = random.nextInt(4) == 0 ? 1 << 4 : 0;
        Scene scene = new Scene(tune, midi, random.nextBoolean() ? 45 : 48, free, taken, 0, 0);
        Ear.Placing placing = ear.places(scene).get(0);
        assertThat(price(ear, scene, placing.moments())).isEqualTo(placing.thousandths());
        assertThat(cheapest(ear, scene, moments, new int[moments.size()], 0)).isEqualTo(placing.thousandths());
    }

    private static int price(Ear ear, Scene scene, int[] struck) {
        Effort.Sum sum = new Effort.Sum();
        ear.price(scene, struck, sum);
        return (int) Math.round(1000 * sum.done().total());
    }

    /** Tries every set of free strings for every tick, no more strings than strokes. */
    private static int cheapest(Ear ear, Scene scene, List<List<Slot.Ask>> moments, int[] struck, int tick) {
        if (tick == struck.length) {
            return price(ear, scene, struck);
        }
        int all = 0;
        for (int string = 1; string < scene.free().length; string++) {
            boolean above = string < scene.tune();
            boolean free = scene.free()[string] >= 0
                    && (!above
                            || scene.free()[string] < moments.get(tick).get(0).ceiling());
            all |= free ? 1 << string : 0;
        }
        int least = Integer.MAX_VALUE;
        int[] sets = Arrays.copyOf(struck, struck.length);
        for (int set = all; ; set = set - 1 & all) {
            if (Integer.bitCount(set) <= moments.get(tick).size()) {
                sets[tick] = set;
                least = Math.min(least, cheapest(ear, scene, moments, sets, tick + 1));
            }
            if (set == 0) {
                return least;
            }
        }
    }
}
