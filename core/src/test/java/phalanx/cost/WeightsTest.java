package phalanx.cost;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import phalanx.arrange.Arranger;
import phalanx.arrange.demand.BassEar;
import phalanx.arrange.demand.Ear;
import phalanx.arrange.demand.Pins;
import phalanx.arrange.demand.Role;
import phalanx.arrange.demand.Scene;
import phalanx.arrange.demand.Slot;
import phalanx.arrange.demand.TuneEar;
import phalanx.arrange.score.ArrangedNote;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Finger;
import phalanx.lefthand.shape.Fingering;
import phalanx.lefthand.shape.FingeringFinder;
import phalanx.lefthand.shape.Press;
import phalanx.lefthand.shape.Shape;
import phalanx.lefthand.track.Clock;
import phalanx.lefthand.track.MoveMeter;
import phalanx.lefthand.track.Pace;
import phalanx.lefthand.track.Posture;
import phalanx.righthand.BassStrings;
import phalanx.righthand.BassStroke;
import phalanx.righthand.Picking;
import phalanx.song.Meter;
import phalanx.song.Song;
import phalanx.song.Songs;
import phalanx.song.Ticks;
import phalanx.theory.ChordSymbol;

/**
 * What the weights are for: pairs of which a player takes the first, close enough that each weight, left out or made
 * several times as large, turns some pair round. Common practice, no source.
 */
class WeightsTest {
    private static final int PLUCKED_BY_ALL = plucks(0, 1, 2, 3, 4);

    private final Instrument instrument = Instrument.STANDARD;
    private final FingeringFinder shapes = FingeringFinder.forShapes(instrument, Hand.AVERAGE);
    private final FingeringFinder plucked = FingeringFinder.forPlucking(instrument, Hand.AVERAGE);
    private final MoveMeter meter = new MoveMeter(instrument, Hand.AVERAGE);
    private final Pace easy = new Pace(new Clock(20), 0, 4 * Ticks.WHOLE, 0);
    private final Pace eighth = new Pace(new Clock(120), 0, Ticks.QUARTER / 2, 0);

    private static int plucks(int... fingers) {
        return Arrays.stream(fingers).reduce(0, (plucks, finger) -> Pace.withPluck(plucks, finger, 1));
    }

    /** Frets and fingers from the lowest string, as in {@code x32010 x32010}. */
    private static Fingering fingering(String frets, String fingers) {
        Shape shape = Shape.parse(frets);
        List<Press> presses = new ArrayList<>();
        for (Finger finger : Finger.values()) {
            int bass = 0;
            int treble = 0;
            for (int string = 6; string >= 1; string--) {
                if (fingers.substring(6 - string, 7 - string).equals(finger.symbol())) {
                    bass = bass == 0 ? string : bass;
                    treble = string;
                }
            }
            if (bass > 0) {
                presses.add(new Press(finger, shape.fret(bass), bass, treble));
            }
        }
        return new Fingering(presses);
    }

    private double shape(String frets, String fingers) {
        return shapes.effort(Shape.parse(frets), fingering(frets, fingers)).total();
    }

    private double held(String frets, String fingers) {
        return plucked.effort(Shape.parse(frets), fingering(frets, fingers)).total();
    }

    private double change(Posture from, Posture to) {
        return meter.change(from, to, PLUCKED_BY_ALL, easy).effort().total();
    }

    private static Posture at(String frets, String fingers) {
        return Posture.of(fingering(frets, fingers));
    }

    private static Posture up(int position) {
        return new Posture(Fingering.OPEN, position);
    }

    /** Asserts that the first is taken. */
    private static void taken(String why, double first, double second) {
        assertThat(first).as(why).isLessThan(second);
    }

