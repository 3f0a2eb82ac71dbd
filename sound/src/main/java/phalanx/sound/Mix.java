package phalanx.sound;

import static phalanx.words.Words.wording;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.Map;
import java.util.stream.Collectors;

/**
 * How loud each layer is, and with what the fingers pluck.
 *
 * @param levels from 0, silent, to 1, as it is meant
 * @param nails whether the fingers have nails; the thumb plays with its flesh
 */
public record Mix(Map<Layer, Double> levels, boolean nails) {
    /** Everything that is played, without click and voice. */
    public static final Mix USUAL = new Mix(Map.of(), true);

    /** Nothing at all. */
    public static final Mix SILENT =
            new Mix(Arrays.stream(Layer.values()).collect(Collectors.toMap(layer -> layer, layer -> 0.0)), true);

    public Mix {
        Map<Layer, Double> all = new EnumMap<>(Layer.class);
        for (Layer layer : Layer.values()) {
            double level = levels.getOrDefault(layer, layer.isUsual() ? 1.0 : 0.0);
            if (!(level >= 0 && level <= 1)) {
                throw new IllegalArgumentException(wording("Mix.at-0-to-1", layer.label(), level));
            }
            all.put(layer, level);
        }
        levels = Map.copyOf(all);
    }

    public double level(Layer layer) {
        return levels.get(layer);
    }

    public Mix with(Layer layer, double level) {
        Map<Layer, Double> changed = new EnumMap<>(levels);
        changed.put(layer, level);
        return new Mix(changed, nails);
    }

    public Mix withNails(boolean fingers) {
        return new Mix(levels, fingers);
    }

    /** One layer of what is played alone; click and voice stay as they are. */
    public Mix solo(Layer alone) {
        Mix mix = this;
        for (Layer layer : Layer.values()) {
            if (layer.isUsual()) {
                mix = mix.with(layer, layer == alone ? 1 : 0);
            }
        }
        return mix;
    }
}
