package phalanx.song;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Words under a tune, a syllable a note: hyphens part syllables, {@code _} leaves a note to the one before. */
public final class Words {
    private static final Pattern SYLLABLE = Pattern.compile("[^\\s-]+-?");
    private static final String HELD = "_";

    private Words() {}

    /** The song with words under its notes from a tick on; notes beyond them keep what they have. */
    public static Song under(Song song, int from, String words) {
        Matcher syllables = SYLLABLE.matcher(words);
        List<MelodyNote> tune = new ArrayList<>();
        for (MelodyNote note : song.melody()) {
            boolean takes = note.tick() >= from && syllables.find();
            tune.add(takes ? note.sung(syllable(syllables.group())) : note);
        }
        return TuneEdit.withTune(song, tune);
    }

    private static Optional<String> syllable(String word) {
        return word.startsWith(HELD) ? Optional.empty() : Optional.of(word);
    }

    /** The words from a tick on, as they can be typed again. */
    public static String of(Song song, int from) {
        StringBuilder text = new StringBuilder();
        for (MelodyNote note : song.melody()) {
            if (note.tick() >= from) {
                boolean joined = text.isEmpty() || text.charAt(text.length() - 1) == '-';
                text.append(joined ? "" : " ").append(note.syllable().orElse(HELD));
            }
        }
        String words = text.toString();
        while (words.endsWith(HELD)) {
            words = words.substring(0, words.length() - 1).stripTrailing();
        }
        return words;
    }
}