    @Test
    void fingersThatHold() {
        taken("4 rather than 3 three frets from 1", held("xxx4x1", "xxx4x1"), held("xxx4x1", "xxx3x1"));
        taken("middle and ring side by side", held("xx5x5x", "xx2x3x"), held("xx5x5x", "xx1x2x"));
        taken("the next finger on the next fret", held("xxx1x2", "xxx1x2"), held("xxx1x2", "xxx1x3"));
        taken("two tips rather than a small barre", held("xxxx11", "xxxx12"), held("xxxx11", "xxxx11"));
        taken("the ring finger rather than the little one", held("xxxx3x", "xxxx3x"), held("xxxx3x", "xxxx4x"));
        taken("a barre rather than three tips in a row", held("xxx222", "xxx111"), held("xxx222", "xxx123"));
        taken("barres by the index", held("xxx222", "xxx111"), held("xxx222", "xxx333"));
        taken("tips where an open string is beside", held("xx2220", "xx123x"), held("xx2220", "xx111x"));
        taken("low on the neck", held("xxx5xx", "xxx1xx"), held("xxx7xx", "xxx1xx"));
        taken("D with its fingers side by side", held("xxx232", "xxx132"), held("xxx232", "xxx231"));
        taken("in the order of the strings", held("x4220x", "x412xx"), held("x4220x", "x421xx"));
        taken(
                "two tips before the joint, not one past it",
                held("x x x x 10 10", "xxxx12"),
                held("x x x x 15 x", "xxxx1x"));
    }

    @Test
    void theThumbOverTheNeck() {
        taken("F by the thumb, not by a barre", held("1x321x", "Tx321x"), held("1x321x", "1x321x"));
        taken("the thumb level with the index", held("2xx222", "Txx111"), held("1xx222", "Txx111"));
        taken("the thumb away where the little finger is wanted", shape("3x2014", "3x2x14"), shape("3x2014", "Tx2x14"));
    }

    @Test
    void stringsThatAreSilent() {
        taken("G with all strings", shape("320003", "21xxx3"), shape("3x0003", "2xxxx3"));
        taken("E with all strings", shape("022100", "x231xx"), shape("0x2100", "xx21xx"));
        taken("a string damped by a tip rather than left alone", shape("3x0000", "3xxxxx"), shape("0x0003", "xxxxx3"));
        taken("low strings in use", shape("022100", "x231xx"), shape("x22100", "x231xx"));
        taken("high strings in use", shape("x32010", "x32x1x"), shape("x3201x", "x32x1x"));
        taken("C without its fifth below", shape("x32010", "x32x1x"), shape("332010", "342x1x"));
    }

    @Test
    void howLongHoldsCount() {
        assertThat(slot(Ticks.WHOLE).holdSteps())
                .isEqualTo(slot(Ticks.WHOLE / 2).holdSteps());
        assertThat(slot(Ticks.QUARTER / 8).holdSteps())
                .isEqualTo(slot(Ticks.QUARTER / 4).holdSteps());
        assertThat(slot(Ticks.WHOLE / 2).holdSteps())
                .isEqualTo(2 * slot(Ticks.QUARTER).holdSteps());
    }

    private static Slot slot(int length) {
        return new Slot(
                0, length, 0, Optional.empty(), Optional.empty(), Optional.empty(), List.of(), Optional.empty());
    }

    @Test
    void fingersThatMove() {
        Posture first = at("xxx5xx", "xxx1xx");
        Posture open = up(5);
        taken("placed near", change(open, first), change(open, at("xxxxx5", "xxxxx1")));
        taken(
                "two placed near rather than a long slide",
                change(open, at("xx67xx", "xx23xx")),
                change(first, at("xxx9xx", "xxx1xx")));
        taken(
                "two lifted and one placed rather than a shift",
                change(at("67xxxx", "23xxxx"), first),
                change(first, at("xxx6xx", "xxx1xx")));
        taken("a tip put down rather than a barre", change(open, first), change(open, at("xxx555", "xxx111")));
        taken("a tip lifted rather than a barre", change(first, open), change(at("xxx555", "xxx111"), open));
        taken(
                "a barre rolled on its fret rather than a slide",
                change(at("xxxx55", "xxxx11"), at("xxx555", "xxx111")),
                change(first, at("xxx6xx", "xxx1xx")));
        taken(
                "in a line another finger on the same string rather than a slide of two frets",
                change(first, at("xxx7xx", "xxx3xx")),
                change(first, at("xxx7xx", "xxx1xx")));
        taken(
                "a guide of two frets rather than another finger on its string",
                change(at("xxx55x", "xxx12x"), at("xxx77x", "xxx12x")),
                change(at("xxx55x", "xxx12x"), at("xxx77x", "xxx32x")));
        taken(
                "a slide rather than a jump",
                change(first, at("xxx6xx", "xxx1xx")),
                change(first, at("xx6xxx", "xx1xxx")));
        taken("a short jump", change(first, at("xx5xxx", "xx1xxx")), change(first, at("5xxxxx", "1xxxxx")));
        taken("a shift led by a slide", change(first, at("xxx8xx", "xxx1xx")), change(first, at("xx8xxx", "xx1xxx")));
        taken(
                "off the position rather than shifted by a fret",
                change(first, new Posture(fingering("xxxx6x", "xxxx3x"), 5)) + Weights.OFF_POSITION,
                change(first, new Posture(fingering("xxxx6x", "xxxx3x"), 4)));
        taken(
                "a jump in time rather than a slide too fast",
                change(first, at("x8xxxx", "x1xxxx")),
                meter.change(first, at("x x x 10 x x", "xxx1xx"), PLUCKED_BY_ALL, eighth)
                        .effort()
                        .total());
    }

