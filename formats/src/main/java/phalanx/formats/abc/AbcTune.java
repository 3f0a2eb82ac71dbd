package phalanx.formats.abc;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import phalanx.song.Meter;
import phalanx.song.Ticks;
import phalanx.song.build.SongBuilder;

/** One tune while it is read: what its head says of all voices, and the voices. */
final class AbcTune {
    private static final Pattern TEMPO = Pattern.compile("(?:(\\d+)/(\\d+)\\s*=\\s*)?(\\d{1,4})");
    private static final Pattern METER = Pattern.compile("\\(?(\\d{1,2}(?:\\s*\\+\\s*\\d{1,2})*)\\)?/(\\d{1,2})");
    private static final Pattern UNIT = Pattern.compile("(\\d{1,2})(?:/(\\d{1,3}))?");
    private static final Pattern GROUP = Pattern.compile("\\(([^()]*)\\)(\\d{0,2})");
    private static final Pattern PART = Pattern.compile("([A-Za-z])(\\d{0,2})");
    private static final int MOST_PARTS = 500;

    private final Map<String, AbcVoice> voices = new LinkedHashMap<>();
    private final List<Consumer<SongBuilder>> head = new ArrayList<>();
    private AbcKey key = AbcKey.usual();
    private int unit;
    private boolean inBody;
    private AbcVoice voice;
    private String place = "";
    private double tempoUnits;

    void at(String newPlace) {
        place = newPlace;
        if (voice != null) {
            voice.song().at(newPlace);
        }
    }

    boolean inBody() {
        return inBody;
    }

    /** The voices by their names, in order of their coming. */
    Map<String, AbcVoice> voices() {
        return voices;
    }

    /** The present voice; one without a name where none was named. */
    private AbcVoice voice() {
        if (voice == null) {
            change(voices.isEmpty() ? "" : voices.keySet().iterator().next());
        }
        return voice;
    }

    private void change(String name) {
        voice = voices.get(name);
        if (voice == null) {
            voice = new AbcVoice(key, unit);
            voices.put(name, voice);
            voice.song().at(place);
            head.forEach(said -> said.accept(voice.song()));
        }
        voice.song().at(place);
    }

    /** A line that names something. */
    void field(char name, String value) {
        switch (name) {
            case 'K' -> key(value);
            case 'V' -> {
                if (inBody) {
                    change(value.split("\\s+")[0]);
                }
            }
            case 'L' -> unit(value);
            case 'w' -> {
                if (voice != null) {
                    voice.words(value);
                }
            }
            case 'P' -> part(value);
            case 'W' -> say(song -> song.once(wording("AbcTune.words-after-the-tune-are")));
            case 'T' -> say(song -> song.title(value));
            case 'M' -> say(song -> meter(song, value));
            case 'Q' -> tempo(value);
            default -> {}
        }
    }

    /** Says something of all voices, in the head, or of the present one. */
    private void say(Consumer<SongBuilder> said) {
        if (inBody) {
            said.accept(voice().song());
        } else {
            String here = place;
            head.add(song -> {
                song.at(here);
                said.accept(song);
            });
        }
    }

    private void key(String value) {
        if (inBody) {
            voice().key(value);
            return;
        }
        List<String> mended = new ArrayList<>();
        key = AbcKey.parse(value, key, mended::add);
        mended.forEach(line -> say(song -> song.say(line)));
        begin();
    }

    /** The head ends here. */
    void begin() {
        inBody = true;
    }

    private void part(String value) {
        if (inBody) {
            voice().section(value);
        } else {
            say(song -> song.playSections(parts(value)));
        }
    }

    /** The order of playing, such as {@code A2(BC)2}, written out. */
    static List<String> parts(String text) {
        String flat = text.replaceAll("[\\s.]", "");
        for (Matcher group = GROUP.matcher(flat);
                group.find() && flat.length() < MOST_PARTS;
                group = GROUP.matcher(flat)) {
            flat = flat.substring(0, group.start())
                    + group.group(1).repeat(times(group.group(2)))
                    + flat.substring(group.end());
        }
        List<String> parts = new ArrayList<>();
        Matcher part = PART.matcher(flat);
        while (part.find() && parts.size() < MOST_PARTS) {
            for (int time = 0; time < times(part.group(2)); time++) {
                parts.add(part.group(1));
            }
        }
        return parts;
    }

    private static int times(String text) {
        return text.isEmpty() ? 1 : Integer.parseInt(text);
    }

    private static void meter(SongBuilder song, String value) {
        Matcher fraction = METER.matcher(value);
        if (value.equals("C") || value.equals("none") || value.isEmpty()) {
            song.meter(Meter.COMMON);
        } else if (value.equals("C|")) {
            song.meter(new Meter(2, 2));
        } else if (fraction.lookingAt()) {
            long beats = 0;
            for (String summand : fraction.group(1).split("\\+")) {
                beats += Long.parseLong(summand.trim());
            }
            song.meter(beats, Long.parseLong(fraction.group(2)));
        } else {
            song.say(wording("AbcTune.is-not-a-meter-such", value, song.meter()));
        }
    }

    private void unit(String value) {
        Matcher fraction = UNIT.matcher(value);
        long below = fraction.lookingAt() && fraction.group(2) != null ? Long.parseLong(fraction.group(2)) : 1;
        long ticks = fraction.lookingAt() && below > 0 ? Ticks.WHOLE * Long.parseLong(fraction.group(1)) / below : 0;
        if (ticks <= 0 || ticks > Ticks.WHOLE) {
            say(song -> song.say(wording("AbcTune.the-unit-length-is-not", value)));
        } else if (inBody) {
            voice().unit((int) ticks);
        } else {
            unit = (int) ticks;
        }
    }

    private void tempo(String value) {
        Matcher mark = TEMPO.matcher(value.replaceAll("\"[^\"]*\"", "").trim());
        if (!mark.matches()) {
            say(song -> song.say(wording("AbcTune.the-tempo-is-not-understood", value)));
        } else if (mark.group(1) == null) {
            tempoUnits = Double.parseDouble(mark.group(3));
        } else {
            double part = Double.parseDouble(mark.group(1)) / Math.max(1, Double.parseDouble(mark.group(2)));
            say(song -> song.tempo(Double.parseDouble(mark.group(3)) * part * 4));
        }
    }

    /** A line of music. */
    void music(String line) {
        begin();
        voice().newLine();
        int at = 0;
        while (at < line.length()) {
            int end = line.indexOf(']', at);
            if (isInlineField(line, at) && end > at) {
                char name = line.charAt(at + 1);
                AbcVoice before = voice();
                field(name, line.substring(at + 3, end).trim());
                if (voice() != before) {
                    voice().newLine();
                }
                at = end + 1;
            } else {
                at = Math.max(at + 1, voice().element(line, at));
            }
        }
    }

    private static boolean isInlineField(String line, int at) {
        return line.charAt(at) == '['
                && at + 2 < line.length()
                && Character.isLetter(line.charAt(at + 1))
                && line.charAt(at + 2) == ':';
    }

    /** The tune is complete. */
    void finish() {
        voice();
        voices.values().forEach(one -> {
            one.finish();
            if (tempoUnits > 0) {
                one.song().at("");
                one.song().tempo(tempoUnits * one.unit() / Ticks.QUARTER);
            }
        });
    }
}
