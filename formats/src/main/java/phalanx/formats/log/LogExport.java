package phalanx.formats.log;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.fasterxml.jackson.dataformat.csv.CsvMapper;
import com.fasterxml.jackson.dataformat.csv.CsvSchema;
import java.util.List;
import phalanx.practice.LogEntry;

/** The practice log for other programs: JSON, or CSV (RFC 4180). */
public final class LogExport {
    private LogExport() {}

    public static String json(List<LogEntry> entries) {
        return rows(entries).toPrettyString();
    }

    public static String csv(List<LogEntry> entries) {
        CsvSchema schema = CsvSchema.builder()
                .addColumn("at")
                .addColumn("song")
                .addColumn("passage")
                .addColumn("step")
                .addNumberColumn("tempo")
                .addBooleanColumn("clean")
                .addNumberColumn("seconds")
                .addColumn("feel")
                .addColumn("note")
                .setUseHeader(true)
                .setLineSeparator("\r\n")
                .build();
        try {
            return new CsvMapper().writer(schema).writeValueAsString(rows(entries));
        } catch (JsonProcessingException e) {
            throw new IllegalStateException(e);
        }
    }

    private static ArrayNode rows(List<LogEntry> entries) {
        ArrayNode rows = new ObjectMapper().createArrayNode();
        for (LogEntry entry : entries) {
            ObjectNode row = rows.addObject();
            row.put("at", entry.at().toString())
                    .put("song", entry.song())
                    .put("passage", entry.passage())
                    .put("step", entry.step())
                    .put("tempo", entry.tempo())
                    .put("clean", entry.clean())
                    .put("seconds", entry.seconds())
                    .put("feel", entry.feel().word())
                    .put("note", entry.note());
        }
        return rows;
    }
}
