package phalanx.formats.page;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import javax.imageio.ImageIO;
import javax.xml.parsers.DocumentBuilderFactory;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.assertj.core.data.Offset;
import org.assertj.core.data.Percentage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.NodeList;
import phalanx.arrange.Arranger;
import phalanx.arrange.Transcriber;
import phalanx.arrange.Written;
import phalanx.arrange.demand.AttackLock;
import phalanx.arrange.demand.Role;
import phalanx.arrange.demand.TuneUse;
import phalanx.arrange.demand.Wishes;
import phalanx.arrange.notation.Rhythm;
import phalanx.arrange.notation.StaffNotation;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Folding;
import phalanx.formats.RandomSong;
import phalanx.formats.abc.AbcReader;
import phalanx.formats.reading.FormatException;
import phalanx.formats.reading.Reading;
import phalanx.formats.tab.TabReader;
import phalanx.guitar.Guitar;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.guitar.StringSet;
import phalanx.guitar.Tuning;
import phalanx.lefthand.shape.FingeringFinder;
import phalanx.lefthand.shape.HeldShape;
import phalanx.lefthand.shape.PricedShape;
import phalanx.lefthand.shape.Shape;
import phalanx.practice.Drills;
import phalanx.practice.Ladder;
import phalanx.project.Project;
import phalanx.project.Setup;
import phalanx.project.Solve;
import phalanx.righthand.BassLine;
import phalanx.righthand.Level;
import phalanx.righthand.PatternLibrary;
import phalanx.righthand.Picking;
import phalanx.song.ChartText;
import phalanx.song.MelodyNote;
import phalanx.song.Meter;
import phalanx.song.Section;
import phalanx.song.Song;
import phalanx.song.TuneEdit;
import phalanx.song.Words;
import phalanx.technique.Attack;
import phalanx.technique.Groove;
import phalanx.technique.Grooves;
import phalanx.technique.SlurKind;
import phalanx.theory.Key;

/** Pages as they are laid out and as other programs read them; 100 songs in the deep run. */
class PagesTest {
    private static final int SONGS = Boolean.getBoolean("phalanx.deep") ? 100 : 2;

    @TempDir
    private Path folder;

    /** A song with groove, slurs, harmonics, words and sections, in one tuning or another. */
    private static Arrangement arrangement(long seed) {
        Random random = new Random(seed);
        Song plain = RandomSong.of(seed);
        // now and then a name that is longer than a line of a narrow page
        Song song = seed % 2 == 0
                ? plain
                : plain.withSections(List.of(
                        new Section("the part before the singer comes in again".repeat(2), 0),
                        new Section("B", plain.bars().get(2).startTick())));
        Optional<Groove> groove = Grooves.shipped().all().stream()
                .filter(one -> one.fits(song.bars().get(1)))
                .findFirst();
        Picking.Plan plan = new Picking.Plan(
                Optional.empty(),
                BassLine.values()[random.nextInt(BassLine.values().length)],
                Level.values()[random.nextInt(Level.values().length)],
                Picking.PLAIN.plan().strings(),
                random.nextBoolean() ? groove : Optional.empty());
        Project project = Project.of(song, new Setup(Guitar.STEEL, StringSet.Named.STEEL_LIGHT.set(), Hand.AVERAGE))
                .withPicking(Picking.PLAIN.withPlan(plan))
                .withWishes(Wishes.USUAL.withSlurs(true));
        if (random.nextInt(3) == 0) {
            project = project.withInstrument(
                    new Instrument(Guitar.STEEL, Tuning.parse("D A D G A D"), random.nextInt(3)));
        }
        for (MelodyNote note : project.song().melody()) {
            if (random.nextInt(5) == 0) {
                project = project.withLock(new AttackLock(note.tick(), Role.MELODY, AttackLock.Way.HARMONIC));
            }
        }
        return Solve.of(project);
    }

