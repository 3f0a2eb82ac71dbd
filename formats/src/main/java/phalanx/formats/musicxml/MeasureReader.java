package phalanx.formats.musicxml;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import phalanx.formats.reading.FormatException;
import phalanx.song.ChordChange;
import phalanx.song.MelodyNote;
import phalanx.song.Ticks;
import phalanx.song.build.SongBuilder;
import phalanx.song.build.Tone;
import phalanx.technique.HitKind;
import phalanx.theory.ChordSymbol;
import phalanx.theory.Key;
import phalanx.theory.Note;
import phalanx.theory.Pitch;
import phalanx.theory.Step;

/** Reads the measures of one part, one after the other, all voices, at sounding pitch. */
final class MeasureReader {
    /** Divisions of a quarter and durations are positive and within this. */
    private static final double MOST_DIVISIONS = 1e9;

    private static final Pattern WHOLE = Pattern.compile("\\d{1,9}");
    private static final Pattern NUMBER = Pattern.compile("-?\\d{1,10}(\\.\\d{0,10})?");
    private static final int MOST_SIGNS = 7;
    private static final int TWELVE = 12;

    private final SongBuilder song = new SongBuilder();
    private final FormReader form = new FormReader();
    private final StaffPlaces places = new StaffPlaces();
    private boolean unpitched;
    /** By voice what stands before its next note. */
    private final Map<String, List<Pitch>> graces = new HashMap<>();

    /** What words over the staff say that strokes without a pitch are. */
    private Optional<HitKind> hit = Optional.empty();

    private double divisions = 1;
    private int semitones;
    /** What is written is in this key. */
    private Key signature = Key.C_MAJOR;

    /** How far reading has come and reached in the bar, in ticks. */
    private double cursor;

    private double reached;
    private double lastOnset;

    /** A pickup may follow a double bar line. */
    private boolean afterDoubleLine;

    /** What was read so far. */
    SongBuilder song() {
        return song;
    }

    StaffPlaces places() {
        return places;
    }

    /** Whether it is a part of percussion. */
    boolean unpitched() {
        return unpitched;
    }

    /**
     * Reads the next measure.
     *
     * @throws FormatException if there are more than a song has
     */
    void read(XmlNode measure) throws FormatException {
        String number = measure.attribute("number");
        song.at(wording("MeasureReader.bar", number.isBlank() ? String.valueOf(song.bars() + 1) : number));
        cursor = 0;
        reached = 0;
        lastOnset = 0;
        for (XmlNode node : measure.children()) {
            switch (node.name()) {
                case "attributes" -> readAttributes(node);
                case "note" -> readNote(node);
                case "harmony" -> readHarmony(node);
                case "direction" -> readDirection(node);
                case "sound" -> readSound(node);
                case "backup" -> move(-ticks(node));
                case "forward" -> move(ticks(node));
                default -> {}
            }
        }
        if (!graces.isEmpty()) {
            song.once(wording("MeasureReader.grace-notes-at-the-end"));
            graces.clear();
        }
        boolean free = measure.attribute("implicit").equals("yes") || afterDoubleLine || hasDoubleLine(measure);
        afterDoubleLine = hasDoubleLine(measure);
        try {
            song.endBar((int) Math.round(reached), form.read(measure), free);
        } catch (IllegalArgumentException e) {
            throw new FormatException("", e.getMessage());
        }
    }

    private static boolean hasDoubleLine(XmlNode measure) {
        return measure.children("barline").stream()
                .filter(line -> !line.attribute("location").equals("left"))
                .flatMap(line -> line.text("bar-style").stream())
                .anyMatch(style -> style.startsWith("light-") || style.startsWith("heavy"));
    }

    private void move(double ticks) {
        cursor += ticks;
        if (cursor < -1) {
            song.once(wording("MeasureReader.a-step-back-goes-past"));
        }
        cursor = Math.max(0, cursor);
        reached = Math.max(reached, cursor);
    }

    private void readAttributes(XmlNode attributes) {
        places.readDetails(attributes);
        if (attributes.has("divisions")) {
            double read = number(attributes, "divisions");
            if (read > 0 && read <= MOST_DIVISIONS) {
                divisions = read;
            } else {
                song.say(wording(
                        "MeasureReader.divisions-cannot-be-a-quarter",
                        attributes.text("divisions").orElse(""),
                        (long) divisions));
            }
        }
        attributes.children("transpose").forEach(this::readTransposition);
        attributes.children("key").forEach(this::readKey);
        readMeters(attributes.children("time"));
    }

    private void readTransposition(XmlNode transpose) {
        long chromatic = Math.round(orNought(number(transpose, "chromatic")));
        long octaves = Math.round(orNought(number(transpose, "octave-change")));
        long all = chromatic + TWELVE * octaves;
        if (Math.abs(all) > 5 * TWELVE) {
            song.say(wording("MeasureReader.a-transposition-by-semitones-is", all));
            return;
        }
        if (all % TWELVE != 0 && all != semitones) {
            song.say(wording(
                    "MeasureReader.written-for-a-transposing-instrument",
                    Math.abs(all),
                    all < 0 ? wording("MeasureReader.lower") : wording("MeasureReader.higher")));
        }
        semitones = (int) all;
    }

