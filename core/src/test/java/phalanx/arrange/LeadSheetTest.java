package phalanx.arrange;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Comparator;
import java.util.List;
import java.util.Random;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import phalanx.arrange.demand.Role;
import phalanx.arrange.demand.Wishes;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.righthand.BassLine;
import phalanx.righthand.HandPlace;
import phalanx.righthand.Level;
import phalanx.righthand.Picking;
import phalanx.song.Bar;
import phalanx.song.Meter;
import phalanx.song.Song;
import phalanx.song.Songs;
import phalanx.song.Ticks;
import phalanx.song.TuneEdit;
import phalanx.testing.Deep;
import phalanx.theory.Key;
import phalanx.theory.Pitch;

/** What lead sheets at singing pitch become: low on the neck, full, moving. */
class LeadSheetTest {
    private static final String[] KEYS = {"C", "G", "D", "F", "A"};
    private static final String[][] CHORDS = {
        {"C", "Am", "F", "G"},
        {"G", "Em", "C", "D"},
        {"D", "Bm", "G", "A"},
        {"F", "Dm", "Bb", "C"},
        {"A", "F#m", "D", "E"}
    };
    private static final int[][] RHYTHMS = {{2, 2, 2, 2}, {4, 2, 2}, {2, 1, 1, 2, 2}, {3, 1, 4}, {6, 2}, {4, 4}};
    private static final int[] SCALE = {0, 2, 4, 5, 7, 9, 11};

    /** Eight bars of a tune in steps and small leaps between C4 and F5, at home on the tones of its chords. */
    private static Song sung(int seed) {
        Random random = new Random(seed);
        int key = random.nextInt(KEYS.length);
        int keynote = List.of(0, 7, 2, 5, 9).get(key);
        List<Integer> scale = IntStream.rangeClosed(60, 77)
                .filter(midi -> IntStream.of(SCALE).anyMatch(step -> (keynote + step) % 12 == midi % 12))
                .boxed()
                .collect(Collectors.toList());
        StringBuilder chords = new StringBuilder();
        StringBuilder tune = new StringBuilder();
        int at = scale.size() / 2;
        for (int bar = 0; bar < 8; bar++) {
            chords.append(CHORDS[key][(bar + bar / 4) % 4]).append(' ');
            int[] rhythm = bar % 4 == 3 ? new int[] {8} : RHYTHMS[random.nextInt(RHYTHMS.length)];
            for (int eighths : rhythm) {
                tune.append(Pitch.of(scale.get(at), Key.parse(KEYS[key])))
                        .append(':')
                        .append(eighths / 2.0)
                        .append(' ');
                at = Math.max(0, Math.min(scale.size() - 1, at + random.nextInt(5) - 2));
            }
        }
        return Songs.of(KEYS[key], Meter.COMMON, chords.toString(), tune.toString());
    }

    private static Arrangement arranged(Song song, Picking picking) {
        return new Arranger(Instrument.STANDARD, Hand.AVERAGE).quick(song, picking, List.of(), () -> false);
    }

    /** Counts over several arrangements. */
    private static final class Counts {
        private int notes;
        private int frets;
        private int above;
        private int beats;
        private int three;
        private int eighths;
        private int moving;
        private int inner;
        private int repeated;
        private int stale;

        void add(Arrangement arranged) {
            List<ArrangedNote> all = arranged.notes();
            notes += all.size();
            frets += all.stream().mapToInt(ArrangedNote::fret).sum();
            above += (int) all.stream().filter(note -> note.fret() > 7).count();
            for (Bar bar : arranged.song().bars()) {
                for (int tick = bar.startTick(); tick < bar.endTick(); tick += Ticks.QUARTER / 2) {
                    int at = tick;
                    eighths++;
                    moving += all.stream().anyMatch(note -> note.tick() == at) ? 1 : 0;
                    if (bar.offsetOf(at) % Ticks.QUARTER == 0) {
                        beats++;
                        three += all.stream()
                                                .filter(note -> note.tick() < at + Ticks.QUARTER && note.endTick() > at)
                                                .map(note -> note.midi() % 12)
                                                .distinct()
                                                .count()
                                        >= 3
                                ? 1
                                : 0;
                    }
                }
            }
            TreeMap<Integer, List<Integer>> strokes = all.stream()
                    .filter(note -> note.role() == Role.INNER)
                    .collect(Collectors.groupingBy(
                            ArrangedNote::tick,
                            TreeMap::new,
                            Collectors.mapping(ArrangedNote::midi, Collectors.toList())));
            stale += (int) all.stream()
                    .filter(note -> note.role() == Role.INNER)
                    .filter(note -> all.stream()
                            .filter(bass -> bass.role() == Role.BASS && bass.tick() > note.tick())
                            .min(Comparator.comparingInt(ArrangedNote::tick))
                            .filter(bass -> bass.midi() == note.midi())
                            .isPresent())
                    .count();
            List<Integer> before = List.of();
            for (List<Integer> stroke : strokes.values()) {
                inner++;
                repeated += stroke.equals(before) ? 1 : 0;
                before = stroke;
            }
        }
    }

