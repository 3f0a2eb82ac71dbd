package phalanx.practice;

import static phalanx.words.Words.wording;

import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.guitar.Instrument;
import phalanx.righthand.Counting;
import phalanx.song.Bar;
import phalanx.song.Bisection;
import phalanx.song.ChordChange;
import phalanx.song.Song;
import phalanx.technique.Attack;
import phalanx.words.Said;

/** The bars of an arrangement as they are practised: what they are called, and what is plucked in them. */
final class Passage {
    /** All is built up at this share of the tempo that it ends with. */
    private static final double SLOW = 0.6;

    private final Arrangement arrangement;
    private final Instrument instrument;
    private final Song song;

    Passage(Arrangement arrangement) {
        this.arrangement = arrangement;
        this.instrument = arrangement.request().instrument();
        this.song = arrangement.song();
    }

    /** @throws IndexOutOfBoundsException if the song has no bars at these places */
    static void check(Arrangement arrangement, int first, int last) {
        int bars = arrangement.song().bars().size();
        if (first < 0 || last < first || last >= bars) {
            throw new IndexOutOfBoundsException(wording("Passage.bars-to-of", first, last, bars));
        }
    }

    /** The tempo to learn at for one to reach, both in quarter notes a minute. */
    int slow(int goal) {
        return Math.max(Song.SLOWEST, (int) Math.round(SLOW * goal));
    }

    int number(int bar) {
        return song.bars().get(bar).number();
    }

    /** A bar as players call it: its number, and the chord it begins with. */
    Said name(int bar) {
        int tick = song.bars().get(bar).startTick();
        Said alone = number(bar) == 0 ? Said.of("Passage.the-pickup") : Said.of("Passage.bar", number(bar));
        return song.chart().stream()
                .filter(change -> change.startTick() <= tick)
                .reduce((before, later) -> later)
                .flatMap(ChordChange::chord)
                .map(chord -> Said.of("Passage.over", alone, chord))
                .orElse(alone);
    }

    /** What is counted at a moment of a bar, such as 3&. */
    Object counted(int bar, int tick) {
        TreeSet<Integer> struck = new TreeSet<>(Set.of(tick));
        Bar own = song.bars().get(bar);
        List<Counting.Count> counts = Counting.of(own, struck);
        String beat = "";
        for (var count : counts) {
            boolean number = Character.isDigit(count.word().charAt(0));
            beat = number ? count.word() : beat;
            if (count.tick() == tick) {
                return number ? count.word() : beat + count.word();
            }
        }
        return Said.of("Passage.beat", own.beatOf(tick));
    }

    /** What is played in some bars, by their places in the song. */
    List<ArrangedNote> in(int from, int to) {
        int start = song.bars().get(from).startTick();
        int end = song.bars().get(to).endTick();
        List<ArrangedNote> notes = arrangement.notes();
        return notes.subList(firstFrom(notes, start), firstFrom(notes, end));
    }

    /** Where in notes, which are in order of time, the first one stands that begins at a tick or later. */
    static int firstFrom(List<ArrangedNote> notes, int tick) {
        return Bisection.first(notes.size(), at -> notes.get(at).tick() >= tick);
    }

    /** Every note plucked where it is held; harmonics are left out. */
    List<ArrangedNote> plain(int from, int to) {
        return in(from, to).stream()
                .filter(note -> !(note.attack() instanceof Attack.Touched))
                .map(note ->
                        note.attack().plucked() ? note : note.on(instrument).struck(Attack.PLUCK, note.weight()))
                .toList();
    }

    /** When which digit plucks, from the beginning of a bar. */
    List<?> figure(List<ArrangedNote> notes, int bar) {
        int start = song.bars().get(bar).startTick();
        return notes.stream()
                .map(note -> List.of(note.tick() - start, note.right()))
                .toList();
    }

    /** What is played where, from the beginning of a bar. */
    List<?> content(List<ArrangedNote> notes, int bar) {
        int start = song.bars().get(bar).startTick();
        return notes.stream()
                .map(note -> List.of(note.tick() - start, note.string(), note.fret(), note.right()))
                .toList();
    }
}
