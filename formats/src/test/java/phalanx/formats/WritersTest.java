package phalanx.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import javax.xml.transform.stream.StreamSource;
import javax.xml.validation.Schema;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.xml.sax.SAXException;
import phalanx.arrange.Arranger;
import phalanx.arrange.colour.AttackAdvice;
import phalanx.arrange.demand.AttackLock;
import phalanx.arrange.demand.CascadeLock;
import phalanx.arrange.demand.Octave;
import phalanx.arrange.demand.TuneUse;
import phalanx.arrange.demand.Wishes;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.formats.events.EventsJson;
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
import phalanx.guitar.Tuning;
import phalanx.lefthand.shape.FingeringFinder;
import phalanx.lefthand.shape.HeldShape;
import phalanx.lefthand.shape.Shape;
import phalanx.righthand.BassLine;
import phalanx.righthand.Level;
import phalanx.righthand.PatternLibrary;
import phalanx.righthand.Picking;
import phalanx.song.ChordChange;
import phalanx.song.MelodyNote;
import phalanx.song.Meter;
import phalanx.song.Song;
import phalanx.technique.Attack;
import phalanx.technique.HarmonicNode;
import phalanx.theory.ChordKind;
import phalanx.theory.ChordSymbol;
import phalanx.theory.ChordTable;
import phalanx.theory.Key;

class WritersTest {
    private static Schema schema;

    @TempDir
    private Path folder;

    @BeforeAll
    static void loadSchema() throws SAXException, ReflectiveOperationException, IOException {
        schema = MusicXmlSchema.load();
    }

    private static Arrangement arranged(LeadSheet sheet, Instrument instrument) throws FormatException {
        Song song = new MusicXmlReader("x").read(sheet.bytes()).song();
        return new Arranger(instrument, Hand.AVERAGE).quick(song, Picking.PLAIN, List.of(), () -> false);
    }

    private static List<LeadSheet> sheets() {
        return List.of(
                LeadSheet.usual(),
                new LeadSheet()
                        .bar(
                                LeadSheet.start(-3, "minor", 3, 4),
                                LeadSheet.chord("C", "minor"),
                                "Eb4:1.5",
                                "D4:0.5",
                                "C4:1")
                        .bar(LeadSheet.chord("G", "dominant"), "B3:2.25", "D4:0.75")
                        .bar(LeadSheet.chord("C", "major-minor"), "C4:3"),
                new LeadSheet()
                        .bar(
                                LeadSheet.start(2, "major", 6, 8),
                                LeadSheet.chord("D", "major"),
                                "F#4:1.5",
                                "A4:0.5",
                                "G4:1")
                        .bar("F#4:1", LeadSheet.chord("G", "suspended-fourth"), "D4:2"));
    }

    @Test
    void exportedMusicXmlIsValid() throws FormatException {
        Instrument seven = new Instrument(Guitar.STEEL, Tuning.parse("B E A D G B E"), 2);
        for (LeadSheet sheet : sheets()) {
            for (Instrument instrument : List.of(Instrument.STANDARD, seven)) {
                byte[] xml = new MusicXmlWriter().write(arranged(sheet, instrument));
                assertThatCode(() -> schema.newValidator().validate(new StreamSource(new ByteArrayInputStream(xml))))
                        .doesNotThrowAnyException();
            }
        }
    }

    @Test
    void hitsBrushesAndTupletsAreValid() throws FormatException {
        for (LeadSheet sheet : sheets()) {
            Song song = new MusicXmlReader("x").read(sheet.bytes()).song();
            if (song.bars().get(1).meter().equals(Meter.COMMON)) {
                Picking picking = picking("Shed Door");
                Arrangement arrangement =
                        new Arranger(Instrument.STANDARD, Hand.AVERAGE).quick(song, picking, List.of(), () -> false);
                assertThat(arrangement.hits()).isNotEmpty();
                byte[] xml = new MusicXmlWriter().write(arrangement);
                assertThatCode(() -> schema.newValidator().validate(new StreamSource(new ByteArrayInputStream(xml))))
                        .doesNotThrowAnyException();
            }
        }
    }

    private static Picking picking(String pattern) {
        return Picking.PLAIN.withPlan(new Picking.Plan(
                Optional.of(PatternLibrary.standard().get(pattern)), BassLine.ALTERNATING, Level.EVEN));
    }

