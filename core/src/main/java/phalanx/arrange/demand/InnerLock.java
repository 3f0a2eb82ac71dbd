package phalanx.arrange.demand;

import static phalanx.words.Words.wording;

/**
 * The player's decision how many inner notes begin at a place, the tune's second note not among them.
 *
 * @param tick where
 * @param notes 0 to {@value #MOST}; a brush counts as one
 */
public record InnerLock(int tick, int notes) implements NoteLock {
    public static final int MOST = 4;

    public InnerLock {
        if (tick < 0) {
            throw new IllegalArgumentException(wording("InnerLock.a-note-at-tick", tick));
        }
        if (notes < 0 || notes > MOST) {
            throw new IllegalArgumentException(wording("InnerLock.inner-notes-at-once-between", notes, MOST));
        }
    }

    @Override
    public Role role() {
        return Role.INNER;
    }

    @Override
    public InnerLock at(int newTick) {
        return new InnerLock(newTick, notes);
    }

    @Override
    public String words() {
        return notes == 0
                ? wording("InnerLock.no-inner-note")
                : notes == 1 ? wording("InnerLock.one-inner-note") : wording("InnerLock.inner-notes", notes);
    }
}
