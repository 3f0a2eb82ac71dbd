package phalanx.arrange;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Random;
import java.util.function.UnaryOperator;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import phalanx.arrange.demand.Holding;
import phalanx.arrange.demand.InnerLock;
import phalanx.arrange.demand.LimitLock;
import phalanx.arrange.demand.Lock;
import phalanx.arrange.demand.Octave;
import phalanx.arrange.demand.PlaceLock;
import phalanx.arrange.demand.Role;
import phalanx.arrange.demand.TuneUse;
import phalanx.arrange.demand.Wishes;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.ArrangedSlot;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.righthand.BassLine;
import phalanx.righthand.HandPlace;
import phalanx.righthand.Level;
import phalanx.righthand.PatternLibrary;
import phalanx.righthand.Picking;
import phalanx.righthand.School;
import phalanx.song.Bar;
import phalanx.song.ChordChange;
import phalanx.song.MelodyNote;
import phalanx.song.Song;
import phalanx.song.Songs;
import phalanx.testing.Deep;
import phalanx.theory.ChordSymbol;
import phalanx.theory.Pitch;

/** What an arranger has seen of a song makes no answer another: any edit is answered as by one that knows nothing. */
class EditsTest {
    private static final String[] CHORDS = {"C", "Am7", "G/B", "F#m", "Bb", "E7"};
    private static final List<String> PATTERNS = PatternLibrary.standard().all().stream()
            .map(pattern -> pattern.name())
            .toList();

    /** All that is asked of an arranger. */
    private record Asked(Song song, Picking picking, Wishes wishes, List<Lock> locks) {
        Asked with(Song other) {
            return new Asked(other, picking, wishes, locks);
        }

        Asked with(Picking other) {
            return new Asked(song, other, wishes, locks);
        }

        Asked with(Wishes other) {
            return new Asked(song, picking, other, locks);
        }

        Asked with(Lock lock) {
            List<Lock> more = new ArrayList<>(locks);
            more.removeIf(other -> other.contradicts(lock));
            more.add(lock);
            return new Asked(song, picking, wishes, more);
        }

        Arrangement quick(Arranger arranger) {
            return arranger.quick(song, picking, wishes, locks, () -> false);
        }
    }

    private static <T> T any(Random random, List<T> some) {
        return some.get(random.nextInt(some.size()));
    }

    private static Asked edited(Asked asked, Arrangement shown, Random random) {
        List<UnaryOperator<Asked>> edits = List.of(
                before -> tune(before, random),
                before -> chord(before, random),
                before -> before.with(before.song.withTempo(50 + random.nextInt(120))),
                before -> picking(before, random),
                before -> wish(before, random),
                before -> decided(before, shown, random),
                before -> decided(before, shown, random),
                before -> decided(before, shown, random),
                before -> released(before, random));
        return any(random, edits).apply(asked);
    }

    private static Asked tune(Asked asked, Random random) {
        List<MelodyNote> melody = new ArrayList<>(asked.song.melody());
        if (melody.isEmpty()) {
            return asked;
        }
        int at = random.nextInt(melody.size());
        if (random.nextInt(3) == 0 && melody.size() > 1) {
            melody.remove(at);
        } else {
            int midi = melody.get(at).midi() + random.nextInt(7) - 3;
            melody.set(at, melody.get(at).pitched(Pitch.of(midi, asked.song.key())));
        }
        return asked.with(asked.song.withMelody(melody));
    }

    private static Asked chord(Asked asked, Random random) {
        List<ChordChange> chart = new ArrayList<>(asked.song.chart());
        int at = random.nextInt(chart.size());
        chart.set(
                at,
                new ChordChange(
                        chart.get(at).startTick(), Optional.of(ChordSymbol.parse(any(random, List.of(CHORDS))))));
        return asked.with(asked.song.withChart(chart));
    }

    private static Asked picking(Asked asked, Random random) {
        Picking.Plan plan = new Picking.Plan(
                random.nextBoolean()
                        ? Optional.of(PatternLibrary.standard().get(any(random, PATTERNS)))
                        : Optional.empty(),
                any(random, List.of(BassLine.values())),
                any(random, List.of(Level.values())));
        Bar bar = any(random, asked.song.bars());
        return asked.with(
                switch (random.nextInt(4)) {
                    case 0 -> asked.picking.withPlan(plan);
                    case 1 -> asked.picking.withSpan(new Picking.Span(bar.startTick(), bar.endTick(), plan));
                    case 2 -> asked.picking.withPlace(any(random, List.of(HandPlace.values())));
                    default -> asked.picking.withSchool(any(random, List.of(School.values())));
                });
    }

