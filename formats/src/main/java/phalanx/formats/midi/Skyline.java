package phalanx.formats.midi;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import phalanx.song.MelodyNote;
import phalanx.theory.Key;
import phalanx.theory.Pitch;

/**
 * The tune among the notes of a line: the highest at every moment, on the grid; where never more than two sound at once
 * the lower one of equal length, too.
 */
final class Skyline {
    private static final double MOSTLY_COVERED = 0.75;
    private static final double HALF_COVERED = 0.5;
    /** A line of single notes has no more notes under others than this share. */
    private static final double MOST_AT_ONCE = 0.05;

    private final List<Sound> sounds;
    private final Quantiser quantiser;
    private final Key key;
    private int covered;

    Skyline(List<Sound> sounds, Quantiser quantiser, Key key) {
        this.sounds = sounds;
        this.quantiser = quantiser;
        this.key = key;
    }

    /** A note on the grid, and as it was played. */
    private record Placed(int tick, int end, Sound played) {
        int midi() {
            return played.midi();
        }

        /** Which share of it sounds under a higher note that began before. */
        double under(Placed higher) {
            int overlap = Math.min(higher.played.end(), played.end()) - played.tick();
            return midi() < higher.midi() ? overlap / (double) (played.end() - played.tick()) : 0;
        }
    }

    /**
     * From which share under a higher note on a note is not the tune's. In a line of single notes some only ring a
     * little into the next, as they are played.
     */
    private static double covered(List<Placed> sorted) {
        int within = 0;
        for (int i = 1; i < sorted.size(); i++) {
            Placed before = sorted.get(i - 1);
            boolean atOnce = before.tick == sorted.get(i).tick;
            within += atOnce || sorted.get(i).under(before) >= MOSTLY_COVERED ? 1 : 0;
        }
        return within <= MOST_AT_ONCE * sorted.size() ? MOSTLY_COVERED : HALF_COVERED;
    }

    List<MelodyNote> tune() {
        List<Placed> sorted = new ArrayList<>();
        for (Sound sound : sounds) {
            int tick = quantiser.onset(sound.tick());
            sorted.add(new Placed(tick, Math.max(tick + quantiser.shortest(), quantiser.end(sound.end())), sound));
        }
        sorted.sort(Comparator.comparingInt(Placed::tick).thenComparingInt(placed -> -placed.midi()));
        boolean inTwo =
                sorted.stream().collect(Collectors.groupingBy(Placed::tick, Collectors.counting())).values().stream()
                        .allMatch(atOnce -> atOnce <= 2);
        List<MelodyNote> tune = new ArrayList<>();
        Placed before = null;
        double under = covered(sorted);
        covered = 0;
        for (Placed placed : sorted) {
            MelodyNote last = tune.isEmpty() ? null : tune.get(tune.size() - 1);
            if (last != null && last.endTick() > placed.tick) {
                boolean atOnce = last.tick() == placed.tick;
                if (inTwo && atOnce && last.endTick() == placed.end && placed.midi() < last.midi()) {
                    tune.set(tune.size() - 1, last.with(Pitch.of(placed.midi(), key)));
                    continue;
                }
                if (atOnce || placed.under(before) >= under) {
                    covered++;
                    continue;
                }
                tune.set(tune.size() - 1, last.lasting(placed.tick - last.tick()));
            }
            before = placed;
            tune.add(new MelodyNote(placed.tick, placed.end - placed.tick, Pitch.of(placed.midi(), key)));
        }
        return tune;
    }

    /** What was left out; nothing where nothing was. */
    Optional<String> report() {
        return covered == 0 ? Optional.empty() : Optional.of(wording("Skyline.of-notes-at-once-the", covered));
    }
}
