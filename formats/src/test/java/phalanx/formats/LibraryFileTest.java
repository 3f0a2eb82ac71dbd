package phalanx.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import phalanx.formats.library.Library;
import phalanx.formats.library.LibraryFile;
import phalanx.formats.reading.FormatException;
import phalanx.guitar.Guitar;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.guitar.NamedTuning;
import phalanx.guitar.Reach;
import phalanx.guitar.StringSet;
import phalanx.guitar.Tuning;
import phalanx.lefthand.shape.FingeringFinder;
import phalanx.lefthand.shape.HeldShape;
import phalanx.lefthand.shape.PricedShape;
import phalanx.lefthand.shape.Shape;
import phalanx.project.Setup;

class LibraryFileTest {
    @TempDir
    private Path folder;

    private Library full() {
        PricedShape c = FingeringFinder.forShapes(Instrument.STANDARD, Hand.AVERAGE)
                .find(Shape.parse("8 10 10 9 8 8"))
                .get(0);
        Hand hand = Hand.AVERAGE
                .withReach(Reach.ofSpan(118).with(new Reach.Pair(1, 3), 91.5))
                .withThumb(Hand.Thumb.STRINGS_6_AND_5);
        return Library.FIRST
                .with(new Setup(Guitar.NYLON, StringSet.Named.NYLON_HARD.set(), hand))
                .with(new Library.OwnGuitar(
                        "Short one", Guitar.STEEL.withScale(628), StringSet.Named.STEEL_LIGHT.set()))
                .with(new Library.OwnTuning("Harbour", Tuning.parse("C G D G B E")))
                .with(new Library.OwnShape(
                        "C", NamedTuning.STANDARD.tuning(), new HeldShape(c.shape(), c.fingering())));
    }

    @Test
    void whatIsKeptComesBack() throws Exception {
        LibraryFile file = new LibraryFile(folder.resolve("new/library.json"));
        assertThat(file.read()).isEmpty();
        file.write(full());
        assertThat(file.read()).contains(full());
        byte[] first = Files.readAllBytes(file.file());
        file.write(file.read().orElseThrow());
        assertThat(Files.readAllBytes(file.file())).isEqualTo(first);
        assertThat(folder.resolve("new")).isDirectoryContaining(path -> path.endsWith("library.json"));
        assertThat(Files.list(folder.resolve("new"))).hasSize(1);
    }

    @Test
    void namesReplaceAndShapesAreKeptOnce() {
        Library library = full();
        assertThat(library.with(new Library.OwnTuning("Harbour", Tuning.STANDARD))
                        .tunings())
                .containsExactly(new Library.OwnTuning("Harbour", Tuning.STANDARD));
        assertThat(library.with(library.shapes().get(0))).isSameAs(library);
        assertThat(library.without(library.shapes().get(0)).shapes()).isEmpty();
    }

    @Test
    void brokenFilesNameThePlaceAndAreNotTouched() throws Exception {
        LibraryFile file = new LibraryFile(folder.resolve("library.json"));
        file.write(full());
        String good = Files.readString(file.file());
        refused(file, good.replace("\"spanMm\" : 118.0", "\"spanMm\" : 400"), "setup.hand.reach", "400");
        refused(file, good.replace("\"13\" :", "\"17\" :"), "17", "pair");
        refused(file, good.replace("\"version\" : 1", "\"version\" : 9"), "version", "1");
        refused(file, good.substring(0, 200), "library.json", "JSON");
        refused(file, "[]", "version", "library");
    }

    private static void refused(LibraryFile file, String text, String place, String reason) throws Exception {
        Files.writeString(file.file(), text);
        assertThatThrownBy(file::read)
                .isInstanceOf(FormatException.class)
                .hasMessageContaining("library.json")
                .hasMessageContaining(place)
                .hasMessageContaining(reason);
        assertThat(file.file()).hasContent(text);
    }

    /** A library kept before there were patterns is the player's, too. */
    @Test
    void aLibraryWithoutPatternsOpens() throws Exception {
        LibraryFile file = new LibraryFile(folder.resolve("library.json"));
        file.write(Library.FIRST);
        String now = Files.readString(file.file());
        String before = now.replaceAll(",\\s*\"patterns\" : \\[ *\\]", "");
        assertThat(before).doesNotContain("patterns").isNotEqualTo(now);
        Files.writeString(file.file(), before);
        assertThat(file.read()).hasValue(Library.FIRST);
    }
}
