package phalanx.righthand;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import phalanx.song.Bar;
import phalanx.song.ChordChange;
import phalanx.song.MelodyNote;
import phalanx.song.Song;
import phalanx.song.Ticks;
import phalanx.technique.Hit;

/**
 * What the right hand is asked for over a song, before strings are known: pattern and tune joined. Where a stroke falls
 * together with a tune note, the tune note is that stroke; no more fingers are asked for than the school has.
 *
 * @param bass the thumb's strokes
 * @param inner those of the fingers besides the tune, in order, at one tick from the top row
 * @param hits percussive sounds
 * @param joining what became of the pattern so far
 */
public record PickingPlan(List<BassStroke> bass, List<InnerStroke> inner, List<Hit> hits, Joining joining) {
    public PickingPlan {
        bass = List.copyOf(bass);
        inner = List.copyOf(inner);
        hits = List.copyOf(hits);
        Objects.requireNonNull(joining, "joining");
    }

    /** Without fuller ends. */
    public static PickingPlan of(Song song, Picking picking) {
        return of(song, picking, Set.of());
    }

    /**
     * The plan for a song.
     *
     * @param song with the tune that the hand plays, none where it plays none
     * @param ends ticks where phrases end and should sound fuller
     */
    public static PickingPlan of(Song song, Picking picking, Set<Integer> ends) {
        return new Maker(song, picking, ends).make();
    }

    /**
     * With as many inner strokes as are wanted at some ticks: the lowest go, those that come may be on any string. No more
     * come than digits are left, and none where there is no chord.
     *
     * @param wanted how many, by the tick; the tune's second note does not count
     * @param song that the plan is for
     * @param digits the hand has
     */
    public PickingPlan withInner(Map<Integer, Integer> wanted, Song song, int digits) {
        List<InnerStroke> all = new ArrayList<>(inner);
        int dropped = 0;
        for (Map.Entry<Integer, Integer> want : wanted.entrySet()) {
            int tick = want.getKey();
            List<InnerStroke> there = all.stream()
                    .filter(stroke -> stroke.tick() == tick && stroke.kind() != InnerStroke.Kind.TUNE_BELOW)
                    .toList();
            for (InnerStroke gone : there.subList(Math.min(want.getValue(), there.size()), there.size())) {
                all.remove(all.lastIndexOf(gone));
                dropped += gone.kind() == InnerStroke.Kind.PATTERN ? gone.covers() : 0;
            }
            int room = hasHarmony(song, tick) ? digits - busy(tick, song) : 0;
            for (int more = there.size(); more < Math.min(want.getValue(), room); more++) {
                all.add(InnerStroke.anywhere(tick));
            }
            all.replaceAll(stroke ->
                    stroke.tick() == tick && stroke.kind() != InnerStroke.Kind.TUNE_BELOW ? stroke.wanted() : stroke);
        }
        all.sort(Comparator.comparingInt(InnerStroke::tick));
        return new PickingPlan(
                bass, all, hits, dropped > 0 ? joining.dropping(Joining.Reason.PLAYER, dropped) : joining);
    }

    private static boolean hasHarmony(Song song, int tick) {
        return song.chart().stream()
                .filter(change -> change.startTick() <= tick)
                .reduce((first, later) -> later)
                .flatMap(ChordChange::chord)
                .isPresent();
    }

    /** How many digits tune and bass take at a tick. */
    private int busy(int tick, Song song) {
        int tune = song.melodyBetween(tick, tick + 1).stream()
                .filter(note -> note.tick() == tick)
                .mapToInt(note -> note.below().isPresent() ? 2 : 1)
                .sum();
        return tune + (bass.stream().anyMatch(stroke -> stroke.tick() == tick) ? 1 : 0);
    }

    private static final class Maker {
        private final Song song;
        private final Picking picking;
        private final Set<Integer> ends;
        private final TreeSet<Integer> onsets = new TreeSet<>();
        private final TreeMap<Integer, ChordChange> chart = new TreeMap<>();
        private final Set<Integer> bassTicks = new HashSet<>();
        /** Where the tune has a second note. */
        private final Set<Integer> seconds = new HashSet<>();