    private static PageSetup setup(long seed) {
        Random random = new Random(seed);
        PageSetup setup = PageSetup.USUAL.on(PageSetup.Paper.values()[random.nextInt(PageSetup.Paper.values().length)]);
        return setup.withSpace(1.5 + random.nextInt(36) / 10.0)
                .withMargin(5 + random.nextInt(setup.paper().strip() ? 11 : 30))
                .withBars(random.nextInt(5))
                .forLeftHanded(random.nextBoolean())
                .withStaff(random.nextBoolean());
    }

    /** For a left-handed player every line of a neck is the mirror image: the nut at the right. */
    @Test
    void aNeckIsTurnedForALeftHandedPlayer() {
        PricedShape shape = FingeringFinder.forShapes(Instrument.STANDARD, Hand.AVERAGE)
                .find(Shape.parse("x 3 2 0 1 0"))
                .get(0);
        HeldShape held = new HeldShape(shape.shape(), shape.fingering());
        List<Mark.Line> right = lines(held, false);
        List<Mark.Line> left = lines(held, true);
        assertThat(right).isNotEmpty().hasSameSizeAs(left);
        double both = 2 * 50 + 100;
        for (int i = 0; i < right.size(); i++) {
            assertThat(left.get(i).x1()).isCloseTo(both - right.get(i).x1(), within(1e-9));
            assertThat(left.get(i).x2()).isCloseTo(both - right.get(i).x2(), within(1e-9));
        }
        // the nut is the thickest
        assertThat(left.stream()
                        .max(Comparator.comparingDouble(Mark.Line::width))
                        .orElseThrow()
                        .x1())
                .isGreaterThan(100);
    }

    private static List<Mark.Line> lines(HeldShape held, boolean leftHanded) {
        Pen pen = new Pen(PageSetup.USUAL);
        new NeckDiagram(Instrument.STANDARD, held, 5, 100, leftHanded).draw(pen, 50, 50);
        return pen.pages().get(0).marks().stream()
                .filter(Mark.Line.class::isInstance)
                .map(Mark.Line.class::cast)
                // a cross is its own mirror image
                .filter(line -> line.x1() == line.x2() || line.y1() == line.y2())
                .toList();
    }

    /** No text lies over another, nothing outside the margins, and nothing of the song is left out. */
    @Test
    void nothingOverlapsAndNothingIsLost() {
        for (long seed = 0; seed < SONGS; seed++) {
            Arrangement arrangement = arrangement(seed);
            for (PageSetup setup : List.of(PageSetup.USUAL, PageSetup.USUAL.withStaff(true), setup(seed))) {
                for (Sheet sheet : Sheet.values()) {
                    String what = "seed " + seed + ", " + sheet + ", " + setup;
                    List<Page> pages = sheet.pages(arrangement, setup);
                    assertThat(pages).as(what).isNotEmpty();
                    pages.forEach(page -> check(page, setup, what));
                    if (sheet == Sheet.WORDS) {
                        checkWords(arrangement, pages, what);
                    }
                    if (sheet == Sheet.SCORE) {
                        checkScore(arrangement, pages, what);
                        checkStaff(arrangement, pages, setup.staff(), what);
                    }
                }
            }
        }
    }

