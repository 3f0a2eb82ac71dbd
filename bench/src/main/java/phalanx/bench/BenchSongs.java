package phalanx.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import phalanx.song.Bar;
import phalanx.song.ChordChange;
import phalanx.song.MelodyNote;
import phalanx.song.Meter;
import phalanx.song.Song;
import phalanx.song.Ticks;
import phalanx.theory.ChordSymbol;
import phalanx.theory.Key;
import phalanx.theory.Pitch;

/** Made-up songs of a given length: a chord each half bar, a melody note an eighth. */
final class BenchSongs {
    private static final String[] CHORDS = {"G", "D/F#", "Em7", "C", "Am7", "D7", "Bm", "Cm6"};
    private static final int[] SCALE = {62, 64, 66, 67, 69, 71, 72, 74, 76};

    private BenchSongs() {}

    static Song eighths(int bars) {
        return eighths(bars, 11);
    }

    static Song eighths(int bars, int seed) {
        Random random = new Random(seed);
        List<Bar> line = new ArrayList<>();
        List<ChordChange> chart = new ArrayList<>();
        List<MelodyNote> melody = new ArrayList<>();
        int degree = 4;
        for (int i = 0; i < bars; i++) {
            int start = i * Meter.COMMON.barTicks();
            line.add(new Bar(i + 1, start, Meter.COMMON.barTicks(), Meter.COMMON));
            for (int half = 0; half < 2; half++) {
                String chord = CHORDS[random.nextInt(CHORDS.length)];
                int tick = start + half * Meter.COMMON.barTicks() / 2;
                chart.add(new ChordChange(tick, Optional.of(ChordSymbol.parse(chord))));
            }
            for (int step = 0; step < 8; step++) {
                degree = Math.max(0, Math.min(SCALE.length - 1, degree + random.nextInt(5) - 2));
                Pitch pitch = Pitch.of(SCALE[degree], Key.parse("G"));
                melody.add(new MelodyNote(start + step * Ticks.QUARTER / 2, Ticks.QUARTER / 2, pitch));
            }
        }
        return new Song("Bench", Key.parse("G"), 92, line, List.of(), chart, melody);
    }
}
