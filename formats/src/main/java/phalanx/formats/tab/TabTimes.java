package phalanx.formats.tab;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.song.Bar;
import phalanx.song.ChordChange;
import phalanx.song.MelodyNote;
import phalanx.song.Meter;
import phalanx.song.Section;
import phalanx.song.Song;
import phalanx.song.Ticks;
import phalanx.song.build.SongBuilder;
import phalanx.technique.Hit;
import phalanx.technique.HitKind;
import phalanx.theory.Key;
import phalanx.theory.Pitch;

/**
 * What spacing cannot say: lines at the end of a tablature with each bar's length, the times of its columns, its chords
 * and the notes and words of the tune, in quarter notes as fractions; after the sections the notes of an own bass, then
 * hits. For example
 *
 * <pre>
 * song 96 C | Willow Weir
 * 3 4/4 4 | 0 1/2 1 6/5 | C@0 G7@2 | 0+1:E4:wil- 1+1/2:D4:low | B@0 | | k@1
 * </pre>
 */
final class TabTimes {
    static final String HEAD =
            "For programs: bar, meter, length | times of its columns | chords | tune, in quarter notes";

    private static final Pattern LINE = Pattern.compile(
            "(\\d{1,5}) (\\d{1,2})/(\\d{1,2}) (\\S+) \\|([^|]*)\\|([^|]*)\\|([^|]*)\\|([^|]*)(?:\\|([^|]*))?(?:\\|([^|]*))?");
    private static final Pattern SONG = Pattern.compile("song (\\d{1,3}) ([^|]+) \\| (.*)");
    private static final Pattern FRACTION = Pattern.compile("(\\d{1,7})(?:/(\\d{1,4}))?");
    private static final Pattern HIT = Pattern.compile("(\\w)@([\\d/]+)");
    private static final Pattern TUNE =
            Pattern.compile("([\\d/]+)\\+([\\d/]+):(?:\\{([^}]*)\\})?([^:/{]+)(?:/([^:]+))?(?::(.+))?");

    private TabTimes() {}

    /**
     * A bar; ticks from its beginning.
     *
     * @param times when each of its columns with notes sounds, in order
     */
    record Line(
            Bar bar,
            List<Integer> times,
            List<ChordChange> chords,
            List<MelodyNote> tune,
            List<Section> sections,
            List<MelodyNote> bass,
            List<Hit> hits) {}

    /**
     * What the lines tell.
     *
     * @param bars none where one of them is not understood
     */
    record Told(String title, Key key, int tempo, List<Line> bars) {
        static final Told NOTHING = new Told("", Key.C_MAJOR, SongBuilder.DEFAULT_TEMPO, List.of());
    }

    static String write(Arrangement arrangement) {
        Song song = arrangement.song();
        TreeMap<Integer, ChordChange> chords = new TreeMap<>();
        song.chart().forEach(change -> chords.put(change.startTick(), change));
        TreeSet<Integer> struck =
                arrangement.notes().stream().map(ArrangedNote::tick).collect(Collectors.toCollection(TreeSet::new));
        StringBuilder text = new StringBuilder(HEAD).append('\n');
        text.append("song ")
                .append(song.tempo())
                .append(' ')
                .append(song.key())
                .append(" | ")
                .append(song.title())
                .append('\n');
        for (Bar bar : song.bars()) {
            int start = bar.startTick();
            text.append(
                    String.format(Locale.ROOT, "%d %s %s |", bar.number(), bar.meter(), fraction(bar.lengthTicks())));
            struck.subSet(start, bar.endTick()).forEach(tick -> text.append(' ').append(fraction(tick - start)));
            text.append(" |");
            chords.subMap(start, bar.endTick()).forEach((tick, change) -> text.append(' ')
                    .append(change.symbol().replace(' ', '\u00a0'))
                    .append('@')
                    .append(fraction(tick - start)));
            text.append(" |");
            song.melodyBetween(start, bar.endTick()).forEach(note -> append(note, start, text));
            text.append(" |");
            for (Section section : song.sections()) {
                if (bar.contains(section.startTick())) {
                    text.append(' ')
                            .append(section.name().replace(' ', '\u00a0').replace('|', '\u00a6'))
                            .append('@')
                            .append(fraction(section.startTick() - start));
                }
            }
            List<MelodyNote> bass = song.bassBetween(start, bar.endTick());
            List<Hit> hits = arrangement.hits().stream()
                    .filter(hit -> bar.contains(hit.tick()))
                    .toList();
            text.append(bass.isEmpty() && hits.isEmpty() ? "" : " |");
            bass.forEach(note -> append(note, start, text));
            text.append(hits.isEmpty() ? "" : " |");
            hits.forEach(hit ->
                    text.append(' ').append(hit.kind().letter()).append('@').append(fraction(hit.tick() - start)));
            text.append('\n');
        }
        return text.toString();
    }

