package phalanx.arrange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import phalanx.arrange.demand.AttackLock;
import phalanx.arrange.demand.Role;
import phalanx.arrange.demand.Wishes;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.FindingKind;
import phalanx.arrange.score.Hold;
import phalanx.guitar.Guitar;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.guitar.Tuning;
import phalanx.lefthand.shape.Finger;
import phalanx.righthand.Digit;
import phalanx.righthand.Picking;
import phalanx.song.Bar;
import phalanx.song.ChordChange;
import phalanx.song.MelodyNote;
import phalanx.song.Meter;
import phalanx.song.Song;
import phalanx.song.Songs;
import phalanx.song.Ticks;
import phalanx.technique.Attack;
import phalanx.technique.SlurKind;
import phalanx.theory.Key;
import phalanx.theory.Pitch;

/** Notes that are given with their places: the hands that are found for them. */
class TranscriberTest {
    private static final int EIGHTH = Ticks.QUARTER / 2;
    private final Instrument guitar = Instrument.STANDARD;

    private static Song empty(int bars, int tempo) {
        int length = Meter.COMMON.barTicks();
        return new Song(
                "Test piece",
                Key.parse("C"),
                tempo,
                IntStream.range(0, bars)
                        .mapToObj(bar -> new Bar(bar + 1, bar * length, length, Meter.COMMON))
                        .toList(),
                List.of(),
                List.of(new ChordChange(0, Optional.empty())),
                List.of());
    }

    private Arrangement played(Song song, WrittenNote... notes) {
        return new Transcriber(guitar, Hand.AVERAGE)
                .arrange(
                        song,
                        new Written(guitar.tuning(), guitar.capo(), List.of(notes)),
                        Picking.PLAIN,
                        Wishes.USUAL,
                        List.of());
    }

    private static ArrangedNote at(Arrangement arrangement, int tick, int string) {
        return arrangement.notes().stream()
                .filter(note -> note.tick() == tick && note.string() == string)
                .findFirst()
                .orElseThrow();
    }

    private static String fingers(Arrangement arrangement, int string) {
        StringBuilder fingers = new StringBuilder();
        for (ArrangedNote note : arrangement.notes()) {
            if (note.string() == string) {
                fingers.append(note.left().map(Finger::symbol).orElse("0"));
            }
        }
        return fingers.toString();
    }

    /** Pairs on strings 3 and 1 up and down the neck, quickly. Common practice, no source. */
    /** Fret 3 of string 1 and fret 8 of string 2 are the same G: one of them is the tune, and what is priced adds up. */
    @Example
    void ofTwoStringsAtOnePitchOneHasTheTune() {
        Song song = empty(1, 80).withMelody(List.of(new MelodyNote(0, Ticks.WHOLE, Pitch.of(67, Key.C_MAJOR))));
        Arrangement arrangement =
                played(song, new WrittenNote(0, 5, 0), new WrittenNote(0, 2, 8), new WrittenNote(0, 1, 3));
        assertThat(arrangement.notes())
                .extracting(ArrangedNote::role)
                .containsExactly(Role.BASS, Role.INNER, Role.MELODY);
        assertThat(arrangement.notes().get(2).string()).isEqualTo(1);
    }

    @Example
    void aGuideFingerStaysOnItsString() {
        int[][] pairs = {{12, 11}, {10, 10}, {8, 8}, {7, 6}, {3, 3}, {5, 4}};
        List<WrittenNote> notes = new ArrayList<>();
        for (int i = 0; i < pairs.length; i++) {
            notes.add(new WrittenNote(i * Ticks.QUARTER, 3, pairs[i][0]));
            notes.add(new WrittenNote(i * Ticks.QUARTER, 1, pairs[i][1]));
            notes.add(new WrittenNote(i * Ticks.QUARTER, 5, 0));
        }
        Arrangement played = played(empty(2, 120), notes.toArray(WrittenNote[]::new));
        // once on its way
        assertThat(fingers(played, 3)).endsWith("22222");
        assertThat(fingers(played, 5)).isEqualTo("000000");
    }

    /** Up and down within four frets each fret has its finger, slowly and quickly. Common practice, no source. */
    @Example
    void aLineInOnePositionHasAFingerAFret() {
        int[] frets = {5, 7, 8, 7, 5, 8, 7, 5};
        for (int tempo : new int[] {40, 70, 100, 140}) {
            for (int string = 1; string <= 3; string++) {
                WrittenNote[] notes = new WrittenNote[frets.length];
                for (int i = 0; i < notes.length; i++) {
                    notes[i] = new WrittenNote(i * Ticks.QUARTER, string, frets[i]);
                }
                assertThat(fingers(played(empty(2, tempo), notes), string))
                        .as("string " + string + " at " + tempo)
                        .isEqualTo("13431431");
            }
        }
    }

