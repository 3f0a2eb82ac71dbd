package phalanx.song.build;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import phalanx.song.BarMarks;
import phalanx.song.ChordChange;
import phalanx.song.MelodyNote;
import phalanx.song.Meter;
import phalanx.song.Reprises;
import phalanx.song.Section;
import phalanx.song.Song;
import phalanx.song.Ticks;
import phalanx.theory.Key;
import phalanx.theory.Pitch;

/** Songs put together bar by bar, as the readers of all formats do. */
class SongBuilderTest {
    private static final int BAR = Meter.COMMON.barTicks();
    private static final String VOICE = "tune";

    private static BarMarks marks(boolean repeatStart, int timesToEnd, Integer... endings) {
        return new BarMarks(repeatStart, timesToEnd, Set.of(endings), Set.of(), Optional.empty());
    }

    private static BarMarks sign(BarMarks.Sign sign) {
        return new BarMarks(false, 0, Set.of(), Set.of(sign), Optional.empty());
    }

    /** A bar with one note, whose pitch tells which bar it is. */
    private static void bar(SongBuilder song, int index, BarMarks marks) {
        song.note(VOICE, 0, BAR, Pitch.of(40 + index, Key.C_MAJOR));
        song.endBar(BAR, marks, false);
    }

    private static List<Integer> heard(Song song) {
        return song.melody().stream().map(note -> note.midi() - 40).toList();
    }

    /**
     * Repeats with and without endings in a row: what is heard is what the blocks say, told without any signs. The signs
     * are those of every printed score, common practice, no source.
     */
    @Property(tries = 200)
    void repeatsAreWrittenOut(@ForAll long seed) {
        Random random = new Random(seed);
        SongBuilder song = new SongBuilder();
        List<Integer> heard = new ArrayList<>();
        int next = 0;
        for (int block = 0; block < 1 + random.nextInt(4); block++) {
            int body = 1 + random.nextInt(3);
            int kind = random.nextInt(3);
            List<Integer> bars = new ArrayList<>();
            for (int i = 0; i < body; i++) {
                bars.add(next++);
            }
            if (kind == 0) {
                bars.forEach(index -> bar(song, index, BarMarks.NONE));
                heard.addAll(bars);
            } else if (kind == 1) {
                int times = 2 + random.nextInt(2);
                for (int i = 0; i < body; i++) {
                    bar(song, bars.get(i), marks(i == 0, i == body - 1 ? times : 0));
                }
                for (int time = 0; time < times; time++) {
                    heard.addAll(bars);
                }
            } else {
                for (int i = 0; i < body; i++) {
                    bar(song, bars.get(i), marks(i == 0, 0));
                }
                int first = next++;
                int second = next++;
                bar(song, first, marks(false, 2, 1));
                bar(song, second, marks(false, 0, 2));
                heard.addAll(bars);
                heard.add(first);
                heard.addAll(bars);
                heard.add(second);
            }
        }
        SongBuilder.Built built = song.build(VOICE, "Test piece");
        assertThat(built.order()).isEqualTo(heard);
        assertThat(heard(built.song())).isEqualTo(heard);
        assertThat(built.written().bars()).hasSize(next);
        assertThat(built.song().bars()).hasSize(heard.size());
        // what stands at written times is put where it is heard
        List<Integer> beginnings = built.inOrder(built.starts(), start -> start, (start, tick) -> tick);
        assertThat(beginnings)
                .isEqualTo(
                        built.song().bars().stream().map(one -> one.startTick()).toList());
    }

    /** Two parts with endings, each twice: players call them A and B (common practice, no source). */
    @Example
    void partsThatAreRepeatedHaveNames() {
        SongBuilder song = new SongBuilder();
        song.endBar(BAR / 4, BarMarks.NONE, true);
        for (int part = 0; part < 2; part++) {
            for (int bar = 0; bar < 3; bar++) {
                bar(song, bar, marks(bar == 0, 0));
            }
            bar(song, 3, marks(false, 2, 1));
            bar(song, 4, marks(false, 0, 2));
        }
        Song built = song.build(VOICE, "x").song();
        assertThat(built.sections()).extracting(Section::name).containsExactly("A", "A", "B", "B");
        assertThat(built.sections())
                .extracting(section -> built.barIndexAt(section.startTick()))
                .containsExactly(1, 5, 9, 13);
        assertThat(new Reprises(built).find())
                .extracting(Reprises.Reprise::lengthTicks)
                .as("up to the endings")
                .containsExactly(3 * BAR, 3 * BAR);
        SongBuilder figure = new SongBuilder();
        bar(figure, 0, marks(true, 4));
        bar(figure, 1, BarMarks.NONE);
        assertThat(figure.build(VOICE, "x").song().sections()).isEmpty();
        SongBuilder later = new SongBuilder();
        for (int bar = 0; bar < 8; bar++) {
            bar(later, bar, marks(bar == 2, bar == 5 ? 2 : 0));
        }
        Song intro = later.build(VOICE, "x").song();
        assertThat(intro.sections()).extracting(Section::name).containsExactly("A", "B", "B", "C");
    }

