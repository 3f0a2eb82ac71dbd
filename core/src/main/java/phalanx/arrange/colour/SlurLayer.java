package phalanx.arrange.colour;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.IntStream;
import phalanx.arrange.audit.BarCeilings;
import phalanx.arrange.audit.SlurRules;
import phalanx.arrange.demand.AttackLock;
import phalanx.arrange.demand.NoteLock;
import phalanx.arrange.demand.Role;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.Hold;
import phalanx.arrange.score.NoteTimes;
import phalanx.arrange.score.SlurGain;
import phalanx.guitar.Tuning;
import phalanx.lefthand.track.MoveMeter;
import phalanx.righthand.Digit;
import phalanx.righthand.Weight;
import phalanx.song.Bar;
import phalanx.song.Song;
import phalanx.technique.Attack;
import phalanx.technique.SlurKind;
import phalanx.theory.Pitch;

/**
 * Puts slurs in: those the player wants, and on wish those that let a bar go faster. Only bars whose ceiling the right
 * hand sets, and not far above the song's tempo, are looked at; in each, every second note that can be slurred is tried, from the first and from the second, and
 * what does not help is plucked again. Ceilings are looked at with the bars around alone first, and then once for the whole
 * song; slurs of a bar that has not gained go.
 */
final class SlurLayer {
    /** A bar gains where it goes so much faster, in quarter notes a minute. */
    private static final double GAIN = 1;

    /** Bars that go so many times faster than the song's tempo need no help. */
    private static final double ROOMY = 1.5;

    private static final int NONE = -1;

    private final Arrangement plain;
    private final Song song;
    private final List<ArrangedNote> notes;
    private final int[] before;
    private final NoteTimes times;
    private final SlurRules rules;
    private final DigitWriter digits;
    private final Function<ArrangedNote, Optional<Digit>> wanted;
    private final TreeSet<Integer> kept = new TreeSet<>();
    private final TreeSet<Integer> refused = new TreeSet<>();
    private final TreeSet<Integer> bent = new TreeSet<>();
    private final TreeSet<Integer> slid = new TreeSet<>();
    private final List<Finding> findings = new ArrayList<>();

    /**
     * @param plain with every note plucked
     * @param wanted the digit that a pattern names for a note, if it does
     */
    SlurLayer(Arrangement plain, Function<ArrangedNote, Optional<Digit>> wanted) {
        this.plain = plain;
        this.song = plain.song();
        this.notes = plain.notes();
        this.before = before(notes);
        this.times = new NoteTimes(notes);
        this.rules = new SlurRules(plain, plain.holds(), true);
        this.digits = new DigitWriter(plain.request());
        this.wanted = wanted;
    }

    /**
     * What comes of it.
     *
     * @param notes with slurs
     * @param holds some longer, for a finger that must be down before a pull
     * @param gains what each slur gains that was put in to help
     * @param findings what could not be
     */
    record Slurred(List<ArrangedNote> notes, List<Hold> holds, List<SlurGain> gains, List<Finding> findings) {}

    /** @param meter of the left hand's moves, where slurs that help are wanted */
    Slurred slur(Optional<MoveMeter> meter) {
        // what a digit plucks is not slurred unasked
        plain.request().digits().forEach(lock -> refused.add(at(lock)));
        plain.request().attacks().forEach(this::decide);
        if (meter.isEmpty()) {
            List<Hold> holds = prepared(kept);
            return new Slurred(kept.isEmpty() ? notes : written(kept), holds, List.of(), findings);
        }
        BarCeilings ceilings = new BarCeilings(plain, meter.get());
        double[] plucked = ceilings.of(kept.isEmpty() ? notes : written(kept));
        TreeSet<Integer> all = new TreeSet<>(kept);
        for (int bar = 0; bar < plucked.length; bar++) {
            boolean tight = plucked[bar] < ROOMY * song.tempo();
            if (tight && plucked[bar] + GAIN < ceilings.left(bar)) {
                all.addAll(helping(bar, ceilings));
            }
        }
        prepared(all);
        boolean changed = true;
        List<ArrangedNote> slurred = notes;
        double[] now = plucked;
        while (changed) {
            slurred = written(all);
            now = ceilings.of(slurred);
            changed = dropUseless(all, plucked, now);
        }
        return new Slurred(slurred, prepared(all), gains(all, plucked, now), findings);
    }

    /** The holds with the fingers of pulls down in time; slurs that get in each other's way so are taken out. */
    private List<Hold> prepared(TreeSet<Integer> slurs) {
        List<Hold> holds = plain.holds();
        SlurRules now = rules;
        for (int at : List.copyOf(slurs)) {
            ArrangedNote note = notes.get(at);
            ArrangedNote from = from(at);
            boolean ofBend = kind(at) == SlurKind.RELEASE && !slurs.contains(before[at]);
            if (ofBend || now.refusal(from, note, kind(at)).isPresent()) {
                slurs.remove(at);
                continue;
            }
            Optional<SlurRules.Early> early =
                    switch (kind(at)) {
                        case PULL -> now.early(from, note);
                        case BEND -> now.bent(from, note);
                        default -> Optional.empty();
                    };
            if (early.isPresent()) {
                holds = new ArrayList<>(holds);
                holds.removeAll(early.get().instead());
                holds.add(early.get().hold());
                holds.sort(Comparator.comparingInt(Hold::tick));
                now = new SlurRules(plain, holds, true);
            }
        }
        return holds;
    }

