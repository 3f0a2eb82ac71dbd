package phalanx.righthand;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import phalanx.song.Bar;
import phalanx.song.Section;
import phalanx.song.Song;

/**
 * The strokes of a pattern in one bar of a song. A pattern begins anew with its stretch and with each section; a bar of
 * another length takes as much of it as fits, beat by beat, or nothing where beats are divided otherwise.
 *
 * @param placed the strokes and their ticks, in order
 */
record PatternBars(List<Placed> placed) {
    record Placed(int tick, PatternStroke stroke) {}

    PatternBars {
        placed = List.copyOf(placed);
    }

    static PatternBars of(Song song, Picking picking, Bar bar) {
        Optional<Pattern> pattern = picking.planAt(bar.startTick()).pattern();
        if (pattern.isEmpty() || !fits(pattern.get(), bar)) {
            return new PatternBars(List.of());
        }
        return new PatternBars(placed(pattern.get(), bar, barsSince(song, picking, bar)));
    }

    /** Whether its beats are those of the bar. */
    static boolean fits(Pattern pattern, Bar bar) {
        return pattern.meter().beatTicks() == bar.meter().beatTicks()
                && pattern.meter().compound() == bar.meter().compound();
    }

    private static int barsSince(Song song, Picking picking, Bar bar) {
        int start = picking.planStart(bar.startTick());
        for (Section section : song.sections()) {
            if (section.startTick() <= bar.startTick()) {
                start = Math.max(start, section.startTick());
            }
        }
        int from = song.barIndexAt(start);
        int since = song.barIndexAt(bar.startTick()) - from;
        // a pickup is no bar of the pattern
        return song.bars().get(from).number() == 0 ? Math.max(0, since - 1) : since;
    }

    private static List<Placed> placed(Pattern pattern, Bar bar, int barsSince) {
        int barTicks = pattern.meter().barTicks();
        int part = barsSince % pattern.bars() * barTicks;
        List<PatternStroke> strokes = pattern.strokes(barsSince / pattern.bars());
        int missing = bar.offsetOf(bar.startTick());
        List<Placed> placed = new ArrayList<>();
        for (int around = 0; around < missing + bar.lengthTicks(); around += barTicks) {
            for (PatternStroke stroke : strokes) {
                int at = stroke.step() * pattern.stepTicks() - part;
                int tick = bar.startTick() + around + at - missing;
                if (at >= 0 && at < barTicks && bar.contains(tick)) {
                    placed.add(new Placed(tick, stroke));
                }
            }
        }
        return placed;
    }

    /** When the thumb plays. */
    List<Integer> bassTimes() {
        return placed.stream()
                .filter(one -> one.stroke.row() == PatternRow.BASS)
                .map(Placed::tick)
                .toList();
    }
}
