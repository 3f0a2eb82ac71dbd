package phalanx.desktop.arrange;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import phalanx.arrange.Arranger;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Comeback;
import phalanx.arrange.score.Folding;
import phalanx.formats.abc.AbcReader;
import phalanx.formats.reading.FormatException;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.righthand.Picking;
import phalanx.song.Song;

/** Who plays what is shown as it would be written, by its signs, plays the song. */
class FoldingTest {
    private static final List<String> BARS =
            List.of("\"G\"G B d B|", "\"C\"e d c A|", "\"D\"A F D F|", "\"Em\"E G B e|", "\"Am\"c B A c|");

    private static String bars(Random random, int count) {
        StringBuilder bars = new StringBuilder();
        for (int i = 0; i < count; i++) {
            bars.append(BARS.get(random.nextInt(BARS.size())));
        }
        return bars.toString();
    }

    /** Two parts, each once, twice, three times or with endings, and the first perhaps again at the end. */
    private static Song song(long seed) throws FormatException {
        Random random = new Random(seed);
        StringBuilder text = new StringBuilder("X:1\nT:Low Stile\nM:4/4\nL:1/4\nQ:1/4=90\nK:G\n");
        String first = bars(random, 4);
        for (int part = 0; part < 2; part++) {
            String body = part == 0 ? first : bars(random, 3 + random.nextInt(3));
            text.append(
                    switch (random.nextInt(5)) {
                        case 0 -> "|:" + body.substring(0, body.length() - 1) + ":|\n";
                        case 1 -> "|:" + body + "1 \"G\"G4:|2 \"G\"g4||\n";
                        case 2 ->
                            "[P:" + (char) ('K' + part) + "]" + body + "[P:" + (char) ('K' + part) + "]" + body + "[P:"
                                    + (char) ('K' + part) + "]" + body;
                        case 3 -> endings(part, body, random);
                        default -> body;
                    });
        }
        text.append(random.nextBoolean() ? "[P:K]" + first : "").append("\"G\"G4|]\n");
        return new AbcReader("x")
                .read(text.toString().getBytes(StandardCharsets.UTF_8))
                .song();
    }

    /** The same part three times, each with one of two endings. */
    private static String endings(int part, String body, Random random) {
        StringBuilder text = new StringBuilder();
        for (int time = 0; time < 3; time++) {
            String ending = random.nextBoolean() ? "\"G\"G4|" : "\"D\"A F D2|";
            text.append("[P:")
                    .append((char) ('K' + part))
                    .append(']')
                    .append(body)
                    .append(ending);
        }
        return text.toString();
    }

    /** The bars that are shown, in the order in which the signs and words say that they are played. */
    private static List<Integer> played(Song song, Folding folding) {
        List<Integer> shown = IntStream.range(0, song.bars().size())
                .filter(bar -> !folding.hides(bar))
                .boxed()
                .toList();
        List<Integer> played = new ArrayList<>();
        int from = 0;
        int round = 1;
        for (int at = 0; at < shown.size(); at++) {
            int bar = shown.get(at);
            if (folding.beginsRepeat(bar) && from != at) {
                from = at;
                round = 1;
            }
            Optional<Folding.Ending> ending = folding.ending(bar);
            if (ending.isPresent() && ending.get().round() != round) {
                continue;
            }
            played.add(bar);
            if (folding.timesToEnd(bar) > round) {
                round++;
                at = from - 1;
                continue;
            }
            // words below a line are read when the repeat is done
            for (Comeback again : folding.after(song.bars().get(bar))) {
                IntStream.range(0, again.to() - again.from()).forEach(i -> played.add(again.firstFrom() + i));
            }
        }
        return played;
    }

    /** Where a bar is shown. */
    private static int bar(Folding folding, Song song, int bar) {
        return song.barIndexAt(folding.shown(song.bars().get(bar).startTick()));
    }

    @Test
    void whatTheSignsSayIsTheSong() throws FormatException {
        Arranger arranger = new Arranger(Instrument.STANDARD, Hand.AVERAGE);
        int hidden = 0;
        int repeats = 0;
        int endings = 0;
        int words = 0;
        for (long seed = 0; seed < 18; seed++) {
            Song song = song(seed);
            Arrangement arrangement = arranger.quick(song, Picking.PLAIN, List.of(), () -> false);
            Folding folding = Folding.of(arrangement);
            List<Integer> all = IntStream.range(0, song.bars().size()).boxed().toList();
            assertThat(all).as("seed %d", seed).noneMatch(bar -> folding.hides(bar(folding, song, bar)));
            assertThat(played(song, folding))
                    .as("seed %d", seed)
                    .isEqualTo(all.stream().map(bar -> bar(folding, song, bar)).toList());
            hidden += (int) all.stream().filter(folding::hides).count();
            repeats += (int) all.stream().filter(folding::beginsRepeat).count();
            endings += folding.hasEndings() ? 1 : 0;
            ScoreLayout layout =
                    new ScoreLayout(song, 6, 4, false, Optional.empty(), 900, OptionalInt.empty(), folding);
            double bottom = 0;
            for (ScoreLayout.Line line : layout.lines()) {
                words += line.again().size();
                assertThat(line.top()).isEqualTo(bottom);
                bottom = layout.bottom(line);
                assertThat(line.endTick() - line.startTick())
                        .as("a line is of bars that follow each other")
                        .isEqualTo(line.bars().stream()
                                .mapToInt(bar -> bar.lengthTicks())
                                .sum());
            }
            for (int tick = 0; tick < song.endTick(); tick += 840) {
                ScoreLayout.Line line = layout.lineAt(tick);
                int shown = folding.shown(tick);
                assertThat(layout.tickAt(layout.x(line, shown), line.top() + 5)).isBetween(shown - 2, shown + 2);
            }
        }
        assertThat(hidden).isGreaterThan(30);
        assertThat(repeats).isGreaterThan(2);
        assertThat(endings).isPositive();
        assertThat(words).isPositive();
    }
}
