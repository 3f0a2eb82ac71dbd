package phalanx.formats.project;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import phalanx.arrange.Written;
import phalanx.arrange.WrittenNote;
import phalanx.arrange.demand.AddedLock;
import phalanx.arrange.demand.AttackLock;
import phalanx.arrange.demand.CascadeLock;
import phalanx.arrange.demand.DigitLock;
import phalanx.arrange.demand.Holding;
import phalanx.arrange.demand.InnerLock;
import phalanx.arrange.demand.LimitLock;
import phalanx.arrange.demand.Lock;
import phalanx.arrange.demand.Octave;
import phalanx.arrange.demand.PlaceLock;
import phalanx.arrange.demand.Role;
import phalanx.arrange.demand.ShapeLock;
import phalanx.arrange.demand.TuneUse;
import phalanx.arrange.demand.Wishes;
import phalanx.arrange.score.FindingKind;
import phalanx.formats.reading.FormatException;
import phalanx.guitar.Guitar;
import phalanx.guitar.Instrument;
import phalanx.guitar.PartialCapo;
import phalanx.guitar.Tuning;
import phalanx.lefthand.shape.Finger;
import phalanx.lefthand.shape.HeldShape;
import phalanx.project.IgnoredFinding;
import phalanx.project.Version;
import phalanx.righthand.Digit;
import phalanx.technique.HarmonicNode;
import phalanx.technique.Hit;
import phalanx.technique.HitKind;

/** A version of a project: what the player has decided about one way to arrange its song. */
final class VersionJson {
    private final ObjectMapper mapper;

    VersionJson(ObjectMapper mapper) {
        this.mapper = mapper;
    }

    ObjectNode write(Version version) {
        ObjectNode node = mapper.createObjectNode().put("name", version.name());
        Instrument instrument = version.instrument();
        node.set("tuning", mapper.valueToTree(instrument.tuning().open()));
        node.put("capo", instrument.capo());
        instrument.partial().ifPresent(capo -> node.set("partialCapo", mapper.valueToTree(capo)));
        ArrayNode locks = node.putArray("locks");
        ArrayNode attacks = node.putArray("attacks");
        ArrayNode places = node.putArray("places");
        ArrayNode inners = node.putArray("inners");
        ArrayNode limits = node.putArray("limits");
        ArrayNode cascades = node.putArray("cascades");
        ArrayNode added = mapper.createArrayNode();
        ArrayNode digits = mapper.createArrayNode();
        for (Lock lock : version.locks()) {
            if (lock instanceof ShapeLock shape) {
                ObjectNode one =
                        locks.addObject().put("startTick", shape.startTick()).put("endTick", shape.endTick());
                one.set("held", mapper.valueToTree(shape.held()));
            } else if (lock instanceof CascadeLock cascade) {
                ObjectNode one = cascades.addObject()
                        .put("startTick", cascade.startTick())
                        .put("endTick", cascade.endTick())
                        .put("node", cascade.node().toString())
                        .put("order", cascade.order());
                one.set("held", mapper.valueToTree(cascade.held()));
            } else if (lock instanceof PlaceLock place) {
                ObjectNode one = places.addObject()
                        .put("tick", place.tick())
                        .put("role", place.role().word())
                        .put("string", place.string());
                place.finger().ifPresent(finger -> one.put("finger", finger.symbol()));
            } else if (lock instanceof InnerLock inner) {
                inners.addObject().put("tick", inner.tick()).put("notes", inner.notes());
            } else if (lock instanceof LimitLock limit) {
                ObjectNode one = limits.addObject()
                        .put("startTick", limit.startTick())
                        .put("endTick", limit.endTick())
                        .put("noBarre", limit.noBarre());
                limit.highestFret().ifPresent(fret -> one.put("highestFret", fret));
            } else if (lock instanceof AddedLock one) {
                AddedJson.write(one, added.addObject());
            } else if (lock instanceof DigitLock digit) {
                digits.addObject()
                        .put("tick", digit.tick())
                        .put("role", digit.role().word())
                        .put("digit", digit.digit().symbol());
            } else if (lock instanceof AttackLock attack) {
                attacks.addObject()
                        .put("tick", attack.tick())
                        .put("role", attack.role().word())
                        .put("way", attack.way().word());
            }
        }
        if (!added.isEmpty()) {
            node.set("added", added);
        }
        if (!digits.isEmpty()) {
            node.set("digits", digits);
        }
        version.written().ifPresent(written -> {
            ArrayNode notes = node.putArray("written");
            written.notes().forEach(note -> notes.addObject()
                    .put("tick", note.tick())
                    .put("string", note.string())
                    .put("fret", note.fret())
                    .put("way", note.way().word()));
            ArrayNode hits = node.putArray("writtenHits");
            written.hits().forEach(hit -> hits.addObject()
                    .put("tick", hit.tick())
                    .put("kind", hit.kind().word()));
        });
        node.set("picking", new PickingJson(mapper).write(version.picking()));
        node.set("wishes", wishes(version.wishes()));
        ArrayNode ignored = node.putArray("ignored");
        version.ignored().forEach(one -> ignored.addObject()
                .put("tick", one.tick())
                .put("kind", one.kind().word())
                .put("reason", one.reason()));
        return node;
    }

