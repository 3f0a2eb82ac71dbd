package phalanx.arrange.colour;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import phalanx.arrange.demand.Role;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Hold;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Press;
import phalanx.righthand.Digit;
import phalanx.righthand.Weight;
import phalanx.song.Song;
import phalanx.technique.Attack;
import phalanx.technique.Harmonic;
import phalanx.technique.HarmonicNode;
import phalanx.technique.Hit;

/**
 * The strings that ring under a slapped harmonic: the finger falls across neighbouring strings, and those of one fret, of
 * which each must belong to the chord, sound their octave. Of several frets the one with the most strings.
 */
final class BellStrings {
    /** With fewer it is no chord. */
    private static final int FEWEST = 3;

    private final Instrument instrument;
    private final Song song;
    private final List<Hold> holds;

    BellStrings(Instrument instrument, Song song, List<Hold> holds) {
        this.instrument = instrument;
        this.song = song;
        this.holds = holds;
    }

    /** From the lowest string; none where fewer than three ring. */
    List<Harmonic> at(int tick) {
        int[] frets = IntStream.rangeClosed(1, instrument.strings())
                .map(string ->
                        held(string, tick).map(Hold::press).map(Press::fret).orElse(instrument.openFret(string)))
                .toArray();
        int classes = song.chordAt(tick).map(chord -> chord.pitchClasses()).orElse(-1);
        List<Harmonic> best = List.of();
        for (int fret : Arrays.stream(frets).sorted().distinct().toArray()) {
            List<Harmonic> run = new ArrayList<>();
            for (int string = instrument.strings(); string >= 1; string--) {
                if (frets[string - 1] != fret) {
                    continue;
                }
                Harmonic harmonic = Harmonic.of(instrument, string, fret, HarmonicNode.OCTAVE);
                if ((classes >> harmonic.midi() % 12 & 1) == 0 || !harmonic.isOverFingerboard(instrument)) {
                    run = new ArrayList<>();
                    continue;
                }
                run.add(harmonic);
                best = run.size() > best.size() ? List.copyOf(run) : best;
            }
        }
        return best.size() < FEWEST ? List.of() : best;
    }

    /** Whether a written harmonic is one that the finger itself sounds. */
    boolean rings(ArrangedNote note) {
        return note.attack() instanceof Attack.Touched
                && note.role() != Role.MELODY
                && at(note.tick()).stream().anyMatch(one -> one.string() == note.string() && one.midi() == note.midi());
    }

    /**
     * What sounds, until its string is plucked, stopped by a hit, or held otherwise, the chord ends, or a bar is over.
     *
     * @param notes all others
     * @param hits all that are laid
     */
    List<ArrangedNote> ringing(Hit bell, Digit striker, List<ArrangedNote> notes, List<Hit> hits) {
        int tick = bell.tick();
        int most = Math.min(
                song.chordEnd(song.chordIndexAt(tick)),
                tick + song.barAt(tick).meter().barTicks());
        return at(tick).stream()
                .map(one -> {
                    int end = most;
                    for (ArrangedNote note : notes) {
                        boolean next = note.string() == one.string() && note.tick() > tick;
                        end = next ? Math.min(end, note.tick()) : end;
                    }
                    for (Hit hit : hits) {
                        boolean stops = hit.tick() > tick && hit.kind().damps(one.string(), instrument.strings());
                        end = stops ? Math.min(end, hit.tick()) : end;
                    }
                    for (Hold hold : holds) {
                        boolean other = hold.tick() > tick && hold.press().covers(one.string());
                        end = other ? Math.min(end, hold.tick()) : end;
                    }
                    Optional<Hold> held = held(one.string(), tick);
                    end = held.isPresent() ? Math.min(end, held.get().endTick()) : end;
                    return new ArrangedNote(
                                    tick,
                                    end - tick,
                                    end - tick,
                                    one.string(),
                                    held.isPresent() ? one.fret() : 0,
                                    one.midi(),
                                    Role.INNER,
                                    held.map(hold -> hold.press().finger()),
                                    striker)
                            .struck(new Attack.Touched(one.node(), Attack.Touch.SLAP), Weight.PLAIN);
                })
                .toList();
    }

    private Optional<Hold> held(int string, int tick) {
        return holds.stream()
                .filter(hold -> hold.tick() <= tick
                        && hold.endTick() > tick
                        && hold.press().covers(string))
                .max((one, other) ->
                        Integer.compare(one.press().fret(), other.press().fret()));
    }
}
