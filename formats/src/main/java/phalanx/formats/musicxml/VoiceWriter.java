package phalanx.formats.musicxml;

import jakarta.xml.bind.JAXBElement;
import java.math.BigDecimal;
import java.math.BigInteger;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.ToIntFunction;
import org.audiveris.proxymusic.Arpeggiate;
import org.audiveris.proxymusic.Backup;
import org.audiveris.proxymusic.Bend;
import org.audiveris.proxymusic.Empty;
import org.audiveris.proxymusic.EmptyPlacement;
import org.audiveris.proxymusic.Fingering;
import org.audiveris.proxymusic.Forward;
import org.audiveris.proxymusic.Fret;
import org.audiveris.proxymusic.Grace;
import org.audiveris.proxymusic.HammerOnPullOff;
import org.audiveris.proxymusic.Harmonic;
import org.audiveris.proxymusic.Lyric;
import org.audiveris.proxymusic.Notations;
import org.audiveris.proxymusic.Note;
import org.audiveris.proxymusic.NoteType;
import org.audiveris.proxymusic.Notehead;
import org.audiveris.proxymusic.NoteheadValue;
import org.audiveris.proxymusic.ObjectFactory;
import org.audiveris.proxymusic.Ornaments;
import org.audiveris.proxymusic.Pitch;
import org.audiveris.proxymusic.PlacementText;
import org.audiveris.proxymusic.Release;
import org.audiveris.proxymusic.Rest;
import org.audiveris.proxymusic.Slide;
import org.audiveris.proxymusic.Slur;
import org.audiveris.proxymusic.StartStop;
import org.audiveris.proxymusic.StartStopContinue;
import org.audiveris.proxymusic.Step;
import org.audiveris.proxymusic.Syllabic;
import org.audiveris.proxymusic.Technical;
import org.audiveris.proxymusic.TextElementData;
import org.audiveris.proxymusic.Tie;
import org.audiveris.proxymusic.Tied;
import org.audiveris.proxymusic.TiedType;
import org.audiveris.proxymusic.TimeModification;
import org.audiveris.proxymusic.WavyLine;
import org.audiveris.proxymusic.YesNo;
import phalanx.arrange.demand.Role;
import phalanx.arrange.notation.NoteValue;
import phalanx.arrange.notation.VoiceLine;
import phalanx.arrange.score.ArrangedNote;
import phalanx.song.Bar;
import phalanx.song.ChordChange;
import phalanx.song.Ticks;
import phalanx.technique.Attack;
import phalanx.technique.SlurKind;

/**
 * Writes the notes of one role, or of a tune, in one bar as one voice. Notes struck together are a chord; a note is written as long
 * as it rings or until the next of its voice begins, with {@code let-ring} when it rings on; lengths that no single
 * note value has are tied.
 */
final class VoiceWriter {
    static final int NOTES = 1;
    static final int TABLATURE = 2;
    private static final int ONLY = 0;
    private static final NoteValue GRACE = NoteValue.split(Ticks.QUARTER / 2).get(0);

    private final ObjectFactory factory = new ObjectFactory();
    private final Bar bar;
    private final int staff;
    private final HarmonyWriter harmonyWriter = new HarmonyWriter();

    private final Map<ArrangedNote, ArrangedNote> slurred;
    private final Set<ArrangedNote> shifted;
    private final Set<ArrangedNote> shiftedFrom;
    private final ToIntFunction<ArrangedNote> bends;
    private final Map<ArrangedNote, ArrangedNote> slurs = new HashMap<>();
    private String voice = "";
    private int at;
    private List<Object> content = List.of();
    private Iterator<ChordChange> harmonies = List.<ChordChange>of().iterator();
    private ChordChange nextHarmony;
    private GroupMarks grouping;

    /** For the only staff of a part. */
    VoiceWriter(Bar bar) {
        this(bar, ONLY, Map.of(), Map.of(), note -> 0);
    }

