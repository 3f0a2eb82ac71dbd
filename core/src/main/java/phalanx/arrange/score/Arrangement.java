package phalanx.arrange.score;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Predicate;
import phalanx.arrange.demand.Request;
import phalanx.cost.Cost;
import phalanx.guitar.Tuning;
import phalanx.righthand.Joining;
import phalanx.song.Bisection;
import phalanx.song.Song;
import phalanx.technique.Attack;
import phalanx.technique.Hit;

/**
 * An arranged song.
 *
 * @param request what was arranged; its song stands where it was moved to
 * @param movedBy semitones the song was moved by to fit the guitar
 * @param notes in order of tick, at one tick from the lowest string
 * @param holds in order of tick
 * @param slots what the left hand does, without gaps
 * @param innerAsked how many inner strokes were asked for
 * @param hits percussive sounds, in order
 * @param joining what became of the pattern's strokes
 * @param findings of the audit, in order of tick
 * @param cost of the whole song, by which the path was chosen
 * @param ceiling the fastest tempo
 * @param octave what octaves were compared, if any
 * @param slurs those that were put in to ease the right hand
 * @param plain the notes before they were coloured: these are what was priced
 */
public record Arrangement(
        Request request,
        int movedBy,
        List<ArrangedNote> notes,
        List<Hold> holds,
        List<ArrangedSlot> slots,
        int innerAsked,
        List<Hit> hits,
        Joining joining,
        List<Finding> findings,
        Cost cost,
        TempoCeiling ceiling,
        Optional<OctaveChoice> octave,
        List<SlurGain> slurs,
        List<ArrangedNote> plain) {
    public Arrangement {
        Objects.requireNonNull(request, "request");
        Objects.requireNonNull(cost, "cost");
        Objects.requireNonNull(ceiling, "ceiling");
        Objects.requireNonNull(octave, "octave");
        notes = List.copyOf(notes);
        holds = List.copyOf(holds);
        slots = List.copyOf(slots);
        hits = List.copyOf(hits);
        Objects.requireNonNull(joining, "joining");
        findings = List.copyOf(findings);
        slurs = List.copyOf(slurs);
        plain = List.copyOf(plain);
    }

    /** One in which no octaves were compared. */
    public Arrangement(
            Request request,
            int movedBy,
            List<ArrangedNote> notes,
            List<Hold> holds,
            List<ArrangedSlot> slots,
            int innerAsked,
            List<Hit> hits,
            Joining joining,
            List<Finding> findings,
            Cost cost,
            TempoCeiling ceiling) {
        this(
                request,
                movedBy,
                notes,
                holds,
                slots,
                innerAsked,
                hits,
                joining,
                findings,
                cost,
                ceiling,
                Optional.empty(),
                List.of(),
                notes);
    }

    /** Each note that is slurred, and the note before on its string that it is slurred from. */
    public Map<ArrangedNote, ArrangedNote> slurred() {
        return fromBefore(note -> !note.attack().plucked());
    }

    /** Each note that is slid to before it is plucked, and the one before on its string, from which the finger slides. */
    public Map<ArrangedNote, ArrangedNote> shifted() {
        return fromBefore(note -> note.attack().equals(Attack.ARRIVED));
    }

    private Map<ArrangedNote, ArrangedNote> fromBefore(Predicate<ArrangedNote> which) {
        Map<ArrangedNote, ArrangedNote> slurred = new LinkedHashMap<>();
        ArrangedNote[] last = new ArrangedNote[Tuning.MOST_STRINGS + 1];
        for (ArrangedNote note : notes) {
            if (which.test(note) && last[note.string()] != null) {
                slurred.put(note, last[note.string()]);
            }
            last[note.string()] = note;
        }
        return slurred;
    }

    public Song song() {
        return request.song();
    }

    /** Effort of the whole song. */
    public double effort() {
        return cost.effort().total();
    }

    /** The slot a tick falls in; the last one for ticks beyond the end. */
    public ArrangedSlot slotAt(int tick) {
        return slots.get(Math.max(
                0, Bisection.last(slots.size(), index -> slots.get(index).startTick() <= tick)));
    }

    /** Effort of each bar: the sum over the slots that begin in it. */
    public List<Double> barEfforts() {
        double[] efforts = new double[song().bars().size()];
        for (ArrangedSlot slot : slots) {
            efforts[song().barIndexAt(slot.startTick())] += slot.effort().total();
        }
        return Arrays.stream(efforts).boxed().toList();
    }

    /** With the notes and hits alone that begin in a stretch. */
    public Arrangement between(int from, int to) {
        List<ArrangedNote> some = notes.stream()
                .filter(note -> note.tick() >= from && note.tick() < to)
                .toList();
        return new Arrangement(
                request,
                movedBy,
                some,
                holds,
                slots,
                innerAsked,
                hits.stream()
                        .filter(hit -> hit.tick() >= from && hit.tick() < to)
                        .toList(),
                joining,
                findings,
                cost,
                ceiling,
                octave,
                slurs,
                plain);
    }

    /** The same notes coloured: slurred, some shorter, with hits. */
    public Arrangement coloured(
            List<ArrangedNote> newNotes, List<Hold> newHolds, List<Hit> newHits, List<SlurGain> newSlurs) {
        return new Arrangement(
                request,
                movedBy,
                newNotes,
                newHolds,
                slots,
                innerAsked,
                newHits,
                joining,
                findings,
                cost,
                ceiling,
                octave,
                newSlurs,
                plain);
    }

    /** The same with findings and a ceiling. */
    public Arrangement with(List<Finding> newFindings, TempoCeiling newCeiling) {
        return new Arrangement(
                request,
                movedBy,
                notes,
                holds,
                slots,
                innerAsked,
                hits,
                joining,
                newFindings,
                cost,
                newCeiling,
                octave,
                slurs,
                plain);
    }

    /** The same with what was found of its octave. */
    public Arrangement with(Optional<OctaveChoice> choice) {
        return new Arrangement(
                request,
                movedBy,
                notes,
                holds,
                slots,
                innerAsked,
                hits,
                joining,
                findings,
                cost,
                ceiling,
                choice,
                slurs,
                plain);
    }
}
