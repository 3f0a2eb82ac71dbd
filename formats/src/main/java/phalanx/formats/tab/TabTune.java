package phalanx.formats.tab;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import phalanx.arrange.WrittenNote;
import phalanx.guitar.Instrument;
import phalanx.song.Bar;
import phalanx.song.MelodyNote;
import phalanx.song.Ticks;
import phalanx.theory.Key;
import phalanx.theory.Pitch;

/**
 * Hears the tune in written notes: at each moment the highest one, unless a clearly higher one was struck within the
 * same beat, over which it only fills; the lower strings count only where a bar has nothing else. A rule of thumb of
 * ours.
 */
final class TabTune {
    /** A note so many semitones under the highest of its beat fills. */
    private static final int FILLS = 3;

    private static final int LONGEST = Ticks.WHOLE;

    private final Instrument instrument;
    private final List<Bar> bars;
    private final Key key;

    TabTune(Instrument instrument, List<Bar> bars, Key key) {
        this.instrument = instrument;
        this.bars = bars;
        this.key = key;
    }

    List<MelodyNote> of(List<WrittenNote> notes) {
        List<int[]> tune = new ArrayList<>();
        int from = 0;
        for (Bar bar : bars) {
            int to = from;
            while (to < notes.size() && notes.get(to).tick() < bar.endTick()) {
                to++;
            }
            addBar(bar, notes.subList(from, to), tune);
            from = to;
        }
        int end = bars.get(bars.size() - 1).endTick();
        List<MelodyNote> melody = new ArrayList<>();
        for (int i = 0; i < tune.size(); i++) {
            int next = i + 1 < tune.size() ? tune.get(i + 1)[0] : end;
            int tick = tune.get(i)[0];
            melody.add(new MelodyNote(tick, Math.min(next - tick, LONGEST), Pitch.of(tune.get(i)[1], key)));
        }
        return melody;
    }

    private void addBar(Bar bar, List<WrittenNote> notes, List<int[]> tune) {
        int half = instrument.strings() / 2;
        boolean high = notes.stream().anyMatch(note -> note.string() <= half);
        TreeMap<Integer, Integer> highest = new TreeMap<>();
        for (WrittenNote note : notes) {
            if (!high || note.string() <= half) {
                highest.merge(note.tick(), note.midi(instrument), Math::max);
            }
        }
        int beat = bar.meter().beatTicks();
        highest.forEach((tick, midi) -> {
            int beatStart = tick - Math.floorMod(bar.offsetOf(tick), beat);
            boolean fills = highest.subMap(beatStart, tick).values().stream().anyMatch(over -> over - midi >= FILLS);
            if (!fills) {
                tune.add(new int[] {tick, midi});
            }
        });
    }
}
