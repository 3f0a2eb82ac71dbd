package phalanx.arrange.colour;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import phalanx.arrange.audit.HitRules;
import phalanx.arrange.demand.Role;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Hold;
import phalanx.arrange.score.NoteTimes;
import phalanx.guitar.Instrument;
import phalanx.righthand.Digit;
import phalanx.song.Song;
import phalanx.song.Ticks;
import phalanx.technique.Attack;
import phalanx.technique.Hit;
import phalanx.technique.HitKind;
import phalanx.words.Words;

/**
 * Lays hits where the hands are free for them. A hit whose hand is busy, or that would stop a tune note, makes way for a
 * softer one at the same moment, else it is left out; no note is moved or lost for it. Strings that a hit falls on are
 * stopped: their notes end there.
 */
final class HitLayer {
    /** What may stand in for a hit, in this order. */
    private static final List<HitKind> SOFTER = List.of(HitKind.KNOCK, HitKind.HEEL);

    /** No hit before that matters. */
    private static final double LONGEST_BUSY_MS =
            Arrays.stream(HitKind.values()).mapToDouble(HitKind::busyMs).max().orElseThrow();

    private final List<ArrangedNote> notes;
    private final List<Hold> holds;
    private final int strings;
    private final BellStrings bells;
    private final Digit striker;
    private final NoteTimes times;
    private final double tempo;
    private final boolean mayStopTune;
    private final List<Hit> laid = new ArrayList<>();
    private final List<Omission> omissions = new ArrayList<>();

    /** What became of a hit that was not laid as it was asked for. */
    record Omission(Hit wanted, Optional<HitKind> instead, String reason) {}

    /**
     * What was laid.
     *
     * @param notes the same, some of them shorter
     * @param hits in order
     * @param omissions in order
     */
    record Laid(List<ArrangedNote> notes, List<Hit> hits, List<Omission> omissions) {}

    /**
     * @param notes in order of tick
     * @param striker the digit that falls for a slapped harmonic
     * @param mayStopTune whether a tune note may end with a hit
     */
    HitLayer(
            List<ArrangedNote> notes,
            List<Hold> holds,
            Instrument instrument,
            Song song,
            Digit striker,
            boolean mayStopTune) {
        this.notes = new ArrayList<>(notes);
        this.holds = holds;
        this.strings = instrument.strings();
        this.bells = new BellStrings(instrument, song, holds);
        this.striker = striker;
        this.times = new NoteTimes(notes);
        this.tempo = song.tempo();
        this.mayStopTune = mayStopTune;
    }

    /** @param wanted in order of tick */
    Laid lay(List<Hit> wanted) {
        for (Hit hit : wanted) {
            Optional<String> refused = refusal(hit);
            if (refused.isEmpty()) {
                add(hit);
                continue;
            }
            Optional<Hit> softer = SOFTER.stream()
                    .filter(kind -> hit.kind() == HitKind.SLAP || hit.kind() == HitKind.NAIL)
                    .map(kind -> new Hit(hit.tick(), kind))
                    .filter(other -> refusal(other).isEmpty())
                    .findFirst();
            softer.ifPresent(this::add);
            omissions.add(new Omission(hit, softer.map(Hit::kind), refused.get()));
        }
        return new Laid(withBells(), List.copyOf(laid), List.copyOf(omissions));
    }

    /** The notes with those that slapped harmonics sound, which stand for what was written of them. */
    private List<ArrangedNote> withBells() {
        List<Hit> struck =
                laid.stream().filter(hit -> hit.kind() == HitKind.BELL).toList();
        if (struck.isEmpty()) {
            return List.copyOf(notes);
        }
        Set<Integer> ticks = struck.stream().map(Hit::tick).collect(Collectors.toSet());
        List<ArrangedNote> all = new ArrayList<>(notes);
        all.removeIf(note -> ticks.contains(note.tick()) && bells.rings(note));
        List<ArrangedNote> plucked = List.copyOf(all);
        struck.forEach(hit -> all.addAll(bells.ringing(hit, striker, plucked, laid)));
        all.sort(Comparator.comparingInt(ArrangedNote::tick).thenComparingInt(note -> -note.string()));
        return all;
    }

    private void add(Hit hit) {
        laid.add(hit);
        sounding(hit).replaceAll(note -> isStopped(note, hit) ? note.endingAt(hit.tick()) : note);
    }

