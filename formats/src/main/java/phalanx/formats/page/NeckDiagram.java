package phalanx.formats.page;

import static phalanx.words.Words.wording;

import java.util.Comparator;
import java.util.Map;
import java.util.Optional;
import phalanx.guitar.Instrument;
import phalanx.guitar.Reach;
import phalanx.lefthand.shape.Fingering;
import phalanx.lefthand.shape.HeldShape;
import phalanx.lefthand.shape.Press;
import phalanx.words.Words;

/**
 * A shape on the neck, string 1 on top, to scale along the neck; across it the strings stand wider, so that the fingers
 * can be read. Under it the widest reach in millimetres.
 */
final class NeckDiagram {
    private static final int FRETS = 4;
    /** In the distance of its strings. */
    private static final double BEAD = 1.15;

    private static final double BEFORE = 1.6;

    private final Instrument instrument;
    private final HeldShape held;
    private final double space;
    private final double width;
    private final boolean leftHanded;

    /**
     * @param space between two strings, in points
     * @param width of the whole, in points
     * @param leftHanded whether the nut is at the right
     */
    NeckDiagram(Instrument instrument, HeldShape held, double space, double width, boolean leftHanded) {
        this.instrument = instrument;
        this.held = held;
        this.space = space;
        this.width = width;
        this.leftHanded = leftHanded;
    }

    double height() {
        return (instrument.strings() - 1 + 4.2) * space;
    }

    /** Draws it with its upper string half a bead below a place. */
    void draw(Pen pen, double x, double y) {
        double top = y + BEAD / 2 * space;
        double bottom = top + (instrument.strings() - 1) * space;
        double nut = leftHanded ? x + width - BEFORE * space : x + BEFORE * space;
        double end = leftHanded ? x : x + width;
        Fingering fingering = held.fingering();
        int lowest = fingering.presses().stream().mapToInt(Press::fret).min().orElse(1);
        int highest = fingering.presses().stream().mapToInt(Press::fret).max().orElse(1);
        int first = highest <= FRETS ? 0 : lowest - 1;
        int last = Math.min(instrument.highestFret(), Math.max(first + FRETS, highest));
        first = Math.min(first, last - 1);
        double from = wire(first);
        double scale = (end - nut) / (wire(last) - from);
        for (int string = 1; string <= instrument.strings(); string++) {
            double at = top + (string - 1) * space;
            pen.line(nut, at, end, at, 0.08 * space, Shade.QUIET);
            mark(pen, string, (leftHanded ? 1 : -1) * BEFORE / 2 * space + nut, at);
        }
        for (int fret = first; fret <= last; fret++) {
            double at = nut + (wire(fret) - from) * scale;
            pen.line(at, top, at, bottom, (fret == 0 ? 0.35 : 0.1) * space, fret == 0 ? Shade.INK : Shade.QUIET);
            if (fret > first) {
                double middle = nut + ((wire(fret) + wire(fret - 1)) / 2 - from) * scale;
                pen.centred(String.valueOf(fret), middle, bottom + 1.25 * space, Face.MONO, space, Shade.QUIET);
            }
        }
        for (Press press : fingering.presses()) {
            double at = nut + (instrument.alongMm(press.fret()) - from) * scale;
            double bead = BEAD * space;
            double high = top + (press.trebleString() - 1) * space - bead / 2;
            double low = top + (press.bassString() - 1) * space + bead / 2;
            pen.filled(at - bead / 2, high, bead, low - high, bead / 2, Shade.INK);
            pen.centred(press.finger().symbol(), at, (high + low) / 2, Face.MONO_BOLD, 0.95 * space, Shade.PAPER);
        }
        pen.centred(reach(), (nut + end) / 2, bottom + 2.7 * space, Face.SANS, space, Shade.INK);
    }

    private double wire(int fret) {
        return instrument.guitar().wireMm(instrument.capo() + fret);
    }

    /** A ring before an open string, a cross before a silent one. */
    private void mark(Pen pen, int string, double x, double y) {
        int fret = held.shape().fret(string);
        double half = 0.32 * space;
        if (fret < 0) {
            pen.line(x - half, y - half, x + half, y + half, 0.12 * space, Shade.INK);
            pen.line(x - half, y + half, x + half, y - half, 0.12 * space, Shade.INK);
        } else if (fret == 0) {
            pen.framed(x - half, y - half, 2 * half, 2 * half, half, 0.12 * space, Shade.INK);
        }
    }

    private String reach() {
        Map<Reach.Pair, Double> reaches = held.fingering().reaches(instrument);
        Optional<Reach.Pair> widest = reaches.keySet().stream().max(Comparator.comparing(reaches::get));
        return widest.map(pair -> String.format(
                        Words.figures(), wording("NeckDiagram.to-mm"), pair.low(), pair.high(), reaches.get(pair)))
                .orElse(held.fingering().presses().isEmpty() ? wording("NeckDiagram.open") : "");
    }
}