    /** Notes that can ring on do, though the fingers tire. */
    @Test
    void notesRingOn() {
        assertThat(cut(7, Role.BASS)).isZero();
        assertThat(cut(59, Role.INNER)).isZero();
    }

    private long cut(long seed, Role role) {
        return new Arranger(instrument, Hand.AVERAGE)
                .quick(Songs.random(seed, 4), Picking.PLAIN, List.of(), () -> false).notes().stream()
                        .filter(note -> note.role() == role && note.cut())
                        .count();
    }

    // ---- the ear ----

    /** G over C major: the tune E5 on string 1, the bass C3, the strings between as given. */
    private static double ear(Slot.Ask[][] asks, int[] free, int... struck) {
        List<List<Slot.Ask>> moments = Arrays.stream(asks).map(List::of).toList();
        Slot.Demand demand = new Slot.Demand(
                Optional.of(ChordSymbol.parse("C")), Optional.of(76), true, 1, 1, true, moments, Optional.empty());
        return price(new Ear(demand), new Scene(76, 48, free), struck);
    }

    private static Slot.Ask[][] rows(int... rows) {
        return Arrays.stream(rows)
                .mapToObj(row -> new Slot.Ask[] {new Slot.Ask(row, false)})
                .toArray(Slot.Ask[][]::new);
    }

    /** What strings 2, 3 and 4 give. */
    private static int[] free(int two, int three, int four) {
        return new int[] {-1, -1, two, three, four, -1, -1};
    }

    /** At level even four strings should be to hand: tune, bass and two between. */
    private static double thin(int... free) {
        Slot.Wanted wanted = new Slot.Wanted(false, 4, 0, 0, Slot.Wanted.ANY_FRET, 0, 0, Pins.NONE);
        Slot.Demand demand = new Slot.Demand(
                Optional.of(ChordSymbol.parse("C")),
                Optional.of(76),
                true,
                1,
                1,
                true,
                List.of(),
                Optional.empty(),
                wanted);
        return Ear.thin(demand, 2, new Scene(76, 48, free)) / 1000.0;
    }

    @Test
    void whatInnerStringsAreWorth() {
        double finger = held("xxx2xx", "xxx1xx") - held("xxxxxx", "xxxxxx");
        taken("a finger for the first string", thin(free(67, -1, -1)) + finger, thin(free(-1, -1, -1)));
        taken("a finger for the second string", thin(free(67, 60, -1)) + finger, thin(free(67, -1, -1)));
        taken("no finger for a third", thin(free(67, 60, -1)), thin(free(67, 60, 55)) + finger);
        double little = finger + held("xxx4xx", "xxx4xx") - held("xxx4xx", "xxx3xx") + Weights.BARRE;
        taken("no barre with the little finger for one", thin(free(67, -1, -1)), thin(free(67, 60, -1)) + little);
    }

