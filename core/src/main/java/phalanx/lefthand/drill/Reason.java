package phalanx.lefthand.drill;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import phalanx.cost.Effort;
import phalanx.cost.Term;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.lefthand.shape.PricedShape;
import phalanx.lefthand.track.Change;
import phalanx.lefthand.track.FingerMove;
import phalanx.words.Words;

/** Says in one sentence why a shape of a chain is held by these fingers and not by those that are easiest for it alone. */
final class Reason {
    private final Instrument instrument;
    private final Hand hand;
    private final double tempo;

    Reason(Instrument instrument, Hand hand, double tempo) {
        this.instrument = instrument;
        this.hand = hand;
        this.tempo = tempo;
    }

    String why(Wanted wanted, PricedShape chosen, Optional<PricedShape> before, Optional<PricedShape> after) {
        List<PricedShape> same = wanted.ways().stream()
                .filter(way -> way.shape().equals(chosen.shape()))
                .toList();
        PricedShape alone =
                same.stream().min(Comparator.comparing(PricedShape::effort)).orElseThrow();
        if (same.size() == 1) {
            return wanted.text().contains(":")
                    ? wording("Reason.as-given")
                    : wording("Reason.no-other-fingers-hold-it");
        }
        if (alone.fingering().equals(chosen.fingering())) {
            return wording("Reason.the-easiest-fingers-for-this");
        }
        List<String> kept = new ArrayList<>();
        before.ifPresent(from -> kept.addAll(kept(
                wording("Reason.from", from.shape()),
                change(from, chosen).moves(),
                change(from, alone).moves())));
        after.ifPresent(to -> kept.addAll(kept(
                wording("Reason.into", to.shape()),
                change(chosen, to).moves(),
                change(alone, to).moves())));
        String instead = wording("Reason.not", fingers(chosen), fingers(alone));
        return kept.isEmpty()
                ? instead + ": " + dearer(chosen, alone, before, after)
                : wording("Reason.so-that", instead, String.join(wording("Reason.and"), kept));
    }

    /** Fingers from the lowest string as players write them, a hyphen where none presses. */
    private static String fingers(PricedShape shape) {
        return shape.fingers().stream()
                .map(finger -> finger.equals("0") ? "-" : finger)
                .collect(Collectors.joining(" "));
    }

    private Change change(PricedShape from, PricedShape to) {
        return Change.onTheBeat(from.fingering(), to.fingering(), instrument, hand, tempo);
    }

    private static List<String> kept(String where, List<FingerMove> chosen, List<FingerMove> alone) {
        List<String> kept = new ArrayList<>();
        for (FingerMove.Kind kind : List.of(FingerMove.Kind.ANCHOR, FingerMove.Kind.GUIDE)) {
            List<String> fingers = chosen.stream()
                    .filter(move -> move.kind() == kind)
                    .map(move -> move.finger().symbol())
                    .toList();
            long otherwise = alone.stream().filter(move -> move.kind() == kind).count();
            if (fingers.size() > otherwise) {
                String verb = kind == FingerMove.Kind.ANCHOR ? wording("Reason.stay") : wording("Reason.slide");
                kept.add(String.join(wording("Reason.and"), fingers) + " " + verb + (fingers.size() == 1 ? "s " : " ")
                        + where);
            }
        }
        return kept;
    }

    private String dearer(
            PricedShape chosen, PricedShape alone, Optional<PricedShape> before, Optional<PricedShape> after) {
        Effort more = around(alone, before, after).minus(around(chosen, before, after));
        return String.format(
                Words.figures(),
                wording("Reason.with-those-the-changes-would"),
                more.total(),
                more.decides().map(Term::label).orElse(wording("Reason.nothing")));
    }

    private Effort around(PricedShape shape, Optional<PricedShape> before, Optional<PricedShape> after) {
        Effort.Sum sum = new Effort.Sum();
        before.ifPresent(from -> sum.add(change(from, shape).effort()));
        after.ifPresent(to -> sum.add(change(shape, to).effort()));
        return sum.done();
    }
}
