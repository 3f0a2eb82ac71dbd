package phalanx.arrange.colour;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import phalanx.arrange.audit.SlurRules;
import phalanx.arrange.demand.AttackLock;
import phalanx.arrange.demand.Role;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.FindingKind;
import phalanx.arrange.score.Hold;
import phalanx.arrange.score.NoteTimes;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Finger;
import phalanx.lefthand.shape.Press;
import phalanx.song.MelodyNote;
import phalanx.song.Song;
import phalanx.song.Ticks;
import phalanx.technique.Attack;
import phalanx.technique.SlurKind;
import phalanx.theory.Pitch;

/**
 * Plays the tune's grace notes, and slides into notes: the string is plucked on another fret, on the beat, and the left
 * hand makes the note at once. Free fingers hammer and pull where they reach; else the finger of the note slides.
 */
final class GraceLayer {
    /** A finger that is not needed for so long before and after can come and go. Our assumption. */
    private static final double FREE_MS = 120;

    /** A note rings so many times as long as what is before it takes. Our assumption. */
    private static final int SHARE = 2;

    /** A finger that slides into a note comes from so many frets below, or the next one. */
    private static final int[] SLID_FROM = {2, 1};

    private static final Finger[] TIPS = {Finger.INDEX, Finger.MIDDLE, Finger.RING, Finger.LITTLE};

    private final Arrangement arrangement;
    private final Song song;
    private final Instrument instrument;
    private final List<ArrangedNote> notes;
    private final NoteTimes times;
    private final Set<Hold> holds;
    /** Of each bar those that are down in it. */
    private final List<Set<Hold>> byBar = new ArrayList<>();

    private final List<Finding> findings = new ArrayList<>();
    /** The holds around the note that is looked at. */
    private List<Hold> near = List.of();

    private SlurRules rules;
    /** The finger that makes the next note of its string from this one. */
    private Optional<Finger> awaited = Optional.empty();

    GraceLayer(Arrangement arrangement, List<ArrangedNote> notes, List<Hold> holds) {
        this.arrangement = arrangement;
        this.song = arrangement.song();
        this.instrument = arrangement.request().instrument();
        this.notes = new ArrayList<>(notes);
        this.times = new NoteTimes(notes);
        this.holds = new LinkedHashSet<>(holds);
        song.bars().forEach(bar -> byBar.add(new LinkedHashSet<>()));
        holds.forEach(hold -> bars(hold).forEach(bar -> byBar.get(bar).add(hold)));
    }

    private IntStream bars(Hold hold) {
        return IntStream.rangeClosed(song.barIndexAt(hold.tick()), song.barIndexAt(hold.endTick() - 1));
    }

    /** Takes the holds of a note's bar and of those beside it: a long song has too many to look through. */
    private void lookAround(ArrangedNote note) {
        int bar = song.barIndexAt(note.tick());
        near = byBar.subList(Math.max(0, bar - 1), Math.min(byBar.size(), bar + 2)).stream()
                .flatMap(Set::stream)
                .distinct()
                .toList();
        rules = new SlurRules(arrangement, near, false);
        awaited = notes.subList(times.from(note.tick() + 1), notes.size()).stream()
                .filter(next -> next.string() == note.string())
                .findFirst()
                .filter(next -> !next.attack().plucked())
                .flatMap(ArrangedNote::left);
    }

    /** The notes and holds with what is before them, and what could not be. */
    record Graced(List<ArrangedNote> notes, List<Hold> holds, List<Finding> findings) {}

    /** How a note is begun: with these holds in place of others. */
    private record Begun(Attack.Graced attack, List<Hold> with, List<Hold> instead) {}

