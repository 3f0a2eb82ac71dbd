package phalanx.song.lick;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;
import phalanx.song.MelodyNote;
import phalanx.song.Meter;
import phalanx.song.Song;
import phalanx.song.Ticks;
import phalanx.theory.ChordSymbol;
import phalanx.theory.Key;
import phalanx.theory.Pitch;

/**
 * A figure of the tune over one chord. As text: {@code name | meter | notes}, a note a degree and its length in quarter
 * notes, {@code r} a rest:
 *
 * <pre>Mill Step | 4/4 | 5:1 3:1/2 2:1/2 1:2</pre>
 *
 * @param name as shown
 * @param meter of its one or two bars
 * @param notes in order, rests among them
 */
public record Lick(String name, Meter meter, List<Part> notes) {
    private static final String REST = "r";
    private static final int LONGEST_NAME = 60;
    private static final int MOST_BARS = 2;

    /** A note or a rest. */
    record Part(Optional<Degree> degree, int ticks) {}

    public Lick {
        Objects.requireNonNull(meter, "meter");
        notes = List.copyOf(notes);
        if (name.isBlank() || name.length() > LONGEST_NAME || name.contains("|")) {
            throw new IllegalArgumentException(wording("Lick.a-lick-needs-a-name", LONGEST_NAME));
        }
        int ticks = notes.stream().mapToInt(Part::ticks).sum();
        if (ticks == 0 || ticks % meter.barTicks() != 0 || ticks > MOST_BARS * meter.barTicks()) {
            throw new IllegalArgumentException(
                    wording("Lick.lick-fills-quarter-notes-not", name, ticks / (double) Ticks.QUARTER, meter));
        }
        if (notes.stream().noneMatch(part -> part.degree().isPresent())) {
            throw new IllegalArgumentException(wording("Lick.lick-has-no-notes", name));
        }
    }

    /**
     * Reads the text form.
     *
     * @throws IllegalArgumentException saying what is wrong
     */
    public static Lick parse(String line) {
        String[] parts = line.split("\\|");
        String[] meter = parts.length == 3 ? parts[1].trim().split("/") : new String[0];
        if (meter.length != 2) {
            throw new IllegalArgumentException(wording("Lick.a-lick-has-a-name", line.trim()));
        }
        List<Part> notes = new ArrayList<>();
        for (String word : parts[2].trim().split("\\s+")) {
            String[] note = word.split(":");
            if (note.length != 2) {
                throw new IllegalArgumentException(wording("Lick.is-no-degree-with-its", word));
            }
            Optional<Degree> degree = note[0].equals(REST) ? Optional.empty() : Optional.of(Degree.parse(note[0]));
            notes.add(new Part(degree, ticks(note[1])));
        }
        return new Lick(parts[0].trim(), new Meter(Integer.parseInt(meter[0]), Integer.parseInt(meter[1])), notes);
    }

    private static int ticks(String length) {
        try {
            String[] fraction = length.split("/");
            long over = fraction.length == 2 ? Long.parseLong(fraction[1]) : 1;
            long ticks = Long.parseLong(fraction[0]) * Ticks.QUARTER;
            if (fraction.length <= 2 && over > 0 && ticks > 0 && ticks % over == 0) {
                return Math.toIntExact(ticks / over);
            }
        } catch (NumberFormatException | ArithmeticException e) {
            // told below
        }
        throw new IllegalArgumentException(wording("Lick.is-no-length-in-quarter", length));
    }

    /**
     * What the tune has in some bars, relative to the chord that holds where they begin.
     *
     * @throws IllegalArgumentException if there is no chord or no tune, or the bars are too many or of several meters
     */
    public static Lick of(String name, Song song, int fromTick, int toTick) {
        ChordSymbol chord = song.chordAt(fromTick)
                .orElseThrow(() -> new IllegalArgumentException(wording("Lick.a-lick-is-kept-over")));
        List<MelodyNote> tune = song.melodyBetween(fromTick, toTick);
        int root = tune.stream().mapToInt(MelodyNote::midi).min().orElse(0);
        while (Math.floorMod(root - chord.root().pitchClass(), 12) != 0) {
            root--;
        }
        List<Part> parts = new ArrayList<>();
        int at = fromTick;
        for (MelodyNote note : tune) {
            int start = Math.max(note.tick(), fromTick);
            rest(start - at, parts);
            int end = Math.min(note.endTick(), toTick);
            parts.add(new Part(Optional.of(Degree.of(note.midi() - root, chord)), end - start));
            at = end;
        }
        rest(toTick - at, parts);
        return new Lick(name, song.barAt(fromTick).meter(), parts);
    }

    private static void rest(int ticks, List<Part> parts) {
        if (ticks > 0) {
            parts.add(new Part(Optional.empty(), ticks));
        }
    }

    public int lengthTicks() {
        return notes.stream().mapToInt(Part::ticks).sum();
    }

    /**
     * The lick over a chord.
     *
     * @param tick where it begins
     * @param near its notes lie about this MIDI number
     * @param bluesy whether plain thirds and sevenths are flattened
     * @param key to spell in
     */
    public List<MelodyNote> over(ChordSymbol chord, int tick, int near, boolean bluesy, Key key) {
        double mean = notes.stream()
                .flatMap(part -> part.degree().stream())
                .mapToInt(degree -> degree.semitones(chord, bluesy))
                .average()
                .orElseThrow();
        int root = chord.root().pitchClass()
                + 12 * (int) Math.round((near - mean - chord.root().pitchClass()) / 12);
        List<MelodyNote> tune = new ArrayList<>();
        int at = tick;
        for (Part part : notes) {
            if (part.degree().isPresent()) {
                int midi = root + part.degree().get().semitones(chord, bluesy);
                tune.add(new MelodyNote(at, part.ticks(), Pitch.of(midi, key)));
            }
            at += part.ticks();
        }
        return tune;
    }

    /** The text form. */
    public String text() {
        return name + " | " + meter + " | "
                + notes.stream()
                        .map(part -> part.degree().map(Degree::toString).orElse(REST) + ":" + length(part.ticks()))
                        .collect(Collectors.joining(" "));
    }

    private static String length(int ticks) {
        int divisor = gcd(ticks, Ticks.QUARTER);
        int over = Ticks.QUARTER / divisor;
        return ticks / divisor + (over == 1 ? "" : "/" + over);
    }

    private static int gcd(int a, int b) {
        return b == 0 ? a : gcd(b, a % b);
    }
}
