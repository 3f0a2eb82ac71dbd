package phalanx.arrange;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;
import phalanx.arrange.demand.Octave;
import phalanx.arrange.demand.Role;
import phalanx.arrange.demand.Wishes;
import phalanx.arrange.notation.Grouping;
import phalanx.arrange.notation.Rhythm;
import phalanx.arrange.notation.StaffNotation;
import phalanx.arrange.notation.StaffNotation.Head;
import phalanx.arrange.notation.StaffNotation.Struck;
import phalanx.arrange.notation.StaffNotation.Voice;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.righthand.Picking;
import phalanx.song.Bar;
import phalanx.song.Meter;
import phalanx.song.Song;
import phalanx.song.Songs;
import phalanx.song.Ticks;
import phalanx.technique.Hit;
import phalanx.theory.Key;
import phalanx.theory.Note;
import phalanx.theory.Step;

/** Standard notation read back note by note, as a player would: by line, key signature and the signs of the bar. */
class StaffNotationTest {
    private static Arrangement arranged(Song song) {
        return new Arranger(Instrument.STANDARD, Hand.AVERAGE)
                .quick(song, Picking.PLAIN, Wishes.USUAL.withOctave(Octave.AS_WRITTEN), List.of(), () -> false);
    }

    /** Strokes fill each bar; one begins wherever something is struck, and rests stand where nothing sounds. */
    private static void checkRhythm(Arrangement arrangement) {
        for (Bar bar : arrangement.song().bars()) {
            Rhythm rhythm = Rhythm.of(arrangement, bar);
            TreeSet<Integer> struck = new TreeSet<>();
            int at = bar.startTick();
            for (Rhythm.Stroke stroke : rhythm.strokes()) {
                Grouping.Value value = stroke.value();
                assertThat(value.onset()).isEqualTo(at);
                assertThat(value.value().type()).isNotEmpty();
                boolean sounds = arrangement.notes().stream()
                        .anyMatch(note -> note.tick() <= value.onset() && note.endTick() > value.onset());
                if (value.rest()) {
                    assertThat(sounds).as("bar %d at %d", bar.number(), at).isFalse();
                } else if (!stroke.tied()) {
                    struck.add(at);
                }
                at = value.end();
            }
            assertThat(at).isEqualTo(bar.endTick());
            assertThat(struck)
                    .containsExactlyElementsOf(Stream.concat(
                                    arrangement.notes().stream().map(ArrangedNote::tick),
                                    arrangement.hits().stream().map(Hit::tick))
                            .filter(bar::contains)
                            .collect(Collectors.toCollection(TreeSet::new)));
            for (Grouping.Run run : rhythm.beams()) {
                int beat = bar.meter().beatTicks();
                assertThat(rhythm.strokes().subList(run.first(), run.last() + 1))
                        .allMatch(stroke -> stroke.value().beams() > 0)
                        .extracting(stroke -> bar.offsetOf(stroke.value().onset()) / beat)
                        .containsOnly(bar.offsetOf(rhythm.strokes()
                                        .get(run.first())
                                        .value()
                                        .onset())
                                / beat);
            }
        }
    }

    /** What a head sounds: written E4 on the lowest line, an octave above what is heard. */
    private static int read(Head head, Map<Integer, Integer> signs, Key key) {
        head.sign().ifPresent(sign -> signs.put(head.place(), sign.alter()));
        int step = head.place() + 2;
        Step letter = Step.values()[Math.floorMod(step, 7)];
        int octave = 4 + Math.floorDiv(step, 7);
        int alter = signs.computeIfAbsent(head.place(), place -> key.scale().stream()
                .filter(note -> note.step() == letter)
                .mapToInt(Note::alter)
                .findFirst()
                .orElseThrow());
        return 12 * (octave + 1) + letter.semitones() + alter - 12;
    }

