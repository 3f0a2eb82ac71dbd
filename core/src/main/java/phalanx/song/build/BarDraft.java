package phalanx.song.build;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import phalanx.song.BarMarks;
import phalanx.song.ChordChange;
import phalanx.song.Meter;

/** A written bar while its song is put together; times in ticks since it begins. */
final class BarDraft {
    final Map<String, List<Tone>> voices = new LinkedHashMap<>();
    final TreeMap<Integer, ChordChange> chords = new TreeMap<>();
    final TreeMap<Integer, String> sections = new TreeMap<>();
    String place = "";
    Meter meter;
    /** How much of it is filled. */
    int content;

    BarMarks marks = BarMarks.NONE;
    /** Whether it is as long as it is filled without need of a reason. */
    boolean free;

    BarDraft(Meter meter) {
        this.meter = meter;
    }

    List<Tone> tones(String voice) {
        return voices.getOrDefault(voice, List.of());
    }

    boolean isShort() {
        return content > 0 && content < meter.barTicks();
    }

    /** Whether something that is played in another order begins with it. */
    boolean opens() {
        return marks.repeatStart()
                || marks.signs().contains(BarMarks.Sign.SEGNO)
                || marks.signs().contains(BarMarks.Sign.CODA);
    }

    /** Whether playing may go elsewhere after it. */
    boolean closes() {
        return marks.timesToEnd() > 0
                || marks.jump().isPresent()
                || marks.signs().contains(BarMarks.Sign.FINE)
                || marks.signs().contains(BarMarks.Sign.TO_CODA);
    }

    /** Its marks for one of the bars that it is divided into. */
    BarMarks marksOf(boolean first, boolean last) {
        if (first && last) {
            return marks;
        }
        Set<BarMarks.Sign> signs = EnumSet.noneOf(BarMarks.Sign.class);
        for (BarMarks.Sign sign : marks.signs()) {
            boolean before = sign == BarMarks.Sign.SEGNO || sign == BarMarks.Sign.CODA;
            if (before ? first : last) {
                signs.add(sign);
            }
        }
        return new BarMarks(
                first && marks.repeatStart(),
                last ? marks.timesToEnd() : 0,
                marks.endings(),
                signs,
                last ? marks.jump() : Optional.empty());
    }

    /** The ends of the bars that it is divided into, the last its own. */
    List<Integer> ends(int length) {
        List<Integer> ends = new ArrayList<>();
        int nominal = meter.barTicks();
        if (length > 2 * nominal) {
            for (int at = nominal; at < length; at += nominal) {
                ends.add(at);
            }
        }
        ends.add(length);
        return ends;
    }
}