    @Test
    void lieLowAndSoundFull() {
        Counts even = new Counts();
        Counts full = new Counts();
        for (int seed = 0; seed < Deep.of(6, 40); seed++) {
            Song song = sung(seed);
            Arrangement arranged = arranged(song, Picking.PLAIN);
            assertThat(arranged.notes().stream().filter(note -> note.role() == Role.MELODY))
                    .hasSameSizeAs(song.melody());
            assertThat(arranged.notes().stream().filter(note -> note.role() == Role.BASS))
                    .allMatch(note -> note.midi() < 55);
            even.add(arranged);
            full.add(arranged(song, Picking.PLAIN.withLevel(Level.FULL)));
        }
        assertThat(even.frets / (double) even.notes).isLessThan(2.8);
        assertThat(even.above / (double) even.notes).isLessThan(0.03);
        assertThat(even.three / (double) even.beats).isGreaterThan(0.65);
        assertThat(full.three / (double) full.beats).isGreaterThan(0.72);
        assertThat(even.moving / (double) even.eighths).isGreaterThan(0.85);
        assertThat(even.repeated / (double) even.inner).isLessThan(0.03);
        assertThat(full.repeated / (double) full.inner).isLessThan(0.03);
        assertThat((even.stale + full.stale) / (double) (even.inner + full.inner))
                .as("on the pitch of the next bass note")
                .isLessThan(0.02);
    }

    /** A low tune has company from the strings above it, which ends where the tune goes on. */
    @Test
    void fillsPassAboveALowTune() {
        Song song = Songs.of("G", Meter.COMMON, "G Em G G", "D4:4 E4:4 G3:4 D4:4");
        Arrangement arranged = new Arranger(Instrument.STANDARD, Hand.AVERAGE)
                .quick(song, Picking.PLAIN.withLevel(Level.FULL), Wishes.USUAL, List.of(), () -> false);
        assertThat(arranged.movedBy()).isZero();
        List<ArrangedNote> above = arranged.notes().stream()
                .filter(note -> note.role() == Role.INNER
                        && note.midi()
                                > arranged.notes().stream()
                                        .filter(tune -> tune.role() == Role.MELODY && tune.soundsAt(note.tick()))
                                        .mapToInt(ArrangedNote::midi)
                                        .max()
                                        .orElse(127))
                .toList();
        assertThat(above).hasSizeGreaterThan(2);
        assertThat(above)
                .allMatch(note -> note.endTick() <= (note.tick() / Ticks.WHOLE + 1) * Ticks.WHOLE
                        || note.midi()
                                < arranged.notes().stream()
                                        .filter(tune -> tune.role() == Role.MELODY && tune.soundsAt(note.endTick() - 1))
                                        .mapToInt(ArrangedNote::midi)
                                        .max()
                                        .orElse(0));
    }

    /** The root goes on under its fifth, but not in a walking line nor under the heel of the hand. */
    @Test
    void theBassRingsOn() {
        Song song = Songs.of("C", Meter.COMMON, "C C", "E4:4 G4:4");
        assertThat(longestBass(song, Picking.PLAIN)).isGreaterThan(Ticks.QUARTER);
        assertThat(longestBass(song, Picking.PLAIN.withPlace(HandPlace.HEEL))).isLessThan(Ticks.QUARTER);
        Picking.Plan walking = new Picking.Plan(Picking.PLAIN.plan().pattern(), BassLine.WALKING, Level.EVEN);
        assertThat(longestBass(song, Picking.PLAIN.withPlan(walking))).isEqualTo(Ticks.QUARTER);
    }

    private static int longestBass(Song song, Picking picking) {
        return arranged(song, picking).notes().stream()
                .filter(note -> note.role() == Role.BASS)
                .mapToInt(ArrangedNote::lengthTicks)
                .max()
                .orElseThrow();
    }

    /** The quick answer to an edit does not leap to another octave; the full one is what the song would get anew. */
    @Test
    void anEditKeepsTheOctaveUntilTheFullAnswer() {
        for (int seed = 0; seed < (Boolean.getBoolean("phalanx.deep") ? 30 : 2); seed++) {
            Song song = sung(seed);
            Arranger arranger = new Arranger(Instrument.STANDARD, Hand.AVERAGE);
            Arrangement first = arranger.arrange(song);
            for (int semitones : new int[] {2, -12}) {
                Song edited = TuneEdit.transpose(song, 0, semitones > 0 ? Ticks.QUARTER : song.endTick(), semitones);
                Arrangement quick = arranger.quick(edited, Picking.PLAIN, List.of(), () -> false);
                if (semitones > 0) {
                    assertThat(quick.movedBy()).as("seed " + seed).isEqualTo(first.movedBy());
                }
                Arrangement full = arranger.full(() -> false);
                Arrangement anew = new Arranger(Instrument.STANDARD, Hand.AVERAGE).arrange(edited);
                assertThat(full.movedBy()).as("seed " + seed).isEqualTo(anew.movedBy());
                assertThat(full.cost()).as("seed " + seed).isEqualTo(anew.cost());
            }
        }
    }
}
