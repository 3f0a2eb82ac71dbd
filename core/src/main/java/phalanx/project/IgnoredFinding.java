package phalanx.project;

import static phalanx.words.Words.wording;

import java.util.Objects;
import java.util.Optional;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.FindingKind;
import phalanx.song.Moved;

/**
 * A finding that the player has looked at and lets stand.
 *
 * @param tick where it is
 * @param kind of what kind
 * @param reason why it may stand, in the player's words; at most {@value #LONGEST} characters
 */
public record IgnoredFinding(int tick, FindingKind kind, String reason) {
    public static final int LONGEST = 200;

    public IgnoredFinding {
        Objects.requireNonNull(kind, "kind");
        reason = reason.strip();
        if (tick < 0) {
            throw new IllegalArgumentException(wording("IgnoredFinding.a-finding-at-tick", tick));
        }
        if (reason.isEmpty() || reason.length() > LONGEST) {
            throw new IllegalArgumentException(wording("IgnoredFinding.a-finding-is-ignored-for", LONGEST));
        }
    }

    public boolean is(Finding finding) {
        return finding.tick() == tick && finding.kind() == kind;
    }

    /** The same in a song that has other bars; nothing where its bar is gone. */
    Optional<IgnoredFinding> moved(Moved moved) {
        return moved.stretches(tick, tick + 1).stream()
                .findFirst()
                .map(there -> new IgnoredFinding(there.from(), kind, reason));
    }
}
