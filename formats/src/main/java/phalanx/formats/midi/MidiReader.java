package phalanx.formats.midi;

import static phalanx.words.Words.wording;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import javax.sound.midi.InvalidMidiDataException;
import javax.sound.midi.MetaMessage;
import javax.sound.midi.MidiEvent;
import javax.sound.midi.MidiMessage;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.Sequence;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import phalanx.formats.reading.Choice;
import phalanx.formats.reading.FormatException;
import phalanx.formats.reading.PartLine;
import phalanx.formats.reading.Reading;
import phalanx.song.Bar;
import phalanx.song.BarMarks;
import phalanx.song.ChordChange;
import phalanx.song.MelodyNote;
import phalanx.song.Meter;
import phalanx.song.Song;
import phalanx.song.Ticks;
import phalanx.song.build.SongBuilder;
import phalanx.song.build.Timeline;
import phalanx.theory.Key;
import phalanx.theory.KeyFinder;
import phalanx.theory.Pitch;

/**
 * Reads a Standard MIDI file. The melody is the track named so, else the one that lies highest; of notes at once the
 * highest. Chords are the text events that read as chord symbols, else they are heard from all notes, bar by bar.
 */
public final class MidiReader {
    private static final int DRUMS = 9;
    private static final int HIGHEST_NOTE = 127;
    /** Silence after the tune that is still taken for part of the song. */
    private static final int LONGEST_REST = 8 * Ticks.WHOLE;

    /** The voice of the tune, once it is heard. */
    private static final String TUNE = "tune";

    private static final int MICROSECONDS_A_MINUTE = 60_000_000;
    private static final int MOST_NOTES = 50_000;

    private final String fallbackTitle;
    private final Choice choice;
    private final SongBuilder song = new SongBuilder();

    /** @param fallbackTitle the title of a file that has none */
    public MidiReader(String fallbackTitle) {
        this(fallbackTitle, Choice.LIKELIEST);
    }

    /**
     * @param fallbackTitle the title of a file that has none
     * @param choice which lines of notes are read
     */
    public MidiReader(String fallbackTitle, Choice choice) {
        this.fallbackTitle = fallbackTitle;
        this.choice = choice;
    }

    /** The notes of one channel of one track. */
    private record Line(String name, int channel, List<Sound> sounds) {
        String words() {
            return wording("MidiReader.channel", name.isEmpty() ? "" : "\"" + name + "\", ", channel + 1);
        }

        double height() {
            return sounds.stream().mapToInt(Sound::midi).average().orElse(0);
        }
    }

    /**
     * Reads a file.
     *
     * @throws FormatException naming the reason
     */
    public Reading read(byte[] bytes) throws FormatException {
        SoundTracks tracks = new SoundTracks(bytes);
        Sequence sequence = sequence(tracks.repaired());
        if (tracks.damaged()) {
            song.say(wording("MidiReader.the-file-is-damaged-of"));
        }
        double scale = Ticks.QUARTER / (double) sequence.getResolution();
        List<Line> lines = new ArrayList<>();
        TreeMap<Integer, List<MetaMessage>> metas = new TreeMap<>();
        for (Track track : sequence.getTracks()) {
            lines.addAll(lines(track, scale, metas));
        }
        int notes = lines.stream().mapToInt(line -> line.sounds.size()).sum();
        if (notes > MOST_NOTES) {
            throw new FormatException("", wording("MidiReader.the-file-has-notes-is", notes, MOST_NOTES));
        }
        title(sequence).ifPresent(song::title);
        readTempo(metas);
        List<Line> pitched =
                lines.stream().filter(line -> line.channel != DRUMS).toList();
        try {
            if (pitched.isEmpty()) {
                key(metas).ifPresent(song::key);
                List<Bar> bars = bars(metas, lastEvent(metas), sequence, scale);
                return reading(timeline(metas, bars, false), bars, "");
            }
            return tune(pitched, metas, sequence, scale);
        } catch (IllegalArgumentException e) {
            throw new FormatException("", e.getMessage());
        }
    }

