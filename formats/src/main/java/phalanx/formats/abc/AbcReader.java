package phalanx.formats.abc;

import static phalanx.words.Words.wording;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import phalanx.formats.reading.Choice;
import phalanx.formats.reading.FormatException;
import phalanx.formats.reading.PartLine;
import phalanx.formats.reading.Reading;
import phalanx.song.build.SongBuilder;

/**
 * Reads a tune in ABC notation (standard 2.1, from memory), with the chord symbols of any of its voices. A file may hold
 * several tunes, each from its {@code X:} line to the next blank line; of the first the voice with words, else the
 * first, is read unless another is chosen.
 */
public final class AbcReader {
    private static final Pattern FIELD = Pattern.compile("[A-Zmrsw+]:(?!\\|).*");
    private static final Pattern VOICE = Pattern.compile("(?:^|\\[)V:\\s*([^\\s\\]]+)");
    private static final int MOST_LINES = 200_000;

    private final String fallbackTitle;

    private final Choice choice;

    /** @param fallbackTitle the title of a tune that has none */
    public AbcReader(String fallbackTitle) {
        this(fallbackTitle, Choice.LIKELIEST);
    }

    /**
     * @param fallbackTitle the title of a tune that has none
     * @param choice which voices of which tune of the file are read; of the first where none is chosen
     */
    public AbcReader(String fallbackTitle, Choice choice) {
        this.fallbackTitle = fallbackTitle;
        this.choice = choice;
    }

    /** A voice of a tune that begins in a line. */
    private record Line(int start, int voice, String title, String voiceName) {
        String name() {
            return voiceName.isEmpty() ? title : wording("AbcReader.voice", title, voiceName);
        }
    }

    /**
     * Reads a file.
     *
     * @throws FormatException naming line and reason
     */
    public Reading read(byte[] bytes) throws FormatException {
        List<String> lines = new String(bytes, StandardCharsets.UTF_8).lines().toList();
        if (lines.size() > MOST_LINES) {
            throw new FormatException("", wording("AbcReader.the-file-has-more-than", MOST_LINES));
        }
        List<Line> choices = choices(lines);
        if (choices.isEmpty()) {
            throw new FormatException("", wording("AbcReader.this-is-not-abc-notation"));
        }
        Line chosen = Choice.of(choices, choice.tune(), choices.get(0));
        AbcTune tune = tune(lines, chosen.start);
        try {
            return song(tune, chosen, choices);
        } catch (IllegalArgumentException e) {
            throw new FormatException("", e.getMessage());
        }
    }

    private Reading song(AbcTune tune, Line chosen, List<Line> choices) throws FormatException {
        List<PartLine> voices = new ArrayList<>();
        tune.voices().forEach((name, voice) -> {
            String only = voice.song().voices().stream().findFirst().orElse("");
            voices.add(new PartLine(
                    voice.song(),
                    only,
                    tune.voices().size() < 2 ? chosen.title : wording("AbcReader.voice", chosen.title, name)));
        });
        PartLine melody = choice.tune().isPresent()
                ? voices.get(Math.min(chosen.voice, voices.size() - 1))
                : PartLine.likeliest(voices);
        SongBuilder song = melody.song();
        song.at("");
        List<String> names = new ArrayList<>();
        List<PartLine> parts = new ArrayList<>();
        for (Line line : choices) {
            boolean own = line.start == chosen.start && line.voice < voices.size();
            parts.add(own ? voices.get(line.voice) : null);
            names.add(own ? voices.get(line.voice).words() : line.name());
        }
        long tunes = choices.stream().mapToInt(Line::start).distinct().count();
        if (tunes > 1 && choice.tune().isEmpty()) {
            song.say(wording("AbcReader.the-file-holds-tunes-the", tunes));
        }
        melody.join(voices, choice.within(parts, voices));
        voices.stream().filter(voice -> voice != melody).forEach(voice -> song.complete(voice.song()));
        return new Reading(
                        song.build(melody.voice(), fallbackTitle).song(),
                        song.report().lines())
                .of(names, Math.max(0, parts.indexOf(melody)));
    }

    private static AbcTune tune(List<String> lines, int start) throws FormatException {
        AbcTune tune = new AbcTune();
        for (int i = start; i < lines.size() && !lines.get(i).isBlank(); i++) {
            String line = withoutComment(lines.get(i));
            tune.at(wording("AbcReader.line", i + 1));
            try {
                if (FIELD.matcher(line).matches()) {
                    tune.field(line.charAt(0), line.substring(2).trim());
                } else if (!line.isBlank()) {
                    tune.music(line);
                }
            } catch (IllegalArgumentException e) {
                throw new FormatException(wording("AbcReader.line", i + 1), e.getMessage());
            }
        }
        tune.finish();
        return tune;
    }

    /** The voices of all tunes. */
    private static List<Line> choices(List<String> lines) {
        List<Line> choices = new ArrayList<>();
        int at = 0;
        while (at < lines.size()) {
            if (!lines.get(at).startsWith("X:")) {
                at++;
                continue;
            }
            int start = at;
            String title = "";
            Set<String> voices = new LinkedHashSet<>();
            boolean inBody = false;
            while (at < lines.size() && !lines.get(at).isBlank() && (at == start || !isHead(lines, at))) {
                String line = lines.get(at);
                title = title.isEmpty() && line.startsWith("T:")
                        ? line.substring(2).trim()
                        : title;
                Matcher named = VOICE.matcher(line);
                while (inBody && named.find()) {
                    voices.add(named.group(1));
                }
                inBody |= line.startsWith("K:");
                at++;
            }
            String name = title.isEmpty()
                    ? wording("AbcReader.tune", lines.get(start).substring(2).trim())
                    : title;
            List<String> inOrder = List.copyOf(voices);
            for (int voice = 0; voice < Math.max(1, inOrder.size()); voice++) {
                choices.add(new Line(start, voice, name, inOrder.size() < 2 ? "" : inOrder.get(voice)));
            }
        }
        return choices;
    }

    private static boolean isHead(List<String> lines, int at) {
        return lines.get(at).startsWith("X:");
    }

    private static String withoutComment(String line) {
        int comment = line.indexOf('%');
        // an escaped per cent sign stands for itself, but only in words that are not read
        return comment < 0 ? line : line.substring(0, comment);
    }
}
