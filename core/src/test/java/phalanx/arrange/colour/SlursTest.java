package phalanx.arrange.colour;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.LongStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import phalanx.arrange.Arranger;
import phalanx.arrange.audit.Audit;
import phalanx.arrange.audit.BarCeilings;
import phalanx.arrange.audit.SlurRules;
import phalanx.arrange.demand.AttackLock;
import phalanx.arrange.demand.Octave;
import phalanx.arrange.demand.Role;
import phalanx.arrange.demand.Wishes;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.FindingKind;
import phalanx.arrange.score.Hold;
import phalanx.arrange.score.SlurGain;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.track.MoveMeter;
import phalanx.righthand.BassLine;
import phalanx.righthand.Digit;
import phalanx.righthand.Level;
import phalanx.righthand.PatternLibrary;
import phalanx.righthand.Picking;
import phalanx.song.MelodyNote;
import phalanx.song.Meter;
import phalanx.song.Song;
import phalanx.song.Songs;
import phalanx.song.Ticks;
import phalanx.technique.Attack;
import phalanx.technique.SlurKind;
import phalanx.theory.Pitch;

/** Slurs in arrangements: an independent replay of the left hand, and what they gain. */
class SlursTest {
    private static Arrangement arranged(Song song, Picking picking, Wishes wishes, List<AttackLock> locks) {
        return new Arranger(Instrument.STANDARD, Hand.AVERAGE).quick(song, picking, wishes, locks, () -> false);
    }

    private static Picking patterned(String name) {
        return Picking.PLAIN.withPlan(new Picking.Plan(
                Optional.of(PatternLibrary.standard().get(name)),
                BassLine.ALTERNATING,
                Level.EVEN,
                Picking.PLAIN.plan().strings(),
                Optional.empty()));
    }

    private static Song song(long seed) {
        return Songs.random(seed, 6).withTempo(100 + new Random(seed).nextInt(140));
    }

    /** What a pattern hammers: the finger comes down late from an open string of the key, the other voices stay. */
    @Property
    void aPatternHammersUnderASteadyThumb(@ForAll long seed) {
        Song song = song(seed).withMelody(List.of());
        String name = song.bars().get(song.bars().size() - 1).meter().equals(Meter.COMMON) ? "Door Latch" : "Gate Hook";
        Picking picking = patterned(name);
        Arrangement arrangement = arranged(song, picking, Wishes.USUAL, List.of());
        int bass = 0;
        for (ArrangedNote note : arrangement.notes()) {
            if (note.attack() instanceof Attack.Slur slur) {
                replay(arrangement, note, slur.kind());
                assertThat(note.role()).isEqualTo(Role.INNER);
            }
        }
        for (int i = 0; i < arrangement.notes().size(); i++) {
            ArrangedNote note = arrangement.notes().get(i);
            ArrangedNote priced = arrangement.plain().get(i);
            boolean opened = note.fret() != priced.fret();
            assertThat(note.tick()).isEqualTo(priced.tick());
            assertThat(note.string()).isEqualTo(priced.string());
            if (opened) {
                assertThat(note.fret()).isZero();
                assertThat(arrangement.slurred()).containsValue(note);
                boolean belongs = (song.key().pitchClasses() >> note.midi() % 12 & 1) == 1
                        || (song.chordAt(note.tick()).orElseThrow().pitchClasses() >> note.midi() % 12 & 1) == 1;
                assertThat(belongs).as("open string " + note).isTrue();
            }
            bass += note.role() == Role.BASS && note.equals(priced) ? 1 : 0;
        }
        assertThat(bass)
                .isEqualTo(arrangement.plain().stream()
                        .filter(note -> note.role() == Role.BASS)
                        .count());
        assertThat(arrangement.findings())
                .extracting(Finding::kind)
                .doesNotContain(FindingKind.SLUR_CONFLICT, FindingKind.SLUR_TOO_FAST, FindingKind.FINGER_CONFLICT);
    }

