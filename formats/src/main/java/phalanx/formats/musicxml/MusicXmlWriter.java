package phalanx.formats.musicxml;

import java.io.ByteArrayOutputStream;
import java.math.BigDecimal;
import java.math.BigInteger;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.ToIntFunction;
import org.audiveris.proxymusic.Attributes;
import org.audiveris.proxymusic.Clef;
import org.audiveris.proxymusic.ClefSign;
import org.audiveris.proxymusic.Direction;
import org.audiveris.proxymusic.DirectionType;
import org.audiveris.proxymusic.Encoding;
import org.audiveris.proxymusic.FormattedTextId;
import org.audiveris.proxymusic.Identification;
import org.audiveris.proxymusic.Key;
import org.audiveris.proxymusic.Metronome;
import org.audiveris.proxymusic.ObjectFactory;
import org.audiveris.proxymusic.PartList;
import org.audiveris.proxymusic.PartName;
import org.audiveris.proxymusic.PerMinute;
import org.audiveris.proxymusic.ScorePart;
import org.audiveris.proxymusic.ScorePartwise;
import org.audiveris.proxymusic.Sound;
import org.audiveris.proxymusic.StaffDetails;
import org.audiveris.proxymusic.StaffTuning;
import org.audiveris.proxymusic.Step;
import org.audiveris.proxymusic.Time;
import org.audiveris.proxymusic.Work;
import org.audiveris.proxymusic.YesNo;
import org.audiveris.proxymusic.util.Marshalling;
import phalanx.arrange.demand.Role;
import phalanx.arrange.demand.TuneUse;
import phalanx.arrange.notation.VoiceLine;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.guitar.Tuning;
import phalanx.song.Bar;
import phalanx.song.ChordChange;
import phalanx.song.Section;
import phalanx.song.Song;
import phalanx.song.Ticks;
import phalanx.song.TuneEdit;
import phalanx.theory.Pitch;

/**
 * Writes an arrangement as MusicXML 4.0: one guitar part on a staff of notes, melody, bass and inner notes in voices 1
 * to 3, and the same on one of tablature in voices 5 to 7, with string, fret, left-hand finger, right-hand digit, brushes and chord symbols; hits in a part of their own.
 * Pitches are as they sound.
 */
public final class MusicXmlWriter {
    private static final String VERSION_WRITTEN = "version=\"4.0.3\"";
    private static final String VERSION_MEANT = "version=\"4.0\"";

    /** Its own files have the tune in voice 1, or none. */
    static final String SOFTWARE = "Phalanx";

    /** The part of an own bass. */
    static final String BASS = "Bass";

    private final ObjectFactory factory = new ObjectFactory();

    /** A whole file in UTF-8. */
    public byte[] write(Arrangement arrangement) {
        VoiceLine melody = VoiceLine.of(arrangement, Role.MELODY);
        VoiceLine bass = VoiceLine.of(arrangement, Role.BASS);
        VoiceLine inner = VoiceLine.of(arrangement, Role.INNER);
        TreeMap<Integer, ChordChange> chords = chords(arrangement.song());
        Map<ArrangedNote, ArrangedNote> slurred = arrangement.slurred();
        Map<ArrangedNote, ArrangedNote> shifted = arrangement.shifted();
        ToIntFunction<ArrangedNote> bends =
                note -> note.bentBy(arrangement.request().instrument());
        Staff guitar = new Staff("Guitar", tablature(arrangement), (bar, content) -> {
            VoiceWriter notes = new VoiceWriter(bar, VoiceWriter.NOTES, slurred, shifted, bends);
            notes.write(melody, Role.MELODY, "1", in(bar, chords), content);
            notes.write(bass, Role.BASS, "2", List.of(), content);
            notes.write(inner, Role.INNER, "3", List.of(), content);
            VoiceWriter tablature = new VoiceWriter(bar, VoiceWriter.TABLATURE, slurred, shifted, bends);
            tablature.write(melody, Role.MELODY, "5", List.of(), content);
            tablature.write(bass, Role.BASS, "6", List.of(), content);
            tablature.write(inner, Role.INNER, "7", List.of(), content);
        });
        List<Staff> staves = new ArrayList<>();
        if (arrangement.request().tune() == TuneUse.SUNG) {
            staves.add(lead("Voice", arrangement.song()));
        }
        staves.add(guitar);
        if (!arrangement.hits().isEmpty()) {
            Attributes percussion = new Attributes();
            Clef clef = new Clef();
            clef.setSign(ClefSign.PERCUSSION);
            percussion.getClef().add(clef);
            staves.add(new Staff("Hits", percussion, new HitWriter(arrangement)::write));
        }
        return bytes(score(arrangement.song(), staves));
    }

