package phalanx.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Random;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import phalanx.arrange.Written;
import phalanx.arrange.WrittenNote;
import phalanx.arrange.demand.AttackLock;
import phalanx.arrange.demand.InnerLock;
import phalanx.arrange.demand.LimitLock;
import phalanx.arrange.demand.PlaceLock;
import phalanx.arrange.demand.Role;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.FindingKind;
import phalanx.desktop.session.Rescue;
import phalanx.formats.library.LibraryFile;
import phalanx.formats.project.ProjectFile;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Finger;
import phalanx.project.Answers;
import phalanx.project.Project;
import phalanx.project.Solve;
import phalanx.project.WhatIf;
import phalanx.righthand.BassLine;
import phalanx.righthand.Level;
import phalanx.righthand.Picking;
import phalanx.song.BarEdit;
import phalanx.song.ChartText;
import phalanx.song.MelodyNote;
import phalanx.song.Meter;
import phalanx.song.Song;
import phalanx.song.Ticks;
import phalanx.song.TuneEdit;
import phalanx.technique.Attack;
import phalanx.theory.Key;
import phalanx.theory.Pitch;

/** The session without a screen: steps taken back and brought again, what is unsaved, what a stopped edit leaves. */
class SessionTest {
    private static final boolean DEEP = Boolean.getBoolean("phalanx.deep");
    private static final String[] CHARTS = {"| C | F G |", "| 3/4 Am | E7 | Am |", "| G | D7 | [B] C | G |"};

    @TempDir
    private Path folder;

    private final ScheduledExecutorService timer = Executors.newSingleThreadScheduledExecutor();
    private final List<Runnable> waiting = new ArrayList<>();

    @AfterEach
    void end() {
        timer.shutdownNow();
    }

    private Workbench workbench() {
        return new Workbench(
                waiting::add,
                Runnable::run,
                new LibraryFile(folder.resolve("library.json")),
                new Rescue(folder.resolve("unsaved"), timer, words -> {}),
                new Answers());
    }

    private void work() {
        while (!waiting.isEmpty()) {
            waiting.remove(0).run();
        }
    }

