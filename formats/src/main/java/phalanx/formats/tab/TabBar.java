package phalanx.formats.tab;

import java.util.List;
import java.util.Optional;
import phalanx.arrange.demand.AttackLock;
import phalanx.song.Meter;
import phalanx.technique.HitKind;

/**
 * What stands between two bar lines of a tablature, by column from the first one after the line.
 *
 * @param line number of the first string's line in the file, from 1
 * @param width how many columns
 * @param cells the fret figures in order of column
 * @param hits the letters of hits under it, and dead strokes on its strings, in order
 * @param counts the words of a counting line under or over it, in order
 * @param chords chord symbols over it, in order
 * @param number the bar number over it, if any
 * @param section the section that begins with it, if any
 * @param meter the meter that begins with it, if one is written
 * @param repeatStart whether a repeat begins here
 * @param repeatEnd whether one ends here
 */
record TabBar(
        int line,
        int width,
        List<Cell> cells,
        List<HitSign> hits,
        List<Word> counts,
        List<Word> chords,
        Optional<Integer> number,
        Optional<String> section,
        Optional<Meter> meter,
        boolean repeatStart,
        boolean repeatEnd) {
    TabBar {
        cells = List.copyOf(cells);
        hits = List.copyOf(hits);
        counts = List.copyOf(counts);
        chords = List.copyOf(chords);
    }

    /** The first number of the count. */
    Optional<Integer> firstNumber() {
        return counts.stream()
                .filter(word -> Character.isDigit(word.text().charAt(0)))
                .map(word -> Integer.parseInt(word.text()))
                .findFirst();
    }

    /** Whether the count begins between two beats, as over a short pickup. */
    boolean beginsOffBeat() {
        return !counts.isEmpty() && !Character.isDigit(counts.get(0).text().charAt(0));
    }

    /**
     * A fret figure: its first column, the one after it, the string from 1 at the top line, the fret, and how
     * a sign before it says that it begins.
     */
    record Cell(int column, int endColumn, int string, int fret, AttackLock.Way way) {}

    /** A hit and its column. */
    record HitSign(int column, HitKind kind) {}

    /** A word above or below the strings. */
    record Word(int column, String text) {}
}