    /** C in open position: the middle finger is hammered onto E from the open D string. */
    @Test
    void aChordInOpenPositionIsHammered() {
        Song song = Songs.of("C", Meter.COMMON, "C Am C", "").withTempo(80);
        Picking picking = patterned("Door Latch");
        Arrangement arrangement = arranged(song, picking, Wishes.USUAL, List.of());
        assertThat(arrangement.slurred()).isNotEmpty();
        arrangement.slurred().forEach((note, from) -> {
            assertThat(from.fret()).isZero();
            assertThat(note.attack()).isEqualTo(new Attack.Slur(SlurKind.HAMMER));
        });
        // what the player wants plucked is, and so is the stroke before it at its fret
        ArrangedNote one = arrangement.slurred().keySet().iterator().next();
        Arrangement without = arranged(
                song, picking, Wishes.USUAL, List.of(new AttackLock(one.tick(), Role.INNER, AttackLock.Way.PLUCKED)));
        assertThat(without.slurred().keySet())
                .extracting(ArrangedNote::tick)
                .doesNotContain(one.tick())
                .hasSize(arrangement.slurred().size() - 1);
    }

    /** Every slur by the holds alone, its limits written down a second time; plucks and tune stay what they were. */
    @Property
    void slursAreOfFreeFingersInTheirDirectionAndGain(@ForAll long seed) {
        Song song = song(seed);
        Arrangement plain = arranged(song, Picking.PLAIN, Wishes.USUAL, List.of());
        Arrangement slurred = arranged(song, Picking.PLAIN, Wishes.USUAL.withSlurs(true), List.of());
        for (ArrangedNote note : slurred.notes()) {
            if (note.attack() instanceof Attack.Slur slur) {
                replay(slurred, note, slur.kind());
            }
        }
        assertThat(slurred.cost()).isEqualTo(plain.cost());
        assertThat(slurred.ceiling().tempo())
                .isGreaterThanOrEqualTo(plain.ceiling().tempo() - 1e-9);
        for (int i = 0; i < plain.notes().size(); i++) {
            ArrangedNote before = plain.notes().get(i);
            ArrangedNote now = slurred.notes().get(i);
            assertThat(now.pluckedBy(before.right()).struck(before.attack(), before.weight()))
                    .isEqualTo(before);
        }
        assertThat(slurred.findings())
                .extracting(Finding::kind)
                .doesNotContain(FindingKind.SLUR_CONFLICT, FindingKind.SLUR_TOO_FAST);
        // a finger that is down early for a pull is nowhere else and in reach
        assertThat(heldBadly(slurred)).isEqualTo(heldBadly(plain));
        for (SlurGain gain : slurred.slurs()) {
            assertThat(gain.ceilingAfter()).isGreaterThan(gain.ceilingBefore());
            assertThat(ceiling(slurred, gain.tick())).isEqualTo(gain.ceilingAfter());
            assertThat(ceiling(plain, gain.tick())).isEqualTo(gain.ceilingBefore());
        }
    }

    private static double ceiling(Arrangement arrangement, int tick) {
        return new BarCeilings(
                        arrangement,
                        new MoveMeter(
                                arrangement.request().instrument(),
                                arrangement.request().hand()))
                .of(arrangement.notes())[arrangement.song().barIndexAt(tick)];
    }

    private static long heldBadly(Arrangement arrangement) {
        return arrangement.findings().stream()
                .filter(finding -> finding.kind() == FindingKind.FINGER_CONFLICT || finding.kind() == FindingKind.REACH)
                .count();
    }

    /** One finger goes from the note before, which rings until then, to another fret of the string and holds it there. */
    static void replayShift(Arrangement arrangement, ArrangedNote note) {
        ArrangedNote before = before(arrangement, note);
        assertThat(before.endTick()).isEqualTo(note.tick());
        assertThat(Math.abs(note.midi() - before.midi())).isBetween(1, 12);
        assertThat(note.left()).isPresent().isEqualTo(before.left());
        assertThat(List.of(
                        hold(arrangement, before, note.tick() - 1).orElseThrow(),
                        hold(arrangement, note, note.tick()).orElseThrow()))
                .allMatch(hold -> hold.press().strings().size() == 1)
                .allMatch(hold -> hold.press().covers(note.string()))
                .extracting(hold -> hold.press().fret())
                .containsExactly(before.fret(), note.fret());
        assertThat(note.attack().plucked()).isTrue();
    }

