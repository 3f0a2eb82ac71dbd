package phalanx.desktop.arrange;

import java.util.Comparator;
import java.util.Locale;
import java.util.Optional;
import phalanx.arrange.colour.SlurAdvice;
import phalanx.arrange.demand.Role;
import phalanx.arrange.demand.SlurLock;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.desktop.Workbench;
import phalanx.desktop.session.Message;
import phalanx.project.Project;
import phalanx.song.Bar;

/** Slurs a note with one key, or has it plucked again. */
final class SlurKey {
    private final Workbench workbench;

    SlurKey(Workbench workbench) {
        this.workbench = workbench;
    }

    /** The note that is meant at a tick: the tune's, else the highest that begins there. */
    static Optional<ArrangedNote> note(Arrangement arrangement, int tick) {
        return arrangement.notes().stream()
                .filter(one -> one.tick() == tick)
                .min(Comparator.<ArrangedNote>comparingInt(one -> one.role() == Role.MELODY ? 0 : 1)
                        .thenComparingInt(ArrangedNote::string));
    }

    /** For the tune's note at a tick, or the highest that begins there. */
    void press(Arrangement arrangement, int tick) {
        Optional<ArrangedNote> note = note(arrangement, tick);
        if (note.isEmpty()) {
            workbench.say(Message.plain("No note begins here."));
        } else if (!note.get().attack().plucked()) {
            edit(arrangement, note.get(), false);
        } else {
            SlurAdvice advice = new SlurAdvice(arrangement);
            advice.refusal(note.get())
                    .ifPresentOrElse(
                            why -> workbench.say(Message.error(
                                    "This note cannot be slurred: " + why + "." + nearest(arrangement, advice, tick))),
                            () -> edit(arrangement, note.get(), true));
        }
    }

    private void edit(Arrangement arrangement, ArrangedNote note, boolean slurred) {
        SlurLock lock = new SlurLock(note.tick(), note.role(), slurred);
        Optional<SlurLock> contrary = workbench.project().stream()
                .flatMap(project -> project.locks().stream())
                .filter(lock::contradicts)
                .map(SlurLock.class::cast)
                .findFirst();
        String what = (slurred ? "slur in " : "plucked note in ") + place(arrangement, note.tick());
        // a decision that is only taken back leaves nothing behind
        boolean free = contrary.isPresent() && wished(arrangement, note) == slurred;
        workbench.decide(what, now -> free ? now.withoutLock(contrary.get()) : now.withLock(lock));
    }

    /** Whether the note would be slurred if nothing were decided on it. */
    private boolean wished(Arrangement arrangement, ArrangedNote note) {
        return workbench.project().flatMap(Project::written).stream()
                        .flatMap(written -> written.notes().stream())
                        .anyMatch(own -> own.tick() == note.tick() && own.string() == note.string() && own.slurred())
                || arrangement.slurs().stream()
                        .anyMatch(gain -> gain.tick() == note.tick() && gain.string() == note.string());
    }

    private static String nearest(Arrangement arrangement, SlurAdvice advice, int tick) {
        return advice.nearest(tick)
                .map(note -> " The nearest that can is in " + place(arrangement, note.tick()) + ".")
                .orElse("");
    }

    private static String place(Arrangement arrangement, int tick) {
        Bar bar = arrangement.song().barAt(tick);
        String beat = String.format(Locale.ROOT, "%.2f", bar.beatOf(tick)).replaceAll("\\.?0+$", "");
        return "bar " + bar.number() + ", beat " + beat;
    }
}