    /** Slurs of every kind, vibrato, quarter bends, snaps, nails, hits: each stands on the page, and in the legend below. */
    @Test
    void everySignStandsOnThePageAndIsExplained() throws FormatException {
        String text = String.join(
                "\n",
                "tempo 70",
                "e|-0-----3~------|-3^------0---|-0---------------|",
                "B|-0-------------|-8-b9--r8----|-5h7---7p5--5/7--|",
                "G|-0-------------|-------------|-----------------|",
                "D|---------------|-------------|-----------------|",
                "A|-0-------0-----|-0-----------|-0---------------|",
                "E|---------------|-------------|-----------------|",
                "hit     s     q",
                "   1   2   3   4   1  2  3  4    1   2   3   4");
        Reading reading = new TabReader("x").read(text.getBytes(StandardCharsets.UTF_8));
        Written written = reading.written().orElseThrow();
        Arrangement arrangement = new Transcriber(written.on(Guitar.STEEL), Hand.AVERAGE)
                .arrange(reading.song(), written, Picking.PLAIN, Wishes.USUAL, List.of());
        List<String> all = new ArrayList<>();
        for (Page page : Sheet.SCORE.pages(arrangement, PageSetup.USUAL)) {
            check(page, PageSetup.USUAL, "signs");
            texts(page).forEach(one -> all.add(one.text()));
        }
        assertThat(all).contains("vibrato", "bent by a quarter tone", "slap", "stop");
        for (Attack attack : arrangement.notes().stream()
                .map(ArrangedNote::attack)
                .filter(attack -> attack instanceof Attack.Slur)
                .distinct()
                .toList()) {
            SlurKind kind = ((Attack.Slur) attack).kind();
            assertThat(all).contains(kind.sign(), kind.label() + ", not plucked");
        }
        assertThat(arrangement.slurred()).hasSizeGreaterThan(2);
        for (String pattern : List.of("Snapped Twine", "Tin Eaves")) {
            Picking picking = Picking.PLAIN.withPlan(
                    new Picking.Plan(PatternLibrary.standard().find(pattern), BassLine.ALTERNATING, Level.FULL));
            Arrangement picked = new Arranger(Instrument.STANDARD, Hand.AVERAGE)
                    .quick(reading.song().withMelody(List.of()), picking, List.of(), () -> false);
            for (Page page : Sheet.SCORE.pages(picked, PageSetup.USUAL)) {
                check(page, PageSetup.USUAL, pattern);
                assertThat(texts(page))
                        .extracting(Mark.Text::text)
                        .contains(pattern.equals("Tin Eaves") ? "with the nails" : "snapped")
                        .anyMatch(word -> word.endsWith(pattern.equals("Tin Eaves") ? "-" : "!") && word.length() < 5);
            }
        }
    }

    private static List<Mark.Text> texts(Page page) {
        return page.marks().stream()
                .filter(Mark.Text.class::isInstance)
                .map(Mark.Text.class::cast)
                .filter(text -> !text.box().isEmpty())
                .toList();
    }

    private static void check(Page page, PageSetup setup, String what) {
        Rectangle2D inside = new Rectangle2D.Double(
                setup.left() - 1,
                setup.top() - 1,
                setup.right() - setup.left() + 2,
                page.height() - 2 * setup.top() + 2);
        for (Mark mark : page.marks()) {
            Rectangle2D box = mark.box();
            assertThat(inside.outcode(box.getMinX(), box.getMinY()) == 0
                            && inside.outcode(box.getMaxX(), box.getMaxY()) == 0)
                    .as("%s: %s within the margins", what, mark)
                    .isTrue();
        }
        List<Mark.Text> texts = texts(page);
        List<Rectangle2D> boxes = texts.stream().map(Mark.Text::box).toList();
        for (int i = 0; i < boxes.size(); i++) {
            for (int j = i + 1; j < boxes.size(); j++) {
                Rectangle2D common = boxes.get(i).createIntersection(boxes.get(j));
                boolean both = texts.get(i).face() == Face.MUSIC && texts.get(j).face() == Face.MUSIC;
                if (both && !(isHeadOrSign(texts.get(i)) && isHeadOrSign(texts.get(j)))) {
                    // flags and rests may touch what stands beside them
                    continue;
                }
                assertThat(common.getWidth() > 0.3 && common.getHeight() > 0.3)
                        .as("%s: %s over %s", what, texts.get(i), texts.get(j))
                        .isFalse();
            }
        }
    }

    private static final List<Glyph> HEADS =
            List.of(Glyph.WHOLE, Glyph.HALF, Glyph.BLACK, Glyph.DIAMOND, Glyph.DIAMOND_BLACK);

