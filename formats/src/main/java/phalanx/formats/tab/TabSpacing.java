package phalanx.formats.tab;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import phalanx.song.Meter;

/** What the columns of all bars of a tablature say together: where first beats stand, and how wide a step is. */
final class TabSpacing {
    private final Map<Beginning, Integer> pads = new HashMap<>();
    private final Map<Width, Integer> steps = new HashMap<>();

    /** What bars of one system that begin alike have in common. */
    private record Beginning(int line, boolean repeat) {
        Beginning(TabBar bar) {
            this(bar.line(), bar.repeatStart());
        }
    }

    /** What bars that are as wide and begin alike have in common, in any system. */
    private record Width(int columns, boolean repeat) {
        Width(TabBar bar) {
            this(bar.width(), bar.repeatStart());
        }
    }

    TabSpacing(List<TabBar> written) {
        List<TabBar> filled = written.stream()
                .filter(bar -> !TabRhythm.columns(bar).isEmpty())
                .toList();
        Map<Width, Integer> padsOfWidths = new HashMap<>();
        filled.forEach(
                bar -> padsOfWidths.merge(new Width(bar), TabRhythm.columns(bar).get(0), Math::min));
        filled.forEach(bar -> pads.merge(new Beginning(bar), padsOfWidths.get(new Width(bar)), Math::min));
        filled.forEach(bar -> steps.merge(new Width(bar), TabRhythm.step(bar, pad(bar)), TabRhythm::gcd));
    }

    /**
     * Columns that stand before the first beat of a bar, where nothing comes sooner in its system or in a bar of another
     * system that is as wide: a system may have nothing on any first beat.
     */
    int pad(TabBar bar) {
        return pads.getOrDefault(new Beginning(bar), 0);
    }

    /**
     * When the columns of a bar sound.
     *
     * @param ticks how long the bar is
     */
    TabRhythm.Times times(TabBar bar, Meter meter, int ticks) {
        return new TabRhythm(meter, ticks, pad(bar), steps.getOrDefault(new Width(bar), 0)).of(bar);
    }
}
