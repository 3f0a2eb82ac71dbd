package phalanx.righthand;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import phalanx.song.Meter;
import phalanx.technique.HitKind;

/**
 * Patterns as text: a name, lines of {@code word: value}, then a line for each row with a sign a step.
 *
 * <pre>
 * Ferry Rope
 * family: alternating thumb
 * meter: 4/4
 * grid: 2
 * serves: songs at a walking pace
 * top     . . . m . . . m
 * middle  . i . . . i . .
 * bass    x . x . x . x .
 * </pre>
 *
 * A dot rests; {@code x} is a stroke by the school's choice of digit, {@code p i m a c} one by that digit, a capital an
 * accent, {@code o} a ghost note, {@code h} one that a finger hammers onto the string that still rings, {@code s} one that
 * snaps. Row {@code brush} has {@code d} and {@code u}, {@code n} for one down with the nails, row {@code hit} the letters of {@link HitKind}. A bar line {@code |} parts the bars of a pattern of two. After a line {@code variation every 4} come
 * the rows that are played in the last of four rounds. What is wrong is said at its place; nothing is guessed.
 */
public final class PatternText {
    private static final java.util.regex.Pattern WORD = java.util.regex.Pattern.compile("\\S+");
    private static final java.util.regex.Pattern VARIATION =
            java.util.regex.Pattern.compile("variation every (\\d{1,2})");
    private static final Set<String> FIELDS = Set.of("family", "meter", "grid", "serves");
    private static final String REST = ".";

    private PatternText() {}

    /** The stroke that a sign stands for in a row, a capital an accent; nothing where it means nothing there. */
    public static Optional<PatternStroke> stroke(int step, PatternRow row, char sign) {
        char small = Character.toLowerCase(sign);
        Weight weight = small == sign ? Weight.PLAIN : Weight.ACCENT;
        if (row == PatternRow.HIT) {
            return HitKind.byLetter(small)
                    .map(kind ->
                            new PatternStroke(step, row, Optional.empty(), weight, Manner.DOWN, Optional.of(kind)));
        }
        PatternStroke plain = new PatternStroke(step, row, Optional.empty(), weight, Manner.DOWN, Optional.empty());
        if (row == PatternRow.BRUSH) {
            return switch (small) {
                case 'd' -> Optional.of(plain);
                case 'u' -> Optional.of(plain.with(Manner.UP));
                case 'n' -> Optional.of(plain.with(Manner.NAILS));
                default -> Optional.empty();
            };
        }
        return fingers(plain, sign, small);
    }

    private static Optional<PatternStroke> fingers(PatternStroke plain, char sign, char small) {
        if (sign == 'o') {
            return Optional.of(plain.with(Weight.GHOST));
        }
        if (small == 'x') {
            return Optional.of(plain);
        }
        if (small == 'h' && plain.row().isInner()) {
            return Optional.of(plain.with(Manner.HAMMERED));
        }
        if (small == 's' && plain.row().isInner()) {
            return Optional.of(plain.with(Manner.SNAPPED));
        }
        return Digit.bySymbol(String.valueOf(small)).map(plain::by);
    }

    /**
     * Something that is not understood.
     *
     * @param line from 1
     * @param from index in that line of its first character
     * @param to index after the last one
     * @param message what is wrong and what helps
     */
    public record Mistake(int line, int from, int to, String message) {
        public String atLine() {
            return wording("PatternText.line", line, message);
        }
    }

    /** A pattern, or what is wrong with its text; never both. */
    public record Reading(Optional<Pattern> pattern, List<Mistake> mistakes) {
        public Reading {
            mistakes = List.copyOf(mistakes);
        }
    }

    /** Reads one pattern. */
    public static Reading read(String text) {
        return new Parser(1).read(text.lines().toList());
    }

    /**
     * Reads one pattern that must be whole.
     *
     * @throws IllegalArgumentException with line and reason of the first mistake
     */
    public static Pattern parse(String text) {
        Reading reading = read(text);
        return reading.pattern()
                .orElseThrow(() ->
                        new IllegalArgumentException(reading.mistakes().get(0).atLine()));
    }

    /**
     * Reads several patterns with blank lines between; lines that begin with {@code #} are passed over.
     *
     * @throws IllegalArgumentException with line and reason of the first mistake
     */
    public static List<Pattern> parseAll(String text) {
        List<Pattern> patterns = new ArrayList<>();
        List<String> block = new ArrayList<>();
        int number = 0;
        int first = 1;
        for (String line : (text + "\n\n").split("\n", -1)) {
            number++;
            if (line.startsWith("#")) {
                continue;
            }
            if (line.isBlank()) {
                if (!block.isEmpty()) {
                    Reading reading = new Parser(first).read(block);
                    patterns.add(reading.pattern()
                            .orElseThrow(() -> new IllegalArgumentException(
                                    reading.mistakes().get(0).atLine())));
                    block.clear();
                }
                continue;
            }
            first = block.isEmpty() ? number : first;
            block.add(line);
        }
        return patterns;
    }

