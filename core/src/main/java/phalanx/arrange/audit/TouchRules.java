package phalanx.arrange.audit;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.FindingKind;
import phalanx.arrange.score.Hold;
import phalanx.lefthand.shape.Press;
import phalanx.technique.HarmonicNode;
import phalanx.words.Words;

/** Says whether the left hand can go to a node of an open string, touch it while it is plucked, and come back. */
public final class TouchRules {
    /** So long a finger stays on the node: an assumption of ours. */
    private static final double TOUCH_MS = 60;

    private final Arrangement arrangement;
    private final List<Hold> holds;

    /** @param holds who holds what, in order */
    public TouchRules(Arrangement arrangement, List<Hold> holds) {
        this.arrangement = arrangement;
        this.holds = holds;
    }

    /** Why a string does not sound open for as long as a harmonic on it rings, or nothing. */
    public Optional<String> stopped(int string, int tick, int endTick) {
        return holds.stream()
                .filter(hold -> hold.tick() < endTick
                        && hold.endTick() > tick
                        && hold.press().covers(string))
                .findFirst()
                .map(hold -> wording(
                        "TouchRules.finger-stops-string-there",
                        hold.press().finger().symbol(),
                        string));
    }

    /** Why the left hand cannot touch a node, or nothing. */
    public Optional<String> refusal(int tick, HarmonicNode node) {
        boolean holds = this.holds.stream().anyMatch(hold -> hold.tick() <= tick && hold.endTick() > tick);
        if (holds) {
            return Optional.of(wording("TouchRules.the-left-hand-holds-other"));
        }
        double tempo = arrangement.song().tempo();
        return ways(tick, node).stream()
                .filter(limit -> limit.hasMs(tempo) < limit.needsMs())
                .findFirst()
                .map(limit -> String.format(
                        Words.figures(),
                        wording("TouchRules.in-ms-and-needs"),
                        limit.what(),
                        limit.hasMs(tempo),
                        limit.needsMs()));
    }

    /** The hand's way to the node and back. */
    List<SpeedLimit> ways(int tick, HarmonicNode node) {
        List<SpeedLimit> ways = new ArrayList<>();
        Hold before = null;
        Hold after = null;
        for (Hold hold : holds) {
            if (hold.endTick() <= tick && (before == null || hold.endTick() > before.endTick())) {
                before = hold;
            }
            if (hold.tick() > tick && (after == null || hold.tick() < after.tick())) {
                after = hold;
            }
        }
        if (before != null) {
            ways.add(way(tick, tick - before.endTick(), before.press(), node, 0, wording("TouchRules.to")));
        }
        if (after != null) {
            ways.add(way(
                    after.tick(), after.tick() - tick, after.press(), node, TOUCH_MS, wording("TouchRules.back-from")));
        }
        return ways;
    }

    private SpeedLimit way(int tick, int ticks, Press press, HarmonicNode node, double more, String which) {
        int capo = arrangement.request().instrument().capo();
        var guitar = arrangement.request().instrument().guitar();
        double mm = Math.abs(guitar.wireMm(capo + node.frets()) - guitar.wireMm(capo + press.fret()));
        return new SpeedLimit(
                tick,
                Math.max(1, ticks),
                more + arrangement.request().hand().travelMs(mm),
                FindingKind.SHIFT_TOO_FAST,
                String.format(Words.figures(), wording("TouchRules.the-hand-goes-mm-a"), mm, which));
    }
}
