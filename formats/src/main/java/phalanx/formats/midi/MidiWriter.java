package phalanx.formats.midi;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import phalanx.arrange.demand.Role;
import phalanx.arrange.demand.TuneUse;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.guitar.Guitar;
import phalanx.guitar.Instrument;
import phalanx.righthand.Digit;
import phalanx.song.Bar;
import phalanx.song.ChordChange;
import phalanx.song.MelodyNote;
import phalanx.song.Meter;
import phalanx.song.Section;
import phalanx.song.Song;
import phalanx.song.Ticks;
import phalanx.song.TuneEdit;
import phalanx.technique.Attack;
import phalanx.technique.Hit;
import phalanx.technique.HitKind;
import phalanx.technique.Vibrato;
import phalanx.theory.Key;

/**
 * Writes a song as a Standard MIDI file of type 1: tempo, meters, key, chord symbols as text events and sections as
 * markers in the first track, the melody in the second, an own bass in the third.
 */
public final class MidiWriter {
    private static final int VELOCITY = 88;
    private static final int MICROSECONDS_A_MINUTE = 60_000_000;
    private static final int CLOCKS_A_QUARTER = 24;

    private static final int NYLON = 24;
    private static final int STEEL = 25;
    private static final int DRUMS = 9;
    private static final int VOICE = 3;

    /** How long a string takes to be pushed to its pitch: an assumption of ours. */
    private static final double BEND_MS = 80;

    /** For a hit that is not heard. */
    private static final int SILENT = -1;

    private static final int MODULATION = 1;
    private static final int MODULATED = 48;

    private static final int BEND_STEPS = 8;
    /** The wheel at rest, and its way for a semitone where it spans two each way, as General MIDI has it. */
    private static final int WHEEL_MIDDLE = 8192;

    private static final int WHEEL_SEMITONE = 4096;

    /** The whole file. */
    public byte[] write(Song song) {
        return bytes(sequence -> {
            writeFrame(song, sequence.createTrack());
            writeMelody("Melody", 0, song, sequence.createTrack());
            if (!song.bass().isEmpty()) {
                writeMelody("Bass", 1, TuneEdit.bassAsTune(song), sequence.createTrack());
            }
        });
    }

    /** An arrangement: a track each for tune, thumb, fingers and hits, and for the voice where the tune is sung. */
    public byte[] write(Arrangement arrangement) {
        Song song = arrangement.song();
        boolean sung = arrangement.request().tune() == TuneUse.SUNG;
        return bytes(sequence -> {
            writeFrame(song, sequence.createTrack());
            if (sung) {
                writeMelody("Voice", VOICE, song, sequence.createTrack());
            }
            Track tune = sequence.createTrack();
            writeNotes("Tune", 0, arrangement, note -> note.role() == Role.MELODY, tune);
            if (!sung) {
                writeWords(song, tune);
            }
            writeNotes(
                    "Thumb",
                    1,
                    arrangement,
                    note -> note.role() != Role.MELODY && note.right() == Digit.P,
                    sequence.createTrack());
            writeNotes(
                    "Fingers",
                    2,
                    arrangement,
                    note -> note.role() != Role.MELODY && note.right() != Digit.P,
                    sequence.createTrack());
            if (!arrangement.hits().isEmpty()) {
                writeHits(arrangement, sequence.createTrack());
            }
        });
    }

    /** Fills a file. */
    private interface Filling {
        void fill(Sequence sequence) throws InvalidMidiDataException;
    }

