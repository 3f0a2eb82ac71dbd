package phalanx.arrange.colour;

import static phalanx.words.Words.wording;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import phalanx.arrange.audit.Audit;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.FindingKind;
import phalanx.lefthand.track.MoveMeter;
import phalanx.righthand.Digit;
import phalanx.righthand.Picking;
import phalanx.song.Bar;
import phalanx.song.Song;
import phalanx.technique.HitKind;
import phalanx.words.Words;

/**
 * Colours an arrangement whose notes are chosen, and audits it: slurs first, those of patterns among them, then harmonics,
 * cascades, grace notes, hits where they leave the hands free, and what single fingers do.
 */
public final class Colouring {
    private final Audit audit;
    private final MoveMeter meter;

    public Colouring(Audit audit, MoveMeter meter) {
        this.audit = audit;
        this.meter = meter;
    }

    /**
     * The arrangement with its colours and what was found in it; its cost stays.
     *
     * @param priced with every note plucked
     * @param asked the hits of its patterns, or written beside its notes
     * @param wanted the digit that a pattern names for a note, if it does
     * @param hammered whether a pattern has a note hammered
     */
    public Arrangement colour(
            Arrangement priced,
            HitsAsked asked,
            Function<ArrangedNote, Optional<Digit>> wanted,
            Predicate<ArrangedNote> hammered) {
        Arrangement plain = new HammerLayer(priced, hammered).hammer(wanted);
        Song song = plain.song();
        Picking picking = plain.request().picking();
        SlurLayer.Slurred slurred = new SlurLayer(plain, wanted)
                .slur(plain.request().wishes().slurs() ? Optional.of(meter) : Optional.empty());
        HarmonicLayer.Belled belled = new HarmonicLayer(plain, slurred.notes(), slurred.holds()).ring();
        CascadeLayer.Cascaded cascaded = new CascadeLayer(plain, belled.notes(), belled.holds()).cascade();
        GraceLayer.Graced graced = new GraceLayer(plain, cascaded.notes(), cascaded.holds()).grace();
        WantedHits hits = new WantedHits(song, picking);
        HitLayer.Laid laid = new HitLayer(
                        graced.notes(),
                        graced.holds(),
                        plain.request().instrument(),
                        song,
                        picking.school().digits().contains(Digit.M) ? Digit.M : Digit.I,
                        asked.written())
                .lay(hits.with(asked.hits()));
        OrnamentLayer.Ornamented ornamented = new OrnamentLayer(plain, laid.notes(), graced.holds()).ornament();
        Arrangement audited =
                audit.audited(plain.coloured(ornamented.notes(), graced.holds(), laid.hits(), slurred.gains()));
        List<Finding> findings = new ArrayList<>(slurred.findings());
        findings.addAll(belled.findings());
        findings.addAll(cascaded.findings());
        findings.addAll(graced.findings());
        findings.addAll(ornamented.findings());
        findings.addAll(omitted(song, laid.omissions()));
        hits.unfit().stream()
                .limit(1)
                .forEach(bar ->
                        findings.add(otherMeter(song, picking, bar, hits.unfit().size())));
        findings.addAll(audited.findings());
        findings.sort(Comparator.comparingInt(Finding::tick));
        return audited.with(findings, audited.ceiling());
    }

    /** One finding for all of a bar that have one reason. */
    private static List<Finding> omitted(Song song, List<HitLayer.Omission> omissions) {
        record Like(int bar, HitKind kind, Optional<HitKind> instead, String reason) {}
        Map<Like, List<Integer>> alike = new LinkedHashMap<>();
        for (HitLayer.Omission omission : omissions) {
            int tick = omission.wanted().tick();
            Like like =
                    new Like(song.barIndexAt(tick), omission.wanted().kind(), omission.instead(), omission.reason());
            alike.computeIfAbsent(like, key -> new ArrayList<>()).add(tick);
        }
        List<Finding> findings = new ArrayList<>();
        alike.forEach((like, ticks) -> {
            Bar bar = song.bars().get(like.bar);
            String beats = ticks.stream()
                    .map(tick -> Words.figure(bar.beatOf(tick)))
                    .collect(Collectors.joining(wording("Colouring.and")));
            String became = like.instead
                    .map(kind -> wording("Colouring.a-instead", kind.label()))
                    .orElse(wording("Colouring.left-out"));
            findings.add(finding(
                    song,
                    ticks.get(0),
                    ticks.size(),
                    wording(
                            "Colouring.the-is",
                            like.kind.label(),
                            ticks.size() > 1 ? wording("Colouring.on", beats) : "",
                            became,
                            like.reason)));
        });
        return findings;
    }

    private static Finding otherMeter(Song song, Picking picking, Bar bar, int bars) {
        String name = picking.planAt(bar.startTick()).groove().orElseThrow().name();
        return finding(
                song,
                bar.startTick(),
                bars,
                wording(
                        "Colouring.the-groove-is-made-for",
                        name,
                        bar.meter(),
                        bars,
                        bars == 1 ? wording("Colouring.bar") : wording("Colouring.bars")));
    }

    private static Finding finding(Song song, int tick, int count, String what) {
        return Finding.at(song, tick, FindingKind.HIT_NOT_LAID, Finding.Severity.LOW, count, 0, "hits", what);
    }
}
