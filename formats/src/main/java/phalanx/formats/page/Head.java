package phalanx.formats.page;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import phalanx.arrange.score.Arrangement;
import phalanx.guitar.Instrument;
import phalanx.guitar.PartialCapo;
import phalanx.song.Song;
import phalanx.theory.Note;

/** Title and what a player must know before the first note. */
final class Head {
    private static final double TITLE = 22;
    private static final double SMALL_TITLE = 15;
    private static final double FACTS = 9;
    private static final double GAP = 16;

    private Head() {}

    private record Fact(String name, String value) {
        double width() {
            return Face.SANS.width(name + " ", FACTS) + Face.BOLD.width(value, FACTS);
        }
    }

    /**
     * Draws it at the top of a page.
     *
     * @return the place under it
     */
    static double draw(Pen pen, Arrangement arrangement, PageSetup setup) {
        double width = setup.right() - setup.left();
        double size = setup.paper() == PageSetup.Paper.PHONE ? SMALL_TITLE : TITLE;
        double y = setup.top();
        for (String line : Type.lines(arrangement.song().title(), Face.BOLD, size, width)) {
            y += size;
            pen.left(line, setup.left(), y, Face.BOLD, size, Shade.INK);
        }
        y += 2 * FACTS;
        double x = setup.left();
        for (Fact fact : facts(arrangement)) {
            if (x > setup.left() && x + fact.width() > setup.right()) {
                x = setup.left();
                y += 1.5 * FACTS;
            }
            pen.left(fact.name(), x, y, Face.SANS, FACTS, Shade.QUIET);
            double value = x + Face.SANS.width(fact.name() + " ", FACTS);
            pen.left(fact.value(), value, y, Face.BOLD, FACTS, Shade.INK);
            x += fact.width() + GAP;
        }
        y += 0.8 * FACTS;
        pen.line(setup.left(), y, setup.right(), y, 0.6, Shade.RULE);
        return y + FACTS;
    }

    private static List<Fact> facts(Arrangement arrangement) {
        Instrument instrument = arrangement.request().instrument();
        Song song = arrangement.song();
        List<Fact> facts = new ArrayList<>();
        facts.add(new Fact(
                wording("Head.tuning"), Note.printed(instrument.tuning().notes())));
        facts.add(new Fact(
                wording("Head.capo"),
                instrument.capo() == 0 ? wording("Head.none") : String.valueOf(instrument.capo())));
        instrument
                .partial()
                .map(PartialCapo::label)
                .ifPresent(label -> facts.add(new Fact(wording("Head.partial-capo"), label)));
        facts.add(new Fact(wording("Head.key"), Note.printed(song.key().toString())));
        facts.add(new Fact(
                wording("Head.meter"),
                song.bars().get(song.bars().size() > 1 ? 1 : 0).meter().toString()));
        facts.add(new Fact(wording("Head.quarter"), String.valueOf(song.tempo())));
        facts.add(new Fact(
                wording("Head.goes-up-to"),
                (int) Math.floor(arrangement.ceiling().tempo()) + " bpm"));
        return facts;
    }
}
