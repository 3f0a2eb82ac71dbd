package phalanx.song;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * The frets at which a chart wants a chord held, for a guitar with as many strings.
 *
 * @param frets from the lowest string to string 1, relative to the capo: -1 silent, 0 open
 */
public record ChordFrets(List<Integer> frets) {
    public static final int SILENT = -1;
    private static final int HIGHEST = 24;
    private static final int FEWEST_STRINGS = 4;
    private static final int MOST_STRINGS = 10;
    private static final Pattern SINGLE = Pattern.compile("[xX\\d]{4,10}");
    private static final Pattern PARTED = Pattern.compile("(?:[xX]|\\d{1,2})(?:-(?:[xX]|\\d{1,2})){3,9}");
    private static final Pattern ENTRY = Pattern.compile("[xX]|\\d+");

    public ChordFrets {
        frets = List.copyOf(frets);
        if (frets.size() < FEWEST_STRINGS || frets.size() > MOST_STRINGS) {
            throw new IllegalArgumentException(wording("ChordFrets.frets-for-4-to-10", frets.size()));
        }
        for (int fret : frets) {
            if (fret < SILENT || fret > HIGHEST) {
                throw new IllegalArgumentException(wording("ChordFrets.fret-is-outside-x-0", fret, HIGHEST));
            }
        }
        if (Collections.max(frets) == SILENT) {
            throw new IllegalArgumentException(wording("ChordFrets.frets-of-which-no-string"));
        }
    }

    /**
     * Reads {@code x32010}, or with hyphens where frets have two digits: {@code x-10-12-12-12-x}.
     *
     * @return nothing where the text is not of this form
     * @throws IllegalArgumentException if a fret is beyond 24 or no string sounds
     */
    public static Optional<ChordFrets> parse(String text) {
        boolean single = SINGLE.matcher(text).matches();
        if (!single && !PARTED.matcher(text).matches()) {
            return Optional.empty();
        }
        List<Integer> frets = new ArrayList<>();
        Matcher entries = (single ? Pattern.compile(".") : ENTRY).matcher(text);
        while (entries.find()) {
            String entry = entries.group();
            frets.add(entry.equalsIgnoreCase("x") ? SILENT : Integer.parseInt(entry));
        }
        return Optional.of(new ChordFrets(frets));
    }

    /**
     * The same shape moved along the neck, open strings stopped where it moves up; an octave higher where it would leave
     * the neck.
     *
     * @return nothing where it does not fit there either
     */
    Optional<ChordFrets> transpose(int semitones) {
        int by = Math.floorMod(semitones, 12);
        int lowest =
                frets.stream().filter(fret -> fret >= 0).min(Integer::compare).orElseThrow();
        int move = by > 0 && lowest >= 12 - by ? by - 12 : by;
        List<Integer> moved =
                frets.stream().map(fret -> fret < 0 ? fret : fret + move).toList();
        return Collections.max(moved) > HIGHEST ? Optional.empty() : Optional.of(new ChordFrets(moved));
    }

    @Override
    public String toString() {
        boolean parted = frets.stream().anyMatch(fret -> fret > 9);
        return frets.stream()
                .map(fret -> fret < 0 ? "x" : fret.toString())
                .collect(Collectors.joining(parted ? "-" : ""));
    }
}