    private static Asked wish(Asked asked, Random random) {
        Wishes wishes = asked.wishes;
        return asked.with(
                switch (random.nextInt(4)) {
                    case 0 -> wishes.withTune(any(random, List.of(TuneUse.values())));
                    case 1 -> wishes.withHolding(any(random, List.of(Holding.values())));
                    case 2 -> wishes.withFullEnds(!wishes.fullEnds());
                    default ->
                        wishes.withHighestFret(
                                random.nextBoolean() ? OptionalInt.empty() : OptionalInt.of(3 + random.nextInt(6)));
                });
    }

    /** Something of what is shown is decided: a shape, a place, how many inner notes, or a limit for a bar. */
    private static Asked decided(Asked asked, Arrangement shown, Random random) {
        ArrangedSlot slot = any(random, shown.slots());
        ArrangedNote note = any(random, shown.notes());
        Bar bar = any(random, asked.song.bars());
        Role role = note.role() == Role.INNER ? Role.BASS : note.role();
        return asked.with(
                switch (random.nextInt(5)) {
                    case 0 -> slot.lock();
                    case 1 -> new PlaceLock(note.tick(), role, note.string(), Optional.empty());
                    case 2, 3 -> new InnerLock(note.tick(), random.nextInt(3));
                    default ->
                        new LimitLock(
                                bar.startTick(),
                                bar.endTick(),
                                OptionalInt.of(3 + random.nextInt(5)),
                                random.nextBoolean());
                });
    }

    private static Asked released(Asked asked, Random random) {
        List<Lock> left = new ArrayList<>(asked.locks);
        if (!left.isEmpty()) {
            left.remove(random.nextInt(left.size()));
        }
        return new Asked(asked.song, asked.picking, asked.wishes, left);
    }

    /** Of several ways at one cost either may come out: what is asked for, what it costs and what is lost is the same. */
    private static void same(Arrangement again, Arrangement anew, String seed) {
        assertThat(again.cost().unplayable()).as(seed).isEqualTo(anew.cost().unplayable());
        assertThat(again.cost().tune()).as(seed).isEqualTo(anew.cost().tune());
        // the terms of two such ways may differ, in thousandths of an effort their sum does not
        assertThat(Math.round(1000 * again.effort())).as(seed).isEqualTo(Math.round(1000 * anew.effort()));
        assertThat(again.request()).as(seed).isEqualTo(anew.request());
        assertThat(again.innerAsked()).as(seed).isEqualTo(anew.innerAsked());
        assertThat(again.slots())
                .as(seed)
                .extracting(ArrangedSlot::startTick)
                .isEqualTo(anew.slots().stream().map(ArrangedSlot::startTick).toList());
        assertThat(kinds(again)).as(seed).isEqualTo(kinds(anew));
    }

    private static List<String> kinds(Arrangement arrangement) {
        return arrangement.notes().stream()
                .filter(note -> note.role() != Role.INNER)
                .map(note -> note.tick() + " " + note.role() + (note.role() == Role.MELODY ? " " + note.midi() : ""))
                .toList();
    }

    @Property
    void anEditIsAnsweredAsByOneThatKnowsNothing(@ForAll long seed) {
        Random random = new Random(seed);
        Song song = Songs.random(seed, 3 + random.nextInt(4));
        Wishes asWritten = Wishes.USUAL.withOctave(Octave.AS_WRITTEN);
        Asked asked = new Asked(song, Picking.PLAIN, asWritten, List.of());
        Arranger arranger = new Arranger(Instrument.STANDARD, Hand.AVERAGE);
        Arrangement shown = asked.quick(arranger);
        for (int edit = 1; edit <= Deep.of(3, 10); edit++) {
            asked = edited(asked, shown, random);
            shown = asked.quick(arranger);
            Arrangement anew = asked.quick(new Arranger(Instrument.STANDARD, Hand.AVERAGE));
            same(shown, anew, "seed " + seed + " edit " + edit);
            // one that shares what was seen, but not the song
            same(asked.quick(arranger.fresh()), anew, "fresh, seed " + seed + " edit " + edit);
            if (random.nextInt(3) == 0) {
                arranger.ready(() -> false);
            }
        }
        assertThat(shown.findings()).extracting(Finding::tick).isSorted();
    }
}
