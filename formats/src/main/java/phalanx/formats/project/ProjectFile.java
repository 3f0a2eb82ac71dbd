package phalanx.formats.project;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.DeserializationFeature;
import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalInt;
import phalanx.arrange.Written;
import phalanx.arrange.WrittenNote;
import phalanx.arrange.demand.AttackLock;
import phalanx.arrange.demand.CascadeLock;
import phalanx.arrange.demand.Holding;
import phalanx.arrange.demand.LimitLock;
import phalanx.arrange.demand.Lock;
import phalanx.arrange.demand.Octave;
import phalanx.arrange.demand.PlaceLock;
import phalanx.arrange.demand.Role;
import phalanx.arrange.demand.ShapeLock;
import phalanx.arrange.demand.TuneUse;
import phalanx.arrange.demand.Wishes;
import phalanx.formats.disk.FileContent;
import phalanx.formats.disk.SafeFile;
import phalanx.formats.disk.StrictJson;
import phalanx.formats.reading.FormatException;
import phalanx.guitar.Guitar;
import phalanx.guitar.Hand;
import phalanx.guitar.Instrument;
import phalanx.guitar.PartialCapo;
import phalanx.guitar.StringSet;
import phalanx.guitar.Tuning;
import phalanx.lefthand.shape.Finger;
import phalanx.lefthand.shape.HeldShape;
import phalanx.project.Project;
import phalanx.technique.HarmonicNode;

/**
 * A project as one JSON file, versioned, with its fields in a stable order: the song, the guitar, the hand, what is
 * locked, how the right hand plays. The schema in docs/project.schema.json describes it.
 */
public final class ProjectFile {
    /** What the names of such files end in. */
    public static final String ENDING = ".phalanx.json";

    /** Every field must be there: what earlier versions lack is put in before. */
    private final ObjectMapper mapper =
            StrictJson.mapper().enable(DeserializationFeature.FAIL_ON_MISSING_CREATOR_PROPERTIES);

    /** Whether a file is a project, by its name. */
    public static boolean isProject(Path file) {
        return String.valueOf(file.getFileName()).toLowerCase(Locale.ROOT).endsWith(ENDING);
    }