    /** In MusicXML by elements of its own standard, for programs by words, in tablature by a sign; pages check their own. */
    @Test
    void snapsAndNailsAreWrittenEverywhere() throws FormatException, IOException {
        Song song =
                new MusicXmlReader("x").read(LeadSheet.usual().bytes()).song().withMelody(List.of());
        Map<String, String> elements = Map.of("Snapped Twine", "<snap-pizzicato", "Tin Eaves", "<fingernails");
        Map<String, String> words = Map.of("Snapped Twine", "snap", "Tin Eaves", "nails");
        for (String pattern : elements.keySet()) {
            Arrangement arrangement = new Arranger(Instrument.STANDARD, Hand.AVERAGE)
                    .quick(song, picking(pattern), List.of(), () -> false);
            byte[] xml = new MusicXmlWriter().write(arrangement);
            assertThatCode(() -> schema.newValidator().validate(new StreamSource(new ByteArrayInputStream(xml))))
                    .doesNotThrowAnyException();
            assertThat(new String(xml, StandardCharsets.UTF_8)).contains(elements.get(pattern));
            JsonNode notes = new ObjectMapper()
                    .readTree(new EventsJson().write(arrangement, 1))
                    .get("notes");
            assertThat(notes).anyMatch(note -> note.path(words.get(pattern)).asBoolean());
            String text = new TabWriter().write(arrangement);
            assertThat(text.contains("figures with !")).isEqualTo(pattern.equals("Snapped Twine"));
            Reading reading = new TabReader("x").read(text.getBytes(StandardCharsets.UTF_8));
            assertThat(reading.written().orElseThrow().notes()).hasSameSizeAs(arrangement.notes());
        }
    }

    @Test
    void slursAreValidAndStandOnBothTheirNotes() throws FormatException {
        Song song = new MusicXmlReader("x").read(LeadSheet.usual().bytes()).song();
        Arranger arranger = new Arranger(Instrument.STANDARD, Hand.AVERAGE);
        Arrangement plain = arranger.quick(song, Picking.PLAIN, List.of(), () -> false);
        AttackAdvice advice = new AttackAdvice(plain);
        List<AttackLock> all = plain.notes().stream()
                .filter(note -> advice.refusal(note, AttackLock.Way.SLURRED).isEmpty())
                .map(note -> new AttackLock(note.tick(), note.role(), AttackLock.Way.SLURRED))
                .toList();
        Arrangement slurred = arranger.quick(song, Picking.PLAIN, all, () -> false);
        byte[] xml = new MusicXmlWriter().write(slurred);
        assertThatCode(() -> schema.newValidator().validate(new StreamSource(new ByteArrayInputStream(xml))))
                .doesNotThrowAnyException();
        String text = new String(xml, StandardCharsets.UTF_8);
        int slurs = slurred.slurred().size();
        assertThat(slurs).isPositive();
        assertThat(text.split("<slur [^>]*type=\"start\"", -1)).hasSize(slurs + 1);
        assertThat(text.split("<slur [^>]*type=\"stop\"", -1)).hasSize(slurs + 1);
    }

