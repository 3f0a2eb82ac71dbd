package phalanx.song;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.Collectors;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import phalanx.theory.Pitch;

/** Bars put in and taken out: everything after them goes along, everything before them stays. */
class BarEditTest {
    private static final int BAR = Ticks.WHOLE;

    private static String tune(Song song) {
        return song.melody().stream()
                .map(note -> note.pitch() + "@" + note.tick() / (double) Ticks.QUARTER)
                .collect(Collectors.joining(" "));
    }

    private static Optional<ChordChange> chordAt(Song song, int tick) {
        return song.chart().stream()
                .filter(change -> change.startTick() <= tick)
                .reduce((first, second) -> second)
                .map(change -> change.at(0));
    }

    private static Song song() {
        return Songs.of("C", Meter.COMMON, "C F . G7", "C4:4 E4:2 F4:4 G4:2 A4:4");
    }

    @Example
    void anEmptyBarGoesInAndTheTuneThatRangOverItIsCut() {
        Song song = song().withSections(List.of(new Section("A", 0), new Section("B", 2 * BAR)));
        BarEdit.Edited edited = BarEdit.insert(song, 2, 1, Meter.COMMON);
        assertThat(edited.song().bars()).extracting(Bar::number).containsExactly(1, 2, 3, 4, 5);
        assertThat(tune(edited.song())).isEqualTo("C4@0.0 E4@4.0 F4@6.0 G4@14.0 A4@16.0");
        assertThat(edited.song().melody().get(2).lengthTicks()).isEqualTo(2 * Ticks.QUARTER);
        assertThat(edited.song().chart()).extracting(ChordChange::startTick).containsExactly(0, BAR, 4 * BAR);
        assertThat(edited.song().sections()).extracting(Section::startTick).containsExactly(0, 3 * BAR);
        assertThat(edited.moved().stretches(BAR, 4 * BAR)).containsExactly(new Moved.Stretch(BAR, 5 * BAR));
    }

    @Example
    void aBarGoesOutAndItsChordHoldsOnWhereItHeld() {
        BarEdit.Edited edited = BarEdit.delete(song(), 1, 2);
        assertThat(tune(edited.song())).isEqualTo("C4@0.0 G4@6.0 A4@8.0");
        assertThat(edited.song().chart()).extracting(ChordChange::symbol).containsExactly("C", "F", "G7");
        assertThat(edited.song().chart()).extracting(ChordChange::startTick).containsExactly(0, BAR, 2 * BAR);
        assertThat(edited.moved().stretches(BAR, 2 * BAR)).isEmpty();
        assertThat(edited.moved().stretches(BAR, 3 * BAR)).containsExactly(new Moved.Stretch(BAR, 2 * BAR));
        assertThatThrownBy(() -> BarEdit.delete(song(), 0, 4)).hasMessageContaining("one bar at least");
    }

    @Property(tries = 200)
    void takingOutWhatWasPutInGivesTheSameSong(@ForAll long seed) {
        Song song = Songs.random(seed, 8);
        Random random = new Random(seed);
        int index = random.nextInt(song.bars().size() + 1);
        int count = 1 + random.nextInt(3);
        Meter meter = random.nextBoolean() ? new Meter(3, 4) : Meter.COMMON;
        BarEdit.Edited longer = BarEdit.insert(song, index, count, meter);
        Song again = BarEdit.delete(longer.song(), index, index + count).song();
        int at = index < song.bars().size() ? song.bars().get(index).startTick() : song.endTick();
        assertThat(again.bars()).isEqualTo(song.bars());
        assertThat(again.sections()).isEqualTo(song.sections());
        assertThat(again.chart()).isEqualTo(song.chart());
        assertThat(again.melody())
                .isEqualTo(song.melody().stream()
                        .map(note -> note.tick() < at && note.endTick() > at ? note.lasting(at - note.tick()) : note)
                        .toList());
    }

