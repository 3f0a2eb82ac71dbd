package phalanx.arrange.audit;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.FindingKind;
import phalanx.lefthand.shape.ShapeBook;
import phalanx.song.ChordChange;
import phalanx.theory.ChordSymbol;
import phalanx.theory.ChordTone;

/** Says which chords of a song no hand holds whole on this guitar, and what the nearest shapes leave out. */
public final class ShapeFinding {
    private final ShapeBook book;

    /** @param book of the guitar and the hand */
    public ShapeFinding(ShapeBook book) {
        this.book = book;
    }

    /** One for each such chord, where it comes first. */
    public List<Finding> of(Arrangement arrangement) {
        List<Finding> findings = new ArrayList<>();
        Set<String> seen = new HashSet<>();
        for (ChordChange change : arrangement.song().chart()) {
            change.chord()
                    .filter(chord -> change.frets().isEmpty() && seen.add(chord.text()))
                    .filter(chord -> !book.leftOut(chord).isEmpty())
                    .ifPresent(chord -> findings.add(finding(arrangement, change.startTick(), chord)));
        }
        return findings;
    }

    private Finding finding(Arrangement arrangement, int tick, ChordSymbol chord) {
        List<ChordTone> left = book.leftOut(chord);
        String tones = left.stream().map(tone -> chord.noteOf(tone).toString()).collect(Collectors.joining(", "));
        String how = book.of(chord).isEmpty()
                ? wording("ShapeFinding.cannot-be-held-on-four")
                : wording("ShapeFinding.cannot-be-held-whole-the", tones);
        return Finding.at(
                arrangement.song(),
                tick,
                FindingKind.TONE_MISSING,
                Finding.Severity.LOW,
                left.size(),
                0,
                wording("ShapeFinding.tones-left-out"),
                wording("ShapeFinding.another-tuning-or-capo-may", chord, how));
    }
}
