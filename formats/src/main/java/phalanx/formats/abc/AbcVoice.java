package phalanx.formats.abc;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import phalanx.song.BarMarks;
import phalanx.song.ChordChange;
import phalanx.song.MelodyNote;
import phalanx.song.Ticks;
import phalanx.song.build.Endings;
import phalanx.song.build.SongBuilder;
import phalanx.song.build.Tone;
import phalanx.theory.ChordSymbol;
import phalanx.theory.Note;
import phalanx.theory.Pitch;
import phalanx.theory.Step;

/** The music of one voice while it is read: the bar in hand, and what its signs say of the notes to come. */
final class AbcVoice {
    private static final String ONLY = "1";
    private static final int LONGEST_TICKS = 64 * Ticks.WHOLE;
    private static final int MOST_REST_BARS = 500;
    private static final int MOST_DOTS = 3;
    private static final int UNCLEAR = Integer.MIN_VALUE;
    private static final Pattern SYLLABLE = Pattern.compile("\\||_|\\*|(?:[^\\s_*|-]|\\\\-)+-?|-");
    private static final Pattern NOTE = Pattern.compile("(\\^{1,2}|_{1,2}|=)?([A-Ga-g])([,']*)");
    private static final Pattern LENGTH = Pattern.compile("(\\d{0,5})(/*)(\\d{0,5})");
    private static final Pattern BAR_LINE =
            Pattern.compile(":*\\[?\\|+[\\]|]*(?::+(?!\\|))?|:{2,}|\\|\\]|:\\|+|\\[\\|");
    private static final Pattern ENDING =
            Pattern.compile("\\[\"([1-9](?:[,-][1-9])*)[.a-z]*\"|\\[?([1-9](?:[,-][1-9])*)\\.?");
    private static final Pattern TUPLET = Pattern.compile("\\((\\d)(?::(\\d?)(?::(\\d?))?)?");
    /** Frets in the place of a chord's name, one character for each of six strings or more. */
    private static final Pattern FRETS = Pattern.compile("[xX\\d][xX\\d-]{5,}");

    private final SongBuilder song = new SongBuilder();
    private AbcKey key;
    private int unit;

    private int cursor;
    /** What accidentals of this bar say, for all octaves. */
    private final Map<Step, Integer> accidentals = new EnumMap<>(Step.class);
    /** The notes that are tied over, by letter and octave, with their alteration. */
    private Map<String, Integer> tied = new HashMap<>();

    /** What was read last in this bar: notes, or a rest without any. */
    private final List<Tone> last = new ArrayList<>();
    /** The letters and alterations of these. */
    private final Map<String, Integer> lastLetters = new HashMap<>();

    /** What stands in braces before the next note. */
    private final List<Pitch> graces = new ArrayList<>();

    private int lastLength;
    private int broken;
    private int tupletLeft;
    private int tupletActual = 1;
    private int tupletNormal = 1;
    /** Whether a second voice within the bar is passed over. */
    private boolean overlay;

    /** A note of the line before, in the number of its bar. */
    private record Sung(Tone tone, int bar) {}

    private final List<Sung> line = new ArrayList<>();
    /** Lines of words under it so far. */
    private int verses;

    private boolean repeatStart;
    private final Endings endings = new Endings();
    private Set<BarMarks.Sign> signs = EnumSet.noneOf(BarMarks.Sign.class);
    private Set<BarMarks.Sign> signsOfNext = EnumSet.noneOf(BarMarks.Sign.class);
    private Optional<BarMarks.Jump> jump = Optional.empty();

    /**
     * @param key at the beginning
     * @param unit the length of a plain note in ticks; 0 where it hangs on the meter
     */
    AbcVoice(AbcKey key, int unit) {
        this.key = key;
        this.unit = unit;
        song.key(key.key().transpose(key.semitones()));
    }

    SongBuilder song() {
        return song;
    }

    void key(String value) {
        key = AbcKey.parse(value, key, song::say);
        song.key(key.key().transpose(key.semitones()));
    }

    AbcKey key() {
        return key;
    }

    void unit(int ticks) {
        unit = ticks;
    }

    /** Without a line L: an eighth, or a sixteenth in short meters. */
    int unit() {
        if (unit == 0) {
            return 4 * song.meter().barTicks() < 3 * Ticks.WHOLE ? Ticks.WHOLE / 16 : Ticks.WHOLE / 8;
        }
        return unit;
    }

    void section(String name) {
        song.section(cursor, name);
    }

