package phalanx.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.guitar.Tuning;
import phalanx.lefthand.shape.ReachCheck;
import phalanx.lefthand.shape.Shape;
import phalanx.righthand.PatternLibrary;
import phalanx.song.Meter;
import picocli.CommandLine;

class CommandsTest {
    private final ObjectMapper mapper = new ObjectMapper();
    private final StringWriter out = new StringWriter();
    private final StringWriter err = new StringWriter();

    @TempDir
    private Path folder;

    private int run(String... args) {
        CommandLine line = Main.commandLine();
        line.setOut(new PrintWriter(out, true));
        line.setErr(new PrintWriter(err, true));
        return line.execute(args);
    }

    private JsonNode json(String... args) throws IOException {
        assertThat(run(args)).as(err.toString()).isZero();
        return mapper.readTree(out.toString());
    }

    /** Two or three bars with a pickup; pitches are letter and octave, lengths in eighths. */
    private Path leadSheet(int fifths, String mode, String meter, String... bars) throws IOException {
        String[] time = meter.split("/");
        StringBuilder xml = new StringBuilder("<score-partwise version=\"4.0\"><part-list><score-part id=\"P1\">"
                + "<part-name>Tune</part-name></score-part></part-list><part id=\"P1\">");
        for (int i = 0; i < bars.length; i++) {
            xml.append("<measure number=\"").append(i).append("\">");
            if (i == 0) {
                xml.append("<attributes><divisions>2</divisions><key><fifths>" + fifths + "</fifths><mode>" + mode
                        + "</mode></key><time><beats>" + time[0] + "</beats><beat-type>" + time[1]
                        + "</beat-type></time></attributes>");
            }
            for (String word : bars[i].split(" ")) {
                xml.append(word.contains(":") ? note(word) : chord(word));
            }
            xml.append("</measure>");
        }
        return Files.writeString(folder.resolve("lead.musicxml"), xml + "</part></score-partwise>");
    }

    private static String note(String word) {
        return "<note><pitch><step>" + word.charAt(0) + "</step><octave>" + word.charAt(1)
                + "</octave></pitch><duration>" + word.substring(3) + "</duration><voice>1</voice></note>";
    }

    private static String chord(String word) {
        return "<harmony><root><root-step>" + word.charAt(0) + "</root-step></root><kind>"
                + (word.length() > 1 ? "minor" : "major") + "</kind></harmony>";
    }

    @ParameterizedTest
    @CsvSource({
        "0, major, 4/4, E4:2, C G4:4 E4:4, G D4:8",
        "-1, minor, 3/4, A4:2, Dm F4:4 E4:2, Am C5:6",
        "1, major, 6/8, D4:1, G G4:3 B4:3, C E4:6",
        "0, minor, 6/8, E4:1, Am A4:3 C5:3, Dm F4:6"
    })
    void arrangesTunesOfAllKindsIntoFilesAndEvents(
            int fifths, String mode, String meter, String pickup, String first, String second) throws IOException {
        Path in = leadSheet(fifths, mode, meter, pickup, first, second);
        Path score = folder.resolve("out.musicxml");
        Path tab = folder.resolve("out.tab.txt");
        JsonNode json = json("arrange", in.toString(), "-o", score.toString(), "-o", tab.toString(), "--json");
        assertThat(Files.readString(score)).contains("<sign>TAB</sign>");
        assertThat(Files.readString(tab)).contains("|");
        assertThat(json.at("/bars/0/number").asInt()).isZero();
        assertThat(json.at("/bars/1/meter").asText()).isEqualTo(meter);
        List<String> tune = new ArrayList<>();
        json.get("melody").forEach(note -> tune.add(note.get("tick") + " " + note.get("midi")));
        List<String> played = new ArrayList<>();
        json.get("notes").forEach(note -> {
            if (note.get("role").asText().equals("melody")) {
                played.add(note.get("tick") + " " + note.get("midi"));
            }
        });
        assertThat(played).isEqualTo(tune);
        assertThat(json.get("findings"))
                .allMatch(finding -> !finding.get("kind").asText().equals("reach"));
    }