    private static ArrangedNote before(Arrangement arrangement, ArrangedNote note) {
        return arrangement.notes().stream()
                .filter(other -> other.string() == note.string() && other.tick() < note.tick())
                .reduce((a, b) -> b)
                .orElseThrow();
    }

    static void replay(Arrangement arrangement, ArrangedNote note, SlurKind kind) {
        ArrangedNote before = before(arrangement, note);
        String what = kind + " from " + before + " to " + note;
        assertThat(before.endTick()).as(what).isEqualTo(note.tick());
        double ms = (note.tick() - before.tick())
                * 60_000.0
                / (Ticks.QUARTER * arrangement.song().tempo());
        assertThat(ms).as(what).isGreaterThanOrEqualTo(kind == SlurKind.SLIDE ? 70 : 50);
        int frets = note.midi() - before.midi();
        Optional<Hold> landing = hold(arrangement, note, note.tick());
        switch (kind) {
            case HAMMER -> {
                assertThat(frets).as(what).isBetween(1, 4);
                assertThat(landing.orElseThrow().tick()).as(what).isEqualTo(note.tick());
                // the finger has been free since the string was plucked
                assertThat(arrangement.holds())
                        .as(what)
                        .noneMatch(hold -> hold.press().finger() == note.left().orElseThrow()
                                && hold.tick() < note.tick()
                                && hold.endTick() > before.tick());
            }
            case PULL -> {
                assertThat(frets).as(what).isBetween(-4, -1);
                assertThat(hold(arrangement, before, note.tick() - 1)
                                .orElseThrow()
                                .endTick())
                        .as(what)
                        .isEqualTo(note.tick());
                landing.ifPresent(hold -> assertThat(hold.tick()).as(what).isLessThanOrEqualTo(before.tick()));
                assertThat(landing.isPresent()).as(what).isEqualTo(note.fret() > 0);
            }
            case RELEASE -> {
                assertThat(frets).as(what).isBetween(-2, -1);
                assertThat(ms).as(what).isGreaterThanOrEqualTo(80);
                assertThat(before.attack()).as(what).isEqualTo(Attack.BEND);
                assertThat(note.fret()).as(what).isEqualTo(before.fret()).isPositive();
                assertThat(note.left()).as(what).isPresent().isEqualTo(before.left());
                assertThat(landing).as(what).isPresent();
            }
            case BEND -> {
                assertThat(frets).as(what).isBetween(1, note.string() > 2 ? 1 : 2);
                assertThat(ms).as(what).isGreaterThanOrEqualTo(80);
                assertThat(note.fret()).as(what).isEqualTo(before.fret()).isPositive();
                assertThat(note.left()).as(what).isPresent().isEqualTo(before.left());
                // one finger stays down from the pluck to the end of the bent note, alone on its string while it pushes
                for (int tick = before.tick(); tick < note.endTick(); tick += Ticks.QUARTER / 8) {
                    Hold pushes = hold(arrangement, before, tick).orElseThrow();
                    assertThat(pushes.press().finger())
                            .as(what)
                            .isEqualTo(note.left().get());
                    assertThat(pushes.press().isBarre() && tick >= note.tick())
                            .as(what)
                            .isFalse();
                    assertThat(arrangement.holds())
                            .as(what)
                            .noneMatch(other -> other != pushes
                                    && other.press().finger() == pushes.press().finger()
                                    && other.overlaps(pushes));
                }
            }
            default -> {
                assertThat(Math.abs(frets)).as(what).isBetween(1, 5);
                assertThat(note.left()).as(what).isPresent().isEqualTo(before.left());
            }
        }
    }

