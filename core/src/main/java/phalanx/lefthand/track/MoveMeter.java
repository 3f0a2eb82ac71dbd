package phalanx.lefthand.track;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import phalanx.cost.Effort;
import phalanx.cost.Term;
import phalanx.cost.Weights;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Finger;
import phalanx.lefthand.shape.Fingering;
import phalanx.lefthand.shape.Neck;
import phalanx.lefthand.shape.Press;

/**
 * The one meter of moves: says what a change from one posture to the next costs, what each finger does in it, and how
 * long that takes. What single fingers do is measured by its {@link MoveTable}; a search over many changes reads that.
 * Safe for several threads at once.
 */
public final class MoveMeter {
    private final Instrument instrument;
    private final Neck neck;
    private final RestPlaces rests;
    private final MoveTable table;

    public MoveMeter(Instrument instrument, Hand hand) {
        this.instrument = instrument;
        this.neck = new Neck(instrument);
        this.rests = new RestPlaces(neck);
        this.table = new MoveTable(neck, rests, hand);
    }

    /** What single moves take. */
    public MoveTable table() {
        return table;
    }

    /**
     * A change in full. Its effort is that of a path through {@link MoveTable}, term by term.
     *
     * @param plucks what each finger plucked last before, see {@link Pace#pluck}
     * @param pace how much time that leaves
     */
    public Change change(Posture before, Posture after, int plucks, Pace pace) {
        return new Reading(before, after, plucks, pace).change();
    }

    /** Reads a change off its two postures. */
    private final class Reading {
        private final Posture before;
        private final Posture after;
        private final Stops stopsBefore;
        private final Stops stopsAfter;
        private final int plucks;
        private final Pace pace;
        private final Effort.Sum effort = new Effort.Sum();
        private final int handPluck;
        private boolean led;

        Reading(Posture before, Posture after, int plucks, Pace pace) {
            this.before = before;
            this.after = after;
            this.plucks = plucks;
            this.pace = pace;
            this.stopsBefore = Stops.of(before.fingering().packed());
            this.stopsAfter = Stops.of(after.fingering().packed());
            this.handPluck = before.position() == after.position() ? 0 : handPluck();
        }

        /** The pluck after which the hand is free to go. */
        private int handPluck() {
            int latest = 0;
            for (int finger = 0; finger < Fingering.FINGERS; finger++) {
                int press = before.fingering().packed(finger);
                int pluck = Pace.pluck(plucks, finger);
                if (press != 0 && press != after.fingering().packed(finger) && pace.ticks(pluck) < pace.ticks(latest)) {
                    latest = pluck;
                }
            }
            return latest;
        }

        Change change() {
            List<FingerMove> all = new ArrayList<>();
            for (Finger finger : Finger.values()) {
                int from = before.fingering().packed(finger.ordinal());
                int to = after.fingering().packed(finger.ordinal());
                if (from != 0 || to != 0) {
                    all.add(move(finger, from, to));
                }
            }
            return new Change(all, shift(), effort.done());
        }

        private FingerMove move(Finger finger, int from, int to) {
            if (from == to) {
                return still(finger, FingerMove.Kind.ANCHOR);
            }
            if (to == 0) {
                effort.add(Term.LIFTING, table.lift(table.number(from)));
                return still(finger, FingerMove.Kind.LIFT);
            }
            return from == 0 ? placed(finger, to) : moved(finger, from, to);
        }

        private FingerMove still(Finger finger, FingerMove.Kind kind) {
            return new FingerMove(
                    finger,
                    kind,
                    before.fingering().press(finger),
                    after.fingering().press(finger),
                    0,
                    0,
                    0,
                    0,
                    Optional.empty(),
                    false);
        }

        private FingerMove placed(Finger finger, int to) {
            long word = table.place(finger.ordinal(), before.position(), table.number(to));
            double mm = rests.mm(finger.ordinal(), before.position(), to);
            return timed(finger, FingerMove.Kind.PLACE, word, mm, handPluck);
        }

