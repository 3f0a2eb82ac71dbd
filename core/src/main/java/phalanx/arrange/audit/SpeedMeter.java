package phalanx.arrange.audit;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.FindingKind;
import phalanx.arrange.score.Track;
import phalanx.guitar.Tuning;
import phalanx.lefthand.shape.Press;
import phalanx.lefthand.track.Change;
import phalanx.lefthand.track.FingerMove;
import phalanx.lefthand.track.Shift;
import phalanx.righthand.Digit;
import phalanx.righthand.Speeds;
import phalanx.technique.Attack;

/**
 * Finds what sets the tempo: every move of a finger and of the hand, with the time that the track's clock gives it, and
 * every digit that plucks again.
 */
final class SpeedMeter {
    /** A digit that snaps a string must get under it first: our assumption. */
    private static final double HOOK_MS = 60;

    private final Speeds speeds;

    SpeedMeter(Speeds speeds) {
        this.speeds = speeds;
    }

    /** All limits of a song, the left hand first. */
    List<SpeedLimit> limits(Track track, Arrangement arrangement) {
        List<SpeedLimit> limits = left(track);
        limits.addAll(right(arrangement.notes()));
        new HitMeter(arrangement).add(limits);
        TouchRules touches = new TouchRules(arrangement, arrangement.holds());
        for (ArrangedNote note : arrangement.notes()) {
            if (note.attack() instanceof Attack.Touched touched && touched.left()) {
                limits.addAll(touches.ways(note.tick(), touched.node()));
            }
        }
        return limits;
    }

    /** Those of the left hand's moves. */
    List<SpeedLimit> left(Track track) {
        List<SpeedLimit> limits = new ArrayList<>();
        for (int i = 0; i < track.changes().size(); i++) {
            addChange(track.spans().get(i + 1).startTick(), track.changes().get(i), limits);
        }
        return limits;
    }

    /** Those of digits and slurs. */
    List<SpeedLimit> right(List<ArrangedNote> notes) {
        List<SpeedLimit> limits = new ArrayList<>();
        addDigits(notes, limits);
        addSlurs(notes, limits);
        return limits;
    }

    /** A note that is slurred away needs time to be heard. */
    private static void addSlurs(List<ArrangedNote> notes, List<SpeedLimit> limits) {
        ArrangedNote[] last = new ArrangedNote[Tuning.MOST_STRINGS + 1];
        for (ArrangedNote note : notes) {
            ArrangedNote before = last[note.string()];
            last[note.string()] = note;
            if (before != null && note.attack() instanceof Attack.Slur slur && note.tick() > before.tick()) {
                limits.add(new SpeedLimit(
                        note.tick(),
                        note.tick() - before.tick(),
                        slur.kind().leastMs(),
                        FindingKind.SLUR_TOO_FAST,
                        wording("SpeedMeter.a-follows-its-pluck", slur.kind().label())));
            }
        }
    }

    private static void addChange(int tick, Change change, List<SpeedLimit> limits) {
        for (FingerMove move : change.moves()) {
            if (move.needsMs() > 0) {
                limits.add(new SpeedLimit(tick, Math.max(1, move.hadTicks()), move.needsMs(), kind(move), what(move)));
            }
        }
        change.shift()
                .ifPresent(shift -> limits.add(new SpeedLimit(
                        tick,
                        Math.max(1, shift.hadTicks()),
                        shift.needsMs(),
                        FindingKind.SHIFT_TOO_FAST,
                        what(shift))));
    }

    private static FindingKind kind(FingerMove move) {
        if (move.takesOver().isPresent()) {
            return FindingKind.REFINGERING_TOO_FAST;
        }
        if (move.to().filter(Press::isBarre).isPresent()) {
            return FindingKind.BARRE_TOO_FAST;
        }
        return move.kind() == FingerMove.Kind.PLACE ? FindingKind.PLACED_TOO_FAST : FindingKind.MOVED_TOO_FAST;
    }

    private static String what(FingerMove move) {
        String who = wording("SpeedMeter.finger", move.finger().symbol());
        String over = move.takesOver()
                .map(other -> wording("SpeedMeter.when-finger-has-left-its", other.symbol()))
                .orElse("");
        String barre = move.to().filter(Press::isBarre).isPresent() ? wording("SpeedMeter.and-lays-a-barre") : "";
        String how = move.kind() == FingerMove.Kind.ROLL
                ? wording("SpeedMeter.rolls-at-fret", move.to().orElseThrow().fret())
                : wording(
                        "SpeedMeter.mm-to-fret",
                        (move.kind() == FingerMove.Kind.PLACE
                                        ? wording("SpeedMeter.comes-down-over")
                                        : wording("SpeedMeter.travels"))
                                + Math.round(move.mm()),
                        move.to().orElseThrow().fret());
        return who + " " + how + barre + over;
    }

    private static String what(Shift shift) {
        return wording("SpeedMeter.the-hand-shifts-mm-from", Math.round(shift.mm()), shift.from(), shift.to());
    }

    /**
     * One digit must come back to a string; different ones follow as fast as a roll. A brush is one stroke; the thumb's
     * upstroke follows its downstroke sooner than the next downstroke can.
     */
    private void addDigits(List<ArrangedNote> notes, List<SpeedLimit> limits) {
        Map<Digit, ArrangedNote> before = new EnumMap<>(Digit.class);
        ArrangedNote last = null;
        int down = 0;
        for (ArrangedNote note : notes) {
            if (!note.attack().plucked()) {
                continue;
            }
            ArrangedNote earlier = before.put(note.right(), note);
            if (earlier != null && note.tick() > earlier.tick()) {
                boolean up = note.attack().equals(Attack.UPSTROKE);
                boolean afterUp = earlier.attack().equals(Attack.UPSTROKE);
                String who = up
                        ? wording("SpeedMeter.the-thumb-strokes-up")
                        : afterUp
                                ? wording("SpeedMeter.the-thumb-strokes-down")
                                : wording(
                                        "SpeedMeter.digit-plucks-again",
                                        note.right().symbol());
                double needs = up || afterUp ? speeds.upMs() : speeds.repeatMs();
                if (note.attack().equals(Attack.SNAP)) {
                    needs += HOOK_MS;
                }
                limits.add(limit(note, note.tick() - earlier.tick(), needs, who));
                if (afterUp) {
                    limits.add(limit(
                            note,
                            note.tick() - down,
                            speeds.repeatMs(),
                            wording("SpeedMeter.digit-p-plucks-down-again")));
                }
            }
            if (note.right() == Digit.P && !note.attack().equals(Attack.UPSTROKE)) {
                down = note.tick();
            }
            if (last != null && note.tick() > last.tick() && last.right() != note.right()) {
                String who = wording(
                        "SpeedMeter.digit-follows-digit",
                        note.right().symbol(),
                        last.right().symbol());
                limits.add(limit(note, note.tick() - last.tick(), speeds.rollMs(), who));
            }
            last = note;
        }
    }

    private static SpeedLimit limit(ArrangedNote note, int ticks, double needsMs, String what) {
        return new SpeedLimit(note.tick(), ticks, needsMs, FindingKind.DIGIT_TOO_FAST, what);
    }
}