    private Reading reading(Timeline time, List<Bar> bars, String voice) {
        time.fill(song, Collections.nCopies(bars.size(), BarMarks.NONE));
        return new Reading(
                song.build(voice, fallbackTitle).song(), song.report().lines());
    }

    private Reading tune(List<Line> pitched, TreeMap<Integer, List<MetaMessage>> metas, Sequence sequence, double scale)
            throws FormatException {
        Line melody = Choice.of(pitched, choice.tune(), likeliest(pitched));
        Quantiser quantiser =
                new Quantiser(melody.sounds.stream().mapToInt(Sound::tick).toArray(), sequence.getResolution());
        Key key = key(metas).orElseGet(() -> heardKey(melody));
        song.key(key);
        Skyline skyline = new Skyline(melody.sounds, quantiser, key);
        List<MelodyNote> tune = skyline.tune();
        skyline.report().ifPresent(song::say);
        quantiser.report().ifPresent(song::say);
        boolean sung = areSung(metas);
        tune = sung ? sung(tune, metas, quantiser) : tune;
        List<Bar> bars = bars(metas, Math.max(1, tune.get(tune.size() - 1).endTick()), sequence, scale);
        Timeline time = timeline(metas, bars, sung);
        for (MelodyNote note : tune) {
            time.note(TUNE, note.tick(), note.lengthTicks(), note.pitch(), note.syllable());
            note.below().ifPresent(below -> time.note(TUNE, note.tick(), note.lengthTicks(), below, Optional.empty()));
        }
        List<PartLine> parts = new ArrayList<>();
        for (Line line : pitched) {
            String voice = line == melody ? TUNE : String.valueOf(parts.size());
            parts.add(new PartLine(song, voice, line.words()));
            for (Sound sound : line == melody ? List.<Sound>of() : line.sounds) {
                int tick = quantiser.onset(sound.tick());
                int length = Math.max(quantiser.shortest(), quantiser.end(sound.end()) - tick);
                time.note(voice, tick, length, Pitch.of(sound.midi(), key), Optional.empty());
            }
        }
        parts.get(pitched.indexOf(melody)).join(parts, choice);
        Reading reading = reading(time, bars, TUNE);
        return reading.of(parts.stream().map(PartLine::words).toList(), pitched.indexOf(melody));
    }

    /** What its notes belong to, where no key is told; many programs tell none. */
    private static Key heardKey(Line line) {
        double[] weights = new double[12];
        line.sounds.forEach(sound -> weights[sound.midi() % 12] += sound.end() - sound.tick());
        return new KeyFinder(List.of(), weights).find();
    }

    /** Sections and chords, the bars empty of notes. */
    private static Timeline timeline(TreeMap<Integer, List<MetaMessage>> metas, List<Bar> bars, boolean sung) {
        Timeline time = new Timeline(bars);
        metas.forEach((tick, all) -> all.forEach(meta -> {
            if (meta.getType() == MetaType.TEXT || meta.getType() == MetaType.LYRIC && !sung) {
                chord(tick, text(meta)).ifPresent(time::chord);
            } else if (meta.getType() == MetaType.MARKER) {
                time.section(tick, text(meta));
            }
        }));
        return time;
    }

    private static Sequence sequence(byte[] bytes) throws FormatException {
        try {
            Sequence sequence = MidiSystem.getSequence(new ByteArrayInputStream(bytes));
            if (sequence.getDivisionType() != Sequence.PPQ || sequence.getResolution() <= 0) {
                throw new FormatException("", wording("MidiReader.the-file-counts-film-frames"));
            }
            return sequence;
        } catch (InvalidMidiDataException | IOException | RuntimeException e) {
            throw new FormatException("", wording("MidiReader.this-is-not-a-standard", e.getMessage()));
        }
    }

