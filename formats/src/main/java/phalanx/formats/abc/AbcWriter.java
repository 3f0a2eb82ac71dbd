package phalanx.formats.abc;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeSet;
import java.util.stream.Collectors;
import phalanx.song.Bar;
import phalanx.song.ChordChange;
import phalanx.song.MelodyNote;
import phalanx.song.Meter;
import phalanx.song.Section;
import phalanx.song.Song;
import phalanx.song.Ticks;
import phalanx.song.TuneEdit;
import phalanx.theory.Key;
import phalanx.theory.Note;
import phalanx.theory.Pitch;
import phalanx.theory.Step;

/** Writes a song as one tune in ABC notation: melody with chord symbols, lengths as fractions of a quarter. */
public final class AbcWriter {
    private static final int MOST_SIGNS = 2;
    private static final String HELD = "_";
    private static final String NO_WORD = "*";
    private static final int BARS_A_LINE = 4;

    /** The whole file. */
    public String write(Song song) {
        StringBuilder out = new StringBuilder();
        out.append("X:1\nT:").append(song.title().replaceAll("\\s+", " ")).append('\n');
        Meter meter = song.bars().get(0).meter();
        out.append("M:")
                .append(meter)
                .append("\nL:1/4\nQ:1/4=")
                .append(song.tempo())
                .append('\n');
        out.append("K:").append(key(song.key())).append('\n');
        if (song.bass().isEmpty()) {
            writeVoice(song, out);
        } else {
            out.append("V:tune\n");
            writeVoice(song, out);
            out.append("V:bass clef=bass\n");
            writeVoice(TuneEdit.bassAsTune(song).withChart(List.of()).withSections(List.of()), out);
        }
        return out.toString();
    }

    private static void writeVoice(Song song, StringBuilder out) {
        Meter meter = song.bars().get(0).meter();
        List<String> words = new ArrayList<>();
        for (int i = 0; i < song.bars().size(); i++) {
            Bar bar = song.bars().get(i);
            if (!bar.meter().equals(meter)) {
                meter = bar.meter();
                out.append("[M:").append(meter).append(']');
            }
            writeBar(song, bar, out, words);
            boolean last = i + 1 == song.bars().size();
            boolean ends = last || (i + 1) % BARS_A_LINE == 0;
            out.append(last ? "|]\n" : ends ? "|\n" : "| ");
            if (ends && words.stream().anyMatch(word -> !word.equals(NO_WORD) && !word.equals(HELD))) {
                out.append("w: ")
                        .append(String.join(" ", words).replace("- ", "-"))
                        .append('\n');
            }
            if (ends) {
                words.clear();
            }
        }
    }

    private static String key(Key key) {
        return key.tonic()
                + switch (key.mode()) {
                    case MAJOR -> "";
                    case MINOR -> "m";
                    case DORIAN -> "dor";
                    case MIXOLYDIAN -> "mix";
                    case LYDIAN -> "lyd";
                    case PHRYGIAN -> "phr";
                };
    }

    private static void writeBar(Song song, Bar bar, StringBuilder out, List<String> words) {
        Map<String, Integer> accidentals = new HashMap<>();
        TreeSet<Integer> cuts = new TreeSet<>();
        cuts.add(bar.startTick());
        cuts.add(bar.endTick());
        song.chart().stream().map(ChordChange::startTick).filter(bar::contains).forEach(cuts::add);
        for (MelodyNote note : song.melody()) {
            if (bar.contains(note.tick())) {
                cuts.add(note.tick());
            }
            if (bar.contains(note.endTick())) {
                cuts.add(note.endTick());
            }
        }
        for (int from : cuts.headSet(bar.endTick())) {
            writeMarks(song, from, out);
            int to = cuts.higher(from);
            song.melody().stream()
                    .filter(note -> note.tick() <= from && note.endTick() > from)
                    .findFirst()
                    .ifPresentOrElse(
                            note -> {
                                if (note.tick() == from) {
                                    out.append(graces(note, song.key(), accidentals));
                                }
                                out.append(pitches(note, song.key(), accidentals))
                                        .append(length(to - from));
                                out.append(note.endTick() > to ? "-" : "");
                                words.add(word(note, from));
                            },
                            () -> out.append('z').append(length(to - from)));
            out.append(' ');
        }
    }

    /** What stands under a written note: its syllable where it begins, held where it is tied on. */
    private static String word(MelodyNote note, int from) {
        return note.tick() < from
                ? HELD
                : note.syllable().map(text -> text.replace('\u00a0', '~')).orElse(NO_WORD);
    }

    private static void writeMarks(Song song, int tick, StringBuilder out) {
        for (Section section : song.sections()) {
            if (section.startTick() == tick) {
                out.append("[P:").append(section.name().replace(']', ')')).append(']');
            }
        }
        for (ChordChange change : song.chart()) {
            if (change.startTick() == tick) {
                out.append('"').append(change.symbol()).append('"');
            }
        }
    }

    private static String graces(MelodyNote note, Key key, Map<String, Integer> accidentals) {
        return note.graces().isEmpty()
                ? ""
                : note.graces().stream()
                        .map(grace -> pitch(grace, key, accidentals))
                        .collect(Collectors.joining("", "{", "}"));
    }

    private static String pitches(MelodyNote note, Key key, Map<String, Integer> accidentals) {
        String upper = pitch(note.pitch(), key, accidentals);
        return note.below()
                .map(below -> "[" + upper + pitch(below, key, accidentals) + "]")
                .orElse(upper);
    }

    private static String pitch(Pitch given, Key key, Map<String, Integer> accidentals) {
        // there are no triple signs
        Pitch pitch = Math.abs(given.note().alter()) > MOST_SIGNS ? Pitch.of(given.midi(), key) : given;
        Step step = pitch.note().step();
        String where = step.name() + pitch.octave();
        int usual = key.scale().stream()
                .filter(note -> note.step() == step)
                .mapToInt(Note::alter)
                .findFirst()
                .orElse(0);
        int alter = pitch.note().alter();
        String sign = "";
        // some readers take a sign for its octave, some for all: it is written where either would be wrong
        if (alter != accidentals.getOrDefault(where, usual) || alter != accidentals.getOrDefault(step.name(), usual)) {
            sign = alter == 0 ? "=" : alter > 0 ? "^".repeat(alter) : "_".repeat(-alter);
            accidentals.put(where, alter);
            accidentals.put(step.name(), alter);
        }
        String letter = pitch.octave() >= 5 ? step.name().toLowerCase(Locale.ROOT) : step.name();
        int marks = pitch.octave() >= 5 ? pitch.octave() - 5 : 4 - pitch.octave();
        return sign + letter + (pitch.octave() >= 5 ? "'" : ",").repeat(marks);
    }

    private static String length(int ticks) {
        int common = gcd(ticks, Ticks.QUARTER);
        int above = ticks / common;
        int below = Ticks.QUARTER / common;
        return (above == 1 ? "" : String.valueOf(above)) + (below == 1 ? "" : "/" + below);
    }

    private static int gcd(int a, int b) {
        return b == 0 ? a : gcd(b, a % b);
    }
}
