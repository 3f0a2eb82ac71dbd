/**
 * Files in and out, by their endings. A reader gives a {@link phalanx.formats.reading.Reading}: the song, and a line for each thing that
 * was changed or left out.
 *
 * <p>For example {@code SongFiles} reads an ABC tune without chord symbols as a song, with the line that there are none; what is not
 * ABC at all is a {@link phalanx.formats.reading.FormatException} with file, place and reason.
 */
package phalanx.formats;
