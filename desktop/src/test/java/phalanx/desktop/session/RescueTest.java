package phalanx.desktop.session;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.times;
import static org.mockito.Mockito.verify;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.Callable;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.mockito.ArgumentCaptor;
import phalanx.formats.library.Library;
import phalanx.project.Project;
import phalanx.song.Meter;
import phalanx.song.TuneEdit;
import phalanx.theory.Key;

/** Unsaved work survives the end of its window, however it came. */
class RescueTest {
    private static final int KILLS = Boolean.getBoolean("phalanx.deep") ? 200 : 10;

    @TempDir
    private Path folder;

    private final ScheduledExecutorService timer = Executors.newSingleThreadScheduledExecutor();

    @AfterEach
    void end() {
        timer.shutdownNow();
    }

    private static Project project(String title) {
        return Project.of(TuneEdit.empty(title, Key.C_MAJOR, 90, Meter.COMMON, 4), Library.FIRST.setup());
    }

    private Rescue rescue() {
        return new Rescue(folder, timer, words -> {});
    }

    private List<Path> files() throws IOException {
        try (Stream<Path> all = Files.walk(folder)) {
            return all.filter(Files::isRegularFile).toList();
        }
    }

    /** How long a change may wait is the timer's affair; that it is long over by then is measured and said. */
    @Test
    void aKillAtAnyMomentLosesNothingThatWasKept() throws Exception {
        Random random = new Random(7);
        long longest = 0;
        for (int kill = 0; kill < KILLS; kill++) {
            Path own = folder.resolve("kill" + kill);
            Path told = folder.resolve("told" + kill);
            Process child = new ProcessBuilder(
                            Path.of(System.getProperty("java.home"), "bin", "java")
                                    .toString(),
                            "-XX:TieredStopAtLevel=1",
                            "-cp",
                            System.getProperty("java.class.path"),
                            KilledSession.class.getName(),
                            own.toString(),
                            String.valueOf(kill))
                    .redirectOutput(told.toFile())
                    .redirectError(ProcessBuilder.Redirect.DISCARD)
                    .start();
            try {
                while (child.isAlive() && Files.size(told) == 0) {
                    Thread.sleep(5);
                }
                Thread.sleep(random.nextInt(2600));
            } finally {
                child.destroyForcibly();
            }
            assertThat(child.waitFor(10, TimeUnit.SECONDS)).isTrue();
            long made = 0;
            int kept = 0;
            for (String line : Files.readAllLines(told)) {
                String[] parts = line.split(" ");
                // the last line may be cut off
                if (parts.length == 4 && parts[0].equals("kept")) {
                    kept = Integer.parseInt(parts[1]);
                    longest = Math.max(longest, Long.parseLong(parts[2]) - made);
                    made = 0;
                } else if (parts.length == 4 && made == 0) {
                    made = Long.parseLong(parts[2]);
                }
            }
            check(own, kept, "kill " + kill);
        }
        System.out.println("the longest a change waited for the disk: " + longest + " ms");
    }

    /** So that a kill costs less than the last two seconds, with room for a slow disk. */
    @Test
    void aChangeIsWrittenWithinASecondHoweverManyFollow() throws Exception {
        ScheduledExecutorService slow = mock(ScheduledExecutorService.class);
        Rescue rescue = new Rescue(folder, slow, words -> {});
        ArgumentCaptor<Callable<Boolean>> job = ArgumentCaptor.captor();
        ArgumentCaptor<Long> delay = ArgumentCaptor.captor();
        rescue.changed(project("edit 1"), Optional.empty());
        rescue.changed(project("edit 2"), Optional.empty());
        verify(slow, times(1)).schedule(job.capture(), delay.capture(), eq(TimeUnit.MILLISECONDS));
        assertThat(delay.getValue()).isLessThan(1000);
        assertThat(job.getValue().call()).isTrue();
        assertThat(new Rescue(folder, timer, words -> {}).found()).isEmpty();
        rescue.changed(project("edit 3"), Optional.empty());
        verify(slow, times(2)).schedule(job.capture(), delay.capture(), eq(TimeUnit.MILLISECONDS));
        rescue.close();
        assertThat(new Rescue(folder, timer, words -> {}).found()).hasSize(1);
    }

