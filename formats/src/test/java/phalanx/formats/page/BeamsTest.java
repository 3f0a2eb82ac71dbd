package phalanx.formats.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Random;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;

/** Beams as engravers join them: as many between two notes as both have; what no neighbour shares is a hook. */
class BeamsTest {
    private static final double[] STEMS = {0, 10, 20, 30};

    private static List<Mark.Box> beams(boolean up, int... beams) {
        return Beams.of(Arrays.copyOf(STEMS, beams.length), beams, 100, up, 1, Shade.INK).stream()
                .map(Mark.Box.class::cast)
                .toList();
    }

    private static List<String> spans(int... beams) {
        return beams(true, beams).stream()
                .map(box -> Math.round(box.x() * 10) / 10.0 + "-" + Math.round((box.x() + box.width()) * 10) / 10.0)
                .toList();
    }

    @Example
    void twoEighthsShareOneBeam() {
        assertThat(spans(1, 1)).containsExactly("0.0-10.0");
    }

    @Example
    void aSixteenthAfterADottedEighthHasAHookBeforeIt() {
        assertThat(spans(1, 2)).containsExactly("0.0-10.0", "8.9-10.0");
    }

    @Example
    void aSixteenthBeforeADottedEighthHasAHookAfterIt() {
        assertThat(spans(2, 1)).containsExactly("0.0-10.0", "0.0-1.1");
    }

    @Example
    void aSecondBeamEndsWhereEighthsBegin() {
        assertThat(spans(2, 2, 1)).containsExactlyInAnyOrder("0.0-10.0", "0.0-10.0", "10.0-20.0");
    }

    @Example
    void furtherBeamsLieTowardsTheHeads() {
        assertThat(beams(true, 2, 2)).extracting(Mark.Box::y).containsExactly(100.0, 100.75);
        // of stems that point down a beam ends where they do
        assertThat(beams(false, 2, 2)).extracting(Mark.Box::y).containsExactly(99.5, 98.75);
    }

    /** Every note has as many beams at its stem as its value asks for. */
    @Property(tries = 200)
    void everyNoteHasItsBeams(@ForAll long seed) {
        int[] beams = new Random(seed).ints(4, 1, 5).toArray();
        List<Mark.Box> boxes = beams(true, beams);
        for (int i = 0; i < beams.length; i++) {
            double stem = STEMS[i];
            assertThat(boxes.stream()
                            .filter(box -> box.x() <= stem && stem <= box.x() + box.width())
                            .map(Mark.Box::y)
                            .distinct()
                            .count())
                    .as("note %d of %s", i, Arrays.toString(beams))
                    .isEqualTo(beams[i]);
        }
        assertThat(boxes).allMatch(box -> box.width() > 0);
    }
}