    private static void append(MelodyNote note, int start, StringBuilder text) {
        text.append(' ').append(fraction(note.tick() - start)).append('+');
        text.append(fraction(note.lengthTicks())).append(':');
        if (!note.graces().isEmpty()) {
            text.append(note.graces().stream().map(Pitch::toString).collect(Collectors.joining(",", "{", "}")));
        }
        text.append(note.pitch());
        note.below().ifPresent(below -> text.append('/').append(below));
        note.syllable().ifPresent(syllable -> text.append(':').append(syllable.replace('|', '\u00a6')));
    }

    private static String fraction(int ticks) {
        int common = gcd(ticks, Ticks.QUARTER);
        return ticks / common + (common == Ticks.QUARTER ? "" : "/" + Ticks.QUARTER / common);
    }

    private static int gcd(int a, int b) {
        return b == 0 ? a : gcd(b, a % b);
    }

    /** What the lines tell; nothing where one of them is not understood. */
    static Told parse(List<String> lines) {
        List<Line> bars = new ArrayList<>();
        int start = 0;
        try {
            Matcher song = SONG.matcher(lines.isEmpty() ? "" : lines.get(0).strip());
            if (!song.matches()) {
                return Told.NOTHING;
            }
            for (String text : lines.subList(1, lines.size())) {
                Matcher line = LINE.matcher(text.strip());
                if (!text.isBlank()) {
                    if (!line.matches()) {
                        return Told.NOTHING;
                    }
                    bars.add(line(line, start));
                    start = bars.get(bars.size() - 1).bar.endTick();
                }
            }
            return new Told(song.group(3), Key.parse(song.group(2)), Integer.parseInt(song.group(1)), bars);
        } catch (IllegalArgumentException e) {
            return Told.NOTHING;
        }
    }

    private static Line line(Matcher line, int start) {
        Meter meter = new Meter(Integer.parseInt(line.group(2)), Integer.parseInt(line.group(3)));
        Bar bar = new Bar(Integer.parseInt(line.group(1)), start, ticks(line.group(4)), meter);
        List<Integer> times =
                words(line.group(5)).stream().map(word -> start + ticks(word)).toList();
        List<ChordChange> chords = words(line.group(6)).stream()
                .map(word -> {
                    int at = word.lastIndexOf('@');
                    return ChordChange.parse(
                            start + ticks(word.substring(at + 1)),
                            word.substring(0, Math.max(0, at)).replace('\u00a0', ' '));
                })
                .toList();
        List<MelodyNote> tune =
                words(line.group(7)).stream().map(word -> note(word, start)).toList();
        List<Section> sections = words(line.group(8)).stream()
                .map(word -> {
                    int at = word.lastIndexOf('@');
                    return new Section(
                            word.substring(0, Math.max(0, at)).replace('\u00a0', ' '),
                            start + ticks(word.substring(at + 1)));
                })
                .toList();
        List<MelodyNote> bass = words(Optional.ofNullable(line.group(9)).orElse("")).stream()
                .map(word -> note(word, start))
                .toList();
        List<Hit> hits = words(Optional.ofNullable(line.group(10)).orElse("")).stream()
                .map(word -> hit(word, start))
                .toList();
        return new Line(bar, times, chords, tune, sections, bass, hits);
    }

    private static Hit hit(String word, int start) {
        Matcher hit = HIT.matcher(word);
        if (!hit.matches()) {
            throw new IllegalArgumentException(word);
        }
        return new Hit(
                start + ticks(hit.group(2)),
                HitKind.byLetter(hit.group(1).charAt(0)).orElseThrow(() -> new IllegalArgumentException(word)));
    }

    private static MelodyNote note(String word, int start) {
        Matcher note = TUNE.matcher(word);
        if (!note.matches()) {
            throw new IllegalArgumentException(word);
        }
        return new MelodyNote(
                start + ticks(note.group(1)),
                ticks(note.group(2)),
                Pitch.parse(note.group(4)),
                Optional.ofNullable(note.group(6)),
                Optional.ofNullable(note.group(5)).map(Pitch::parse),
                note.group(3) == null
                        ? List.of()
                        : Arrays.stream(note.group(3).split(","))
                                .map(Pitch::parse)
                                .toList());
    }

    private static List<String> words(String text) {
        // not by any white space: syllables may hold hard spaces
        return List.of(text.strip().split(" +")).stream()
                .filter(word -> !word.isEmpty())
                .toList();
    }

    private static int ticks(String text) {
        Matcher fraction = FRACTION.matcher(text);
        if (!fraction.matches()) {
            throw new IllegalArgumentException(text);
        }
        long below = fraction.group(2) == null ? 1 : Long.parseLong(fraction.group(2));
        long above = Ticks.QUARTER * Long.parseLong(fraction.group(1));
        if (below == 0 || above % below != 0 || above / below > Integer.MAX_VALUE / 2) {
            throw new IllegalArgumentException(text);
        }
        return (int) (above / below);
    }
}