    Graced grace() {
        for (MelodyNote note : song.melody()) {
            boolean wanted = !note.graces().isEmpty()
                    && arrangement.request().attacks().stream()
                            .noneMatch(lock -> lock.tick() == note.tick() && lock.role() == Role.MELODY);
            int at = wanted ? indexOf(note.tick(), Role.MELODY) : -1;
            if (at >= 0 && notes.get(at).midi() == note.midi()) {
                play(at, note.graces());
            }
        }
        for (AttackLock lock : arrangement.request().attacks()) {
            if (lock.way() == AttackLock.Way.SLID_INTO) {
                slideInto(lock);
            }
        }
        List<Hold> inOrder = new ArrayList<>(holds);
        inOrder.sort(Comparator.comparingInt(Hold::tick));
        return new Graced(notes, inOrder, findings);
    }

    private int indexOf(int tick, Role role) {
        return IntStream.range(times.from(tick), times.from(tick + 1))
                .filter(i -> notes.get(i).role() == role)
                .reduce((low, high) -> high)
                .orElse(-1);
    }

    /** Plays as many of the grace notes before a note as can be, the last ones rather than the first. */
    private void play(int at, List<Pitch> graces) {
        ArrangedNote note = notes.get(at);
        lookAround(note);
        Optional<String> refused = refusal(note, 1);
        int left = graces.size();
        for (int from = 0; from < graces.size() && left == graces.size() && refused.isEmpty(); from++) {
            Optional<Begun> begun = begun(note, graces.subList(from, graces.size()));
            if (begun.isPresent()) {
                write(at, begun.get());
                left = from;
            }
        }
        if (left > 0) {
            int fret = instrument.fretOf(note.string(), graces.get(left - 1).midi());
            String why = refused.orElse(
                    fret < 0 || !instrument.has(note.string(), fret)
                            ? wording("GraceLayer.string-has-no-such-note", note.string())
                            : wording("GraceLayer.no-finger-is-free-for", note.string()));
            String pitches =
                    graces.subList(0, left).stream().map(Pitch::toString).collect(Collectors.joining(" "));
            findings.add(Finding.at(
                    song,
                    note.tick(),
                    FindingKind.GRACE_LEFT,
                    Finding.Severity.LOW,
                    left,
                    0,
                    wording("GraceLayer.notes"),
                    left == 1
                            ? wording("GraceLayer.the-grace-note-is-left", pitches, why)
                            : wording("GraceLayer.the-grace-notes-are-left", pitches, why)));
        }
    }

    private void slideInto(AttackLock lock) {
        int at = indexOf(lock.tick(), lock.role());
        Optional<String> refused = at < 0
                ? Optional.of(
                        wording("OrnamentLayer.there-is-no-note", lock.role().label()))
                : slideRefusal(notes.get(at));
        refused.ifPresentOrElse(
                why -> findings.add(Finding.lockLeft(
                        song,
                        lock.tick(),
                        wording("OrnamentLayer.is-left-out", wording("GraceLayer.the-slide-into-the-note"), why))),
                () -> write(at, slid(notes.get(at)).orElseThrow()));
    }

    /** Why no finger can slide into a note, or nothing. */
    Optional<String> slideRefusal(ArrangedNote note) {
        lookAround(note);
        return refusal(note, 1)
                .or(() -> slid(note).isPresent()
                        ? Optional.empty()
                        : Optional.of(
                                note.left().isEmpty()
                                        ? wording("OrnamentLayer.its-string-is-open")
                                        : wording(
                                                "GraceLayer.finger-cannot-come-from-below",
                                                note.left().get().symbol())));
    }

    /** The fret from which a finger can slide into a note, if it can. */
    Optional<Integer> slidFrom(ArrangedNote note) {
        lookAround(note);
        return slid(note).map(begun -> begun.attack.frets().get(0));
    }

    private void write(int at, Begun begun) {
        notes.set(at, notes.get(at).struck(begun.attack, notes.get(at).weight()));
        begun.instead.forEach(hold -> {
            holds.remove(hold);
            bars(hold).forEach(bar -> byBar.get(bar).remove(hold));
        });
        begun.with.forEach(hold -> {
            holds.add(hold);
            bars(hold).forEach(bar -> byBar.get(bar).add(hold));
        });
    }

