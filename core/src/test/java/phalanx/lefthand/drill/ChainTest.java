package phalanx.lefthand.drill;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.PricedShape;
import phalanx.lefthand.track.Change;
import phalanx.lefthand.track.FingerMove;

/** Chains of shapes: the fingers players use, the cheapest of all, and what is said of them. */
class ChainTest {
    private static final int ROUNDS = Boolean.getBoolean("phalanx.deep") ? 200 : 10;

    private static final double TEMPO = 80;

    private final Instrument standard = Instrument.STANDARD;
    private final ChainText reader = new ChainText(standard, Hand.AVERAGE);
    private final ChainFinder finder = new ChainFinder(standard, Hand.AVERAGE, TEMPO);

    private Drill drill(String text) {
        return Drill.of(text, standard, Hand.AVERAGE, TEMPO);
    }

    private static List<String> fingers(Chain chain) {
        return chain.links().stream()
                .map(link -> String.join("", link.shape().fingers()))
                .toList();
    }

    private static List<String> moving(Chain.Link link) {
        return link.into().orElseThrow().moves().stream()
                .filter(move -> move.kind() != FingerMove.Kind.ANCHOR)
                .map(move -> move.finger().symbol())
                .toList();
    }

    /** Common practice, no source: a chain on the middle four strings that moves as few fingers as it can. */
    @Test
    void aChainOnTheMiddleStringsIsFingeredAsPlayersDo() {
        Chain chain = drill("x7687x x7677x x7577x x6567x x6576x").chain().orElseThrow();
        assertThat(fingers(chain)).containsExactly("021430", "021340", "021340", "021340", "021430");
        assertThat(moving(chain.links().get(3))).containsExactlyInAnyOrder("2", "3");
        assertThat(moving(chain.links().get(4))).containsExactlyInAnyOrder("3", "4");
    }

    @Test
    void noOtherChoiceOfFingersIsCheaper() {
        Random random = new Random(11);
        List<String> words = new ArrayList<>(
                List.of("x32010", "133211", "x75776", "320003", "x02210", "xx0232", "224442", "x24432", "022100"));
        for (int round = 0; round < ROUNDS; round++) {
            Collections.shuffle(words, random);
            List<Wanted> wanted =
                    reader.read(String.join(" ", words.subList(0, 3))).wanted();
            long cheapest = Long.MAX_VALUE;
            for (PricedShape a : wanted.get(0).ways()) {
                for (PricedShape b : wanted.get(1).ways()) {
                    for (PricedShape c : wanted.get(2).ways()) {
                        cheapest = Math.min(cheapest, cost(List.of(a, b, c)));
                    }
                }
            }
            assertThat(finder.find(wanted).effort().grains()).isEqualTo(cheapest);
        }
    }

    private long cost(List<PricedShape> ways) {
        long cost = 0;
        for (int i = 0; i < ways.size(); i++) {
            cost += 4 * ways.get(i).effort().grains();
            if (i > 0) {
                cost += Change.onTheBeat(
                                ways.get(i - 1).fingering(), ways.get(i).fingering(), standard, Hand.AVERAGE, TEMPO)
                        .effort()
                        .grains();
            }
        }
        return cost;
    }

    @Test
    void noOtherOrderIsCheaper() {
        List<Wanted> wanted = reader.read("320003 x65676 x32010 x76777").wanted();
        long cheapest = Long.MAX_VALUE;
        for (List<Wanted> order : orders(wanted)) {
            cheapest = Math.min(cheapest, finder.find(order).effort().grains());
        }
        Chain better = finder.betterOrder(wanted).orElseThrow();
        assertThat(better.effort().grains()).isEqualTo(cheapest);
        assertThat(better.links().stream().map(link -> link.wanted().text()))
                .containsExactlyInAnyOrder("320003", "x65676", "x32010", "x76777");
        // and in that order there is nothing better left
        assertThat(finder.betterOrder(
                        better.links().stream().map(Chain.Link::wanted).toList()))
                .isEmpty();
    }

    private static List<List<Wanted>> orders(List<Wanted> wanted) {
        if (wanted.isEmpty()) {
            return List.of(List.of());
        }
        List<List<Wanted>> all = new ArrayList<>();
        for (int i = 0; i < wanted.size(); i++) {
            List<Wanted> rest = new ArrayList<>(wanted);
            Wanted first = rest.remove(i);
            for (List<Wanted> order : orders(rest)) {
                List<Wanted> whole = new ArrayList<>(List.of(first));
                whole.addAll(order);
                all.add(whole);
            }
        }
        return all;
    }

    @Test
    void chordsTakeShapesThatPlayersPrint() {
        Chain chain = drill("| C Am F | G |").chain().orElseThrow();
        assertThat(chain.links().stream().map(link -> link.shape().shape().toString()))
                .startsWith("x 3 2 0 1 0", "x 0 2 2 1 0")
                .hasSize(4);
        assertThat(chain.tempoCeiling()).isGreaterThan(TEMPO);
        assertThat(chain.links().get(1).into().orElseThrow().of(FingerMove.Kind.ANCHOR))
                .hasSize(2);
    }

    @Test
    void givenFingersAreKeptAndBetterOnesSaid() {
        Drill drill = drill("x32010:043010 x02210");
        assertThat(fingers(drill.chain().orElseThrow()).get(0)).isEqualTo("043010");
        Chain better = drill.refingered().orElseThrow();
        assertThat(fingers(better).get(0)).isEqualTo("032010");
        assertThat(better.effort()).isLessThan(drill.chain().get().effort());
        assertThat(drill("x32010:032010 x02210").refingered()).isEmpty();
        assertThat(ChainText.word(better.links().get(0).shape().held())).isEqualTo("x32010:032010");
    }

    /** The reason names what is true of the moves: the fingers that stay because of it. */
    @Test
    void theReasonNamesWhatTheFingersAreFor() {
        Chain chain = drill("x02220 x02020 022100").chain().orElseThrow();
        for (Chain.Link link : chain.links()) {
            assertThat(link.why()).isNotBlank();
        }
    }

    @Test
    void whatIsNoShapeIsSaidWithItsPlaceAndTheRestKept() {
        Drill drill = drill("C Hm7 1x9x9x x32010:032011 G");
        assertThat(drill.troubles()).hasSize(3);
        assertThat(drill.troubles().get(0)).startsWith("shape 2, Hm7: ");
        assertThat(drill.troubles().get(1)).startsWith("shape 3, 1x9x9x: ");
        assertThat(drill.troubles().get(2)).startsWith("shape 4, x32010:032011: ");
        assertThat(drill.chain().orElseThrow().links()).hasSize(2);
        assertThat(drill("").chain()).isEmpty();
    }
}
