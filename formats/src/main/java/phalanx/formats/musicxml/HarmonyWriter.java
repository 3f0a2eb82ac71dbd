package phalanx.formats.musicxml;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.audiveris.proxymusic.Bass;
import org.audiveris.proxymusic.BassStep;
import org.audiveris.proxymusic.Degree;
import org.audiveris.proxymusic.DegreeAlter;
import org.audiveris.proxymusic.DegreeType;
import org.audiveris.proxymusic.DegreeTypeValue;
import org.audiveris.proxymusic.DegreeValue;
import org.audiveris.proxymusic.FirstFret;
import org.audiveris.proxymusic.Frame;
import org.audiveris.proxymusic.FrameNote;
import org.audiveris.proxymusic.Fret;
import org.audiveris.proxymusic.Harmony;
import org.audiveris.proxymusic.HarmonyAlter;
import org.audiveris.proxymusic.Kind;
import org.audiveris.proxymusic.KindValue;
import org.audiveris.proxymusic.Root;
import org.audiveris.proxymusic.RootStep;
import org.audiveris.proxymusic.Step;
import phalanx.song.ChordChange;
import phalanx.song.ChordFrets;
import phalanx.theory.ChordKind;
import phalanx.theory.ChordSymbol;
import phalanx.theory.ChordTable;
import phalanx.theory.ChordTone;
import phalanx.theory.Interval;
import phalanx.theory.Note;

/** Writes a chord symbol as root, kind, degrees and bass. */
final class HarmonyWriter {
    private static final int FRAME_FRETS = 4;

    Harmony write(ChordChange change) {
        Harmony harmony = new Harmony();
        change.frets().ifPresent(frets -> harmony.setFrame(frame(frets)));
        List<Object> content = harmony.getHarmonyChord();
        if (change.chord().isEmpty()) {
            content.add(root(new Note(phalanx.theory.Step.C, 0)));
            content.add(kind(KindValue.NONE, change.name()));
            return harmony;
        }
        ChordSymbol chord = change.chord().get();
        ChordKind base = base(chord);
        content.add(root(chord.root()));
        List<Degree> degrees = degrees(chord, base);
        // readers that print degrees behind the kind's text would show them twice
        content.add(kind(KindValue.fromValue(base.exchangeName()), degrees.isEmpty() ? suffix(chord) : base.name()));
        chord.slashBass().ifPresent(bass -> content.add(bass(bass)));
        content.addAll(degrees);
        return harmony;
    }

    /** A diagram of the frets that the chart gives; four frets or more, from the first where the shape allows. */
    private static Frame frame(ChordFrets given) {
        List<Integer> frets = given.frets();
        int highest = Collections.max(frets);
        int lowest =
                frets.stream().filter(fret -> fret > 0).min(Integer::compare).orElse(1);
        int first = highest <= FRAME_FRETS ? 1 : lowest;
        Frame frame = new Frame();
        frame.setFrameStrings(BigInteger.valueOf(frets.size()));
        frame.setFrameFrets(BigInteger.valueOf(Math.max(FRAME_FRETS, highest - first + 1)));
        if (first > 1) {
            FirstFret shown = new FirstFret();
            shown.setValue(BigInteger.valueOf(first));
            frame.setFirstFret(shown);
        }
        for (int at = 0; at < frets.size(); at++) {
            if (frets.get(at) >= 0) {
                FrameNote note = new FrameNote();
                org.audiveris.proxymusic.String string = new org.audiveris.proxymusic.String();
                string.setValue(BigInteger.valueOf(frets.size() - at));
                Fret fret = new Fret();
                fret.setValue(BigInteger.valueOf(frets.get(at)));
                note.setString(string);
                note.setFret(fret);
                frame.getFrameNote().add(note);
            }
        }
        return frame;
    }

    /** The suffix as the player wrote it. */
    private static String suffix(ChordSymbol chord) {
        String text = chord.text();
        int end = chord.slashBass().isPresent() ? text.lastIndexOf('/') : text.length();
        return text.substring(Note.prefixLength(text), end);
    }

    /** The kind of the exchange format that differs in the fewest tones. */
    private static ChordKind base(ChordSymbol chord) {
        return ChordTable.standard().kinds().stream()
                .filter(kind -> ChordTable.standard()
                        .byExchangeName(kind.exchangeName())
                        .equals(Optional.of(kind)))
                .min((a, b) -> Integer.compare(difference(chord, a), difference(chord, b)))
                .orElseThrow();
    }

    private static int difference(ChordSymbol chord, ChordKind kind) {
        List<Interval> ours = intervals(chord.tones());
        List<Interval> theirs = intervals(kind.tones());
        long added = ours.stream().filter(tone -> !theirs.contains(tone)).count();
        long missing = theirs.stream().filter(tone -> !ours.contains(tone)).count();
        return (int) (added + missing);
    }

    private static List<Interval> intervals(List<ChordTone> tones) {
        return tones.stream().map(ChordTone::interval).collect(Collectors.toList());
    }

    private static List<Degree> degrees(ChordSymbol chord, ChordKind base) {
        List<Degree> degrees = new ArrayList<>();
        List<Interval> ours = intervals(chord.tones());
        List<Interval> theirs = intervals(base.tones());
        for (Interval tone : theirs) {
            if (!ours.contains(tone)) {
                degrees.add(degree(tone.number(), 0, DegreeTypeValue.SUBTRACT));
            }
        }
        for (Interval tone : ours) {
            if (!theirs.contains(tone)) {
                // an added seventh counts from the minor seventh
                int alter = tone.number() == 7 ? tone.alter() + 1 : tone.alter();
                degrees.add(degree(tone.number(), alter, DegreeTypeValue.ADD));
            }
        }
        return degrees;
    }

    private static Degree degree(int number, int alter, DegreeTypeValue typeValue) {
        DegreeValue value = new DegreeValue();
        value.setValue(BigInteger.valueOf(number));
        DegreeAlter degreeAlter = new DegreeAlter();
        degreeAlter.setValue(BigDecimal.valueOf(alter));
        DegreeType type = new DegreeType();
        type.setValue(typeValue);
        Degree degree = new Degree();
        degree.setDegreeValue(value);
        degree.setDegreeAlter(degreeAlter);
        degree.setDegreeType(type);
        return degree;
    }

    private static Kind kind(KindValue value, String text) {
        Kind kind = new Kind();
        kind.setValue(value);
        kind.setText(text);
        return kind;
    }

    private static Root root(Note note) {
        RootStep step = new RootStep();
        step.setValue(Step.fromValue(note.step().name()));
        Root root = new Root();
        root.setRootStep(step);
        if (note.alter() != 0) {
            root.setRootAlter(alter(note));
        }
        return root;
    }

    private static Bass bass(Note note) {
        BassStep step = new BassStep();
        step.setValue(Step.fromValue(note.step().name()));
        Bass bass = new Bass();
        bass.setBassStep(step);
        if (note.alter() != 0) {
            bass.setBassAlter(alter(note));
        }
        return bass;
    }

    private static HarmonyAlter alter(Note note) {
        HarmonyAlter alter = new HarmonyAlter();
        alter.setValue(BigDecimal.valueOf(note.alter()));
        return alter;
    }
}
