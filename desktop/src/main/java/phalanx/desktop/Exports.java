package phalanx.desktop;

import static phalanx.words.Words.wording;

import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import phalanx.arrange.score.Arrangement;
import phalanx.formats.ArrangementFiles;
import phalanx.formats.disk.SafeFile;
import phalanx.formats.page.PageFiles;
import phalanx.formats.page.PageSetup;
import phalanx.formats.page.Sheet;
import phalanx.formats.reading.FormatException;
import phalanx.guitar.StringSet;
import phalanx.sound.Layer;
import phalanx.sound.Mix;
import phalanx.sound.Performance;
import phalanx.sound.WavWriter;

/** Writes arrangements as files of notes, of sound or as pages, by their ending. */
public final class Exports {
    /** Everything, a sung tune softly with it. */
    public static final Mix HEARD = Mix.USUAL.with(Layer.VOICE, 1);

    private static final String SOUND = ".wav";

    /** The endings that can be written. */
    public static final List<String> ENDINGS = Stream.of(ArrangementFiles.ENDINGS, List.of(SOUND), PageFiles.ENDINGS)
            .flatMap(List::stream)
            .toList();

    private Exports() {}

    /**
     * Refuses a file name that {@link #write} could not serve.
     *
     * @throws FormatException naming the file and what can be written
     */
    public static void checkEnding(Path file) throws FormatException {
        ArrangementFiles.checkEnding(file, ENDINGS);
    }

    /** What a kind of file cannot hold, in words for the player; empty where it holds all. */
    public static String cannotHold(Path file) {
        String name = String.valueOf(file.getFileName()).toLowerCase(Locale.ROOT);
        if (name.endsWith(".mid")) {
            return wording("Exports.no-strings-frets-fingers-and");
        }
        boolean fingers = name.endsWith(ArrangementFiles.WITH_FINGERS);
        return name.endsWith(".tab.txt") && !fingers
                ? wording("Exports.no-left-hand-fingers-a", ArrangementFiles.WITH_FINGERS)
                : "";
    }

    /**
     * Writes an arrangement.
     *
     * @param strings on the guitar, for its sound
     * @param mix what is heard in a file of sound
     * @throws FormatException naming the file and the reason; the file is then as it was before
     */
    public static void write(Arrangement arrangement, Path file, StringSet strings, Mix mix) throws FormatException {
        checkEnding(file);
        if (isSound(file)) {
            Performance performance = Performance.of(arrangement, strings);
            int end = arrangement.song().endTick();
            SafeFile.replace(file, new WavWriter().write(performance, end, mix));
        } else if (PageFiles.isPages(file)) {
            PageSetup.Paper paper = PageFiles.isPicture(file) ? PageSetup.Paper.PHONE : PageSetup.Paper.A4;
            PageFiles.write(arrangement, Sheet.SCORE, PageSetup.USUAL.on(paper), file);
        } else {
            ArrangementFiles.write(arrangement, file);
        }
    }

    private static boolean isSound(Path file) {
        return String.valueOf(file.getFileName()).toLowerCase(Locale.ROOT).endsWith(SOUND);
    }
}