    /**
     * For one of the two staves of a guitar: notes and words, or tablature with strings, frets, fingers and digits.
     *
     * @param staff {@link #NOTES} or {@link #TABLATURE}
     * @param slurred each note that is slurred, and the one it is slurred from
     * @param shifted each note that is slid to and plucked, and the one from which the finger slides
     * @param bends by how many semitones a note is bent
     */
    VoiceWriter(
            Bar bar,
            int staff,
            Map<ArrangedNote, ArrangedNote> slurred,
            Map<ArrangedNote, ArrangedNote> shifted,
            ToIntFunction<ArrangedNote> bends) {
        this.bar = bar;
        this.bends = bends;
        this.staff = staff;
        this.slurred = slurred;
        slurred.forEach((note, from) -> slurs.put(from, note));
        this.shifted = shifted.keySet();
        this.shiftedFrom = Set.copyOf(shifted.values());
    }

    /**
     * A note as written: its pitch, where it was struck, from where to where it stands in this bar, whether it goes on
     * in the next, whether it rings on in silence of its voice, and how it is played, if that is known.
     */
    private record Written(
            phalanx.theory.Pitch pitch,
            int struck,
            int from,
            int to,
            boolean goesOn,
            boolean letRing,
            Optional<ArrangedNote> played,
            Optional<Lyric> lyric,
            List<phalanx.theory.Pitch> graces) {}

    /** Writes the notes of a voice; those of the melody first, the others going back to the beginning of the bar. */
    void write(VoiceLine line, Role role, String voiceName, Collection<ChordChange> chords, List<Object> out) {
        List<Written> notes = new ArrayList<>();
        for (VoiceLine.Sounding note : line.in(bar)) {
            int from = Math.max(note.tick(), bar.startTick());
            int to = Math.min(note.end(), bar.endTick());
            boolean goesOn = note.end() > bar.endTick();
            notes.add(new Written(
                    note.pitch(),
                    note.tick(),
                    from,
                    to,
                    goesOn,
                    !goesOn && note.rings(),
                    note.played(),
                    note.sung().map(VoiceWriter::lyric),
                    note.graces()));
        }
        if (!notes.isEmpty() || role == Role.MELODY) {
            write(notes, role, voiceName, chords, out);
        }
    }

    private void write(
            List<Written> notes, Role role, String voiceName, Collection<ChordChange> chords, List<Object> out) {
        voice = voiceName;
        content = out;
        harmonies = chords.iterator();
        nextHarmony = harmonies.hasNext() ? harmonies.next() : null;
        if (role != Role.MELODY || staff == TABLATURE) {
            Backup backup = new Backup();
            backup.setDuration(BigDecimal.valueOf(bar.lengthTicks()));
            out.add(backup);
        }
        at = bar.startTick();
        grouping = new GroupMarks(bar);
        for (int first = 0, next; first < notes.size(); first = next) {
            next = first + 1;
            while (next < notes.size()
                    && notes.get(next).from() == notes.get(first).from()) {
                next++;
            }
            silence(notes.get(first).from(), role);
            addNotes(notes.subList(first, next));
        }
        silence(bar.endTick(), role);
        grouping.mark();
    }

    private void silence(int until, Role role) {
        while (at < until) {
            addHarmonies();
            int to = nextHarmony == null ? until : Math.min(until, nextHarmony.startTick());
            if (role == Role.MELODY) {
                addRest(to - at);
            } else {
                Forward forward = new Forward();
                forward.setDuration(BigDecimal.valueOf(to - at));
                forward.setVoice(voice);
                if (staff != ONLY) {
                    forward.setStaff(BigInteger.valueOf(staff));
                }
                content.add(forward);
            }
            at = to;
        }
    }

    private void addRest(int ticks) {
        int onset = at;
        for (NoteValue value : NoteValue.split(ticks)) {
            Note rest = plain(value);
            rest.setRest(new Rest());
            content.add(rest);
            grouping.add(rest, onset, value, true);
            onset += value.ticks();
        }
    }

    /** Chord symbols stand before the note they begin with, so a held note is written in parts around them. */
    private void addNotes(List<Written> together) {
        Written written = together.get(0);
        while (at < written.to()) {
            addHarmonies();
            int to = nextHarmony == null ? written.to() : Math.min(written.to(), nextHarmony.startTick());
            for (NoteValue value : NoteValue.split(to - at)) {
                boolean first = at == written.struck();
                if (first) {
                    together.forEach(this::addGraces);
                }
                boolean last = at + value.ticks() == written.to() && !written.goesOn();
                for (Written one : together) {
                    Note note = note(one, value, !first, !last);
                    if (one != written) {
                        note.setChord(new Empty());
                    } else {
                        grouping.add(note, at, value, false);
                    }
                    content.add(note);
                }
                at += value.ticks();
            }
        }
    }

