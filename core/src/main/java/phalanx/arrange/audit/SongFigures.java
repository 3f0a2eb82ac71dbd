package phalanx.arrange.audit;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.ArrangedSlot;
import phalanx.arrange.score.Arrangement;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Stretch;

/**
 * What a song asks of the left hand, in figures by which a player sees whether it is within reach.
 *
 * @param shifts how often the hand's position changes
 * @param barres how often a barre is put down
 * @param stretches in how many moments the hand is stretched
 * @param highestFret that is played, relative to the capo
 * @param meanFret of all notes, open ones among them
 * @param hardestBars places of the bars with most effort, the hardest first, at most five
 */
public record SongFigures(
        int shifts, int barres, int stretches, int highestFret, double meanFret, List<Integer> hardestBars) {
    private static final int HARDEST = 5;

    public SongFigures {
        hardestBars = List.copyOf(hardestBars);
    }

    public static SongFigures of(Arrangement arrangement) {
        Instrument instrument = arrangement.request().instrument();
        Hand hand = arrangement.request().hand();
        List<ArrangedSlot> slots = arrangement.slots();
        int shifts = (int) IntStream.range(1, slots.size())
                .filter(i -> slots.get(i).posture().position()
                        != slots.get(i - 1).posture().position())
                .count();
        int barres = (int) arrangement.holds().stream()
                .filter(hold -> hold.press().isBarre())
                .count();
        int stretches = (int) slots.stream()
                .filter(slot -> Stretch.of(slot.fingering().presses(), instrument, hand)
                        .filter(Stretch::isStretched)
                        .isPresent())
                .count();
        List<Double> efforts = arrangement.barEfforts();
        List<Integer> bars =
                new ArrayList<>(IntStream.range(0, efforts.size()).boxed().toList());
        bars.sort(Comparator.comparingDouble(bar -> -efforts.get(bar)));
        return new SongFigures(
                shifts,
                barres,
                stretches,
                arrangement.notes().stream().mapToInt(ArrangedNote::fret).max().orElse(0),
                arrangement.notes().stream()
                        .mapToInt(ArrangedNote::fret)
                        .average()
                        .orElse(0),
                bars.subList(0, Math.min(HARDEST, bars.size())));
    }
}
