package phalanx.formats.musicxml;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.audiveris.proxymusic.Direction;
import org.audiveris.proxymusic.DirectionType;
import org.audiveris.proxymusic.FormattedTextId;
import org.audiveris.proxymusic.Forward;
import org.audiveris.proxymusic.Note;
import org.audiveris.proxymusic.NoteType;
import org.audiveris.proxymusic.Notehead;
import org.audiveris.proxymusic.NoteheadValue;
import org.audiveris.proxymusic.Step;
import org.audiveris.proxymusic.Unpitched;
import phalanx.arrange.notation.NoteValue;
import phalanx.arrange.score.Arrangement;
import phalanx.song.Bar;
import phalanx.song.Ticks;
import phalanx.technique.Hit;
import phalanx.technique.HitKind;

/** Writes hits as crosses in a part of their own, each named where it differs from the one before. */
final class HitWriter {
    /** Written as eighths, or shorter where the next one comes sooner. */
    private static final int LONGEST = Ticks.QUARTER / 2;

    private final TreeMap<Integer, HitKind> hits = new TreeMap<>();
    private HitKind named;

    HitWriter(Arrangement arrangement) {
        for (Hit hit : arrangement.hits()) {
            hits.put(hit.tick(), hit.kind());
        }
    }

    void write(Bar bar, List<Object> content) {
        int at = bar.startTick();
        for (Map.Entry<Integer, HitKind> hit :
                hits.subMap(bar.startTick(), bar.endTick()).entrySet()) {
            at = silence(at, hit.getKey(), content);
            Integer next = hits.higherKey(at);
            int end = Math.min(bar.endTick(), Math.min(at + LONGEST, next == null ? Integer.MAX_VALUE : next));
            name(hit.getValue(), content);
            NoteValue value = NoteValue.split(end - at).get(0);
            content.add(note(value, hit.getValue()));
            at += value.ticks();
        }
        silence(at, bar.endTick(), content);
    }

    private static int silence(int from, int to, List<Object> content) {
        if (to > from) {
            Forward forward = new Forward();
            forward.setDuration(BigDecimal.valueOf(to - from));
            content.add(forward);
        }
        return to;
    }

    private void name(HitKind kind, List<Object> content) {
        if (kind == named) {
            return;
        }
        named = kind;
        FormattedTextId words = new FormattedTextId();
        words.setValue(kind.word());
        DirectionType type = new DirectionType();
        type.getWordsOrSymbol().add(words);
        Direction direction = new Direction();
        direction.getDirectionType().add(type);
        content.add(direction);
    }

    private static Note note(NoteValue value, HitKind kind) {
        Unpitched place = new Unpitched();
        // a line or space of its own for each
        place.setDisplayStep(Step.values()[kind.ordinal() % Step.values().length]);
        place.setDisplayOctave(5 - kind.ordinal() / Step.values().length);
        Notehead head = new Notehead();
        head.setValue(NoteheadValue.X);
        Note note = new Note();
        note.setUnpitched(place);
        note.setDuration(BigDecimal.valueOf(value.ticks()));
        note.setVoice("1");
        if (!value.type().isEmpty()) {
            NoteType type = new NoteType();
            type.setValue(value.type());
            note.setType(type);
        }
        note.setNotehead(head);
        return note;
    }
}
