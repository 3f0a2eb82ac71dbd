package phalanx.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import phalanx.arrange.Transcriber;
import phalanx.arrange.Written;
import phalanx.arrange.demand.Wishes;
import phalanx.arrange.score.Arrangement;
import phalanx.formats.midi.MidiWriter;
import phalanx.formats.musicxml.MusicXmlReader;
import phalanx.formats.musicxml.MusicXmlWriter;
import phalanx.formats.page.PageSetup;
import phalanx.formats.page.Sheet;
import phalanx.formats.reading.FormatException;
import phalanx.formats.reading.Reading;
import phalanx.formats.tab.TabReader;
import phalanx.formats.tab.TabWriter;
import phalanx.guitar.Guitar;
import phalanx.guitar.Hand;
import phalanx.righthand.Picking;

/**
 * Tablature as nobody should write it: figures, signs and hits at random, much of it beyond any hand. It is read, what is
 * priced adds up (the arranger checks it in tests), and it goes out in every way and comes back.
 */
class WildTablatureTest {
    private static final int SONGS = Boolean.getBoolean("phalanx.deep") ? 2000 : 40;
    private static final String BEFORE = "hpb/\\r<";
    private static final String AFTER = "~^!v*x";
    private static final String HITS = "hksntcdbq";
    private static final String[] NAMES = {"e", "B", "G", "D", "A", "E"};

    private static String tablature(Random random) {
        StringBuilder[] rows = new StringBuilder[NAMES.length];
        for (int i = 0; i < rows.length; i++) {
            rows[i] = new StringBuilder(NAMES[i]).append('|');
        }
        StringBuilder hits = new StringBuilder("hit");
        int lowest = random.nextInt(8);
        for (int step = 0; step < 8 * (1 + random.nextInt(4)); step++) {
            int plucked = random.nextInt(3) == 0 ? random.nextInt(4) : random.nextInt(2);
            Set<Integer> strings = new HashSet<>();
            for (int i = 0; i < plucked; i++) {
                strings.add(random.nextInt(rows.length));
            }
            for (int i = 0; i < rows.length; i++) {
                String cell = strings.contains(i) ? cell(random, lowest) : random.nextInt(40) == 0 ? "-x-" : "---";
                rows[i].append(cell).append("-".repeat(4 - cell.length())).append(step % 8 == 7 ? "|" : "");
            }
            char hit = random.nextInt(8) == 0 ? HITS.charAt(random.nextInt(HITS.length())) : ' ';
            hits.append(step % 8 == 0 ? " " : "").append(hit).append("   ");
        }
        List<String> lines = new ArrayList<>(List.of("Wild", "tempo " + (50 + random.nextInt(140))));
        for (StringBuilder row : rows) {
            lines.add(row.toString());
        }
        lines.add(hits.toString());
        return String.join("\n", lines) + "\n";
    }

    /** A figure with what may stand before and after it. */
    private static String cell(Random random, int lowest) {
        char before = random.nextInt(4) > 0 ? '-' : BEFORE.charAt(random.nextInt(BEFORE.length()));
        if (before == '<') {
            return "<" + List.of(5, 7, 12).get(random.nextInt(3)) + ">";
        }
        int fret = random.nextInt(5) == 0 ? 0 : lowest + random.nextInt(6);
        char after = random.nextInt(6) > 0 ? '-' : AFTER.charAt(random.nextInt(AFTER.length()));
        return "" + before + fret + after;
    }

    private static Arrangement played(Reading reading) {
        Written written = reading.written().orElseThrow();
        return new Transcriber(written.on(Guitar.STEEL), Hand.AVERAGE)
                .arrange(reading.song(), written, Picking.PLAIN, Wishes.USUAL, List.of());
    }

    @Test
    void whateverIsWrittenIsPlayedAsFarAsHandsCanAndComesBack() throws FormatException {
        int notes = 0;
        int hits = 0;
        for (long seed = 0; seed < SONGS; seed++) {
            String text = tablature(new Random(seed));
            String what = "seed " + seed + "\n" + text;
            if (text.lines().noneMatch(line -> line.matches("[eBGDAE]\\|.*\\d.*"))) {
                continue;
            }
            Arrangement arrangement = played(new TabReader("x").read(text.getBytes(StandardCharsets.UTF_8)));
            String own = new TabWriter().write(arrangement);
            Arrangement again = played(new TabReader("x").read(own.getBytes(StandardCharsets.UTF_8)));
            assertThat(again.notes()).as(what).hasSameSizeAs(arrangement.notes());
            byte[] xml = new MusicXmlWriter().write(arrangement);
            Reading back = new MusicXmlReader("x").read(xml);
            assertThat(back.written().orElseThrow().notes()).as(what).hasSameSizeAs(arrangement.notes());
            assertThatCode(() -> new MidiWriter().write(arrangement)).as(what).doesNotThrowAnyException();
            assertThat(Sheet.SCORE.pages(arrangement, PageSetup.USUAL.withStaff(seed % 2 == 0)))
                    .as(what)
                    .isNotEmpty();
            notes += arrangement.notes().size();
            hits += arrangement.hits().size();
        }
        assertThat(notes).isGreaterThan(6 * SONGS);
        assertThat(hits).isGreaterThan(SONGS / 4);
    }
}
