package phalanx.arrange.score;

import java.util.List;
import java.util.stream.IntStream;
import phalanx.lefthand.track.Change;
import phalanx.lefthand.track.Clock;
import phalanx.lefthand.track.MoveMeter;
import phalanx.lefthand.track.Pace;
import phalanx.lefthand.track.Posture;
import phalanx.lefthand.track.Stops;

/**
 * The left hand in time, as far as it can be read off an arrangement: where it stands and who presses in each stretch,
 * and what it does between one and the next with the time that the notes leave it.
 *
 * @param spans in order, without gaps
 * @param changes one fewer: that between each span and the next
 */
public record Track(List<Span> spans, List<Change> changes) {
    /**
     * A stretch in which the hand keeps still.
     *
     * @param startTick from
     * @param endTick up to, not included
     * @param posture how it stands
     */
    public record Span(int startTick, int endTick, Posture posture) {}

    public Track {
        spans = List.copyOf(spans);
        changes = List.copyOf(changes);
    }

    /**
     * Reads the changes between stretches.
     *
     * @param notes in order of tick
     * @param tempo quarter notes a minute
     */
    public static Track of(List<Span> spans, List<ArrangedNote> notes, double tempo, MoveMeter meter) {
        Clock clock = new Clock(tempo);
        int[] firsts = new int[spans.size() + 1];
        for (int i = 0; i < spans.size(); i++) {
            int next = firsts[i];
            while (next < notes.size() && notes.get(next).tick() < spans.get(i).endTick()) {
                next++;
            }
            firsts[i + 1] = next;
        }
        List<Change> changes = IntStream.range(0, Math.max(0, spans.size() - 1))
                .parallel()
                .mapToObj(i ->
                        change(spans.get(i), spans.get(i + 1), notes.subList(firsts[i], firsts[i + 1]), clock, meter))
                .toList();
        return new Track(spans, changes);
    }

    /** The track of a whole arrangement at its song's tempo. */
    public static Track of(Arrangement arrangement, MoveMeter meter) {
        return of(
                arrangement.slots().stream()
                        .map(slot -> new Span(slot.startTick(), slot.endTick(), slot.posture()))
                        .toList(),
                arrangement.notes(),
                arrangement.song().tempo(),
                meter);
    }

    private static Change change(Span span, Span next, List<ArrangedNote> within, Clock clock, MoveMeter meter) {
        int[] ticks = within.stream().mapToInt(ArrangedNote::tick).distinct().toArray();
        Stops stops = Stops.of(span.posture().fingering().packed());
        int plucks = 0;
        int pluck = 0;
        for (ArrangedNote note : within) {
            while (pluck == 0 || ticks[pluck - 1] < note.tick()) {
                pluck++;
            }
            int finger = Stops.at(stops.fingers(), note.string());
            plucks = finger == 0 ? plucks : Pace.withPluck(plucks, finger - 1, pluck);
        }
        return meter.change(
                span.posture(), next.posture(), plucks, new Pace(clock, span.startTick(), span.endTick(), ticks));
    }
}
