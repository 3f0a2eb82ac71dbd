package phalanx.listening;

import java.io.ByteArrayOutputStream;
import java.util.Optional;
import java.util.function.Supplier;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.LineUnavailableException;
import javax.sound.sampled.TargetDataLine;

/**
 * Hears the player through the machine's microphone. It is off until it is switched on; what it hears stays in memory and is
 * handed out once. May be used from several threads.
 */
public final class Microphone {
    /** One channel of 16 bits, 44,100 samples a second. */
    public static final AudioFormat FORMAT = new AudioFormat(44_100, 16, 1, true, false);

    /** After so long it hears no more: it was forgotten. */
    static final int LONGEST_SECONDS = 600;

    private static final int CHUNK = 8192;
    private static final long ENDS_WITHIN_MS = 300;

    private final Supplier<Optional<TargetDataLine>> lines;
    private Optional<Hearing> hearing = Optional.empty();

    /** @param lines gives a line that is not open yet, if there is one */
    public Microphone(Supplier<Optional<TargetDataLine>> lines) {
        this.lines = lines;
    }

    /** The one that the system has chosen. Nothing is asked of it before it is switched on. */
    public static Microphone ofTheSystem() {
        return new Microphone(Microphone::line);
    }

    private static Optional<TargetDataLine> line() {
        try {
            return Optional.of(AudioSystem.getTargetDataLine(FORMAT));
        } catch (LineUnavailableException | IllegalArgumentException e) {
            // none: some systems say so with the one exception, some with the other
            return Optional.empty();
        }
    }

    /** Switches it on; answers whether there is one. */
    public synchronized boolean start() {
        off();
        hearing = lines.get().flatMap(Hearing::through);
        return hearing.isPresent();
    }

    public synchronized boolean isOn() {
        return hearing.isPresent();
    }

    /** Switches it off; answers what it heard, nothing if it was off. */
    public synchronized Optional<Take> stop() {
        Optional<Take> take = hearing.map(Hearing::end);
        hearing = Optional.empty();
        return take;
    }

    /** Switches it off and forgets what it heard. */
    public synchronized void off() {
        stop();
    }

    /** One time that it is on. */
    private static final class Hearing {
        private final TargetDataLine line;
        private final ByteArrayOutputStream heard = new ByteArrayOutputStream();
        private final Thread thread = new Thread(this::run, "microphone");
        private volatile boolean over;

        private Hearing(TargetDataLine line) {
            this.line = line;
        }

        static Optional<Hearing> through(TargetDataLine line) {
            try {
                line.open(FORMAT);
            } catch (LineUnavailableException | IllegalArgumentException e) {
                return Optional.empty();
            }
            Hearing hearing = new Hearing(line);
            line.start();
            hearing.thread.setDaemon(true);
            hearing.thread.start();
            return Optional.of(hearing);
        }

        private void run() {
            byte[] chunk = new byte[CHUNK];
            int most = LONGEST_SECONDS * Math.round(FORMAT.getFrameRate()) * FORMAT.getFrameSize();
            int got = 1;
            // a line that is stopped, or gone, gives nothing
            while (!over && got > 0 && heard.size() < most) {
                got = line.read(chunk, 0, chunk.length);
                heard.write(chunk, 0, Math.max(0, got));
            }
            line.close();
        }

        Take end() {
            over = true;
            line.stop();
            try {
                thread.join(ENDS_WITHIN_MS);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
            return new Take(TakeFile.mono(heard.toByteArray(), FORMAT), Math.round(FORMAT.getSampleRate()));
        }
    }
}
