package phalanx.formats.abc;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import phalanx.formats.FormatException;
import phalanx.formats.Reading;
import phalanx.song.Bar;
import phalanx.song.BarMarks;
import phalanx.song.ChordChange;
import phalanx.song.MelodyNote;
import phalanx.song.Meter;
import phalanx.song.Section;
import phalanx.song.Song;
import phalanx.song.Ticks;
import phalanx.song.Unfolding;
import phalanx.song.build.SongBuilder;
import phalanx.theory.ChordSymbol;
import phalanx.theory.Key;
import phalanx.theory.Note;
import phalanx.theory.Pitch;
import phalanx.theory.Step;

/** One tune while it is read: the fields so far, the bar in hand and the bars before. */
final class AbcTune {
    private static final Pattern SYLLABLE = Pattern.compile("_|\\*|(?:[^\\s_*|-]|\\\\-)+-?");
    private static final int DEFAULT_TEMPO = 90;
    private static final int LONGEST_TICKS = 64 * Ticks.WHOLE;
    private static final Pattern TEMPO = Pattern.compile("(?:(\\d+)/(\\d+)\\s*=\\s*)?(\\d{1,4})");
    private static final Pattern METER = Pattern.compile("(\\d{1,2})/(\\d{1,2})");
    private static final Pattern KEY = Pattern.compile("([A-G][#b]?)\\s*([A-Za-z]*)(.*)");
    private static final Pattern NOTE = Pattern.compile("(\\^{1,2}|_{1,2}|=)?([A-Ga-g])([,']*)");
    private static final Pattern LENGTH = Pattern.compile("(\\d{0,5})(/*)(\\d{0,5})");
    private static final Pattern BAR_LINE = Pattern.compile(":*\\[?\\|+[\\]|]*:*|:{2,}|\\|\\]|:\\|+|\\[\\|");
    private static final Pattern ENDING = Pattern.compile("\\[?([1-9](?:[,-][1-9])*)");
    private static final Pattern TUPLET = Pattern.compile("\\((\\d)(?::(\\d?)(?::(\\d?))?)?");

    private final List<String> report = new ArrayList<>();
    private final Set<String> reported = new HashSet<>();
    private final List<Bar> bars = new ArrayList<>();
    private final List<BarMarks> marks = new ArrayList<>();
    private final List<Section> sections = new ArrayList<>();
    /** Frets in the place of a chord's name, one character for each of six strings or more. */
    private static final Pattern FRETS = Pattern.compile("[xX\\d][xX\\d-]{5,}");

    private final TreeMap<Integer, ChordChange> chart = new TreeMap<>();
    private final List<MelodyNote> melody = new ArrayList<>();

    private String place = "";
    private String title;
    private boolean titled;
    private Key key;
    private Key signature = Key.C_MAJOR;
    private Meter meter = Meter.COMMON;
    private int unit;
    private int tempo = DEFAULT_TEMPO;
    private double tempoUnits;
    private String voice = "";
    private boolean otherVoice;

    private int barStart;
    private int cursor;
    private final Map<String, Integer> accidentals = new HashMap<>();
    private boolean tied;
    private int broken;
    private int tupletLeft;
    private int tupletActual = 1;
    private int tupletNormal = 1;

    /** Which note of the tune each note of the line before is; tied ones are the same. */
    private final List<Integer> written = new ArrayList<>();

    /** Lines of words under it so far. */
    private int verses;

    private boolean repeatStart;
    private Set<Integer> endings = Set.of();
    private Set<BarMarks.Sign> signs = EnumSet.noneOf(BarMarks.Sign.class);
    private Optional<BarMarks.Jump> jump = Optional.empty();

    AbcTune(String fallbackTitle) {
        this.title = fallbackTitle;
    }

    void at(String newPlace) {
        place = newPlace;
    }

    void field(char name, String value) throws FormatException {
        switch (name) {
            case 'T' -> {
                title = titled || value.isBlank() ? title : value;
                titled = true;
            }
            case 'M' -> readMeter(value);
            case 'L' -> readUnit(value);
            case 'Q' -> readTempo(value);
            case 'K' -> readKey(value);
            case 'P' -> {
                if (key != null && !value.isBlank() && sections.stream().noneMatch(s -> s.startTick() == now())) {
                    sections.add(new Section(value, now()));
                }
            }
            case 'V' -> changeVoice(value.split("\\s+")[0]);
            case 'w' -> words(value);
            case 'W' -> once("words after the tune are not kept");
            default -> {}
        }
    }

