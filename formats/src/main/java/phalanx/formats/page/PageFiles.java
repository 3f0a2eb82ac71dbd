package phalanx.formats.page;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import phalanx.arrange.score.Arrangement;
import phalanx.formats.ArrangementFiles;
import phalanx.formats.disk.SafeFile;
import phalanx.formats.reading.FormatException;
import phalanx.song.MelodyNote;

/** Writes pages to files, by their ending. */
public final class PageFiles {
    private static final String PDF = ".pdf";
    private static final String SVG = ".svg";
    private static final String PNG = ".png";

    /** The endings that can be written. */
    public static final List<String> ENDINGS = List.of(PDF, SVG, PNG);

    private PageFiles() {}

    /** Whether a file's ending says that it holds pages. */
    public static boolean isPages(Path file) {
        String name = String.valueOf(file.getFileName()).toLowerCase(Locale.ROOT);
        return ENDINGS.stream().anyMatch(name::endsWith);
    }

    /** Whether it is a picture, which is looked at on a phone more often than printed. */
    public static boolean isPicture(Path file) {
        return String.valueOf(file.getFileName()).toLowerCase(Locale.ROOT).endsWith(PNG);
    }

    /**
     * Writes a sheet.
     *
     * @throws FormatException naming the file and the reason; the file is then as it was before
     */
    public static void write(Arrangement arrangement, Sheet sheet, PageSetup setup, Path file) throws FormatException {
        ArrangementFiles.checkEnding(file, ENDINGS);
        List<Page> pages = sheet.pages(arrangement, setup);
        String name = file.getFileName().toString().toLowerCase(Locale.ROOT);
        String title = arrangement.song().title();
        byte[] bytes = name.endsWith(PDF)
                ? PdfPages.write(pages, title)
                : name.endsWith(SVG)
                        ? SvgPages.write(pages, title).getBytes(StandardCharsets.UTF_8)
                        : PicturePages.write(pages);
        SafeFile.replace(file, bytes);
    }

    /** Letters of title and words that the shipped type lacks: they are printed as question marks. */
    public static List<String> lacking(Arrangement arrangement) {
        StringBuilder text = new StringBuilder(arrangement.song().title());
        for (MelodyNote note : arrangement.song().melody()) {
            note.syllable().ifPresent(text::append);
        }
        arrangement.song().sections().forEach(section -> text.append(section.name()));
        return Face.lacking(text.toString());
    }
}
