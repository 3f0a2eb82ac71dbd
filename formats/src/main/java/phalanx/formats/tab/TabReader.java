package phalanx.formats.tab;

import static phalanx.words.Words.wording;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import phalanx.formats.reading.FormatException;
import phalanx.formats.reading.Reading;
import phalanx.guitar.Instrument;
import phalanx.guitar.Tuning;
import phalanx.song.Meter;
import phalanx.song.Song;
import phalanx.theory.Key;

/**
 * Reads plain-text tablature: systems of string lines, the highest string on top, with bar lines; over them bar
 * numbers, sections in square brackets and chord symbols, under or over them a counting line. Words before the first
 * system give the title, and "tuning", "capo", "key", a meter and a tempo where they are named.
 */
public final class TabReader {
    private static final int MOST_LINES = 200_000;
    private static final int MOST_WORD_LINES = 4;
    private static final int USUAL_TEMPO = 100;
    private static final Pattern TUNING =
            Pattern.compile("(?i)tuning:?\\s+((?:[A-G][#b]?\\d?[\\s-]*){4,10})(?![a-zA-Z])|tuning:?\\s+([a-z ]+)");
    private static final Pattern CAPO = Pattern.compile("(?i)capo[^,;\\d]{0,12}(\\d{1,2})");
    private static final Pattern KEY = Pattern.compile("(?i)\\bkey:?(?: of)?\\s+([A-Ga-g][#b]?(?:m\\b| ?[a-z]+|))");
    private static final Pattern METER = Pattern.compile("(?<![\\d/])(\\d{1,2})/(1|2|4|8|16)(?![\\d/])");
    private static final Pattern TEMPO =
            Pattern.compile("(?i)(\\d{2,3})\\s*(?:bpm|quarter|beats)|(?:tempo|bpm)\\s*[:=]?\\s*(\\d{2,3})");

    private final String fallbackTitle;

    /** @param fallbackTitle the title of a tablature that has none */
    public TabReader(String fallbackTitle) {
        this.fallbackTitle = fallbackTitle;
    }

    /**
     * Reads a file.
     *
     * @throws FormatException naming line and reason
     */
    public Reading read(byte[] bytes) throws FormatException {
        List<String> all = new String(bytes, StandardCharsets.UTF_8)
                .lines()
                .map(TabReader::withoutTabs)
                .toList();
        if (all.size() > MOST_LINES) {
            throw new FormatException("", wording("TabReader.the-file-has-more-than", MOST_LINES));
        }
        int told = all.indexOf(TabTimes.HEAD);
        List<String> lines = told < 0 ? all : all.subList(0, told);
        TabTimes.Told times = told < 0 ? TabTimes.Told.NOTHING : TabTimes.parse(all.subList(told + 1, all.size()));
        List<String> head = new ArrayList<>();
        List<TabSystem> systems = systems(lines, head);
        if (systems.isEmpty()) {
            throw new FormatException("", wording("TabReader.this-is-not-tablature-no"));
        }
        List<String> report = new ArrayList<>();
        String words = String.join("\n", head);
        Tuning tuning = tuning(words, systems, report);
        int capo = number(CAPO.matcher(words)).orElse(0);
        if (capo > Instrument.HIGHEST_CAPO) {
            throw new FormatException("", wording("TabReader.capo-is-beyond-fret", capo, Instrument.HIGHEST_CAPO));
        }
        systems.stream()
                .flatMap(system -> {
                    system.bars();
                    return system.signs().stream();
                })
                .distinct()
                .forEach(report::add);
        return new TabAssembly(title(head), tempo(words, report), meter(words), key(words), tuning, capo, report)
                .read(systems, times);
    }

    /** Tabulators take the columns to the next multiple of eight, as editors show them. */
    private static String withoutTabs(String line) {
        StringBuilder text = new StringBuilder();
        for (char c : line.toCharArray()) {
            if (c == '\t') {
                text.append(" ".repeat(8 - text.length() % 8));
            } else {
                text.append(c);
            }
        }
        return text.toString();
    }

    private static List<TabSystem> systems(List<String> lines, List<String> head) throws FormatException {
        List<TabSystem> systems = new ArrayList<>();
        int wordsFrom = 0;
        int at = 0;
        while (at < lines.size()) {
            if (!TabSystem.isStringLine(lines.get(at))) {
                if (systems.isEmpty()) {
                    head.add(lines.get(at));
                }
                at++;
                continue;
            }
            int end = at;
            while (end < lines.size() && TabSystem.isStringLine(lines.get(end))) {
                end++;
            }
            TabSystem system = new TabSystem(at + 1, lines.subList(at, end));
            checkStrings(system, systems);
            for (int i = at - 1; i >= Math.max(wordsFrom, at - MOST_WORD_LINES); i--) {
                if (!lines.get(i).isBlank() && !system.takeWords(lines.get(i), true)) {
                    break;
                }
            }
            wordsFrom = takeWordsBelow(system, lines, end);
            systems.add(system);
            at = end;
        }
        return systems;
    }

