package phalanx.righthand;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Collectors;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Shape;
import phalanx.song.Meter;
import phalanx.song.Section;
import phalanx.song.Song;
import phalanx.song.Songs;
import phalanx.song.Ticks;
import phalanx.technique.HitKind;
import phalanx.theory.ChordSymbol;

/** Patterns as text, the library, bass lines, thumb strings, planting and counting. */
class PatternTest {
    private static final PatternLibrary LIBRARY = PatternLibrary.standard();

    @Test
    void theLibraryHoldsTheStandardFamilies() {
        List<Pattern> all = LIBRARY.all();
        assertThat(all).hasSizeGreaterThanOrEqualTo(40);
        assertThat(all.stream().map(Pattern::family).distinct()).hasSizeGreaterThanOrEqualTo(12);
        assertThat(all.stream().map(pattern -> pattern.name().toLowerCase(java.util.Locale.ROOT)))
                .doesNotHaveDuplicates();
        assertThat(all.stream().map(pattern -> pattern.meter().toString())).contains("4/4", "3/4", "6/8", "2/4", "5/4");
        assertThat(all.stream().map(Pattern::grid)).contains(3, 4, 5);
        assertThat(all).anyMatch(pattern -> pattern.bars() == 2).anyMatch(pattern -> pattern.variation()
                .isPresent());
        assertThat(all).allMatch(pattern -> !pattern.serves().isBlank());
    }

    /** The text form carries all of a pattern. */
    @Test
    void everyPatternOfTheLibraryReadsBackTheSame() {
        for (Pattern pattern : LIBRARY.all()) {
            assertThat(PatternText.parse(PatternText.write(pattern))).isEqualTo(pattern);
        }
    }

    @Property(tries = 300)
    void anyPatternReadsBackTheSame(@ForAll long seed) {
        Pattern pattern = random(new Random(seed));
        assertThat(PatternText.parse(PatternText.write(pattern))).isEqualTo(pattern);
    }

    private static Pattern random(Random random) {
        Meter[] meters = {Meter.COMMON, new Meter(3, 4), new Meter(6, 8), new Meter(2, 4), new Meter(5, 4)};
        Meter meter = meters[random.nextInt(meters.length)];
        int[] grids = meter.compound() ? new int[] {3, 6} : new int[] {1, 2, 3, 4, 5, 6, 7, 8};
        int grid = grids[random.nextInt(grids.length)];
        int bars = 1 + random.nextInt(2);
        Optional<Pattern.Variation> variation = random.nextInt(3) == 0
                ? Optional.of(new Pattern.Variation(2 + random.nextInt(6), strokes(random, meter, grid, bars)))
                : Optional.empty();
        return new Pattern("Made up", "own", "tests", meter, grid, bars, strokes(random, meter, grid, bars), variation);
    }