    /** One of the edits that players make. */
    private static void edit(Workbench workbench, Random random) {
        int tick = random.nextInt(8) * Ticks.QUARTER;
        Pitch pitch = Pitch.of(
                60 + random.nextInt(16),
                workbench.project().orElseThrow().song().key());
        MelodyNote note = new MelodyNote(tick, Ticks.QUARTER, pitch);
        switch (random.nextInt(23)) {
            case 0 -> workbench.setTempo(60 + random.nextInt(100));
            case 1 -> workbench.setCapo(random.nextInt(5));
            case 2 -> workbench.setTuning(random.nextBoolean() ? "D A D G A D" : "E A D G B E");
            case 3 -> workbench.editSong("rest", song -> TuneEdit.clear(song, tick, tick + Ticks.QUARTER));
            case 4 ->
                workbench.editSong(
                        "bass",
                        song -> TuneEdit.onBass(song, line -> TuneEdit.put(line, note.pitched(Pitch.parse("G2")))));
            case 5 ->
                workbench.editSong("chart", song -> ChartText.parse(CHARTS[random.nextInt(3)], Meter.COMMON)
                        .over(song));
            case 6 ->
                workbench.setPicking(
                        "level",
                        picking -> picking.withPlan(new Picking.Plan(
                                Optional.empty(),
                                BassLine.values()[random.nextInt(4)],
                                Level.values()[random.nextInt(3)])));
            case 7 -> workbench.setHand(hand -> hand.withThumb(Hand.Thumb.values()[random.nextInt(2)]), "thumb");
            case 8 -> workbench.editSong("title", song -> song.withTitle("Title " + random.nextInt(9)));
            case 9 -> workbench.editSong("key", song -> song.transpose(random.nextInt(5) - 2));
            case 10, 11 -> {
                Role role = random.nextBoolean() ? Role.MELODY : Role.BASS;
                Optional<Finger> finger =
                        Optional.of(Finger.values()[random.nextInt(4)]).filter(any -> random.nextInt(3) == 0);
                PlaceLock lock = new PlaceLock(tick, role, 1 + random.nextInt(6), finger);
                workbench.decide("place", now -> now.withLock(lock));
            }
            case 12 -> {
                AttackLock.Way way = AttackLock.Way.values()[random.nextInt(AttackLock.Way.values().length)];
                workbench.decide("attack", now -> now.withLock(new AttackLock(tick, Role.MELODY, way)));
            }
            case 13 -> {
                OptionalInt fret = random.nextBoolean() ? OptionalInt.of(2 + random.nextInt(6)) : OptionalInt.empty();
                LimitLock lock = new LimitLock(tick, tick + Ticks.WHOLE, fret, fret.isEmpty() || random.nextBoolean());
                workbench.decide("limit", now -> now.withLock(lock));
            }
            case 14 ->
                workbench.decide(
                        "release",
                        now -> now.locks().isEmpty()
                                ? now
                                : now.withoutLock(now.locks()
                                        .get(random.nextInt(now.locks().size()))));
            case 15 -> workbench.decide("inner", now -> now.withLock(new InnerLock(tick / 2, random.nextInt(4))));
            case 16 ->
                workbench.decide(
                        "version",
                        now -> now.versions().size() > 5 ? now : now.branched("Version " + random.nextInt(1000)));
            case 17 ->
                workbench.decide("other version", now -> {
                    String other = now.versions()
                            .get(random.nextInt(now.versions().size()))
                            .name();
                    return random.nextBoolean() || now.versions().size() == 1
                            ? now.showing(other)
                            : now.withoutVersion(other);
                });
            case 18 ->
                workbench.decide("what if", now -> {
                    List<WhatIf> tries = WhatIf.of(now);
                    return now.versions().size() > 5
                            ? now
                            : tries.get(random.nextInt(tries.size())).asVersion(now);
                });
            case 19 -> {
                int bars = workbench.project().orElseThrow().song().bars().size();
                int at = random.nextInt(bars);
                boolean more = bars < 4 || random.nextBoolean();
                workbench.editBars(
                        "bars",
                        song -> more ? BarEdit.insert(song, at, 1, Meter.COMMON) : BarEdit.delete(song, at, at + 1));
            }
            case 20 -> editBars(workbench, random, tick);
            default -> workbench.editSong("note", song -> TuneEdit.put(song, note));
        }
    }

    private static void editBars(Workbench workbench, Random random, int tick) {
        int bars = workbench.project().orElseThrow().song().bars().size();
        int at = random.nextInt(bars);
        Meter meter = List.of(Meter.COMMON, new Meter(3, 4), new Meter(6, 8)).get(random.nextInt(3));
        switch (random.nextInt(4)) {
            case 0 ->
                workbench.editBars(
                        "a bar later", song -> BarEdit.exchange(song, at / 2, at / 2 + 1, Math.min(bars, at / 2 + 2)));
            case 1 -> workbench.editSong("split", song -> BarEdit.split(song, tick));
            case 2 -> workbench.editSong("join", song -> BarEdit.join(song, at, Math.min(bars, at + 2)));
            default -> workbench.decide("meter", now -> now.withMeter(at, at + 1, meter));
        }
    }