    /** A pattern as text that reads back the same. */
    public static String write(Pattern pattern) {
        StringBuilder text = new StringBuilder(pattern.name())
                .append("\nfamily: ")
                .append(pattern.family())
                .append("\nmeter: ")
                .append(pattern.meter())
                .append("\ngrid: ")
                .append(pattern.grid())
                .append('\n');
        if (!pattern.serves().isBlank()) {
            text.append("serves: ").append(pattern.serves()).append('\n');
        }
        writeRows(pattern, pattern.strokes(), text);
        pattern.variation().ifPresent(other -> {
            text.append("variation every ").append(other.every()).append('\n');
            writeRows(pattern, other.strokes(), text);
        });
        return text.toString();
    }

    private static void writeRows(Pattern pattern, List<PatternStroke> strokes, StringBuilder text) {
        for (PatternRow row : PatternRow.values()) {
            List<PatternStroke> own =
                    strokes.stream().filter(stroke -> stroke.row() == row).toList();
            boolean onlyRow = strokes.isEmpty() && row == PatternRow.BASS;
            if (own.isEmpty() && !onlyRow) {
                continue;
            }
            text.append(String.format("%-7s", row.word()));
            for (int step = 0; step < pattern.stepsABar() * pattern.bars(); step++) {
                int at = step;
                text.append(step > 0 && step % pattern.stepsABar() == 0 ? " |" : "")
                        .append(' ')
                        .append(own.stream()
                                .filter(stroke -> stroke.step() == at)
                                .map(PatternStroke::sign)
                                .findFirst()
                                .orElse(REST));
            }
            text.append('\n');
        }
    }

    private static final class Parser {
        private final int firstLine;
        private final List<Mistake> mistakes = new ArrayList<>();
        private final Map<String, String> fields = new LinkedHashMap<>();
        private final List<PatternStroke> plain = new ArrayList<>();
        private final List<PatternStroke> varied = new ArrayList<>();
        private final Set<PatternRow> rows = EnumSet.noneOf(PatternRow.class);
        private Optional<Integer> every = Optional.empty();
        private Meter meter = Meter.COMMON;
        private int grid = 2;
        private int steps;
        private int bars = 1;
        private boolean anyRow;

        Parser(int firstLine) {
            this.firstLine = firstLine;
        }

        Reading read(List<String> lines) {
            if (lines.isEmpty() || lines.get(0).isBlank()) {
                mistakes.add(new Mistake(firstLine, 0, 0, wording("PatternText.a-pattern-begins-with-its")));
                return new Reading(Optional.empty(), mistakes);
            }
            for (int i = 1; i < lines.size(); i++) {
                if (!lines.get(i).isBlank()) {
                    readLine(firstLine + i, lines.get(i));
                }
            }
            int last = firstLine + lines.size() - 1;
            if (mistakes.isEmpty() && !anyRow) {
                mistakes.add(new Mistake(last, 0, 0, wording("PatternText.the-pattern-has-no-rows")));
            }
            if (mistakes.isEmpty() && !fields.containsKey("family")) {
                mistakes.add(new Mistake(last, 0, 0, wording("PatternText.the-pattern-names-no-family")));
            }
            checkMoments(plain, last);
            checkMoments(varied, last);
            return mistakes.isEmpty() ? whole(lines.get(0).strip(), last) : new Reading(Optional.empty(), mistakes);
        }

        private Reading whole(String name, int last) {
            try {
                Optional<Pattern.Variation> variation = every.map(times -> new Pattern.Variation(times, varied));
                return new Reading(
                        Optional.of(new Pattern(
                                name,
                                fields.get("family"),
                                fields.getOrDefault("serves", ""),
                                meter,
                                grid,
                                bars,
                                plain,
                                variation)),
                        List.of());
            } catch (IllegalArgumentException e) {
                return new Reading(Optional.empty(), List.of(new Mistake(last, 0, 0, e.getMessage())));
            }
        }

        private void readLine(int number, String line) {
            Matcher variation = VARIATION.matcher(line.strip());
            int colon = line.indexOf(':');
            if (variation.matches()) {
                every = Optional.of(Integer.parseInt(variation.group(1)));
                rows.clear();
            } else if (colon > 0) {
                readField(number, line, colon);
            } else {
                readRow(number, line);
            }
        }

        private void readField(int number, String line, int colon) {
            String name = line.substring(0, colon).strip();
            String value = line.substring(colon + 1).strip();
            if (!FIELDS.contains(name)) {
                mistakes.add(new Mistake(number, 0, colon, wording("PatternText.is-not-known-there-are", name)));
            } else if (anyRow) {
                mistakes.add(new Mistake(number, 0, colon, wording("PatternText.stands-before-the-rows", name)));
            } else {
                fields.put(name, value);
                int from = Math.max(0, line.indexOf(value, colon));
                try {
                    takeField(name, value);
                } catch (IllegalArgumentException e) {
                    mistakes.add(new Mistake(number, from, line.length(), e.getMessage()));
                }
            }
        }

