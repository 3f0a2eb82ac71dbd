/**
 * How a note begins and what colours it. An {@link phalanx.technique.Attack} says how one note begins; a
 * {@link phalanx.technique.Hit} is a percussive sound, and a {@link phalanx.technique.Groove} lays such sounds over bars.
 * What each needs of the hands stands in {@link phalanx.technique.HitKind} and {@link phalanx.technique.SlurKind}. For
 * example a {@code SLAP} may carry a bass note by the thumb, stops the three lowest strings and keeps the fingers away for
 * 110 ms.
 */
package phalanx.technique;
