package phalanx.song;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;

/**
 * Writes a song out in the order of playing. A note that is held over a bar line is kept whole where the next written
 * bar follows and ends at the bar line where playing goes elsewhere; a chord that still holds where playing comes in is
 * named anew.
 */
public final class Unfolding {
    private final Song written;
    private final List<Bar> bars = new ArrayList<>();
    private final List<Section> sections = new ArrayList<>();
    private final TreeMap<Integer, ChordChange> chart = new TreeMap<>();
    private final List<MelodyNote> melody = new ArrayList<>();
    private final List<MelodyNote> bass = new ArrayList<>();
    /** Where a chord is only named anew. */
    private final Set<Integer> carried = new HashSet<>();

    private int start;

    private Unfolding(Song written) {
        this.written = written;
    }

    /**
     * The song as played.
     *
     * @param written bar after bar as it stands on paper
     * @param marks one for each bar
     * @throws IllegalArgumentException if the marks lead nowhere or to more than 2,000 bars
     */
    public static Song of(Song written, List<BarMarks> marks) {
        if (marks.size() != written.bars().size()) {
            throw new IllegalArgumentException(wording(
                    "Unfolding.marks-for-bars", marks.size(), written.bars().size()));
        }
        return marks.stream().allMatch(BarMarks.NONE::equals) ? written : ofBars(written, PlayingOrder.of(marks));
    }

    /**
     * The song with its bars in another order.
     *
     * @param written bar after bar as it stands on paper
     * @param order indices of bars, one after the other as they are played
     * @throws IllegalArgumentException if that makes more than 2,000 bars
     */
    public static Song ofBars(Song written, List<Integer> order) {
        return new Unfolding(written).play(order);
    }

    private Song play(List<Integer> order) {
        for (int i = 0; i < order.size(); i++) {
            int index = order.get(i);
            boolean flowsIn = i > 0 && order.get(i - 1) == index - 1;
            boolean flowsOut = i + 1 < order.size() && order.get(i + 1) == index + 1;
            addBar(written.bars().get(index), flowsIn, flowsOut);
        }
        List<ChordChange> changes = new ArrayList<>();
        chart.forEach((tick, change) -> {
            boolean same = !changes.isEmpty() && changes.get(changes.size() - 1).sameChord(change);
            if (!same || !carried.contains(tick)) {
                changes.add(change.at(tick));
            }
        });
        return new Song(written.title(), written.key(), written.tempo(), bars, sections, changes, melody, bass);
    }

    private void addBar(Bar bar, boolean flowsIn, boolean flowsOut) {
        int shift = start - bar.startTick();
        boolean pickup = bars.isEmpty() && bar.number() == 0;
        int number = bars.isEmpty() ? bar.number() : bars.get(bars.size() - 1).number() + 1;
        bars.add(new Bar(pickup ? 0 : Math.max(1, number), start, bar.lengthTicks(), bar.meter()));
        for (Section section : written.sections()) {
            if (bar.contains(section.startTick())) {
                sections.add(new Section(section.name(), section.startTick() + shift));
            }
        }
        addChords(bar, shift, flowsIn);
        play(written.melodyBetween(bar.startTick(), bar.endTick()), bar, shift, flowsOut, melody);
        play(written.bassBetween(bar.startTick(), bar.endTick()), bar, shift, flowsOut, bass);
        start += bar.lengthTicks();
    }

    private static void play(List<MelodyNote> notes, Bar bar, int shift, boolean flowsOut, List<MelodyNote> played) {
        for (MelodyNote note : notes) {
            int length = flowsOut ? note.lengthTicks() : Math.min(note.lengthTicks(), bar.endTick() - note.tick());
            played.add(note.at(note.tick() + shift, length));
        }
        // one that flowed into this bar from an earlier one ends with it, where playing goes elsewhere after it
        int end = bar.endTick() + shift;
        int last = played.size() - 1;
        if (!flowsOut && last >= 0 && played.get(last).endTick() > end) {
            MelodyNote held = played.get(last);
            played.set(last, held.lasting(end - held.tick()));
        }
    }

    private void addChords(Bar bar, int shift, boolean flowsIn) {
        Optional<ChordChange> before = Optional.empty();
        boolean atStart = false;
        for (ChordChange change : written.chart()) {
            if (change.startTick() < bar.startTick()) {
                before = Optional.of(change);
            } else if (change.startTick() < bar.endTick()) {
                chart.put(change.startTick() + shift, change);
                atStart |= change.startTick() == bar.startTick();
            }
        }
        if (!flowsIn && !atStart && before.isPresent()) {
            chart.put(bar.startTick() + shift, before.get());
            carried.add(bar.startTick() + shift);
        }
    }
}
