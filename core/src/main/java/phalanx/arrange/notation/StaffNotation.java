package phalanx.arrange.notation;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import phalanx.arrange.demand.Role;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.song.Bar;
import phalanx.technique.Attack;
import phalanx.theory.Key;
import phalanx.theory.Note;
import phalanx.theory.Pitch;
import phalanx.theory.Step;

/**
 * An arrangement on one staff as guitarists read it: a treble clef that sounds an octave lower, each role a voice of its
 * own. Rests stand in the tune alone; the other voices are silent where they have nothing.
 */
public final class StaffNotation {
    private static final int STEPS = Step.values().length;

    /** The lowest line is written E4 and sounds E3. */
    private static final int LOWEST_LINE = index(Pitch.parse("E3"));

    private StaffNotation() {}

    /** A sign before a note head. */
    public enum Accidental {
        DOUBLE_FLAT,
        FLAT,
        NATURAL,
        SHARP,
        DOUBLE_SHARP;

        static Accidental of(int alter) {
            return values()[alter + 2];
        }

        /** By how many semitones it alters. */
        public int alter() {
            return ordinal() - 2;
        }
    }

    /**
     * A note head.
     *
     * @param pitch that sounds
     * @param place in steps above the lowest line: 0 on it, 1 in the space above
     * @param sign before it, where key and bar do not say it already
     * @param tiedFrom whether it goes on from the value before
     * @param tiedTo whether it goes on in the next
     * @param played the note it stands for
     * @param before grace notes, in order
     */
    public record Head(
            Pitch pitch,
            int place,
            Optional<Accidental> sign,
            boolean tiedFrom,
            boolean tiedTo,
            ArrangedNote played,
            List<Small> before) {
        public Head {
            before = List.copyOf(before);
            Objects.requireNonNull(pitch, "pitch");
            Objects.requireNonNull(sign, "sign");
            Objects.requireNonNull(played, "played");
        }

        /** Whether it is a harmonic, with a diamond for a head. */
        public boolean isHarmonic() {
            return played.attack() instanceof Attack.Touched;
        }
    }

    /**
     * A grace note before a head.
     *
     * @param place as of a head
     * @param sign that stands before it
     */
    public record Small(Pitch pitch, int place, Optional<Accidental> sign) {}

    /**
     * What is struck together, or a rest.
     *
     * @param value when and how long
     * @param heads from the lowest; none for a rest
     */
    public record Struck(Grouping.Value value, List<Head> heads) {
        public Struck {
            heads = List.copyOf(heads);
        }
    }

    /**
     * A voice in a bar.
     *
     * @param role whose notes
     * @param struck in order of time
     * @param beams over which of them
     * @param tuplets over which of them
     */
    public record Voice(Role role, List<Struck> struck, List<Grouping.Run> beams, List<Grouping.Run> tuplets) {
        public Voice {
            struck = List.copyOf(struck);
            beams = List.copyOf(beams);
            tuplets = List.copyOf(tuplets);
        }
    }

    /** The voices of each bar, those that have something in it; tune, bass, inner. */
    public static List<List<Voice>> of(Arrangement arrangement) {
        boolean tune = arrangement.notes().stream().anyMatch(note -> note.role() == Role.MELODY);
        Map<Role, VoiceLine> lines = new EnumMap<>(Role.class);
        for (Role role : Role.values()) {
            lines.put(role, VoiceLine.of(arrangement, role));
        }
        List<List<Voice>> bars = new ArrayList<>();
        for (Bar bar : arrangement.song().bars()) {
            Writer writer = new Writer(bar);
            for (Role role : List.of(Role.MELODY, Role.BASS, Role.INNER)) {
                writer.add(role, lines.get(role).in(bar), tune && role == Role.MELODY);
            }
            bars.add(writer.voices(arrangement.song().key()));
        }
        return bars;
    }

    /** How much the signature alters each step. */
    public static Map<Step, Integer> signature(Key key) {
        Map<Step, Integer> alters = new EnumMap<>(Step.class);
        for (Note note : key.scale()) {
            alters.put(note.step(), note.alter());
        }
        return alters;
    }

    private static int index(Pitch pitch) {
        return pitch.octave() * STEPS + pitch.note().step().ordinal();
    }

    /** The voices of one bar in the making. */
    private static final class Writer {
        private final Bar bar;
        private final List<RawVoice> raw = new ArrayList<>();

        Writer(Bar bar) {
            this.bar = bar;
        }

