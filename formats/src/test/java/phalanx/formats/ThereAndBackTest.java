package phalanx.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import phalanx.arrange.Arranger;
import phalanx.arrange.Transcriber;
import phalanx.arrange.Written;
import phalanx.arrange.colour.AttackAdvice;
import phalanx.arrange.demand.AttackLock;
import phalanx.arrange.demand.Role;
import phalanx.arrange.demand.Wishes;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.FindingKind;
import phalanx.formats.midi.MidiWriter;
import phalanx.formats.musicxml.MusicXmlReader;
import phalanx.formats.musicxml.MusicXmlWriter;
import phalanx.formats.reading.FormatException;
import phalanx.formats.reading.Reading;
import phalanx.formats.tab.TabReader;
import phalanx.formats.tab.TabWriter;
import phalanx.guitar.Guitar;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.righthand.BassLine;
import phalanx.righthand.BassStrings;
import phalanx.righthand.Level;
import phalanx.righthand.Pattern;
import phalanx.righthand.PatternLibrary;
import phalanx.righthand.Picking;
import phalanx.song.Bar;
import phalanx.song.Song;
import phalanx.song.Ticks;
import phalanx.technique.Attack;
import phalanx.technique.Groove;
import phalanx.technique.Grooves;
import phalanx.technique.Hit;
import phalanx.technique.HitKind;

/** Arrangements with every pattern, written to a file and read again: every note, chord and word is there. */
class ThereAndBackTest {
    private static final boolean DEEP = Boolean.getBoolean("phalanx.deep");
    private static final int SONGS = DEEP ? 10 : 1;
    /** In the sample every third pattern. */
    private static final int STEP = DEEP ? 1 : 3;

    @TempDir
    private Path folder;

    private static Set<String> places(Arrangement arrangement) {
        return arrangement.notes().stream()
                .map(note -> note.tick() + " " + note.string() + " " + note.fret())
                .collect(Collectors.toCollection(TreeSet::new));
    }

    private static Set<String> places(Written written) {
        return written.notes().stream()
                .map(note -> note.tick() + " " + note.string() + " " + note.fret())
                .collect(Collectors.toCollection(TreeSet::new));
    }

    @Test
    void nothingIsLostWithAnyPattern() throws FormatException {
        Arranger arranger = new Arranger(Instrument.STANDARD, Hand.AVERAGE);
        List<Pattern> patterns = PatternLibrary.standard().all();
        int fitted = 0;
        int whole = 0;
        int hits = 0;
        for (int i = 0; i < patterns.size() * SONGS; i += STEP) {
            Pattern pattern = patterns.get(i % patterns.size());
            Picking picking = Picking.PLAIN.withPlan(new Picking.Plan(
                    Optional.of(pattern),
                    BassLine.ALTERNATING,
                    Level.EVEN,
                    BassStrings.AS_IT_LIES,
                    groove(RandomSong.of(i), i)));
            Arrangement arrangement;
            try {
                arrangement = arranger.quick(RandomSong.of(i), picking, List.of(), () -> false);
            } catch (IllegalArgumentException e) {
                // a pattern in another meter than the song's is refused with a reason
                continue;
            }
            fitted++;
            for (String ending : List.of(".musicxml", ".tab.txt", ".fingers.tab.txt")) {
                Path file = folder.resolve("song" + i + ending);
                ArrangementFiles.write(arrangement, file);
                Reading reading = SongFiles.read(file);
                String about = pattern.name() + ", song " + i + ending;
                assertThat(places(reading.written().orElseThrow())).as(about).isEqualTo(places(arrangement));
                assertThat(reading.written().orElseThrow().hits()).as(about).isEqualTo(arrangement.hits());
                hits += arrangement.hits().size();
                // a score of the guitar alone has no more of the tune than the guitar plays
                boolean text = ending.endsWith(".tab.txt");
                if (arrangement.cost().tune() == 0 || text) {
                    whole++;
                    assertThat(reading.song()).as(about).isEqualTo(text ? arrangement.song() : asPlayed(arrangement));
                }
            }
        }
        assertThat(whole).isGreaterThan(fitted * 5 / 2);
        assertThat(hits).isPositive();
        assertThat(fitted).isGreaterThan(patterns.size() / STEP / 2);
    }