    /** Words under the line before: {@code -} parts syllables, {@code _} holds, {@code *} leaves a note out. */
    private void words(String value) {
        if (otherVoice) {
            return;
        }
        verses++;
        if (verses > 1) {
            once("of several verses the first is kept");
            return;
        }
        Matcher syllables = SYLLABLE.matcher(value);
        for (int index : written) {
            if (!syllables.find()) {
                return;
            }
            String word = syllables.group();
            if (!word.equals("_") && !word.equals("*")) {
                String syllable = word.replace('~', '\u00a0').replace("\\-", "\u2010");
                melody.set(index, melody.get(index).sung(Optional.of(syllable)));
            }
        }
    }

    private void changeVoice(String name) {
        voice = voice.isEmpty() ? name : voice;
        otherVoice = !voice.equals(name);
        if (otherVoice) {
            once("voice " + name + " was left out; voice " + voice + " is taken for the melody");
        }
    }

    private void readMeter(String value) throws FormatException {
        Matcher fraction = METER.matcher(value);
        try {
            if (value.equals("C") || value.equals("none") || value.isEmpty()) {
                meter = Meter.COMMON;
            } else if (value.equals("C|")) {
                meter = new Meter(2, 2);
            } else if (fraction.matches()) {
                meter = new Meter(Integer.parseInt(fraction.group(1)), Integer.parseInt(fraction.group(2)));
            } else {
                throw new IllegalArgumentException("\"" + value + "\" is not a meter such as 3/4");
            }
        } catch (IllegalArgumentException e) {
            throw new FormatException(place, e.getMessage());
        }
    }

    private void readUnit(String value) throws FormatException {
        Matcher fraction = METER.matcher(value);
        boolean usable = fraction.matches() && Integer.parseInt(fraction.group(2)) > 0;
        int ticks =
                usable ? Ticks.WHOLE * Integer.parseInt(fraction.group(1)) / Integer.parseInt(fraction.group(2)) : 0;
        if (ticks <= 0 || ticks > Ticks.WHOLE) {
            throw new FormatException(place, "the unit length \"" + value + "\" is not one such as 1/8");
        }
        unit = ticks;
    }

    /** Without a line L: an eighth, or a sixteenth in short meters. */
    private int unit() {
        if (unit == 0) {
            return 4 * meter.barTicks() < 3 * Ticks.WHOLE ? Ticks.WHOLE / 16 : Ticks.WHOLE / 8;
        }
        return unit;
    }

    private void readTempo(String value) {
        Matcher mark = TEMPO.matcher(value.replaceAll("\"[^\"]*\"", "").trim());
        if (!mark.matches()) {
            report.add(place + ": the tempo \"" + value + "\" is not understood; " + tempo + " is used");
            return;
        }
        double beats = Double.parseDouble(mark.group(3));
        if (mark.group(1) == null) {
            tempoUnits = beats;
        } else {
            double part = Double.parseDouble(mark.group(1)) / Math.max(1, Double.parseDouble(mark.group(2)));
            setTempo(beats * part * 4);
        }
    }

    private void setTempo(double quarters) {
        int rounded = (int) Math.round(quarters);
        if (rounded < Song.SLOWEST || rounded > Song.FASTEST) {
            report.add(place + ": tempo " + rounded + " is outside 20 to 400; " + tempo + " is used");
        } else if (bars.isEmpty()) {
            tempo = rounded;
        } else {
            once("changes of tempo are not used yet");
        }
    }

    private void readKey(String value) throws FormatException {
        Key read;
        Matcher parts = KEY.matcher(value);
        if (value.isEmpty() || value.equals("none")) {
            read = Key.C_MAJOR;
        } else if (value.startsWith("HP") || value.startsWith("Hp")) {
            read = Key.parse("D");
        } else if (parts.matches()) {
            read = parsedKey(parts.group(1), parts.group(2), value);
        } else {
            throw new FormatException(place, "\"" + value + "\" is not a key such as G, Dm or A dor");
        }
        signature = read;
        if (key == null) {
            key = read;
        } else if (!key.equals(read)) {
            once("the change of key to " + read + " only spells notes; it is not shown yet");
        }
    }

