package phalanx.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.google.common.jimfs.Configuration;
import com.google.common.jimfs.Jimfs;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileSystem;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import phalanx.formats.disk.SafeFile;
import phalanx.formats.reading.FormatException;

/** Saving that cannot lose. */
class SafeFileTest {
    private static final byte[] OLD = "the good old file".repeat(20).getBytes(StandardCharsets.UTF_8);
    private static final byte[] NEW = "the new one, longer by far".repeat(40).getBytes(StandardCharsets.UTF_8);

    @TempDir
    private Path folder;

    private static List<Path> within(Path folder) throws IOException {
        try (Stream<Path> files = Files.list(folder)) {
            return files.toList();
        }
    }

    /** On a disk with room for so many bytes, from none to enough: the old file or the new one, and nothing beside it. */
    @Test
    void aFullDiskLeavesTheOldFile() throws IOException {
        int saved = 0;
        for (int size = 0; size < 200; size++) {
            long room = OLD.length + (long) NEW.length * size / 180;
            Configuration small = Configuration.unix().toBuilder()
                    .setBlockSize(1)
                    .setMaxSize(room)
                    .build();
            try (FileSystem disk = Jimfs.newFileSystem(small)) {
                Path file = disk.getPath("/work/song.phalanx.json");
                Files.write(file, OLD);
                try {
                    SafeFile.replace(file, NEW);
                    assertThat(Files.readAllBytes(file)).isEqualTo(NEW);
                    saved++;
                } catch (FormatException e) {
                    assertThat(e).hasMessage("song.phalanx.json: the file cannot be written: the disk is full");
                    assertThat(Files.readAllBytes(file)).isEqualTo(OLD);
                }
                assertThat(within(file.getParent())).containsExactly(file);
            }
        }
        assertThat(saved).isBetween(15, 25);
    }

    @Test
    void aLinkStaysALinkAndTheModeStays() throws Exception {
        Path file = folder.resolve("song.abc");
        Path link = folder.resolve("link.abc");
        Files.write(file, OLD);
        Files.setPosixFilePermissions(file, PosixFilePermissions.fromString("rw-rw-r--"));
        Files.createSymbolicLink(link, Path.of("song.abc"));
        SafeFile.replace(link, NEW);
        assertThat(link).isSymbolicLink();
        assertThat(file).isRegularFile().hasBinaryContent(NEW);
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(file)))
                .isEqualTo("rw-rw-r--");
        assertThat(within(folder)).containsExactlyInAnyOrder(file, link);
    }

    /** A new file has the mode that any other program's file would have here. */
    @Test
    void aNewFileHasTheUsualMode() throws Exception {
        Path usual = Files.createFile(folder.resolve("usual"));
        Path file = folder.resolve("new.abc");
        SafeFile.replace(file, NEW);
        assertThat(Files.getPosixFilePermissions(file)).isEqualTo(Files.getPosixFilePermissions(usual));
    }

    @Test
    void whatCannotBeWrittenSaysWhyInWords() throws Exception {
        Path inside = Files.createDirectory(folder.resolve("songs"));
        assertThatThrownBy(() -> SafeFile.replace(inside, NEW))
                .isInstanceOf(FormatException.class)
                .hasMessage("songs: the file cannot be written: it is a folder");
        assertThatThrownBy(() -> SafeFile.replace(folder.resolve("no/such/song.abc"), NEW))
                .hasMessage("song.abc: the file cannot be written: there is no such folder");
        assertThatThrownBy(() -> SafeFile.replace(folder.resolve("x".repeat(300)), NEW))
                .hasMessageEndingWith("its name is too long");
        Path round = Files.createSymbolicLink(folder.resolve("round"), Path.of("round"));
        assertThatThrownBy(() -> SafeFile.replace(round, NEW)).hasMessageEndingWith("it is a link that leads nowhere");
        assertThat(within(folder)).containsExactlyInAnyOrder(inside, round);
    }
}