    static Version read(JsonPlace place, Guitar guitar) throws FormatException {
        String name = place.child("name").text();
        Instrument instrument = instrument(place, guitar);
        return place.checked(() -> new Version(
                name,
                instrument,
                locks(place),
                written(place, instrument),
                PickingJson.read(place.child("picking")),
                wishes(place),
                ignored(place)));
    }

    private static List<IgnoredFinding> ignored(JsonPlace root) throws FormatException {
        List<IgnoredFinding> ignored = new ArrayList<>();
        for (JsonPlace one : root.child("ignored").items()) {
            int tick = one.child("tick").integer();
            JsonPlace kind = one.child("kind");
            String label = kind.text();
            FindingKind known = kind.checked(() -> FindingKind.parse(label));
            String reason = one.child("reason").text();
            ignored.add(one.checked(() -> new IgnoredFinding(tick, known, reason)));
        }
        return ignored;
    }

    static ObjectNode wishes(Wishes wishes) {
        ObjectNode node = JsonNodeFactory.instance
                .objectNode()
                .put("tune", wishes.tune().word())
                .put("octave", wishes.octave().word())
                .put("hold", wishes.holding().word())
                .put("fullEnds", wishes.fullEnds())
                .put("slurs", wishes.slurs());
        wishes.highestFret().ifPresent(fret -> node.put("highestFret", fret));
        return node;
    }

    private static Wishes wishes(JsonPlace root) throws FormatException {
        JsonPlace place = root.child("wishes");
        OptionalInt highest = place.has("highestFret")
                ? OptionalInt.of(place.child("highestFret").integer())
                : OptionalInt.empty();
        return place.checked(() -> new Wishes(
                TuneUse.parse(place.child("tune").text()),
                Octave.parse(place.child("octave").text()),
                Holding.parse(place.child("hold").text()),
                place.child("fullEnds").flag(),
                highest,
                place.child("slurs").flag()));
    }

    private static Instrument instrument(JsonPlace root, Guitar guitar) throws FormatException {
        List<Integer> open = new ArrayList<>();
        for (JsonPlace string : root.child("tuning").items()) {
            open.add(string.integer());
        }
        Optional<PartialCapo> partial = root.has("partialCapo")
                ? Optional.of(root.child("partialCapo").as(PartialCapo.class))
                : Optional.empty();
        int capo = root.child("capo").integer();
        return root.child("tuning").checked(() -> new Instrument(guitar, new Tuning(open), capo, partial));
    }