    @Test
    void shapesAnswersWithEveryField() throws IOException {
        JsonNode shape = json("shapes", "C", "--max", "3", "--json").at("/shapes/0");
        assertThat(shape.get("frets").toString()).isEqualTo("[-1,3,2,0,1,0]");
        assertThat(shape.get("fingers").toString()).isEqualTo("[\"0\",\"3\",\"2\",\"0\",\"1\",\"0\"]");
        assertThat(shape.get("midi").toString()).isEqualTo("[48,52,55,60,64]");
        // fingers 1 and 3: 66.9 mm along the neck, about 23 mm across three strings
        assertThat(shape.get("reachMm").asDouble()).isBetween(70.0, 72.0);
        assertThat(shape.at("/names/0").asText()).isEqualTo("C");
        double effort = shape.get("effort").asDouble();
        out.getBuffer().setLength(0);
        assertThat(json("reach", "x32010", "--json").get("effort").asDouble()).isEqualTo(effort);
        assertThat(new ReachCheck(Instrument.STANDARD, Hand.AVERAGE)
                        .check(Shape.parse("x32010"))
                        .effort())
                .isCloseTo(effort, within(0.005));
    }

    @Test
    void reachMeasuresGivenFingers() throws IOException {
        JsonNode good = json("reach", "5 4 6 2 0 0", "--fingers", "3 2 4 1 0 0", "--json");
        assertThat(good.get("playable").asBoolean()).isTrue();
        assertThat(good.at("/reachMm/14").asDouble()).isBetween(118.0, 122.0);
        out.getBuffer().setLength(0);
        JsonNode bad = json("reach", "1 x x x x 6", "--json");
        assertThat(bad.get("playable").asBoolean()).isFalse();
        assertThat(bad.at("/reasons/0").asText()).contains("mm");
        out.getBuffer().setLength(0);
        JsonNode crossed = json("reach", "x 3 2 0 1 0", "--fingers", "0 1 2 0 3 0", "--json");
        assertThat(crossed.at("/reasons/0").asText()).contains("below");
    }

    @Test
    void chainChoosesFingersAndSaysWhatSetsThePace() throws IOException {
        JsonNode chain = json("chain", "x7577x x6567x Hm7", "--tempo", "300", "--json");
        assertThat(chain.at("/leftOut/0").asText()).startsWith("shape 3, Hm7");
        JsonNode second = chain.at("/chain/shapes/1");
        assertThat(second.get("fingers").toString()).isEqualTo("[\"0\",\"2\",\"1\",\"3\",\"4\",\"0\"]");
        assertThat(second.at("/pace/needsMs").asDouble())
                .isGreaterThan(second.at("/pace/hasMs").asDouble());
        assertThat(chain.at("/chain/ceilingBpm").asDouble()).isBetween(150.0, 299.0);
        out.getBuffer().setLength(0);
        assertThat(run("chain", "x32010:043010 x02210")).isZero();
        assertThat(out.toString()).contains("With better fingers:", "0 3 2 0 1 0", "in time up to");
    }