    private static final List<Glyph> SIGNS =
            List.of(Glyph.DOUBLE_FLAT, Glyph.FLAT, Glyph.NATURAL, Glyph.SHARP, Glyph.DOUBLE_SHARP);

    private static boolean isHeadOrSign(Mark.Text text) {
        return Stream.concat(HEADS.stream(), SIGNS.stream())
                .anyMatch(glyph -> glyph.text().equals(text.text()));
    }

    private static long count(List<Page> pages, Predicate<Glyph> which) {
        Set<String> signs =
                Stream.of(Glyph.values()).filter(which).map(Glyph::text).collect(Collectors.toSet());
        return pages.stream()
                .flatMap(page -> texts(page).stream())
                .filter(text -> text.face() == Face.MUSIC && signs.contains(text.text()))
                .count();
    }

    /**
     * Every head and sign of the notation stands on the page once, and a clef and the key before each line; without a staff
     * every stroke of the rhythm.
     */
    private static void checkStaff(Arrangement arrangement, List<Page> pages, boolean staff, String what) {
        List<StaffNotation.Head> heads = StaffNotation.of(arrangement).stream()
                .flatMap(List::stream)
                .flatMap(voice -> voice.struck().stream())
                .flatMap(struck -> struck.heads().stream())
                .toList();
        long clefs = count(pages, Glyph.CLEF::equals);
        assertThat(clefs > 0).as(what).isEqualTo(staff);
        long rhythm = arrangement.song().bars().stream()
                .flatMap(bar -> Rhythm.of(arrangement, bar).strokes().stream())
                .filter(stroke -> !stroke.value().rest())
                .count();
        List<StaffNotation.Small> small =
                heads.stream().flatMap(head -> head.before().stream()).toList();
        assertThat(count(pages, HEADS::contains)).as(what).isEqualTo(staff ? heads.size() + small.size() : rhythm);
        long signs = heads.stream().filter(head -> head.sign().isPresent()).count()
                + small.stream().filter(head -> head.sign().isPresent()).count();
        long key = clefs * Math.abs(arrangement.song().key().fifths());
        assertThat(count(pages, SIGNS::contains)).as(what).isEqualTo(staff ? signs + key : 0);
    }

    /** All that is sung, in order; hyphens go where a word goes on. */
    private static void checkWords(Arrangement arrangement, List<Page> pages, String what) {
        String printed = pages.stream()
                .flatMap(page -> texts(page).stream())
                .filter(text -> text.face() == Face.SANS && text.size() == 12)
                .map(Mark.Text::text)
                .collect(Collectors.joining());
        String sung = arrangement.song().melody().stream()
                .flatMap(note -> note.syllable().stream())
                .collect(Collectors.joining());
        assertThat(printed.replaceAll("[\\s-]", "")).as(what).isEqualTo(sung.replaceAll("[\\s\u00a0-]", ""));
    }

    /** As many signs as notes, as many bars, and every word. */
    private static void checkScore(Arrangement arrangement, List<Page> pages, String what) {
        long touched = arrangement.notes().stream()
                .filter(note -> note.attack() instanceof Attack.Touched)
                .count();
        long marked = pages.stream()
                .flatMap(page -> page.marks().stream())
                .filter(mark -> mark instanceof Mark.Diamond)
                .count();
        // one more on each page says what it means
        assertThat(marked).as(what).isEqualTo(touched == 0 ? 0 : touched + pages.size());
        Set<String> words = new HashSet<>(List.of(all(pages).split(" ")));
        for (MelodyNote note : arrangement.song().melody()) {
            note.syllable().ifPresent(syllable -> assertThat(words).as(what).contains(syllable));
        }
        arrangement.song().bars().stream()
                .filter(bar -> bar.number() > 0)
                .forEach(bar -> assertThat(words).as(what).contains(String.valueOf(bar.number())));
        long frames = frames(pages);
        long bass = arrangement.notes().stream()
                .filter(note -> note.role() == Role.BASS && !(note.attack() instanceof Attack.Touched))
                .count();
        assertThat(frames).as(what).isEqualTo(bass == 0 && frames == 0 ? 0 : bass + pages.size());
    }

