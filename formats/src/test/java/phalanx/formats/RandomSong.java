package phalanx.formats;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import phalanx.song.Bar;
import phalanx.song.ChordChange;
import phalanx.song.MelodyNote;
import phalanx.song.Meter;
import phalanx.song.Section;
import phalanx.song.Song;
import phalanx.song.Ticks;
import phalanx.theory.ChordSymbol;
import phalanx.theory.Key;
import phalanx.theory.Pitch;

/** Made-up songs with what lead sheets hold: pickups, meter changes, ties, tuplets, rests, N.C., sections, modes. */
public final class RandomSong {
    private static final Meter[] METERS = {
        Meter.COMMON, new Meter(3, 4), new Meter(6, 8), new Meter(5, 4), new Meter(2, 2), new Meter(7, 8)
    };
    private static final String[] KINDS = {"", "m", "7", "maj7", "m7", "sus4", "dim7", "add9", "6", "m7b5", "7b9", "9"};
    private static final int[][] FIGURES = {
        {1680}, {840, 840}, {3360}, {2520, 840}, {560, 560, 560}, {1260, 420}, {336, 336, 336, 336, 336}, {5040}
    };

    private static final String[] SYLLABLES = {
        "har-", "bour", "lights,", "o'er", "weir", "slow-", "ly", "d\u00e4m-", "m'rung"
    };

    private RandomSong() {}

    public static Song of(long seed) {
        Random random = new Random(seed);
        Key key = Key.ofFifths(random.nextInt(9) - 4, Key.Mode.values()[random.nextInt(Key.Mode.values().length)]);
        List<Bar> bars = new ArrayList<>();
        int at = 0;
        Meter meter = METERS[random.nextInt(METERS.length)];
        if (random.nextInt(3) == 0) {
            bars.add(new Bar(0, 0, Ticks.WHOLE / meter.unit(), meter));
            at = bars.get(0).lengthTicks();
        }
        for (int number = 1; number <= 4 + random.nextInt(6); number++) {
            meter = random.nextInt(6) == 0 && number > 1 ? METERS[random.nextInt(METERS.length)] : meter;
            bars.add(new Bar(number, at, meter.barTicks(), meter));
            at += meter.barTicks();
        }
        List<Section> sections = List.of(
                new Section("A", bars.get(1).startTick()),
                new Section("B part", bars.get(3).startTick()));
        return new Song(
                "Made-up tune " + Math.abs(seed % 100),
                key,
                60 + random.nextInt(100),
                bars,
                sections,
                chart(random, bars, key),
                melody(random, at, key));
    }

    private static List<ChordChange> chart(Random random, List<Bar> bars, Key key) {
        List<ChordChange> chart = new ArrayList<>();
        for (Bar bar : bars) {
            if (bar.number() == 0 || bar.number() > 1 && random.nextInt(4) == 0) {
                continue;
            }
            chart.add(new ChordChange(bar.startTick(), chord(random, key, bar.number())));
            if (random.nextInt(3) == 0 && bar.meter().beats() > 1) {
                int beat = bar.meter().barTicks() / bar.meter().beats();
                chart.add(new ChordChange(
                        bar.startTick() + beat * (1 + random.nextInt(bar.meter().beats() - 1)), chord(random, key, 0)));
            }
        }
        return chart;
    }

    private static Optional<ChordSymbol> chord(Random random, Key key, int bar) {
        if (random.nextInt(12) == 0 && bar != 1) {
            return Optional.empty();
        }
        String slash = random.nextInt(5) == 0 ? "/" + key.spell(random.nextInt(12)) : "";
        return Optional.of(
                ChordSymbol.parse(key.spell(random.nextInt(12)) + KINDS[random.nextInt(KINDS.length)] + slash));
    }

    /** Before some long notes, told by pitch and place alone. */
    private static List<Pitch> graces(int midi, int at, Key key) {
        int sort = (midi * 31 + at / 105) % 12;
        return sort > 1 ? List.of() : List.of(Pitch.of(midi + (sort == 0 ? 2 : -2), key));
    }

    private static List<MelodyNote> melody(Random random, int end, Key key) {
        List<MelodyNote> melody = new ArrayList<>();
        boolean words = random.nextInt(3) == 0;
        int at = 0;
        int midi = 64;
        while (at < end) {
            for (int ticks : FIGURES[random.nextInt(FIGURES.length)]) {
                int length = Math.min(ticks, end - at);
                midi = Math.max(50, Math.min(84, midi + random.nextInt(9) - 4));
                if (length > 0 && random.nextInt(7) > 0) {
                    boolean sung = words && random.nextInt(4) > 0;
                    Optional<String> syllable =
                            sung ? Optional.of(SYLLABLES[random.nextInt(SYLLABLES.length)]) : Optional.empty();
                    melody.add(new MelodyNote(at, length, Pitch.of(midi, key), syllable).graced(graces(midi, at, key)));
                }
                at += Math.max(0, length);
            }
        }
        if (melody.isEmpty()) {
            melody.add(new MelodyNote(0, end, Pitch.of(midi, key)));
        }
        return melody;
    }
}
