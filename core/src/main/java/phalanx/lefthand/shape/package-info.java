/**
 * Shapes and the fingers that hold them: reach, fingerings, effort, the search for shapes.
 *
 * <p>For example {@code x 3 2 0 1 0} has fingers 3 2 1 first; from finger 1 on string 2, fret 1 to finger 3 on string 5,
 * fret 3 they reach 71 mm.
 */
package phalanx.lefthand.shape;
