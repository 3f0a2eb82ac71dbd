package phalanx.formats.page;

import static phalanx.words.Words.wording;

import java.util.List;
import phalanx.arrange.score.Arrangement;
import phalanx.practice.Drills;
import phalanx.practice.Ladder;
import phalanx.practice.Step;
import phalanx.practice.Today;

/** The ladder with boxes to tick, three clean passes each, and the drills. */
final class PracticeSheet {
    private static final double SIZE = 9;
    private static final double LEADING = 12.5;
    private static final double BOX = 8;
    private static final double NUMBER = 24;
    private static final double TEMPO = 40;

    private final Arrangement arrangement;
    private final PageSetup setup;
    private final Foot foot;
    private final Pen pen;
    private double y;

    PracticeSheet(Arrangement arrangement, PageSetup setup) {
        this.arrangement = arrangement;
        this.setup = setup;
        this.foot = Foot.plain(setup);
        this.pen = new Pen(setup);
    }

    List<Page> pages() {
        y = Head.draw(pen, arrangement, setup);
        for (String line : Type.lines(Today.CAUTION, Face.SANS, SIZE, setup.right() - setup.left())) {
            y += LEADING;
            pen.left(line, setup.left(), y, Face.SANS, SIZE, Shade.INK);
        }
        y += LEADING / 2;
        List<Step> steps = Ladder.of(arrangement);
        list(wording("PracticeSheet.the-ladder-each-step-clean"), steps);
        list(wording("PracticeSheet.drills-some-each-day-what"), Drills.of(arrangement));
        foot.draw(pen, wording("PracticeSheet.practice", arrangement.song().title()));
        return pen.pages();
    }

    private void list(String heading, List<Step> steps) {
        if (steps.isEmpty()) {
            return;
        }
        y = foot.room(pen, y, 4 * LEADING);
        y += 1.6 * LEADING;
        List<String> lines = Type.lines(heading, Face.BOLD, 12, setup.right() - setup.left());
        for (String line : lines) {
            pen.left(line, setup.left(), y, Face.BOLD, 12, Shade.INK);
            y += 15;
        }
        y -= 6;
        for (int i = 0; i < steps.size(); i++) {
            draw(i + 1, steps.get(i));
        }
    }

    private void draw(int number, Step step) {
        double words = setup.left() + NUMBER + Today.CLEAN_ENOUGH * (BOX + 3) + 6;
        double width = setup.right() - TEMPO - words;
        List<String> name = Type.lines(step.name(), Face.BOLD, SIZE, width);
        List<String> adds = Type.lines(step.adds(), Face.SANS, SIZE, width);
        y = foot.room(pen, y, (name.size() + adds.size()) * LEADING + 4);
        y += LEADING;
        pen.left(number + ".", setup.left(), y, Face.SANS, SIZE, Shade.QUIET);
        for (int box = 0; box < Today.CLEAN_ENOUGH; box++) {
            pen.framed(setup.left() + NUMBER + box * (BOX + 3), y - BOX + 1, BOX, BOX, 1, 0.8, Shade.INK);
        }
        pen.right(step.tempo() + " bpm", setup.right(), y, Face.MONO, SIZE, Shade.INK);
        for (String line : name) {
            pen.left(line, words, y, Face.BOLD, SIZE, Shade.INK);
            y += LEADING;
        }
        for (String line : adds) {
            pen.left(line, words, y, Face.SANS, SIZE, Shade.QUIET);
            y += LEADING;
        }
        y -= LEADING - 4;
    }
}
