package phalanx.formats.events;

import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.List;
import phalanx.practice.Step;
import phalanx.song.Ticks;

/** The steps of a ladder as JSON. */
public final class LadderJson {
    private final ObjectMapper mapper = new ObjectMapper();

    public String write(List<Step> steps) {
        ObjectNode root = mapper.createObjectNode().put("ticksPerQuarter", Ticks.QUARTER);
        ArrayNode all = root.putArray("steps");
        for (Step step : steps) {
            ObjectNode node = all.addObject().put("name", step.name());
            node.putArray("bars")
                    .add(step.bars().get(0).number())
                    .add(step.bars().get(step.bars().size() - 1).number());
            node.put("hands", step.hands().word());
            ArrayNode strokes = node.putArray("strokes");
            step.notes().forEach(note -> strokes.addObject()
                    .put("tick", note.tick())
                    .put("string", note.string())
                    .put("fret", note.fret())
                    .put("right", note.right().symbol())
                    .put("technique", note.attack().word()));
            ArrayNode hits = node.putArray("hits");
            step.hits().forEach(hit -> hits.addObject()
                    .put("tick", hit.tick())
                    .put("kind", hit.kind().word()));
            node.put("count", step.count())
                    .put("tempo", step.tempo())
                    .put("loop", true)
                    .put("tuneOut", step.tuneOut())
                    .put("adds", step.adds())
                    .put("clean", step.clean())
                    .put("why", step.why());
        }
        return root.toPrettyString();
    }
}
