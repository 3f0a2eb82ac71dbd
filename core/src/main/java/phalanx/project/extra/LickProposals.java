package phalanx.project.extra;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import phalanx.arrange.demand.Added;
import phalanx.arrange.demand.AddedLock;
import phalanx.project.Project;
import phalanx.song.Bar;
import phalanx.song.MelodyNote;
import phalanx.song.Song;
import phalanx.song.TuneEdit;
import phalanx.song.lick.Lick;
import phalanx.theory.ChordSymbol;

/** Licks in place of the tune in a bar, fitted to its chord and to where the tune lies. */
public final class LickProposals {
    /** Where a tune lies that has no notes yet: about the open first string. */
    private static final int USUAL = 64;

    private final Project project;
    private final Song song;

    public LickProposals(Project project) {
        this.project = project;
        this.song = project.song();
    }

    /**
     * Those that fit the bar's meter, one in each form; over a dominant seventh or a major chord also flattened.
     *
     * @param bar index of the bar
     * @param licks to choose from
     */
    public List<Proposal> in(int bar, List<Lick> licks) {
        Bar here = song.bars().get(bar);
        Optional<ChordSymbol> chord = song.chordAt(here.startTick());
        if (chord.isEmpty()
                || here.lengthTicks() < here.meter().barTicks()
                || project.written().isPresent()) {
            return List.of();
        }
        return licks.stream()
                .filter(lick -> lick.meter().equals(here.meter()))
                .filter(lick -> here.startTick() + lick.lengthTicks() <= song.endTick())
                .flatMap(lick -> forms(lick, here, chord.get()))
                .toList();
    }

    private Stream<Proposal> forms(Lick lick, Bar bar, ChordSymbol chord) {
        int near = near(bar.startTick());
        List<MelodyNote> plain = lick.over(chord, bar.startTick(), near, false, song.key());
        List<MelodyNote> flattened = lick.over(chord, bar.startTick(), near, true, song.key());
        Proposal first = with(lick.name(), lick, bar, plain);
        return flattened.equals(plain)
                ? Stream.of(first)
                : Stream.of(first, with(wording("LickProposals.bluesy", lick.name()), lick, bar, flattened));
    }

    private Proposal with(String name, Lick lick, Bar bar, List<MelodyNote> notes) {
        int end = bar.startTick() + lick.lengthTicks();
        List<MelodyNote> tune =
                new ArrayList<>(TuneEdit.clear(song, bar.startTick(), end).melody());
        tune.addAll(notes);
        tune.sort(Comparator.comparingInt(MelodyNote::tick));
        return Proposal.of(name, project.withSong(song.withMelody(tune)), bar.startTick(), end, before(bar, end));
    }

    /** What the tune has there; under another lick what it had before that one. */
    private Added before(Bar bar, int end) {
        return project.locks().stream()
                .filter(AddedLock.class::isInstance)
                .map(AddedLock.class::cast)
                .filter(lock -> lock.startTick() == bar.startTick() && lock.endTick() == end)
                .map(AddedLock::what)
                .filter(Added.Tune.class::isInstance)
                .findFirst()
                .orElseGet(() -> Added.Tune.of(song, bar.startTick(), end));
    }

    /** Where the tune lies around a tick. */
    private int near(int tick) {
        return (int) Math.round(song.melody().stream()
                .sorted(Comparator.comparingInt(note -> Math.abs(note.tick() - tick)))
                .limit(8)
                .mapToInt(MelodyNote::midi)
                .average()
                .orElse(USUAL));
    }
}
