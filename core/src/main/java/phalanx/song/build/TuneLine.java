package phalanx.song.build;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import phalanx.song.MelodyNote;
import phalanx.theory.Pitch;

/**
 * Makes one line of notes of written tones: ties joined, none over the next one. Of tones at once a tune keeps the two
 * highest, a bass the lowest.
 */
final class TuneLine {
    private final Report report;
    private final boolean bass;
    private final List<MelodyNote> notes = new ArrayList<>();
    private boolean tied;

    TuneLine(Report report, boolean bass) {
        this.report = report;
        this.bass = bass;
    }

    /**
     * Adds a bar's tones.
     *
     * @param start where the bar begins
     */
    void add(List<Tone> tones, int start, String place) {
        List<Tone> sorted = new ArrayList<>(tones);
        sorted.sort(Comparator.comparingInt(Tone::onset));
        int from = 0;
        while (from < sorted.size()) {
            int to = from + 1;
            while (to < sorted.size()
                    && sorted.get(to).onset() == sorted.get(from).onset()) {
                to++;
            }
            addAtOnce(sorted.subList(from, to), start, place);
            from = to;
        }
    }

    private void addAtOnce(List<Tone> atOnce, int start, String place) {
        Comparator<Tone> height = Comparator.comparingInt(tone -> tone.pitch().midi());
        List<Tone> tones = bass ? List.of(atOnce.stream().min(height).orElseThrow()) : atOnce;
        List<Tone> byPitch = new ArrayList<>(tones);
        byPitch.sort(height.reversed());
        Tone high = byPitch.get(0);
        List<Pitch> lower = byPitch.stream()
                .map(Tone::pitch)
                .filter(pitch -> pitch.midi() < high.pitch().midi())
                .toList();
        if (lower.stream().mapToInt(Pitch::midi).distinct().count() > 1) {
            report.once(place, wording("TuneLine.of-more-than-two-notes"));
        }
        Optional<Pitch> below = lower.stream().findFirst();
        int tick = start + high.onset();
        Optional<String> syllable = bass
                ? Optional.empty()
                : tones.stream().flatMap(tone -> tone.syllable().stream()).findFirst();
        MelodyNote last = notes.isEmpty() ? null : notes.get(notes.size() - 1);
        boolean holds = tied
                && last != null
                && last.endTick() == tick
                && last.midi() == high.pitch().midi()
                && last.below().map(Pitch::midi).equals(below.map(Pitch::midi));
        if (holds) {
            notes.set(notes.size() - 1, last.lasting(last.lengthTicks() + high.length()));
        } else {
            if (last != null && last.endTick() > tick) {
                report.once(place, wording("TuneLine.notes-overlap-from-here-on"));
                notes.set(notes.size() - 1, last.lasting(tick - last.tick()));
            }
            List<Pitch> graces = bass
                    ? List.of()
                    : tones.stream()
                            .map(Tone::graces)
                            .filter(some -> !some.isEmpty())
                            .findFirst()
                            .orElse(List.of());
            notes.add(new MelodyNote(tick, high.length(), high.pitch(), syllable, below, graces));
        }
        tied = high.tied();
    }

    /** The line, nothing in it past an end. */
    List<MelodyNote> until(int end) {
        return notes.stream()
                .filter(note -> note.tick() < end)
                .map(note -> note.endTick() > end ? note.lasting(end - note.tick()) : note)
                .toList();
    }
}