    /** The same notes by an independent reader, the JDK's sequencer, in tracks by who plays them. */
    @Test
    void midiHasEveryNoteInItsTrackWithWordsAndChords() throws Exception {
        String abc = "X:1\nT:Tracks\nM:4/4\nL:1/4\nK:G\n\"G\"G B d B|\"C\"c e \"D\"d2|\"G\"G4|\nw:one two three-four\n";
        Song song = SongFiles.read(Files.writeString(folder.resolve("tracks.abc"), abc))
                .song();
        Pattern pattern = PatternLibrary.standard().get("Shed Door");
        Picking picking =
                Picking.PLAIN.withPlan(new Picking.Plan(Optional.of(pattern), BassLine.ALTERNATING, Level.EVEN));
        Arrangement arrangement =
                new Arranger(Instrument.STANDARD, Hand.AVERAGE).quick(song, picking, List.of(), () -> false);
        Path file = folder.resolve("tracks.mid");
        ArrangementFiles.write(arrangement, file);
        Sequence sequence = MidiSystem.getSequence(file.toFile());
        Set<String> sounding = new TreeSet<>();
        Set<String> names = new TreeSet<>();
        int hits = 0;
        for (Track track : sequence.getTracks()) {
            for (int i = 0; i < track.size(); i++) {
                if (track.get(i).getMessage() instanceof MetaMessage meta && meta.getType() == 3) {
                    names.add(new String(meta.getData(), StandardCharsets.UTF_8));
                } else if (track.get(i).getMessage() instanceof ShortMessage note
                        && note.getCommand() == ShortMessage.NOTE_ON) {
                    hits += note.getChannel() == 9 ? 1 : 0;
                    if (note.getChannel() != 9) {
                        sounding.add(track.get(i).getTick() + " " + note.getData1());
                    }
                }
            }
        }
        assertThat(names).contains("Tracks", "Tune", "Thumb", "Fingers", "Hits");
        assertThat(hits).isEqualTo(arrangement.hits().size()).isPositive();
        assertThat(sounding)
                .isEqualTo(arrangement.notes().stream()
                        .map(note -> note.tick() + " " + note.midi())
                        .collect(Collectors.toCollection(TreeSet::new)));
        String xml = new String(new MusicXmlWriter().write(arrangement), StandardCharsets.UTF_8);
        assertThat(xml.split("<unpitched>")).hasSize(1 + arrangement.hits().size());
        assertThat(xml).contains("<part-name>Hits</part-name>", "slap</words>");
        long brushed = arrangement.notes().stream()
                .filter(note -> note.attack() instanceof Attack.Brush || note.attack() instanceof Attack.Roll)
                .count();
        assertThat(xml.split("<arpeggiate").length - 1L).isEqualTo(brushed).isPositive();
        Song again = SongFiles.read(file).song();
        assertThat(again.chart()).isEqualTo(arrangement.song().chart());
        assertThat(again.melody().get(2).syllable()).contains("three-");
    }

    @Test
    void chordsAloneComeBackWithTheirStrokes() throws Exception {
        String abc = "X:1\nT:Chords\nM:4/4\nL:1/4\nK:G\n\"G\"z4|\"C\"z2 \"D7\"z2|\"G\"z4|\n";
        Song song = SongFiles.read(Files.writeString(folder.resolve("chords.abc"), abc))
                .song();
        Arrangement arrangement =
                new Arranger(Instrument.STANDARD, Hand.AVERAGE).quick(song, Picking.PLAIN, List.of(), () -> false);
        for (String ending : List.of(".musicxml", ".tab.txt")) {
            Path file = folder.resolve("chords" + ending);
            ArrangementFiles.write(arrangement, file);
            Reading reading = SongFiles.read(file);
            assertThat(reading.song()).as(ending).isEqualTo(arrangement.song());
            assertThat(places(reading.written().orElseThrow())).as(ending).isEqualTo(places(arrangement));
        }
    }