        private void takeField(String name, String value) {
            if (name.equals("meter")) {
                meter = Meter.parse(value);
            } else if (name.equals("grid")) {
                if (!value.matches("[1-8]")) {
                    throw new IllegalArgumentException(wording("PatternText.the-grid-is-1-to", value));
                }
                grid = Integer.parseInt(value);
            } else if (value.isEmpty()) {
                throw new IllegalArgumentException(wording("PatternText.is-empty", name));
            }
        }

        private void readRow(int number, String line) {
            Matcher words = WORD.matcher(line);
            if (!words.find()) {
                return;
            }
            Optional<PatternRow> row = PatternRow.byWord(words.group());
            if (row.isEmpty()) {
                String known = String.join(
                        ", ",
                        Arrays.stream(PatternRow.values()).map(PatternRow::word).toList());
                mistakes.add(new Mistake(
                        number,
                        words.start(),
                        words.end(),
                        wording("PatternText.is-not-a-row-there", words.group(), known)));
                return;
            }
            if (!rows.add(row.get())) {
                mistakes.add(new Mistake(
                        number,
                        words.start(),
                        words.end(),
                        wording(
                                "PatternText.row-stands-twice-two-digits",
                                row.get().word())));
                return;
            }
            readSteps(number, line, row.get(), words);
        }

        private void readSteps(int number, String line, PatternRow row, Matcher words) {
            int step = 0;
            int bar = 0;
            int perBar = Pattern.stepsOf(meter, grid);
            while (words.find()) {
                if (words.group().equals("|")) {
                    bar++;
                    if (step != bar * perBar || bar > 1) {
                        mistakes.add(new Mistake(
                                number,
                                words.start(),
                                words.end(),
                                wording("PatternText.a-bar-of-has-steps", meter, perBar, step)));
                        return;
                    }
                    continue;
                }
                if (step >= perBar * (bar + 1)) {
                    mistakes.add(new Mistake(
                            number,
                            words.start(),
                            words.end(),
                            wording("PatternText.this-step-lies-outside-the", perBar, meter)));
                    return;
                }
                readSign(number, words, row, step);
                step++;
            }
            if (step != perBar * (bar + 1)) {
                mistakes.add(new Mistake(
                        number,
                        0,
                        line.length(),
                        wording(
                                "PatternText.row-has-steps-make-its",
                                row.word(),
                                step,
                                perBar * (bar + 1),
                                bar == 0 ? wording("PatternText.bar") : wording("PatternText.two-bars"))));
            } else if (anyRow && step != steps) {
                mistakes.add(new Mistake(
                        number, 0, line.length(), wording("PatternText.row-has-another-number-of", row.word())));
            }
            steps = step;
            bars = bar + 1;
            anyRow = true;
        }

        private void readSign(int number, Matcher words, PatternRow row, int step) {
            String sign = words.group();
            if (sign.equals(REST)) {
                return;
            }
            Optional<PatternStroke> stroke = sign.length() == 1 ? stroke(step, row, sign.charAt(0)) : Optional.empty();
            if (stroke.isEmpty()) {
                boolean two = sign.matches("[pimacPIMAC]{2,}");
                mistakes.add(new Mistake(
                        number,
                        words.start(),
                        words.end(),
                        two
                                ? wording("PatternText.two-digits-on-one-string", sign)
                                : wording("PatternText.means-nothing-in-row-there", sign, row.word(), signs(row))));
            }
            stroke.ifPresent((every.isPresent() ? varied : plain)::add);
        }

        private static String signs(PatternRow row) {
            return switch (row) {
                case BRUSH -> ". d u";
                case HIT -> ". " + HitKind.legend();
                default -> row == PatternRow.BASS ? ". x o p i m a c" : ". x o h p i m a c";
            };
        }

        /** No digit has two strokes at once, and digits do not cross. */
        private void checkMoments(List<PatternStroke> strokes, int line) {
            for (PatternStroke one : strokes) {
                for (PatternStroke other : strokes) {
                    boolean pair = one.step() == other.step()
                            && one.row().compareTo(other.row()) < 0
                            && one.digit().isPresent()
                            && other.digit().isPresent();
                    if (pair && mistakes.isEmpty()) {
                        checkPair(one, other, line);
                    }
                }
            }
        }

        private void checkPair(PatternStroke upper, PatternStroke lower, int line) {
            Digit high = upper.digit().get();
            Digit low = lower.digit().get();
            String where = wording("PatternText.step", upper.step() + 1);
            if (high == low) {
                mistakes.add(
                        new Mistake(line, 0, 0, wording("PatternText.digit-has-two-strokes-at", where, high.symbol())));
            } else if (high.compareTo(low) < 0) {
                mistakes.add(new Mistake(
                        line,
                        0,
                        0,
                        wording(
                                "PatternText.digits-cross-in-row-above",
                                where,
                                high.symbol(),
                                upper.row().word(),
                                low.symbol(),
                                lower.row().word())));
            }
        }
    }
}