    /** What holds of every arrangement, whatever was decided: by strings, pitches and holds alone. */
    private static void check(Arrangement arrangement, String what) {
        Instrument guitar = arrangement.request().instrument();
        List<ArrangedNote> notes = arrangement.notes();
        int[] soundsUntil = new int[guitar.strings() + 1];
        for (ArrangedNote note : notes) {
            assertThat(note.tick())
                    .as(what + ": one note at a time on string " + note.string())
                    .isGreaterThanOrEqualTo(soundsUntil[note.string()]);
            soundsUntil[note.string()] = note.endTick();
            int above = note.attack() instanceof Attack.Touched touched
                    ? touched.node().nearest()
                    : note.bentBy(guitar);
            assertThat(note.midi()).as(what + ": " + note).isEqualTo(guitar.midi(note.string(), note.fret()) + above);
            note.left().ifPresent(finger -> assertThat(arrangement.holds())
                    .as(what + ": " + note)
                    .anyMatch(hold -> hold.press().finger() == finger
                            && hold.press().fret() == note.fret()
                            && hold.press().covers(note.string())
                            && hold.tick() <= note.tick()
                            && hold.endTick() > note.tick()));
        }
        arrangement.request().inners().forEach((tick, wanted) -> {
            long heard = notes.stream()
                    .filter(note -> note.tick() == tick && note.role() == Role.INNER)
                    .count();
            boolean said = arrangement.findings().stream()
                    .anyMatch(finding ->
                            finding.tick() == tick && finding.message().contains(new InnerLock(tick, wanted).words()));
            assertThat(heard == wanted ^ said)
                    .as(what + ": " + wanted + " at " + tick)
                    .isTrue();
        });
        for (PlaceLock lock : arrangement.request().places()) {
            boolean kept = notes.stream()
                    .anyMatch(note -> note.tick() == lock.tick()
                            && note.role() == lock.role()
                            && (note.string() == lock.string()
                                            && (note.fret() == 0
                                                    || lock.finger().isEmpty()
                                                    || lock.finger().equals(note.left()))
                                    || note.attack() instanceof Attack.Touched));
            boolean said = arrangement.findings().stream()
                    .anyMatch(finding -> finding.kind() == FindingKind.LOCK_NOT_KEPT
                            && finding.tick() == lock.tick()
                            && finding.message().contains(lock.words()));
            assertThat(kept ^ said).as(what + ": " + lock).isTrue();
        }
    }

    private static byte[] bytes(Workbench workbench) {
        return new ProjectFile().write(workbench.project().orElseThrow());
    }

    @Test
    void takingAllBackGivesTheSameBytesAndEveryStateCanBeArranged() {
        for (int seed = 0; seed < (DEEP ? 50 : 4); seed++) {
            Workbench workbench = workbench();
            workbench.newSong();
            byte[] first = bytes(workbench);
            Random random = new Random(seed);
            int steps = 0;
            for (int i = 0; i < 100; i++) {
                Project before = workbench.project().orElseThrow();
                int kind = random.nextInt(6);
                if (kind == 0 && steps > 0) {
                    workbench.undo();
                    steps--;
                } else if (kind == 1) {
                    workbench.redo();
                    steps += workbench.project().orElseThrow().equals(before) ? 0 : 1;
                } else {
                    edit(workbench, random);
                    steps += workbench.project().orElseThrow().equals(before) ? 0 : 1;
                }
                if (i % (DEEP ? 10 : 50) == 9) {
                    Project now = workbench.project().orElseThrow();
                    check(Solve.of(now), "seed " + seed + ", step " + i);
                }
            }
            byte[] last = bytes(workbench);
            for (int i = 0; i < steps; i++) {
                workbench.undo();
            }
            assertThat(bytes(workbench)).as("seed " + seed).isEqualTo(first);
            for (int i = 0; i < steps; i++) {
                workbench.redo();
            }
            assertThat(bytes(workbench)).as("seed " + seed).isEqualTo(last);
        }
    }

    @Test
    void aStoppedEditLeavesNoTrace() {
        Workbench workbench = workbench();
        workbench.newSong();
        work();
        workbench.setTempo(100);
        work();
        workbench.setTempo(120);
        workbench.cancel();
        assertThat(workbench.project().orElseThrow().song().tempo()).isEqualTo(100);
        workbench.undo();
        assertThat(workbench.project().orElseThrow().song().tempo())
                .as("no empty step")
                .isEqualTo(90);
        workbench.cancel();
        assertThat(workbench.project().orElseThrow().song().tempo())
                .as("a stopped step back")
                .isEqualTo(100);
        workbench.undo();
        work();
        workbench.redo();
        assertThat(workbench.project().orElseThrow().song().tempo()).isEqualTo(100);
    }

    @Test
    void aStepBackLeadsToWhereThePlayerWasAndTakesTheHandAlong() {
        Workbench workbench = workbench();
        List<Integer> returned = new ArrayList<>();
        workbench.onReturn(returned::add);
        workbench.newSong();
        Hand.Thumb first = workbench.project().orElseThrow().hand().thumb();
        workbench.at(3 * Ticks.QUARTER);
        workbench.setHand(hand -> hand.withThumb(Hand.Thumb.values()[1 - first.ordinal()]), "thumb");
        workbench.at(0);
        workbench.undo();
        assertThat(returned).containsExactly(3 * Ticks.QUARTER);
        assertThat(workbench.shelf().libraryProperty().get().setup().hand().thumb())
                .as("the next song starts with the hand that is shown")
                .isEqualTo(first);
    }