    /**
     * Words under the line before: {@code -} parts syllables, {@code _} holds, {@code *} leaves a note out, a bar line
     * goes on to the next bar.
     */
    void words(String value) {
        verses++;
        if (verses > 1) {
            song.once(wording("AbcVoice.of-several-verses-the-first"));
            return;
        }
        Matcher syllables = SYLLABLE.matcher(value);
        int at = 0;
        while (at < line.size() && syllables.find()) {
            String word = syllables.group();
            if (word.equals("|")) {
                int bar = at == 0 ? line.get(0).bar : line.get(at - 1).bar;
                while (at > 0 && at < line.size() && line.get(at).bar == bar) {
                    at++;
                }
                continue;
            }
            if (!word.equals("_") && !word.equals("*") && !word.equals("-")) {
                line.get(at).tone.sing(word.replace('~', '\u00a0').replace("\\-", "\u2010"));
            }
            at++;
        }
    }

    /** A new line of music: what is sung goes under its notes. */
    void newLine() {
        line.clear();
        verses = 0;
    }

    /** Reads what stands at a place of a line; answers the place after it. */
    int element(String text, int at) {
        Matcher barLine = BAR_LINE.matcher(text).region(at, text.length());
        if (barLine.lookingAt()) {
            barLine(barLine.group());
            return ending(text, barLine.end());
        }
        if (overlay) {
            return at + 1;
        }
        char sign = text.charAt(at);
        switch (sign) {
            case '"' -> {
                return quoted(text, at);
            }
            case '!', '+' -> {
                return decoration(text, at, sign);
            }
            case '{' -> {
                return graces(text, at);
            }
            case '(' -> {
                return tuplet(text, at);
            }
            case '[' -> {
                int end = ending(text, at);
                return end > at ? end : together(text, at);
            }
            case '>', '<' -> {
                return broken(text, at);
            }
            case '-' -> {
                last.forEach(Tone::tie);
                tied.putAll(lastLetters);
                return at + 1;
            }
            case '&' -> {
                song.once(wording("AbcVoice.a-second-voice-within-the"));
                overlay = true;
                return at + 1;
            }
            case 'z', 'x', 'Z', 'X' -> {
                return rest(text, at);
            }
            default -> {
                Matcher note = NOTE.matcher(text).region(at, text.length());
                return note.lookingAt() ? note(text, note) : at + 1;
            }
        }
    }

    private static int after(String text, int at, char closing) {
        int end = text.indexOf(closing, at + 1);
        return end < 0 ? text.length() : end + 1;
    }

    /** Short notes before the next one; lengths in them mean nothing for the time. */
    private int graces(String text, int at) {
        int end = after(text, at, '}');
        Matcher note = NOTE.matcher(text).region(at + 1, Math.max(at + 1, end - 1));
        graces.clear();
        while (note.find()) {
            try {
                graces.add(pitch(note));
            } catch (IllegalArgumentException e) {
                song.say(wording("AbcVoice.note-was-left-out", note.group(), e.getMessage()));
            }
        }
        if (graces.size() > MelodyNote.MOST_GRACES) {
            song.once(wording("AbcVoice.of-more-grace-notes-the", MelodyNote.MOST_GRACES));
        }
        return end;
    }

    private int quoted(String text, int at) {
        int end = after(text, at, '"');
        String words = text.substring(at + 1, Math.max(at + 1, end - 1)).trim();
        if (says(words)) {
            return end;
        }
        if (ChordSymbol.isNoChord(words)
                || Note.prefixLength(words) > 0
                || FRETS.matcher(words).matches()) {
            chord(words);
        }
        return end;
    }

    private void chord(String words) {
        try {
            put(ChordChange.parse(0, words));
        } catch (IllegalArgumentException e) {
            String first = words.split("[\\s(;,]")[0];
            try {
                put(ChordChange.parse(0, first));
                song.say(wording("AbcVoice.it-is-read-as", e.getMessage(), first));
            } catch (IllegalArgumentException again) {
                song.say(wording("AbcVoice.it-was-left-out", e.getMessage()));
            }
        }
    }

    private void put(ChordChange change) {
        song.chord(
                cursor,
                new ChordChange(
                        0,
                        change.chord()
                                .map(chord -> chord.transpose(
                                        key.semitones(), key.key().transpose(key.semitones()))),
                        change.frets()));
    }

    private int decoration(String text, int at, char sign) {
        int end = text.indexOf(sign, at + 1);
        if (end < 0) {
            return at + 1;
        }
        String word = text.substring(at + 1, end);
        switch (word) {
            case "coda" -> signs.add(BarMarks.Sign.CODA);
            case "dacoda" -> signs.add(BarMarks.Sign.TO_CODA);
            default -> says(word);
        }
        return end + 1;
    }

