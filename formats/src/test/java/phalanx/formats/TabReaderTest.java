package phalanx.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.stream.Collectors;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import phalanx.arrange.Arranger;
import phalanx.arrange.Transcriber;
import phalanx.arrange.Written;
import phalanx.arrange.demand.Role;
import phalanx.arrange.demand.Wishes;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.FindingKind;
import phalanx.arrange.score.Hold;
import phalanx.formats.musicxml.MusicXmlReader;
import phalanx.formats.musicxml.MusicXmlWriter;
import phalanx.formats.reading.FormatException;
import phalanx.formats.reading.Reading;
import phalanx.formats.tab.TabReader;
import phalanx.formats.tab.TabWriter;
import phalanx.guitar.Guitar;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.guitar.Tuning;
import phalanx.righthand.Picking;
import phalanx.song.ChordChange;
import phalanx.song.Song;
import phalanx.song.Ticks;
import phalanx.technique.Attack;
import phalanx.technique.Hit;
import phalanx.technique.HitKind;
import phalanx.theory.Key;

class TabReaderTest {
    private static Reading read(String text) throws FormatException {
        return new TabReader("x").read(text.getBytes(StandardCharsets.UTF_8));
    }

    private static Arrangement played(Reading reading) {
        return new Transcriber(reading.written().orElseThrow().on(Guitar.STEEL), Hand.AVERAGE)
                .arrange(reading.song(), reading.written().get(), Picking.PLAIN, Wishes.USUAL, List.of());
    }

    private static List<String> places(Arrangement arrangement) {
        return arrangement.notes().stream()
                .map(note -> note.tick() + " " + note.string() + "/" + note.fret())
                .toList();
    }

    /** In this song a bass that only a third finger would bring within reach hid all others. */
    @Example
    void aSongWithABassOutOfReachComesBack() throws FormatException {
        itsOwnTablatureComesBack(22097);
    }

    /**
     * What Phalanx writes as tablature it reads again: every note at its place, bars, chords and sections. Times come
     * back as fine as text shows them, which has at most 24 columns a beat.
     */
    @Property
    void itsOwnTablatureComesBack(@ForAll long seed) throws FormatException {
        String[] tunings = {"standard", "D A D G B E", "D A D G A D", "open G", "E A D G B E"};
        int which = (int) Math.floorMod(seed, (long) tunings.length);
        Instrument guitar = new Instrument(Guitar.STEEL, Tuning.parse(tunings[which]), which);
        Arrangement arranged =
                new Arranger(guitar, Hand.AVERAGE).quick(RandomSong.of(seed), Picking.PLAIN, List.of(), () -> false);
        Reading reading = read(new TabWriter().write(arranged));
        Arrangement again = played(reading);
        assertThat(reading.written().orElseThrow().on(Guitar.STEEL)).isEqualTo(guitar);
        assertThat(again.notes())
                .extracting(note -> note.string() + "/" + note.fret())
                .isEqualTo(arranged.notes().stream()
                        .map(note -> note.string() + "/" + note.fret())
                        .toList());
        for (int i = 0; i < again.notes().size(); i++) {
            int tick = arranged.notes().get(i).tick();
            int finest = arranged.song().barAt(tick).meter().beatTicks() / 24;
            assertThat(again.notes().get(i).tick()).isCloseTo(tick, within(finest));
        }
        assertThat(reading.song().bars()).isEqualTo(arranged.song().bars());
        assertThat(reading.song().sections()).isEqualTo(arranged.song().sections());
        assertThat(reading.song().chart())
                .extracting(ChordChange::symbol)
                .isSubsetOf(arranged.song().chart().stream()
                        .map(ChordChange::symbol)
                        .toList());
        assertThat(reading.song().key()).isEqualTo(arranged.song().key());
        assertThat(reading.song().tempo()).isEqualTo(arranged.song().tempo());
    }

    /** A hand that is found for written notes stops them all, in reach, one finger at one place. */
    @Property
    void everyWrittenNoteIsStoppedByAFinger(@ForAll long seed) throws FormatException {
        Arrangement arranged = new Arranger(Instrument.STANDARD, Hand.AVERAGE)
                .quick(RandomSong.of(seed), Picking.PLAIN, List.of(), () -> false);
        Arrangement again = played(read(new TabWriter().write(arranged)));
        for (ArrangedNote note : again.notes()) {
            int tick = note.tick()
                    + (note.attack() instanceof Attack.Graced graced
                            ? graced.ticks(again.song().tempo())
                            : 0);
            List<Hold> over = again.holds().stream()
                    .filter(hold -> hold.tick() <= tick
                            && hold.endTick() > tick
                            && hold.press().covers(note.string()))
                    .toList();
            int stopped =
                    over.stream().mapToInt(hold -> hold.press().fret()).max().orElse(0);
            assertThat(stopped).isEqualTo(note.fret());
        }
        boolean reachable = arranged.findings().stream().noneMatch(found -> found.kind() == FindingKind.REACH);
        if (reachable) {
            assertThat(again.findings())
                    .extracting(found -> found.kind())
                    .doesNotContain(FindingKind.FINGER_CONFLICT, FindingKind.STRING_CLASH, FindingKind.REACH);
        }
    }

