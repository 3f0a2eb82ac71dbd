package phalanx.formats.midi;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
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
import phalanx.formats.reading.Reading;
import phalanx.song.Bar;
import phalanx.song.ChordChange;
import phalanx.song.ChordProposal;
import phalanx.song.MelodyNote;
import phalanx.song.Meter;
import phalanx.song.Section;
import phalanx.song.Song;
import phalanx.song.Ticks;
import phalanx.song.build.SongBuilder;
import phalanx.theory.ChordGuess;
import phalanx.theory.ChordSymbol;
import phalanx.theory.Key;

/**
 * Reads a Standard MIDI file. The melody is the track named so, else the one that lies highest; of notes at once the
 * highest. Chords are the text events that read as chord symbols, else they are heard from all notes, bar by bar.
 */
public final class MidiReader {
    private static final int DRUMS = 9;
    private static final int HIGHEST_NOTE = 127;
    /** From so many notes for each of the tune on the harmony can be heard bar by bar. */
    private static final double MORE_THAN_THE_TUNE = 1.5;
    /** Silence after the tune that is still taken for part of the song. */
    private static final int LONGEST_REST = 8 * Ticks.WHOLE;

    private static final int DEFAULT_TEMPO = 90;
    private static final int MICROSECONDS_A_MINUTE = 60_000_000;
    private static final int MOST_NOTES = 50_000;

    private final String fallbackTitle;
    private final OptionalInt choice;
    private final List<String> report = new ArrayList<>();

    /** @param fallbackTitle the title of a file that has none */
    public MidiReader(String fallbackTitle) {
        this(fallbackTitle, OptionalInt.empty());
    }

    /**
     * @param fallbackTitle the title of a file that has none
     * @param choice which line of notes is the melody, from 0; the likeliest where none is chosen
     */
    public MidiReader(String fallbackTitle, OptionalInt choice) {
        this.fallbackTitle = fallbackTitle;
        this.choice = choice;
    }

    /** The notes of one channel of one track. */
    private record Line(String name, int channel, List<Sound> sounds) {
        String words() {
            return (name.isEmpty() ? "" : "\"" + name + "\", ") + "channel " + (channel + 1);
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
            report.add("the file is damaged; of each track what stands before the damage is read");
        }
        double scale = Ticks.QUARTER / (double) sequence.getResolution();
        List<Line> lines = new ArrayList<>();
        TreeMap<Integer, List<MetaMessage>> metas = new TreeMap<>();
        String title = fallbackTitle;
        for (Track track : sequence.getTracks()) {
            lines.addAll(lines(track, scale, metas));
        }
        int notes = lines.stream().mapToInt(line -> line.sounds.size()).sum();
        if (notes > MOST_NOTES) {
            throw new FormatException("", "the file has " + notes + " notes; " + MOST_NOTES + " is the most");
        }
        List<Line> pitched =
                lines.stream().filter(line -> line.channel != DRUMS).toList();
        if (pitched.isEmpty()) {
            return chords(title(sequence, title), metas, bars(metas, lastEvent(metas), sequence, scale));
        }
        Line melody = melodyLine(pitched);
        Quantiser quantiser =
                new Quantiser(melody.sounds.stream().mapToInt(Sound::tick).toArray(), sequence.getResolution());
        Skyline skyline = new Skyline(melody.sounds, quantiser, key(metas));
        List<MelodyNote> tune = skyline.tune();
        skyline.report().ifPresent(report::add);
        quantiser.report().ifPresent(report::add);
        tune = areSung(metas) ? sung(tune, metas, quantiser) : tune;
        List<Bar> bars = bars(metas, Math.max(1, tune.get(tune.size() - 1).endTick()), sequence, scale);
        return new Reading(song(title(sequence, title), metas, bars, tune, lines), report)
                .of(
                        pitched.stream()
                                .map(line -> line.words() + ": " + line.sounds.size() + " notes")
                                .toList(),
                        pitched.indexOf(melody));
    }

    private static Sequence sequence(byte[] bytes) throws FormatException {
        try {
            Sequence sequence = MidiSystem.getSequence(new ByteArrayInputStream(bytes));
            if (sequence.getDivisionType() != Sequence.PPQ || sequence.getResolution() <= 0) {
                throw new FormatException("", "the file counts film frames, not beats; save it with beats");
            }
            return sequence;
        } catch (InvalidMidiDataException | IOException | RuntimeException e) {
            throw new FormatException(
                    "", "this is not a Standard MIDI file, or it is damaged (" + e.getMessage() + ")");
        }
    }

