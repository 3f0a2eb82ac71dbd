package phalanx.desktop;

/** The songs that are shipped as examples. */
public enum Demo {
    /** A tune over an alternating thumb. */
    SLATE_HARBOUR("Slate Harbour", "slate-harbour.musicxml"),
    /** Retuned, with hits, slurs and a cascade before it. */
    LANTERN_WEIR("Lantern Weir", "lantern-weir.phalanx.json"),
    /** On nylon strings, in three, with notes that are held. */
    PAPER_LANTERNS("Paper Lanterns", "paper-lanterns.phalanx.json"),
    /** Chords alone under a voice. */
    THE_LATE_FERRY("The Late Ferry", "the-late-ferry.phalanx.json");

    private final String title;
    private final String file;

    Demo(String title, String file) {
        this.title = title;
        this.file = file;
    }

    public String title() {
        return title;
    }

    /** The resource it stands in. */
    String resource() {
        return "demo/" + file;
    }
}