    /** Found by the property above: the thumb has fret 3 and finger 4 fret 8, from a hand that stands at fret 4. */
    /** A chuck on the first beat of every bar: notes begin on the second. */
    @Test
    void aHitOnTheFirstBeatKeepsItsPlace() throws FormatException {
        Reading reading = read(
                """
                Chucks, 4/4, key C, 90 bpm, no capo

                e|-x---0---1---3---|-x---3---1---0---|
                B|-x---------------|-x---------------|
                G|-x---------------|-x---------------|
                D|-x---------------|-x---------------|
                A|-x---------------|-x---------------|
                E|-x---------------|-x---------------|
                """);
        Written written = reading.written().orElseThrow();
        assertThat(written.hits()).extracting(Hit::tick).containsExactly(0, 4 * Ticks.QUARTER);
        assertThat(written.notes().get(0).tick()).isEqualTo(Ticks.QUARTER);
        assertThat(written.notes().get(3).tick()).isEqualTo(5 * Ticks.QUARTER);
    }

    /** Crosses over all strings, on bass strings beside a note, on one treble string; a row of hits; a letter that is none. */
    @Test
    void hitsAreRead() throws FormatException {
        Reading reading = read(
                """
                Crosses, 4/4, key C, 90 bpm, no capo

                e|-0-----x-----3-----------|-0-----------0-----------|
                B|-1-----x-----------x-----|-1-----------1-----------|
                G|-------x-----------------|-------------------------|
                D|-------x-----------------|-------------------------|
                A|-3-----------x-----------|-3-----------3-----------|
                E|-------x-----x-----------|-------------------------|
                hit                          h     s  z        k
                   1     2     3     4       1     2     3     4
                """);
        assertThat(reading.written().orElseThrow().hits())
                .containsExactly(
                        new Hit(Ticks.QUARTER, HitKind.CHUCK),
                        new Hit(2 * Ticks.QUARTER, HitKind.SLAP),
                        new Hit(3 * Ticks.QUARTER, HitKind.DEAD),
                        new Hit(4 * Ticks.QUARTER, HitKind.HEEL),
                        new Hit(5 * Ticks.QUARTER, HitKind.SLAP),
                        new Hit(7 * Ticks.QUARTER, HitKind.KNOCK));
        assertThat(String.join("\n", reading.report()))
                .contains(
                        "as a chuck", "as a slap", "treble strings are read as dead strokes", "\"z\" in a row of hits");
        Arrangement played = played(reading);
        // the slap on the third beat: a finger plucks there, so that the thumb's joint knocks in its place
        assertThat(played.hits())
                .extracting(Hit::kind)
                .containsExactly(HitKind.CHUCK, HitKind.KNOCK, HitKind.DEAD, HitKind.HEEL, HitKind.SLAP, HitKind.KNOCK);
        String again = new TabWriter().write(played);
        assertThat(read(again).written().orElseThrow().hits()).isEqualTo(played.hits());
        // a hit that is put into our own text by hand counts, though the lines at its end do not know it
        String more = again.replaceFirst("(?m)^hit( *)c", "hit$1k");
        assertThat(read(more).written().orElseThrow().hits().get(0)).isEqualTo(new Hit(Ticks.QUARTER, HitKind.KNOCK));
        String earlier = again.replaceFirst("(?m)^hit( *) {6}c", "hit$1c");
        assertThat(read(earlier).written().orElseThrow().hits().get(0)).isEqualTo(new Hit(0, HitKind.CHUCK));
    }

    @Test
    void theHandStandsAFretLowerForTheThumb() throws FormatException {
        everyWrittenNoteIsStoppedByAFinger(7740);
    }

