package phalanx.formats.musicxml;

import java.util.EnumSet;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import phalanx.song.BarMarks;
import phalanx.song.build.Endings;

/** Reads what a measure says about the order of playing; endings last over measures until they stop. */
final class FormReader {
    private static final int MOST_TIMES = 99;

    private final Endings endings = new Endings();

    /** The marks of the next measure. */
    BarMarks read(XmlNode measure) {
        boolean repeatStart = false;
        int timesToEnd = 0;
        boolean endingStops = false;
        for (XmlNode barline : measure.children("barline")) {
            if (barline.children("repeat").stream()
                    .anyMatch(repeat -> repeat.attribute("direction").equals("forward"))) {
                repeatStart = true;
                endings.again();
            }
            for (XmlNode ending : barline.children("ending")) {
                if (ending.attribute("type").equals("start")) {
                    endings.begin(ending.attribute("number"));
                } else {
                    endingStops = true;
                }
            }
            for (XmlNode repeat : barline.children("repeat")) {
                timesToEnd = repeat.attribute("direction").equals("forward") ? timesToEnd : times(repeat);
            }
        }
        Set<BarMarks.Sign> signs = EnumSet.noneOf(BarMarks.Sign.class);
        Optional<BarMarks.Jump> jump = Optional.empty();
        for (XmlNode direction : measure.children()) {
            addSigns(direction, signs);
            jump = jump.or(() -> jump(direction));
        }
        BarMarks marks = new BarMarks(repeatStart, timesToEnd, endings.open(), signs, jump);
        if (endingStops || timesToEnd > 0) {
            endings.end();
        }
        return marks;
    }

    /** How often a stretch is played; twice where that cannot be read. */
    private static int times(XmlNode repeat) {
        String times = repeat.attribute("times");
        return times.matches("[1-9]\\d?") ? Math.min(MOST_TIMES, Integer.parseInt(times)) : 2;
    }

    private static void addSigns(XmlNode element, Set<BarMarks.Sign> signs) {
        if (says(element, "segno", "")) {
            signs.add(BarMarks.Sign.SEGNO);
        }
        boolean toCoda = says(element, "tocoda", "to coda");
        if (toCoda) {
            signs.add(BarMarks.Sign.TO_CODA);
        } else if (says(element, "coda", "")) {
            signs.add(BarMarks.Sign.CODA);
        }
        if (says(element, "fine", "fine")) {
            signs.add(BarMarks.Sign.FINE);
        }
    }

    private static Optional<BarMarks.Jump> jump(XmlNode element) {
        if (says(element, "dacapo", "d\\.?\\s?c\\.?( al (fine|coda))?|da capo.*")) {
            return Optional.of(BarMarks.Jump.DA_CAPO);
        }
        return says(element, "dalsegno", "d\\.?\\s?s\\.?( al (fine|coda))?|dal segno.*")
                ? Optional.of(BarMarks.Jump.DAL_SEGNO)
                : Optional.empty();
    }

    /** Whether a direction or sound says something by its attribute, its sign or its words. */
    private static boolean says(XmlNode element, String name, String words) {
        boolean here = element.name().equals("sound") && element.hasAttribute(name);
        if (here || !element.name().equals("direction")) {
            return here;
        }
        boolean sound = element.children("sound").stream().anyMatch(one -> one.hasAttribute(name));
        return sound
                || element.children("direction-type").stream()
                        .anyMatch(type -> type.has(name)
                                || type.children("words").stream().anyMatch(text -> text.text()
                                        .toLowerCase(Locale.ROOT)
                                        .matches(words)));
    }
}