    @Property(tries = 25)
    void everyNoteIsReadBackAndBarsAddUp(@ForAll long seed) {
        Song song = Songs.random(seed, 4).transpose((int) Math.floorMod(seed, 5L) - 2);
        Arrangement arrangement = arranged(song);
        checkRhythm(arrangement);
        List<List<Voice>> bars = StaffNotation.of(arrangement);
        assertThat(bars).hasSameSizeAs(song.bars());
        List<String> read = new ArrayList<>();
        for (int i = 0; i < bars.size(); i++) {
            Bar bar = arrangement.song().bars().get(i);
            Map<Integer, Integer> signs = new HashMap<>();
            List<Struck> inTime = new ArrayList<>();
            for (Voice voice : bars.get(i)) {
                int at = bar.startTick();
                for (Struck struck : voice.struck()) {
                    if (voice.role() == Role.MELODY) {
                        assertThat(struck.value().onset()).isEqualTo(at);
                    }
                    assertThat(struck.value().onset()).isGreaterThanOrEqualTo(at);
                    assertThat(struck.value().value().type()).isNotEmpty();
                    at = struck.value().end();
                    inTime.add(struck);
                }
                assertThat(at).isLessThanOrEqualTo(bar.endTick());
                if (voice.role() == Role.MELODY) {
                    assertThat(at).isEqualTo(bar.endTick());
                }
            }
            inTime.sort(Comparator.comparingInt(struck -> struck.value().onset()));
            for (Struck struck : inTime) {
                for (Head head : struck.heads()) {
                    int midi = head.tiedFrom()
                            ? head.played().midi()
                            : read(head, signs, arrangement.song().key());
                    assertThat(midi)
                            .as("seed %d, bar %d", seed, bar.number())
                            .isEqualTo(head.played().midi());
                    if (!head.tiedFrom()) {
                        read.add(struck.value().onset() + " " + midi + " "
                                + head.played().string());
                    }
                }
            }
        }
        assertThat(read)
                .containsExactlyInAnyOrderElementsOf(arrangement.notes().stream()
                        .map(note -> note.tick() + " " + note.midi() + " " + note.string())
                        .toList());
    }

    /** F sharp in C has its sign once a bar, the F after it a natural; a note over the bar line is tied without one. */
    @Test
    void signsStandWhereABarNeedsThem() {
        Song song = Songs.of("C", Meter.COMMON, "C C", "F#4:1 F#4:1 F4:1 F#4:3 F#4:2");
        List<List<Voice>> bars = StaffNotation.of(arranged(song));
        List<String> tune = bars.stream()
                .flatMap(voices -> voices.stream().filter(voice -> voice.role() == Role.MELODY))
                .flatMap(voice -> voice.struck().stream())
                .map(struck -> struck.heads().get(0))
                .map(head -> head.sign().map(Enum::name).orElse("-") + (head.tiedFrom() ? " tied" : ""))
                .toList();
        assertThat(tune).containsExactly("SHARP", "-", "NATURAL", "SHARP", "- tied", "SHARP");
        assertThat(bars.get(0).get(0).struck().get(0).heads().get(0).place())
                .as("F4 is written F5, on the fifth line")
                .isEqualTo(8);
    }

    /** Eighths are beamed by the beat, and a bar of silence has one rest. */
    @Test
    void eighthsAreBeamedAndSilenceRests() {
        Song song = Songs.of("C", Meter.COMMON, "C C", "E4:0.5 F4:0.5 G4:0.5 A4:0.5 G4:2");
        List<List<Voice>> bars = StaffNotation.of(arranged(song));
        Voice tune = bars.get(0).get(0);
        assertThat(tune.beams()).hasSize(2).allMatch(run -> run.last() == run.first() + 1);
        Struck rest = bars.get(1).get(0).struck().get(0);
        assertThat(rest.value().rest()).isTrue();
        assertThat(rest.value().value().ticks()).isEqualTo(4 * Ticks.QUARTER);
    }
}
