package phalanx.formats.tab;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import phalanx.arrange.demand.AttackLock;
import phalanx.formats.reading.DeadStrokes;
import phalanx.song.Meter;
import phalanx.technique.HarmonicNode;
import phalanx.technique.HitKind;
import phalanx.theory.ChordSymbol;

/** One system of a tablature: the lines of the strings, and the lines of words over and under them. */
final class TabSystem {
    /** Optional label, then a line made of dashes, figures, bar lines and the signs that are usual between them. */
    private static final Pattern LINE =
            Pattern.compile("\\s*([A-Ga-g][#b]?\\d?)?\\s*([|:\\-\\d][-\\d|:*ohpbrsStxXvV/\\\\~()<>\\[\\]^=.! ]*)");

    private static final Pattern FIGURE = Pattern.compile("\\d{1,2}");
    private static final Pattern WORD = Pattern.compile("\\[[^\\]]*\\]|\\S+");
    private static final Pattern METER = Pattern.compile("\\(?(\\d{1,2})/(1|2|4|8|16|32)\\)?");
    private static final Set<String> BETWEEN_BEATS = Set.of("&", "+", "e", "a", "and", "trip", "let");
    private static final int HIGHEST_FRET = 24;
    private static final int FEWEST_DASHES = 3;

    private final int firstLine;
    private final List<String> strings;
    /** Hammer and pull stand just before the figure that they lead to, as slides do. */
    private static final String SLURS = "hpr";

    private static final String VIBRATO = "~v";
    /** A bend: to the figure after it, or by a quarter tone. */
    private static final char CURL = '^';

    private static final String DEAD = "xX";

    private static final String SLIDES = "/\\s";

    private final int width;
    private final List<TabBar.Word> counts = new ArrayList<>();
    private final List<TabBar.Word> chords = new ArrayList<>();
    private final List<TabBar.Word> headings = new ArrayList<>();
    private final List<TabBar.HitSign> hits = new ArrayList<>();
    private final Set<String> signs = new TreeSet<>();

    /**
     * @param firstLine number of its first line in the file, from 1
     * @param strings its lines from string 1
     */
    TabSystem(int firstLine, List<String> strings) {
        this.firstLine = firstLine;
        this.strings = List.copyOf(strings);
        this.width = strings.stream().mapToInt(String::length).max().orElse(0);
    }

    static boolean isStringLine(String line) {
        long dashes = line.chars().filter(c -> c == '-').count();
        boolean barred = line.indexOf('|') >= 0;
        return dashes >= (barred ? 1 : FEWEST_DASHES) && LINE.matcher(line).matches();
    }

    int strings() {
        return strings.size();
    }

    int firstLine() {
        return firstLine;
    }

    /** Signs in it that mean more than a plucked note. */
    Set<String> signs() {
        return signs;
    }

    /** The note names before the lines from string 1; none unless each line has one. */
    Optional<List<String>> labels() {
        List<String> labels = new ArrayList<>();
        for (String line : strings) {
            Matcher match = LINE.matcher(line);
            if (match.matches() && match.group(1) != null) {
                String name = match.group(1);
                labels.add(name.substring(0, 1).toUpperCase(Locale.ROOT) + name.substring(1));
            }
        }
        return labels.size() == strings.size() ? Optional.of(labels) : Optional.empty();
    }

    /**
     * Takes in a line of words that stands over or under the strings.
     *
     * @return whether it was understood as chords, a count, digits or a heading
     */
    boolean takeWords(String line, boolean above) {
        if (line.startsWith(TabWriter.LEFT_HAND + " ") || line.startsWith(TabWriter.GRACES + " ")) {
            // the hand is found again, grace notes stand with the tune's times
            return true;
        }
        if (line.startsWith(TabWriter.HITS + " ")) {
            takeHits(line);
            return true;
        }
        List<TabBar.Word> words = new ArrayList<>();
        Matcher match = WORD.matcher(line.replace('|', ' '));
        while (match.find()) {
            words.add(new TabBar.Word(match.start(), match.group()));
        }
        if (words.isEmpty()) {
            return false;
        }
        boolean counted = words.stream().allMatch(word -> isCount(word.text()))
                && words.stream().anyMatch(word -> isNumber(word.text()));
        boolean between = words.stream().anyMatch(word -> BETWEEN_BEATS.contains(word.text()));
        if (counted && (between || !above)) {
            counts.addAll(words);
        } else if (words.stream().allMatch(word -> isNumber(word.text()) || isHeading(word.text()))) {
            headings.addAll(words);
        } else if (words.stream().allMatch(word -> isChord(word.text()) || isHeading(word.text()))) {
            words.forEach(word -> (isHeading(word.text()) ? headings : chords).add(word));
        } else {
            return !above && words.stream().allMatch(word -> word.text().matches("[pimac]+"));
        }
        return true;
    }

