package phalanx.project;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import phalanx.arrange.demand.Added;
import phalanx.arrange.demand.AddedLock;
import phalanx.arrange.demand.CascadeLock;
import phalanx.lefthand.shape.HeldShape;
import phalanx.song.Bar;
import phalanx.song.BarEdit;
import phalanx.song.ChordChange;
import phalanx.song.Song;
import phalanx.technique.HarmonicNode;
import phalanx.theory.ChordSymbol;

/**
 * A bar before the song in which a cascade sounds over a held shape.
 *
 * @param chord that the shape is
 * @param held the shape and its fingers
 * @param node where strings are touched
 * @param order of the strings, as {@link phalanx.technique.Cascade} reads it
 */
public record CascadeIntro(ChordSymbol chord, HeldShape held, HarmonicNode node, String order) {
    /**
     * The project with the bar.
     *
     * @throws IllegalArgumentException if the song begins with a pickup, or gets too long
     */
    public Project before(Project project) {
        Bar first = project.song().bars().get(0);
        if (first.number() == 0) {
            throw new IllegalArgumentException(wording("CascadeIntro.the-song-begins-with-a"));
        }
        Project longer = project.withBars(BarEdit.insert(project.song(), 0, 1, first.meter()));
        List<ChordChange> chart = new ArrayList<>(longer.song().chart());
        chart.add(0, new ChordChange(0, Optional.of(chord)));
        Song song = longer.song().withChart(chart);
        int end = song.bars().get(0).endTick();
        return longer.withSong(song)
                .withLock(new AddedLock(0, end, wording("CascadeIntro.a-cascade-over", held.shape()), new Added.Bars()))
                .withLock(new CascadeLock(0, end, held, node, order));
    }
}