        private record RawVoice(Role role, List<Struck> struck) {}

        void add(Role role, List<VoiceLine.Sounding> notes, boolean rests) {
            List<Struck> struck = new ArrayList<>();
            int at = bar.startTick();
            for (int first = 0, next; first < notes.size(); first = next) {
                next = first + 1;
                while (next < notes.size()
                        && notes.get(next).tick() == notes.get(first).tick()) {
                    next++;
                }
                List<VoiceLine.Sounding> together = notes.subList(first, next);
                int from = Math.max(bar.startTick(), together.get(0).tick());
                if (rests) {
                    rest(at, from, struck);
                }
                at = strike(together, from, struck);
            }
            if (rests) {
                rest(at, bar.endTick(), struck);
            }
            if (!struck.isEmpty()) {
                raw.add(new RawVoice(role, struck));
            }
        }

        private void rest(int from, int to, List<Struck> struck) {
            int at = from;
            for (NoteValue value : from < to ? NoteValue.silence(bar, from, to) : List.<NoteValue>of()) {
                struck.add(new Struck(new Grouping.Value(at, value, true), List.of()));
                at += value.ticks();
            }
        }

        private int strike(List<VoiceLine.Sounding> together, int from, List<Struck> struck) {
            VoiceLine.Sounding one = together.get(0);
            int to = Math.min(one.end(), bar.endTick());
            int at = from;
            for (NoteValue value : NoteValue.split(to - from)) {
                boolean before = at > one.tick();
                boolean after = at + value.ticks() < one.end();
                List<Head> heads = together.stream()
                        .map(note -> new Head(
                                note.pitch(),
                                index(note.pitch()) - LOWEST_LINE,
                                Optional.empty(),
                                before,
                                after,
                                note.played().orElseThrow(),
                                before ? List.of() : small(note.graces())))
                        .sorted(Comparator.comparingInt(Head::place))
                        .toList();
                struck.add(new Struck(new Grouping.Value(at, value, false), heads));
                at += value.ticks();
            }
            return to;
        }

        private static List<Small> small(List<Pitch> graces) {
            return graces.stream()
                    .map(pitch -> new Small(pitch, index(pitch) - LOWEST_LINE, Optional.empty()))
                    .toList();
        }

        List<Voice> voices(Key key) {
            Map<Step, Integer> signature = signature(key);
            Map<Integer, Integer> now = new HashMap<>();
            Map<Role, List<Struck>> signed = new EnumMap<>(Role.class);
            record Entry(Role role, Struck struck) {}
            List<Entry> inTime = new ArrayList<>();
            raw.forEach(voice -> voice.struck.forEach(struck -> inTime.add(new Entry(voice.role, struck))));
            inTime.sort(Comparator.comparingInt(entry -> entry.struck.value().onset()));
            for (Entry entry : inTime) {
                List<Head> heads = new ArrayList<>();
                for (Head head : entry.struck.heads()) {
                    List<Small> before = head.before.stream()
                            .map(one -> new Small(one.pitch, one.place, sign(one.pitch, one.place, signature, now)))
                            .toList();
                    // what is tied over the bar line needs no sign and says nothing to the next note
                    Optional<Accidental> sign =
                            head.tiedFrom ? Optional.empty() : sign(head.pitch, head.place, signature, now);
                    heads.add(new Head(head.pitch, head.place, sign, head.tiedFrom, head.tiedTo, head.played, before));
                }
                signed.computeIfAbsent(entry.role, role -> new ArrayList<>())
                        .add(new Struck(entry.struck.value(), heads));
            }
            return inBar(signed);
        }

        /** The sign that a note needs after what stands already at its place, which it changes. */
        private static Optional<Accidental> sign(
                Pitch pitch, int place, Map<Step, Integer> signature, Map<Integer, Integer> now) {
            int alter = pitch.note().alter();
            if (now.getOrDefault(place, signature.get(pitch.note().step())) == alter) {
                return Optional.empty();
            }
            now.put(place, alter);
            return Optional.of(Accidental.of(alter));
        }

        private List<Voice> inBar(Map<Role, List<Struck>> signed) {
            return raw.stream()
                    .map(voice -> {
                        List<Struck> struck = signed.get(voice.role);
                        Grouping grouping = new Grouping(
                                bar, struck.stream().map(Struck::value).toList());
                        return new Voice(voice.role, struck, grouping.beams(), grouping.tuplets());
                    })
                    .toList();
        }
    }
}
