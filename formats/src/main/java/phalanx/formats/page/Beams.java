package phalanx.formats.page;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** The beams over notes that are joined by them. All measures but the places are in spaces of a staff. */
final class Beams {
    private static final double THICK = 0.5;
    private static final double NEXT = 0.75;
    /** A beam that no neighbour shares. */
    private static final double HOOK = 1.1;

    private Beams() {}

    /**
     * The beams of a group.
     *
     * @param stems where they stand
     * @param beams how many each note has
     * @param end where the stems end
     * @param up whether they point upwards
     * @param space of the staff
     */
    static List<Mark> of(double[] stems, int[] beams, double end, boolean up, double space, Shade shade) {
        List<Mark> marks = new ArrayList<>();
        for (int i = 0; i < stems.length; i++) {
            for (int level = 1; level <= beams[i]; level++) {
                double y = end + (level - 1) * NEXT * space * (up ? 1 : -1) - (up ? 0 : THICK * space);
                boolean next = i + 1 < stems.length && beams[i + 1] >= level;
                boolean before = i > 0 && beams[i - 1] >= level;
                if (next) {
                    marks.add(beam(stems[i], y, stems[i + 1] - stems[i], space, shade));
                } else if (!before) {
                    marks.add(beam(i > 0 ? stems[i] - HOOK * space : stems[i], y, HOOK * space, space, shade));
                }
            }
        }
        return marks;
    }

    private static Mark beam(double x, double y, double width, double space, Shade shade) {
        return new Mark.Box(x, y, width, THICK * space, 0, Optional.of(shade), Optional.empty(), 0);
    }
}
