package phalanx.cli;

import static phalanx.words.Words.wording;

import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import phalanx.song.Song;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.ParameterException;

/**
 * Some bars of a song, as {@code --bars} names them.
 *
 * @param first its place in the song, from 0
 * @param last its place
 */
record BarRange(int first, int last) {
    private static final Pattern RANGE = Pattern.compile("(\\d{1,4})(?:-(\\d{1,4}))?");

    /**
     * Reads {@code 5} or {@code 5-8}, by the bars' numbers.
     *
     * @throws ParameterException if it names no bar of the song
     */
    static BarRange parse(String bars, Song song, CommandSpec spec) {
        Matcher range = RANGE.matcher(bars.trim());
        if (!range.matches()) {
            throw wrong(bars, spec, wording("BarRange.is-not-a-bar-such"));
        }
        int from = Integer.parseInt(range.group(1));
        int to = range.group(2) == null ? from : Integer.parseInt(range.group(2));
        int[] inside = IntStream.range(0, song.bars().size())
                .filter(bar -> song.bars().get(bar).number() >= from
                        && song.bars().get(bar).number() <= to)
                .toArray();
        if (inside.length == 0) {
            throw wrong(
                    bars,
                    spec,
                    wording(
                            "BarRange.names-no-bar-of-the",
                            song.bars().get(0).number(),
                            song.bars().get(song.bars().size() - 1).number()));
        }
        return new BarRange(inside[0], inside[inside.length - 1]);
    }

    private static ParameterException wrong(String bars, CommandSpec spec, String why) {
        return new ParameterException(spec.commandLine(), wording("BarRange.bars", bars, why));
    }
}