    /** The index of the last note on each note's string before it. */
    private static int[] before(List<ArrangedNote> notes) {
        int[] before = new int[notes.size()];
        int[] last = new int[Tuning.MOST_STRINGS + 1];
        Arrays.fill(last, NONE);
        for (int i = 0; i < before.length; i++) {
            before[i] = last[notes.get(i).string()];
            last[notes.get(i).string()] = i;
        }
        return before;
    }

    /** The note that is decided about, of several inner notes the one on the highest string. */
    private int at(NoteLock lock) {
        return IntStream.range(times.from(lock.tick()), times.from(lock.tick() + 1))
                .filter(i -> notes.get(i).role() == lock.role())
                .reduce((low, high) -> high)
                .orElse(NONE);
    }

    private void decide(AttackLock lock) {
        int at = at(lock);
        if (at == NONE) {
            findings.add(notKept(
                    lock, wording("SlurLayer.there-is-no-note", lock.role().label())));
        } else if (!lock.way().slurs()) {
            refused.add(at);
        } else {
            if (lock.way() == AttackLock.Way.BENT) {
                bent.add(at);
            } else if (lock.way() == AttackLock.Way.SLID) {
                slid.add(at);
            }
            Optional<String> refusal = refusal(at);
            refusal.ifPresentOrElse(why -> findings.add(notKept(lock, why)), () -> kept.add(at));
            if (refusal.isPresent()) {
                bent.remove(at);
                slid.remove(at);
            } else if (lock.role() == Role.MELODY && lock.way() != AttackLock.Way.BENT) {
                slurBelow(at);
            }
        }
    }

    /** The tune's second note goes the way of its upper one where it can: both slide, or both are hammered or pulled. */
    private void slurBelow(int upper) {
        int tick = notes.get(upper).tick();
        Optional<Pitch> second = song.melodyBetween(tick, tick + 1).stream()
                .flatMap(note -> note.below().stream())
                .findFirst();
        for (int at = times.from(tick); second.isPresent() && at < times.from(tick + 1); at++) {
            // it is one of the inner notes
            if (notes.get(at).role() == Role.INNER
                    && notes.get(at).midi() == second.get().midi()) {
                boolean slides = kind(upper) == SlurKind.SLIDE;
                if (slides) {
                    slid.add(at);
                }
                boolean goes = refusal(at).isEmpty() && (kind(at) == SlurKind.SLIDE) == slides;
                if (goes) {
                    kept.add(at);
                } else {
                    slid.remove(at);
                }
            }
        }
    }

    private Finding notKept(AttackLock lock, String why) {
        return Finding.lockLeft(
                song,
                lock.tick(),
                wording(
                        "SlurLayer.the-into-the-note-is",
                        word(lock.way()),
                        lock.role().label(),
                        why));
    }

    private static String word(AttackLock.Way way) {
        return switch (way) {
            case BENT -> SlurKind.BEND.label();
            case SLID -> SlurKind.SLIDE.label();
            default -> wording("SlurLayer.slur");
        };
    }

    /** Why a note cannot be slurred from the one before, or nothing. */
    Optional<String> refusal(int at) {
        ArrangedNote note = notes.get(at);
        if (before[at] == NONE) {
            return Optional.of(wording("SlurLayer.nothing-sounds-on-its-string"));
        }
        ArrangedNote from = from(at);
        boolean alone = note.attack().equals(Attack.PLUCK) || note.attack() instanceof Attack.Block;
        if (!alone || note.weight() == Weight.ACCENT) {
            return Optional.of(
                    wording("SlurLayer.it-is-part-of-a", note.attack().label()));
        }
        boolean cascade = plain.request().cascades().stream()
                .anyMatch(lock -> lock.startTick() <= note.tick() && from.tick() < lock.endTick());
        if (cascade) {
            return Optional.of(wording("SlurLayer.a-cascade-is-played-there"));
        }
        if (note.role() != from.role()) {
            return Optional.of(
                    wording("SlurLayer.the-note-before-on-its", from.role().label()));
        }
        if (bent.contains(before[at]) && from.fret() != note.fret()) {
            return Optional.of(wording("SlurLayer.the-note-before-is-bent"));
        }
        return wantedKind(at)
                .map(kind -> rules.refusal(from, note, kind))
                .orElse(Optional.of(wording("SlurLayer.the-note-before-on-its-2")));
    }

    /** The note before another on its string, on the fret from which it is bent if it is. */
    private ArrangedNote from(int at) {
        ArrangedNote from = notes.get(before[at]);
        return bent.contains(before[at]) ? from.bentFrom(notes.get(before[before[at]])) : from;
    }