    @Test
    void aRowOfFingersNamesEveryFingerOfEveryMoment() {
        for (int seed = 0; seed < 6 * SONGS; seed++) {
            Arrangement arrangement = new Arranger(Instrument.STANDARD, Hand.AVERAGE)
                    .quick(RandomSong.of(seed), Picking.PLAIN, List.of(), () -> false);
            Map<Integer, String> wanted = new TreeMap<>();
            arrangement.notes().stream()
                    .sorted(Comparator.comparingInt(note -> -note.string()))
                    .forEach(note -> note.left()
                            .ifPresent(finger -> wanted.merge(
                                    note.tick(),
                                    finger.symbol(),
                                    (one, other) -> one.contains(other) ? one : one + other)));
            String written = new TabWriter(true)
                    .write(arrangement)
                    .lines()
                    .filter(line -> line.startsWith("LH "))
                    .map(line -> line.substring(3).strip())
                    .collect(Collectors.joining(" "));
            assertThat(written.split("\\s+")).as("seed " + seed).containsExactlyElementsOf(wanted.values());
        }
    }

    /** One that fits a song's bars; none for every second. */
    /** The song with those grace notes alone that the guitar plays. */
    private static Song asPlayed(Arrangement arrangement) {
        Map<Integer, Integer> played = new HashMap<>();
        arrangement.notes().stream()
                .filter(note -> note.role() == Role.MELODY)
                .forEach(note ->
                        played.put(note.tick(), note.graces(Instrument.STANDARD).size()));
        return arrangement
                .song()
                .withMelody(arrangement.song().melody().stream()
                        .map(note -> note.graced(note.graces()
                                .subList(
                                        note.graces().size() - played.get(note.tick()),
                                        note.graces().size())))
                        .toList());
    }

    private static Optional<Groove> groove(Song song, int i) {
        Bar last = song.bars().get(song.bars().size() - 1);
        List<Groove> fitting = Grooves.shipped().all().stream()
                .filter(groove -> groove.fits(last))
                .toList();
        return i % 2 == 1 || fitting.isEmpty() ? Optional.empty() : Optional.of(fitting.get(i / 2 % fitting.size()));
    }

    private static Arrangement played(Reading reading) {
        Written written = reading.written().orElseThrow();
        return new Transcriber(written.on(Guitar.STEEL), Hand.AVERAGE)
                .arrange(reading.song(), written, Picking.PLAIN, Wishes.USUAL, List.of());
    }

    /** An arrangement in which every other note that can be is slurred. */
    private static Arrangement slurred(int seed) {
        Arranger arranger = new Arranger(Instrument.STANDARD, Hand.AVERAGE);
        Song song = RandomSong.of(seed);
        Arrangement plain = arranger.quick(song, Picking.PLAIN, List.of(), () -> false);
        AttackAdvice advice = new AttackAdvice(plain);
        List<AttackLock> locks = new ArrayList<>();
        for (ArrangedNote note : plain.notes()) {
            boolean free = locks.isEmpty() || locks.get(locks.size() - 1).tick() + Ticks.QUARTER < note.tick();
            if (free
                    && note.role() != Role.INNER
                    && advice.refusal(note, AttackLock.Way.SLURRED).isEmpty()) {
                locks.add(new AttackLock(note.tick(), note.role(), AttackLock.Way.SLURRED));
            }
        }
        return arranger.quick(song, Picking.PLAIN, locks, () -> false);
    }

    private static List<String> attacks(Arrangement arrangement) {
        return arrangement.notes().stream()
                .filter(note -> !note.attack().plucked())
                .map(note -> note.tick() + " " + note.string() + "/" + note.fret() + " "
                        + note.attack().label())
                .toList();
    }

