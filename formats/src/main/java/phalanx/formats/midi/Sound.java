package phalanx.formats.midi;

/** A sounding note of a file, in ticks of ours. */
record Sound(int tick, int end, int midi) {}