    /** Why nothing can be before a note, or nothing. */
    private Optional<String> refusal(ArrangedNote note, int count) {
        boolean plucked = note.attack().equals(Attack.PLUCK) || note.attack() instanceof Attack.Block;
        if (!plucked) {
            return Optional.of(
                    wording("OrnamentLayer.it-is-part-of-a", note.attack().label()));
        }
        double least = SHARE * count * Attack.Graced.STEP_MS;
        double rings = Ticks.milliseconds(note.lengthTicks(), song.tempo());
        return rings < least
                ? Optional.of(wording("OrnamentLayer.it-rings-ms-and-needs", Math.round(rings), Math.round(least)))
                : Optional.empty();
    }

    private Optional<Begun> begun(ArrangedNote note, List<Pitch> graces) {
        List<Integer> frets = graces.stream()
                .map(pitch -> instrument.fretOf(note.string(), pitch.midi()))
                .toList();
        boolean there = frets.stream().allMatch(fret -> fret >= 0 && instrument.has(note.string(), fret))
                && frets.get(frets.size() - 1) != note.fret();
        if (!there || refusal(note, frets.size()).isPresent()) {
            return Optional.empty();
        }
        Optional<Begun> slurred = slurred(note, frets);
        return slurred.isPresent() || frets.size() > 1 ? slurred : slid(note, frets.get(0));
    }

    private Optional<Begun> slid(ArrangedNote note) {
        return Arrays.stream(SLID_FROM)
                .map(below -> note.fret() - below)
                .filter(fret -> fret > 0 && instrument.has(note.string(), fret))
                .boxed()
                .flatMap(fret -> slid(note, fret).stream())
                .findFirst();
    }

    /** By the finger of the note, which comes down on another fret and travels. */
    private Optional<Begun> slid(ArrangedNote note, int fret) {
        Optional<Hold> own = own(note);
        boolean alone = fret > 0
                && own.isPresent()
                && own.get().tick() == note.tick()
                && !own.get().press().isBarre()
                && own.get().press().finger() != Finger.THUMB
                && SlurKind.SLIDE.spans(note.fret() - fret)
                && isFree(note, fret, own);
        if (!alone) {
            return Optional.empty();
        }
        Finger finger = own.get().press().finger();
        Attack.Graced attack = new Attack.Graced(List.of(fret), true);
        int end = note.tick() + attack.ticks(song.tempo());
        Hold from = new Hold(note.tick(), end, new Press(finger, fret, note.string(), note.string()));
        Hold to = new Hold(end, own.get().endTick(), own.get().press());
        return rules.isInReach(from, note.tick(), end, List.of(own.get()))
                ? Optional.of(new Begun(attack, List.of(from, to), List.of(own.get())))
                : Optional.empty();
    }

    private Optional<Hold> own(ArrangedNote note) {
        return note.left().flatMap(finger -> near.stream()
                .filter(hold -> hold.press().finger() == finger
                        && hold.press().covers(note.string())
                        && hold.tick() <= note.tick()
                        && hold.endTick() > note.tick())
                .findFirst());
    }

    /** Whether nothing but a note's own finger stops its string above a fret. */
    private boolean isFree(ArrangedNote note, int fret, Optional<Hold> own) {
        return near.stream()
                .noneMatch(hold -> hold.tick() <= note.tick()
                        && hold.endTick() > note.tick()
                        && hold.press().covers(note.string())
                        && hold.press().fret() > fret
                        && !own.filter(hold::equals).isPresent());
    }