        private FingerMove moved(Finger finger, int from, int to) {
            long word = table.move(table.number(from), table.number(to));
            boolean slides = MoveTable.slides(word);
            boolean rolls = Press.overlap(from, to) && Press.fret(from) == Press.fret(to);
            int shift = after.position() - before.position();
            led |= slides && table.leads(finger.ordinal(), table.number(from), table.number(to), shift);
            long slide = table.slide(finger.ordinal(), table.number(from), table.number(to));
            effort.add(Term.SLIDING, MoveTable.loneSlide(down(before), down(after), slide));
            FingerMove.Kind kind = rolls ? FingerMove.Kind.ROLL : slides ? FingerMove.Kind.GUIDE : FingerMove.Kind.JUMP;
            double mm = rolls ? 0 : neck.distance(from, to);
            return timed(finger, kind, word, mm, Pace.pluck(plucks, finger.ordinal()));
        }

        private static int down(Posture posture) {
            return IntStream.range(0, Fingering.FINGERS)
                    .filter(finger -> posture.fingering().packed(finger) != 0)
                    .map(finger -> 1 << finger)
                    .sum();
        }

        private FingerMove timed(Finger finger, FingerMove.Kind kind, long word, double mm, int ownPluck) {
            int pluck = ownPluck;
            Optional<Finger> over = Optional.empty();
            for (int string = 1; string <= neck.strings(); string++) {
                int was = Stops.at(stopsBefore.fingers(), string);
                boolean takes = Stops.at(stopsAfter.fingers(), string) == finger.ordinal() + 1
                        && was != 0
                        && was != finger.ordinal() + 1;
                if (takes) {
                    effort.add(Term.REFINGERING, Effort.thousandths(Weights.REFINGERING));
                    int theirs = Pace.pluck(plucks, was - 1);
                    if (MoveTable.waits(was - 1, stopsBefore.fret(string), finger.ordinal(), stopsAfter.fret(string))) {
                        over = Optional.of(Finger.values()[was - 1]);
                        pluck = pace.us(theirs) < pace.us(pluck) ? theirs : pluck;
                    }
                }
            }
            effort.add(term(kind), MoveTable.effort(word));
            effort.add(Term.HURRY, MoveTable.hurry(MoveTable.us(word), pace.us(pluck)));
            Optional<Press> from = before.fingering().press(finger);
            Optional<Press> to = after.fingering().press(finger);
            boolean squeaks = kind == FingerMove.Kind.GUIDE
                    && instrument
                            .guitar()
                            .isWound(Math.min(
                                    from.orElseThrow().bassString(),
                                    to.orElseThrow().bassString()));
            return new FingerMove(
                    finger,
                    kind,
                    from,
                    to,
                    mm,
                    MoveTable.us(word) / 1000.0,
                    pace.ticks(pluck),
                    pace.us(pluck) / 1000.0,
                    over,
                    squeaks);
        }

        private static Term term(FingerMove.Kind kind) {
            return switch (kind) {
                case PLACE -> Term.PLACING;
                case ROLL -> Term.ROLLING;
                case GUIDE -> Term.SLIDING;
                default -> Term.JUMPING;
            };
        }

        private Optional<Shift> shift() {
            int from = before.position();
            int to = after.position();
            if (from == to) {
                return Optional.empty();
            }
            long word = table.shiftWord(from, to);
            effort.add(Term.SHIFTING, MoveTable.shiftEffort(word, led));
            effort.add(Term.HURRY, MoveTable.hurry(MoveTable.us(word), pace.us(handPluck)));
            return Optional.of(new Shift(
                    from,
                    to,
                    table.shiftMm(from, to),
                    MoveTable.us(word) / 1000.0,
                    pace.ticks(handPluck),
                    pace.us(handPluck) / 1000.0,
                    led));
        }
    }
}