    /** Open chords as every handbook prints their fingers. Common practice, no source. */
    @Example
    void openChordsGetTheirPrintedFingers() {
        String[][] chords = {
            {"x32010", "032010"}, {"022100", "023100"}, {"x02220", "001230"}, {"xx0232", "000132"}, {"x02210", "002310"}
        };
        for (String[] chord : chords) {
            List<WrittenNote> notes = new ArrayList<>();
            for (int i = 0; i < 6; i++) {
                if (chord[0].charAt(i) != 'x') {
                    notes.add(new WrittenNote(0, 6 - i, chord[0].charAt(i) - '0'));
                }
            }
            Arrangement played = played(empty(1, 80), notes.toArray(WrittenNote[]::new));
            for (WrittenNote note : notes) {
                String finger =
                        at(played, 0, note.string()).left().map(Finger::symbol).orElse("0");
                assertThat(finger)
                        .as(chord[0] + ", string " + note.string())
                        .isEqualTo(chord[1].substring(6 - note.string(), 7 - note.string()));
            }
        }
    }

    @Example
    void theLowestStringsAreTheThumbs() {
        Song song = Songs.of("C", Meter.COMMON, "C", "E5:2 G3:2");
        Arrangement played = played(
                song,
                new WrittenNote(0, 1, 12),
                new WrittenNote(0, 5, 3),
                new WrittenNote(EIGHTH, 3, 0),
                new WrittenNote(2 * EIGHTH, 4, 2),
                new WrittenNote(3 * EIGHTH, 4, 0),
                new WrittenNote(4 * EIGHTH, 3, 0));
        assertThat(at(played, 0, 1).role()).isEqualTo(Role.MELODY);
        assertThat(at(played, 0, 5).role()).isEqualTo(Role.BASS);
        assertThat(at(played, EIGHTH, 3).role())
                .as("not where a tune note begins")
                .isEqualTo(Role.INNER);
        assertThat(at(played, 2 * EIGHTH, 4).role()).as("string 4 on a beat").isEqualTo(Role.BASS);
        assertThat(at(played, 3 * EIGHTH, 4).role()).as("string 4 off the beat").isEqualTo(Role.INNER);
        assertThat(at(played, 4 * EIGHTH, 3).role()).as("the tune's G").isEqualTo(Role.MELODY);
        assertThat(played.notes().stream()
                        .filter(note -> note.role() == Role.BASS)
                        .map(ArrangedNote::right))
                .containsOnly(Digit.P);
    }

    /** A note rings until its string is plucked again, a bass until the next, nothing beyond its chord. */
    @Example
    void notesRingAsLongAsTheyMay() {
        Song song = Songs.of("C", Meter.COMMON, "C G", "r:4 r:4");
        int bar = Meter.COMMON.barTicks();
        Arrangement played = played(
                song,
                new WrittenNote(0, 6, 0),
                new WrittenNote(EIGHTH, 2, 1),
                new WrittenNote(2 * EIGHTH, 5, 3),
                new WrittenNote(3 * EIGHTH, 2, 0),
                new WrittenNote(bar, 3, 0));
        assertThat(at(played, 0, 6).lengthTicks()).as("until the next bass").isEqualTo(2 * EIGHTH);
        assertThat(at(played, EIGHTH, 2).lengthTicks()).as("until its string").isEqualTo(2 * EIGHTH);
        assertThat(at(played, 2 * EIGHTH, 5).lengthTicks())
                .as("until the chord ends")
                .isEqualTo(6 * EIGHTH);
        assertThat(at(played, 3 * EIGHTH, 2).lengthTicks()).isEqualTo(5 * EIGHTH);
        assertThat(at(played, bar, 3).lengthTicks()).as("until the song ends").isEqualTo(bar);
    }

    @Example
    void whatCannotBeOnTheNeckOrInTheSongIsRefused() {
        Song song = empty(1, 90);
        assertThatThrownBy(() -> played(song, new WrittenNote(0, 1, 21)))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("string 1 has no fret 21");
        assertThatThrownBy(() -> played(song, new WrittenNote(Meter.COMMON.barTicks(), 1, 2)))
                .hasMessageContaining("after the last bar");
        assertThatThrownBy(() -> played(song)).hasMessageContaining("no notes");
        assertThatThrownBy(() -> played(song, new WrittenNote(0, 2, 1), new WrittenNote(0, 2, 3)))
                .hasMessageContaining("two notes");
        assertThatThrownBy(() -> played(song, new WrittenNote(0, 7, 1))).hasMessageContaining("string 7");
        assertThatThrownBy(() -> new WrittenNote(0, 1, 6, AttackLock.Way.HARMONIC))
                .hasMessageContaining("no harmonic lies over fret 6");
    }