    @Example
    void jumpsGoWhereTheirSignsStand() {
        SongBuilder fine = new SongBuilder();
        bar(fine, 0, BarMarks.NONE);
        bar(fine, 1, sign(BarMarks.Sign.FINE));
        bar(fine, 2, new BarMarks(false, 0, Set.of(), Set.of(), Optional.of(BarMarks.Jump.DA_CAPO)));
        assertThat(fine.build(VOICE, "").order()).containsExactly(0, 1, 2, 0, 1);

        SongBuilder coda = new SongBuilder();
        bar(coda, 0, BarMarks.NONE);
        bar(coda, 1, sign(BarMarks.Sign.SEGNO));
        bar(coda, 2, sign(BarMarks.Sign.TO_CODA));
        bar(coda, 3, new BarMarks(false, 0, Set.of(), Set.of(), Optional.of(BarMarks.Jump.DAL_SEGNO)));
        bar(coda, 4, sign(BarMarks.Sign.CODA));
        assertThat(coda.build(VOICE, "").order()).containsExactly(0, 1, 2, 3, 1, 2, 4);

        SongBuilder lost = new SongBuilder();
        bar(lost, 0, BarMarks.NONE);
        bar(lost, 1, new BarMarks(false, 0, Set.of(), Set.of(), Optional.of(BarMarks.Jump.DAL_SEGNO)));
        assertThat(lost.build(VOICE, "").order()).containsExactly(0, 1);
        assertThat(lost.report().lines()).anyMatch(line -> line.contains("segno that is nowhere"));
    }

    @Example
    void sectionsArePlayedByName() {
        SongBuilder song = new SongBuilder();
        song.section(0, "A");
        bar(song, 0, BarMarks.NONE);
        bar(song, 1, BarMarks.NONE);
        song.section(0, "B");
        bar(song, 2, marks(true, 2));
        song.playSections(List.of("A", "B", "A"));
        assertThat(song.build(VOICE, "").order()).containsExactly(0, 1, 2, 2, 0, 1);
        song.playSections(List.of("A", "C"));
        assertThat(song.build(VOICE, "").order()).as("as they stand").containsExactly(0, 1, 2);
        assertThat(song.report().lines()).anyMatch(line -> line.contains("section C that is not"));
    }

    /** Ties make one note of several, over bar lines and into repeats; other pitches end them. */
    @Property(tries = 100)
    void tiedNotesAreOne(@ForAll long seed) {
        Random random = new Random(seed);
        SongBuilder song = new SongBuilder();
        List<MelodyNote> wanted = new ArrayList<>();
        int tick = 0;
        int from = 0;
        int midi = 60;
        boolean tied = false;
        int beats = 4 * (2 + random.nextInt(3));
        for (int beat = 0; beat < beats; beat++) {
            if (!tied) {
                midi = 60 + (midi - 60 + 1 + random.nextInt(5)) % 12;
                from = tick;
            }
            Tone tone = song.note(VOICE, tick % BAR, Ticks.QUARTER, Pitch.of(midi, Key.C_MAJOR));
            tick += Ticks.QUARTER;
            tied = beat < beats - 1 && random.nextInt(3) == 0;
            if (tied) {
                tone.tie();
            } else {
                wanted.add(new MelodyNote(from, tick - from, Pitch.of(midi, Key.C_MAJOR)));
            }
            if (tick % BAR == 0) {
                song.endBar(BAR, BarMarks.NONE, false);
            }
        }
        assertThat(song.build(VOICE, "").song().melody()).isEqualTo(wanted);
    }