    /** By fingers that come down and leave: whatever sounds later and lower is held while something higher sounds. */
    private Optional<Begun> slurred(ArrangedNote note, List<Integer> frets) {
        List<Integer> row = new ArrayList<>(frets);
        row.add(note.fret());
        for (int i = 0; i < frets.size(); i++) {
            int step = row.get(i + 1) - row.get(i);
            if (!SlurKind.HAMMER.spans(step) && !SlurKind.PULL.spans(step)) {
                return Optional.empty();
            }
        }
        Optional<Hold> own = own(note);
        if (note.fret() > 0 && own.isEmpty() || !isFree(note, Collections.min(row), own)) {
            return Optional.empty();
        }
        Attack.Graced attack = new Attack.Graced(frets, false);
        List<Hold> with = new ArrayList<>();
        List<Hold> instead = new ArrayList<>();
        List<Press> used = new ArrayList<>();
        own.map(Hold::press).ifPresent(used::add);
        for (int fret : new TreeSet<>(row)) {
            int first = row.indexOf(fret);
            int last = row.lastIndexOf(fret);
            while (first > 0 && row.get(first - 1) > fret) {
                first--;
            }
            boolean hidden = row.subList(first, last).stream().anyMatch(other -> other < fret);
            if (hidden) {
                return Optional.empty();
            }
            int from = note.tick() + first * attack.stepTicks(song.tempo());
            int to = note.tick() + (last + 1) * attack.stepTicks(song.tempo());
            if (fret == note.fret()) {
                if (fret > 0 && first > 0) {
                    if (own.get().press().isBarre()) {
                        return Optional.empty();
                    }
                    lift(own.get(), note.tick(), from, with, instead);
                }
            } else if (fret > 0 && !isHeld(note, fret)) {
                Optional<Hold> hold = hold(note, fret, from, to, used);
                if (hold.isEmpty()) {
                    return Optional.empty();
                }
                used.add(hold.get().press());
                with.add(hold.get());
            }
        }
        return Optional.of(new Begun(attack, with, instead));
    }

    /** The note's own finger is up until a tick. */
    private static void lift(Hold own, int tick, int from, List<Hold> with, List<Hold> instead) {
        instead.add(own);
        if (own.tick() < tick) {
            with.add(new Hold(own.tick(), tick, own.press()));
        }
        with.add(new Hold(from, own.endTick(), own.press()));
    }

    /** Whether a finger that is down anyway stops the string there. */
    private boolean isHeld(ArrangedNote note, int fret) {
        return near.stream()
                .anyMatch(hold -> hold.tick() <= note.tick()
                        && hold.endTick() > note.tick()
                        && hold.press().covers(note.string())
                        && hold.press().fret() == fret);
    }

    /** By a free finger that reaches, the most natural first. */
    private Optional<Hold> hold(ArrangedNote note, int fret, int from, int to, List<Press> used) {
        int position = arrangement.slotAt(note.tick()).posture().position();
        return Arrays.stream(TIPS)
                .filter(tip -> used.stream()
                        .filter(press -> press.finger() != Finger.THUMB)
                        .allMatch(press ->
                                Integer.signum(tip.compareTo(press.finger())) == Integer.signum(fret - press.fret())))
                .sorted(Comparator.comparingInt(tip -> away(tip, fret, position)))
                .filter(tip -> away(tip, fret, position) <= 1
                        && awaited.filter(tip::equals).isEmpty())
                .map(tip -> new Hold(from, to, new Press(tip, fret, note.string(), note.string())))
                .filter(hold -> isIdle(hold) && rules.isInReach(hold, note.tick(), to, List.of()))
                .findFirst();
    }

    private static int away(Finger tip, int fret, int position) {
        return Math.abs(Arrays.asList(TIPS).indexOf(tip) - (fret - position));
    }

    private boolean isIdle(Hold hold) {
        int margin = (int) Math.ceil(FREE_MS / Ticks.milliseconds(1, song.tempo()));
        return near.stream()
                .noneMatch(other -> other.press().finger() == hold.press().finger()
                        && other.tick() < hold.endTick() + margin
                        && other.endTick() > hold.tick() - margin);
    }
}
