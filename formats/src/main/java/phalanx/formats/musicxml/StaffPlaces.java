package phalanx.formats.musicxml;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import phalanx.arrange.Written;
import phalanx.arrange.WrittenNote;
import phalanx.arrange.demand.AttackLock;
import phalanx.guitar.Guitar;
import phalanx.guitar.Instrument;
import phalanx.guitar.Tuning;
import phalanx.song.build.SongBuilder;
import phalanx.technique.HarmonicNode;
import phalanx.theory.Pitch;

/** Collects the strings and frets that a part names, so that an arrangement is kept as it is written. */
final class StaffPlaces {
    private final TreeMap<Integer, Integer> tuning = new TreeMap<>();
    private final List<InBar> found = new ArrayList<>();

    /** A note by its bar and its time in it. */
    private record InBar(int bar, int onset, int string, int fret, AttackLock.Way way) {}

    private int capo;

    /** Takes tuning and capo from a staff's details. */
    void readDetails(XmlNode attributes) {
        for (XmlNode details : attributes.children("staff-details")) {
            for (XmlNode line : details.children("staff-tuning")) {
                readTuning(line);
            }
            details.text("capo")
                    .filter(text -> text.matches("\\d{1,2}"))
                    .ifPresent(text -> capo = Integer.parseInt(text));
        }
    }

    private void readTuning(XmlNode line) {
        try {
            String alter = line.text("tuning-alter").map(StaffPlaces::sign).orElse("");
            String name = line.text("tuning-step").orElse("")
                    + alter
                    + line.text("tuning-octave").orElse("");
            tuning.put(
                    Integer.parseInt(line.attribute("line")), Pitch.parse(name).midi());
        } catch (IllegalArgumentException e) {
            // a tuning that is not understood is as good as none
            tuning.clear();
        }
    }

    private static String sign(String alter) {
        return alter.startsWith("-") ? "b" : alter.equals("0") ? "" : "#";
    }

    /**
     * Takes a note that is plucked, if it says where.
     *
     * @param bar which, from 0
     * @param onset ticks since the bar began
     */
    void readNote(XmlNode note, int bar, int onset) {
        for (XmlNode notations : note.children("notations")) {
            for (XmlNode technical : notations.children("technical")) {
                Optional<Integer> string = number(technical, "string");
                Optional<Integer> fret = number(technical, "fret");
                if (string.isPresent() && fret.isPresent() && string.get() > 0) {
                    AttackLock.Way way = way(notations, technical, fret.get());
                    int bent = way == AttackLock.Way.BENT ? bend(technical) : 0;
                    found.add(new InBar(bar, onset, string.get(), fret.get() + bent, way));
                }
            }
        }
    }

    private static AttackLock.Way way(XmlNode notations, XmlNode technical, int fret) {
        boolean natural = technical.children("harmonic").stream()
                .anyMatch(harmonic -> !harmonic.children("natural").isEmpty());
        if (natural && HarmonicNode.over(fret).isPresent()) {
            return AttackLock.Way.HARMONIC;
        }
        if (bend(technical) > 0 && ends(notations, "slur")) {
            return AttackLock.Way.BENT;
        }
        if (ends(notations, "slide")) {
            return AttackLock.Way.SLID;
        }
        boolean slurred = ends(technical, "hammer-on") || ends(technical, "pull-off");
        return slurred ? AttackLock.Way.SLURRED : AttackLock.Way.PLUCKED;
    }

    /** Semitones up to which a note is bent from the one before; 0 for none. */
    private static int bend(XmlNode technical) {
        return technical.children("bend").stream()
                .flatMap(bend -> bend.text("bend-alter").stream())
                .filter(alter -> alter.matches("[12]"))
                .mapToInt(Integer::parseInt)
                .findFirst()
                .orElse(0);
    }

    private static boolean ends(XmlNode marks, String name) {
        return marks.children(name).stream()
                .anyMatch(mark -> mark.attribute("type").equals("stop"));
    }

    private static Optional<Integer> number(XmlNode technical, String name) {
        return technical.text(name).filter(text -> text.matches("\\d{1,2}")).map(Integer::parseInt);
    }

    /** The arrangement, in the order of playing; nothing unless every note of the tune has its place. */
    Optional<Written> finish(SongBuilder.Built built) {
        try {
            Tuning open =
                    tuning.size() < Tuning.FEWEST_STRINGS ? Tuning.STANDARD : new Tuning(List.copyOf(tuning.values()));
            Instrument guitar = new Instrument(Guitar.STEEL, open, capo);
            TreeMap<Integer, List<WrittenNote>> notes = placed(built);
            boolean usable = !notes.isEmpty()
                    && notes.values().stream()
                            .flatMap(List::stream)
                            .allMatch(note -> note.string() <= open.strings() && guitar.has(note.string(), note.fret()))
                    && built.written().melody().stream()
                            .allMatch(tune -> notes.getOrDefault(tune.tick(), List.of()).stream()
                                    .anyMatch(note -> note.midi(guitar) == tune.midi()));
            return usable
                    ? Optional.of(new Written(
                            open,
                            capo,
                            built.inOrder(
                                    notes.values().stream()
                                            .flatMap(List::stream)
                                            .toList(),
                                    WrittenNote::tick,
                                    WrittenNote::at)))
                    : Optional.empty();
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    private TreeMap<Integer, List<WrittenNote>> placed(SongBuilder.Built built) {
        TreeMap<Integer, List<WrittenNote>> notes = new TreeMap<>();
        for (InBar one : found) {
            int tick = built.starts().get(one.bar) + one.onset;
            List<WrittenNote> there = notes.computeIfAbsent(tick, at -> new ArrayList<>());
            if (there.stream().noneMatch(note -> note.string() == one.string)) {
                there.add(new WrittenNote(tick, one.string, one.fret, one.way));
            }
        }
        return notes;
    }
}
