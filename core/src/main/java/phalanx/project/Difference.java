package phalanx.project;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** What differs between two states of a project, in a few words each, for a player who has to choose one. */
public final class Difference {
    private Difference() {}

    /** One entry for each kind of thing; empty where both are the same. */
    public static List<String> words(Project before, Project after) {
        List<String> words = new ArrayList<>();
        add(!before.song().title().equals(after.song().title()), wording("Difference.title"), words);
        count(before.song().melody(), after.song().melody(), "tune", words);
        count(before.song().bass(), after.song().bass(), "bass", words);
        count(before.song().chart(), after.song().chart(), "chord", words);
        add(!before.song().bars().equals(after.song().bars()), wording("Difference.bars"), words);
        add(!before.song().sections().equals(after.song().sections()), wording("Difference.sections"), words);
        add(!before.song().key().equals(after.song().key()), wording("Difference.key"), words);
        add(before.song().tempo() != after.song().tempo(), wording("Difference.tempo"), words);
        add(!before.strings().equals(after.strings()), wording("Difference.strings"), words);
        add(!before.hand().equals(after.hand()), wording("Difference.hand"), words);
        words.addAll(decided(before.version(), after.version()));
        count(others(before), others(after), "version", words);
        return words;
    }

    /** What is decided otherwise in another version. */
    public static List<String> decided(Version before, Version after) {
        List<String> words = new ArrayList<>();
        add(!before.instrument().equals(after.instrument()), wording("Difference.guitar-tuning-or-capo"), words);
        count(before.locks(), after.locks(), "lock", words);
        add(!before.picking().equals(after.picking()), wording("Difference.picking"), words);
        add(!before.wishes().equals(after.wishes()), wording("Difference.wishes"), words);
        add(!before.written().equals(after.written()), wording("Difference.notes-kept-as-written"), words);
        add(!before.ignored().equals(after.ignored()), wording("Difference.ignored-findings"), words);
        return words;
    }

    private static List<Version> others(Project project) {
        List<Version> others = new ArrayList<>(project.versions());
        others.remove(project.shown());
        return others;
    }

    private static void add(boolean differs, String what, List<String> words) {
        if (differs) {
            words.add(what);
        }
    }

    /** How many things of two lists are in one alone, a changed one counted once; {@code what} names their words. */
    private static <T> void count(List<T> before, List<T> after, String what, List<String> words) {
        Set<T> gone = new HashSet<>(before);
        after.forEach(gone::remove);
        Set<T> added = new HashSet<>(after);
        before.forEach(added::remove);
        int changed = Math.max(gone.size(), added.size());
        if (changed > 0) {
            words.add(wording("Difference." + what + (changed == 1 ? ".one" : ".many"), changed));
        }
    }
}