    private boolean isStopped(ArrangedNote note, Hit hit) {
        return note.tick() < hit.tick()
                && note.endTick() > hit.tick()
                && hit.kind().damps(note.string(), strings);
    }

    /** The notes that may sound at a hit. */
    private List<ArrangedNote> sounding(Hit hit) {
        return notes.subList(times.sounding(hit.tick()), times.from(hit.tick() + 1));
    }

    /** Why a hit cannot be, or nothing. */
    private Optional<String> refusal(Hit hit) {
        boolean bell = hit.kind() == HitKind.BELL;
        if (bell && bells.at(hit.tick()).isEmpty()) {
            return Optional.of(wording("HitLayer.no-three-strings-held-alike"));
        }
        for (ArrangedNote note : sounding(hit)) {
            boolean own = bell && note.tick() == hit.tick() && bells.rings(note);
            if (!own
                    && note.tick() == hit.tick()
                    && note.attack().plucked()
                    && !HitRules.mayGoTogether(hit.kind(), note)) {
                return Optional.of(
                        note.attack() instanceof Attack.Touched
                                ? wording("HitLayer.the-hand-touches-a-harmonic")
                                : wording("HitLayer.the-fingers-pluck-there"));
            }
            if (!mayStopTune && note.role() == Role.MELODY && isStopped(note, hit)) {
                return Optional.of(wording("HitLayer.it-would-stop-the-tune"));
            }
            if (isStopped(note, hit) && isSlurredFrom(note)) {
                return Optional.of(wording("HitLayer.it-would-stop-a-note"));
            }
        }
        return hit.kind().side() == HitKind.Side.RIGHT ? busyRight(hit) : busyLeft(hit);
    }

    private boolean isSlurredFrom(ArrangedNote note) {
        return notes.subList(times.from(note.endTick()), times.from(note.endTick() + 1)).stream()
                .anyMatch(
                        next -> next.string() == note.string() && !next.attack().plucked());
    }

    private Optional<String> busyRight(Hit hit) {
        int busy = (int) Math.ceil(hit.kind().busyMs() / Ticks.milliseconds(1, tempo)) + 1;
        for (ArrangedNote note : notes.subList(times.from(hit.tick() - busy), times.from(hit.tick() + busy))) {
            double away = Math.abs(Ticks.milliseconds(note.tick() - hit.tick(), tempo));
            if (note.tick() != hit.tick()
                    && note.attack().plucked()
                    && away < hit.kind().busyMs()) {
                return Optional.of(late(
                        note.tick() > hit.tick()
                                ? wording("HitLayer.a-pluck-follows")
                                : wording("HitLayer.a-pluck-comes"),
                        away,
                        hit));
            }
        }
        for (int i = laid.size() - 1; i >= 0; i--) {
            Hit before = laid.get(i);
            double away = Ticks.milliseconds(hit.tick() - before.tick(), tempo);
            if (away >= LONGEST_BUSY_MS) {
                break;
            }
            if (before.kind().side() == HitKind.Side.RIGHT
                    && away < Math.max(before.kind().busyMs(), hit.kind().busyMs())) {
                return Optional.of(
                        wording("HitLayer.the-hand-comes-from-a", before.kind().label()));
            }
        }
        return Optional.empty();
    }

    private static String late(String what, double away, Hit hit) {
        return String.format(
                Words.figures(),
                wording("HitLayer.ms-away-the-hand-needs"),
                what,
                away,
                hit.kind().busyMs());
    }

    private Optional<String> busyLeft(Hit hit) {
        double busy = hit.kind().busyMs();
        boolean held = holds.stream()
                .anyMatch(hold -> Ticks.milliseconds(hold.tick() - hit.tick(), tempo) < busy
                        && Ticks.milliseconds(hit.tick() - hold.endTick(), tempo) < busy);
        if (held) {
            return Optional.of(wording("HitLayer.the-left-hand-holds-strings"));
        }
        boolean touches = notes.stream()
                .anyMatch(note -> note.attack() instanceof Attack.Touched touched
                        && touched.left()
                        && Math.abs(Ticks.milliseconds(note.tick() - hit.tick(), tempo)) < busy);
        return touches ? Optional.of(wording("HitLayer.the-left-hand-touches-a")) : Optional.empty();
    }
}