    private void check(Path own, int kept, String about) throws IOException {
        Rescue next = new Rescue(own, timer, words -> {});
        List<Rescue.Found> found = next.found();
        if (kept > 0) {
            assertThat(found).as(about).hasSize(1);
        }
        for (Rescue.Found left : found) {
            int edit = Integer.parseInt(left.work().project().song().title().substring("edit ".length()));
            assertThat(edit).as(about).isGreaterThanOrEqualTo(kept);
        }
        if (Files.exists(own)) {
            try (Stream<Path> all = Files.walk(own)) {
                assertThat(all.filter(file -> file.toString().endsWith(".tmp")))
                        .as(about)
                        .isEmpty();
            }
        }
    }

    @Test
    void workThatIsSavedOrDroppedIsNotOffered() throws Exception {
        Rescue first = rescue();
        first.changed(project("one"), Optional.of(folder.resolve("one.phalanx.json")));
        first.close();
        assertThat(rescue().found()).hasSize(1);
        Rescue second = rescue();
        Rescue.Found found = second.found().get(0);
        assertThat(found.work().file()).contains(folder.resolve("one.phalanx.json"));
        assertThat(found.work().project()).isEqualTo(project("one"));
        second.putAway(found);
        second.changed(project("two"), Optional.empty());
        second.saved();
        timer.submit(() -> {}).get();
        second.close();
        assertThat(rescue().found()).isEmpty();
        assertThat(files()).isEmpty();
    }

    /** A file is known to be open by whatever way it was come to, until its window lets go of it or its process ends. */
    @Test
    void aFileThatIsOpenInTwoWindowsIsNoticed() throws IOException {
        Path song = Files.writeString(folder.resolve("song.phalanx.json"), "{}");
        Path locks = folder.resolve("open");
        try (OpenFiles first = new OpenFiles(locks);
                OpenFiles second = new OpenFiles(locks)) {
            assertThat(first.take(Optional.of(song))).isFalse();
            assertThat(first.take(Optional.of(song))).as("its own").isFalse();
            Path roundabout = folder.resolve("open").resolve("..").resolve("song.phalanx.json");
            assertThat(second.take(Optional.of(roundabout))).isTrue();
            assertThat(second.take(Optional.empty())).isFalse();
            assertThat(first.take(Optional.of(folder.resolve("other.phalanx.json"))))
                    .isFalse();
            assertThat(second.take(Optional.of(song))).isFalse();
        }
        assertThat(locks).isEmptyDirectory();
    }

    @Test
    void theWorkOfAnotherOpenWindowIsLeftAlone() throws Exception {
        Rescue open = rescue();
        open.changed(project("open"), Optional.empty());
        timer.schedule(() -> {}, 1500, TimeUnit.MILLISECONDS).get();
        assertThat(rescue().found()).isEmpty();
        assertThat(files()).hasSize(2);
        open.close();
        assertThat(rescue().found()).hasSize(1);
    }

    @Test
    void whatCannotBeReadStaysWhereItIs() throws Exception {
        Path broken = Files.createDirectories(folder.resolve("some")).resolve("work.json");
        Files.writeString(broken, "{\"rescue\":1,");
        assertThat(rescue().found()).isEmpty();
        assertThat(broken).exists();
    }

    @Test
    void aFolderThatCannotBeWrittenIsToldOnce() throws Exception {
        Path taken = Files.writeString(folder.resolve("taken"), "a file, not a folder");
        List<String> told = new ArrayList<>();
        Rescue rescue = new Rescue(taken, timer, told::add);
        rescue.changed(project("one"), Optional.empty());
        rescue.close();
        rescue.changed(project("two"), Optional.empty());
        rescue.close();
        assertThat(told).containsExactly("Unsaved work cannot be kept in " + taken + ": save often.");
        assertThat(taken).hasContent("a file, not a folder");
    }
}
