package phalanx.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Random;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import phalanx.arrange.Arranger;
import phalanx.arrange.Written;
import phalanx.arrange.WrittenNote;
import phalanx.arrange.demand.Added;
import phalanx.arrange.demand.AddedLock;
import phalanx.arrange.demand.AttackLock;
import phalanx.arrange.demand.CascadeLock;
import phalanx.arrange.demand.DigitLock;
import phalanx.arrange.demand.Holding;
import phalanx.arrange.demand.InnerLock;
import phalanx.arrange.demand.LimitLock;
import phalanx.arrange.demand.Octave;
import phalanx.arrange.demand.PlaceLock;
import phalanx.arrange.demand.Role;
import phalanx.arrange.demand.TuneUse;
import phalanx.arrange.demand.Wishes;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.FindingKind;
import phalanx.formats.library.Library;
import phalanx.formats.project.ProjectFile;
import phalanx.formats.reading.FormatException;
import phalanx.guitar.Guitar;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.guitar.PartialCapo;
import phalanx.guitar.Tuning;
import phalanx.lefthand.shape.Finger;
import phalanx.lefthand.shape.HeldShape;
import phalanx.project.Project;
import phalanx.righthand.BassLine;
import phalanx.righthand.BassStrings;
import phalanx.righthand.Digit;
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
import phalanx.song.Ticks;
import phalanx.technique.Grooves;
import phalanx.technique.HarmonicNode;
import phalanx.technique.Hit;
import phalanx.technique.HitKind;
import phalanx.theory.ChordSymbol;
import phalanx.theory.Key;
import phalanx.theory.Pitch;

class ProjectFileTest {
    private final ProjectFile file = new ProjectFile();

    @TempDir
    private Path folder;

    static Project random(long seed) {
        Project one = randomVersion(seed);
        Finding seen = Finding.at(
                one.song(),
                0,
                FindingKind.values()[Math.floorMod(seed, FindingKind.values().length)],
                Finding.Severity.LOW,
                1,
                1,
                "",
                "made up");
        Project more = one.ignoring(seen, "it \"sings\"").branched("Without barre");
        return seed % 2 == 0 ? more : more.withPicking(Picking.PLAIN).showing(Project.FIRST);
    }