    /** What is played as before is named; where anything differs all of it is printed. */
    @Test
    void aSectionThatComesAgainIsOnlyNamedWhereItIsTheVerySame() {
        Song song = ChartText.parse("[A] | C | F | [B] | G | Am | [A] | C | F | [end] | G | C |", Meter.COMMON)
                .over(TuneEdit.empty("Twice", Key.C_MAJOR, 90, Meter.COMMON, 8));
        Project project = Project.of(song, new Setup(Guitar.STEEL, StringSet.Named.STEEL_LIGHT.set(), Hand.AVERAGE));
        Arrangement twice = Solve.of(project);
        PageSetup once = PageSetup.USUAL.withOnce(true);
        List<Page> pages = Sheet.SCORE.pages(twice, once);
        pages.forEach(page -> check(page, once, "once"));
        assertThat(all(pages)).contains("bars 5 to 6 as bars 1 to 2");
        int from = song.bars().get(4).startTick();
        int to = song.bars().get(6).startTick();
        long left = twice.notes().stream()
                .filter(note -> note.role() == Role.BASS && (note.tick() < from || note.tick() >= to))
                .count();
        assertThat(frames(pages)).isEqualTo(left + pages.size());
        assertThat(all(Sheet.SCORE.pages(twice, PageSetup.USUAL))).doesNotContain("as bars");

        Arrangement other = Solve.of(project.withPicking(Picking.PLAIN.withSpan(
                new Picking.Span(from, to, new Picking.Plan(Optional.empty(), BassLine.WALKING, Level.EVEN)))));
        assertThat(all(Sheet.SCORE.pages(other, once))).doesNotContain("as bars");

        // where the end alone is played otherwise it is printed, with the chord that holds on
        Song held = ChartText.parse("[A] | C | . | . | [B] | G | Am | [A] | C | . | . | [end] | G | C |", Meter.COMMON)
                .over(TuneEdit.empty("Thrice", Key.C_MAJOR, 90, Meter.COMMON, 10));
        Arrangement walked =
                Solve.of(Project.of(held, new Setup(Guitar.STEEL, StringSet.Named.STEEL_LIGHT.set(), Hand.AVERAGE))
                        .withPicking(Picking.PLAIN.withSpan(new Picking.Span(
                                held.bars().get(7).startTick(),
                                held.bars().get(7).endTick(),
                                new Picking.Plan(Optional.empty(), BassLine.WALKING, Level.EVEN)))));
        List<Page> some = Sheet.SCORE.pages(walked, once);
        some.forEach(page -> check(page, once, "some"));
        assertThat(all(some)).contains("bars 6 to 7 as bars 1 to 2");
        // over bars 1, 8 and 10, where the whole has it over 1, 6 and 10
        List<Page> whole = Sheet.SCORE.pages(walked, PageSetup.USUAL);
        assertThat(Collections.frequency(List.of(all(some).split(" ")), "C"))
                .isEqualTo(Collections.frequency(List.of(all(whole).split(" ")), "C"));
    }

