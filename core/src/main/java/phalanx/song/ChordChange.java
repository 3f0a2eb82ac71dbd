package phalanx.song;

import static phalanx.words.Words.wording;

import java.util.Objects;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import phalanx.theory.ChordSymbol;
import phalanx.theory.Key;

/**
 * A chord symbol on its beat.
 *
 * @param startTick where it begins; it lasts to the next one
 * @param chord the chord; nothing for N.C., and where only frets are given
 * @param frets where it shall be held, if the chart says so
 * @param proposed whether it was proposed and nobody has taken it yet; the chart shows it with a question mark
 */
public record ChordChange(int startTick, Optional<ChordSymbol> chord, Optional<ChordFrets> frets, boolean proposed) {
    private static final String PROPOSED = "?";
    private static final Pattern WITH_FRETS = Pattern.compile("(.+)\\(([xX\\d-]+)\\)");

    public ChordChange {
        Objects.requireNonNull(chord, "chord");
        Objects.requireNonNull(frets, "frets");
        if (startTick < 0) {
            throw new IllegalArgumentException(wording("ChordChange.chord-at-tick", startTick));
        }
    }

    /** One that is meant so. */
    public ChordChange(int startTick, Optional<ChordSymbol> chord, Optional<ChordFrets> frets) {
        this(startTick, chord, frets, false);
    }

    /** One without frets. */
    public ChordChange(int startTick, Optional<ChordSymbol> chord) {
        this(startTick, chord, Optional.empty());
    }

    /** The same as a proposal. */
    public ChordChange asProposed() {
        return new ChordChange(startTick, chord, frets, true);
    }

    /** The same as one that is meant so. */
    public ChordChange taken() {
        return new ChordChange(startTick, chord, frets);
    }

    /**
     * Reads a chord symbol, N.C., frets such as {@code x32010}, or both: {@code C(x32010)}; a question mark behind it
     * says that it is proposed.
     *
     * @throws IllegalArgumentException naming what is not understood
     */
    public static ChordChange parse(int tick, String text) {
        String asked = text.strip();
        return asked.length() > 1 && asked.endsWith(PROPOSED)
                ? meant(tick, asked.substring(0, asked.length() - 1)).asProposed()
                : meant(tick, text);
    }

    private static ChordChange meant(int tick, String text) {
        if (ChordSymbol.isNoChord(text)) {
            return new ChordChange(tick, Optional.empty());
        }
        Optional<ChordFrets> alone = ChordFrets.parse(text);
        if (alone.isPresent()) {
            return new ChordChange(tick, Optional.empty(), alone);
        }
        Matcher both = WITH_FRETS.matcher(text);
        Optional<ChordFrets> frets = both.matches() ? ChordFrets.parse(both.group(2)) : Optional.empty();
        String name = frets.isPresent() ? both.group(1) : text;
        return new ChordChange(tick, Optional.of(ChordSymbol.parse(name)), frets);
    }

    /** What the chart shows. */
    public String symbol() {
        return written() + (proposed ? PROPOSED : "");
    }

    private String written() {
        return frets.map(where ->
                        chord.map(named -> named.text() + "(" + where + ")").orElse(where.toString()))
                .orElseGet(() -> chord.map(ChordSymbol::text).orElse(ChordSymbol.NO_CHORD));
    }

    /** The chord's name alone; its frets where it has none. */
    public String name() {
        return chord.map(ChordSymbol::text).orElseGet(this::written);
    }

    /** The same without frets, if it has a name. */
    public ChordChange withoutFrets() {
        return chord.isEmpty() ? this : new ChordChange(startTick, chord, Optional.empty(), proposed);
    }

    /** Whether nothing sounds here: N.C. */
    public boolean isNoChord() {
        return chord.isEmpty() && frets.isEmpty();
    }

    /** The same on another beat. */
    public ChordChange at(int tick) {
        return new ChordChange(tick, chord, frets, proposed);
    }

    /** The same with a name. */
    public ChordChange named(ChordSymbol name) {
        return new ChordChange(startTick, Optional.of(name), frets, proposed);
    }

    /** Whether another asks for the same, wherever it stands. */
    boolean sameChord(ChordChange other) {
        return chord.equals(other.chord) && frets.equals(other.frets);
    }

    /** The same so many semitones higher; frets by whole octaves stay. */
    ChordChange transpose(int semitones, Key newKey) {
        return new ChordChange(
                startTick,
                chord.map(named -> named.transpose(semitones, newKey)),
                frets.flatMap(where -> where.transpose(semitones)),
                proposed);
    }
}