    @Test
    void slursComeBackFromTablatureAndFromMusicXml() throws FormatException {
        Set<String> kinds = new TreeSet<>();
        for (int seed = 0; seed < 12 * SONGS; seed++) {
            Arrangement before = slurred(seed);
            before.notes().stream().map(note -> note.attack().label()).forEach(kinds::add);
            String text = new TabWriter().write(before);
            Arrangement fromText = played(new TabReader("x").read(text.getBytes(StandardCharsets.UTF_8)));
            byte[] xml = new MusicXmlWriter().write(fromText);
            Arrangement fromXml = played(new MusicXmlReader("x").read(xml));
            // other fingers may be found for the same frets, and with them a slur be left out; its kind stays
            assertThat(attacks(fromXml)).as("seed " + seed).isEqualTo(attacks(fromText));
            assertThat(attacks(before)).as("seed " + seed).containsAll(attacks(fromText));
            assertThat(fromText.notes().stream()
                                    .filter(note -> !note.attack().plucked())
                                    .count()
                            + fromText.findings().stream()
                                    .filter(finding -> finding.kind() == FindingKind.LOCK_NOT_KEPT)
                                    .count())
                    .as("seed " + seed)
                    .isEqualTo(attacks(before).size());
        }
        assertThat(kinds).contains("hammer", "pull", "slide");
    }

    /** A slide down and up, a hammer-on and a pull-off on the same frets: each is what its sign says. */
    @Test
    void everySignOfASlurMeansItsOwn() throws FormatException {
        String text = String.join(
                "\n",
                "tempo 70",
                "e|-----------------|-----------------|",
                "B|-5-/7---7\\5-----|-5h7-----7p5-----|",
                "G|-----------------|-----------------|",
                "D|-----------------|-----------------|",
                "A|-0-------0-------|-0-------0-------|",
                "E|-----------------|-----------------|",
                "");
        Arrangement fromText = played(new TabReader("x").read(text.getBytes(StandardCharsets.UTF_8)));
        assertThat(attacks(fromText).stream().map(attack -> attack.split(" ", 2)[1]))
                .containsExactly("2/7 slide", "2/5 slide", "2/7 hammer", "2/5 pull");
        assertThat(attacks(played(new MusicXmlReader("x").read(new MusicXmlWriter().write(fromText)))))
                .isEqualTo(attacks(fromText));
        byte[] again = new TabWriter().write(fromText).getBytes(StandardCharsets.UTF_8);
        assertThat(attacks(played(new TabReader("x").read(again)))).isEqualTo(attacks(fromText));
    }

    /** A tablature with bends and harmonics, as players type it, and what comes of it on the way through MusicXML. */
    @Test
    void bendsAndHarmonicsComeInWithTheirPitches() throws FormatException {
        String text = String.join(
                "\n",
                "e|-<12>---<7>--|-5-b7-------|",
                "B|-------------|------5-h6--|",
                "G|-------------|------------|",
                "D|-------------|------------|",
                "A|-0-----------|-0----------|",
                "E|-------------|------------|",
                "   1 2 3 4       1 2  3 4");
        Arrangement fromText = played(new TabReader("x").read(text.getBytes(StandardCharsets.UTF_8)));
        assertThat(heard(fromText))
                .containsSubsequence("76 harmonic", "83 harmonic", "69 pluck", "71 bend", "64 pluck");
        // the fingers decide whether a slur is hammered or slid
        assertThat(heard(fromText)).containsAnyOf("65 hammer", "65 slide");
        Arrangement fromOwn =
                played(new TabReader("x").read(new TabWriter().write(fromText).getBytes(StandardCharsets.UTF_8)));
        assertThat(heard(fromOwn)).isEqualTo(heard(fromText));
        Arrangement fromXml = played(new MusicXmlReader("x").read(new MusicXmlWriter().write(fromText)));
        assertThat(heard(fromXml)).isEqualTo(heard(fromText));
    }

    /** Over open strings, so that both hands are free for all of them. */
    @Test
    void everyKindOfHitComesInAndGoesOut() throws FormatException {
        String text = String.join(
                "\n",
                "e|-0---------------|-----------------|",
                "B|-0---------------|-----------------|",
                "G|-0---------------|-----------------|",
                "D|-----------------|-----------------|",
                "A|-----------------|-----------------|",
                "E|-0---------------|-----------------|",
                "hit    h   k   s     n   t   c   d",
                "   1   2   3   4     1   2   3   4",
                "",
                "e|-----------------|",
                "B|-----------------|",
                "G|-----------------|",
                "D|-----------------|",
                "A|-----------------|",
                "E|-----------------|",
                "hit  b       q",
                "   1   2   3   4");
        Arrangement fromText = played(new TabReader("x").read(text.getBytes(StandardCharsets.UTF_8)));
        assertThat(fromText.hits().stream().map(Hit::kind)).containsExactlyInAnyOrder(HitKind.values());
        byte[] own = new TabWriter().write(fromText).getBytes(StandardCharsets.UTF_8);
        assertThat(played(new TabReader("x").read(own)).hits()).isEqualTo(fromText.hits());
        byte[] xml = new MusicXmlWriter().write(fromText);
        Arrangement fromXml = played(new MusicXmlReader("x").read(xml));
        assertThat(fromXml.hits()).isEqualTo(fromText.hits());
        // what a slapped harmonic sounds is not read as plucked beside it
        assertThat(heard(fromXml)).isEqualTo(heard(fromText)).contains("67 harmonic", "76 harmonic");
    }

