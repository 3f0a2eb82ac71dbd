package phalanx.project.extra;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import phalanx.lefthand.shape.FingeringFinder;
import phalanx.lefthand.shape.PricedShape;
import phalanx.lefthand.shape.ShapeBook;
import phalanx.project.CascadeIntro;
import phalanx.project.Project;
import phalanx.righthand.BassLine;
import phalanx.righthand.Picking;
import phalanx.song.BarEdit;
import phalanx.song.ChordChange;
import phalanx.song.Passage;
import phalanx.song.Song;
import phalanx.technique.Cascade;
import phalanx.technique.HarmonicNode;
import phalanx.theory.ChordSymbol;

/** What may stand before a song: its last phrase, its first chord over a held bass, a cascade over that chord. */
final class Intros {
    private static final int SHORT = 2;
    private static final int LONG = 4;
    /** From so many bars on the last phrase is four bars long. */
    private static final int LONG_SONG = 16;
    /** A cascade of fewer notes is none. */
    private static final int FEWEST_NOTES = 6;

    private final Project project;
    private final Song song;

    Intros(Project project) {
        this.project = project;
        this.song = project.song();
    }

    /** Before a pickup no bar can stand: then there are none. */
    List<Proposal> find() {
        List<Proposal> found = new ArrayList<>();
        if (song.bars().get(0).number() > 0) {
            lastPhrase().ifPresent(found::add);
            firstChord().ifPresent(chord -> {
                found.add(pedal(chord));
                cascade(chord).ifPresent(found::add);
            });
        }
        return found;
    }

    private Optional<ChordSymbol> firstChord() {
        return song.chart().stream().flatMap(change -> change.chord().stream()).findFirst();
    }

    private Project longer(int bars) {
        return project.withBars(BarEdit.insert(song, 0, bars, song.bars().get(0).meter()));
    }

    private Optional<Proposal> lastPhrase() {
        int count = song.bars().size();
        int bars = count >= LONG_SONG ? LONG : SHORT;
        boolean same = song.bars().stream()
                .allMatch(bar -> bar.meter().equals(song.bars().get(0).meter())
                        && bar.lengthTicks() == bar.meter().barTicks());
        if (count < 2 * bars || !same) {
            return Optional.empty();
        }
        Passage phrase = Passage.of(song, song.bars().get(count - bars).startTick(), song.endTick());
        Project longer = longer(bars);
        Project with = longer.withSong(phrase.into(longer.song(), 0));
        return Optional.of(Proposal.ofBars(wording("Intros.the-last-phrase-first"), with, 0, bars - 1));
    }

    private Proposal pedal(ChordSymbol chord) {
        Project longer = longer(SHORT);
        Project chorded = withChord(longer, chord);
        int end = chorded.song().bars().get(SHORT - 1).endTick();
        Picking.Plan plan = chorded.picking().planAt(end);
        Picking.Plan held =
                new Picking.Plan(plan.pattern(), BassLine.PEDAL, plan.level(), plan.strings(), plan.groove());
        Project with = chorded.withPicking(chorded.picking().withSpan(new Picking.Span(0, end, held)));
        return Proposal.ofBars(wording("Intros.the-first-chord-over-a"), with, 0, SHORT - 1);
    }

    private static Project withChord(Project longer, ChordSymbol chord) {
        List<ChordChange> chart = new ArrayList<>(longer.song().chart());
        chart.add(0, new ChordChange(0, Optional.of(chord)));
        return longer.withSong(longer.song().withChart(chart));
    }

    private Optional<Proposal> cascade(ChordSymbol chord) {
        return over(project, chord)
                .map(over -> Proposal.ofBars(
                        wording(
                                "Intros.a-cascade-of-harmonics-over",
                                over.shape().shape()),
                        new CascadeIntro(chord, over.shape().held(), HarmonicNode.OCTAVE, over.order()).before(project),
                        0,
                        0));
    }

    /** A shape and the order of its strings. */
    record Over(PricedShape shape, String order) {}

    /** The first shape that players print of a chord over which a cascade can be played. */
    static Optional<Over> over(Project project, ChordSymbol chord) {
        ShapeBook book = new ShapeBook(FingeringFinder.forShapes(project.instrument(), project.hand()));
        for (var placed : book.of(chord)) {
            List<Integer> frets = placed.shape().shape().frets();
            try {
                Cascade cascade = Cascade.usual(project.instrument(), frets, HarmonicNode.OCTAVE);
                if (cascade.steps().size() >= FEWEST_NOTES) {
                    return Optional.of(new Over(placed.shape(), cascade.order()));
                }
            } catch (IllegalArgumentException e) {
                // too few strings, or too high on the neck: another shape may do
            }
        }
        return Optional.empty();
    }
}