    /** A part with two endings stands between repeat signs, under brackets; a part that comes three times says so. */
    @Test
    void repeatsAndEndingsStandAsPlayersWriteThem() throws FormatException {
        String reel = String.join(
                "\n",
                "X:1",
                "T:Low Stile Reel",
                "M:4/4",
                "L:1/4",
                "Q:1/4=90",
                "K:G",
                "|:\"G\"G B d B|\"C\"e d c A|\"G\"B G \"D\"A F|1 \"G\"G2 D2:|2 \"G\"G4||",
                "\"Em\"e e g e|\"D\"d A F A|\"C\"G E \"D\"F A|\"G\"G4|",
                "");
        Song song =
                new AbcReader("x").read(reel.getBytes(StandardCharsets.UTF_8)).song();
        Arrangement arrangement =
                Solve.of(Project.of(song, new Setup(Guitar.STEEL, StringSet.Named.STEEL_LIGHT.set(), Hand.AVERAGE)));
        Folding folding = Folding.of(arrangement);
        assertThat(folding.hasEndings()).isTrue();
        for (boolean staff : new boolean[] {false, true}) {
            PageSetup once = PageSetup.USUAL.withOnce(true).withStaff(staff);
            List<Page> pages = Sheet.SCORE.pages(arrangement, once);
            pages.forEach(page -> check(page, once, "reel"));
            List<String> words = List.of(all(pages).split(" "));
            assertThat(words).contains("1.", "2.").doesNotContain("as");
            long shown = arrangement.notes().stream()
                    .filter(note -> note.role() == Role.BASS && !folding.hidesTick(note.tick()))
                    .count();
            assertThat(frames(pages)).isEqualTo(shown + pages.size());
            assertThat(all(Sheet.SCORE.pages(arrangement, PageSetup.USUAL))).doesNotContain("1. ");
        }
    }

    private static String all(List<Page> pages) {
        return pages.stream()
                .flatMap(page -> texts(page).stream())
                .map(Mark.Text::text)
                .collect(Collectors.joining(" "));
    }

    private static long frames(List<Page> pages) {
        return pages.stream()
                .flatMap(page -> page.marks().stream())
                .filter(mark -> mark instanceof Mark.Box box
                        && box.edge().filter(Shade.BASS::equals).isPresent())
                .count();
    }

    /** Any program reads the file: text as text, every font embedded, the paper as large as the standard says. */
    @Test
    void aPdfIsReadByALibrary() throws IOException, FormatException {
        Arrangement arrangement = arrangement(1);
        Path file = folder.resolve("one.pdf");
        PageFiles.write(arrangement, Sheet.SCORE, PageSetup.USUAL, file);
        try (PDDocument document = Loader.loadPDF(file.toFile())) {
            String text = new PDFTextStripper().getText(document);
            assertThat(text).contains(arrangement.song().title(), "tuning", "page 1 of " + document.getNumberOfPages());
            for (PDPage page : document.getPages()) {
                // ISO 216: 210 by 297 mm
                assertThat(page.getMediaBox().getWidth()).isCloseTo(595.28f, Offset.offset(0.1f));
                assertThat(page.getMediaBox().getHeight()).isCloseTo(841.89f, Offset.offset(0.1f));
                for (var name : page.getResources().getFontNames()) {
                    assertThat(page.getResources().getFont(name).isEmbedded()).isTrue();
                }
            }
            // what is drawn as PDF is what is drawn as a picture
            BufferedImage printed = new PDFRenderer(document).renderImage(0, 1);
            BufferedImage drawn = PicturePages.picture(
                    Sheet.SCORE.pages(arrangement, PageSetup.USUAL).subList(0, 1));
            assertThat(ink(drawn)).isCloseTo(ink(printed), Percentage.withPercentage(10));
        }
    }

    /** The share of a picture that is not white. */
    private static double ink(BufferedImage image) {
        double dark = 0;
        for (int y = 0; y < image.getHeight(); y++) {
            for (int x = 0; x < image.getWidth(); x++) {
                dark += 1 - (image.getRGB(x, y) >> 8 & 0xFF) / 255.0;
            }
        }
        return dark / image.getWidth() / image.getHeight();
    }

