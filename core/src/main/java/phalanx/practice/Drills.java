package phalanx.practice;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.ArrangedSlot;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Track;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.drill.Pacing;
import phalanx.lefthand.shape.Shape;
import phalanx.lefthand.shape.Stretch;
import phalanx.lefthand.track.Change;
import phalanx.lefthand.track.FingerMove;
import phalanx.lefthand.track.MoveMeter;
import phalanx.righthand.PlantingChart;
import phalanx.song.Bar;
import phalanx.song.ChordFrets;
import phalanx.song.Song;
import phalanx.words.Said;

/**
 * Exercises on what is hard in a passage, apart from the ladder: its picking on open strings, its planting, the left hand
 * in silence, its hardest changes back and forth, its widest shape, a shape along the neck over a pedal, and all its
 * shapes in a row. Common practice, no
 * source.
 */
public final class Drills {
    private static final int MOST_CHANGES = 3;
    private static final int MOST_PLANTS = 4;
    private static final String LOOP = wording("Drills.three-times-in-a-row");

    private final Arrangement arrangement;
    private final Instrument instrument;
    private final Hand hand;
    private final Song song;
    private final Passage passage;
    private final List<ArrangedNote> plain;
    private final int first;
    private final int last;
    private final int slow;
    private final List<Step> drills = new ArrayList<>();

    private Drills(Arrangement arrangement, int first, int last) {
        this.arrangement = arrangement;
        this.instrument = arrangement.request().instrument();
        this.hand = arrangement.request().hand();
        this.song = arrangement.song();
        this.passage = new Passage(arrangement);
        this.plain = passage.plain(0, song.bars().size() - 1);
        this.first = first;
        this.last = last;
        this.slow = passage.slow(song.tempo());
    }

    /** For a whole song. */
    public static List<Step> of(Arrangement arrangement) {
        return of(arrangement, 0, arrangement.song().bars().size() - 1);
    }

    /**
     * For some bars.
     *
     * @param first its place in the song
     * @param last its place in the song
     * @return empty where nothing is played in them
     * @throws IndexOutOfBoundsException if the song has no such bars
     */
    public static List<Step> of(Arrangement arrangement, int first, int last) {
        Passage.check(arrangement, first, last);
        return new Drills(arrangement, first, last).drills();
    }

    private List<Step> drills() {
        if (!passage.in(first, last).isEmpty()) {
            addRightHand();
            addLeftHand();
            addChanges();
            addStretch();
            addMovedShape();
            addChain();
        }
        return List.copyOf(drills);
    }

    private void add(Said name, int from, int to, List<ArrangedNote> notes, int tempo, Words words) {
        List<Bar> bars = song.bars().subList(from, to + 1);
        drills.add(new Step(name, bars, notes, List.of(), tempo, false, words.adds(), words.clean(), words.why()));
    }

    private record Words(String adds, String clean, String why) {}

    /** The figure that comes most often, on open strings; then with the fingers waiting on theirs. */
    private void addRightHand() {
        Map<List<?>, List<Integer>> bars = new LinkedHashMap<>();
        for (int bar = first; bar <= last; bar++) {
            List<?> figure = passage.figure(passage.plain(bar, bar), bar);
            if (!figure.isEmpty()) {
                bars.computeIfAbsent(figure, any -> new ArrayList<>()).add(bar);
            }
        }
        int bar = bars.values().stream()
                .max(Comparator.comparingInt((List<Integer> same) -> same.size())
                        .thenComparing(same -> -same.get(0)))
                .map(same -> same.get(0))
                .orElse(first);
        List<ArrangedNote> open = passage.plain(bar, bar).stream()
                .map(note -> note.open(instrument))
                .toList();
        if (open.isEmpty()) {
            return;
        }
        add(
                Said.of("Drills.right-hand-alone-as-in", passage.name(bar)),
                bar,
                bar,
                open,
                slow,
                new Words(
                        wording("Drills.the-picking-on-open-strings"), LOOP, wording("Drills.a-figure-that-must-not")));
        List<PlantingChart.Plant> plants = plants(open);
        if (!plants.isEmpty()) {
            String waiting = plants.stream()
                    .limit(MOST_PLANTS)
                    .map(plant -> wording(
                            "Drills.on-string-from",
                            plant.digit().symbol(),
                            plant.string(),
                            passage.counted(bar, plant.fromTick())))
                    .collect(Collectors.joining(", "));
            add(
                    Said.of("Drills.planting-as-in", passage.name(bar)),
                    bar,
                    bar,
                    open,
                    passage.slow(slow),
                    new Words(
                            wording("Drills.fingers-wait-on-their-strings", waiting),
                            wording("Drills.three-times-in-a-row-2"),
                            wording("Drills.a-finger-that-is-there")));
        }
    }

