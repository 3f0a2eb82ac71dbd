package phalanx.sound.guitar;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import phalanx.guitar.Guitar;
import phalanx.guitar.Instrument;
import phalanx.guitar.StringSet;
import phalanx.theory.Pitch;

/**
 * What is strung on the guitar, string 1 first.
 *
 * @param steel whether the strings are steel
 * @param hertz of each open string
 * @param tones how each rings open
 */
public record Strings(boolean steel, List<Double> hertz, List<StringTone> tones) {
    public Strings {
        hertz = List.copyOf(hertz);
        tones = List.copyOf(tones);
        if (hertz.isEmpty() || hertz.size() != tones.size()) {
            throw new IllegalArgumentException(wording("Strings.pitches-of-strings", hertz.size(), tones.size()));
        }
    }

    /** The usual strings of a guitar's kind. */
    public static Strings usual(Instrument instrument) {
        boolean steel = instrument.guitar().kind() == Guitar.Kind.STEEL;
        List<StringTone> tones = new ArrayList<>();
        for (int string = 1; string <= instrument.strings(); string++) {
            tones.add(StringTone.open(steel, string).at(instrument.capo()));
        }
        return new Strings(steel, open(instrument), tones);
    }

    /** A set on a guitar; where their numbers differ, the usual strings. */
    public static Strings of(Instrument instrument, StringSet set) {
        if (set.strings().size() != instrument.strings()) {
            return usual(instrument);
        }
        List<StringTone> tones = new ArrayList<>();
        for (int string = 1; string <= instrument.strings(); string++) {
            tones.add(StringTone.open(set, string).at(instrument.capo()));
        }
        return new Strings(set.hasSteel(), open(instrument), tones);
    }

    private static List<Double> open(Instrument instrument) {
        List<Double> hertz = new ArrayList<>();
        for (int string = 1; string <= instrument.strings(); string++) {
            hertz.add(Pitch.hertz(instrument.midi(string, 0)));
        }
        return hertz;
    }
}
