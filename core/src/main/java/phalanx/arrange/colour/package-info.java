/**
 * What colours an arrangement after its notes are chosen: hits where the hands are free. Frets, fingers and effort stay
 * as the path has them; a note that a hit stops is from then on asked for no longer.
 */
package phalanx.arrange.colour;
