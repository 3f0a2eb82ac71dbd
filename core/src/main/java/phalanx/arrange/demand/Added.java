package phalanx.arrange.demand;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import phalanx.righthand.Picking;
import phalanx.song.MelodyNote;
import phalanx.song.Moved;
import phalanx.song.Section;
import phalanx.song.Song;
import phalanx.song.TuneEdit;

/** What was put into a stretch of a song, and what it takes to have it as it was before. */
public sealed interface Added {
    /** The song without it; where bars were put in, they are still there. */
    default Song before(Song song, int from, int to) {
        return song;
    }

    /** The picking without it. */
    default Picking before(Picking picking, int from, int to) {
        return picking;
    }

    /** Whether a song still has it. */
    default boolean isIn(Song song, int from, int to) {
        return true;
    }

    /** Whether a picking still has it. */
    default boolean isIn(Picking picking, int from, int to) {
        return true;
    }

    /** The same where bars were edited; nothing where it can't be told any more what was there before. */
    default Optional<Added> moved(Moved moved, int from, int to) {
        return Optional.of(this);
    }

    /** Bars of their own. */
    record Bars() implements Added {}

    /** Notes of the song's own bass, where it had none. */
    record Bass() implements Added {
        @Override
        public Song before(Song song, int from, int to) {
            return TuneEdit.onBass(song, bass -> TuneEdit.clear(bass, from, to));
        }

        @Override
        public boolean isIn(Song song, int from, int to) {
            return song.bass().stream().anyMatch(note -> note.tick() >= from && note.tick() < to);
        }
    }

    /**
     * Notes of the tune.
     *
     * @param notes those that were there, with one that was cut short
     */
    record Tune(List<MelodyNote> notes) implements Added {
        public Tune {
            notes = List.copyOf(notes);
        }

        /** What a stretch of a tune that is written over has. */
        public static Tune of(Song song, int from, int to) {
            return new Tune(song.melody().stream()
                    .filter(note -> note.tick() < to && note.endTick() > from)
                    .toList());
        }

        @Override
        public Song before(Song song, int from, int to) {
            Song back = TuneEdit.clear(song, from, to);
            for (MelodyNote note : notes) {
                back = TuneEdit.put(back, note);
            }
            return back;
        }

        @Override
        public Optional<Added> moved(Moved moved, int from, int to) {
            List<MelodyNote> there = new ArrayList<>();
            boolean whole = whole(moved, from, to);
            for (MelodyNote note : notes) {
                if (whole && whole(moved, note.tick(), note.endTick())) {
                    there.add(note.at(moved.tick(note.tick()), note.lengthTicks()));
                }
            }
            return whole && there.size() == notes.size() ? Optional.of(new Tune(there)) : Optional.empty();
        }

        private static boolean whole(Moved moved, int from, int to) {
            List<Moved.Stretch> stretches = moved.stretches(from, to);
            return stretches.size() == 1
                    && stretches.get(0).to() - stretches.get(0).from() == to - from;
        }
    }

    /**
     * Another picking of a section that comes again.
     *
     * @param plan how it was picked
     */
    record Picked(Picking.Plan plan) implements Added {
        public Picked {
            Objects.requireNonNull(plan, "plan");
        }

        @Override
        public Song before(Song song, int from, int to) {
            return song.withSections(song.sections().stream()
                    .map(section -> section.startTick() == from ? new Section(section.name(), from, false) : section)
                    .toList());
        }

        @Override
        public Picking before(Picking picking, int from, int to) {
            return picking.back(new Picking.Span(from, to, plan));
        }

        @Override
        public boolean isIn(Picking picking, int from, int to) {
            return !picking.planAt(from).equals(plan) && picking.planStart(from) == from;
        }
    }
}