    @Property(tries = 200)
    void everyBarThatStaysKeepsItsChordAndItsTune(@ForAll long seed) {
        Song song = Songs.random(seed, 8);
        Random random = new Random(seed);
        int from = random.nextInt(song.bars().size());
        int to = Math.min(song.bars().size(), from + 1 + random.nextInt(3));
        if (to - from == song.bars().size()) {
            return;
        }
        Song shorter = BarEdit.delete(song, from, to).song();
        for (int i = 0; i < shorter.bars().size(); i++) {
            Bar old = song.bars().get(i < from ? i : i + to - from);
            Bar bar = shorter.bars().get(i);
            assertThat(bar.lengthTicks()).isEqualTo(old.lengthTicks());
            assertThat(chordAt(shorter, bar.startTick()))
                    .as("chord of bar " + bar.number())
                    .isEqualTo(chordAt(song, old.startTick()));
            assertThat(shorter.melodyBetween(bar.startTick(), bar.endTick()))
                    .extracting(note -> note.tick() - bar.startTick(), MelodyNote::pitch)
                    .isEqualTo(song.melodyBetween(old.startTick(), old.endTick()).stream()
                            .map(note -> tuple(note.tick() - old.startTick(), note.pitch()))
                            .toList());
        }
    }

    @Example
    void aBarGoesEarlierWithItsTuneAndTheChordThatHeldInIt() {
        Song song =
                song().withSections(List.of(new Section("A", 0), new Section("B", 2 * BAR), new Section("C", 3 * BAR)));
        BarEdit.Edited edited = BarEdit.exchange(song, 1, 2, 3);
        assertThat(edited.song().chart()).extracting(ChordChange::symbol).containsExactly("C", "F", "G7");
        assertThat(edited.song().chart()).extracting(ChordChange::startTick).containsExactly(0, BAR, 3 * BAR);
        assertThat(tune(edited.song()))
                .as("F4 rang over the bar's end")
                .isEqualTo("C4@0.0 G4@6.0 E4@8.0 F4@10.0 A4@12.0");
        assertThat(edited.song().melody().get(3).lengthTicks()).isEqualTo(2 * Ticks.QUARTER);
        assertThat(edited.song().sections()).extracting(Section::name).containsExactly("A", "B", "C");
        assertThat(edited.song().sections()).extracting(Section::startTick).containsExactly(0, BAR, 3 * BAR);
        Song later = BarEdit.exchange(
                        song().withSections(
                                        List.of(new Section("A", 0), new Section("X", BAR), new Section("B", 2 * BAR))),
                        1,
                        2,
                        3)
                .song();
        assertThat(later.sections())
                .as("a section of one bar goes into the next, which begins before it now")
                .extracting(Section::name)
                .containsExactly("A", "B", "X");
        Song first = BarEdit.exchange(song(), 0, 1, 2).song();
        assertThat(first.chart()).extracting(ChordChange::symbol).containsExactly("F", "C", "F", "G7");
        Song withPickup = Songs.of("C", Meter.COMMON, "C F", "C4:4 D4:4");
        Song pickedUp = BarEdit.withMeter(withPickup, 0, 1, new Meter(1, 4)).song();
        assertThat(pickedUp.bars().get(0).number()).isEqualTo(1);
        List<Bar> bars = new ArrayList<>(withPickup.bars());
        bars.set(0, new Bar(0, 0, BAR, new Meter(5, 4)));
        bars.set(1, new Bar(1, BAR, BAR, Meter.COMMON));
        Song begun = new Song("", withPickup.key(), 90, bars, List.of(), withPickup.chart(), withPickup.melody());
        assertThatThrownBy(() -> BarEdit.exchange(begun, 0, 1, 2)).hasMessageContaining("pickup");
        assertThatThrownBy(() -> BarEdit.split(begun, Ticks.QUARTER)).hasMessageContaining("pickup");
        assertThatThrownBy(() -> BarEdit.join(begun, 0, 2)).hasMessageContaining("pickup");
    }