    /** Up and back by one finger: the fret stays, the pitch goes a whole step up and comes down. */
    @Test
    void aBendIsLetGoAgain() throws Exception {
        String text = String.join(
                "\n",
                "tempo 80",
                "e|-------------|-------------|",
                "B|-8-b10-r8----|-6-b7--r6-5--|",
                "G|-------------|-------------|",
                "D|-------------|-------------|",
                "A|-0-----------|-0-----------|",
                "E|-------------|-------------|",
                "   1 2   3 4     1 2   3  4");
        Arrangement fromText = played(new TabReader("x").read(text.getBytes(StandardCharsets.UTF_8)));
        List<String> wanted = List.of(
                "45 pluck",
                "67 pluck",
                "69 bend",
                "67 release",
                "45 pluck",
                "65 pluck",
                "66 bend",
                "65 release",
                "64 pluck");
        assertThat(heard(fromText)).isEqualTo(wanted);
        assertThat(fromText.notes().stream().filter(note -> note.string() == 2).map(ArrangedNote::fret))
                .containsExactly(8, 8, 8, 6, 6, 6, 5);
        assertThat(fromText.findings())
                .extracting(Finding::kind)
                .doesNotContain(FindingKind.SLUR_CONFLICT, FindingKind.LOCK_NOT_KEPT);
        byte[] own = new TabWriter().write(fromText).getBytes(StandardCharsets.UTF_8);
        assertThat(heard(played(new TabReader("x").read(own)))).isEqualTo(wanted);
        byte[] xml = new MusicXmlWriter().write(fromText);
        assertThat(new String(xml, StandardCharsets.UTF_8)).contains("<bend-alter>-2</bend-alter>", "<release");
        assertThat(heard(played(new MusicXmlReader("x").read(xml)))).isEqualTo(wanted);
        // the wheel rests at 8192 and moves two semitones each way: up to the bent note and down from it, twice
        List<Integer> wheel = wheel(fromText);
        assertThat(wheel)
                .startsWith(0)
                .contains(16384 - 1, 8192 - 4096, 8192 + 4096)
                .endsWith(8192);
    }

    /** Wavy lines after figures, as players type them; on an open string no finger can. */
    @Test
    void vibratoComesInAndGoesOut() throws FormatException {
        String text = String.join(
                "\n",
                "e|---------|-0~~-----|",
                "B|-5~~-6v--|---------|",
                "G|---------|---------|",
                "D|---------|---------|",
                "A|-0-------|-0-------|",
                "E|---------|---------|",
                "   1 2 3 4   1 2 3 4");
        Reading reading = new TabReader("x").read(text.getBytes(StandardCharsets.UTF_8));
        Arrangement fromText = played(reading);
        assertThat(wavering(fromText)).containsExactly("64", "65");
        assertThat(fromText.findings())
                .anyMatch(finding -> finding.message().contains("vibrato is left out: its string is open"));
        byte[] own = new TabWriter().write(fromText).getBytes(StandardCharsets.UTF_8);
        assertThat(wavering(played(new TabReader("x").read(own)))).containsExactly("64", "65");
        byte[] xml = new MusicXmlWriter().write(fromText);
        assertThat(wavering(played(new MusicXmlReader("x").read(xml)))).containsExactly("64", "65");
        String trilled = new String(xml, StandardCharsets.UTF_8).replace("<ornaments>", "<ornaments><trill-mark/>");
        assertThat(wavering(played(new MusicXmlReader("x").read(trilled.getBytes(StandardCharsets.UTF_8)))))
                .isEmpty();
    }