    private Key parsedKey(String tonic, String word, String whole) throws FormatException {
        String mode = word.toLowerCase(Locale.ROOT);
        boolean other = mode.startsWith("clef") || mode.startsWith("treble") || mode.startsWith("bass");
        String known = other ? "" : mode.length() > 3 && !mode.equals("none") ? mode.substring(0, 3) : mode;
        try {
            Note note = Note.parse(tonic);
            if (known.equals("loc")) {
                report.add(place + ": locrian is read as the major key of the same signature");
                return Key.ofFifths(note.fifths() - 5, Key.Mode.MAJOR);
            }
            String usual = known.equals("ion") || known.equals("maj") ? "major" : known;
            return new Key(
                    note,
                    Key.Mode.byWord(usual).orElseThrow(() -> new IllegalArgumentException("the mode is not known")));
        } catch (IllegalArgumentException e) {
            throw new FormatException(place, "the key \"" + whole + "\" cannot be read: " + e.getMessage());
        }
    }

    /** A line of music. */
    void music(String line) throws FormatException {
        written.clear();
        verses = 0;
        int at = 0;
        while (at < line.length()) {
            int next = element(line, at);
            at = next > at ? next : at + 1;
        }
    }

    /** Reads what stands at a place of a line; answers the place after it. */
    private int element(String line, int at) throws FormatException {
        char sign = line.charAt(at);
        if (isInlineField(line, at)) {
            int end = line.indexOf(']', at);
            field(line.charAt(at + 1), line.substring(at + 3, end).trim());
            return end + 1;
        }
        if (otherVoice) {
            return at + 1;
        }
        Matcher barLine = BAR_LINE.matcher(line).region(at, line.length());
        if (barLine.lookingAt()) {
            return endings(line, barLine(barLine.group(), barLine.end()));
        }
        switch (sign) {
            case '"' -> {
                return quoted(line, at);
            }
            case '!', '+' -> {
                return decoration(line, at, sign);
            }
            case '{' -> {
                once("grace notes were left out");
                return after(line, at, '}');
            }
            case '(' -> {
                return tuplet(line, at);
            }
            case '[' -> {
                Matcher ending = ENDING.matcher(line).region(at, line.length());
                return ending.lookingAt() ? endings(line, at) : together(line, at);
            }
            case '>', '<' -> {
                return broken(line, at);
            }
            case '-' -> {
                tied = !melody.isEmpty();
                return at + 1;
            }
            case 'z', 'x', 'Z', 'X' -> {
                return rest(line, at);
            }
            default -> {
                Matcher note = NOTE.matcher(line).region(at, line.length());
                return note.lookingAt() ? note(line, note) : at + 1;
            }
        }
    }

    private static boolean isInlineField(String line, int at) {
        return line.charAt(at) == '['
                && at + 2 < line.length()
                && Character.isLetter(line.charAt(at + 1))
                && line.charAt(at + 2) == ':'
                && line.indexOf(']', at) > 0;
    }

    private int after(String line, int at, char closing) {
        int end = line.indexOf(closing, at + 1);
        return end < 0 ? line.length() : end + 1;
    }

    private int quoted(String line, int at) {
        int end = after(line, at, '"');
        String text = line.substring(at + 1, Math.max(at + 1, end - 1)).trim();
        if (ChordSymbol.isNoChord(text)
                || Note.prefixLength(text) > 0
                || FRETS.matcher(text).matches()) {
            try {
                chart.put(now(), ChordChange.parse(now(), text));
            } catch (IllegalArgumentException e) {
                report.add(place + ": " + e.getMessage() + "; it was left out");
            }
        }
        return end;
    }

    private int decoration(String line, int at, char sign) {
        int end = line.indexOf(sign, at + 1);
        if (end < 0) {
            return at + 1;
        }
        switch (line.substring(at + 1, end)) {
            case "segno" -> signs.add(BarMarks.Sign.SEGNO);
            case "coda" -> signs.add(BarMarks.Sign.CODA);
            case "fine" -> signs.add(BarMarks.Sign.FINE);
            case "dacoda" -> signs.add(BarMarks.Sign.TO_CODA);
            case "D.C.", "dacapo", "D.C.alfine", "D.C.alcoda" -> jump = Optional.of(BarMarks.Jump.DA_CAPO);
            case "D.S.", "D.S.alfine", "D.S.alcoda" -> jump = Optional.of(BarMarks.Jump.DAL_SEGNO);
            default -> {}
        }
        return end + 1;
    }

