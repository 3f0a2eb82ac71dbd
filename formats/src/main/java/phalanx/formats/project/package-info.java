/**
 * Projects: a song with guitar, hand, picking, wishes and locks, as one JSON file with a published schema.
 *
 * <p>For example a project of an older version is read, brought up to the present one, and written only as such.
 */
package phalanx.formats.project;