    /** Short notes before one, slurred to it; one alone has a stroke through its stem. */
    private void addGraces(Written written) {
        for (int i = 0; i < written.graces().size(); i++) {
            Note note = plain(GRACE);
            note.setDuration(null);
            Grace grace = new Grace();
            if (written.graces().size() == 1) {
                grace.setSlash(YesNo.YES);
            }
            note.setGrace(grace);
            note.setPitch(pitch(written.graces().get(i)));
            Notations notations = new Notations();
            if (written.played().isPresent()) {
                graceMarks(written.played().get(), i, notations);
            }
            if (!notations.getTiedOrSlurOrTuplet().isEmpty()) {
                note.getNotations().add(notations);
            }
            content.add(note);
        }
    }

    /**
     * What leads into one of a note's grace notes, or into itself, and what leads on from there.
     *
     * @param at which grace note, or their number for the note itself
     */
    private void graceMarks(ArrangedNote note, int at, Notations notations) {
        Attack.Graced graced = (Attack.Graced) note.attack();
        boolean last = at == graced.frets().size();
        if (staff != TABLATURE) {
            if (at == 0 || last) {
                Slur slur = new Slur();
                slur.setType(last ? StartStopContinue.STOP : StartStopContinue.START);
                slur.setNumber(note.string());
                notations.getTiedOrSlurOrTuplet().add(slur);
            }
            return;
        }
        Technical technical =
                last ? technicalOf(notations) : place(note, graced.frets().get(at));
        if (at > 0) {
            graceMark(note, graced.kind(at - 1, note.fret()), StartStop.STOP, technical, notations);
        }
        if (!last) {
            notations.getTiedOrSlurOrTuplet().add(technical);
            graceMark(note, graced.kind(at, note.fret()), StartStop.START, technical, notations);
        }
    }

    private static Technical technicalOf(Notations notations) {
        return notations.getTiedOrSlurOrTuplet().stream()
                .filter(Technical.class::isInstance)
                .map(Technical.class::cast)
                .findFirst()
                .orElseThrow();
    }

    private void graceMark(ArrangedNote note, SlurKind kind, StartStop type, Technical technical, Notations notations) {
        if (kind == SlurKind.SLIDE) {
            notations.getTiedOrSlurOrTuplet().add(slide(type, note.string()));
        } else {
            technical.getUpBowOrDownBowOrHarmonic().add(hammerOrPull(kind, type, note.string()));
        }
    }

    private void addHarmonies() {
        while (nextHarmony != null && nextHarmony.startTick() <= at) {
            content.add(harmonyWriter.write(nextHarmony));
            nextHarmony = harmonies.hasNext() ? harmonies.next() : null;
        }
    }

    private Note plain(NoteValue value) {
        Note note = new Note();
        note.setDuration(BigDecimal.valueOf(value.ticks()));
        note.setVoice(voice);
        if (staff != ONLY) {
            note.setStaff(BigInteger.valueOf(staff));
        }
        if (!value.type().isEmpty()) {
            NoteType type = new NoteType();
            type.setValue(value.type());
            note.setType(type);
            for (int dot = 0; dot < value.dots(); dot++) {
                note.getDot().add(new EmptyPlacement());
            }
        }
        if (value.actual() > 1) {
            TimeModification modification = new TimeModification();
            modification.setActualNotes(BigInteger.valueOf(value.actual()));
            modification.setNormalNotes(BigInteger.valueOf(value.normal()));
            note.setTimeModification(modification);
        }
        return note;
    }

