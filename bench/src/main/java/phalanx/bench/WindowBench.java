package phalanx.bench;

import java.io.File;
import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.control.Labeled;
import javafx.stage.Stage;
import javafx.stage.Window;
import phalanx.desktop.Opening;
import phalanx.desktop.PhalanxWindow;

/**
 * How long until the window on the demo song is shown, and until its score is painted, beside a bare JavaFX window: each in
 * a process of its own, in turn, from the beginning of the process. Run from the root once {@code ./phalanx} has built.
 */
public final class WindowBench {
    private static final int RUNS = 5;
    private static final int LOOK_MS = 5;
    private static final Path BUILT = Path.of("cli", "target").toAbsolutePath();
    /** The archive of classes holds for a class path that begins as the launcher's does. */
    private static final List<String> CLASSES = List.of(
            BUILT.resolve("cli-0.1.0.jar").toString(),
            BUILT.resolve("lib") + "/*",
            System.getProperty("java.class.path"));
    /** What the launcher starts the window with. */
    private static final List<String> AS_STARTED =
            List.of("-Xms64m", "-Xmn32m", "-XX:SharedArchiveFile=" + BUILT.resolve("classes.jsa"));

    private static final Pattern TOLD = Pattern.compile("shown (\\d+) painted (\\d+)");

    private WindowBench() {}

    public static void main(String[] args) throws Exception {
        if (args.length > 0) {
            show(args[0]);
            return;
        }
        Path home = Files.createTempDirectory("phalanx-bench");
        List<long[]> bare = new ArrayList<>();
        List<long[]> ours = new ArrayList<>();
        for (int run = 0; run < RUNS; run++) {
            bare.add(child("bare", home));
            ours.add(child("phalanx", home));
        }
        double shown = median(ours, 0) / median(bare, 0);
        double painted = median(ours, 1) / median(bare, 1);
        System.out.printf(
                "ms from the beginning of the process, medians of %d: bare window %.0f; Phalanx shown %.0f, score painted %.0f%n",
                RUNS, median(bare, 0), median(ours, 0), median(ours, 1));
        System.out.printf("shown / bare %.1f (aim 2.5), painted / bare %.1f (aim 3)%n", shown, painted);
    }

    private static double median(List<long[]> runs, int what) {
        List<Long> times = new ArrayList<>(runs.stream().map(run -> run[what]).toList());
        Collections.sort(times);
        return times.get(times.size() / 2);
    }

    private static long[] child(String kind, Path home) throws IOException, InterruptedException {
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-Xss4m",
                "-XX:+UseSerialGC",
                "-XX:TieredStopAtLevel=1"));
        command.addAll(kind.equals("bare") ? List.of() : AS_STARTED);
        command.addAll(List.of("-cp", String.join(File.pathSeparator, CLASSES), WindowBench.class.getName(), kind));
        ProcessBuilder builder = new ProcessBuilder(command).redirectErrorStream(true);
        builder.environment().put("PHALANX_HOME", home.toString());
        Process child = builder.start();
        String said = new String(child.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        child.waitFor();
        Matcher told = TOLD.matcher(said);
        if (!told.find()) {
            throw new IllegalStateException(said);
        }
        return new long[] {Long.parseLong(told.group(1)), Long.parseLong(told.group(2))};
    }

    private static void show(String kind) {
        Thread watch = new Thread(new Watch(), "watch");
        watch.setDaemon(true);
        watch.start();
        if (kind.equals("bare")) {
            Application.launch(Bare.class);
        } else {
            PhalanxWindow.open(new Opening(Optional.empty(), true, Optional.empty()));
        }
    }

    /** A window with one word. */
    public static final class Bare extends Application {
        @Override
        public void start(Stage stage) {
            Label word = new Label("bare");
            word.setId("song-figures");
            stage.setScene(new Scene(word, 1280, 800));
            stage.show();
        }
    }

    /** Looks at the window again and again; the score is painted a pulse after its figures are known. */
    private static final class Watch implements Runnable {
        private long shown;

        @Override
        public void run() {
            while (true) {
                try {
                    Platform.runLater(this::look);
                    Thread.sleep(LOOK_MS);
                } catch (IllegalStateException notYet) {
                    Thread.onSpinWait();
                } catch (InterruptedException e) {
                    return;
                }
            }
        }

        private void look() {
            Window.getWindows().stream().filter(Window::isShowing).findFirst().ifPresent(window -> {
                shown = shown == 0 ? sinceStart() : shown;
                boolean known = window.getScene().lookup("#song-figures") instanceof Labeled figures
                        && !figures.getText().isEmpty();
                if (known) {
                    window.getScene().addPostLayoutPulseListener(() -> {
                        System.out.println("shown " + shown + " painted " + sinceStart());
                        System.out.flush();
                        Runtime.getRuntime().halt(0);
                    });
                    Platform.requestNextPulse();
                }
            });
        }

        private static long sinceStart() {
            return System.currentTimeMillis()
                    - ManagementFactory.getRuntimeMXBean().getStartTime();
        }
    }
}