    /** The same of a song alone: a lead sheet of melody and chord symbols on a treble staff, an own bass on another. */
    public byte[] writeLeadSheet(Song song) {
        List<Staff> staves = new ArrayList<>(List.of(lead("Melody", song)));
        if (!song.bass().isEmpty()) {
            Song bass = TuneEdit.bassAsTune(song).withChart(List.of());
            staves.add(line(BASS, ClefSign.F, 4, bass));
        }
        return bytes(score(song, staves));
    }

    /** Melody, words and chord symbols on a treble staff. */
    private static Staff lead(String name, Song song) {
        return line(name, ClefSign.G, 2, song);
    }

    private static Staff line(String name, ClefSign sign, int staffLine, Song song) {
        Attributes staff = new Attributes();
        Clef clef = new Clef();
        clef.setSign(sign);
        clef.setLine(BigInteger.valueOf(staffLine));
        staff.getClef().add(clef);
        VoiceLine tune = VoiceLine.of(song);
        TreeMap<Integer, ChordChange> chords = chords(song);
        return new Staff(name, staff, (bar, content) -> new VoiceWriter(bar)
                .write(tune, Role.MELODY, "1", in(bar, chords), content));
    }

    /** A part with one staff. */
    private record Staff(String name, Attributes attributes, Voices voices) {}

    /** Writes the notes of a bar. */
    private interface Voices {
        void write(Bar bar, List<Object> content);
    }

    private static byte[] bytes(ScorePartwise score) {
        try {
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            Marshalling.marshal(score, out, false, 2);
            // without the DOCTYPE no reader goes looking for it on the network
            String text = out.toString(StandardCharsets.UTF_8)
                    .replaceFirst(VERSION_WRITTEN, VERSION_MEANT)
                    .replaceFirst("<!DOCTYPE[^>]*>\\s*", "");
            return text.getBytes(StandardCharsets.UTF_8);
        } catch (Marshalling.MarshallingException e) {
            throw new IllegalStateException(e);
        }
    }

    private ScorePartwise score(Song song, List<Staff> staves) {
        ScorePartwise score = factory.createScorePartwise();
        Work work = new Work();
        work.setWorkTitle(song.title());
        score.setWork(work);
        Encoding encoding = new Encoding();
        encoding.getEncodingDateOrEncoderOrSoftware().add(factory.createEncodingSoftware(SOFTWARE));
        Identification identification = new Identification();
        identification.setEncoding(encoding);
        score.setIdentification(identification);
        PartList list = new PartList();
        score.setPartList(list);
        for (Staff staff : staves) {
            addPart(song, staff, list, score);
        }
        return score;
    }

    private void addPart(Song song, Staff staff, PartList list, ScorePartwise score) {
        PartName name = new PartName();
        name.setValue(staff.name);
        ScorePart scorePart = new ScorePart();
        scorePart.setId("P" + (score.getPart().size() + 1));
        scorePart.setPartName(name);
        list.getPartGroupOrScorePart().add(scorePart);
        ScorePartwise.Part part = factory.createScorePartwisePart();
        part.setId(scorePart);
        score.getPart().add(part);
        Bar before = null;
        for (Bar bar : song.bars()) {
            ScorePartwise.Part.Measure measure = measure(song, bar, before, staff.attributes);
            staff.voices.write(bar, measure.getNoteOrBackupOrForward());
            part.getMeasure().add(measure);
            before = bar;
        }
    }

    private ScorePartwise.Part.Measure measure(Song song, Bar bar, Bar before, Attributes staff) {
        ScorePartwise.Part.Measure measure = factory.createScorePartwisePartMeasure();
        measure.setNumber(String.valueOf(bar.number()));
        if (bar.lengthTicks() != bar.meter().barTicks()) {
            measure.setImplicit(YesNo.YES);
        }
        List<Object> content = measure.getNoteOrBackupOrForward();
        if (before == null) {
            content.add(firstAttributes(song, bar, staff));
            content.add(tempo(song));
        } else if (!bar.meter().equals(before.meter())) {
            Attributes attributes = new Attributes();
            attributes.getTime().add(time(bar));
            content.add(attributes);
        }
        addSections(song, bar, content);
        return measure;
    }