        private final List<InnerStroke> inner = new ArrayList<>();
        private final List<Hit> hits = new ArrayList<>();
        private int asked;
        private int byTune;
        private int noDigit;
        private int thinned;
        private int otherMeter;
        private int phraseEnd;

        Maker(Song song, Picking picking, Set<Integer> ends) {
            this.song = song;
            this.picking = picking;
            this.ends = ends;
            song.melody().stream().map(MelodyNote::tick).forEach(onsets::add);
            song.melody().stream()
                    .filter(note -> note.below().isPresent())
                    .map(MelodyNote::tick)
                    .forEach(seconds::add);
            song.chart().forEach(change -> chart.put(change.startTick(), change));
        }

        PickingPlan make() {
            List<BassStroke> bass = new BassWriter(song, picking).strokes();
            bass.forEach(stroke -> bassTicks.add(stroke.tick()));
            TreeMap<Integer, List<InnerStroke>> fills = new TreeMap<>();
            new LevelFill(song, picking).strokes(bass).forEach(stroke -> fills.computeIfAbsent(
                            stroke.tick(), tick -> new ArrayList<>())
                    .add(stroke));
            for (Bar bar : song.bars()) {
                Picking.Plan plan = picking.planAt(bar.startTick());
                boolean patterned = plan.pattern()
                        .filter(pattern -> PatternBars.fits(pattern, bar))
                        .isPresent();
                if (patterned) {
                    addPattern(bar, plan);
                } else {
                    fills.subMap(bar.startTick(), bar.endTick()).values().forEach(inner::addAll);
                    int strokes = plan.pattern()
                            .map(pattern -> pattern.fingerStrokes() / pattern.bars())
                            .orElse(0);
                    asked += strokes;
                    otherMeter += strokes;
                }
            }
            addEnds();
            song.melody().forEach(note -> note.below()
                    .ifPresent(pitch -> inner.add(InnerStroke.below(note.tick(), pitch.midi()))));
            inner.sort(Comparator.comparingInt(InnerStroke::tick)
                    .thenComparing(stroke -> stroke.kind() != InnerStroke.Kind.TUNE_BELOW));
            Joining joining = new Joining(asked, 0, byTune, 0, Map.of());
            joining = noDigit > 0 ? joining.dropping(Joining.Reason.NO_DIGIT, noDigit) : joining;
            joining = otherMeter > 0 ? joining.dropping(Joining.Reason.OTHER_METER, otherMeter) : joining;
            joining = phraseEnd > 0 ? joining.dropping(Joining.Reason.PHRASE_END, phraseEnd) : joining;
            joining = thinned > 0 ? joining.dropping(Joining.Reason.THINNED, thinned) : joining;
            return new PickingPlan(bass, inner, hits, joining);
        }

        private void leaveForTheEnd(List<InnerStroke> strokes) {
            phraseEnd += strokes.stream()
                    .filter(stroke -> stroke.kind() == InnerStroke.Kind.PATTERN)
                    .mapToInt(InnerStroke::covers)
                    .sum();
            inner.removeAll(strokes);
        }

        /** As many strokes as there are digits for where a phrase ends with room: a roll where it lasts, else a block. */
        private void addEnds() {
            for (int tick : ends) {
                int beat = song.barAt(tick).meter().beatTicks();
                Integer next = onsets.higher(tick);
                int room = (next == null ? song.endTick() : next) - tick;
                if (!hasHarmony(tick) || room < beat) {
                    continue;
                }
                int free = picking.school().digits().size()
                        - (bassTicks.contains(tick) ? 1 : 0)
                        - (onsets.contains(tick) ? 1 : 0)
                        - (seconds.contains(tick) ? 1 : 0);
                List<InnerStroke> there =
                        inner.stream().filter(stroke -> stroke.tick() == tick).toList();
                if (there.stream().mapToInt(InnerStroke::covers).sum() >= free) {
                    // as full as the hand can, a brush among them
                    continue;
                }
                leaveForTheEnd(there);
                // the digits are all wanted at the end: what plucked just before could not be back
                leaveForTheEnd(inner.stream()
                        .filter(stroke -> stroke.tick() < tick
                                && Ticks.milliseconds(tick - stroke.tick(), song.tempo())
                                        < picking.speeds().repeatMs())
                        .toList());
                for (int i = 0; i < free; i++) {
                    inner.add(InnerStroke.end(tick, room >= 2 * beat));
                }
            }
        }