    @Test
    void anSvgIsXmlWithoutFontsAndAPictureIsAStrip() throws Exception {
        Arrangement arrangement = arrangement(2);
        Path svg = folder.resolve("two.svg");
        Path png = folder.resolve("two.png");
        PageFiles.write(arrangement, Sheet.SCORE, PageSetup.USUAL, svg);
        PageFiles.write(arrangement, Sheet.SCORE, PageSetup.USUAL.on(PageSetup.Paper.PHONE), png);
        Document document = DocumentBuilderFactory.newInstance()
                .newDocumentBuilder()
                .parse(new ByteArrayInputStream(Files.readAllBytes(svg)));
        assertThat(document.getDocumentElement().getTagName()).isEqualTo("svg");
        assertThat(document.getElementsByTagName("text").getLength()).isZero();
        // every letter that has ink is used where it stands, and its outline is in the file once
        List<String> used = attributes(document, "use", "xlink:href");
        List<String> outlines = attributes(document, "path", "id");
        assertThat(outlines).doesNotHaveDuplicates();
        assertThat(used).allMatch(link -> outlines.contains(link.substring(1)));
        long letters = Sheet.SCORE.pages(arrangement, PageSetup.USUAL).stream()
                .flatMap(page -> texts(page).stream())
                .flatMapToInt(text -> text.text().codePoints())
                .filter(letter -> !Character.isWhitespace(letter))
                .count();
        assertThat(used).hasSize((int) letters);
        assertThat(document.getElementsByTagName("title").item(0).getTextContent())
                .isEqualTo(arrangement.song().title());
        BufferedImage image = ImageIO.read(png.toFile());
        // 90 mm at three pixels to the point
        assertThat(image.getWidth()).isBetween(763, 767);
        assertThat(image.getHeight()).isGreaterThan(image.getWidth());
    }

    private static List<String> attributes(Document document, String element, String attribute) {
        NodeList all = document.getElementsByTagName(element);
        return IntStream.range(0, all.getLength())
                .mapToObj(i -> ((Element) all.item(i)).getAttribute(attribute))
                .filter(value -> !value.isEmpty())
                .toList();
    }

    /** Letters of other alphabets are set where the type has them, else a question mark stands and is told. */
    @Test
    void noTitleBreaksAPage() throws FormatException, IOException {
        String title = "Причал\t\"<&>\" \u6c34 \u0001 C# \ud834\udd1e " + "x".repeat(300);
        Song song = ChartText.parse("| C | G7 | N.C. | C |", Meter.COMMON)
                .over(TuneEdit.empty("t", Key.C_MAJOR, 90, Meter.COMMON, 4))
                .withTitle(title);
        Arrangement arrangement =
                Solve.of(Project.of(song, new Setup(Guitar.NYLON, StringSet.Named.NYLON_NORMAL.set(), Hand.AVERAGE)));
        for (String ending : PageFiles.ENDINGS) {
            for (Sheet sheet : Sheet.values()) {
                Path file = folder.resolve(sheet + ending);
                PageFiles.write(arrangement, sheet, PageSetup.USUAL, file);
                assertThat(file).isNotEmptyFile();
            }
        }
        assertThat(PageFiles.lacking(arrangement)).contains("\u6c34").doesNotContain("П");
        try (PDDocument document = Loader.loadPDF(folder.resolve("SCORE.pdf").toFile())) {
            assertThat(new PDFTextStripper().getText(document)).contains("Причал \"<&>\" ? ?");
        }
        assertThatThrownBy(() -> PageFiles.write(arrangement, Sheet.SCORE, PageSetup.USUAL, folder.resolve("x.pdff")))
                .isInstanceOf(FormatException.class)
                .hasMessageContaining(".pdf, .svg, .png");
        assertThatThrownBy(() -> PageSetup.USUAL.on(PageSetup.Paper.PHONE).withMargin(20))
                .hasMessageContaining("too little of a page 90.0 mm wide");
        assertThatThrownBy(() -> PageSetup.USUAL.withMargin(90)).hasMessageContaining("5.0 to 40.0 mm");
    }

