package phalanx.formats.page;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.TreeMap;
import phalanx.arrange.score.Arrangement;
import phalanx.song.Bar;
import phalanx.song.ChordChange;
import phalanx.song.MelodyNote;
import phalanx.song.Section;
import phalanx.song.Ticks;
import phalanx.theory.Note;

/** Words with the chords over them, and the shapes, for who sings; chords in bars where there are no words. */
final class WordSheet {
    private static final double SIZE = 12;
    private static final double CHORD = 11;
    private static final double CHORD_UP = 15;
    private static final double LINE = 36;
    private static final double GAP = 7;
    private static final double HEADING = 13;
    /** A line of a verse is so long, more or less. */
    private static final int LINE_TICKS = 4 * Ticks.WHOLE;

    private static final String BAR = "|";

    private final Arrangement arrangement;
    private final PageSetup setup;
    private final Foot foot;
    private final Pen pen;
    private double y;

    /** What is sung from one chord, or one bar, to the next. */
    private static final class Cell {
        private final String chord;
        private final StringBuilder text = new StringBuilder();
        private final boolean bar;

        Cell(String chord, boolean bar) {
            this.chord = chord;
            this.bar = bar;
        }

        double width() {
            double words = Face.SANS.width(text.toString(), SIZE);
            double named = chord.isEmpty() ? 0 : Face.BOLD.width(chord, CHORD) + GAP;
            return Math.max(words + (text.toString().endsWith("-") ? 0 : GAP / 2), named) + (bar ? GAP : 0);
        }
    }

    WordSheet(Arrangement arrangement, PageSetup setup) {
        this.arrangement = arrangement;
        this.setup = setup;
        this.foot = Foot.plain(setup);
        this.pen = new Pen(setup);
    }

    List<Page> pages() {
        y = Head.draw(pen, arrangement, setup);
        drawShapes();
        List<List<Cell>> bars = bars();
        List<Bar> all = arrangement.song().bars();
        TreeMap<Integer, String> sections = new TreeMap<>();
        for (Section section : arrangement.song().sections()) {
            sections.put(arrangement.song().barIndexAt(section.startTick()), section.name());
        }
        List<Cell> line = new ArrayList<>();
        int held = 0;
        for (int bar = 0; bar < all.size(); bar++) {
            double width = line.stream().mapToDouble(Cell::width).sum()
                    + bars.get(bar).stream().mapToDouble(Cell::width).sum();
            boolean full =
                    width > setup.right() - setup.left() || held + all.get(bar).lengthTicks() > LINE_TICKS * 5 / 4;
            if (sections.containsKey(bar) || full) {
                draw(line);
                line.clear();
                held = 0;
            }
            if (sections.containsKey(bar)) {
                heading(sections.get(bar));
            }
            line.addAll(bars.get(bar));
            held += all.get(bar).lengthTicks();
        }
        draw(line);
        foot.draw(pen, wording("WordSheet.words-and-chords", arrangement.song().title()));
        return pen.pages();
    }

    private void drawShapes() {
        ShapeRows rows = new ShapeRows(arrangement, setup, 5, 60);
        List<ShapeRows.Named> shapes = rows.shapes();
        for (int from = 0; from < shapes.size(); from += rows.columns()) {
            y = foot.room(pen, y, rows.rowHeight(false));
            rows.draw(pen, shapes.subList(from, Math.min(shapes.size(), from + rows.columns())), y, false);
            y += rows.rowHeight(false) + 8;
        }
    }

    private boolean hasWords() {
        return arrangement.song().melody().stream()
                .anyMatch(note -> note.syllable().isPresent());
    }

    private List<List<Cell>> bars() {
        boolean words = hasWords();
        List<List<Cell>> bars = new ArrayList<>();
        for (Bar bar : arrangement.song().bars()) {
            TreeMap<Integer, String> chords = new TreeMap<>();
            for (ChordChange change : arrangement.song().chart()) {
                if (bar.contains(change.startTick())) {
                    chords.put(change.startTick(), Note.printed(change.name()));
                }
            }
            List<Cell> cells = new ArrayList<>();
            if (!words) {
                cells.add(new Cell(BAR, true));
                chords.values().forEach(chord -> cells.add(new Cell(chord, true)));
            } else {
                addWords(bar, chords, cells);
            }
            bars.add(cells);
        }
        return bars;
    }

    private void addWords(Bar bar, TreeMap<Integer, String> chords, List<Cell> cells) {
        TreeMap<Integer, String> sung = new TreeMap<>();
        for (MelodyNote note : arrangement.song().melodyBetween(bar.startTick(), bar.endTick())) {
            if (bar.contains(note.tick())) {
                note.syllable().ifPresent(text -> sung.put(note.tick(), text.replace('\u00a0', ' ')));
            }
        }
        TreeMap<Integer, Boolean> moments = new TreeMap<>();
        chords.keySet().forEach(tick -> moments.put(tick, true));
        sung.keySet().forEach(tick -> moments.putIfAbsent(tick, false));
        moments.forEach((tick, named) -> {
            if (named || cells.isEmpty()) {
                cells.add(new Cell(chords.getOrDefault(tick, ""), false));
            }
            String text = sung.getOrDefault(tick, "");
            StringBuilder so = cells.get(cells.size() - 1).text;
            boolean joined = so.length() > 1 && so.charAt(so.length() - 1) == '-';
            if (joined && !text.isEmpty()) {
                so.setLength(so.length() - 1);
            } else if (!so.isEmpty() && !text.isEmpty()) {
                so.append(' ');
            }
            so.append(text);
        });
    }

    private void heading(String name) {
        y = foot.room(pen, y, HEADING + LINE * 2);
        y += HEADING * 1.6;
        pen.left(
                Type.cut(name, Face.BOLD, HEADING, setup.right() - setup.left()),
                setup.left(),
                y,
                Face.BOLD,
                HEADING,
                Shade.INK);
    }

    /** A line of cells, broken further where even one bar, or what is sung to one chord, is too wide. */
    private void draw(List<Cell> line) {
        double x = setup.right();
        for (Cell cell : line) {
            if (x > setup.left() && x + cell.width() > setup.right()) {
                x = newLine();
            }
            Shade shade = cell.chord.equals(BAR) ? Shade.RULE : Shade.TUNE;
            pen.left(cell.chord, x, y - CHORD_UP, Face.BOLD, CHORD, shade);
            List<String> parts = Type.lines(cell.text.toString(), Face.SANS, SIZE, setup.right() - x);
            for (int i = 0; i < parts.size(); i++) {
                x = i == 0 ? x : newLine();
                pen.left(parts.get(i), x, y, Face.SANS, SIZE, Shade.INK);
            }
            x += parts.size() > 1 ? Face.SANS.width(parts.get(parts.size() - 1), SIZE) + GAP : cell.width();
        }
    }

    private double newLine() {
        y = foot.room(pen, y, LINE) + LINE;
        return setup.left();
    }
}