    @Test
    void whereInnerStrokesFall() {
        int[] open = free(67, 62, 55);
        taken("on its row", ear(rows(2), open, 1 << 3), ear(rows(2), open, 1 << 2));
        taken("in the middle", ear(rows(0), open, 1 << 3), ear(rows(0), open, 1 << 4));
        taken(
                "another string rather than the same",
                ear(rows(0, 0), open, 1 << 3, 1 << 2),
                ear(rows(0, 0), open, 1 << 3, 1 << 3));
        taken(
                "left out rather than the same again",
                ear(rows(0, 0), open, 1 << 3, 0),
                ear(rows(0, 0), open, 1 << 3, 1 << 3));
        taken(
                "off the middle rather than the tune again",
                ear(rows(0), free(67, 64, -1), 1 << 2),
                ear(rows(0), free(67, 64, -1), 1 << 3));
        taken(
                "off the middle rather than the bass again",
                ear(rows(0), free(67, 60, -1), 1 << 2),
                ear(rows(0), free(67, 60, -1), 1 << 3));
        taken(
                "off its row rather than muddy",
                ear(rows(2), free(67, -1, 51), 1 << 2),
                ear(rows(2), free(67, -1, 51), 1 << 4));
        taken(
                "doubled rather than left out",
                ear(rows(0), free(-1, 64, -1), 1 << 3),
                ear(rows(0), free(-1, 64, -1), 0));
        taken(
                "the bass doubled rather than left out",
                ear(rows(0), free(-1, 60, -1), 1 << 3),
                ear(rows(0), free(-1, 60, -1), 0));
        taken("muddy rather than left out", ear(rows(2), free(67, -1, 51), 1 << 4), ear(rows(2), free(67, -1, 51), 0));
        taken(
                "down where the rows go down",
                ear(rows(2, 4), open, 1 << 3, 1 << 4),
                ear(rows(2, 4), open, 1 << 3, 1 << 2));
        taken(
                "off its row and the other way rather than left out",
                ear(rows(2, 1), open, 1 << 3, 1 << 4),
                ear(rows(2, 1), open, 1 << 3, 0));
    }

    @Test
    void whereTheTuneLies() {
        Slot.Demand low = demand(45);
        taken(
                "the tune as bass rather than a bass far off",
                BassEar.tuneAsBass(Instrument.STANDARD, demand(48)),
                1000 * bass(1, 6, 3, 55) + 1);
        taken(
                "the root as bass rather than another tone",
                BassEar.tuneAsBass(Instrument.STANDARD, demand(48)),
                BassEar.tuneAsBass(Instrument.STANDARD, low));
        taken(
                "the thumb's highest note as bass rather than another tone on an inner string",
                BassEar.tuneAsBass(Instrument.STANDARD, demand(54)),
                1000 * bass(1, 3, 0, 55));
        taken(
                "that rather than a tune of B3 with nothing under it",
                1000 * bass(1, 3, 0, 55),
                BassEar.tuneAsBass(Instrument.STANDARD, demand(59)));
        taken("another string rather than four frets higher", bass(1, 5, 3, 48) + 0.1, TuneEar.tuneHigh(9) / 1000.0);
        taken("a tune note at fret 7 rather than a bass cut short", TuneEar.tuneHigh(7) / 1000.0, Weights.BASS_CUT);
        Slot.Demand wish = new Slot.Demand(
                Optional.empty(),
                Optional.of(60),
                true,
                0,
                0,
                false,
                List.of(),
                Optional.empty(),
                new Slot.Wanted(false, 0, 0, 0, 5, 0, 0, Pins.NONE));
        int[] seventh = {Press.pack(7, 1, 1), 0, 0, 0, 0};
        taken(
                "a bass cut short rather than two frets above the wish",
                Weights.BASS_CUT,
                TuneEar.aboveWish(seventh, wish) / 1000.0);
        taken(
                "a fret above the wish rather than an unwanted bass",
                TuneEar.aboveWish(new int[] {Press.pack(6, 1, 1), 0, 0, 0, 0}, wish) / 1000.0,
                bass(1, 5, 0, 55));
    }

    @Test
    void howHighAndLowTheTuneLies() {
        taken(
                "a finger more for a beat rather than a tune a fifth below the third string",
                Weights.FINGER,
                TuneEar.tuneLow(Instrument.STANDARD, 48) / 1000.0);
        taken(
                "a tune a semitone below it rather than a finger more",
                TuneEar.tuneLow(Instrument.STANDARD, 54) / 1000.0,
                Weights.FINGER);
        taken(
                "at the seventh fret rather than three times a shape with a finger more",
                TuneEar.tuneHigh(7) / 1000.0,
                3 * Weights.FINGER);
        taken(
                "two fingers more rather than a tune at the eighth fret",
                2 * Weights.FINGER,
                TuneEar.tuneHigh(8) / 1000.0);
    }