    /** Takes words that send the player elsewhere. */
    private boolean says(String words) {
        String plain = words.toLowerCase(Locale.ROOT).replaceAll("[.\\s^_@<>]", "");
        if (plain.equals("segno")) {
            // at the end of a bar it is meant for the next
            (cursor > 0 ? signsOfNext : signs).add(BarMarks.Sign.SEGNO);
        } else if (plain.matches("fine")) {
            signs.add(BarMarks.Sign.FINE);
        } else if (plain.matches("dc(al(fine|coda))?|dacapo")) {
            jump = Optional.of(BarMarks.Jump.DA_CAPO);
        } else if (plain.matches("ds(al(fine|coda))?|dalsegno")) {
            jump = Optional.of(BarMarks.Jump.DAL_SEGNO);
        } else {
            return false;
        }
        return true;
    }

    private int tuplet(String text, int at) {
        Matcher tuplet = TUPLET.matcher(text).region(at, text.length());
        if (!tuplet.lookingAt()
                || tuplet.group(1).equals("0")
                || tuplet.group(1).equals("1")) {
            return at + 1;
        }
        tupletActual = Integer.parseInt(tuplet.group(1));
        tupletNormal = number(tuplet.group(2), usualNormal(tupletActual));
        tupletLeft = number(tuplet.group(3), tupletActual);
        return tuplet.end();
    }

    private int usualNormal(int actual) {
        return switch (actual) {
            case 2, 4, 8 -> 3;
            case 3, 6 -> 2;
            default -> song.meter().compound() ? 3 : 2;
        };
    }

    private static int number(String text, int otherwise) {
        return text == null || text.isEmpty() || text.equals("0") ? otherwise : Integer.parseInt(text);
    }

    /** Dots before or after: what was read last gets what the next one loses. */
    private int broken(String text, int at) {
        char sign = text.charAt(at);
        int end = at;
        while (end < text.length() && text.charAt(end) == sign) {
            end++;
        }
        int dots = Math.min(MOST_DOTS, end - at);
        broken = sign == '>' ? dots : -dots;
        if (lastLength > 0) {
            int length = scaled(lastLength, broken);
            cursor += length - lastLength;
            last.forEach(tone -> tone.last(length));
            lastLength = length;
        }
        return end;
    }

    private static int scaled(int ticks, int dots) {
        int share = ticks >> Math.abs(dots);
        return Math.max(1, dots > 0 ? 2 * ticks - share : share);
    }

    private int rest(String text, int at) {
        boolean wholeBars = Character.isUpperCase(text.charAt(at));
        Matcher length = length(text, at + 1);
        forget();
        tied = new HashMap<>();
        if (wholeBars) {
            int bars = Math.min(MOST_REST_BARS, number(length.group(1), 1));
            for (int bar = 0; bar < bars; bar++) {
                advance(song.meter().barTicks());
                if (bar + 1 < bars) {
                    endBar(0);
                }
            }
        } else {
            int ticks = ticks(length);
            lastLength = ticks == 0 ? 0 : played(ticks);
            advance(lastLength);
        }
        return length.end();
    }

    private void forget() {
        last.clear();
        lastLetters.clear();
        lastLength = 0;
    }

    private static Matcher length(String text, int at) {
        Matcher length = LENGTH.matcher(text).region(at, text.length());
        length.lookingAt();
        return length;
    }

    private static double factor(Matcher length) {
        long above = number(length.group(1), 1);
        int slashes = length.group(2).length();
        long below = length.group(3).isEmpty() ? 1L << Math.min(slashes, 16) : Long.parseLong(length.group(3));
        return above / (double) Math.max(1, below);
    }

    private int ticks(Matcher length) {
        return ticks(factor(length), length.group());
    }

    /** The length in ticks; nought where it cannot be used. */
    private int ticks(double factor, String text) {
        double exact = unit() * factor;
        if (exact < 1 || exact > LONGEST_TICKS) {
            song.say(wording("AbcVoice.a-note-or-rest-of", text));
            return 0;
        }
        return (int) Math.round(exact);
    }

    /** With tuplet and the dot of what was before. */
    private int played(int ticks) {
        int length = ticks;
        if (broken != 0) {
            length = scaled(length, -broken);
            broken = 0;
        }
        if (tupletLeft > 0) {
            tupletLeft--;
            length = (int) Math.round((double) length * tupletNormal / tupletActual);
        }
        return Math.max(1, length);
    }

    private int note(String text, Matcher note) {
        Matcher length = length(text, note.end());
        int ticks = ticks(length);
        if (ticks > 0) {
            begin(played(ticks));
            add(note);
            end();
        }
        return length.end();
    }