    /** By every tick for itself, with no knowledge of stretches. */
    @Property(tries = 200)
    void barsThatChangePlacesTakeTuneChordsAndLocksAlong(@ForAll long seed) {
        Random random = new Random(seed);
        Song song = withMeter(Songs.random(seed, 8), random.nextInt(8), new Meter(7, 8))
                .song();
        int from = random.nextInt(6);
        int middle = from + 1 + random.nextInt(6 - from);
        int to = middle + 1 + random.nextInt(8 - middle);
        BarEdit.Edited edited = BarEdit.exchange(song, from, middle, to);
        List<Bar> order = new ArrayList<>(song.bars().subList(0, from));
        order.addAll(song.bars().subList(middle, to));
        order.addAll(song.bars().subList(from, middle));
        order.addAll(song.bars().subList(to, 8));
        int begins = random.nextInt(song.endTick());
        int ends = begins + 1 + random.nextInt(song.endTick() - begins);
        BitSet inside = new BitSet();
        for (int i = 0; i < 8; i++) {
            Bar old = order.get(i);
            Bar bar = edited.song().bars().get(i);
            assertThat(bar.lengthTicks()).isEqualTo(old.lengthTicks());
            assertThat(bar.meter()).isEqualTo(old.meter());
            for (int tick = 0; tick < bar.lengthTicks(); tick++) {
                inside.set(bar.startTick() + tick, old.startTick() + tick >= begins && old.startTick() + tick < ends);
            }
            for (int tick = 0; tick < bar.lengthTicks(); tick += Ticks.QUARTER / 2) {
                assertThat(chordAt(edited.song(), bar.startTick() + tick))
                        .isEqualTo(chordAt(song, old.startTick() + tick));
            }
            assertThat(edited.song().melodyBetween(bar.startTick(), bar.endTick()))
                    .extracting(note -> note.tick() - bar.startTick(), MelodyNote::pitch)
                    .isEqualTo(song.melodyBetween(old.startTick(), old.endTick()).stream()
                            .map(note -> tuple(note.tick() - old.startTick(), note.pitch()))
                            .toList());
        }
        BitSet told = new BitSet();
        int last = -1;
        for (Moved.Stretch stretch : edited.moved().stretches(begins, ends)) {
            assertThat(stretch.from()).as("in order and apart").isGreaterThan(last);
            told.set(stretch.from(), stretch.to());
            last = stretch.to();
        }
        assertThat(told).isEqualTo(inside);
    }

    private static BarEdit.Edited withMeter(Song song, int index, Meter meter) {
        return BarEdit.withMeter(song, index, index + 1, meter);
    }

    /** A song in several meters gets another one for some bars: as if each got it for itself, from the last to the first. */
    @Property(tries = 300)
    void severalBarsGetAnotherMeterAsOneAfterTheOther(@ForAll long seed) {
        Random random = new Random(seed);
        List<Meter> meters = List.of(new Meter(2, 4), new Meter(3, 4), new Meter(5, 8), new Meter(5, 4));
        Song song = Songs.random(seed, 9);
        for (int bar = 8; bar >= 0; bar -= 1 + random.nextInt(3)) {
            song = withMeter(song, bar, meters.get(random.nextInt(4))).song();
        }
        List<Section> sections = new ArrayList<>();
        for (int bar = 0; bar < 9; bar++) {
            Section section = new Section("at bar " + bar, song.bars().get(bar).startTick());
            sections.addAll(random.nextInt(3) == 0 ? List.of(section) : List.of());
        }
        song = song.withSections(sections);
        int from = random.nextInt(9);
        int to = from + 1 + random.nextInt(9 - from);
        Meter meter = meters.get(random.nextInt(4));
        BarEdit.Edited all = BarEdit.withMeter(song, from, to, meter);
        List<Moved> each = new ArrayList<>();
        Song one = song;
        for (int bar = to - 1; bar >= from; bar--) {
            BarEdit.Edited edited = withMeter(one, bar, meter);
            each.add(edited.moved());
            one = edited.song();
        }
        assertThat(all.song()).as("seed " + seed).isEqualTo(one);
        for (int tick = 0; tick <= song.endTick(); tick += Ticks.QUARTER / 4) {
            int told = tick;
            for (Moved moved : each) {
                told = moved.tick(told);
            }
            assertThat(all.moved().tick(tick)).as("tick " + tick).isEqualTo(told);
        }
        for (int k = 0; k < 20; k++) {
            int begins = random.nextInt(song.endTick());
            int ends = begins + 1 + random.nextInt(song.endTick() - begins);
            List<Moved.Stretch> left = List.of(new Moved.Stretch(begins, ends));
            for (Moved moved : each) {
                left = left.stream()
                        .flatMap(stretch -> moved.stretches(stretch.from(), stretch.to()).stream())
                        .toList();
            }
            assertThat(all.moved().stretches(begins, ends))
                    .as(begins + " to " + ends)
                    .isEqualTo(left);
        }
    }

    /** A chord that is written again where the next bar begins stays written; one that goes on from what was cut does not. */
    @Example
    void chordsAfterABarThatIsCut() {
        Song written = Songs.of("C", Meter.COMMON, "C C F", "");
        assertThat(withMeter(written, 0, new Meter(3, 4)).song().chart())
                .extracting(ChordChange::startTick)
                .containsExactly(0, 3 * Ticks.QUARTER, 7 * Ticks.QUARTER);
        List<ChordChange> chart =
                new ArrayList<>(List.of(written.chart().get(0), written.chart().get(2)));
        chart.add(1, written.chart().get(0).at(3 * Ticks.QUARTER));
        assertThat(withMeter(written.withChart(chart), 0, new Meter(3, 4))
                        .song()
                        .chart())
                .extracting(ChordChange::startTick)
                .containsExactly(0, 7 * Ticks.QUARTER);
    }

