package phalanx.formats.midi;

/** The meta events of Standard MIDI files 1.0 that Phalanx reads and writes; from memory. */
final class MetaType {
    static final int TEXT = 0x01;
    static final int NAME = 0x03;
    static final int LYRIC = 0x05;
    static final int MARKER = 0x06;
    static final int END = 0x2F;
    static final int TEMPO = 0x51;
    static final int METER = 0x58;
    static final int KEY = 0x59;

    private MetaType() {}
}
