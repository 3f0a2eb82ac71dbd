package phalanx.formats.events;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import phalanx.arrange.audit.SongFigures;
import phalanx.arrange.score.ArrangedNote;
import phalanx.arrange.score.Arrangement;
import phalanx.arrange.score.Finding;
import phalanx.arrange.score.Hold;
import phalanx.guitar.Instrument;
import phalanx.guitar.Reach;
import phalanx.lefthand.shape.Finger;
import phalanx.project.Version;
import phalanx.song.Bar;
import phalanx.song.ChordChange;
import phalanx.song.MelodyNote;
import phalanx.song.Ticks;
import phalanx.technique.Attack;

/** Writes an arrangement as one JSON object of events, with the fields that the command line promises. */
public final class EventsJson {
    private static final double QUARTER_TONE = 0.5;

    private static final double HUNDREDTH = 100;

    private final ObjectMapper mapper = new ObjectMapper();

    /** The object as text, indented. */
    public String write(Arrangement arrangement, double solveMillis) {
        return tree(arrangement, solveMillis).toPrettyString();
    }

    ObjectNode tree(Arrangement arrangement, double solveMillis) {
        ObjectNode root = mapper.createObjectNode();
        root.put("title", arrangement.song().title());
        arrangement.request().instrument().tuning().open().forEach(root.putArray("tuning")::add);
        root.put("capo", arrangement.request().instrument().capo());
        root.put("scaleLengthMm", arrangement.request().instrument().guitar().scaleMm());
        ObjectNode limits = root.putObject("reachLimitMm");
        Reach.PAIRS.forEach(pair ->
                limits.put(pair.toString(), rounded(arrangement.request().hand().greatestMm(pair))));
        root.put("ticksPerQuarter", Ticks.QUARTER);
        addSong(arrangement, root);
        ArrayNode notes = root.putArray("notes");
        Instrument instrument = arrangement.request().instrument();
        arrangement.notes().forEach(note -> addNote(note, instrument, notes.addObject()));
        ArrayNode holds = root.putArray("holds");
        arrangement.holds().forEach(hold -> addHold(hold, holds.addObject()));
        ArrayNode hits = root.putArray("hits");
        arrangement.hits().forEach(hit -> hits.addObject()
                .put("tick", hit.tick())
                .put("kind", hit.kind().word())
                .put("hand", hit.kind().side().word()));
        if (!arrangement.slurs().isEmpty()) {
            addSlurs(arrangement, root.putArray("slurs"));
        }
        addAudit(arrangement, root);
        root.put("tune", arrangement.request().tune().word());
        root.put("octaveMoved", Math.floorDiv(arrangement.movedBy(), 12));
        root.put("level", arrangement.request().picking().plan().level().word());
        root.put("tempo", arrangement.song().tempo());
        root.put("tempoCeiling", ceiling(arrangement));
        root.put("solveMillis", rounded(solveMillis));
        return root;
    }

    /**
     * What the audit found alone: findings, effort with its terms, tempo ceiling.
     *
     * @param version with what it lets stand, and why
     */
    public String audit(Arrangement arrangement, Version version) {
        ObjectNode root = mapper.createObjectNode();
        addAudit(arrangement, root);
        for (int i = 0; i < arrangement.findings().size(); i++) {
            ObjectNode node = (ObjectNode) root.get("findings").get(i);
            version.ignores(arrangement.findings().get(i)).ifPresent(reason -> node.put("stands", reason));
        }
        SongFigures figures = SongFigures.of(arrangement);
        ObjectNode node = root.putObject("figures")
                .put("shifts", figures.shifts())
                .put("barres", figures.barres())
                .put("stretches", figures.stretches())
                .put("highestFret", figures.highestFret())
                .put("meanFret", rounded(figures.meanFret()));
        ArrayNode hardest = node.putArray("hardestBars");
        figures.hardestBars()
                .forEach(bar -> hardest.add(arrangement.song().bars().get(bar).number()));
        return root.put("tempoCeiling", ceiling(arrangement)).toPrettyString();
    }

    private static double ceiling(Arrangement arrangement) {
        return Math.floor(arrangement.ceiling().tempo());
    }