    /** Where the wheel stands, message by message. */
    private static List<Integer> wheel(Arrangement arrangement) throws Exception {
        List<Integer> wheel = new ArrayList<>();
        for (Track track : MidiSystem.getSequence(new ByteArrayInputStream(new MidiWriter().write(arrangement)))
                .getTracks()) {
            for (int i = 0; i < track.size(); i++) {
                if (track.get(i).getMessage() instanceof ShortMessage message
                        && message.getCommand() == ShortMessage.PITCH_BEND) {
                    wheel.add(message.getData1() + 128 * message.getData2());
                }
            }
        }
        return wheel;
    }

    /** A caret is a bend: by a quarter tone, or to the figure after it. */
    @Test
    void quarterBendsComeInAndGoOut() throws Exception {
        String text = String.join(
                "\n",
                "e|-------------|-------------|",
                "B|-5^----8^10--|-5-----------|",
                "G|-------------|-------------|",
                "D|-------------|-------------|",
                "A|-0-----------|-0-----------|",
                "E|-------------|-------------|",
                "   1 2 3  4      1 2 3  4");
        Arrangement fromText = played(new TabReader("x").read(text.getBytes(StandardCharsets.UTF_8)));
        assertThat(heard(fromText)).containsSubsequence("64 pluck", "67 pluck", "69 bend", "64 pluck");
        byte[] own = new TabWriter().write(fromText).getBytes(StandardCharsets.UTF_8);
        byte[] xml = new MusicXmlWriter().write(fromText);
        for (Arrangement arrangement :
                List.of(fromText, played(new TabReader("x").read(own)), played(new MusicXmlReader("x").read(xml)))) {
            assertThat(arrangement.notes())
                    .filteredOn(note -> note.attack().equals(Attack.CURL))
                    .extracting(ArrangedNote::tick, ArrangedNote::midi)
                    .containsExactly(tuple(0, 64));
        }
        assertThat(new String(xml, StandardCharsets.UTF_8)).contains("<bend-alter>0.5</bend-alter>");
        assertThat(wheel(fromText)).contains(8192 + 2048);
    }

    /** A capital S is a slide that ends with a pluck; a small one is slurred. */
    @Test
    void shiftSlidesComeInAndGoOut() throws Exception {
        String text = String.join(
                "\n",
                "e|-------------|-------------|",
                "B|-5--S8--s10--|-5-----------|",
                "G|-------------|-------------|",
                "D|-------------|-------------|",
                "A|-0-----------|-0-----------|",
                "E|-------------|-------------|",
                "   1  2   3 4    1 2 3  4");
        Arrangement fromText = played(new TabReader("x").read(text.getBytes(StandardCharsets.UTF_8)));
        byte[] own = new TabWriter().write(fromText).getBytes(StandardCharsets.UTF_8);
        byte[] xml = new MusicXmlWriter().write(fromText);
        for (Arrangement arrangement :
                List.of(fromText, played(new TabReader("x").read(own)), played(new MusicXmlReader("x").read(xml)))) {
            assertThat(heard(arrangement)).containsSubsequence("64 pluck", "67 shift slide", "69 slide", "64 pluck");
        }
        assertThat(new String(own, StandardCharsets.UTF_8)).contains("S8", "/10", "slid to, then plucked");
        Reading first =
                new TabReader("x").read(text.replace("B|-5--S8", "B|--S5--8").getBytes(StandardCharsets.UTF_8));
        assertThat(heard(played(first))).contains("64 pluck", "67 pluck", "69 slide");
        assertThat(played(first).findings())
                .anyMatch(finding -> finding.message().contains("nothing sounds on its string before it"));
        String far = text.replace("S8--", "S18-");
        Reading beyond = new TabReader("x").read(far.getBytes(StandardCharsets.UTF_8));
        assertThat(heard(played(beyond))).contains("77 pluck").doesNotContain("77 shift slide");
        assertThat(played(beyond).findings())
                .anyMatch(finding -> finding.message().contains("more than 12 frets"));
    }

