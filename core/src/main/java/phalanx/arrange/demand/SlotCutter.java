package phalanx.arrange.demand;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import phalanx.lefthand.shape.HeldShape;
import phalanx.righthand.BassStroke;
import phalanx.righthand.InnerStroke;
import phalanx.song.Bar;
import phalanx.song.ChordChange;
import phalanx.song.MelodyNote;
import phalanx.song.Song;

/** Cuts a song into slots at the onsets and ends of melody notes, at bars, chord changes, bass strokes and locks. */
public final class SlotCutter {
    public List<Slot> slots(Song song, List<BassStroke> bass, List<InnerStroke> inner, List<ShapeLock> locks) {
        List<Integer> cuts = new ArrayList<>(cuts(song, bass, locks));
        List<Slot> slots = new ArrayList<>(cuts.size());
        int melodyAt = 0;
        int chordAt = -1;
        int bassAt = -1;
        int innerAt = 0;
        for (int i = 0; i + 1 < cuts.size(); i++) {
            int start = cuts.get(i);
            int end = cuts.get(i + 1);
            while (melodyAt < song.melody().size()
                    && song.melody().get(melodyAt).endTick() <= start) {
                melodyAt++;
            }
            while (chordAt + 1 < song.chart().size()
                    && song.chart().get(chordAt + 1).startTick() <= start) {
                chordAt++;
            }
            while (bassAt + 1 < bass.size() && bass.get(bassAt + 1).tick() <= start) {
                bassAt++;
            }
            List<InnerStroke> strokes = new ArrayList<>();
            while (innerAt < inner.size() && inner.get(innerAt).tick() < end) {
                strokes.add(inner.get(innerAt++));
            }
            slots.add(new Slot(
                    start,
                    end,
                    chordAt,
                    chordAt < 0 ? Optional.empty() : song.chart().get(chordAt).chord(),
                    sounding(song.melody(), melodyAt, start),
                    ringing(bass, bassAt, start),
                    List.copyOf(strokes),
                    lockAt(locks, start),
                    Slot.Wanted.NOTHING,
                    next(song.melody(), melodyAt, start)));
        }
        return slots;
    }

    private static Optional<MelodyNote> sounding(List<MelodyNote> melody, int index, int tick) {
        return index < melody.size() && melody.get(index).tick() <= tick
                ? Optional.of(melody.get(index))
                : Optional.empty();
    }

    private static Optional<MelodyNote> next(List<MelodyNote> melody, int index, int tick) {
        int next = index < melody.size() && melody.get(index).tick() <= tick ? index + 1 : index;
        return next < melody.size() ? Optional.of(melody.get(next)) : Optional.empty();
    }

    private static Optional<BassStroke> ringing(List<BassStroke> bass, int index, int tick) {
        return index >= 0 && bass.get(index).endTick() > tick ? Optional.of(bass.get(index)) : Optional.empty();
    }

    private static Optional<HeldShape> lockAt(List<ShapeLock> locks, int tick) {
        return locks.stream().filter(lock -> lock.covers(tick)).findFirst().map(ShapeLock::held);
    }

    private static TreeSet<Integer> cuts(Song song, List<BassStroke> bass, List<ShapeLock> locks) {
        TreeSet<Integer> cuts = new TreeSet<>();
        cuts.add(0);
        cuts.add(song.endTick());
        for (MelodyNote note : song.melody()) {
            cuts.add(note.tick());
            cuts.add(note.endTick());
        }
        song.bars().stream().map(Bar::startTick).forEach(cuts::add);
        song.chart().stream().map(ChordChange::startTick).forEach(cuts::add);
        bass.stream().map(BassStroke::tick).forEach(cuts::add);
        locks.stream().map(ShapeLock::startTick).forEach(cuts::add);
        locks.stream().map(ShapeLock::endTick).forEach(cuts::add);
        cuts.tailSet(song.endTick(), false).clear();
        return cuts;
    }
}