    @Test
    void batchesAnswerEachLineInOrder() throws IOException {
        InputStream before = System.in;
        System.setIn(new ByteArrayInputStream("x32010\nnonsense\n0 x 7 7 7 x\n".getBytes(StandardCharsets.UTF_8)));
        try {
            assertThat(run("name", "-", "--json")).isZero();
        } finally {
            System.setIn(before);
        }
        String[] lines = out.toString().split("\\R");
        assertThat(lines).hasSize(3);
        assertThat(mapper.readTree(lines[0]).at("/names/0").asText()).isEqualTo("C");
        assertThat(mapper.readTree(lines[1]).get("error").asText()).contains("nonsense");
        assertThat(mapper.readTree(lines[2]).get("names").toString())
                .startsWith("[\"D/E\"")
                .contains("E11");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "shapes Hx",
                "reach 1x",
                "chain 9x",
                "chain C --tempo 5",
                "name x3201q",
                "shapes C --tuning Q",
                "shapes C --capo 13",
                "reach x32010 --scale 5000",
                "name x32010 --key H",
                "arrange missing.musicxml",
                "shapes C --top H9"
            })
    void impossibleInputIsOneLineAndExitThree(String line) {
        assertThat(run((line + " --json").split(" "))).isEqualTo(3);
        assertThat(out.toString()).isEmpty();
        assertThat(err.toString().trim()).startsWith("phalanx: ").doesNotContain("\n", "Exception");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '#',
            value = {
                "shapes # CHORD|- is missing",
                "shapes C --wrong # not known here: --wrong",
                "shapes C --jsen # not known here: --jsen; near it: --json",
                "shapes C --max # --max needs a value",
                "shapes C --max many # --max: \"many\" is no whole number",
                "reach x32010 --scale long # --scale: \"long\" is no number",
                "shapes C --max 3 --max 4 # --max is given twice",
                "arrange a.xml -o out.doc # out.doc",
                "nonsense a b # not known here: a b",
            })
    void wrongUsageIsExitTwoAndSaysWhatIsWrong(String line, String what) {
        assertThat(run(line.split(" "))).isEqualTo(2);
        assertThat(err.toString().trim()).startsWith("phalanx: ").contains(what).doesNotContain("\n");
    }

    @Test
    void songsAreConvertedAndAnalysed() throws IOException {
        Path abc = Files.writeString(
                folder.resolve("tune.abc"), "X:1\nT:Made up\nM:4/4\nL:1/4\nK:C\n\"C\"E2 G2|\"Fm\"F4|\"C/E\"G4|\n");
        Path midi = folder.resolve("tune.mid");
        Path score = folder.resolve("tune.musicxml");
        assertThat(run("convert", abc.toString(), midi.toString())).isZero();
        assertThat(run("convert", midi.toString(), score.toString())).isZero();
        assertThat(Files.readString(score)).contains("Made up", "<root-step>F</root-step>");
        JsonNode json = json("analyse", score.toString(), "--json");
        assertThat(json.get("key").asText()).isEqualTo("C");
        assertThat(json.get("mode").asText()).isEqualTo("major");
        assertThat(json.at("/chords/1").toString())
                .isEqualTo("{\"bar\":2,\"beat\":1.0,\"symbol\":\"Fm\",\"roman\":\"iv\",\"diatonic\":false,"
                        + "\"borrowedFrom\":\"C minor\"}");
        assertThat(json.at("/chords/2/roman").asText()).isEqualTo("I6");
        assertThat(json.at("/chords/2/borrowedFrom").isNull()).isTrue();
        assertThat(run("analyse", abc.toString())).isZero();
        assertThat(out.toString()).contains("from C minor");
        assertThat(run("convert", abc.toString(), folder.resolve("tune.doc").toString()))
                .isEqualTo(2);
    }

    /** The input is overwritten only when that is asked for, by whatever name it goes. */
    @Test
    void theInputIsNotOverwrittenUnasked() throws IOException {
        Path abc = Files.writeString(folder.resolve("own.abc"), "X:1\nT:Own\nM:4/4\nL:1/4\nK:C\n\"C\"E2 G2|\n");
        String before = Files.readString(abc);
        Path link = Files.createSymbolicLink(folder.resolve("other.abc"), abc);
        for (Path out : List.of(abc, link)) {
            assertThat(run("convert", abc.toString(), out.toString())).isEqualTo(2);
            assertThat(err.toString()).contains("is the input itself", "--force");
            assertThat(abc).hasContent(before);
        }
        assertThat(run("convert", abc.toString(), link.toString(), "--force")).isZero();
        assertThat(link).isSymbolicLink();
        assertThat(Files.readString(abc)).contains("Own").isNotEqualTo(before);
    }

    @Test
    void badSongsWriteNothing() throws IOException {
        Path in =
                Files.writeString(folder.resolve("bad.musicxml"), "<score-partwise><part id=\"P1\"/></score-partwise>");
        Path tab = folder.resolve("out.tab.txt");
        assertThat(run("arrange", in.toString(), "-o", tab.toString())).isEqualTo(3);
        assertThat(err.toString()).contains("bad.musicxml").contains("neither notes");
        assertThat(tab).doesNotExist();
    }

    /** The library as the command lists it is the library as the docs list it. */
    @Test
    void patternsAreListedHereAndInTheDocs() throws IOException {
        JsonNode patterns = json("patterns", "--json");
        String docs = Files.readString(Path.of("..", "docs", "patterns.md"));
        assertThat(patterns).hasSizeGreaterThanOrEqualTo(40);
        for (JsonNode pattern : patterns) {
            assertThat(docs)
                    .contains("| " + pattern.get("name").asText() + " | "
                            + pattern.get("meter").asText() + ", "
                            + pattern.get("grid").asInt() + " a beat | "
                            + pattern.get("serves").asText());
            assertThat(pattern.get("strokes")).isNotEmpty();
        }
        out.getBuffer().setLength(0);
        assertThat(run("patterns")).isZero();
        assertThat(out.toString()).contains("alternating thumb", "Ferry Rope");
    }

    /** The audit says of a song what arranging it says. */
    @Test
    void aSongIsAudited() throws IOException {
        Path in = leadSheet(0, "major", "4/4", "E4:2", "C E4:2 E4:6", "G D4:8");
        JsonNode song = json("arrange", in.toString(), "--json");
        out.getBuffer().setLength(0);
        JsonNode audit = json("audit", in.toString(), "--json");
        for (String field : List.of("findings", "effort", "terms", "tempoCeiling")) {
            assertThat(audit.get(field)).as(field).isEqualTo(song.get(field));
        }
        assertThat(audit.size()).isEqualTo(5);
        int highest = 0;
        for (JsonNode note : song.get("notes")) {
            highest = Math.max(highest, note.get("fret").asInt());
        }
        assertThat(audit.get("figures").get("highestFret").asInt()).isEqualTo(highest);
        assertThat(audit.get("figures").get("hardestBars")).isNotEmpty();
        out.getBuffer().setLength(0);
        assertThat(run("audit", in.toString())).isZero();
        assertThat(out.toString()).contains("findings, effort", "ceiling");
        assertThat(run("audit", "nowhere.abc")).isEqualTo(3);
    }

    @Test
    void aPatternLongerThanTheSongIsPlayedAsFarAsItFits() throws IOException {
        Path in = leadSheet(0, "major", "4/4", "C E4:8");
        String two = PatternLibrary.standard().all().stream()
                .filter(pattern -> pattern.bars() == 2 && pattern.meter().equals(Meter.COMMON))
                .findFirst()
                .orElseThrow()
                .name();
        JsonNode song = json("arrange", in.toString(), "--json", "--pattern", two);
        assertThat(song.get("bars")).hasSize(1);
        assertThat(err.toString()).contains(two + " has 2 bars, the song fewer: what fits is played");
        assertThat(song.get("notes")).isNotEmpty();
    }

    @Test
    void groovesAreListedAndLaid() throws IOException {
        JsonNode grooves = json("grooves", "--json");
        assertThat(grooves.findValuesAsText("meter")).contains("4/4", "3/4", "6/8", "12/8");
        assertThat(grooves.findValuesAsText("name")).contains("backbeat", "heartbeat", "off-beat", "thump and click");
        Path in = leadSheet(0, "major", "4/4", "E4:2", "C E4:2 E4:6", "G D4:8");
        out.getBuffer().setLength(0);
        JsonNode song = json("arrange", in.toString(), "--json", "--groove", "thump and slap");
        assertThat(song.get("hits").findValuesAsText("kind")).contains("heel", "slap");
        assertThat(song.get("hits").findValuesAsText("hand")).containsOnly("right");
        assertThat(err.toString()).contains("hits: " + song.get("hits").size() + " laid");
        assertThat(run("arrange", in.toString(), "--groove", "polka")).isEqualTo(3);
        assertThat(err.toString()).contains("groove \"polka\" is not known; there are backbeat");
    }

    @Test
    void harmonicsAreListedAndWoven() throws IOException {
        JsonNode natural = json("harmonics", "--tuning", "D A D G A D", "--capo", "2", "--json");
        for (JsonNode one : natural) {
            String[] node = one.get("node").asText().split("/");
            double n = Double.parseDouble(node[1]);
            double k = Double.parseDouble(node[0]);
            // physics of the ideal string
            assertThat(one.get("fret").asDouble()).isCloseTo(12 * Math.log(n / (n - k)) / Math.log(2), within(0.01));
            int open = Tuning.parse("D A D G A D").midi(one.get("string").asInt()) + 2;
            double sounds = one.get("midi").asInt() + one.get("cents").asDouble() / 100;
            assertThat(sounds - open).isCloseTo(12 * Math.log(n) / Math.log(2), within(0.001));
        }
        assertThat(natural.findValuesAsText("node")).contains("1/2", "1/3", "1/4", "1/5", "2/5", "1/6");
        out.getBuffer().setLength(0);
        JsonNode cascade = json("harmonics", "--shape", "555555", "--json");
        assertThat(cascade.get("order").asText()).isEqualTo("4 6* 3 5* 2 4* 1 3*");
        out.getBuffer().setLength(0);
        assertThat(run("harmonics", "--scales")).isZero();
        assertThat(out.toString()).contains("barre 5, node 1/2: A minor pentatonic  G3 A3 C4 D4 E4 G4 A4 C5");
        out.getBuffer().setLength(0);
        // over fret 12 of standard tuning the inner strings are G, over fret 7 D; common practice, no source
        assertThat(run("harmonics", "--chord", "G")).isZero();
        assertThat(out.toString().lines().findFirst()).hasValue("over fret 12, strings 4 3 2: D4 G4 B4");
        out.getBuffer().setLength(0);
        JsonNode chords = json("harmonics", "--chord", "D", "--json");
        assertThat(chords.get(0).get("node").asText()).isEqualTo("1/3");
        assertThat(chords.get(0).get("strings").findValuesAsText("midi")).contains("69", "74", "78");
        out.getBuffer().setLength(0);
        assertThat(run("harmonics", "--chord", "Fm")).isZero();
        assertThat(out.toString()).startsWith("no two strings have tones of Fm");
        assertThat(run("harmonics", "--chord", "H9x")).isEqualTo(3);
        assertThat(run("harmonics", "--shape", "x32010", "--order", "4 6*")).isEqualTo(3);
        assertThat(err.toString()).contains("string 6 does not sound in the shape");
        assertThat(run("harmonics", "--shape", "555555", "--node", "2/4")).isEqualTo(3);
        assertThat(err.toString()).contains("2/4 is no node");
    }

    @ParameterizedTest
    @CsvSource({
        "Clothes Peg, thumb and two, alternating, even, pim",
        "Ladder, thumb and four, steady root, full, pimac",
        "Doorstep, pick and fingers, half notes, plain, pma",
        "pinch and fill, thumb and index, pedal, even, pi",
        "Shed Door, thumb and three, walking, even, pima"
    })
    void theRightHandIsChosen(String pattern, String school, String bass, String level, String digits)
            throws IOException {
        Path in = leadSheet(0, "major", "4/4", "E4:2", "C G4:4 E4:4", "G D4:8", "C C5:8");
        JsonNode song = json(
                "arrange",
                in.toString(),
                "--json",
                "--pattern",
                pattern,
                "--school",
                school,
                "--bass",
                bass,
                "--level",
                level);
        for (JsonNode note : song.get("notes")) {
            assertThat(digits).contains(note.get("right").asText());
        }
        assertThat(song.get("hits").isEmpty()).isEqualTo(!pattern.equals("Shed Door"));
        assertThat(err.toString().contains("strokes:")).isEqualTo(!pattern.equals("pinch and fill"));
    }

    @ParameterizedTest
    @CsvSource({
        "--pattern, Nothing, pattern \"Nothing\" is not known; there are Milestone",
        "--school, thumb, school \"thumb\" is not known; there are thumb and two",
        "--bass, zigzag, bass line \"zigzag\" is not known; there are alternating",
        "--level, thick, level \"thick\" is not known"
    })
    void anUnknownRightHandIsRefused(String option, String value, String message) throws IOException {
        Path in = leadSheet(0, "major", "4/4", "C E4:8");
        assertThat(run("arrange", in.toString(), option, value)).isEqualTo(ExitCodes.BAD_INPUT);
        assertThat(err.toString()).contains(message);
    }

    @Test
    void aChartIsArrangedAndOptionsOverrideAProject() throws IOException {
        Path abc = Files.writeString(
                folder.resolve("lamp.abc"),
                "X:1\nT:Lamp Street\nM:4/4\nL:1/4\nK:Am\n\"Am\"z4|\"Dm\"z4|\"E7\"z4|\"Am\"z4|\n");
        Path project = folder.resolve("lamp.phalanx.json");
        JsonNode chart = json("arrange", abc.toString(), "--json", "-o", project.toString());
        assertThat(chart.get("tune").asText()).isEqualTo("none");
        assertThat(chart.get("level").asText()).isEqualTo("even");
        assertThat(err.toString()).contains("no tune");
        double sum = 0;
        for (JsonNode term : chart.get("terms")) {
            sum += term.get("value").asDouble();
        }
        assertThat(sum).isCloseTo(chart.get("effort").asDouble(), within(1e-6));
        out.getBuffer().setLength(0);
        JsonNode again =
                json("arrange", project.toString(), "--json", "--capo", "2", "--bass", "walking", "--level", "full");
        assertThat(again.get("capo").asInt()).isEqualTo(2);
        assertThat(again.get("level").asText()).isEqualTo("full");
        assertThat(err.toString())
                .contains(
                        "capo 2 in place of 0", "bass walking in place of alternating", "level full in place of even");
        assertThat(run("arrange", project.toString(), "--octave", "third")).isEqualTo(ExitCodes.BAD_INPUT);
        assertThat(err.toString()).contains("octave \"third\" is not known");
    }

    @Test
    void tablatureKeepsItsNotesUnlessItIsArrangedAnew() throws IOException {
        Path tab = Files.writeString(
                folder.resolve("weir.tab.txt"),
                """
                Weir Song, 96 bpm, capo 2
                  C               G
                e|----------------|-3-------------|
                B|-1-------3------|---------------|
                G|-----0-------0--|-----0-----0---|
                D|---2---2---2----|---0---0-------|
                A|-3--------------|---------------|
                E|----------------|-3-------3-----|
                """);
        JsonNode kept = json("arrange", tab.toString(), "--json");
        assertThat(kept.get("capo").asInt()).isEqualTo(2);
        assertThat(kept.get("notes")).hasSize(15);
        assertThat(kept.get("notes").get(0).get("string").asInt()).isEqualTo(5);
        assertThat(kept.get("notes").get(0).get("left").asText()).isEqualTo("3");
        out.getBuffer().setLength(0);
        JsonNode anew = json("arrange", tab.toString(), "--json", "--anew");
        assertThat(anew.get("notes")).isNotEqualTo(kept.get("notes"));
        assertThat(anew.get("capo").asInt())
                .as("in the tuning and under the capo of the tablature")
                .isEqualTo(2);
    }

    @Test
    void anotherPartIsTakenWhereOneIsAskedFor() throws IOException {
        Path abc = Files.writeString(
                folder.resolve("two.abc"),
                "X:1\nT:First Mill\nL:1/4\nK:C\n\"C\"CEGc|\n\nX:2\nT:Second Mill\nL:1/4\nK:G\n\"G\"GBdg|\n");
        assertThat(json("arrange", abc.toString(), "--json", "--part", "2")
                        .get("title")
                        .asText())
                .isEqualTo("Second Mill");
        assertThat(run("arrange", abc.toString(), "--part", "3")).isEqualTo(ExitCodes.BAD_INPUT);
        assertThat(err.toString()).contains("there is no part 3; the file has 2");
    }

    @Test
    void aPartOfAFileIsTheBass() throws IOException {
        Path abc = Files.writeString(
                folder.resolve("low.abc"), "X:1\nT:Low\nM:4/4\nL:1/4\nK:C\nV:top\n\"C\"c4|\nV:low\nC,2G,,2|\n");
        List<Integer> bass = new ArrayList<>();
        json("arrange", abc.toString(), "--json", "--bass-part", "2")
                .get("notes")
                .forEach(note -> {
                    if (note.get("role").asText().equals("bass")) {
                        bass.add(note.get("midi").asInt());
                    }
                });
        assertThat(bass).containsExactly(48, 43);
        assertThat(run("arrange", abc.toString(), "--bass-part", "3")).isEqualTo(ExitCodes.BAD_INPUT);
    }

    /** In a machine of its own with next to no memory: one line, exit 3, in good time. */
    @ParameterizedTest
    @CsvSource({"-Xmx10m", "-Xmx16m"})
    void tooLittleMemoryEndsInOneLine(String heap) throws Exception {
        StringBuilder abc = new StringBuilder("X:1\nT:Long\nM:4/4\nL:1/8\nK:G\n");
        Random random = new Random(3);
        for (int bar = 0; bar < 1000; bar++) {
            abc.append(random.nextBoolean() ? "\"G\"" : "\"Am7\"");
            for (int note = 0; note < 8; note++) {
                abc.append("DEGABcde".charAt(random.nextInt(8)));
            }
            abc.append("|\n");
        }
        Path file = Files.writeString(folder.resolve("long.abc"), abc);
        Process process = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        heap,
                        "-XX:TieredStopAtLevel=1",
                        "-cp",
                        System.getProperty("java.class.path"),
                        "phalanx.cli.Main",
                        "arrange",
                        file.toString())
                .redirectErrorStream(true)
                .start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor(120, TimeUnit.SECONDS)).isTrue();
        assertThat(process.exitValue()).as(said).isEqualTo(3);
        assertThat(said.lines().filter(line -> line.contains("not enough memory")))
                .hasSize(1);
        assertThat(said).doesNotContain("Exception", "\tat ");
    }

    @Test
    void soundAndMidiAreWrittenAndWhatTheyLackIsSaid() throws IOException {
        Path in = leadSheet(1, "major", "4/4", "G G4:4 B4:4", "C C5:4 E5:4");
        Path midi = folder.resolve("out.mid");
        Path sound = folder.resolve("out.wav");
        assertThat(run("arrange", in.toString(), "-o", midi.toString(), "-o", sound.toString()))
                .isZero();
        assertThat(err.toString()).contains("out.mid will hold no strings");
        assertThat(Files.readAllBytes(midi)).startsWith('M', 'T', 'h', 'd');
        assertThat(Files.size(sound)).isGreaterThan(44_100);
        // one layer alone is another file of the same length
        Path thumb = folder.resolve("thumb.wav");
        assertThat(run("arrange", in.toString(), "-o", thumb.toString(), "--layers", "thumb,click"))
                .isZero();
        assertThat(Files.size(thumb)).isEqualTo(Files.size(sound));
        assertThat(Files.readAllBytes(thumb)).isNotEqualTo(Files.readAllBytes(sound));
        assertThat(run("arrange", in.toString(), "--layers", "drums")).isEqualTo(2);
        assertThat(err.toString()).contains("--layers \"drums\"", "thumb, fingers, tune");
        assertThat(run("arrange", in.toString(), "-o", folder.resolve("out.doc").toString()))
                .isEqualTo(2);
        assertThat(err.toString()).contains(".wav");
    }

    @Test
    void pagesAndDrillsComeOutOfASong() throws IOException {
        Path in = leadSheet(1, "major", "4/4", "G G4:4 B4:4", "C C5:4 E5:4");
        Path score = folder.resolve("out.pdf");
        Path ladder = folder.resolve("ladder.svg");
        assertThat(run("arrange", in.toString(), "-o", score.toString(), "--paper", "letter", "--bars-per-line", "2"))
                .isZero();
        assertThat(Files.readAllBytes(score)).startsWith('%', 'P', 'D', 'F');
        assertThat(run("arrange", in.toString(), "-o", ladder.toString(), "--sheet", "practice"))
                .isZero();
        assertThat(Files.readString(ladder)).contains("aria-label=\"The ladder: each step clean three times");
        // the clef by its code point in the standard for music fonts (SMuFL), on a staff alone
        Path plain = folder.resolve("plain.svg");
        Path staff = folder.resolve("staff.svg");
        assertThat(run("arrange", in.toString(), "-o", plain.toString())).isZero();
        assertThat(run("arrange", in.toString(), "-o", staff.toString(), "--staff", "--once"))
                .isZero();
        assertThat(Files.readString(plain)).doesNotContain("aria-label=\"\ue052\"");
        assertThat(Files.readString(staff)).contains("aria-label=\"\ue052\"");
        assertThat(run("arrange", in.toString(), "-o", score.toString(), "--sheet", "poster"))
                .isEqualTo(2);
        assertThat(err.toString()).contains("--sheet \"poster\": there are score, shapes, practice, words");
        assertThat(run("arrange", in.toString(), "-o", score.toString(), "--margin", "70"))
                .isEqualTo(2);
        assertThat(err.toString()).contains("5.0 to 40.0 mm");
        JsonNode drills = json("practice", in.toString(), "--drills", "--json").get("steps");
        assertThat(drills.get(0).get("name").asText()).startsWith("right hand alone");
    }

    /** What is rendered of a song is heard as that song, note by note; other bars of it and no sound are told apart. */
    @Test
    void aTakeIsHeardBesideItsSong() throws IOException {
        Path in = leadSheet(1, "major", "4/4", "G G4:4 B4:4", "C C5:4 E5:4", "G D5:4 B4:4", "D A4:4 F#4:4");
        Path take = folder.resolve("take.wav");
        assertThat(run("arrange", in.toString(), "-o", take.toString())).isZero();
        JsonNode heard = json("listen", take.toString(), in.toString(), "--click", "0", "--json");
        assertThat(heard.at("/heard").asInt()).isEqualTo(heard.at("/strokes").asInt());
        assertThat(heard.at("/thumb/lateMs").asDouble()).isBetween(-4.0, 4.0);
        assertThat(heard.at("/wrong").size() + heard.at("/missing").size())
                .as(heard.toString())
                .isLessThanOrEqualTo(1);
        assertThat(run("listen", take.toString(), in.toString())).isZero();
        assertThat(out.toString()).contains("strokes heard", "thumb on 1:");
        assertThat(run("listen", in.toString(), in.toString())).isEqualTo(3);
        assertThat(err.toString()).contains("no WAV file");
        assertThat(run("listen", take.toString(), in.toString(), "--bars", "9")).isEqualTo(2);
        assertThat(run("listen", take.toString(), in.toString(), "--click", "60"))
                .isEqualTo(3);
        assertThat(err.toString()).contains("another song");
    }

    @Test
    void aTuneAloneIsArrangedOverProposedChords() throws IOException {
        Path in = leadSheet(
                0, "major", "4/4", "C4:2 E4:2 G4:2 E4:2", "A4:2 F4:2 A4:2 C5:2", "G4:2 B4:2 D5:2 B4:2", "C5:8");
        JsonNode answer = json("arrange", in.toString(), "--json");
        assertThat(err.toString()).contains("chords are proposed");
        assertThat(answer.toString()).contains("\"bass\"");
    }
}
