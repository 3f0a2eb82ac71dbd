package phalanx.formats;

import static org.assertj.core.api.Assertions.assertThat;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.ByteArrayInputStream;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import javax.sound.midi.MidiSystem;
import javax.sound.midi.ShortMessage;
import javax.sound.midi.Track;
import javax.xml.transform.stream.StreamSource;
import org.junit.jupiter.api.Test;
import phalanx.arrange.Arranger;
import phalanx.arrange.Transcriber;
import phalanx.arrange.demand.AttackLock;
import phalanx.arrange.demand.Octave;
import phalanx.arrange.demand.Role;
import phalanx.arrange.demand.Wishes;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.formats.abc.AbcReader;
import phalanx.formats.abc.AbcWriter;
import phalanx.formats.events.EventsJson;
import phalanx.formats.midi.MidiWriter;
import phalanx.formats.musicxml.MusicXmlReader;
import phalanx.formats.musicxml.MusicXmlWriter;
import phalanx.formats.reading.FormatException;
import phalanx.formats.reading.Reading;
import phalanx.formats.tab.TabReader;
import phalanx.formats.tab.TabWriter;
import phalanx.guitar.Guitar;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.righthand.Picking;
import phalanx.song.MelodyNote;
import phalanx.song.Song;
import phalanx.technique.Attack;
import phalanx.theory.Pitch;

/** Grace notes of a tune through every file that has a sign for them. */
class GraceNotesTest {
    /** Made up; in braces as the ABC standard 2.1 has it, section 4.12: with a stroke, several, and an accidental that stays. */
    private static final String ABC =
            """
            X:1
            T:Heron Stile
            M:4/4
            L:1/4
            Q:1/4=80
            K:G
            "G"{c}B2 {/^c}d c|"C"{cd}e2 {B}c2|"D"d A {GA}B2|"G"G4|
            """;

    private static Reading abc(String text) throws FormatException {
        return new AbcReader("x").read(text.getBytes(StandardCharsets.UTF_8));
    }

    private static List<String> graces(Song song) {
        return song.melody().stream()
                .map(note -> note.graces() + " " + note.pitch())
                .toList();
    }

    private static Arrangement arranged(Song song, AttackLock... locks) {
        return new Arranger(Instrument.STANDARD, Hand.AVERAGE)
                .quick(song, Picking.PLAIN, Wishes.USUAL.withOctave(Octave.AS_WRITTEN), List.of(locks), () -> false);
    }

    private static Arrangement kept(Reading reading) {
        var written = reading.written().orElseThrow();
        return new Transcriber(written.on(Guitar.STEEL), Hand.AVERAGE)
                .arrange(reading.song(), written, Picking.PLAIN, Wishes.USUAL, List.of());
    }

    @Test
    void abcHasThemInBraces() throws FormatException {
        Reading reading = abc(ABC);
        assertThat(reading.report()).isEmpty();
        assertThat(graces(reading.song()))
                .containsExactly(
                        "[C5] B4",
                        "[C#5] D5",
                        "[] C#5",
                        "[C5, D5] E5",
                        "[B4] C5",
                        "[] D5",
                        "[] A4",
                        "[G4, A4] B4",
                        "[] G4");
        String again = new AbcWriter().write(reading.song());
        assertThat(graces(abc(again).song())).isEqualTo(graces(reading.song()));
        // of four the last three, and what is no note is passed over
        Reading many = abc(ABC.replace("{c}B2", "{GAzBc}B2"));
        assertThat(graces(many.song()).get(0)).isEqualTo("[A4, B4, C5] B4");
        assertThat(many.report()).hasSize(1).first().asString().contains("the last 3 were taken");
    }

    /** Of notes struck together the first; of two voices each has its own; at the end of a bar they belong to nothing. */
    @Test
    void musicXmlHasThemBeforeTheirNote() throws FormatException {
        String a = "<note><grace slash='yes'/><pitch><step>A</step><octave>4</octave></pitch><voice>1</voice></note>";
        String chord = "<note><grace/><chord/><pitch><step>F</step><octave>4</octave></pitch><voice>1</voice></note>";
        String other = "<note><grace/><pitch><step>C</step><octave>3</octave></pitch><voice>2</voice></note>";
        Reading reading = new MusicXmlReader("x")
                .read(new LeadSheet()
                        .bar(LeadSheet.start(0, "major", 4, 4), LeadSheet.chord("C", "major"), a, chord, other, "G4:4")
                        .bar("E4:4", a)
                        .bar("C4:4")
                        .bytes());
        assertThat(graces(reading.song())).containsExactly("[A4] G4", "[] E4", "[] C4");
        assertThat(reading.report()).anyMatch(words -> words.contains("grace notes at the end of a bar were left out"));
    }

