package phalanx.cli;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.List;

/** What options change of a project, in words. */
final class Changes {
    private final List<String> told = new ArrayList<>();

    /** Remembers a choice that is another one now. */
    void tell(String what, String before, String now) {
        if (!before.equals(now)) {
            told.add(wording("Changes.in-place-of", what, now, before));
        }
    }

    boolean isEmpty() {
        return told.isEmpty();
    }

    String words() {
        return String.join(", ", told);
    }
}
