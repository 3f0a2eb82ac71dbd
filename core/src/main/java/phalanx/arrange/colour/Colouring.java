package phalanx.arrange.colour;

import java.util.ArrayList;
import java.util.List;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.FindingKind;
import phalanx.arrange.score.Hold;
import phalanx.righthand.Picking;
import phalanx.song.Bar;
import phalanx.song.Song;
import phalanx.technique.Hit;

/** Colours the notes of a song. */
public final class Colouring {
    private final Song song;
    private final Picking picking;
    private final int strings;

    /** @param strings of the guitar */
    public Colouring(Song song, Picking picking, int strings) {
        this.song = song;
        this.picking = picking;
        this.strings = strings;
    }

    /**
     * What comes of it.
     *
     * @param notes in order of tick
     * @param hits in order of tick
     * @param findings what was asked for and could not be, in order of tick
     */
    public record Coloured(List<ArrangedNote> notes, List<Hit> hits, List<Finding> findings) {}

    /**
     * Lays the hits of patterns and grooves.
     *
     * @param notes with digits, in order of tick
     * @param patterned the hits of the patterns
     */
    public Coloured colour(List<ArrangedNote> notes, List<Hold> holds, List<Hit> patterned) {
        WantedHits wanted = new WantedHits(song, picking);
        HitLayer.Laid laid = new HitLayer(notes, holds, strings, song.tempo()).lay(wanted.with(patterned));
        List<Finding> findings = new ArrayList<>();
        laid.omissions().forEach(omission -> findings.add(finding(omission)));
        wanted.unfit().stream()
                .limit(1)
                .forEach(bar -> findings.add(otherMeter(bar, wanted.unfit().size())));
        return new Coloured(laid.notes(), laid.hits(), findings);
    }

    private Finding finding(HitLayer.Omission omission) {
        Hit hit = omission.wanted();
        String became = omission.instead()
                .map(kind -> "is a " + kind.label() + " instead")
                .orElse("is left out");
        return finding(hit.tick(), "the " + hit.kind().label() + " " + became + ": " + omission.reason() + ".");
    }

    private Finding otherMeter(Bar bar, int bars) {
        String name = picking.planAt(bar.startTick()).groove().orElseThrow().name();
        return finding(
                bar.startTick(),
                "the groove " + name + " is made for another meter than " + bar.meter() + " and left out of " + bars
                        + (bars == 1 ? " bar." : " bars."));
    }

    private Finding finding(int tick, String what) {
        return Finding.at(song, tick, FindingKind.HIT_NOT_LAID, Finding.Severity.LOW, 0, 1, "hits", what);
    }
}