    /** The note before another on its string, which has one. */
    ArrangedNote before(int at) {
        return notes.get(before[at]);
    }

    /** The kind of slur that a note with one before it can be. */
    SlurKind kind(int at) {
        return wantedKind(at).orElseThrow();
    }

    private Optional<SlurKind> wantedKind(int at) {
        if (bent.contains(before[at]) && from(at).fret() == notes.get(at).fret()) {
            return Optional.of(SlurKind.RELEASE);
        }
        return bent.contains(at)
                ? Optional.of(SlurKind.BEND)
                : slid.contains(at) ? Optional.of(SlurKind.SLIDE) : rules.natural(notes.get(before[at]), notes.get(at));
    }

    /** Why a note cannot be bent up to from the one before, or nothing. */
    Optional<String> bendRefusal(int at) {
        return refusalIn(bent, at);
    }

    /** Why a finger cannot slide to a note from the one before, or nothing. */
    Optional<String> slideRefusal(int at) {
        return refusalIn(slid, at);
    }

    private Optional<String> refusalIn(TreeSet<Integer> kind, int at) {
        boolean added = kind.add(at);
        Optional<String> refusal = refusal(at);
        if (added) {
            kind.remove(at);
        }
        return refusal;
    }

    /** Slurs that let a bar go faster, as few as will do. */
    private TreeSet<Integer> helping(int bar, BarCeilings ceilings) {
        Bar here = song.bars().get(bar);
        List<Integer> can = IntStream.range(times.from(here.startTick()), times.from(here.endTick()))
                .filter(i ->
                        !refused.contains(i) && !kept.contains(i) && refusal(i).isEmpty())
                .boxed()
                .toList();
        TreeSet<Integer> best = new TreeSet<>();
        double plucked = ceiling(bar, best, ceilings);
        double most = plucked + GAIN;
        for (int first = 0; first < Math.min(2, can.size()); first++) {
            TreeSet<Integer> tried = new TreeSet<>();
            for (int i = first; i < can.size(); i++) {
                if (!tried.contains(before[can.get(i)]) && !kept.contains(before[can.get(i)])) {
                    tried.add(can.get(i));
                }
            }
            double ceiling = ceiling(bar, tried, ceilings);
            if (ceiling > most) {
                most = ceiling;
                best = tried;
            }
        }
        for (Integer one : List.copyOf(best)) {
            best.remove(one);
            if (ceiling(bar, best, ceilings) < most) {
                best.add(one);
            }
        }
        return best;
    }

    /** A bar's ceiling with slurs, by the notes around it alone. */
    private double ceiling(int bar, TreeSet<Integer> slurs, BarCeilings ceilings) {
        int from = times.from(song.bars().get(Math.max(0, bar - 1)).startTick());
        int to = times.from(
                song.bars().get(Math.min(song.bars().size() - 1, bar + 1)).endTick());
        TreeSet<Integer> all = new TreeSet<>(slurs);
        all.addAll(kept);
        return ceilings.of(digits.write(marked(all).subList(from, to), wanted))[bar];
    }

    private List<ArrangedNote> marked(TreeSet<Integer> slurs) {
        List<ArrangedNote> marked = new ArrayList<>(DigitWriter.unstruck(notes));
        slurs.forEach(at -> marked.set(at, slurred(at)));
        return marked;
    }

    private ArrangedNote slurred(int at) {
        ArrangedNote note = notes.get(at);
        ArrangedNote held = kind(at) == SlurKind.BEND ? note.bentFrom(notes.get(before[at])) : note;
        return held.struck(new Attack.Slur(kind(at)), note.weight());
    }

    private List<ArrangedNote> written(TreeSet<Integer> slurs) {
        return digits.write(marked(slurs), wanted);
    }

    /** Takes the slurs out of bars that have not gained, and of those beside bars that have lost. */
    private boolean dropUseless(TreeSet<Integer> slurs, double[] plucked, double[] now) {
        TreeSet<Integer> useless = new TreeSet<>();
        for (int at : slurs) {
            int bar = song.barIndexAt(notes.get(at).tick());
            boolean lost = IntStream.rangeClosed(Math.max(0, bar - 1), Math.min(now.length - 1, bar + 1))
                    .anyMatch(near -> now[near] < plucked[near]);
            if (!kept.contains(at) && (lost || now[bar] < plucked[bar] + GAIN)) {
                useless.add(at);
            }
        }
        return slurs.removeAll(useless);
    }

    private List<SlurGain> gains(TreeSet<Integer> slurs, double[] plucked, double[] now) {
        return slurs.stream()
                .filter(at -> !kept.contains(at))
                .map(at -> {
                    ArrangedNote note = notes.get(at);
                    int bar = song.barIndexAt(note.tick());
                    return new SlurGain(note.tick(), note.string(), kind(at), plucked[bar], now[bar]);
                })
                .toList();
    }
}
