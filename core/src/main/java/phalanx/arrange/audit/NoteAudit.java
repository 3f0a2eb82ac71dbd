package phalanx.arrange.audit;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import phalanx.arrange.demand.Role;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.FindingKind;
import phalanx.arrange.score.Hold;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.Press;
import phalanx.song.ChordChange;
import phalanx.song.MelodyNote;
import phalanx.song.Song;
import phalanx.song.Ticks;
import phalanx.theory.ChordSymbol;
import phalanx.theory.Note;
import phalanx.theory.Pitch;
import phalanx.words.Words;

/**
 * Looks at the notes: two on one string, strings not stopped where they should be, notes that end too soon, tune notes
 * that are missing or buried, chord tones never heard.
 */
final class NoteAudit {
    private final Arrangement arrangement;
    private final Song song;
    private final Instrument instrument;
    private final List<Finding> findings = new ArrayList<>();

    NoteAudit(Arrangement arrangement) {
        this.arrangement = arrangement;
        this.song = arrangement.song();
        this.instrument = arrangement.request().instrument();
    }

    List<Finding> findings() {
        checkStrings();
        checkStops();
        checkTune();
        checkChords();
        return findings;
    }

    private void checkStrings() {
        Map<Integer, ArrangedNote> last = new HashMap<>();
        for (ArrangedNote note : arrangement.notes()) {
            ArrangedNote before = last.put(note.string(), note);
            if (before != null && before.endTick() > note.tick()) {
                add(
                        note.tick(),
                        FindingKind.STRING_CLASH,
                        Finding.Severity.HIGH,
                        2,
                        1,
                        "notes",
                        wording("NoteAudit.string-is-asked-for-two", note.string()));
            }
        }
    }

    private void checkStops() {
        List<Hold> open = new ArrayList<>();
        int next = 0;
        for (ArrangedNote note : arrangement.notes()) {
            open.removeIf(hold -> hold.endTick() <= note.tick());
            while (next < arrangement.holds().size()
                    && arrangement.holds().get(next).tick() <= note.tick()) {
                open.add(arrangement.holds().get(next++));
            }
            int stopped = open.stream()
                    .filter(hold -> hold.press().covers(note.string()) && hold.endTick() > note.tick())
                    .map(Hold::press)
                    .mapToInt(Press::fret)
                    .max()
                    .orElse(0);
            if (stopped != note.pluckedFret()) {
                add(
                        note.tick(),
                        FindingKind.STRING_CLASH,
                        Finding.Severity.HIGH,
                        stopped,
                        note.pluckedFret(),
                        "fret",
                        wording("NoteAudit.string-should-sound-fret-but", note.string(), note.pluckedFret(), stopped));
            }
        }
    }

    private void checkTune() {
        Map<Integer, ArrangedNote> played = new HashMap<>();
        for (ArrangedNote note : arrangement.notes()) {
            if (note.role() == Role.MELODY) {
                played.put(note.tick(), note);
            }
            if (note.role() != Role.INNER && note.cut()) {
                cutOff(note);
            }
        }
        for (MelodyNote tune : arrangement.request().played().melody()) {
            if (!played.containsKey(tune.tick())) {
                missing(tune);
            }
        }
        Map<Integer, List<ArrangedNote>> outer = arrangement.notes().stream()
                .filter(note -> note.role() != Role.INNER)
                .collect(Collectors.groupingBy(ArrangedNote::tick));
        arrangement.song().bass().forEach(note -> checkOwnBass(note, outer.getOrDefault(note.tick(), List.of())));
        checkBuried();
    }

    /** Its pitch may lie in another octave, where the guitar has none of its own. */
    private void checkOwnBass(MelodyNote wanted, List<ArrangedNote> there) {
        if (there.stream().noneMatch(note -> (note.midi() - wanted.midi()) % 12 == 0)) {
            Optional<ArrangedNote> instead =
                    there.stream().filter(note -> note.role() == Role.BASS).findFirst();
            add(
                    wanted.tick(),
                    FindingKind.OWN_BASS_NOT_KEPT,
                    Finding.Severity.MEDIUM,
                    instead.map(ArrangedNote::midi).orElse(0),
                    wanted.midi(),
                    wording("NoteAudit.midi-number"),
                    wording(
                            "NoteAudit.the-bass-you-wrote-cannot",
                            wanted.pitch(),
                            instead.map(note -> wording("NoteAudit.is-played", Pitch.of(note.midi(), song.key())))
                                    .orElse(wording("NoteAudit.it-is-left-out"))));
        }
    }

