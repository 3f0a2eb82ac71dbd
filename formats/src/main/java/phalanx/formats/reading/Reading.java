package phalanx.formats.reading;

import java.util.List;
import java.util.Objects;
import java.util.Optional;
import phalanx.arrange.Written;
import phalanx.song.MelodyNote;
import phalanx.song.Section;
import phalanx.song.Song;

/**
 * A song read from a file, and what had to be changed or left out on the way.
 *
 * @param song what was kept
 * @param report one line for each thing changed or left out, with its bar; empty when nothing was
 * @param written where every note is played, if the file is a finished arrangement
 * @param choices the parts, tracks or tunes of the file that could have been read, by name; empty where there is one
 * @param chosen which of them this is, from 0
 */
public record Reading(Song song, List<String> report, Optional<Written> written, List<String> choices, int chosen) {
    public Reading {
        Objects.requireNonNull(song, "song");
        Objects.requireNonNull(written, "written");
        report = List.copyOf(report);
        choices = List.copyOf(choices);
    }

    /** A song without an arrangement. */
    public Reading(Song song, List<String> report) {
        this(song, report, Optional.empty(), List.of(), 0);
    }

    /** The same without characters that cannot be shown, which some formats cannot hold. */
    public Reading shown() {
        List<Section> sections = song.sections().stream()
                .map(section -> new Section(named(section.name(), "Part"), section.startTick(), section.varied()))
                .toList();
        List<MelodyNote> melody = song.melody().stream()
                .map(note -> note.sung(note.syllable().map(Reading::shown).filter(text -> !text.isBlank())))
                .toList();
        Song cleaned = new Song(
                named(song.title(), "Untitled"),
                song.key(),
                song.tempo(),
                song.bars(),
                sections,
                song.chart(),
                melody,
                song.bass());
        return cleaned.equals(song) ? this : new Reading(cleaned, report, written, choices, chosen);
    }

    private static String named(String text, String otherwise) {
        String shown = shown(text).strip();
        return shown.isEmpty() ? otherwise : shown;
    }

    private static String shown(String text) {
        return text.codePoints()
                .filter(c -> !Character.isISOControl(c)
                        && c != '\ufffe'
                        && c != '\uffff'
                        && Character.getType(c) != Character.SURROGATE)
                .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
                .toString();
    }

    /** The same with what could be chosen. */
    public Reading of(List<String> names, int index) {
        return names.size() < 2 ? this : new Reading(song, report, written, names, index);
    }
}
