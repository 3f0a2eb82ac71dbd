/**
 * What every reader of files gives: a song with a line for each thing that was changed, or one clear error with file,
 * place and reason. For example a score without chords is a {@link phalanx.formats.reading.Reading} whose report says
 * that chords are proposed.
 */
package phalanx.formats.reading;