    private int tuplet(String line, int at) {
        Matcher tuplet = TUPLET.matcher(line).region(at, line.length());
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
            default -> meter.compound() ? 3 : 2;
        };
    }

    private static int number(String text, int otherwise) {
        return text == null || text.isEmpty() || text.equals("0") ? otherwise : Integer.parseInt(text);
    }

    /** Dots before or after: the note before gets what the next one loses. */
    private int broken(String line, int at) {
        char sign = line.charAt(at);
        int end = at;
        while (end < line.length() && line.charAt(end) == sign && end - at < 3) {
            end++;
        }
        broken = sign == '>' ? end - at : at - end;
        int last = melody.size() - 1;
        if (last >= 0 && melody.get(last).endTick() == now()) {
            MelodyNote before = melody.get(last);
            int length = scaled(before.lengthTicks(), broken);
            cursor += length - before.lengthTicks();
            melody.set(last, before.lasting(length));
        }
        return end;
    }

    private static int scaled(int ticks, int dots) {
        int share = ticks >> Math.abs(dots);
        return Math.max(1, dots > 0 ? 2 * ticks - share : share);
    }

    private int rest(String line, int at) throws FormatException {
        boolean wholeBars = Character.isUpperCase(line.charAt(at));
        Matcher length = length(line, at + 1);
        int ticks = wholeBars ? meter.barTicks() * Math.max(1, number(length.group(1), 1)) : played(ticks(length));
        tied = false;
        if (wholeBars) {
            for (int bar = 0; bar < ticks / meter.barTicks(); bar++) {
                advance(meter.barTicks());
                if (bar + 1 < ticks / meter.barTicks()) {
                    endBar(0);
                }
            }
        } else {
            advance(ticks);
        }
        return length.end();
    }

    private static Matcher length(String line, int at) {
        Matcher length = LENGTH.matcher(line).region(at, line.length());
        length.lookingAt();
        return length;
    }

    private int ticks(Matcher length) throws FormatException {
        long above = number(length.group(1), 1);
        int slashes = length.group(2).length();
        long below = length.group(3).isEmpty() ? 1L << Math.min(slashes, 16) : Long.parseLong(length.group(3));
        double exact = (double) unit() * above / Math.max(1, below);
        if (exact < 1 || exact > LONGEST_TICKS) {
            throw new FormatException(place, "a note or rest of length \"" + length.group() + "\" is not usable");
        }
        return (int) Math.round(exact);
    }

    /** With tuplet and the dot of the note before. */
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

    private int note(String line, Matcher note) throws FormatException {
        Matcher length = length(line, note.end());
        add(pitch(note), Optional.empty(), played(ticks(length)));
        return length.end();
    }

    /** Notes struck together: the two highest are the tune's. */
    private int together(String line, int at) throws FormatException {
        int end = after(line, at, ']');
        Matcher note = NOTE.matcher(line).region(at + 1, Math.max(at + 1, end - 1));
        TreeMap<Integer, Pitch> found = new TreeMap<>();
        Matcher inner = null;
        while (note.find()) {
            Pitch pitch = pitch(note);
            found.put(pitch.midi(), pitch);
            inner = inner == null ? length(line, note.end()) : inner;
        }
        if (found.isEmpty()) {
            return end;
        }
        if (found.size() > 2) {
            once("of notes struck together the two highest are kept");
        }
        Matcher outer = length(line, end);
        int highest = found.lastKey();
        add(
                found.get(highest),
                Optional.ofNullable(found.lowerEntry(highest)).map(Map.Entry::getValue),
                played(ticks(outer.group().isEmpty() ? inner : outer)));
        return outer.end();
    }

    private Pitch pitch(Matcher note) throws FormatException {
        char letter = note.group(2).charAt(0);
        Step step = Step.valueOf(String.valueOf(Character.toUpperCase(letter)));
        int octave = Character.isLowerCase(letter) ? 5 : 4;
        for (char mark : note.group(3).toCharArray()) {
            octave += mark == '\'' ? 1 : -1;
        }
        String accidental = note.group(1);
        String where = step.name() + octave;
        if (accidental != null) {
            int alter = accidental.startsWith("^")
                    ? accidental.length()
                    : accidental.equals("=") ? 0 : -accidental.length();
            accidentals.put(where, alter);
        }
        int alter = accidentals.getOrDefault(where, inSignature(step));
        try {
            return new Pitch(new Note(step, alter), octave);
        } catch (IllegalArgumentException e) {
            throw new FormatException(place, "note \"" + note.group() + "\": " + e.getMessage());
        }
    }

    private int inSignature(Step step) {
        return signature.scale().stream()
                .filter(note -> note.step() == step)
                .mapToInt(Note::alter)
                .findFirst()
                .orElse(0);
    }

    private void add(Pitch pitch, Optional<Pitch> below, int length) throws FormatException {
        int last = melody.size() - 1;
        boolean continues = tied
                && last >= 0
                && melody.get(last).endTick() == now()
                && melody.get(last).midi() == pitch.midi()
                && melody.get(last).below().equals(below);
        if (continues) {
            MelodyNote before = melody.get(last);
            melody.set(last, before.lasting(before.lengthTicks() + length));
        } else {
            melody.add(new MelodyNote(now(), length, pitch, Optional.empty(), below));
        }
        written.add(melody.size() - 1);
        tied = false;
        advance(length);
    }

    private void advance(int ticks) throws FormatException {
        cursor += ticks;
        if (cursor > LONGEST_TICKS) {
            throw new FormatException(place, "a bar goes on without end; is a bar line missing?");
        }
    }

    private int now() {
        return barStart + cursor;
    }

    private int barLine(String text, int end) throws FormatException {
        int times = text.startsWith(":")
                ? 1 + text.length() - text.replaceFirst("^:+", "").length()
                : 0;
        boolean both = text.matches(":{2,}");
        endBar(both ? 2 : times);
        if (text.endsWith(":")) {
            repeatStart = true;
        }
        boolean closes = text.contains("||") || text.contains("]") || times > 0 || text.startsWith("[");
        if (closes) {
            endings = Set.of();
        }
        return end;
    }

    /** A bracket with its rounds, as behind a bar line. */
    private int endings(String line, int at) {
        Matcher ending = ENDING.matcher(line).region(at, line.length());
        if (!ending.lookingAt()) {
            return at;
        }
        Set<Integer> rounds = new TreeSet<>();
        for (String part : ending.group(1).split(",")) {
            String[] range = part.split("-");
            for (int round = Integer.parseInt(range[0]); round <= Integer.parseInt(range[range.length - 1]); round++) {
                rounds.add(round);
            }
        }
        endings = rounds.isEmpty() ? Set.of() : rounds;
        return ending.end();
    }

    private void endBar(int timesToEnd) throws FormatException {
        if (cursor == 0) {
            if (timesToEnd > 0 && !marks.isEmpty()) {
                BarMarks before = marks.get(marks.size() - 1);
                marks.set(
                        marks.size() - 1,
                        new BarMarks(
                                before.repeatStart(), timesToEnd, before.endings(), before.signs(), before.jump()));
            }
            return;
        }
        int nominal = meter.barTicks();
        if (cursor > nominal) {
            report.add(place + ": a bar holds " + cursor / (double) Ticks.QUARTER + " quarter notes, its meter " + meter
                    + " has room for " + nominal / (double) Ticks.QUARTER + "; it was kept as it is");
        }
        boolean pickup = bars.isEmpty() && cursor < nominal;
        int number = bars.isEmpty() ? pickup ? 0 : 1 : bars.get(bars.size() - 1).number() + 1;
        if (bars.size() >= Song.MOST_BARS) {
            throw new FormatException(place, "the tune has more than " + Song.MOST_BARS + " bars");
        }
        bars.add(new Bar(number, barStart, cursor, meter));
        marks.add(new BarMarks(repeatStart, timesToEnd, endings, signs, jump));
        barStart += cursor;
        cursor = 0;
        accidentals.clear();
        repeatStart = false;
        signs = EnumSet.noneOf(BarMarks.Sign.class);
        jump = Optional.empty();
    }

    private void once(String what) {
        if (reported.add(what)) {
            report.add(place + ": " + what);
        }
    }

    Reading finish(List<String> before) throws FormatException {
        endBar(0);
        boolean noChords = chart.values().stream().allMatch(ChordChange::isNoChord);
        if (melody.isEmpty() && noChords) {
            throw new FormatException(
                    "",
                    "the tune has neither notes nor chord symbols. Chords stand in quotes before notes or rests, such"
                            + " as \"Am7\"A2 or \"Am7\"z4");
        }
        if (melody.isEmpty()) {
            report.add(SongBuilder.NO_TUNE);
        } else if (noChords) {
            report.add(SongBuilder.NO_CHORDS);
        }
        if (tempoUnits > 0) {
            setTempoInUnits();
        }
        chart.tailMap(barStart, true).clear();
        sections.removeIf(section -> section.startTick() >= barStart);
        List<String> all = new ArrayList<>(before);
        all.addAll(report);
        try {
            Song written = new Song(title, key, tempo, bars, sections, List.copyOf(chart.values()), melody);
            return new Reading(Unfolding.of(written, marks), all);
        } catch (IllegalArgumentException e) {
            throw new FormatException("", e.getMessage());
        }
    }

    private void setTempoInUnits() {
        int rounded = (int) Math.round(tempoUnits * unit() / Ticks.QUARTER);
        if (rounded >= Song.SLOWEST && rounded <= Song.FASTEST) {
            tempo = rounded;
        }
    }
}