    @Example
    void whatIsWrittenOnSlursBendsAndHarmonicsIsKept() {
        Song song = empty(1, 80);
        Arrangement played = played(
                song,
                new WrittenNote(0, 2, 5),
                new WrittenNote(EIGHTH, 2, 7, AttackLock.Way.SLURRED),
                new WrittenNote(2 * EIGHTH, 2, 9, AttackLock.Way.BENT),
                new WrittenNote(4 * EIGHTH, 3, 12, AttackLock.Way.HARMONIC));
        assertThat(at(played, EIGHTH, 2).attack().plucked()).as("slurred").isFalse();
        assertThat(at(played, 2 * EIGHTH, 2).attack().plucked()).as("bent").isFalse();
        ArrangedNote harmonic = at(played, 4 * EIGHTH, 3);
        // the octave of the open string; no finger presses
        assertThat(harmonic.midi()).isEqualTo(guitar.midi(3, 0) + 12);
        assertThat(harmonic.left()).isEmpty();
        assertThat(played.findings()).noneMatch(finding -> finding.kind() == FindingKind.LOCK_NOT_KEPT);
    }

    /** A written slide is one finger on both frets, whatever would lie better, alone and over a bass. */
    @Property(tries = 60)
    void aWrittenSlideIsOneFingers(@ForAll long seed) {
        Random random = new Random(seed);
        int tempo = 50 + random.nextInt(60);
        int string = 1 + random.nextInt(3);
        int fret = 2 + random.nextInt(7);
        int to = fret + (random.nextBoolean() || fret < 4 ? 1 + random.nextInt(3) : -1 - random.nextInt(2));
        List<WrittenNote> notes = new ArrayList<>(List.of(
                new WrittenNote(EIGHTH, string, fret),
                new WrittenNote(2 * EIGHTH, string, to, AttackLock.Way.SLID),
                new WrittenNote(3 * EIGHTH, string, to + 1)));
        if (random.nextBoolean()) {
            notes.add(new WrittenNote(0, 5 + random.nextInt(2), 0));
        }
        if (random.nextBoolean()) {
            notes.add(new WrittenNote(4 * EIGHTH, 4, to, AttackLock.Way.PLUCKED));
        }
        Arrangement played = played(empty(1, tempo), notes.toArray(WrittenNote[]::new));
        ArrangedNote slid = at(played, 2 * EIGHTH, string);
        assertThat(slid.attack()).isEqualTo(new Attack.Slur(SlurKind.SLIDE));
        assertThat(slid.left()).isEqualTo(at(played, EIGHTH, string).left());
        assertThat(played.findings()).noneMatch(finding -> finding.kind() == FindingKind.LOCK_NOT_KEPT);
    }

    /** A hammer-on and a pull-off are written for two fingers, or one and the open string. */
    @Property(tries = 60)
    void aWrittenHammerOnIsNoSlide(@ForAll long seed) {
        Random random = new Random(seed);
        int string = 1 + random.nextInt(3);
        int low = random.nextInt(7);
        int high = low + 1 + random.nextInt(3);
        boolean up = random.nextBoolean();
        List<WrittenNote> notes = new ArrayList<>(List.of(
                new WrittenNote(EIGHTH, string, up ? low : high),
                new WrittenNote(2 * EIGHTH, string, up ? high : low, AttackLock.Way.SLURRED),
                new WrittenNote(3 * EIGHTH, string, high)));
        if (random.nextBoolean()) {
            notes.add(new WrittenNote(0, 4 + random.nextInt(3), random.nextInt(3) == 0 ? 0 : Math.max(1, low)));
        }
        Arrangement played = played(empty(1, 50 + random.nextInt(60)), notes.toArray(WrittenNote[]::new));
        assertThat(at(played, 2 * EIGHTH, string).attack())
                .isEqualTo(new Attack.Slur(up ? SlurKind.HAMMER : SlurKind.PULL));
    }

