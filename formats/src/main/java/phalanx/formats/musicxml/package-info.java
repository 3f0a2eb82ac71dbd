/**
 * MusicXML, in and out, compressed or not; written files are valid against the published schema.
 *
 * <p>For example a bass note that rings under the next one is written up to that next note, with {@code let-ring}.
 */
package phalanx.formats.musicxml;