    /** The commonest slur of all: the finger of the lower fret is down before the higher one leaves. */
    @Test
    void aPullLandsOnAFingerThatIsDown() throws FormatException {
        Arrangement arrangement = played(
                read(
                        """
                e|-0h1-3p1-0-------|-----------------|
                B|-----------3p1-0-|-1---------------|
                G|-----------------|-0---------------|
                D|-----------------|-2---------------|
                A|-----------------|-3---------------|
                E|-3---------------|-----------------|
                """));
        assertThat(arrangement.slurred().keySet().stream()
                        .map(note -> note.string() + "/" + note.fret() + " "
                                + note.attack().label()))
                .containsExactly("1/1 hammer", "1/1 pull", "2/1 pull");
        assertThat(arrangement.findings())
                .extracting(Finding::kind)
                .doesNotContain(FindingKind.LOCK_NOT_KEPT, FindingKind.SLUR_CONFLICT, FindingKind.FINGER_CONFLICT);
        ArrangedNote three = arrangement.notes().stream()
                .filter(note -> note.string() == 1 && note.fret() == 3)
                .findFirst()
                .orElseThrow();
        assertThat(arrangement.holds())
                .anyMatch(hold ->
                        hold.press().fret() == 1 && hold.tick() <= three.tick() && hold.endTick() > three.endTick());
    }

    /** A traditional tune as players type it: no count, loose spacing, a hammer-on, a repeat, figures of two places. */
    @Test
    void handTypedTablatureIsReadByItsSpacing() throws FormatException {
        Reading reading = read(
                """
                Twinkle, twinkle (traditional)
                Tuning: DADGBE, capo 2

                  D               G       D
                e|----------------|-----2---2-----|
                B|--3---3-------10|---------------|
                G|----2---2--11---|-4---4---2---2-|
                D|-0-----------0--|-0-------0-----|
                A|-----0----------|-----0-------0-|
                D|-0--------------|---------------|

                  A7              D
                E||:--3---2h3---0-:||--------------||
                B||:--------------:||3-----2-----0-||
                G||:--------------:||2-------------||
                D||:--------------:||0-------------||
                A||:0-----0-----0-:||--------------||
                D||:--------------:||--x-----------||
                """);
        Song song = reading.song();
        assertThat(song.title()).isEqualTo("Twinkle, twinkle (traditional)");
        assertThat(song.bars()).hasSize(5);
        assertThat(song.chart()).extracting(ChordChange::symbol).containsExactly("D", "G", "D", "A7", "A7", "D");
        assertThat(reading.written().orElseThrow().capo()).isEqualTo(2);
        assertThat(String.join("\n", reading.report()))
                .contains("dead strokes", "no tempo", "4/4 is taken")
                .doesNotContain("hammer");
        Arrangement arrangement = played(reading);
        assertThat(places(arrangement).subList(0, 3)).containsExactly("0 6/0", "0 4/0", "420 2/3");
        assertThat(arrangement.notes().stream()
                        .filter(note -> note.attack().label().equals("hammer")))
                .hasSize(2)
                .allMatch(note -> note.string() == 1 && note.fret() == 3);
        // string 1 at fret 3, capo 2: A4; twice, because the bar is repeated
        assertThat(arrangement.notes().stream().filter(note -> note.string() == 1 && note.fret() == 3))
                .hasSize(4)
                .allMatch(note -> note.midi() == 69 && note.role() == Role.MELODY);
    }

    @ParameterizedTest
    @CsvSource({
        "|-0-1-2-3-|, 0 1 2 3",
        "|0---1---2---3---|, 0 1 2 3",
        "|-0--1--2--3-|, 0 1 2 3",
        "|--0-0-1-1-2-2-3-3-|, 0 0.5 1 1.5 2 2.5 3 3.5",
        "|-0-------1---2---|, 0 2 3",
        "|-0-1-1-2-3-3-|, 0 0.667 1.333 2 2.667 3.333"
    })
    void spacingIsTime(String line, String beats) throws FormatException {
        String system = ("e" + line + "\n")
                + ("B" + line.replaceAll("\\d", "-") + "\n").repeat(1)
                + ("G" + line.replaceAll("\\d", "-") + "\n")
                + ("D" + line.replaceAll("\\d", "-") + "\n")
                + ("A" + line.replaceAll("\\d", "-") + "\n")
                + ("E" + line.replaceAll("\\d", "-") + "\n");
        String heard = read(system).written().orElseThrow().notes().stream()
                .map(note -> Math.round(1000.0 * note.tick() / Ticks.QUARTER) / 1000.0)
                .map(beat -> beat == Math.rint(beat) ? String.valueOf(beat.intValue()) : String.valueOf(beat))
                .collect(Collectors.joining(" "));
        assertThat(heard).isEqualTo(beats.trim());
    }

