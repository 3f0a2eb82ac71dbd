package phalanx.desktop.session;

import static phalanx.words.Words.wording;

import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import phalanx.project.Project;
import phalanx.project.Version;

/** What an edit has done besides what was asked for, in words for the player. */
public final class EditWords {
    private EditWords() {}

    /**
     * Sentences, each after a space; none where nothing else was done.
     *
     * @param anew whether the edit is to arrange anew what was written
     */
    public static String besides(Project now, Project next, boolean anew) {
        boolean frees = now.written().isPresent() && next.written().isEmpty() && !anew;
        String freed = frees ? wording("EditWords.the-notes-that-were-kept") : "";
        return freed + othersFreed(now, next) + goneWithBars(now, next) + gaveWay(now, next);
    }

    /** Which other versions were kept as written and are arranged anew from now on. */
    private static String othersFreed(Project now, Project next) {
        String names = now.versions().stream()
                .filter(before -> before.written().isPresent() && before != now.version())
                .filter(before -> next.versions().stream()
                        .anyMatch(after -> after.name().equals(before.name())
                                && after.written().isEmpty()))
                .map(Version::name)
                .collect(Collectors.joining(", "));
        return names.isEmpty() ? "" : wording("EditWords.no-longer-kept-as-written", names);
    }

    /** A word about notes and locks that went with their bars. */
    private static String goneWithBars(Project before, Project after) {
        if (before.song().bars().equals(after.song().bars())) {
            return "";
        }
        int notes = before.song().melody().size()
                + before.song().bass().size()
                - after.song().melody().size()
                - after.song().bass().size();
        int locks = before.locks().size() - after.locks().size();
        String gone = Stream.of(
                        notes <= 0 ? "" : notes == 1 ? wording("EditWords.a-note") : wording("EditWords.notes", notes),
                        locks <= 0 ? "" : locks == 1 ? wording("EditWords.a-lock") : wording("EditWords.locks", locks))
                .filter(words -> !words.isEmpty())
                .collect(Collectors.joining(wording("EditWords.and")));
        return gone.isEmpty()
                ? ""
                : wording(
                        "EditWords.went-with-the-bars",
                        gone.substring(0, 1).toUpperCase(Locale.ROOT),
                        gone.substring(1));
    }

    /** Which decisions a new one has taken the place of. */
    private static String gaveWay(Project before, Project after) {
        boolean decided = before.song().bars().equals(after.song().bars())
                && !before.locks().containsAll(after.locks());
        String gone = before.locks().stream()
                .filter(lock -> decided && !after.locks().contains(lock))
                .map(lock -> wording(
                        "EditWords.in-bar",
                        lock.words(),
                        before.song().barAt(lock.startTick()).number()))
                .collect(Collectors.joining(", "));
        return gone.isEmpty() ? "" : wording("EditWords.it-takes-the-place-of", gone);
    }
}
