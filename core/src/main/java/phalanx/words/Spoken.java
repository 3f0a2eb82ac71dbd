package phalanx.words;

/** A value that is called otherwise in sentences than in files. */
public interface Spoken {
    /** What it is called in a sentence. */
    String spoken();
}
