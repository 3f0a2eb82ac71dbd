package phalanx.formats;

import java.nio.charset.StandardCharsets;

/** Builds small MusicXML lead sheets for tests; 12 divisions to the quarter. */
final class LeadSheet {
    static final int DIVISIONS = 12;
    private final StringBuilder measures = new StringBuilder();
    private int number;

    /** A bar of notes {@code pitch:quarters}, {@code r:quarters}, with any other XML between them as it is. */
    LeadSheet bar(String... content) {
        return add("", content);
    }

    LeadSheet pickup(String... content) {
        number--;
        return add(" implicit=\"yes\"", content);
    }

    private LeadSheet add(String attributes, String... content) {
        number++;
        measures.append("<measure number=\"")
                .append(number)
                .append('"')
                .append(attributes)
                .append('>');
        for (String item : content) {
            measures.append(item.startsWith("<") ? item : note(item, ""));
        }
        measures.append("</measure>");
        return this;
    }

    /** A note with further XML inside, after its duration and voice. */
    static String note(String text, String inside) {
        String[] parts = text.split(":");
        long duration = Math.round(Double.parseDouble(parts[1]) * DIVISIONS);
        String what = "<rest/>";
        if (!parts[0].equals("r")) {
            String alter =
                    parts[0].contains("#") ? "<alter>1</alter>" : parts[0].contains("b") ? "<alter>-1</alter>" : "";
            String octave = parts[0].substring(parts[0].length() - 1);
            what = "<pitch><step>" + parts[0].charAt(0) + "</step>" + alter + "<octave>" + octave + "</octave></pitch>";
        }
        return "<note>" + what + "<duration>" + duration + "</duration>"
                + (inside.contains("<voice>") ? "" : "<voice>1</voice>") + inside + "</note>";
    }

    static String start(int fifths, String mode, int beats, int unit) {
        return "<attributes><divisions>" + DIVISIONS + "</divisions><key><fifths>" + fifths + "</fifths><mode>" + mode
                + "</mode></key><time><beats>" + beats + "</beats><beat-type>" + unit
                + "</beat-type></time></attributes>";
    }

    static String chord(String step, String kind) {
        return "<harmony><root><root-step>" + step + "</root-step></root><kind>" + kind + "</kind></harmony>";
    }

    String xml() {
        return "<?xml version=\"1.0\" encoding=\"UTF-8\"?><!DOCTYPE score-partwise PUBLIC \"-//x//DTD Partwise//EN\" "
                + "\"partwise.dtd\"><score-partwise version=\"4.0\"><work><work-title>Test piece</work-title></work>"
                + "<part-list><score-part id=\"P1\"><part-name>Melody</part-name></score-part></part-list><part id=\"P1\">"
                + measures + "</part></score-partwise>";
    }

    byte[] bytes() {
        return xml().getBytes(StandardCharsets.UTF_8);
    }

    /** Four bars in G with a pickup, a slash chord, a tie over the bar line and triplets. */
    static LeadSheet usual() {
        return new LeadSheet()
                .pickup(start(1, "major", 4, 4), "D4:1")
                .bar(chord("G", "major"), "G4:2", "A4:1", note("B4:1", "<tie type=\"start\"/>"))
                .bar(
                        "<harmony><root><root-step>D</root-step></root><kind text=\"7\">dominant</kind><bass>"
                                + "<bass-step>F</bass-step><bass-alter>1</bass-alter></bass></harmony>",
                        note("B4:1", "<tie type=\"stop\"/>"),
                        "A4:0.3333333",
                        "G4:0.3333333",
                        "F#4:0.3333334",
                        "A4:2")
                .bar(chord("E", "minor"), "G4:4")
                .bar(chord("G", "major"), "G4:2", "r:2");
    }
}
