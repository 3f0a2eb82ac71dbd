package phalanx.arrange.colour;

import java.util.Comparator;
import java.util.Optional;
import java.util.stream.IntStream;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;

/** Says where the notes of an arrangement can be slurred. */
public final class SlurAdvice {
    private final Arrangement arrangement;
    private final SlurLayer layer;

    public SlurAdvice(Arrangement arrangement) {
        this.arrangement = arrangement;
        this.layer = new SlurLayer(arrangement, note -> Optional.empty());
    }

    /**
     * Why a note cannot be slurred from the one before on its string, or nothing.
     *
     * @throws IllegalArgumentException if it is no note of the arrangement
     */
    public Optional<String> refusal(ArrangedNote note) {
        int at = arrangement.notes().indexOf(note);
        if (at < 0) {
            throw new IllegalArgumentException("string " + note.string() + " has no such note at tick " + note.tick());
        }
        return layer.refusal(at);
    }

    /** How a note can be slurred, and from which fret; nothing where it cannot. */
    public Optional<String> way(ArrangedNote note) {
        int at = arrangement.notes().indexOf(note);
        return at < 0 || layer.refusal(at).isPresent()
                ? Optional.empty()
                : Optional.of(layer.kind(at).label() + " from fret "
                        + layer.before(at).fret());
    }

    /** The note nearest in time that can be slurred, if any. */
    public Optional<ArrangedNote> nearest(int tick) {
        return IntStream.range(0, arrangement.notes().size())
                .filter(at -> layer.refusal(at).isEmpty())
                .mapToObj(arrangement.notes()::get)
                .min(Comparator.comparingInt(note -> Math.abs(note.tick() - tick)));
    }
}