    @Test
    void anArrangementKeepsThemInEveryFile() throws Exception {
        Song song = abc(ABC).song();
        Arrangement before = arranged(song);
        long played = before.notes().stream()
                .filter(note -> note.attack() instanceof Attack.Graced)
                .count();
        assertThat(played).isGreaterThanOrEqualTo(3);

        byte[] xml = new MusicXmlWriter().write(before);
        MusicXmlSchema.load()
                .newValidator()
                .validate(new StreamSource(new StringReader(new String(xml, StandardCharsets.UTF_8))));
        Reading fromXml = new MusicXmlReader("x").read(xml);
        String text = new TabWriter().write(before);
        Reading fromText = new TabReader("x").read(text.getBytes(StandardCharsets.UTF_8));
        assertThat(graces(fromText.song())).isEqualTo(graces(song));
        assertThat(text.lines().filter(line -> line.startsWith("gr "))).isNotEmpty();
        // a score of the guitar has those that it plays
        assertThat(fromXml.report()).noneMatch(words -> words.contains("grace"));
        List<String> sounded = before.notes().stream()
                .filter(note -> note.role() == Role.MELODY)
                .map(note -> note.graces(Instrument.STANDARD) + " " + note.midi())
                .toList();
        assertThat(fromXml.song().melody())
                .extracting(note -> note.graces().stream().map(Pitch::midi).toList() + " " + note.midi())
                .isEqualTo(sounded);
        // slurs that end on the notes are those of their grace notes, not of the note before
        assertThat(kept(fromXml).notes()).noneMatch(note -> note.attack() instanceof Attack.Slur);
        assertThat(kept(fromText).notes()).anyMatch(note -> note.attack() instanceof Attack.Graced);

        JsonNode events = new ObjectMapper().readTree(new EventsJson().write(before, 0));
        List<JsonNode> graced = new ArrayList<>();
        events.get("notes").forEach(note -> {
            if (note.has("graceFrets")) {
                graced.add(note);
            }
        });
        assertThat(graced)
                .hasSize((int) played)
                .allMatch(note -> note.get("technique").asText().equals("pluck"));

        // in MIDI each sounds for 70 ms on its own pitch, then the note to its end
        Track tune = MidiSystem.getSequence(new ByteArrayInputStream(new MidiWriter().write(before)))
                .getTracks()[1];
        List<String> sounding = IntStream.range(0, tune.size())
                .mapToObj(tune::get)
                .filter(event ->
                        event.getMessage() instanceof ShortMessage on && on.getCommand() == ShortMessage.NOTE_ON)
                .map(event -> event.getTick() + " " + ((ShortMessage) event.getMessage()).getData1())
                .toList();
        for (ArrangedNote note : before.notes()) {
            if (note.role() == Role.MELODY && note.attack() instanceof Attack.Graced own) {
                List<Integer> pitches = new ArrayList<>(note.graces(Instrument.STANDARD));
                pitches.add(note.midi());
                for (int i = 0; i < pitches.size(); i++) {
                    // 80 quarters a minute: 0.75 s have 1,680 ticks
                    assertThat(sounding).contains(note.tick() + i * 157 + " " + pitches.get(i));
                }
                assertThat(own.stepTicks(80)).isEqualTo(157);
            }
        }
    }

    /** A slide into a note is a grace note with a line between; it comes back as one. */
    @Test
    void aSlideIntoANoteIsWritten() throws FormatException {
        Song song = abc("X:1\nT:Low Stile\nM:4/4\nL:1/4\nQ:1/4=80\nK:G\n\"Em\"g4|\"G\"B4|\n")
                .song();
        Arrangement before = arranged(song, new AttackLock(0, Role.MELODY, AttackLock.Way.SLID_INTO));
        assertThat(before.notes()).anyMatch(note -> note.attack() instanceof Attack.Graced graced && graced.slid());
        String xml = new String(new MusicXmlWriter().write(before), StandardCharsets.UTF_8);
        assertThat(xml).contains("<grace slash=\"yes\">").contains("<slide");
        Reading back = new MusicXmlReader("x").read(xml.getBytes(StandardCharsets.UTF_8));
        // the line ends on a plucked note, as that of a shift slide does, but begins on its grace note
        assertThat(back.written().orElseThrow().notes()).noneMatch(note -> note.way() == AttackLock.Way.SHIFTED);
        Song again = back.song();
        MelodyNote slid = again.melody().get(0);
        assertThat(slid.pitch()).isEqualTo(Pitch.parse("G5"));
        assertThat(slid.graces()).hasSize(1);
        assertThat(slid.midi() - slid.graces().get(0).midi()).isBetween(1, 2);
    }
}