    @Test
    void whatIsUnsavedIsMarkedAndAnotherSongNeverGoesIntoTheFileBefore() throws Exception {
        Workbench workbench = workbench();
        workbench.newSong();
        assertThat(workbench.file().titleProperty().get()).isEqualTo("New song \u2013 Phalanx");
        workbench.setTempo(77);
        assertThat(workbench.file().titleProperty().get()).isEqualTo("New song * \u2013 Phalanx");
        Path file = folder.resolve("one.phalanx.json");
        workbench.save(file);
        work();
        assertThat(workbench.isChanged()).isFalse();
        assertThat(workbench.file().projectFile()).contains(file);
        workbench.setTempo(78);
        workbench.undo();
        assertThat(workbench.isChanged()).as("taken back to what is saved").isFalse();
        workbench.redo();
        workbench.newSong();
        assertThat(workbench.file().projectFile()).isEmpty();
        workbench.undo();
        assertThat(workbench.project().orElseThrow().song().tempo())
                .as("the song before is not brought back under this name")
                .isEqualTo(90);
        Files.writeString(file, Files.readString(file) + " ");
        workbench.open(file);
        work();
        assertThat(workbench.file().isChangedOutside()).isFalse();
        Files.writeString(file, Files.readString(file) + " ");
        assertThat(workbench.file().isChangedOutside()).isTrue();
        workbench.file().noticeOthers();
        assertThat(workbench.messageProperty().get().text())
                .startsWith("one.phalanx.json was changed by another program");
        workbench.setTempo(81);
        String later = workbench.messageProperty().get().text();
        workbench.file().noticeOthers();
        assertThat(workbench.messageProperty().get().text()).as("told once").isEqualTo(later);
    }

    @Test
    void anotherSongComesOnTheUsualGuitar() throws Exception {
        Workbench workbench = workbench();
        workbench.newSong();
        workbench.setTuning("D A D G A D");
        workbench.setCapo(3);
        workbench.newSong();
        Song song = workbench.project().orElseThrow().song();
        assertThat(song.title()).isEqualTo("New song");
        assertThat(workbench.project().orElseThrow().instrument().capo()).isZero();
        assertThat(workbench.project().orElseThrow().instrument().tuning().notes())
                .isEqualTo("E A D G B E");
    }

    @Test
    void aMinorSongStaysMinorInAnotherKey() {
        Workbench workbench = workbench();
        workbench.newSong();
        workbench.editSong(
                "chart",
                song -> ChartText.parse("| Am | E7 |", Meter.COMMON).over(song).inKey(Key.parse("Am")));
        for (String typed : List.of("C", "Cm")) {
            workbench.setKey(typed);
            assertThat(workbench.project().orElseThrow().song().chart().get(0).symbol())
                    .as(typed)
                    .isEqualTo("Cm");
            workbench.undo();
        }
    }

    @Test
    void anEditSaysWhichOtherVersionIsNoLongerKeptAsWritten() {
        Workbench workbench = workbench();
        workbench.newSong();
        workbench.decide(
                "written",
                now -> now.withWritten(new Written(now.instrument().tuning(), 0, List.of(new WrittenNote(0, 1, 3)))));
        workbench.decide("version", now -> now.branched("Own").anew());
        work();
        assertThat(workbench.project().orElseThrow().versions().get(0).written())
                .isPresent();
        workbench.editSong("note", song -> TuneEdit.put(song, new MelodyNote(0, Ticks.QUARTER, Pitch.parse("E4"))));
        work();
        assertThat(workbench.messageProperty().get().text())
                .contains("No longer kept as written: version " + Project.FIRST + ".");
        workbench.undo();
        assertThat(workbench.project().orElseThrow().versions().get(0).written())
                .isPresent();
    }
}
