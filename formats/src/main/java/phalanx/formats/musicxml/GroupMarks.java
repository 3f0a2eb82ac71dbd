package phalanx.formats.musicxml;

import java.util.ArrayList;
import java.util.List;
import org.audiveris.proxymusic.Beam;
import org.audiveris.proxymusic.BeamValue;
import org.audiveris.proxymusic.Notations;
import org.audiveris.proxymusic.Note;
import org.audiveris.proxymusic.StartStop;
import org.audiveris.proxymusic.Tuplet;
import org.audiveris.proxymusic.YesNo;
import phalanx.arrange.notation.Grouping;
import phalanx.arrange.notation.NoteValue;
import phalanx.song.Bar;

/** Marks beams and tuplet brackets on the notes of one voice in one bar. */
final class GroupMarks {
    private final Bar bar;
    /** The first of those struck together, or a rest, for each value. */
    private final List<Note> notes = new ArrayList<>();

    private final List<Grouping.Value> values = new ArrayList<>();

    GroupMarks(Bar bar) {
        this.bar = bar;
    }

    void add(Note note, int onset, NoteValue value, boolean rest) {
        notes.add(note);
        values.add(new Grouping.Value(onset, value, rest));
    }

    /** Marks them all. */
    void mark() {
        Grouping grouping = new Grouping(bar, values);
        grouping.beams().forEach(this::beam);
        for (Grouping.Run run : grouping.tuplets()) {
            mark(notes.get(run.first()), StartStop.START);
            mark(notes.get(run.last()), StartStop.STOP);
        }
    }

    private void beam(Grouping.Run run) {
        for (int i = run.first(); i <= run.last(); i++) {
            for (int level = 1; level <= values.get(i).beams(); level++) {
                boolean before = i > run.first() && values.get(i - 1).beams() >= level;
                boolean after = i < run.last() && values.get(i + 1).beams() >= level;
                Beam beam = new Beam();
                beam.setNumber(level);
                beam.setValue(
                        before && after
                                ? BeamValue.CONTINUE
                                : before
                                        ? BeamValue.END
                                        : after
                                                ? BeamValue.BEGIN
                                                : i > run.first() ? BeamValue.BACKWARD_HOOK : BeamValue.FORWARD_HOOK);
                notes.get(i).getBeam().add(beam);
            }
        }
    }

    private static void mark(Note note, StartStop type) {
        Tuplet tuplet = new Tuplet();
        tuplet.setType(type);
        tuplet.setNumber(1);
        if (type == StartStop.START) {
            tuplet.setBracket(YesNo.YES);
        }
        if (note.getNotations().isEmpty()) {
            note.getNotations().add(new Notations());
        }
        note.getNotations().get(0).getTiedOrSlurOrTuplet().add(tuplet);
    }
}
