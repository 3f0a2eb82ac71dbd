package phalanx.arrange.audit;

import java.util.Locale;
import phalanx.song.Bar;

/** Words for a place in the song. */
final class Places {
    private Places() {}

    /** Such as {@code Bar 6, beat 2.5: }. */
    static String at(Bar bar, double beat) {
        String number =
                String.format(Locale.ROOT, "%.2f", beat).replaceAll("0+$", "").replaceAll("\\.$", "");
        return "Bar " + bar.number() + ", beat " + number + ": ";
    }
}
