package phalanx.project.extra;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import phalanx.arrange.demand.CascadeLock;
import phalanx.project.Project;
import phalanx.song.Bar;
import phalanx.song.BarEdit;
import phalanx.song.ChordChange;
import phalanx.song.MelodyNote;
import phalanx.song.Song;
import phalanx.technique.HarmonicNode;
import phalanx.theory.ChordSymbol;
import phalanx.theory.Pitch;

/** What may stand after a song: its last note held, a bass that goes down to the root, harmonics. */
final class Endings {
    private final Project project;
    private final Song song;
    private final Optional<ChordSymbol> last;

    Endings(Project project) {
        this.project = project;
        this.song = project.song();
        List<ChordChange> chart = song.chart();
        this.last =
                chart.isEmpty() ? Optional.empty() : chart.get(chart.size() - 1).chord();
    }

    List<Proposal> find() {
        List<Proposal> found = new ArrayList<>();
        last.ifPresent(chord -> {
            held().ifPresent(found::add);
            descent(chord).ifPresent(found::add);
            cascade(chord).ifPresent(found::add);
        });
        return found;
    }

    private Project longer(int bars) {
        Bar end = song.bars().get(song.bars().size() - 1);
        return project.withBars(BarEdit.insert(song, song.bars().size(), bars, end.meter()));
    }

    private Optional<MelodyNote> lastNote() {
        return song.melody().isEmpty()
                ? Optional.empty()
                : Optional.of(song.melody().get(song.melody().size() - 1));
    }

    /** The last note for a whole bar more: with the arranger's fuller ends it is a roll. */
    private Optional<Proposal> held() {
        return lastNote().map(note -> {
            Project longer = longer(1);
            int bar = longer.song().bars().size() - 1;
            return Proposal.ofBars(wording("Endings.the-last-note-held-rolled"), withHeld(longer, note, bar), bar, bar);
        });
    }

    private static Project withHeld(Project longer, MelodyNote note, int bar) {
        Bar last = longer.song().bars().get(bar);
        List<MelodyNote> melody = new ArrayList<>(longer.song().melody());
        melody.add(new MelodyNote(last.startTick(), last.lengthTicks(), note.pitch()));
        return longer.withSong(longer.song().withMelody(melody));
    }

    /** An own bass down the scale, a note on each beat, then the root under the last note. */
    private Optional<Proposal> descent(ChordSymbol chord) {
        Project longer = longer(2);
        int last = longer.song().bars().size() - 1;
        Bar run = longer.song().bars().get(last - 1);
        int beats = run.lengthTicks() / run.meter().beatTicks();
        Optional<List<Integer>> down =
                new ScaleSteps(project).downTo(chord.bass().pitchClass(), beats);
        return down.map(notes -> {
            List<MelodyNote> bass = new ArrayList<>(longer.song().bass());
            for (int i = 0; i < beats; i++) {
                int tick = run.startTick() + i * run.meter().beatTicks();
                bass.add(new MelodyNote(tick, run.meter().beatTicks(), pitch(notes.get(i))));
            }
            bass.add(new MelodyNote(
                    run.endTick(), longer.song().bars().get(last).lengthTicks(), pitch(notes.get(beats))));
            Project with = longer.withSong(longer.song().withBass(bass));
            Project done = lastNote().map(note -> withHeld(with, note, last)).orElse(with);
            return Proposal.ofBars(wording("Endings.the-bass-goes-down-to"), done, last - 1, last);
        });
    }

    private Pitch pitch(int midi) {
        return Pitch.of(midi, song.key());
    }

    private Optional<Proposal> cascade(ChordSymbol chord) {
        return Intros.over(project, chord).map(over -> {
            Project longer = longer(1);
            int bar = longer.song().bars().size() - 1;
            Bar end = longer.song().bars().get(bar);
            CascadeLock lock = new CascadeLock(
                    end.startTick(), end.endTick(), over.shape().held(), HarmonicNode.OCTAVE, over.order());
            return Proposal.ofBars(
                    wording("Endings.a-cascade-of-harmonics-over", over.shape().shape()),
                    longer.withLock(lock),
                    bar,
                    bar);
        });
    }
}
