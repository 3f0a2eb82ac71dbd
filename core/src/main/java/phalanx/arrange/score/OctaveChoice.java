package phalanx.arrange.score;

import static phalanx.words.Words.wording;

import java.util.List;
import java.util.stream.Collectors;
import phalanx.words.Words;

/**
 * In which octave a tune lies best, and what was compared.
 *
 * @param octaves by how many the tune is moved; 0 where it stays as written
 * @param tried what was compared, the chosen one among them
 */
public record OctaveChoice(int octaves, List<Tried> tried) {
    /**
     * One of the octaves.
     *
     * @param octaves by how many the tune is moved
     * @param lost tune notes lost or cut short
     * @param effort of the song, by the quick answer; by a rough one where it is clearly dearer
     * @param rough whether it is that
     * @param meanFret of all notes
     */
    public record Tried(int octaves, long lost, double effort, boolean rough, double meanFret) {
        String words() {
            String where = octaves == 0
                    ? wording("OctaveChoice.as-written")
                    : (Math.abs(octaves) == 1
                                    ? wording("OctaveChoice.an-octave")
                                    : wording("OctaveChoice.octaves", Math.abs(octaves)))
                            + (octaves > 0 ? wording("OctaveChoice.higher") : wording("OctaveChoice.lower"));
            String missing = lost == 0 ? "" : wording("OctaveChoice.tune-notes-lost-or-cut", lost);
            return String.format(
                    Words.figures(),
                    wording("OctaveChoice.effort-mean-fret"),
                    where,
                    rough ? wording("OctaveChoice.about") : "",
                    effort,
                    meanFret,
                    missing);
        }
    }

    public OctaveChoice {
        tried = List.copyOf(tried);
    }

    /** One plain line with the figures of the choice. */
    public String words() {
        String figures = tried.stream().map(Tried::words).collect(Collectors.joining("; "));
        if (octaves == 0) {
            return wording("OctaveChoice.the-tune-stays-in-its", figures);
        }
        return wording(
                "OctaveChoice.the-tune-is-played-than",
                Math.abs(octaves) == 1
                        ? wording("OctaveChoice.an-octave")
                        : wording("OctaveChoice.octaves", Math.abs(octaves)),
                octaves > 0 ? wording("OctaveChoice.higher") : wording("OctaveChoice.lower"),
                figures);
    }
}