    private static int ticks(long tick, double scale) throws FormatException {
        double ticks = tick * scale;
        if (ticks > Integer.MAX_VALUE / 4.0) {
            throw new FormatException("", wording("MidiReader.an-event-stands-ticks-after", tick));
        }
        return (int) Math.round(ticks);
    }

    private static List<Line> lines(Track track, double scale, TreeMap<Integer, List<MetaMessage>> metas)
            throws FormatException {
        Map<Integer, List<Sound>> channels = new TreeMap<>();
        Map<Integer, Integer> open = new TreeMap<>();
        String name = "";
        for (int i = 0; i < track.size(); i++) {
            MidiEvent event = track.get(i);
            MidiMessage message = event.getMessage();
            int tick = ticks(event.getTick(), scale);
            if (message instanceof MetaMessage meta) {
                metas.computeIfAbsent(tick, at -> new ArrayList<>()).add(meta);
                name = meta.getType() == MetaType.NAME ? text(meta) : name;
            } else if (message instanceof ShortMessage note) {
                addNote(note, tick, open, channels);
            }
        }
        List<Line> lines = new ArrayList<>();
        for (Map.Entry<Integer, List<Sound>> channel : channels.entrySet()) {
            lines.add(new Line(name, channel.getKey(), channel.getValue()));
        }
        return lines;
    }

    private static void addNote(
            ShortMessage note, int tick, Map<Integer, Integer> open, Map<Integer, List<Sound>> channels) {
        boolean on = note.getCommand() == ShortMessage.NOTE_ON && note.getData2() > 0;
        boolean off = note.getCommand() == ShortMessage.NOTE_OFF
                || note.getCommand() == ShortMessage.NOTE_ON && note.getData2() == 0;
        // damaged files have notes beyond the 128 that there are
        int midi = note.getData1() & HIGHEST_NOTE;
        int id = note.getChannel() << 8 | midi;
        if (on || off) {
            Integer since = on ? open.put(id, tick) : open.remove(id);
            if (since != null && since < tick) {
                channels.computeIfAbsent(note.getChannel(), channel -> new ArrayList<>())
                        .add(new Sound(since, tick, midi));
            }
        }
    }

    private static String text(MetaMessage meta) {
        return new String(meta.getData(), StandardCharsets.UTF_8).trim();
    }

    /** Where the last event stands; a chord there still needs a bar. */
    private static int lastEvent(TreeMap<Integer, List<MetaMessage>> metas) {
        int lastChord = metas.entrySet().stream()
                .filter(entry -> entry.getValue().stream()
                        .anyMatch(meta -> isWords(meta) && chord(0, text(meta)).isPresent()))
                .mapToInt(entry -> entry.getKey() + 1)
                .max()
                .orElse(1);
        return metas.isEmpty() ? 1 : Math.max(lastChord, metas.lastKey());
    }

    private static boolean isWords(MetaMessage meta) {
        return meta.getType() == MetaType.TEXT || meta.getType() == MetaType.LYRIC;
    }

    /** Whether lyrics are what is sung: some write chord names as lyrics. */
    private static boolean areSung(TreeMap<Integer, List<MetaMessage>> metas) {
        return metas.values().stream()
                .flatMap(List::stream)
                .anyMatch(meta -> meta.getType() == MetaType.LYRIC
                        && !text(meta).isBlank()
                        && chord(0, text(meta)).isEmpty());
    }

    /** The tune with the lyrics that stand where its notes begin. */
    private List<MelodyNote> sung(
            List<MelodyNote> tune, TreeMap<Integer, List<MetaMessage>> metas, Quantiser quantiser) {
        Map<Integer, String> words = new HashMap<>();
        metas.forEach((tick, all) -> all.stream()
                .filter(meta -> meta.getType() == MetaType.LYRIC && !text(meta).isBlank())
                .forEach(meta -> words.putIfAbsent(
                        quantiser.onset(tick), text(meta).strip().replaceAll("\\s+", "\u00a0"))));
        return tune.stream()
                .map(note -> note.sung(Optional.ofNullable(words.get(note.tick()))))
                .toList();
    }