    private static int ticks(long tick, double scale) throws FormatException {
        double ticks = tick * scale;
        if (ticks > Integer.MAX_VALUE / 4.0) {
            throw new FormatException("", "an event stands " + tick + " ticks after the beginning, beyond any song");
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

    /** A song of chord names without a tune. */
    private Reading chords(String title, TreeMap<Integer, List<MetaMessage>> metas, List<Bar> bars)
            throws FormatException {
        boolean named = metas.values().stream()
                .flatMap(List::stream)
                .anyMatch(meta -> isWords(meta)
                        && chord(0, text(meta))
                                .filter(change -> change.chord().isPresent())
                                .isPresent());
        if (!named) {
            throw new FormatException("", "the file has neither notes of a tune nor chord names");
        }
        report.add(SongBuilder.NO_TUNE);
        return new Reading(song(title, metas, bars, List.of(), List.of()), report);
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

    private Line melodyLine(List<Line> pitched) throws FormatException {
        Line likeliest = pitched.stream()
                .filter(line -> line.name.toLowerCase(Locale.ROOT).matches(Choice.NAMED_FOR_THE_TUNE))
                .findFirst()
                .or(() -> pitched.stream().max(Comparator.comparingDouble(Line::height)))
                .orElseThrow();
        Line melody = Choice.of(pitched, choice, likeliest);
        if (pitched.size() > 1) {
            report.add("of " + pitched.size() + " lines of notes, " + melody.words() + " is taken for the melody");
        }
        return melody;
    }

    private static Optional<MetaMessage> first(TreeMap<Integer, List<MetaMessage>> metas, int type, int length) {
        return metas.values().stream()
                .flatMap(List::stream)
                .filter(meta -> meta.getType() == type && meta.getData().length >= length)
                .findFirst();
    }

    private static Key key(TreeMap<Integer, List<MetaMessage>> metas) {
        return first(metas, MetaType.KEY, 2)
                .filter(meta -> Math.abs(meta.getData()[0]) <= 7)
                .map(meta -> Key.ofFifths(meta.getData()[0], meta.getData()[1] == 1 ? Key.Mode.MINOR : Key.Mode.MAJOR))
                .orElse(Key.C_MAJOR);
    }

    private int tempo(TreeMap<Integer, List<MetaMessage>> metas) {
        long marks = metas.values().stream()
                .flatMap(List::stream)
                .filter(meta -> meta.getType() == MetaType.TEMPO)
                .count();
        if (marks > 1) {
            report.add("changes of tempo are not used yet; the first is kept");
        }
        Optional<byte[]> data = first(metas, MetaType.TEMPO, 3).map(MetaMessage::getData);
        if (data.isEmpty()) {
            return DEFAULT_TEMPO;
        }
        int micros = (data.get()[0] & 0xFF) << 16 | (data.get()[1] & 0xFF) << 8 | data.get()[2] & 0xFF;
        long tempo = Math.round(MICROSECONDS_A_MINUTE / (double) Math.max(1, micros));
        if (tempo < Song.SLOWEST || tempo > Song.FASTEST) {
            report.add("tempo " + tempo + " is outside 20 to 400; " + DEFAULT_TEMPO + " is used");
            return DEFAULT_TEMPO;
        }
        return (int) tempo;
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
                throw new FormatException("", "the file has more than " + Song.MOST_BARS + " bars");
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

    private static String title(Sequence sequence, String otherwise) {
        Track[] tracks = sequence.getTracks();
        for (int i = 0; tracks.length > 0 && i < tracks[0].size(); i++) {
            if (tracks[0].get(i).getMessage() instanceof MetaMessage meta
                    && meta.getType() == MetaType.NAME
                    && !text(meta).isBlank()) {
                return text(meta);
            }
        }
        return otherwise;
    }

    private Song song(
            String title,
            TreeMap<Integer, List<MetaMessage>> metas,
            List<Bar> bars,
            List<MelodyNote> tune,
            List<Line> lines)
            throws FormatException {
        int end = bars.get(bars.size() - 1).endTick();
        TreeMap<Integer, ChordChange> chart = new TreeMap<>();
        List<Section> sections = new ArrayList<>();
        boolean sung = areSung(metas);
        metas.headMap(end)
                .forEach((tick, all) -> all.forEach(meta -> {
                    if (meta.getType() == MetaType.TEXT || meta.getType() == MetaType.LYRIC && !sung) {
                        chord(tick, text(meta)).ifPresent(chord -> chart.put(tick, chord));
                    } else if (meta.getType() == MetaType.MARKER && !text(meta).isBlank()) {
                        sections.add(new Section(text(meta), tick));
                    }
                }));
        boolean noChords = chart.values().stream().allMatch(ChordChange::isNoChord);
        int sounds = lines.stream().mapToInt(line -> line.sounds.size()).sum();
        if (noChords && !tune.isEmpty()) {
            report.add(SongBuilder.NO_CHORDS);
        }
        if (noChords && sounds >= MORE_THAN_THE_TUNE * tune.size()) {
            chart.clear();
            hear(bars, lines, key(metas), chart);
        }
        try {
            boolean alone =
                    noChords && !tune.isEmpty() && chart.values().stream().allMatch(ChordChange::isNoChord);
            List<ChordChange> changes = alone ? List.of() : List.copyOf(chart.values());
            Song song = new Song(title, key(metas), tempo(metas), bars, sections, changes, tune);
            return alone ? new ChordProposal(song).propose(List.of()) : song;
        } catch (IllegalArgumentException e) {
            throw new FormatException("", e.getMessage());
        }
    }

    private static Optional<ChordChange> chord(int tick, String text) {
        try {
            return Optional.of(ChordChange.parse(tick, text))
                    .filter(change -> change.chord().isPresent() || change.isNoChord());
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    private static void hear(List<Bar> bars, List<Line> lines, Key key, TreeMap<Integer, ChordChange> chart) {
        ChordGuess guess = new ChordGuess(key);
        Optional<ChordSymbol> before = Optional.empty();
        for (Bar bar : bars) {
            double[] weights = new double[12];
            int lowest = Integer.MAX_VALUE;
            for (Line line : lines) {
                for (Sound sound : line.channel == DRUMS ? List.<Sound>of() : line.sounds) {
                    int within = Math.min(sound.end(), bar.endTick()) - Math.max(sound.tick(), bar.startTick());
                    if (within > 0) {
                        weights[sound.midi() % 12] += within;
                        lowest = Math.min(lowest, sound.midi());
                    }
                }
            }
            Optional<ChordSymbol> chord = guess.guess(weights, lowest % 12);
            if (chord.isPresent() && !chord.equals(before)) {
                chart.put(bar.startTick(), new ChordChange(bar.startTick(), chord).asProposed());
                before = chord;
            }
        }
    }
}
