package phalanx.formats.page;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import phalanx.arrange.notation.StaffNotation.Head;
import phalanx.arrange.notation.StaffNotation.Struck;
import phalanx.arrange.notation.StaffNotation.Voice;

/** The columns of the signs that stand before note heads: one is not drawn over another, of whatever voices. */
final class Signs {
    /** How wide a column is, in spaces of the staff. */
    static final double COLUMN = 1.15;
    /** Signs so many places apart have room over one another. */
    private static final int APART = 6;

    private final Map<Head, Integer> columns = new IdentityHashMap<>();
    /** How many there are at each moment, of all voices. */
    private final Map<Integer, Integer> most = new HashMap<>();

    /** @param voices of a bar */
    Signs(List<Voice> voices) {
        Map<Integer, List<Head>> moments = new HashMap<>();
        for (Voice voice : voices) {
            for (Struck struck : voice.struck()) {
                struck.heads().stream().filter(head -> head.sign().isPresent()).forEach(head -> moments.computeIfAbsent(
                                struck.value().onset(), tick -> new ArrayList<>())
                        .add(head));
            }
        }
        moments.forEach((tick, signed) -> most.put(tick, arrange(signed)));
    }

    /** From the highest down, each in the column nearest to the heads that has room. */
    private int arrange(List<Head> signed) {
        signed.sort(Comparator.comparingInt(head -> -head.place()));
        List<Integer> lowest = new ArrayList<>();
        for (Head head : signed) {
            int column = 0;
            while (column < lowest.size() && lowest.get(column) - head.place() < APART) {
                column++;
            }
            if (column == lowest.size()) {
                lowest.add(head.place());
            } else {
                lowest.set(column, head.place());
            }
            columns.put(head, column);
        }
        return lowest.size();
    }

    /** How many columns left of the heads its sign stands, from 0. */
    int column(Head head) {
        return columns.get(head);
    }

    /** How many columns there are before what is struck, those of other voices at the same moment among them. */
    int columnsBefore(Struck struck) {
        return most.getOrDefault(struck.value().onset(), 0);
    }
}