    private static void addAudit(Arrangement arrangement, ObjectNode root) {
        ArrayNode findings = root.putArray("findings");
        arrangement.findings().forEach(finding -> addFinding(finding, findings.addObject()));
        root.put("effort", arrangement.effort());
        ArrayNode terms = root.putArray("terms");
        arrangement.cost().effort().terms().forEach((term, value) -> terms.addObject()
                .put("name", term.word())
                .put("value", value));
    }

    private static void addSong(Arrangement arrangement, ObjectNode root) {
        ArrayNode bars = root.putArray("bars");
        for (Bar bar : arrangement.song().bars()) {
            bars.addObject()
                    .put("number", bar.number())
                    .put("startTick", bar.startTick())
                    .put("lengthTicks", bar.lengthTicks())
                    .put("meter", bar.meter().toString());
        }
        ArrayNode chords = root.putArray("chords");
        for (ChordChange change : arrangement.song().chart()) {
            chords.addObject().put("startTick", change.startTick()).put("symbol", change.symbol());
        }
        ArrayNode melody = root.putArray("melody");
        for (MelodyNote note : arrangement.song().melody()) {
            melody.addObject()
                    .put("tick", note.tick())
                    .put("lengthTicks", note.lengthTicks())
                    .put("midi", note.midi());
        }
    }

    /** What slurs that were put in to help have gained. */
    private static void addSlurs(Arrangement arrangement, ArrayNode slurs) {
        arrangement.slurs().forEach(slur -> slurs.addObject()
                .put("tick", slur.tick())
                .put("string", slur.string())
                .put("kind", slur.kind().word())
                .put("barCeilingPlucked", Math.floor(slur.ceilingBefore()))
                .put("barCeiling", Math.floor(slur.ceilingAfter())));
    }

    private static void addNote(ArrangedNote note, Instrument instrument, ObjectNode node) {
        node.put("tick", note.tick())
                .put("lengthTicks", note.lengthTicks())
                .put("string", note.string())
                .put("fret", note.fret())
                .put("midi", note.midi())
                .put("role", note.role().word())
                .put("left", note.left().map(Finger::symbol).orElse("0"))
                .put("right", note.right().symbol())
                .put("technique", technique(note.attack()));
        if (note.attack() instanceof Attack.Touched touched) {
            node.put("node", touched.node().toString())
                    .put("touchFret", note.fret() + touched.node().frets());
        }
        if (note.attack().equals(Attack.BEND) || note.attack().equals(Attack.RELEASE)) {
            node.put("bend", note.bentBy(instrument));
        }
        if (note.attack() instanceof Attack.Graced graced) {
            graced.frets().forEach(node.putArray("graceFrets")::add);
        }
        if (note.attack().equals(Attack.SNAP)) {
            node.put("snap", true);
        }
        if (note.attack() instanceof Attack.Brush brush && brush.nails()) {
            node.put("nails", true);
        }
        if (note.attack().equals(Attack.ARRIVED)) {
            node.put("slide", true);
        }
        if (note.attack().equals(Attack.CURL)) {
            node.put("bend", QUARTER_TONE);
        }
        if (note.attack().equals(Attack.VIBRATO)) {
            node.put("vibrato", true);
        }
        if (note.attack().goesUp()) {
            node.put("stroke", "up");
        }
    }

    /** A release is a bend that is over: 0 semitones above its fret. What a grace note begins with is plucked. */
    private static String technique(Attack attack) {
        if (attack instanceof Attack.Graced) {
            return Attack.PLUCK.word();
        }
        return attack.equals(Attack.RELEASE) ? Attack.BEND.word() : attack.word();
    }

    private static void addHold(Hold hold, ObjectNode node) {
        node.put("tick", hold.tick())
                .put("endTick", hold.endTick())
                .put("finger", hold.press().finger().symbol())
                .put("fret", hold.press().fret());
        hold.press().strings().forEach(node.putArray("strings")::add);
    }

    private static void addFinding(Finding finding, ObjectNode node) {
        node.put("bar", finding.bar())
                .put("beat", rounded(finding.beat()))
                .put("kind", finding.kind().word())
                .put("severity", finding.severity().word())
                .put("measured", rounded(finding.measured()))
                .put("limit", rounded(finding.limit()))
                .put("unit", finding.unit())
                .put("message", finding.message());
    }

    private static double rounded(double value) {
        return Math.round(value * HUNDREDTH) / HUNDREDTH;
    }
}
