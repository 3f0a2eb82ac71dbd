package phalanx.arrange;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.LongRange;
import org.junit.jupiter.api.Test;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Hold;
import phalanx.guitar.Guitar;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.guitar.NamedTuning;
import phalanx.righthand.Picking;
import phalanx.song.Song;
import phalanx.song.Songs;
import phalanx.testing.Deep;

/**
 * A hand of points that replays holds and notes and refuses what no hand does. It shares no formula with the engine:
 * places come from the rule of the twelfth root, times from Fitts' law as published, both written out here.
 */
class SimulatedHandTest {
    private static final double A_MS = 50;
    private static final double B_MS = 60;
    private static final double TIP_MM = 13;
    private static final double SCALE = 650;

    private record Point(double x, double y) {
        double to(Point other) {
            return Math.sqrt((x - other.x) * (x - other.x) + (y - other.y) * (y - other.y));
        }
    }

    private static double wire(int fret) {
        return SCALE - SCALE / Math.pow(2, fret / 12.0);
    }

    /** The fingertip stands behind its wire by 8 mm or three tenths of the fret, whichever is less. */
    private static Point tip(int capo, int string, int fret) {
        double width = wire(capo + fret) - wire(capo + fret - 1);
        double x = wire(capo + fret) - Math.min(8, 0.3 * width);
        double spread = 37 + (56 - 37) * x / SCALE;
        return new Point(x, (3.5 - string) * spread / 5);
    }

    private static double needs(double mm) {
        return A_MS + B_MS * Math.log(mm / TIP_MM + 1) / Math.log(2);
    }

    private static final class Refusal {
        private final List<String> all = new ArrayList<>();
    }

    /** Replays every finger from hold to hold: the time from when it may leave to the onset, the way as the crow flies. */
    private static List<String> refused(Arrangement arranged) {
        Refusal refusal = new Refusal();
        int capo = arranged.request().instrument().capo();
        double msPerTick = 60_000.0 / 1680 / arranged.song().tempo();
        Map<String, Hold> last = new HashMap<>();
        for (Hold hold : arranged.holds()) {
            String finger = hold.press().finger().symbol();
            Hold before = last.put(finger, hold);
            if (before == null || before.press().isBarre() || hold.press().isBarre()) {
                continue;
            }
            Point from = tip(capo, before.press().bassString(), before.press().fret());
            Point to = tip(capo, hold.press().bassString(), hold.press().fret());
            // it leaves at the latest when its last note has sounded for half of what it could
            int free = before.tick();
            for (ArrangedNote note : arranged.notes()) {
                boolean served = note.string() == before.press().bassString()
                        && note.tick() >= before.tick()
                        && note.tick() < before.endTick();
                free = served ? Math.max(free, note.tick()) : free;
            }
            double has = (hold.tick() - free) * msPerTick;
            if (needs(from.to(to)) > has && !told(arranged, before.endTick(), hold.tick())) {
                refusal.all.add("finger " + finger + " at tick " + hold.tick() + " " + from.to(to) + " mm in " + has);
            }
        }
        refusal.all.addAll(impossible(arranged, capo));
        return refusal.all;
    }

    private static boolean told(Arrangement arranged, int from, int to) {
        return arranged.findings().stream()
                .anyMatch(finding -> finding.kind().isOfSpeed() && finding.tick() >= from && finding.tick() <= to);
    }

    /** One finger in one place; each pair within reach; higher fingers not below lower ones; the thumb near the hand. */
    private static List<String> impossible(Arrangement arranged, int capo) {
        List<String> refused = new ArrayList<>();
        double[][] share = {{0, 0.6, 0.8, 1}, {0.6, 0, 0.5, 0.72}, {0.8, 0.5, 0, 0.5}, {1, 0.72, 0.5, 0}};
        boolean reachTold = arranged.findings().stream()
                .anyMatch(finding -> finding.kind().label().equals("reach"));
        for (Hold a : arranged.holds()) {
            for (Hold b : arranged.holds()) {
                if (a == b || a.tick() >= b.endTick() || b.tick() >= a.endTick()) {
                    continue;
                }
                int i = a.press().finger().ordinal();
                int k = b.press().finger().ordinal();
                if (i == k) {
                    refused.add("finger in two places at " + a.tick());
                } else if (i < k && k < 4) {
                    if (a.press().fret() > b.press().fret()) {
                        refused.add("fingers out of order at " + a.tick());
                    }
                    if (!a.press().isBarre() && !b.press().isBarre() && !reachTold) {
                        double mm = tip(capo, a.press().bassString(), a.press().fret())
                                .to(tip(capo, b.press().bassString(), b.press().fret()));
                        if (mm > 125 * share[i][k] + 1e-6) {
                            refused.add("fingers " + mm + " mm apart at " + a.tick());
                        }
                    }
                } else if (i < 4
                        && k == 4
                        && thumbIsFar(capo, b.press().fret(), a.press().fret())) {
                    refused.add("thumb far from the hand at " + a.tick());
                }
            }
        }
        for (ArrangedNote note : arranged.notes()) {
            if (note.role().label().equals("melody")
                    && note.left().map(finger -> finger.symbol().equals("T")).orElse(false)) {
                refused.add("tune by the thumb at " + note.tick());
            }
        }
        return refused;
    }

    /** The thumb reaches a fret below the index, the little finger as far above it as the hand is wide. */
    private static boolean thumbIsFar(int capo, int thumb, int finger) {
        Point tip = tip(capo, 6, thumb);
        double fret = tip.to(tip(capo, 6, thumb + 1));
        return tip.to(tip(capo, 6, finger)) > 125 + fret;
    }

    @Test
    void noHandIsAskedForWhatNoFindingSays() {
        for (int seed = 0; seed < Deep.of(12, 500); seed++) {
            int[] tempos = {60, 92, 132, 190};
            NamedTuning tuning = seed % 2 == 0 ? NamedTuning.STANDARD : NamedTuning.DADGAD;
            Instrument instrument = new Instrument(Guitar.STEEL, tuning.tuning(), seed % 3);
            Song song = Songs.random(1000 + seed, 5).withTempo(tempos[seed / 2 % 4]);
            Arrangement arranged =
                    new Arranger(instrument, Hand.AVERAGE).quick(song, Picking.PLAIN, List.of(), () -> false);
            assertThat(refused(arranged)).as("song %d", seed).isEmpty();
        }
    }

    /** The simulator itself: a finger sent from fret 1 to fret 12 needs three tenths of a second. */
    @Property(tries = 3)
    void aHandThatFliesIsRefused(@ForAll @LongRange(min = 1, max = 3) long seed) {
        assertThat(needs(tip(0, 1, 1).to(tip(0, 1, 12)))).isGreaterThan(300);
        assertThat(tip(0, 3, 5).to(tip(0, 3, 8))).isBetween(70.0, 80.0);
    }
}