    private static TreeMap<Integer, ChordChange> chords(Song song) {
        TreeMap<Integer, ChordChange> chords = new TreeMap<>();
        song.chart().forEach(change -> chords.put(change.startTick(), change));
        return chords;
    }

    private static Collection<ChordChange> in(Bar bar, TreeMap<Integer, ChordChange> chords) {
        return chords.subMap(bar.startTick(), bar.endTick()).values();
    }

    private static void addSections(Song song, Bar bar, List<Object> content) {
        for (Section section : song.sections()) {
            if (bar.contains(section.startTick())) {
                FormattedTextId text = new FormattedTextId();
                text.setValue(section.name());
                DirectionType type = new DirectionType();
                type.getRehearsal().add(text);
                Direction direction = new Direction();
                direction.getDirectionType().add(type);
                content.add(direction);
            }
        }
    }

    private Attributes firstAttributes(Song song, Bar bar, Attributes attributes) {
        attributes.setDivisions(BigDecimal.valueOf(Ticks.QUARTER));
        Key key = new Key();
        key.setFifths(BigInteger.valueOf(song.key().fifths()));
        key.setMode(song.key().mode().name().toLowerCase(Locale.ROOT));
        attributes.getKey().add(key);
        attributes.getTime().add(time(bar));
        return attributes;
    }

    private static Attributes tablature(Arrangement arrangement) {
        Attributes attributes = new Attributes();
        attributes.setStaves(BigInteger.TWO);
        Clef notes = new Clef();
        notes.setNumber(BigInteger.ONE);
        notes.setSign(ClefSign.G);
        notes.setLine(BigInteger.TWO);
        // a guitar sounds an octave lower than it is written
        notes.setClefOctaveChange(BigInteger.ONE.negate());
        attributes.getClef().add(notes);
        Clef clef = new Clef();
        clef.setNumber(BigInteger.TWO);
        clef.setSign(ClefSign.TAB);
        clef.setLine(BigInteger.valueOf(5));
        attributes.getClef().add(clef);
        StaffDetails details = staff(arrangement);
        details.setNumber(BigInteger.TWO);
        attributes.getStaffDetails().add(details);
        return attributes;
    }

    private Time time(Bar bar) {
        Time time = new Time();
        time.getTimeSignature()
                .add(factory.createTimeBeats(String.valueOf(bar.meter().beats())));
        time.getTimeSignature()
                .add(factory.createTimeBeatType(String.valueOf(bar.meter().unit())));
        return time;
    }

    private static StaffDetails staff(Arrangement arrangement) {
        Tuning tuning = arrangement.request().instrument().tuning();
        StaffDetails details = new StaffDetails();
        details.setStaffLines(BigInteger.valueOf(tuning.strings()));
        for (int line = 1; line <= tuning.strings(); line++) {
            Pitch open = Pitch.of(tuning.open().get(line - 1), phalanx.theory.Key.C_MAJOR);
            StaffTuning staffTuning = new StaffTuning();
            staffTuning.setLine(BigInteger.valueOf(line));
            staffTuning.setTuningStep(Step.fromValue(open.note().step().name()));
            if (open.note().alter() != 0) {
                staffTuning.setTuningAlter(BigDecimal.valueOf(open.note().alter()));
            }
            staffTuning.setTuningOctave(open.octave());
            details.getStaffTuning().add(staffTuning);
        }
        if (arrangement.request().instrument().capo() > 0) {
            details.setCapo(
                    BigInteger.valueOf(arrangement.request().instrument().capo()));
        }
        return details;
    }

    private static Direction tempo(Song song) {
        PerMinute perMinute = new PerMinute();
        perMinute.setValue(String.valueOf(song.tempo()));
        Metronome metronome = new Metronome();
        metronome.setBeatUnit("quarter");
        metronome.setPerMinute(perMinute);
        DirectionType type = new DirectionType();
        type.setMetronome(metronome);
        Sound sound = new Sound();
        sound.setTempo(BigDecimal.valueOf(song.tempo()));
        Direction direction = new Direction();
        direction.getDirectionType().add(type);
        direction.setSound(sound);
        return direction;
    }
}
