package phalanx.arrange.audit;

import static phalanx.words.Words.wording;

import java.util.List;
import java.util.TreeSet;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.FindingKind;
import phalanx.arrange.score.Hold;
import phalanx.technique.Attack;
import phalanx.technique.Hit;
import phalanx.technique.HitKind;

/** Finds what time a hit leaves its hand before and after it. */
final class HitMeter {
    private final TreeSet<Integer> right = new TreeSet<>();
    private final TreeSet<Integer> put = new TreeSet<>();
    private final TreeSet<Integer> lifted = new TreeSet<>();
    private final List<Hit> hits;

    HitMeter(Arrangement arrangement) {
        this.hits = arrangement.hits();
        arrangement.notes().stream()
                .filter(note -> note.attack().plucked())
                .map(ArrangedNote::tick)
                .forEach(right::add);
        hits.stream()
                .filter(hit -> hit.kind().side() == HitKind.Side.RIGHT)
                .map(Hit::tick)
                .forEach(right::add);
        arrangement.holds().stream().map(Hold::tick).forEach(put::add);
        arrangement.holds().stream().map(Hold::endTick).forEach(lifted::add);
        arrangement.notes().stream()
                .filter(note -> note.attack() instanceof Attack.Touched touched && touched.left())
                .map(ArrangedNote::tick)
                .forEach(tick -> {
                    put.add(tick);
                    lifted.add(tick);
                });
    }

    void add(List<SpeedLimit> limits) {
        for (Hit hit : hits) {
            boolean rightHand = hit.kind().side() == HitKind.Side.RIGHT;
            Integer before = (rightHand ? right : lifted).lower(hit.tick());
            Integer after = (rightHand ? right : put).higher(hit.tick());
            if (before != null) {
                limits.add(limit(hit, hit.tick(), hit.tick() - before, wording("HitMeter.the-hand-comes-to-a")));
            }
            if (after != null) {
                limits.add(limit(hit, after, after - hit.tick(), wording("HitMeter.the-hand-comes-back-from")));
            }
        }
    }

    private static SpeedLimit limit(Hit hit, int tick, int ticks, String what) {
        return new SpeedLimit(
                tick,
                ticks,
                hit.kind().busyMs(),
                FindingKind.HIT_TOO_FAST,
                what + hit.kind().label());
    }
}