    private static Project randomVersion(long seed) {
        Random random = new Random(seed);
        Song song = withSeconds(RandomSong.of(seed));
        List<Pattern> patterns = PatternLibrary.standard().all();
        Picking.Plan plan = new Picking.Plan(
                random.nextBoolean() ? Optional.of(patterns.get(random.nextInt(patterns.size()))) : Optional.empty(),
                BassLine.values()[random.nextInt(BassLine.values().length)],
                Level.values()[random.nextInt(3)],
                BassStrings.values()[random.nextInt(BassStrings.values().length)],
                Grooves.shipped().all().stream()
                        .skip(random.nextInt(Grooves.shipped().all().size()))
                        .filter(groove -> random.nextBoolean())
                        .findFirst());
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
                        random.nextBoolean() ? OptionalInt.of(1 + random.nextInt(12)) : OptionalInt.empty(),
                        random.nextBoolean()));
        if (random.nextBoolean()) {
            project = project.withLock(new AttackLock(
                    random.nextInt(song.endTick()),
                    Role.MELODY,
                    AttackLock.Way.values()[random.nextInt(AttackLock.Way.values().length)]));
        }
        if (random.nextBoolean()) {
            Optional<Finger> finger = random.nextBoolean() ? Optional.of(Finger.RING) : Optional.empty();
            project = project.withLock(new PlaceLock(random.nextInt(song.endTick()), Role.BASS, 5, finger))
                    .withLock(new DigitLock(
                            random.nextInt(song.endTick()),
                            Role.values()[random.nextInt(3)],
                            Digit.values()[random.nextInt(5)]))
                    .withLock(new InnerLock(random.nextInt(song.endTick()), random.nextInt(5)))
                    .withLock(new LimitLock(0, song.bars().get(0).endTick(), OptionalInt.of(4), true))
                    .withLock(new LimitLock(0, song.endTick(), OptionalInt.of(5), random.nextBoolean()));
            for (Added what : List.of(
                    new Added.Bars(),
                    new Added.Bass(),
                    Added.Tune.of(song, 0, song.endTick()),
                    new Added.Picked(plan))) {
                project = project.withLock(new AddedLock(0, song.bars().get(0).endTick(), "a bar of calls", what));
            }
        }
        Wishes plain = Wishes.USUAL.withOctave(Octave.AS_WRITTEN);
        Arrangement arranged = new Arranger(project.instrument(), project.hand())
                .quick(song, Picking.PLAIN, plain, List.of(), () -> false);
        if (random.nextInt(3) == 0) {
            HeldShape held = arranged.slots().get(0).held();
            return project.withLock(
                    new CascadeLock(0, 1 + random.nextInt(song.endTick()), held, new HarmonicNode(1, 3), "4 6* 3"));
        }
        if (random.nextBoolean()) {
            return project.withLock(arranged.slots()
                    .get(random.nextInt(arranged.slots().size()))
                    .lock());
        }
        List<WrittenNote> notes =
                arranged.notes().stream().map(ProjectFileTest::written).toList();
        List<Hit> hits = IntStream.range(0, random.nextInt(4))
                .mapToObj(i -> new Hit(i * Ticks.QUARTER, HitKind.values()[random.nextInt(HitKind.values().length)]))
                .toList();
        return project.withWritten(new Written(guitar.tuning(), guitar.capo(), notes, hits));
    }

    /** A second note under the tune's first, and a bass of one's own in the first bars. */
    private static Song withSeconds(Song song) {
        List<MelodyNote> melody = new ArrayList<>(song.melody());
        MelodyNote first = melody.get(0);
        melody.set(0, first.with(Pitch.parse("C3")));
        MelodyNote bass = new MelodyNote(0, first.lengthTicks(), Pitch.parse("A2"));
        return song.withMelody(melody).withBass(List.of(bass));
    }

    private static WrittenNote written(ArrangedNote note) {
        return new WrittenNote(note.tick(), note.string(), note.fret());
    }

    @Property(tries = 20)
    void everythingThatWasDecidedComesBackAndTheTextIsStable(@ForAll long seed) throws FormatException {
        Project project = random(seed);
        byte[] bytes = file.write(project);
        assertThat(file.read(bytes)).isEqualTo(project);
        assertThat(file.write(file.read(bytes))).isEqualTo(bytes);
    }

    /** As files were before version 5: what now belongs to a version stood at the top. */
    private String flat(Project project) {
        ObjectMapper mapper = new ObjectMapper();
        try {
            ObjectNode root = (ObjectNode) mapper.readTree(file.write(project));
            ObjectNode first = (ObjectNode) root.remove("versions").get(0);
            root.remove("shown");
            first.remove(List.of("name", "ignored", "inners", "writtenHits"));
            root.setAll(first);
            return root.toPrettyString();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Files of version 1, before there were wishes, levels and an upstroke, open with their tune as written. */
    @Test
    void aProjectOfVersion1Opens() throws FormatException {
        Project project = Project.of(RandomSong.of(3), Library.FIRST.setup());
        String before = flat(project)
                .replace("\"phalanx\" : 6", "\"phalanx\" : 1")
                .replaceAll("(?s),\\s*\"(attacks|places|limits|cascades)\" : \\[ \\]", "")
                .replaceAll("(?s),\\s*\"wishes\" : \\{[^}]*\\}", "")
                .replaceAll("(?s),\\s*\"upASecond\" : [0-9.]*", "")
                .replace("\"level\" : \"even\"", "\"density\" : \"as written\"");
        assertThat(before).doesNotContain("wishes", "upASecond").contains("density", "\"phalanx\" : 1");
        ProjectFile.Opened opened = file.open(before.getBytes(StandardCharsets.UTF_8));
        assertThat(opened.project()).isEqualTo(project.withWishes(Wishes.USUAL.withOctave(Octave.AS_WRITTEN)));
        assertThat(opened.report()).isEmpty();
        assertThat(new String(file.write(opened.project()), StandardCharsets.UTF_8))
                .contains("\"phalanx\" : 6");
    }

    /** Files of version 2, before there were slurs: every note is plucked. */
    @Test
    void aProjectOfVersion2Opens() throws FormatException {
        Arrangement arrangement = new Arranger(Instrument.STANDARD, Hand.AVERAGE)
                .quick(RandomSong.of(5), Picking.PLAIN, List.of(), () -> false);
        Project project = Project.of(arrangement.song(), Library.FIRST.setup())
                .withWritten(new Written(
                        Tuning.STANDARD,
                        0,
                        arrangement.notes().stream()
                                .map(ProjectFileTest::written)
                                .toList()));
        String before = flat(project)
                .replace("\"phalanx\" : 6", "\"phalanx\" : 2")
                .replaceAll("(?s),\\s*\"(attacks|places|limits|cascades|slurs)\" : (false|\\[ \\])", "")
                .replaceAll("(?s),\\s*\"way\" : \"plucked\"", "");
        assertThat(before).doesNotContain("slur");
        assertThat(file.open(before.getBytes(StandardCharsets.UTF_8)).project()).isEqualTo(project);
    }

    /** Files of version 3, before there were bends and harmonics: a note was slurred or not. */
    @Test
    void aProjectOfVersion3Opens() throws FormatException {
        Project project = Project.of(RandomSong.of(6), Library.FIRST.setup())
                .withLock(new AttackLock(0, Role.MELODY, AttackLock.Way.SLURRED))
                .withLock(new AttackLock(Ticks.QUARTER, Role.BASS, AttackLock.Way.PLUCKED));
        String before = flat(project)
                .replace("\"phalanx\" : 6", "\"phalanx\" : 3")
                .replace("\"attacks\"", "\"slurs\"")
                .replace("\"way\" : \"slurred\"", "\"slurred\" : true")
                .replace("\"way\" : \"plucked\"", "\"slurred\" : false")
                .replaceAll("(?s),\\s*\"(places|limits)\" : \\[ \\]", "");
        assertThat(before).doesNotContain("attacks", "way", "limits");
        ProjectFile.Opened opened = file.open(before.getBytes(StandardCharsets.UTF_8));
        assertThat(opened.project()).isEqualTo(project);
        assertThat(opened.report()).isEmpty();
    }

    /** Files of version 5, before hits were kept beside written notes. */
    @Test
    void aProjectOfVersion5Opens() throws IOException, FormatException {
        Project project = Project.of(RandomSong.of(7), Library.FIRST.setup())
                .withWritten(new Written(Tuning.STANDARD, 0, List.of(new WrittenNote(0, 6, 3))));
        ObjectMapper mapper = new ObjectMapper();
        ObjectNode root = (ObjectNode) mapper.readTree(file.write(project));
        root.put("phalanx", 5);
        assertThat(((ObjectNode) root.get("versions").get(0)).remove("writtenHits"))
                .isEmpty();
        assertThat(file.open(mapper.writeValueAsBytes(root)).project()).isEqualTo(project);
    }

    /** What a later version wrote opens as far as it is known here, and what is not is said. */
    @Test
    void aProjectOfALaterVersionOpensAsFarAsItIsKnown() throws FormatException {
        Project project = random(8);
        String now = new String(file.write(project), StandardCharsets.UTF_8);
        String later = now.replace("\"phalanx\" : 6,", "\"phalanx\" : 9, \"drills\" : [ ],");
        ProjectFile.Opened opened = file.open(later.getBytes(StandardCharsets.UTF_8));
        assertThat(opened.project()).isEqualTo(project);
        assertThat(opened.report()).hasSize(2);
        assertThat(opened.report().get(0)).contains("version 9", "knows version 6");
        assertThat(opened.report().get(1)).contains("\"drills\"", "left out");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "\"phalanx\" : 6; \"phalanx\" : 0; phalanx; version",
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