    /** Takes the lines under a system: digits and count, or the count alone with the digits' line left blank. */
    private static int takeWordsBelow(TabSystem system, List<String> lines, int end) {
        int at = end;
        boolean blankFirst = isBlank(lines, end) && !isBlank(lines, end + 1) && isBlank(lines, end + 2);
        if (blankFirst) {
            at++;
        }
        while (at < lines.size()
                && !isBlank(lines, at)
                && !TabSystem.isStringLine(lines.get(at))
                && system.takeWords(lines.get(at), false)) {
            at++;
        }
        return at;
    }

    private static boolean isBlank(List<String> lines, int at) {
        return at >= lines.size() || lines.get(at).isBlank();
    }

    private static void checkStrings(TabSystem system, List<TabSystem> before) throws FormatException {
        String line = wording("TabReader.line", system.firstLine());
        if (system.strings() < Tuning.FEWEST_STRINGS || system.strings() > Tuning.MOST_STRINGS) {
            throw new FormatException(line, wording("TabReader.string-lines-stand-together-a", system.strings()));
        }
        if (!before.isEmpty() && before.get(0).strings() != system.strings()) {
            throw new FormatException(
                    line,
                    wording(
                            "TabReader.this-system-has-string-lines",
                            system.strings(),
                            before.get(0).strings()));
        }
    }

    private Tuning tuning(String words, List<TabSystem> systems, List<String> report) throws FormatException {
        Matcher named = TUNING.matcher(words);
        try {
            if (named.find()) {
                if (named.group(2) != null) {
                    return checked(Tuning.parse(named.group(2).trim()), systems);
                }
                if (named.group(1) != null) {
                    return checked(Tuning.parse(named.group(1).trim().replace('-', ' ')), systems);
                }
            }
            Optional<List<String>> labels = systems.get(0).labels();
            if (labels.isPresent()) {
                List<String> upwards = new ArrayList<>(labels.get());
                Collections.reverse(upwards);
                return checked(Tuning.parse(String.join(" ", upwards)), systems);
            }
        } catch (IllegalArgumentException e) {
            throw new FormatException("", wording("TabReader.the-tuning", e.getMessage()));
        }
        if (systems.get(0).strings() != Tuning.STANDARD.strings()) {
            throw new FormatException(
                    "",
                    wording(
                            "TabReader.the-tablature-has-strings-and",
                            systems.get(0).strings()));
        }
        report.add(wording("TabReader.no-tuning-is-named-standard"));
        return Tuning.STANDARD;
    }

    private static Tuning checked(Tuning tuning, List<TabSystem> systems) {
        if (tuning.strings() != systems.get(0).strings()) {
            throw new IllegalArgumentException(wording(
                    "TabReader.notes-are-named-for-string",
                    tuning.strings(),
                    systems.get(0).strings()));
        }
        return tuning;
    }

    private static Optional<Integer> number(Matcher match) {
        if (!match.find()) {
            return Optional.empty();
        }
        String digits = match.groupCount() > 1 && match.group(1) == null ? match.group(2) : match.group(1);
        return Optional.of(Integer.parseInt(digits));
    }

    private static int tempo(String words, List<String> report) throws FormatException {
        Optional<Integer> tempo = number(TEMPO.matcher(words));
        if (tempo.isEmpty()) {
            report.add(wording("TabReader.no-tempo-is-named-quarter", USUAL_TEMPO));
        }
        int named = tempo.orElse(USUAL_TEMPO);
        if (named < Song.SLOWEST || named > Song.FASTEST) {
            throw new FormatException("", wording("TabReader.tempo-is-outside-20-to", named));
        }
        return named;
    }

    private static Optional<Meter> meter(String words) {
        Matcher match = METER.matcher(words);
        while (match.find()) {
            int beats = Integer.parseInt(match.group(1));
            if (beats >= 1 && beats <= 32) {
                return Optional.of(new Meter(beats, Integer.parseInt(match.group(2))));
            }
        }
        return Optional.empty();
    }

    private static Optional<Key> key(String words) {
        Matcher match = KEY.matcher(words);
        while (match.find()) {
            String text = match.group(1).trim();
            try {
                return Optional.of(Key.parse(text.substring(0, 1).toUpperCase(Locale.ROOT) + text.substring(1)));
            } catch (IllegalArgumentException e) {
                // "key" was a word of its own
            }
        }
        return Optional.empty();
    }

    private String title(List<String> head) {
        return head.stream()
                .map(String::trim)
                .filter(line -> !line.isEmpty() && line.length() <= 80)
                .filter(line -> !line.matches("(?i)(tuning|capo|key|tempo|bpm)\\b.*"))
                .findFirst()
                .orElse(fallbackTitle);
    }
}