    private static Line likeliest(List<Line> pitched) {
        return pitched.stream()
                .filter(line -> line.name.toLowerCase(Locale.ROOT).matches(Choice.NAMED_FOR_THE_TUNE))
                .findFirst()
                .or(() -> pitched.stream().max(Comparator.comparingDouble(Line::height)))
                .orElseThrow();
    }

    private static Optional<MetaMessage> first(TreeMap<Integer, List<MetaMessage>> metas, int type, int length) {
        return metas.values().stream()
                .flatMap(List::stream)
                .filter(meta -> meta.getType() == type && meta.getData().length >= length)
                .findFirst();
    }

    private static Optional<Key> key(TreeMap<Integer, List<MetaMessage>> metas) {
        return first(metas, MetaType.KEY, 2)
                .filter(meta -> Math.abs(meta.getData()[0]) <= 7)
                .map(meta -> Key.ofFifths(meta.getData()[0], meta.getData()[1] == 1 ? Key.Mode.MINOR : Key.Mode.MAJOR));
    }

    private void readTempo(TreeMap<Integer, List<MetaMessage>> metas) {
        metas.values().stream()
                .flatMap(List::stream)
                .filter(meta -> meta.getType() == MetaType.TEMPO && meta.getData().length >= 3)
                .map(MetaMessage::getData)
                .forEach(data -> song.tempo(MICROSECONDS_A_MINUTE
                        / (double) Math.max(1, (data[0] & 0xFF) << 16 | (data[1] & 0xFF) << 8 | data[2] & 0xFF)));
    }

    private List<Bar> bars(TreeMap<Integer, List<MetaMessage>> metas, int tuneEnd, Sequence sequence, double scale)
            throws FormatException {
        TreeMap<Integer, Meter> meters = new TreeMap<>();
        metas.forEach((tick, all) -> all.stream()
                .filter(meta -> meta.getType() == MetaType.METER && meta.getData().length >= 2)
                .forEach(meta -> meter(meta.getData()).ifPresent(meter -> meters.put(tick, meter))));
        meters.putIfAbsent(0, Meter.COMMON);
        int end = Math.max(tuneEnd, Math.min(ticks(sequence.getTickLength(), scale), tuneEnd + LONGEST_REST));
        List<Bar> bars = new ArrayList<>();
        int at = 0;
        while (at < end) {
            Meter meter = meters.floorEntry(at).getValue();
            Meter next = meters.floorEntry(at + meter.barTicks()).getValue();
            boolean pickup = bars.isEmpty() && Bar.isPickup(meter, next);
            int number =
                    bars.isEmpty() ? pickup ? 0 : 1 : bars.get(bars.size() - 1).number() + 1;
            bars.add(new Bar(number, at, meter.barTicks(), pickup ? next : meter));
            at += meter.barTicks();
            if (bars.size() > Song.MOST_BARS) {
                throw new FormatException("", wording("MidiReader.the-file-has-more-than", Song.MOST_BARS));
            }
        }
        return bars;
    }

    private static Optional<Meter> meter(byte[] data) {
        try {
            return data[1] < 0 || data[1] > 5 ? Optional.empty() : Optional.of(new Meter(data[0], 1 << data[1]));
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    private static Optional<String> title(Sequence sequence) {
        Track[] tracks = sequence.getTracks();
        for (int i = 0; tracks.length > 0 && i < tracks[0].size(); i++) {
            if (tracks[0].get(i).getMessage() instanceof MetaMessage meta
                    && meta.getType() == MetaType.NAME
                    && !text(meta).isBlank()) {
                return Optional.of(text(meta));
            }
        }
        return Optional.empty();
    }

    private static Optional<ChordChange> chord(int tick, String text) {
        try {
            return Optional.of(ChordChange.parse(tick, text))
                    .filter(change -> change.chord().isPresent() || change.isNoChord());
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }
}
