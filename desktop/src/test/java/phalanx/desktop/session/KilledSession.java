package phalanx.desktop.session;

import java.nio.file.Path;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledThreadPoolExecutor;
import java.util.concurrent.atomic.AtomicInteger;
import phalanx.formats.library.Library;
import phalanx.project.Project;
import phalanx.song.Meter;
import phalanx.song.Song;
import phalanx.song.TuneEdit;
import phalanx.theory.Key;

/** A process that edits without an end, until it is killed; it says which edit was made, and which stands on the disk. */
final class KilledSession {
    private KilledSession() {}

    public static void main(String[] arguments) throws InterruptedException {
        AtomicInteger made = new AtomicInteger();
        ScheduledExecutorService timer = new ScheduledThreadPoolExecutor(1) {
            private int before;

            @Override
            protected void beforeExecute(Thread thread, Runnable job) {
                before = made.get();
            }

            @Override
            protected void afterExecute(Runnable job, Throwable trouble) {
                say("kept", before);
            }
        };
        Rescue rescue = new Rescue(Path.of(arguments[0]), timer, System.err::println);
        Random random = new Random(Long.parseLong(arguments[1]));
        Song song = TuneEdit.empty("edit 0", Key.C_MAJOR, 90, Meter.COMMON, 40);
        for (int edit = 1; ; edit++) {
            rescue.changed(Project.of(song.withTitle("edit " + edit), Library.FIRST.setup()), Optional.empty());
            made.set(edit);
            say("made", edit);
            Thread.sleep(1 + random.nextInt(60));
        }
    }

    private static synchronized void say(String what, int edit) {
        System.out.println(what + " " + edit + " " + System.currentTimeMillis() + " .");
        System.out.flush();
    }
}