    /** A bar that is as long in another meter: what rings over its end goes on. */
    @Example
    void anotherMeterOfTheSameLengthCutsNothing() {
        Song song = Songs.of("C", Meter.COMMON, "C F", "C4:3 D4:3 E4:2");
        Song halves = withMeter(song, 0, new Meter(2, 2)).song();
        assertThat(halves.bars()).extracting(Bar::meter).hasToString("[2/2, 4/4]");
        assertThat(halves.melody()).isEqualTo(song.melody());
    }

    @Property(tries = 100)
    void aBarThatIsSplitAndJoinedAgainIsTheSame(@ForAll long seed) {
        Song song = Songs.random(seed, 6);
        int index = new Random(seed).nextInt(6);
        Bar bar = song.bars().get(index);
        int at = bar.startTick() + Ticks.WHOLE / bar.meter().unit();
        Song two = BarEdit.split(song, at);
        assertThat(two.bars()).hasSize(7);
        assertThat(two.bars().get(index).meter())
                .isEqualTo(new Meter(1, bar.meter().unit()));
        assertThat(two.bars().get(index + 1).startTick()).isEqualTo(at);
        assertThat(two.melody()).isEqualTo(song.melody());
        assertThat(BarEdit.join(two, index, index + 2)).isEqualTo(song);
        assertThatThrownBy(() -> BarEdit.split(song, bar.startTick())).hasMessageContaining("within it");
        assertThatThrownBy(() -> BarEdit.join(song, index, index + 1)).hasMessageContaining("two bars");
    }

    @Example
    void aBarGetsAnotherMeterAndWhatFollowsMovesAlong() {
        Song shorter = BarEdit.withMeter(song(), 1, 2, new Meter(3, 4)).song();
        assertThat(tune(shorter)).isEqualTo("C4@0.0 E4@4.0 F4@6.0 G4@9.0 A4@11.0");
        assertThat(shorter.melody().get(2).lengthTicks())
                .as("cut off with the bar")
                .isEqualTo(Ticks.QUARTER);
        assertThat(shorter.chart()).extracting(ChordChange::startTick).containsExactly(0, BAR, 11 * Ticks.QUARTER);
        Song longer = BarEdit.withMeter(song(), 0, 1, new Meter(12, 8)).song();
        assertThat(tune(longer)).isEqualTo("C4@0.0 E4@6.0 F4@8.0 G4@12.0 A4@14.0");
        assertThat(Meter.parse("6/8")).isEqualTo(new Meter(6, 8));
        assertThatThrownBy(() -> Meter.parse("6")).hasMessageContaining("\"6\" is not a meter");
        assertThatThrownBy(() -> Meter.parse("4/5")).hasMessageContaining("not a meter");
    }

    @Example
    void aBarTypedIntoTheChartTakesTheTuneAlong() {
        Song song = song();
        Song longer = ChartText.parse("| C | Am | F | . | G7 |", Meter.COMMON).over(song);
        assertThat(tune(longer)).isEqualTo("C4@0.0 E4@8.0 F4@10.0 G4@14.0 A4@16.0");
        assertThat(ChartText.moved(song, longer)).contains(new Spliced(BAR, 0, BAR));
        Song shorter = ChartText.parse("| C | F | G7 |", Meter.COMMON).over(song);
        assertThat(tune(shorter)).isEqualTo("C4@0.0 E4@4.0 F4@6.0 A4@8.0");
        Song other = ChartText.parse("| C | F | . | Am |", Meter.COMMON).over(song);
        assertThat(tune(other)).as("another chord moves nothing").isEqualTo(tune(song));
        Song after = ChartText.parse("| C | F | . | G7 | C |", Meter.COMMON).over(song);
        assertThat(tune(after)).as("a bar at the end moves nothing").isEqualTo(tune(song));
    }

    @Example
    void wordsStayWhereTheyAreWhenANoteIsPutInTheirPlace() {
        Song song = song();
        Song sung = song.withMelody(song.melody().stream()
                .map(note -> note.tick() == 0 ? note.sung(Optional.of("weir")) : note)
                .toList());
        Song other = TuneEdit.put(sung, new MelodyNote(0, Ticks.QUARTER, Pitch.parse("E4")));
        assertThat(other.melody().get(0).syllable()).contains("weir");
    }
}
