package phalanx.desktop.practice;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import phalanx.arrange.score.Arrangement;
import phalanx.practice.Drills;
import phalanx.practice.Ladder;
import phalanx.practice.Step;
import phalanx.song.Bar;
import phalanx.song.Moved;
import phalanx.song.Section;
import phalanx.song.Song;
import phalanx.words.Said;

/**
 * Bars of a song that are practised, as a ladder or by drills.
 *
 * @param called by which the player chooses it and the log knows it
 * @param first place of its first bar
 * @param last place of its last bar
 * @param drills whether exercises apart are wanted and no ladder
 */
record PassageChoice(Said called, int first, int last, boolean drills) {
    /**
     * What can be chosen: the whole song, its sections, the marked bars; each as a ladder, then as drills.
     *
     * @param marked in the score, if any
     */
    static List<PassageChoice> of(Song song, Optional<Moved.Stretch> marked) {
        List<Section> sections = song.sections();
        List<PassageChoice> ladders = new ArrayList<>();
        ladders.add(new PassageChoice(
                Said.of("PassageChoice.the-whole-song"), 0, song.bars().size() - 1, false));
        marked.filter(bars -> bars.to() <= song.endTick())
                .map(bars -> marked(song, bars))
                .ifPresent(ladders::add);
        for (int i = 0; i < sections.size(); i++) {
            Bar from = song.barAt(sections.get(i).startTick());
            int end = song.sectionEnd(from.startTick());
            ladders.add(new PassageChoice(
                    Said.of("PassageChoice.section-from-bar", sections.get(i).name(), from.number()),
                    song.barIndexAt(from.startTick()),
                    song.barIndexAt(end - 1),
                    false));
        }
        return Stream.concat(ladders.stream(), ladders.stream().map(PassageChoice::asDrills))
                .toList();
    }

    private static PassageChoice marked(Song song, Moved.Stretch bars) {
        int first = song.barIndexAt(bars.from());
        int last = song.barIndexAt(bars.to() - 1);
        int from = song.bars().get(first).number();
        int to = song.bars().get(last).number();
        return new PassageChoice(
                first == last ? Said.of("PassageChoice.bar", from) : Said.of("PassageChoice.bars-to", from, to),
                first,
                last,
                false);
    }

    private PassageChoice asDrills() {
        return new PassageChoice(Said.of("PassageChoice.drills-for", called), first, last, true);
    }

    /** By which the player chooses it. */
    String words() {
        return called.toString();
    }

    /** By which the log knows it. */
    String id() {
        return called.english();
    }

    /** The steps, in order. */
    List<Step> steps(Arrangement arrangement) {
        return drills ? Drills.of(arrangement, first, last) : Ladder.of(arrangement, first, last);
    }
}