    private static List<Lock> locks(JsonPlace root) throws FormatException {
        List<Lock> locks = new ArrayList<>();
        for (JsonPlace lock : root.child("locks").items()) {
            locks.add(shapeLock(lock));
        }
        for (JsonPlace attack : root.child("attacks").items()) {
            locks.add(attackLock(attack));
        }
        for (JsonPlace place : root.child("places").items()) {
            locks.add(placeLock(place));
        }
        for (JsonPlace inner : root.child("inners").items()) {
            int tick = inner.child("tick").integer();
            int notes = inner.child("notes").integer();
            locks.add(inner.checked(() -> new InnerLock(tick, notes)));
        }
        for (JsonPlace limit : root.child("limits").items()) {
            int start = limit.child("startTick").integer();
            int end = limit.child("endTick").integer();
            boolean noBarre = limit.child("noBarre").flag();
            OptionalInt highest = limit.has("highestFret")
                    ? OptionalInt.of(limit.child("highestFret").integer())
                    : OptionalInt.empty();
            locks.add(limit.checked(() -> new LimitLock(start, end, highest, noBarre)));
        }
        for (JsonPlace cascade : root.child("cascades").items()) {
            int start = cascade.child("startTick").integer();
            int end = cascade.child("endTick").integer();
            HeldShape held = cascade.child("held").as(HeldShape.class);
            String node = cascade.child("node").text();
            String order = cascade.child("order").text();
            locks.add(cascade.checked(() -> new CascadeLock(start, end, held, HarmonicNode.parse(node), order)));
        }
        if (root.has("added")) {
            for (JsonPlace added : root.child("added").items()) {
                locks.add(AddedJson.read(added));
            }
        }
        if (root.has("digits")) {
            for (JsonPlace digit : root.child("digits").items()) {
                int tick = digit.child("tick").integer();
                Role role = role(digit);
                Digit own = digit.child("digit")
                        .checked(() -> Digit.of(digit.child("digit").text()));
                locks.add(digit.checked(() -> new DigitLock(tick, role, own)));
            }
        }
        return locks;
    }

    private static Lock shapeLock(JsonPlace lock) throws FormatException {
        int start = lock.child("startTick").integer();
        int end = lock.child("endTick").integer();
        HeldShape held = lock.child("held").as(HeldShape.class);
        return lock.checked(() -> new ShapeLock(start, end, held));
    }

    private static Lock placeLock(JsonPlace lock) throws FormatException {
        int tick = lock.child("tick").integer();
        Role role = role(lock);
        int string = lock.child("string").integer();
        Optional<Finger> finger = lock.has("finger")
                ? Optional.of(lock.child("finger")
                        .checked(() -> Finger.of(lock.child("finger").text())))
                : Optional.empty();
        return lock.checked(() -> new PlaceLock(tick, role, string, finger));
    }

    private static Role role(JsonPlace lock) throws FormatException {
        JsonPlace role = lock.child("role");
        return role.checked(() -> Role.parse(role.text()));
    }

    private static Lock attackLock(JsonPlace lock) throws FormatException {
        int tick = lock.child("tick").integer();
        Role role = role(lock);
        AttackLock.Way way = way(lock);
        return lock.checked(() -> new AttackLock(tick, role, way));
    }

    private static AttackLock.Way way(JsonPlace note) throws FormatException {
        JsonPlace way = note.child("way");
        return way.checked(() -> AttackLock.Way.parse(way.text()));
    }

    private static Optional<Written> written(JsonPlace root, Instrument instrument) throws FormatException {
        if (!root.has("written")) {
            return Optional.empty();
        }
        List<WrittenNote> notes = new ArrayList<>();
        for (JsonPlace note : root.child("written").items()) {
            int tick = note.child("tick").integer();
            int string = note.child("string").integer();
            int fret = note.child("fret").integer();
            AttackLock.Way way = way(note);
            notes.add(note.checked(() -> new WrittenNote(tick, string, fret, way)));
        }
        List<Hit> hits = new ArrayList<>();
        List<JsonPlace> listed =
                root.has("writtenHits") ? root.child("writtenHits").items() : List.of();
        for (JsonPlace hit : listed) {
            int tick = hit.child("tick").integer();
            JsonPlace kind = hit.child("kind");
            HitKind read = kind.checked(() -> HitKind.parse(kind.text()));
            hits.add(hit.checked(() -> new Hit(tick, read)));
        }
        return Optional.of(
                root.child("written").checked(() -> new Written(instrument.tuning(), instrument.capo(), notes, hits)));
    }
}
