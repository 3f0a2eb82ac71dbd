package phalanx.desktop.practice;

import static phalanx.words.Words.wording;

import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import javafx.scene.input.KeyCode;
import phalanx.words.Words;

/**
 * Keys of the player's own for what is done with a guitar in the lap: a pedal sends some key, or another one is nearer.
 * They work beside the usual ones, and come before them.
 */
public final class PracticeKeys {
    /** What can be done with one key. */
    public enum Action {
        START(wording("PracticeKeys.space")),
        AGAIN("A"),
        CLEAN("C"),
        NOT_CLEAN("X"),
        NEXT(wording("PracticeKeys.enter-right")),
        BEFORE(wording("PracticeKeys.left")),
        FASTER(wording("PracticeKeys.up")),
        SLOWER(wording("PracticeKeys.down"));

        private final String usual;

        Action(String usual) {
            this.usual = usual;
        }

        /** What it is called on screen. */
        String label() {
            return Words.name(this);
        }

        /** The keys that do it anyway. */
        String usual() {
            return usual;
        }
    }

    /** They lead out of everything, or do something everywhere. */
    private static final Set<KeyCode> TAKEN =
            Set.of(KeyCode.ESCAPE, KeyCode.TAB, KeyCode.F1, KeyCode.F9, KeyCode.SPACE, KeyCode.UNDEFINED);

    private final Map<Action, KeyCode> own = new EnumMap<>(Action.class);

    /** What was kept; what is not known any more is left out. */
    public void use(Map<String, String> kept) {
        own.clear();
        for (Action action : Action.values()) {
            for (KeyCode code : KeyCode.values()) {
                if (code.name().equals(kept.get(action.name())) && isFree(code)) {
                    own.put(action, code);
                }
            }
        }
    }

    /** To be kept, by the names of actions and keys. */
    public Map<String, String> toKeep() {
        Map<String, String> kept = new TreeMap<>();
        own.forEach((action, code) -> kept.put(action.name(), code.name()));
        return kept;
    }

    /** Whether a key can be taken. */
    static boolean isFree(KeyCode code) {
        return !TAKEN.contains(code) && !code.isModifierKey();
    }

    /**
     * Gives an action a key of its own; another that had it has none then.
     *
     * @throws IllegalArgumentException if the key cannot be taken
     */
    void set(Action action, KeyCode code) {
        if (!isFree(code)) {
            throw new IllegalArgumentException(
                    wording("PracticeKeys.does-something-everywhere-take-another", code.getName()));
        }
        own.values().removeIf(code::equals);
        own.put(action, code);
    }

    void clear(Action action) {
        own.remove(action);
    }

    Optional<KeyCode> of(Action action) {
        return Optional.ofNullable(own.get(action));
    }

    /** What a key of the player's own does. */
    Optional<Action> does(KeyCode code) {
        return own.entrySet().stream()
                .filter(entry -> entry.getValue() == code)
                .map(Map.Entry::getKey)
                .findFirst();
    }
}