    private void readKey(XmlNode key) {
        double fifths = number(key, "fifths");
        if (Double.isNaN(fifths)) {
            song.once(wording("MeasureReader.a-key-without-a-usual"));
            return;
        }
        int signs = (int) Math.rint(fifths);
        if (Math.abs(signs) > MOST_SIGNS) {
            int simpler = Math.floorMod(signs + MOST_SIGNS - 1, TWELVE) - MOST_SIGNS + 1;
            song.say(wording(
                    "MeasureReader.a-key-of-is-read",
                    Math.abs(signs),
                    signs < 0 ? wording("MeasureReader.flats") : wording("MeasureReader.sharps"),
                    Key.ofFifths(simpler, Key.Mode.MAJOR)));
            signs = simpler;
        }
        String mode = key.text("mode").orElse("major");
        Optional<Key.Mode> known = Key.Mode.byWord(mode);
        signature = Key.ofFifths(signs, known.orElse(Key.Mode.MAJOR));
        if (known.isEmpty() && !mode.equals("none")) {
            song.say(wording("MeasureReader.mode-is-read-as", mode, signature));
        }
        song.key(signature.transpose(semitones));
    }

    /** A meter, or the sum of several. */
    private void readMeters(List<XmlNode> times) {
        for (XmlNode time : times) {
            if (time.has("senza-misura")) {
                // bars without a meter are counted in the one before
                continue;
            }
            List<XmlNode> beats = time.children("beats");
            List<XmlNode> types = time.children("beat-type");
            long unit = types.stream().mapToLong(MeasureReader::whole).max().orElse(0);
            long sum = 0;
            for (int i = 0; i < Math.min(beats.size(), types.size()); i++) {
                long type = whole(types.get(i));
                for (String summand : beats.get(i).text().split("\\+")) {
                    sum += type == 0 ? 0 : whole(summand.trim()) * unit / type;
                }
            }
            if (beats.size() > 1 || beats.stream().anyMatch(node -> node.text().contains("+"))) {
                song.once(wording("MeasureReader.a-meter-of-several-parts"));
            }
            song.meter(sum, unit);
        }
    }

    private static long whole(XmlNode node) {
        return whole(node.text());
    }

    private static long whole(String text) {
        return text.matches("\\d{1,3}") ? Long.parseLong(text) : 0;
    }

    private void readNote(XmlNode node) {
        if (node.has("grace")) {
            readGrace(node);
            return;
        }
        boolean inChord = node.has("chord");
        double length = ticks(node);
        double onset = inChord ? lastOnset : cursor;
        if (!inChord) {
            lastOnset = cursor;
            move(length);
        }
        unpitched |= node.has("unpitched");
        if (node.has("cue")) {
            song.once(wording("MeasureReader.cue-notes-were-left-out"));
            return;
        }
        int tick = tick(onset);
        if (node.has("unpitched") && hit.isPresent() && !ties(node, "stop")) {
            places.readHit(hit.get(), song.bars(), tick);
        }
        if (node.text("notehead").filter("x"::equals).isPresent() && places.readDead(node, song.bars(), tick)) {
            return;
        }
        if (!ties(node, "stop")) {
            places.readNote(node, song.bars(), tick, graces.containsKey(voice(node)));
        }
        if (node.has("pitch")) {
            pitch(node.child("pitch").get()).ifPresent(pitch -> {
                Tone tone = song.note(voice(node), tick, tick(onset + length) - tick, pitch);
                if (ties(node, "start")) {
                    tone.tie();
                }
                Optional.ofNullable(graces.remove(voice(node))).ifPresent(tone::grace);
                sing(tone, node);
            });
        }
    }

    private static String voice(XmlNode note) {
        return note.text("voice").orElse("1");
    }

    /** Of grace notes struck together the first. */
    private void readGrace(XmlNode node) {
        if (node.has("pitch") && !node.has("chord") && !node.has("cue")) {
            List<Pitch> own = graces.computeIfAbsent(voice(node), voice -> new ArrayList<>());
            pitch(node.child("pitch").get()).ifPresent(own::add);
            if (own.size() > MelodyNote.MOST_GRACES) {
                song.once(wording("MeasureReader.of-more-grace-notes-the", MelodyNote.MOST_GRACES));
            }
        }
    }

    /** What is sung in the first verse. */
    private void sing(Tone tone, XmlNode note) {
        List<XmlNode> lyrics = note.children("lyric");
        if (lyrics.size() > 1) {
            song.once(wording("MeasureReader.of-several-verses-the-first"));
        }
        lyrics.stream()
                .filter(lyric -> lyric.text("text").isPresent())
                .findFirst()
                .ifPresent(lyric -> {
                    String syllabic = lyric.text("syllabic").orElse("single");
                    boolean goesOn = syllabic.equals("begin") || syllabic.equals("middle");
                    tone.sing(words(lyric) + (goesOn ? "-" : ""));
                });
    }