    @Test
    void aCountingLineGivesMeterAndPickup() throws FormatException {
        Reading reading = read(
                """
                e|-0-|-3-----2---0--|
                B|---|--------------|
                G|---|--------------|
                D|---|--------------|
                A|---|-0------------|
                E|---|--------------|
                   3   1  &  2 & 3
                """);
        assertThat(reading.song().bars())
                .extracting(bar -> bar.meter() + " " + bar.lengthTicks())
                .containsExactly("3/4 1680", "3/4 5040");
        assertThat(reading.written().orElseThrow().notes())
                .extracting(note -> note.tick())
                .containsExactly(0, 1680, 1680, 3360, 5040);
    }

    /** In five a last beat of fives looks like the beats; a duplet in 6/8 falls on no third. */
    @Example
    void aLastBeatOfFivesComesBack() throws FormatException {
        itsOwnTablatureComesBack(43324);
        itsOwnTablatureComesBack(1558);
    }

    /** Fives by number, triplets by word, whatever the columns look like. */
    @Test
    void theCountSaysHowBeatsAreDivided() throws FormatException {
        Reading reading = read(
                """
                e|-0-2-3-2-0-0-2-3-2-0-3----5----7---8---|
                B|---------------------------------------|
                G|---------------------------------------|
                D|---------------------------------------|
                A|---------------------------------------|
                E|---------------------------------------|
                   1 2 3 4 5 2 2 3 4 5 3    trip let 4 &
                """);
        assertThat(reading.written().orElseThrow().notes())
                .extracting(note -> note.tick())
                .containsExactly(0, 336, 672, 1008, 1344, 1680, 2016, 2352, 2688, 3024, 3360, 3920, 4480, 5040);
    }

    @Test
    void twoFiguresThatMakeNoFretAreTwoNotes() throws FormatException {
        Reading reading = read(
                """
                e|-35-------|
                B|----------|
                G|----------|
                D|----------|
                A|-0--------|
                E|----------|
                """);
        assertThat(reading.written().orElseThrow().notes())
                .filteredOn(note -> note.string() == 1)
                .extracting(note -> note.fret())
                .containsExactly(3, 5);
    }

    @Test
    void aShapeThatNoHandHoldsIsKeptAndFound() throws FormatException {
        Arrangement arrangement = played(
                read(
                        """
                key A minor
                e|-12--|
                B|-1---|
                G|-----|
                D|-----|
                A|-----|
                E|-1---|
                """));
        assertThat(arrangement.notes()).hasSize(3);
        assertThat(arrangement.song().key()).isEqualTo(Key.parse("A minor"));
        assertThat(arrangement.findings()).anyMatch(found -> found.kind() == FindingKind.REACH);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "hello; not tablature",
                "e|---0---|/B|-------|/G|-------|; 3 string lines",
                "e|-------|/B|-------|/G|-------|/D|-------|/A|-------|/E|-------|; no fret figures",
                "e|--23---|/B|-------|/G|-------|/D|-------|/A|-------|/E|-------|; fret 23 is beyond the neck",
                "capo 19/e|--2---|/B|-------|/G|-------|/D|-------|/A|-------|/E|-------|; capo 19",
                "tempo 900/e|--2---|/B|-------|/G|-------|/D|-------|/A|-------|/E|-------|; tempo 900",
                "tuning D A D G/e|--2---|/B|----|/G|----|/D|----|/A|----|/E|----|; 4 notes are named for 6"
            })
    void eachBadTablatureHasOneClearError(String text, String reason) {
        assertThatThrownBy(() -> read(text.replace('/', '\n')))
                .isInstanceOf(FormatException.class)
                .hasMessageContaining(reason.trim())
                .hasMessageNotContaining("\n");
    }

    /** A tablature staff keeps its strings and frets: what was exported opens as the same arrangement. */
    @Property
    void anArrangementInMusicXmlComesBackAsItWas(@ForAll long seed) throws FormatException {
        Instrument guitar = new Instrument(Guitar.STEEL, Tuning.parse("D A D G B E"), (int) Math.floorMod(seed, 3L));
        Arrangement arranged =
                new Arranger(guitar, Hand.AVERAGE).quick(RandomSong.of(seed), Picking.PLAIN, List.of(), () -> false);
        Reading reading = new MusicXmlReader("x").read(new MusicXmlWriter().write(arranged));
        assertThat(reading.written().orElseThrow().on(Guitar.STEEL)).isEqualTo(guitar);
        assertThat(places(played(reading))).isEqualTo(places(arranged));
    }
}
