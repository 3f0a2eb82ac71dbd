package phalanx.arrange.notation;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import phalanx.arrange.demand.Role;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.song.Bar;
import phalanx.song.MelodyNote;
import phalanx.song.Song;
import phalanx.theory.Pitch;

/** The notes of one role, or of a tune, each with where it ends as it is written; given out bar by bar, in order. */
public final class VoiceLine {
    private final List<Sounding> notes;
    /** The first that is not over. */
    private int first;

    private VoiceLine(List<Sounding> notes) {
        this.notes = notes;
    }

    /**
     * A syllable under a note.
     *
     * @param text without hyphens
     * @param joined whether the word began before
     * @param goesOn whether it goes on
     */
    public record Sung(String text, boolean joined, boolean goesOn) {}

    /**
     * A note of a voice.
     *
     * @param end where it ends as written: with those struck with it, and where the next of its voice begins
     * @param rings whether it rings on after that
     * @param played how it is played, if that is known
     * @param sung what is sung to it
     * @param graces what sounds just before it
     */
    public record Sounding(
            Pitch pitch,
            int tick,
            int end,
            boolean rings,
            Optional<ArrangedNote> played,
            Optional<Sung> sung,
            List<Pitch> graces) {}

    /** The notes of a role, those of the tune with its words and as long as it means them. */
    public static VoiceLine of(Arrangement arrangement, Role role) {
        List<ArrangedNote> own =
                arrangement.notes().stream().filter(note -> note.role() == role).toList();
        Map<Integer, Sung> words = role == Role.MELODY ? sung(arrangement.song()) : Map.of();
        Map<Integer, Integer> meant = new HashMap<>();
        if (role == Role.MELODY) {
            arrangement.song().melody().forEach(note -> meant.put(note.tick(), note.endTick()));
        }
        List<Sounding> notes = new ArrayList<>();
        for (int from = 0, to; from < own.size(); from = to) {
            int tick = own.get(from).tick();
            int end = own.get(from).endTick();
            for (to = from; to < own.size() && own.get(to).tick() == tick; to++) {
                end = Math.min(end, own.get(to).endTick());
            }
            end = meant.getOrDefault(tick, end);
            end = to < own.size() ? Math.min(end, own.get(to).tick()) : end;
            Optional<Sung> sung = Optional.ofNullable(words.get(tick));
            for (ArrangedNote note : own.subList(from, to)) {
                Pitch pitch = Pitch.of(note.midi(), arrangement.song().key());
                List<Pitch> graces = note.graces(arrangement.request().instrument()).stream()
                        .map(midi -> Pitch.of(midi, arrangement.song().key()))
                        .toList();
                notes.add(new Sounding(pitch, tick, end, note.endTick() > end, Optional.of(note), sung, graces));
                sung = Optional.empty();
            }
        }
        return new VoiceLine(notes);
    }

    /** The tune of a song. */
    public static VoiceLine of(Song song) {
        Map<Integer, Sung> words = sung(song);
        List<Sounding> notes = new ArrayList<>();
        for (MelodyNote note : song.melody()) {
            Optional<Sung> sung = Optional.ofNullable(words.get(note.tick()));
            notes.add(new Sounding(
                    note.pitch(), note.tick(), note.endTick(), false, Optional.empty(), sung, note.graces()));
            note.below()
                    .ifPresent(below -> notes.add(new Sounding(
                            below, note.tick(), note.endTick(), false, Optional.empty(), Optional.empty(), List.of())));
        }
        return new VoiceLine(notes);
    }

    /** Whether a syllable begins, goes on or ends a word follows from the hyphens around it. */
    private static Map<Integer, Sung> sung(Song song) {
        Map<Integer, Sung> sung = new HashMap<>();
        boolean joined = false;
        for (MelodyNote note : song.melody()) {
            if (note.syllable().isPresent()) {
                String syllable = note.syllable().get();
                boolean goesOn = syllable.endsWith("-");
                String text = goesOn ? syllable.substring(0, syllable.length() - 1) : syllable;
                sung.put(note.tick(), new Sung(text, joined, goesOn));
                joined = goesOn;
            }
        }
        return sung;
    }

    /** Those that sound in a bar; bars are asked for in order. */
    public List<Sounding> in(Bar bar) {
        while (first < notes.size() && notes.get(first).end <= bar.startTick()) {
            first++;
        }
        int to = first;
        while (to < notes.size() && notes.get(to).tick < bar.endTick()) {
            to++;
        }
        return notes.subList(first, to);
    }
}