    private void takeHits(String line) {
        for (int column = TabWriter.HITS.length(); column < line.length(); column++) {
            Optional<HitKind> kind = HitKind.byLetter(line.charAt(column));
            if (kind.isPresent()) {
                hits.add(new TabBar.HitSign(column, kind.get()));
            } else if (line.charAt(column) != ' ' && line.charAt(column) != '|') {
                signs.add(wording("TabSystem.in-a-row-of-hits", line.charAt(column), HitKind.legend()));
            }
        }
    }

    private static boolean isCount(String word) {
        return BETWEEN_BEATS.contains(word) || isNumber(word);
    }

    private static boolean isNumber(String word) {
        return word.matches("\\d{1,4}");
    }

    private static boolean isHeading(String word) {
        return word.startsWith("[") && word.length() > 2 || METER.matcher(word).matches();
    }

    private static Optional<Meter> meter(String word) {
        Matcher match = METER.matcher(word);
        if (!match.matches() || match.group(1).matches("0+") || Integer.parseInt(match.group(1)) > 32) {
            return Optional.empty();
        }
        return Optional.of(new Meter(Integer.parseInt(match.group(1)), Integer.parseInt(match.group(2))));
    }

    private static boolean isChord(String word) {
        try {
            ChordSymbol.parse(word);
            return true;
        } catch (IllegalArgumentException e) {
            return ChordSymbol.isNoChord(word);
        }
    }

    /** Its bars in order. */
    List<TabBar> bars() {
        List<TabBar> bars = new ArrayList<>();
        int from = firstColumn();
        int wordsFrom = 0;
        while (from < width) {
            int to = from;
            while (to < width && !isBarLine(to)) {
                to++;
            }
            boolean closed = to < width;
            List<TabBar.Cell> cells = cells(from, to);
            if (to > from && (closed || !cells.isEmpty())) {
                // a word over the bar line itself belongs to the bar that it begins
                bars.add(bar(wordsFrom, from, to, cells));
                wordsFrom = isRepeat(to - 1) ? to - 1 : to;
            }
            from = to;
            while (from < width && isBarLine(from)) {
                from++;
            }
        }
        return bars;
    }

    private int firstColumn() {
        int column = 0;
        for (String line : strings) {
            Matcher match = LINE.matcher(line);
            if (match.matches()) {
                column = Math.max(column, match.start(2));
            }
        }
        while (column < width && isBarLine(column)) {
            column++;
        }
        return column;
    }

    private char at(int string, int column) {
        String line = strings.get(string - 1);
        return column < line.length() ? line.charAt(column) : ' ';
    }

    private long count(int column, String of) {
        long count = 0;
        for (int string = 1; string <= strings.size(); string++) {
            count += of.indexOf(at(string, column)) >= 0 ? 1 : 0;
        }
        return count;
    }

    private boolean isBarLine(int column) {
        return count(column, "|") >= strings.size() - 1;
    }

    /** Dots of a repeat sign are written as colons, stars or small o on two lines or more, next to the bar line. */
    private boolean isRepeat(int column) {
        return count(column, ":*o") >= 2;
    }

    private TabBar bar(int wordsFrom, int from, int to, List<TabBar.Cell> cells) {
        boolean repeatStart = to - from > 2 && isRepeat(from);
        boolean repeatEnd = to - from > 2 && isRepeat(to - 1);
        int start = repeatStart ? from + 1 : from;
        int end = repeatEnd ? to - 1 : to;
        List<TabBar.Word> own = words(headings, wordsFrom, end, start);
        return new TabBar(
                firstLine,
                end - start,
                cells.stream()
                        .map(cell -> new TabBar.Cell(
                                cell.column() - start,
                                cell.endColumn() - start,
                                cell.string(),
                                cell.fret(),
                                cell.way()))
                        .toList(),
                hits(wordsFrom, start, end, cells),
                words(counts, wordsFrom, end, start),
                words(chords, wordsFrom, end, start),
                own.stream()
                        .filter(word -> isNumber(word.text()))
                        .map(word -> Integer.parseInt(word.text()))
                        .findFirst(),
                own.stream()
                        .filter(word -> word.text().startsWith("["))
                        .map(word -> word.text()
                                .substring(1, word.text().length() - 1)
                                .trim())
                        .filter(name -> !name.isEmpty())
                        .findFirst(),
                own.stream().flatMap(word -> meter(word.text()).stream()).findFirst(),
                repeatStart,
                repeatEnd);
    }

