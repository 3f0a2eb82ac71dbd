/**
 * Files on the disk, whatever their format: read whole within a limit, written whole or not at all. For example a save on
 * a full disk leaves the file as it was and says that the disk is full.
 */
package phalanx.formats.disk;
