package phalanx.formats;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import phalanx.formats.midi.MidiReader;
import phalanx.formats.reading.Reading;
import phalanx.song.MelodyNote;

/** Tunes as they are played into a sequencer: every note comes through. */
class MidiTakeTest {
    private static final int[] SCALE = {62, 64, 66, 67, 69, 71, 73, 74, 76, 78, 79};
    private static final int[] RESOLUTIONS = {96, 120, 384, 480, 960};
    private static final double MOST_LOST = 0.003;

    /** How a player times a run of notes, in shares of a quarter note. */
    enum Touch {
        TRIPLETS(0, 1, 1.0 / 3, 1.0 / 3, 1.0 / 3),
        LEGATO(0.012, 1.15, 0.5, 0.5, 1, 0.25, 0.25, 0.5),
        SWING(0.015, 0.9, 2.0 / 3, 1.0 / 3),
        DETACHED(0.02, 0.4, 0.5, 0.5, 1, 0.25, 0.25);

        private final double late;
        private final double held;
        private final double[] steps;

        Touch(double late, double held, double... steps) {
            this.late = late;
            this.held = held;
            this.steps = steps;
        }
    }

    private static List<Integer> play(Touch touch, int seed, ByteArrayOutputStream out) throws Exception {
        Random random = new Random(seed);
        int resolution = RESOLUTIONS[random.nextInt(RESOLUTIONS.length)];
        Sequence sequence = new Sequence(Sequence.PPQ, resolution);
        Track track = sequence.createTrack();
        List<Integer> played = new ArrayList<>();
        int degree = 5;
        double at = 0;
        for (int i = 0; i < 96; i++) {
            double step = touch.steps[i % touch.steps.length];
            int move = random.nextInt(7) - 3;
            degree = Math.max(0, Math.min(SCALE.length - 1, degree + (move == 0 ? 1 : move)));
            int midi = SCALE[degree];
            if (!played.isEmpty() && played.get(played.size() - 1) == midi) {
                midi = SCALE[degree == 0 ? 1 : degree - 1];
                degree = degree == 0 ? 1 : degree - 1;
            }
            long tick = Math.max(0, Math.round((at + touch.late * random.nextGaussian()) * resolution));
            long end = tick + Math.max(1, Math.round(step * touch.held * resolution));
            track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_ON, 0, midi, 80), tick));
            track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_OFF, 0, midi, 0), end));
            played.add(midi);
            at += step;
        }
        MidiSystem.write(sequence, 1, out);
        return played;
    }

    @ParameterizedTest
    @EnumSource
    void hardlyANoteIsLost(Touch touch) throws Exception {
        int played = 0;
        int kept = 0;
        for (int seed = 0; seed < 60; seed++) {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            List<Integer> pitches = play(touch, seed, out);
            List<Integer> read = new MidiReader("x")
                    .read(out.toByteArray()).song().melody().stream()
                            .map(MelodyNote::midi)
                            .toList();
            played += pitches.size();
            kept += inOrder(pitches, read);
        }
        assertThat(played - kept).isLessThanOrEqualTo((int) (MOST_LOST * played));
    }

    /** How many of the wanted come in the same order: their longest common part. */
    private static int inOrder(List<Integer> wanted, List<Integer> found) {
        int[][] most = new int[wanted.size() + 1][found.size() + 1];
        for (int i = 1; i <= wanted.size(); i++) {
            for (int j = 1; j <= found.size(); j++) {
                most[i][j] = wanted.get(i - 1).equals(found.get(j - 1))
                        ? most[i - 1][j - 1] + 1
                        : Math.max(most[i - 1][j], most[i][j - 1]);
            }
        }
        return most[wanted.size()][found.size()];
    }

    /** A file that breaks off, and one whose track says that it is longer than any file. */
    @Test
    void whatStandsBeforeTheDamageIsRead() throws Exception {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        List<Integer> pitches = play(Touch.TRIPLETS, 3, out);
        byte[] whole = out.toByteArray();
        Reading broken = new MidiReader("x").read(Arrays.copyOf(whole, whole.length / 2));
        assertThat(broken.song().melody().size()).isBetween(pitches.size() / 3, pitches.size() / 2 + 1);
        assertThat(broken.report()).anyMatch(line -> line.contains("damaged"));
        byte[] boastful = whole.clone();
        boastful[18] = 0x7F;
        Reading read = new MidiReader("x").read(boastful);
        assertThat(read.song().melody()).hasSize(pitches.size());
        assertThat(read.report()).anyMatch(line -> line.contains("damaged"));
        assertThat(new MidiReader("x").read(whole).report()).noneMatch(line -> line.contains("damaged"));
    }

    @Test
    void notesUnderALongerOneAreStillNotTheTune() throws Exception {
        Sequence sequence = new Sequence(Sequence.PPQ, 480);
        Track track = sequence.createTrack();
        int[][] notes = {{76, 0, 960}, {60, 240, 480}, {64, 480, 720}, {74, 960, 1920}, {62, 1200, 1680}};
        for (int[] note : notes) {
            track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_ON, 0, note[0], 80), note[1]));
            track.add(new MidiEvent(new ShortMessage(ShortMessage.NOTE_OFF, 0, note[0], 0), note[2]));
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        MidiSystem.write(sequence, 1, out);
        Reading reading = new MidiReader("x").read(out.toByteArray());
        assertThat(reading.song().melody()).extracting(MelodyNote::midi).containsExactly(76, 74);
        assertThat(reading.report()).anyMatch(line -> line.contains("3 lower ones"));
    }
}