    /** Notes struck together; a tie within the bracket is that of its note. */
    private int together(String text, int at) {
        int end = after(text, at, ']');
        Matcher note = NOTE.matcher(text).region(at + 1, Math.max(at + 1, end - 1));
        if (!note.find()) {
            return end;
        }
        Matcher inner = length(text, note.end());
        Matcher outer = length(text, end);
        int ticks = ticks(factor(inner) * factor(outer), inner.group() + outer.group());
        if (ticks > 0) {
            begin(played(ticks));
            Map<String, Integer> tiedWithin = new HashMap<>();
            do {
                int after = length(text, note.end()).end();
                Optional<Tone> tone = add(note);
                if (tone.isPresent() && after < end && text.charAt(after) == '-') {
                    tone.get().tie();
                    tiedWithin.put(letter(note), lastLetters.get(letter(note)));
                }
            } while (note.find());
            end();
            tied.putAll(tiedWithin);
        }
        return outer.end();
    }

    private void begin(int length) {
        forget();
        lastLength = length;
    }

    private void end() {
        tied = new HashMap<>();
        last.forEach(tone -> line.add(new Sung(tone, song.bars())));
        if (last.size() > 1) {
            line.subList(line.size() - last.size() + 1, line.size()).clear();
        }
        advance(lastLength);
    }

    private static String letter(Matcher note) {
        return note.group(2) + note.group(3);
    }

    private Optional<Tone> add(Matcher note) {
        try {
            Pitch pitch = pitch(note);
            Tone tone = song.note(ONLY, cursor, lastLength, pitch);
            tone.grace(graces);
            graces.clear();
            last.add(tone);
            return Optional.of(tone);
        } catch (IllegalArgumentException e) {
            song.say(wording("AbcVoice.note-was-left-out", note.group(), e.getMessage()));
            return Optional.empty();
        }
    }

    private Pitch pitch(Matcher note) {
        char letter = note.group(2).charAt(0);
        Step step = Step.valueOf(String.valueOf(Character.toUpperCase(letter)));
        int octave = (Character.isLowerCase(letter) ? 5 : 4) + key.octaves();
        for (char mark : note.group(3).toCharArray()) {
            octave += mark == '\'' ? 1 : -1;
        }
        if (note.group(1) != null) {
            accidentals.put(step, AbcKey.alter(note.group(1)));
        }
        int alter = accidentals.getOrDefault(step, key.signs().getOrDefault(step, 0));
        int held = tied.getOrDefault(letter(note), UNCLEAR);
        if (note.group(1) == null && held != UNCLEAR) {
            alter = held;
        }
        // two notes of one letter may be tied at once
        lastLetters.merge(letter(note), alter, (one, other) -> one.equals(other) ? one : UNCLEAR);
        Pitch written = new Pitch(new Note(step, alter), octave);
        return key.semitones() == 0
                ? written
                : Pitch.of(written.midi() + key.semitones(), key.key().transpose(key.semitones()));
    }

    private void advance(int ticks) {
        cursor += ticks;
        if (cursor > LONGEST_TICKS) {
            endBar(0);
        }
    }

    private void barLine(String text) {
        int times = text.startsWith(":")
                ? 1 + text.length() - text.replaceFirst("^:+", "").length()
                : 0;
        boolean both = text.matches(":{2,}");
        endBar(both ? 2 : times);
        boolean closes = text.contains("||") || text.contains("]") || times > 0 || text.startsWith("[");
        if (closes) {
            endings.end();
        }
        if (text.endsWith(":")) {
            repeatStart = true;
            endings.again();
        }
    }

    /** A bracket with its rounds, as behind a bar line; answers the place after it. */
    private int ending(String text, int at) {
        Matcher ending = ENDING.matcher(text).region(at, text.length());
        if (!ending.lookingAt() || overlay) {
            return at;
        }
        endings.begin(ending.group(1) == null ? ending.group(2) : ending.group(1));
        return ending.end();
    }

    private void endBar(int timesToEnd) {
        overlay = false;
        forget();
        if (cursor == 0) {
            if (timesToEnd > 0) {
                song.repeatAfterLast(timesToEnd);
            }
            return;
        }
        song.endBar(cursor, new BarMarks(repeatStart, timesToEnd, endings.open(), signs, jump), true);
        cursor = 0;
        accidentals.clear();
        repeatStart = false;
        signs = signsOfNext;
        signsOfNext = EnumSet.noneOf(BarMarks.Sign.class);
        jump = Optional.empty();
    }

    /** Ends the last bar. */
    void finish() {
        endBar(0);
    }
}
