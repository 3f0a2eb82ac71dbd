package phalanx.bench;

import java.util.List;
import org.openjdk.jmh.annotations.Benchmark;
import phalanx.arrange.Arranger;
import phalanx.arrange.advice.KeyAdvice;
import phalanx.arrange.advice.KeyAdvisor;
import phalanx.arrange.demand.Role;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.FingeringFinder;
import phalanx.lefthand.shape.PricedShape;
import phalanx.lefthand.shape.ShapeQuery;
import phalanx.lefthand.shape.ShapeSearch;
import phalanx.righthand.Digit;
import phalanx.righthand.DigitAssigner;
import phalanx.righthand.Pluck;
import phalanx.righthand.School;
import phalanx.righthand.Speeds;
import phalanx.song.Song;
import phalanx.theory.ChordSymbol;

/** How long the other main jobs take. Run as docs/performance.md says. */
public class JobBench extends WarmBench {
    private final Song song = BenchSongs.eighths(32);
    private final List<Pluck> plucks = new Arranger(Instrument.STANDARD, Hand.AVERAGE)
            .arrange(song).notes().stream()
                    .map(note -> new Pluck(note.tick(), note.string(), note.role() == Role.BASS))
                    .toList();
    private final ShapeQuery anyOfC = ShapeQuery.of(ChordSymbol.parse("C"));
    private final ShapeQuery query = ShapeQuery.of(ChordSymbol.parse("D/F#")).withTop(69);

    @Benchmark
    public List<PricedShape> shapesOfOneChordWithBassAndTop() {
        return shapes(query);
    }

    /** What the station Shapes asks for when a filter changes: all frets, no top note given. */
    @Benchmark
    public List<PricedShape> allShapesOfOneChord() {
        return shapes(anyOfC);
    }

    private static List<PricedShape> shapes(ShapeQuery asked) {
        return new ShapeSearch(FingeringFinder.forShapes(Instrument.STANDARD, Hand.AVERAGE)).find(asked);
    }

    /** Twelve keys times capo 0 to 7, nothing known before. */
    @Benchmark
    public List<KeyAdvice> keyAndCapoAdvice() {
        return new KeyAdvisor(Instrument.STANDARD, Hand.AVERAGE).advise(song, count -> {}, () -> false);
    }

    /** The digits of an arranged song alone. */
    @Benchmark
    public List<Digit> digitsOf32Bars() {
        return new DigitAssigner(School.THUMB_AND_FOUR, Speeds.USUAL, 92).assign(plucks);
    }
}
