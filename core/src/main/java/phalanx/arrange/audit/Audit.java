package phalanx.arrange.audit;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.TempoCeiling;
import phalanx.arrange.score.Track;
import phalanx.lefthand.track.MoveMeter;
import phalanx.song.Song;
import phalanx.words.Words;

/**
 * Measures an arrangement from its notes, holds and positions alone, without trust in how it was made, and says what it
 * does not like.
 */
public final class Audit {
    private final MoveMeter meter;

    /** @param meter of the guitar and the hand of the arrangement */
    public Audit(MoveMeter meter) {
        this.meter = meter;
    }

    /** One for an arrangement. */
    public static Audit of(Arrangement arrangement) {
        return new Audit(new MoveMeter(
                arrangement.request().instrument(), arrangement.request().hand()));
    }

    /** The arrangement with what is found in it, in order of tick, and its tempo ceiling. */
    public Arrangement audited(Arrangement arrangement) {
        CompletableFuture<List<SpeedLimit>> limits = CompletableFuture.supplyAsync(() -> limits(arrangement));
        return arrangement.with(findings(arrangement, limits::join), ceiling(limits.join()));
    }

    /** All findings in order of tick. */
    public List<Finding> findings(Arrangement arrangement) {
        List<SpeedLimit> limits = limits(arrangement);
        return findings(arrangement, () -> limits);
    }

    private static List<Finding> findings(Arrangement arrangement, Supplier<List<SpeedLimit>> limits) {
        List<Supplier<List<Finding>>> audits = List.of(
                () -> new HoldAudit(arrangement).findings(),
                () -> new ThumbAudit(arrangement).findings(),
                () -> new NoteAudit(arrangement).findings(),
                () -> new LockAudit(arrangement).findings(),
                () -> new StrainAudit(arrangement).findings(),
                () -> new SpeedAudit(arrangement).findings(limits.get()),
                () -> new DigitAudit(arrangement).findings(),
                () -> new HitAudit(arrangement).findings(),
                () -> new HarmonicAudit(arrangement).findings(),
                () -> new SlurAudit(arrangement).findings());
        return audits.parallelStream()
                .flatMap(audit -> audit.get().stream())
                .sorted(Comparator.comparingInt(Finding::tick))
                .collect(Collectors.toCollection(ArrayList::new));
    }

    private List<SpeedLimit> limits(Arrangement arrangement) {
        return new SpeedMeter(arrangement.request().picking().speeds())
                .limits(Track.of(arrangement, meter), arrangement);
    }

    /** The greatest tempo at which this very arrangement has no finding of speed, and what sets it. */
    public TempoCeiling ceiling(Arrangement arrangement) {
        return ceiling(limits(arrangement));
    }

    /** That of each bar of the song, by what must be done in it. */
    public List<TempoCeiling> barCeilings(Arrangement arrangement) {
        Song song = arrangement.song();
        List<List<SpeedLimit>> byBar = new ArrayList<>();
        song.bars().forEach(bar -> byBar.add(new ArrayList<>()));
        limits(arrangement)
                .forEach(limit -> byBar.get(song.barIndexAt(limit.tick())).add(limit));
        return byBar.stream().map(Audit::ceiling).toList();
    }

    private static TempoCeiling ceiling(List<SpeedLimit> limits) {
        return limits.stream()
                .min(Comparator.comparingDouble(SpeedLimit::tempo))
                .filter(limit -> limit.tempo() < Song.FASTEST)
                .map(limit -> new TempoCeiling(
                        limit.tempo(),
                        limit.tick(),
                        String.format(
                                Words.figures(), wording("Audit.and-needs-about-ms"), limit.what(), limit.needsMs())))
                .orElse(TempoCeiling.NONE);
    }
}
