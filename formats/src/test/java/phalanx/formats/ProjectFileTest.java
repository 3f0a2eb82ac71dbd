package phalanx.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import phalanx.arrange.Arranger;
import phalanx.arrange.Written;
import phalanx.arrange.WrittenNote;
import phalanx.arrange.demand.Holding;
import phalanx.arrange.demand.Octave;
import phalanx.arrange.demand.TuneUse;
import phalanx.arrange.demand.Wishes;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.formats.library.Library;
import phalanx.formats.project.ProjectFile;
import phalanx.formats.reading.FormatException;
import phalanx.guitar.Guitar;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.guitar.PartialCapo;
import phalanx.guitar.Tuning;
import phalanx.project.Project;
import phalanx.righthand.BassLine;
import phalanx.righthand.HandPlace;
import phalanx.righthand.Level;
import phalanx.righthand.Pattern;
import phalanx.righthand.PatternLibrary;
import phalanx.righthand.Picking;
import phalanx.righthand.School;
import phalanx.righthand.Speeds;
import phalanx.song.Bar;
import phalanx.song.ChordChange;
import phalanx.song.MelodyNote;
import phalanx.song.Meter;
import phalanx.song.Song;
import phalanx.theory.ChordSymbol;
import phalanx.theory.Key;
import phalanx.theory.Pitch;

class ProjectFileTest {
    private final ProjectFile file = new ProjectFile();

    @TempDir
    private Path folder;

    private static Project random(long seed) {
        Random random = new Random(seed);
        Song song = RandomSong.of(seed);
        List<Pattern> patterns = PatternLibrary.standard().all();
        Picking.Plan plan = new Picking.Plan(
                random.nextBoolean() ? Optional.of(patterns.get(random.nextInt(patterns.size()))) : Optional.empty(),
                BassLine.values()[random.nextInt(BassLine.values().length)],
                Level.values()[random.nextInt(3)]);
        Picking picking = Picking.PLAIN
                .withSchool(School.values()[random.nextInt(5)])
                .withPlace(HandPlace.values()[random.nextInt(3)])
                .withSpeeds(new Speeds(4 + random.nextInt(4), 9 + random.nextInt(9), 8 + random.nextInt(9)))
                .withPlan(plan)
                .withSpan(new Picking.Span(0, song.bars().get(1).endTick(), plan));
        Instrument guitar = new Instrument(
                Guitar.NYLON,
                Tuning.parse("D A D G B E"),
                random.nextInt(3),
                random.nextBoolean() ? Optional.of(new PartialCapo(5, 5, 3)) : Optional.empty());
        Project project = Project.of(song, Library.FIRST.setup())
                .withInstrument(guitar)
                .withHand(Hand.AVERAGE.withThumb(Hand.Thumb.NEVER))
                .withPicking(picking)
                .withWishes(new Wishes(
                        TuneUse.values()[random.nextInt(3)],
                        Octave.values()[random.nextInt(4)],
                        Holding.values()[random.nextInt(3)],
                        random.nextBoolean(),
                        random.nextBoolean() ? OptionalInt.of(1 + random.nextInt(12)) : OptionalInt.empty()));
        Wishes plain = Wishes.USUAL.withOctave(Octave.AS_WRITTEN);
        Arrangement arranged = new Arranger(project.instrument(), project.hand())
                .quick(song, Picking.PLAIN, plain, List.of(), () -> false);
        if (random.nextBoolean()) {
            return project.withLock(arranged.slots()
                    .get(random.nextInt(arranged.slots().size()))
                    .lock());
        }
        List<WrittenNote> notes =
                arranged.notes().stream().map(ProjectFileTest::written).toList();
        return project.withWritten(new Written(guitar.tuning(), guitar.capo(), notes));
    }

    private static WrittenNote written(ArrangedNote note) {
        return new WrittenNote(note.tick(), note.string(), note.fret());
    }

    @Property(tries = 60)
    void everythingThatWasDecidedComesBackAndTheTextIsStable(@ForAll long seed) throws FormatException {
        Project project = random(seed);
        byte[] bytes = file.write(project);
        assertThat(file.read(bytes)).isEqualTo(project);
        assertThat(file.write(file.read(bytes))).isEqualTo(bytes);
    }