    private static Optional<Hold> hold(Arrangement arrangement, ArrangedNote note, int tick) {
        return note.left().flatMap(finger -> arrangement.holds().stream()
                .filter(hold -> hold.press().finger() == finger
                        && hold.press().covers(note.string())
                        && hold.press().fret() == note.fret()
                        && hold.tick() <= tick
                        && hold.endTick() > tick)
                .findFirst());
    }

    @Test
    void aPlayerSlursANoteAndTakesItBack() {
        // E F G on the first string of a held C: 0, 1, 3
        Song song = Songs.of("C", Meter.COMMON, "C", "E4:1 F4:1 E4:1 C4:1");
        Wishes written = Wishes.USUAL.withOctave(Octave.AS_WRITTEN);
        Arrangement plain = arranged(song, Picking.PLAIN, written, List.of());
        List<String> kinds = plain.notes().stream()
                .filter(note -> note.role() == Role.MELODY)
                .map(note -> arranged(
                        song,
                        Picking.PLAIN,
                        written,
                        List.of(new AttackLock(note.tick(), Role.MELODY, AttackLock.Way.SLURRED))))
                .map(slurred -> slurred.notes().stream()
                        .filter(note -> note.attack() instanceof Attack.Slur)
                        .map(note -> note.attack().label())
                        .findFirst()
                        .orElseGet(() -> slurred.findings().stream()
                                .filter(finding -> finding.kind() == FindingKind.LOCK_NOT_KEPT)
                                .findFirst()
                                .orElseThrow()
                                .message()))
                .toList();
        assertThat(kinds.get(0))
                .isEqualTo("Bar 1, beat 1: the slur into the melody note is left out: nothing sounds on its string"
                        + " before it.");
        assertThat(kinds.get(1)).isEqualTo("hammer");
        assertThat(kinds.get(2)).isEqualTo("pull");
    }

    @Test
    void aNoteThePlayerWantsPluckedIsPlucked() {
        Wishes wishes = Wishes.USUAL.withSlurs(true);
        Arrangement eased = LongStream.range(0, 60)
                .mapToObj(seed -> arranged(song(seed), Picking.PLAIN, wishes, List.of()))
                .filter(arrangement -> !arrangement.slurs().isEmpty())
                .findFirst()
                .orElseThrow();
        List<AttackLock> plucked = eased.slurs().stream()
                .map(gain -> eased.notes().stream()
                        .filter(note -> note.tick() == gain.tick() && note.string() == gain.string())
                        .map(note -> new AttackLock(note.tick(), note.role(), AttackLock.Way.PLUCKED))
                        .findFirst()
                        .orElseThrow())
                .toList();
        Arrangement again = arranged(eased.song(), Picking.PLAIN, wishes.withOctave(Octave.AS_WRITTEN), plucked);
        assertThat(again.notes())
                .filteredOn(note -> note.attack() instanceof Attack.Slur)
                .extracting(ArrangedNote::tick)
                .doesNotContainAnyElementsOf(
                        plucked.stream().map(AttackLock::tick).toList());
    }

