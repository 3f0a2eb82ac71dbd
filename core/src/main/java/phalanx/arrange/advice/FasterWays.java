package phalanx.arrange.advice;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.function.BooleanSupplier;
import phalanx.arrange.Arranger;
import phalanx.arrange.demand.Octave;
import phalanx.arrange.demand.Request;
import phalanx.arrange.demand.Slot;
import phalanx.arrange.demand.SongDemand;
import phalanx.arrange.demand.Wishes;
import phalanx.arrange.score.ArrangedSlot;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Scorer;
import phalanx.cost.Cost;
import phalanx.song.Song;

/**
 * Looks for a way through a song that goes faster: solves it for some faster tempos, where moves that have too little
 * time are dear, and takes the one with the highest ceiling.
 */
public final class FasterWays {
    /** The tempos tried, as shares of the present ceiling. */
    private static final double[] TRIED = {1.1, 1.25, 1.5, 2};
    /** A gain of less is none. In quarter notes a minute. */
    private static final double LEAST_GAIN = 2;

    /**
     * The fastest way found; nothing where none is worth the name.
     *
     * @param cancelled asked again and again while the work goes on
     * @throws CancellationException soon after it says yes
     */
    public Optional<FasterWay> find(Arrangement now, BooleanSupplier cancelled) {
        Request request = now.request();
        Arranger arranger = new Arranger(request.instrument(), request.hand());
        Song asked = request.song();
        Wishes wishes = request.wishes().withOctave(Octave.AS_WRITTEN);
        double ceiling = now.ceiling().tempo();
        Optional<Arrangement> fastest = Optional.empty();
        for (double share : TRIED) {
            int tempo = (int) Math.round(Math.max(ceiling, Song.SLOWEST) * share);
            if (tempo <= Song.FASTEST) {
                Arrangement tried =
                        arranger.quick(asked.withTempo(tempo), request.picking(), wishes, request.locks(), cancelled);
                double best = fastest.map(way -> way.ceiling().tempo()).orElse(ceiling + LEAST_GAIN);
                boolean same = tried.movedBy() == 0
                        && tried.cost().tune() <= now.cost().tune();
                if (same && tried.ceiling().tempo() >= best) {
                    fastest = Optional.of(tried);
                }
            }
        }
        return fastest.map(way -> new FasterWay(way, effortAt(now.song().tempo(), way) - now.effort()));
    }

    /** What an arrangement costs at another tempo. */
    private static double effortAt(double tempo, Arrangement way) {
        List<Slot> demanded = SongDemand.of(way.request()).slots();
        List<Slot> slots = new ArrayList<>();
        for (int i = 0; i < demanded.size(); i++) {
            ArrangedSlot arranged = way.slots().get(i);
            boolean kept =
                    demanded.get(i).locked().filter(arranged.held()::equals).isPresent();
            slots.add(kept ? demanded.get(i) : demanded.get(i).unlocked());
        }
        return Scorer.of(way.request())
                .costs(
                        slots,
                        tempo,
                        way.plain(),
                        way.holds(),
                        way.slots().stream()
                                .map(slot -> slot.posture().position())
                                .toList(),
                        way.slots().stream().map(ArrangedSlot::printed).toList())
                .stream()
                .reduce(Cost.NONE, Cost::plus)
                .effort()
                .total();
    }
}
