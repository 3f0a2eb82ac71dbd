package phalanx.practice;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import phalanx.arrange.audit.Audit;
import phalanx.arrange.demand.Role;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.TempoCeiling;
import phalanx.righthand.Digit;
import phalanx.song.Section;
import phalanx.song.Song;
import phalanx.technique.Attack;
import phalanx.technique.Hit;
import phalanx.words.Said;

/**
 * Builds a passage up, one thing a step: in each bar the thumb alone, then a note of the fingers more each time, those that
 * are plucked with the thumb first; a figure that is known goes at once onto the next shape; two bars, the line, line after
 * line; what the left hand makes, harmonics and hits last; the tune brought out; then the tempo. Common practice, no
 * source.
 */
public final class Ladder {
    /** So many bars are a line. */
    private static final int LINE = 4;

    private static final double FASTER = 0.08;
    private static final int LEAST_FASTER = 4;
    private static final String LOOP = wording("Ladder.three-times-in-a-row");

    private final Arrangement arrangement;
    private final Song song;
    private final Passage passage;
    private final int first;
    private final int last;
    private final TempoCeiling ceiling;
    private final int slow;
    private final List<Step> steps = new ArrayList<>();
    private final Set<List<?>> figures = new HashSet<>();
    private final Set<List<?>> passages = new HashSet<>();

    private Ladder(Arrangement arrangement, int first, int last) {
        this.arrangement = arrangement;
        this.song = arrangement.song();
        this.first = first;
        this.last = last;
        this.ceiling = Audit.of(arrangement).barCeilings(arrangement).subList(first, last + 1).stream()
                .min(Comparator.comparingDouble(TempoCeiling::tempo))
                .orElseThrow();
        this.passage = new Passage(arrangement);
        this.slow = passage.slow(goal());
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
        return new Ladder(arrangement, first, last).steps();
    }

    /** The tempo that it leads to: the song's, or what the hands can do where that is less. */
    private int goal() {
        return Math.max(Song.SLOWEST, (int) Math.min(song.tempo(), Math.floor(ceiling.tempo())));
    }

    private List<Step> steps() {
        int begun = -1;
        for (List<Integer> line : lines()) {
            int from = line.get(0);
            int to = line.get(line.size() - 1);
            for (int bar : line) {
                build(bar);
            }
            for (int bar = from; bar < to; bar++) {
                join(
                        bar,
                        bar + 1,
                        wording("Ladder.the-change-from-bar-to", passage.number(bar), passage.number(bar + 1)));
            }
            join(from, to, wording("Ladder.the-bars-in-a-row"));
            begun = begun < 0 ? from : begun;
            join(begun, to, wording("Ladder.the-line-before-it"));
        }
        if (!steps.isEmpty()) {
            addColours();
            addTempo();
        }
        return List.copyOf(steps);
    }

    /** Lines of bars, each within a section. */
    private List<List<Integer>> lines() {
        Set<Integer> starts = song.sections().stream().map(Section::startTick).collect(Collectors.toSet());
        List<List<Integer>> lines = new ArrayList<>();
        for (int bar = first; bar <= last; bar++) {
            boolean fresh = lines.isEmpty()
                    || lines.get(lines.size() - 1).size() == LINE
                    || starts.contains(song.bars().get(bar).startTick());
            if (fresh) {
                lines.add(new ArrayList<>());
            }
            lines.get(lines.size() - 1).add(bar);
        }
        return lines;
    }

    /** The thumb of a bar, then its fingers one by one; a bar whose figure is known comes whole. */
    private void build(int bar) {
        List<ArrangedNote> notes = passage.plain(bar, bar);
        if (notes.isEmpty() || !passages.add(passage.content(notes, bar))) {
            return;
        }
        if (!figures.add(passage.figure(notes, bar))) {
            step(
                    Said.of("Ladder.the-same-figure", passage.name(bar)),
                    bar,
                    bar,
                    notes,
                    wording("Ladder.the-figure-on-another-shape"),
                    wording("Ladder.the-fingers-know-it-the"));
            return;
        }
        List<ArrangedNote> thumb =
                notes.stream().filter(note -> note.right() == Digit.P).toList();
        Set<Integer> beats = thumb.stream().map(ArrangedNote::tick).collect(Collectors.toSet());
        List<List<ArrangedNote>> strokes = strokes(notes.stream()
                .filter(note -> note.right() != Digit.P)
                .sorted(Comparator.comparing((ArrangedNote note) -> !beats.contains(note.tick())))
                .toList());
        if (!thumb.isEmpty()) {
            step(
                    Said.of("Ladder.thumb-alone", passage.name(bar)),
                    bar,
                    bar,
                    thumb,
                    wording("Ladder.the-thumb-of", passage.name(bar)),
                    wording("Ladder.the-thumb-must-run-by"));
        }
        List<ArrangedNote> played = new ArrayList<>(thumb);
        for (List<ArrangedNote> stroke : strokes) {
            ArrangedNote finger = stroke.get(0);
            boolean brush = stroke.size() > 1;
            played.addAll(stroke);
            boolean pinch = beats.contains(finger.tick());
            played.sort(Comparator.comparingInt(ArrangedNote::tick).thenComparingInt(note -> -note.string()));
            step(
                    Said.of(
                            "Ladder.on",
                            passage.name(bar),
                            finger.right().symbol(),
                            passage.counted(bar, finger.tick())),
                    bar,
                    bar,
                    played,
                    wording(
                            "Ladder.on-2",
                            finger.right().symbol()
                                    + (brush
                                            ? wording("Ladder.brushing-strings", stroke.size())
                                            : wording("Ladder.on-string", finger.string())),
                            passage.counted(bar, finger.tick()),
                            pinch
                                    ? wording("Ladder.with-the-thumb")
                                    : thumb.isEmpty() ? "" : wording("Ladder.between-the-thumb-s")),
                    pinch
                            ? wording("Ladder.what-falls-with-the-thumb")
                            : thumb.isEmpty()
                                    ? wording("Ladder.no-thumb-here-the-fingers")
                                    : wording("Ladder.the-thumb-goes-on-while"));
        }
    }