    /** Two notes of a tune at once: two fingers travel, come down or leave together. */
    @Test
    void twoNotesOfATuneAreSlurredTogether() {
        Set<SlurKind> kinds = EnumSet.noneOf(SlurKind.class);
        String[] lines = {
            "E4/C4:2 F#4/D4:2", "G4/E4:2 G#4/F4:2", "A4/E4:2 G4/D4:2", "C5/E4:2 B4/D#4:2",
        };
        for (String line : lines) {
            for (String chord : List.of("C", "A")) {
                Song song = inTwo(line, chord);
                Wishes wishes = Wishes.USUAL.withOctave(Octave.AS_WRITTEN);
                Arrangement plain = arranged(song, Picking.PLAIN, wishes, List.of());
                for (MelodyNote note : song.melody()) {
                    AttackLock lock = new AttackLock(note.tick(), Role.MELODY, AttackLock.Way.SLURRED);
                    Arrangement slurred = arranged(song, Picking.PLAIN, wishes, List.of(lock));
                    List<ArrangedNote> both = slurred.notes().stream()
                            .filter(one -> one.tick() == note.tick() && one.attack() instanceof Attack.Slur)
                            .toList();
                    both.forEach(one -> replay(slurred, one, ((Attack.Slur) one.attack()).kind()));
                    if (both.size() == 2) {
                        boolean slide = both.get(0).attack().equals(new Attack.Slur(SlurKind.SLIDE));
                        assertThat(both.get(1).attack().equals(new Attack.Slur(SlurKind.SLIDE)))
                                .isEqualTo(slide);
                        both.forEach(one -> kinds.add(((Attack.Slur) one.attack()).kind()));
                    }
                    assertThat(slurred.notes()).hasSameSizeAs(plain.notes());
                    assertThat(slurred.findings())
                            .extracting(Finding::kind)
                            .doesNotContain(FindingKind.SLUR_CONFLICT, FindingKind.FINGER_CONFLICT);
                }
            }
        }
        assertThat(kinds).contains(SlurKind.HAMMER, SlurKind.PULL, SlurKind.SLIDE);
    }

    /** Words {@code upper/lower:quarters} over one chord. */
    private static Song inTwo(String line, String chord) {
        Song song = Songs.of("C", Meter.COMMON, chord, line.replaceAll("/[^:]+", ""))
                .withTempo(80);
        String[] words = line.split(" ");
        List<MelodyNote> tune = new ArrayList<>();
        for (int i = 0; i < words.length; i++) {
            tune.add(song.melody().get(i).with(Pitch.parse(words[i].replaceAll(".*/|:.*", ""))));
        }
        return song.withMelody(tune);
    }

    /** Written chords may ask for more fingers than there are; then no slur is possible, and asking is no fault. */
    @Test
    void whatNoFingerStopsIsNotSlurred() {
        Arrangement arrangement = arranged(song(1), Picking.PLAIN, Wishes.USUAL, List.of());
        SlurRules rules = new SlurRules(arrangement);
        ArrangedNote low = new ArrangedNote(0, 1680, 1680, 3, 5, 60, Role.INNER, Optional.empty(), Digit.I);
        ArrangedNote high = new ArrangedNote(1680, 1680, 1680, 3, 7, 62, Role.INNER, Optional.empty(), Digit.I);
        ArrangedNote back = new ArrangedNote(3360, 1680, 1680, 3, 5, 60, Role.INNER, Optional.empty(), Digit.I);
        assertThat(rules.refusal(low, high, SlurKind.HAMMER)).hasValue("no finger is left to stop string 3");
        assertThat(rules.refusal(high, back, SlurKind.PULL)).hasValue("no finger is left to stop string 3");
    }

    /** Marks that cannot be, put into good arrangements by hand: each is told with its reason. */
    @Property
    void slursThatCannotBeAreFound(@ForAll long seed) {
        Arrangement good = arranged(song(seed), Picking.PLAIN, Wishes.USUAL, List.of());
        List<ArrangedNote> notes = new ArrayList<>(good.notes());
        for (int i = 0; i < notes.size(); i++) {
            ArrangedNote note = notes.get(i);
            Optional<ArrangedNote> before = notes.subList(0, i).stream()
                    .filter(other -> other.string() == note.string())
                    .reduce((a, b) -> b);
            SlurKind wrong = before.isPresent() && note.fret() > before.get().fret() ? SlurKind.PULL : SlurKind.HAMMER;
            notes.set(i, note.struck(new Attack.Slur(wrong), note.weight()));
            Arrangement spoilt = good.coloured(notes, good.holds(), List.of(), List.of());
            assertThat(Audit.of(spoilt).findings(spoilt))
                    .anyMatch(finding -> finding.kind() == FindingKind.SLUR_CONFLICT
                            && finding.tick() == note.tick()
                            && finding.message().contains("the " + wrong.label() + " to fret " + note.fret()));
            notes.set(i, note);
            if (before.isPresent() && note.fret() < before.get().fret()) {
                break;
            }
        }
    }
}
