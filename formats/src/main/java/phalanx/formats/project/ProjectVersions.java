package phalanx.formats.project;

import static phalanx.words.Words.wording;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import phalanx.arrange.demand.AttackLock;
import phalanx.arrange.demand.Octave;
import phalanx.arrange.demand.Wishes;
import phalanx.formats.reading.FormatException;
import phalanx.project.Project;
import phalanx.righthand.Level;
import phalanx.righthand.Speeds;

/**
 * Takes a project's JSON up to the present version, one version at a time; of a later one it says what is not known here.
 * A new version has a number one higher and a step of its own; steps are never changed.
 */
final class ProjectVersions {
    /** The version that is written. */
    static final int NOW = 6;

    private static final String NUMBER = "phalanx";

    /** What stands at the top of a project of the present version. */
    private static final Set<String> KNOWN = Set.of(
            NUMBER,
            "title",
            "key",
            "tempo",
            "bars",
            "sections",
            "chart",
            "melody",
            "bass",
            "guitar",
            "strings",
            "hand",
            "versions",
            "shown");

    /** What a version of the song has of its own, from version 5 of the file on. */
    private static final List<String> OWN = List.of(
            "tuning",
            "capo",
            "partialCapo",
            "locks",
            "attacks",
            "places",
            "limits",
            "cascades",
            "written",
            "picking",
            "wishes");

    /** The step at place 0 goes from version 1 to 2, and so on. */
    private static final List<Consumer<ObjectNode>> STEPS = List.of(
            ProjectVersions::toVersion2,
            ProjectVersions::toVersion3,
            ProjectVersions::toVersion4,
            ProjectVersions::toVersion5,
            ProjectVersions::toVersion6);

    private ProjectVersions() {}

    /**
     * A project's JSON in the present version.
     *
     * @param root with every field
     * @param report one line for each thing that a later version put in and that was left out; empty else
     */
    record Raised(ObjectNode root, List<String> report) {}

    static Raised raise(JsonNode given) throws FormatException {
        int version = given == null || !given.path(NUMBER).isInt()
                ? 0
                : given.get(NUMBER).intValue();
        if (version < 1 || !given.isObject()) {
            throw new FormatException(NUMBER, wording("ProjectVersions.this-is-not-a-project"));
        }
        ObjectNode root = given.deepCopy();
        for (int step = version; step < NOW; step++) {
            STEPS.get(step - 1).accept(root);
            root.put(NUMBER, step + 1);
        }
        return new Raised(root, version > NOW ? unknown(root, version) : List.of());
    }

    private static List<String> unknown(ObjectNode root, int version) {
        List<String> report = new ArrayList<>();
        report.add(wording("ProjectVersions.the-project-was-written-by", version, NOW));
        root.fieldNames().forEachRemaining(name -> {
            if (!KNOWN.contains(name)) {
                report.add(wording("ProjectVersions.is-not-known-here-and", name));
            }
        });
        return report;
    }

    /** Wishes come in, levels in place of densities, and the thumb's upstroke. Until then a tune stayed as written. */
    private static void toVersion2(ObjectNode root) {
        if (!root.has("wishes")) {
            ObjectNode wishes = VersionJson.wishes(Wishes.USUAL.withOctave(Octave.AS_WRITTEN));
            wishes.remove("slurs");
            root.set("wishes", wishes);
        }
        if (root.path("picking") instanceof ObjectNode picking) {
            withLevel(picking.path("plan"));
            if (picking.path("spans") instanceof ArrayNode spans) {
                spans.forEach(span -> withLevel(span.path("plan")));
            }
            if (!picking.has("upASecond")) {
                double repeats = picking.path("repeatsASecond").asDouble();
                picking.put("upASecond", Math.max(repeats, Speeds.USUAL.upASecond()));
            }
        }
    }

    /** Slurs, cascades and grooves come in; until then every note was plucked. */
    private static void toVersion3(ObjectNode root) {
        if (root.path("wishes") instanceof ObjectNode wishes) {
            wishes.put("slurs", false);
        }
        if (root.path("written") instanceof ArrayNode written) {
            written.forEach(note -> {
                if (note instanceof ObjectNode own) {
                    own.put("slurred", false);
                }
            });
        }
        for (String later : List.of("slurs", "cascades")) {
            if (!root.has(later)) {
                root.putArray(later);
            }
        }
    }

    /** Bends and harmonics come in beside slurs, and decisions on places and limits. */
    private static void toVersion4(ObjectNode root) {
        JsonNode slurs = root.remove("slurs");
        root.set("attacks", slurs == null ? root.arrayNode() : slurs);
        root.putArray("places");
        root.putArray("limits");
        for (String notes : List.of("attacks", "written")) {
            for (JsonNode note : root.path(notes)) {
                if (note instanceof ObjectNode own && own.path("slurred").isBoolean()) {
                    boolean slurred = own.remove("slurred").booleanValue();
                    own.put("way", (slurred ? AttackLock.Way.SLURRED : AttackLock.Way.PLUCKED).word());
                }
            }
        }
    }

    /** Versions of the arrangement and decisions on inner notes come in; until then there was one, without a name. */
    private static void toVersion5(ObjectNode root) {
        ObjectNode first = root.putArray("versions").addObject().put("name", Project.FIRST);
        for (String field : OWN) {
            JsonNode own = root.remove(field);
            if (own != null) {
                first.set(field, own);
            }
        }
        first.putArray("inners");
        first.putArray("ignored");
        root.put("shown", Project.FIRST);
    }

    /** Hits come in beside written notes; there were none. */
    private static void toVersion6(ObjectNode root) {}

    private static void withLevel(JsonNode plan) {
        if (plan instanceof ObjectNode node && !node.has("level") && node.has("density")) {
            String density = node.remove("density").asText();
            node.put(
                    "level",
                    switch (density) {
                        case "thin" -> Level.PLAIN.word();
                        case "as written" -> Level.EVEN.word();
                        default -> density;
                    });
        }
    }
}
