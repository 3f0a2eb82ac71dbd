package phalanx.arrange.colour;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import phalanx.righthand.Picking;
import phalanx.song.Bar;
import phalanx.song.Song;
import phalanx.technique.Groove;
import phalanx.technique.Hit;

/** The hits that a song asks for: those of its grooves, and of its patterns where no groove has one. */
final class WantedHits {
    private final Song song;
    private final Picking picking;

    WantedHits(Song song, Picking picking) {
        this.song = song;
        this.picking = picking;
    }

    /**
     * In order of tick, one at a tick.
     *
     * @param patterned those of the patterns
     */
    List<Hit> with(List<Hit> patterned) {
        TreeMap<Integer, Hit> wanted = new TreeMap<>();
        patterned.forEach(hit -> wanted.put(hit.tick(), hit));
        for (Bar bar : song.bars()) {
            groove(bar).ifPresent(groove -> groove.over(bar, endsSection(bar))
                    .forEach(hit -> wanted.put(hit.tick(), hit)));
        }
        return new ArrayList<>(wanted.values());
    }

    /** Bars whose groove is made for another meter. */
    List<Bar> unfit() {
        return song.bars().stream()
                .filter(bar -> picking.planAt(bar.startTick())
                        .groove()
                        .filter(groove -> !groove.fits(bar))
                        .isPresent())
                .toList();
    }

    private Optional<Groove> groove(Bar bar) {
        return picking.planAt(bar.startTick()).groove().filter(groove -> groove.fits(bar));
    }

    private boolean endsSection(Bar bar) {
        return bar.endTick() >= song.endTick()
                || song.sections().stream().anyMatch(section -> section.startTick() == bar.endTick());
    }
}