    private static List<PlantingChart.Plant> plants(List<ArrangedNote> notes) {
        return new PlantingChart(PlantingChart.Manner.FULL)
                .plants(notes.stream()
                        .map(note -> new PlantingChart.Played(note.tick(), note.string(), note.right(), note.tick()))
                        .toList());
    }

    private void addLeftHand() {
        boolean presses =
                slots().stream().anyMatch(slot -> !slot.fingering().presses().isEmpty());
        if (presses) {
            add(
                    Said.of("Drills.left-hand-in-silence"),
                    first,
                    last,
                    List.of(),
                    slow,
                    new Words(
                            wording("Drills.the-shapes-alone-in-time"),
                            wording("Drills.three-times-in-a-row-3"),
                            wording("Drills.what-is-not-heard-can")));
        }
    }

    private List<ArrangedSlot> slots() {
        int start = song.bars().get(first).startTick();
        int end = song.bars().get(last).endTick();
        return arrangement.slots().stream()
                .filter(slot -> slot.startTick() >= start && slot.startTick() < end)
                .toList();
    }

    /** The changes that leave the hand least time, each once. */
    private void addChanges() {
        Track track = Track.of(arrangement, new MoveMeter(instrument, hand));
        int start = song.bars().get(first).startTick();
        int end = song.bars().get(last).endTick();
        Set<List<?>> seen = new HashSet<>();
        IntStream.range(0, track.changes().size())
                .filter(at -> track.spans().get(at).startTick() >= start
                        && track.spans().get(at + 1).startTick() < end
                        && track.changes().get(at).tempoCeiling() < Double.POSITIVE_INFINITY)
                .boxed()
                .sorted(Comparator.comparingDouble(
                        (Integer at) -> track.changes().get(at).tempoCeiling()))
                .filter(at -> seen.add(List.of(
                        track.spans().get(at).posture(),
                        track.spans().get(at + 1).posture())))
                .limit(MOST_CHANGES)
                .forEach(at -> addChange(
                        track.spans().get(at),
                        track.spans().get(at + 1),
                        track.changes().get(at)));
    }

    private void addChange(Track.Span before, Track.Span after, Change change) {
        List<ArrangedNote> notes = new ArrayList<>(struck(before.startTick(), before.endTick()));
        notes.addAll(struck(after.startTick(), after.endTick()));
        int from = song.barIndexAt(before.startTick());
        int to = song.barIndexAt(after.startTick());
        List<String> words = new ArrayList<>();
        for (FingerMove.Kind kind : List.of(FingerMove.Kind.ANCHOR, FingerMove.Kind.GUIDE)) {
            change.of(kind).forEach(move -> words.add(move.words()));
        }
        change.moves().stream()
                .filter(move -> move.needsMs() > 0)
                .forEach(move -> words.add(Pacing.of(move).sentence()));
        change.shift().ifPresent(shift -> words.add(Pacing.of(shift).sentence()));
        int goal = Math.max(Song.SLOWEST, (int) Math.min(song.tempo(), Math.floor(change.tempoCeiling())));
        add(
                Said.of(
                        "Drills.back-and-forth-at",
                        passage.name(from),
                        to > from ? Said.of("Drills.to", passage.name(to)) : "",
                        passage.counted(to, after.startTick())),
                from,
                to,
                notes,
                passage.slow(goal),
                new Words(
                        String.join("; ", words.stream().distinct().toList()),
                        wording("Drills.nothing-buzzes", LOOP),
                        wording("Drills.of-all-changes-here-it", (int) Math.floor(change.tempoCeiling()))));
    }