    private static byte[] bytes(Filling filling) {
        try {
            Sequence sequence = new Sequence(Sequence.PPQ, Ticks.QUARTER);
            filling.fill(sequence);
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            MidiSystem.write(sequence, 1, out);
            return out.toByteArray();
        } catch (InvalidMidiDataException e) {
            throw new IllegalStateException(e);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void writeFrame(Song song, Track track) throws InvalidMidiDataException {
        meta(track, 0, MetaType.NAME, song.title().getBytes(StandardCharsets.UTF_8));
        int tempo = MICROSECONDS_A_MINUTE / song.tempo();
        meta(track, 0, MetaType.TEMPO, new byte[] {(byte) (tempo >> 16), (byte) (tempo >> 8), (byte) tempo});
        boolean minor = song.key().mode() == Key.Mode.MINOR;
        meta(track, 0, MetaType.KEY, new byte[] {(byte) song.key().fifths(), (byte) (minor ? 1 : 0)});
        Meter before = null;
        for (Bar bar : song.bars()) {
            // MIDI knows no pickups: a short bar has a meter of its own
            Meter meter = bar.ownMeter();
            if (!meter.equals(before)) {
                byte power = (byte) Integer.numberOfTrailingZeros(meter.unit());
                byte clocks = (byte) (CLOCKS_A_QUARTER * meter.beatTicks() / Ticks.QUARTER);
                meta(track, bar.startTick(), MetaType.METER, new byte[] {(byte) meter.beats(), power, clocks, 8});
                before = meter;
            }
        }
        for (ChordChange change : song.chart()) {
            meta(track, change.startTick(), MetaType.TEXT, change.symbol().getBytes(StandardCharsets.UTF_8));
        }
        for (Section section : song.sections()) {
            meta(track, section.startTick(), MetaType.MARKER, section.name().getBytes(StandardCharsets.UTF_8));
        }
        meta(track, song.endTick(), MetaType.END, new byte[0]);
    }

    private static void writeMelody(String name, int channel, Song song, Track track) throws InvalidMidiDataException {
        meta(track, 0, MetaType.NAME, name.getBytes(StandardCharsets.UTF_8));
        writeWords(song, track);
        for (MelodyNote note : song.melody()) {
            sound(track, channel, note.tick(), note.endTick(), note.midi());
            if (note.below().isPresent()) {
                sound(
                        track,
                        channel,
                        note.tick(),
                        note.endTick(),
                        note.below().get().midi());
            }
        }
        meta(track, song.endTick(), MetaType.END, new byte[0]);
    }

    private static void writeWords(Song song, Track track) throws InvalidMidiDataException {
        for (MelodyNote note : song.melody()) {
            if (note.syllable().isPresent()) {
                meta(track, note.tick(), MetaType.LYRIC, note.syllable().get().getBytes(StandardCharsets.UTF_8));
            }
        }
    }

    private static void writeNotes(
            String name, int channel, Arrangement arrangement, Predicate<ArrangedNote> which, Track track)
            throws InvalidMidiDataException {
        meta(track, 0, MetaType.NAME, name.getBytes(StandardCharsets.UTF_8));
        boolean nylon = arrangement.request().instrument().guitar().kind() == Guitar.Kind.NYLON;
        track.add(new MidiEvent(new ShortMessage(ShortMessage.PROGRAM_CHANGE, channel, nylon ? NYLON : STEEL, 0), 0));
        List<ArrangedNote> notes = arrangement.notes().stream().filter(which).toList();
        Map<ArrangedNote, ArrangedNote> slurred = arrangement.slurred();
        int calm = (int)
                (Vibrato.CALM_MS / Ticks.milliseconds(1, arrangement.song().tempo()));
        for (ArrangedNote note : notes) {
            int bend = bend(note, slurred.get(note), arrangement.request().instrument());
            boolean curls = note.attack().equals(Attack.CURL);
            boolean wavers = note.attack().equals(Attack.VIBRATO);
            // a wheel moves all that sounds on its channel
            boolean alone = (bend != 0 || wavers || curls)
                    && notes.stream().noneMatch(other -> other != note && other.soundsAt(note.tick()));
            if (bend != 0 && alone) {
                writeBend(track, channel, note.tick(), bend, arrangement.song().tempo());
            }
            if (curls && alone) {
                wheel(track, channel, note.tick() + calm, WHEEL_MIDDLE + WHEEL_SEMITONE / 2);
                wheel(track, channel, note.endTick(), WHEEL_MIDDLE);
            }
            if (wavers && alone) {
                modulation(track, channel, note.tick() + calm, MODULATED);
                modulation(track, channel, note.endTick(), 0);
            }
            int tick = note.tick();
            if (note.attack() instanceof Attack.Graced graced) {
                int step = graced.stepTicks(arrangement.song().tempo());
                for (int midi : note.graces(arrangement.request().instrument())) {
                    sound(track, channel, tick, tick + step, midi);
                    tick += step;
                }
            }
            sound(track, channel, tick, note.endTick(), note.midi());
        }
        meta(track, arrangement.song().endTick(), MetaType.END, new byte[0]);
    }

    /** From how many semitones below a note is bent up, or above let go. */
    private static int bend(ArrangedNote note, ArrangedNote before, Instrument instrument) {
        return note.attack().equals(Attack.RELEASE) ? note.midi() - before.midi() : note.bentBy(instrument);
    }

    /** The wheel that is meant for vibrato: controller 1 of the MIDI 1.0 standard, from memory. */
    private static void modulation(Track track, int channel, int tick, int value) throws InvalidMidiDataException {
        track.add(new MidiEvent(new ShortMessage(ShortMessage.CONTROL_CHANGE, channel, MODULATION, value), tick));
    }

    /** The wheel goes from below up to the note's own pitch, as the string is pushed, or from above down; it begins before the note does. */
    private static void writeBend(Track track, int channel, int tick, int semitones, double tempo)
            throws InvalidMidiDataException {
        for (int step = 0; step <= BEND_STEPS; step++) {
            int at = tick + (int) (step * BEND_MS / BEND_STEPS / Ticks.milliseconds(1, tempo));
            int off = WHEEL_SEMITONE * semitones * (BEND_STEPS - step) / BEND_STEPS;
            // fourteen bits: two semitones up are one less than two down
            int value = Math.min(2 * WHEEL_MIDDLE - 1, WHEEL_MIDDLE - off);
            wheel(track, channel, at, value);
        }
    }

    private static void wheel(Track track, int channel, int tick, int value) throws InvalidMidiDataException {
        track.add(new MidiEvent(new ShortMessage(ShortMessage.PITCH_BEND, channel, value & 0x7F, value >> 7), tick));
    }

    private static void writeHits(Arrangement arrangement, Track track) throws InvalidMidiDataException {
        meta(track, 0, MetaType.NAME, "Hits".getBytes(StandardCharsets.UTF_8));
        for (Hit hit : arrangement.hits()) {
            int key = percussion(hit.kind());
            if (key != SILENT) {
                sound(track, DRUMS, hit.tick(), hit.tick() + Ticks.QUARTER / 4, key);
            }
        }
        meta(track, arrangement.song().endTick(), MetaType.END, new byte[0]);
    }

    /** What comes nearest among the percussion of General MIDI level 1, from memory. */
    private static int percussion(HitKind kind) {
        return switch (kind) {
            case KNOCK -> 77; // low wood block
            case SLAP -> 39; // hand clap
            case NAIL -> 37; // side stick
            case TAP -> 76; // high wood block
            case HEEL -> 36; // bass drum
            case CHUCK -> 69; // cabasa
            case DEAD -> 42; // closed hi-hat
            case BELL -> 75; // claves
            case STOP -> SILENT;
        };
    }

    private static void sound(Track track, int channel, int tick, int end, int midi) throws InvalidMidiDataException {
        track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_ON, channel, midi, VELOCITY), tick));
        track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_OFF, channel, midi, 0), end));
    }

    private static void meta(Track track, int tick, int type, byte[] data) throws InvalidMidiDataException {
        track.add(new MidiEvent(new MetaMessage(type, data, data.length), tick));
    }
}
