package phalanx.desktop.session;

import java.nio.file.Path;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import phalanx.formats.library.Library;
import phalanx.project.Project;
import phalanx.song.Meter;
import phalanx.song.Song;
import phalanx.song.TuneEdit;
import phalanx.theory.Key;

/** A process that edits without an end, until it is killed; it says which edit it has made and when. */
final class KilledSession {
    private KilledSession() {}

    public static void main(String[] arguments) throws InterruptedException {
        ScheduledExecutorService timer = Executors.newSingleThreadScheduledExecutor();
        Rescue rescue = new Rescue(Path.of(arguments[0]), timer, System.err::println);
        Random random = new Random(Long.parseLong(arguments[1]));
        Song song = TuneEdit.empty("edit 0", Key.C_MAJOR, 90, Meter.COMMON, 40);
        for (int edit = 1; ; edit++) {
            rescue.changed(Project.of(song.withTitle("edit " + edit), Library.FIRST.setup()), Optional.empty());
            System.out.println(edit + " " + System.currentTimeMillis());
            System.out.flush();
            Thread.sleep(1 + random.nextInt(60));
        }
    }
}