    /** Notes one by one, those of a brush together. */
    private static List<List<ArrangedNote>> strokes(List<ArrangedNote> notes) {
        List<List<ArrangedNote>> strokes = new ArrayList<>();
        for (ArrangedNote note : notes) {
            ArrangedNote last =
                    strokes.isEmpty() ? null : strokes.get(strokes.size() - 1).get(0);
            boolean together = last != null
                    && note.attack() instanceof Attack.Brush
                    && last.attack() instanceof Attack.Brush
                    && last.tick() == note.tick();
            if (!together) {
                strokes.add(new ArrayList<>());
            }
            strokes.get(strokes.size() - 1).add(note);
        }
        return strokes;
    }

    private void join(int from, int to, String what) {
        List<ArrangedNote> notes = passage.plain(from, to);
        if (from < to && !notes.isEmpty() && passages.add(passage.content(notes, from))) {
            step(
                    Said.of("Ladder.bars-to", passage.number(from), passage.number(to)),
                    from,
                    to,
                    notes,
                    what,
                    wording("Ladder.what-is-known-apart-is"));
        }
    }

    private void step(Said name, int from, int to, List<ArrangedNote> notes, String adds, String why) {
        steps.add(new Step(name, song.bars().subList(from, to + 1), notes, List.of(), slow, false, adds, LOOP, why));
    }

    /** What is made besides plucking, each in a step of its own. */
    private void addColours() {
        List<ArrangedNote> all = passage.in(first, last);
        List<ArrangedNote> notes = passage.plain(first, last);
        if (steps.get(steps.size() - 1).bars().size() < last - first + 1) {
            // bars in which nothing is plucked go along
            step(
                    Said.of("Ladder.all-bars"),
                    first,
                    last,
                    notes,
                    wording("Ladder.the-bars-without-a-note"),
                    wording("Ladder.the-count-goes-on-through"));
        }
        List<ArrangedNote> slurred = all.stream()
                .filter(note -> !(note.attack() instanceof Attack.Touched))
                .toList();
        if (!slurred.equals(notes)) {
            colour(
                    Said.of("Ladder.with-slurs-and-bends"),
                    slurred,
                    List.of(),
                    false,
                    wording("Ladder.the-left-hand-s-slurs"),
                    wording("Ladder.the-right-hand-must-not"));
        }
        // those that are slapped come with the hits
        List<ArrangedNote> calm = all.stream().filter(note -> !isSlapped(note)).toList();
        if (!calm.equals(slurred)) {
            colour(
                    Said.of("Ladder.with-harmonics"),
                    calm,
                    List.of(),
                    false,
                    wording("Ladder.the-harmonics"),
                    wording("Ladder.they-need-a-calm-hand"));
        }
        int start = song.bars().get(first).startTick();
        int end = song.bars().get(last).endTick();
        List<Hit> hits = arrangement.hits().stream()
                .filter(hit -> hit.tick() >= start && hit.tick() < end)
                .toList();
        if (!hits.isEmpty()) {
            colour(
                    Said.of("Ladder.with-hits"),
                    all,
                    hits,
                    false,
                    wording("Ladder.the-hits"),
                    wording("Ladder.a-hand-that-still-moves"));
        }
        boolean tune = all.stream().anyMatch(note -> note.role() == Role.MELODY);
        if (tune && all.stream().anyMatch(note -> note.role() != Role.MELODY)) {
            colour(
                    Said.of("Ladder.the-tune-brought-out"),
                    all,
                    hits,
                    true,
                    wording("Ladder.the-tune-louder-than-the"),
                    wording("Ladder.who-listens-should-hear-it"));
        }
    }

    private static boolean isSlapped(ArrangedNote note) {
        return note.attack() instanceof Attack.Touched touched && touched.slapped();
    }

    private void colour(Said name, List<ArrangedNote> notes, List<Hit> hits, boolean tuneOut, String adds, String why) {
        steps.add(new Step(name, song.bars().subList(first, last + 1), notes, hits, slow, tuneOut, adds, LOOP, why));
    }

    private void addTempo() {
        Step whole = steps.get(steps.size() - 1);
        int goal = goal();
        int by = Math.max(LEAST_FASTER, (int) Math.round(FASTER * goal));
        for (int tempo = slow; tempo < goal; ) {
            tempo = Math.min(goal, tempo + by);
            boolean capped = tempo == goal && goal < song.tempo();
            steps.add(new Step(
                    Said.of("Ladder.at-bpm", tempo),
                    whole.bars(),
                    whole.notes(),
                    whole.hits(),
                    tempo,
                    whole.tuneOut(),
                    wording("Ladder.the-tempo-bpm", tempo),
                    wording("Ladder.as-clean-as-the-step", LOOP),
                    capped
                            ? wording("Ladder.the-song-wants-bpm-here", song.tempo(), ceiling.reason())
                            : wording("Ladder.faster-only-from-what-is")));
        }
    }
}