    private void cutOff(ArrangedNote note) {
        Finding.Severity severity = note.role() == Role.MELODY ? Finding.Severity.MEDIUM : Finding.Severity.LOW;
        String what = wording(
                "NoteAudit.note-rings-of-beats-its",
                note.role().label(),
                Pitch.of(note.midi(), song.key()),
                beats(note.lengthTicks()),
                beats(note.wantedTicks()));
        add(
                note.endTick(),
                FindingKind.CUT_OFF,
                severity,
                note.lengthTicks() / (double) Ticks.QUARTER,
                note.wantedTicks() / (double) Ticks.QUARTER,
                "beats",
                what);
    }

    private static String beats(int ticks) {
        return Words.figure(ticks / (double) Ticks.QUARTER);
    }

    private void missing(MelodyNote tune) {
        int highest = instrument.midi(1, instrument.highestFret());
        int lowest = instrument.midi(instrument.strings(), 0);
        boolean high = tune.midi() > highest;
        String where = high ? wording("NoteAudit.above-the-highest-fret") : wording("NoteAudit.too-low-for-the-bass");
        add(
                tune.tick(),
                FindingKind.OUT_OF_RANGE,
                Finding.Severity.HIGH,
                tune.midi(),
                high ? highest : lowest,
                wording("NoteAudit.midi-number"),
                wording("NoteAudit.melody-note-is-and-was", tune.pitch(), where));
    }

    private void checkBuried() {
        List<ArrangedNote> sounding = new ArrayList<>();
        int from = 0;
        List<ArrangedNote> notes = arrangement.notes();
        while (from < notes.size()) {
            int tick = notes.get(from).tick();
            sounding.removeIf(note -> note.endTick() <= tick);
            int to = from;
            while (to < notes.size() && notes.get(to).tick() == tick) {
                sounding.add(notes.get(to++));
            }
            notes.subList(from, to).stream()
                    .filter(note -> note.role() == Role.MELODY)
                    .forEach(melody -> checkHighest(melody, sounding));
            from = to;
        }
    }

    private void checkHighest(ArrangedNote melody, List<ArrangedNote> sounding) {
        for (ArrangedNote other : sounding) {
            if (other != melody && other.midi() >= melody.midi()) {
                add(
                        melody.tick(),
                        FindingKind.MELODY_BURIED,
                        Finding.Severity.MEDIUM,
                        other.midi(),
                        melody.midi(),
                        wording("NoteAudit.midi-number"),
                        wording(
                                "NoteAudit.note-sounds-above-the-tune",
                                other.role().label(),
                                Pitch.of(other.midi(), song.key())));
            }
        }
    }

    private void checkChords() {
        int from = 0;
        List<ArrangedNote> notes = arrangement.notes();
        for (int index = 0; index < song.chart().size(); index++) {
            ChordChange change = song.chart().get(index);
            int end = song.chordEnd(index);
            while (from < notes.size() && notes.get(from).tick() < change.startTick()) {
                from++;
            }
            Set<Integer> heard = new HashSet<>();
            for (int i = from; i < notes.size() && notes.get(i).tick() < end; i++) {
                heard.add(notes.get(i).midi() % 12);
            }
            change.chord().ifPresent(chord -> checkTones(change, chord, heard));
        }
    }

    private void checkTones(ChordChange change, ChordSymbol chord, Set<Integer> heard) {
        List<String> missing = chord.colourTones().stream()
                .map(chord::noteOf)
                .filter(note -> !heard.contains(note.pitchClass()))
                .map(Note::spoken)
                .collect(Collectors.toList());
        int asked = chord.colourTones().size();
        if (!missing.isEmpty()) {
            add(
                    change.startTick(),
                    FindingKind.TONE_MISSING,
                    Finding.Severity.LOW,
                    asked - missing.size(),
                    asked,
                    "tones",
                    wording(
                            "NoteAudit.is-played-without-a-denser",
                            chord,
                            String.join(wording("NoteAudit.and"), missing)));
        }
    }

    private void add(
            int tick,
            FindingKind kind,
            Finding.Severity severity,
            double measured,
            double limit,
            String unit,
            String what) {
        findings.add(Finding.at(song, tick, kind, severity, measured, limit, unit, what));
    }
}
