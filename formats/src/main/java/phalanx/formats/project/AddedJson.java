package phalanx.formats.project;

import com.fasterxml.jackson.databind.node.ObjectNode;
import phalanx.arrange.demand.Added;
import phalanx.arrange.demand.AddedLock;
import phalanx.formats.reading.FormatException;

/** What was proposed and put into a song, with what was there before. */
final class AddedJson {
    private AddedJson() {}

    static void write(AddedLock lock, ObjectNode node) {
        node.put("startTick", lock.startTick()).put("endTick", lock.endTick()).put("name", lock.name());
        if (lock.what() instanceof Added.Tune tune) {
            SongJson.write(tune.notes(), node.putArray("notes"));
        } else if (lock.what() instanceof Added.Picked picked) {
            PickingJson.write(picked.plan(), node.putObject("plan"));
        } else if (lock.what() instanceof Added.Bass) {
            node.put("bass", true);
        }
    }

    static AddedLock read(JsonPlace place) throws FormatException {
        int start = place.child("startTick").integer();
        int end = place.child("endTick").integer();
        String name = place.child("name").text();
        Added what = what(place);
        return place.checked(() -> new AddedLock(start, end, name, what));
    }

    private static Added what(JsonPlace place) throws FormatException {
        if (place.has("notes")) {
            return new Added.Tune(SongJson.line(place.child("notes")));
        }
        if (place.has("plan")) {
            return new Added.Picked(PickingJson.plan(place.child("plan")));
        }
        return place.has("bass") && place.child("bass").flag() ? new Added.Bass() : new Added.Bars();
    }
}
