package phalanx.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import phalanx.arrange.Arranger;
import phalanx.arrange.score.Arrangement;
import phalanx.formats.abc.AbcWriter;
import phalanx.formats.library.Library;
import phalanx.formats.midi.MidiWriter;
import phalanx.formats.musicxml.MusicXmlWriter;
import phalanx.formats.project.ProjectFile;
import phalanx.formats.reading.FormatException;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.project.Project;
import phalanx.righthand.Picking;
import phalanx.song.Song;

/**
 * Any bytes in: a song or one clear error out, within five seconds. What is taken for a song can be written as any file
 * and read again, and arranged.
 */
class DamagedFilesTest {
    private static final boolean DEEP = Boolean.getBoolean("phalanx.deep");
    private static final int FILES = DEEP ? 10_000 : 120;
    /** Arranging takes longest: in the sample only these. */
    private static final int ARRANGED_OF = DEEP ? 10 : 40;

    private static final String TABLATURE =
            """
            Damaged, capo 2, 96 bpm
               1      G       2 [B]  C
            e|-3---------5---|-3-----0-------|
            B|-----3---------|---------1-x---|
            G|---0---0---0-x-|---0-------x---|
            D|-------------x-|-----2-----x---|
            A|-------2-----x-|-3-----3h5---3-|
            E|-3-------3-----|---x-----------|
            hit    k   s        h   c
               1   2   3   4   1   2   3   4
            """;

    private final Arranger arranger = new Arranger(Instrument.STANDARD, Hand.AVERAGE);

    @TempDir
    private Path folder;

    private static byte[] whole(String ending, long seed) {
        Song song = RandomSong.of(seed % 50);
        return switch (ending) {
            case ".abc" -> new AbcWriter().write(song).getBytes(StandardCharsets.UTF_8);
            case ".mid" -> new MidiWriter().write(song);
            case ".tab.txt" -> TABLATURE.getBytes(StandardCharsets.UTF_8);
            case ".phalanx.json" -> new ProjectFile().write(Project.of(song, Library.FIRST.setup()));
            default -> new MusicXmlWriter().writeLeadSheet(song);
        };
    }

    /** Damage as disks, mails and hands do it: cut off, bytes changed, a piece twice or missing, other numbers. */
    private static byte[] damaged(byte[] bytes, Random random) {
        byte[] some = random.nextInt(4) == 0 ? Arrays.copyOf(bytes, random.nextInt(bytes.length)) : bytes.clone();
        for (int i = 0; i < 1 + random.nextInt(8) && some.length > 1; i++) {
            int from = random.nextInt(some.length);
            int to = Math.min(some.length, from + 1 + random.nextInt(60));
            switch (random.nextInt(4)) {
                case 0 -> some[from] = (byte) random.nextInt(256);
                case 1 -> some = joined(some, to, some, from);
                case 2 -> some = joined(some, from, some, to);
                default -> {
                    for (int at = from; at < to; at++) {
                        some[at] = Character.isDigit(some[at]) ? (byte) ('0' + random.nextInt(10)) : some[at];
                    }
                }
            }
        }
        return some;
    }

    private static byte[] joined(byte[] head, int to, byte[] tail, int from) {
        byte[] all = Arrays.copyOf(head, to + tail.length - from);
        System.arraycopy(tail, from, all, to, tail.length - from);
        return all;
    }

    @ParameterizedTest
    @ValueSource(strings = {".abc", ".mid", ".musicxml", ".tab.txt", ".phalanx.json"})
    void damageGivesASongOrOneClearError(String ending) throws IOException {
        int songs = 0;
        for (long seed = 0; seed < FILES; seed++) {
            Random random = new Random(seed);
            byte[] bytes = damaged(whole(ending, seed), random);
            Path file = Files.write(folder.resolve("song" + ending), bytes);
            String about = ending + ", seed " + seed;
            boolean arranged = seed % ARRANGED_OF == 0;
            Optional<Song> song = assertTimeoutPreemptively(Duration.ofSeconds(5), () -> read(file, about), about);
            if (song.isPresent()) {
                songs++;
                use(song.get(), arranged, about);
            }
        }
        assertThat(songs).as("files that a player can still use").isGreaterThan(FILES / 50);
    }

    private static Optional<Song> read(Path file, String about) {
        try {
            return Optional.of(SongFiles.read(file).song());
        } catch (FormatException e) {
            assertThat(e.getMessage())
                    .as(about)
                    .startsWith(file.getFileName() + ": ")
                    .doesNotContain("\n", "Exception");
            return Optional.empty();
        } catch (RuntimeException e) {
            throw new AssertionError(about, e);
        }
    }

    private void use(Song song, boolean arranged, String about) {
        try {
            for (String ending : List.of(".musicxml", ".abc", ".mid", ".phalanx.json")) {
                Path copy = folder.resolve("copy" + ending);
                SongFiles.write(song, copy);
                Song again = SongFiles.read(copy).song();
                assertThat(sounding(again)).as(about + " as " + ending).isEqualTo(sounding(song));
            }
            if (arranged) {
                Arrangement arrangement = arranger.quick(song, Picking.PLAIN, List.of(), () -> false);
                for (String ending : ArrangementFiles.ENDINGS) {
                    ArrangementFiles.write(arrangement, folder.resolve("arranged" + ending));
                }
            }
        } catch (FormatException | RuntimeException e) {
            throw new AssertionError(about, e);
        }
    }

    private static List<String> sounding(Song song) {
        return song.melody().stream()
                .map(note -> note.tick() + "-" + note.endTick() + ":" + note.midi())
                .toList();
    }
}