    /** Syllables under one note, joined. */
    private static String words(XmlNode lyric) {
        StringBuilder words = new StringBuilder();
        for (XmlNode node : lyric.children()) {
            if (node.name().equals("elision")) {
                words.append('\u00a0');
            } else if (node.name().equals("text")) {
                words.append(node.text());
            }
        }
        return words.toString();
    }

    private static boolean ties(XmlNode note, String type) {
        return note.children("tie").stream()
                .anyMatch(tie -> tie.attribute("type").equals(type));
    }

    /** The sounding pitch; nothing where there is none that can be. */
    private Optional<Pitch> pitch(XmlNode node) {
        double alter = orNought(number(node, "alter"));
        double octave = number(node, "octave");
        try {
            Step step = Step.valueOf(node.text("step").orElse(""));
            if (alter != Math.rint(alter)) {
                song.once(wording("MeasureReader.quarter-tones-were-rounded-to"));
            }
            if (!(octave >= -3 && octave <= 11)) {
                throw new IllegalArgumentException(
                        wording("MeasureReader.octave", node.text("octave").orElse("")));
            }
            int sharps = (int) Math.round(alter);
            int midi = TWELVE * ((int) octave + 1) + step.semitones() + sharps + semitones;
            return Optional.of(
                    semitones % TWELVE == 0
                            ? new Pitch(new Note(step, sharps), (int) octave + semitones / TWELVE)
                            : Pitch.of(midi, signature.transpose(semitones)));
        } catch (IllegalArgumentException e) {
            song.say(wording("MeasureReader.a-note-without-usable-pitch", e.getMessage()));
            return Optional.empty();
        }
    }

    private void readHarmony(XmlNode harmony) {
        double offset = orNought(number(harmony, "offset")) * Ticks.QUARTER / divisions;
        int tick = tick(Math.max(0, cursor + offset));
        try {
            Optional<ChordSymbol> chord = new HarmonyReader(signature, song::say)
                    .read(harmony)
                    .map(symbol -> symbol.transpose(semitones, signature.transpose(semitones)));
            song.chord(tick, new ChordChange(0, chord));
        } catch (IllegalArgumentException e) {
            song.say(e.getMessage());
        }
    }

    private void readDirection(XmlNode direction) {
        for (XmlNode type : direction.children("direction-type")) {
            type.children("rehearsal").forEach(mark -> song.section(tick(cursor), mark.text()));
            type.children("metronome").forEach(this::readMetronome);
            type.children("words").stream()
                    .flatMap(words -> HitKind.byWord(words.text().strip()).stream())
                    .forEach(kind -> hit = Optional.of(kind));
        }
        direction.children("sound").forEach(this::readSound);
    }

    private void readMetronome(XmlNode metronome) {
        String perMinute =
                metronome.text("per-minute").orElse("").replaceAll("^\\D*", "").replaceAll("[^\\d.].*", "");
        double quarters =
                switch (metronome.text("beat-unit").orElse("")) {
                    case "whole" -> 4;
                    case "half" -> 2;
                    case "quarter" -> 1;
                    case "eighth" -> 0.5;
                    default -> 0;
                };
        quarters *= metronome.has("beat-unit-dot") ? 1.5 : 1;
        if (perMinute.matches("\\d{1,3}(\\.\\d+)?") && quarters > 0) {
            song.tempo(Double.parseDouble(perMinute) * quarters);
        } else {
            song.once(wording("MeasureReader.a-tempo-mark-without-usable"));
        }
    }

    private void readSound(XmlNode sound) {
        String value = sound.attribute("tempo");
        if (value.matches("\\d{1,4}(\\.\\d+)?")) {
            song.tempo(Double.parseDouble(value));
        }
    }

    /** The duration; nought where there is none that can be. */
    private double ticks(XmlNode node) {
        double value = number(node, "duration");
        if (!(value >= 0 && value <= MOST_DIVISIONS)) {
            song.once(wording("MeasureReader.notes-and-steps-without-usable"));
            return 0;
        }
        return value * Ticks.QUARTER / divisions;
    }

    private static double orNought(double value) {
        return Double.isFinite(value) ? value : 0;
    }

    /** A number; not one where there is none. */
    private static double number(XmlNode node, String name) {
        String text = node.text(name).orElse("");
        return WHOLE.matcher(text).matches()
                ? Integer.parseInt(text)
                : NUMBER.matcher(text).matches() ? Double.parseDouble(text) : Double.NaN;
    }

    private int tick(double inBar) {
        double within = Math.min(inBar, Integer.MAX_VALUE / 4.0);
        if (Math.abs(within - Math.rint(within)) > 1e-3) {
            song.once(wording("MeasureReader.times-finer-than-1-1680"));
        }
        return (int) Math.round(within);
    }
}