    @Example
    void whatIsMissingIsTakenFromTheOtherPart() {
        SongBuilder voice = new SongBuilder();
        bar(voice, 24, BarMarks.NONE);
        bar(voice, 26, BarMarks.NONE);
        SongBuilder chords = new SongBuilder();
        chords.title("Lantern row");
        chords.tempo(72);
        chords.key(Key.parse("G"));
        chords.section(0, "Verse");
        chords.chord(0, ChordChange.parse(0, "G"));
        chords.endBar(BAR, marks(true, 0), false);
        chords.chord(2 * Ticks.QUARTER, ChordChange.parse(0, "D7"));
        chords.endBar(BAR, marks(false, 2), false);
        voice.complete(chords);
        Song song = voice.build(VOICE, "no name").song();
        assertThat(song.title()).isEqualTo("Lantern row");
        assertThat(song.tempo()).isEqualTo(72);
        assertThat(song.key()).isEqualTo(Key.parse("G"));
        assertThat(heard(song)).containsExactly(24, 26, 24, 26);
        assertThat(song.chart().stream().map(change -> change.symbol() + "@" + change.startTick()))
                .containsExactly("G@0", "D7@" + 3 * BAR / 2, "G@" + 2 * BAR, "D7@" + 7 * BAR / 2);
        assertThat(song.sections()).isNotEmpty().allMatch(section -> section.name()
                .startsWith("Verse"));
    }

    @Example
    void whatIsReadTwiceOrCannotBeIsSaid() {
        SongBuilder song = new SongBuilder();
        song.at("line 3");
        song.chord(0, ChordChange.parse(0, "C"));
        song.chord(0, ChordChange.parse(0, "Am"));
        song.note(VOICE, 0, 0, Pitch.parse("C4"));
        song.tempo(900);
        song.tempo(100);
        song.tempo(110);
        song.meter(7, 3);
        song.meter(8, 64);
        song.key(Key.parse("D"));
        song.key(Key.parse("G"));
        song.title(" ");
        song.title("Weir");
        song.title("Later");
        bar(song, 20, BarMarks.NONE);
        Song built = song.build(VOICE, "no name").song();
        assertThat(built.title()).isEqualTo("Weir");
        assertThat(built.tempo()).isEqualTo(100);
        assertThat(built.key()).isEqualTo(Key.parse("D"));
        assertThat(built.bars().get(0).meter()).as("8/64 is 4/32").isEqualTo(new Meter(4, 32));
        assertThat(built.chart()).extracting(ChordChange::symbol).containsExactly("Am");
        String said = String.join("\n", song.report().lines());
        assertThat(said)
                .contains("line 3: two chord symbols stand on one beat")
                .contains("notes without length were left out")
                .contains("tempo 900 is outside 20 to 400; 90 is used")
                .contains("changes of tempo are not used yet")
                .contains("the meter 7/3 is not used")
                .contains("the change of key to G");
        assertThatThrownBy(() -> new SongBuilder().build(VOICE, "")).isInstanceOf(IllegalArgumentException.class);
    }

    /** Of notes of the own bass at once the lowest; a second voice where it begins with the tune. */
    @Example
    void otherVoicesBecomeBassAndSecond() {
        SongBuilder song = new SongBuilder();
        song.note("high", 0, 2 * Ticks.QUARTER, Pitch.parse("E5"));
        song.note("high", 2 * Ticks.QUARTER, 2 * Ticks.QUARTER, Pitch.parse("D5"));
        song.note("middle", 0, 2 * Ticks.QUARTER, Pitch.parse("C5"));
        song.note("low", 0, 2 * Ticks.QUARTER, Pitch.parse("C3"));
        song.note("low", 0, 2 * Ticks.QUARTER, Pitch.parse("G3"));
        song.note("low", 2 * Ticks.QUARTER, 2 * Ticks.QUARTER, Pitch.parse("B2"));
        song.endBar(BAR, BarMarks.NONE, false);
        assertThat(song.voices()).containsExactly("high", "middle", "low");
        assertThat(song.notes("low")).isEqualTo(3);
        song.bass(song, "low");
        song.harmony(song, "middle");
        Song built = song.build("high", "Test piece").song();
        assertThat(built.bass()).extracting(note -> note.pitch().toString()).containsExactly("C3", "B2");
        assertThat(built.melody()).extracting(note -> note.pitch().toString()).containsExactly("E5", "D5");
        assertThat(built.melody().get(0).below()).map(Pitch::toString).contains("C5");
        assertThat(built.melody().get(1).below()).isEmpty();
    }
}
