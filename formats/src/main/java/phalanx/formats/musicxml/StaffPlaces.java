package phalanx.formats.musicxml;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import phalanx.arrange.Written;
import phalanx.arrange.WrittenNote;
import phalanx.arrange.demand.AttackLock;
import phalanx.formats.reading.DeadStrokes;
import phalanx.guitar.Guitar;
import phalanx.guitar.Instrument;
import phalanx.guitar.Tuning;
import phalanx.song.build.SongBuilder;
import phalanx.technique.HarmonicNode;
import phalanx.technique.Hit;
import phalanx.technique.HitKind;
import phalanx.theory.Pitch;

/** Collects the strings and frets that a part names, so that an arrangement is kept as it is written. */
final class StaffPlaces {
    private final TreeMap<Integer, Integer> tuning = new TreeMap<>();
    private final List<InBar> found = new ArrayList<>();
    private final List<HitInBar> hits = new ArrayList<>();
    private final List<DeadInBar> dead = new ArrayList<>();

    /** A note by its bar and its time in it. */
    private record InBar(int bar, int onset, int string, int fret, AttackLock.Way way) {}

    private record HitInBar(int bar, int onset, HitKind kind) {}

    private record DeadInBar(int bar, int onset, int string) {}

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
     * @param graced whether grace notes stand before it: what ends on it began with them
     */
    void readNote(XmlNode note, int bar, int onset, boolean graced) {
        for (XmlNode notations : note.children("notations")) {
            for (XmlNode technical : notations.children("technical")) {
                Optional<Integer> string = number(technical, "string");
                Optional<Integer> fret = number(technical, "fret");
                if (string.isPresent() && fret.isPresent() && string.get() > 0) {
                    AttackLock.Way read = way(notations, technical, fret.get());
                    boolean led = read.slurs() || read == AttackLock.Way.SHIFTED;
                    AttackLock.Way way = graced && led ? AttackLock.Way.PLUCKED : read;
                    int bent = way == AttackLock.Way.BENT ? bend(technical) : 0;
                    found.add(new InBar(bar, onset, string.get(), fret.get() + bent, way));
                }
            }
        }
    }

    /** Takes a hit. */
    void readHit(HitKind kind, int bar, int onset) {
        hits.add(new HitInBar(bar, onset, kind));
    }

    /** Takes a dead stroke; says whether it names its string. */
    boolean readDead(XmlNode note, int bar, int onset) {
        List<Integer> strings = note.children("notations").stream()
                .flatMap(notations -> notations.children("technical").stream())
                .flatMap(technical -> number(technical, "string").stream())
                .filter(string -> string > 0 && string <= Tuning.MOST_STRINGS)
                .toList();
        strings.forEach(string -> dead.add(new DeadInBar(bar, onset, string)));
        return !strings.isEmpty();
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
            // a digit plucks where the finger arrives
            return technical.children("pluck").isEmpty() ? AttackLock.Way.SLID : AttackLock.Way.SHIFTED;
        }
        boolean released = technical.children("bend").stream()
                .anyMatch(bend -> !bend.children("release").isEmpty());
        boolean slurred =
                released && ends(notations, "slur") || ends(technical, "hammer-on") || ends(technical, "pull-off");
        if (slurred) {
            return AttackLock.Way.SLURRED;
        }
        boolean curled = technical.children("bend").stream()
                .anyMatch(bend -> bend.text("bend-alter").filter("0.5"::equals).isPresent());
        if (curled) {
            return AttackLock.Way.CURLED;
        }
        // with a sign of a trill before it the line is one
        boolean wavers = notations.children("ornaments").stream()
                .anyMatch(ornaments -> ornaments.children("wavy-line").stream()
                                .anyMatch(line -> line.attribute("type").equals("start"))
                        && ornaments.children("trill-mark").isEmpty());
        return wavers ? AttackLock.Way.VIBRATO : AttackLock.Way.PLUCKED;
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

    /**
     * The arrangement, in the order of playing; nothing unless every note of the tune has its place.
     *
     * @param others parts that may have hits
     */
    Optional<Written> finish(SongBuilder.Built built, List<StaffPlaces> others, SongBuilder song) {
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
            TreeMap<Integer, Hit> beside = hitsOfDead(built, notes.keySet(), open.strings(), song);
            addHits(others, built, song, beside);
            if (!usable && !beside.isEmpty()) {
                song.report().say("", wording("StaffPlaces.hits-stay-with-notes-that", beside.size()));
            }
            return usable
                    ? Optional.of(new Written(
                            open,
                            capo,
                            built.inOrder(
                                    notes.values().stream()
                                            .flatMap(List::stream)
                                            .toList(),
                                    WrittenNote::tick,
                                    WrittenNote::at),
                            built.inOrder(List.copyOf(beside.values()), Hit::tick, Hit::at)))
                    : Optional.empty();
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    /** Adds the hits of all parts; some of them may go on after this one. */
    private static void addHits(
            List<StaffPlaces> parts, SongBuilder.Built built, SongBuilder song, TreeMap<Integer, Hit> hits) {
        int late = 0;
        for (StaffPlaces part : parts) {
            for (HitInBar hit : part.hits) {
                boolean inSong = hit.bar < built.starts().size();
                int tick = inSong ? built.starts().get(hit.bar) + hit.onset : 0;
                if (inSong && tick < built.written().endTick()) {
                    hits.put(tick, new Hit(tick, hit.kind));
                } else {
                    late++;
                }
            }
        }
        if (late > 0) {
            song.report().say("", wording("StaffPlaces.hits-after-the-last-bar", late));
        }
    }

    private TreeMap<Integer, Hit> hitsOfDead(
            SongBuilder.Built built, Set<Integer> plucked, int strings, SongBuilder song) {
        TreeMap<Integer, Integer> sets = new TreeMap<>();
        for (DeadInBar one : dead) {
            int tick = built.starts().get(one.bar) + one.onset;
            sets.merge(tick, 1 << one.string, (before, string) -> before | string);
        }
        TreeMap<Integer, Hit> found = new TreeMap<>();
        sets.forEach((tick, set) -> {
            HitKind kind = HitKind.ofDeadStrokes(set, plucked.contains(tick), strings);
            song.report().once("", DeadStrokes.words(kind));
            found.put(tick, new Hit(tick, kind));
        });
        return found;
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