    @Test
    void bendsHarmonicsVibratoAndShiftSlidesAreValidAndKeepTheTune()
            throws FormatException, IOException, InvalidMidiDataException {
        Arranger arranger = new Arranger(Instrument.STANDARD, Hand.AVERAGE);
        Wishes high = Wishes.USUAL.withOctave(Octave.UP);
        Song song = RandomSong.of(0);
        List<AttackLock> locks = new ArrayList<>();
        for (int seed = 0; locks.size() < 4; seed++) {
            song = RandomSong.of(seed);
            AttackAdvice advice = new AttackAdvice(arranger.quick(song, Picking.PLAIN, high, List.of(), () -> false));
            locks.clear();
            for (AttackLock.Way way : List.of(
                    AttackLock.Way.HARMONIC, AttackLock.Way.BENT, AttackLock.Way.VIBRATO, AttackLock.Way.SHIFTED)) {
                advice.nearest(0, way)
                        .filter(note -> locks.stream().noneMatch(lock -> lock.tick() == note.tick()))
                        .ifPresent(note -> locks.add(new AttackLock(note.tick(), note.role(), way)));
            }
        }
        Arrangement arrangement = arranger.quick(song, Picking.PLAIN, high, locks, () -> false);
        ArrangedNote bent = arrangement.notes().stream()
                .filter(note -> note.attack().equals(Attack.BEND))
                .findFirst()
                .orElseThrow();
        int semitones = bent.bentBy(Instrument.STANDARD);
        byte[] xml = new MusicXmlWriter().write(arrangement);
        assertThatCode(() -> schema.newValidator().validate(new StreamSource(new ByteArrayInputStream(xml))))
                .doesNotThrowAnyException();
        assertThat(new String(xml, StandardCharsets.UTF_8))
                .contains("<natural", "<bend-alter>" + semitones + "</bend-alter>", "diamond", "<wavy-line", "<slide");
        assertThat(new MusicXmlReader("x").read(xml).song().melody())
                .extracting(MelodyNote::midi)
                .isEqualTo(arrangement.song().melody().stream()
                        .map(MelodyNote::midi)
                        .toList());
        JsonNode json = new ObjectMapper().readTree(new EventsJson().write(arrangement, 1));
        int told = 0;
        int wavering = 0;
        int slid = 0;
        for (JsonNode note : json.get("notes")) {
            int plain = Instrument.STANDARD.midi(
                    note.get("string").asInt(), note.get("fret").asInt());
            int above = note.get("midi").asInt() - plain;
            String[] node = note.path("node").asText("1/1").split("/");
            int byNode = (int) Math.round(12 * Math.log(Integer.parseInt(node[1])) / Math.log(2));
            assertThat(above).isEqualTo(note.path("bend").asInt() + byNode);
            told += above > 0 ? 1 : 0;
            wavering += note.path("vibrato").asBoolean() ? 1 : 0;
            slid += note.path("slide").asBoolean() ? 1 : 0;
        }
        assertThat(told).isEqualTo(2);
        assertThat(wavering).isEqualTo(1);
        assertThat(slid).isEqualTo(1);
        assertThat(new TabWriter().write(arrangement)).contains("< >", "b bend", "figures with ~");
        byte[] midi = new MidiWriter().write(arrangement);
        List<Integer> wheel = new ArrayList<>();
        for (Track track :
                MidiSystem.getSequence(new ByteArrayInputStream(midi)).getTracks()) {
            for (int i = 0; i < track.size(); i++) {
                if (track.get(i).getMessage() instanceof ShortMessage message
                        && message.getCommand() == ShortMessage.PITCH_BEND) {
                    wheel.add(message.getData1() + 128 * message.getData2());
                }
            }
        }
        // MIDI 1.0: the wheel has 14 bits, 8192 is its rest; General MIDI level 1: two semitones each way
        assertThat(wheel).isSorted().startsWith(8192 - 4096 * semitones).endsWith(8192);
    }

    @Test
    void touchedHarmonicsAreValidAndSayWhereTheyAreTouched() throws FormatException, IOException {
        Song song = new MusicXmlReader("x").read(LeadSheet.usual().bytes()).song();
        HeldShape barre = FingeringFinder.forShapes(Instrument.STANDARD, Hand.AVERAGE)
                .find(Shape.parse("5 5 5 5 5 5"))
                .get(0)
                .held();
        CascadeLock lock = new CascadeLock(0, song.endTick(), barre, HarmonicNode.OCTAVE, "4 6* 3 5* 2 4* 1 3*");
        Arrangement arrangement = new Arranger(Instrument.STANDARD, Hand.AVERAGE)
                .quick(song, Picking.PLAIN, Wishes.USUAL.withTune(TuneUse.NONE), List.of(lock), () -> false);
        byte[] xml = new MusicXmlWriter().write(arrangement);
        assertThatCode(() -> schema.newValidator().validate(new StreamSource(new ByteArrayInputStream(xml))))
                .doesNotThrowAnyException();
        assertThat(new String(xml, StandardCharsets.UTF_8)).contains("<artificial", "<sounding-pitch", "diamond");
        JsonNode json = new ObjectMapper().readTree(new EventsJson().write(arrangement, 1));
        assertThat(json.at("/notes/1/technique").asText()).isEqualTo("touch");
        assertThat(json.at("/notes/1/node").asText()).isEqualTo("1/2");
        assertThat(json.at("/notes/1/touchFret").asDouble()).isEqualTo(17);
        assertThat(json.at("/notes/1/midi").asInt()).isEqualTo(57);
        String tab = new TabWriter().write(arrangement);
        assertThat(tab).contains("figures with * sound 12 semitones higher", "5*");
    }

    @Test
    void exportedMusicXmlSaysStringFretFingerAndDigit() throws FormatException {
        Arrangement arrangement = arranged(LeadSheet.usual(), Instrument.STANDARD.withCapo(2));
        String xml = new String(new MusicXmlWriter().write(arrangement), StandardCharsets.UTF_8);
        assertThat(xml)
                .contains("version=\"4.0\"", "<capo>2</capo>", "<sign>TAB</sign>", "<pluck", "<fingering", "<harmony")
                .contains("<staff-tuning line=\"1\">", "<bass-step", "<normal-notes>2</normal-notes>");
        assertThat(xml.split("<string>", -1).length - 1)
                .isGreaterThanOrEqualTo(arrangement.notes().size());
    }