    /** What is plucked first in a stretch, all together. */
    private List<ArrangedNote> struck(int from, int to) {
        int at = Passage.firstFrom(plain, from);
        int tick = at < plain.size() ? plain.get(at).tick() : to;
        return tick < to ? plain.subList(at, Passage.firstFrom(plain, tick + 1)) : List.of();
    }

    /** The widest shape that is a stretch for this hand. */
    private void addStretch() {
        Comparator<Stretch> byShare = Comparator.comparingDouble(stretch -> stretch.mm() / stretch.limitMm());
        Optional<ArrangedSlot> widest = slots().stream()
                .filter(slot -> stretch(slot).isPresent()
                        && !struck(slot.startTick(), slot.endTick()).isEmpty())
                .max(Comparator.comparing(slot -> stretch(slot).orElseThrow(), byShare));
        widest.ifPresent(slot -> {
            int bar = song.barIndexAt(slot.startTick());
            add(
                    Said.of("Drills.stretch-in", slot.held().shape(), passage.name(bar)),
                    bar,
                    bar,
                    struck(slot.startTick(), slot.endTick()),
                    slow,
                    new Words(
                            stretch(slot).orElseThrow().words(),
                            wording("Drills.twice-and-no-longer-then"),
                            wording("Drills.only-with-a-warm-hand")));
        });
    }

    private Optional<Stretch> stretch(ArrangedSlot slot) {
        return Stretch.of(slot.fingering().presses(), instrument, hand).filter(Stretch::isStretched);
    }

    /** The first shape that can be moved over a bass string of the key, a place a beat. */
    private void addMovedShape() {
        for (ArrangedSlot slot : slots()) {
            Optional<MovedShape> moved = MovedShape.of(slot, song.key(), instrument, hand);
            if (moved.isPresent()) {
                int bar = song.barIndexAt(slot.startTick());
                String places = moved.get().shapes().stream()
                        .distinct()
                        .map(Drills::frets)
                        .collect(Collectors.joining(", "));
                add(
                        Said.of(
                                "Drills.moved-along-the-neck-over",
                                frets(moved.get().first()),
                                moved.get().pedal()),
                        bar,
                        bar,
                        moved.get()
                                .notes(
                                        song.bars().get(bar),
                                        arrangement.request().picking().school(),
                                        instrument),
                        passage.slow(slow),
                        new Words(
                                wording("Drills.a-place-a-beat", places),
                                wording("Drills.nothing-buzzes", LOOP),
                                wording("Drills.a-hand-that-keeps-its-form")));
                return;
            }
        }
    }

    /** In one word, so that no line breaks within it. */
    private static String frets(Shape shape) {
        return new ChordFrets(shape.frets()).toString();
    }

    /** Each shape struck once, in the time of the song. */
    private void addChain() {
        List<ArrangedNote> notes = new ArrayList<>();
        List<?> before = null;
        int shapes = 0;
        for (ArrangedSlot slot : slots()) {
            List<?> presses = slot.fingering().presses();
            List<ArrangedNote> struck = struck(slot.startTick(), slot.endTick());
            if (!presses.equals(before) && !struck.isEmpty()) {
                notes.addAll(struck);
                shapes++;
                before = presses;
            }
        }
        if (shapes > 1) {
            add(
                    Said.of("Drills.the-chain-of-shapes"),
                    first,
                    last,
                    notes,
                    slow,
                    new Words(
                            wording("Drills.shapes-in-a-row-each", shapes),
                            wording("Drills.each-clean-round-a-little"),
                            wording("Drills.the-fingers-learn-where-they")));
        }
    }
}
