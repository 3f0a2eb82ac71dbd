package phalanx.arrange.colour;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import phalanx.arrange.demand.CascadeLock;
import phalanx.arrange.demand.Role;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.ArrangedSlot;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.Hold;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Finger;
import phalanx.lefthand.shape.Fingering;
import phalanx.lefthand.shape.FingeringFinder;
import phalanx.lefthand.shape.Press;
import phalanx.righthand.Digit;
import phalanx.righthand.School;
import phalanx.righthand.Weight;
import phalanx.song.Meter;
import phalanx.technique.Attack;
import phalanx.technique.Cascade;
import phalanx.technique.SlurKind;

/**
 * Plays cascades where the player wants them: the thumb plucks what the index touches, another digit the plain notes, a
 * step of the meter each, up and down as long as it lasts; three a beat where notes are pulled off. What else was plucked
 * there is left out.
 */
final class CascadeLayer {
    private static final Finger[] TIPS = {Finger.INDEX, Finger.MIDDLE, Finger.RING, Finger.LITTLE};

    private final Arrangement arrangement;
    private final Instrument instrument;
    private final List<ArrangedNote> notes;
    private final List<Hold> holds;
    private final List<Finding> findings = new ArrayList<>();

    /** @param notes in order of tick */
    CascadeLayer(Arrangement arrangement, List<ArrangedNote> notes, List<Hold> holds) {
        this.arrangement = arrangement;
        this.instrument = arrangement.request().instrument();
        this.notes = new ArrayList<>(notes);
        this.holds = new ArrayList<>(holds);
    }

    /** The notes with cascades, the holds with the fingers that pull, and what could not be. */
    record Cascaded(List<ArrangedNote> notes, List<Hold> holds, List<Finding> findings) {}

    Cascaded cascade() {
        arrangement.request().cascades().forEach(this::play);
        notes.sort(Comparator.comparingInt(ArrangedNote::tick).thenComparingInt(note -> -note.string()));
        holds.sort(Comparator.comparingInt(Hold::tick));
        return new Cascaded(List.copyOf(notes), List.copyOf(holds), findings);
    }

    private void play(CascadeLock lock) {
        try {
            Cascade cascade = Cascade.of(instrument, lock.held().shape().frets(), lock.node(), lock.order());
            Optional<String> refused = refusal(lock, cascade);
            if (refused.isEmpty()) {
                write(lock, cascade);
            } else {
                refuse(lock, refused.get());
            }
        } catch (IllegalArgumentException e) {
            refuse(lock, e.getMessage());
        }
    }

    private void refuse(CascadeLock lock, String why) {
        findings.add(Finding.lockLeft(
                arrangement.song(),
                lock.startTick(),
                wording("CascadeLayer.the-cascade-over-is-left", lock.held().shape(), why)));
    }

    private Optional<String> refusal(CascadeLock lock, Cascade cascade) {
        boolean tune = notes.stream()
                .anyMatch(note -> note.role() == Role.MELODY
                        && note.tick() < lock.endTick()
                        && note.endTick() > lock.startTick());
        if (tune) {
            return Optional.of(wording("CascadeLayer.the-tune-is-played-there"));
        }
        if (plainDigit().isEmpty()) {
            return Optional.of(wording(
                    "CascadeLayer.thumb-and-index-touch-and",
                    arrangement.request().picking().school().label()));
        }
        for (ArrangedSlot slot : arrangement.slots()) {
            boolean there = slot.startTick() < lock.endTick() && slot.endTick() > lock.startTick();
            if (there
                    && !cascade.steps().stream()
                            .allMatch(step -> stopped(slot, step.string()) == step.fret() - step.above())) {
                return Optional.of(wording("CascadeLayer.the-shape-cannot-be-held"));
            }
        }
        return cascade.steps().stream()
                .filter(step -> step.above() > 0 && puller(lock, step).isEmpty())
                .findFirst()
                .map(step -> wording("CascadeLayer.no-finger-is-free-to-pull", step.string(), step.fret()));
    }

