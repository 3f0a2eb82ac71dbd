package phalanx.arrange.colour;

import static phalanx.words.Words.wording;

import java.util.Comparator;
import java.util.Optional;
import java.util.stream.IntStream;
import phalanx.arrange.demand.AttackLock;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.technique.Attack;

/** Says how a note of an arrangement could begin. */
public final class AttackAdvice {
    private static final int LOOKED_AT = 300;

    private final Arrangement arrangement;
    private final SlurLayer slurs;
    private final HarmonicLayer harmonics;
    private final OrnamentLayer ornaments;
    private final GraceLayer graces;

    public AttackAdvice(Arrangement arrangement) {
        this.arrangement = arrangement;
        this.slurs = new SlurLayer(arrangement, note -> Optional.empty());
        this.harmonics = new HarmonicLayer(arrangement, arrangement.notes(), arrangement.holds());
        this.graces = new GraceLayer(arrangement, arrangement.notes(), arrangement.holds());
        this.ornaments = new OrnamentLayer(arrangement, arrangement.notes(), arrangement.holds());
    }

    /**
     * Why a note cannot begin so, or nothing.
     *
     * @throws IllegalArgumentException if it is no note of the arrangement
     */
    public Optional<String> refusal(ArrangedNote note, AttackLock.Way way) {
        int at = arrangement.notes().indexOf(note);
        if (at < 0) {
            throw new IllegalArgumentException(
                    wording("AttackAdvice.string-has-no-such-note", note.string(), note.tick()));
        }
        return refusal(at, way);
    }

    private Optional<String> refusal(int at, AttackLock.Way way) {
        return switch (way) {
            case PLUCKED -> Optional.empty();
            case SLURRED -> slurs.refusal(at);
            case SLID -> slurs.slideRefusal(at);
            case BENT -> slurs.bendRefusal(at);
            case SLID_INTO -> graces.slideRefusal(arrangement.notes().get(at));
            case VIBRATO, CURLED, SHIFTED ->
                ornaments.refusal(arrangement.notes().get(at), way);
            case HARMONIC -> {
                HarmonicLayer.Found found = harmonics.find(at);
                yield found.note().isPresent() ? Optional.empty() : Optional.of(found.refusal());
            }
        };
    }

    /** How a note can be slurred or bent, or where it rings as a harmonic; nothing where it cannot. */
    public Optional<String> words(ArrangedNote note, AttackLock.Way way) {
        int at = arrangement.notes().indexOf(note);
        if (at < 0 || refusal(at, way).isPresent()) {
            return Optional.empty();
        }
        return switch (way) {
            case PLUCKED -> Optional.of(wording("AttackAdvice.plucked"));
            case SLURRED ->
                Optional.of(wording(
                        "AttackAdvice.from-fret",
                        slurs.kind(at).label(),
                        slurs.before(at).fret()));
            case SLID ->
                Optional.of(
                        wording("AttackAdvice.slide-from-fret", slurs.before(at).fret()));
            case BENT ->
                Optional.of(
                        wording("AttackAdvice.bend-from-fret", slurs.before(at).fret()));
            case SLID_INTO -> graces.slidFrom(note).map(fret -> wording("AttackAdvice.slide-into-from-fret", fret));
            case SHIFTED ->
                ornaments.before(note).map(before -> wording("AttackAdvice.shift-slide-from-fret", before.fret()));
            case CURLED -> note.left().map(finger -> wording("AttackAdvice.quarter-bend", finger.symbol()));
            case VIBRATO -> note.left().map(finger -> wording("AttackAdvice.vibrato", finger.symbol()));
            case HARMONIC -> harmonics.find(at).note().map(AttackAdvice::words);
        };
    }

    private static String words(ArrangedNote rung) {
        boolean left = rung.attack() instanceof Attack.Touched touched && touched.left();
        return wording(
                "AttackAdvice.harmonic-on-string-over-fret",
                rung.string(),
                rung.writtenFret(),
                left
                        ? wording("AttackAdvice.left-hand")
                        : wording(
                                "AttackAdvice.right-index-plucked-by",
                                rung.right().symbol()));
    }

    /** The note nearest in time that can begin so, if any of the {@value #LOOKED_AT} nearest can. */
    public Optional<ArrangedNote> nearest(int tick, AttackLock.Way way) {
        return IntStream.range(0, arrangement.notes().size())
                .boxed()
                .sorted(Comparator.comparingInt(
                        at -> Math.abs(arrangement.notes().get(at).tick() - tick)))
                .limit(LOOKED_AT)
                .filter(at -> refusal(at, way).isEmpty())
                .map(arrangement.notes()::get)
                .findFirst();
    }
}
