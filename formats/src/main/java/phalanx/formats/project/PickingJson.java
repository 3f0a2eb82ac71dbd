package phalanx.formats.project;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import phalanx.formats.reading.FormatException;
import phalanx.righthand.BassLine;
import phalanx.righthand.BassStrings;
import phalanx.righthand.HandPlace;
import phalanx.righthand.Level;
import phalanx.righthand.Pattern;
import phalanx.righthand.PatternText;
import phalanx.righthand.Picking;
import phalanx.righthand.School;
import phalanx.righthand.Speeds;
import phalanx.technique.Groove;

/** How the right hand plays, within a project file; patterns stand in their text form. */
final class PickingJson {
    private final ObjectMapper mapper;

    PickingJson(ObjectMapper mapper) {
        this.mapper = mapper;
    }

    ObjectNode write(Picking picking) {
        ObjectNode node = mapper.createObjectNode()
                .put("school", picking.school().word())
                .put("place", picking.place().word())
                .put("repeatsASecond", picking.speeds().repeatsASecond())
                .put("rollASecond", picking.speeds().rollASecond())
                .put("upASecond", picking.speeds().upASecond());
        write(picking.plan(), node.putObject("plan"));
        ArrayNode spans = node.putArray("spans");
        for (Picking.Span span : picking.spans()) {
            ObjectNode own =
                    spans.addObject().put("startTick", span.startTick()).put("endTick", span.endTick());
            write(span.plan(), own.putObject("plan"));
        }
        return node;
    }

    static void write(Picking.Plan plan, ObjectNode node) {
        plan.pattern().ifPresent(pattern -> node.put("pattern", PatternText.write(pattern)));
        node.put("bass", plan.bass().word())
                .put("level", plan.level().word())
                .put("strings", plan.strings().word());
        plan.groove().ifPresent(groove -> node.put("groove", groove.text()));
    }

    static Picking read(JsonPlace place) throws FormatException {
        List<Picking.Span> spans = new ArrayList<>();
        for (JsonPlace span : place.child("spans").items()) {
            int start = span.child("startTick").integer();
            int end = span.child("endTick").integer();
            Picking.Plan plan = plan(span.child("plan"));
            spans.add(span.checked(() -> new Picking.Span(start, end, plan)));
        }
        return place.checked(() -> new Picking(
                School.parse(place.child("school").text()),
                HandPlace.parse(place.child("place").text()),
                new Speeds(
                        place.child("repeatsASecond").number(),
                        place.child("rollASecond").number(),
                        place.child("upASecond").number()),
                plan(place.child("plan")),
                spans));
    }

    static Picking.Plan plan(JsonPlace place) throws FormatException {
        Optional<Pattern> pattern = Optional.empty();
        if (place.has("pattern")) {
            String text = place.child("pattern").text();
            pattern = Optional.of(place.child("pattern").checked(() -> PatternText.parse(text)));
        }
        Optional<Pattern> own = pattern;
        Optional<Groove> groove = Optional.empty();
        if (place.has("groove")) {
            String text = place.child("groove").text();
            groove = Optional.of(place.child("groove").checked(() -> Groove.parse(text)));
        }
        Optional<Groove> hits = groove;
        return place.checked(() -> new Picking.Plan(
                own,
                BassLine.parse(place.child("bass").text()),
                Level.parse(place.child("level").text()),
                BassStrings.parse(place.child("strings").text()),
                hits));
    }
}
