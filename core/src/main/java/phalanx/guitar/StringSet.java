package phalanx.guitar;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import phalanx.words.Words;

/**
 * The strings on a guitar, from the lowest.
 *
 * @param name as shown
 * @param strings 4 to 10 strings
 */
public record StringSet(String name, List<GuitarString> strings) {
    public StringSet {
        Objects.requireNonNull(name, "name");
        strings = List.copyOf(strings);
        if (strings.size() < Tuning.FEWEST_STRINGS || strings.size() > Tuning.MOST_STRINGS) {
            throw new IllegalArgumentException(wording("StringSet.a-set-has-4-to", strings.size()));
        }
    }

    /** Sets players ask for, for six strings in standard tuning. Common practice, no source. */
    public enum Named {
        STEEL_EXTRA_LIGHT("steel, extra light", "047 039 030 023", "wound bronze", "014 010", "plain steel"),
        STEEL_LIGHT("steel, light", "053 042 032 024", "wound bronze", "016 012", "plain steel"),
        STEEL_MEDIUM("steel, medium", "056 045 035 026", "wound bronze", "017 013", "plain steel"),
        NYLON_NORMAL("nylon, normal", "043 035 029", "wound nylon", "040 032 028", "plain nylon"),
        NYLON_HARD("nylon, hard", "044 036 030", "wound nylon", "041 033 029", "plain nylon");

        private final String word;
        private final String low;
        private final String lowKind;
        private final String high;
        private final String highKind;

        Named(String word, String low, String lowKind, String high, String highKind) {
            this.word = word;
            this.low = low;
            this.lowKind = lowKind;
            this.high = high;
            this.highKind = highKind;
        }

        /** What files call it, in every language. */
        public String word() {
            return word;
        }

        /** What it is called on screen. */
        public String label() {
            return Words.name(this);
        }

        /** The set, its strings taken from the table. */
        public StringSet set() {
            StringTable table = StringTable.standard();
            List<GuitarString> all = new ArrayList<>();
            Arrays.stream(low.split(" ")).forEach(gauge -> all.add(table.string(gauge + " " + lowKind)));
            Arrays.stream(high.split(" ")).forEach(gauge -> all.add(table.string(gauge + " " + highKind)));
            return new StringSet(word, all);
        }
    }

    /** What it is called on screen: its name, of a set that players ask for in their language. */
    public String label() {
        return Arrays.stream(Named.values())
                .filter(named -> named.word().equals(name))
                .map(Named::label)
                .findFirst()
                .orElse(name);
    }

    /** A string, 1 at the treble side. */
    public GuitarString string(int number) {
        return strings.get(strings.size() - number);
    }

    public boolean hasSteel() {
        return strings.stream().anyMatch(string -> string.material().isSteel());
    }
}
