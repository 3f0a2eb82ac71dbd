package phalanx.desktop.arrange;

import static phalanx.words.Words.wording;

import java.util.Optional;
import phalanx.desktop.Workbench;
import phalanx.desktop.session.Message;
import phalanx.project.CopiedBars;
import phalanx.project.Project;
import phalanx.song.Moved;
import phalanx.song.Song;

/** Copies what is decided about some bars and puts it on others. */
final class BarCopies {
    private final Workbench workbench;
    private Optional<CopiedBars> copied = Optional.empty();

    BarCopies(Workbench workbench) {
        this.workbench = workbench;
    }

    void copy(Project project, Moved.Stretch bars) {
        CopiedBars taken = CopiedBars.of(project, bars.from(), bars.to());
        copied = Optional.of(taken);
        int locks = taken.locks().size();
        workbench.say(Message.plain(wording(
                "BarCopies.copied-what-is-decided-in",
                words(project.song(), bars),
                locks,
                locks == 1 ? wording("BarCopies.lock") : wording("BarCopies.locks"))));
    }

    /** @param at where the first of the bars begins that it is put on */
    void putOn(Project project, int at) {
        if (copied.isEmpty()) {
            workbench.say(Message.plain(wording("BarCopies.nothing-is-copied-yet-ctrl")));
        } else if (project.written().isPresent()) {
            workbench.say(Message.plain(wording("BarCopies.the-song-is-kept-as")));
        } else {
            Song song = project.song();
            int end = Math.min(at + copied.get().ticks(), song.endTick());
            workbench.decide(
                    wording("BarCopies.what-was-copied-on", words(song, new Moved.Stretch(at, end))),
                    now -> copied.get().onto(now, at));
        }
    }

    private static String words(Song song, Moved.Stretch bars) {
        int first = song.barAt(bars.from()).number();
        int last = song.barAt(bars.to() - 1).number();
        return first == last ? wording("BarCopies.bar", first) : wording("BarCopies.bars-to", first, last);
    }
}