    private static List<String> wavering(Arrangement arrangement) {
        return arrangement.notes().stream()
                .filter(note -> note.attack().equals(Attack.VIBRATO))
                .map(note -> String.valueOf(note.midi()))
                .toList();
    }

    /** A tablature in which a node is missing says so and keeps the note at its fret. */
    @Test
    void aHarmonicWithoutANodeIsAPlainNoteAndSaid() throws FormatException {
        String text = String.join(
                "\n",
                "e|-<8>--7b--|",
                "B|----------|",
                "G|----------|",
                "D|----------|",
                "A|-0--------|",
                "E|----------|");
        Reading reading = new TabReader("x").read(text.getBytes(StandardCharsets.UTF_8));
        assertThat(heard(played(reading))).contains("72 pluck", "71 pluck");
        assertThat(reading.report().toString()).contains("no harmonic lies", "name no fret to bend to");
    }

    private static List<String> heard(Arrangement arrangement) {
        return arrangement.notes().stream()
                .map(note -> note.midi() + " "
                        + (note.attack() instanceof Attack.Touched
                                ? "harmonic"
                                : note.attack().label()))
                .map(note -> note.replace("block", "pluck"))
                .toList();
    }

    private static List<String> fingered(Arrangement arrangement) {
        return arrangement.notes().stream()
                .map(note -> String.join(
                        " ",
                        String.valueOf(note.tick()),
                        note.string() + "/" + note.fret(),
                        note.left().toString(),
                        note.right().toString(),
                        note.role().toString()))
                .toList();
    }

    /** Tablature as others write it, without our lines at the end: every finger and digit comes back from a score. */
    @Test
    void tablatureComesBackThroughMusicXml() throws FormatException {
        Arranger arranger = new Arranger(Instrument.STANDARD, Hand.AVERAGE);
        for (int seed = 0; seed < 12 * SONGS; seed++) {
            String text =
                    new TabWriter().write(arranger.quick(RandomSong.of(seed), Picking.PLAIN, List.of(), () -> false));
            String plain = text.substring(0, text.indexOf("For programs"));
            Arrangement first = played(new TabReader("x").read(plain.getBytes(StandardCharsets.UTF_8)));
            Reading again = new MusicXmlReader("x").read(new MusicXmlWriter().write(first));
            assertThat(again.song()).as("seed " + seed).isEqualTo(first.song());
            assertThat(fingered(played(again))).as("seed " + seed).isEqualTo(fingered(first));
        }
    }

    @Test
    void barsOfOddLengthsAndWidePassagesComeBackFromText() throws Exception {
        String abc =
                "X:1\nT:Capo 3, key of B, 4/4\nM:4/4\nL:1/4\nK:C\n[P:A]\"C\"E|\"C\"C E [P:B part]G c|\"F\"A F A|\"G\"G B d2|\"C\"c2|"
                        + "\"Am\"A/5B/5c/5d/5e/5 c/3d/3e/3 \"G7\"g/4f/4e/4d/4 B|\"G\"G5|\"C\"c4|\nw:one two_three * * la-lee\n";
        Path file = Files.writeString(folder.resolve("odd.abc"), abc);
        Song song = SongFiles.read(file).song();
        Arrangement arrangement =
                new Arranger(Instrument.STANDARD, Hand.AVERAGE).quick(song, Picking.PLAIN, List.of(), () -> false);
        String text = new TabWriter().write(arrangement);
        assertThat(text.lines().takeWhile(line -> !line.startsWith("For programs")))
                .allMatch(line -> line.length() <= 100);
        Reading again = new TabReader("x").read(text.getBytes(StandardCharsets.UTF_8));
        assertThat(again.song()).isEqualTo(arrangement.song());
        assertThat(places(again.written().orElseThrow())).isEqualTo(places(arrangement));
        // changed by hand the strings count, and it is said
        String changed = text.replaceFirst("(?m)^(e  \\|-*)\\d", "$1-");
        assertThat(new TabReader("x")
                        .read(changed.getBytes(StandardCharsets.UTF_8))
                        .report())
                .anyMatch(line -> line.contains("do not fit the tablature"));
    }
}
