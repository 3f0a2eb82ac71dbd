package phalanx.arrange.score;

import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;

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
                    ? "as written"
                    : (Math.abs(octaves) == 1 ? "an octave" : Math.abs(octaves) + " octaves")
                            + (octaves > 0 ? " higher" : " lower");
            String missing = lost == 0 ? "" : ", tune notes lost or cut " + lost;
            return String.format(
                    Locale.ROOT,
                    "%s effort %s%.0f, mean fret %.1f%s",
                    where,
                    rough ? "about " : "",
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
            return "The tune stays in its octave: " + figures + ".";
        }
        return "The tune is played " + (Math.abs(octaves) == 1 ? "an octave" : Math.abs(octaves) + " octaves")
                + (octaves > 0 ? " higher" : " lower") + " than written: " + figures + ".";
    }
}