    private Note note(Written written, NoteValue value, boolean tiedFrom, boolean tiedTo) {
        Note note = plain(value);
        note.setPitch(pitch(written.pitch()));
        Notations notations = new Notations();
        if (tiedFrom) {
            addTie(note, notations, StartStop.STOP, TiedType.STOP);
        }
        if (tiedTo) {
            addTie(note, notations, StartStop.START, TiedType.START);
        } else if (written.letRing()) {
            Tied tied = new Tied();
            tied.setType(TiedType.LET_RING);
            notations.getTiedOrSlurOrTuplet().add(tied);
        }
        if (!tiedFrom && staff != TABLATURE) {
            written.lyric().ifPresent(note.getLyric()::add);
        }
        boolean brushed = written.played()
                .filter(played -> played.attack() instanceof Attack.Brush || played.attack() instanceof Attack.Roll)
                .isPresent();
        if (brushed && !tiedFrom && staff != TABLATURE) {
            notations.getTiedOrSlurOrTuplet().add(new Arpeggiate());
        }
        if (staff == TABLATURE) {
            written.played()
                    .ifPresent(played -> notations.getTiedOrSlurOrTuplet().add(technical(played, tiedFrom)));
        }
        boolean touched = written.played()
                .filter(played -> played.attack() instanceof Attack.Touched)
                .isPresent();
        if (touched && staff != TABLATURE) {
            Notehead head = new Notehead();
            head.setValue(NoteheadValue.DIAMOND);
            note.setNotehead(head);
        }
        if (!tiedFrom
                && written.played()
                        .filter(played -> played.attack().equals(Attack.VIBRATO))
                        .isPresent()) {
            notations.getTiedOrSlurOrTuplet().add(vibrato());
        }
        if (!tiedFrom) {
            written.played().ifPresent(played -> addSlurs(played, notations));
            if (written.played().isPresent() && written.played().get().attack() instanceof Attack.Graced graced) {
                graceMarks(written.played().get(), graced.frets().size(), notations);
            }
        }
        if (!notations.getTiedOrSlurOrTuplet().isEmpty()) {
            note.getNotations().add(notations);
        }
        return note;
    }

    /** A wavy line over the one note. */
    private Ornaments vibrato() {
        Ornaments ornaments = new Ornaments();
        for (StartStopContinue type : List.of(StartStopContinue.START, StartStopContinue.STOP)) {
            WavyLine line = new WavyLine();
            line.setType(type);
            line.setNumber(1);
            ornaments.getTrillMarkOrTurnOrDelayedTurn().add(factory.createOrnamentsWavyLine(line));
        }
        return ornaments;
    }

    /** A slur over notes, and a line between where the finger slides. */
    private void addSlurs(ArrangedNote note, Notations notations) {
        if (slurred.containsKey(note)) {
            addSlurs(note, StartStopContinue.STOP, StartStop.STOP, notations);
        }
        if (slurs.containsKey(note)) {
            addSlurs(slurs.get(note), StartStopContinue.START, StartStop.START, notations);
        }
        if (shifted.contains(note)) {
            notations.getTiedOrSlurOrTuplet().add(slide(StartStop.STOP, note.string()));
        }
        if (shiftedFrom.contains(note)) {
            notations.getTiedOrSlurOrTuplet().add(slide(StartStop.START, note.string()));
        }
    }

    private void addSlurs(ArrangedNote note, StartStopContinue bow, StartStop line, Notations notations) {
        // a bend has no end of its own: its slur says from where it comes; the numbers keep slurs of several strings
        // apart
        if (staff != TABLATURE
                || note.attack().equals(Attack.BEND)
                || note.attack().equals(Attack.RELEASE)) {
            Slur slur = new Slur();
            slur.setType(bow);
            slur.setNumber(note.string());
            notations.getTiedOrSlurOrTuplet().add(slur);
        }
        if (note.attack() instanceof Attack.Slur own && own.kind() == SlurKind.SLIDE) {
            notations.getTiedOrSlurOrTuplet().add(slide(line, note.string()));
        }
    }

    private static Slide slide(StartStop type, int string) {
        Slide slide = new Slide();
        slide.setType(type);
        slide.setNumber(string);
        return slide;
    }

    private void addSlur(ArrangedNote note, StartStop type, List<JAXBElement<?>> marks) {
        if (note.attack() instanceof Attack.Slur own
                && (own.kind() == SlurKind.HAMMER || own.kind() == SlurKind.PULL)) {
            marks.add(hammerOrPull(own.kind(), type, note.string()));
        }
    }

    private JAXBElement<HammerOnPullOff> hammerOrPull(SlurKind kind, StartStop type, int string) {
        HammerOnPullOff mark = new HammerOnPullOff();
        mark.setType(type);
        mark.setNumber(string);
        boolean hammer = kind == SlurKind.HAMMER;
        mark.setValue(type == StartStop.STOP ? "" : hammer ? "H" : "P");
        return hammer ? factory.createTechnicalHammerOn(mark) : factory.createTechnicalPullOff(mark);
    }

