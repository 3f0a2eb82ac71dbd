package phalanx.lefthand.drill;

import java.util.List;
import java.util.Optional;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;

/**
 * A typed chain worked out: as it is, and better where there is something better.
 *
 * @param chain the shapes in their order; nothing where no word of it is a shape
 * @param refingered the same with fingers of our choice, where given ones cost more
 * @param reordered the same in another order, where one costs clearly less
 * @param troubles one sentence for each word that was left out
 */
public record Drill(
        Optional<Chain> chain, Optional<Chain> refingered, Optional<Chain> reordered, List<String> troubles) {
    public Drill {
        troubles = List.copyOf(troubles);
    }

    /**
     * Works out a chain as {@link ChainText} reads it.
     *
     * @param tempo quarter notes a minute, four for each shape
     */
    public static Drill of(String text, Instrument instrument, Hand hand, double tempo) {
        ChainText reader = new ChainText(instrument, hand);
        ChainFinder finder = new ChainFinder(instrument, hand, tempo);
        ChainText.Reading reading = reader.read(text);
        List<Wanted> wanted = reading.wanted();
        if (wanted.isEmpty()) {
            return new Drill(Optional.empty(), Optional.empty(), Optional.empty(), reading.troubles());
        }
        Chain chain = finder.find(wanted);
        List<Wanted> free = reader.read(withoutFingers(wanted)).wanted();
        Chain own = finder.find(free);
        Optional<Chain> refingered = own.effort().compareTo(chain.effort()) < 0 ? Optional.of(own) : Optional.empty();
        return new Drill(Optional.of(chain), refingered, finder.betterOrder(free), reading.troubles());
    }

    private static String withoutFingers(List<Wanted> wanted) {
        StringBuilder text = new StringBuilder();
        wanted.forEach(one -> text.append(one.text().split(":")[0]).append(' '));
        return text.toString();
    }
}
