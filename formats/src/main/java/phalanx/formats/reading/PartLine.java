package phalanx.formats.reading;

import static phalanx.words.Words.wording;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import phalanx.song.build.SongBuilder;

/**
 * A voice of a part, a track or a tune that could be read.
 *
 * @param song the part that it belongs to
 * @param voice its name there
 * @param name what a player reads
 */
public record PartLine(SongBuilder song, String voice, String name) {
    /** Its name and what it holds. */
    public String words() {
        int notes = song.notes(voice);
        String held = notes > 0
                ? notes == 1 ? wording("PartLine.1-note") : wording("PartLine.notes", notes)
                : wording("PartLine.chords");
        return name + ": " + held + (syllables() > 0 ? wording("PartLine.with-words") : "");
    }

    private long syllables() {
        return song.syllables(voice);
    }

    /** The first that is sung, or named for it, or has chord symbols over it; else the first. */
    public static PartLine likeliest(List<PartLine> lines) {
        long most = lines.stream().mapToLong(PartLine::syllables).max().orElse(0);
        Optional<PartLine> sung = lines.stream()
                .filter(line -> most > 0 && 2 * line.syllables() >= most)
                .findFirst();
        return sung.or(() -> lines.stream()
                        .filter(line -> line.name.toLowerCase(Locale.ROOT).matches(Choice.NAMED_FOR_THE_TUNE))
                        .findFirst())
                .or(() -> lines.stream().filter(line -> line.song.hasChords()).findFirst())
                .orElse(lines.get(0));
    }

    /**
     * Gives the song of a tune the other parts that are wanted with it, and says what was left out.
     *
     * @throws FormatException if there are not so many
     */
    public void join(List<PartLine> lines, Choice choice) throws FormatException {
        PartLine harmony = Choice.of(lines, choice.harmony(), null);
        PartLine bass = Choice.of(lines, choice.bass(), null);
        if (harmony != null) {
            song.harmony(harmony.song, harmony.voice);
        }
        if (bass != null) {
            song.bass(bass.song, bass.voice);
        }
        if (lines.size() < 2) {
            return;
        }
        List<String> others = lines.stream()
                .filter(line -> line != this && line != harmony && line != bass)
                .map(PartLine::name)
                .toList();
        int shown = Math.min(4, others.size());
        String left = String.join("; ", others.subList(0, shown))
                + (others.size() > shown ? wording("PartLine.and-more", others.size() - shown) : "");
        song.report()
                .say(
                        "",
                        wording(
                                "PartLine.is-taken-for-the-tune",
                                name,
                                harmony == null ? "" : wording("PartLine.for-a-second-voice-under", harmony.name),
                                bass == null ? "" : wording("PartLine.for-the-bass", bass.name),
                                left.isEmpty() ? "" : wording("PartLine.left-out", left)));
    }
}