    /** The letters under a bar, and what its dead strokes are; one at a column. */
    private List<TabBar.HitSign> hits(int wordsFrom, int start, int end, List<TabBar.Cell> cells) {
        TreeMap<Integer, HitKind> found = new TreeMap<>();
        for (int column = start; column < end; column++) {
            deadStrokes(column, cells).ifPresent(kind -> found.put(kind.column() - start, kind.kind()));
        }
        hits.stream()
                .filter(hit -> hit.column() >= wordsFrom && hit.column() < end)
                .forEach(hit -> found.put(Math.max(0, hit.column() - start), hit.kind()));
        return found.entrySet().stream()
                .map(hit -> new TabBar.HitSign(hit.getKey(), hit.getValue()))
                .toList();
    }

    private Optional<TabBar.HitSign> deadStrokes(int column, List<TabBar.Cell> cells) {
        int dead = 0;
        for (int string = 1; string <= strings.size(); string++) {
            dead |= DEAD.indexOf(at(string, column)) >= 0 ? 1 << string : 0;
        }
        if (dead == 0) {
            return Optional.empty();
        }
        boolean plucked = cells.stream().anyMatch(cell -> cell.column() <= column && column < cell.endColumn());
        HitKind kind = HitKind.ofDeadStrokes(dead, plucked, strings.size());
        signs.add(DeadStrokes.words(kind));
        return Optional.of(new TabBar.HitSign(column, kind));
    }

    private static List<TabBar.Word> words(List<TabBar.Word> all, int from, int to, int start) {
        return all.stream()
                .filter(word -> word.column() >= from && word.column() < to)
                .map(word -> new TabBar.Word(Math.max(0, word.column() - start), word.text()))
                .sorted(Comparator.comparingInt(TabBar.Word::column))
                .toList();
    }

    private List<TabBar.Cell> cells(int from, int to) {
        List<TabBar.Cell> cells = new ArrayList<>();
        for (int string = 1; string <= strings.size(); string++) {
            String line = strings.get(string - 1);
            int end = Math.min(to, line.length());
            if (from >= end) {
                continue;
            }
            for (int column = from; column < end; column++) {
                boolean toFigure = column + 1 < end && Character.isDigit(line.charAt(column + 1));
                noteSign(line.charAt(column), toFigure);
            }
            Matcher match = FIGURE.matcher(line).region(from, end);
            while (match.find()) {
                int fret = Integer.parseInt(match.group());
                int last = match.end();
                if (fret > HIGHEST_FRET) {
                    // two figures side by side that make no fret are two notes
                    fret /= 10;
                    last--;
                    match.region(last, end);
                }
                int first = last - (fret > 9 ? 2 : 1);
                boolean held = first > 0 && line.charAt(first - 1) == '(';
                if (!held) {
                    cells.add(new TabBar.Cell(first, last, string, fret, way(line, first, last, fret)));
                }
            }
        }
        cells.sort(Comparator.comparingInt(TabBar.Cell::column).thenComparingInt(cell -> -cell.string()));
        return cells;
    }

    /** How the signs beside a figure say that it is played. */
    private AttackLock.Way way(String line, int first, int last, int fret) {
        AttackLock.Way begun = begun(line, first, fret);
        char sign = last < line.length() ? line.charAt(last) : ' ';
        boolean bendsOn = last + 1 < line.length() && Character.isDigit(line.charAt(last + 1));
        boolean curled = sign == CURL && !bendsOn;
        if (!curled && VIBRATO.indexOf(sign) < 0) {
            return begun;
        }
        if (begun != AttackLock.Way.PLUCKED) {
            signs.add(wording("TabSystem.vibrato-on-notes-that-are"));
            return begun;
        }
        return curled ? AttackLock.Way.CURLED : AttackLock.Way.VIBRATO;
    }

    /** How the sign before a figure says that it begins. */
    private AttackLock.Way begun(String line, int first, int fret) {
        char sign = first > 0 ? line.charAt(first - 1) : ' ';
        if (sign == '<' || sign == '[') {
            if (HarmonicNode.over(fret).isPresent()) {
                return AttackLock.Way.HARMONIC;
            }
            signs.add(wording("TabSystem.figures-in-over-which-no"));
        }
        if (sign == 'b' || sign == CURL) {
            return AttackLock.Way.BENT;
        }
        if (sign == TabWriter.SHIFT_SLIDE) {
            return AttackLock.Way.SHIFTED;
        }
        if (SLIDES.indexOf(sign) >= 0) {
            return AttackLock.Way.SLID;
        }
        return SLURS.indexOf(sign) >= 0 ? AttackLock.Way.SLURRED : AttackLock.Way.PLUCKED;
    }

    private void noteSign(char c, boolean toFigure) {
        if (c == 'b' && !toFigure) {
            signs.add(wording("TabSystem.bends-that-name-no-fret"));
        } else if (c == 'r' && !toFigure) {
            signs.add(wording("TabSystem.releases-of-bends"));
        } else if (c == '*') {
            signs.add(wording("TabSystem.touched-harmonics-are-read-as"));
        } else if (c == '(') {
            signs.add(wording("TabSystem.figures-in-brackets-are-taken"));
        }
    }
}