    private static List<PatternStroke> strokes(Random random, Meter meter, int grid, int bars) {
        List<PatternStroke> strokes = new ArrayList<>();
        for (int step = 0; step < Pattern.stepsOf(meter, grid) * bars; step++) {
            if (random.nextInt(3) > 0) {
                boolean hit = random.nextInt(6) == 0;
                boolean brush = !hit && random.nextInt(6) == 0;
                Weight weight = Weight.values()[hit || brush ? 1 + random.nextInt(2) : random.nextInt(3)];
                boolean digit = !hit && !brush && weight != Weight.GHOST && random.nextBoolean();
                PatternRow row =
                        hit ? PatternRow.HIT : brush ? PatternRow.BRUSH : PatternRow.values()[random.nextInt(5)];
                strokes.add(new PatternStroke(
                        step,
                        row,
                        digit ? Optional.of(Digit.values()[random.nextInt(5)]) : Optional.empty(),
                        weight,
                        brush && random.nextBoolean() ? Manner.UP : Manner.DOWN,
                        hit ? Optional.of(HitKind.values()[random.nextInt(5)]) : Optional.empty()));
            }
        }
        return strokes;
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "A~family: own~bass x . x . x . x . x; 3; 21; this step lies outside the bar, which has 8 in 4/4",
                "A~family: own~bass x . x .; 3; 0; row bass has 4 steps",
                "A~family: own~tenor x; 3; 0; \"tenor\" is not a row",
                "A~family: own~bass x . x . x . x .~bass x . x . x . x .; 4; 0; two digits on one string",
                "A~family: own~top im . . . . . . .; 3; 4; two digits on one string",
                "A~family: own~top i . . . . . . .~high i . . . . . . .~bass x . . . . . . .; 5; 0; digit i has two strokes at once",
                "A~family: own~top i . . . . . . .~high m . . . . . . .; 4; 0; digits cross",
                "A~family: own~bass q . . . . . . .; 3; 5; \"q\" means nothing in row bass",
                "A~family: own~hit x . . . . . . .; 3; 4; \"x\" means nothing in row hit",
                "A~family: own~meter: 4/5~bass x; 3; 7; is not a meter",
                "A~family: own~grid: 9~bass x; 3; 6; the grid is 1 to 8",
                "A~tempo: 9~bass x; 2; 0; \"tempo\" is not known",
                "A~bass x . x . x . x .; 2; 0; names no family",
                "A~family: own; 2; 0; no rows",
                "A~family: own~bass x . x . | x . x .; 3; 13; a bar of 4/4 has 8 steps; the bar line stands after 4",
                "A~family: own~bass x . x . x . x . | x . x . x . x .~top . . . . . . . .; 4; 0; another number of bars",
                "; 1; 0; begins with its name"
            })
    void whatIsWrongIsSaidAtItsPlace(String text, int line, int column, String message) {
        PatternText.Reading reading = PatternText.read(text == null ? "" : text.replace('~', '\n'));
        assertThat(reading.pattern()).isEmpty();
        assertThat(reading.mistakes().get(0).line()).isEqualTo(line);
        assertThat(reading.mistakes().get(0).from()).isEqualTo(column);
        assertThat(reading.mistakes().get(0).message()).contains(message.trim());
    }

    /** Any text in: a pattern that reads back the same or mistakes, never neither, never both. */
    @Property(tries = 400)
    void anyTextGivesAPatternOrMistakes(@ForAll long seed) {
        Random random = new Random(seed);
        StringBuilder text = new StringBuilder(PatternText.write(random(random)));
        for (int i = 0; i < random.nextInt(6); i++) {
            text.setCharAt(random.nextInt(text.length()), ".x|:pim\n 9z".charAt(random.nextInt(11)));
        }
        PatternText.Reading reading = PatternText.read(text.toString());
        assertThat(reading.pattern().isPresent()).isEqualTo(reading.mistakes().isEmpty());
        reading.pattern().ifPresent(read -> assertThat(PatternText.parse(PatternText.write(read)))
                .isEqualTo(read));
    }

    private static Picking with(String pattern, BassLine bass) {
        return Picking.PLAIN.withPlan(
                new Picking.Plan(Optional.ofNullable(pattern).map(LIBRARY::get), bass, Level.EVEN));
    }

    private static String bass(Song song, Picking picking) {
        return new BassWriter(song, picking)
                .strokes().stream()
                        .map(stroke -> stroke.tick() / (Ticks.QUARTER / 2) / 2.0 + ":" + names(stroke.preferred()))
                        .map(text -> text.replace(".0", ""))
                        .collect(Collectors.joining(" "));
    }

    private static String names(int set) {
        String[] names = {"C", "Db", "D", "Eb", "E", "F", "Gb", "G", "Ab", "A", "Bb", "B"};
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < 12; i++) {
            text.append((set >> i & 1) == 1 ? names[i] : "");
        }
        return text.toString();
    }

    /** Bass lines of the usual kinds. Common practice, no source. */
    @ParameterizedTest
    @CsvSource({
        "alternating, 0:C 1:EG 2:C 3:EG 4:F 5:CA 6:F 7:CA",
        "round of three, 0:C 1:CEG 2:G 3:CEG 4:F 5:CFA 6:C 7:CFA",
        "steady root, 0:C 1:C 2:C 3:C 4:F 5:F 6:F 7:F",
        "half notes, 0:C 2:G 4:F 6:C",
        "on the change, 0:C 4:F",
        "pedal, 0:C 1:C 2:C 3:C 4:C 5:C 6:C 7:C",
        "octaves, 0:C 1:C 2:C 3:C 4:F 5:F 6:F 7:F",
        "walking, 0:C 1:EG 2:G 3:E 4:F 5:CA 6:C 7:CA",
        "push, 0:C 1.5:G 3.5:F 5.5:C 7.5:F"
    })
    void bassLinesGoAsTheyAreCalled(String line, String strokes) {
        Song song = Songs.of("C", Meter.COMMON, "C F", "");
        assertThat(bass(song, with(null, BassLine.parse(line)))).isEqualTo(strokes);
    }

    @Test
    void aWalkingBassLeadsIntoTheNextRootAndASlashChordBeginsOnItsBass() {
        Song song = Songs.of("G", Meter.COMMON, "G Am/C D7", "");
        assertThat(bass(song, with(null, BassLine.WALKING))).contains("3:B 4:C").contains("7:C 8:D");
        assertThat(bass(song, with(null, BassLine.ALTERNATING))).contains("4:C 5:EA");
    }

    @Test
    void thePatternGivesTheThumbItsRhythmAndEveryChordItsRoot() {
        Song song = Songs.of("C", Meter.COMMON, "C", "");
        assertThat(bass(song, with("Doorstep", BassLine.ALTERNATING))).isEqualTo("0:C 2:EG");
        Song three = Songs.of("C", new Meter(3, 4), "C .", "");
        assertThat(bass(three, with("Lamplighter", BassLine.ALTERNATING))).isEqualTo("0:C 3:EG");
        assertThat(bass(three, with("Doorstep", BassLine.ALTERNATING)))
                .as("a pattern in four gives a bar of three its first beats")
                .isEqualTo("0:C 2:EG 3:C 5:EG");
    }

    /** Strings of the thumb under the named shapes. Common practice, no source. */
    @ParameterizedTest
    @CsvSource({
        "C, x 3 2 0 1 0, round of three, 5 4 6 4",
        "C, 3 3 2 0 1 0, round of three, 5 4 6 4",
        "G, 3 2 0 0 0 3, alternating, 6 4 6 4",
        "Am, x 0 2 2 1 0, round of three, 5 4 6 4",
        "F, 1 x 3 2 1 x, alternating, 6 4 6 4",
        "E, 0 2 2 1 0 0, alternating, 6 5 6 5",
        "A, x 0 2 2 2 0, alternating, 5 6 5 6",
        "B7, x 2 1 2 0 2, alternating, 5 6 5 6",
        "C#m, x 4 6 6 5 4, alternating, 5 4 5 4",
        "C#, 9 11 11 10 9 9, alternating, 6 5 6 5",
        "C#, 4 4 6 6 6 4, alternating, 5 6 5 6",
        "C, x 3 2 0 1 0, steady root, 5 5 5 5",
        "Em, 0 2 2 0 0 0, alternating, 6 5 6 5"
    })
    void theThumbTakesTheUsualStrings(String chord, String frets, String line, String strings) {
        ThumbStrings thumb = new ThumbStrings(Instrument.STANDARD, Shape.parse(frets), ChordSymbol.parse(chord));
        List<Integer> wanted = java.util.Arrays.stream(strings.split(" "))
                .map(Integer::parseInt)
                .toList();
        assertThat(thumb.strings(BassLine.parse(line), 4)).isEqualTo(wanted);
    }

    /** In three, C goes 5 4 6, 4 5 4 over two bars. Common practice, no source. */
    @Test
    void theRoundGoesOnOverTheBarLineInThree() {
        ThumbStrings thumb = new ThumbStrings(Instrument.STANDARD, Shape.parse("x 3 2 0 1 0"), ChordSymbol.parse("C"));
        assertThat(thumb.strings(BassLine.ROUND, 6)).containsExactly(5, 4, 6, 4, 5, 4);
        assertThat(new ThumbStrings(Instrument.STANDARD, Shape.parse("x x 0 2 3 2"), ChordSymbol.parse("F"))
                        .strings(BassLine.ROUND, 4))
                .isEmpty();
    }

    /** The four first steps and how they are counted. Common practice, no source. */
    @Test
    void motionsAreNamed() {
        List<List<Digit>> mixed = List.of(
                List.of(Digit.P, Digit.I),
                List.of(Digit.P, Digit.M),
                List.of(Digit.P),
                List.of(Digit.I),
                List.of(Digit.P),
                List.of(Digit.M));
        assertThat(mixed.stream()
                        .map(digits -> Counting.motion(digits, false, School.THUMB_AND_TWO))
                        .collect(Collectors.joining(" ")))
                .isEqualTo("pinch pinch thumb index thumb middle");
        assertThat(Counting.motion(List.of(Digit.P), false, School.PICK_AND_FINGERS))
                .isEqualTo("pick");
        assertThat(Counting.motion(List.of(Digit.I, Digit.M), false, School.THUMB_AND_TWO))
                .isEqualTo("block");
        assertThat(Counting.motion(List.of(Digit.I, Digit.I), true, School.THUMB_AND_TWO))
                .isEqualTo("brush");
    }

    /**
     * On a rising arpeggio all digits wait on their strings and leave one by one; on the way back each lands just in
     * time; all return together at the start of the cycle. Common practice, no source.
     */
    @Test
    void anArpeggioIsPlantedWholeGoingUpAndOneByOneComingBack() {
        List<PlantingChart.Played> played = new ArrayList<>();
        Digit[] digits = {Digit.P, Digit.I, Digit.M, Digit.A, Digit.M, Digit.I, Digit.P, Digit.I, Digit.M, Digit.A};
        int[] strings = {5, 3, 2, 1, 2, 3, 5, 3, 2, 1};
        for (int i = 0; i < digits.length; i++) {
            played.add(new PlantingChart.Played(100 * i, strings[i], digits[i], 100 * i));
        }
        assertThat(plants(PlantingChart.Manner.FULL, played)).isEqualTo("0i3 0m2 0a1 300m2 400i3 600i3 600m2 600a1");
        assertThat(plants(PlantingChart.Manner.ONE_BY_ONE, played))
                .isEqualTo("0i3 100m2 200a1 300m2 400i3 600i3 700m2 800a1");
        // a tune note that must ring keeps the finger off its string
        played.set(1, new PlantingChart.Played(100, 2, Digit.I, 150));
        assertThat(plants(PlantingChart.Manner.FULL, played)).contains("150m2");
    }

    private static String plants(PlantingChart.Manner manner, List<PlantingChart.Played> played) {
        return new PlantingChart(manner)
                .plants(played).stream()
                        .map(plant -> plant.fromTick() + plant.digit().symbol() + plant.string())
                        .collect(Collectors.joining(" "));
    }

    /** Digits of the named patterns on an open shape. Common practice, no source. */
    @ParameterizedTest
    @CsvSource({
        "thumb and three, 5p 3 2 1, p i m a",
        "thumb and three, 5p 3 2 1 2 3, p i m a m i",
        "thumb and three, 5p 3 1 3, p i a i",
        "thumb and two, 5p 3 2 3, p i m i",
        "thumb and four, 6p 4 3 2 1, p i m a c",
        "thumb and index, 5p 2 4p 2, p i p i",
        "pick and fingers, 5p 2 1 2, p m a m"
    })
    void slowPatternsTakeTheDigitsAtHome(String school, String strings, String digits) {
        List<Pluck> plucks = new ArrayList<>();
        for (String word : strings.split(" ")) {
            boolean bass = word.endsWith("p");
            plucks.add(new Pluck(plucks.size() * 840, Integer.parseInt(word.replace("p", "")), bass));
        }
        List<Digit> assigned = new DigitAssigner(School.parse(school), Speeds.USUAL, 80).assign(plucks);
        assertThat(assigned.stream().map(Digit::symbol).collect(Collectors.joining(" ")))
                .isEqualTo(digits);
    }

    /** A fast run on one string goes p a m i from the thumb. Common practice, no source. */
    @Test
    void aFastRunIsATremoloFromTheThumb() {
        List<Pluck> run = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            run.add(new Pluck(i * 210, 1, false));
        }
        List<Digit> digits = new DigitAssigner(School.THUMB_AND_THREE, Speeds.USUAL, 90).assign(run);
        assertThat(digits.stream().map(Digit::symbol).collect(Collectors.joining()))
                .isEqualTo("pamipami");
    }

    /** The cheapest digits against all there are, on short passages. */
    @Property(tries = 150)
    void digitsAreAsCheapAsCanBe(@ForAll long seed, @ForAll @IntRange(min = 0, max = 4) int school) {
        Random random = new Random(seed);
        School own = School.values()[school];
        DigitAssigner assigner = new DigitAssigner(own, Speeds.USUAL, 60 + random.nextInt(120));
        List<Pluck> plucks = new ArrayList<>();
        List<List<Pluck>> moments = new ArrayList<>();
        int tick = 0;
        for (int moment = 0; moment < 5; moment++) {
            List<Pluck> together = new ArrayList<>();
            if (random.nextInt(3) == 0) {
                together.add(new Pluck(tick, 4 + random.nextInt(3), true));
            }
            for (int string = 3; string >= 1; string--) {
                boolean last = string == 1 && together.isEmpty();
                if (together.size() < Math.min(3, own.digits().size()) && (random.nextInt(3) == 0 || last)) {
                    Optional<Digit> wanted = random.nextInt(4) == 0
                            ? Optional.of(
                                    own.digits().get(random.nextInt(own.digits().size())))
                            : Optional.empty();
                    together.add(new Pluck(tick, string, false, wanted, false));
                }
            }
            plucks.addAll(together);
            moments.add(together);
            tick += 210 * (1 + random.nextInt(5));
        }
        double least = cheapest(assigner, plucks, moments, 0, new ArrayList<>());
        List<Digit> assigned = assigner.assign(plucks);
        assertThat(assigner.cost(plucks, assigned)).isEqualTo(least, org.assertj.core.api.Assertions.within(1e-9));
        assertThat(own.digits()).containsAll(assigned);
    }

    private static double cheapest(
            DigitAssigner assigner, List<Pluck> plucks, List<List<Pluck>> moments, int at, List<Digit> so) {
        if (at == moments.size()) {
            return assigner.cost(plucks, so);
        }
        double least = Double.POSITIVE_INFINITY;
        for (List<Digit> way : assigner.ways(moments.get(at))) {
            List<Digit> next = new ArrayList<>(so);
            next.addAll(way);
            least = Math.min(least, cheapest(assigner, plucks, moments, at + 1, next));
        }
        return least;
    }

    @Test
    void patternsBeginAnewWithSectionsSpanTwoBarsAndVary() {
        Song song = Songs.of("C", Meter.COMMON, "C C C C C", "")
                .withSections(List.of(new Section("A", 0), new Section("B", 3 * 6720)));
        Picking picking = with("Two Fields", BassLine.ALTERNATING);
        assertThat(rows(song, picking, 0)).isEqualTo(rows(song, picking, 2)).isNotEqualTo(rows(song, picking, 1));
        assertThat(rows(song, picking, 3)).as("a section begins it anew").isEqualTo(rows(song, picking, 0));
        Song four = Songs.of("C", Meter.COMMON, "C C C C", "");
        Picking lane = with("Long Lane", BassLine.ALTERNATING);
        assertThat(rows(four, lane, 0)).isEqualTo(rows(four, lane, 1)).isEqualTo(rows(four, lane, 2));
        assertThat(rows(four, lane, 3)).as("the variation").isNotEqualTo(rows(four, lane, 0));
    }

    private static String rows(Song song, Picking picking, int bar) {
        int start = song.bars().get(bar).startTick();
        return PickingPlan.of(song, picking).inner().stream()
                .filter(stroke -> song.bars().get(bar).contains(stroke.tick()))
                .map(stroke -> (stroke.tick() - start)
                        + stroke.row().map(PatternRow::word).orElse("any"))
                .collect(Collectors.joining(" "));
    }

    @Test
    void theTuneTakesStrokesAndNoMoreFingersAreAskedForThanThereAre() {
        Song song = Songs.of("C", Meter.COMMON, "C", "E5:4");
        PickingPlan plan = PickingPlan.of(song, with("Doorstep", BassLine.ALTERNATING));
        assertThat(plan.joining().asked()).isEqualTo(6);
        Picking two = with("Harbour Lights", BassLine.ALTERNATING).withSchool(School.THUMB_AND_TWO);
        assertThat(PickingPlan.of(song, two).joining().dropped())
                .containsExactly(Map.entry(Joining.Reason.NO_DIGIT, 1));
        Picking index = with("Doorstep", BassLine.ALTERNATING).withSchool(School.THUMB_AND_INDEX);
        assertThat(PickingPlan.of(song, index).inner())
                .hasSize(2)
                .allMatch(brush -> brush.isBrush() && brush.covers() == 3);
        Song busy = Songs.of("C", Meter.COMMON, "C", "E5:1 E5:1 E5:1 E5:1");
        assertThat(PickingPlan.of(busy, with("Doorstep", BassLine.ALTERNATING))
                        .joining()
                        .byTune())
                .isEqualTo(2);
        Picking thin = Picking.PLAIN.withPlan(
                new Picking.Plan(Optional.of(LIBRARY.get("Mill Race")), BassLine.ALTERNATING, Level.PLAIN));
        Picking full = Picking.PLAIN.withPlan(
                new Picking.Plan(Optional.of(LIBRARY.get("Doorstep")), BassLine.ALTERNATING, Level.FULL));
        Song eighths = Songs.of("C", Meter.COMMON, "C", "E5:.5 E5:.5 E5:.5 E5:.5 E5:.5 E5:.5 E5:.5 E5:.5");
        assertThat(PickingPlan.of(eighths, thin).inner()).isEmpty();
        assertThat(PickingPlan.of(song, full).inner().size())
                .isGreaterThan(plan.inner().size());
    }

    @Test
    void spansReplaceWhatTheyCover() {
        Picking.Plan a = with("Doorstep", BassLine.STEADY).plan();
        Picking.Plan b = with("Ladder", BassLine.PEDAL).plan();
        Picking picking = Picking.PLAIN.withSpan(new Picking.Span(0, 100, a)).withSpan(new Picking.Span(40, 60, b));
        assertThat(picking.spans()).hasSize(3);
        assertThat(picking.planAt(50)).isEqualTo(b);
        assertThat(picking.planAt(70)).isEqualTo(a);
        assertThat(picking.planAt(100)).isEqualTo(Picking.PLAIN.plan());
        assertThatThrownBy(() -> new Picking.Span(5, 5, a)).hasMessageContaining("from tick 5 to 5");
        assertThatThrownBy(() -> School.parse("thumb")).hasMessageContaining("thumb and four");
        assertThatThrownBy(() -> BassLine.parse("zigzag")).hasMessageContaining("walking");
        assertThatThrownBy(() -> LIBRARY.get("Nothing")).hasMessageContaining("more");
    }
}