    /** The finger that comes down above the shape: a free one that reaches, the most natural first. */
    private Optional<Press> puller(CascadeLock lock, Cascade.Step step) {
        Fingering held = lock.held().fingering();
        FingeringFinder finder =
                FingeringFinder.forShapes(instrument, arrangement.request().hand());
        int position = held.presses().stream().mapToInt(Press::fret).min().orElse(step.fret());
        return Arrays.stream(TIPS)
                .filter(tip -> held.press(tip).isEmpty())
                .sorted(Comparator.comparingInt(
                        tip -> Math.abs(Arrays.asList(TIPS).indexOf(tip) - (step.fret() - position))))
                .map(tip -> new Press(tip, step.fret(), step.string(), step.string()))
                .filter(press -> finder.holds(held.with(press)))
                .findFirst();
    }

    private static int stopped(ArrangedSlot slot, int string) {
        return slot.fingering().stopping(string).map(Press::fret).orElse(0);
    }

    /** The ring finger where there is one, else the middle finger. */
    private Optional<Digit> plainDigit() {
        School school = arrangement.request().picking().school();
        return school.digits().contains(Digit.A)
                ? Optional.of(Digit.A)
                : school.digits().stream().filter(digit -> digit == Digit.M).findFirst();
    }

    private void write(CascadeLock lock, Cascade cascade) {
        notes.removeIf(note -> note.tick() >= lock.startTick() && note.tick() < lock.endTick());
        notes.replaceAll(note -> note.tick() < lock.startTick() && note.endTick() > lock.startTick()
                ? note.endingAt(lock.startTick())
                : note);
        Meter meter = arrangement.song().barAt(lock.startTick()).meter();
        int step = cascade.isTriplet() ? meter.beatTicks() / 3 : meter.stepTicks();
        int[] next = new int[instrument.strings() + 1];
        Arrays.fill(next, lock.endTick());
        List<Cascade.Step> played = inTime(cascade, (lock.endTick() - lock.startTick() + step - 1) / step);
        for (int i = played.size() - 1; i >= 0; i--) {
            Cascade.Step one = played.get(i);
            int tick = lock.startTick() + i * step;
            ArrangedNote note = note(lock, one, tick, next[one.string()] - tick);
            notes.add(note);
            if (one.above() > 0) {
                holds.add(new Hold(tick, note.endTick(), puller(lock, one).orElseThrow()));
            }
            next[one.string()] = tick;
        }
    }

    /** So many notes of the row, up and down. */
    private static List<Cascade.Step> inTime(Cascade cascade, int count) {
        List<List<Cascade.Step>> units = cascade.units();
        return IntStream.iterate(0, i -> i + 1)
                .mapToObj(i -> units.get(upAndDown(i, units.size())))
                .flatMap(List::stream)
                .limit(count)
                .toList();
    }

    /** Place of the i-th unit when a row is played up and down again and again. */
    private static int upAndDown(int i, int size) {
        int round = Math.max(1, 2 * size - 2);
        int at = i % round;
        return at < size ? at : round - at;
    }

    private ArrangedNote note(CascadeLock lock, Cascade.Step step, int tick, int ticks) {
        Optional<Finger> finger = step.above() > 0
                ? puller(lock, step).map(Press::finger)
                : lock.held().fingering().stopping(step.string()).map(Press::finger);
        ArrangedNote note = new ArrangedNote(
                tick,
                ticks,
                ticks,
                step.string(),
                step.fret(),
                step.midi(),
                Role.INNER,
                finger,
                step.touched() ? Digit.P : plainDigit().orElseThrow());
        if (step.pulled()) {
            return note.struck(new Attack.Slur(SlurKind.PULL), Weight.PLAIN);
        }
        return step.touched() ? note.struck(new Attack.Touched(lock.node(), false), Weight.PLAIN) : note;
    }
}
