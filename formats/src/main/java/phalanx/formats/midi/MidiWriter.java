package phalanx.formats.midi;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import phalanx.song.Bar;
import phalanx.song.ChordChange;
import phalanx.song.MelodyNote;
import phalanx.song.Meter;
import phalanx.song.Section;
import phalanx.song.Song;
import phalanx.song.Ticks;
import phalanx.theory.Key;

/**
 * Writes a song as a Standard MIDI file of type 1: tempo, meters, key, chord symbols as text events and sections as
 * markers in the first track, the melody in the second.
 */
public final class MidiWriter {
    private static final int VELOCITY = 88;
    private static final int MICROSECONDS_A_MINUTE = 60_000_000;
    private static final int CLOCKS_A_QUARTER = 24;

    /** The whole file. */
    public byte[] write(Song song) {
        try {
            Sequence sequence = new Sequence(Sequence.PPQ, Ticks.QUARTER);
            writeFrame(song, sequence.createTrack());
            writeMelody(song, sequence.createTrack());
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

    private static void writeMelody(Song song, Track track) throws InvalidMidiDataException {
        meta(track, 0, MetaType.NAME, "Melody".getBytes(StandardCharsets.UTF_8));
        for (MelodyNote note : song.melody()) {
            sound(track, note, note.midi());
            if (note.below().isPresent()) {
                sound(track, note, note.below().get().midi());
            }
        }
        meta(track, song.endTick(), MetaType.END, new byte[0]);
    }

    private static void sound(Track track, MelodyNote note, int midi) throws InvalidMidiDataException {
        track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_ON, 0, midi, VELOCITY), note.tick()));
        track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_OFF, 0, midi, 0), note.endTick()));
    }

    private static void meta(Track track, int tick, int type, byte[] data) throws InvalidMidiDataException {
        track.add(new MidiEvent(new MetaMessage(type, data, data.length), tick));
    }
}
