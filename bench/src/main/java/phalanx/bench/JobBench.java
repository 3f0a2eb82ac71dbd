package phalanx.bench;

import java.util.ArrayDeque;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import phalanx.arrange.Arranger;
import phalanx.arrange.advice.KeyAdvice;
import phalanx.arrange.advice.KeyAdvisor;
import phalanx.arrange.demand.Role;
import phalanx.arrange.demand.ShapeLock;
import phalanx.arrange.score.Arrangement;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.FingeringFinder;
import phalanx.lefthand.shape.PricedShape;
import phalanx.lefthand.shape.ShapeQuery;
import phalanx.lefthand.shape.ShapeSearch;
import phalanx.righthand.BassLine;
import phalanx.righthand.Digit;
import phalanx.righthand.DigitAssigner;
import phalanx.righthand.Level;
import phalanx.righthand.PatternLibrary;
import phalanx.righthand.Picking;
import phalanx.righthand.Pluck;
import phalanx.righthand.School;
import phalanx.righthand.Speeds;
import phalanx.song.Song;
import phalanx.sound.Mix;
import phalanx.sound.Performance;
import phalanx.sound.Rendering;
import phalanx.sound.Transport;
import phalanx.theory.ChordSymbol;

/** How long the main jobs take. Run as docs/performance.md says. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 4, time = 3)
@Measurement(iterations = 4, time = 3)
@Fork(1)
public class ArrangeBench {
    private final Song song = BenchSongs.eighths(32);
    private final Song longSong = BenchSongs.eighths(320);
    private final Arranger warm = new Arranger(Instrument.STANDARD, Hand.AVERAGE);
    private final Arrangement arranged = warm.arrange(song);
    private final ShapeLock lock =
            arranged.slots().get(arranged.slots().size() / 2).lock();
    private final List<Pluck> plucks = arranged.notes().stream()
            .map(note -> new Pluck(note.tick(), note.string(), note.role() == Role.BASS))
            .toList();
    private final Arranger patterned = new Arranger(Instrument.STANDARD, Hand.AVERAGE);
    private final Picking picking = Picking.PLAIN.withPlan(
            new Picking.Plan(PatternLibrary.standard().find("Rising Smoke"), BassLine.WALKING, Level.EVEN));
    private boolean locked;
    private static final int OTHER_SONGS = 50;
    private final ArrayDeque<Song> others = new ArrayDeque<>();
    private Arranger used = warm;
    private final ShapeQuery anyOfC = ShapeQuery.of(ChordSymbol.parse("C"));
    private final ShapeQuery query = ShapeQuery.of(ChordSymbol.parse("D/F#")).withTop(69);

    /** A guitar and hand seen for the first time: nothing is remembered. */
    @Benchmark
    public Arrangement arrange32BarsAnew() {
        return new Arranger(Instrument.STANDARD, Hand.AVERAGE).arrange(song);
    }

    /** The same guitar and hand again, as after an edit. */
    @Benchmark
    public Arrangement arrange32BarsAgain() {
        return warm.arrange(song);
    }

    /** Songs not seen before, one after another, on a guitar and hand seen before: as in the open window. */
    @Benchmark
    public Arrangement arrange32BarsOfOtherSongs() {
        if (others.isEmpty()) {
            used = new Arranger(Instrument.STANDARD, Hand.AVERAGE);
            used.arrange(song);
            IntStream.range(100, 100 + OTHER_SONGS)
                    .mapToObj(seed -> BenchSongs.eighths(32, seed))
                    .forEach(others::add);
        }
        return used.arrange(others.remove());
    }

    /** One lock set or released in the middle, solved from there only. */
    @Benchmark
    public Arrangement solveAgainAfterOneLock() {
        locked = !locked;
        return warm.arrange(song, locked ? List.of(lock) : List.of(), () -> false);
    }

    @Benchmark
    public Arrangement arrange320BarsAnew() {
        return new Arranger(Instrument.STANDARD, Hand.AVERAGE).arrange(longSong);
    }

    @Benchmark
    public List<PricedShape> shapesOfOneChordWithBassAndTop() {
        return new ShapeSearch(FingeringFinder.forShapes(Instrument.STANDARD, Hand.AVERAGE)).find(query);
    }

    /** What the station Shapes asks for when a filter changes: all frets, no top note given. */
    @Benchmark
    public List<PricedShape> allShapesOfOneChord() {
        return new ShapeSearch(FingeringFinder.forShapes(Instrument.STANDARD, Hand.AVERAGE)).find(anyOfC);
    }

    /** Twelve keys times capo 0 to 7. */
    @Benchmark
    public List<KeyAdvice> keyAndCapoAdvice32Bars() {
        return new KeyAdvisor(Instrument.STANDARD, Hand.AVERAGE).advise(song, count -> {}, () -> false);
    }

    /** The digits of an arranged song alone. */
    @Benchmark
    public List<Digit> digitsOf32Bars() {
        return new DigitAssigner(School.THUMB_AND_FOUR, Speeds.USUAL, 92).assign(plucks);
    }

    /** A dense pattern and a walking bass, song and shapes seen before. */
    @Benchmark
    public Arrangement arrange32BarsWithAPattern() {
        return patterned.arrange(song, picking, List.of(), () -> false);
    }

    @Benchmark
    public float[] renderSound() {
        return Rendering.of(
                Performance.of(arranged),
                Transport.Stretch.once(0, arranged.song().endTick()),
                Mix.USUAL,
                92.0 / arranged.song().tempo());
    }
}