    /** What no finger can slide is plucked, and said. */
    @Example
    void aSlideFromAnOpenStringIsSaid() {
        Arrangement played =
                played(empty(1, 80), new WrittenNote(0, 2, 0), new WrittenNote(EIGHTH, 2, 3, AttackLock.Way.SLID));
        assertThat(at(played, EIGHTH, 2).attack().plucked()).isTrue();
        assertThat(played.findings())
                .filteredOn(finding -> finding.kind() == FindingKind.LOCK_NOT_KEPT)
                .singleElement()
                .satisfies(finding -> assertThat(finding.message()).contains("slide into the"));
    }

    /** Over a capo everything lies as without, and sounds higher. */
    @Property
    void aCapoMovesTheSoundAlone(@ForAll long seed) {
        Random random = new Random(seed);
        Instrument capo = new Instrument(Guitar.STEEL, Tuning.STANDARD, 2);
        Song song = empty(2, 70);
        List<WrittenNote> notes = randomNotes(random, song.endTick());
        Written written = new Written(Tuning.STANDARD, 2, notes);
        Arrangement over =
                new Transcriber(capo, Hand.AVERAGE).arrange(song, written, Picking.PLAIN, Wishes.USUAL, List.of());
        assertPlayed(over, notes, capo);
    }

    /** Whatever can be held is played as it is written, by fingers that are down where and while the notes sound. */
    @Property(tries = 40)
    void everyWrittenNoteIsPlayedInItsPlace(@ForAll long seed) {
        Random random = new Random(seed);
        Song song = empty(2, 60 + random.nextInt(80));
        List<WrittenNote> notes = randomNotes(random, song.endTick());
        assertPlayed(played(song, notes.toArray(WrittenNote[]::new)), notes, guitar);
    }

    private static List<WrittenNote> randomNotes(Random random, int end) {
        List<WrittenNote> notes = new ArrayList<>();
        int position = 1 + random.nextInt(7);
        for (int tick = 0; tick < end; tick += EIGHTH * (1 + random.nextInt(2))) {
            position = Math.max(1, Math.min(9, position + random.nextInt(3) - 1));
            boolean[] taken = new boolean[7];
            for (int i = 0; i <= random.nextInt(3); i++) {
                int string = 1 + random.nextInt(6);
                int fret = random.nextInt(3) == 0 ? 0 : position + random.nextInt(3);
                if (!taken[string]) {
                    notes.add(new WrittenNote(tick, string, fret));
                    taken[string] = true;
                }
            }
        }
        return notes;
    }

    private static void assertPlayed(Arrangement played, List<WrittenNote> notes, Instrument guitar) {
        assertThat(played.notes().stream().map(note -> List.of(note.tick(), note.string(), note.fret(), note.midi())))
                .containsExactlyInAnyOrderElementsOf(notes.stream()
                        .map(note -> List.of(
                                note.tick(), note.string(), note.fret(), guitar.midi(note.string(), note.fret())))
                        .toList());
        for (ArrangedNote note : played.notes()) {
            List<Hold> stopping = played.holds().stream()
                    .filter(hold -> hold.tick() <= note.tick()
                            && note.tick() < hold.endTick()
                            && hold.press().covers(note.string()))
                    .toList();
            if (note.fret() == 0) {
                assertThat(note.left()).isEmpty();
                assertThat(stopping).as("an open string is free").isEmpty();
            } else {
                Finger finger = note.left().orElseThrow();
                assertThat(heldUntil(played, note, finger)).isGreaterThanOrEqualTo(note.endTick());
                assertThat(stopping).noneMatch(hold -> hold.press().fret() > note.fret());
            }
        }
        int strings = guitar.strings();
        int[] free = new int[strings + 1];
        Arrays.fill(free, 0);
        for (ArrangedNote note : played.notes()) {
            assertThat(free[note.string()]).as("one note on a string at a time").isLessThanOrEqualTo(note.tick());
            free[note.string()] = note.endTick();
        }
        assertThat(Stream.of(FindingKind.FINGER_CONFLICT, FindingKind.STRING_CLASH))
                .noneMatch(kind -> played.findings().stream().anyMatch(finding -> finding.kind() == kind));
    }

    /** How long a finger keeps a note's fret: a tip may become a barre under way. */
    private static int heldUntil(Arrangement played, ArrangedNote note, Finger finger) {
        int until = note.tick();
        for (Hold hold : played.holds()) {
            boolean goesOn = hold.tick() <= until && hold.endTick() > until;
            boolean same = hold.press().finger() == finger
                    && hold.press().fret() == note.fret()
                    && hold.press().covers(note.string());
            until = goesOn && same ? hold.endTick() : until;
        }
        return until;
    }
}