    private static Lyric lyric(VoiceLine.Sung sung) {
        Syllabic syllabic = sung.joined()
                ? (sung.goesOn() ? Syllabic.MIDDLE : Syllabic.END)
                : sung.goesOn() ? Syllabic.BEGIN : Syllabic.SINGLE;
        TextElementData text = new TextElementData();
        text.setValue(sung.text());
        Lyric lyric = new Lyric();
        lyric.setNumber("1");
        lyric.getElisionAndSyllabicAndText().add(syllabic);
        lyric.getElisionAndSyllabicAndText().add(text);
        return lyric;
    }

    private static void addTie(Note note, Notations notations, StartStop type, TiedType tiedType) {
        Tie tie = new Tie();
        tie.setType(type);
        note.getTie().add(tie);
        Tied tied = new Tied();
        tied.setType(tiedType);
        notations.getTiedOrSlurOrTuplet().add(tied);
    }

    private Technical place(ArrangedNote note, int at) {
        Technical technical = new Technical();
        var marks = technical.getUpBowOrDownBowOrHarmonic();
        org.audiveris.proxymusic.String string = new org.audiveris.proxymusic.String();
        string.setValue(BigInteger.valueOf(note.string()));
        marks.add(factory.createTechnicalString(string));
        Fret fret = new Fret();
        fret.setValue(BigInteger.valueOf(at));
        marks.add(factory.createTechnicalFret(fret));
        return technical;
    }

    private Technical technical(ArrangedNote note, boolean continued) {
        Technical technical = place(note, note.writtenFret());
        var marks = technical.getUpBowOrDownBowOrHarmonic();
        if (!continued) {
            note.left().ifPresent(finger -> {
                Fingering fingering = new Fingering();
                fingering.setValue(finger.symbol());
                marks.add(factory.createTechnicalFingering(fingering));
            });
            if (note.attack().plucked()) {
                PlacementText pluck = new PlacementText();
                pluck.setValue(note.right().symbol());
                marks.add(factory.createTechnicalPluck(pluck));
            }
            if (note.attack().equals(Attack.BEND)) {
                Bend bend = new Bend();
                bend.setBendAlter(BigDecimal.valueOf(bends.applyAsInt(note)));
                marks.add(factory.createTechnicalBend(bend));
            }
            if (note.attack().equals(Attack.CURL)) {
                Bend bend = new Bend();
                bend.setBendAlter(new BigDecimal("0.5"));
                marks.add(factory.createTechnicalBend(bend));
            }
            if (note.attack().equals(Attack.RELEASE)) {
                // MusicXML 4.0: the steps of a release are negative
                Bend bend = new Bend();
                bend.setBendAlter(
                        BigDecimal.valueOf(note.midi() - slurred.get(note).midi()));
                Release release = new Release();
                bend.setRelease(release);
                marks.add(factory.createTechnicalBend(bend));
            }
            if (note.attack() instanceof Attack.Touched) {
                Harmonic harmonic = new Harmonic();
                if (note.fret() > 0) {
                    harmonic.setArtificial(new Empty());
                } else {
                    harmonic.setNatural(new Empty());
                }
                harmonic.setSoundingPitch(new Empty());
                marks.add(factory.createTechnicalHarmonic(harmonic));
            }
            if (slurred.containsKey(note)) {
                addSlur(note, StartStop.STOP, marks);
            }
            if (slurs.containsKey(note)) {
                addSlur(slurs.get(note), StartStop.START, marks);
            }
            if (note.attack().equals(Attack.SNAP)) {
                marks.add(factory.createTechnicalSnapPizzicato(new EmptyPlacement()));
            }
            if (note.attack() instanceof Attack.Brush brush && brush.nails()) {
                marks.add(factory.createTechnicalFingernails(new EmptyPlacement()));
            }
            if (note.attack().equals(Attack.UPSTROKE)) {
                marks.add(factory.createTechnicalUpBow(new EmptyPlacement()));
            }
        }
        return technical;
    }

    private static Pitch pitch(phalanx.theory.Pitch spelled) {
        Pitch pitch = new Pitch();
        pitch.setStep(Step.fromValue(spelled.note().step().name()));
        if (spelled.note().alter() != 0) {
            pitch.setAlter(BigDecimal.valueOf(spelled.note().alter()));
        }
        pitch.setOctave(spelled.octave());
        return pitch;
    }
}
