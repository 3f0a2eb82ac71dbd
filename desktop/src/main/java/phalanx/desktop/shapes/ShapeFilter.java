package phalanx.desktop.shapes;

import static phalanx.words.Words.wording;

import java.util.Objects;
import java.util.OptionalInt;
import phalanx.lefthand.shape.ShapeQuery;
import phalanx.lefthand.shape.Voicing;
import phalanx.theory.ChordSymbol;
import phalanx.theory.Key;
import phalanx.theory.Pitch;
import phalanx.words.Words;

/**
 * What the player wants of the shapes of a chord.
 *
 * @param bass what the lowest note must be
 * @param top the highest note and perhaps its string
 * @param mustSound strings that must sound, bit s for string s
 * @param region where fingers may press
 * @param thumb whether the thumb may be used, as far as the hand allows it
 * @param voicing which strings they sound
 * @param order how the shapes are sorted
 */
record ShapeFilter(
        Bass bass, TopNote top, int mustSound, ShapeQuery.Region region, boolean thumb, Voicing voicing, Order order) {
    static final ShapeFilter NONE =
            new ShapeFilter(Bass.WRITTEN, TopNote.ANY, 0, ShapeQuery.Region.USUAL, true, Voicing.ANY, Order.PRINTED);

    /** How shapes are sorted. */
    enum Order {
        PRINTED,
        EFFORT,
        REACH,
        NECK,
        NEAREST;

        /** What it is called on screen. */
        String label() {
            return Words.name(this);
        }
    }

    /**
     * The lowest note.
     *
     * @param written the chord's own bass
     * @param midi an exact pitch instead
     */
    record Bass(boolean written, OptionalInt midi) {
        static final Bass WRITTEN = new Bass(true, OptionalInt.empty());
        static final Bass ANY = new Bass(false, OptionalInt.empty());

        static Bass of(int midi) {
            return new Bass(false, OptionalInt.of(midi));
        }

        String label(ChordSymbol chord) {
            if (midi.isPresent()) {
                return Pitch.of(midi.getAsInt(), Key.C_MAJOR).spoken();
            }
            return written ? chord.bass().spoken() : wording("ShapeFilter.any-tone");
        }
    }

    /** The highest note. */
    record TopNote(OptionalInt midi, OptionalInt string) {
        static final TopNote ANY = new TopNote(OptionalInt.empty(), OptionalInt.empty());

        String label() {
            if (midi.isEmpty()) {
                return wording("ShapeFilter.any");
            }
            String pitch = Pitch.of(midi.getAsInt(), Key.C_MAJOR).spoken();
            return string.isPresent() ? wording("ShapeFilter.string", pitch, string.getAsInt()) : pitch;
        }
    }

    ShapeFilter {
        Objects.requireNonNull(bass, "bass");
        Objects.requireNonNull(top, "top");
        Objects.requireNonNull(region, "region");
        Objects.requireNonNull(voicing, "voicing");
        Objects.requireNonNull(order, "order");
    }

    ShapeFilter with(Bass newBass) {
        return new ShapeFilter(newBass, top, mustSound, region, thumb, voicing, order);
    }

    ShapeFilter with(TopNote newTop) {
        return new ShapeFilter(bass, newTop, mustSound, region, thumb, voicing, order);
    }

    ShapeFilter withMustSound(int strings) {
        return new ShapeFilter(bass, top, strings, region, thumb, voicing, order);
    }

    ShapeFilter with(ShapeQuery.Region newRegion) {
        return new ShapeFilter(bass, top, mustSound, newRegion, thumb, voicing, order);
    }

    ShapeFilter withThumb(boolean newThumb) {
        return new ShapeFilter(bass, top, mustSound, region, newThumb, voicing, order);
    }

    ShapeFilter with(Voicing newVoicing) {
        return new ShapeFilter(bass, top, mustSound, region, thumb, newVoicing, order);
    }

    ShapeFilter with(Order newOrder) {
        return new ShapeFilter(bass, top, mustSound, region, thumb, voicing, newOrder);
    }

    /** What a search for shapes of a chord must find. */
    ShapeQuery query(ChordSymbol chord) {
        ShapeQuery query = ShapeQuery.of(chord).withMustSound(mustSound).withRegion(region);
        if (bass.midi().isPresent()) {
            query = query.withBass(bass.midi().getAsInt());
        } else if (!bass.written()) {
            query = query.withAnyBass(chord.root().pitchClass());
        }
        return top.midi().isPresent()
                ? query.withTop(new ShapeQuery.Top(top.midi().getAsInt(), top.string()))
                : query;
    }
}
