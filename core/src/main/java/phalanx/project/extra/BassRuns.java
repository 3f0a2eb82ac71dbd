package phalanx.project.extra;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import phalanx.arrange.demand.Added;
import phalanx.arrange.demand.AddedLock;
import phalanx.project.Project;
import phalanx.song.Bar;
import phalanx.song.MelodyNote;
import phalanx.song.Song;
import phalanx.theory.ChordSymbol;
import phalanx.theory.Pitch;

/**
 * Runs of the bass into the next chord: two notes of the key on the last two beats of a phrase's last bar, the second a
 * step from the new root.
 */
final class BassRuns {
    /** Phrases are taken to be so long. */
    private static final int PHRASE = 4;

    private static final int NOTES = 2;

    private final Project project;
    private final Song song;
    private final ScaleSteps steps;

    BassRuns(Project project) {
        this.project = project;
        this.song = project.song();
        this.steps = new ScaleSteps(project);
    }

    List<Proposal> find() {
        List<MelodyNote> all = new ArrayList<>(song.bass());
        List<Bar> bars = new ArrayList<>();
        for (int i = 0; i + 1 < song.bars().size(); i++) {
            Bar bar = song.bars().get(i);
            if (bar.number() > 0 && bar.number() % PHRASE == 0) {
                List<MelodyNote> run = run(bar);
                all.addAll(run);
                bars.addAll(run.isEmpty() ? List.of() : List.of(bar));
            }
        }
        if (bars.isEmpty()) {
            return List.of();
        }
        all.sort(Comparator.comparingInt(MelodyNote::tick));
        Project with = project.withSong(song.withBass(all));
        int first = song.barIndexAt(bars.get(0).startTick());
        String name = bars.size() == 1
                ? wording("BassRuns.a-bass-run-into-the")
                : wording("BassRuns.bass-runs-into-phrases", bars.size());
        for (Bar bar : bars) {
            // each run is a decision of its own
            with = with.withLock(new AddedLock(
                    beginning(bar), bar.endTick(), wording("BassRuns.a-bass-run-into-the"), new Added.Bass()));
        }
        return List.of(Proposal.inBars(name, with, first, first + 1));
    }

    private static int beginning(Bar bar) {
        return bar.endTick() - NOTES * bar.meter().beatTicks();
    }

    private List<MelodyNote> run(Bar bar) {
        int beat = bar.meter().beatTicks();
        int from = beginning(bar);
        Optional<ChordSymbol> here = song.chordAt(from);
        Optional<ChordSymbol> next = song.chordAt(bar.endTick());
        boolean busy = song.bass().stream().anyMatch(note -> note.endTick() > from && note.tick() < bar.endTick());
        if (here.isEmpty() || next.isEmpty() || busy || from < bar.startTick()) {
            return List.of();
        }
        int now = steps.low(here.get().bass().pitchClass());
        OptionalInt root = steps.nearest(next.get().bass().pitchClass(), now);
        if (root.isEmpty() || root.getAsInt() == now) {
            return List.of();
        }
        int direction = root.getAsInt() > now ? -1 : 1;
        int second = steps.step(root.getAsInt(), direction);
        int first = steps.step(second, direction);
        if (!steps.has(first) || !steps.has(second)) {
            return List.of();
        }
        return List.of(note(from, beat, first), note(from + beat, beat, second));
    }

    private MelodyNote note(int tick, int length, int midi) {
        return new MelodyNote(tick, length, Pitch.of(midi, song.key()));
    }
}
