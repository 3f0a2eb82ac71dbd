package phalanx.formats.musicxml;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.w3c.dom.Element;
import phalanx.arrange.Written;
import phalanx.arrange.WrittenNote;
import phalanx.guitar.Guitar;
import phalanx.guitar.Instrument;
import phalanx.guitar.Tuning;
import phalanx.song.Bar;
import phalanx.song.BarMarks;
import phalanx.song.MelodyNote;
import phalanx.song.PlayingOrder;
import phalanx.song.Song;
import phalanx.theory.Pitch;

/** Collects the strings and frets that a part names, so that an arrangement is kept as it is written. */
final class StaffPlaces {
    private final TreeMap<Integer, Integer> tuning = new TreeMap<>();
    private final List<WrittenNote> notes = new ArrayList<>();
    private final Set<List<Integer>> taken = new HashSet<>();
    private int capo;

    /** Takes tuning and capo from a staff's details. */
    void readDetails(Element attributes) {
        for (Element details : Elements.children(attributes, "staff-details")) {
            for (Element line : Elements.children(details, "staff-tuning")) {
                readTuning(line);
            }
            Elements.text(details, "capo")
                    .filter(text -> text.matches("\\d{1,2}"))
                    .ifPresent(text -> capo = Integer.parseInt(text));
        }
    }

    private void readTuning(Element line) {
        try {
            String alter =
                    Elements.text(line, "tuning-alter").map(StaffPlaces::sign).orElse("");
            String name = Elements.text(line, "tuning-step").orElse("")
                    + alter
                    + Elements.text(line, "tuning-octave").orElse("");
            tuning.put(
                    Integer.parseInt(line.getAttribute("line")),
                    Pitch.parse(name).midi());
        } catch (IllegalArgumentException e) {
            // a tuning that is not understood is as good as none
            tuning.clear();
        }
    }

    private static String sign(String alter) {
        return alter.startsWith("-") ? "b" : alter.equals("0") ? "" : "#";
    }

    /** Takes a note that is plucked, if it says where. */
    void readNote(Element note, int tick) {
        for (Element technical : Elements.descendants(note, "technical")) {
            Optional<Integer> string = number(technical, "string");
            Optional<Integer> fret = number(technical, "fret");
            if (string.isPresent() && fret.isPresent() && string.get() > 0 && taken.add(List.of(tick, string.get()))) {
                notes.add(new WrittenNote(tick, string.get(), fret.get()));
            }
        }
    }

    private static Optional<Integer> number(Element technical, String name) {
        return Elements.text(technical, name)
                .filter(text -> text.matches("\\d{1,2}"))
                .map(Integer::parseInt);
    }

    /**
     * The arrangement, in the order of playing; nothing unless every note of the tune has its place.
     *
     * @param written the bars and the tune as they stand on paper, sounding
     */
    Optional<Written> finish(Song written, List<BarMarks> marks, int semitones) {
        try {
            Tuning open =
                    tuning.size() < Tuning.FEWEST_STRINGS ? Tuning.STANDARD : new Tuning(List.copyOf(tuning.values()));
            Instrument guitar = new Instrument(Guitar.STEEL, open, capo);
            boolean usable = !notes.isEmpty()
                    && notes.stream()
                            .allMatch(note -> note.string() <= open.strings() && guitar.has(note.string(), note.fret()))
                    && written.melody().stream().allMatch(tune -> hasPlace(guitar, tune, semitones));
            return usable ? Optional.of(new Written(open, capo, unfolded(written, marks))) : Optional.empty();
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    private boolean hasPlace(Instrument guitar, MelodyNote tune, int semitones) {
        return notes.stream()
                .anyMatch(note -> note.tick() == tune.tick()
                        && guitar.midi(note.string(), note.fret()) == tune.midi() + semitones);
    }

    private List<WrittenNote> unfolded(Song written, List<BarMarks> marks) {
        List<WrittenNote> played = new ArrayList<>();
        int start = 0;
        for (int index : PlayingOrder.of(marks)) {
            Bar bar = written.bars().get(index);
            for (WrittenNote note : notes) {
                if (bar.contains(note.tick())) {
                    played.add(new WrittenNote(note.tick() - bar.startTick() + start, note.string(), note.fret()));
                }
            }
            start += bar.lengthTicks();
        }
        return played;
    }
}