    /** A stroke on string 4, which the tune sings next, beside one above the tune, and beside none. */
    @Test
    void whatAStrokeMustNotTake() {
        List<List<Slot.Ask>> moments = List.of(List.of(new Slot.Ask(0, false, false, 0, 128, false)));
        Slot.Demand demand = new Slot.Demand(
                Optional.of(ChordSymbol.parse("C")), Optional.of(64), true, 1, 1, true, moments, Optional.empty());
        Ear ear = new Ear(demand);
        Scene scene = new Scene(2, 64, 48, new int[] {-1, 67, -1, 55, 52, -1, -1}, 1 << 4, 0, 0);
        double onNext = price(ear, scene, new int[] {1 << 4});
        double above = price(ear, scene, new int[] {1 << 1});
        double below = price(ear, scene, new int[] {1 << 3});
        taken("below the tune", below, above);
        taken("above the tune rather than the next tune note", above, onNext);
        taken("the next tune note rather than none", onNext, price(ear, scene, new int[] {0}));
        // what the player wants by name is had at any price but a tune note's
        Ear decided = new Ear(new Slot.Demand(
                Optional.of(ChordSymbol.parse("C")),
                Optional.of(64),
                true,
                1,
                1,
                true,
                List.of(List.of(new Slot.Ask(0, false, false, 0, 128, true))),
                Optional.empty()));
        taken(
                "the next tune note and three fingers more rather than a decided one left",
                onNext + 3 * Weights.FINGER,
                price(decided, scene, new int[] {0}));
    }

    /** Under A3 only string 4 is free, and the thumb wants its D3 next: rather nothing than the same note twice. */
    @Test
    void theNextBassNoteIsTheThumbs() {
        Song song = Songs.of("D", Meter.COMMON, "D D", "A3:1 A3:1 A3:1 A3:1 A3:1 A3:1 A3:1 A3:1");
        List<ArrangedNote> notes = new Arranger(instrument, Hand.AVERAGE)
                .quick(song, Picking.PLAIN, List.of(), () -> false)
                .notes();
        List<ArrangedNote> basses =
                notes.stream().filter(note -> note.role() == Role.BASS).toList();
        assertThat(notes.stream().filter(note -> note.role() == Role.INNER).filter(note -> basses.stream()
                        .filter(bass -> bass.tick() > note.tick())
                        .findFirst()
                        .filter(bass -> bass.midi() == note.midi())
                        .isPresent()))
                .isEmpty();
    }

    private static Slot.Demand demand(int tune) {
        return new Slot.Demand(
                Optional.of(ChordSymbol.parse("C")), Optional.of(tune), true, 1, 1, true, List.of(), Optional.empty());
    }

    @Test
    void aThirdIsHeard() {
        List<List<Slot.Ask>> moments = List.of(List.of(new Slot.Ask(2, false)));
        Slot.Demand demand = new Slot.Demand(
                Optional.of(ChordSymbol.parse("C7")), Optional.of(79), true, 1, 1, true, moments, Optional.empty());
        Ear ear = new Ear(demand);
        Scene scene = new Scene(79, 48, free(72, 70, 64));
        taken("the third two rows off", price(ear, scene, new int[] {1 << 4}), price(ear, scene, new int[] {1 << 2}));
    }

    @Test
    void whereTheBassLies() {
        taken("high on a bass string rather than on an inner one", bass(1, 5, 12, 48), bass(1, 3, 0, 48));
        taken("low on the neck", bass(1, 6, 3, 48), bass(1, 5, 10, 48));
        taken("the root rather than an open string", bass(1, 6, 10, 48), bass(1, 5, 0, 55));
        BassStroke stroke = new BassStroke(0, 10, 0, 1, 1);
        taken(
                "a string skipped rather than the same again",
                BassEar.bassStep(6, 4, stroke, 6),
                BassEar.bassStep(5, 5, stroke, 6));
        BassStroke above = new BassStroke(0, 10, 0, 1, 1, BassStrings.ABOVE);
        taken(
                "where the thumb is wanted, though high",
                BassEar.bassStep(6, 5, above, 6) + 1000 * bass(1, 5, 12, 48),
                BassEar.bassStep(5, 6, above, 6) + 1000 * bass(1, 6, 0, 48));
        taken("the neighbour", BassEar.bassStep(6, 5, stroke, 6), BassEar.bassStep(6, 4, stroke, 6));
    }

    private static double bass(int wanted, int string, int fret, int midi) {
        return BassEar.bassPlace(wanted, 0, string, fret, midi, 6) / (double) Effort.THOUSANDTHS;
    }

    private static double price(Ear ear, Scene scene, int[] struck) {
        Effort.Sum sum = new Effort.Sum();
        ear.price(scene, struck, sum);
        return sum.done().total();
    }
}
