package phalanx.theory;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;

/**
 * Names a set of sounding pitches, best name first.
 *
 * <p>Every sounding note is tried as root with every kind of the table; what the kind lacks is added in words
 * ({@code add9}) and what the notes lack is said ({@code no3}). Names are ordered by how little had to be added or
 * excused, root in the bass before slash chords. One exception: a plain triad over a bass that is not in it reads
 * best as a slash chord.
 */
public final class ChordNamer {
    private static final int MOST_NAMES = 6;
    private static final double SLASH = 2.5;
    private static final double FOREIGN_BASS = 1.0;
    /** Dearer than a complete seventh chord (Am7 before C/A), cheaper than one that lacks tones (D/E before E11). */
    private static final double TRIAD_OVER_BASS = 0.5;

    private static final Set<String> PLAIN_TRIADS = Set.of("", "m");
    private static final double MISSING_FIFTH = 0.4;
    private static final double MISSING_OPTIONAL = 0.3;
    private static final double MISSING_REQUIRED = 3.0;
    private static final double EXTRA = 2.2;
    /** An altered fifth with tones added to it reads worse than a plain chord over its bass. */
    private static final double ALTERED_WITH_MORE = 1.0;

    private static final double RARITY = 0.02;
    private static final double WORST_ABOVE_BEST = 2.6;

    private static final Map<Integer, String> ADDED = Map.ofEntries(
            Map.entry(1, "addb9"),
            Map.entry(2, "add9"),
            Map.entry(3, "add#9"),
            Map.entry(4, "add3"),
            Map.entry(5, "add11"),
            Map.entry(6, "add#11"),
            Map.entry(7, "add5"),
            Map.entry(8, "addb13"),
            Map.entry(9, "add13"),
            Map.entry(10, "addb7"),
            Map.entry(11, "add7"));

    private final ChordTable table;

    public ChordNamer(ChordTable table) {
        this.table = table;
    }

    private record Candidate(String name, double cost) {}

    /**
     * Names for the pitches, spelled for the key.
     *
     * @param midi sounding pitches in any order; the lowest is the bass
     * @return at most six names, best first; empty when nothing sounds, the bare note when all are one pitch class
     */
    public List<String> names(List<Integer> midi, Key key) {
        if (midi.isEmpty()) {
            return List.of();
        }
        int bass = Math.floorMod(midi.stream().min(Comparator.naturalOrder()).orElseThrow(), 12);
        TreeSet<Integer> classes = new TreeSet<>();
        midi.forEach(pitch -> classes.add(Math.floorMod(pitch, 12)));
        if (classes.size() == 1) {
            return List.of(key.spell(bass).toString());
        }
        List<Candidate> candidates = candidates(classes, bass, key);
        candidates.sort(Comparator.comparingDouble(Candidate::cost).thenComparing(Candidate::name));
        double worst = candidates.get(0).cost() + WORST_ABOVE_BEST;
        LinkedHashSet<String> names = new LinkedHashSet<>();
        candidates.stream().filter(candidate -> candidate.cost() <= worst).forEach(c -> names.add(c.name()));
        return names.stream().limit(MOST_NAMES).toList();
    }

    private List<Candidate> candidates(TreeSet<Integer> classes, int bass, Key key) {
        int mask = classes.stream().mapToInt(c -> 1 << c).reduce(0, (a, b) -> a | b);
        int upper = mask & ~(1 << bass);
        List<Candidate> found = new ArrayList<>();
        for (int root : classes) {
            for (int rank = 0; rank < table.kinds().size(); rank++) {
                ChordKind kind = table.kinds().get(rank);
                found.add(candidate(kind, root, rank, mask, bass, key));
                boolean bassInside = (kindMask(kind, root) >> bass & 1) == 1;
                if (root != bass && !bassInside) {
                    found.add(overForeignBass(kind, root, rank, upper, bass, key));
                }
            }
        }
        return found;
    }

    private static Candidate candidate(ChordKind kind, int root, int rank, int mask, int bass, Key key) {
        Candidate plain = fitted(kind, root, rank, mask, key);
        return root == bass ? plain : over(plain, bass, SLASH, key);
    }

    private static Candidate overForeignBass(ChordKind kind, int root, int rank, int upper, int bass, Key key) {
        boolean plainTriad = PLAIN_TRIADS.contains(kind.name()) && kindMask(kind, root) == upper;
        return over(
                fitted(kind, root, rank, upper, key), bass, plainTriad ? TRIAD_OVER_BASS : SLASH + FOREIGN_BASS, key);
    }

    private static Candidate over(Candidate plain, int bass, double extraCost, Key key) {
        return new Candidate(plain.name() + "/" + key.spell(bass), plain.cost() + extraCost);
    }

    private static Candidate fitted(ChordKind kind, int root, int rank, int mask, Key key) {
        StringBuilder name = new StringBuilder(key.spell(root) + kind.name());
        double cost = rank * RARITY;
        int left = mask;
        for (ChordTone tone : kind.tones()) {
            int bit = 1 << (root + tone.interval().semitones()) % 12;
            if ((mask & bit) != 0) {
                left &= ~bit;
            } else if (tone.required()) {
                cost += MISSING_REQUIRED;
                name.append("(no").append(tone.interval().number()).append(')');
            } else {
                cost += tone.interval().number() == 5 ? MISSING_FIFTH : MISSING_OPTIONAL;
            }
        }
        for (int above = 1; above < 12; above++) {
            if ((left >> (root + above) % 12 & 1) == 1) {
                cost += EXTRA + (hasAlteredFifth(kind) ? ALTERED_WITH_MORE : 0);
                name.append('(').append(ADDED.get(above)).append(')');
            }
        }
        return new Candidate(name.toString(), cost);
    }

    private static boolean hasAlteredFifth(ChordKind kind) {
        return kind.tones().stream()
                .anyMatch(
                        tone -> tone.interval().number() == 5 && tone.interval().semitones() != 7);
    }

    private static int kindMask(ChordKind kind, int root) {
        return kind.tones().stream()
                .mapToInt(tone -> 1 << (root + tone.interval().semitones()) % 12)
                .reduce(0, (a, b) -> a | b);
    }
}
