package phalanx.arrange.notation;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;
import phalanx.arrange.score.Arrangement;
import phalanx.song.Bar;

/**
 * The rhythm of all voices together in one bar, as it stands with tablature that has no staff: when something is struck,
 * and how long until the next stroke.
 *
 * @param strokes in order of time; they fill the bar
 * @param beams over which of them
 * @param tuplets over which of them
 */
public record Rhythm(List<Stroke> strokes, List<Grouping.Run> beams, List<Grouping.Run> tuplets) {
    /**
     * A written value.
     *
     * @param value when and how long; a rest where nothing sounds
     * @param tied whether it goes on from the value before
     */
    public record Stroke(Grouping.Value value, boolean tied) {}

    public Rhythm {
        strokes = List.copyOf(strokes);
        beams = List.copyOf(beams);
        tuplets = List.copyOf(tuplets);
    }

    /** The rhythm of a bar: of notes, slurred ones among them, and of hits. */
    public static Rhythm of(Arrangement arrangement, Bar bar) {
        TreeSet<Integer> onsets = new TreeSet<>();
        arrangement.notes().stream().filter(note -> bar.contains(note.tick())).forEach(note -> onsets.add(note.tick()));
        arrangement.hits().stream().filter(hit -> bar.contains(hit.tick())).forEach(hit -> onsets.add(hit.tick()));
        List<Stroke> strokes = new ArrayList<>();
        if (onsets.isEmpty() || onsets.first() > bar.startTick()) {
            boolean sounds = arrangement.notes().stream()
                    .anyMatch(note -> note.tick() < bar.startTick() && note.endTick() > bar.startTick());
            add(strokes, bar, bar.startTick(), onsets.isEmpty() ? bar.endTick() : onsets.first(), !sounds, sounds);
        }
        for (int onset : onsets) {
            Integer next = onsets.higher(onset);
            add(strokes, bar, onset, next == null ? bar.endTick() : next, false, false);
        }
        Grouping grouping =
                new Grouping(bar, strokes.stream().map(Stroke::value).toList());
        return new Rhythm(strokes, grouping.beams(), grouping.tuplets());
    }

    private static void add(List<Stroke> strokes, Bar bar, int from, int to, boolean rest, boolean tied) {
        int at = from;
        for (NoteValue value : rest ? NoteValue.silence(bar, from, to) : NoteValue.split(to - from)) {
            strokes.add(new Stroke(new Grouping.Value(at, value, rest), tied || !rest && at > from));
            at += value.ticks();
        }
    }
}
