package phalanx.formats.musicxml;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import org.w3c.dom.Element;
import phalanx.formats.FormatException;
import phalanx.song.BarMarks;

/** Reads what a measure says about the order of playing; endings last over measures until they stop. */
final class FormReader {
    private Set<Integer> endings = Set.of();

    /** The marks of the next measure. */
    BarMarks read(Element measure, String place) throws FormatException {
        boolean repeatStart = false;
        int timesToEnd = 0;
        boolean endingStops = false;
        for (Element barline : Elements.children(measure, "barline")) {
            for (Element ending : Elements.children(barline, "ending")) {
                if (ending.getAttribute("type").equals("start")) {
                    endings = numbers(ending, place);
                } else {
                    endingStops = true;
                }
            }
            for (Element repeat : Elements.children(barline, "repeat")) {
                if (repeat.getAttribute("direction").equals("forward")) {
                    repeatStart = true;
                } else {
                    timesToEnd = times(repeat, place);
                }
            }
        }
        Set<BarMarks.Sign> signs = EnumSet.noneOf(BarMarks.Sign.class);
        Optional<BarMarks.Jump> jump = Optional.empty();
        for (Element direction : Elements.children(measure)) {
            addSigns(direction, signs);
            jump = jump.or(() -> jump(direction));
        }
        BarMarks marks = new BarMarks(repeatStart, timesToEnd, endings, signs, jump);
        if (endingStops) {
            endings = Set.of();
        }
        return marks;
    }

    private static Set<Integer> numbers(Element ending, String place) throws FormatException {
        String text = ending.getAttribute("number");
        try {
            Set<Integer> numbers = new TreeSet<>();
            Arrays.stream(text.trim().split("[\\s,]+")).map(Integer::parseInt).forEach(numbers::add);
            return numbers;
        } catch (NumberFormatException e) {
            throw new FormatException(place, "the ending \"" + text + "\" is not a number");
        }
    }

    private static int times(Element repeat, String place) throws FormatException {
        String times = repeat.getAttribute("times");
        if (times.isEmpty()) {
            return 2;
        }
        if (!times.matches("[1-9]\\d?")) {
            throw new FormatException(place, "a repeat of \"" + times + "\" times is not within 1 to 99");
        }
        return Integer.parseInt(times);
    }

    private static void addSigns(Element element, Set<BarMarks.Sign> signs) {
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

    private static Optional<BarMarks.Jump> jump(Element element) {
        if (says(element, "dacapo", "d\\.?\\s?c\\.?( al (fine|coda))?|da capo.*")) {
            return Optional.of(BarMarks.Jump.DA_CAPO);
        }
        return says(element, "dalsegno", "d\\.?\\s?s\\.?( al (fine|coda))?|dal segno.*")
                ? Optional.of(BarMarks.Jump.DAL_SEGNO)
                : Optional.empty();
    }

    /** Whether a direction or sound says something by its attribute, its sign or its words. */
    private static boolean says(Element element, String name, String words) {
        boolean here = element.getTagName().equals("sound") && element.hasAttribute(name);
        if (here || !element.getTagName().equals("direction")) {
            return here;
        }
        boolean sound = Elements.children(element, "sound").stream().anyMatch(one -> one.hasAttribute(name));
        return sound
                || Elements.children(element, "direction-type").stream()
                        .anyMatch(type -> Elements.has(type, name)
                                || Elements.children(type, "words").stream().anyMatch(text -> text.getTextContent()
                                        .trim()
                                        .toLowerCase(Locale.ROOT)
                                        .matches(words)));
    }
}
