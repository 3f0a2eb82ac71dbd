package phalanx.bench;

import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.lang.management.ThreadMXBean;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.MidiUnavailableException;
import javax.sound.midi.Receiver;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Synthesizer;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import phalanx.arrange.Arranger;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.FingeringFinder;
import phalanx.lefthand.shape.Shape;
import phalanx.lefthand.shape.ShapeQuery;
import phalanx.lefthand.shape.ShapeSearch;
import phalanx.righthand.Picking;
import phalanx.song.Ticks;
import phalanx.sound.Mix;
import phalanx.sound.Performance;
import phalanx.sound.Rendering;
import phalanx.sound.Transport;
import phalanx.theory.ChordSymbol;

/**
 * Shapes beside plain enumeration, and our sound beside the synthesiser of the JDK, in one run: on a shared machine times
 * swing from hour to hour, ratios less. Then a minute of sound at its own pace.
 */
public final class BesideBench {
    private static final int RUNS = 7;
    private static final int BARS = 32;
    private static final int HIGHEST = ShapeQuery.Region.USUAL.highest();
    private static final float RATE = 44_100;
    private static final int CHUNK = 1024;
    private static final int PLAYED_SECONDS = 60;

    private BesideBench() {}

    public static void main(String[] args) throws Exception {
        for (String chord : List.of("C", "F#m7b5", "D/F#")) {
            shapes(chord);
        }
        sound();
    }

    private static void shapes(String chord) {
        ShapeQuery query = ShapeQuery.of(ChordSymbol.parse(chord));
        Instrument instrument = Instrument.STANDARD;
        FingeringFinder finder = FingeringFinder.forShapes(instrument, Hand.AVERAGE);
        Timed<Set<String>> ours = least(() -> new ShapeSearch(finder)
                .find(query).stream().map(found -> found.shape().toString()).collect(Collectors.toSet()));
        Timed<Set<String>> plain = least(() -> new Plain(query, instrument, finder).all());
        if (!ours.result().equals(plain.result())) {
            throw new IllegalStateException(chord + ": " + ours.result().size() + " shapes, plainly "
                    + plain.result().size());
        }
        System.out.printf(
                "%s: the same %d shapes; ms: ours %.1f, every fret of every string %.0f: %.3f of it%n",
                chord, ours.result().size(), ours.ms(), plain.ms(), ours.ms() / plain.ms());
    }

    /** Every fret of every string up to the usual last one, silent strings too; what is asked is looked at in the end. */
    private static final class Plain {
        private final ShapeQuery query;
        private final Instrument instrument;
        private final FingeringFinder finder;
        private final int[] frets;
        private final Set<String> found = new TreeSet<>();

        Plain(ShapeQuery query, Instrument instrument, FingeringFinder finder) {
            this.query = query;
            this.instrument = instrument;
            this.finder = finder;
            this.frets = new int[instrument.strings()];
        }

        Set<String> all() {
            string(0);
            return found;
        }

        private void string(int index) {
            if (index == frets.length) {
                if (isAskedFor()) {
                    Shape shape = new Shape(Arrays.stream(frets).boxed().toList());
                    if (!finder.find(shape).isEmpty()) {
                        found.add(shape.toString());
                    }
                }
                return;
            }
            for (int fret = Shape.SILENT; fret <= HIGHEST; fret++) {
                frets[index] = fret;
                string(index + 1);
            }
        }

        private boolean isAskedFor() {
            int tones = 0;
            int sounding = 0;
            int lowest = Integer.MAX_VALUE;
            for (int i = 0; i < frets.length; i++) {
                if (frets[i] != Shape.SILENT) {
                    int midi = instrument.midi(frets.length - i, frets[i]);
                    tones |= 1 << midi % 12;
                    lowest = Math.min(lowest, midi);
                    sounding++;
                }
            }
            return sounding >= ShapeSearch.FEWEST_STRINGS
                    && (tones & ~query.tones().allowed()) == 0
                    && (query.tones().required() & ~tones) == 0
                    && (query.bass().pitchClass().isEmpty()
                            || query.bass().pitchClass().getAsInt() == lowest % 12);
        }
    }