    /** The file's content. */
    public byte[] write(Project project) {
        ObjectNode root = mapper.createObjectNode().put("phalanx", ProjectVersions.NOW);
        new SongJson().write(project.song(), root);
        Instrument instrument = project.instrument();
        root.set("guitar", mapper.valueToTree(instrument.guitar()));
        root.set("tuning", mapper.valueToTree(instrument.tuning().open()));
        root.put("capo", instrument.capo());
        instrument.partial().ifPresent(capo -> root.set("partialCapo", mapper.valueToTree(capo)));
        root.set("strings", mapper.valueToTree(project.strings()));
        root.set("hand", mapper.valueToTree(project.hand()));
        ArrayNode locks = root.putArray("locks");
        ArrayNode attacks = root.putArray("attacks");
        ArrayNode places = root.putArray("places");
        ArrayNode limits = root.putArray("limits");
        ArrayNode cascades = root.putArray("cascades");
        for (Lock lock : project.locks()) {
            if (lock instanceof ShapeLock shape) {
                ObjectNode node =
                        locks.addObject().put("startTick", shape.startTick()).put("endTick", shape.endTick());
                node.set("held", mapper.valueToTree(shape.held()));
            } else if (lock instanceof CascadeLock cascade) {
                ObjectNode node = cascades.addObject()
                        .put("startTick", cascade.startTick())
                        .put("endTick", cascade.endTick())
                        .put("node", cascade.node().toString())
                        .put("order", cascade.order());
                node.set("held", mapper.valueToTree(cascade.held()));
            } else if (lock instanceof PlaceLock place) {
                ObjectNode node = places.addObject()
                        .put("tick", place.tick())
                        .put("role", place.role().label())
                        .put("string", place.string());
                place.finger().ifPresent(finger -> node.put("finger", finger.symbol()));
            } else if (lock instanceof LimitLock limit) {
                ObjectNode node = limits.addObject()
                        .put("startTick", limit.startTick())
                        .put("endTick", limit.endTick())
                        .put("noBarre", limit.noBarre());
                limit.highestFret().ifPresent(fret -> node.put("highestFret", fret));
            } else if (lock instanceof AttackLock attack) {
                attacks.addObject()
                        .put("tick", attack.tick())
                        .put("role", attack.role().label())
                        .put("way", attack.way().label());
            }
        }
        project.written().ifPresent(written -> {
            ArrayNode notes = root.putArray("written");
            written.notes().forEach(note -> notes.addObject()
                    .put("tick", note.tick())
                    .put("string", note.string())
                    .put("fret", note.fret())
                    .put("way", note.way().label()));
        });
        root.set("picking", new PickingJson(mapper).write(project.picking()));
        root.set("wishes", wishes(project.wishes()));
        try {
            return mapper.writeValueAsBytes(root);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    /**
     * Writes a file.
     *
     * @throws FormatException naming the file and the reason; the file is then as it was before
     */
    public void write(Project project, Path file) throws FormatException {
        SafeFile.replace(file, write(project));
    }

    /**
     * Reads a file.
     *
     * @throws FormatException naming file, place and reason
     */
    public Project read(Path file) throws FormatException {
        return open(file).project();
    }

    /**
     * A project as it was opened.
     *
     * @param project what could be read
     * @param report one line for each thing that could not: a later version wrote the file; empty else
     */
    public record Opened(Project project, List<String> report) {
        public Opened {
            Objects.requireNonNull(project, "project");
            report = List.copyOf(report);
        }
    }

    /** Reads a file and says what a later version has put into it. */
    public Opened open(Path file) throws FormatException {
        try {
            return open(FileContent.of(file));
        } catch (FormatException e) {
            throw e.in(file);
        }
    }

    /**
     * Reads a file's content.
     *
     * @throws FormatException naming place and reason
     */
    public Project read(byte[] bytes) throws FormatException {
        return open(bytes).project();
    }

    /** Reads a file's content and says what a later version has put into it. */
    public Opened open(byte[] bytes) throws FormatException {
        JsonNode root;
        try {
            root = mapper.readTree(bytes);
        } catch (JsonProcessingException e) {
            throw StrictJson.error(e);
        } catch (IOException e) {
            throw new FormatException("", "the file cannot be read (" + e.getMessage() + ")");
        }
        ProjectVersions.Raised raised = ProjectVersions.raise(root);
        return new Opened(project(new JsonPlace(mapper, raised.root(), "")), raised.report());
    }

    private static Project project(JsonPlace place) throws FormatException {
        Instrument instrument = instrument(place);
        return place.checked(() -> new Project(
                new SongJson().read(place),
                instrument,
                place.child("strings").as(StringSet.class),
                place.child("hand").as(Hand.class),
                locks(place),
                written(place, instrument),
                PickingJson.read(place.child("picking")),
                wishes(place)));
    }

    static ObjectNode wishes(Wishes wishes) {
        ObjectNode node = JsonNodeFactory.instance
                .objectNode()
                .put("tune", wishes.tune().label())
                .put("octave", wishes.octave().label())
                .put("hold", wishes.holding().label())
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

    private static Instrument instrument(JsonPlace root) throws FormatException {
        List<Integer> open = new ArrayList<>();
        for (JsonPlace string : root.child("tuning").items()) {
            open.add(string.integer());
        }
        Optional<PartialCapo> partial = root.has("partialCapo")
                ? Optional.of(root.child("partialCapo").as(PartialCapo.class))
                : Optional.empty();
        Guitar guitar = root.child("guitar").as(Guitar.class);
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
        return Optional.of(
                root.child("written").checked(() -> new Written(instrument.tuning(), instrument.capo(), notes)));
    }
}