        private void addPattern(Bar bar, Picking.Plan plan) {
            TreeMap<Integer, List<PatternStroke>> moments = new TreeMap<>();
            for (PatternBars.Placed placed : PatternBars.of(song, picking, bar).placed()) {
                PatternStroke stroke = placed.stroke();
                if (!hasHarmony(placed.tick())) {
                    continue;
                }
                stroke.hit().ifPresent(kind -> hits.add(new Hit(placed.tick(), kind)));
                if (stroke.row().isInner() || stroke.row() == PatternRow.BRUSH) {
                    moments.computeIfAbsent(placed.tick(), tick -> new ArrayList<>())
                            .add(stroke);
                }
            }
            moments.forEach((tick, strokes) -> addMoment(tick, strokes, bar, plan));
            if (plan.level() == Level.FULL) {
                fillUp(bar, moments);
            }
        }

        private void addMoment(int tick, List<PatternStroke> strokes, Bar bar, Picking.Plan plan) {
            asked += strokes.size();
            List<PatternStroke> left = new ArrayList<>(strokes);
            boolean tune = onsets.contains(tick);
            if (tune && left.get(0).row().isInner()) {
                left.remove(0);
                byTune++;
            }
            if (plan.level() == Level.PLAIN && isNearTune(tick, bar.meter().stepTicks())) {
                thinned += left.size();
                return;
            }
            boolean bass = bassTicks.contains(tick);
            // where the thumb has no bass it can take the lowest
            int free = picking.school().digits().size()
                    - (bass ? 1 : 0)
                    - (tune ? 1 : 0)
                    - (seconds.contains(tick) ? 1 : 0);
            boolean oneFinger = picking.school().digits().size() == 2;
            if (oneFinger && left.size() > free) {
                inner.add(new InnerStroke(
                        tick,
                        Optional.of(PatternRow.BRUSH),
                        Optional.empty(),
                        left.get(0).weight(),
                        Manner.DOWN,
                        left.size()));
                return;
            }
            for (PatternStroke stroke : left) {
                if (free <= 0 && stroke.row().isInner()) {
                    noDigit++;
                    continue;
                }
                free--;
                inner.add(new InnerStroke(
                        tick,
                        Optional.of(stroke.row()),
                        stroke.digit().filter(picking.school().digits()::contains),
                        stroke.weight(),
                        stroke.manner(),
                        1));
            }
        }

        /** A stroke on any string on every step that pattern and tune leave empty. */
        private void fillUp(Bar bar, TreeMap<Integer, List<PatternStroke>> moments) {
            int step = bar.meter().stepTicks();
            int first = bar.startTick() + Math.floorMod(-bar.offsetOf(bar.startTick()), step);
            for (int tick = first; tick < bar.endTick(); tick += step) {
                boolean empty =
                        moments.subMap(tick - step, false, tick + step, false).isEmpty();
                if (empty && hasHarmony(tick) && !isNearTune(tick, step)) {
                    inner.add(InnerStroke.anywhere(tick));
                }
            }
        }

        private boolean hasHarmony(int tick) {
            Map.Entry<Integer, ChordChange> here = chart.floorEntry(tick);
            return here != null && here.getValue().chord().isPresent();
        }

        /** Whether a tune note begins less than a step away. */
        private boolean isNearTune(int tick, int step) {
            Integer near = onsets.higher(tick - step);
            return near != null && near < tick + step;
        }
    }
}
