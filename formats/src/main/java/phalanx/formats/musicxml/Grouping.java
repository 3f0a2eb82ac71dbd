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
import phalanx.song.Bar;

/** Joins the written values of one voice in one bar: beams within a felt beat, brackets around tuplets. */
final class Grouping {
    private static final List<String> BEAMED = List.of("eighth", "16th", "32nd", "64th");

    private final Bar bar;
    private final List<Entry> entries = new ArrayList<>();

    /**
     * A written value.
     *
     * @param note the first of those struck together, or a rest
     */
    private record Entry(Note note, int onset, NoteValue value, boolean rest) {
        /** How many beams it has; none for a rest. */
        int beams() {
            return rest ? 0 : BEAMED.indexOf(value.type()) + 1;
        }

        int end() {
            return onset + value.ticks();
        }

        /** How long a plain value of its type is. */
        int plain() {
            return value.ticks() * value.actual() / value.normal();
        }
    }

    Grouping(Bar bar) {
        this.bar = bar;
    }

    void add(Note note, int onset, NoteValue value, boolean rest) {
        entries.add(new Entry(note, onset, value, rest));
    }

    /** Marks them all. */
    void mark() {
        for (int from = 0, to; from < entries.size(); from = to) {
            to = from + 1;
            while (to < entries.size() && goesOn(entries.get(to - 1), entries.get(to))) {
                to++;
            }
            beam(entries.subList(from, to));
        }
        tuplets();
    }

    /** Whether two values stand under one beam. */
    private boolean goesOn(Entry before, Entry now) {
        int beat = bar.meter().beatTicks();
        return before.beams() > 0
                && now.beams() > 0
                && before.end() == now.onset
                && bar.offsetOf(before.onset) / beat == bar.offsetOf(now.onset) / beat;
    }

    private static void beam(List<Entry> group) {
        for (int i = 0; group.size() > 1 && i < group.size(); i++) {
            for (int level = 1; level <= group.get(i).beams(); level++) {
                boolean before = i > 0 && group.get(i - 1).beams() >= level;
                boolean after = i + 1 < group.size() && group.get(i + 1).beams() >= level;
                Beam beam = new Beam();
                beam.setNumber(level);
                beam.setValue(
                        before && after
                                ? BeamValue.CONTINUE
                                : before
                                        ? BeamValue.END
                                        : after
                                                ? BeamValue.BEGIN
                                                : i > 0 ? BeamValue.BACKWARD_HOOK : BeamValue.FORWARD_HOOK);
                group.get(i).note.getBeam().add(beam);
            }
        }
    }

    /** A bracket goes from its first value until as many of its shortest one as the tuplet has are full. */
    private void tuplets() {
        int first = -1;
        int shortest = 0;
        for (int i = 0; i < entries.size(); i++) {
            Entry entry = entries.get(i);
            boolean odd = entry.value.actual() > 1;
            if (first >= 0 && !(odd && sameTuplet(entries.get(i - 1), entry))) {
                bracket(first, i - 1);
                first = -1;
            }
            if (odd && first < 0) {
                first = i;
                shortest = entry.plain();
            }
            if (odd) {
                shortest = Math.min(shortest, entry.plain());
                int full = shortest * entry.value.normal();
                if ((entry.end() - entries.get(first).onset) % full == 0) {
                    bracket(first, i);
                    first = -1;
                }
            }
        }
        if (first >= 0) {
            bracket(first, entries.size() - 1);
        }
    }

    private static boolean sameTuplet(Entry before, Entry now) {
        return before.end() == now.onset
                && before.value.actual() == now.value.actual()
                && before.value.normal() == now.value.normal();
    }

    private void bracket(int first, int last) {
        if (first < last) {
            mark(entries.get(first).note, StartStop.START);
            mark(entries.get(last).note, StartStop.STOP);
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
