package phalanx.arrange.advice;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.function.BooleanSupplier;
import java.util.function.Function;
import phalanx.arrange.Arranger;
import phalanx.arrange.demand.Request;
import phalanx.arrange.score.Arrangement;
import phalanx.righthand.Level;
import phalanx.righthand.Picking;

/** Arranges a song at every level, for the player to compare before choosing. */
public final class LevelAdvisor {
    /**
     * How a song is at a level, by the full answer where it was found before, else by the quick one.
     *
     * @param level how much is played
     * @param effort of the song
     * @param tempoCeiling the fastest tempo at which every change and digit fits
     */
    public record Figures(Level level, double effort, double tempoCeiling) {}

    /**
     * All levels, the plainest first.
     *
     * @param asked what is arranged, its song as entered
     * @param known the full answer at a level, if it was found before
     * @param cancelled asked again and again while the work goes on
     * @throws CancellationException soon after it says yes
     */
    public List<Figures> compare(
            Request asked, Function<Level, Optional<Arrangement>> known, BooleanSupplier cancelled) {
        Arranger arranger = new Arranger(asked.instrument(), asked.hand());
        return Arrays.stream(Level.values())
                .map(level -> {
                    Picking picking = asked.picking().withLevel(level);
                    Arrangement arranged = known.apply(level)
                            .orElseGet(() ->
                                    arranger.quick(asked.song(), picking, asked.wishes(), asked.locks(), cancelled));
                    return new Figures(
                            level, arranged.effort(), arranged.ceiling().tempo());
                })
                .toList();
    }
}