    @Property(tries = 200)
    void chordSymbolsSurviveTheirExport(
            @ForAll @IntRange(max = 43) int row, @ForAll @IntRange(max = 11) int root, @ForAll boolean slash)
            throws FormatException {
        ChordKind kind = ChordTable.standard()
                .kinds()
                .get(row % ChordTable.standard().kinds().size());
        ChordSymbol chord = ChordSymbol.parse(Key.C_MAJOR.spell(root) + kind.name() + (slash ? "/F#" : ""));
        Song plain = new MusicXmlReader("x").read(LeadSheet.usual().bytes()).song();
        Song song = new Song(
                "x",
                plain.key(),
                90,
                plain.bars(),
                List.of(),
                List.of(new ChordChange(0, Optional.of(chord))),
                plain.melody());
        byte[] xml = new MusicXmlWriter().writeLeadSheet(song);
        String text = new String(xml, StandardCharsets.UTF_8);
        String harmony = text.substring(text.indexOf("<harmony"), text.indexOf("</harmony>") + 10);
        String withoutText = harmony.replaceAll(" text=\"[^\"]*\"", "");
        Song back = new MusicXmlReader("x")
                .read(new LeadSheet()
                        .bar(LeadSheet.start(0, "major", 4, 4), withoutText, "C4:4")
                        .bytes())
                .song();
        ChordSymbol read = back.chart().get(0).chord().orElseThrow();
        assertThat(read.pitchClasses()).isEqualTo(chord.pitchClasses());
        assertThat(read.bass().pitchClass()).isEqualTo(chord.bass().pitchClass());
    }

    @Test
    void tablatureShowsStringsDigitsAndCount() throws FormatException {
        Arrangement arrangement = arranged(LeadSheet.usual(), Instrument.STANDARD);
        String tab = new TabWriter().write(arrangement);
        List<String> lines = tab.lines().toList();
        assertThat(lines.get(0)).isEqualTo("Test piece");
        assertThat(tab).contains("D7/F#", "1  &  2  &");
        List<String> rows = new ArrayList<>();
        lines.stream().filter(line -> line.matches("[eBGDAE] +\\|.*")).forEach(rows::add);
        assertThat(rows).hasSizeGreaterThanOrEqualTo(6);
        long figures = rows.stream()
                .flatMap(row -> Arrays.stream(row.substring(4).split("[^0-9]+")))
                .filter(figure -> !figure.isEmpty())
                .count();
        assertThat(figures).isEqualTo(arrangement.notes().size());
    }

    @Test
    void eventsHaveTheFieldsThatArePromised() throws FormatException, IOException {
        Arrangement arrangement = arranged(LeadSheet.usual(), Instrument.STANDARD);
        JsonNode json = new ObjectMapper().readTree(new EventsJson().write(arrangement, 12.5));
        List<String> fields = new ArrayList<>();
        json.fieldNames().forEachRemaining(fields::add);
        assertThat(fields)
                .containsExactly(
                        "title",
                        "tuning",
                        "capo",
                        "scaleLengthMm",
                        "reachLimitMm",
                        "ticksPerQuarter",
                        "bars",
                        "chords",
                        "melody",
                        "notes",
                        "holds",
                        "hits",
                        "findings",
                        "effort",
                        "terms",
                        "tune",
                        "octaveMoved",
                        "level",
                        "tempo",
                        "tempoCeiling",
                        "solveMillis");
        assertThat(json.at("/reachLimitMm/14").asDouble()).isEqualTo(125);
        assertThat(json.at("/bars/0/number").asInt()).isZero();
        assertThat(json.get("melody")).hasSize(10);
        assertThat(json.at("/notes/1/right").asText()).isIn("p", "i", "m", "a");
        assertThat(json.at("/holds/0/strings").isArray()).isTrue();
    }

    @Test
    void filesAreReplacedWholeOrNotAtAll() throws FormatException, IOException {
        Arrangement arrangement = arranged(LeadSheet.usual(), Instrument.STANDARD);
        Path tab = folder.resolve("out.tab.txt");
        Files.writeString(tab, "old");
        ArrangementFiles.write(arrangement, tab);
        assertThat(Files.readString(tab)).startsWith("Test piece");
        assertThatThrownBy(() -> ArrangementFiles.write(arrangement, folder.resolve("out.doc")))
                .hasMessageContaining("out.doc");
        assertThatThrownBy(() -> ArrangementFiles.write(arrangement, folder.resolve("none/out.json")))
                .isInstanceOf(FormatException.class);
        try (var files = Files.list(folder)) {
            assertThat(files).containsExactly(tab);
        }
    }
}
