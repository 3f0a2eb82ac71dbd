package phalanx.lefthand.drill;

import static phalanx.words.Words.wording;

import java.util.List;
import phalanx.lefthand.shape.PricedShape;

/**
 * One shape of a chain as it was asked for: the ways among which the chain may choose.
 *
 * @param text as typed
 * @param ways at least one, those that serve best alone first
 * @param besides what speaks against each way besides holding it, in thousandths of effort: what the order of printed
 *     shapes has against a chord's shape, nothing where frets are given
 */
public record Wanted(String text, List<PricedShape> ways, List<Integer> besides) {
    public Wanted {
        ways = List.copyOf(ways);
        besides = List.copyOf(besides);
        if (ways.isEmpty() || ways.size() != besides.size()) {
            throw new IllegalArgumentException(wording("Wanted.a-shape-of-a-chain"));
        }
    }
}
