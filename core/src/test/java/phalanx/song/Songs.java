package phalanx.song;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import phalanx.theory.ChordSymbol;
import phalanx.theory.Key;
import phalanx.theory.Pitch;

/** Songs for tests: from short texts, or made up at random. */
public final class Songs {
    private Songs() {}

    /**
     * A song with one chord a bar ({@code .} keeps the last one) and a melody of {@code pitch:quarters} or
     * {@code r:quarters}, from the first bar on.
     */
    public static Song of(String key, Meter meter, String chords, String melody) {
        return of(key, meter, 0, chords, melody);
    }

    /** The same with a pickup of so many ticks, which the melody begins with and no chord stands over. */
    public static Song of(String key, Meter meter, int pickup, String chords, String melody) {
        List<Bar> bars = new ArrayList<>();
        List<ChordChange> chart = new ArrayList<>();
        int at = 0;
        if (pickup > 0) {
            bars.add(new Bar(0, 0, pickup, meter));
            at = pickup;
        }
        String[] symbols = chords.trim().split("\\s+");
        for (int i = 0; i < symbols.length; i++) {
            bars.add(new Bar(i + 1, at, meter.barTicks(), meter));
            if (!symbols[i].equals(".")) {
                chart.add(new ChordChange(
                        at,
                        ChordSymbol.isNoChord(symbols[i])
                                ? Optional.empty()
                                : Optional.of(ChordSymbol.parse(symbols[i]))));
            }
            at += meter.barTicks();
        }
        List<MelodyNote> notes = new ArrayList<>();
        int tick = 0;
        for (String word : melody.isBlank() ? new String[0] : melody.trim().split("\\s+")) {
            String[] parts = word.split(":");
            int length = (int) Math.round(Double.parseDouble(parts[1]) * Ticks.QUARTER);
            if (!parts[0].equals("r")) {
                notes.add(new MelodyNote(tick, length, Pitch.parse(parts[0])));
            }
            tick += length;
        }
        return new Song("Test piece", Key.parse(key), 90, bars, List.of(), chart, notes);
    }

    /** A random song: any meter, chords of the key and foreign ones, a wandering tune with rests and triplets. */
    public static Song random(long seed, int bars) {
        Random random = new Random(seed);
        Meter[] meters = {new Meter(4, 4), new Meter(3, 4), new Meter(6, 8), new Meter(2, 4), new Meter(5, 4)};
        Meter meter = meters[random.nextInt(meters.length)];
        Key key = Key.ofFifths(random.nextInt(9) - 4, Key.Mode.values()[random.nextInt(2)]);
        String[] kinds = {"", "", "m", "m", "7", "maj7", "m7", "sus4", "dim7", "add9", "6", "m7b5"};
        StringBuilder chords = new StringBuilder();
        for (int i = 0; i < bars; i++) {
            chords.append(' ').append(key.spell(random.nextInt(12))).append(kinds[random.nextInt(kinds.length)]);
            if (random.nextInt(5) == 0) {
                chords.append('/').append(key.spell(random.nextInt(12)));
            }
        }
        double[][] figures = {{1}, {0.5, 0.5}, {2}, {1.5, 0.5}, {1 / 3.0, 1 / 3.0, 1 / 3.0}, {0.75, 0.25}};
        StringBuilder melody = new StringBuilder();
        double left = bars * meter.barTicks() / (double) Ticks.QUARTER;
        int midi = 62 + random.nextInt(8);
        while (left > 0.01) {
            for (double quarters : figures[random.nextInt(figures.length)]) {
                double length = Math.min(quarters, left);
                midi = Math.max(55, Math.min(78, midi + random.nextInt(9) - 4));
                if (length > 0.01) {
                    String name =
                            random.nextInt(8) == 0 ? "r" : Pitch.of(midi, key).toString();
                    melody.append(' ').append(name).append(':').append(length);
                    left -= length;
                }
            }
        }
        return of(key.toString(), meter, chords.toString(), melody.toString());
    }
}
