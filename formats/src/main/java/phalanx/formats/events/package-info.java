/**
 * An arrangement as JSON for other programs: notes, holds, hits, findings, terms, in one object.
 *
 * <p>For example an open string 1 for a beat is {@code {"tick":0,"lengthTicks":1680,"string":1,"fret":0,"midi":64,...}}.
 */
package phalanx.formats.events;