    /** Files from before there were wishes and levels open with their tune as written. */
    @Test
    void anEarlierProjectOpens() throws FormatException {
        Project project = Project.of(RandomSong.of(3), Library.FIRST.setup());
        String now = new String(file.write(project), StandardCharsets.UTF_8);
        String before = now.replaceAll("(?s),\\s*\"wishes\" : \\{[^}]*\\}", "")
                .replace("\"level\" : \"even\"", "\"density\" : \"as written\"");
        assertThat(before).doesNotContain("wishes").contains("density");
        Project read = file.read(before.getBytes(StandardCharsets.UTF_8));
        assertThat(read).isEqualTo(project.withWishes(Wishes.USUAL.withOctave(Octave.AS_WRITTEN)));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "\"phalanx\" : 1; \"phalanx\" : 7; phalanx; version 1",
                "\"capo\" : 0; \"capo\" : 40; tuning; capo 40",
                "\"tempo\" : 92; \"tempo\" : 9; tempo 9; outside",
                "\"tempo\" : 92; \"tempo\" : \"x\"; tempo; a whole number",
                "\"symbol\" : \"C\"; \"symbol\" : \"Q\"; chart[0]; Q",
                "\"pitch\" : \"E4\"; \"pitch\" : \"X4\"; melody[0]; X4",
                "\"meter\" : \"4/4\"; \"meter\" : \"4\"; bars[0]; not a meter",
                "\"bass\" : \"alternating\"; \"bass\" : \"sideways\"; picking.plan; sideways",
                "\"spanMm\" : 125.0; \"spanMm\" : 900.0; hand; 900",
                "\"chart\"; \"carts\"; chart; missing"
            })
    void eachBadFileHasOneClearErrorAtItsPlace(String good, String bad, String place, String reason) {
        String text = new String(file.write(Project.of(song(), Library.FIRST.setup())), StandardCharsets.UTF_8);
        assertThat(text).contains(good.trim());
        byte[] bytes = text.replaceFirst(java.util.regex.Pattern.quote(good.trim()), bad.trim())
                .getBytes(StandardCharsets.UTF_8);
        assertThatThrownBy(() -> file.read(bytes))
                .isInstanceOf(FormatException.class)
                .hasMessageContaining(place.trim())
                .hasMessageContaining(reason == null ? "" : reason.trim())
                .hasMessageNotContaining("\n");
    }

    /** The published schema names every field that is written, and asks for none that is not. */
    @Test
    void theSchemaKnowsEveryField() throws IOException {
        JsonNode schema = new ObjectMapper().readTree(Files.readAllBytes(Path.of("..", "docs", "project.schema.json")));
        for (long seed = 0; seed < 12; seed++) {
            compare(new ObjectMapper().readTree(file.write(random(seed))), schema, schema);
        }
    }

    private static void compare(JsonNode value, JsonNode part, JsonNode whole) {
        JsonNode schema = part.has("$ref") ? whole.at(part.get("$ref").asText().substring(1)) : part;
        if (value.isArray()) {
            value.forEach(item -> compare(item, schema.get("items"), whole));
        } else if (schema.has("properties")) {
            value.fieldNames().forEachRemaining(name -> {
                assertThat(schema.get("properties").has(name)).as(name).isTrue();
                compare(value.get(name), schema.get("properties").get(name), whole);
            });
            schema.path("required").forEach(name -> assertThat(value.has(name.asText()))
                    .as(name.asText())
                    .isTrue());
        }
        if (schema.has("type")) {
            assertThat(schema.get("type").asText())
                    .isEqualTo(
                            value.isInt()
                                    ? "integer"
                                    : value.getNodeType().name().toLowerCase(Locale.ROOT));
        }
    }

    private static Song song() {
        Bar bar = new Bar(1, 0, Meter.COMMON.barTicks(), Meter.COMMON);
        return new Song(
                "Test piece",
                Key.C_MAJOR,
                92,
                List.of(bar),
                List.of(),
                List.of(new ChordChange(0, Optional.of(ChordSymbol.parse("C")))),
                List.of(new MelodyNote(0, bar.lengthTicks(), Pitch.parse("E4"))));
    }

    @Test
    void anySongIsConvertedToAProjectAndReadAsASong() throws FormatException {
        Path out = folder.resolve("made-up.phalanx.json");
        SongFiles.write(RandomSong.of(3), out);
        assertThat(SongFiles.read(out).song()).isEqualTo(RandomSong.of(3));
        assertThat(file.read(out).picking()).isEqualTo(Picking.PLAIN);
    }

    @Test
    void anyDamageGivesAProjectOrOneClearError() {
        byte[] good = file.write(random(5));
        Random random = new Random(1);
        for (int i = 0; i < 400; i++) {
            byte[] bytes = good.clone();
            for (int k = 0; k < 1 + random.nextInt(4); k++) {
                bytes[random.nextInt(bytes.length)] = (byte) random.nextInt(256);
            }
            try {
                assertThat(file.read(bytes).song().bars()).isNotEmpty();
            } catch (FormatException e) {
                assertThat(e.getMessage()).isNotBlank();
            }
        }
    }
}