    /** A sung song shows what is sung, one without a tune its chords; the practice sheet has three boxes a step. */
    @Test
    void sheetsHoldWhatTheyAreFor() {
        Arrangement sung = Solve.of(Project.of(
                        Words.under(RandomSong.of(4), 0, "the ferry is late, the ferry is late, the rope"),
                        new Setup(Guitar.STEEL, StringSet.Named.STEEL_LIGHT.set(), Hand.AVERAGE))
                .withWishes(Wishes.USUAL.withTune(TuneUse.SUNG)));
        String words = Sheet.WORDS.pages(sung, PageSetup.USUAL).stream()
                .flatMap(page -> texts(page).stream())
                .map(Mark.Text::text)
                .collect(Collectors.joining(" "));
        assertThat(words.replaceAll("\\s+", " ")).contains("ferry").contains("late,");
        long boxes = Sheet.PRACTICE.pages(sung, PageSetup.USUAL).stream()
                .flatMap(page -> page.marks().stream())
                .filter(mark -> mark instanceof Mark.Box)
                .count();
        int steps = Ladder.of(sung).size() + Drills.of(sung).size();
        assertThat(boxes).isEqualTo(3L * steps);
        assertThat(new String(
                        SvgPages.write(Sheet.SHAPES.pages(sung, PageSetup.USUAL), "t")
                                .getBytes(StandardCharsets.UTF_8),
                        StandardCharsets.UTF_8))
                .contains("aria-label");
    }

    /** Forty words to one chord are more than a line of a telephone: they go on in the next. */
    @Test
    void wordsToOneChordThatAreWiderThanALineAreBroken() {
        Song song = RandomSong.of(4);
        List<MelodyNote> many = new ArrayList<>();
        int step = song.bars().get(2).lengthTicks() / 40;
        for (int i = 0; i < 40; i++) {
            many.add(new MelodyNote(
                    song.bars().get(2).startTick() + i * step,
                    step,
                    song.melody().get(0).pitch(),
                    Optional.of("ferry" + i)));
        }
        Arrangement arrangement = Solve.of(Project.of(
                        song.withMelody(many), new Setup(Guitar.STEEL, StringSet.Named.STEEL_LIGHT.set(), Hand.AVERAGE))
                .withWishes(Wishes.USUAL.withTune(TuneUse.SUNG)));
        PageSetup phone = PageSetup.USUAL.on(PageSetup.Paper.PHONE);
        List<Page> pages = Sheet.WORDS.pages(arrangement, phone);
        pages.forEach(page -> check(page, phone, "forty words"));
        checkWords(arrangement, pages, "forty words");
    }

    /** Breaking by hand: widths 10, 10, 10, 10 in lines of 22 go two and two, not three and one or in one. */
    @Test
    void linesAreEven() {
        Arrangement arrangement = Solve.of(Project.of(
                ChartText.parse("| C | C | C | C | C | C |", Meter.COMMON)
                        .over(TuneEdit.empty("even", Key.C_MAJOR, 90, Meter.COMMON, 6)),
                new Setup(Guitar.STEEL, StringSet.Named.STEEL_LIGHT.set(), Hand.AVERAGE)));
        List<BarColumns> bars = arrangement.song().bars().stream()
                .map(bar -> new BarColumns(arrangement, bar, false, false, List.of()))
                .toList();
        double width = bars.get(1).naturalWidth();
        assertThat(LineBreaks.of(bars, 3 * width, 0, bar -> false)).containsExactly(3, 3);
        assertThat(LineBreaks.of(bars, 3 * width, 2, bar -> false)).containsExactly(2, 2, 2);
        assertThat(LineBreaks.of(bars, 3 * width, 0, bar -> bar == 4)).containsExactly(2, 2, 2);
        assertThat(LineBreaks.of(bars, 1, 0, bar -> false)).containsExactly(1, 1, 1, 1, 1, 1);
    }
}
