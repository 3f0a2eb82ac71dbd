/**
 * Pitches, keys, chord symbols and their names, numerals, the key of a progression.
 *
 * <p>For example D7/F# has the root D, the tones D F# A C and the bass F#; in G it is the dominant over its third. The frets
 * 2 0 0 2 1 2 are named D7/F# first.
 */
package phalanx.theory;