    private static void sound() throws Exception {
        Arrangement arranged = new Arranger(Instrument.STANDARD, Hand.AVERAGE)
                .arrange(BenchSongs.eighths(BARS), Picking.PLAIN, List.of(), () -> false);
        double seconds = seconds(arranged, arranged.song().endTick());
        Timed<float[]> ours = least(() -> Rendering.of(
                Performance.of(arranged),
                Transport.Stretch.once(0, arranged.song().endTick()),
                Mix.USUAL,
                1));
        Timed<Long> jdk = least(() -> jdk(arranged, seconds));
        System.out.printf(
                "sound of %.0f s; ms: ours %.0f (%.0f times real time, aim 50), the JDK's synthesiser %.0f: %.1f of it%n",
                seconds, ours.ms(), 1000 * seconds / ours.ms(), jdk.ms(), ours.ms() / jdk.ms());
        callbacks(arranged);
    }

    /** Pulls a loop as a device does, each chunk when the one before is heard; late is what is not there by then. */
    private static void callbacks(Arrangement arranged) throws InterruptedException {
        Transport transport = new Transport(
                Performance.of(arranged),
                Transport.Stretch.loop(0, arranged.song().endTick()),
                Mix.USUAL,
                1);
        float[] chunk = new float[2 * CHUNK];
        double length = 1e9 * CHUNK / RATE;
        long start = System.nanoTime();
        ThreadMXBean thread = ManagementFactory.getThreadMXBean();
        double longest = 0;
        double overslept = 0;
        int late = 0;
        int chunks = (int) (PLAYED_SECONDS * RATE / CHUNK);
        for (int i = 0; i < chunks; i++) {
            long early = (long) (start + i * length - System.nanoTime());
            if (early > 0) {
                TimeUnit.NANOSECONDS.sleep(early);
                overslept = Math.max(overslept, (System.nanoTime() - start - i * length) / 1e6);
            }
            long began = thread.getCurrentThreadCpuTime();
            transport.read(chunk, CHUNK);
            longest = Math.max(longest, (thread.getCurrentThreadCpuTime() - began) / 1e6);
            late += System.nanoTime() > start + (i + 1) * length ? 1 : 0;
        }
        System.out.printf(
                "%d s played in %d chunks of %.0f ms: %d late (aim 0); one took %.1f ms of the processor at most, a sleep of"
                        + " the host was %.0f ms too long at most%n",
                PLAYED_SECONDS, chunks, length / 1e6, late, longest, overslept);
    }

    private static double seconds(Arrangement arranged, int tick) {
        return tick * 60.0 / Ticks.QUARTER / arranged.song().tempo();
    }

    /** Renders the notes as fast as it goes; its stream has no public door, so the run adds an export. */
    private static long jdk(Arrangement arranged, double seconds) {
        try (Synthesizer synthesiser = MidiSystem.getSynthesizer()) {
            AudioInputStream stream = (AudioInputStream) synthesiser
                    .getClass()
                    .getMethod("openStream", AudioFormat.class, Map.class)
                    .invoke(synthesiser, new AudioFormat(RATE, 16, 2, true, false), Map.of());
            Receiver receiver = synthesiser.getReceiver();
            receiver.send(new ShortMessage(ShortMessage.PROGRAM_CHANGE, 0, 25, 0), 0);
            for (ArrangedNote note : arranged.notes()) {
                receiver.send(
                        new ShortMessage(ShortMessage.NOTE_ON, 0, note.midi(), 80), micros(arranged, note.tick()));
                receiver.send(
                        new ShortMessage(ShortMessage.NOTE_OFF, 0, note.midi(), 0), micros(arranged, note.endTick()));
            }
            byte[] block = new byte[8192];
            long wanted = (long) (seconds * RATE) * 4;
            long read = 0;
            while (read < wanted) {
                read += stream.read(block);
            }
            return read;
        } catch (ReflectiveOperationException | MidiUnavailableException | InvalidMidiDataException | IOException e) {
            throw new IllegalStateException("run with --add-exports java.desktop/com.sun.media.sound=ALL-UNNAMED", e);
        }
    }

    private static long micros(Arrangement arranged, int tick) {
        return Math.round(1e6 * seconds(arranged, tick));
    }

    private record Timed<T>(T result, double ms) {}

    private static <T> Timed<T> least(Supplier<T> work) {
        T result = null;
        double least = Double.MAX_VALUE;
        for (int run = 0; run < RUNS; run++) {
            long start = System.nanoTime();
            result = work.get();
            least = Math.min(least, (System.nanoTime() - start) / 1e6);
        }
        return new Timed<>(result, least);
    }
}
